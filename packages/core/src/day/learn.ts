import { type Minutes, type Plan } from '../plan/plan.ts';
import { keptCold, keptWarm } from '../work/finish.ts';
import { type PotPace, potPaces } from '../work/pace.ts';
import { type LogEntry } from './entry.ts';
import { standing } from './merge.ts';

/** A figure of the maker's own, and how much stands behind it. */
export interface LearnedFigure {
  readonly value: number;
  /** What is usual, or what the plan starts with. */
  readonly usual: number;
  readonly batches: number;
}

export const KEPT = ['warm', 'let', 'cold'] as const;
/** How the mould was kept after the pour. */
export type Kept = (typeof KEPT)[number];

/** What the logs of earlier days say of this maker. Null where nothing was logged of it. */
export interface Learned {
  /** All times of the batter times this. */
  readonly pace: LearnedFigure | null;
  /** For one pot, min. */
  readonly minutes: Readonly<Record<keyof Minutes, LearnedFigure | null>>;
  /** From the pour on, h, by how the mould was kept. */
  readonly unmould: Readonly<Record<Kept, LearnedFigure | null>>;
  readonly cut: Readonly<Record<Kept, LearnedFigure | null>>;
  /** The same of batches on a recipe like that of the plan in question, kept as it is. */
  readonly alike: { readonly unmould: LearnedFigure | null; readonly cut: LearnedFigure | null };
}

export interface MadeBatch {
  readonly plan: Plan;
  readonly log: readonly LogEntry[];
}

/** So many batches' worth does the usual figure count beside the maker's own: one odd day moves little. */
const USUAL_WEIGHS = 3;
const MS_PER_MINUTE = 60_000;
/** A longer pause than this is none of the work's, min. */
const LONGEST_WORK = 45;
const FACTOR_RANGE = { low: 0.3, high: 3 } as const;
const TRACE_KEYS = [null, 'light', 'medium', 'thick', 'stiff'] as const;
const USUAL_MINUTES: Minutes = { split: 1, colour: 2, scent: 1, pour: 2, top: 5 };
/** Middles of what the sheet says, h. */
const USUAL_UNMOULD: Readonly<Record<Kept, number>> = { warm: 18, let: 36, cold: 54 };

/**
 * @param batches made so far, in any order
 * @param like the plan that batches may be like
 */
export function learnFrom(batches: readonly MadeBatch[], like: Plan | null = null): Learned {
  const days = batches.map(({ plan, log }) =>
    dayOf(
      plan,
      log.filter((e) => !e.simulated),
    ),
  );
  const rates = days.flatMap((d) => (d.rates.length > 0 ? [mean(d.rates)] : []));
  const logFactor = rates.reduce((sum, r) => sum + r, 0) / (rates.length + USUAL_WEIGHS);
  const factor = Math.min(FACTOR_RANGE.high, Math.max(FACTOR_RANGE.low, Math.exp(logFactor)));
  const figure = (values: readonly (number | null)[], usual: number): LearnedFigure | null => {
    const own = values.filter((v) => v !== null);
    if (own.length === 0) return null;
    const value = (own.reduce((sum, v) => sum + v, 0) + USUAL_WEIGHS * usual) / (own.length + USUAL_WEIGHS);
    return { value, usual, batches: own.length };
  };
  const byKept = (of: 'unmould' | 'cut'): Learned['unmould'] => {
    const one = (kept: Kept): LearnedFigure | null =>
      figure(
        days.filter((d) => d.kept === kept).map((d) => d[of]),
        USUAL_UNMOULD[kept],
      );
    return { warm: one('warm'), let: one('let'), cold: one('cold') };
  };
  const alike = (of: 'unmould' | 'cut'): LearnedFigure | null => {
    if (!like) return null;
    const own = days.filter((d, i) => d.kept === keptOf(like) && !recipesDiffer(batches[i]!.plan, like));
    return figure(
      own.map((d) => d[of]),
      USUAL_UNMOULD[keptOf(like)],
    );
  };
  const minutesOf = (key: keyof Minutes): LearnedFigure | null =>
    figure(
      days.map((d) => (d.minutes[key].length > 0 ? mean(d.minutes[key]) : null)),
      USUAL_MINUTES[key],
    );
  return {
    pace: rates.length > 0 ? { value: factor, usual: 1, batches: rates.length } : null,
    minutes: {
      split: minutesOf('split'),
      colour: minutesOf('colour'),
      scent: minutesOf('scent'),
      pour: minutesOf('pour'),
      top: minutesOf('top'),
    },
    unmould: byKept('unmould'),
    cut: byKept('cut'),
    alike: { unmould: alike('unmould'), cut: alike('cut') },
  };
}

