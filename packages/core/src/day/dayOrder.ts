import { type DayChanges } from '../plan/day.ts';
import { plainStep, type RunStep } from './step.ts';

/** The steps with what the maker put in, in the order the maker gave them. */
export function changedDay(steps: readonly RunStep[], { order, added, helpers }: DayChanges): RunStep[] {
  const all = [...steps];
  for (const { id, title, text, after } of added) {
    const at = after === '' ? 0 : all.findIndex((s) => s.id === after) + 1;
    all.splice(at > 0 || after === '' ? at : all.length, 0, plainStep(`own/${id}`, title, text));
  }
  const names = new Map(helpers.map((h) => [h.stepId, h.name]));
  return inOrder(all, order).map((s) => ({ ...s, helper: names.get(s.id) ?? '' }));
}

/** Those that are named in their order; every other keeps its place behind what it follows by the plan. */
function inOrder(steps: readonly RunStep[], order: readonly string[]): RunStep[] {
  if (order.length === 0) return [...steps];
  const byId = new Map(steps.map((s) => [s.id, s]));
  const named = order.flatMap((id) => byId.get(id) ?? []);
  const isNamed = new Set(named.map((s) => s.id));
  const result = [...named];
  steps.forEach((step, i) => {
    if (isNamed.has(step.id)) return;
    const before = steps[i - 1];
    result.splice(before ? result.indexOf(before) + 1 : 0, 0, step);
  });
  return result;
}

/** What a step needs that comes after it, since one of them was moved. */
export function neededLater(step: RunStep, steps: readonly RunStep[]): RunStep[] {
  const at = steps.indexOf(step);
  return steps.filter((s, i) => i > at && step.needs.includes(s.id));
}
