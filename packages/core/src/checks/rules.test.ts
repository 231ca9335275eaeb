import { gelBegins, gelOf } from '../balance/gel.ts';
import { emptyMoulding, type Mould, plainMould } from '../plan/moulding.ts';
import { emptyWork, type LiquidKind, type Plan, type Pot, type Work } from '../plan/plan.ts';
import { dose, planWith, pot, scentOf, shelfItem, tenthGramScale, ideaOf } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { withFinish } from '../work/finish.ts';
import { type Check } from './check.ts';
import { checkPlan } from './index.ts';

const all = (plan: Plan, id: string): Check[] =>
  checkPlan(plan, { measuring: tenthGramScale }).filter((c) => c.id === id);
const find = (plan: Plan, id: string): Check | undefined => all(plan, id)[0];
const work = (change: Partial<Work>): Pick<Plan, 'work'> => ({ work: { ...emptyWork, ...change } });
const technique = (id: string): Pick<Plan, 'idea'> => ({ idea: ideaOf(id) });
const lye = (value: number, kind?: LiquidKind): Partial<Plan['base']> => ({
  liquid: {
    by: 'concentration',
    value,
    heldBack: grams(0),
    parts: kind ? [{ id: 'm', name: 'Milk', kind, percent: 50 }] : [],
  },
});
const moulded = (...moulds: Mould[]): Pick<Plan, 'moulding'> => ({
  moulding: { ...emptyMoulding, moulds: moulds.map((mould, i) => ({ id: `m${i}`, count: 1, mould })) },
});
const white = (d: number): Pot => pot('White', 1, dose('titanium-dioxide-oil', d));
const black = (d: number): Pot => pot('Black', 1, dose('activated-charcoal', d));

describe('gel of a batch', () => {
  it('begins near 62 °C at 27 % lye, 72 at 33, 85 at 40, and in between between them', () => {
    expect([20, 27, 30, 33, 36.5, 40, 45].map(gelBegins)).toEqual([62, 62, 67, 72, 78.5, 85, 85]);
  });
  it('is likelier warm, tall, covered, sweet and with more water; small cavities seldom gel', () => {
    const at = (base: Partial<Plan['base']>, rest: Partial<Plan> = {}): number =>
      gelOf(planWith([pot('A', 1)], base, rest)).likelihood;
    const loaf = moulded({ ...plainMould('Loaf', 'box'), height: 80 });
    expect(at(lye(27))).toBeGreaterThan(0.5);
    expect(at(lye(33))).toBeLessThan(0.5);
    expect(at(lye(33), loaf)).toBeGreaterThan(at(lye(33), moulded(plainMould('Slab', 'slab'))));
    expect(at(lye(33), { ...loaf, ...work({ finish: ['insulate'] }) })).toBeGreaterThan(0.6);
    expect(at({ ...lye(33), temperature: 45 })).toBeGreaterThan(0.8);
    expect(at(lye(33, 'milk'))).toBeGreaterThan(at(lye(33)));
    expect(at(lye(33), moulded(plainMould('Cavities', 'cavities')))).toBeLessThan(0.1);
  });
  it('is decided by the maker, and by oven and fridge', () => {
    const gel = (change: Partial<Work>): number => gelOf(planWith([], lye(33), work(change))).gel;
    expect(gel({ heat: 'force' })).toBe(1);
    expect(gel({ heat: 'prevent' })).toBe(0);
    expect(gel({ finish: ['oven'] })).toBe(1);
    expect(gelOf(planWith([], lye(27), work({ finish: ['fridge'] }))).gel).toBe(0);
  });
});

