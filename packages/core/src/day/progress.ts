import { type LogEntry } from './entry.ts';
import { type RunStep } from './step.ts';
import { standing } from './merge.ts';

export interface Timer {
  /** The entry that started it. */
  readonly id: string;
  readonly label: string;
  readonly minutes: number;
  /** When it is over, ms since 1970. */
  readonly ends: number;
}

/** How far a making day has come. */
export interface Progress {
  /** Steps that are done, by their ids, and when, ms since 1970. */
  readonly done: ReadonlyMap<string, number>;
  /** Left out, with the reason. */
  readonly skipped: ReadonlyMap<string, string>;
  /** The first step that is neither; null when all is done. */
  readonly current: RunStep | null;
  /** The step that comes after it. */
  readonly next: RunStep | null;
  /** Whether the design is poured in full; null before that was decided. */
  readonly full: boolean | null;
  readonly timers: readonly Timer[];
  /** What lines of the sheet really weighed, g, by the line. */
  readonly weighed: ReadonlyMap<string, number>;
}

const MS_PER_MINUTE = 60_000;

/** @param log in any order */
export function progressOf(steps: readonly RunStep[], log: readonly LogEntry[]): Progress {
  const done = new Map<string, number>();
  const weighed = new Map<string, number>();
  const skipped = new Map<string, string>();
  const timers: Timer[] = [];
  let full: boolean | null = null;
  for (const e of standing(log)) {
    if (e.kind === 'done') done.set(e.target, e.at);
    else if (e.kind === 'skipped') skipped.set(e.target, e.text);
    else if (e.kind === 'weighed') weighed.set(e.target, e.value);
    else if (e.kind === 'decided') full = e.value === 1;
    else if (e.kind === 'timed')
      timers.push({
        id: e.id,
        label: e.text,
        minutes: e.value,
        ends: e.at + e.value * MS_PER_MINUTE,
      });
  }
  const open = steps.filter((s) => !done.has(s.id) && !skipped.has(s.id));
  return { done, skipped, current: open[0] ?? null, next: open[1] ?? null, full, timers, weighed };
}

/** Steps that a step needs and that are neither done nor left out. */
export const missingBefore = (
  step: RunStep,
  steps: readonly RunStep[],
  { done, skipped }: Pick<Progress, 'done' | 'skipped'>,
): RunStep[] => steps.filter((s) => step.needs.includes(s.id) && !done.has(s.id) && !skipped.has(s.id));

/** Steps still to come that need this one: what is told before it is left out. */
export const neededBy = (
  step: RunStep,
  steps: readonly RunStep[],
  { done, skipped }: Pick<Progress, 'done' | 'skipped'>,
): RunStep[] => steps.filter((s) => s.needs.includes(step.id) && !done.has(s.id) && !skipped.has(s.id));
