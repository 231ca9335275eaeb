import { dose, planWith, pot, scentOf, shelfItem, tenthGramScale, ideaOf } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { solveOils } from '../balance/fill.ts';
import { flowOf } from '../balance/balance.ts';
import { emptyMoulding, type Mould, plainMould } from '../plan/moulding.ts';
import { type Base, type Draw, emptyWork, type Plan, type Pot, type Work } from '../plan/plan.ts';
import { addDose, makeWholeBatch } from '../plan/edit/index.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { type Carrier } from '../material/material.ts';
import { type Check, type ShelfState } from './check.ts';
import { checkPlan } from './index.ts';

const all = (plan: Plan, id: string, shelf?: ShelfState): Check[] =>
  checkPlan(plan, { measuring: tenthGramScale, shelf }).filter((c) => c.id === id);
const find = (plan: Plan, id: string, shelf?: ShelfState): Check | undefined => all(plan, id, shelf)[0];
/** One tap: applies a repair and checks that the finding has gone. */
function repaired(plan: Plan, id: string, at = 0): Plan {
  const repair = find(plan, id)!.repairs![at]!;
  const next = repair.apply(plan);
  expect([repair.label, find(next, id)?.sentence]).toEqual([repair.label, undefined]);
  return next;
}
const work = (change: Partial<Work>): Pick<Plan, 'work'> => ({ work: { ...emptyWork, ...change } });
const technique = (id: string): Pick<Plan, 'idea'> => ({ idea: ideaOf(id) });
const draw = (by: Draw['by'], value: number, from: string | null = null): Draw => ({
  id: 'd',
  from,
  by,
  value,
  second: 0,
});
const liquid = (change: Partial<Base['liquid']>): Pick<Base, 'liquid'> => ({
  liquid: { by: 'concentration', value: 33, parts: [], heldBack: grams(0), ...change },
});
const oneOil = [{ id: 'o', materialId: 'oil-olive', percent: 100 }];

describe('lye', () => {
  /** 500 g of olive oil in each of two pots; one gets oil of the batch. Held back h: 1 − 0.95 / (1 − h / 1000). */
  const leaner = (held: number): Plan =>
    planWith(
      [
        pot('Bare', 1),
        pot('Blue', 1, {
          ...dose('mica-dome', held / 5),
          carrier: { medium: 'oil', ratio: 10 },
          source: 'batch',
        }),
      ],
      { oils: oneOil },
    );

  it.each([
    // 20.5 g: 3.012 %; 20.7 g: 2.992 %; 50.1 g: −0.01 %; 49.9 g: 0.01 %
    [20.5, undefined],
    [20.7, 'warn'],
    [49.9, 'warn'],
    [50.1, 'stop'],
  ])('pot-superfat with %d g of oil held back', (held, level) => {
    const found = find(leaner(held), 'pot-superfat');
    expect(found?.level).toBe(level);
    if (found) expect(found.place).toEqual({ at: 'pot', potId: 'Bare' });
  });

  it('pot-superfat: extra oil settles it', () => {
    const next = repaired(leaner(52), 'pot-superfat');
    expect(flowOf(next).pots.every((p) => p.superfat! >= 0.05 - 1e-9)).toBe(true);
  });

  it('pot-superfat leaves a recipe alone that is as lean as that everywhere', () => {
    expect(find(planWith([pot('A', 1)], { superfat: 1 }), 'pot-superfat')).toBeUndefined();
    expect(find(planWith([pot('A', 1)], { superfat: 1 }), 'superfat-range')?.level).toBe('warn');
  });

  /** Liquid twice the lye's weight; some of it kept for later. */
  const kept = (share: number): Plan => {
    const lye = 143.306;
    return planWith([], liquid({ by: 'ratio', value: 2, heldBack: grams(lye * (2 - share)) }));
  };
  it.each([
    [1.501, undefined],
    [1.499, 'tip'],
    [1.201, 'tip'],
    [1.199, 'warn'],
    [1.001, 'warn'],
    [0.999, 'stop'],
  ])('lye-liquid at %d times the lye', (share, level) => {
    expect(find(kept(share), 'lye-liquid')?.level).toBe(level);
  });
  it('lye-liquid: holding nothing back settles it, and so does more liquid', () => {
    repaired(kept(0.8), 'lye-liquid');
    const thick = planWith([], liquid({ value: 55 }));
    expect(find(thick, 'lye-liquid')?.level).toBe('stop');
    repaired(thick, 'lye-liquid');
  });
  it('lye-liquid: dispersions in water out of the liquid', () => {
    const drunk = planWith(
      [
        pot('Clay', 1, {
          ...dose('kaolin', 40),
          carrier: { medium: 'water', ratio: 5 },
          source: 'batch',
        }),
      ],
      liquid({ by: 'ratio', value: 2 }),
    );
    // 286.6 g − 40 × 5 = 86.6 g for 143.3 g of lye
    expect(find(drunk, 'lye-liquid')).toMatchObject({ level: 'stop' });
    expect(find(drunk, 'lye-liquid')!.arithmetic).toContain('− 200.0 g for dispersions');
    repaired(drunk, 'lye-liquid');
  });

  it('lye-concentration and superfat set themselves right with a tap', () => {
    repaired(planWith([], liquid({ value: 24 })), 'lye-concentration');
    repaired(planWith([], liquid({ by: 'ratio', value: 3.5 })), 'lye-concentration');
    repaired(planWith([], { superfat: -2 }), 'superfat-range');
    repaired(planWith([], { oils: [{ id: 'o', materialId: 'oil-olive', percent: 99.7 }] }), 'oils-sum');
  });

  it('mist-before-heat stops whatever else is done', () => {
    const bad = planWith([], {}, work({ finish: ['mist', 'oven'] }));
    expect(find(bad, 'mist-before-heat')?.level).toBe('stop');
    expect(find(planWith([], {}, work({ finish: ['oven', 'mist'] })), 'mist-before-heat')).toBeUndefined();
    expect(find(planWith([], {}, work({ finish: ['mist'] })), 'mist-before-heat')).toBeUndefined();
    expect(repaired(bad, 'mist-before-heat').work.finish).toEqual(['oven', 'mist']);
  });
});

