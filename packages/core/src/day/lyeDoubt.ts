import { type LyeFlow } from '../balance/flow.ts';
import { flowOf } from '../balance/balance.ts';
import { acidDemand, lyeMoles, molesPerGram } from '../balance/lye.ts';
import { highSuperfat } from '../balance/saltBar.ts';
import { COMMON_LYE } from '../balance/weighed.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { type LogEntry } from './entry.ts';
import { mergeLogs, standing } from './merge.ts';
import { likelySlip, type Slip } from './slip.ts';
import { type RunStep } from './step.ts';
import { lineMasses, weighableLine } from './weighedLine.ts';

/*
 * A weight of lye, oil or liquid that is not the one the sheet told: the superfat that it makes, whether it may be
 * used, and how it is mended where the lye is now.
 */

/** Where a lye is: weighed and dry, dissolved in its vessel, in the oils, or in the pots. */
export type LyePlace = 'dry' | 'vessel' | 'oils' | 'split';

/** A weight is asked about from here on. */
export const DOUBT = {
  /** Of the lye: share of what was planned, and points of superfat. */
  lye: 0.02,
  points: 1.5,
  /** Of oil and liquid: share of the line, and divisions of the scale that it must be off by besides. */
  line: 0.05,
  divisions: 2,
} as const;

/** What came below this stays on hold whatever a test says, %. */
export const NEVER_LIFTED = -3;

/** One weighing that mends, g. */
export interface MendLine {
  /** Line of the sheet whose weight it changes. */
  readonly line: string;
  /** g to add; negative for what is taken out. */
  readonly add: number;
  /** What that line has weighed afterwards, g. */
  readonly total: number;
}

export interface Mend {
  /** Take dry lye out or add it, dissolve more, use a part of the solution, or melt more oil. */
  readonly how: 'take-out' | 'add-lye' | 'part-of-solution' | 'add-oil';
  readonly lines: readonly MendLine[];
  /** Part of the solution that is used, and its mass in g; null for the other ways. */
  readonly solution: { readonly part: number; readonly use: number; readonly of: number } | null;
}

export const LYE_ANSWERS = ['mended', 'used', 'thrown'] as const;
export type LyeAnswer = (typeof LYE_ANSWERS)[number];

export interface LineDoubt {
  readonly line: string;
  readonly planned: number;
  readonly weighed: number;
  readonly slip: Slip | null;
}

export interface LyeDoubt {
  /** As the ids of the sheet name the lye: `common`, or the id of the mini-batch. */
  readonly lye: string;
  readonly potId: string | null;
  readonly lines: readonly LineDoubt[];
  readonly place: LyePlace;
  /** Of all that was weighed, %; null where the oils do not tell what they take. */
  readonly superfat: number | null;
  readonly planned: number;
  /** Highest superfat at which it may be used as it is, %. */
  readonly usableTo: number;
  readonly mend: Mend | null;
  /** Null while nobody has answered. */
  readonly answer: LyeAnswer | null;
}

const COMMON = 'common';

/** Every lye whose weights ask for an answer, or have had one. `log` in any order. */
export function lyeDoubts(plan: Plan, scaleDivision: number, log: readonly LogEntry[]): LyeDoubt[] {
  const entries = standing(mergeLogs(log, []));
  if (!entries.some((e) => e.kind === 'weighed')) return [];
  return flowOf(plan).lyes.flatMap((lye) => doubtOf(plan, scaleDivision, entries, lye) ?? []);
}

