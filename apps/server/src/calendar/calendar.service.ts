import { Injectable } from '@nestjs/common';
import {
  type CalendarEntry,
  type CalendarPage,
  type DaysWrite,
  isMade,
  type UndatedEntry,
} from '@kleur/contract';
import { type CalendarBatch, spanOf } from '@kleur/core/calendar';
import { dayNumber, dayText } from '@kleur/core/units';
import ical from 'ical-generator';
import { BatchesService } from '../batches/batches.service.ts';
import { LogService } from '../log/log.service.ts';
import { ReadingsService } from '../record/readings.service.ts';
import { SettingsService } from '../settings/settings.service.ts';

/** Steps of a making day that the calendar goes by. */
const UNMOULD = 'unmould';
const CUT = 'after/cut';

/** When every batch is poured, unmoulded, read and ready. */
@Injectable()
export class CalendarService {
  constructor(
    private readonly batches: BatchesService,
    private readonly log: LogService,
    private readonly readings: ReadingsService,
    private readonly settings: SettingsService,
  ) {}

  /** Batches with a day in a span of days, and those that have none yet. */
  async page(from?: string, to?: string): Promise<CalendarPage> {
    const [all, steps, read, clock] = await Promise.all([
      this.batches.allUses(),
      this.log.doneAt([UNMOULD, CUT]),
      this.readings.days(),
      this.settings.clock(),
    ]);
    const dayOf = (at: number | undefined): string | null => (at === undefined ? null : clock(at).day);
    const batches: CalendarEntry[] = [];
    const undated: UndatedEntry[] = [];
    for (const { id, name, state, version, madeOn, face, onHold, uses } of all) {
      const done = steps.get(id);
      const entry = {
        id,
        name,
        state,
        version,
        face,
        pourHours: uses?.pourHours ?? 0,
        moulds: uses?.moulds ?? [],
        kept: uses?.kept ?? 'let',
        unmouldedOn: dayOf(done?.get(UNMOULD)),
        cutOn: dayOf(done?.get(CUT)),
        readOn: read.get(id) ?? [],
        poured: isMade(state),
        onHold,
      };
      if (madeOn === null) {
        if (!isMade(state)) undated.push({ ...entry, madeOn });
      } else if ((from === undefined || madeOn >= from) && (to === undefined || madeOn <= to))
        batches.push({ ...entry, madeOn });
    }
    return { batches: batches.sort((a, b) => (a.madeOn < b.madeOn ? -1 : 1)), undated };
  }

  /** @throws ProblemError `not-found`, `stale-version`; then no day was changed. */
  setDays({ days }: DaysWrite): Promise<void> {
    return this.batches.setDays(days);
  }

  /** Everything with a day as an iCalendar file (RFC 5545): whole days, so that no zone matters. */
  async file(): Promise<string> {
    const { calendar: habits, studio } = await this.settings.get();
    const { batches } = await this.page();
    const calendar = ical({
      name: studio === '' ? 'Kleur' : `Kleur: ${studio}`,
      prodId: { company: 'Kleur', product: 'Calendar' },
    });
    const add = (id: string, from: number, to: number, summary: string): void => {
      calendar.createEvent({
        id,
        start: new Date(`${dayText(from)}T00:00:00Z`),
        end: new Date(`${dayText(to)}T00:00:00Z`),
        timezone: 'UTC',
        allDay: true,
        summary,
      });
    };
    for (const batch of batches)
      for (const event of eventsOf(batch, habits)) add(event.id, event.from, event.to, event.summary);
    return calendar.toString();
  }
}

interface DayEvent {
  readonly id: string;
  readonly from: number;
  /** The day after the last. */
  readonly to: number;
  readonly summary: string;
}

/** What stands in a calendar of days for one batch. */
export function eventsOf(batch: CalendarBatch, habits: Parameters<typeof spanOf>[1]): DayEvent[] {
  const { from, ready, marks } = spanOf(batch, habits);
  const poured = dayNumber(batch.madeOn);
  const one = (what: string, day: number, summary: string): DayEvent => ({
    id: `${batch.id}-${what}@kleur`,
    from: day,
    to: day + 1,
    summary,
  });
  return [
    { id: `${batch.id}-pour@kleur`, from, to: poured + 1, summary: `Pour: ${batch.name}` },
    ...marks.flatMap((m): DayEvent[] => {
      if (m.kind === 'cut') return [one('cut', m.day, `Unmould and cut: ${batch.name}`)];
      return m.done ? [] : [one(`read-${m.after}`, m.day, `Read the bars: ${batch.name}`)];
    }),
    one('ready', ready, batch.onHold ? `On hold, not ready: ${batch.name}` : `Cured: ${batch.name}`),
  ];
}
