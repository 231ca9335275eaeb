import { type ReactNode, useEffect } from 'react';
import { useStore } from 'react-redux';
import { bareComposition, flowOf, potComposition, potDoubt } from '@kleur/core/balance';
import { type Plan } from '@kleur/core/plan';
import { type Stage } from '@kleur/core/pigment';
import { teeth } from '../../shared/ui/Teeth.tsx';
import { useBench } from './BenchContext.ts';
import { presentOf, selectBench } from './state/benchSlice.ts';
import { type TeethByPot } from './PotSwatch.tsx';
import { BARE } from './state/liveColours.ts';

/** Quiet time after the last change before the teeth are drawn again, in milliseconds: a drag does not wait for them. */
const STILL_MS = 700;

/** Teeth along the whole strip: they are as fine on a wide pot as on a narrow one. */
const ALONG = 100;
const FEWEST = 5;

const NONE: TeethByPot = new Map();

function teethOf(plan: Plan, stage: Stage): TeethByPot {
  const bare = teeth(potDoubt(plan, bareComposition(plan), stage), ALONG);
  const own = flowOf(plan).pots.map(({ pot, oils, drawnOff }): [string, ReactNode] => {
    const fraction = (oils * Math.max(0, 1 - drawnOff)) / plan.base.totalOils;
    const count = Math.max(FEWEST, Math.round(ALONG * fraction));
    return [pot.id, teeth(potDoubt(plan, potComposition(plan, pot), stage), count)];
  });
  return new Map([[BARE, bare], ...own]);
}

/**
 * How the pots may turn out at the time strip. While plan or time move there are no teeth: they would be those of
 * another colour. Listens by itself, so that a move renders nothing.
 */
export function StripTeeth({ onTeeth }: { readonly onTeeth: (of: TeethByPot) => void }) {
  const store = useStore();
  const { live } = useBench();
  useEffect(() => {
    let plan: Plan | undefined;
    let stage: Stage | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const follow = (): void => {
      const now = presentOf(selectBench(store.getState()))?.plan;
      const then = live.getSnapshot().stage;
      if (now === plan && then === stage) return;
      plan = now;
      stage = then;
      onTeeth(NONE);
      clearTimeout(timer);
      timer = setTimeout(() => {
        if (now) onTeeth(teethOf(now, then));
      }, STILL_MS);
    };
    const leave = [store.subscribe(follow), live.subscribe(follow)];
    follow();
    return () => {
      clearTimeout(timer);
      for (const stop of leave) stop();
    };
  }, [store, live, onTeeth]);
  return null;
}
