import { type Optics } from '../pigment/optics.ts';
import { type CurveFacts } from './curve.ts';
import { type Looks } from './looks.ts';
import { type Lot } from './lot.ts';

/** What stands on a maker's shelf. One shape for all kinds; the parts a kind lacks are null. */
export const MATERIAL_KINDS = [
  'pigment',
  'mica',
  'fluorescent',
  'dye',
  'clay',
  'botanical',
  'scrub',
  'additive',
  'oil',
  'scent',
] as const;
export type MaterialKind = (typeof MATERIAL_KINDS)[number];

/** How it comes, which says whether it counts as powder in a pot. */
export const MATERIAL_FORMS = ['powder', 'liquid'] as const;
export type MaterialForm = (typeof MATERIAL_FORMS)[number];

/** Kinds that are dosed into a pot (the rest belong to the base or the scent). */
export const isDosed = (kind: MaterialKind): boolean => kind !== 'oil' && kind !== 'scent';

/** What a powder is dispersed in, or the moment at which it goes in as it is. */
export const CARRIER_MEDIA = [
  'oil',
  'water',
  'glycerin',
  'lye-water',
  'batch-oils',
  'infusion',
  'trace',
  'top',
] as const;
export type CarrierMedium = (typeof CARRIER_MEDIA)[number];

/** Media that come as a liquid of their own beside the recipe and are weighed out. */
export const isWeighedCarrier = (medium: CarrierMedium): boolean =>
  medium === 'oil' || medium === 'water' || medium === 'glycerin' || medium === 'infusion';

export interface Carrier {
  readonly medium: CarrierMedium;
  /** Parts of liquid to one part of powder by weight; 0 where it goes in dry. */
  readonly ratio: number;
}

/** Media that go into the oils or the lye before any pot is taken off. */
const EARLY: readonly CarrierMedium[] = ['batch-oils', 'lye-water'];

/** Whether a carrier brings its powder into all the batter that a lye meets. */
export const isEarly = (carrier: Carrier | null): boolean =>
  carrier !== null && EARLY.includes(carrier.medium);

/** Ways of a material into a pot: its own, and dry through a sieve at trace for one that knows only early ones. */
export const potCarriers = ({ carriers }: Pick<Material, 'carriers'>): readonly Carrier[] =>
  carriers.length > 0 && carriers.every(isEarly) ? [...carriers, { medium: 'trace', ratio: 0 }] : carriers;

/** Doses in g per kg oils: just seen, a clear mid colour, trouble beyond. Null where not meaningful. */
export interface DoseWindow {
  readonly faint: number | null;
  readonly typical: number;
  readonly ceiling: number;
}

export const CLAIMS = ['natural', 'vegan', 'palm-free', 'nut-free'] as const;
export type Claim = (typeof CLAIMS)[number];

export const CAUTIONS = [
  'fine-powder',
  'alkali-unstable',
  'alkali-shift',
  'bleeds',
  'fades',
  'stains',
  'brittle',
  'rivers',
  'clumps',
  'fast',
  'heat',
  'sensitiser',
  'allergen',
  'scratchy',
  'mould',
  'restricted-colour',
  'eats-lye',
  'sinks',
  'melts',
] as const;
export type Caution = (typeof CAUTIONS)[number];

export const ALLERGENS = [
  'nut',
  'coconut',
  'milk',
  'oat',
  'honey',
  'pollen',
  'soya',
  'wheat',
  'barley',
] as const;
/** What must be told to whoever uses the soap. */
export type Allergen = (typeof ALLERGENS)[number];

/** Fatty acids that soap makers steer by, in this order, each in % of the oil. */
export const FATTY_ACIDS = [
  'lauric',
  'myristic',
  'palmitic',
  'stearic',
  'ricinoleic',
  'oleic',
  'linoleic',
  'linolenic',
] as const;

export interface OilFacts {
  /** Saponification value in mg KOH per g; null when unknown. */
  readonly sapKoh: number | null;
  /** How far sources differ on that value, ± %. */
  readonly sapSpread: number;
  /** % of each of `FATTY_ACIDS`; null when unknown. */
  readonly fatty: readonly number[] | null;
  /** Saturated fatty acids, %. */
  readonly saturated: number | null;
  readonly pace: 'slow' | 'mid' | 'fast';
  /** Tint amounts, 0–10. */
  readonly carotenoid: number;
  readonly chlorophyll: number;
  readonly brown: number;
}

/** What a supplier's limit refers to: makers speak of oils, safety sheets of the finished product. */
export const LIMIT_BASES = ['oils', 'product'] as const;
export type LimitBasis = (typeof LIMIT_BASES)[number];

export interface ScentFacts {
  /** Most that may be used, g per kg of what the basis names. */
  readonly limit: number;
  readonly limitBasis: LimitBasis;
  /** Vanillin content, fraction 0–1 (ethyl vanillin counted 1.5 times). */
  readonly vanillin: number;
  readonly tan: 'none' | 'slight' | 'moderate' | 'strong';
  readonly pace: 'slows' | 'none' | 'slight' | 'moderate' | 'strong' | 'seizes';
}

export interface Material {
  readonly id: string;
  readonly kind: MaterialKind;
  readonly form: MaterialForm;
  readonly name: string;
  /** Colour index name or numbers; empty where there is none. */
  readonly colourIndex: string;
  /** Stated colour `#rrggbb` at the typical dose, gelled and cured; null for what has no colour. */
  readonly colour: string | null;
  /** How it looks beside that: ungelled, in the pot, faded. */
  readonly looks: Looks;
  readonly window: DoseWindow | null;
  /** First one is the default. */
  readonly carriers: readonly Carrier[];
  /** Loose bulk density in g/ml, for spoons; null when unknown. */
  readonly bulkDensity: number | null;
  /** Of its own substance as it lies in the batter, without air between the grains, g/ml. */
  readonly density: number;
  /** Whether it is meant to be felt: grains, seeds, flakes. */
  readonly scrub: boolean;
  /** Fat in it, % of its weight: counts as oil that no lye meets. */
  readonly fat: number;
  /** Water in it, % of its weight: replaces as much of the recipe's liquid. */
  readonly water: number;
  readonly allergens: readonly Allergen[];
  /** Effect on a pot's working time at the typical dose: 1 none, below 1 faster. */
  readonly pace: number;
  readonly cautions: readonly Caution[];
  readonly claims: readonly Claim[];
  /** How it behaves, in words. */
  readonly behaviour: string;
  /** Where the figures come from. */
  readonly source: string;
  readonly pricePerGram: number | null;
  readonly inStock: boolean;
  /** What is on the shelf in g; null when not counted. */
  readonly stock: number | null;
  /** The lot at hand first, then those before it. */
  readonly lots: readonly Lot[];
  /** Sodium hydroxide that a gram of it takes up, g; 0 for nearly everything. */
  readonly lyeDemand: number;
  readonly optics: Optics | null;
  /** Where the curve comes from and how sure it is; null with the optics. */
  readonly curve: CurveFacts | null;
  readonly oil: OilFacts | null;
  readonly scent: ScentFacts | null;
}

/** Titanium dioxide and zinc oxide, by their colour index. */
export const isWhitener = ({ colourIndex }: Material): boolean => /\b77(891|947)\b/.test(colourIndex);

/** Carbon blacks, by their colour index. */
export const isCarbon = ({ colourIndex }: Material): boolean => /\b7726[68]\b/.test(colourIndex);
