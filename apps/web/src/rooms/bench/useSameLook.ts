import { useEffect, useMemo, useState } from 'react';
import { potComposition } from '@kleur/core/balance';
import { type LabD65 } from '@kleur/core/colour';
import { type Keeping } from '@kleur/core/match';
import { isColourant } from '@kleur/core/material';
import { labOf } from '@kleur/core/pigment';
import { materialOf, type Plan, type Pot } from '@kleur/core/plan';
import { latestOnly } from '../../data/latest.ts';
import { useSettings } from '../../shared/hooks/useSettings.ts';
import { searchWorker } from '../../workers/client.ts';
import { type KeptPot } from '../../workers/search.protocol.ts';
import { curedStage, problemFor } from './state/matching.ts';
import { useMatchSettings } from './state/matchSettings.ts';
import { usePlan, usePrep } from './state/useDerived.ts';
import { useCandidates, useShelf } from './useMatching.ts';

/** A pot within this ΔE00 of its look has it again. */
const SAME_LOOK = 1;

/** A pot that moved by no more than this ΔE00 looks the same. */
export const NOTICED = 1.5;

/** A pot that shall look as wanted. */
export interface WantedLook {
  readonly pot: Pot;
  readonly oils: number;
  readonly wanted: LabD65;
  /** As it would be without a change. */
  readonly now: LabD65;
}

/** The same, with what brings it there. */
export interface SameLook extends WantedLook {
  readonly keeping: Keeping;
  /** Ids of its colourants that are not allowed any more. */
  readonly lacks: readonly string[];
}

interface Question {
  readonly looks: readonly WantedLook[];
  readonly pots: readonly KeptPot[];
  readonly lacks: readonly (readonly string[])[];
}

/** Cured colours of all pots by id. */
export const looksOfPots = (plan: Plan, gel: number): ReadonlyMap<string, LabD65> =>
  new Map(plan.pots.map((pot) => [pot.id, labOf(potComposition(plan, pot), curedStage(gel))]));

/** Pots of the open batch with the colours that are wanted of them; those without oils are left out. */
export function useWantedLooks(wanted: ReadonlyMap<string, LabD65>, gel: number): readonly WantedLook[] {
  const plan = usePlan();
  const { pots } = usePrep();
  const now = useMemo(() => looksOfPots(plan, gel), [plan, gel]);
  return pots.flatMap(({ pot, oils }) => {
    const want = wanted.get(pot.id);
    const is = now.get(pot.id);
    return want && is && oils > 0 ? [{ pot, oils, wanted: want, now: is }] : [];
  });
}

/**
 * Every pot solved again for its wanted look on the present base and from what the shelf allows now, each with as much
 * of its own colourants as can be. Null while it is being worked out for the first time.
 */
export function useSameLooks(looks: readonly WantedLook[], gel: number): readonly SameLook[] | null {
  const plan = usePlan();
  const shelf = useShelf();
  const candidates = useCandidates();
  const { most, prefersSure } = useMatchSettings();
  const settings = useSettings();
  const [answer, setAnswer] = useState<readonly SameLook[] | null>(null);
  const [questions] = useState(() =>
    latestOnly<Question, Keeping[]>({
      put: ({ pots }) => searchWorker().keepAll(pots),
      onAnswer: (keepings, q) => {
        setAnswer(q.looks.map((look, i) => ({ ...look, lacks: q.lacks[i]!, keeping: keepings[i]! })));
      },
      onError: (error) => {
        console.error('The search failed', error);
      },
    }),
  );
  const key = JSON.stringify(looks.map((l) => [l.pot.id, l.oils, l.wanted, l.now]));
  useEffect(() => {
    if (shelf.size === 0) return;
    const pots = looks.map(({ pot, oils, wanted }): KeptPot => {
      const question = { plan, potId: pot.id, oils, gel, candidates, most, prefersSure, settings };
      return {
        problem: { ...problemFor(question), target: wanted },
        own: pot.doses.map((d) => d.materialId),
        enough: SAME_LOOK,
      };
    });
    const lacks = looks.map(({ pot }) =>
      pot.doses
        .map((d) => materialOf(plan, d.materialId))
        .filter((m) => isColourant(m.kind) && m.optics && !candidates.some((c) => c.id === m.id))
        .map((m) => m.id),
    );
    questions.ask({ looks, pots, lacks });
    // The looks are compared by what is in them.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key, plan, shelf, candidates, most, prefersSure, settings, gel, questions]);
  return answer;
}
