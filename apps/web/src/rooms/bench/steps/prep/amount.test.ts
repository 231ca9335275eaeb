import { defaultSettings } from '@kleur/contract';
import { startingShelf } from '@kleur/core/material/catalogue';
import { addDose, addOil, addPot, emptyPlan, type Plan, setDispersion, setDose } from '@kleur/core/plan';
import { grams, gramsPerKg } from '@kleur/core/units';
import { prepSheet, type PrepRow } from '@kleur/core/work';
import { metricUnits, printerFor } from '@kleur/core/units';
import { amountText, measuredText, ownLiquid } from './amount.ts';

const item = (id: string) => startingShelf().find((m) => m.id === id)!;
const print = printerFor({ ...metricUnits, decimalMark: 'point' }, 0.1);
const rowOf = (change: (p: Plan) => Plan = (p) => p, by: 'scale' | 'spoons' = 'scale'): PrepRow => {
  let plan = addOil(emptyPlan(), 'o', item('oil-olive'));
  for (const id of ['a', 'b']) {
    plan = addDose(addPot(plan, id, id), id, `d-${id}`, item('ultramarine-blue'));
    plan = setDose(plan, id, `d-${id}`, { dose: gramsPerKg(5) });
  }
  const measuring = { ...defaultSettings.measuring, by, scaleDivision: 0.1 };
  return prepSheet(change(plan), measuring).pots[0]!.rows[0]!;
};

it('a cup of its own: grams by the scale, in its own liquid', () => {
  // 5 g/kg of 500 g oils, and twice as much oil
  expect(amountText(rowOf(), print)).toBe('2.5 g');
  expect(ownLiquid(rowOf())).toBe(5);
});

it('of a dispersion made once: grams of what is made up, and no liquid of its own', () => {
  const row = rowOf((p) => setDispersion(p, 'ultramarine-blue', { stock: null }));
  expect(amountText(row, print)).toBe('7.5 g of it made up');
  expect(ownLiquid(row)).toBeNull();
});

it('from a bottle: drops', () => {
  const row = rowOf((p) =>
    setDispersion(p, 'ultramarine-blue', { stock: { powderPercent: 25, gramsPerDrop: 0.04 } }),
  );
  expect(amountText(row, print)).toBe('250 drops (2.5 g)');
  expect(ownLiquid(row)).toBeNull();
});

it('by spoons: the spoons, and what they weigh', () => {
  expect(amountText(rowOf(undefined, 'spoons'), print)).toMatch(/tsp.* \(\d(\.\d+)? g\)$/);
  expect(measuredText({ mass: grams(1.2), spoonSum: null, relativeError: 0, tooSmall: false }, print)).toBe(
    '1.2 g',
  );
});