/** How the mould is kept by a plan. */
export const keptOf = (plan: Plan): Kept => (keptWarm(plan) ? 'warm' : keptCold(plan) ? 'cold' : 'let');

/** Recipes that differ by no more than this part of their oils are alike, %. */
const ALIKE = 15;

/** Whether two recipes are so far from each other that one says nothing of the other. */
export const recipesDiffer = (a: Plan, b: Plan): boolean => differenceOf(a, b) > ALIKE;

/** Part of the oils in which two recipes differ, %. */
function differenceOf(a: Plan, b: Plan): number {
  const shares = new Map<string, number>();
  const count = (plan: Plan, sign: number): void => {
    const sum = plan.base.oils.reduce((total, o) => total + o.percent, 0) || 1;
    for (const o of plan.base.oils)
      shares.set(o.materialId, (shares.get(o.materialId) ?? 0) + (sign * 100 * o.percent) / sum);
  };
  count(a, 1);
  count(b, -1);
  return [...shares.values()].reduce((sum, s) => sum + Math.abs(s), 0) / 2;
}

interface Day {
  /** Logarithms of how much longer each trace took than the usual figures say. */
  readonly rates: readonly number[];
  readonly minutes: Readonly<Record<keyof Minutes, readonly number[]>>;
  readonly kept: Kept;
  readonly unmould: number | null;
  readonly cut: number | null;
}

function dayOf(plan: Plan, log: readonly LogEntry[]): Day {
  const said = standing(log);
  const done = said.filter((e) => e.kind === 'done');
  const when = (id: string): number | undefined => done.find((e) => e.target === id)?.at;
  const poured = done.filter((e) => e.target.startsWith('pour/')).at(-1)?.at;
  const hours = (id: string): number | null => {
    const at = when(id);
    return at === undefined || poured === undefined || at <= poured
      ? null
      : (at - poured) / MS_PER_MINUTE / 60;
  };
  return {
    rates: ratesOf(plan, said, when),
    minutes: minutesOfSteps(plan, done),
    kept: keptOf(plan),
    unmould: hours('unmould'),
    cut: hours('after/cut'),
  };
}

/** Each pot's first tap of each trace, against when the plan would have it by the usual figures. */
function ratesOf(plan: Plan, said: readonly LogEntry[], when: (id: string) => number | undefined): number[] {
  const paces = new Map(potPaces(plan).map((p) => [p.potId, p]));
  const seen = new Set<string>();
  return said.flatMap((e) => {
    const key = TRACE_KEYS[e.value];
    const pace = paces.get(e.potId);
    const pot = plan.pots.find((p) => p.id === e.potId);
    if (e.kind !== 'thickness' || !key || !pace || !pot || seen.has(`${e.potId} ${key}`)) return [];
    seen.add(`${e.potId} ${key}`);
    const made = when(`combine/combine:${pot.ownLye ? pot.id : 'common'}`) ?? when('combine/combine');
    if (made === undefined || e.at <= made) return [];
    const usual = usualMinutes(pace, key, plan.work.pace);
    return [Math.log((e.at - made) / MS_PER_MINUTE / usual)];
  });
}

/** Without what was taken over from earlier days already. */
const usualMinutes = (pace: PotPace, key: 'light' | 'medium' | 'thick' | 'stiff', taken: number): number =>
  pace[key] / taken;

/** How long the steps of each kind took, from the end of the step before, for one pot. */
function minutesOfSteps(plan: Plan, done: readonly LogEntry[]): Record<keyof Minutes, number[]> {
  const minutes: Record<keyof Minutes, number[]> = { split: [], colour: [], scent: [], pour: [], top: [] };
  done.forEach((e, i) => {
    const before = done[i - 1];
    if (!before) return;
    const lasted = (e.at - before.at) / MS_PER_MINUTE;
    if (!(lasted > 0 && lasted <= LONGEST_WORK)) return;
    const [section = '', group = ''] = e.target.split('/');
    if (section === 'split') minutes.split.push(lasted / Math.max(1, drawsFrom(plan, group)));
    else if (section === 'colour') minutes.colour.push(lasted);
    else if (section === 'pour' && group === 'top') minutes.top.push(lasted);
    else if (section === 'pour' && group.startsWith('pour'))
      minutes.pour.push(lasted / Math.max(1, plan.pots.filter((p) => p.place === 'mould').length));
  });
  return minutes;
}

/** Pots that are taken off one batter, by the group of the sheet. */
const drawsFrom = (plan: Plan, group: string): number =>
  plan.pots.filter((p) => (p.ownLye ? group === `batter:${p.id}` : group === 'batter:common')).length;

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;
