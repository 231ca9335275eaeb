import { deltaE00 } from '../colour/deltaE00.ts';
import { labOf } from '../pigment/composition.ts';
import { cured, YEAR_HOURS } from '../pigment/stage.ts';
import { emptyWork, type Plan } from '../plan/plan.ts';
import { dose, planWith, pot, scentOf } from '../testing/plans.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { bareComposition, potComposition } from './potComposition.ts';
import { potDoubt } from './potDoubt.ts';
import { SKIN_TOLD, skinStage } from './skin.ts';

const blue = planWith([pot('A', 1, dose('ultramarine-blue', 5))]);
const looks = (plan: Plan, stage = cured(1)) => labOf(potComposition(plan, plan.pots[0]!), stage);

describe('the outside of a bar', () => {
  it('counts as ungelled where the heat comes from within, and has the core’s gel in an oven', () => {
    expect(skinStage(blue, cured(1))).toMatchObject({ gel: 0, skin: true });
    const oven: Plan = { ...blue, work: { ...emptyWork, finish: ['oven'] } };
    expect(skinStage(oven, cured(1))).toMatchObject({ gel: 1, skin: true });
    expect(deltaE00(looks(blue), looks(blue, skinStage(blue, cured(1))))).toBeGreaterThan(SKIN_TOLD);
    expect(deltaE00(looks(oven), looks(oven, skinStage(oven, cured(1))))).toBeLessThan(0.1);
    // What did not gel has no other outside.
    expect(deltaE00(looks(blue, cured(0)), looks(blue, skinStage(blue, cured(0))))).toBeLessThan(0.1);
  });

  it('browns first, and as far in the end', () => {
    const scented = planWith([{ ...pot('A', 1), scented: true }], {
      scent: scentOf('scent-oat-biscuit', 30),
    });
    const at = (days: number, skin: boolean) => looks(scented, { hours: days * 24, gel: 0, skin })[0];
    expect(at(4, true)).toBeLessThan(at(4, false) - 5);
    expect(Math.abs(at(365, true) - at(365, false))).toBeLessThan(0.1);
  });
});

describe('the doubt of a pot', () => {
  const doubt = (plan: Plan, at = 0) => potDoubt(plan, potComposition(plan, plan.pots[at]!), cured(1));

  it('is what its curves and the base may be off by', () => {
    const bare = doubt(planWith([pot('A', 1)]));
    expect(bare).toMatchObject({ colourants: 0, tested: 0, typicalMiss: null });
    const one = doubt(blue);
    expect(one).toMatchObject({ colourants: 1, tested: 0, readings: 0 });
    expect(one.deltaE).toBeGreaterThan(bare.deltaE);
    // The strength alone does most of it.
    const stronger = planWith([pot('A', 1, dose('ultramarine-blue', 5 * 1.35))]);
    const byStrength = deltaE00(looks(blue), looks(stronger));
    expect(one.deltaE / byStrength).toBeGreaterThan(0.8);
    expect(one.deltaE / byStrength).toBeLessThan(2);
    const [dark, light] = one.range;
    expect(dark[0]).toBeLessThan(looks(blue)[0]);
    expect(light[0]).toBeGreaterThan(looks(blue)[0]);
  });

  it('is inherited from donors and from the whole batch', () => {
    const drawn: Plan = {
      ...blue,
      pots: [
        blue.pots[0]!,
        { ...pot('B', 1), draws: [{ id: 'd', from: 'A', by: 'parts', value: 1, second: 0 }] },
      ],
    };
    expect(doubt(drawn, 1)).toMatchObject({ colourants: 1 });
    expect(doubt(drawn, 1).deltaE).toBeGreaterThan(1);
    const whole = planWith([pot('A', 1)], {
      additives: [{ id: 'a', materialId: 'rose-clay', dose: gramsPerKg(12), perBar: null, moment: 'oils' }],
    });
    expect(doubt(whole).deltaE).toBeGreaterThan(1);
  });

  it('falls when a curve stands on readings', () => {
    const tested: Plan = {
      ...blue,
      materials: blue.materials.map((m) =>
        m.curve
          ? {
              ...m,
              curve: {
                origin: { kind: 'fitted', version: 1, readings: 4 },
                spread: 0.05,
                modes: [{ k: Array<number>(36).fill(0.05), s: 0.02 }],
                typicalMiss: 0.9,
              },
            }
          : m,
      ),
    };
    expect(doubt(tested)).toMatchObject({ tested: 1, readings: 4, typicalMiss: 0.9 });
    expect(doubt(tested).deltaE).toBeLessThan(doubt(blue).deltaE / 2);
  });
});

it('the same material in two rows is one dose, in a pot, in the whole batch, and between them', () => {
  const row = (id: string, amount: number) => ({
    id,
    materialId: 'ultramarine-blue',
    dose: gramsPerKg(amount),
    perBar: null,
    moment: 'oils' as const,
  });
  const once = looks(planWith([pot('A', 1, dose('ultramarine-blue', 8))]));
  const twice = { ...pot('A', 1, dose('ultramarine-blue', 3)) };
  const rows = twice.doses.concat(twice.doses.map((d) => ({ ...d, id: 'again', dose: gramsPerKg(5) })));
  const same = [
    looks(planWith([{ ...twice, doses: rows }])),
    looks(planWith([pot('A', 1, dose('ultramarine-blue', 3))], { additives: [row('a', 5)] })),
    looks(planWith([pot('A', 1)], { additives: [row('a', 3), row('b', 5)] })),
  ];
  for (const lab of same) expect(deltaE00(lab, once)).toBeLessThan(1e-6);
  const bare = bareComposition(planWith([], { additives: [row('a', 3), row('b', 5)] }));
  expect(bare.parts.map((p) => p.dose)).toEqual([8]);
});

it('light is obeyed by the prediction of a pot, however old it is', () => {
  const turmeric = planWith([{ ...pot('A', 1, dose('turmeric', 4)), hoursBefore: 30 }]);
  const year = { hours: YEAR_HOURS, gel: 1 };
  expect(deltaE00(looks(turmeric, year), looks(turmeric, { ...year, light: true }))).toBeGreaterThan(8);
});
