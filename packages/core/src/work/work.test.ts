import { emptyDesign } from '../plan/design.ts';
import fc from 'fast-check';
import { startingShelf } from '../material/catalogue/index.ts';
import { dose, planWith, pot, scentOf, shelfItem, tenthGramScale, ideaOf } from '../testing/plans.ts';
import { SPOONS } from '../units/spoons.ts';
import { carrierOilBalance, dispersions, liquidName } from './dispersion.ts';
import { addPot, setCarrierOil, setCarrierSource, setDispersion, setPot } from '../plan/edit/index.ts';
import { carryOverHarm, WASH_FROM, workOrder } from './order.ts';
import { consistencyWanted } from './handwork.ts';
import { basePace, potPaces, windowFor } from './pace.ts';
import { timelineOf } from './timeline.ts';
import { type Base, emptyWork, newPot, type Plan, type Pot } from '../plan/plan.ts';
import { prepSheet } from './prep.ts';

const product = (factors: readonly { factor: number }[]): number => factors.reduce((f, x) => f * x.factor, 1);

describe('pace', () => {
  const at = (change: Partial<Base>): number => product(basePace(planWith([], change)));
  const own = (p: Pot, change: Partial<Base> = {}) => potPaces(planWith([p], change))[0]!;

  it('halves for ten degrees, and follows the lye', () => {
    expect(at({ temperature: 42 }) / at({ temperature: 32 })).toBeCloseTo(0.5, 9);
    const liquid = planWith([]).base.liquid;
    // 33 / 38 and 33 / 28
    expect(at({ liquid: { ...liquid, value: 38 } }) / at({})).toBeCloseTo(33 / 38, 6);
    expect(at({ liquid: { ...liquid, value: 28 } }) / at({})).toBeCloseTo(33 / 28, 6);
  });

  it('goes by the oils of a mini-batch of its own', () => {
    const hard: Pot = {
      ...pot('Own', 1),
      ownLye: true,
      ownOils: [{ id: 'c', materialId: 'oil-coconut', percent: 100 }],
    };
    const [mine, common] = potPaces(planWith([hard, pot('A', 1)]));
    expect(mine!.factor).toBeLessThan(common!.factor);
    expect(mine!.factors.map((f) => f.what)).toContain('hard fats');
  });

  it.each([
    ['scent-wet-slate', 1.3],
    ['scent-limewash', 1],
    ['scent-oat-biscuit', 0.75],
    ['scent-red-gate', 0.25],
  ])('%s multiplies a scented pot by %d', (id, factor) => {
    const scent = scentOf(id, 20);
    const without = own(pot('A', 1), { scent }).factor;
    expect(own({ ...pot('A', 1), scented: true }, { scent }).factor / without).toBeCloseTo(factor, 6);
  });

  it('ten seconds of blending take 15 %, twenty take 28 %', () => {
    const after = (blendSeconds: number): number =>
      product(basePace(planWith([], {}, { work: { ...emptyWork, blendSeconds } })));
    expect(after(10) / after(0)).toBeCloseTo(0.85, 9);
    expect(after(20) / after(0)).toBeCloseTo(0.7225, 9);
  });

  it('clay shortens its own pot alone, and keeps the order of the stages', () => {
    const plan = planWith([pot('Clay', 1, dose('kaolin', 20)), pot('Plain', 1)]);
    const [clay, plain] = potPaces(plan);
    expect(clay!.factor).toBeLessThan(plain!.factor);
    expect(clay!.factors.map((f) => f.what)).toContain('Kaolin');
    for (const p of [clay!, plain!]) {
      expect(p.light).toBeLessThan(p.medium);
      expect(p.medium).toBeLessThan(p.thick);
      expect(p.thick).toBeLessThan(p.stiff);
      expect(p.light).toBeCloseTo(12 * p.factor, 9);
    }
  });

  it('windows follow the stages, and the top is piped stiff', () => {
    const pace = { light: 12, medium: 22, thick: 35, stiff: 55 };
    expect(windowFor(pace, 'fluid')).toEqual([0, 22]);
    expect(windowFor(pace, 'medium')).toEqual([expect.closeTo(17.6, 9), 35]);
    expect(consistencyWanted(ideaOf('hanger').design, pot('A', 1))).toBe('fluid');
    expect(consistencyWanted(ideaOf('hanger').design, { ...pot('A', 1), place: 'top' })).toBe('stiff');
    expect(consistencyWanted(emptyDesign, pot('A', 1))).toBeNull();
  });

  it('pots are poured one after another, and a mini-batch has its own clock', () => {
    const plan = planWith(
      [pot('A', 1, dose('kaolin', 5)), pot('B', 1), { ...pot('C', 1), ownLye: true, draws: [] }],
      {},
      { idea: ideaOf('layers') },
    );
    const [a, b, c] = timelineOf(plan).pots;
    // Split 2 × 1 min, colour 2 min: A is ready at 4; B has nothing to do
    expect(a!.readyAt).toBe(4);
    // and the layer is levelled for a minute
    expect(b!.pourAt).toBe(a!.pouredAt + 1);
    expect(c!.readyAt).toBe(0);
    for (const s of [a!, b!]) expect(s.verdict).toBe('fits');
  });
});

