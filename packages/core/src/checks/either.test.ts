import { deltaE00 } from '../colour/deltaE00.ts';
import { potComposition } from '../balance/potComposition.ts';
import { labOf } from '../pigment/composition.ts';
import { cured } from '../pigment/stage.ts';
import { type Design, emptyDesign } from '../plan/design.ts';
import { setTwins } from '../plan/edit/index.ts';
import { emptyMoulding, type MouldShape, plainMould } from '../plan/moulding.ts';
import { emptyWork, type Plan, type Work } from '../plan/plan.ts';
import { dose, ideaOf, planWith, pot, tenthGramScale } from '../testing/plans.ts';
import { grams } from '../units/quantity.ts';
import { type Check } from './check.ts';
import { checkPlan } from './checkPlan.ts';
import { CLEARLY_DARKER } from './look.ts';

const all = (plan: Plan, id: string): Check[] =>
  checkPlan(plan, { measuring: tenthGramScale }).filter((c) => c.id === id);
const find = (plan: Plan, id: string): Check | undefined => all(plan, id)[0];
const work = (change: Partial<Work>): Pick<Plan, 'work'> => ({ work: { ...emptyWork, ...change } });
const look = (plan: Plan, name: string, gel = 0) =>
  labOf(
    potComposition(
      plan,
      plan.pots.find((p) => p.name === name)!,
    ),
    cured(gel),
  );
const designed = (design: Partial<Design>): Pick<Plan, 'idea'> => ({
  idea: { design: { ...emptyDesign, ...design }, colours: [] },
});

describe('a batch that is let be', () => {
  // A quarter likely to gel.
  const greens = (change: Partial<Work> = {}): Plan =>
    planWith(
      [pot('A', 1, dose('spirulina', 3)), pot('B', 1, dose('chlorella', 6))],
      {},
      { idea: ideaOf('layers'), ...work(change) },
    );
  const apart = (plan: Plan, gel: number): number => deltaE00(look(plan, 'A', gel), look(plan, 'B', gel));

  it('is looked at in both states, and what only the less likely one does is a tip with its chance', () => {
    // Layers need 8: they have it ungelled and not gelled.
    expect(apart(greens(), 0)).toBeGreaterThan(8);
    expect(apart(greens(), 1)).toBeLessThan(8);
    expect(all(greens({ heat: 'prevent' }), 'reads-as-one')).toEqual([]);
    expect(all(greens({ heat: 'force' }), 'reads-as-one').map((c) => [c.level, c.sentence])).toEqual([
      ['warn', 'A and B will read as one in layers.'],
    ]);
    const [told, ...more] = all(greens(), 'reads-as-one');
    expect(more).toEqual([]);
    expect(told).toMatchObject({ level: 'tip', sentence: 'If it gels: A and B will read as one in layers.' });
    expect(told!.arithmetic).toMatch(/; 2\d % likely$/);
  });

  it('is told plainly, and once, where the likelier state has it', () => {
    const blues = (change: Partial<Work> = {}): Plan =>
      planWith(
        [pot('A', 1, dose('indigo', 1.5)), pot('B', 1, dose('woad', 4))],
        {},
        { idea: ideaOf('layers'), ...work(change) },
      );
    expect(apart(blues(), 0)).toBeLessThan(8);
    expect(all(blues({ heat: 'force' }), 'reads-as-one')).toEqual([]);
    expect(all(blues(), 'reads-as-one').map((c) => c.sentence)).toEqual([
      'A and B will read as one in layers.',
    ]);
  });
});

describe('twins', () => {
  it('may read as one on purpose, with one tap', () => {
    const plan = planWith(
      [pot('A', 1, dose('kaolin', 10)), pot('B', 1, dose('kaolin', 10)), pot('C', 1, dose('kaolin', 10))],
      {},
      { idea: ideaOf('layers') },
    );
    expect(all(plan, 'reads-as-one')).toHaveLength(2);
    const marked = all(plan, 'reads-as-one')[0]!.repairs![0]!.apply(plan);
    expect(marked.idea.design.twins).toEqual([{ a: 'A', b: 'B' }]);
    expect(all(marked, 'reads-as-one').map((c) => c.sentence)).toEqual([
      'B and C will read as one in layers.',
    ]);
    expect(setTwins(marked, 'B', 'A', false).idea.design.twins).toEqual([]);
  });
});

describe('each part of a design asks for itself', () => {
  const pots = [
    pot('Ground', 1, dose('titanium-dioxide-oil', 6)),
    pot('Reed', 1, dose('chromium-oxide-green', 2)),
    pot('Moss', 1, dose('chromium-oxide-green', 2.6)),
    pot('Rim', 1, dose('titanium-dioxide-oil', 6)),
  ];
  const swirled = (technique: string): Plan =>
    planWith(
      pots,
      {},
      designed({ body: ['layers'], layers: [{ id: 'l', technique, pots: ['Reed', 'Moss'] }] }),
    );

  it('a swirl in a layer of its own needs more than the layers around it', () => {
    const told = all(swirled('in-the-pot'), 'reads-as-one').map((c) => c.sentence);
    expect(told).toEqual(['Reed and Moss will read as one in in-the-pot swirl.']);
    expect(all(swirled('in-the-pot'), 'reads-as-one')[0]!.arithmetic).toMatch(/of 15(\.0)? needed/);
  });

  it('what is kept for the top is told when it sets before its turn', () => {
    const slow = (minutes: number): Plan =>
      planWith(
        [{ ...pot('A', 1), reserve: grams(50) }, pot('B', 1)],
        {},
        {
          ...designed({ body: ['layers'], top: 'textured-top' }),
          ...work({ minutes: { ...emptyWork.minutes, top: minutes } }),
        },
      );
    expect(find(slow(5), 'pot-sets-too-soon')).toBeUndefined();
    expect(find(slow(60), 'pot-sets-too-soon')?.sentence).toBe(
      'What goes on top of A will be too stiff before its turn comes.',
    );
  });
});

