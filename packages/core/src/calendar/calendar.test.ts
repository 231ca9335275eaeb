import fc from 'fast-check';
import { dayNumber, weekday } from '../units/day.ts';
import { type CalendarHabits, usualHabits } from './habits.ts';
import { planBackwards, type SeasonBatch } from './backwards.ts';
import { type CalendarBatch, clashesOf, dueReadings, inUse, mouldDays, spanOf } from './spans.ts';

const batch = (change: Partial<CalendarBatch> = {}): CalendarBatch => ({
  id: 'a',
  name: 'A',
  madeOn: '2026-03-02',
  pourHours: 0,
  moulds: [{ name: 'Loaf', count: 1 }],
  kept: 'let',
  unmouldedOn: null,
  cutOn: null,
  readOn: [],
  poured: true,
  onHold: false,
  ...change,
});
const habits: CalendarHabits = { ...usualHabits, cureDays: 28, finishDays: 1, hoursADay: 4, hoursABatch: 2 };
const n = dayNumber;

describe('the way of a batch', () => {
  it('goes by the habits until something was logged', () => {
    const is = spanOf(batch(), habits);
    // 36 h in the mould.
    expect([is.from, is.unmould, is.ready].map((d) => d - n('2026-03-02'))).toEqual([0, 2, 28]);
    expect(is.marks.map((m) => m.day - n('2026-03-02'))).toEqual([2, 1, 7, 28, 42]);
    const logged = spanOf(batch({ unmouldedOn: '2026-03-05', cutOn: '2026-03-06' }), habits);
    expect(logged.unmould).toBe(n('2026-03-05'));
    expect(logged.marks[0]).toMatchObject({ day: n('2026-03-06'), done: true });
  });

  it('begins with the first of several pours', () => {
    const is = spanOf(batch({ pourHours: 30 }), habits);
    expect(is.from).toBe(n('2026-03-01'));
    expect(is.ready).toBe(n('2026-03-02') + 28);
  });
});

describe('clashes', () => {
  const spans = (...batches: CalendarBatch[]) => batches.map((b) => spanOf(b, habits));
  it('are days on which a mould is needed twice', () => {
    const two = spans(batch(), batch({ id: 'b', madeOn: '2026-03-03' }));
    expect(clashesOf(two, habits)).toEqual([
      { mould: 'Loaf', from: n('2026-03-03'), to: n('2026-03-04'), batchIds: ['a', 'b'] },
    ]);
    expect(clashesOf(two, { ...habits, moulds: [{ name: 'Loaf', count: 2 }] })).toEqual([]);
    expect(clashesOf(spans(batch(), batch({ id: 'b', madeOn: '2026-03-04' })), habits)).toEqual([]);
    expect(
      clashesOf(spans(batch(), batch({ id: 'b', moulds: [{ name: 'Slab', count: 1 }] })), habits),
    ).toEqual([]);
  });

  it('are not told of one batch alone that needs several', () => {
    expect(clashesOf(spans(batch({ moulds: [{ name: 'Loaf', count: 3 }] })), habits)).toEqual([]);
  });
});

describe('readings that are due', () => {
  const due = (today: string, change: Partial<CalendarBatch> = {}) =>
    dueReadings([spanOf(batch(change), habits)], n(today)).map((d) => d.after);
  it('come one after another, and go when somebody has read', () => {
    expect(due('2026-03-02')).toEqual([]);
    expect(due('2026-03-03')).toEqual([1]);
    expect(due('2026-03-08')).toEqual([1]);
    expect(due('2026-03-09')).toEqual([7]);
    expect(due('2026-03-09', { readOn: ['2026-03-10'] })).toEqual([]);
    expect(due('2026-03-31', { readOn: ['2026-03-10'] })).toEqual([28]);
    expect(due('2026-03-31', { poured: false })).toEqual([]);
    expect(due('2026-07-31')).toEqual([]);
  });
});

const season = (change: Partial<SeasonBatch> & { id: string }): SeasonBatch => ({
  name: change.id,
  moulds: [{ name: 'Loaf', count: 1 }],
  kept: 'let',
  pourHours: 0,
  ...change,
});

