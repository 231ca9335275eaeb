import fc from 'fast-check';
import { dose, fourPotLoaf, planWith, pot, scentOf } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { cured } from '../pigment/stage.ts';
import { flowOf } from './balance.ts';
import { bareComposition, potComposition } from './potComposition.ts';
import { labOf } from '../pigment/composition.ts';
import { type Flow, totalOf } from './flow.ts';
import { potOrder, wouldCycle } from '../plan/graph.ts';
import { type AdditiveMoment, type Draw, emptyWork, type Plan, type Pot } from '../plan/plan.ts';

const draw = (by: Draw['by'], value: number, from: string | null = null, second = 0): Draw => ({
  id: `${by}-${from}`,
  from,
  by,
  value,
  second,
});
const of = (flow: Flow, name: string) => flow.pots.find((p) => p.pot.name === name)!;
const total = (v: Float64Array): number => v.reduce((a, b) => a + b, 0);
const oilyDose = (ratio: number, source: 'batch' | 'extra') => ({
  ...dose('mica-dome', 10),
  carrier: { medium: 'oil' as const, ratio },
  source,
});

describe('shares of the base batter', () => {
  it('fixed amounts first, then parts and the rest divide what remains', () => {
    // 1,434.26 g of plain batter. A takes 20 %, B 300 g = 20.917 %; 59.083 % remain for 2 parts and the rest (one).
    const flow = flowOf(
      planWith([
        { ...pot('A', 1), draws: [draw('percent', 20)] },
        { ...pot('B', 1), draws: [draw('grams', 300)] },
        { ...pot('C', 1), draws: [draw('parts', 2)] },
        { ...pot('D', 1), draws: [draw('rest', 0)] },
      ]),
    );
    expect(of(flow, 'A').mass).toBeCloseTo(286.85, 1);
    expect(of(flow, 'B').mass).toBeCloseTo(300, 6);
    expect(of(flow, 'C').oils).toBeCloseTo((1000 * (0.8 - 300 / 1434.2619) * 2) / 3, 1);
    expect(of(flow, 'D').mass * 2).toBeCloseTo(of(flow, 'C').mass, 6);
    expect(flow.unallocated).toBeCloseTo(0, 9);
  });

  it('by the marks of a jug: ml at the density of the batter', () => {
    const flow = flowOf(planWith([{ ...pot('A', 1), draws: [draw('millilitres', 500)] }]));
    // Oils 1,000 / 0.915, solution 434.26 g at 1 + 1.11 × .33 − .1 × .33² = 1.3554: 1,092.9 + 320.4 = 1,413.3 ml
    expect(flow.density).toBeCloseTo(1434.26 / 1413.3, 3);
    expect(of(flow, 'A').mass).toBeCloseTo(500 * flow.density, 3);
    expect(flow.leftoverMass).toBeCloseTo(1434.26 - 500 * flow.density, 1);
    const measured = planWith([{ ...pot('A', 1), draws: [draw('millilitres', 500)] }]);
    const heavier = flowOf({ ...measured, moulding: { ...measured.moulding, density: 1.1 } });
    expect(of(heavier, 'A').mass).toBeCloseTo(550, 6);
  });

  it('over and short are told, not hidden', () => {
    const over = flowOf(
      planWith([
        { ...pot('A', 1), draws: [draw('percent', 70)] },
        { ...pot('B', 1), draws: [draw('percent', 50)] },
        pot('C', 1),
      ]),
    );
    expect(over.unallocated).toBeCloseTo(-0.2, 9);
    expect(of(over, 'C').mass).toBe(0);
    const short = flowOf(planWith([{ ...pot('A', 1), draws: [draw('percent', 70)] }]));
    expect(short.unallocated).toBeCloseTo(0.3, 9);
    expect(short.leftoverMass).toBeCloseTo(0.3 * 1434.26, 1);
  });
});

