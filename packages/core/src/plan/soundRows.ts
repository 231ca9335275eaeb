import { type Plan } from './plan.ts';

/**
 * A stored plan without the entries that are no rows at all (lists within lists, which a plan has nowhere), as early
 * versions let them in.
 * @returns the plan itself where there are none, and how many were left out.
 */
export function soundRows(plan: Plan): { readonly plan: Plan; readonly leftOut: number } {
  let leftOut = 0;
  const sound = (value: unknown): unknown => {
    if (Array.isArray(value)) {
      const rows = value.filter((v) => !Array.isArray(v));
      leftOut += value.length - rows.length;
      return rows.map(sound);
    }
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, sound(v)]));
  };
  const mended = sound(plan) as Plan;
  return leftOut === 0 ? { plan, leftOut } : { plan: mended, leftOut };
}
