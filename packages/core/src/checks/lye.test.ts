import { flowOf } from '../balance/balance.ts';
import { superfatWithLye } from '../balance/lye.ts';
import { portionScentLimit } from '../balance/scentLimit.ts';
import { setPot } from '../plan/edit/index.ts';
import {
  type AdditiveMoment,
  type Base,
  type LiquidKind,
  newPot,
  type Plan,
  type Pot,
} from '../plan/plan.ts';
import { dose, planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { type Check } from './check.ts';
import { checkPlan } from './index.ts';

const all = (plan: Plan, id: string): Check[] =>
  checkPlan(plan, { measuring: tenthGramScale }).filter((c) => c.id === id);
const find = (plan: Plan, id: string): Check | undefined => all(plan, id)[0];
const olive = [{ id: 'o', materialId: 'oil-olive', percent: 100 }];
/** Lye of 1,000 g olive oil (190) at 5 %: 190 / 56.105 × 39.997 × 0.95 = 128.68 g. */
const LYE = 128.677;
const liquid = (change: Partial<Base['liquid']>): Pick<Base, 'liquid'> => ({
  liquid: { by: 'ratio', value: 2, parts: [], heldBack: grams(0), ...change },
});
const part = (kind: LiquidKind, percent: number): Base['liquid']['parts'] => [
  { id: kind, name: kind, kind, percent },
];
const additive = (materialId: string, value: number, moment: AdditiveMoment, id = moment as string) => ({
  id,
  materialId,
  dose: gramsPerKg(value),
  perBar: null,
  moment,
});
const superfats = (plan: Plan): number[] => flowOf(plan).pots.map((p) => p.superfat! * 100);

describe('water for the lye', () => {
  const of = (kind: LiquidKind, ratio: number, percent = 100): Check | undefined =>
    find(
      planWith([pot('A', 1)], { oils: olive, ...liquid({ value: ratio, parts: part(kind, percent) }) }),
      'lye-liquid',
    );

  it.each([
    // tinned coconut milk is 70 % water: 1.2 × the lye of it is 0.84 × in water
    ['coconut-milk', 1.2, 'stop', '0.84'],
    ['coconut-milk', 1.46, 'warn', '1.02'],
    ['coconut-milk', 1.42, 'stop', '0.99'],
    ['milk', 1.37, 'warn', '1.19'],
    ['milk', 1.39, 'tip', '1.21'],
    ['milk', 1.72, 'tip', '1.5'],
    ['milk', 1.73, undefined, ''],
    ['puree', 1.32, 'warn', '1.19'],
    ['tea', 1.2, 'tip', '1.2'],
  ] as const)('%s at %d times the lye', (kind, ratio, level, figure) => {
    const found = of(kind, ratio);
    expect(found?.level).toBe(level);
    expect(found?.sentence ?? '').toContain(figure);
  });

  it('counts half a liquid by half', () => {
    // half cow's milk: 0.5 + 0.5 × 0.87 = 93.5 % water; 1.28 × 0.935 = 1.197
    expect(of('milk', 1.28, 50)?.level).toBe('warn');
    expect(of('milk', 1.29, 50)?.level).toBe('tip');
  });

  it('stops parts of more than the whole, and shrinks them', () => {
    const plan = planWith([pot('A', 1)], liquid({ parts: [...part('milk', 80), ...part('tea', 40)] }));
    expect(find(plan, 'liquid-parts')!.level).toBe('stop');
    const mended = find(plan, 'liquid-parts')!.repairs![0]!.apply(plan);
    expect(mended.base.liquid.parts.map((p) => p.percent)).toEqual([66.66, 33.33]);
    expect(find(mended, 'liquid-parts')).toBeUndefined();
    expect(
      find(planWith([pot('A', 1)], liquid({ parts: part('milk', 100) })), 'liquid-parts'),
    ).toBeUndefined();
  });

  it('looks at the lye of a mini-batch by itself', () => {
    const own: Pot = {
      ...pot('Own', 1),
      ownLye: true,
      ownOils: [{ id: 'c', materialId: 'oil-coconut', percent: 100 }],
    };
    // coconut takes 257: as liquid goes by the oils, its lye is stronger than that of olive (190)
    const plan = planWith([pot('A', 1), own], { oils: olive, ...liquid({ by: 'percent', value: 25 }) });
    expect(find(plan, 'lye-liquid')!.sentence).toContain('of Own');
    expect(find(plan, 'lye-concentration')!.sentence).toContain('Own');
  });

  it('counts the fat of milk as oil', () => {
    // 2 × 128.68 = 257.35 g coconut milk, 20 % fat that takes 257: 51.47 × 257 = 13,228 beside 190,000
    const plan = planWith([pot('A', 1)], { oils: olive, ...liquid({ parts: part('coconut-milk', 100) }) });
    expect(superfats(plan)[0]).toBeCloseTo(100 * (1 - (0.95 * 190_000) / (190_000 + 13_228)), 1);
  });
});

it('the superfat of other lye than planned', () => {
  // 1,000 g olive take 135.45 g: 130 g leave 1 − 130 / 135.45
  const plan = planWith([], { oils: olive });
  expect(superfatWithLye(plan, LYE)).toBeCloseTo(5, 3);
  expect(superfatWithLye(plan, 130)).toBeCloseTo(100 * (1 - 130 / (LYE / 0.95)), 3);
  expect(superfatWithLye(plan, 140)).toBeLessThan(0);
  expect(superfatWithLye(planWith([], { oils: [] }), 100)).toBeNull();
});

describe('acids take lye where they go', () => {
  const acid = 'citric-acid';
  const demand = shelfItem(acid).lyeDemand;
  const lyeOf = (plan: Plan): number => flowOf(plan).lyes.reduce((sum, l) => sum + l.naoh, 0);
  const base = (...additives: Base['additives'][number][]): Plan =>
    planWith([pot('A', 1), pot('B', 1)], { oils: olive, additives });

  it('in the lye water and at trace they are in the lye, on the top they take none', () => {
    expect(lyeOf(base())).toBeCloseTo(LYE, 2);
    expect(lyeOf(base(additive(acid, 10, 'lye-water')))).toBeCloseTo(LYE + 10 * demand, 2);
    expect(lyeOf(base(additive(acid, 10, 'trace')))).toBeCloseTo(LYE + 10 * demand, 2);
    expect(lyeOf(base(additive(acid, 10, 'top')))).toBeCloseTo(LYE, 2);
  });

  it('two rows of one acid are its sum, and every pot keeps its superfat', () => {
    const plan = base(additive(acid, 6, 'lye-water'), additive(acid, 4, 'oils'));
    expect(lyeOf(plan)).toBeCloseTo(LYE + 10 * demand, 2);
    for (const s of superfats(plan)) expect(s).toBeCloseTo(5, 6);
  });

  it('as a dose of one pot they raise that pot alone', () => {
    const dosed = { ...dose(acid, 10), carrier: null };
    const plan = planWith([pot('A', 1, dosed), pot('B', 1)], { oils: olive });
    expect(lyeOf(plan)).toBeCloseTo(LYE, 2);
    const [a, b] = superfats(plan);
    // 500 g: lye 64.34 g less 5 × demand, against 67.72 g that its oils take
    expect(a).toBeCloseTo(100 * (1 - (LYE / 2 - 5 * demand) / (LYE / 2 / 0.95)), 2);
    expect(b).toBeCloseTo(5, 6);
  });

  it('names the acid where a pot is taken off before it, and puts it into the lye water', () => {
    const early: Pot = { ...pot('Early', 1), taken: 'emulsion' };
    const plan = planWith([early, pot('Late', 1)], { oils: olive, additives: [additive(acid, 10, 'trace')] });
    const found = find(plan, 'pot-superfat')!;
    expect(found).toMatchObject({ level: 'warn', place: { at: 'pot', potId: 'Early' } });
    expect(found.arithmetic).toContain(shelfItem(acid).name);
    expect(find(found.repairs![0]!.apply(plan), 'pot-superfat')).toBeUndefined();
  });
});

describe('superfat of the rest', () => {
  /** Oil of the batch into A, none of it comes back to what stays in the bowl. */
  const plan = (bowl: number): Plan =>
    planWith(
      [
        {
          ...pot('A', 1, { ...dose('mica-dome', 6), carrier: { medium: 'oil', ratio: 10 }, source: 'batch' }),
          draws: [{ id: 'd', from: null, by: 'percent', value: 100 - bowl, second: 0 }],
        },
      ],
      { oils: olive },
    );

  it('stops for the bowl, and only tells of scrapings', () => {
    // 1,389 g of batter: 5 % is 69 g, more than the 12 g of one jug; 0.8 % is 11 g
    expect(find(plan(5), 'pot-superfat')).toMatchObject({ level: 'stop', place: { at: 'pots' } });
    expect(find(plan(0.8), 'pot-superfat')).toMatchObject({ level: 'tip', place: { at: 'pots' } });
    expect(find(plan(0), 'pot-superfat')).toBeUndefined();
  });

  it('looks at a batch without pots', () => {
    const rich = planWith([], { oils: olive, superfat: 10, ...liquid({ parts: part('coconut-milk', 100) }) });
    expect(find(rich, 'pot-superfat')!.sentence).toContain('The batch comes to a superfat of 15.6');
  });

  it('warns above 15 %, a salt bar above 22 %', () => {
    const at = (id: string, ratio: number): Check | undefined =>
      find(
        planWith(
          [pot('A', 1, { ...dose('mica-dome', 10), carrier: { medium: 'oil', ratio } }), pot('B', 9)],
          {
            oils: [{ id, materialId: id, percent: 100 }],
          },
        ),
        'pot-superfat',
      );
    // 1 − 0.95 / (1 + x) = 0.15 at x = 0.1176: 11.8 g oil of the same kind for each 100 g
    expect(at('oil-olive', 11.7)).toBeUndefined();
    expect(at('oil-olive', 11.8)).toMatchObject({ level: 'warn', place: { at: 'pot', potId: 'A' } });
    // coconut at 257; the extra oil is counted as 190: 0.2179 × 257 / 190 = 0.2948
    expect(at('oil-coconut', 29)).toBeUndefined();
    expect(at('oil-coconut', 30)?.level).toBe('warn');
  });
});

describe('late-without-taker', () => {
  const early = (name: string): Pot => ({ ...pot(name, 1), taken: 'emulsion' });
  it('stops for liquid that no pot takes', () => {
    const plan = planWith([early('A'), early('B')], liquid({ heldBack: grams(50) }));
    const found = find(plan, 'late-without-taker')!;
    expect(found.level).toBe('stop');
    for (const repair of found.repairs!)
      expect(find(repair.apply(plan), 'late-without-taker')).toBeUndefined();
    expect(find(setPot(plan, 'B', { taken: 'liquid' }), 'late-without-taker')).toBeUndefined();
  });
  it('stops for an additive at trace after the last pot, not for one in the oils', () => {
    const rows = (moment: AdditiveMoment): Plan =>
      planWith([{ ...pot('A', 1), taken: 'liquid' }], { additives: [additive('poppy-seed', 8, moment)] });
    expect(find(rows('trace'), 'late-without-taker')!.sentence).toContain(shelfItem('poppy-seed').name);
    expect(find(rows('water'), 'late-without-taker')).toBeUndefined();
    expect(find(rows('oils'), 'late-without-taker')).toBeUndefined();
  });
  it('looks at each batter by itself', () => {
    const mini: Pot = { ...early('Mini'), ownLye: true };
    const plan = planWith([pot('A', 1), mini], liquid({ heldBack: grams(50) }));
    expect(all(plan, 'late-without-taker').map((c) => c.place)).toEqual([{ at: 'pot', potId: 'Mini' }]);
  });
});

describe('scent per pot', () => {
  const scented = (name: string, rate: number | null): Pot => ({
    ...newPot(name, name),
    scented: true,
    scentDose: rate === null ? null : gramsPerKg(rate),
  });
  const plan = (...pots: Pot[]): Plan => planWith(pots, { scent: scentOf('scent-limewash', 30) });

  it('gives each pot its own rate', () => {
    const { pots, ledger } = flowOf(plan(scented('Most', null), scented('Little', 10), pot('None', 1)));
    const oils = 1000 / 3;
    expect(pots.map((p) => p.contents[ledger.at('scent')]!)).toEqual([
      expect.closeTo(0.03 * oils, 9),
      expect.closeTo(0.01 * oils, 9),
      0,
    ]);
  });

  it('stops for the pot whose own rate is over, and mends that one', () => {
    const over = plan(scented('A', null), scented('B', 60));
    const found = find(over, 'scent-over')!;
    expect(found.sentence).toMatch(/in B\.$/);
    const mended = found.repairs![0]!.apply(over);
    expect(mended.pots.map((p) => p.scentDose)).toEqual([null, 50]);
    expect(mended.base.scent!.dose).toBe(30);
  });

  it('a limit on the finished product is measured on the pot’s own cured soap', () => {
    const made = planWith([{ ...pot('A', 1), scented: true }], {
      scent: scentOf('scent-tin-roof', 30),
      oils: olive,
    });
    const { pots, ledger } = flowOf(made);
    const [a] = pots;
    // 1,000 g oils + 128.68 lye + 261.25 water (33 %), of which 55 % leaves: 1,246.2 g; 28 g per kg of that with the scent
    const water = LYE * (100 / 33 - 1);
    const rest = 1000 + LYE + water * 0.45;
    const limit = portionScentLimit(made, { ledger }, a!.contents, a!.oils)!;
    expect(limit.product).toBe(true);
    expect(limit.dose).toBeCloseTo((0.028 * rest) / (1 - 0.028), 2);
  });

  it('tells when a scent reaches no pot, and scents them all', () => {
    const none = plan(pot('A', 1), pot('B', 1));
    const found = find(none, 'scent-reaches-no-pot')!;
    expect(found.level).toBe('warn');
    expect(find(found.repairs![0]!.apply(none), 'scent-reaches-no-pot')).toBeUndefined();
    expect(find(plan(pot('A', 1), scented('B', 5)), 'scent-reaches-no-pot')).toBeUndefined();
    expect(find(plan(scented('B', 0)), 'scent-reaches-no-pot')).toBeDefined();
  });
});

describe('carrier-heavy', () => {
  const withCarrier = (name: string, ratio: number, source: 'batch' | 'extra'): Pot =>
    pot(name, 1, { ...dose('mica-dome', 8), carrier: { medium: 'oil', ratio }, source });
  const heavy = (...pots: Pot[]): string[] =>
    all(planWith(pots), 'carrier-heavy').flatMap((c) => (c.place.at === 'pot' ? [c.place.potId] : []));

  it('leaves oil alone that every pot gives and gets back alike', () => {
    // 8 g/kg in ten times the oil: 8 %
    expect(heavy(withCarrier('A', 10, 'batch'), withCarrier('B', 10, 'batch'))).toEqual([]);
    expect(heavy(withCarrier('A', 10, 'extra'), withCarrier('B', 10, 'extra'))).toEqual(['A', 'B']);
  });
  it('counts what comes back beyond a pot’s share', () => {
    // A gets 80 g/kg, of which half was its own: 4 %; with 13 times the oil 5.2 %
    expect(heavy(withCarrier('A', 10, 'batch'), pot('B', 1))).toEqual([]);
    expect(heavy(withCarrier('A', 13, 'batch'), pot('B', 1))).toEqual(['A']);
  });
  it('counts the oil of a stock bottle', () => {
    const bottle = (powderPercent: number): Plan => {
      const plan = planWith([withCarrier('A', 3, 'extra')]);
      const stock = { powderPercent, gramsPerDrop: 0.04 };
      return { ...plan, work: { ...plan.work, dispersions: [{ materialId: 'mica-dome', stock }] } };
    };
    // 8 g/kg at 10 % brings 72 g/kg of oil, at 20 % 32 g/kg
    expect(all(bottle(10), 'carrier-heavy')).toHaveLength(1);
    expect(all(bottle(20), 'carrier-heavy')).toHaveLength(0);
  });
});