describe('superfat of each pot', () => {
  // 1,000 g at 5 %. One pot of 500 g oils gets mica 10 g/kg = 5 g in oil of the batch; the other gets none.
  // All oils but one take alkali alike here, so that the sums of the handbook hold: pure olive.
  const olive = (held: number, source: 'batch' | 'extra'): Plan =>
    planWith([pot('Bare', 1), pot('Blue', 1, oilyDose(held / 5, source))], {
      oils: [{ id: 'o', materialId: 'oil-olive', percent: 100 }],
    });
  it.each([
    [30, 2.06],
    [50, 0],
    [60, -1.06],
  ])('holding back %d g leaves the pot without carrier at %d %%', (held, percent) => {
    // 1 − 0.95 / (1 − held / 1000)
    const flow = flowOf(olive(held, 'batch'));
    expect(of(flow, 'Bare').superfat! * 100).toBeCloseTo(percent, 1);
    expect(flow.lyes[0]!.heldOil).toBeCloseTo(held, 6);
    // The other has it all: 500 × (1 − held / 1000) + held
    const oils = 500 * (1 - held / 1000) + held;
    expect(of(flow, 'Blue').superfat).toBeCloseTo(1 - (0.95 * 500) / oils, 6);
  });

  it('extra carrier oil only raises it', () => {
    const flow = flowOf(olive(30, 'extra'));
    expect(of(flow, 'Bare').superfat! * 100).toBeCloseTo(5, 6);
    // 500 g + 30 g: 1 − 475 / 530
    expect(of(flow, 'Blue').superfat).toBeCloseTo(1 - 475 / 530, 6);
  });

  it('equal carriers keep equal pots equal', () => {
    const plan = olive(30, 'extra');
    const flow = flowOf({ ...plan, work: { ...emptyWork, equalise: true } });
    expect(of(flow, 'Bare').evenedOil).toBeCloseTo(30, 6);
    expect(of(flow, 'Bare').superfat).toBeCloseTo(of(flow, 'Blue').superfat!, 9);
  });
});

describe('what additives bring besides', () => {
  const oneOil = { oils: [{ id: 'o', materialId: 'oil-olive', percent: 100 }] };
  const with_ = (materialId: string, value: number, moment: AdditiveMoment, ...pots: Pot[]): Plan =>
    planWith(pots, {
      ...oneOil,
      additives: [{ id: 'a', materialId, dose: gramsPerKg(value), perBar: null, moment }],
    });
  const plainLiquid = flowOf(planWith([pot('A', 1)], oneOil)).lyes[0]!.liquid;

  it.each(['lye-water', 'oils', 'water', 'trace'] as const)(
    'purée replaces as much liquid as it holds water, at %s',
    (moment) => {
      // 80 g of purée, 90 % water: 72 g less liquid, 8 g more batter.
      const flow = flowOf(with_('carrot-puree', 80, moment, pot('A', 1)));
      expect(flow.lyes[0]!.replaced).toBeCloseTo(72, 6);
      expect(flow.lyes[0]!.liquid).toBeCloseTo(plainLiquid - 72, 6);
      expect(flow.mass - flowOf(planWith([pot('A', 1)], oneOil)).mass).toBeCloseTo(8, 6);
    },
  );

  it('purée of one pot replaces liquid where it comes out of the recipe, and only there', () => {
    const own = (source: 'batch' | 'extra'): Flow =>
      flowOf(planWith([pot('A', 1, { ...dose('carrot-puree', 80), source }), pot('B', 1)], oneOil));
    // 500 g of oils: 40 g of purée, 36 g of water
    expect(own('batch').lyes[0]!.liquid).toBeCloseTo(plainLiquid - 36, 6);
    expect(own('extra').lyes[0]!.liquid).toBeCloseTo(plainLiquid, 6);
  });

  it('fat of a milk powder counts as oil that no lye was reckoned for', () => {
    // 50 g with 28 % fat are 14 g at 200 mg KOH/g, beside 1,000 g at 190: 1 − 0.95 × 190,000 / (190,000 + 2,800)
    const [a] = flowOf(with_('goat-milk-powder', 50, 'oils', pot('A', 1))).pots;
    expect(a!.superfat).toBeCloseTo(1 - (0.95 * 190_000) / 192_800, 6);
  });
});

