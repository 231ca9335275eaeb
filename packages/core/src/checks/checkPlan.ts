import { type Plan } from '../plan/plan.ts';
import { checkLyeConcentration, checkLyeValues, checkOilsSum, checkSuperfat } from './base.ts';
import { type Check, type CheckContext, type CheckLevel, type PlanFacts, planFacts } from './check.ts';
import {
  checkAlkaliUnstable,
  checkCarrierMismatch,
  checkCarrierReaches,
  checkDoseFaint,
  checkDoseOver,
  checkFades,
  checkRounding,
  checkRulesColour,
  checkTooSmall,
} from './dose.ts';
import { checkAsh, checkFalseTrace, checkHeatRisk, checkMistBeforeHeat, checkRivers } from './heat.ts';
import { checkLateTakers } from './late.ts';
import {
  checkBleeds,
  checkMud,
  checkReadsAsOne,
  checkScentCreeps,
  checkSmears,
  checkValueFlat,
  checkWhiteWillTan,
} from './look.ts';
import { checkLiquidParts, checkLyeLiquid, checkPotSuperfat } from './lye.ts';
import { checkCarrierHeavy, checkFreshMisleads, checkTotalSolids } from './pot.ts';
import { checkScentOver, checkScentReaches } from './scent.ts';
import { checkShelfDiffers } from './shelf.ts';
import { checkConvergence, checkFill, checkPotCycle, checkShares } from './share.ts';
import { checkTimeApart, checkLayerBond, checkPotPace, checkScentSeizes } from './time.ts';
import { checkAllergen, checkSections, checkLots, checkScrub, checkStock } from './work.ts';

const checks: readonly ((facts: PlanFacts) => Check[])[] = [
  checkOilsSum,
  checkLyeValues,
  checkSuperfat,
  checkPotSuperfat,
  checkLiquidParts,
  checkLateTakers,
  checkLyeLiquid,
  checkLyeConcentration,
  checkMistBeforeHeat,
  checkPotCycle,
  checkConvergence,
  checkScentOver,
  checkShelfDiffers,
  checkFill,
  checkShares,
  checkDoseOver,
  checkTotalSolids,
  checkCarrierHeavy,
  checkCarrierMismatch,
  checkCarrierReaches,
  checkAlkaliUnstable,
  checkFades,
  checkBleeds,
  checkSmears,
  checkWhiteWillTan,
  checkRivers,
  checkTimeApart,
  checkSections,
  checkReadsAsOne,
  checkMud,
  checkScentReaches,
  checkScentSeizes,
  checkPotPace,
  checkHeatRisk,
  checkScrub,
  checkStock,
  checkValueFlat,
  checkDoseFaint,
  checkTooSmall,
  checkRounding,
  checkFreshMisleads,
  checkLayerBond,
  checkScentCreeps,
  checkAsh,
  checkFalseTrace,
  checkAllergen,
  checkRulesColour,
  checkLots,
];

const order: Readonly<Record<CheckLevel, number>> = { stop: 0, warn: 1, tip: 2 };

/** Every finding on a plan, the gravest first. Nothing is ever corrected in silence. */
export function checkPlan(plan: Plan, context: CheckContext): Check[] {
  const facts = planFacts(plan, context);
  return checks.flatMap((check) => check(facts)).sort((a, b) => order[a.level] - order[b.level]);
}