function doubtOf(
  plan: Plan,
  scaleDivision: number,
  entries: readonly LogEntry[],
  lye: LyeFlow,
): LyeDoubt | null {
  const name = lye.potId ?? COMMON;
  const planned = lineMasses(plan, lye);
  const weighed = new Map<string, number>();
  let answer: LyeAnswer | null = null;
  for (const e of entries) {
    const line = e.kind === 'weighed' ? weighableLine(e.target) : null;
    if (line?.lye === (lye.potId ?? COMMON_LYE) && planned.has(e.target)) {
      weighed.set(e.target, e.value);
      answer = null;
    } else if (e.kind === 'settled' && e.target === name) {
      answer = LYE_ANSWERS.find((a) => a === e.text) ?? null;
    }
  }
  if (weighed.size === 0) return null;
  const state = new LyeState(plan, lye, planned, weighed);
  const { superfat } = plan.base;
  const made = state.superfat();
  const off = [...weighed].filter(([line, mass]) => {
    const is = planned.get(line)!;
    const by = Math.abs(mass - is);
    if (by < 1e-9) return false;
    const alone = new LyeState(plan, lye, planned, new Map([[line, mass]])).superfat();
    const points = alone === null ? 0 : Math.abs(alone - superfat);
    const ofLye = weighableLine(line)!.what === 'naoh' || weighableLine(line)!.what === 'koh';
    if (ofLye) return by >= DOUBT.lye * is - 1e-9 || points >= DOUBT.points - 1e-9;
    return (
      points >= DOUBT.points - 1e-9 ||
      (by >= DOUBT.line * is - 1e-9 && by >= DOUBT.divisions * scaleDivision - 1e-9)
    );
  });
  const sum = made !== null && Math.abs(made - superfat) >= DOUBT.points - 1e-9;
  if (off.length === 0 && !sum && answer === null) return null;
  const place = placeOf(name, lye, plan, entries);
  return {
    lye: name,
    potId: lye.potId,
    lines: off.map(([line, mass]) => ({
      line,
      planned: planned.get(line)!,
      weighed: mass,
      slip: likelySlip(line, planned, weighed),
    })),
    place,
    superfat: made,
    planned: superfat,
    usableTo: highSuperfat(plan),
    mend: made === null ? null : state.mend(place),
    answer,
  };
}

