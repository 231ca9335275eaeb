import { type CalendarHabits } from './habits.ts';
import { weekday } from '../units/day.ts';
import { type CalendarBatch, type CalendarSpan, extraPourDays, inUse, mouldDays } from './spans.ts';

/** A batch that is to be ready for a sale. */
export type SeasonBatch = Pick<CalendarBatch, 'id' | 'name' | 'moulds' | 'kept' | 'pourHours'>;

/** Why a batch cannot be ready in time. */
export interface Missed {
  readonly batch: SeasonBatch;
  /** What stands in the way: too few days of cure are left, its mould is taken, or the hours of the days are. */
  readonly step: 'cure' | 'mould' | 'hours';
  /** The first day on which it could be poured; null within a year for none. */
  readonly earliest: number | null;
  /** What could give way: the sale on this day, or a cure of so many days. */
  readonly saleOn: number | null;
  readonly cureDays: number | null;
}

export interface Season {
  /** Day of the last pour of each batch, by its id. */
  readonly days: ReadonlyMap<string, number>;
  readonly missed: readonly Missed[];
}

export interface SeasonQuestion {
  readonly batches: readonly SeasonBatch[];
  /** Day of the sale. */
  readonly sale: number;
  readonly today: number;
  readonly habits: CalendarHabits;
  /** What has its days already, and keeps them. */
  readonly others: readonly CalendarSpan[];
}

const A_YEAR = 366;

/** A batch at a day, as the others will see it. `first`: the first pour. */
function placed(batch: SeasonBatch, first: number, habits: CalendarHabits): CalendarSpan {
  const last = first + extraPourDays(batch);
  return {
    batch: { ...batch, madeOn: '', unmouldedOn: null, cutOn: null, readOn: [], poured: false, onHold: false },
    from: first,
    unmould: first + mouldDays(batch, habits),
    ready: last + habits.cureDays,
    marks: [],
  };
}

/** Hours that are taken on a day; a batch that is poured over several days takes its hours on each of them. */
const hoursOn = (spans: readonly CalendarSpan[], day: number, { hoursABatch }: CalendarHabits): number =>
  spans.reduce(
    (sum, s) => sum + (day >= s.from && day <= s.from + extraPourDays(s.batch) ? hoursABatch : 0),
    0,
  );

/** What keeps a batch from being poured from a day on; null for nothing. */
function hindranceOn(
  batch: SeasonBatch,
  first: number,
  habits: CalendarHabits,
  spans: readonly CalendarSpan[],
): 'mould' | 'hours' | null {
  const pours = Array.from({ length: extraPourDays(batch) + 1 }, (_, i) => first + i);
  if (pours.some((d) => habits.daysOff.includes(weekday(d)))) return 'hours';
  if (pours.some((d) => hoursOn(spans, d, habits) + habits.hoursABatch > habits.hoursADay + 1e-9))
    return 'hours';
  const days = Array.from({ length: mouldDays(batch, habits) }, (_, i) => first + i);
  for (const { name, count } of batch.moulds) {
    const owned = Math.max(habits.moulds.find((m) => m.name === name)?.count ?? 1, count);
    if (days.some((d) => inUse(spans, name, d) + count > owned)) return 'mould';
  }
  return null;
}

/**
 * The latest days on which batches can be poured to be cured, finished and wrapped for a sale: moulds free, no more hours
 * a day than there are. Each is put as late as it can be, those that need most days first; the same question gives the
 * same days.
 */
export function planBackwards({ batches, sale, today, habits, others }: SeasonQuestion): Season {
  const spans: CalendarSpan[] = [...others];
  const days = new Map<string, number>();
  const missed: Missed[] = [];
  const needs = (b: SeasonBatch): number => extraPourDays(b) * 100 + mouldDays(b, habits);
  const order = batches
    .map((batch, i) => ({ batch, i }))
    .sort((a, b) => needs(b.batch) - needs(a.batch) || a.i - b.i);
  for (const { batch } of order) {
    const extra = extraPourDays(batch);
    const latest = sale - habits.finishDays - habits.cureDays - extra;
    const seen = { mould: 0, hours: 0 };
    let first: number | null = null;
    for (let day = latest; day >= today && first === null; day--) {
      const hindrance = hindranceOn(batch, day, habits, spans);
      if (hindrance) seen[hindrance] += 1;
      else first = day;
    }
    if (first === null) {
      missed.push(
        missOf(
          batch,
          latest < today ? 'cure' : seen.mould >= seen.hours ? 'mould' : 'hours',
          today,
          sale,
          habits,
          spans,
        ),
      );
      continue;
    }
    days.set(batch.id, first + extra);
    spans.push(placed(batch, first, habits));
  }
  return { days, missed };
}

function missOf(
  batch: SeasonBatch,
  step: Missed['step'],
  today: number,
  sale: number,
  habits: CalendarHabits,
  spans: readonly CalendarSpan[],
): Missed {
  const extra = extraPourDays(batch);
  let earliest: number | null = null;
  for (let day = today; day <= today + A_YEAR && earliest === null; day++)
    if (!hindranceOn(batch, day, habits, spans)) earliest = day;
  const left = earliest === null ? null : sale - habits.finishDays - earliest - extra;
  return {
    batch,
    step,
    earliest,
    saleOn: earliest === null ? null : earliest + extra + habits.cureDays + habits.finishDays,
    cureDays: left !== null && left > 0 && left < habits.cureDays ? left : null,
  };
}