describe('mould', () => {
  const box: Mould = { ...plainMould('Box', 'box'), length: 250, width: 80, height: 65 };
  const moulded = (mould: Mould, totalOils: number): Plan =>
    planWith(
      [],
      { totalOils: grams(totalOils) },
      { moulding: { ...emptyMoulding, lossPerJug: grams(0), moulds: [{ id: 'm', count: 1, mould }] } },
    );
  const full = solveOils(moulded(box, 900), { from: 'mould' })!;

  it.each([
    [0.969, 'mould-underfull'],
    [0.971, undefined],
    [1.029, undefined],
    [1.031, 'mould-overfull'],
  ])('%d of a full mould', (share, id) => {
    const plan = moulded(box, full * share);
    const found = checkPlan(plan, { measuring: tenthGramScale }).find((c) => c.id.startsWith('mould-'));
    expect(found?.id).toBe(id);
    if (id) expect(repaired(plan, id).base.totalOils).toBeCloseTo(full, 0);
  });

  it('a mould of 0 mm has no room to check, and nothing is NaN', () => {
    const found = checkPlan(moulded({ ...box, height: 0 }, 900), { measuring: tenthGramScale });
    expect(JSON.stringify(found)).not.toContain('NaN');
  });
});

describe('shares', () => {
  const names = (p: Plan): string[] => all(p, 'pots-unbalanced').map((c) => c.sentence);

  it('over: told in grams, with three ways out', () => {
    const over = planWith([
      { ...pot('A', 1), draws: [draw('grams', 900)] },
      { ...pot('B', 1), draws: [draw('grams', 700)] },
    ]);
    // 900 + 700 against 1,434.3 g of batter
    expect(names(over)[0]).toBe('The pots want 165.7 g more batter than there is.');
    expect(find(over, 'pots-unbalanced')!.repairs!.map((r) => r.label)).toEqual([
      'Scale all to fit',
      'Take it from A',
      expect.stringMatching(/^Bigger batch: 11\d\d g oils$/),
    ]);
    for (const i of [0, 1, 2]) repaired(over, 'pots-unbalanced', i);
  });

  it('short: what the jugs keep is allowed, more is not', () => {
    const short = (left: number): Plan =>
      planWith(
        [{ ...pot('A', 1), draws: [draw('grams', 1434.261 - left)] }],
        {},
        { moulding: { ...emptyMoulding, lossPerJug: grams(12) } },
      );
    expect(names(short(11.5))).toEqual([]);
    expect(names(short(13))[0]).toMatch('of batter goes to no pot');
    for (const i of [0, 1, 2]) repaired(short(100), 'pots-unbalanced', i);
  });

  it('shares in % may go to the rest instead', () => {
    const plan = planWith([
      { ...pot('A', 1), draws: [draw('percent', 30)] },
      { ...pot('B', 1), draws: [draw('percent', 30)] },
    ]);
    expect(names(plan)).toHaveLength(1);
    repaired(plan, 'pots-unbalanced', 0);
  });

  it('a pot of 0 g, and one that is drawn dry', () => {
    expect(find(planWith([pot('A', 1), pot('B', 0)]), 'pots-unbalanced')!.sentence).toBe(
      'B has no share of the batter.',
    );
    repaired(planWith([pot('A', 1), pot('B', 0)]), 'pots-unbalanced');
    const dry = planWith([
      pot('A', 1),
      { ...pot('B', 1), draws: [draw('percent', 70, 'A')] },
      { ...pot('C', 1), draws: [draw('percent', 40, 'A')] },
    ]);
    expect(find(dry, 'pots-unbalanced')!.sentence).toBe('More is drawn from A than it holds.');
    repaired(dry, 'pots-unbalanced');
  });

  it('a pot that draws on itself through two others', () => {
    const ring = planWith(
      ['A', 'B', 'C'].map((name, i): Pot => ({
        ...pot(name, 1),
        draws: [draw('percent', 50, ['C', 'A', 'B'][i])],
      })),
    );
    const found = find(ring, 'pot-cycle')!;
    expect(found).toMatchObject({ level: 'stop', arithmetic: 'A → B → C → A' });
    repaired(ring, 'pot-cycle');
    expect(find(planWith([pot('A', 1)]), 'pot-cycle')).toBeUndefined();
  });
});

