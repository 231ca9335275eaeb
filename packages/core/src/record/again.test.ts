import fc from 'fast-check';
import { flowOf } from '../balance/balance.ts';
import { type Flow } from '../balance/flow.ts';
import { potComposition } from '../balance/potComposition.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { actualsOf } from '../day/actuals.ts';
import { cupIdOf } from '../day/cups.ts';
import { logEntry, type LogEntry } from '../day/entry.ts';
import { labOf } from '../pigment/composition.ts';
import { cured } from '../pigment/stage.ts';
import { integrityProblems } from '../plan/integrity.ts';
import { plainMould } from '../plan/moulding.ts';
import { type Draw, type Plan } from '../plan/plan.ts';
import { randomPlan } from '../../test/randomPlan.ts';
import { dose, fourPotLoaf, planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { goneFrom, inMould, mouldsTimes, onBase, scaled, withSubstitute } from './again.ts';
import { asMade } from './asMade.ts';

const draw = (change: Partial<Draw>): Draw => ({
  id: 'base',
  from: null,
  by: 'parts',
  value: 1,
  second: 0,
  ...change,
});

/** Masses of everything in every pot, by its name. */
const massesOf = (flow: Flow): Record<string, readonly number[]> =>
  Object.fromEntries(flow.pots.map((p) => [p.pot.id, [...p.contents]]));

describe('made again at another size', () => {
  it('is k times everything, whatever the plan', () => {
    fc.assert(
      fc.property(randomPlan, fc.double({ min: 0.2, max: 5, noNaN: true }), (plan, k) => {
        const before = flowOf(plan);
        const after = flowOf(scaled(plan, k));
        for (const { pot: p, contents } of before.pots) {
          const again = after.pots.find((f) => f.pot.id === p.id)!.contents;
          contents.forEach((mass, i) => {
            expect(Math.abs(again[i]! - k * mass)).toBeLessThan(1e-6 * Math.max(1, k * before.mass));
          });
        }
        after.lyes.forEach((l, i) => {
          const was = before.lyes[i]!;
          expect(l.naoh).toBeCloseTo(was.naoh * k, 4);
          expect(l.liquid).toBeCloseTo(was.liquid * k, 4);
        });
        expect(integrityProblems(scaled(plan, k))).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('says what was a place in the mould as a part of the batter', () => {
    const mould = { ...plainMould('Loaf', 'box'), length: 250, width: 80, height: 65 };
    const plan: Plan = {
      ...planWith([
        { ...pot('Low', 1), draws: [draw({ by: 'layer', value: 20 })] },
        pot('High', 1, dose('red-iron-oxide', 2)),
      ]),
      moulding: { ...planWith([]).moulding, moulds: [{ id: 'm', count: 1, mould }] },
    };
    const twice = scaled(plan, 2);
    expect(twice.pots[0]!.draws[0]!.by).toBe('percent');
    const [low, again] = [plan, twice].map((p) => flowOf(p).pots[0]!.mass);
    expect(again! / low!).toBeCloseTo(2, 6);
    const tall = inMould(plan, { ...mould, height: 97.5 }, 2);
    expect(tall.base.totalOils).toBeCloseTo(plan.base.totalOils * 3, 6);
    expect(tall.moulding.moulds).toMatchObject([{ count: 2, mould: { height: 97.5 } }]);
    expect(mouldsTimes(twice, 2).moulding.moulds[0]!.count).toBe(2);
    expect(mouldsTimes(twice, 1.5).moulding.moulds[0]!.count).toBe(1);
  });

  it('refuses nothing and less', () => {
    expect(() => scaled(fourPotLoaf(), 0)).toThrow('A batch cannot be made 0 times');
  });
});

describe('as it was made', () => {
  const plan = planWith(
    [
      pot('Blue', 3, dose('ultramarine-blue', 5)),
      { ...pot('Ochre', 2, dose('yellow-iron-oxide', 3)), scented: true },
      { ...pot('Pale', 0), draws: [draw({ from: 'Blue', by: 'percent', value: 20 })] },
    ],
    { scent: scentOf('scent-limewash', 30) },
  );
  let at = 0;
  const said = (entry: Partial<LogEntry> & Pick<LogEntry, 'kind'>): LogEntry => {
    at += 1;
    return logEntry({ id: `e${at}`, at, ...entry });
  };
  const cup = (potId: string, id: string): string => cupIdOf(potId, id);
  const logs: Readonly<Record<string, readonly LogEntry[]>> = {
    'nothing was said': [],
    'half a cup': [
      said({ kind: 'added', potId: 'Blue', target: cup('Blue', 'ultramarine-blue'), by: 'part', value: 0.5 }),
    ],
    'a smaller pot': [said({ kind: 'sized', potId: 'Ochre', by: 'fraction', value: 0.7 })],
    'half the scent': [said({ kind: 'scented', potId: 'Ochre', by: 'fraction', value: 0.5 })],
    'no scent': [said({ kind: 'scented', potId: 'Ochre', by: 'fraction', value: 0 })],
    'a pot poured into another': [
      said({ kind: 'took', potId: 'Blue', target: 'Ochre', by: 'fraction', value: 0.25 }),
    ],
    'a pot that came up': [
      said({
        kind: 'added',
        potId: 'Blue',
        target: cup('Blue', 'ultramarine-blue'),
        by: 'part',
        value: 0.75,
      }),
      said({ kind: 'took', potId: 'Blue', target: 'mist', by: 'fraction', value: 0.3, text: 'Mist' }),
      said({
        kind: 'added',
        potId: 'mist',
        target: cup('Ochre', 'yellow-iron-oxide'),
        by: 'part',
        value: 0.25,
      }),
    ],
    'another cup in it': [
      said({
        kind: 'added',
        potId: 'Blue',
        target: cup('Ochre', 'yellow-iron-oxide'),
        by: 'part',
        value: 0.3,
      }),
    ],
  };
  it.each(Object.keys(logs))('is the plan that gives the same pots: %s', (name) => {
    const actuals = actualsOf(plan, tenthGramScale, logs[name]!);
    const made = asMade(actuals);
    expect(integrityProblems(made)).toEqual([]);
    const really = flowOf(actuals.plan, actuals.weighed);
    const again = flowOf(made);
    for (const p of made.pots) {
      const was = really.pots.find((f) => f.pot.id === p.id)!;
      const is = again.pots.find((f) => f.pot.id === p.id)!;
      const net = (f: typeof is): number => f.oils * Math.max(0, 1 - f.drawnOff);
      expect(net(is)).toBeCloseTo(net(was), 3);
      const lab = (of: Plan, flow: Flow) =>
        labOf(
          potComposition(
            of,
            of.pots.find((q) => q.id === p.id)!,
            undefined,
            flow,
          ),
          cured(1),
        );
      expect(deltaE00(lab(actuals.plan, really), lab(made, again))).toBeLessThan(0.05);
    }
  });

  it('takes lye and oils that weighed otherwise into the recipe', () => {
    const log = [said({ kind: 'weighed', target: 'naoh:common', by: 'grams', value: 130 })];
    const actuals = actualsOf(plan, tenthGramScale, log);
    const made = asMade(actuals);
    const [lye] = flowOf(made).lyes;
    expect(lye!.naoh).toBeCloseTo(flowOf(actuals.plan, actuals.weighed).lyes[0]!.naoh, 1);
    expect(made.base.superfat).not.toBe(plan.base.superfat);
  });

  it('is nothing but the plan where nothing was said', () => {
    expect(massesOf(flowOf(asMade(actualsOf(plan, tenthGramScale, []))))).toEqual(massesOf(flowOf(plan)));
  });
});

it('stands on another base with its colours', () => {
  const next = onBase(fourPotLoaf(), {
    oils: [
      { material: shelfItem('oil-lard'), percent: 60 },
      { material: shelfItem('oil-coconut'), percent: 40 },
    ],
    superfat: 6,
    lye: fourPotLoaf().base.lye,
    liquid: { ...fourPotLoaf().base.liquid, value: 30 },
    temperature: 28,
  });
  expect(integrityProblems(next)).toEqual([]);
  expect(next.base).toMatchObject({ superfat: 6, temperature: 28, totalOils: 1000 });
  expect(next.materials.some((m) => m.id === 'oil-olive')).toBe(false);
  expect(next.pots).toEqual(fourPotLoaf().pots);
});

it('puts another material in the place of one, and tells which are gone', () => {
  const plan = planWith(fourPotLoaf().pots, { scent: scentOf('scent-limewash', 30) });
  const other = withSubstitute(plan, 'scent-limewash', shelfItem('scent-wet-slate'));
  expect(other.base.scent!.parts[0]!.materialId).toBe('scent-wet-slate');
  expect(other.materials.map((m) => m.id)).not.toContain('scent-limewash');
  const oxide = withSubstitute(plan, 'yellow-iron-oxide', shelfItem('titanium-dioxide-water'));
  expect(oxide.pots[1]!.doses[0]).toMatchObject({
    materialId: 'titanium-dioxide-water',
    dose: 3,
    carrier: { medium: 'water' },
  });
  expect(integrityProblems(oxide)).toEqual([]);
  const shelf = new Map(plan.materials.filter((m) => m.id !== 'ultramarine-blue').map((m) => [m.id, m]));
  expect(goneFrom(plan, shelf).map((m) => m.id)).toEqual(['ultramarine-blue']);
});
