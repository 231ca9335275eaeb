import { deltaE00 } from '../colour/deltaE00.ts';
import { cured } from '../pigment/stage.ts';
import { flowOf } from '../balance/balance.ts';
import { gelOf } from '../balance/gel.ts';
import { type Composition, labOf } from '../pigment/composition.ts';
import { potComposition } from '../balance/potComposition.ts';
import { potPaces } from './pace.ts';
import { isWhitener } from '../material/material.ts';
import { materialOf, type Plan, type Pot } from '../plan/plan.ts';

/** Batter that an unwashed blender carries into the next pot, g. */
export const CARRY_OVER = 4;
/** What it carries is not stirred in evenly: it streaks a tenth of the pot, and at least so much of it, g. */
export const STREAK = { part: 0.1, least: 30 } as const;
/** How much more a streak is seen in white, and in the palest pot. */
const IN_WHITE = 2;
/** Harm from which a wash is worth it: a streak that anyone sees. */
export const WASH_FROM = 10;
/** Up to here every order is weighed; beyond, a good one is built up. */
export const EXACT_POTS = 10;
/** A pot that works this much faster than the median is held to the end, or brought forward. */
const FAST = 0.75;

export interface WorkOrder {
  /** Pot ids in the order in which they are coloured. */
  readonly order: readonly string[];
  /** ΔE00 of the streak that each has from the one before, doubled in white and in the palest; 0 for the first. */
  readonly harm: readonly number[];
  readonly washBefore: ReadonlySet<string>;
  /** Pots that thicken fast and so come last, whatever their colour. */
  readonly heldBack: ReadonlySet<string>;
  /** Pots that thicken fast and so come first: last they would be streaked more. */
  readonly broughtForward: ReadonlySet<string>;
}

/** Batter of a pot that what is carried over streaks, g: never more than the pot. */
export const streakMass = (mass: number): number =>
  Math.min(mass, Math.max(STREAK.least, STREAK.part * mass));

/**
 * Harm by position: ΔE00 at cure of a pot against itself with the carried grams of another in a tenth of it, doubled
 * where it is white or the palest.
 */
export function carryOverHarm(plan: Plan, carry = CARRY_OVER): number[][] {
  const { pots } = flowOf(plan);
  const looks = pots.map((p) => potComposition(plan, p.pot));
  const stage = cured(gelOf(plan).gel);
  const labs = looks.map((c) => labOf(c, stage));
  const palest = Math.max(...labs.map((lab) => lab[0]));
  const white = pots.map(
    (p, i) =>
      labs[i]![0] >= palest - 1e-9 || p.doses.some((d) => isWhitener(materialOf(plan, d.row.materialId))),
  );
  return pots.map((from, i) =>
    pots.map((to, j) => {
      if (i === j || !(from.mass > 0) || !(to.mass > 0)) return 0;
      const dirt = Math.min(carry, from.mass);
      const mixed = blended(looks[j]!, looks[i]!, Math.min(1, dirt / streakMass(to.mass)));
      return deltaE00(labs[j]!, labOf(mixed, stage)) * (white[j] ? IN_WHITE : 1);
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
 * The order of colouring, as the plan wants it: that of least harm with an unwashed blender (exact for up to ten pots),
 * the palest first, or the maker's own. A pot always comes after those it draws from. One that thickens fast comes last
 * or first, whichever streaks less, unless the maker's own order says otherwise.
 */
export function workOrder(plan: Plan): WorkOrder {
  const { pots } = plan;
  const harm = carryOverHarm(plan);
  const paces = potPaces(plan);
  const sorted = paces.map((p) => p.factor).sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] ?? 1;
  const own = plan.work.order.by === 'own';
  const fast = paces.map((p) => !own && p.factor < FAST * median);
  const donors = masks(pots, (pot, other) => pot.draws.some((d) => d.from === other.id));
  const atOf = new Map(pots.map((p, i) => [p.id, i]));
  const fastIs = (of: Pot): boolean => fast[atOf.get(of.id)!]!;
  const last = withWish(
    donors,
    masks(pots, (pot, other) => fastIs(pot) && !fastIs(other)),
  );
  const first = withWish(
    donors,
    masks(pots, (pot, other) => !fastIs(pot) && fastIs(other)),
  );
  const find = (before: readonly number[]): number[] => ordered(plan, harm, before);
  const cost = (order: readonly number[]): number =>
    order.slice(1).reduce((sum, to, n) => sum + harm[order[n]!]![to]!, 0);
  const tries = [find(last), ...(fast.some(Boolean) ? [find(first)] : [])];
  const order = tries.reduce((a, b) => (cost(b) < cost(a) - 1e-9 ? b : a));
  const forward = order === tries[1];
  const ids = order.map((i) => pots[i]!.id);
  const harms = order.map((i, n) => (n === 0 ? 0 : harm[order[n - 1]!]![i]!));
  const racing = new Set(pots.filter((_, i) => fast[i]).map((p) => p.id));
  return {
    order: ids,
    harm: harms,
    washBefore: new Set(ids.filter((_, n) => harms[n]! >= WASH_FROM)),
    heldBack: forward ? new Set() : racing,
    broughtForward: forward ? racing : new Set(),
  };
}

/** For each pot the others that come before it, as bits. */
const masks = (pots: readonly Pot[], comesAfter: (pot: Pot, other: Pot) => boolean): number[] =>
  pots.map((pot) =>
    pots.reduce((mask, other, j) => (pot !== other && comesAfter(pot, other) ? mask | (1 << j) : mask), 0),
  );

/** What must come before with what should; where they contradict each other, only what must. */
function withWish(must: readonly number[], wish: readonly number[]): readonly number[] {
  const both = must.map((m, i) => m | wish[i]!);
  return isPossible(both) ? both : must;
}

function isPossible(before: readonly number[]): boolean {
  let done = 0;
  for (const _ of before) {
    const next = before.findIndex((b, i) => !(done & (1 << i)) && (b & done) === b);
    if (next < 0) return false;
    done |= 1 << next;
  }
  return true;
}

function ordered(plan: Plan, harm: readonly (readonly number[])[], before: readonly number[]): number[] {
  const { by, pots: wanted } = plan.work.order;
  // Pots of a cycle cannot all come after one another; a check stops them.
  const possible = isPossible(before) ? before : before.map(() => 0);
  if (by === 'harm')
    return plan.pots.length <= EXACT_POTS ? exactOrder(harm, possible) : builtOrder(harm, possible);
  const at = (i: number): number => {
    const place = wanted.indexOf(plan.pots[i]!.id);
    return place < 0 ? wanted.length + i : place;
  };
  const light = by === 'palest' ? lightness(plan) : null;
  const left = plan.pots.map((_, i) => i).sort((a, b) => (light ? light[b]! - light[a]! : at(a) - at(b)));
  const order: number[] = [];
  let done = 0;
  while (left.length > 0) {
    const next = left.findIndex((i) => (possible[i]! & done) === possible[i]);
    const [i] = left.splice(Math.max(0, next), 1);
    order.push(i!);
    done |= 1 << i!;
  }
  return order;
}

/** L* of each pot, cured. */
const lightness = (plan: Plan): number[] =>
  plan.pots.map((p) => labOf(potComposition(plan, p), cured(gelOf(plan).gel))[0]);

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