describe('scent', () => {
  it('over its limit in one pot only, and the tap that sets the limit', () => {
    const plan = planWith([{ ...pot('A', 1), scented: true }, pot('B', 1)], {
      scent: scentOf('scent-red-gate', 25),
    });
    expect(find(plan, 'scent-over')!.sentence).toMatch(/in A\.$/);
    expect(repaired(plan, 'scent-over').base.scent!.dose).toBe(20);
  });

  it('a limit on the product against a dose on oils', () => {
    // 28 g per kg of soap, and about 1.29 g of cured soap for each g of oils: some 36 g/kg oils
    const at = (d: number): Check | undefined =>
      find(
        planWith([{ ...pot('A', 1), scented: true }], { scent: scentOf('scent-tin-roof', d) }),
        'scent-over',
      );
    expect(at(30)).toBeUndefined();
    expect(at(35)).toBeUndefined();
    expect(at(38)!.arithmetic).toContain('from the limit on this pot’s finished soap');
  });

  it('scent-seizes-technique', () => {
    const plan = (scent: string, id: string, fallback: string | null = null): Plan =>
      planWith(
        [{ ...pot('A', 1), scented: true }],
        { scent: scentOf(scent, 20) },
        { ...technique(id), ...work({ fallback }) },
      );
    expect(find(plan('scent-red-gate', 'hanger'), 'scent-seizes-technique')).toBeDefined();
    expect(find(plan('scent-red-gate', 'blobs'), 'scent-seizes-technique')).toBeUndefined();
    expect(find(plan('scent-limewash', 'hanger'), 'scent-seizes-technique')).toBeUndefined();
    expect(find(plan('scent-red-gate', 'hanger'), 'scent-seizes-technique')!.repairs).toHaveLength(1);
    expect(find(plan('scent-red-gate', 'hanger', 'layers'), 'scent-seizes-technique')!.repairs).toEqual([]);
  });

  it('white-will-tan names its causes and offers what helps', () => {
    const white = (scented: boolean, d = 30): Plan =>
      planWith([{ ...pot('White', 1, dose('titanium-dioxide-oil', 6)), scented }], {
        scent: scentOf('scent-oat-biscuit', d),
      });
    const found = find(white(true), 'white-will-tan')!;
    expect(found.arithmetic).toContain('scent');
    expect(found.repairs!.map((r) => r.label)).toEqual([
      'Leave the scent out of this pot',
      'Add vanillin stabiliser',
    ]);
    repaired(white(true), 'white-will-tan');
    expect(find(white(false), 'white-will-tan')).toBeUndefined();
    expect(find(white(true, 1), 'white-will-tan')).toBeUndefined();
    // A pot that is not meant white may tan as it likes.
    const brick = planWith([{ ...pot('Brick', 1, dose('red-iron-oxide', 4)), scented: true }], {
      scent: scentOf('scent-oat-biscuit', 30),
    });
    expect(find(brick, 'white-will-tan')).toBeUndefined();
  });
});

