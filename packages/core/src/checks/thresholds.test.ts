import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Material } from '../material/material.ts';
import { techniqueById } from '../palette/technique.ts';
import { atCut, cured, fresh } from '../pigment/stage.ts';
import { dose, planWith, pot, scentOf, shelfItem, tenthGramScale, ideaOf } from '../testing/plans.ts';
import { flowOf } from '../balance/balance.ts';
import { bareComposition, potComposition } from '../balance/potComposition.ts';
import { labOf } from '../pigment/composition.ts';
import { fillOf } from '../balance/fill.ts';
import { emptyMoulding, plainMould } from '../plan/moulding.ts';
import { newPot, onePart, type Plan, type Pot } from '../plan/plan.ts';
import { type Check } from './check.ts';
import { checkPlan } from './index.ts';

/*
 * Where each check switches, found by halving, against the quantity that it speaks of, worked out here without it.
 */
type At = (value: number) => Plan;

const find = (plan: Plan, id: string, level?: Check['level']): Check | undefined =>
  checkPlan(plan, { measuring: tenthGramScale }).find(
    (c) => c.id === id && (level === undefined || c.level === level),
  );

/** The value at which the check comes or goes. @throws when it does the same at both ends. */
function switchOf(id: string, at: At, low: number, high: number, level?: Check['level']): number {
  const fires = (v: number): boolean => find(at(v), id, level) !== undefined;
  const atLow = fires(low);
  if (atLow === fires(high)) throw new Error(`${id} is the same at ${low} and at ${high}`);
  for (let n = 0; n < 45; n++) {
    const middle = (low + high) / 2;
    if (fires(middle) === atLow) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const look = (plan: Plan, name: string, stage = cured()): LabD65 =>
  labOf(
    potComposition(
      plan,
      plan.pots.find((p) => p.name === name)!,
    ),
    stage,
  );
const technique = (id: string): Partial<Plan> => ({ idea: ideaOf(id) });

describe('colour', () => {
  it.each(['ultramarine-blue', 'yellow-iron-oxide', 'activated-charcoal', 'mica-dome'])(
    'dose-faint: %s at ΔE00 2 from the pot without it',
    (id) => {
      const at: At = (d) => planWith([pot('A', 1, dose(id, d))]);
      const plan = at(switchOf('dose-faint', at, 1e-4, 20));
      expect(deltaE00(look(plan, 'A'), labOf(bareComposition(plan), cured()))).toBeCloseTo(2, 4);
    },
  );

  it.each(['layers', 'drops', 'serpentine', 'embeds'])('reads-as-one: %s at the ΔE00 it needs', (id) => {
    const at: At = (d) =>
      planWith(
        [pot('A', 1, dose('ultramarine-blue', 4)), pot('B', 1, dose('ultramarine-blue', d))],
        {},
        technique(id),
      );
    const plan = at(switchOf('reads-as-one', at, 0, 3.99));
    expect(deltaE00(look(plan, 'A'), look(plan, 'B'))).toBeCloseTo(techniqueById(id)!.apart, 4);
  });

  it('reads-as-one: a funnel pour also needs 10 of L*, however far the hues are apart', () => {
    // Blue and orange are far apart; at the same lightness the pour still runs together.
    const at: At = (d) =>
      planWith(
        [pot('A', 1, dose('ultramarine-blue', 4)), pot('B', 1, dose('orange-oxide', d))],
        {},
        technique('funnel'),
      );
    const plan = at(switchOf('reads-as-one', at, 0.3, 8));
    expect(Math.abs(look(plan, 'A')[0] - look(plan, 'B')[0])).toBeCloseTo(10, 3);
    expect(deltaE00(look(plan, 'A'), look(plan, 'B'))).toBeGreaterThan(18);
  });

  it('value-flat: a span of 12 in L*', () => {
    const at: At = (d) => planWith([pot('A', 1, dose('ultramarine-blue', d)), pot('B', 1)]);
    const plan = at(switchOf('value-flat', at, 0.01, 10));
    expect(look(plan, 'B')[0] - look(plan, 'A')[0]).toBeCloseTo(12, 4);
  });

  it('white-will-tan: b* 4 up or L* 3 down from the same white without scent', () => {
    const at: At = (d) =>
      planWith([{ ...pot('A', 1, dose('titanium-dioxide-oil', 8)), scented: true }], {
        scent: scentOf('scent-oat-biscuit', Math.max(0.001, d)),
        oils: [{ id: 'l', materialId: 'oil-lard', percent: 100 }],
      });
    const plan = at(switchOf('white-will-tan', at, 0.001, 39));
    const [L, , b] = look(plan, 'A');
    const plain = look(at(0), 'A');
    expect(Math.max((b - plain[2]) / 4, (plain[0] - L) / 3)).toBeCloseTo(1, 2);
  });

  it('fades: below 70 % of what the model leaves after a year in light', () => {
    const item = shelfItem('spirulina');
    const fading = (remains: number): Material => ({
      ...item,
      optics: { ...item.optics!, fading: { ...item.optics!.fading!, remains } },
    });
    const at: At = (remains) => {
      const plan = planWith([pot('A', 1, dose('spirulina', 8))]);
      return { ...plan, materials: plan.materials.map((m) => (m.id === item.id ? fading(remains) : m)) };
    };
    const remains = switchOf('fades', at, 0.1, 1);
    // 60 days: r + (1 − r) × e^(−365 / τ)
    const gone = Math.exp(-365 / item.optics!.fading!.lightDays);
    expect(remains + (1 - remains) * gone).toBeCloseTo(0.7, 9);
  });

  it('fresh-misleads: ΔE00 8 beyond the paling of every batter', () => {
    const item = shelfItem('turmeric');
    const at: At = (d) => planWith([pot('A', 1, dose('turmeric', d))]);
    const plan = at(switchOf('fresh-misleads', at, 0.01, 8));
    // The same pot, had it settled at once: no fresh colour, and what it becomes from the start.
    const settled = {
      ...plan,
      materials: plan.materials.map((m) =>
        m.id === item.id
          ? {
              ...m,
              optics: { ...m.optics!, fresh: null, k: m.optics!.becomes?.k ?? m.optics!.k, becomes: null },
            }
          : m,
      ),
    };
    expect(deltaE00(look(plan, 'A', fresh()), look(settled, 'A', fresh()))).toBeCloseTo(8, 3);
    expect(deltaE00(look(plan, 'A', atCut()), look(settled, 'A', atCut()))).toBeLessThan(8);
  });
});

describe('amounts', () => {
  it.each([
    [1, 0.2],
    [4, 0.05],
  ])('too-small-to-weigh: 0.2 g, in a pot of one part in %d', (parts) => {
    const at: At = (d) =>
      planWith([pot('A', 1, dose('ultramarine-blue', d)), ...(parts > 1 ? [pot('B', parts - 1)] : [])]);
    // two divisions of a 0.1 g scale
    const wanted = (switchOf('too-small-to-weigh', at, 0.01, 5) * 1) / parts;
    expect(wanted).toBeCloseTo(0.2, 6);
  });

  it('total-solids: 40 g of powders per kg of oils, scrubs left out', () => {
    const at =
      (...more: Pot['doses']): At =>
      (d) =>
        planWith([pot('A', 1, dose('kaolin', d), ...more)]);
    expect(switchOf('total-solids', at(), 1, 60)).toBeCloseTo(40, 6);
    expect(switchOf('total-solids', at(dose('titanium-dioxide-oil', 6)), 1, 60)).toBeCloseTo(34, 6);
    expect(switchOf('total-solids', at(dose('poppy-seed', 6)), 1, 60)).toBeCloseTo(40, 6);
  });

  it('carrier-heavy: 50 g of oil or glycerin per kg, water left out', () => {
    const carried =
      (medium: 'oil' | 'glycerin' | 'water'): At =>
      (ratio) =>
        planWith([pot('A', 1, { ...dose('mica-dome', 10), carrier: { medium, ratio } })]);
    expect(switchOf('carrier-heavy', carried('oil'), 1, 9)).toBeCloseTo(5, 6);
    expect(switchOf('carrier-heavy', carried('glycerin'), 1, 9)).toBeCloseTo(5, 6);
    expect(() => switchOf('carrier-heavy', carried('water'), 1, 9)).toThrow('is the same');
  });

  it('dose-over: the ceiling of each, in its own pot', () => {
    for (const id of ['red-iron-oxide', 'kaolin', 'mica-dome', 'activated-charcoal']) {
      const at: At = (d) => planWith([pot('A', 1, dose(id, d)), pot('B', 3)]);
      expect(switchOf('dose-over', at, 0.1, 100)).toBeCloseTo(shelfItem(id).window!.ceiling, 6);
    }
  });

  it('scent-over: the limit on oils as it is, one on the product by what the oils become', () => {
    const scented =
      (id: string): At =>
      (d) =>
        planWith([{ ...pot('A', 1), scented: true }, pot('B', 1)], { scent: scentOf(id, d) });
    expect(switchOf('scent-over', scented('scent-limewash'), 1, 99)).toBeCloseTo(50, 6);
    const product = switchOf('scent-over', scented('scent-tin-roof'), 1, 99);
    // 28 g per kg of finished soap, of which a kg of oils makes between 1.2 and 1.4 kg
    expect(product).toBeGreaterThan(28 * 1.2);
    expect(product).toBeLessThan(28 * 1.4);
  });

  it('stock-short: what the shelf holds', () => {
    const at: At = (stock) => {
      const plan = planWith([pot('A', 1, dose('ultramarine-blue', 5))]);
      return {
        ...plan,
        materials: plan.materials.map((m) => (m.id === 'ultramarine-blue' ? { ...m, stock } : m)),
      };
    };
    // 5 g/kg of 1,000 g
    expect(switchOf('stock-short', at, 0, 20)).toBeCloseTo(5, 6);
  });
});

describe('batter', () => {
  it('pot-superfat: warns from 3 % down and stops from 0 %, by oil held back', () => {
    const at: At = (ratio) =>
      planWith([
        pot('A', 1, { ...dose('mica-dome', 10), carrier: { medium: 'oil', ratio }, source: 'batch' }),
        pot('B', 1),
      ]);
    const leanest = (ratio: number): number =>
      Math.min(...flowOf(at(ratio)).pots.map((p) => p.superfat! * 100));
    expect(leanest(switchOf('pot-superfat', at, 0.5, 10, 'warn'))).toBeCloseTo(3, 4);
    expect(leanest(switchOf('pot-superfat', at, 0.5, 20, 'stop'))).toBeCloseTo(0, 4);
  });

  it('mould-overfull and underfull: 3 % either way', () => {
    const at: At = (height) =>
      planWith(
        [pot('A', 1)],
        {},
        {
          moulding: {
            ...emptyMoulding,
            moulds: [
              { id: 'm', count: 1, mould: { ...plainMould('Box', 'box'), length: 250, width: 80, height } },
            ],
          },
        },
      );
    const full = (height: number): number => fillOf(at(height)).ratio!;
    expect(full(switchOf('mould-overfull', at, 40, 90))).toBeCloseTo(1.03, 6);
    expect(full(switchOf('mould-underfull', at, 60, 120))).toBeCloseTo(0.97, 6);
  });

  it('layer-bond: an hour between layers that touch', () => {
    const at: At = (hoursBefore) =>
      planWith([{ ...pot('A', 1), hoursBefore }, pot('B', 1)], {}, technique('layers'));
    expect(switchOf('layer-bond', at, 0, 5)).toBeCloseTo(1, 6);
  });

  it('rivers: below 30 % of lye, with white and forced gel', () => {
    const { liquid } = planWith([]).base;
    const at: At = (value) => {
      const plan = planWith([pot('A', 1, dose('titanium-dioxide-oil', 6))], { liquid: { ...liquid, value } });
      return { ...plan, work: { ...plan.work, heat: 'force' } };
    };
    expect(switchOf('rivers', at, 26, 36)).toBeCloseTo(30, 6);
  });

  it('pots-unbalanced: short by more than the jugs keep', () => {
    const grams = (value: number): Pot => ({
      ...newPot('A', 'A'),
      draws: [{ id: 'd', from: null, by: 'grams', value, second: 0 }],
    });
    const at: At = (g) => planWith([grams(g)]);
    const most = fillOf(at(500)).batter;
    const short = switchOf('pots-unbalanced', at, 1000, most);
    expect(most - short).toBeCloseTo(emptyMoulding.lossPerJug, 3);
  });
});

describe('amounts that decide one another', () => {
  /** A pot by grams whose carrier, out of the batch, is ten times its powder. */
  const carrierHeavy = (value: number): Plan =>
    planWith([
      {
        ...pot('A', 1, {
          ...dose('mica-dome', 60),
          carrier: { medium: 'oil', ratio: 10 },
          source: 'batch',
        }),
        draws: [{ ...onePart(), by: 'grams', value }],
      },
      pot('B', 1),
    ]);

  it('settle, and say in how many passes and how well', () => {
    const { convergence } = flowOf(carrierHeavy(200));
    expect(convergence.converged).toBe(true);
    expect(convergence.passes).toBeGreaterThan(2);
    expect(convergence.passes).toBeLessThan(60);
    expect(convergence.residual).toBeLessThan(1e-9);
    expect(find(carrierHeavy(200), 'masses-unsettled')).toBeUndefined();
  });

  it('stop the plan when they do not, with a repair that settles them', () => {
    const plan = carrierHeavy(1400);
    expect(flowOf(plan).convergence).toMatchObject({ converged: false, passes: 60 });
    const check = find(plan, 'masses-unsettled')!;
    expect(check).toMatchObject({ level: 'stop', place: { at: 'pots' } });
    expect(check.arithmetic).toMatch(/^after 60 passes [\d.]+ g still move/);
    expect(flowOf(check.repairs![0]!.apply(plan)).convergence.converged).toBe(true);
  });
});
