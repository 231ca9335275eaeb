import { emptyDesign } from '../plan/design.ts';
import { type Embed, embedMaterials } from '../plan/embed.ts';
import {
  type DoseRow,
  emptyPlan,
  type Idea,
  newPot,
  onePart,
  type Plan,
  type Pot,
  type ScentChoice,
} from '../plan/plan.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { type Material } from '../material/material.ts';
import { levelSpoons, type Measuring } from '../units/measure.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { SPOONS } from '../units/spoons.ts';

export function shelfItem(id: string): Material {
  const found = startingShelf().find((m) => m.id === id);
  if (!found) throw new Error(`no ${id} on the starting shelf`);
  return found;
}

export const tenthGramScale: Measuring = {
  by: 'scale',
  scaleDivision: 0.1,
  spoons: 'us',
  ownedSpoons: SPOONS,
  ...levelSpoons,
};

export const dose = (materialId: string, value: number, id = materialId): DoseRow => ({
  id,
  materialId,
  dose: gramsPerKg(value),
  perBar: null,
  carrier: shelfItem(materialId).carriers[0] ?? null,
  source: 'extra',
});

export const pot = (name: string, parts: number, ...doses: DoseRow[]): Pot => ({
  ...newPot(name, name),
  draws: [onePart(parts)],
  doses,
});

/** A design of these techniques in the body, and no palette. */
export const ideaOf = (...body: readonly string[]): Idea => ({
  design: { ...emptyDesign, body },
  colours: [],
});

/** A bead of dough, 10 mm, one in each bar, in one colour. */
export const bead = (change: Partial<Embed> = {}, doses: Embed['parts'][number]['doses'] = []): Embed => ({
  id: 'e',
  name: 'Bead',
  base: 'dough',
  shape: 'ball',
  width: 10,
  height: 10,
  length: 10,
  perBar: 1,
  pieces: null,
  gramsEach: null,
  onTop: false,
  rests: null,
  parts: [{ id: 'part', parts: 1, doses }],
  dusting: null,
  ...change,
});

/** One scent, per pot. */
export const scentOf = (
  materialId: string,
  value: number,
  change: Partial<ScentChoice> = {},
): ScentChoice => ({
  parts: [{ id: materialId, materialId, parts: 1 }],
  dose: gramsPerKg(value),
  when: 'pot',
  stabiliser: 0,
  ...change,
});

/** 1,000 g: 40 % olive, 30 % coconut, 25 % lard, 5 % castor. */
export function planWith(
  pots: readonly Pot[],
  change: Partial<Plan['base']> = {},
  rest: Partial<Omit<Plan, 'base' | 'pots' | 'materials' | 'schema'>> = {},
): Plan {
  const oils = [
    ['oil-olive', 40],
    ['oil-coconut', 30],
    ['oil-lard', 25],
    ['oil-castor', 5],
  ] as const;
  const base = {
    ...emptyPlan().base,
    oils: oils.map(([materialId, percent]) => ({ id: materialId, materialId, percent })),
    totalOils: grams(1000),
    ...change,
  };
  const ids = new Set([
    ...base.oils.map((o) => o.materialId),
    ...(base.scent?.parts.map((p) => p.materialId) ?? []),
    ...base.additives.map((a) => a.materialId),
    ...pots.flatMap((p) => [...p.doses, ...p.ownOils].map((row) => row.materialId)),
    ...(rest.embeds ?? []).flatMap(embedMaterials),
    ...(rest.lines ?? []).map((l) => l.materialId),
    ...(rest.work?.carrierOil ? [rest.work.carrierOil] : []),
  ]);
  return { ...emptyPlan(), base, ...rest, pots, materials: [...ids].map(shelfItem) };
}

/** The loaf of four pots, 3:2:2:1: ultramarine, yellow oxide, a green from both, a white. */
export const fourPotLoaf = (): Plan =>
  planWith([
    pot('Blue', 3, dose('ultramarine-blue', 5)),
    pot('Ochre', 2, dose('yellow-iron-oxide', 3)),
    pot('Green', 2, dose('ultramarine-blue', 3), dose('yellow-iron-oxide', 1.5)),
    pot('White', 1, dose('titanium-dioxide-oil', 6)),
  ]);