describe('looks', () => {
  const pair = (a: Pot, b: Pot, id = 'hanger'): Plan => planWith([a, b], {}, technique(id));

  it('reads-as-one below what the technique needs', () => {
    const blue = (d: number): Pot => pot(`Blue ${d}`, 1, dose('ultramarine-blue', d));
    expect(find(pair(blue(4), blue(5)), 'reads-as-one')).toBeDefined();
    expect(find(pair(blue(5), pot('Bare', 1)), 'reads-as-one')).toBeUndefined();
    expect(find(planWith([blue(4), blue(5)]), 'reads-as-one')).toBeUndefined();
  });

  it('value-flat within 12 of L*', () => {
    const grey = (name: string, d: number): Pot => pot(name, 1, dose('activated-charcoal', d));
    expect(find(planWith([grey('A', 2), grey('B', 2.2)]), 'value-flat')).toBeDefined();
    expect(find(planWith([grey('A', 0.1), grey('B', 4)]), 'value-flat')).toBeUndefined();
    expect(find(planWith([grey('A', 2)]), 'value-flat')).toBeUndefined();
  });

  it('mud where the technique mixes complements', () => {
    const blue = pot('Blue', 1, dose('ultramarine-blue', 6));
    const orange = pot('Orange', 1, dose('orange-oxide', 3));
    const mixes = 'in-the-pot';
    expect(find(pair(blue, orange, mixes), 'mud')).toBeDefined();
    expect(find(pair(blue, pot('Bare', 1), mixes), 'mud')).toBeUndefined();
    expect(find(pair(blue, orange, 'layers'), 'mud')).toBeUndefined();
  });

  it('smears: heavy carbon beside a pale pot', () => {
    const typical = shelfItem('activated-charcoal').window!.typical;
    const black = (d: number): Pot => pot('Black', 1, dose('activated-charcoal', d));
    const white = pot('White', 1, dose('titanium-dioxide-oil', 6));
    expect(find(pair(black(typical + 0.1), white), 'smears')).toBeDefined();
    expect(find(pair(black(typical), white), 'smears')).toBeUndefined();
    expect(
      find(pair(black(typical + 0.1), pot('Dark', 1, dose('red-iron-oxide', 5))), 'smears'),
    ).toBeUndefined();
  });

  it('rivers: white, much water, forced gel', () => {
    const plan = (value: number, heat: Work['heat']): Plan =>
      planWith([pot('White', 1, dose('titanium-dioxide-oil', 6))], liquid({ value }), work({ heat }));
    expect(find(plan(29.9, 'force'), 'rivers')).toBeDefined();
    expect(find(plan(30, 'force'), 'rivers')).toBeUndefined();
    expect(find(plan(29.9, 'let'), 'rivers')).toBeUndefined();
    repaired(plan(29.9, 'force'), 'rivers');
  });
});