describe('ceilings', () => {
  it('count the whole batch and the donor', () => {
    const ceiling = shelfItem('ultramarine-blue').window!.ceiling;
    const half = gramsPerKg(ceiling / 2);
    const at = (own: number): Plan =>
      planWith([pot('A', 1, dose('ultramarine-blue', own))], {
        additives: [{ id: 'a', materialId: 'ultramarine-blue', dose: half, perBar: null, moment: 'oils' }],
      });
    expect(find(at(ceiling / 2), 'dose-over')).toBeUndefined();
    const over = find(at(ceiling / 2 + 0.1), 'dose-over')!;
    expect(over.place).toMatchObject({ at: 'dose', potId: 'A' });
    expect(over.repairs![0]!.apply(at(9)).pots[0]!.doses[0]!.dose).toBeCloseTo(ceiling / 2, 6);
  });
  it('count all grades of one colour index together', () => {
    const [oil, water] = ['titanium-dioxide-oil', 'titanium-dioxide-water'];
    expect(shelfItem(oil).colourIndex).toBe(shelfItem(water).colourIndex);
    const at = (a: number, b: number): Check | undefined =>
      find(planWith([pot('A', 1, dose(oil, a), dose(water, b))]), 'dose-over');
    expect(at(8, 7)).toBeUndefined();
    expect(at(8, 7.1)!.sentence).toContain('together');
  });
  it('hold for an additive of the whole batch, told once', () => {
    const lactate = (value: number): Plan =>
      planWith([pot('A', 1), pot('B', 1)], {
        additives: [
          {
            id: 'a',
            materialId: 'sodium-lactate',
            dose: gramsPerKg(value),
            perBar: null,
            moment: 'lye-water',
          },
        ],
      });
    const { ceiling } = shelfItem('sodium-lactate').window!;
    expect(find(lactate(ceiling), 'dose-over')).toBeUndefined();
    expect(all(lactate(ceiling + 0.1), 'dose-over').map((c) => c.place)).toEqual([{ at: 'additives' }]);
  });
});

describe('powder', () => {
  it('strained infusions, milk and scrubs do not count, clay and black oxide do', () => {
    const solids = (...rows: Parameters<typeof pot>[2][]): Check | undefined =>
      find(planWith([pot('A', 1, ...rows)]), 'total-solids');
    expect(
      solids({ ...dose('kaolin', 39) }, { ...dose('madder', 20), carrier: { medium: 'infusion', ratio: 4 } }),
    ).toBeUndefined();
    expect(solids(dose('kaolin', 39), dose('pumice-fine', 60))).toBeUndefined();
    expect(solids(dose('kaolin', 36), dose('black-iron-oxide', 4.1))).toBeDefined();
    expect(solids(dose('kaolin', 36), dose('black-iron-oxide', 4))).toBeUndefined();
  });
  it('dose-faint says nothing of scrubs, nor of clays and whites in a bare base', () => {
    expect(find(planWith([pot('A', 1, dose('pumice-fine', 1))]), 'dose-faint')).toBeUndefined();
    expect(find(planWith([pot('A', 1, dose('kaolin', 0.5))]), 'dose-faint')).toBeUndefined();
    expect(find(planWith([pot('A', 1, dose('ultramarine-blue', 0.01))]), 'dose-faint')).toBeDefined();
  });
});

describe('rivers, ash, false trace', () => {
  it.each([
    [29.9, 4, 'force', true],
    [30, 4, 'force', false],
    [29.9, 3.9, 'force', false],
    [27.9, 0, 'force', true],
    [28, 0, 'force', false],
    [29, 6, 'prevent', false],
  ] as const)('rivers at %d % lye, %d g/kg white, gel %s', (value, d, heat, told) => {
    const plan = planWith(d > 0 ? [white(d)] : [pot('A', 1)], lye(value), work({ heat }));
    expect(find(plan, 'rivers') !== undefined).toBe(told);
    if (told) expect(find(find(plan, 'rivers')!.repairs![0]!.apply(plan), 'rivers')).toBeUndefined();
  });
  it('milk lowers the threshold by a point, and an oven counts as forced gel', () => {
    const at = (value: number, kind?: LiquidKind): Check | undefined =>
      find(planWith([white(5)], lye(value, kind), work({ finish: ['oven'] })), 'rivers');
    expect(at(30.5)).toBeUndefined();
    expect(at(30.5, 'milk')).toBeDefined();
    expect(at(31, 'milk')).toBeUndefined();
  });
  it('rivers count the water that carriers bring beside the recipe', () => {
    // 1,000 g: 142 g of lye in 288 g of water are 33 %; 6 g/kg in water 1 : 4 beside the recipe bring 24 g more: 31.3 %.
    const wet = (value: number, ratio: number): Plan =>
      planWith(
        [
          pot('White', 1, {
            ...dose('titanium-dioxide-water', 6),
            carrier: { medium: 'water', ratio },
          }),
        ],
        lye(value),
        work({ heat: 'force' }),
      );
    expect(find(wet(31, 0), 'rivers')).toBeUndefined();
    expect(find(wet(31, 4), 'rivers')?.arithmetic).toMatch(/^lye concentration 29\.\d %, below 30 %/);
  });
  it('ash: under 30 % lye, uncovered, no mist, little gel', () => {
    const at = (value: number, change: Partial<Work> = {}): Check | undefined =>
      find(planWith([pot('A', 1)], lye(value), work({ heat: 'prevent', ...change })), 'ash-likely');
    expect(at(29.9)?.level).toBe('tip');
    expect(at(30)).toBeUndefined();
    expect(at(29, { finish: ['mist'] })).toBeUndefined();
    expect(at(29, { finish: ['insulate'] })).toBeUndefined();
    expect(at(29, { heat: 'force' })).toBeUndefined();
  });
  it('false trace: over 40 % hard fats below 32 °C', () => {
    const at = (hard: number, temperature: number): Check | undefined =>
      find(
        planWith([], {
          temperature,
          oils: [
            { id: 'l', materialId: 'oil-lard', percent: hard },
            { id: 'o', materialId: 'oil-olive', percent: 100 - hard },
          ],
        }),
        'false-trace',
      );
    expect(at(40.1, 31.9)).toBeDefined();
    expect(at(40, 31)).toBeUndefined();
    expect(at(60, 32)).toBeUndefined();
  });
});

