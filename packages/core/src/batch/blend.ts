import { FATTY_ACIDS } from '../material/material.ts';
import { materialOf, type Plan } from './plan.ts';

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

/** Of a plan's oils, by their shares. Oils of unknown make-up are left out, and `known` says how much is meant. */
export function blendProperties(plan: Plan): BlendProperties {
  const rows = plan.base.oils.map((o) => ({ share: o.percent, facts: materialOf(plan, o.materialId).oil }));
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
