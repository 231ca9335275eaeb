import fc from 'fast-check';
import { flowOf, type Flow, potComposition, totalOf } from '../balance/index.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { labOf } from '../pigment/composition.ts';
import { cured } from '../pigment/stage.ts';
import { prepSheet } from '../work/prep.ts';
import { dose, planWith, pot, scentOf, tenthGramScale } from '../testing/plans.ts';
import { actualsOf } from './actuals.ts';
import { cupIdOf, cupsOf } from './cups.ts';
import { type EntryKind, type EntryWay, type LogEntry } from './entry.ts';
import { mergeLogs, stampAfter, standing } from './merge.ts';
import { plainPrinter } from '../units/printer.ts';
import { nextCupLabel, testCupsOf } from './testCups.ts';
import { verdictOf } from './verdict.ts';
import { weighableLine } from './weighedLine.ts';
import { sayEntry } from './words.ts';

const BLUE = 'ultramarine-blue';
/** 1,000 g of oils; two pots of 500 g and what is scented last. */
const plan = planWith(
  [
    { ...pot('Blue', 1, dose(BLUE, 5)), scented: true },
    { ...pot('Red', 1, dose('titanium-dioxide-oil', 4)), scented: true },
  ],
  { scent: scentOf('scent-limewash', 30) },
);
const cup = cupIdOf('Blue', BLUE);
let made = 0;
const say = (
  kind: EntryKind,
  potId: string,
  by: EntryWay,
  value: number,
  rest: Partial<LogEntry> = {},
): LogEntry => {
  const n = ++made;
  return {
    id: `e${String(n).padStart(6, '0')}`,
    at: n * 1000,
    kind,
    potId,
    target: '',
    by,
    value,
    text: '',
    ...rest,
  };
};
const batch = (...log: readonly LogEntry[]) => {
  const actuals = actualsOf(plan, tenthGramScale, log);
  return { ...actuals, flow: flowOf(actuals.plan, actuals.weighed) };
};
const potOf = (flow: Flow, id: string) => flow.pots.find((p) => p.pot.id === id)!;
const powderIn = (flow: Flow, id: string, material = BLUE): number =>
  potOf(flow, id).tint[plan.materials.findIndex((m) => m.id === material)]!;

it('without a word everything is as planned', () => {
  const { flow, weighed, unplaced } = batch();
  expect(flow.mass).toBeCloseTo(flowOf(plan).mass, 9);
  expect([weighed.pots, unplaced.size]).toEqual([{}, 0]);
});

describe('out of a cup', () => {
  // 5 g/kg over 500 g of oils: 2.5 g of powder in twice its weight of oil.
  const [blue] = cupsOf(prepSheet(plan, tenthGramScale));
  it('a cup holds the measured powder and its liquid', () => {
    expect([blue!.powder, blue!.liquid, blue!.dropMass]).toEqual([2.5, 5, 0.04]);
  });
  it.each([
    ['part', 0.5, 1.25, 0.5],
    ['drops', 30, (30 * 0.04) / 3, 1 - (30 * 0.04) / 7.5],
    ['grams', 3, 1, 1 - 3 / 7.5],
    ['left', 1.5, 2, 0.2],
    ['rest', 0, 2.5, 0],
    // More than it holds: as it was said.
    ['part', 1.2, 3, -0.2],
    // It cannot have had more in it than it was made up with.
    ['left', 9, 0, 1],
  ] as const)('%s %s', (by, value, powder, left) => {
    const { flow, left: rest } = batch(say('added', 'Blue', by, value, { target: cup }));
    expect(powderIn(flow, 'Blue')).toBeCloseTo(powder, 9);
    expect(potOf(flow, 'Blue').doses[0]!.liquid).toBeCloseTo(2 * powder, 9);
    expect(rest.get(cup)).toBeCloseTo(left, 9);
  });
  it('step by step, and a mistake taken back', () => {
    const wrong = say('added', 'Blue', 'part', 0.5, { target: cup });
    const log = [
      say('added', 'Blue', 'part', 0.25, { target: cup }),
      wrong,
      say('added', 'Blue', 'part', 0.25, { target: cup }),
      say('voided', '', '', 0, { target: wrong.id }),
    ];
    expect(powderIn(batch(...log).flow, 'Blue')).toBeCloseTo(1.25, 9);
    expect(standing(log)).toHaveLength(2);
  });
  it('what is left of one pot’s cup goes into another: nothing is lost or counted twice', () => {
    const { flow } = batch(
      say('added', 'Blue', 'part', 0.5, { target: cup }),
      say('added', 'Red', 'rest', 0, { target: cup }),
    );
    expect([powderIn(flow, 'Blue'), powderIn(flow, 'Red')]).toEqual([1.25, 1.25]);
    // Said of the other pot alone: the rest goes where it was meant to go.
    const other = batch(say('added', 'Red', 'part', 0.25, { target: cup })).flow;
    expect(powderIn(other, 'Blue')).toBeCloseTo(1.875, 9);
  });
  it('a cup or a pot that is not there is told, and changes nothing', () => {
    const lost = [
      say('added', 'Gone', 'part', 1, { target: cup }),
      say('added', 'Blue', 'part', 1, { target: 'x' }),
    ];
    const { unplaced, flow } = batch(...lost);
    expect([...unplaced]).toEqual(lost.map((e) => e.id));
    expect(flow.mass).toBeCloseTo(flowOf(plan).mass, 9);
  });
});

