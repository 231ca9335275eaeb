import fc from 'fast-check';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { atCut, cured, fresh, type Stage } from '../pigment/stage.ts';
import { dose, fourPotLoaf, planWith, pot, scentOf, bead } from '../testing/plans.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { bareComposition, inheritedDoses, potComposition, potCanvas } from './potComposition.ts';
import { labOf } from '../pigment/composition.ts';
import { embedComposition } from './embedFacts.ts';
import { type Embed } from '../plan/embed.ts';
import { type Draw, newPot, type Plan, type Pot } from '../plan/plan.ts';

const look = (plan: Plan, name: string, stage: Stage = cured()): LabD65 =>
  labOf(
    potComposition(
      plan,
      plan.pots.find((p) => p.name === name)!,
    ),
    stage,
  );
const from = (id: string | null, value: number, by: Draw['by'] = 'percent'): Draw => ({
  id: `${id ?? 'base'}-${by}`,
  from: id,
  by,
  value,
  second: 0,
});
const child = (name: string, draws: readonly Draw[], ...doses: Pot['doses']): Pot => ({
  ...newPot(name, name),
  draws,
  doses,
});

describe('a pot made from another', () => {
  const blue = dose('ultramarine-blue', 5);
  const white = dose('titanium-dioxide-oil', 4, 'white');

  it('with nothing added looks as its donor, at every stage', () => {
    const plan = planWith([pot('Blue', 1, blue), child('Copy', [from('Blue', 40)])]);
    for (const stage of [fresh(), atCut(), cured(), cured(1)])
      expect(deltaE00(look(plan, 'Copy', stage), look(plan, 'Blue', stage))).toBeLessThan(1e-9);
  });

  it('with white added looks as a pot that had both from the start', () => {
    const plan = planWith([pot('Blue', 1, blue), child('Tint', [from('Blue', 40)], white)]);
    const atOnce = planWith([pot('Tint', 1, blue, white)]);
    expect(deltaE00(look(plan, 'Tint'), look(atOnce, 'Tint'))).toBeLessThan(1e-9);
    expect(inheritedDoses(plan, plan.pots[1]!).map((d) => [d.material.id, d.dose])).toEqual([
      ['ultramarine-blue', expect.closeTo(5, 9)],
    ]);
  });

  it('part of a coloured pot in plain batter is diluted by it', () => {
    // Blue has 500 g of the oils, Half the other 500 g and 30 % of Blue.
    const plan = planWith([pot('Blue', 1, blue), child('Half', [from('Blue', 30), from(null, 1, 'rest')])]);
    const [given] = inheritedDoses(plan, plan.pots[1]!);
    // 150 g with 5 g/kg beside 500 g without: 0.75 g in 650 g
    expect(given!.dose).toBeCloseTo((0.15 * 5) / 0.65, 6);
    expect(look(plan, 'Half')[0]).toBeGreaterThan(look(plan, 'Blue')[0]);
  });

  it('pools of leftovers lie between what they were pooled from', () => {
    const plan = planWith([
      pot('Blue', 1, blue),
      pot('Ochre', 1, dose('yellow-iron-oxide', 4)),
      child('Pool', [from('Blue', 20), from('Ochre', 20)]),
    ]);
    const doses = new Map(inheritedDoses(plan, plan.pots[2]!).map((d) => [d.material.id, d.dose]));
    expect(doses.get('ultramarine-blue')).toBeCloseTo(2.5, 6);
    expect(doses.get('yellow-iron-oxide')).toBeCloseTo(2, 6);
  });

  it('browns by the scent of its donor, though none is added to it', () => {
    const scent = scentOf('scent-oat-biscuit', 30);
    const plan = planWith(
      [
        { ...pot('Brown', 1), scented: true },
        pot('Plain', 1),
        child('Mix', [from('Brown', 30), from('Plain', 30)]),
      ],
      { scent },
    );
    const [brown, plain, mix] = ['Brown', 'Plain', 'Mix'].map((n) => look(plan, n)[0]);
    expect(mix).toBeGreaterThan(brown!);
    expect(mix).toBeLessThan(plain!);
    expect(potCanvas(plan, plan.pots[1]!).scent).toBeNull();
    expect(potCanvas(plan, plan.pots[2]!).scent).not.toBeNull();
  });
});