describe('carriers', () => {
  const held = (source: 'batch' | 'extra', carrierOil: string | null): Plan =>
    planWith([pot('A', 1, { ...dose('mica-dome', 10), source })], {}, work({ carrierOil }));

  it('a carrier oil that the recipe lacks', () => {
    const plan = held('batch', 'oil-sunflower');
    expect(find(plan, 'carrier-heavy')!.sentence).toMatch(/is not in the recipe/);
    repaired(plan, 'carrier-heavy');
    expect(find(held('batch', 'oil-olive'), 'carrier-heavy')).toBeUndefined();
    expect(find(held('extra', 'oil-sunflower'), 'carrier-heavy')).toBeUndefined();
  });

  it('more than the recipe holds of it', () => {
    const plan = planWith(
      [pot('A', 1, { ...dose('mica-dome', 20), carrier: { medium: 'oil', ratio: 3 }, source: 'batch' })],
      {},
      work({ carrierOil: 'oil-castor' }),
    );
    // 20 × 3 = 60 g of the 50 g of castor
    expect(find(plan, 'carrier-oil-short')).toMatchObject({
      level: 'stop',
      arithmetic: '60.0 g for cups, 50.0 g in the oils',
    });
    repaired(plan, 'carrier-oil-short');
  });

  it.each([
    // 500 g of oils of its own, 5 % castor: 25 g for 16.6 or 16.7 g/kg × 0.5 kg × 3.
    [16.6, undefined],
    [16.7, 'stop'],
  ])('more than the own oils of a mini-batch hold, with %d g/kg of powder', (grPerKg, level) => {
    const own = pot('B', 1, {
      ...dose('mica-dome', grPerKg),
      carrier: { medium: 'oil', ratio: 3 },
      source: 'batch',
    });
    const plan = planWith([pot('A', 1), { ...own, ownLye: true }], {}, work({ carrierOil: 'oil-castor' }));
    const found = find(plan, 'carrier-oil-short');
    expect(found?.level).toBe(level);
    // The whole recipe holds twice as much of it.
    expect(found?.place).toEqual(level && { at: 'pot', potId: plan.pots[1]!.id });
  });

  it('carrier-mismatch: water grade in oil, glycerin and rivers', () => {
    const water = planWith([
      pot('A', 1, { ...dose('titanium-dioxide-water', 5), carrier: { medium: 'oil', ratio: 2 } }),
    ]);
    expect(find(water, 'carrier-mismatch')!.sentence).toMatch(/is not made for light oil/);
    repaired(water, 'carrier-mismatch');
    const sweet = (heat: Work['heat']): Plan =>
      planWith(
        [pot('A', 1, { ...dose('mica-dome', 5), carrier: { medium: 'glycerin', ratio: 2 } })],
        {},
        work({ heat }),
      );
    expect(find(sweet('force'), 'carrier-mismatch')?.sentence).toMatch(/rivers/);
    expect(find(sweet('let'), 'carrier-mismatch')).toBeUndefined();
  });

  it('too little to weigh goes into a bottle', () => {
    const tiny = planWith([pot('A', 1, dose('ultramarine-blue', 0.15))]);
    const next = repaired(tiny, 'too-small-to-weigh');
    expect(next.work.dispersions).toEqual([
      { materialId: 'ultramarine-blue', stock: { powderPercent: 10, gramsPerDrop: 0.04 } },
    ]);
  });

  it('dose-over is set to the ceiling', () => {
    repaired(planWith([pot('A', 1, dose('red-iron-oxide', 9))]), 'dose-over');
  });
});

