import { flowOf, gelOf, settle } from '@kleur/core/balance';
import { candidatesOf } from '@kleur/core/match';
import { type Material } from '@kleur/core/material';
import { type Plan, potsFromPalette } from '@kleur/core/plan';
import { type PlanStart, startingFilter, startPlan } from '@kleur/core/start';
import { type Settings } from '@kleur/contract';
import { newId } from '../../../data/newId.ts';
import { searchWorker } from '../../../workers/client.ts';
import { formulaOf, problemFor } from '../state/matching.ts';

/** Most colourants in a first recipe. */
const MOST = 3;

export interface Started {
  readonly plan: Plan;
  /** Names of pots for which the shelf has no colour. */
  readonly bare: readonly string[];
}

/** The plan that a start makes, with the nearest recipe that the shelf has for each colour. */
export async function makePlan(
  start: PlanStart,
  shelf: ReadonlyMap<string, Material>,
  settings: Pick<Settings, 'measuring' | 'units'>,
): Promise<Started> {
  const begun = startPlan(start, newId);
  if (begun.pots.length === 0) return { plan: begun, bare: [] };
  const materials = [...shelf.values()];
  const candidates = candidatesOf(materials, startingFilter(materials));
  const oils = new Map(flowOf(begun).pots.map((p) => [p.pot.id, p.oils]));
  const { gel } = gelOf(begun);
  const colourOf = new Map(begun.idea.colours.map((c) => [c.id, c]));
  const wanted = begun.pots.flatMap((pot) => {
    const colour = pot.follows === null ? undefined : colourOf.get(pot.follows);
    return colour ? [{ pot, colour }] : [];
  });
  const results = await searchWorker().keepAll(
    wanted.map(({ pot, colour }) => {
      const potOils = oils.get(pot.id) ?? 0;
      const question = { plan: begun, potId: pot.id, oils: potOils, gel, candidates, most: MOST, settings };
      return { problem: { ...problemFor(question), target: colour.lab }, own: [], enough: 0 };
    }),
  );
  const made = wanted.map(({ pot, colour }, i) => ({
    colourId: colour.id,
    potId: pot.id,
    parts: formulaOf(results[i]?.result.recipes[0]?.parts ?? [], shelf),
  }));
  return {
    plan: settle(potsFromPalette(begun, made)),
    bare: wanted.flatMap(({ pot }, i) => (made[i]!.parts.length === 0 ? [pot.name] : [])),
  };
}