describe('time and gel', () => {
  it('a layer poured earlier is as much older as it was poured before the last', () => {
    const early = { ...pot('Early', 1, dose('spirulina', 8)), hoursBefore: 48 };
    const plan = planWith([early, pot('Late', 1, dose('spirulina', 8, 'late'))]);
    expect(
      deltaE00(look(plan, 'Early', fresh()), look(plan, 'Late', { ...fresh(), hours: 48 })),
    ).toBeLessThan(1e-9);
    expect(deltaE00(look(plan, 'Early', fresh()), look(plan, 'Late', fresh()))).toBeGreaterThan(1);
  });

  it('scent browns on and on, a stabiliser slows it and does not stop it', () => {
    const bare = (stabiliser: number, hours: number): number => {
      const plan = planWith([{ ...pot('A', 1), scented: true }], {
        scent: { ...scentOf('scent-oat-biscuit', 30), stabiliser },
      });
      return look(plan, 'A', { hours, gel: 0 })[0];
    };
    const days = [0, 2, 5, 10, 20, 42, 90].map((d) => d * 24);
    for (const s of [0, 1]) {
      const line = days.map((h) => bare(s, h));
      for (const [i, l] of line.slice(1).entries()) if (i > 0) expect(l).toBeLessThanOrEqual(line[i]! + 1e-9);
    }
    const [without, held, unscented] = [
      bare(0, 42 * 24),
      bare(1, 42 * 24),
      look(planWith([pot('A', 1)]), 'A')[0],
    ];
    expect(held).toBeGreaterThan(without);
    expect(held).toBeLessThan(unscented);
  });

  it('full gel deepens every pot of the loaf', () => {
    const plan = fourPotLoaf();
    for (const p of plan.pots) expect(look(plan, p.name, cured(1))[0]).toBeLessThan(look(plan, p.name)[0]);
  });
});

describe('what colours the whole batch', () => {
  it('an additive tints the bare base and every pot, unless it lies on top', () => {
    const cocoa = (moment: 'oils' | 'top'): Plan =>
      planWith([pot('A', 1)], {
        additives: [{ id: 'c', materialId: 'cocoa', dose: gramsPerKg(10), perBar: null, moment }],
      });
    const plain = look(planWith([pot('A', 1)]), 'A');
    expect(deltaE00(look(cocoa('oils'), 'A'), plain)).toBeGreaterThan(5);
    expect(deltaE00(labOf(bareComposition(cocoa('oils')), cured()), look(cocoa('oils'), 'A'))).toBeLessThan(
      1e-9,
    );
    expect(deltaE00(look(cocoa('top'), 'A'), plain)).toBe(0);
  });

  it('milk in the liquid browns the base', () => {
    const { liquid } = planWith([]).base;
    const milky = planWith([pot('A', 1)], {
      liquid: { ...liquid, parts: [{ id: 'm', name: 'Goat milk', kind: 'milk', percent: 100 }] },
    });
    expect(look(milky, 'A')[2]).toBeGreaterThan(look(planWith([pot('A', 1)]), 'A')[2]);
  });

  it('unrefined oils tint, and white cannot quite undo it', () => {
    const palm = planWith([pot('A', 1, dose('titanium-dioxide-oil', 10))], {
      oils: [{ id: 'p', materialId: 'oil-lard', percent: 100 }],
    });
    const tinted: Plan = {
      ...palm,
      base: { ...palm.base, oils: [{ id: 'o', materialId: 'oil-olive', percent: 100 }] },
      materials: planWith([pot('A', 1, dose('titanium-dioxide-oil', 10))]).materials,
    };
    expect(look(tinted, 'A')[2]).toBeGreaterThan(look(palm, 'A')[2]);
  });
});

describe('embeds beside the batter', () => {
  const beadOf = (base: Embed['base'], dosed: number): Embed =>
    bead({ base }, dosed > 0 ? [{ id: 'd', materialId: 'ultramarine-blue', dose: gramsPerKg(dosed) }] : []);
  const plan = planWith([pot('A', 1, dose('ultramarine-blue', 5))]);
  const seen = (e: Embed): LabD65 => labOf(embedComposition(plan, e, e.parts[0]!), cured());

  it('uncoloured dough is the bare batter; melt-and-pour does not take its tint', () => {
    expect(deltaE00(seen(beadOf('dough', 0)), labOf(bareComposition(plan), cured()))).toBeLessThan(1e-9);
    expect(deltaE00(seen(beadOf('melt-white', 0)), seen(beadOf('dough', 0)))).toBeGreaterThan(1);
  });

  it('a dose on soap counts 1.4 times as a dose on oils: a kg of oils makes 1.4 kg of soap', () => {
    expect(deltaE00(seen(beadOf('dough', 5 / 1.4)), look(plan, 'A'))).toBeLessThan(1e-6);
  });

  it('the clear base shows the deeper colour', () => {
    expect(seen(beadOf('melt-clear', 5))[0]).toBeLessThan(seen(beadOf('melt-white', 5))[0]);
  });
});

it('more of one powder never brings a pot nearer to the bare base', () => {
  const plan = planWith([]);
  const bare = labOf(bareComposition(plan), cured());
  fc.assert(
    fc.property(
      fc.constantFrom('ultramarine-blue', 'yellow-iron-oxide', 'red-iron-oxide', 'activated-charcoal'),
      fc.double({ min: 0.1, max: 8, noNaN: true }),
      fc.double({ min: 1.05, max: 2, noNaN: true }),
      (id, low, factor) => {
        const apart = (d: number): number => {
          const one = planWith([pot('A', 1, dose(id, d))]);
          // Plain distance: ΔE00 jumps by a unit where two hues come to lie opposite each other.
          return Math.hypot(...look(one, 'A').map((v, i) => v - bare[i]!));
        };
        expect(apart(low * factor)).toBeGreaterThan(apart(low));
      },
    ),
    { numRuns: 80 },
  );
});