describe('work', () => {
  it('pots that set too soon, and too late', () => {
    const racing = planWith(
      [
        { ...pot('Fast', 1, dose('kaolin', 20)), scented: true },
        { ...pot('B', 1, dose('kaolin', 5)), scented: true },
      ],
      { scent: scentOf('scent-red-gate', 20) },
      technique('hanger'),
    );
    expect(find(racing, 'pot-sets-too-soon')).toBeDefined();
    const easy = planWith([pot('A', 1), pot('B', 1)], {}, technique('hanger'));
    expect(find(easy, 'pot-sets-too-soon')).toBeUndefined();
    // A slow pot beside one that will not wait.
    const apart = planWith(
      [pot('Slow', 1), { ...pot('Fast', 1, dose('kaolin', 20)), scented: true }],
      { scent: scentOf('scent-red-gate', 20) },
      technique('blobs'),
    );
    expect(find(apart, 'pot-sets-too-late')?.place).toEqual({ at: 'pot', potId: 'Slow' });
    expect(find(easy, 'pot-sets-too-late')).toBeUndefined();
  });

  it('heat-risk: sweet and hot', () => {
    const sweet = {
      additives: [
        { id: 's', materialId: 'sugar', dose: gramsPerKg(10), perBar: null, moment: 'lye-water' as const },
      ],
    };
    const tall = (height: number): Pick<Plan, 'moulding'> => ({
      moulding: {
        ...emptyMoulding,
        moulds: [{ id: 'm', count: 1, mould: { ...plainMould('Box', 'box'), height } }],
      },
    });
    expect(find(planWith([], sweet, work({ heat: 'force' })), 'heat-risk')).toBeDefined();
    expect(find(planWith([], {}, work({ heat: 'force' })), 'heat-risk')).toBeUndefined();
    expect(find(planWith([], sweet, work({ heat: 'let' })), 'heat-risk')).toBeUndefined();
    const kept = work({ finish: ['insulate'] });
    expect(find(planWith([], sweet, { ...kept, ...tall(80) }), 'heat-risk')).toBeDefined();
    expect(find(planWith([], sweet, { ...kept, ...tall(79) }), 'heat-risk')).toBeUndefined();
    const milk = liquid({ parts: [{ id: 'p', name: 'Oat milk', kind: 'milk', percent: 50 }] });
    expect(find(planWith([], milk, work({ heat: 'force' })), 'heat-risk')?.sentence).toMatch('Oat milk');
    repaired(
      planWith([], sweet, { ...work({ heat: 'force', finish: ['insulate'] }), ...tall(90) }),
      'heat-risk',
    );
  });

  it('scrub-size: faces, and grains that sink', () => {
    const grit = pot('A', 1, dose('pumice-medium', 20));
    expect(find(planWith([grit], {}, work({ use: 'face' })), 'scrub-size')).toBeDefined();
    expect(find(planWith([grit], {}, work({ use: 'hands' })), 'scrub-size')).toBeUndefined();
    expect(
      find(planWith([pot('A', 1, dose('jojoba-beads', 5))], {}, work({ use: 'face' })), 'scrub-size'),
    ).toBeUndefined();
    repaired(planWith([grit], {}, work({ use: 'face' })), 'scrub-size');
    expect(find(planWith([grit], {}, technique('hanger')), 'scrub-size')?.sentence).toMatch('sinks');
    expect(find(planWith([grit], {}, technique('blobs')), 'scrub-size')).toBeUndefined();
  });

  it('layer-bond above an hour', () => {
    const apart = (hours: number): Plan => planWith([{ ...pot('A', 1), hoursBefore: hours }, pot('B', 1)]);
    expect(find(apart(1), 'layer-bond')).toBeUndefined();
    expect(find(apart(1.1), 'layer-bond')).toBeDefined();
  });

  it('allergen and rules-colour speak once', () => {
    const plan = planWith([
      pot('A', 1, dose('oats-ground', 5), dose('activated-charcoal', 1)),
      pot('B', 1, dose('activated-charcoal', 1, 'again')),
    ]);
    expect(find(plan, 'allergen')!.sentence).toMatch(/^Oats, ground: say so|^Oat.*: say so/);
    expect(all(plan, 'rules-colour')).toHaveLength(1);
    expect(find(planWith([pot('A', 1, dose('kaolin', 5))]), 'allergen')).toBeUndefined();
    expect(find(planWith([pot('A', 1, dose('kaolin', 5))]), 'rules-colour')).toBeUndefined();
  });

  it('stock-short by what the shelf holds now', () => {
    const plan = planWith([pot('A', 1, dose('ultramarine-blue', 5))]);
    const shelf = (stock: number | null): ShelfState =>
      new Map([['ultramarine-blue', { ...shelfItem('ultramarine-blue'), stock }]]);
    expect(find(plan, 'stock-short', shelf(4.9))!.arithmetic).toContain('5.0 g needed');
    expect(find(plan, 'stock-short', shelf(5))).toBeUndefined();
    expect(find(plan, 'stock-short', shelf(null))).toBeUndefined();
    // Gone from the shelf: the plan keeps its copy and nothing is claimed about stock.
    expect(find(plan, 'stock-short', new Map())).toBeUndefined();
  });

  it('untested-lot in a permanent line alone', () => {
    const state = (lot: string, lotTested: boolean): ShelfState =>
      new Map([
        [
          'ultramarine-blue',
          { ...shelfItem('ultramarine-blue'), lots: [{ id: 'l', label: lot, tested: lotTested }] },
        ],
      ]);
    const line = planWith([pot('A', 1, dose('ultramarine-blue', 5))], {}, work({ permanentLine: true }));
    expect(find(line, 'untested-lot', state('7b', false))).toBeDefined();
    expect(find(line, 'untested-lot', state('7b', true))).toBeUndefined();
    expect(find(line, 'untested-lot', state('', false))).toBeUndefined();
    expect(find({ ...line, ...work({}) }, 'untested-lot', state('7b', false))).toBeUndefined();
  });
});

