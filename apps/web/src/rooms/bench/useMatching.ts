import { useEffect, useMemo, useRef, useState } from 'react';
import { inheritedDoses, planCanvas, potCanvas } from '@kleur/core/balance';
import { type LabD65 } from '@kleur/core/colour';
import {
  type Candidate,
  candidatesOf,
  type MatchProblem,
  type MatchResult,
  type RecipePart,
  TOTAL_CEILING,
} from '@kleur/core/match';
import { type Material } from '@kleur/core/material';
import { CURED_HOURS, type Stage } from '@kleur/core/pigment';
import { type FormulaPart } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { type PrepPot } from '@kleur/core/work';
import { useMaterialsQuery } from '../../app/api.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { searchWorker } from '../../workers/client.ts';
import { newId } from '../../shared/newId.ts';
import { useMatchSettings } from './matchSettings.ts';
import { usePlan } from './useDerived.ts';

/**
 * The materials that recipes are made from, by id: the shelf, but with the plan's own copy of what the plan holds,
 * since that copy is what the pots are predicted from. What has left the shelf stays known and is out of stock.
 */
export function useShelf(): ReadonlyMap<string, Material> {
  const { data } = useMaterialsQuery();
  const { materials } = usePlan();
  return useMemo(() => {
    const shelf = new Map<string, Material>(
      (data ?? []).map(({ version: _v, builtIn: _b, ...m }) => [m.id, m]),
    );
    if (shelf.size === 0) return shelf;
    for (const copy of materials)
      shelf.set(copy.id, { ...copy, inStock: shelf.get(copy.id)?.inStock ?? false });
    return shelf;
  }, [data, materials]);
}

/** The gel that matches are made for: whatever the time strip shows would move the target while it is dragged. */
export const curedStage = (gel: number): Stage => ({ hours: CURED_HOURS, gel });

export function useCandidates(exclude: readonly string[] = []): readonly Candidate[] {
  const shelf = useShelf();
  const { filter } = useMatchSettings();
  const key = exclude.join();
  return useMemo(
    () => candidatesOf([...shelf.values()], { ...filter, exclude: key ? key.split(',') : [] }),
    [shelf, filter, key],
  );
}

/**
 * The problem of matching for a pot of this plan; without a pot, for one that holds an equal share. Null until
 * the shelf has come.
 */
export function useProblem(
  pot: PrepPot | null,
  gel: number,
  exclude: readonly string[] = [],
): Omit<MatchProblem, 'target'> | null {
  const plan = usePlan();
  const shelf = useShelf();
  const candidates = useCandidates(exclude);
  const { most } = useMatchSettings();
  const { measuring, units } = useSettings();
  const potId = pot?.pot.id ?? null;
  const oils = pot ? pot.oils : plan.base.totalOils / Math.max(1, plan.idea.colours.length);
  return useMemo(() => {
    if (shelf.size === 0) return null;
    const of = plan.pots.find((p) => p.id === potId);
    return {
      stage: curedStage(gel),
      canvas: of ? potCanvas(plan, of) : planCanvas(plan, plan.base.scent !== null),
      // What is in the batter already, or came with batter of other pots, cannot be taken out.
      given: (of ? inheritedDoses(plan, of) : []).flatMap(({ material, dose }) =>
        material.optics ? [{ id: material.id, optics: material.optics, dose }] : [],
      ),
      candidates,
      most,
      totalCeiling: TOTAL_CEILING,
      resolution: oils > 0 ? { potOils: grams(oils), measuring } : null,
      units,
    };
  }, [shelf, gel, plan, potId, candidates, most, oils, measuring, units]);
}

/** Names put in for the ids in a reason. */
export const named = (reason: string, shelf: ReadonlyMap<string, Material>): string =>
  reason.replace(/\{([^}]+)\}/g, (_, id: string) => shelf.get(id)?.name ?? id);

/** A recipe as rows of a formula. */
export const formulaOf = (
  parts: readonly RecipePart[],
  shelf: ReadonlyMap<string, Material>,
): FormulaPart[] =>
  parts.flatMap((p) => {
    const material = shelf.get(p.id);
    return material ? [{ rowId: newId(), material, dose: p.dose }] : [];
  });

/**
 * Answers of the worker for some targets, kept while newer ones are worked out. One question at a time: while it
 * is under way newer ones replace each other.
 */
export function useMatches(
  problem: Omit<MatchProblem, 'target'> | null,
  targets: readonly LabD65[],
): {
  readonly results: readonly MatchResult[];
  /** The targets that the results belong to. */
  readonly of: readonly LabD65[];
  readonly busy: boolean;
} {
  const [answer, setAnswer] = useState<{ results: readonly MatchResult[]; of: readonly LabD65[] }>({
    results: [],
    of: [],
  });
  const [busy, setBusy] = useState(false);
  const wanted = useRef<{ problem: Omit<MatchProblem, 'target'>; targets: readonly LabD65[] } | null>(null);
  const running = useRef(false);
  const key = JSON.stringify(targets);
  useEffect(() => {
    const list = JSON.parse(key) as LabD65[];
    if (!problem || list.length === 0) {
      wanted.current = null;
      return;
    }
    wanted.current = { problem, targets: list };
    if (running.current) return;
    running.current = true;
    setBusy(true);
    const work = async (): Promise<void> => {
      for (let next = wanted.current; next; next = wanted.current) {
        wanted.current = null;
        const results = await searchWorker().matchAll(
          { ...next.problem, target: next.targets[0]! },
          next.targets,
        );
        setAnswer({ results, of: next.targets });
      }
    };
    work()
      .catch((error: unknown) => {
        console.error('The search failed', error);
      })
      .finally(() => {
        running.current = false;
        setBusy(false);
      });
  }, [problem, key]);
  return { ...answer, busy };
}
