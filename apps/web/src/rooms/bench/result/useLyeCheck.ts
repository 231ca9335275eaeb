import { useMemo } from 'react';
import { type LyeCheck, lyeCheckOf } from '@kleur/core/record';
import { useSettings } from '../../../shared/hooks/useSettings.ts';
import { type Result } from './useResult.ts';

/** Whether the soap may contain lye, by plan, log and record. */
export function useLyeCheck({ poured, log, record }: Result): LyeCheck {
  const { measuring } = useSettings();
  return useMemo(
    () => lyeCheckOf(poured.plan, measuring, log, record),
    [poured.plan, measuring, log, record],
  );
}
