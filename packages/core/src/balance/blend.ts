import { FATTY_ACIDS, type Material, type OilFacts } from '../material/material.ts';
import { materialOf, type OilRow, type Plan } from '../plan/plan.ts';

type FattyAcid = (typeof FATTY_ACIDS)[number];

/** The groups of fatty acids that a maker can feel in the bar. */
export const FELT = ['foams', 'firm', 'holds', 'gentle', 'brief'] as const;
export type Felt = (typeof FELT)[number];

/** What each is made of: foams at once, firm, holds the lather, gentle, keeps less long. */
export const FELT_ACIDS: Readonly<Record<Felt, readonly FattyAcid[]>> = {
  foams: ['lauric', 'myristic'],
  firm: ['palmitic', 'stearic'],
  holds: ['ricinoleic'],
  gentle: ['oleic'],
  brief: ['linoleic', 'linolenic'],
};

/** The fatty acids of a blend, each in % of the oils. */
export interface BlendAcids extends Readonly<Record<Felt, number>> {
  readonly saturated: number;
  readonly oleic: number;
  readonly castor: number;
  /** Part of the oils whose fatty acids are known, 0–1; the figures speak of that part. */
  readonly known: number;
}

const at = (name: FattyAcid): number => FATTY_ACIDS.indexOf(name);
const sumOf = (fatty: readonly number[], names: readonly FattyAcid[]): number =>
  names.reduce((sum, n) => sum + (fatty[at(n)] ?? 0), 0);

/** Fatty acids of one oil by the groups. */
export function acidsOf(fatty: readonly number[]): Omit<BlendAcids, 'known' | 'castor'> {
  const [foams, firm, holds, gentle, brief] = FELT.map((g) => sumOf(fatty, FELT_ACIDS[g])) as [
    number,
    number,
    number,
    number,
    number,
  ];
  return { foams, firm, holds, gentle, brief, oleic: gentle, saturated: foams + firm };
}

/** Of a blend, by its shares. Oils of unknown make-up are left out, and `known` says how much is meant. */
export function blendAcids(plan: Plan, oils: readonly OilRow[] = plan.base.oils): BlendAcids {
  const rows = oils.map((o) => ({ share: o.percent, facts: materialOf(plan, o.materialId).oil }));
  const total = rows.reduce((sum, r) => sum + r.share, 0);
  const known = rows.reduce((sum, r) => sum + (r.facts?.fatty ? r.share : 0), 0);
  const mixed = FATTY_ACIDS.map((_, i) =>
    known > 0 ? rows.reduce((sum, r) => sum + r.share * (r.facts?.fatty?.[i] ?? 0), 0) / known : 0,
  );
  return {
    ...acidsOf(mixed),
    // Ricinoleic acid comes from castor alone, which is nine tenths of it.
    castor: sumOf(mixed, ['ricinoleic']) / 0.9,
    known: total > 0 ? known / total : 0,
  };
}

/** What of the blend one oil brings. */
export interface OilBrings {
  readonly id: string;
  readonly material: Material;
  /** Its part of the blend's figures, %; null where its fatty acids are unknown. */
  readonly part: Omit<BlendAcids, 'known' | 'castor'> | null;
  /** Factor on the time to trace, if the batter were this oil alone; 1 where unknown. */
  readonly pace: number;
}

/**
 * What each oil of the recipe brings to the blend: its part of the fatty acids by share, and its factor on the
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
      part: fatty && acidsOf(fatty.map((f) => f * share)),
      pace: material.oil ? ownPace(material.oil) : 1,
    };
  });
};

const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** What a blend's hard fats, castor and oleic acid do to the time to trace, as factors. */
export const fattyFactors = (blend: Pick<BlendAcids, 'saturated' | 'castor' | 'oleic'>) => ({
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
  const of = { ...acidsOf(fatty), castor: sumOf(fatty, ['ricinoleic']) / 0.9 };
  return Object.values(fattyFactors(of)).reduce((a, b) => a * b, 1);
}

/** Shares of the known fatty acids, %, from which something is told of the bar. Habits of makers, not rules. */
const TOLD = { firm: 45, soft: 33, drying: 20, foams: 12, holds: 4, gentle: 38, brief: 18 };

/** What the fatty acids make of the bar, in a sentence. */
export function barSentence(blend: BlendAcids): string {
  const { foams, saturated, holds, gentle, brief } = blend;
  const drying = foams > TOLD.drying;
  const said = [
    saturated >= TOLD.firm
      ? 'firm by the second day'
      : saturated >= TOLD.soft
        ? 'firm within a week'
        : 'soft for some weeks',
    foams >= TOLD.foams ? 'foams at once' : 'slow to foam',
    ...(holds >= TOLD.holds ? ['holds its lather'] : []),
    ...(drying ? ['a little drying'] : []),
    ...(brief > TOLD.brief ? ['keeps for a shorter time'] : []),
  ];
  const advice = [
    ...(drying && gentle < TOLD.gentle ? ['more of the gentle ones would help'] : []),
    ...(saturated < TOLD.soft ? ['more of the firm ones would help'] : []),
  ];
  const sentence = said.join(', ') + (advice.length > 0 ? `: ${advice.join('; ')}` : '');
  return `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`;
}
