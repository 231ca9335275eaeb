import { BUMPS } from './basis.ts';
import { type FitMaterial, type FitProblem } from './problem.ts';

/*
 * The unknowns of a fit, in one row of numbers: those of each material, then those of the base and of the readers. A
 * zero of every one of them is what was known before.
 */

/** Unknowns of a material behind the bends of its log-absorption. */
export const OWN = {
  /** log-scattering, and its slope over log-wavelength. */
  scatter: BUMPS,
  scatterSlope: BUMPS + 1,
  /** Typical dose over the dose that halves its effect, for absorption and for scattering: added to what was known. */
  clumps: BUMPS + 2,
  clumpsScatter: BUMPS + 3,
  /** log of absorption gelled over ungelled. */
  gel: BUMPS + 4,
  end: BUMPS + 5,
  /** Where it glows: log-efficiency, typical dose over the dose that quenches by half, shift in 10 nm, log-width. */
  glow: BUMPS + 5,
  quench: BUMPS + 6,
  peak: BUMPS + 7,
  width: BUMPS + 8,
  /** Where it mirrors: share of the light. */
  sheen: BUMPS + 5,
} as const;

/** Unknowns of the base: bends of its log-absorption, ungelled and gelled, and single ones behind them. */
export const BASE = {
  ungelled: 0,
  gelled: BUMPS,
  /** log of the scattering of the gelled base, and its slope over log-wavelength. */
  gelScatter: 2 * BUMPS,
  gelSlope: 2 * BUMPS + 1,
  inner: 2 * BUMPS + 2,
  load: 2 * BUMPS + 3,
  scent: 2 * BUMPS + 4,
  /** log of what a young bar absorbs and scatters more. */
  youngAbsorbs: 2 * BUMPS + 5,
  youngScatters: 2 * BUMPS + 6,
  end: 2 * BUMPS + 7,
} as const;

export interface Layout {
  /** Materials in the order of the unknowns. */
  readonly materials: readonly FitMaterial[];
  /** First unknown of each material, by id. */
  readonly of: ReadonlyMap<string, number>;
  readonly base: number;
  /** Two for each instrument: its gloss ungelled and gelled. */
  readonly gloss: ReadonlyMap<string, number>;
  readonly size: number;
}

/** Typical dose over the dose that halves a colourant's effect, as it was known before; 0 for none. */
export const clumpsBefore = ({ optics, typical }: Pick<FitMaterial, 'optics' | 'typical'>): number =>
  optics.saturation === null ? 0 : typical / optics.saturation;

const sizeOf = (m: FitMaterial): number => OWN.end + (m.optics.emission ? 4 : m.mirrors ? 1 : 0);

/** Materials that meet few others come first: the matrix is narrow there. */
export function layoutOf({ materials, readings }: FitProblem): Layout {
  const met = new Map(materials.map((m) => [m.id, new Set<string>()]));
  for (const { parts } of readings) for (const a of parts) for (const b of parts) met.get(a.id)?.add(b.id);
  const order = materials.toSorted((a, b) => met.get(a.id)!.size - met.get(b.id)!.size);
  const of = new Map<string, number>();
  let size = 0;
  for (const m of order) {
    of.set(m.id, size);
    size += sizeOf(m);
  }
  const base = size;
  size += BASE.end;
  const gloss = new Map<string, number>();
  for (const { instrument } of readings) {
    if (gloss.has(instrument)) continue;
    gloss.set(instrument, size);
    size += 2;
  }
  return { materials: order, of, base, gloss, size };
}
