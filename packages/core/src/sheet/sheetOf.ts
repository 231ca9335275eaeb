import { flowOf } from '../balance/balance.ts';
import { type Plan } from '../plan/plan.ts';
import { type Measuring } from '../units/measure.ts';
import { type Printer } from '../units/printer.ts';
import { prepSheet } from '../work/prep.ts';
import { workOrder } from '../work/order.ts';
import { combineSection, lyeSection, oilsSection } from './base.ts';
import { splitSection } from './batter.ts';
import { beforeSection } from './before.ts';
import { cupsSection } from './cups.ts';
import { type SheetContext } from './context.ts';
import { gatherSection } from './gather.ts';
import { afterSection, decideSection } from './mould.ts';
import { colourSection } from './pots.ts';
import { pourSection } from './pour.ts';
import { type Sheet } from './sheet.ts';

/**
 * Everything that a plan decides, as lines to do in the order of the work, rounded to what the maker can measure.
 * @param stopped whether a stop holds, so that no lye amount may be told.
 */
export function sheetOf(plan: Plan, measuring: Measuring, print: Printer, stopped = false): Sheet {
  const prep = prepSheet(plan, measuring);
  const order = workOrder(plan);
  const pots = order.order.flatMap((id) => prep.pots.find((p) => p.pot.id === id) ?? []);
  const ctx: SheetContext = { plan, prep, flow: flowOf(plan), print, measuring, order, pots, stopped };
  const sections = [
    gatherSection(ctx),
    beforeSection(ctx),
    cupsSection(ctx),
    lyeSection(ctx),
    oilsSection(ctx),
    combineSection(ctx),
    splitSection(ctx),
    colourSection(ctx),
    decideSection(ctx),
    pourSection(ctx),
    afterSection(ctx),
  ];
  return { sections: sections.filter((s) => s !== null) };
}
