import { matchColour } from '../match/match.ts';
import { anything, candidatesOf } from '../match/candidates.ts';
import { POT_LIMITS } from '../match/problem.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { cured } from '../pigment/stage.ts';
import { setBase, setWork } from '../plan/edit/index.ts';
import { type Plan } from '../plan/plan.ts';
import { dose, planWith, pot, scentOf, tenthGramScale, ideaOf } from '../testing/plans.ts';
import { grams } from '../units/quantity.ts';
import { printerFor } from '../units/printer.ts';
import { metricUnits } from '../units/view.ts';
import { checkPlan } from './index.ts';

const commaUnits = { ...metricUnits, decimalMark: 'comma' } as const;
const oddLiquid = { ...planWith([]).base.liquid, by: 'percent', value: 12.25 } as const;

/** A plan with as much amiss as one plan can hold. */
const troubled: Plan = setWork(
  setBase(
    planWith(
      [
        pot('Blue', 1.7, dose('ultramarine-blue', 13.25), dose('titanium-dioxide-water', 16.5)),
        pot('Pale', 1.3, dose('yellow-iron-oxide', 0.05), dose('red-iron-oxide', 0.0451)),
        pot('Alike', 1.3, dose('yellow-iron-oxide', 0.12)),
        { ...pot('White', 0.9, dose('titanium-dioxide-oil', 6)), scented: true, hoursBefore: 2.5 },
        pot('Turmeric', 1, dose('turmeric', 4.5), dose('spirulina', 7.5)),
      ],
      { scent: scentOf('scent-limewash', 190.5) },
      { idea: ideaOf('in-pot') },
    ),
    { superfat: 13.75, liquid: oddLiquid },
  ),
  { heat: 'force' },
);

const textsOf = (plan: Plan): string[] =>
  checkPlan(plan, { measuring: tenthGramScale, print: printerFor(commaUnits) }).flatMap((c) => [
    c.sentence,
    c.arithmetic,
    c.remedy,
    ...(c.repairs ?? []).map((r) => r.label),
  ]);

it('every check keeps to the decimal mark of the maker', () => {
  const short = setBase(troubled, { oils: troubled.base.oils.map((o) => ({ ...o, percent: 20.37 })) });
  const texts = [...textsOf(troubled), ...textsOf(short)];
  expect(texts.filter((t) => /\d,\d/.test(t)).length).toBeGreaterThan(15);
  expect(texts.filter((t) => /\d\.\d/.test(t))).toEqual([]);
});

it('the reasons of a match keep to it too', () => {
  const { reasons } = matchColour({
    target: [97.3, 0, -28.4],
    stage: cured(),
    canvas: referenceCanvas,
    candidates: candidatesOf(startingShelf(), anything),
    most: 2,
    ...POT_LIMITS,
    resolution: { potOils: grams(250), measuring: tenthGramScale },
    units: commaUnits,
  });
  expect(reasons.join(' ')).toMatch(/\d,\d/);
  expect(reasons.join(' ')).not.toMatch(/\d\.\d/);
});
