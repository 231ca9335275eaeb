import { inheritedDoses, planCanvas, potCanvas } from '@kleur/core/balance';
import {
  type Candidate,
  candidatesOf,
  givenFrom,
  type MatchFilter,
  type MatchProblem,
  type RecipePart,
  POT_LIMITS,
} from '@kleur/core/match';
import { type Material } from '@kleur/core/material';
import { CURED_HOURS, type Stage } from '@kleur/core/pigment';
import { type FormulaPart, materialOf, type Plan, type Pot } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { type MaterialWire, type Settings } from '@kleur/contract';
import { newId } from '../../../data/newId.ts';

/**
 * The materials that recipes are made from, by id: the shelf, but with the plan's own copy of what the plan holds,
 * since that copy is what the pots are predicted from. What has left the shelf stays known and is out of stock.
 */
export function shelfFor(
  plan: Pick<Plan, 'materials'>,
  shelf: readonly MaterialWire[],
): ReadonlyMap<string, Material> {
  const byId = new Map<string, Material>(shelf.map(({ version: _v, builtIn: _b, ...m }) => [m.id, m]));
  if (byId.size === 0) return byId;
  for (const copy of plan.materials)
    byId.set(copy.id, { ...copy, inStock: byId.get(copy.id)?.inStock ?? false });
  return byId;
}

/** Colourants that the maker names: never, only these, in every recipe. */
export interface ByName {
  readonly exclude?: readonly string[];
  readonly only?: readonly string[];
  readonly must?: readonly string[];
}

/** The colourants that a filter allows. */
export const candidatesFor = (
  shelf: ReadonlyMap<string, Material>,
  filter: MatchFilter,
  { exclude = [], only = [] }: ByName = {},
): readonly Candidate[] => candidatesOf([...shelf.values()], { ...filter, exclude, only });

/** The gel that matches are made for: whatever the time strip shows would move the target while it is dragged. */
export const curedStage = (gel: number): Stage => ({ hours: CURED_HOURS, gel });

export interface MatchQuestion {
  readonly plan: Plan;
  /** The pot that is matched for; null for one that holds an equal share. */
  readonly potId: string | null;
  /** Oils of that pot, g. */
  readonly oils: number;
  readonly gel: number;
  readonly candidates: readonly Candidate[];
  readonly most: number;
  readonly must?: readonly string[];
  readonly prefersSure?: boolean;
  readonly settings: Pick<Settings, 'measuring' | 'units'>;
}

/** The problem of matching for a pot of a plan, all but its target. */
export function problemFor(q: MatchQuestion): Omit<MatchProblem, 'target'> {
  const { plan, settings } = q;
  const pot = plan.pots.find((p) => p.id === q.potId);
  return {
    stage: curedStage(q.gel),
    canvas: pot ? potCanvas(plan, pot) : planCanvas(plan, plan.base.scent !== null),
    // What is in the batter already, or came with batter of other pots, cannot be taken out.
    given: pot ? givenFrom(inheritedDoses(plan, pot)) : [],
    candidates: q.candidates,
    must: q.must ?? [],
    most: q.most,
    prefersSure: q.prefersSure ?? false,
    ...POT_LIMITS,
    resolution: q.oils > 0 ? { potOils: grams(q.oils), measuring: settings.measuring } : null,
    units: settings.units,
  };
}

/** The same, for a pot that may only be added to: what it holds itself is there too. */
export function addingTo(
  problem: Omit<MatchProblem, 'target'>,
  plan: Plan,
  pot: Pot,
): Omit<MatchProblem, 'target'> {
  const own = pot.doses.map((d) => ({
    material: materialOf(plan, d.materialId),
    dose: d.dose,
    carrier: d.carrier,
  }));
  return { ...problem, given: [...(problem.given ?? []), ...givenFrom(own)] };
}

/** Oils of a pot that holds an equal share of the palette's colours, g. */
export const equalShare = (plan: Plan): number => plan.base.totalOils / Math.max(1, plan.idea.colours.length);

/** A recipe as rows of a formula. */
export const formulaOf = (
  parts: readonly RecipePart[],
  shelf: ReadonlyMap<string, Material>,
): FormulaPart[] =>
  parts.flatMap((p) => {
    const material = shelf.get(p.id);
    return material ? [{ rowId: newId(), material, dose: p.dose }] : [];
  });