describe('neighbours', () => {
  const divided = (n: number): Pick<Plan, 'moulding'> =>
    moulded({
      ...plainMould('Slab', 'slab'),
      sections: Array.from({ length: n }, () => (400 - 3 * (n - 1)) / n),
    });
  const inSection = (p: Pot, n: number): Pot => ({
    ...p,
    draws: [{ id: 'd', from: null, by: 'section', value: n, second: 0 }],
  });

  it('come from the sections, not from the order of the pots', () => {
    // Black lies in the second of three sections; white in the third, then in the first of four beside grey.
    const grey = pot('Grey', 1, dose('activated-charcoal', 2));
    const beside = planWith(
      [inSection(white(6), 3), inSection(grey, 1), inSection(black(8), 2)],
      {},
      { ...technique('divided-comb'), ...divided(3) },
    );
    expect(find(beside, 'smears')!.sentence).toContain('White');
    const apart = planWith(
      [inSection(white(6), 1), inSection(black(8), 3), inSection(grey, 2)],
      {},
      { ...technique('divided-comb'), ...divided(3) },
    );
    expect(find(apart, 'smears')).toBeUndefined();
  });
  it('two pots in one section, and a section without one', () => {
    const plan = planWith([inSection(white(6), 1), inSection(black(2), 1)], {}, divided(2));
    expect(find(plan, 'section-shared')!.sentence).toContain('White and Black');
    expect(find(plan, 'section-empty')!.sentence).toContain('Section 2');
    const whole = planWith([inSection(white(6), 1), inSection(black(2), 2)], {}, divided(2));
    expect([...all(whole, 'section-shared'), ...all(whole, 'section-empty')]).toEqual([]);
    const beyond = planWith([inSection(white(6), 1), inSection(black(2), 5)], {}, divided(2));
    expect(
      all(beyond, 'section-empty')
        .map((c) => c.sentence)
        .join(),
    ).toContain('does not have');
  });
  it('a piped pot is not in the swirl: it turns nothing to mud', () => {
    const blue = pot('Blue', 1, dose('ultramarine-blue', 6));
    const orange = pot('Orange', 1, dose('orange-oxide', 3));
    expect(find(planWith([blue, orange], {}, technique('in-the-pot')), 'mud')).toBeDefined();
    expect(
      find(planWith([blue, { ...orange, place: 'top' }], {}, technique('in-the-pot')), 'mud'),
    ).toBeUndefined();
  });
  it('too close in lightness only is another sentence', () => {
    const sentences = (d: number): string[] =>
      all(
        planWith(
          [pot('A', 1, dose('ultramarine-blue', 4)), pot('B', 1, dose('orange-oxide', d))],
          {},
          technique('funnel'),
        ),
        'reads-as-one',
      ).map((c) => c.sentence);
    expect(sentences(2.5).join()).toContain('about as light');
  });
  it('a sieved line of charcoal smears over a white', () => {
    const line = { id: 'l', materialId: 'activated-charcoal', gramsPerDm2: 0.2, count: 1, carrier: null };
    expect(
      find(planWith([white(6), pot('B', 1, dose('red-iron-oxide', 4))], {}, { lines: [line] }), 'smears')!
        .place,
    ).toEqual({ at: 'embeds' });
    expect(
      find(planWith([white(6)], {}, { lines: [{ ...line, materialId: 'cocoa' }] }), 'smears'),
    ).toBeUndefined();
  });
});

