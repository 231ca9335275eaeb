import { BUMPS } from './basis.ts';
import { BASE, clumpsBefore, type Layout, OWN } from './layout.ts';

/** Standard deviations of the unknowns round what was known before. */
export const PRIOR = {
  /** From one bump to the next, of the second differences, and of each bump by itself. */
  bend: 0.5,
  shape: 1.2,
  scatter: 0.35,
  scatterSlope: 0.3,
  clumps: 0.06,
  gel: 0.08,
  gelTurns: 0.2,
  glow: 0.4,
  quench: 0.2,
  peak: 0.8,
  width: 0.25,
  sheen: 0.03,
  base: { bend: 0.2, shape: 0.4, level: 0.3 },
  gelScatter: 0.2,
  gelSlope: 0.4,
  inner: 0.03,
  load: 0.003,
  scent: 0.3,
  scentPace: 0.3,
  young: 0.15,
  gloss: 0.005,
};

/**
 * The same, as it is doubted: the terms that a few bars cannot tell are held tight where the curves are fitted, so that
 * none of them follows the noise, but what they may be is wider. So are the shapes of the curves, which readings in Lab leave
 * open, and scattering, which no single bar tells apart from strength: in another base every powder counts for more or less.
 */
const DOUBTED: typeof PRIOR = {
  ...PRIOR,
  scatter: 0.8,
  clumps: 0.15,
  gel: 0.12,
  scatterSlope: 0.5,
  bend: 1,
  shape: 2.4,
};

/** A base, and a reader, that stay as they were known: but for how it ages and browns, which bars over time tell. */
const HELD = 1e-4;
const HELD_BASE = {
  base: { bend: HELD, shape: HELD, level: HELD },
  gelScatter: HELD,
  gelSlope: HELD,
  inner: HELD,
  load: HELD,
  gloss: HELD,
};
const HELD_PRIOR: typeof PRIOR = { ...PRIOR, ...HELD_BASE };

/** What lots differ by, as a part of what is not known of a colourant that was never read; of their strength, its logarithm. */
const LOT = { part: 0.3, strength: 0.12 };

/** One term of the prior: a weighted sum of unknowns that is near zero, with standard deviation 1. */
export interface PriorRow {
  readonly columns: readonly number[];
  readonly weights: readonly number[];
}

/** Everything that is believed before a reading. */
export const priorRows = (layout: Layout, holdsBase = false): PriorRow[] =>
  rowsOf(layout, holdsBase ? HELD_PRIOR : PRIOR);

/** The same rows for the doubt that is left. */
export const doubtRows = (layout: Layout, holdsBase = false): PriorRow[] =>
  rowsOf(layout, holdsBase ? { ...DOUBTED, ...HELD_BASE } : DOUBTED);

function rowsOf(layout: Layout, sd: typeof PRIOR): PriorRow[] {
  const rows: PriorRow[] = [];
  const single = (column: number, s: number): void => {
    rows.push({ columns: [column], weights: [1 / s] });
  };
  const curve = (at: number, bendSd: number, shapeSd: number, level: number): void => {
    for (let j = 1; j + 1 < BUMPS; j++)
      rows.push({
        columns: [at + j - 1, at + j, at + j + 1],
        weights: [1 / bendSd, -2 / bendSd, 1 / bendSd],
      });
    for (let j = 0; j < BUMPS; j++) single(at + j, shapeSd * Math.sqrt(BUMPS / 4));
    const mean = 1 / BUMPS / level;
    rows.push({
      columns: Array.from({ length: BUMPS }, (_, j) => at + j),
      weights: Array.from({ length: BUMPS }, () => mean),
    });
  };
  for (const m of layout.materials) {
    const at = layout.of.get(m.id)!;
    const other = m.lotOf === undefined ? undefined : layout.of.get(m.lotOf);
    const part = other === undefined ? 1 : LOT.part;
    const first = rows.length;
    curve(at, part * sd.bend, part * sd.shape, other === undefined ? m.spread : LOT.strength);
    single(at + OWN.scatter, part * sd.scatter);
    single(at + OWN.scatterSlope, part * sd.scatterSlope);
    single(at + OWN.clumps, part * sd.clumps);
    single(at + OWN.clumpsScatter, part * sd.clumps);
    single(at + OWN.gel, part * (m.turns ? sd.gelTurns : sd.gel));
    if (m.optics.emission) {
      single(at + OWN.glow, part * sd.glow);
      single(at + OWN.quench, part * sd.quench);
      single(at + OWN.peak, part * sd.peak);
      single(at + OWN.width, part * sd.width);
    } else if (m.mirrors) single(at + OWN.sheen, part * sd.sheen);
    // Of a lot, it is the difference from the other one that is near zero.
    if (other !== undefined)
      for (const [i, row] of rows.entries())
        if (i >= first)
          rows[i] = {
            columns: [...row.columns, ...row.columns.map((c) => c - at + other)],
            weights: [...row.weights, ...row.weights.map((w) => -w)],
          };
  }
  const { base } = layout;
  curve(base + BASE.ungelled, sd.base.bend, sd.base.shape, sd.base.level);
  curve(base + BASE.gelled, sd.base.bend, sd.base.shape, sd.base.level);
  single(base + BASE.gelScatter, sd.gelScatter);
  single(base + BASE.gelSlope, sd.gelSlope);
  single(base + BASE.inner, sd.inner);
  single(base + BASE.load, sd.load);
  single(base + BASE.scent, sd.scent);
  single(base + BASE.scentPace, sd.scentPace);
  single(base + BASE.youngAbsorbs, sd.young);
  single(base + BASE.youngScatters, sd.young);
  for (const at of layout.gloss.values()) {
    single(at, sd.gloss);
    single(at + 1, sd.gloss);
  }
  return rows;
}

/** Least values of the unknowns that have one: what is known before and unknown together may not fall below zero. */
export function leastValues(layout: Layout): Map<number, number> {
  const out = new Map([[layout.base + BASE.load, 0]]);
  for (const m of layout.materials) {
    const at = layout.of.get(m.id)!;
    out.set(at + OWN.clumps, -clumpsBefore(m));
    out.set(at + OWN.clumpsScatter, -clumpsBefore(m));
    if (m.optics.emission) out.set(at + OWN.quench, 0);
    else if (m.mirrors) out.set(at + OWN.sheen, 0);
  }
  return out;
}
