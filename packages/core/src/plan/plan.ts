import { type LabD65 } from '../colour/lab.ts';
import { type Carrier, isEarly, type Material, potCarriers } from '../material/material.ts';
import { type Grams, grams, type GramsPerKg } from '../units/quantity.ts';
import { type DayChanges, plainDay, type PourScript, writtenPour } from './day.ts';
import { type Design, emptyDesign } from './design.ts';
import { type Embed, embedMaterials, type PowderLine } from './embed.ts';
import { type LearntBase } from './learntBase.ts';
import { emptyMoulding, type Moulding } from './moulding.ts';

/**
 * The plan of a batch: one plain document, everything the maker decided and nothing that follows from it.
 * It holds a copy of each material as planned, so that the shelf may change under it.
 */
export interface Plan {
  readonly schema: typeof PLAN_SCHEMA;
  readonly idea: Idea;
  readonly base: Base;
  readonly moulding: Moulding;
  readonly pots: readonly Pot[];
  readonly embeds: readonly Embed[];
  readonly lines: readonly PowderLine[];
  readonly work: Work;
  readonly materials: readonly Material[];
}

export const PLAN_SCHEMA = 10;

/** What the batch is to look like: the colours wanted, and how they are brought together. */
export interface Idea {
  readonly design: Design;
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
  readonly lye: LyeChoice;
  readonly liquid: LiquidChoice;
  /** Of oils and lye when they meet, °C. */
  readonly temperature: number;
  readonly scent: ScentChoice | null;
  /** Into the whole batch; what goes into one pot only is a dose of that pot. */
  readonly additives: readonly AdditiveRow[];
  /** The base as bars had told it when the plan was made; absent for the reference base. */
  readonly learnt?: LearntBase;
}

export interface OilRow {
  readonly id: string;
  readonly materialId: string;
  /** Share of the oils in %. The shares may disagree with 100 while the maker is at it; a check says so. */
  readonly percent: number;
}

export interface LyeChoice {
  /** Part of the saponification that potassium hydroxide does, % by moles. */
  readonly kohShare: number;
  /** Purity of each as bought, %. */
  readonly naohPurity: number;
  readonly kohPurity: number;
}

export const LIQUID_WAYS = ['concentration', 'ratio', 'percent'] as const;
export type LiquidWay = (typeof LIQUID_WAYS)[number];
export const LIQUID_KINDS = ['milk', 'coconut-milk', 'tea', 'puree', 'brine', 'beer', 'other'] as const;
export type LiquidKind = (typeof LIQUID_KINDS)[number];

export interface LiquidChoice {
  /** Lye in the solution in %, liquid to lye by weight, or liquid in % of the oils. */
  readonly by: LiquidWay;
  readonly value: number;
  /** What is not water. */
  readonly parts: readonly LiquidPart[];
  /** Kept out of the lye and stirred in later. */
  readonly heldBack: Grams;
}

export interface LiquidPart {
  readonly id: string;
  readonly name: string;
  readonly kind: LiquidKind;
  /** Of the whole liquid. */
  readonly percent: number;
}

export const SCENT_MOMENTS = ['pot', 'batter', 'oils'] as const;
/** Per pot after colour, into the batter before the split, or into the oils before the lye. */
export type ScentMoment = (typeof SCENT_MOMENTS)[number];

export interface ScentChoice {
  /** One scent, or a blend by parts. */
  readonly parts: readonly ScentPart[];
  /** Of the blend, in the pots that get it. */
  readonly dose: GramsPerKg;
  readonly when: ScentMoment;
  /** Vanillin stabiliser in g per g of scent; 0 for none. */
  readonly stabiliser: number;
}

export interface ScentPart {
  readonly id: string;
  readonly materialId: string;
  readonly parts: number;
}

export const ADDITIVE_MOMENTS = ['lye-water', 'oils', 'water', 'trace', 'top'] as const;
export type AdditiveMoment = (typeof ADDITIVE_MOMENTS)[number];

export interface AdditiveRow {
  readonly id: string;
  readonly materialId: string;
  readonly dose: GramsPerKg;
  /** Wanted in each bar, g: the dose follows it; null where the dose itself is what was decided. */
  readonly perBar: Grams | null;
  readonly moment: AdditiveMoment;
}

export const SHARE_WAYS = [
  'parts',
  'percent',
  'grams',
  'millilitres',
  'layer',
  'slant',
  'section',
  'rest',
] as const;
/**
 * How much a pot draws: parts of what fixed amounts leave, % of the batter (or of the pot drawn from), grams,
 * ml by the marks of a jug, a layer of a height, a slanted layer between two heights, a section of a divided
 * mould, or the rest.
 */
export type ShareWay = (typeof SHARE_WAYS)[number];

