import { planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { type Plan } from '../plan/plan.ts';
import { type Check } from './check.ts';
import { checkPlan } from './index.ts';

const find = (plan: Plan, id: string, scaleDivision = 0.1): Check | undefined =>
  checkPlan(plan, { measuring: { ...tenthGramScale, scaleDivision } }).find((c) => c.id === id);
const of = (totalOils: number): Plan => planWith([pot('A', 1)], { totalOils: totalOils as never });
/** g NaOH for a gram of the oils. */
const rate = 0.1438;

describe('lye-below-scale', () => {
  it.each([
    // 20 and 100 divisions: 20 and 100 g on a 1 g scale, 2 and 10 g on one of 0.1 g.
    [19.5 / rate, 1, 'stop'],
    [21 / rate, 1, 'warn'],
    [98 / rate, 1, 'warn'],
    [103 / rate, 1, undefined],
    [9.7 / rate, 0.1, 'warn'],
    [10.4 / rate, 0.1, undefined],
  ])('%d g of oils on a %d g scale: %s', (oils, division, level) => {
    expect(find(of(oils), 'lye-below-scale', division)?.level).toBe(level);
  });

  it('is told of each lye by itself', () => {
    const plan = planWith([pot('A', 9), { ...pot('B', 1), ownLye: true }], { totalOils: 500 as never });
    expect(find(plan, 'lye-below-scale')).toMatchObject({ level: 'warn', place: { at: 'pot', potId: 'B' } });
  });
});

describe('scent-no-limit', () => {
  const scented = (limit: number): Plan => {
    const plan = planWith([{ ...pot('A', 1), scented: true }], { scent: scentOf('scent-limewash', 30) });
    return {
      ...plan,
      materials: plan.materials.map((m) => (m.scent ? { ...m, scent: { ...m.scent, limit } } : m)),
    };
  };
  it('stops a scent whose limit nobody entered', () => {
    expect(shelfItem('scent-limewash').scent!.limit).toBeGreaterThan(0);
    expect(find(scented(0), 'scent-no-limit')?.level).toBe('stop');
    expect(find(scented(50), 'scent-no-limit')).toBeUndefined();
    expect(find(of(1000), 'scent-no-limit')).toBeUndefined();
  });
});

describe('superfat-range of salt bars', () => {
  const oils = (coconut: number) => [
    { id: 'c', materialId: 'oil-coconut', percent: coconut },
    { id: 'o', materialId: 'oil-olive', percent: 100 - coconut },
  ];
  const salted = (superfat: number, coconut: number, salt: number): Plan =>
    planWith([pot('A', 1)], {
      superfat,
      oils: oils(coconut),
      additives:
        salt > 0
          ? [{ id: 's', materialId: 'salt-bar', dose: gramsPerKg(salt), perBar: null, moment: 'trace' }]
          : [],
    });
  it.each([
    // Coconut holds 67 % lauric and myristic acid: 45 % of all from 67.2 % of it on.
    [12.1, 67, 0, 'warn'],
    [12.1, 68, 0, undefined],
    [22, 68, 0, undefined],
    [22.1, 68, 0, 'warn'],
    [12.1, 30, 249, 'warn'],
    [12.1, 30, 250, undefined],
    [2.9, 68, 0, 'warn'],
  ])('%d %% with %d %% coconut and %d g/kg salt: %s', (superfat, coconut, salt, level) => {
    expect(find(salted(superfat, coconut, salt), 'superfat-range')?.level).toBe(level);
  });
});
