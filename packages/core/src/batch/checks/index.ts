import { type Measuring } from '../../units/measure.ts';
import { type Plan } from '../plan.ts';
import {
  checkLyeConcentration,
  checkLyeValues,
  checkOilsSum,
  checkScentOver,
  checkSuperfat,
} from './base.ts';
import { type Check, type CheckLevel, type PlanFacts, planFacts } from './check.ts';
import {
  checkAlkaliUnstable,
  checkDoseFaint,
  checkDoseOver,
  checkFades,
  checkRounding,
  checkTooSmall,
} from './dose.ts';
import { checkCarrierHeavy, checkFreshMisleads, checkShares, checkTotalSolids } from './pot.ts';

const checks: readonly ((facts: PlanFacts) => Check[])[] = [
  checkOilsSum,
  checkLyeValues,
  checkSuperfat,
  checkLyeConcentration,
  checkScentOver,
  checkShares,
  checkDoseOver,
  checkAlkaliUnstable,
  checkFades,
  checkTotalSolids,
  checkCarrierHeavy,
  checkDoseFaint,
  checkTooSmall,
  checkRounding,
  checkFreshMisleads,
];

const order: Readonly<Record<CheckLevel, number>> = { stop: 0, warn: 1, tip: 2 };

/** Every finding on a plan, the gravest first. Nothing is ever corrected in silence. */
export function checkPlan(plan: Plan, measuring: Measuring): Check[] {
  const facts = planFacts(plan, measuring);
  return checks.flatMap((check) => check(facts)).sort((a, b) => order[a.level] - order[b.level]);
}
