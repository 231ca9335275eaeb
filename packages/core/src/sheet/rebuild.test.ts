import fc from 'fast-check';
import { flowOf } from '../balance/balance.ts';
import { type Flow } from '../balance/flow.ts';
import { shelfItem, tenthGramScale } from '../testing/plans.ts';
import { randomPlan } from '../../test/randomPlan.ts';
import { type Contents, readSheet } from '../testing/readSheet.ts';
import { type Plan } from '../plan/plan.ts';
import { plainPrinter } from '../units/printer.ts';
import { liquidName } from '../work/dispersion.ts';
import { workOrder } from '../work/order.ts';
import { sheetOf, sheetText } from './index.ts';
import { cases } from '../../test/cases.ts';

const measuring = { ...tenthGramScale, scaleDivision: 0.01 };
const fine = { ...plainPrinter, weighed: (g: number) => g.toFixed(2) };
/** What the balance puts into a pot or the bowl, by the names that the sheet uses. */
function named(plan: Plan, { ledger }: Flow, contents: Float64Array): Map<string, number> {
  const by = new Map<string, number>();
  const add = (what: string, mass: number): void => void by.set(what, (by.get(what) ?? 0) + mass);
  const name = (id: string): string => plan.materials.find((m) => m.id === id)!.name;
  ledger.oils.forEach((id, i) => add(name(id), contents[i]!));
  add('Sodium hydroxide', contents[ledger.at('naoh')]!);
  add('Potassium hydroxide', contents[ledger.at('koh')]!);
  const share = (plan.base.liquid.parts[0]?.percent ?? 0) / 100;
  const liquid = contents[ledger.at('liquid')]!;
  add('Water', liquid * (1 - share));
  add('Other liquid', liquid * share);
  add(liquidName(plan, 'oil', false), contents[ledger.at('carrier-oil')]!);
  add('water', contents[ledger.at('carrier-water')]!);
  add('glycerin', contents[ledger.at('glycerin')]!);
  add('Vanillin stabiliser', contents[ledger.at('stabiliser')]!);
  if (plan.base.scent) add(shelfItem('scent-limewash').name, contents[ledger.at('scent')]!);
  for (const m of plan.materials)
    if (m.kind !== 'oil' && m.kind !== 'scent') add(m.name, contents[ledger.material(m.id)]!);
  return by;
}

/** Every ingredient of a vessel as it was read, against the balance, within what was printed. */
function compare(read: Contents, wanted: Map<string, number>, where: string, text: string): void {
  const off: string[] = [];
  for (const what of new Set([...read.keys(), ...wanted.keys()])) {
    const { v, e } = read.get(what) ?? { v: 0, e: 0 };
    const w = wanted.get(what) ?? 0;
    // A division of the scale for what is measured, a drop for what comes by drops; lines under 0.005 g are not printed.
    if (Math.abs(v - w) > e + 0.05)
      off.push(`${where}: ${what} ${v.toFixed(3)} ± ${e.toFixed(3)}, in the balance ${w.toFixed(3)}`);
  }
  // The sheet is shown with what is off.
  expect(off.length > 0 ? [...off, text] : []).toEqual([]);
}

describe('a maker who follows the sheet', () => {
  it('makes exactly what the balance holds, whatever the plan', () => {
    const plans = cases(150, 300);
    let seen = 0;
    let stays = 0;
    fc.assert(
      fc.property(randomPlan, (plan) => {
        const flow = flowOf(plan);
        // More drawn than there is, late things that nobody takes, or too little water for the lye are told before the sheet.
        fc.pre(flow.unallocated > -1e-9 && flow.pots.every((p) => p.drawnOff <= 1 && p.mass > 5));
        fc.pre(!lost(plan, flow) && flow.lyes.every((l) => l.vesselWater > l.naoh + l.koh));
        seen++;
        const text = sheetText(sheetOf(plan, measuring, fine));
        const read = readSheet(text);
        const { order } = workOrder(plan);
        for (const p of flow.pots) {
          const number = order.indexOf(p.pot.id) + 1;
          const got = read.pots.get(number)!.contents;
          const left = named(plan, flow, p.contents);
          for (const [what, mass] of left) left.set(what, mass * Math.max(0, 1 - p.drawnOff));
          compare(got, left, p.pot.name, text);
        }
        const wrong = read.stays.filter(({ told, is }) => !(Math.abs(told - is) <= 0.5));
        expect(wrong.length > 0 ? [...wrong, text] : []).toEqual([]);
        stays += read.stays.length;
        // Less than that is what the jugs were rounded by.
        if (flow.leftoverMass > 0.5) compare(read.bowl, named(plan, flow, flow.leftover), 'the bowl', text);
      }),
      // A plan is shown as it was found: making it smaller takes longer than reading it.
      { numRuns: plans, endOnFailure: true },
    );
    expect(seen).toBeGreaterThanOrEqual(plans);
    expect(stays).toBeGreaterThan(plans / 6);
  });
});

/** Late liquid or additives that no pot of a lye takes: a stop, not a sheet. */
const lost = (plan: Plan, flow: Flow): boolean =>
  flow.lyes.some((l) => {
    const takes = flow.pots.filter(
      (p) =>
        (p.pot.ownLye ? p.pot.id : null) === l.potId &&
        p.pot.taken !== 'emulsion' &&
        p.draws.some((d) => d.draw.from === null && d.fraction > 1e-9),
    );
    return (
      plan.base.liquid.heldBack > 0 && takes.length === 0 && (l.potId !== null || flow.leftoverMass < 0.5)
    );
  });
