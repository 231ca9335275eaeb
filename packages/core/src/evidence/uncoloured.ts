import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Material } from '../material/material.ts';
import { canvasOfOils } from '../material/oilCanvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { referenceCanvas } from '../pigment/canvas.ts';

/** An uncoloured bar further than this from every base is asked about, ΔE00. */
export const NEAR_A_BASE = 10;

/**
 * How far a colour is from that of any uncoloured soap, ΔE00: of the reference base, and of each oil of the shelf by
 * itself, gelled and not.
 * @param hours age of the bar
 */
export function farFromBases(lab: LabD65, hours: number, oils: readonly Material[]): number {
  const canvases = [
    referenceCanvas,
    ...oils.filter((m) => m.kind === 'oil').map((material) => canvasOfOils([{ material, share: 1 }], null)),
  ];
  return Math.min(
    ...canvases.flatMap((canvas) =>
      [0, 1].map((gel) => deltaE00(lab, predictLab(canvas, [], { hours, gel }))),
    ),
  );
}
