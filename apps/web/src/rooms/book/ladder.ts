import { type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import {
  createSpread,
  type CurveMode,
  cured,
  predictLab,
  referenceCanvas,
  type Optics,
} from '@kleur/core/pigment';
import { type Bar } from './bookOf.ts';

/** Colours that a strip is painted with. */
const STEPS = 24;
/** Teeth along either edge. */
const TEETH = 48;
/** A doubt of so many ΔE00 makes the teeth meet. */
const FULL = 14;
/** Either row of teeth reaches at most so far into the strip. */
const MOST = 0.46;
/** Beside a bar the strip is as unsure as the bar; this far from it, as a factor of the dose, as unsure as its curve. */
const REACH = Math.log(2);

/** A strip from its faintest to its largest dose, as backgrounds and as the outlines of its frayed edges. */
export interface Ladder {
  readonly colours: string;
  readonly lighter: string;
  readonly darker: string;
  /** Teeth as clip paths: as long as the colour is unsure there, sharp where bars stand. */
  readonly above: string;
  readonly below: string;
}

const gradient = (labs: readonly LabD65[]): string =>
  `linear-gradient(to right, ${labs.map((lab) => screenColourFromLabD65(lab).hex).join()})`;

/** Teeth from an edge at `edge` (0 above, 1 below), each of its length. */
function outline(lengths: readonly number[], edge: 0 | 1): string {
  const percent = (v: number): string => `${(100 * v).toFixed(1)}%`;
  const points = lengths.flatMap((length, i) => [
    [i / TEETH, edge],
    [(i + 0.5) / TEETH, edge === 0 ? length : 1 - length],
  ]);
  return `polygon(${[...points, [1, edge]].map(([x, y]) => `${percent(x!)} ${percent(y!)}`).join()})`;
}

/** What a curve foretells of a colourant alone in the near-white base, in full cure, over its doses, g/kg oils. */
export function ladderOf(
  { optics, modes }: { readonly optics: Optics; readonly modes: readonly CurveMode[] },
  gel: number,
  [from, to]: readonly [number, number],
  bars: readonly Bar[],
): Ladder {
  const stage = cured(gel);
  const doseAt = (part: number): number => from * (to / from) ** part;
  const spread = createSpread(referenceCanvas, [{ optics, modes }], stage);
  const alone = bars.filter((b) => b.isAlone);
  const unsure = (dose: number, deltaE: number): number =>
    alone.reduce((least, b) => {
      const away = Math.min(1, Math.abs(Math.log(dose / b.dose)) / REACH);
      return Math.min(least, away * deltaE + (1 - away) * Math.min(deltaE, b.doubt));
    }, deltaE);
  const steps = Array.from({ length: STEPS }, (_, i) => {
    const dose = doseAt(i / (STEPS - 1));
    const [darker, lighter] = spread.of([dose]).range;
    return { lab: predictLab(referenceCanvas, [{ optics, dose }], stage), darker, lighter };
  });
  const lengths = Array.from({ length: TEETH }, (_, i) => {
    const dose = doseAt((i + 0.5) / TEETH);
    return Math.min(MOST, unsure(dose, spread.of([dose]).deltaE) / FULL);
  });
  return {
    colours: gradient(steps.map((s) => s.lab)),
    lighter: gradient(steps.map((s) => s.lighter)),
    darker: gradient(steps.map((s) => s.darker)),
    above: outline(lengths, 0),
    below: outline(lengths, 1),
  };
}
