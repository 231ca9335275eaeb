import { type CopyReason } from '@kleur/contract';

/** How many copies are kept, by why they were made. Those made by hand stay until they are deleted. */
export const KEPT = { daily: 7, weekly: 4, before: 3, beforeDays: 30 } as const;

const DAY_MS = 24 * 60 * 60 * 1000;
/** 1 January 1970 was a Thursday: weeks begin on a Monday. */
const weekOf = (at: number): number => Math.floor((at / DAY_MS + 3) / 7);
const dayOf = (at: number): number => Math.floor(at / DAY_MS);

/** A copy: when it was made, in ms, and why; a reason that is not known keeps it. */
export interface DatedCopy {
  readonly name: string;
  readonly at: number;
  readonly reason: CopyReason | undefined;
}

/** The newest of each of the newest periods. */
function newestOfEach(
  copies: readonly DatedCopy[],
  periodOf: (at: number) => number,
  most: number,
): DatedCopy[] {
  const newest = new Map<number, DatedCopy>();
  for (const copy of copies) {
    const period = periodOf(copy.at);
    const known = newest.get(period);
    if (!known || known.at < copy.at) newest.set(period, copy);
  }
  return [...newest.values()].sort((a, b) => b.at - a.at).slice(0, most);
}

/**
 * Names of the copies that are kept: of the daily ones the newest of each of seven days, and of what is older the newest
 * of each of four weeks; of those made before something was replaced the newest three of each reason and all of the last
 * 30 days; all made by hand. A copy from a day that has not come yet stays and takes no other's place.
 */
export function keptCopies(copies: readonly DatedCopy[], now: number): ReadonlySet<string> {
  const kept = new Set<string>();
  const byReason = new Map<CopyReason, DatedCopy[]>();
  for (const copy of copies) {
    const { name, at, reason } = copy;
    if (reason === undefined || reason === 'by-hand' || at > now) kept.add(name);
    else byReason.set(reason, [...(byReason.get(reason) ?? []), copy]);
  }
  for (const [reason, of] of byReason) {
    if (reason === 'daily') {
      const days = newestOfEach(of, dayOf, KEPT.daily);
      const oldestDay = days.length < KEPT.daily ? -Infinity : days.at(-1)!.at;
      const older = of.filter((c) => c.at < oldestDay && dayOf(c.at) !== dayOf(oldestDay));
      for (const { name } of [...days, ...newestOfEach(older, weekOf, KEPT.weekly)]) kept.add(name);
    } else {
      const newestFirst = [...of].sort((a, b) => b.at - a.at);
      for (const [i, { name, at }] of newestFirst.entries()) {
        if (i < KEPT.before || now - at <= KEPT.beforeDays * DAY_MS) kept.add(name);
      }
    }
  }
  return kept;
}
