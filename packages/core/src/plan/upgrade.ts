import { upgradeMaterial } from '../material/upgrade.ts';
import { type GramsPerKg } from '../units/quantity.ts';
import { type DoseRow, emptyPlan, newPot, onePart, type Plan, PLAN_SCHEMA, type Pot } from './plan.ts';

/** Schema 3: mini-batches had the recipe's oils. */
type PlanV3 = Omit<Plan, 'schema' | 'pots'> & {
  readonly schema: 3;
  readonly pots: readonly Omit<Pot, 'ownOils'>[];
};

const toV4 = (stored: PlanV3): Plan => ({
  ...stored,
  schema: PLAN_SCHEMA,
  pots: stored.pots.map((p) => ({ ...p, ownOils: [] })),
});

/** Schema 2: one scent, sodium hydroxide only, liquid by concentration, pots by parts of one batter. */
interface PlanV2 {
  readonly schema: 2;
  readonly idea: Plan['idea'];
  readonly base: {
    readonly oils: Plan['base']['oils'];
    readonly totalOils: Plan['base']['totalOils'];
    readonly superfat: number;
    readonly lyeConcentration: number;
    readonly scent: { readonly materialId: string; readonly dose: GramsPerKg } | null;
  };
  readonly pots: readonly (Pick<Pot, 'id' | 'name' | 'scented' | 'follows'> & {
    readonly parts: number;
    readonly doses: readonly Omit<DoseRow, 'source'>[];
  })[];
  readonly materials: Plan['materials'];
}

/** Schema 1 had no idea, and no pot that follows one. */
type PlanV1 = Omit<PlanV2, 'schema' | 'idea' | 'pots'> & {
  readonly schema: 1;
  readonly pots: readonly Omit<PlanV2['pots'][number], 'follows'>[];
};

const toV2 = (stored: PlanV1): PlanV2 => ({
  ...stored,
  schema: 2,
  idea: { technique: null, colours: [] },
  pots: stored.pots.map((p) => ({ ...p, follows: null })),
});

function toV3({ idea, base, pots, materials }: PlanV2): PlanV3 {
  const empty = emptyPlan();
  return {
    ...empty,
    schema: 3,
    idea,
    base: {
      ...empty.base,
      oils: base.oils,
      totalOils: base.totalOils,
      superfat: base.superfat,
      liquid: { ...empty.base.liquid, value: base.lyeConcentration },
      scent: base.scent && {
        parts: [{ id: 'scent', materialId: base.scent.materialId, parts: 1 }],
        dose: base.scent.dose,
        when: 'pot',
        stabiliser: 0,
      },
    },
    pots: pots.map(({ parts, doses, ...pot }) => ({
      ...newPot(pot.id, pot.name),
      ...pot,
      draws: [onePart(parts)],
      // Carriers were always extra.
      doses: doses.map((d) => ({ ...d, source: 'extra' })),
    })),
    materials: materials.map(upgradeMaterial),
  };
}

/** A stored plan of any schema → the present one. @throws RangeError for a schema this program does not know. */
export function upgradePlan(stored: Plan | PlanV3 | PlanV2 | PlanV1): Plan {
  switch (stored.schema) {
    case PLAN_SCHEMA:
      return stored;
    case 3:
      return toV4(stored);
    case 2:
      return toV4(toV3(stored));
    case 1:
      return toV4(toV3(toV2(stored)));
    default:
      throw new RangeError(`A plan of schema ${String((stored as { schema: unknown }).schema)} is not known`);
  }
}
