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
  /** log of the time that browning takes. */
  scentPace: 2 * BUMPS + 7,
  end: 2 * BUMPS + 8,
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

/** Where the unknowns of a fit ended, as plain numbers: for a later fit to begin from. */
export interface FitKnown {
  /** By the id of the material. */
  readonly of: Readonly<Record<string, readonly number[]>>;
  readonly base: readonly number[];
  /** By the name of the instrument. */
  readonly gloss: Readonly<Record<string, readonly number[]>>;
}

/** First unknown of a material, and the one behind its last. */
export function spanOf(layout: Layout, m: FitMaterial): [from: number, to: number] {
  const at = layout.of.get(m.id)!;
  return [at, at + sizeOf(m)];
}

export function knownAt(layout: Layout, p: Float64Array): FitKnown {
  const part = (from: number, to: number): number[] => Array.from(p.subarray(from, to));
  return {
    of: Object.fromEntries(layout.materials.map((m) => [m.id, part(...spanOf(layout, m))])),
    base: part(layout.base, layout.base + BASE.end),
    gloss: Object.fromEntries([...layout.gloss].map(([name, at]) => [name, part(at, at + 2)])),
  };
}

/** Unknowns in the order of a layout; zero for what was not known then. */
export function startOf(layout: Layout, known: FitKnown): Float64Array {
  const p = new Float64Array(layout.size);
  for (const m of layout.materials) {
    const [from, to] = spanOf(layout, m);
    // A material that has come to glow, or to mirror, is another one.
    if (known.of[m.id]?.length === to - from) p.set(known.of[m.id]!, from);
  }
  p.set(known.base, layout.base);
  for (const [name, at] of layout.gloss) if (known.gloss[name]) p.set(known.gloss[name], at);
  return p;
}
