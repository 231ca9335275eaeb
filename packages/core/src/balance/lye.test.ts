import { planWith, scentOf } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { flowOf } from './balance.ts';
import { acidsOf, barSentence, blendAcids, FELT, oilsBring } from './blend.ts';
import { setLiquidWay } from './liquidWay.ts';
import { batterOf, lyeRate, superfatRange } from './lye.ts';
import { type Base, LIQUID_WAYS, plainLye, type Plan } from '../plan/plan.ts';

/** 1,000 g of olive oil alone: SAP 190 mg KOH/g. */
const olive = (change: Partial<Base> = {}): Plan =>
  planWith([], { oils: [{ id: 'o', materialId: 'oil-olive', percent: 100 }], superfat: 0, ...change });
const liquid = (change: Partial<Base['liquid']>): Base['liquid'] => ({
  by: 'concentration',
  value: 33,
  parts: [],
  heldBack: grams(0),
  ...change,
});

describe('lye', () => {
  it('purity divides, superfat takes off', () => {
    // 190 / 1000 × 39.997 / 56.105 = 0.135450 g NaOH per g; × 1,000 g = 135.45 g
    expect(lyeRate(olive()).naoh).toBeCloseTo(135.45, 2);
    // × 0.95 / 0.98 = 131.304 g
    const weak = olive({ superfat: 5, lye: { ...plainLye, naohPurity: 98 } });
    expect(lyeRate(weak).naoh).toBeCloseTo(131.304, 2);
  });

  it('potassium hydroxide by moles, with its own purity', () => {
    // Half the moles: 190 g KOH would do all, so 95 g / 0.9 = 105.556 g KOH, and 135.45 / 2 = 67.725 g NaOH
    const rate = lyeRate(olive({ lye: { kohShare: 50, naohPurity: 100, kohPurity: 90 } }));
    expect(rate.koh).toBeCloseTo(105.556, 2);
    expect(rate.naoh).toBeCloseTo(67.725, 2);
  });

  it.each([
    ['citric-acid', 0.625],
    ['citric-acid-monohydrate', 0.571],
  ])('%s eats lye, and the lye follows', (materialId, demand) => {
    // 10 g in 1,000 g oils
    const sour = olive({
      additives: [{ id: 'c', materialId, dose: gramsPerKg(10), perBar: null, moment: 'lye-water' }],
    });
    expect(lyeRate(sour).naoh - lyeRate(olive()).naoh).toBeCloseTo(10 * demand, 6);
    // …so that the oils get what they would have got: the superfat stands.
    expect(flowOf(sour).lyes[0]!.naoh).toBeCloseTo(135.45 + 10 * demand, 2);
  });

  it('spread of the saponification values at either end', () => {
    // All values 3 % up: 0.95 / 1.03 = 92.233 % of what they take, superfat 7.767 %; 3 % down: 0.95 / 0.97 = 97.938 %
    const [low, high] = superfatRange(olive({ superfat: 5 }));
    expect(low).toBeCloseTo(2.062, 2);
    expect(high).toBeCloseTo(7.767, 2);
  });
});

describe('liquid', () => {
  it.each([
    // 135.45 g lye: 135.45 × (100 / 33 − 1) = 275.005; × 2 = 270.9; 38 % of 1,000 g = 380
    ['concentration', 33, 275.005],
    ['ratio', 2, 270.9],
    ['percent', 38, 380],
  ] as const)('by %s', (by, value, grams_) => {
    expect(batterOf(olive({ liquid: liquid({ by, value }) })).liquid).toBeCloseTo(grams_, 1);
  });

  it('says the same liquid another way, there and back', () => {
    const plan = olive({ superfat: 4 });
    const before = batterOf(plan).liquid!;
    for (const way of LIQUID_WAYS) {
      const next = setLiquidWay(plan, way);
      expect(next.base.liquid.by).toBe(way);
      // The field shows two decimals, so half a hundredth of a per cent of oils may move.
      expect(Math.abs(batterOf(next).liquid! - before)).toBeLessThan(1.5);
      expect(Math.abs(batterOf(setLiquidWay(next, 'concentration')).liquid! - before)).toBeLessThan(1.5);
    }
  });

  it('what is held back leaves the vessel, not the batter', () => {
    const held = flowOf(olive({ liquid: liquid({ heldBack: grams(100) }) })).lyes[0]!;
    expect(held.liquid).toBeCloseTo(275.005, 1);
    expect(held.vessel).toBeCloseTo(175.005, 1);
    expect(held.heldForLater).toBeCloseTo(100, 6);
  });

  it('milk and scent leave the lye alone', () => {
    const milky = olive({
      liquid: liquid({ parts: [{ id: 'm', name: 'Goat milk', kind: 'milk', percent: 50 }] }),
      scent: scentOf('scent-limewash', 30),
    });
    expect(batterOf(milky).lye).toBeCloseTo(135.45, 2);
    expect(batterOf(milky).liquid).toBeCloseTo(275.005, 1);
  });
});

describe('what the oils bring', () => {
  it('the parts of the oils make the whole', () => {
    const plan = planWith([]);
    const whole = blendAcids(plan);
    const parts = oilsBring(plan);
    expect(whole.known).toBe(1);
    for (const key of FELT) {
      const sum = parts.reduce((total, o) => total + o.part![key], 0);
      expect(sum).toBeCloseTo(whole[key], 9);
      expect(sum).toBeGreaterThan(0);
    }
  });

  it('coconut is hard and quick, olive gentle and slow, castor quick', () => {
    const by = new Map(oilsBring(planWith([])).map((o) => [o.material.id, o]));
    expect(by.get('oil-coconut')!.part!.foams).toBeGreaterThan(15);
    expect(by.get('oil-olive')!.part!.foams).toBeLessThan(1);
    expect(by.get('oil-coconut')!.pace).toBeLessThan(0.93);
    expect(by.get('oil-olive')!.pace).toBeGreaterThan(1.07);
    expect(by.get('oil-castor')!.pace).toBeLessThan(1.07);
  });

  it('says what the bar is like on both sides of each figure', () => {
    const bar = (foams: number, firm: number, holds: number, gentle: number, brief: number) =>
      barSentence({
        foams,
        firm,
        holds,
        gentle,
        brief,
        saturated: foams + firm,
        oleic: gentle,
        castor: 0,
        known: 1,
      });
    expect(bar(25, 20, 4, 36, 10)).toBe(
      'Firm by the second day, foams at once, holds its lather, a little drying: more of the gentle ones would help.',
    );
    expect(bar(20, 24, 3, 40, 10)).toBe('Firm within a week, foams at once.');
    expect(bar(11, 20, 0, 50, 19)).toBe(
      'Soft for some weeks, slow to foam, keeps for a shorter time: more of the firm ones would help.',
    );
    // Every acid is felt in one way.
    expect(FELT.reduce((sum, g) => sum + acidsOf([1, 2, 3, 4, 5, 6, 7, 8])[g], 0)).toBe(36);
  });

  it('an oil of unknown make-up is left out, and how much is known is said', () => {
    const plan = planWith([]);
    const materials = plan.materials.map((m) =>
      m.id === 'oil-olive' ? { ...m, oil: { ...m.oil!, fatty: null } } : m,
    );
    expect(blendAcids({ ...plan, materials }).known).toBeCloseTo(0.6, 9);
    expect(oilsBring({ ...plan, materials })[0]).toMatchObject({ part: null, pace: 1.05 });
    expect(blendAcids(planWith([], { oils: [] })).known).toBe(0);
  });
});
