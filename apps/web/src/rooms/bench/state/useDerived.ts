import { useMemo, useSyncExternalStore } from 'react';
import { useBench } from '../BenchContext.ts';
import { type ChecksQuestion } from './liveChecks.ts';
import { type PlanFrame, planFrames } from './planFrame.ts';
import { type BatchWrite, isMade } from '@kleur/contract';
import { type Material } from '@kleur/core/material';
import { type Check } from '@kleur/core/checks';
import { gelOf } from '@kleur/core/balance';
import { type Plan } from '@kleur/core/plan';
import { type Measuring } from '@kleur/core/units';
import { type PrepPot, type PrepSheet, prepSheet } from '@kleur/core/work';
import { useLearntBase } from '../../../data/learntBase.ts';
import { useMaterialsQuery } from '../../../data/materials.ts';
import { useAppSelector } from '../../../data/store.ts';
import { type BenchState, presentOf, selectBench } from './benchSlice.ts';
import { useAtRest } from '../../../shared/hooks/useAtRest.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';

/** A part of the bench's state; the component is rendered again only when that part is another. */
export const useBenchState = <T>(select: (bench: BenchState) => T): T =>
  useAppSelector((s) => select(selectBench(s)));

const document = (bench: BenchState): BatchWrite => {
  const present = presentOf(bench);
  if (!present) throw new Error('No batch is open');
  return present;
};

/** The open document. Only rendered once there is one. */
export const useDocument = (): BatchWrite => useBenchState(document);

export const usePlan = (): Plan => useBenchState((b) => document(b).plan);

/** A part of the open plan. */
export const usePlanPart = <T>(select: (plan: Plan) => T): T =>
  useBenchState((b) => select(document(b).plan));

/** Name, state and day of the open batch. */
export const useHead = (): Pick<BatchWrite, 'name' | 'state' | 'madeOn'> => ({
  name: useBenchState((b) => document(b).name),
  state: useBenchState((b) => document(b).state),
  madeOn: useBenchState((b) => document(b).madeOn),
});

/** Ids of the pots in their order, as one text, so that equal lists are the same to React. */
export function usePotIds(): readonly string[] {
  const text = usePlanPart((p) => JSON.stringify(p.pots.map((pot) => pot.id)));
  return useMemo(() => JSON.parse(text) as string[], [text]);
}

/** The last result, so that the many parts of a screen that ask for the same figures share them. */
function lastOf<A extends readonly unknown[], R>(work: (...args: A) => R): (...args: A) => R {
  let last: { readonly args: A; readonly result: R } | null = null;
  return (...args) => {
    if (last?.args.every((a, i) => a === args[i]) !== true) last = { args, result: work(...args) };
    return last.result;
  };
}

const prepared = lastOf((plan: Plan, measuring: Measuring) => prepSheet(plan, measuring));
export function usePrep(): PrepSheet {
  const plan = usePlan();
  const { measuring } = useSettings();
  return useMemo(() => prepared(plan, measuring), [plan, measuring]);
}

/** Whether the batch likely gels: what matches and checks count on, whatever the time strip shows. */
export const usePlanGel = (): number => usePlanPart((p) => gelOf(p).gel);

/** One pot of the sheet; undefined for one that is not there. */
export const usePrepPot = (potId: string): PrepPot | undefined =>
  usePrep().pots.find((p) => p.pot.id === potId);

/** What the checks look at, as it stands. */
export function useChecksQuestion(): ChecksQuestion {
  const { plan, state } = useDocument();
  const { measuring } = useSettings();
  const print = usePrinter();
  const { data } = useMaterialsQuery();
  // Nothing of the first opening waits for it.
  const learnt = useLearntBase(useAtRest());
  return useMemo(() => {
    // A repair puts a material into the plan, which keeps none of the shelf's bookkeeping about it.
    const shelf =
      data && new Map<string, Material>(data.map(({ version: _v, builtIn: _b, ...m }) => [m.id, m]));
    return {
      plan,
      measuring,
      print,
      made: isMade(state),
      ...(shelf ? { shelf } : {}),
      ...(learnt === undefined ? {} : { learnt }),
    };
  }, [plan, measuring, print, data, state, learnt]);
}

/** The findings on the plan. They follow a change within a moment. */
export function useChecks(): readonly Check[] {
  const { checks } = useBench();
  return useSyncExternalStore(checks.subscribe, checks.getSnapshot);
}

const frame = planFrames();
/** The plan without doses: the component is not rendered again while a dose is dragged. */
export const usePlanFrame = (): PlanFrame => usePlanPart(frame);

/** Whether a check belongs to a pot, as such or through one of its doses. */
export const isOfPot = (check: Check, potId: string): boolean =>
  'potId' in check.place && check.place.potId === potId;

/** No lye amount is shown while anything stops the batch. */
export function useStopped(): boolean {
  const { checks } = useBench();
  return useSyncExternalStore(checks.subscribe, () => checks.getSnapshot().some((c) => c.level === 'stop'));
}

/** The gravest level among the findings on a pot, and how many share it; null for none. Tips do not count. */
export function usePotMark(
  potId: string,
): { readonly level: 'stop' | 'warn'; readonly count: number } | null {
  const { checks } = useBench();
  const text = useSyncExternalStore(checks.subscribe, () => {
    const of = checks.getSnapshot().filter((c) => isOfPot(c, potId));
    const level = (['stop', 'warn'] as const).find((l) => of.some((c) => c.level === l));
    return level ? JSON.stringify({ level, count: of.filter((c) => c.level === level).length }) : 'null';
  });
  return useMemo(() => JSON.parse(text) as { level: 'stop' | 'warn'; count: number } | null, [text]);
}
