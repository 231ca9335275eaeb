import { useEffect, useMemo, useState } from 'react';
import { planCanvas } from '@kleur/core/balance';
import { type ReachSlice } from '@kleur/core/palette';
import { reachWorker } from '../../../workers/client.ts';
import { curedStage } from '../state/matching.ts';
import { usePlan } from '../state/useDerived.ts';
import { useCandidates } from '../useMatching.ts';

/** What this shelf reaches on this base at cure, by lightness: not gelled, and gelled. Null while it is worked out. */
export function useReach(): readonly (readonly ReachSlice[])[] | null {
  const plan = usePlan();
  const candidates = useCandidates();
  const [slices, setSlices] = useState<readonly (readonly ReachSlice[])[] | null>(null);
  const canvas = useMemo(() => planCanvas(plan, plan.base.scent !== null), [plan]);
  const key = JSON.stringify(canvas);
  useEffect(() => {
    if (candidates.length === 0) return;
    let current = true;
    void reachWorker()
      .reach(JSON.parse(key) as typeof canvas, candidates, [curedStage(0), curedStage(1)])
      .then((answer) => {
        if (current) setSlices(answer);
      });
    return () => {
      current = false;
    };
  }, [key, candidates]);
  return slices;
}
