import fc from 'fast-check';
import { deltaE00 } from '../colour/deltaE00.ts';
import { cured, fresh } from '../pigment/stage.ts';
import { dose, fourPotLoaf, planWith, pot, scentOf } from '../testing/plans.ts';
import { grams } from '../units/quantity.ts';
import { bareComposition, potComposition } from './potComposition.ts';
import { predictColour } from '../pigment/composition.ts';
import { sapNaoh } from '../material/sap.ts';
import { batterOf } from './lye.ts';
import { flowOf } from './balance.ts';
import { integrityProblems } from '../plan/integrity.ts';
import { emptyPlan, materialOf, pruneMaterials } from '../plan/plan.ts';

describe('lye and batter', () => {
  it('works out the reference loaf by hand', () => {
    // SAP(NaOH) = SAP(KOH)/1000 × 39.997/56.105:
    //   olive 0.13545 × 400 = 54.180   coconut 0.18321 × 300 = 54.964
    //   lard  0.14115 × 250 = 35.288   castor  0.12832 × 50 = 6.416      Σ = 150.848
    //   × 0.95 = 143.306 g NaOH; water at 33 % = 143.306 × (100/33 − 1) = 290.955 g
    const batter = batterOf(fourPotLoaf());
    expect(sapNaoh(190)).toBeCloseTo(0.13545, 5);
    expect(batter.lye).toBeCloseTo(143.306, 1);
    expect(batter.liquid).toBeCloseTo(290.955, 1);
    expect(batter.total).toBeCloseTo(1000 + 143.306 + 290.955, 1);
  });

  it('tells no lye for oils at 99.7 %, superfat below zero, or an oil without a value', () => {
    const loaf = fourPotLoaf();
    const short = { ...loaf.base.oils[0]!, percent: 39.7 };
    expect(
      batterOf({ ...loaf, base: { ...loaf.base, oils: [short, ...loaf.base.oils.slice(1)] } }),
    ).toMatchObject({
      lye: null,
      total: null,
      stops: ['oils-sum'],
    });
    expect(batterOf(planWith([], { superfat: -2 })).stops).toEqual(['superfat-range']);
    expect(batterOf(planWith([], { superfat: 0 })).stops).toEqual([]);
    const unknown = loaf.materials.map((m) =>
      m.id === 'oil-lard' ? { ...m, oil: { ...m.oil!, sapKoh: null } } : m,
    );
    expect(batterOf({ ...loaf, materials: unknown }).stops).toEqual(['lye-missing-value']);
  });
});

describe('pots', () => {
  it('3:2:2:1 of 1,000 g oils', () => {
    expect(flowOf(fourPotLoaf()).pots.map((p) => p.oils)).toEqual([375, 250, 250, 125]);
  });

  it('conserves oils and batter over any parts', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 1, maxLength: 12 }),
        (parts) => {
          fc.pre(parts.some((p) => p > 0));
          const plan = planWith(parts.map((p, i) => pot(`pot ${i}`, p)));
          const { pots } = flowOf(plan);
          expect(pots.reduce((s, p) => s + p.oils, 0)).toBeCloseTo(1000, 6);
          expect(pots.reduce((s, p) => s + p.mass, 0)).toBeCloseTo(batterOf(plan).total!, 6);
        },
      ),
    );
  });

  it('shares that add up to zero hold nothing, and nothing is NaN', () => {
    const { pots, leftoverMass } = flowOf(planWith([pot('A', 0), pot('B', 0)]));
    expect(pots.map((p) => p.oils)).toEqual([0, 0]);
    expect(pots.map((p) => p.mass)).toEqual([0, 0]);
    expect(leftoverMass).toBeCloseTo(1434.26, 1);
  });
});

describe('plan documents', () => {
  it('find references to nothing and repeated ids', () => {
    const loaf = fourPotLoaf();
    expect(integrityProblems(loaf)).toEqual([]);
    expect(integrityProblems({ ...loaf, materials: loaf.materials.slice(1) })).toEqual([
      {
        code: 'unknown-material',
        path: 'base.oils.0.materialId',
        message: 'The plan holds no material "oil-olive"',
      },
    ]);
    expect(integrityProblems({ ...loaf, pots: [...loaf.pots, loaf.pots[0]!] })[0]).toMatchObject({
      code: 'duplicate-id',
      path: 'pots.4.id',
    });
    const oilInPot = planWith([pot('A', 1, { ...dose('kaolin', 1), materialId: 'oil-olive' })]);
    expect(integrityProblems(oilInPot)[0]!.message).toMatch('cannot be used here');
  });

  it('keep the copies in use and drop the rest', () => {
    const loaf = fourPotLoaf();
    const slim = pruneMaterials({ ...loaf, pots: [] });
    expect(slim.materials.map((m) => m.id)).toEqual(['oil-olive', 'oil-coconut', 'oil-lard', 'oil-castor']);
    expect(pruneMaterials(loaf)).toBe(loaf);
    expect(() => materialOf(emptyPlan(), 'nothing')).toThrow('The plan holds no material "nothing"');
  });
});

describe('predicted pots', () => {
  it('an uncoloured pot is the bare base', () => {
    const plan = planWith([pot('Plain', 1)]);
    const bare = predictColour(bareComposition(plan), cured());
    expect(predictColour(potComposition(plan, plan.pots[0]!), cured())).toEqual(bare);
  });

  it('a scented pot browns and its unscented neighbour does not', () => {
    const plan = planWith([{ ...pot('A', 1), scented: true }, pot('B', 1)], {
      scent: scentOf('scent-oat-biscuit', 30),
    });
    const [a, b] = plan.pots.map((p) => predictColour(potComposition(plan, p), cured()).lab);
    expect(a![0]).toBeLessThan(b![0] - 10);
    const [a0, b0] = plan.pots.map((p) => predictColour(potComposition(plan, p), fresh()).lab);
    expect(deltaE00(a0!, b0!)).toBeLessThan(0.1);
  });

  it('oils at 99.7 % look like the same oils at 100 %', () => {
    const full = planWith([]);
    const short = {
      ...full,
      base: { ...full.base, oils: full.base.oils.map((o) => ({ ...o, percent: o.percent * 0.997 })) },
    };
    const one = predictColour(bareComposition(full), cured()).lab;
    expect(deltaE00(predictColour(bareComposition(short), cured()).lab, one)).toBeLessThan(1e-6);
    expect(
      predictColour(
        bareComposition({ ...full, base: { ...full.base, oils: [], totalOils: grams(1) } }),
        cured(),
      ).hex,
    ).toMatch(/^#/);
  });
});
