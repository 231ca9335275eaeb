/*
 * What a new plan is begun with: bases and moulds that every workspace has, a blend as it is typed, and the plan made of
 * them.
 */
export { recipeOf, type StartingBase, STARTING_BASES } from './bases.ts';
export { columnsOf, STARTING_MOULDS } from './moulds.ts';
export { type OilAnswers, type OilLine, type OilQuestion, parseOilLine } from './oilLine.ts';
export {
  type PlanStart,
  STARTING_COLOURS,
  startingFilter,
  startingScentDose,
  startPlan,
} from './startPlan.ts';
export { cupName, startTrial, type TrialCup, type TrialStart } from './startTrial.ts';
export { TODO_PARTS, type TodoPart, todoOf } from './todo.ts';