/** What was done with a lye last. */
function placeOf(name: string, lye: LyeFlow, plan: Plan, entries: readonly LogEntry[]): LyePlace {
  const done = (test: (step: string) => boolean): boolean =>
    entries.some((e) => e.kind === 'done' && test(e.target));
  const own = plan.pots.filter((p) => (p.ownLye ? p.id : null) === lye.potId).map((p) => p.id);
  if (
    done((s) => s === `split/batter:${name}`) ||
    done((s) => /^(colour|pour)\//.test(s) && own.some((id) => s.includes(id)))
  )
    return 'split';
  if (done((s) => s === 'combine/combine' || s === `combine/combine:${name}`)) return 'oils';
  return done((s) => s === `lye/lye:${name}`) ? 'vessel' : 'dry';
}

/** A lye with its oils as they were weighed; what was not weighed is as planned. */
class LyeState {
  constructor(
    private readonly plan: Plan,
    private readonly lye: LyeFlow,
    private readonly planned: ReadonlyMap<string, number>,
    private readonly weighed: ReadonlyMap<string, number>,
  ) {}

  private mass(line: string): number {
    return this.weighed.get(line) ?? this.planned.get(line) ?? 0;
  }

  private get name(): string {
    return this.lye.potId ?? COMMON;
  }

  private oilLine(materialId: string): string {
    return `oil:${this.name}:${materialId}`;
  }

  /** Alkali that a gram of an oil takes, mol. */
  private takes(materialId: string): number {
    return molesPerGram(materialOf(this.plan, materialId).oil?.sapKoh ?? 0);
  }

  private capacity(): number {
    return this.lye.rows.reduce(
      (sum, r) => sum + this.mass(this.oilLine(r.materialId)) * this.takes(r.materialId),
      0,
    );
  }

  private moles(): number {
    return lyeMoles(
      this.plan.base,
      this.mass(`naoh:${this.name}`),
      this.mass(`koh:${this.name}`),
      (acidDemand(this.plan) * this.lye.oils) / 1000,
    );
  }

  /** %; null where the oils do not tell what they take. */
  superfat(): number | null {
    const capacity = this.capacity();
    return capacity > 0 ? 100 * (1 - this.moles() / capacity) : null;
  }

  /** What brings it to the superfat that was wanted, where the lye is now; null for nothing that should be done. */
  mend(place: LyePlace): Mend | null {
    const made = this.superfat()!;
    const wanted = this.plan.base.superfat;
    if (place === 'split' || Math.abs(made - wanted) < 0.05) return null;
    const short = this.shortOils();
    if (place !== 'oils' && short.length > 0 && made < wanted)
      return { how: 'add-oil', lines: short, solution: null };
    // Lye that all the weighed oils take at the superfat wanted, over the lye that was weighed.
    const naoh = this.mass(`naoh:${this.name}`);
    const koh = this.mass(`koh:${this.name}`);
    const factor = this.factor();
    if (place === 'dry' || (place === 'vessel' && factor > 1)) {
      const lines = [
        [`naoh:${this.name}`, naoh],
        [`koh:${this.name}`, koh],
      ] as const;
      return {
        how: factor < 1 ? 'take-out' : 'add-lye',
        lines: lines
          .filter(([, mass]) => mass > 0)
          .map(([line, mass]) => ({ line, add: mass * (factor - 1), total: mass * factor })),
        solution: null,
      };
    }
    if (place === 'vessel') {
      const liquids = [...this.planned.keys()].filter((l) => weighableLine(l)?.what === 'liquid');
      const of = naoh + koh + liquids.reduce((sum, l) => sum + this.mass(l), 0);
      const lines = [`naoh:${this.name}`, `koh:${this.name}`, ...liquids].filter((l) => this.mass(l) > 0);
      return {
        how: 'part-of-solution',
        lines: lines.map((line) => ({
          line,
          add: this.mass(line) * (factor - 1),
          total: this.mass(line) * factor,
        })),
        solution: { part: factor, use: of * factor, of },
      };
    }
    // In the oils: oil can be added, lye should not be.
    if (made > wanted) return null;
    const missing = this.moles() / (1 - wanted / 100) - this.capacity();
    const perGram =
      this.lye.rows.reduce((sum, r) => sum + r.mass * this.takes(r.materialId), 0) / this.lye.oils;
    const add = missing / perGram;
    return {
      how: 'add-oil',
      lines: this.lye.rows
        .filter((r) => r.mass > 0)
        .map((r) => {
          const more = (add * r.mass) / this.lye.oils;
          const line = this.oilLine(r.materialId);
          return { line, add: more, total: this.mass(line) + more };
        }),
      solution: null,
    };
  }

  /** Oils of which less was weighed than planned, brought up to it. */
  private shortOils(): MendLine[] {
    const lye = this.weighed.get(`naoh:${this.name}`);
    // With the lye off as well the lye is mended: one weighing instead of several.
    if (lye !== undefined && Math.abs(lye - this.planned.get(`naoh:${this.name}`)!) > DOUBT.lye * lye)
      return [];
    return this.lye.rows.flatMap((r) => {
      const line = this.oilLine(r.materialId);
      const add = this.planned.get(line)! - this.mass(line);
      return add > 0 ? [{ line, add, total: this.planned.get(line)! }] : [];
    });
  }

  /** Part of the weighed alkali that is wanted; acids take theirs first. */
  private factor(): number {
    const { base } = this.plan;
    const acids = (acidDemand(this.plan) * this.lye.oils) / 1000;
    const all = lyeMoles(base, this.mass(`naoh:${this.name}`), this.mass(`koh:${this.name}`), 0);
    const net = lyeMoles(base, this.mass(`naoh:${this.name}`), this.mass(`koh:${this.name}`), acids);
    const wanted = this.capacity() * (1 - base.superfat / 100);
    return (wanted + (all - net)) / all;
  }
}

/** Doubts that still want an answer. */
export const openDoubts = (doubts: readonly LyeDoubt[]): LyeDoubt[] =>
  doubts.filter((d) => d.answer === null && (d.lines.length > 0 || isOff(d)));

const isOff = ({ superfat, planned }: LyeDoubt): boolean =>
  superfat !== null && Math.abs(superfat - planned) >= DOUBT.points;

/** Why the soap of a lye may not be used before it is tested; null for no reason. */
export function holdOf(doubt: LyeDoubt): 'below-zero' | 'not-answered' | 'thrown' | null {
  if (doubt.answer === 'thrown') return 'thrown';
  if (doubt.superfat !== null && doubt.superfat < 0) return 'below-zero';
  return openDoubts([doubt]).length > 0 ? 'not-answered' : null;
}

/** Sections whose steps work with a lye or with what it went into. */
const OF_LYE = /^(lye|oils|combine|split|colour|decide|pour|after)\//;

/**
 * Open doubts that a step must wait for: those of its own lye, from the step on in which the weight was taken; what is
 * done to the whole pour waits for all of them.
 */
export function doubtsBefore(
  plan: Plan,
  steps: readonly RunStep[],
  step: RunStep,
  doubts: readonly LyeDoubt[],
): LyeDoubt[] {
  const place = steps.findIndex((s) => s.id === step.id);
  const pot = plan.pots.find((p) => p.id === step.potId);
  const own = pot?.ownLye ? pot.id : COMMON;
  return openDoubts(doubts).filter((d) => {
    const lines = new Set(d.lines.map((l) => l.line));
    const from = steps.findIndex(
      (s) => s.id === `lye/lye:${d.lye}` || s.lines.some((line) => lines.has(line.id)),
    );
    const isOfLye = OF_LYE.test(step.id) || step.id === 'unmould' || step.id === 'rack';
    const isWhole = step.potId === null && !/^(lye|oils|combine|split)\//.test(step.id);
    const isOwn = step.potId === null ? step.id.endsWith(`:${d.lye}`) || isSingle(plan) : own === d.lye;
    return isOfLye && from >= 0 && place >= from && (isWhole || isOwn);
  });
}

const isSingle = (plan: Plan): boolean => !plan.pots.some((p) => p.ownLye);

/** Whether soap of this batch is on hold: not used, sold or called ready before a test for lye allows it. */
export interface Hold {
  readonly isHeld: boolean;
  /** Whether a test can lift it. */
  readonly canBeLifted: boolean;
  readonly reasons: readonly ('below-zero' | 'not-answered' | 'thrown' | 'trouble')[];
}

/** Places in `TROUBLES` after which no test clears the soap: it separated, it weeps. */
const NEVER_CLEARED = [2, 3];

/**
 * @param superfats of what stands in the vessels, %, where they are known
 * @param log in any order
 */
export function batchHold(
  plan: Plan,
  scaleDivision: number,
  log: readonly LogEntry[],
  superfats: readonly number[],
): Hold {
  const entries = standing(mergeLogs(log, []));
  const doubts = lyeDoubts(plan, scaleDivision, log);
  const troubles = entries.filter((e) => e.kind === 'trouble');
  const lowest = Math.min(...superfats, ...doubts.flatMap((d) => d.superfat ?? []));
  const reasons = new Set<Hold['reasons'][number]>();
  if (lowest < 0) reasons.add('below-zero');
  if (troubles.length > 0) reasons.add('trouble');
  for (const d of doubts) {
    const reason = holdOf(d);
    if (reason) reasons.add(reason);
  }
  return {
    isHeld: reasons.size > 0,
    canBeLifted:
      lowest >= NEVER_LIFTED &&
      !troubles.some((e) => NEVER_CLEARED.includes(e.value)) &&
      !reasons.has('thrown'),
    reasons: [...reasons],
  };
}