describe('pots from pots', () => {
  const family = (): Plan =>
    planWith(
      [
        { ...pot('Coral', 2, dose('red-iron-oxide', 3)), scented: true },
        { ...pot('White', 1, dose('titanium-dioxide-oil', 6)) },
        {
          ...pot('Shell', 0, dose('titanium-dioxide-oil', 4)),
          draws: [draw('percent', 100 / 3, 'Coral'), draw('grams', 50, 'White')],
        },
        { ...pot('Pool', 0), draws: [draw('rest', 0, 'White')] },
      ],
      { scent: scentOf('scent-limewash', 30) },
    );

  it('a third of one and some grams of another, by hand', () => {
    const flow = flowOf(family());
    const coral = of(flow, 'Coral');
    const shell = of(flow, 'Shell');
    // 666.67 g oils: powder 2.0 g, oil 4.0 g, scent 20.0 g on 956.17 g of batter
    expect(coral.mass).toBeCloseTo((2 / 3) * 1434.26 + 2 + 4 + 20, 1);
    const white = of(flow, 'White');
    const share = 50 / white.mass;
    expect(shell.oils).toBeCloseTo(666.667 / 3 + 333.333 * share, 2);
    // Scent of a third of Coral, 6.667 g; Shell itself is unscented.
    expect(shell.contents[flow.ledger.at('scent')]).toBeCloseTo(20 / 3, 3);
    expect(shell.scent).toBe(0);
    const red = flow.ledger.material('red-iron-oxide');
    expect(shell.contents[red]).toBeCloseTo(2 / 3, 4);
    expect(coral.drawnOff).toBeCloseTo(1 / 3, 9);
    // The pool takes what Shell left of White, and leaves nothing.
    expect(of(flow, 'Pool').mass).toBeCloseTo(white.mass - 50, 6);
    expect(white.left).toBe(0);
  });

  it('a scented pot made from a scented one is only topped up', () => {
    const plan = family();
    const flow = flowOf({ ...plan, pots: plan.pots.map((p) => ({ ...p, scented: p.name !== 'White' })) });
    const shell = of(flow, 'Shell');
    expect(shell.contents[flow.ledger.at('scent')]).toBeCloseTo((30 * shell.oils) / 1000, 6);
    expect(shell.scent).toBeCloseTo((30 * shell.oils) / 1000 - 20 / 3, 3);
  });

  it('a ring is found, gives nothing, and nothing is NaN', () => {
    const ring = planWith([
      { ...pot('A', 1), draws: [draw('percent', 10, 'C')] },
      { ...pot('B', 1), draws: [draw('percent', 10, 'A')] },
      { ...pot('C', 1), draws: [draw('percent', 10, 'B')] },
      pot('D', 1),
    ]);
    expect([...potOrder(ring).cyclic]).toEqual(['A', 'B', 'C']);
    const flow = flowOf(ring);
    for (const p of flow.pots) expect(Number.isFinite(p.mass)).toBe(true);
    expect(of(flow, 'D').mass).toBeCloseTo(1434.26, 1);
    expect(wouldCycle(ring, 'A', 'D')).toBe(false);
    const line = planWith([
      pot('A', 1),
      { ...pot('B', 1), draws: [draw('percent', 10, 'A')] },
      { ...pot('C', 1), draws: [draw('percent', 10, 'B')] },
    ]);
    expect(wouldCycle(line, 'A', 'C')).toBe(true);
    expect(wouldCycle(line, 'A', 'A')).toBe(true);
    expect(wouldCycle(line, 'C', 'A')).toBe(false);
  });
});

describe('what is weighed when', () => {
  it('plain before the scent, the rest after it', () => {
    const plan = planWith(
      [
        { ...pot('Scented', 3), scented: true },
        { ...pot('White', 1), scented: false },
      ],
      { scent: scentOf('scent-limewash', 40, { when: 'batter' }) },
    );
    const flow = flowOf(plan);
    expect(of(flow, 'White').draws[0]!.mass).toBeCloseTo(1434.26 / 4, 1);
    // 750 g oils × 40 g/kg = 30 g of scent are in the bowl by then.
    expect(of(flow, 'Scented').draws[0]!.mass).toBeCloseTo((1434.26 * 3) / 4 + 30, 1);
  });

  it('a pot taken at emulsion has no late liquid: the others share it', () => {
    const late = { by: 'concentration', value: 33, parts: [], heldBack: grams(60) } as const;
    const flow = flowOf(
      planWith([{ ...pot('First', 1), taken: 'emulsion' }, pot('Later', 3)], { liquid: late }),
    );
    expect(of(flow, 'First').mass).toBeCloseTo((1434.26 - 60) / 4, 1);
    expect(of(flow, 'Later').mass).toBeCloseTo(((1434.26 - 60) * 3) / 4 + 60, 1);
    expect(flow.lyes[0]).toMatchObject({ heldForLater: 60 });
    expect(flow.lyes[0]!.vessel).toBeCloseTo(290.955 - 60, 1);
  });

  it('late additives go into what is taken after them', () => {
    const additives = [
      { id: 'a', materialId: 'oats-ground', dose: gramsPerKg(20), perBar: null, moment: 'trace' as const },
    ];
    const flow = flowOf(planWith([{ ...pot('First', 1), taken: 'liquid' }, pot('Later', 3)], { additives }));
    const oat = flow.ledger.material('oats-ground');
    expect(of(flow, 'First').contents[oat]).toBe(0);
    expect(of(flow, 'Later').contents[oat]).toBeCloseTo(15, 9);
  });

  it('water for dispersions comes out of the lye’s liquid and thins nothing else', () => {
    const clay = { ...dose('kaolin', 20), source: 'batch' as const };
    const flow = flowOf(planWith([pot('Clay', 1, clay), pot('Plain', 1)]));
    // 10 g of kaolin in 2.5 times its weight: 25 g
    expect(flow.lyes[0]!.heldForDispersions).toBeCloseTo(25, 9);
    expect(flow.lyes[0]!.vessel).toBeCloseTo(290.955 - 25, 1);
    expect(of(flow, 'Plain').mass).toBeCloseTo((1434.26 - 25) / 2, 1);
    expect(flow.mass).toBeCloseTo(1434.26 + 10, 1);
  });
});

