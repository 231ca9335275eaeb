import { type Plan } from '../plan/plan.ts';
import { checkLyeConcentration, checkLyeValues, checkOilsSum, checkSuperfat } from './base.ts';
import {
  type Check,
  type CheckContext,
  type CheckLevel,
  type PlanFacts,
  planFacts,
  withGel,
} from './check.ts';
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
import {
  checkAsh,
  checkFalseTrace,
  checkHeatRisk,
  checkMelts,
  checkMistBeforeHeat,
  checkRivers,
} from './heat.ts';
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
import { checkLiquidParts, checkLyeBelowScale, checkLyeLiquid, checkPotSuperfat } from './lye.ts';
import { checkCarrierHeavy, checkCarrierOilShort, checkFreshMisleads, checkTotalSolids } from './pot.ts';
import { checkScentNoLimit, checkScentOver, checkScentReaches } from './scent.ts';
import { checkShelfDiffers } from './shelf.ts';
import { checkConvergence, checkFill, checkPotCycle, checkShares } from './share.ts';
import { checkTimeApart, checkLayerBond, checkPotPace, checkScentSeizes } from './time.ts';
import {
  checkAllergen,
  checkLayers,
  checkSections,
  checkLots,
  checkScrub,
  checkStock,
  checkUntested,
} from './work.ts';

const checks: readonly ((facts: PlanFacts) => Check[])[] = [
  checkOilsSum,
  checkLyeValues,
  checkSuperfat,
  checkPotSuperfat,
  checkLiquidParts,
  checkLateTakers,
  checkLyeLiquid,
  checkLyeBelowScale,
  checkCarrierOilShort,
  checkLyeConcentration,
  checkMistBeforeHeat,
  checkPotCycle,
  checkConvergence,
  checkScentOver,
  checkScentNoLimit,
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
  checkLayers,
  checkReadsAsOne,
  checkMud,
  checkScentReaches,
  checkScentSeizes,
  checkPotPace,
  checkHeatRisk,
  checkMelts,
  checkScrub,
  checkStock,
  checkUntested,
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

/** What depends on how the cured colours are, and so on whether the batch gels. */
const ofLooks: readonly ((facts: PlanFacts) => Check[])[] = [
  checkBleeds,
  checkSmears,
  checkWhiteWillTan,
  checkReadsAsOne,
  checkMud,
  checkValueFlat,
  checkScentCreeps,
];

/** A batch that is let be is looked at in both states where the less likely one is at least this likely. */
export const EITHER_GEL_FROM = 0.1;
/** Below this likelihood what would be a warning is told as a tip. */
const EITHER_GEL_WARNS = 1 / 3;

/** Every finding on a plan, the gravest first. Nothing is ever corrected in silence. */
export function checkPlan(plan: Plan, context: CheckContext): Check[] {
  const facts = planFacts(plan, context);
  const found = checks.flatMap((check) => check(facts));
  return [...found, ...inTheOtherGel(facts, found)].sort((a, b) => order[a.level] - order[b.level]);
}

/** What only shows if a batch that is let be does what is less likely. */
function inTheOtherGel(facts: PlanFacts, found: readonly Check[]): Check[] {
  const { likelihood, gel, decided } = facts.gel;
  const chance = gel === 1 ? 1 - likelihood : likelihood;
  if (decided || chance < EITHER_GEL_FROM) return [];
  const told = new Set(found.map((c) => `${c.id}\n${c.sentence}`));
  const other = withGel(facts, gel === 1 ? 0 : 1);
  return ofLooks
    .flatMap((check) => check(other))
    .filter((c) => !told.has(`${c.id}\n${c.sentence}`))
    .map((c) => ({
      ...c,
      level: c.level === 'warn' && chance < EITHER_GEL_WARNS ? 'tip' : c.level,
      sentence: `If it ${gel === 1 ? 'does not gel' : 'gels'}: ${c.sentence}`,
      arithmetic: `${c.arithmetic}; ${facts.print.percent(chance * 100, 0)} likely`,
    }));
}