describe('planned backwards from a sale', () => {
  const ask = (batches: readonly SeasonBatch[], change: Partial<Parameters<typeof planBackwards>[0]> = {}) =>
    planBackwards({ batches, sale: n('2026-06-01'), today: n('2026-04-01'), habits, others: [], ...change });

  it('puts a batch as late as its cure and the finishing allow', () => {
    const { days, missed } = ask([season({ id: 'x' })]);
    expect(days.get('x')).toBe(n('2026-06-01') - 1 - 28);
    expect(missed).toEqual([]);
  });

  it('lets batches that share a mould follow each other', () => {
    const { days } = ask([season({ id: 'x' }), season({ id: 'y' }), season({ id: 'z' })]);
    expect([...days.values()].map((d) => n('2026-05-03') - d)).toEqual([0, 2, 4]);
    const two = ask([season({ id: 'x' }), season({ id: 'y' })], {
      habits: { ...habits, moulds: [{ name: 'Loaf', count: 2 }] },
    });
    expect([...two.days.values()]).toEqual([n('2026-05-03'), n('2026-05-03')]);
  });

  it('leaves no day with more hours than it has, nor one that is off', () => {
    const many = Array.from({ length: 5 }, (_, i) =>
      season({ id: `b${i}`, moulds: [{ name: `M${i}`, count: 1 }] }),
    );
    const { days } = ask(many, { habits: { ...habits, daysOff: [weekday(n('2026-05-03'))] } });
    expect([...days.values()].map((d) => n('2026-05-03') - d).sort()).toEqual([1, 1, 2, 2, 3]);
  });

  it('keeps out of the way of what has its days', () => {
    const other = spanOf(batch({ madeOn: '2026-05-03', poured: false }), habits);
    const { days } = ask([season({ id: 'x' })], { others: [other] });
    expect(days.get('x')).toBe(n('2026-05-01'));
  });

  it.each([
    ['cure', { sale: n('2026-04-20') }, 18, n('2026-04-01') + 29],
    [
      'mould',
      {
        sale: n('2026-05-01'),
        others: [spanOf(batch({ madeOn: '2026-04-01', unmouldedOn: '2026-04-05', poured: false }), habits)],
      },
      25,
      n('2026-04-05') + 29,
    ],
    ['hours', { sale: n('2026-05-01'), habits: { ...habits, daysOff: [2, 3, 4] } }, 26, n('2026-04-04') + 29],
  ] as const)('tells what stands in the way, and what could give: %s', (step, change, cureDays, saleOn) => {
    const { days, missed } = ask([season({ id: 'x' })], change);
    expect(days.size).toBe(0);
    expect(missed).toMatchObject([{ step, cureDays, saleOn }]);
  });

  it('never clashes, never overfills a day, never comes too late', () => {
    const any = fc.array(
      fc.record({
        mould: fc.constantFrom('Loaf', 'Slab', 'Column'),
        kept: fc.constantFrom('warm', 'let', 'cold'),
        pourHours: fc.constantFrom(0, 0, 4, 30),
      }),
      { minLength: 1, maxLength: 14 },
    );
    fc.assert(
      fc.property(any, fc.integer({ min: 35, max: 90 }), (rows, ahead) => {
        const batches = rows.map((r, i) =>
          season({
            id: `b${i}`,
            moulds: [{ name: r.mould, count: 1 }],
            kept: r.kept,
            pourHours: r.pourHours,
          }),
        );
        const today = n('2026-04-01');
        const { days, missed } = ask(batches, { sale: today + ahead });
        expect(days.size + missed.length).toBe(batches.length);
        const spans = batches.flatMap((b) => {
          const last = days.get(b.id);
          if (last === undefined) return [];
          const first = last - Math.floor(b.pourHours / 24);
          expect(first).toBeGreaterThanOrEqual(today);
          expect(last + habits.cureDays + habits.finishDays).toBeLessThanOrEqual(today + ahead);
          return [
            {
              ...spanOf(batch({ ...b, madeOn: '2026-01-01' }), habits),
              from: first,
              unmould: first + mouldDays(b, habits),
            },
          ];
        });
        for (let day = today; day <= today + ahead; day++) {
          for (const mould of ['Loaf', 'Slab', 'Column'])
            expect(inUse(spans, mould, day)).toBeLessThanOrEqual(1);
          const poured = spans.filter(
            (s) => day >= s.from && day <= s.from + Math.floor(s.batch.pourHours / 24),
          );
          expect(poured.length * habits.hoursABatch).toBeLessThanOrEqual(habits.hoursADay);
        }
      }),
      { numRuns: 80 },
    );
  });
});