describe('scent', () => {
  it('creeps from much vanillin into an unscented white', () => {
    const vanillin = shelfItem('scent-oat-biscuit').scent!.vanillin;
    const at = (rate: number, scented = false): Check | undefined =>
      find(
        planWith(
          [
            { ...pot('Brown', 1), scented: true },
            { ...white(6), scented },
          ],
          { scent: scentOf('scent-oat-biscuit', rate) },
          technique('layers'),
        ),
        'scent-creeps',
      );
    const from = 1.5 / vanillin;
    expect(at(from + 0.01)?.level).toBe('tip');
    expect(at(from - 0.01)).toBeUndefined();
    expect(at(from + 5, true)).toBeUndefined();
  });
  it('a tinted base does not silence the tan of a white', () => {
    const green = [{ id: 'o', materialId: 'oil-olive-pomace', percent: 100 }];
    const plan = planWith([{ ...white(8), scented: true }], {
      oils: green,
      scent: scentOf('scent-oat-biscuit', 30),
    });
    expect(find(plan, 'white-will-tan')!.arithmetic).toContain('scent');
    expect(find(planWith([white(8)], { oils: green }), 'white-will-tan')).toBeUndefined();
    // A tint of another pot is meant to be coloured.
    const teal = pot('Teal', 1, dose('mica-dome', 8));
    const tint: Pot = {
      ...white(3),
      draws: [{ id: 'd', from: 'Teal', by: 'percent', value: 40, second: 0 }],
    };
    expect(find(planWith([teal, tint]), 'white-will-tan')).toBeUndefined();
    // What the whole batch carries is a tan of every white in it.
    const cocoa = [
      { id: 'a', materialId: 'cocoa', dose: gramsPerKg(6), perBar: null, moment: 'oils' as const },
    ];
    expect(find(planWith([white(6)], { additives: cocoa }), 'white-will-tan')!.arithmetic).toContain(
      'powders',
    );
  });
  it('fast batter that is wanted is no warning', () => {
    const plan = (fastWanted: boolean): Plan =>
      planWith(
        [{ ...pot('A', 1), scented: true }],
        { scent: scentOf('scent-red-gate', 20) },
        { ...technique('hanger'), ...work({ fastWanted }) },
      );
    expect(find(plan(false), 'scent-seizes-technique')).toBeDefined();
    expect(find(plan(true), 'scent-seizes-technique')).toBeUndefined();
  });
});

describe('time', () => {
  const layer = (name: string, hoursBefore: number, ownLye = false): Pot => ({
    ...pot(name, 1),
    hoursBefore,
    ownLye,
  });
  it('pots of one batter hours apart: a mini-batch is the way out', () => {
    const plan = planWith([layer('Ground', 2), layer('Middle', 1.5), layer('Sky', 0)]);
    const found = find(plan, 'time-apart')!;
    expect(found.sentence).toMatch(/^Sky would have set/);
    expect(find(found.repairs![0]!.apply(plan), 'time-apart')).toBeUndefined();
    expect(find(planWith([layer('Ground', 0.2), layer('Sky', 0)]), 'time-apart')).toBeUndefined();
    expect(find(planWith([layer('Ground', 4, true), layer('Sky', 0, true)]), 'time-apart')).toBeUndefined();
  });
  it('a design too long for every pot is told once', () => {
    const pots = ['A', 'B', 'C', 'D'].map((n) => pot(n, 1));
    const plan = planWith(
      pots,
      {},
      { ...technique('hanger'), ...work({ minutes: { split: 9, colour: 9, scent: 9, pour: 9, top: 9 } }) },
    );
    expect(all(plan, 'pot-sets-too-soon').map((c) => c.place)).toEqual([{ at: 'work' }]);
    const quick = planWith(
      pots,
      {},
      {
        ...technique('hanger'),
        ...work({ minutes: { split: 0.2, colour: 0.2, scent: 0.2, pour: 0.5, top: 1 } }),
      },
    );
    expect(all(quick, 'pot-sets-too-soon')).toEqual([]);
  });
  it('a mist added before the oven is placed after it; forced by hand it stops', () => {
    expect(withFinish(['mist'], 'oven')).toEqual(['oven', 'mist']);
    expect(withFinish(['insulate'], 'mist')).toEqual(['insulate', 'mist']);
    expect(find(planWith([], {}, work({ finish: ['mist', 'oven'] })), 'mist-before-heat')?.level).toBe(
      'stop',
    );
    expect(find(planWith([], {}, work({ finish: ['oven', 'mist'] })), 'mist-before-heat')).toBeUndefined();
  });
});
