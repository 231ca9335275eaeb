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

/** What is done hours and days later, when no batter waits. */
const AFTERWARDS = /^(after\/|(unmould|stamp|rack|finish)$|read-)/;

/** Steps from the oils to the mould: one batch after another. */
const ALONE = TOGETHER.length;

/** Phase of what a batch does next; a step that the maker put in belongs to the one that follows it. */
function phaseOf({ steps, progress: { current } }: DayOfBatch): number {
  if (!current) return ALONE + 1;
  const { id } = steps.slice(steps.indexOf(current)).find((s) => !s.id.startsWith('own/')) ?? current;
  const at = TOGETHER.findIndex((t) => t.test(id));
  return at >= 0 ? at : AFTERWARDS.test(id) ? ALONE + 1 : ALONE;
}

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
  // A batter that stands does not wait for another batch’s cups.
  const begun = open.find(({ day }) => hasBegun(day) && phaseOf(day) === ALONE);
  return begun ?? rest.reduce((best, next) => (phaseOf(next.day) < phaseOf(best.day) ? next : best), first);
}

/** Whether lye has met oil. */
const hasBegun = ({ steps, progress }: DayOfBatch): boolean =>
  steps.some((s) => s.id.startsWith('combine/') && progress.done.has(s.id));

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
