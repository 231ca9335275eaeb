import { useEffect, useMemo, useState } from 'react';
import { gelOf, potComposition } from '@kleur/core/balance';
import { deltaE00, type LabD65 } from '@kleur/core/colour';
import { anything, candidatesOf, type Keeping } from '@kleur/core/match';
import { type Material } from '@kleur/core/material';
import { labOf } from '@kleur/core/pigment';
import { type Plan, setFormula } from '@kleur/core/plan';
import { prepSheet } from '@kleur/core/work';
import { latestOnly } from '../../../data/latest.ts';
import { useSettings } from '../../../shared/hooks/useSettings.ts';
import { searchWorker } from '../../../workers/client.ts';
import { type KeptPot } from '../../../workers/search.protocol.ts';
import { candidatesFor, curedStage, formulaOf, problemFor } from '../state/matching.ts';
import { readMatchSettings } from '../state/matchSettings.ts';

/** Within this ΔE00 a pot has its look again. */
const SAME_LOOK = 1;

/** A pot of the new version: how far it is from the look that it is to have. */
export interface RematchedPot {
  readonly name: string;
  readonly wanted: LabD65;
  readonly reached: LabD65;
  readonly far: number;
}

export interface Rematched {
  readonly plan: Plan;
  readonly pots: readonly RematchedPot[];
}

interface Question {
  readonly plan: Plan;
  readonly wanted: readonly LabD65[];
  readonly pots: readonly KeptPot[];
  readonly gel: number;
}

/** The cured look of every pot of a plan, by its id. */
export const looksOf = (plan: Plan, gel: number): ReadonlyMap<string, LabD65> =>
  new Map(plan.pots.map((p) => [p.id, labOf(potComposition(plan, p), curedStage(gel))]));

/**
 * A plan whose pots are matched again to looks that they had elsewhere, in the search worker. Null while it is worked
 * out for the first time.
 * @param without ids of materials that must not be used
 */
export function useRematched(
  plan: Plan | null,
  looks: ReadonlyMap<string, LabD65>,
  shelf: ReadonlyMap<string, Material>,
  without: readonly string[],
): Rematched | null {
  const settings = useSettings();
  const [answer, setAnswer] = useState<{ readonly of: Plan; readonly is: Rematched } | null>(null);
  const [questions] = useState(() =>
    latestOnly<Question, Keeping[]>({
      put: ({ pots }) => searchWorker().keepAll(pots),
      onAnswer: (keepings, { plan: of, wanted, gel }) => {
        const next = keepings.reduce((p, keeping, i) => {
          const recipe = keeping.result.recipes[0];
          const pot = of.pots[i]!;
          const is = labOf(potComposition(of, pot), curedStage(gel));
          // What is as near without a change stays as it is.
          if (!recipe || recipe.deltaE > deltaE00(is, wanted[i]!) - 0.05) return p;
          return setFormula(p, pot.id, formulaOf(recipe.parts, shelfNow(of, shelf)), null);
        }, of);
        const reached = looksOf(next, gel);
        const pots = next.pots.map((p, i): RematchedPot => {
          const now = reached.get(p.id)!;
          return { name: p.name, wanted: wanted[i]!, reached: now, far: deltaE00(wanted[i]!, now) };
        });
        setAnswer({ of, is: { plan: next, pots } });
      },
      onError: (error) => {
        console.error('The search failed', error);
      },
    }),
  );
  const key = without.join();
  const question = useMemo((): Question | null => {
    if (!plan || shelf.size === 0) return null;
    const { filter, most, prefersSure } = readMatchSettings();
    const { gel } = gelOf(plan);
    const excluded = new Set(key === '' ? [] : key.split(','));
    const known = shelfNow(plan, shelf);
    const allowed = candidatesFor(known, filter, { exclude: [...excluded] });
    const oils = new Map(prepSheet(plan, settings.measuring).pots.map((p) => [p.pot.id, p.oils]));
    const pots = plan.pots.map((pot): KeptPot => {
      // Its own colourants are kept where they can, whatever the shelf holds of them now.
      const own = pot.doses.map((d) => d.materialId).filter((id) => !excluded.has(id));
      const mine = candidatesOf(
        own.flatMap((id) => known.get(id) ?? []),
        anything,
      );
      const candidates = [...mine, ...allowed.filter((c) => !mine.some((m) => m.id === c.id))];
      const problem = problemFor({
        plan,
        potId: pot.id,
        oils: oils.get(pot.id) ?? 0,
        gel,
        candidates,
        most,
        prefersSure,
        settings,
      });
      return { problem: { ...problem, target: looks.get(pot.id) ?? [50, 0, 0] }, own, enough: SAME_LOOK };
    });
    return { plan, pots, gel, wanted: pots.map((p) => p.problem.target) };
  }, [plan, looks, shelf, key, settings]);
  useEffect(() => {
    if (question) questions.ask(question);
  }, [question, questions]);
  return answer && answer.of === question?.plan ? answer.is : null;
}

const shelfNow = (plan: Plan, shelf: ReadonlyMap<string, Material>): ReadonlyMap<string, Material> =>
  new Map([...shelf, ...plan.materials.map((m) => [m.id, m] as const)]);
