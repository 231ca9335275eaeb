import { FATTY_ACIDS, type Material, type OilFacts } from '../material/material.ts';
import { materialOf, type OilRow, type Plan } from '../plan/plan.ts';

/** What the fatty acids of an oil blend bring to the bar, each in % of the oils. */
export interface BlendProperties {
  readonly hardness: number;
  readonly cleansing: number;
  /** Quick, open lather. */
  readonly bubbly: number;
  /** Slow, dense lather. */
  readonly creamy: number;
  readonly conditioning: number;
  readonly oleic: number;
  readonly saturated: number;
  readonly castor: number;
  /** Part of the oils whose fatty acids are known, 0–1; the figures speak of that part. */
  readonly known: number;
}

const at = (name: (typeof FATTY_ACIDS)[number]): number => FATTY_ACIDS.indexOf(name);
const sumOf = (fatty: readonly number[], ...names: (typeof FATTY_ACIDS)[number][]): number =>
  names.reduce((sum, n) => sum + (fatty[at(n)] ?? 0), 0);

/** Usual span of each for an all-round bar, %. Habits, not rules. */
export const USUAL: Readonly<
  Record<'hardness' | 'cleansing' | 'bubbly' | 'creamy' | 'conditioning', readonly [number, number]>
> = {
  hardness: [29, 54],
  cleansing: [12, 22],
  bubbly: [14, 46],
  creamy: [16, 48],
  conditioning: [44, 69],
};

/** Fatty acids of one oil as properties: sums of the acids that make each. */
export function propertiesOf(fatty: readonly number[]): Omit<BlendProperties, 'known' | 'castor'> {
  return {
    hardness: sumOf(fatty, 'lauric', 'myristic', 'palmitic', 'stearic'),
    cleansing: sumOf(fatty, 'lauric', 'myristic'),
    bubbly: sumOf(fatty, 'lauric', 'myristic', 'ricinoleic'),
    creamy: sumOf(fatty, 'palmitic', 'stearic', 'ricinoleic'),
    conditioning: sumOf(fatty, 'ricinoleic', 'oleic', 'linoleic', 'linolenic'),
    oleic: sumOf(fatty, 'oleic'),
    saturated: sumOf(fatty, 'lauric', 'myristic', 'palmitic', 'stearic'),
  };
}

/** Of a blend, by its shares. Oils of unknown make-up are left out, and `known` says how much is meant. */
export function blendProperties(plan: Plan, oils: readonly OilRow[] = plan.base.oils): BlendProperties {
  const rows = oils.map((o) => ({ share: o.percent, facts: materialOf(plan, o.materialId).oil }));
  const total = rows.reduce((sum, r) => sum + r.share, 0);
  const known = rows.reduce((sum, r) => sum + (r.facts?.fatty ? r.share : 0), 0);
  const mixed = FATTY_ACIDS.map((_, i) =>
    known > 0 ? rows.reduce((sum, r) => sum + r.share * (r.facts?.fatty?.[i] ?? 0), 0) / known : 0,
  );
  return {
    ...propertiesOf(mixed),
    // Ricinoleic acid comes from castor alone, which is nine tenths of it.
    castor: sumOf(mixed, 'ricinoleic') / 0.9,
    known: total > 0 ? known / total : 0,
  };
}

/** What of the blend one oil brings. */
export interface OilBrings {
  readonly id: string;
  readonly material: Material;
  /** Its part of the blend's figures, %; null where its fatty acids are unknown. */
  readonly part: Omit<BlendProperties, 'known' | 'castor'> | null;
  /** Factor on the time to trace, if the batter were this oil alone; 1 where unknown. */
  readonly pace: number;
}

/**
 * What each oil of the recipe brings to the blend: its part of the properties by share, and its factor on the
 * pace.
 */
export const oilsBring = (plan: Plan): OilBrings[] => {
  const total = plan.base.oils.reduce((sum, o) => sum + o.percent, 0);
  return plan.base.oils.map((o): OilBrings => {
    const material = materialOf(plan, o.materialId);
    const fatty = material.oil?.fatty ?? null;
    const share = total > 0 ? o.percent / total : 0;
    return {
      id: o.id,
      material,
      part: fatty && propertiesOf(fatty.map((f) => f * share)),
      pace: material.oil ? ownPace(material.oil) : 1,
    };
  });
};

const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** What a blend's hard fats, castor and oleic acid do to the time to trace, as factors. */
export const fattyFactors = (blend: Pick<BlendProperties, 'saturated' | 'castor' | 'oleic'>) => ({
  'hard fats': clamp(1 - (blend.saturated - 40) * 0.008, 0.6, 1.35),
  castor: clamp(1 - (blend.castor - 5) * 0.012, 0.75, 1.06),
  'high oleic': clamp(1 + (blend.oleic - 45) * 0.008, 1, 1.4),
});

/** Factors that the pace word of an oil stands for: what its fatty acids say is moved into them. */
const WORD: Readonly<Record<OilFacts['pace'], readonly [least: number, most: number]>> = {
  slow: [1.05, 2],
  mid: [0.8, 1.25],
  fast: [0.3, 0.75],
};

/** Factor on the time to trace of an oil alone: as its fatty acids say, as far as its word agrees. */
const ownPace = ({ fatty, pace }: OilFacts): number => {
  const [least, most] = WORD[pace];
  return clamp(fatty ? fattyPace(fatty) : 1, least, most);
};

/**
 * What the pace words of a blend's oils add to what its fatty acids explain: an oil whose word says otherwise moves the
 * time by its share, as pomace olive, which is fast although it is no hard fat.
 */
export function wordFactor(plan: Plan, oils: readonly OilRow[]): number {
  const total = oils.reduce((sum, o) => sum + o.percent, 0);
  if (!(total > 0)) return 1;
  return oils.reduce((product, o) => {
    const { oil } = materialOf(plan, o.materialId);
    if (!oil) return product;
    const explained = oil.fatty ? fattyPace(oil.fatty) : 1;
    return product * (ownPace(oil) / explained) ** (o.percent / total);
  }, 1);
}

function fattyPace(fatty: readonly number[]): number {
  const of = { ...propertiesOf(fatty), castor: sumOf(fatty, 'ricinoleic') / 0.9 };
  return Object.values(fattyFactors(of)).reduce((a, b) => a * b, 1);
}
