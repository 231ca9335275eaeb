import { addDose, addOil, addPot, checkPlan, emptyPlan, type Plan, startingShelf } from '@kleur/core';
import { defaultSettings } from '@kleur/contract';
import { medianMs, report } from './report.ts';

/** The whole plan with every check: 12 pots, 40 doses, 8 oils. */
const shelf = startingShelf();
const coloured = shelf.filter((m) => m.optics);
let plan: Plan = emptyPlan();
shelf
  .filter((m) => m.kind === 'oil')
  .slice(0, 8)
  .forEach((m, i) => (plan = addOil(plan, `oil-${i}`, m)));
for (let p = 0; p < 12; p++) plan = addPot(plan, `pot-${p}`, `Pot ${p}`);
for (let d = 0; d < 40; d++)
  plan = addDose(plan, `pot-${d % 12}`, `dose-${d}`, coloured[d % coloured.length]!);

let found = 0;
const ms = medianMs(200, () => (found = checkPlan(plan, defaultSettings.measuring).length));
report([
  {
    what: `Whole plan and checks (12 pots, 40 doses, 8 oils; ${found} findings)`,
    measured: `${ms.toFixed(2)} ms`,
    goal: '≤ 5 ms',
    met: ms <= 5,
  },
]);
