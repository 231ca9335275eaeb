import { type LabD65 } from '../colour/lab.ts';
import { upgradeMaterial } from '../material/upgrade.ts';
import { grams } from '../units/quantity.ts';
import { type Embed, type PowderLine } from './embed.ts';
import { type AdditiveRow, type DoseRow, type Plan, PLAN_SCHEMA, type Pot } from './plan.ts';

/*
 * Plans as earlier versions stored them, and the steps from each to the next. A step is frozen: what it adds is written
 * out here and does not follow today's defaults, so that an old plan always reads the same.
 */

/** Materials as their copies were at the time. */
type OldMaterials = readonly object[];

/** A dose or an additive before it could follow a wish per bar. */
type RowV6<Row> = Omit<Row, 'perBar'>;
type PotV6 = Omit<Pot, 'doses'> & { readonly doses: readonly RowV6<DoseRow>[] };
type EmbedV6 = Omit<Embed, 'pieces' | 'gramsEach' | 'rests' | 'parts' | 'dusting'> & {
  readonly doses: Embed['parts'][number]['doses'];
};
interface IdeaV6 {
  readonly technique: string | null;
  readonly colours: Plan['idea']['colours'];
}
/** Schema 9: the pour and the steps of the day were never the plan's. */
type PlanV9 = Omit<Plan, 'schema' | 'work'> & {
  readonly schema: 9;
  readonly work: Omit<Plan['work'], 'pace' | 'pour' | 'day'>;
};
/** Schema 8: the moulds never led the oils. */
type PlanV8 = Omit<PlanV9, 'schema' | 'moulding'> & {
  readonly schema: 8;
  readonly moulding: Omit<Plan['moulding'], 'leads'>;
};
/** Schema 7: materials whose looks were in their curves alone. */
type PlanV7 = Omit<PlanV8, 'schema' | 'materials'> & { readonly schema: 7; readonly materials: OldMaterials };
/** Schema 6: one technique a bar, embeds of one colour; materials without density, fat or water of their own. */
type PlanV6 = Omit<PlanV7, 'schema' | 'idea' | 'base' | 'pots' | 'embeds' | 'lines'> & {
  readonly schema: 6;
  readonly idea: IdeaV6;
  readonly base: Omit<Plan['base'], 'additives'> & {
    readonly additives: readonly RowV6<AdditiveRow>[];
  };
  readonly pots: readonly PotV6[];
  readonly embeds: readonly EmbedV6[];
  readonly lines: readonly Omit<PowderLine, 'carrier'>[];
};
/** Schema 5: one rate of scent, the order of colouring always that of least harm. */
type PlanV5 = Omit<PlanV6, 'schema' | 'pots' | 'work'> & {
  readonly schema: 5;
  readonly pots: readonly Omit<PotV6, 'scentDose'>[];
  readonly work: Omit<PlanV6['work'], 'order' | 'minutes' | 'ovenTemperature' | 'fastWanted'>;
};
/** Schema 4: materials with one lot as a text, and curves without origin. */
type PlanV4 = Omit<PlanV5, 'schema'> & { readonly schema: 4 };
/** Schema 3: mini-batches had the recipe's oils. */
type PlanV3 = Omit<PlanV4, 'schema' | 'pots'> & {
  readonly schema: 3;
  readonly pots: readonly Omit<PlanV5['pots'][number], 'ownOils'>[];
};
/** Schema 2: one scent, sodium hydroxide only, liquid by concentration, pots by parts of one batter. */
interface PlanV2 {
  readonly schema: 2;
  readonly idea: {
    readonly technique: string | null;
    readonly colours: readonly { readonly id: string; readonly name: string; readonly lab: LabD65 }[];
  };
  readonly base: {
    readonly oils: Plan['base']['oils'];
    readonly totalOils: Plan['base']['totalOils'];
    readonly superfat: number;
    readonly lyeConcentration: number;
    readonly scent: { readonly materialId: string; readonly dose: DoseRow['dose'] } | null;
  };
  readonly pots: readonly (Pick<Pot, 'id' | 'name' | 'scented' | 'follows'> & {
    readonly parts: number;
    readonly doses: readonly Omit<DoseRow, 'source' | 'perBar'>[];
  })[];
  readonly materials: OldMaterials;
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

const NO_GRAMS = grams(0);

const toV3 = ({ idea, base, pots, materials }: PlanV2): PlanV3 => ({
  schema: 3,
  idea,
  base: {
    oils: base.oils,
    totalOils: base.totalOils,
    superfat: base.superfat,
    lye: { kohShare: 0, naohPurity: 100, kohPurity: 90 },
    liquid: { by: 'concentration', value: base.lyeConcentration, parts: [], heldBack: NO_GRAMS },
    temperature: 32,
    scent: base.scent && {
      parts: [{ id: 'scent', materialId: base.scent.materialId, parts: 1 }],
      dose: base.scent.dose,
      when: 'pot',
      stabiliser: 0,
    },
    additives: [],
  },
  moulding: {
    moulds: [],
    reserve: NO_GRAMS,
    lossPerJug: grams(12),
    density: null,
    bars: { by: 'thickness', thickness: 25, count: 10, kerf: 1, end: 0, columns: 1 },
  },
  pots: pots.map(({ parts, doses, ...pot }) => ({
    taken: 'additives',
    place: 'mould',
    reserve: NO_GRAMS,
    ownLye: false,
    hoursBefore: 0,
    ...pot,
    draws: [{ id: 'base', from: null, by: 'parts', value: parts, second: 0 }],
    // Carriers were always extra.
    doses: doses.map((d) => ({ ...d, source: 'extra' })),
  })),
  embeds: [],
  lines: [],
  work: {
    fallback: null,
    heat: 'let',
    finish: [],
    use: 'body',
    permanentLine: false,
    blendSeconds: 0,
    carrierOil: null,
    equalise: false,
    dispersions: [],
  },
  materials,
});

const toV4 = (stored: PlanV3): PlanV4 => ({
  ...stored,
  schema: 4,
  pots: stored.pots.map((p) => ({ ...p, ownOils: [] })),
});

const toV5 = (stored: PlanV4): PlanV5 => ({
  ...stored,
  schema: 5,
  materials: stored.materials.map(upgradeMaterial),
});

const toV6 = (stored: PlanV5): PlanV6 => ({
  ...stored,
  schema: 6,
  pots: stored.pots.map((p) => ({ ...p, scentDose: null })),
  work: {
    ...stored.work,
    order: { by: 'harm', pots: [] },
    minutes: { split: 1, colour: 2, scent: 1, pour: 2, top: 5 },
    ovenTemperature: 75,
    fastWanted: false,
  },
});

const ON_TOP = ['piped-top', 'textured-top'];

/** What was one technique: those of the top lay over layers. */
const designOf = (technique: string | null): Plan['idea']['design'] => {
  const top = technique !== null && ON_TOP.includes(technique) ? technique : null;
  return { body: technique === null ? [] : [top ? 'layers' : technique], layers: [], top, twins: [] };
};

const withoutWish = <Row>(row: Row): Row & { readonly perBar: null } => ({ ...row, perBar: null });

const toV7 = (stored: PlanV6): PlanV7 => ({
  ...stored,
  schema: 7,
  idea: { design: designOf(stored.idea.technique), colours: stored.idea.colours },
  base: { ...stored.base, additives: stored.base.additives.map(withoutWish) },
  pots: stored.pots.map((p) => ({ ...p, doses: p.doses.map(withoutWish) })),
  embeds: stored.embeds.map(({ doses, ...e }) => ({
    ...e,
    pieces: null,
    gramsEach: null,
    rests: null,
    parts: [{ id: 'part', parts: 1, doses }],
    dusting: null,
  })),
  lines: stored.lines.map((l) => ({ ...l, carrier: null })),
});

const toV8 = (stored: PlanV7): PlanV8 => ({
  ...stored,
  schema: 8,
  materials: stored.materials.map(upgradeMaterial),
});

const toV9 = (stored: PlanV8): PlanV9 => ({
  ...stored,
  schema: 9,
  moulding: { ...stored.moulding, leads: false },
});

const toV10 = (stored: PlanV9): Plan => ({
  ...stored,
  schema: PLAN_SCHEMA,
  work: {
    ...stored.work,
    pace: 1,
    pour: { moves: null, free: false, scrapes: true },
    day: { order: [], added: [], helpers: [], held: [] },
  },
});

type StoredPlan = Plan | PlanV9 | PlanV8 | PlanV7 | PlanV6 | PlanV5 | PlanV4 | PlanV3 | PlanV2 | PlanV1;

/** A stored plan of any schema → the present one. @throws RangeError for a schema this program does not know. */
export function upgradePlan(stored: StoredPlan): Plan {
  switch (stored.schema) {
    case PLAN_SCHEMA:
      return stored;
    case 9:
      return toV10(stored);
    case 8:
      return toV10(toV9(stored));
    case 7:
      return toV10(toV9(toV8(stored)));
    case 6:
      return toV10(toV9(toV8(toV7(stored))));
    case 5:
      return toV10(toV9(toV8(toV7(toV6(stored)))));
    case 4:
      return toV10(toV9(toV8(toV7(toV6(toV5(stored))))));
    case 3:
      return toV10(toV9(toV8(toV7(toV6(toV5(toV4(stored)))))));
    case 2:
      return toV10(toV9(toV8(toV7(toV6(toV5(toV4(toV3(stored))))))));
    case 1:
      return toV10(toV9(toV8(toV7(toV6(toV5(toV4(toV3(toV2(stored)))))))));
    default:
      throw new RangeError(`A plan of schema ${String((stored as { schema: unknown }).schema)} is not known`);
  }
}
