import { useMemo } from 'react';
import { type Plan } from '@kleur/core/plan';
import { type Sheet, sheetOf } from '@kleur/core/sheet';
import { usePrinter, useSettings } from '../../../../shared/hooks/useSettings.ts';
import { usePlan, useStopped } from '../../state/useDerived.ts';

/** The open plan as lines to do. */
export const useSheet = (): Sheet => useSheetOf(usePlan());

/** A plan as lines to do: the open one, or one made of it. */
export function useSheetOf(plan: Plan): Sheet {
  const print = usePrinter();
  const stopped = useStopped();
  const { measuring } = useSettings();
  return useMemo(() => sheetOf(plan, measuring, print, stopped), [plan, measuring, print, stopped]);
}
