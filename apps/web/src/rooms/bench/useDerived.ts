import { useMemo } from 'react';
import { type BatchWrite } from '@kleur/contract';
import { type Check, checkPlan, type Plan, type PrepSheet, prepSheet } from '@kleur/core';
import { useAppSelector } from '../../app/hooks.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';

/** The open document. Only rendered once there is one. */
export function useDocument(): BatchWrite {
  const present = useAppSelector((s) => s.bench.present);
  if (!present) throw new Error('No batch is open');
  return present;
}

export const usePlan = (): Plan => useDocument().plan;

export function usePrep(): PrepSheet {
  const plan = usePlan();
  const { measuring } = useSettings();
  return useMemo(() => prepSheet(plan, measuring), [plan, measuring]);
}

export function useChecks(): readonly Check[] {
  const plan = usePlan();
  const { measuring } = useSettings();
  return useMemo(() => checkPlan(plan, measuring), [plan, measuring]);
}

/** Whether a check belongs to a pot, as such or through one of its doses. */
export const isOfPot = (check: Check, potId: string): boolean =>
  'potId' in check.place && check.place.potId === potId;