describe('order of colouring', () => {
  const tints = startingShelf().filter((m) => m.optics && m.kind === 'pigment');
  const anyPots = fc
    .uniqueArray(fc.nat(tints.length - 1), { minLength: 2, maxLength: 6 })
    .chain((picks) =>
      fc.tuple(
        fc.constant(picks),
        fc.array(fc.double({ min: 0.3, max: 8, noNaN: true }), {
          minLength: picks.length,
          maxLength: picks.length,
        }),
      ),
    )
    .map(([picks, doses]) =>
      planWith(picks.map((t, i) => pot(`p${i}`, 1 + (i % 3), dose(tints[t]!.id, doses[i]!)))),
    );
  const permutations = (items: readonly number[]): number[][] =>
    items.length <= 1
      ? [[...items]]
      : items.flatMap((x) => permutations(items.filter((y) => y !== x)).map((rest) => [x, ...rest]));

  it('no other order does less harm', () => {
    fc.assert(
      fc.property(anyPots, (plan) => {
        const harm = carryOverHarm(plan);
        const total = (order: readonly number[]): number =>
          order.slice(1).reduce((sum, to, n) => sum + harm[order[n]!]![to]!, 0);
        const found = workOrder(plan);
        const at = found.order.map((id) => plan.pots.findIndex((p) => p.id === id));
        const best = Math.min(...permutations(plan.pots.map((_, i) => i)).map(total));
        expect(total(at)).toBeCloseTo(best, 9);
        for (const [n, id] of found.order.entries())
          expect(found.washBefore.has(id)).toBe(found.harm[n]! >= WASH_FROM);
      }),
      { numRuns: 25 },
    );
  });

  it('white before black without a wash, and black before white never', () => {
    const plan = planWith([
      pot('Black', 1, dose('activated-charcoal', 8)),
      pot('White', 1, dose('titanium-dioxide-oil', 6)),
    ]);
    expect(workOrder(plan).order).toEqual(['White', 'Black']);
    expect(workOrder(plan).washBefore.size).toBe(0);
    const [black, white] = [0, 1];
    expect(carryOverHarm(plan)[black]![white]).toBeGreaterThan(WASH_FROM);
  });

  it('a pot comes after those it is made from, and a fast one last', () => {
    const child: Pot = {
      ...newPot('Child', 'Child'),
      draws: [{ id: 'd', from: 'Black', by: 'percent', value: 50, second: 0 }],
    };
    const plan = planWith([child, pot('Black', 1, dose('activated-charcoal', 8)), pot('White', 1)]);
    const { order } = workOrder(plan);
    expect(order.indexOf('Black')).toBeLessThan(order.indexOf('Child'));
    const racing = planWith([{ ...pot('Fast white', 1), scented: true }, pot('A', 1), pot('B', 1)], {
      scent: scentOf('scent-red-gate', 20),
    });
    expect(workOrder(racing).order.at(-1)).toBe('Fast white');
    expect([...workOrder(racing).heldBack]).toEqual(['Fast white']);
  });

  it('more pots than can be weighed against each other still come once each', () => {
    let plan: Plan = planWith([]);
    for (let i = 0; i < 12; i++) plan = addPot(plan, `p${i}`, `Pot ${i}`);
    const { order } = workOrder(plan);
    expect(new Set(order).size).toBe(12);
  });
});