export interface Draw {
  readonly id: string;
  /** A pot, or null for the base batter. */
  readonly from: string | null;
  readonly by: ShareWay;
  /** In the way's own unit: parts, %, g, ml, mm, or the number of the section from 1. */
  readonly value: number;
  /** The other height of a slanted layer, mm. */
  readonly second: number;
}

export const TAKEN = ['emulsion', 'liquid', 'additives'] as const;
/** What is in the batter already when the pot is taken off: nothing yet, the late liquid, the late additives. */
export type Taken = (typeof TAKEN)[number];
export const POT_PLACES = ['mould', 'top', 'spare'] as const;
export type PotPlace = (typeof POT_PLACES)[number];

export interface Pot {
  readonly id: string;
  readonly name: string;
  readonly draws: readonly Draw[];
  readonly taken: Taken;
  readonly scented: boolean;
  /** Its own rate of scent, added after colour; null for that of the batch. */
  readonly scentDose: GramsPerKg | null;
  readonly place: PotPlace;
  /** Whether it gels by itself (a cup in the oven) or is kept from it; null or absent to go with the batch. */
  readonly gelled?: boolean | null;
  /** Of this pot, kept back for the top. */
  readonly reserve: Grams;
  /** A mini-batch: its own part of the oils and its own lye. */
  readonly ownLye: boolean;
  /** Its oils, where they are not the recipe's; empty for the recipe's. Only a mini-batch can have any. */
  readonly ownOils: readonly OilRow[];
  /** Hours that it is poured before the last pour. */
  readonly hoursBefore: number;
  /** Palette colour whose recipe this pot follows until it is edited by hand. */
  readonly follows: string | null;
  readonly doses: readonly DoseRow[];
}

export const CARRIER_SOURCES = ['extra', 'batch'] as const;
/** Beside the recipe, or out of the recipe's own oils or liquid. */
export type CarrierSource = (typeof CARRIER_SOURCES)[number];

export interface DoseRow {
  readonly id: string;
  readonly materialId: string;
  /** In g per kg oils of the pot. */
  readonly dose: GramsPerKg;
  /** Wanted in each bar, g: the dose follows it; null where the dose itself is what was decided. */
  readonly perBar: Grams | null;
  readonly carrier: Carrier | null;
  readonly source: CarrierSource;
}

export const HEATS = ['let', 'force', 'prevent'] as const;
export const FINISHES = ['mist', 'oven', 'insulate', 'fridge'] as const;
export type Finish = (typeof FINISHES)[number];
export const USES = ['body', 'hands', 'face'] as const;

export const ORDER_WAYS = ['harm', 'palest', 'own'] as const;
/** Least harm from what an unwashed blender carries over, the palest first, or the maker's own. */
export type OrderWay = (typeof ORDER_WAYS)[number];

/** Minutes that one pot takes at each step, as this maker works. */
export interface Minutes {
  readonly split: number;
  readonly colour: number;
  readonly scent: number;
  readonly pour: number;
  readonly top: number;
}

/** How the work is to go. */
export interface Work {
  /** A simpler technique to fall back on, agreed before starting; null while open. */
  readonly fallback: string | null;
  readonly heat: (typeof HEATS)[number];
  /** What is done to the filled mould, in this order. */
  readonly finish: readonly Finish[];
  readonly use: (typeof USES)[number];
  /** Made again and again: every lot of colour should have been read. */
  readonly permanentLine: boolean;
  /** Seconds of blending after emulsion. */
  readonly blendSeconds: number;
  /** The oil that powders are dispersed in; null for the lightest of the recipe. */
  readonly carrierOil: string | null;
  /** Whether every pot gets as much oil carrier as the one that needs most, by share. */
  readonly equalise: boolean;
  readonly dispersions: readonly SharedDispersion[];
  readonly order: {
    readonly by: OrderWay;
    /** Pot ids in the maker's own order; those that are not named come last. */
    readonly pots: readonly string[];
  };
  readonly minutes: Minutes;
  /** Warmth of the oven that is switched off when the mould goes in, °C. */
  readonly ovenTemperature: number;
  /** Batter that thickens fast is what the maker wants. */
  readonly fastWanted: boolean;
  /** All times of the batter times this: how this maker's batter differs from the usual; 1 for not at all. */
  readonly pace: number;
  readonly pour: PourScript;
  readonly day: DayChanges;
}

/** A dispersion made once for all pots that use the material, or taken from a bottle that is kept. */
export interface SharedDispersion {
  readonly materialId: string;
  readonly stock: Stock | null;
}

export interface Stock {
  /** Powder by weight in the bottle, %. */
  readonly powderPercent: number;
  readonly gramsPerDrop: number;
}

