import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { type ColourMeasurement } from '../device/colourReader.ts';
import { HOW_DOUBT } from './reading.ts';

/** What a colour reader measured, as it is kept. */
export interface Measured {
  readonly lab: LabD65;
  readonly spectrum: readonly number[];
  /** ± ΔE00: what a reader is off by, or its repeats are apart by, whichever is more. */
  readonly doubt: number;
}

export function measuredOf({ spectrum, repeats }: ColourMeasurement): Measured {
  const labFrom = (s: readonly number[]): LabD65 =>
    labD65FromReflectance(Float64Array.from(s, (r) => Math.max(0, r)));
  const lab = labFrom(spectrum);
  const apart = repeats.map((r) => deltaE00(labFrom(r), lab));
  const spread = apart.reduce((sum, d) => sum + d, 0) / Math.max(1, apart.length);
  return { lab, spectrum, doubt: Math.max(HOW_DOUBT.reader, spread) };
}

/** A bar that may lie under the reader. */
export interface Expected {
  readonly id: string;
  readonly lab: LabD65;
  /** ± ΔE00 of what is foretold. */
  readonly doubt: number;
}

/** A measurement is of another bar only where it misses its own by more than this, ΔE00, and more than its doubt. */
const CLEARLY_OFF = 8;
/** And where the other is nearer by this factor. */
const NEARER = 3;

/**
 * The bar that a measurement looks like, where that is clearly another one than it was said to be of; null where it may
 * well be that one.
 */
export function looksLike(lab: LabD65, id: string, bars: readonly Expected[]): string | null {
  const own = bars.find((b) => b.id === id);
  if (!own) return null;
  const miss = deltaE00(lab, own.lab);
  if (miss < Math.max(CLEARLY_OFF, own.doubt)) return null;
  const others = bars
    .filter((b) => b.id !== id)
    .map((b) => ({ id: b.id, miss: deltaE00(lab, b.lab), doubt: b.doubt }))
    .sort((a, b) => a.miss - b.miss);
  const [nearest] = others;
  return nearest && nearest.miss * NEARER < miss && nearest.miss <= Math.max(CLEARLY_OFF, nearest.doubt)
    ? nearest.id
    : null;
}