describe('the size of a pot', () => {
  const planned = potOf(flowOf(plan), 'Blue').draws[0]!;
  it.each([
    ['grams', 600, 600],
    ['fraction', 0.75, 0.75 * planned.mass],
    ['millilitres', 500, (500 * planned.mass) / planned.volume],
  ] as const)('by %s', (by, value, mass) => {
    const { flow } = batch(say('sized', 'Blue', by, value));
    expect(potOf(flow, 'Blue').draws[0]!.mass).toBeCloseTo(mass, 6);
    expect(flow.pots.reduce((s, p) => s + p.oils, 0)).toBeCloseTo(1000, 6);
  });
  it('doses still to come follow it, and what is in stays in', () => {
    const small = batch(say('sized', 'Blue', 'fraction', 0.5)).flow;
    expect(powderIn(small, 'Blue')).toBeCloseTo(1.25, 6);
    const after = batch(
      say('added', 'Blue', 'part', 1, { target: cup }),
      say('sized', 'Blue', 'fraction', 0.5),
    ).flow;
    expect(powderIn(after, 'Blue')).toBeCloseTo(2.5, 6);
  });
});

describe('from one pot into another', () => {
  it('takes what was in it at that moment', () => {
    const { flow } = batch(
      say('added', 'Blue', 'part', 0.5, { target: cup }),
      say('took', 'Blue', 'fraction', 0.4, { target: 'new', text: 'Pale' }),
      say('added', 'Blue', 'rest', 0, { target: cup }),
    );
    expect(powderIn(flow, 'new')).toBeCloseTo(0.4 * 1.25, 6);
    expect(powderIn(flow, 'Blue')).toBeCloseTo(0.6 * 1.25 + 1.25, 6);
    expect(potOf(flow, 'new').oils).toBeCloseTo(200, 6);
    expect(potOf(flow, 'new').pot.name).toBe('Pale');
  });
  it('pools several, and a pot can give and take without drawing from itself', () => {
    const { flow, unplaced } = batch(
      say('took', 'Blue', 'grams', 50, { target: 'pool', text: 'Leftovers' }),
      say('took', 'Red', 'grams', 30, { target: 'pool', text: 'Leftovers' }),
      say('took', 'Blue', 'grams', 40, { target: 'Red' }),
      say('took', 'Red', 'fraction', 0.5, { target: 'Blue' }),
    );
    expect(flow.cyclic.size).toBe(0);
    expect(unplaced.size).toBe(0);
    expect(potOf(flow, 'pool').draws.reduce((s, d) => s + d.mass, 0)).toBeCloseTo(80, 6);
    expect(flow.pots.reduce((s, p) => s + p.oils * Math.max(0, 1 - p.drawnOff), 0)).toBeCloseTo(1000, 6);
  });
  it('a test cup is what the pot was at that moment, and no bar', () => {
    const cup = say('spared', 'Blue', 'grams', 40, { text: nextCupLabel([], 'Blue', 'Blue') });
    const { flow } = batch(cup);
    const [kept] = testCupsOf([cup]);
    expect(kept).toMatchObject({ of: 'Blue', label: 'Blue, cup 1' });
    const pot = flow.pots.find((p) => p.pot.id === kept!.potId)!;
    expect([pot.pot.name, pot.pot.place, pot.toMould]).toEqual(['Blue, cup 1', 'spare', 0]);
    expect(pot.draws[0]!.mass).toBeCloseTo(40, 6);
    expect(nextCupLabel([cup], 'Blue', 'Blue')).toBe('Blue, cup 2');
    // What went into a spare mould without a name is no cup.
    expect(testCupsOf([say('spared', 'Blue', 'grams', 40)])).toEqual([]);
  });
  it('what goes into a spare mould is in no bar', () => {
    const { flow } = batch(say('spared', 'Blue', 'grams', 100));
    const spare = flow.pots.find((p) => p.pot.id.startsWith('spare:'))!;
    expect([spare.pot.place, spare.toMould]).toEqual(['spare', 0]);
    expect(spare.draws[0]!.mass).toBeCloseTo(100, 6);
  });
});