export const emptyWork: Work = {
  fallback: null,
  heat: 'let',
  finish: [],
  use: 'body',
  permanentLine: false,
  blendSeconds: 0,
  carrierOil: null,
  equalise: false,
  dispersions: [],
  order: { by: 'harm', pots: [] },
  minutes: { split: 1, colour: 2, scent: 1, pour: 2, top: 5 },
  ovenTemperature: 75,
  fastWanted: false,
  pace: 1,
  pour: writtenPour,
  day: plainDay,
};

export const plainLye: LyeChoice = { kohShare: 0, naohPurity: 100, kohPurity: 90 };

/** A plan with nothing in it: 1,000 g of oils to come, 5 % superfat. */
export const emptyPlan = (): Plan => ({
  schema: PLAN_SCHEMA,
  idea: { design: emptyDesign, colours: [] },
  base: {
    oils: [],
    totalOils: grams(1000),
    superfat: 5,
    lye: plainLye,
    liquid: { by: 'concentration', value: 33, parts: [], heldBack: grams(0) },
    temperature: 32,
    scent: null,
    additives: [],
  },
  moulding: emptyMoulding,
  pots: [],
  embeds: [],
  lines: [],
  work: emptyWork,
  materials: [],
});

/** Whether a pot shares its batter with others, so that what goes into its oils or lye goes into theirs too. */
export const sharesBatter = (plan: Plan, pot: Pot): boolean =>
  !pot.ownLye &&
  (pot.draws.some((d) => d.from !== null) || plan.pots.some((p) => p.id !== pot.id && !p.ownLye));

/**
 * The carrier with which a material starts in a pot: its first that reaches no other pot, else as it is at trace; a
 * pot that is alone so far may get company. Null for a material that takes none.
 */
export function startingCarrier(pot: Pot, material: Material): Carrier | null {
  const [first = null] = material.carriers;
  if (!isEarly(first) || pot.ownLye) return first;
  return potCarriers(material).find((c) => !isEarly(c)) ?? null;
}

/** The share a new pot starts with: one part of the base batter. */
export const onePart = (parts = 1): Draw => ({
  id: 'base',
  from: null,
  by: 'parts',
  value: parts,
  second: 0,
});

/** A pot as it starts: one part of the batter, bare. */
export const newPot = (id: string, name: string): Pot => ({
  id,
  name,
  draws: [onePart()],
  taken: 'additives',
  scented: false,
  scentDose: null,
  place: 'mould',
  reserve: grams(0),
  ownLye: false,
  ownOils: [],
  hoursBefore: 0,
  follows: null,
  doses: [],
});

/** Oils that a lye meets. */
export interface Blend {
  /** Null for the recipe, else the mini-batch that has oils of its own. */
  readonly potId: string | null;
  readonly oils: readonly OilRow[];
}

/** The recipe, and the oils of mini-batches that have their own. */
export const blendsOf = (plan: Plan): readonly Blend[] => [
  { potId: null, oils: plan.base.oils },
  ...plan.pots.flatMap((p) => (p.ownLye && p.ownOils.length > 0 ? [{ potId: p.id, oils: p.ownOils }] : [])),
];

/** The oils of a mini-batch by its pot, or of the common batter. */
export const oilsOf = (plan: Plan, potId: string | null): readonly OilRow[] =>
  blendsOf(plan).find((b) => b.potId === potId)?.oils ?? plan.base.oils;

/** The plan's own copy of a material. @throws RangeError when the plan holds none. */
export function materialOf(plan: Plan, id: string): Material {
  let index = indexes.get(plan.materials);
  if (!index) {
    index = new Map(plan.materials.map((m) => [m.id, m]));
    indexes.set(plan.materials, index);
  }
  const found = index.get(id);
  if (!found) throw new RangeError(`The plan holds no material "${id}"`);
  return found;
}
// Lists of materials are never changed in place, and most edits leave them alone.
const indexes = new WeakMap<readonly Material[], ReadonlyMap<string, Material>>();

/** Drops the copies that nothing refers to any more. */
export function pruneMaterials(plan: Plan): Plan {
  const { base, work } = plan;
  const used = new Set<string>([
    ...base.oils.map((o) => o.materialId),
    ...(base.scent?.parts.map((p) => p.materialId) ?? []),
    ...base.additives.map((a) => a.materialId),
    ...plan.pots.flatMap((p) => [...p.doses, ...p.ownOils].map((row) => row.materialId)),
    ...plan.embeds.flatMap(embedMaterials),
    ...plan.lines.map((l) => l.materialId),
    ...(work.carrierOil === null ? [] : [work.carrierOil]),
  ]);
  const materials = plan.materials.filter((m) => used.has(m.id));
  return materials.length === plan.materials.length ? plan : { ...plan, materials };
}
