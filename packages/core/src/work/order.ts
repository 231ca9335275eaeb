import { deltaE00 } from '../colour/deltaE00.ts';
import { cured } from '../pigment/stage.ts';
import { flowOf } from '../balance/balance.ts';
import { type Composition, labOf } from '../pigment/composition.ts';
import { potComposition } from '../balance/potComposition.ts';
import { potPaces } from './pace.ts';
import { type Plan } from '../plan/plan.ts';

/** Batter that an unwashed blender carries into the next pot, g. */
export const CARRY_OVER = 4;
/** Harm from which a wash is worth it, ΔE00. */
export const WASH_FROM = 1;
/** Up to here every order is weighed; beyond, a good one is built up. */
export const EXACT_POTS = 10;
/** A pot that works this much faster than the median is held to the end. */
const FAST = 0.75;

export interface WorkOrder {
  /** Pot ids in the order in which they are coloured. */
  readonly order: readonly string[];
  /** ΔE00 of what each carries over from the one before; 0 for the first. */
  readonly harm: readonly number[];
  readonly washBefore: ReadonlySet<string>;
  /** Pots that thicken fast and so come last, whatever their colour. */
  readonly heldBack: ReadonlySet<string>;
}

/** ΔE00 at cure that some grams of one pot do to another, by position. */
export function carryOverHarm(plan: Plan, carry = CARRY_OVER): number[][] {
  const { pots } = flowOf(plan);
  const looks = pots.map((p) => potComposition(plan, p.pot));
  const stage = cured();
  const labs = looks.map((c) => labOf(c, stage));
  return pots.map((from, i) =>
    pots.map((to, j) => {
      if (i === j || !(from.mass > 0) || !(to.mass > 0)) return 0;
      const dirt = Math.min(carry, from.mass);
      const mixed = blended(looks[j]!, looks[i]!, dirt / (dirt + to.mass));
      return deltaE00(labs[j]!, labOf(mixed, stage));
    }),
  );
}

function blended(into: Composition, from: Composition, share: number): Composition {
  return {
    ...into,
    parts: [
      ...into.parts.map((p) => ({ ...p, dose: p.dose * (1 - share) })),
      ...from.parts.map((p) => ({ ...p, dose: p.dose * share })),
    ],
  };
}

/**
 * The order of colouring that does least harm with an unwashed blender: exact for up to ten pots. A pot comes after
 * those it draws from; one that thickens fast comes after all that do not.
 */
export function workOrder(plan: Plan): WorkOrder {
  const { pots } = plan;
  const harm = carryOverHarm(plan);
  const paces = potPaces(plan);
  const sorted = paces.map((p) => p.factor).sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] ?? 1;
  const fast = paces.map((p) => p.factor < FAST * median);
  const before = pots.map((pot, i) =>
    pots.reduce((mask, other, j) => {
      const feeds = pot.draws.some((d) => d.from === other.id);
      return feeds || (fast[i] && !fast[j] && !other.draws.some((d) => d.from === pot.id))
        ? mask | (1 << j)
        : mask;
    }, 0),
  );
  const order = pots.length <= EXACT_POTS ? exactOrder(harm, before) : builtOrder(harm, before);
  const ids = order.map((i) => pots[i]!.id);
  const harms = order.map((i, n) => (n === 0 ? 0 : harm[order[n - 1]!]![i]!));
  return {
    order: ids,
    harm: harms,
    washBefore: new Set(ids.filter((_, n) => harms[n]! >= WASH_FROM)),
    heldBack: new Set(pots.filter((_, i) => fast[i]).map((p) => p.id)),
  };
}

/** Least sum over all orders, set by set (Held and Karp). Where the wishes contradict each other they are dropped. */
function exactOrder(harm: readonly (readonly number[])[], before: readonly number[]): number[] {
  const n = harm.length;
  if (n === 0) return [];
  const full = (1 << n) - 1;
  const cost = new Float64Array((full + 1) * n).fill(Infinity);
  const came = new Int8Array((full + 1) * n).fill(-1);
  for (let i = 0; i < n; i++) if (before[i] === 0) cost[(1 << i) * n + i] = 0;
  for (let mask = 1; mask <= full; mask++) {
    for (let last = 0; last < n; last++) {
      const c = cost[mask * n + last]!;
      if (c === Infinity) continue;
      for (let next = 0; next < n; next++) {
        if (mask & (1 << next) || (before[next]! & mask) !== before[next]) continue;
        const to = (mask | (1 << next)) * n + next;
        const sum = c + harm[last]![next]!;
        if (sum < cost[to]! - 1e-12) {
          cost[to] = sum;
          came[to] = last;
        }
      }
    }
  }
  let last = -1;
  for (let i = 0; i < n; i++) if (last < 0 || cost[full * n + i]! < cost[full * n + last]!) last = i;
  if (cost[full * n + last] === Infinity)
    return exactOrder(
      harm,
      before.map(() => 0),
    );
  const order: number[] = [];
  for (let mask = full; last >= 0;) {
    order.unshift(last);
    const previous = came[mask * n + last]!;
    mask &= ~(1 << last);
    last = previous;
  }
  return order;
}

/** The nearest that may come next, from each possible start; the best of those. */
function builtOrder(harm: readonly (readonly number[])[], before: readonly number[]): number[] {
  let best: { order: number[]; sum: number } | null = null;
  for (let start = 0; start < harm.length; start++) {
    if (before[start] !== 0) continue;
    const order = [start];
    let mask = 1 << start;
    let sum = 0;
    while (order.length < harm.length) {
      const last = order[order.length - 1]!;
      const free = harm.map((_, i) => i).filter((i) => !(mask & (1 << i)));
      const may = free.filter((i) => (before[i]! & mask) === before[i]);
      const next = (may.length > 0 ? may : free).reduce((a, b) =>
        harm[last]![b]! < harm[last]![a]! ? b : a,
      );
      sum += harm[last]![next]!;
      mask |= 1 << next;
      order.push(next);
    }
    if (!best || sum < best.sum) best = { order, sum };
  }
  return best?.order ?? harm.map((_, i) => i);
}
