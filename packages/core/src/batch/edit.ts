import { type Material } from '../material/material.ts';
import { type Grams, grams, gramsPerKg } from '../units/quantity.ts';
import { type Embed, type PowderLine } from './embed.ts';
import { liquidInWay } from './lye.ts';
import { type Moulding, type MouldRow } from './mould.ts';
import {
  type AdditiveRow,
  type Base,
  type DoseRow,
  type Draw,
  type LiquidWay,
  newPot,
  type OilRow,
  onePart,
  type PaletteColour,
  type Plan,
  PLAN_LIMITS,
  type Pot,
  pruneMaterials,
  type ScentChoice,
  type SharedDispersion,
  type Stock,
  type Work,
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

/** Says the liquid another way, with the same amount of it. */
export function setLiquidWay(plan: Plan, by: LiquidWay): Plan {
  const { min, max } =
    by === 'ratio'
      ? PLAN_LIMITS.ratio
      : by === 'percent'
        ? PLAN_LIMITS.liquidPercent
        : PLAN_LIMITS.concentration;
  const value = Math.min(max, Math.max(min, Number(liquidInWay(plan, by).toFixed(4))));
  return setBase(plan, { liquid: { ...plan.base.liquid, by, value } });
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

/** Chooses one scent at a dose in g/kg, keeping how it is used; or none. */
export const setScent = (plan: Plan, scent: { material: Material; dose: number } | null): Plan =>
  pruneMaterials({
    ...setBase(plan, {
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

export const setAdditive = (plan: Plan, id: string, change: Partial<Omit<AdditiveRow, 'id'>>): Plan =>
  setBase(plan, { additives: plan.base.additives.map((a) => (a.id === id ? { ...a, ...change } : a)) });

export const removeAdditive = (plan: Plan, id: string): Plan =>
  pruneMaterials(setBase(plan, { additives: plan.base.additives.filter((a) => a.id !== id) }));

export const setMoulding = (plan: Plan, change: Partial<Moulding>): Plan => ({
  ...plan,
  moulding: { ...plan.moulding, ...change },
});

export const setMould = (plan: Plan, id: string, change: Partial<Omit<MouldRow, 'id'>>): Plan =>
  setMoulding(plan, { moulds: plan.moulding.moulds.map((m) => (m.id === id ? { ...m, ...change } : m)) });

export const setWork = (plan: Plan, change: Partial<Work>): Plan => ({
  ...plan,
  work: { ...plan.work, ...change },
});

/** Chooses the oil that powders are dispersed in; null leaves it to the recipe. */
export const setCarrierOil = (plan: Plan, material: Material | null): Plan =>
  pruneMaterials({
    ...setWork(plan, { carrierOil: material?.id ?? null }),
    materials: material ? withCopy(plan, material) : plan.materials,
  });

/** Makes one dispersion of a material for all its pots (or a bottle's), or goes back to a cup a pot. */
export function setDispersion(plan: Plan, materialId: string, how: { stock: Stock | null } | null): Plan {
  const others = plan.work.dispersions.filter((d) => d.materialId !== materialId);
  const next: readonly SharedDispersion[] = how ? [...others, { materialId, stock: how.stock }] : others;
  return setWork(plan, { dispersions: next });
}

/** Takes every weighed carrier from the batch, or every one from beside it. */
export const setCarrierSource = (plan: Plan, source: DoseRow['source']): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => ({ ...p, doses: p.doses.map((d) => ({ ...d, source })) })),
});

export const addEmbed = (plan: Plan, embed: Embed): Plan => ({ ...plan, embeds: [...plan.embeds, embed] });
export const setEmbed = (plan: Plan, id: string, change: Partial<Omit<Embed, 'id'>>): Plan =>
  pruneMaterials({ ...plan, embeds: plan.embeds.map((e) => (e.id === id ? { ...e, ...change } : e)) });
export const removeEmbed = (plan: Plan, id: string): Plan =>
  pruneMaterials({ ...plan, embeds: plan.embeds.filter((e) => e.id !== id) });

/** Adds a colourant to an embed at its typical dose. */
export function addEmbedDose(plan: Plan, embedId: string, rowId: string, material: Material): Plan {
  const embed = plan.embeds.find((e) => e.id === embedId);
  if (!embed || embed.doses.some((d) => d.materialId === material.id)) return plan;
  const dose = { id: rowId, materialId: material.id, dose: gramsPerKg(material.window?.typical ?? 1) };
  return setEmbed({ ...plan, materials: withCopy(plan, material) }, embedId, {
    doses: [...embed.doses, dose],
  });
}

export const addLine = (plan: Plan, line: PowderLine, material: Material): Plan => ({
  ...plan,
  lines: [...plan.lines, line],
  materials: withCopy(plan, material),
});
export const setLine = (plan: Plan, id: string, change: Partial<Omit<PowderLine, 'id'>>): Plan => ({
  ...plan,
  lines: plan.lines.map((l) => (l.id === id ? { ...l, ...change } : l)),
});
export const removeLine = (plan: Plan, id: string): Plan =>
  pruneMaterials({ ...plan, lines: plan.lines.filter((l) => l.id !== id) });

export const addPot = (plan: Plan, id: string, name: string): Plan => ({
  ...plan,
  pots: [...plan.pots, { ...newPot(id, name), scented: plan.base.scent !== null }],
});

export const setPot = (plan: Plan, id: string, change: Partial<Omit<Pot, 'id' | 'doses'>>): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => (p.id === id ? { ...p, ...change } : p)),
});

