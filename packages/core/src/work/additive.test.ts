import { type AdditiveMoment, type AdditiveRow } from '../plan/plan.ts';
import { planWith, shelfItem } from '../testing/plans.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { additiveEffects } from './additive.ts';

describe('additives', () => {
  const row = (materialId: string, dose: number, moment: AdditiveMoment = 'trace'): AdditiveRow => ({
    id: materialId,
    materialId,
    dose: gramsPerKg(dose),
    perBar: null,
    moment,
  });
  const effects = (a: AdditiveRow) => additiveEffects(planWith([], { additives: [a] }), a, a.dose);

  it('sugar hurries and heats, and leaves the colour alone', () => {
    const typical = shelfItem('sugar').window!.typical;
    expect(effects(row('sugar', typical, 'lye-water'))).toMatchObject({ heats: true, deltaE: 0 });
    expect(effects(row('sugar', typical)).pace).toBeCloseTo(0.85, 9);
    // Twice the usual dose hurries half as much again, and no more.
    expect(effects(row('sugar', 2 * typical)).pace).toBeCloseTo(0.85 ** 1.5, 9);
  });

  it('oats fleck the base and take room; on the top they do neither to the batter', () => {
    const inside = effects(row('oats-ground', 26));
    expect(inside.deltaE).toBeGreaterThan(0.5);
    // 26 g at 1.3 g/ml
    expect(inside.volume).toBeCloseTo(20, 6);
    expect(effects(row('oats-ground', 26, 'top'))).toEqual({ deltaE: 0, pace: 1, heats: false, volume: 0 });
  });
});
