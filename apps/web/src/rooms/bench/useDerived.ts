import { useMemo } from 'react';
import { type BatchWrite } from '@kleur/contract';
import { type Check, checkPlan, type ShelfState } from '@kleur/core/checks';
import { type Plan } from '@kleur/core/plan';
import { type Measuring, type Say } from '@kleur/core/units';
import { type PrepSheet, prepSheet } from '@kleur/core/work';
import { useMaterialsQuery } from '../../app/api.ts';
import { useAppSelector } from '../../app/hooks.ts';
import { useSay, useSettings } from '../../shared/hooks/useSettings.ts';

/** The open document. Only rendered once there is one. */
export function useDocument(): BatchWrite {
  const present = useAppSelector((s) => s.bench.present);
  if (!present) throw new Error('No batch is open');
  return present;
}

export const usePlan = (): Plan => useDocument().plan;

/** The last result, so that the many parts of a screen that ask for the same figures share them. */
function lastOf<A extends readonly unknown[], R>(work: (...args: A) => R): (...args: A) => R {
  let last: { readonly args: A; readonly result: R } | null = null;
  return (...args) => {
    if (last?.args.every((a, i) => a === args[i]) !== true) last = { args, result: work(...args) };
    return last.result;
  };
}

const prepared = lastOf((plan: Plan, measuring: Measuring) => prepSheet(plan, measuring));
const checked = lastOf((plan: Plan, measuring: Measuring, say: Say, shelf: ShelfState | undefined) =>
  checkPlan(plan, { measuring, say, shelf }),
);
const shelfState = lastOf(
  (materials: readonly { readonly id: string; stock: number | null; lot: string; lotTested: boolean }[]) =>
    new Map(materials.map((m) => [m.id, m])) as ShelfState,
);

export function usePrep(): PrepSheet {
  const plan = usePlan();
  const { measuring } = useSettings();
  return useMemo(() => prepared(plan, measuring), [plan, measuring]);
}

export function useChecks(): readonly Check[] {
  const plan = usePlan();
  const { measuring } = useSettings();
  const say = useSayOnce();
  const { data } = useMaterialsQuery();
  return useMemo(() => checked(plan, measuring, say, data && shelfState(data)), [plan, measuring, say, data]);
}

/** One `Say` for all who ask, so that they share the checks too. */
function useSayOnce(): Say {
  const say = useSay();
  const key = Object.values(say.units).join();
  return useMemo(() => keyedSay(key, say), [key, say]);
}
let lastSay: { readonly key: string; readonly say: Say } | null = null;
function keyedSay(key: string, say: Say): Say {
  if (lastSay?.key !== key) lastSay = { key, say };
  return lastSay.say;
}

/** Whether a check belongs to a pot, as such or through one of its doses. */
export const isOfPot = (check: Check, potId: string): boolean =>
  'potId' in check.place && check.place.potId === potId;

/** No lye amount is shown while anything stops the batch. */
export const useStopped = (): boolean => useChecks().some((c) => c.level === 'stop');