describe('dispersions', () => {
  const blue = dose('ultramarine-blue', 5);
  const two = planWith([pot('A', 1, blue), pot('B', 3, { ...blue, id: 'b' })]);
  const ratio = blue.carrier!.ratio;

  it('a cup for each pot: what is measured, in its ratio', () => {
    // 5 g/kg of 250 g and 750 g of oils: 1.25 g, rounded to 1.3 g, and 3.75 g, to 3.8 g
    const made = dispersions(two, tenthGramScale);
    expect(made.map((d) => d.measured.mass)).toEqual([1.3, 3.8]);
    expect(made.map((d) => d.liquid)).toEqual([
      expect.closeTo(1.3 * ratio, 9),
      expect.closeTo(3.8 * ratio, 9),
    ]);
  });

  it('made once: measured once, and shared out by weight', () => {
    const plan = setDispersion(two, 'ultramarine-blue', { stock: null });
    const [made, ...rest] = dispersions(plan, tenthGramScale);
    expect(rest).toEqual([]);
    expect(made!.measured.mass).toBe(5);
    // 5 g and its liquid, a quarter and three quarters of it
    const body = 5 * (1 + ratio);
    expect(made!.uses.map((u) => u.mass)).toEqual([
      expect.closeTo(body / 4, 9),
      expect.closeTo((body * 3) / 4, 9),
    ]);
    const sheet = prepSheet(plan, tenthGramScale);
    expect(sheet.pots[0]!.rows[0]).toMatchObject({ ofShared: expect.closeTo(body / 4, 9), drops: null });
    // Nothing is lost in the rounding: the pots together get what was measured.
    expect(sheet.totals[0]!.mass).toBeCloseTo(5, 9);
  });

  it('from a bottle: whole drops, no carrier of their own', () => {
    const plan = setDispersion(two, 'ultramarine-blue', { stock: { powderPercent: 25, gramsPerDrop: 0.04 } });
    // 0.01 g of powder a drop: 125 and 375 drops
    const [made] = dispersions(plan, tenthGramScale);
    expect(made!.uses.map((u) => u.drops)).toEqual([125, 375]);
    const sheet = prepSheet(plan, tenthGramScale);
    expect(sheet.pots[0]!.rows[0]).toMatchObject({ drops: 125, carrierMass: 0 });
    expect(sheet.pots[0]!.rows[0]!.measured.mass).toBeCloseTo(1.25, 9);
    expect(sheet.carriers).toEqual([]);
    expect(setDispersion(plan, 'ultramarine-blue', null).work.dispersions).toEqual([]);
  });

  it('by spoons where the density is known, by the scale where it is not', () => {
    const spoons = { ...tenthGramScale, by: 'spoons' as const, ownedSpoons: SPOONS };
    expect(dispersions(two, spoons)[1]!.measured.spoonSum).not.toBeNull();
    const materials = two.materials.map((m) => ({ ...m, bulkDensity: null }));
    const [made] = dispersions({ ...two, materials }, spoons);
    expect(made!.measured).toMatchObject({ spoonSum: null, mass: 1.3 });
  });

  it('the liquid has its name where one was chosen or comes out of the recipe', () => {
    expect(liquidName(two, 'oil', false)).toBe('light oil');
    expect(liquidName(two, 'oil', true)).toBe('Olive');
    expect(liquidName(setCarrierOil(two, shelfItem('oil-sunflower')), 'oil', false)).toMatch(/^Sunflower/);
    expect(liquidName(two, 'water', true)).toBe('water');
    // A mini-batch gives of its own oils.
    const ownOils = [{ id: 's', materialId: 'oil-sunflower', percent: 100 }];
    const mini = planWith([{ ...pot('A', 1, blue), ownLye: true, ownOils }, pot('B', 1)]);
    expect(liquidName(mini, 'oil', true, 'A')).toMatch(/^Sunflower/);
    expect(liquidName(mini, 'oil', true, 'B')).toBe('Olive');
    expect(liquidName(mini, 'oil', true)).toBe('light oil');
  });

  it('oil left of the recipe, and the oil it lacks', () => {
    const batch = setCarrierSource(two, 'batch');
    const oil = carrierOilBalance(batch);
    expect(oil).toMatchObject({ extra: 0, inRecipe: 400 });
    expect(oil.material!.id).toBe('oil-olive');
    expect(oil.fromBatch).toBeCloseTo(5 * ratio, 6);
    const lacking = carrierOilBalance(setCarrierOil(batch, shelfItem('oil-sunflower')));
    expect(lacking).toMatchObject({ inRecipe: null, fromBatch: 0 });
    expect(lacking.extra).toBeCloseTo(5 * ratio, 6);
  });
});

it('a pot that spares part of itself for the top weighs in full', () => {
  const plan = setPot(planWith([pot('A', 1), pot('B', 1)]), 'A', { reserve: 80 as never });
  const sheet = prepSheet(plan, tenthGramScale);
  expect(sheet.pots[0]!.batter).toBeCloseTo(sheet.pots[1]!.batter!, 6);
  expect(sheet.pots[0]!.flow.toTop).toBe(80);
});

describe('the pace word of an oil', () => {
  const pace = (id: string, percent: number): number =>
    basePace(
      planWith([], {
        oils: [
          { id: 'a', materialId: id, percent },
          { id: 'b', materialId: 'oil-olive', percent: 100 - percent },
        ],
      }),
    ).find((f) => f.what === 'the oils’ own pace')!.factor;

  it('makes pomace olive fast, although its fatty acids are those of olive', () => {
    expect(pace('oil-olive', 50)).toBeCloseTo(1, 9);
    // Alone it would take three quarters of the time at most, where its acids say about one and a half times.
    expect(pace('oil-olive-pomace', 100)).toBeLessThan(0.56);
    expect(pace('oil-olive-pomace', 50)).toBeCloseTo(Math.sqrt(pace('oil-olive-pomace', 100)), 9);
  });
});
