import { grams } from '../units/quantity.ts';
import { flowOf } from './balance.ts';
import { embedFacts, embedsRoom, lineMass } from './embedFacts.ts';
import { type Flow, totalOf } from './flow.ts';
import { barsOf, mouldsVolume } from './mould.ts';
import { materialWater } from './water.ts';
import { PLAN_LIMITS } from '../plan/limits.ts';
import { liquidOfPlan } from '../plan/liquid.ts';
import { type Plan } from '../plan/plan.ts';

export interface Fill {
  /** Room in the moulds, ml. */
  readonly wanted: number;
  /** What goes in: batter and embeds, ml. */
  readonly have: number;
  readonly embeds: number;
  /** Batter that does not go into the moulds, g. */
  readonly losses: number;
  readonly top: number;
  readonly spare: number;
  /** All batter that is made, g and ml. */
  readonly batter: number;
  readonly volume: number;
  readonly density: number;
  /** In the moulds with embeds, g. */
  readonly massInMoulds: number;
  /** What lies on top of them: piped batter, embeds, lines and dressings, g. */
  readonly massOnTop: number;
  /** have / wanted; null without moulds. */
  readonly ratio: number | null;
}

/** How the batter that a plan makes, or that was really made, fills its moulds. */
export function fillOf(plan: Plan, flow: Flow = flowOf(plan)): Fill {
  const { moulding } = plan;
  // When pots take more than there is, there still is no more.
  const real = flow.unallocated < 0 ? 1 / (1 - flow.unallocated) : 1;
  const batter = flow.mass * real;
  const losses =
    flow.pots.length > 0
      ? flow.pots.reduce((sum, p) => sum + p.loss, 0)
      : Math.min(batter, moulding.lossPerJug);
  const top = Math.max(
    moulding.reserve,
    flow.pots.reduce((sum, p) => sum + p.toTop, 0),
  );
  const spare = flow.pots.reduce((sum, p) => sum + (p.pot.place === 'spare' ? p.left : 0), 0);
  const embeds = embedsRoom(plan);
  const inMoulds = Math.max(0, batter - losses - top - spare);
  const wanted = mouldsVolume(moulding);
  const have = inMoulds / flow.density + embeds;
  let inside = 0;
  let laid = 0;
  for (const e of plan.embeds) {
    const { mass } = embedFacts(moulding, e);
    if (e.onTop) laid += mass;
    else inside += mass;
  }
  for (const line of plan.lines) laid += lineMass(moulding, line);
  for (const a of plan.base.additives) if (a.moment === 'top') laid += (a.dose * plan.base.totalOils) / 1000;
  return {
    wanted,
    have,
    embeds,
    losses,
    top,
    spare,
    batter,
    volume: flow.volume * real,
    density: flow.density,
    massInMoulds: inMoulds + inside,
    massOnTop: top + laid,
    ratio: wanted > 0 ? have / wanted : null,
  };
}

/**
 * Part of a bar's mass that leaves as water over six weeks: a little over half of its water, which gives 9 % at 40 %
 * lye, 11 % at 33 % and 15 % at 25 %.
 */
export const WATER_LEAVES = 0.55;

/** Water in the batter as a share of it, 0–1. */
export function waterShare(plan: Plan, flow: Flow = flowOf(plan)): number {
  const liquid = totalOf(flow, flow.ledger.at('liquid')) * liquidOfPlan(plan).water;
  const water = liquid + totalOf(flow, flow.ledger.at('carrier-water'));
  const wet = materialWater(plan, flow.ledger, (column) => totalOf(flow, column));
  return flow.mass > 0 ? (water + wet) / flow.mass : 0;
}

/** Part of a bar's mass that leaves in cure, 0–1. */
export const cureLoss = (plan: Plan, flow?: Flow): number => WATER_LEAVES * waterShare(plan, flow);

export interface BarWeights {
  readonly count: number;
  /** Of one average bar, g. */
  readonly atCut: number;
  readonly cured: number;
  /** Of each mould row's bars at the cut. */
  readonly rows: readonly {
    readonly id: string;
    readonly count: number;
    readonly atCut: number;
    readonly cured: number;
  }[];
  /** End slices and kerf together, g. */
  readonly offcuts: number;
}

/** Bars that a plan gives, and what they weigh with their tops; the moulds as full as the batter fills them. */
export function barWeights(plan: Plan, flow?: Flow): BarWeights {
  const fill = fillOf(plan, flow);
  const bars = barsOf(plan.moulding);
  const soap = fill.massInMoulds + fill.massOnTop;
  // What lies on top is spread over the whole block, its ends too.
  const perMl = fill.wanted > 0 ? soap / fill.wanted : 0;
  const keeps = 1 - cureLoss(plan, flow);
  const atCut = bars.count > 0 ? (bars.volume * perMl) / bars.count : 0;
  return {
    count: bars.count,
    atCut,
    cured: atCut * keeps,
    rows: bars.rows.map(({ row, bars: b }) => ({
      id: row.id,
      count: b.count * row.count,
      atCut: b.volume * perMl,
      cured: b.volume * perMl * keeps,
    })),
    offcuts: Math.max(0, soap - bars.volume * perMl) * (bars.count > 0 ? 1 : 0),
  };
}