/** Sets a pot's share of the base batter by parts, whatever it was drawn by. */
export const setParts = (plan: Plan, id: string, parts: number): Plan =>
  setPot(plan, id, { draws: [onePart(parts)] });

const setDraws = (plan: Plan, potId: string, change: (draws: readonly Draw[]) => readonly Draw[]): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => (p.id === potId ? { ...p, draws: change(p.draws) } : p)),
});
export const addDraw = (plan: Plan, potId: string, draw: Draw): Plan =>
  setDraws(plan, potId, (draws) => [...draws, draw]);
export const setDraw = (plan: Plan, potId: string, id: string, change: Partial<Omit<Draw, 'id'>>): Plan =>
  setDraws(plan, potId, (draws) => draws.map((d) => (d.id === id ? { ...d, ...change } : d)));
export const removeDraw = (plan: Plan, potId: string, id: string): Plan =>
  setDraws(plan, potId, (draws) => draws.filter((d) => d.id !== id));

export const removePot = (plan: Plan, id: string): Plan =>
  pruneMaterials({
    ...plan,
    // Whoever drew from it draws nothing from it any more.
    pots: plan.pots
      .filter((p) => p.id !== id)
      .map((p) =>
        p.draws.some((d) => d.from === id) ? { ...p, draws: p.draws.filter((d) => d.from !== id) } : p,
      ),
  });

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

/** The first carrier of a material. Water comes out of the recipe's liquid, anything else is extra. */
const carrierFor = (material: Material): Pick<DoseRow, 'carrier' | 'source'> => {
  const carrier = material.carriers[0] ?? null;
  return { carrier, source: carrier?.medium === 'water' ? 'batch' : 'extra' };
};

/** Adds a material at its typical dose and first carrier. One that is in the pot already is left alone. */
export function addDose(plan: Plan, potId: string, rowId: string, material: Material): Plan {
  const pot = plan.pots.find((p) => p.id === potId);
  if (!pot || pot.doses.some((d) => d.materialId === material.id)) return plan;
  const row: DoseRow = {
    id: rowId,
    materialId: material.id,
    dose: gramsPerKg(material.window?.typical ?? 1),
    ...carrierFor(material),
  };
  return { ...setDoses(plan, potId, (doses) => [...doses, row]), materials: withCopy(plan, material) };
}

export const setDose = (
  plan: Plan,
  potId: string,
  rowId: string,
  change: Partial<Pick<DoseRow, 'dose' | 'carrier' | 'source'>>,
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
      ...(before ? { carrier: before.carrier, source: before.source } : carrierFor(material)),
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
