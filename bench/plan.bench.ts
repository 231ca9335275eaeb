import { checkPlan } from '@kleur/core/checks';
import { startingShelf } from '@kleur/core/material/catalogue';
import { TECHNIQUES } from '@kleur/core/palette';
import {
  addAdditive,
  addDose,
  addDraw,
  addOil,
  addPot,
  emptyPlan,
  type Plan,
  plainMould,
  setDose,
  setMoulding,
  setPot,
  setScent,
  setDesign,
} from '@kleur/core/plan';
import { grams, gramsPerKg } from '@kleur/core/units';
import { defaultSettings } from '@kleur/contract';
import { medianMs, report } from './report.ts';

/** The whole plan with every check: 12 pots, 40 doses, 8 oils, scent, additives, a mould, pots from pots. */
const shelf = startingShelf();
const coloured = shelf.filter((m) => m.optics);
let plan: Plan = emptyPlan();
shelf
  .filter((m) => m.kind === 'oil')
  .slice(0, 8)
  .forEach((m, i) => (plan = addOil(plan, `oil-${i}`, m)));
plan = setScent(plan, { material: shelf.find((m) => m.kind === 'scent')!, dose: 25 });
plan = addAdditive(
  plan,
  'additive',
  shelf.find((m) => m.kind === 'additive')!,
);
plan = setMoulding(plan, {
  moulds: [{ id: 'mould', mould: plainMould('Box', 'box'), count: 1 }],
  lossPerJug: grams(8),
});
plan = setDesign(plan, { body: [TECHNIQUES[0]!.id] });
for (let p = 0; p < 12; p++) {
  plan = addPot(plan, `pot-${p}`, `Pot ${p}`);
  if (p % 4 === 3)
    plan = addDraw(plan, `pot-${p}`, {
      id: 'draw',
      from: `pot-${p - 1}`,
      by: 'percent',
      value: 20,
      second: 0,
    });
  plan = setPot(plan, `pot-${p}`, { scented: p % 2 === 0 });
}
for (let d = 0; d < 40; d++)
  plan = addDose(plan, `pot-${d % 12}`, `dose-${d}`, coloured[d % coloured.length]!);

// Every run is an edit, as a keystroke is: nothing may come from what the run before worked out.
let found = 0;
let keystroke = 0;
const ms = medianMs(200, () => {
  const edited = setDose(plan, 'pot-0', 'dose-0', { dose: gramsPerKg(1 + (keystroke++ % 50) / 10) });
  found = checkPlan(edited, { measuring: defaultSettings.measuring }).length;
});
report([
  {
    what: `Whole plan and checks (12 pots, 40 doses, 8 oils; ${found} findings)`,
    measured: `${ms.toFixed(2)} ms`,
    goal: '≤ 5 ms',
    met: ms <= 5,
  },
]);
