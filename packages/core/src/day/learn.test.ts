import { type Plan } from '../plan/plan.ts';
import { fourPotLoaf } from '../testing/plans.ts';
import { potPaces } from '../work/pace.ts';
import { logEntry, type LogEntry } from './entry.ts';
import { learnFrom } from './learn.ts';

const MINUTE = 60_000;
const plan = fourPotLoaf();
const at = (id: string, minutes: number, rest: Partial<LogEntry>): LogEntry =>
  logEntry({ id, at: 1e12 + minutes * MINUTE, kind: 'done', ...rest });
/** A day on which every pot came to light trace so many times later than the usual. */
const slowDay = (times: number, of: Plan = plan): LogEntry[] => [
  at('c', 0, { target: 'combine/combine' }),
  ...potPaces(of).map((p, i) =>
    at(`t${i}`, (p.light / of.work.pace) * times, { kind: 'thickness', potId: p.potId, value: 1 }),
  ),
];

describe('pace', () => {
  it('comes from the taps, shrunk towards the usual, nearer the more batches there are', () => {
    const after = (n: number): number =>
      learnFrom(Array.from({ length: n }, () => ({ plan, log: slowDay(1.5) }))).pace!.value;
    // The mean of n logarithms of 1.5 and three zeros.
    expect(after(1)).toBeCloseTo(1.5 ** (1 / 4), 9);
    expect(after(3)).toBeCloseTo(1.5 ** (3 / 6), 9);
    expect(after(300)).toBeCloseTo(1.5, 1);
    expect(learnFrom([{ plan, log: slowDay(1.5) }]).pace).toMatchObject({ usual: 1, batches: 1 });
  });

  it('does not count twice what a plan has taken over', () => {
    const taken = { ...plan, work: { ...plan.work, pace: 1.5 } };
    const own = learnFrom([{ plan: taken, log: slowDay(1.5, taken) }]).pace!.value;
    expect(own).toBeCloseTo(1.5 ** (1 / 4), 9);
  });

  it('one odd day cannot make it absurd', () => {
    const many = Array.from({ length: 100 }, () => ({ plan, log: slowDay(50) }));
    expect(learnFrom(many).pace!.value).toBe(3);
  });

  it('takes the first tap of each trace, none before the emulsion, none of pots that are gone, none taken back', () => {
    const first = slowDay(1);
    const again = at('x', 500, { kind: 'thickness', potId: 'Blue', value: 1 });
    const gone = at('y', 1, { kind: 'thickness', potId: 'nobody', value: 1 });
    const back = at('z', 600, { kind: 'thickness', potId: 'Blue', value: 3 });
    const voided = at('v', 601, { kind: 'voided', target: 'z' });
    expect(learnFrom([{ plan, log: [...first, again, gone, back, voided] }]).pace!.value).toBeCloseTo(1, 9);
    expect(learnFrom([{ plan, log: first.slice(1) }]).pace).toBeNull();
    expect(
      learnFrom([{ plan, log: [at('e', 5, { kind: 'thickness', potId: 'Blue', value: 0 })] }]).pace,
    ).toBeNull();
  });
});

it('minutes for a pot come from how long the steps took, pauses left out', () => {
  const log = [
    at('0', 0, { target: 'combine/holds' }),
    at('1', 8, { target: 'split/batter:common' }),
    at('2', 12, { target: 'colour/colour:Blue' }),
    at('3', 14, { target: 'colour/colour:Ochre' }),
    at('4', 100, { target: 'colour/colour:Green' }),
    at('5', 112, { target: 'pour/pour' }),
  ];
  const { minutes } = learnFrom([{ plan, log }]);
  // 8 min for four pots, 3 min on average for a colour, 12 min for four pots; three parts of the usual beside them.
  expect(minutes.split!.value).toBeCloseTo((2 + 3 * 1) / 4, 9);
  expect(minutes.colour!.value).toBeCloseTo((3 + 3 * 2) / 4, 9);
  expect(minutes.pour!.value).toBeCloseTo((3 + 3 * 2) / 4, 9);
  expect(minutes.top).toBeNull();
});

it('hours to unmould and to cut, by how the mould was kept', () => {
  const log = [
    at('p', 0, { target: 'pour/pour' }),
    at('u', 20 * 60, { target: 'unmould' }),
    at('k', 22 * 60, { target: 'after/cut' }),
  ];
  const warm = { ...plan, work: { ...plan.work, heat: 'force' as const } };
  const learned = learnFrom([{ plan: warm, log }]);
  expect(learned.unmould.warm!.value).toBeCloseTo((20 + 3 * 18) / 4, 9);
  expect(learned.cut.warm!.value).toBeCloseTo((22 + 3 * 18) / 4, 9);
  expect([learned.unmould.let, learned.unmould.cold]).toEqual([null, null]);
});

it('tells the hours of recipes that are alike apart', () => {
  const log = [at('p', 0, { target: 'pour/pour' }), at('u', 30 * 60, { target: 'unmould' })];
  const shifted = (by: number): Plan => ({
    ...plan,
    base: {
      ...plan.base,
      oils: plan.base.oils.map((o, i) => ({ ...o, percent: o.percent + (i === 0 ? by : i === 1 ? -by : 0) })),
    },
  });
  const near = { plan: shifted(15), log };
  const far = { plan: shifted(16), log };
  expect(learnFrom([near], plan).alike.unmould!.value).toBeCloseTo((30 + 3 * 36) / 4, 9);
  expect(learnFrom([far], plan).alike.unmould).toBeNull();
  expect(learnFrom([near]).alike.unmould).toBeNull();
});

it('nothing logged, nothing learned', () => {
  expect(learnFrom([])).toMatchObject({ pace: null, unmould: { warm: null, let: null, cold: null } });
  expect(learnFrom([{ plan, log: [] }]).pace).toBeNull();
});