/** What the oils are to be worked out from. */
export type SolveGoal =
  | { readonly from: 'mould' }
  /** What there is of an oil, a scent or a colour, g. */
  | { readonly from: 'material'; readonly materialId: string; readonly mass: number }
  /** Sodium hydroxide at hand, g as weighed. */
  | { readonly from: 'lye'; readonly mass: number }
  /** Bars of a weight at the cut or after cure; cut from the plan's moulds, or alone without any. */
  | { readonly from: 'bars'; readonly count: number; readonly weight: number; readonly at: 'cut' | 'cured' };

/**
 * The oils that meet a goal, g, to a tenth; null when no amount of oils does (nothing to fill, more room taken by
 * embeds than there is, oils out of the stated limits). The plan's doses and losses all count.
 */
export function solveOils(plan: Plan, goal: SolveGoal): number | null {
  const oils =
    goal.from === 'lye'
      ? oilsForLye(plan, goal.mass)
      : goal.from === 'material'
        ? oilsForMaterial(plan, goal)
        : oilsForFill(plan, goal);
  if (oils === null || !Number.isFinite(oils)) return null;
  const rounded = Math.round(oils * 10) / 10;
  const { min, max } = PLAN_LIMITS.totalOils;
  return rounded >= min && rounded <= max ? rounded : null;
}

function oilsForLye(plan: Plan, mass: number): number | null {
  const naoh = flowOf(plan).lyes.reduce((sum, l) => sum + l.naoh, 0);
  return naoh > 0 && mass > 0 ? (mass / naoh) * plan.base.totalOils : null;
}

/** What the plan takes of a material by its own doses, g: all of it goes with the oils. */
function massOf(plan: Plan, materialId: string): number {
  const { base } = plan;
  const flow = flowOf(plan);
  const share = (
    rows: readonly { readonly materialId: string; readonly dose: number }[],
    oils: number,
  ): number => rows.reduce((sum, r) => sum + (r.materialId === materialId ? (r.dose * oils) / 1000 : 0), 0);
  const oil = base.oils.reduce((sum, o) => sum + (o.materialId === materialId ? o.percent : 0), 0);
  const { scent } = base;
  const parts = scent?.parts.reduce((sum, p) => sum + p.parts, 0) ?? 0;
  const own = scent?.parts.reduce((sum, p) => sum + (p.materialId === materialId ? p.parts : 0), 0) ?? 0;
  let mass = (oil / 100) * base.totalOils + share(base.additives, base.totalOils);
  for (const { pot, oils } of flow.pots) {
    mass += share(pot.doses, oils);
    if (scent && pot.scented && own > 0)
      mass += (((pot.scentDose ?? scent.dose) * oils) / 1000) * (own / parts);
  }
  return mass;
}

function oilsForMaterial(
  plan: Plan,
  { materialId, mass }: { materialId: string; mass: number },
): number | null {
  const taken = massOf(plan, materialId);
  return taken > 0 && mass > 0 ? (mass / taken) * plan.base.totalOils : null;
}

function oilsForFill(plan: Plan, goal: Exclude<SolveGoal, { from: 'lye' | 'material' }>): number | null {
  const withOils = (total: number): Plan => ({ ...plan, base: { ...plan.base, totalOils: grams(total) } });
  const miss = (total: number): number => {
    const next = total === plan.base.totalOils ? plan : withOils(total);
    const fill = fillOf(next);
    if (goal.from === 'mould') return fill.have - fill.wanted;
    const cut = goal.at === 'cut' ? goal.weight : goal.weight / (1 - cureLoss(next));
    const bars = barsOf(plan.moulding);
    // End slices and cuts take their part of the block.
    const kept = bars.count > 0 && fill.wanted > 0 ? bars.volume / fill.wanted : 1;
    return (fill.massInMoulds + fill.massOnTop) * kept - goal.count * cut;
  };
  if (goal.from === 'mould' ? mouldsVolume(plan.moulding) <= 0 : !(goal.count > 0 && goal.weight > 0))
    return null;
  // Batter goes with the oils, and what is lost or kept back mostly does not: nearly a straight line, so the first
  // guess is close and the secant lands in a few steps.
  let a: number = plan.base.totalOils;
  let ma = miss(a);
  const now = fillOf(plan);
  const missing = -ma * (goal.from === 'mould' ? now.density : 1);
  let b = now.batter > 0 && now.batter + missing > 0 ? a * (1 + missing / now.batter) : a * 1.5;
  if (Math.abs(b - a) < 1e-6 * a) b = a * 1.01;
  let mb = miss(b);
  for (let n = 0; n < 40 && Math.abs(mb) > 5e-3; n++) {
    if (mb === ma) return null;
    const next = b - (mb * (b - a)) / (mb - ma);
    [a, ma] = [b, mb];
    b = Math.max(1e-3, next);
    mb = miss(b);
  }
  return Math.abs(mb) < 2e-2 && b > 2e-3 ? b : null;
}
