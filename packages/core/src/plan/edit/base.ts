import { type Material } from '../../material/material.ts';
import { type Grams, grams, gramsPerKg } from '../../units/quantity.ts';
import { type LearntBase } from '../learntBase.ts';
import { oilsSum } from '../oilShares.ts';
import {
  type AdditiveRow,
  type Base,
  type OilRow,
  oilsOf,
  type Plan,
  pruneMaterials,
  type ScentChoice,
} from '../plan.ts';
import { withCopy } from './copies.ts';
import { setPot } from './pots.ts';

/** Changes values of the base. */
export const setBase = (plan: Plan, change: Partial<Base>): Plan => ({
  ...plan,
  base: { ...plan.base, ...change },
});

/** Counts on a base as bars told it, or on the reference base again. */
export function setLearntBase(plan: Plan, learnt: LearntBase | null): Plan {
  const { learnt: _before, ...base } = plan.base;
  return { ...plan, base: learnt ? { ...base, learnt } : base };
}

/** Sets the oils of the whole batch by hand: the moulds no longer lead them. */
export const setTotalOils = (plan: Plan, totalOils: Grams): Plan => ({
  ...setBase(plan, { totalOils }),
  moulding: { ...plan.moulding, leads: false },
});

/** Sets the oils of the recipe, or a mini-batch's own; none of its own are the recipe's again. */
export const setOils = (plan: Plan, oils: readonly OilRow[], potId: string | null = null): Plan =>
  potId === null ? setBase(plan, { oils }) : setPot(plan, potId, { ownOils: oils });

/** Adds an oil with what is missing to 100 %, or nothing. An oil that is there already is left alone. */
export function addOil(plan: Plan, id: string, material: Material, potId: string | null = null): Plan {
  const oils = oilsOf(plan, potId);
  if (oils.some((o) => o.materialId === material.id)) return plan;
  const missing = Math.max(0, 100 - oilsSum(oils));
  const row: OilRow = { id, materialId: material.id, percent: Number(missing.toFixed(2)) };
  return { ...setOils(plan, [...oils, row], potId), materials: withCopy(plan, material) };
}

/** Sets the share of an oil, %, in the recipe or in a mini-batch's own blend. */
export const setOilPercent = (plan: Plan, id: string, percent: number, potId: string | null = null): Plan =>
  setOils(
    plan,
    oilsOf(plan, potId).map((o) => (o.id === id ? { ...o, percent } : o)),
    potId,
  );

/** Sets one oil by mass: the others keep theirs, and the total and all shares follow. */
export function setOilMass(plan: Plan, id: string, mass: Grams): Plan {
  const masses = plan.base.oils.map((o) => (o.id === id ? mass : (plan.base.totalOils * o.percent) / 100));
  const total = masses.reduce<number>((sum, m) => sum + m, 0);
  if (!(total > 0)) return plan;
  return setBase(setTotalOils(plan, grams(total)), {
    oils: plan.base.oils.map((o, i) => ({ ...o, percent: (masses[i]! / total) * 100 })),
  });
}

/** Takes an oil out of the recipe or of a mini-batch's own blend; its copy goes when nothing else uses it. */
export const removeOil = (plan: Plan, id: string, potId: string | null = null): Plan =>
  pruneMaterials(
    setOils(
      plan,
      oilsOf(plan, potId).filter((o) => o.id !== id),
      potId,
    ),
  );

/** Stretches the shares to 100 % in their present proportions. */
export function normaliseOils(plan: Plan, potId: string | null = null): Plan {
  const oils = oilsOf(plan, potId);
  const sum = oilsSum(oils);
  if (!(sum > 0)) return plan;
  return setOils(
    plan,
    oils.map((o) => ({ ...o, percent: Number(((o.percent * 100) / sum).toFixed(4)) })),
    potId,
  );
}

/** Takes over a saved base: oils by share, lye and liquid; the total oils, scent and pots stay. */
export function useRecipe(
  plan: Plan,
  recipe: Pick<Base, 'superfat' | 'lye' | 'liquid' | 'temperature'> & {
    readonly oils: readonly { readonly material: Material; readonly percent: number }[];
  },
  rowId: (index: number) => string,
): Plan {
  const { oils, superfat, lye, liquid, temperature } = recipe;
  const materials = oils.reduce<Plan>(
    (p, o) => ({ ...p, materials: withCopy(p, o.material) }),
    plan,
  ).materials;
  return pruneMaterials({
    ...setBase(plan, {
      superfat,
      lye,
      liquid,
      temperature,
      oils: oils.map((o, i) => ({ id: rowId(i), materialId: o.material.id, percent: o.percent })),
    }),
    materials,
  });
}

