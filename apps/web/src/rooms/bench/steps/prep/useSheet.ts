import { useMemo } from 'react';
import { type Sheet, sheetOf } from '@kleur/core/sheet';
import { usePrinter, useSettings } from '../../../../shared/hooks/useSettings.ts';
import { usePlan, useStopped } from '../../state/useDerived.ts';

/** The plan as lines to do. */
export function useSheet(): Sheet {
  const plan = usePlan();
  const print = usePrinter();
  const stopped = useStopped();
  const { measuring } = useSettings();
  return useMemo(() => sheetOf(plan, measuring, print, stopped), [plan, measuring, print, stopped]);
}
