import { type Material } from '../material/material.ts';
import { type Grams, grams, gramsPerKg } from '../units/quantity.ts';
import {
  type Base,
  type DoseRow,
  type OilRow,
  type PaletteColour,
  type Plan,
  PLAN_LIMITS,
  type Pot,
  pruneMaterials,
} from './plan.ts';

/*
 * Edits of a plan: plan in, plan out, nothing else touched. Ids come from the caller, so that an edit is the
 * same wherever it runs.
 */

const withCopy = (plan: Plan, material: Material): readonly Material[] =>
  plan.materials.some((m) => m.id === material.id) ? plan.materials : [...plan.materials, material];

export const setBase = (plan: Plan, change: Partial<Base>): Plan => ({
  ...plan,
  base: { ...plan.base, ...change },
});

/** Adds an oil with what is missing to 100 %, or nothing. An oil that is there already is left alone. */
export function addOil(plan: Plan, id: string, material: Material): Plan {
  if (plan.base.oils.some((o) => o.materialId === material.id)) return plan;
  const missing = Math.max(0, 100 - plan.base.oils.reduce((sum, o) => sum + o.percent, 0));
  const row: OilRow = { id, materialId: material.id, percent: Number(missing.toFixed(2)) };
  return { ...setBase(plan, { oils: [...plan.base.oils, row] }), materials: withCopy(plan, material) };
}

export const setOilPercent = (plan: Plan, id: string, percent: number): Plan =>
  setBase(plan, { oils: plan.base.oils.map((o) => (o.id === id ? { ...o, percent } : o)) });

/** Sets one oil by mass: the others keep theirs, and the total and all shares follow. */
export function setOilMass(plan: Plan, id: string, mass: Grams): Plan {
  const masses = plan.base.oils.map((o) => (o.id === id ? mass : (plan.base.totalOils * o.percent) / 100));
  const total = masses.reduce<number>((sum, m) => sum + m, 0);
  if (!(total > 0)) return plan;
  return setBase(plan, {
    totalOils: grams(total),
    oils: plan.base.oils.map((o, i) => ({ ...o, percent: (masses[i]! / total) * 100 })),
  });
}

export const removeOil = (plan: Plan, id: string): Plan =>
  pruneMaterials(setBase(plan, { oils: plan.base.oils.filter((o) => o.id !== id) }));

/** Stretches the shares to 100 % in their present proportions. */
export function normaliseOils(plan: Plan): Plan {
  const sum = plan.base.oils.reduce((total, o) => total + o.percent, 0);
  if (!(sum > 0)) return plan;
  return setBase(plan, {
    oils: plan.base.oils.map((o) => ({ ...o, percent: Number(((o.percent * 100) / sum).toFixed(4)) })),
  });
}

/** Chooses the scent at a dose in g/kg, or none. */
export const setScent = (plan: Plan, scent: { material: Material; dose: number } | null): Plan =>
  pruneMaterials({
    ...setBase(plan, { scent: scent && { materialId: scent.material.id, dose: gramsPerKg(scent.dose) } }),
    materials: scent ? withCopy(plan, scent.material) : plan.materials,
  });

export const addPot = (plan: Plan, id: string, name: string): Plan => ({
  ...plan,
  pots: [...plan.pots, { id, name, parts: 1, scented: plan.base.scent !== null, follows: null, doses: [] }],
});

export const setPot = (plan: Plan, id: string, change: Partial<Omit<Pot, 'id' | 'doses'>>): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => (p.id === id ? { ...p, ...change } : p)),
});

export const removePot = (plan: Plan, id: string): Plan =>
  pruneMaterials({ ...plan, pots: plan.pots.filter((p) => p.id !== id) });

/** Moves a pot by some places, stopping at either end. */
export function movePot(plan: Plan, id: string, by: number): Plan {
  const from = plan.pots.findIndex((p) => p.id === id);
  const to = Math.min(plan.pots.length - 1, Math.max(0, from + by));
  if (from < 0 || to === from) return plan;
  const pots = [...plan.pots];
  pots.splice(to, 0, ...pots.splice(from, 1));
  return { ...plan, pots };
}

/** Copies a pot with its formula, after itself. `rowId` gives each row of the copy its id. */
export function copyPot(plan: Plan, id: string, copyId: string, rowId: (index: number) => string): Plan {
  const at = plan.pots.findIndex((p) => p.id === id);
  const pot = plan.pots[at];
  if (!pot) return plan;
  const copy: Pot = {
    ...pot,
    id: copyId,
    name: `${pot.name} (copy)`,
    doses: pot.doses.map((d, i) => ({ ...d, id: rowId(i) })),
  };
  return { ...plan, pots: [...plan.pots.slice(0, at + 1), copy, ...plan.pots.slice(at + 1)] };
}

