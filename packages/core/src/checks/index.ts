/** What Kleur checks and says. */
export {
  type Check,
  type CheckContext,
  type CheckLevel,
  type CheckPlace,
  type Repair,
  type ShelfState,
} from './check.ts';
export { SUPERFAT_WARN } from './thresholds.ts';
export { checkPlan } from './checkPlan.ts';