describe('what goes into the oils or the lye', () => {
  const early = { ...dose('pumice-fine', 20), carrier: { medium: 'batch-oils', ratio: 0 } as const };
  const others = (
    medium: Carrier['medium'],
    change: Partial<Pot> = {},
    more: readonly Pot[] = [pot('White', 1)],
  ) =>
    find(
      planWith([{ ...pot('Scrub', 1, { ...early, carrier: { medium, ratio: 0 } }), ...change }, ...more]),
      'carrier-reaches-others',
    );

  it('is a stop for a pot that shares its batter, through either, and for no other', () => {
    expect(others('batch-oils')).toMatchObject({ level: 'stop', place: { at: 'dose', potId: 'Scrub' } });
    expect(others('batch-oils')!.sentence).toMatch(
      /Scrub alone, but what goes into the batch oils is in every pot/,
    );
    expect(others('lye-water')!.sentence).toMatch(/the lye water/);
    expect(others('trace')).toBeUndefined();
    // The only pot, a mini-batch, and a pot beside mini-batches have their oils to themselves.
    expect(others('batch-oils', {}, [])).toBeUndefined();
    expect(others('batch-oils', { ownLye: true })).toBeUndefined();
    expect(others('batch-oils', {}, [{ ...pot('White', 1), ownLye: true }])).toBeUndefined();
    // What is drawn from another pot went through that one's oils.
    const drawn = { draws: [{ id: 'd', from: 'White', by: 'parts' as const, value: 1, second: 0 }] };
    expect(others('batch-oils', drawn, [{ ...pot('White', 1), ownLye: true }])).toBeDefined();
    expect(others('batch-oils', { doses: [{ ...early, dose: gramsPerKg(0) }] })).toBeUndefined();
  });

  it('is mended by each of its repairs: in the pot itself, in the whole batch, in a mini-batch', () => {
    const plan = planWith([pot('Scrub', 1, early), pot('White', 1)]);
    const { repairs = [] } = find(plan, 'carrier-reaches-others')!;
    expect(repairs).toHaveLength(3);
    const [itself, whole, mini] = repairs.map((r) => r.apply(plan));
    for (const mended of [itself!, whole!, mini!]) {
      expect(find(mended, 'carrier-reaches-others')).toBeUndefined();
      expect(find(mended, 'carrier-mismatch')).toBeUndefined();
    }
    expect(whole!.pots[0]!.doses).toEqual([]);
    expect(whole!.base.additives).toMatchObject([
      { materialId: 'pumice-fine', dose: 20, perBar: null, moment: 'oils' },
    ]);
    // As strong as it was in the pot, in every pot.
    expect(whole!.materials.map((m) => m.id)).toContain('pumice-fine');
    expect(mini!.pots[0]!.ownLye).toBe(true);
  });

  it('joins what the whole batch has of it already, and keeps the way it went in', () => {
    const indigo = { ...dose('indigo', 4), carrier: { medium: 'lye-water', ratio: 0 } as const };
    const plan = planWith([pot('Blue', 1, indigo), pot('White', 1)], {
      additives: [{ id: 'a', materialId: 'indigo', dose: gramsPerKg(1), perBar: null, moment: 'lye-water' }],
    });
    expect(makeWholeBatch(plan, 'Blue', 'indigo').base.additives).toEqual([
      { id: 'a', materialId: 'indigo', dose: 5, perBar: null, moment: 'lye-water' },
    ]);
  });

  it('is not how a material starts in a pot that shares its batter', () => {
    const two = planWith([pot('A', 1), pot('B', 1)]);
    const alone = planWith([pot('A', 1)]);
    const own = planWith([{ ...pot('A', 1), ownLye: true }, pot('B', 1)]);
    for (const material of startingShelf()) {
      const [first] = material.carriers;
      const started = (plan: Plan) => addDose(plan, 'A', 'r', material).pots[0]!.doses[0]!.carrier;
      expect(started(own)).toEqual(first ?? null);
      // A pot that is alone may get company.
      expect(started(alone)).toEqual(started(two));
      expect(['batch-oils', 'lye-water']).not.toContain(started(two)?.medium);
      expect(find(addDose(two, 'A', 'r', material), 'carrier-reaches-others')).toBeUndefined();
    }
  });
});
