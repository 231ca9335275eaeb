import { type Flow } from './flow.ts';
import { type Held, Mixture, nothingHeld } from './mixture.ts';
import { Pass, type PassStart } from './pass.ts';
import { potOrder } from '../plan/graph.ts';
import { type Plan } from '../plan/plan.ts';
import { NOTHING_WEIGHED, type Weighed } from './weighed.ts';

/**
 * Everything a plan amounts to, g and ml: the one place where masses come from. Total for any plan: a check stops
 * what makes no sense, the figures never turn into NaN.
 * @param weighed what was really weighed, instead of what was planned.
 */
export function flowOf(plan: Plan, weighed: Weighed = NOTHING_WEIGHED): Flow {
  if (weighed !== NOTHING_WEIGHED) return solve(plan, weighed);
  const found = known.get(plan);
  if (found) return found;
  const flow = solve(plan, weighed);
  known.set(plan, flow);
  return flow;
}
// Plans are never changed in place, and many look at the same one.
const known = new WeakMap<Plan, Flow>();

/** Passes after which a plan that still moves is given up. Ordinary plans need three to six. */
const MOST_PASSES = 60;
/** What a settled plan may still move from pass to pass, as a fraction of its oils. */
const SETTLED = 1e-9;

/**
 * Carriers out of the batch thin what is weighed, and what is weighed decides how much carrier there is: passes over
 * the plan, each starting from what the one before found, until nothing moves.
 */
function solve(plan: Plan, weighed: Weighed): Flow {
  const mix = new Mixture(plan, weighed);
  const order = potOrder(plan);
  let start: PassStart = { held: new Map<string | null, Held>(), takers: new Map(), shares: new Map() };
  for (let passes = 1; ; passes++) {
    const pass = new Pass(mix, order, start);
    const { flow, next } = pass.run();
    const residual = moved(start, next, plan.base.totalOils);
    const converged = residual < SETTLED;
    if (converged || passes === MOST_PASSES) return { ...flow, convergence: { converged, passes, residual } };
    start = next;
  }
}

/** How far a pass moved from what it started with, as a fraction of the oils. */
function moved(before: PassStart, after: PassStart, totalOils: number): number {
  let sum = 0;
  for (const [group, h] of after.held) {
    const old = before.held.get(group) ?? nothingHeld();
    sum +=
      (Math.abs(h.oil - old.oil) + Math.abs(h.water - old.water) + Math.abs(h.replaced - old.replaced)) /
      totalOils;
  }
  for (const [group, f] of after.takers) sum += Math.abs(f - (before.takers.get(group) ?? 1));
  for (const [group, f] of after.shares) sum += Math.abs(f - (before.shares.get(group) ?? 1));
  return sum;
}