const setDoses = (
  plan: Plan,
  potId: string,
  change: (doses: readonly DoseRow[]) => readonly DoseRow[],
): Plan => ({
  ...plan,
  // A formula changed by hand no longer follows the palette.
  pots: plan.pots.map((p) => (p.id === potId ? { ...p, follows: null, doses: change(p.doses) } : p)),
});

/** Adds a material at its typical dose and first carrier. One that is in the pot already is left alone. */
export function addDose(plan: Plan, potId: string, rowId: string, material: Material): Plan {
  const pot = plan.pots.find((p) => p.id === potId);
  if (!pot || pot.doses.some((d) => d.materialId === material.id)) return plan;
  const row: DoseRow = {
    id: rowId,
    materialId: material.id,
    dose: gramsPerKg(material.window?.typical ?? 1),
    carrier: material.carriers[0] ?? null,
  };
  return { ...setDoses(plan, potId, (doses) => [...doses, row]), materials: withCopy(plan, material) };
}

export const setDose = (
  plan: Plan,
  potId: string,
  rowId: string,
  change: Partial<Pick<DoseRow, 'dose' | 'carrier'>>,
): Plan => setDoses(plan, potId, (doses) => doses.map((d) => (d.id === rowId ? { ...d, ...change } : d)));

export const removeDose = (plan: Plan, potId: string, rowId: string): Plan =>
  pruneMaterials(setDoses(plan, potId, (doses) => doses.filter((d) => d.id !== rowId)));

/** Takes over the shelf's present state of a material that the plan already holds. */
export const refreshMaterial = (plan: Plan, material: Material): Plan => ({
  ...plan,
  materials: plan.materials.map((m) => (m.id === material.id ? material : m)),
});

/** A formula as a recipe gives it. */
export interface FormulaPart {
  readonly rowId: string;
  readonly material: Material;
  readonly dose: number;
}

/**
 * Replaces a pot's colourants by a recipe's; a colourant that stays keeps its carrier. Scrubs and additives stay.
 * `follows` links the pot to the palette colour that the recipe was made for.
 */
export function setFormula(
  plan: Plan,
  potId: string,
  parts: readonly FormulaPart[],
  follows: string | null = null,
): Plan {
  const pot = plan.pots.find((p) => p.id === potId);
  if (!pot) return plan;
  const kept = pot.doses.filter((d) => {
    const kind = plan.materials.find((m) => m.id === d.materialId)?.kind;
    return (kind === 'scrub' || kind === 'additive') && !parts.some((p) => p.material.id === d.materialId);
  });
  const rows = parts.map(({ rowId, material, dose }): DoseRow => {
    const before = pot.doses.find((d) => d.materialId === material.id);
    return {
      id: before?.id ?? rowId,
      materialId: material.id,
      dose: gramsPerKg(dose),
      carrier: before ? before.carrier : (material.carriers[0] ?? null),
    };
  });
  const copied = parts.reduce<Plan>((p, { material }) => ({ ...p, materials: withCopy(p, material) }), plan);
  return pruneMaterials({
    ...copied,
    pots: plan.pots.map((p) => (p.id === potId ? { ...p, follows, doses: [...rows, ...kept] } : p)),
  });
}

export const setTechnique = (plan: Plan, technique: string | null): Plan => ({
  ...plan,
  idea: { ...plan.idea, technique },
});

/** Replaces the whole palette. Pots that followed a colour no longer in it keep their formula and stop following. */
export function setPalette(plan: Plan, colours: readonly PaletteColour[]): Plan {
  const kept = colours.slice(0, PLAN_LIMITS.palette);
  const ids = new Set(kept.map((c) => c.id));
  return {
    ...plan,
    idea: { ...plan.idea, colours: kept },
    pots: plan.pots.map((p) => (p.follows !== null && !ids.has(p.follows) ? { ...p, follows: null } : p)),
  };
}

export const setPaletteColour = (plan: Plan, id: string, change: Partial<Omit<PaletteColour, 'id'>>): Plan =>
  setPalette(
    plan,
    plan.idea.colours.map((c) => (c.id === id ? { ...c, ...change } : c)),
  );

/** A pot to make for a palette colour, with the recipe found for it. */
export interface PalettePot {
  readonly colourId: string;
  /** Id of the pot when there is none yet that follows the colour. */
  readonly potId: string;
  readonly parts: readonly FormulaPart[];
}

/** Turns palette colours into pots with formulas, in one act. A pot that follows the colour already is renewed. */
export function potsFromPalette(plan: Plan, pots: readonly PalettePot[]): Plan {
  return pots.reduce<Plan>((before, { colourId, potId, parts }) => {
    const colour = before.idea.colours.find((c) => c.id === colourId);
    if (!colour) return before;
    const follower = before.pots.find((p) => p.follows === colourId);
    if (!follower && before.pots.length >= PLAN_LIMITS.pots) return before;
    const plan = follower ? before : addPot(before, potId, colour.name);
    return setFormula(plan, follower?.id ?? potId, parts, colourId);
  }, plan);
}