it('scent that only some of a pot got', () => {
  const all = potOf(flowOf(plan), 'Blue').scent;
  expect(potOf(batch(say('scented', 'Blue', 'fraction', 0.25)).flow, 'Blue').scent).toBeCloseTo(all / 4, 6);
  expect(potOf(batch(say('scented', 'Blue', 'fraction', 0)).flow, 'Blue').scent).toBe(0);
});

it('batch oil that stays in a cup never meets the batter', () => {
  const own = planWith([{ ...pot('Blue', 1, { ...dose(BLUE, 5), source: 'batch' }) }, pot('White', 1)]);
  const white = (log: readonly LogEntry[]): number => {
    const { plan: p, weighed } = actualsOf(own, tenthGramScale, log);
    return potOf(flowOf(p, weighed), 'White').superfat!;
  };
  // The white pot got no carrier either way: what the blue one left in its cup changes nothing for it.
  expect(white([say('added', 'Blue', 'part', 0.5, { target: cup })])).toBeCloseTo(white([]), 6);
});

describe('lye and oils that were weighed otherwise', () => {
  const line = (id: string, value: number) => say('weighed', '', 'grams', value, { target: id });
  const planned = flowOf(plan).lyes[0]!;

  it('more lye leaves less superfat in every pot', () => {
    const { flow, unplaced } = batch(line('naoh:common', planned.naoh * 1.03));
    // All oils take naoh / 0.95, so 1 − 0.95 × 1.03 of them is left, and a little more where a carrier came in.
    for (const p of flow.pots) expect(p.superfat! * 100).toBeGreaterThan(2.15 - 1e-6);
    expect(potOf(flow, 'Red').superfat! * 100).toBeLessThan(4);
    expect(flow.lyes[0]!.naoh).toBeCloseTo(planned.naoh * 1.03, 9);
    expect(unplaced.size).toBe(0);
  });

  it('an oil weighed short makes a smaller batch; the last word on a line counts', () => {
    const olive = planned.rows[0]!;
    const id = `oil:common:${olive.materialId}`;
    const { flow } = batch(line(id, olive.mass - 50), line(id, olive.mass - 20));
    expect(flow.lyes[0]!.oils).toBeCloseTo(980, 9);
    expect(flow.pots.reduce((s, p) => s + p.oils, 0)).toBeCloseTo(980, 6);
  });

  it('stands beside what was said of the pots', () => {
    const { flow } = batch(
      line('naoh:common', 120),
      say('added', 'Blue', 'part', 0.5, { target: cup }),
      say('scented', 'Red', 'fraction', 0.25),
    );
    expect(flow.lyes[0]!.naoh).toBeCloseTo(120, 9);
    expect(powderIn(flow, 'Blue')).toBeCloseTo(1.25, 9);
    expect(potOf(flow, 'Red').scent).toBeCloseTo(potOf(flowOf(plan), 'Red').scent / 4, 6);
  });

  it.each([
    ['naoh:common', { lye: '', what: 'naoh', materialId: '' }],
    ['koh:pot-1', { lye: 'pot-1', what: 'koh', materialId: '' }],
    ['oil:common:oil-olive', { lye: '', what: 'oil', materialId: 'oil-olive' }],
    ['oil:common', null],
    ['liquid:common:water', { lye: '', what: 'liquid', materialId: 'water' }],
    ['combine:pour', null],
  ])('%s', (id, found) => {
    expect(weighableLine(id)).toEqual(found);
  });
});