describe('mini-batches', () => {
  const layers = (): Plan =>
    planWith(
      ['One', 'Two', 'Three'].map((name, i) => ({
        ...pot(name, i + 1),
        ownLye: true,
        hoursBefore: 2 * (2 - i),
      })),
    );

  it('as many lye solutions as there are pots with their own', () => {
    const flow = flowOf(layers());
    expect(flow.lyes.map((l) => l.potId)).toEqual(['One', 'Two', 'Three']);
    // 1:2:3 of 143.306 g and of 290.955 g
    expect(flow.lyes.map((l) => l.naoh)).toEqual([
      expect.closeTo(23.884, 2),
      expect.closeTo(47.769, 2),
      expect.closeTo(71.653, 2),
    ]);
    expect(flow.lyes[2]!.liquid).toBeCloseTo(145.48, 1);
  });

  it('carriers out of one mini-batch do not thin another', () => {
    const plan = layers();
    const pots = plan.pots.map((p): Pot => (p.name === 'One' ? { ...p, doses: [oilyDose(3, 'batch')] } : p));
    const withMica = planWith(pots);
    const flow = flowOf(withMica);
    for (const p of flow.pots) expect(p.superfat! * 100).toBeCloseTo(5, 6);
  });

  it('one mini-batch beside a common batter', () => {
    const flow = flowOf(planWith([{ ...pot('Own', 1), ownLye: true }, pot('A', 1), pot('B', 2)]));
    expect(flow.lyes.map((l) => [l.potId, Math.round(l.oils)])).toEqual([
      [null, 750],
      ['Own', 250],
    ]);
  });
});