describe('black beside brights', () => {
  const plan = (own: number): Plan =>
    planWith(
      [pot('Black', 1, dose('activated-charcoal', own)), pot('Sun', 1, dose('neon-orange', 6))],
      {},
      { idea: ideaOf('layers'), ...work({ heat: 'prevent' }) },
    );

  it('offers the least that is still clearly the darkest', () => {
    const heavy = plan(9);
    const repair = find(heavy, 'smears')!.repairs![0]!;
    const mended = repair.apply(heavy);
    const gap = (p: Plan): number => look(p, 'Sun')[0] - look(p, 'Black')[0];
    const left = mended.pots[0]!.doses[0]!.dose;
    expect(left).toBeLessThan(9);
    expect(gap(mended)).toBeGreaterThanOrEqual(CLEARLY_DARKER);
    // A hundredth less would no longer be enough.
    expect(gap(plan(left - 0.02))).toBeLessThan(CLEARLY_DARKER);
  });
});

describe('a place in the mould that is not there', () => {
  const placed = (by: 'layer' | 'slant' | 'section', shape: MouldShape): Plan =>
    planWith(
      [{ ...pot('A', 1), draws: [{ id: 'd', from: null, by, value: 1, second: 0 }] }],
      {},
      { moulding: { ...emptyMoulding, moulds: [{ id: 'm', count: 1, mould: plainMould('Mould', shape) }] } },
    );
  it.each([
    ['layer', 'cylinder', 'A is to fill a layer, and no mould has a flat floor'],
    ['slant', 'cavities', 'A is to fill a layer, and no mould has a flat floor'],
    ['section', 'box', 'A is to fill section 1, and no mould is divided'],
  ] as const)('%s in %s', (by, shape, sentence) => {
    const plan = placed(by, shape);
    const told = find(plan, 'section-empty')!;
    expect(told.sentence).toContain(sentence);
    const mended = told.repairs![0]!.apply(plan);
    expect(find(mended, 'section-empty')).toBeUndefined();
    expect(mended.pots[0]!.draws[0]!.by).toBe('parts');
  });
  it('is not told where there is one', () => {
    expect(find(placed('layer', 'box'), 'section-empty')).toBeUndefined();
  });
});

describe('amounts and heat', () => {
  it('untested colours warn from two kilograms of oils on, with the batter at risk', () => {
    const big = (totalOils: number): Plan =>
      planWith([pot('Blue', 1, dose('ultramarine-blue', 5)), pot('Bare', 1)], {
        totalOils: grams(totalOils),
      });
    expect(find(big(1999), 'untested-lot')).toBeUndefined();
    const told = find(big(2000), 'untested-lot')!;
    expect([told.level, told.sentence]).toEqual([
      'warn',
      'No bar has been read yet of Ultramarine blue: 1437.3 g of batter depend on a default.',
    ]);
    const fitted = big(2000);
    const known = fitted.materials.map((m) =>
      m.curve
        ? { ...m, curve: { ...m.curve, origin: { kind: 'fitted' as const, version: 1, readings: 5 } } }
        : m,
    );
    expect(find({ ...fitted, materials: known }, 'untested-lot')).toBeUndefined();
  });

  it('beads of wax melt in an oven, and nowhere else', () => {
    const beads = (change: Partial<Work>): Plan =>
      planWith([pot('A', 1, dose('jojoba-beads', 10))], {}, work(change));
    expect(find(beads({ finish: ['oven'] }), 'heat-risk')?.sentence).toMatch(
      /^Jojoba beads melts in the oven/,
    );
    expect(find(beads({ finish: ['insulate'] }), 'heat-risk')).toBeUndefined();
  });

  it('less than half a drop of a stock bottle is told', () => {
    const drops = (value: number): Plan =>
      planWith(
        [pot('A', 1, dose('ultramarine-blue', value))],
        { totalOils: grams(100) },
        work({
          dispersions: [{ materialId: 'ultramarine-blue', stock: { powderPercent: 10, gramsPerDrop: 0.04 } }],
        }),
      );
    // 100 g of oils; half a drop is 0.002 g of powder: 0.02 g/kg.
    expect(find(drops(0.0199), 'too-small-to-weigh')?.sentence).toBe(
      'Ultramarine blue is less than half a drop of its stock bottle.',
    );
    expect(find(drops(0.0201), 'too-small-to-weigh')).toBeUndefined();
    const thin = find(drops(0.01), 'too-small-to-weigh')!.repairs![0]!.apply(drops(0.01));
    expect(thin.work.dispersions[0]!.stock!.powderPercent).toBe(1);
    expect(find(thin, 'too-small-to-weigh')).toBeUndefined();
  });
});