/** The first scent of a plan goes into every pot, unless some were already meant to have one. */
const scentPots = (plan: Plan): Plan =>
  plan.base.scent !== null || plan.pots.some((p) => p.scented)
    ? plan
    : { ...plan, pots: plan.pots.map((p) => ({ ...p, scented: true })) };

/** Replaces the blend by one that was typed or pasted, with the amount of oils where it said masses. */
export function setBlend(
  plan: Plan,
  oils: readonly { readonly material: Material; readonly percent: number }[],
  total: number | null,
  rowId: (index: number) => string,
): Plan {
  const { superfat, lye, liquid, temperature } = plan.base;
  const blended = useRecipe(plan, { oils, superfat, lye, liquid, temperature }, rowId);
  return total === null ? blended : setTotalOils(blended, grams(total));
}

/** Chooses one scent at a dose in g/kg, keeping how it is used; or none. */
export const setScent = (plan: Plan, scent: { material: Material; dose: number } | null): Plan =>
  pruneMaterials({
    ...setBase(scent ? scentPots(plan) : plan, {
      scent: scent && {
        when: plan.base.scent?.when ?? 'pot',
        stabiliser: 0,
        parts: [{ id: 'scent', materialId: scent.material.id, parts: 1 }],
        dose: gramsPerKg(scent.dose),
      },
    }),
    materials: scent ? withCopy(plan, scent.material) : plan.materials,
  });

/** Adds a scent to the blend, one part of it. The first starts a blend at the dose given. */
export function addScentPart(plan: Plan, id: string, material: Material, dose: number): Plan {
  const { scent } = plan.base;
  if (!scent) {
    const first = setScent(plan, { material, dose });
    return setBase(first, {
      scent: { ...first.base.scent!, parts: [{ id, materialId: material.id, parts: 1 }] },
    });
  }
  if (scent.parts.some((p) => p.materialId === material.id)) return plan;
  const parts = [...scent.parts, { id, materialId: material.id, parts: 1 }];
  return { ...setBase(plan, { scent: { ...scent, parts } }), materials: withCopy(plan, material) };
}

/** Removes a part of the blend; with the last one the scent goes. */
export function removeScentPart(plan: Plan, id: string): Plan {
  const { scent } = plan.base;
  if (!scent) return plan;
  const parts = scent.parts.filter((p) => p.id !== id);
  return pruneMaterials(setBase(plan, { scent: parts.length > 0 ? { ...scent, parts } : null }));
}

/** Changes the scent; nothing where there is none. */
export const changeScent = (plan: Plan, change: Partial<ScentChoice>): Plan =>
  plan.base.scent ? setBase(plan, { scent: { ...plan.base.scent, ...change } }) : plan;

/** Adds an additive to the whole batch at its typical dose, at the moment that its first carrier suggests. */
export function addAdditive(plan: Plan, id: string, material: Material): Plan {
  if (plan.base.additives.some((a) => a.materialId === material.id)) return plan;
  const medium = material.carriers[0]?.medium;
  const row: AdditiveRow = {
    id,
    materialId: material.id,
    dose: gramsPerKg(material.window?.typical ?? 5),
    perBar: null,
    moment:
      medium === 'lye-water'
        ? 'lye-water'
        : medium === 'batch-oils' || medium === 'oil' || medium === 'infusion'
          ? 'oils'
          : medium === 'water'
            ? 'water'
            : medium === 'top'
              ? 'top'
              : 'trace',
  };
  return {
    ...setBase(plan, { additives: [...plan.base.additives, row] }),
    materials: withCopy(plan, material),
  };
}

/** Changes an additive of the whole batch. A dose that is set by hand is no longer that of a wish per bar. */
export const setAdditive = (plan: Plan, id: string, change: Partial<Omit<AdditiveRow, 'id'>>): Plan =>
  setBase(plan, {
    additives: plan.base.additives.map((a) =>
      a.id === id ? { ...a, ...(change.dose === undefined ? {} : { perBar: null }), ...change } : a,
    ),
  });

/** Takes an additive out of the whole batch. */
export const removeAdditive = (plan: Plan, id: string): Plan =>
  pruneMaterials(setBase(plan, { additives: plan.base.additives.filter((a) => a.id !== id) }));
