import { type Plan } from '../plan/plan.ts';
import { timelineOf } from '../work/timeline.ts';
import { workOrder } from '../work/order.ts';
import { type Progress } from './progress.ts';

const MS_PER_MINUTE = 60_000;

/** How long a pot can still be used for what is planned with it. */
export interface TimeLeft {
  readonly potId: string;
  readonly name: string;
  /** Minutes until it is too thick; below 0 it is over. */
  readonly minutes: number;
}

/**
 * Pots whose batter is made, by the minutes that they have left, the fewest first.
 * @param now ms since 1970
 */
export function timeLeft(plan: Plan, { done }: Pick<Progress, 'done'>, now: number): TimeLeft[] {
  const since = (key: string): number | undefined => done.get(`combine/combine${key}`);
  const timeline = timelineOf(plan, { order: workOrder(plan).order });
  return timeline.pots
    .flatMap(({ pot, window }): TimeLeft[] => {
      // Where only one lye is made its step has no name of its own.
      const made = since(`:${pot.ownLye ? pot.id : 'common'}`) ?? since('');
      if (made === undefined || window === null) return [];
      const gone = (now - made) / MS_PER_MINUTE;
      return [{ potId: pot.id, name: pot.name, minutes: window[1] - gone }];
    })
    .toSorted((a, b) => a.minutes - b.minutes);
}
