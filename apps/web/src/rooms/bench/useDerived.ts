import { useMemo } from 'react';
import { type BatchWrite, isMade } from '@kleur/contract';
import { type Material } from '@kleur/core/material';
import { type Check, checkPlan, type ShelfState } from '@kleur/core/checks';
import { type Plan } from '@kleur/core/plan';
import { type Measuring, type Printer } from '@kleur/core/units';
import { type PrepSheet, prepSheet } from '@kleur/core/work';
import { useMaterialsQuery } from '../../app/api.ts';
import { useAppSelector } from '../../app/hooks.ts';
import { usePrinter, useSettings } from '../../shared/hooks/useSettings.ts';

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
const checked = lastOf(
  (plan: Plan, measuring: Measuring, print: Printer, shelf: ShelfState | undefined, made: boolean) =>
    checkPlan(plan, { measuring, print, shelf, made }),
);
const shelfState = lastOf(
  (materials: readonly Material[]): ShelfState => new Map(materials.map((m) => [m.id, m])),
);

export function usePrep(): PrepSheet {
  const plan = usePlan();
  const { measuring } = useSettings();
  return useMemo(() => prepared(plan, measuring), [plan, measuring]);
}

export function useChecks(): readonly Check[] {
  const { plan, state } = useDocument();
  const { measuring } = useSettings();
  const print = usePrinter();
  const { data } = useMaterialsQuery();
  return useMemo(
    () => checked(plan, measuring, print, data && shelfState(data), isMade(state)),
    [plan, measuring, print, data, state],
  );
}

/** Whether a check belongs to a pot, as such or through one of its doses. */
export const isOfPot = (check: Check, potId: string): boolean =>
  'potId' in check.place && check.place.potId === potId;

/** No lye amount is shown while anything stops the batch. */
export const useStopped = (): boolean => useChecks().some((c) => c.level === 'stop');
