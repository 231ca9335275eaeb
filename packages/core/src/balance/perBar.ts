import { PLAN_LIMITS } from '../plan/limits.ts';
import { type AdditiveRow, type Plan } from '../plan/plan.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { flowOf } from './balance.ts';
import { embedFacts } from './embedFacts.ts';
import { barWeights } from './fill.ts';
import { type Flow } from './flow.ts';

/**
 * Of something that the batch holds, the part that ends up in one bar, 0–1: bar mass / mass of all soap. Null without bars.
 */
export function barShare(plan: Plan, flow: Flow = flowOf(plan)): number | null {
  const bars = barWeights(plan, flow);
  const real = flow.unallocated < 0 ? 1 / (1 - flow.unallocated) : 1;
  const embeds = plan.embeds.reduce((sum, e) => sum + embedFacts(plan.moulding, e).mass, 0);
  const soap = flow.mass * real + embeds;
  return bars.count > 0 && soap > 0 ? bars.atCut / soap : null;
}

/** Passes over the doses; each wish changes the soap, and so the others, by little. */
const PASSES = 8;
/** Doses that move less than this, as a fraction, have settled. */
const SETTLED = 1e-9;
/** Whether anything is wanted in grams per bar. */
const hasWishes = (plan: Plan): boolean =>
  plan.base.additives.some((a) => a.perBar !== null) ||
  plan.pots.some((p) => p.doses.some((d) => d.perBar !== null));

/**
 * The plan with the doses that its wishes per bar ask for: they follow when bars, oils or pots change. The plan itself
 * where nothing is wished, or where there are no bars.
 */
export function settleWishes(plan: Plan): Plan {
  if (!hasWishes(plan)) return plan;
  let settled = plan;
  for (let pass = 0; pass < PASSES; pass++) {
    const next = closer(settled);
    if (next === settled) break;
    settled = next;
  }
  return settled;
}

type Wish = Pick<AdditiveRow, 'dose' | 'perBar'>;

/** One pass; the plan itself once every dose stands where its wish wants it. */
function closer(plan: Plan): Plan {
  const flow = flowOf(plan);
  const share = barShare(plan, flow);
  if (share === null) return plan;
  const follow = <Row extends Wish>(rows: readonly Row[], oils: number): readonly Row[] => {
    const next = rows.map((row): Row => {
      if (row.perBar === null || !(oils > 0)) return row;
      const wanted = Math.min(PLAN_LIMITS.dose.max, (row.perBar * 1000) / (share * oils));
      const settled = Math.abs(wanted - row.dose) <= SETTLED * Math.max(1, wanted);
      return settled ? row : { ...row, dose: gramsPerKg(wanted) };
    });
    return next.some((row, i) => row !== rows[i]) ? next : rows;
  };
  const potOils = new Map(flow.pots.map((p) => [p.pot.id, p.oils]));
  const additives = follow(plan.base.additives, plan.base.totalOils);
  const pots = plan.pots.map((p) => {
    const doses = follow(p.doses, potOils.get(p.id) ?? 0);
    return doses === p.doses ? p : { ...p, doses };
  });
  const same = additives === plan.base.additives && pots.every((p, i) => p === plan.pots[i]);
  return same ? plan : { ...plan, base: { ...plan.base, additives }, pots };
}

/** What is in one bar of something of which a mass is in the batch, g; null without bars. */
export function massPerBar(plan: Plan, mass: number, flow?: Flow): number | null {
  const share = barShare(plan, flow);
  return share === null ? null : grams(mass * share);
}
