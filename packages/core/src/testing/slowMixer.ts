import { labD65FromReflectance, type LabD65 } from '../colour/lab.ts';
import { type Canvas, canvasAbsorption } from '../pigment/canvas.ts';
import { internalReflectance } from '../pigment/kubelkaMunk.ts';
import { absorptionAt, effectiveDose, type Optics } from '../pigment/optics.ts';
import { baseScatter, type Stage } from '../pigment/stage.ts';
import { measuredFromInternal } from '../pigment/surface.ts';

/** The obvious twin of the mixer for colourants without specks or fluorescence: one band after another. */
export function slowLab(
  canvas: Canvas,
  parts: readonly { readonly optics: Optics; readonly dose: number }[],
  stage: Stage,
): LabD65 {
  const base = canvasAbsorption(canvas, stage, new Float64Array(36));
  const reflectance = base.map((kBase, band) => {
    let K = kBase;
    let S = baseScatter(stage);
    for (const { optics, dose } of parts) {
      const e = effectiveDose(dose, optics.saturation);
      K += e * absorptionAt(optics, stage, new Float64Array(36))[band]!;
      S += e * optics.s[band]!;
    }
    return measuredFromInternal(internalReflectance(K / S));
  });
  return labD65FromReflectance(reflectance);
}
