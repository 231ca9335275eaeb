import { useEffect, useMemo, useState } from 'react';
import { latestOnly } from '../../data/latest.ts';
import { type ByName, candidatesFor, equalShare, problemFor, shelfFor } from './state/matching.ts';

import { type LabD65 } from '@kleur/core/colour';
import { type Candidate, type MatchProblem, type MatchResult } from '@kleur/core/match';
import { type Material } from '@kleur/core/material';

import { type PrepPot } from '@kleur/core/work';
import { useMaterialsQuery } from '../../data/materials.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { searchWorker } from '../../workers/client.ts';

import { useMatchSettings } from './state/matchSettings.ts';
import { usePlan } from './state/useDerived.ts';

/** The materials that recipes are made from, by id (see `shelfFor`). */
export function useShelf(): ReadonlyMap<string, Material> {
  const { data } = useMaterialsQuery();
  const { materials } = usePlan();
  return useMemo(() => shelfFor({ materials }, data ?? []), [data, materials]);
}

const EVERYTHING: ByName = {};

/** The colourants that recipes may use; `named` must be the same object while it says the same. */
export function useCandidates(byName: ByName = EVERYTHING): readonly Candidate[] {
  const shelf = useShelf();
  const { filter } = useMatchSettings();
  return useMemo(() => candidatesFor(shelf, filter, byName), [shelf, filter, byName]);
}

/**
 * The problem of matching for a pot of this plan; without a pot, for one that holds an equal share. Null until
 * the shelf has come.
 */
export function useProblem(
  pot: PrepPot | null,
  gel: number,
  byName: ByName = EVERYTHING,
): Omit<MatchProblem, 'target'> | null {
  const plan = usePlan();
  const shelf = useShelf();
  const candidates = useCandidates(byName);
  const { most, prefersSure } = useMatchSettings();
  const settings = useSettings();
  const potId = pot?.pot.id ?? null;
  const oils = pot ? pot.oils : equalShare(plan);
  return useMemo(
    () =>
      shelf.size === 0
        ? null
        : problemFor({
            plan,
            potId,
            oils,
            gel,
            candidates,
            most,
            prefersSure,
            must: byName.must ?? [],
            settings,
          }),
    [shelf, gel, plan, potId, candidates, most, prefersSure, oils, settings, byName],
  );
}

/** Names put in for the ids in a reason. */
export const named = (reason: string, shelf: ReadonlyMap<string, Material>): string =>
  reason.replace(/\{([^}]+)\}/g, (_, id: string) => shelf.get(id)?.name ?? id);

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
  const [questions] = useState(() =>
    latestOnly<{ problem: Omit<MatchProblem, 'target'>; targets: readonly LabD65[] }, MatchResult[]>({
      put: ({ problem: p, targets: list }) => searchWorker().matchAll({ ...p, target: list[0]! }, list),
      onAnswer: (results, { targets: list }) => {
        setAnswer({ results, of: list });
      },
      onBusy: setBusy,
      onError: (error) => {
        console.error('The search failed', error);
      },
    }),
  );
  const key = JSON.stringify(targets);
  useEffect(() => {
    const list = JSON.parse(key) as LabD65[];
    if (problem && list.length > 0) questions.ask({ problem, targets: list });
    else questions.cancel();
  }, [problem, key, questions]);
  return { ...answer, busy };
}
