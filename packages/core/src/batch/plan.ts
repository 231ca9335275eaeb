import { type LabD65 } from '../colour/lab.ts';
import { type Carrier, type Material } from '../material/material.ts';
import { type Grams, grams, type GramsPerKg } from '../units/quantity.ts';

/**
 * The plan of a batch: one plain document, everything the maker decided and nothing that follows from it.
 * It holds a copy of each material as planned, so that the shelf may change under it.
 */
export interface Plan {
  readonly schema: typeof PLAN_SCHEMA;
  readonly idea: Idea;
  readonly base: Base;
  readonly pots: readonly Pot[];
  readonly materials: readonly Material[];
}

export const PLAN_SCHEMA = 2;

/** What the batch is to look like: the colours wanted, and how they are brought together. */
export interface Idea {
  /** Id of a technique, or null while open. */
  readonly technique: string | null;
  readonly colours: readonly PaletteColour[];
}

export interface PaletteColour {
  readonly id: string;
  readonly name: string;
  /** Wanted, not what the shelf can reach. CIELAB D65. */
  readonly lab: LabD65;
}

export interface Base {
  readonly oils: readonly OilRow[];
  /** Oils of the whole batch. */
  readonly totalOils: Grams;
  /** Oils left unsaponified, % of what the lye could take. */
  readonly superfat: number;
  /** Sodium hydroxide in the lye solution, % by weight. */
  readonly lyeConcentration: number;
  readonly scent: ScentChoice | null;
}

export interface OilRow {
  readonly id: string;
  readonly materialId: string;
  /** Share of the oils in %. The shares may disagree with 100 while the maker is at it; a check says so. */
  readonly percent: number;
}

export interface ScentChoice {
  readonly materialId: string;
  /** In the pots that get it. */
  readonly dose: GramsPerKg;
}

export interface Pot {
  readonly id: string;
  readonly name: string;
  /** Share of the batter in parts of the sum over all pots. */
  readonly parts: number;
  readonly scented: boolean;
  /** Palette colour whose recipe this pot follows until it is edited by hand. */
  readonly follows: string | null;
  readonly doses: readonly DoseRow[];
}

export interface DoseRow {
  readonly id: string;
  readonly materialId: string;
  /** In g per kg oils of the pot. */
  readonly dose: GramsPerKg;
  readonly carrier: Carrier | null;
}

/** Stated limits of a plan. The server refuses what the application never writes. */
export const PLAN_LIMITS = {
  name: 80,
  oils: 20,
  pots: 24,
  palette: 12,
  dosesPerPot: 16,
  materials: 120,
  totalOils: { min: 1, max: 100_000 },
  percent: { min: 0, max: 1000 },
  superfat: { min: -20, max: 60 },
  lyeConcentration: { min: 10, max: 60 },
  parts: { min: 0, max: 1000 },
  dose: { min: 0, max: 1000 },
  carrierRatio: { min: 0, max: 50 },
} as const;

export const emptyPlan = (): Plan => ({
  schema: PLAN_SCHEMA,
  idea: { technique: null, colours: [] },
  base: { oils: [], totalOils: grams(1000), superfat: 5, lyeConcentration: 33, scent: null },
  pots: [],
  materials: [],
});

/** The plan's own copy of a material. @throws RangeError when the plan holds none. */
export function materialOf(plan: Plan, id: string): Material {
  const found = plan.materials.find((m) => m.id === id);
  if (!found) throw new RangeError(`The plan holds no material "${id}"`);
  return found;
}

export interface PlanFault {
  /** Path into the document, as `pots.2.doses.0.materialId`. */
  readonly path: string;
  readonly message: string;
}

/** What makes a document no plan at all: references to nothing, repeated ids. Unfinished plans are no fault. */
export function planFaults(plan: Plan): PlanFault[] {
  const faults: PlanFault[] = [];
  const kinds = new Map(plan.materials.map((m) => [m.id, m.kind]));
  const refer = (path: string, id: string, wants: 'oil' | 'scent' | 'dosed'): void => {
    const kind = kinds.get(id);
    if (kind === undefined) faults.push({ path, message: `The plan holds no material "${id}"` });
    else if (wants === 'dosed' ? kind === 'oil' || kind === 'scent' : kind !== wants) {
      faults.push({ path, message: `"${id}" is of kind ${kind} and cannot be used here` });
    }
  };
  const unique = (path: string, rows: readonly { readonly id: string }[]): void => {
    const seen = new Set<string>();
    rows.forEach((row, i) => {
      if (seen.has(row.id))
        faults.push({ path: `${path}.${i}.id`, message: `The id "${row.id}" is used twice` });
      seen.add(row.id);
    });
  };
  unique('materials', plan.materials);
  unique('base.oils', plan.base.oils);
  unique('pots', plan.pots);
  unique('idea.colours', plan.idea.colours);
  plan.base.oils.forEach((row, i) => {
    refer(`base.oils.${i}.materialId`, row.materialId, 'oil');
  });
  if (plan.base.scent) refer('base.scent.materialId', plan.base.scent.materialId, 'scent');
  const colours = new Set(plan.idea.colours.map((c) => c.id));
  plan.pots.forEach((pot, p) => {
    if (pot.follows !== null && !colours.has(pot.follows)) {
      faults.push({ path: `pots.${p}.follows`, message: `The palette holds no colour "${pot.follows}"` });
    }
    unique(`pots.${p}.doses`, pot.doses);
    pot.doses.forEach((row, i) => {
      refer(`pots.${p}.doses.${i}.materialId`, row.materialId, 'dosed');
    });
  });
  return faults;
}

/** Drops the copies that nothing refers to any more. */
export function pruneMaterials(plan: Plan): Plan {
  const used = new Set<string>([
    ...plan.base.oils.map((o) => o.materialId),
    ...(plan.base.scent ? [plan.base.scent.materialId] : []),
    ...plan.pots.flatMap((p) => p.doses.map((d) => d.materialId)),
  ]);
  const materials = plan.materials.filter((m) => used.has(m.id));
  return materials.length === plan.materials.length ? plan : { ...plan, materials };
}

/** Plans of schema 1 had no idea and no pot that follows one. */
type PlanV1 = Omit<Plan, 'schema' | 'idea' | 'pots'> & {
  readonly schema: 1;
  readonly pots: readonly Omit<Pot, 'follows'>[];
};

/** A stored plan of any schema → the present one. @throws RangeError for a schema this program does not know. */
export function upgradePlan(stored: Plan | PlanV1): Plan {
  switch (stored.schema) {
    case PLAN_SCHEMA:
      return stored;
    case 1:
      return {
        ...stored,
        schema: PLAN_SCHEMA,
        idea: { technique: null, colours: [] },
        pots: stored.pots.map((p) => ({ ...p, follows: null })),
      };
    default:
      throw new RangeError(`A plan of schema ${String((stored as { schema: unknown }).schema)} is not known`);
  }
}
