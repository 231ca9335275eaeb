import { missingBefore, type Progress } from './progress.ts';
import { type RunStep } from './step.ts';

/** One of several batches that are made on one day. */
export interface DayOfBatch {
  readonly batchId: string;
  readonly steps: readonly RunStep[];
  readonly progress: Progress;
}

export interface NextStep {
  readonly batchId: string;
  readonly step: RunStep;
}

/** Sections that are done for all batches before the next begins: weighing, checklist, lye and oils at once. */
const TOGETHER: readonly RegExp[] = [
  /^(gather|before)\//,
  /^(cups\/|label$)/,
  /^safety/,
  /^lye\//,
  /^oils\//,
];

/** Phase of a step; what comes after the oils is done one batch after another. */
const phaseOf = ({ id }: RunStep): number => {
  const at = TOGETHER.findIndex((t) => t.test(id));
  return at < 0 ? TOGETHER.length : at;
};

/**
 * What is done next over all batches of the day, in the order of the work: what is prepared is prepared for all of them,
 * then each is brought together, coloured and poured by itself, since its clock runs from then on. Null when all is done.
 */
export function nextSideBySide(days: readonly DayOfBatch[]): NextStep | null {
  const open = days.flatMap((day) => {
    const step = day.progress.current;
    return step ? [{ batchId: day.batchId, step, day }] : [];
  });
  const [first, ...rest] = open;
  if (!first) return null;
  const begun = open.find(({ day }) => hasBegun(day) && phaseOf(day.progress.current!) === TOGETHER.length);
  // A batter that stands does not wait for another batch’s cups; what it still has to wait for does not count as begun.
  if (begun && !isAfterwards(begun.step)) return begun;
  return rest.reduce((best, next) => (rankOf(next.step) < rankOf(best.step) ? next : best), first);
}

/** Whether lye has met oil, and the soap is not in the mould yet. */
const hasBegun = ({ steps, progress }: DayOfBatch): boolean =>
  steps.some((s) => s.id.startsWith('combine/') && progress.done.has(s.id));

/** What is done hours and days later. */
const isAfterwards = ({ id }: RunStep): boolean =>
  !/^(combine|split|colour|decide|pour|own|gather|before|cups|safety|lye|oils)\b/.test(id);

const rankOf = (step: RunStep): number => phaseOf(step) + (isAfterwards(step) && step.id !== 'label' ? 1 : 0);

/** Steps of other batches that one and the same checklist serves: ticked once, it counts for all whose turn it is. */
export const alsoTicked = (days: readonly DayOfBatch[], batchId: string): NextStep[] =>
  days.flatMap((day) => {
    const step = day.progress.current;
    const isDue =
      day.batchId !== batchId &&
      step?.kind === 'safety' &&
      missingBefore(step, day.steps, day.progress).length === 0;
    return isDue ? [{ batchId: day.batchId, step }] : [];
  });