describe('two devices', () => {
  const entries: fc.Arbitrary<LogEntry> = fc
    .record({
      at: fc.integer({ min: 0, max: 5000 }),
      id: fc.uuid(),
      what: fc.constantFrom<readonly [EntryKind, EntryWay, string]>(
        ['added', 'part', cup],
        ['added', 'rest', cup],
        ['added', 'grams', cupIdOf('Red', 'titanium-dioxide-oil')],
        ['sized', 'fraction', ''],
        ['took', 'fraction', 'pool'],
        ['took', 'grams', 'Red'],
        ['spared', 'fraction', ''],
        ['scented', 'fraction', ''],
      ),
      potId: fc.constantFrom('Blue', 'Red', 'pool', 'gone'),
      value: fc.integer({ min: 0, max: 100 }),
    })
    .map(({ at, id, what: [kind, by, target], potId, value }) => ({
      id,
      at,
      kind,
      potId,
      target,
      by,
      value: by === 'grams' ? value / 20 : value / 100,
      text: 'Pool',
    }));
  const log = fc.uniqueArray(entries, { maxLength: 12, selector: (e) => e.id });

  it('come to the same batch whatever arrives first, once or twice', () => {
    fc.assert(
      fc.property(log, fc.array(fc.nat()), (all, picks) => {
        const one = all.filter((_, i) => (picks[i] ?? 0) % 3 !== 0);
        const two = all.filter((_, i) => (picks[i] ?? 0) % 3 !== 1).reverse();
        const here = mergeLogs(mergeLogs(one, two), two);
        const there = mergeLogs(two, one);
        expect(here).toEqual(there);
        expect(batch(...here).weighed).toEqual(batch(...[...there].reverse()).weighed);
      }),
      { numRuns: 60 },
    );
  });

  it('what goes in comes out, with any log', () => {
    fc.assert(
      fc.property(log, (all) => {
        const { flow, left, cups } = batch(...all);
        // A pot cannot give more than it holds: such plans are told by a check, and have no balance to look at.
        fc.pre(flow.pots.every((p) => p.drawnOff <= 1 + 1e-9) && flow.unallocated >= -1e-9);
        const oils = flow.pots.reduce((s, p) => s + p.oils * Math.max(0, 1 - p.drawnOff), 0);
        expect(oils + flow.unallocated * 1000).toBeCloseTo(1000, 3);
        for (const c of cups) {
          if (left.get(c.id) === 1) continue;
          const used = (1 - Math.min(1, left.get(c.id)!)) * c.powder;
          // What nobody spoke of in its own pot is there as well.
          const spoken = all.some((e) => e.kind === 'added' && e.target === c.id && e.potId === c.potId);
          const total = totalOf(flow, flow.ledger.material(c.material.id));
          expect(total).toBeCloseTo(spoken ? used : Math.max(c.powder, used), 6);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('a clock that jumps back puts nothing before what it answers', () => {
    const first = say('noted', '', '', 0, { at: 5000 });
    expect(stampAfter([first], 4000)).toBe(5001);
    expect(stampAfter([first], 5001)).toBe(5001);
    expect(stampAfter([first], 6000)).toBe(6000);
    expect(stampAfter([], 6000)).toBe(6000);
  });
});

describe('in words', () => {
  const names = {
    pot: (id: string) => id,
    cup: (id: string) => `cup ${id}`,
    step: (id: string) => `step ${id}`,
    line: (id: string) => `line ${id}`,
  };
  it.each([
    ['added', 'part', 0.75, {}, 'Blue: cup c, three quarters of the cup'],
    ['added', 'drops', 1, {}, 'Blue: cup c, 1 drop'],
    ['added', 'grams', 3.2, {}, 'Blue: cup c, 3.2 g of the dispersion'],
    ['added', 'left', 1, {}, 'Blue: cup c, the cup weighs 1.0 g now'],
    ['sized', 'fraction', 0.75, {}, 'Blue: about 75 % of the planned batter'],
    ['sized', 'millilitres', 400, {}, 'Blue: 400 ml of batter'],
    ['took', 'fraction', 0.3, { target: 'Pale' }, '30 % of Blue into Pale'],
    ['spared', 'grams', 80, {}, '80.0 g of Blue into a spare mould'],
    ['spared', 'grams', 40, { text: 'Blue, cup 1' }, '40.0 g of Blue into the test cup “Blue, cup 1”'],
    ['scented', 'fraction', 0, {}, 'Blue: nothing of its scent'],
    ['thickness', '', 2, {}, 'Blue: medium trace'],
    ['noted', '', 0, { potId: '', text: 'Too warm' }, 'Too warm'],
    ['weighed', 'grams', 145, {}, 'line c: 145.0 g weighed'],
    ['done', '', 0, {}, 'Done: step c'],
    ['skipped', '', 0, { text: 'no scent' }, 'Left out: step c, no scent'],
    ['decided', '', 0, {}, 'Decided: the simpler design'],
    ['timed', '', 20, { text: 'Oven' }, 'Timer: Oven, 20 min'],
  ] as const)('%s %s %s', (kind, by, value, rest, text) => {
    expect(sayEntry(say(kind, 'Blue', by, value, { target: 'c', ...rest }), names, plainPrinter)).toBe(text);
  });
});

describe('at the pot', () => {
  const stage = cured();
  const verdict = (...log: readonly LogEntry[]) => verdictOf(plan, tenthGramScale, log, 'Blue', stage)!;
  it('leaves a pot alone that will come to its colour', () => {
    const v = verdict();
    expect([v.off, v.near, v.add]).toEqual([0, true, null]);
    expect(verdict(say('added', 'Blue', 'part', 0.9, { target: cup })).add).toBeNull();
    // Fresh batter is another colour than the bar.
    expect(deltaE00(v.now, v.settled)).toBeGreaterThan(2);
  });
  it('asks for more of the cup, by how much nearer that comes', () => {
    const v = verdict(say('added', 'Blue', 'part', 0.25, { target: cup }));
    expect(v.off).toBeGreaterThan(4);
    // Three quarters are left: all of them make it as planned.
    expect(v.add).toMatchObject({ ofRest: 1 });
    expect(v.add!.cup.id).toBe(cup);
    expect(v.add!.then).toBeLessThan(0.1);
  });
  it('leaves what has too much: colour cannot be taken out', () => {
    const { off, add } = verdict(say('added', 'Blue', 'part', 2, { target: cup }));
    expect(off).toBeGreaterThan(2);
    expect(add).toBeNull();
  });
  it('a pot that was not planned has nothing to come to', () => {
    const log = [say('took', 'Blue', 'fraction', 0.5, { target: 'new', text: 'Pale' })];
    const v = verdictOf(plan, tenthGramScale, log, 'new', stage)!;
    expect([v.wanted, v.off, v.add]).toEqual([null, 0, null]);
    const { plan: p, weighed } = actualsOf(plan, tenthGramScale, log);
    const blue = potComposition(
      p,
      p.pots.find((q) => q.id === 'Blue')!,
      undefined,
      flowOf(p, weighed),
    );
    expect(deltaE00(v.settled, labOf(blue, stage))).toBeLessThan(0.5);
    expect(verdictOf(plan, tenthGramScale, log, 'gone', stage)).toBeNull();
  });
});