describe('a mini-batch with oils of its own', () => {
  const whitest = [
    { id: 'l', materialId: 'oil-lard', percent: 60 },
    { id: 's', materialId: 'oil-sunflower-ho', percent: 40 },
  ];
  const own = (change: Partial<Pot> = {}): Pot => ({
    ...pot('Own', 1),
    ownLye: true,
    ownOils: whitest,
    ...change,
  });

  it('has the lye of its own oils, by hand', () => {
    const flow = flowOf(planWith([own(), pot('A', 3)]));
    const [common, mine] = flow.lyes;
    // 250 g: 150 g of lard × 0.198 + 100 g of sunflower × 0.189, in KOH; × 39.997 / 56.105 × 0.95
    const naoh = (150 * 0.198 + 100 * 0.189) * (39.997 / 56.105) * 0.95;
    expect(naoh).toBeCloseTo(32.914, 3);
    expect(mine).toMatchObject({ potId: 'Own', oils: expect.closeTo(250, 9), naoh: expect.closeTo(naoh, 6) });
    expect(mine!.liquid).toBeCloseTo((naoh * 67) / 33, 6);
    expect(mine!.rows.map((r) => [r.materialId, r.mass])).toEqual([
      ['oil-lard', expect.closeTo(150, 9)],
      ['oil-sunflower-ho', expect.closeTo(100, 9)],
    ]);
    // The common batter keeps the recipe: three quarters of 143.306 g.
    expect(common!.naoh).toBeCloseTo(107.48, 2);
    expect(flow.mass).toBeCloseTo(1000 + naoh / 0.33 + 107.48 / 0.33, 1);
    for (const p of flow.pots) expect(p.superfat).toBeCloseTo(0.05, 9);
  });

  it('is the recipe’s again without its own lye', () => {
    const same = flowOf(planWith([own({ ownLye: false }), pot('A', 3)]));
    expect(same.lyes).toHaveLength(1);
    expect(same.mass).toBeCloseTo(1434.26, 2);
  });

  it('takes carriers out of its own lightest oil', () => {
    const plan = planWith([own({ doses: [oilyDose(3, 'batch')] }), pot('A', 3)]);
    const flow = flowOf(plan);
    const mine = flow.lyes.find((l) => l.potId === 'Own')!;
    expect(mine.carrierOil).toBe('oil-sunflower-ho');
    expect(mine.heldOil).toBeGreaterThan(0);
    // Held back and put back in: the pot has its oils, and its superfat.
    expect(totalOf(flow, flow.ledger.oils.indexOf('oil-sunflower-ho'))).toBeCloseTo(100, 6);
    expect(of(flow, 'Own').superfat).toBeCloseTo(0.05, 9);
  });

  it('gives its oils on to a pot that draws from it, with their colour', () => {
    const half: Pot = { ...pot('Half', 0), draws: [draw('percent', 50, 'Own'), draw('parts', 1)] };
    const plan = planWith([own(), { ...half, draws: half.draws.map((d, i) => ({ ...d, id: `d${i}` })) }]);
    const { oilsBy, oils } = of(flowOf(plan), 'Half');
    // Half of 500 g from the mini-batch, 500 g of the recipe
    expect([...oilsBy]).toEqual([
      ['Own', expect.closeTo(250, 6)],
      [null, expect.closeTo(500, 6)],
    ]);
    expect(oils).toBeCloseTo(750, 6);
    const yellow = (name: string): number =>
      labOf(
        potComposition(
          plan,
          plan.pots.find((p) => p.name === name)!,
        ),
        cured(),
      )[2];
    expect(yellow('Own')).toBeLessThan(yellow('Half'));
    expect(yellow('Half')).toBeLessThan(labOf(bareComposition(plan), cured())[2]);
  });
});

