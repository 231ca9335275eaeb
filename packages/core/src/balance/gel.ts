import { isMilk } from '../plan/liquid.ts';
import { type Mould } from '../plan/moulding.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { concentrationOf, lyeRate } from './lye.ts';

/** How a batch is going to gel, by its own plan. */
export interface BatchGel {
  /** That it gels, 0–1. */
  readonly likelihood: number;
  /** The likelier of the two: 0 ungelled, 1 full gel. What predictions, checks, labels and matches count on. */
  readonly gel: 0 | 1;
  /** Where gel begins at this lye, °C ± 5, and how warm the middle of the mould gets by itself. */
  readonly begins: number;
  readonly reaches: number;
  /** Whether the maker forces or prevents it, so that the temperatures do not matter. */
  readonly decided: boolean;
}

/** Lye in its solution, %, and where gel begins, °C. */
const BEGINS: readonly (readonly [concentration: number, celsius: number])[] = [
  [27, 62],
  [33, 72],
  [40, 85],
];
/** Spread of that temperature, °C. */
export const GEL_SPREAD = 5;
/** A mould so large and closed that no heat leaves warms up by this much, °C; a thin one by less. */
const MOST_RISE = 48;
/** Thinnest dimension at which half of that is kept, mm. */
const HALF_KEPT = 25;
/** Without a mould: a loaf. mm */
const USUAL_THINNEST = 65;
const COVERED = 1.25;
/** What sugar, honey and milk add, °C. */
const SWEET = 6;
/** However it was decided, a batch may do something else. */
const ALMOST = 0.96;

/** Where gel begins at a lye concentration, °C; as at the ends beyond the table. */
export function gelBegins(concentration: number): number {
  const first = BEGINS[0]!;
  const last = BEGINS.at(-1)!;
  if (concentration <= first[0]) return first[1];
  for (const [i, [c, at]] of BEGINS.entries()) {
    if (i === 0 || concentration > c) continue;
    const [before, from] = BEGINS[i - 1]!;
    return from + ((at - from) * (concentration - before)) / (c - before);
  }
  return last[1];
}

/** The dimension through which a mould loses its heat, mm. */
function thinnest(m: Mould): number {
  switch (m.shape) {
    case 'cavities':
      return Math.cbrt(m.cavityVolume * 1000) / 1.6;
    case 'cylinder':
      return m.diameter;
    default:
      return Math.min(m.width, m.height, m.length);
  }
}

/**
 * Whether a batch gels: forced, prevented, or by lye, warmth of oils and lye, the thinnest dimension of the mould, its
 * cover, sugar and milk. Starting values, ± 5 °C, moved to where the maker's own batches gelled.
 */
export function gelOf(plan: Plan): BatchGel {
  const { base, work, moulding } = plan;
  const { naoh, koh, liquid } = lyeRate(plan);
  const begins = gelBegins(concentrationOf(naoh + koh, liquid)) + (base.learnt?.gel?.shift ?? 0);
  const sizes = moulding.moulds.map((m) => thinnest(m.mould)).filter((mm) => mm > 0);
  // Several moulds: as the largest of them, which decides what most of the soap does.
  const size = sizes.length > 0 ? Math.max(...sizes) : USUAL_THINNEST;
  const sweet =
    base.liquid.parts.some((p) => p.percent > 0 && (isMilk(p.kind) || p.kind === 'beer')) ||
    base.additives.some(
      (a) => a.moment !== 'top' && materialOf(plan, a.materialId).cautions.includes('heat'),
    );
  const covered = work.finish.includes('insulate') ? COVERED : 1;
  const reaches = base.temperature + MOST_RISE * (size / (size + HALF_KEPT)) * covered + (sweet ? SWEET : 0);
  const decided = work.heat !== 'let' || work.finish.includes('fridge') || work.finish.includes('oven');
  const likelihood = !decided
    ? 1 / (1 + Math.exp(-(reaches - begins) / GEL_SPREAD))
    : work.heat === 'prevent' || (work.heat === 'let' && work.finish.includes('fridge'))
      ? 1 - ALMOST
      : ALMOST;
  return { likelihood, gel: likelihood >= 0.5 ? 1 : 0, begins, reaches, decided };
}