describe('nothing is lost', () => {
  // Nothing, or what a scale can show.
  const amount = fc.double({ min: 0, max: 400, noNaN: true }).map((v) => (v < 0.01 ? 0 : v));
  const anyPot = (i: number): fc.Arbitrary<Pot> =>
    fc
      .record({
        base: fc.option(
          fc.tuple(fc.constantFrom('parts', 'percent', 'grams', 'millilitres', 'rest'), amount),
        ),
        // Only from earlier pots, so that there is no ring.
        from: fc.array(
          fc.tuple(
            fc.nat(Math.max(0, i - 1)),
            fc.constantFrom('percent', 'grams', 'rest'),
            fc.double({ min: 0, max: 30, noNaN: true }),
          ),
          { maxLength: i === 0 ? 0 : 2 },
        ),
        taken: fc.constantFrom('emulsion', 'liquid', 'additives'),
        scented: fc.boolean(),
        ownLye: fc.boolean(),
        ownOils: fc.boolean(),
        source: fc.constantFrom('batch', 'extra'),
        mica: fc.double({ min: 0, max: 14, noNaN: true }),
        clay: fc.double({ min: 0, max: 20, noNaN: true }),
      })
      .map((r): Pot => ({
        ...pot(`p${i}`, 1),
        draws: [
          ...(r.base
            ? [draw(r.base[0] as Draw['by'], r.base[0] === 'percent' ? r.base[1] / 40 : r.base[1])]
            : []),
          ...r.from.map(([j, by, v], n) => ({ ...draw(by as Draw['by'], v, `p${j}`), id: `d${n}` })),
        ],
        taken: r.taken,
        scented: r.scented,
        ownLye: r.ownLye,
        ownOils: r.ownOils
          ? [
              { id: 'l', materialId: 'oil-lard', percent: 55 + 5 * i },
              { id: 's', materialId: 'oil-sunflower-ho', percent: 45 - 5 * i },
            ]
          : [],
        doses: [
          { ...dose('mica-dome', r.mica), source: r.source },
          { ...dose('kaolin', r.clay), source: r.source },
        ],
      }));
  const anyPlan = fc
    .integer({ min: 1, max: 7 })
    .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyPot(i))))
    .map((pots) =>
      planWith(pots, {
        scent: scentOf('scent-limewash', 30, { stabiliser: 0.5 }),
        additives: [
          { id: 'a', materialId: 'sodium-lactate', dose: gramsPerKg(20), perBar: null, moment: 'lye-water' },
          { id: 'b', materialId: 'oats-ground', dose: gramsPerKg(12), perBar: null, moment: 'trace' },
        ],
      }),
    );

  it('what goes in comes out, over any graph of pots', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const flow = flowOf(plan);
        const { ledger } = flow;
        const drawnDry = flow.pots.some((p) => p.drawnOff > 1 + 1e-9);
        // A plan whose amounts never come to rest is stopped, and tells no figures.
        fc.pre(!drawnDry && flow.convergence.converged);
        const lyes = (what: 'naoh' | 'koh' | 'liquid'): number => flow.lyes.reduce((s, l) => s + l[what], 0);
        // Plans that are over-allocated make more than one recipe, of which the lyes know nothing.
        if (flow.unallocated >= 0) {
          for (const what of ['naoh', 'koh'] as const)
            expect(totalOf(flow, ledger.at(what))).toBeCloseTo(lyes(what), 5);
          const rows = flow.lyes.flatMap((l) => l.rows);
          ledger.oils.forEach((id, i) => {
            const weighed = rows.filter((r) => r.materialId === id).reduce((s, r) => s + r.mass, 0);
            // A mini-batch of less than a millionth of the oils counts as none.
            expect(totalOf(flow, i)).toBeCloseTo(weighed, 4);
          });
        }
        for (const p of flow.pots) for (const v of p.contents) expect(Number.isFinite(v)).toBe(true);
        const powders = flow.pots.reduce((s, p) => s + p.doses.reduce((t, d) => t + d.powder, 0), 0);
        const materials = ['mica-dome', 'kaolin'].reduce(
          (s, id) => s + totalOf(flow, ledger.material(id)),
          0,
        );
        expect(materials).toBeCloseTo(powders, 6);
        // Each pot holds what was weighed into it and what was stirred in.
        for (const p of flow.pots) {
          const stirred = p.doses.reduce(
            (s, d) => s + d.powder + d.liquid,
            p.scent + p.stabiliser + p.evenedOil,
          );
          expect(total(p.contents)).toBeCloseTo(p.draws.reduce((s, d) => s + d.mass, 0) + stirred, 6);
        }
        // And the whole: oils, lye, liquid, additives, scent, powders and what is beside the recipe.
        const extras = ['carrier-oil', 'carrier-water', 'glycerin', 'scent', 'stabiliser'] as const;
        const beside = extras.reduce((s, w) => s + totalOf(flow, ledger.at(w)), 0);
        const added = ['sodium-lactate', 'oats-ground'].reduce(
          (s, id) => s + totalOf(flow, ledger.material(id)),
          0,
        );
        const base = 1000 + lyes('naoh') + lyes('koh') + lyes('liquid');
        if (flow.unallocated >= 0) expect(flow.mass).toBeCloseTo(base + beside + added + powders, 3);
      }),
      { numRuns: 400 },
    );
  });

  it('the four-pot loaf to the gram', () => {
    // 1,434.26 + powders (1.875 + .75 + .75 + .375 + .75 = 4.5) + twice that of oil
    expect(flowOf(fourPotLoaf()).mass).toBeCloseTo(1434.26 + 13.5, 1);
  });
});

describe('figures worked by hand', () => {
  it('a stock bottle of 25 % powder brings three parts of liquid with each part of powder', () => {
    const row = { ...dose('ultramarine-blue', 4), carrier: { medium: 'oil', ratio: 2 } as const };
    const stock = { powderPercent: 25, gramsPerDrop: 0.04 };
    const work = { ...planWith([]).work, dispersions: [{ materialId: 'ultramarine-blue', stock }] };
    const [pot0] = flowOf(planWith([pot('A', 1, row)], {}, { work })).pots;
    // 4 g/kg over 1,000 g: 4 g of powder, 16 g out of the bottle.
    expect(pot0!.doses[0]!.powder).toBeCloseTo(4, 9);
    expect(pot0!.doses[0]!.liquid).toBeCloseTo(12, 9);
  });

  it('a pot piped on top goes there whole, and its reserve is not taken out a second time', () => {
    const plan = planWith([
      { ...pot('Top', 1), place: 'top', reserve: grams(60) },
      { ...pot('Body', 1), reserve: grams(60) },
    ]);
    const [top, body] = flowOf(plan).pots;
    expect(top!.toTop).toBeCloseTo(top!.left, 9);
    expect(top!.toMould).toBe(0);
    expect(body!.toTop).toBeCloseTo(60, 9);
    expect(body!.toMould).toBeCloseTo(body!.left - 60, 9);
  });
});
