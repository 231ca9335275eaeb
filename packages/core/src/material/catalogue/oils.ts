import { type Allergen, type OilFacts } from '../material.ts';
import { type MaterialRow } from './build.ts';

type Row = readonly [
  id: string,
  name: string,
  sapKoh: number,
  saturated: number | null,
  pace: OilFacts['pace'],
  tints: readonly [carotenoid: number, chlorophyll: number, brown: number],
];

/** Typical saponification values (mg KOH/g; ranges of ± 3 % are normal), saturated %, pace and tints 0–10. */
const rows: readonly Row[] = [
  ['olive', 'Olive', 190, 15, 'slow', [2, 2, 0]],
  ['olive-pomace', 'Olive pomace', 188, 15, 'fast', [2, 5, 1]],
  ['coconut', 'Coconut, refined', 257, 91, 'mid', [0, 0, 0]],
  ['coconut-fractionated', 'Coconut, fractionated', 330, 100, 'slow', [0, 0, 0]],
  ['babassu', 'Babassu', 246, 83, 'mid', [0, 0, 0]],
  ['palm', 'Palm, refined', 200, 50, 'mid', [0, 0, 0]],
  ['palm-unrefined', 'Palm, unrefined', 200, 50, 'mid', [10, 0, 1]],
  ['palm-kernel', 'Palm kernel', 245, 82, 'fast', [0, 0, 0]],
  ['castor', 'Castor', 180, 2, 'fast', [0.5, 0, 0]],
  ['shea', 'Shea butter, refined', 180, 46, 'mid', [0, 0, 0]],
  ['shea-unrefined', 'Shea butter, unrefined', 180, 46, 'mid', [2, 0, 1]],
  ['cocoa-butter', 'Cocoa butter', 194, 61, 'fast', [1, 0, 1]],
  ['mango-butter', 'Mango butter', 190, 49, 'mid', [0, 0, 0]],
  ['stearic-acid', 'Stearic acid', 208, 100, 'fast', [0, 0, 0]],
  ['sunflower-ho', 'Sunflower, high-oleic', 189, 9, 'slow', [0.5, 0, 0]],
  ['sunflower', 'Sunflower', 190, 12, 'slow', [1, 0, 0]],
  ['rapeseed', 'Rapeseed (canola)', 186, 7, 'slow', [1, 0.5, 0]],
  ['sweet-almond', 'Sweet almond', 192, 9, 'slow', [0.5, 0, 0]],
  ['apricot-kernel', 'Apricot kernel', 192, 7, 'slow', [1, 0, 0]],
  ['avocado', 'Avocado, unrefined', 187, 20, 'mid', [1, 6, 1]],
  ['rice-bran', 'Rice bran', 187, 20, 'fast', [2, 0, 1]],
  ['grapeseed', 'Grapeseed', 188, 11, 'slow', [1, 2, 0]],
  ['hemp', 'Hemp, unrefined', 190, 10, 'slow', [1, 8, 0]],
  ['soya', 'Soya', 191, 15, 'slow', [1, 0, 0]],
  ['argan', 'Argan', 191, 19, 'slow', [1, 0, 0]],
  ['jojoba', 'Jojoba', 92, null, 'slow', [2, 0, 0]],
  ['lard', 'Lard', 198, 40, 'slow', [0, 0, 0]],
  ['tallow', 'Beef tallow', 200, 50, 'mid', [0.5, 0, 0]],
  ['carrot-root', 'Carrot-root infusion (in sunflower)', 190, 12, 'slow', [8, 0, 0]],
  ['wheat-germ', 'Wheat germ', 185, 18, 'fast', [3, 0, 1]],
  ['beeswax', 'Beeswax', 94, null, 'fast', [1, 0, 1]],
];

/** Typical fatty acids in %, in the order of `FATTY_ACIDS`. Liquid wax, beeswax and fractionated coconut are made of others: unknown here. */
export const typicalFatty: Readonly<Record<string, readonly number[]>> = {
  olive: [0, 0, 12, 3, 0, 71, 10, 1],
  'olive-pomace': [0, 0, 13, 3, 0, 68, 12, 1],
  coconut: [48, 19, 9, 3, 0, 7, 2, 0],
  babassu: [45, 17, 9, 4, 0, 14, 2, 0],
  palm: [0, 1, 44, 5, 0, 39, 10, 0],
  'palm-unrefined': [0, 1, 44, 5, 0, 39, 10, 0],
  'palm-kernel': [48, 16, 8, 3, 0, 15, 3, 0],
  castor: [0, 0, 1, 1, 90, 4, 4, 0],
  shea: [0, 0, 5, 41, 0, 46, 6, 0],
  'shea-unrefined': [0, 0, 5, 41, 0, 46, 6, 0],
  'cocoa-butter': [0, 0, 27, 34, 0, 34, 3, 0],
  'mango-butter': [0, 0, 8, 42, 0, 45, 4, 0],
  'stearic-acid': [0, 0, 45, 54, 0, 0, 0, 0],
  'sunflower-ho': [0, 0, 4, 4, 0, 82, 9, 0],
  sunflower: [0, 0, 7, 4, 0, 24, 62, 0],
  rapeseed: [0, 0, 4, 2, 0, 61, 20, 9],
  'sweet-almond': [0, 0, 7, 2, 0, 67, 22, 0],
  'apricot-kernel': [0, 0, 6, 1, 0, 66, 26, 0],
  avocado: [0, 0, 18, 2, 0, 62, 13, 1],
  'rice-bran': [0, 1, 18, 2, 0, 41, 36, 1],
  grapeseed: [0, 0, 7, 4, 0, 18, 69, 0],
  hemp: [0, 0, 6, 2, 0, 14, 56, 20],
  soya: [0, 0, 11, 4, 0, 23, 53, 7],
  argan: [0, 0, 14, 5, 0, 46, 33, 0],
  lard: [0, 1, 26, 14, 0, 44, 10, 1],
  tallow: [0, 4, 27, 20, 0, 40, 3, 0],
  'carrot-root': [0, 0, 7, 4, 0, 24, 62, 0],
  'wheat-germ': [0, 0, 16, 3, 0, 16, 57, 7],
};

/** Sources differ on saponification values by about this much, ± %. */
export const SAP_SPREAD = 3;

// Stearic acid is made of either, and its seller alone knows which.
const animal = new Set(['lard', 'tallow', 'beeswax', 'stearic-acid']);
const palm = new Set(['palm', 'palm-unrefined', 'palm-kernel', 'stearic-acid']);
/** What is told to whoever uses the soap. */
const allergens: Readonly<Record<string, readonly Allergen[]>> = {
  'sweet-almond': ['nut'],
  shea: ['nut'],
  'shea-unrefined': ['nut'],
  argan: ['nut'],
  soya: ['soya'],
  'wheat-germ': ['wheat'],
};

export const oils: readonly MaterialRow[] = rows.map(([id, name, sapKoh, saturated, pace, tints]) => ({
  id: `oil-${id}`,
  name,
  pricePerGram: 0.008,
  claims: [
    'natural' as const,
    ...(animal.has(id) ? [] : ['vegan' as const]),
    ...(palm.has(id) ? [] : ['palm-free' as const]),
    ...(allergens[id]?.includes('nut') ? [] : ['nut-free' as const]),
  ],
  allergens: allergens[id] ?? [],
  source: 'Typical value, ± 3 % is normal; use your supplier’s',
  oil: {
    sapKoh,
    sapSpread: SAP_SPREAD,
    fatty: typicalFatty[id] ?? null,
    saturated,
    pace,
    carotenoid: tints[0],
    chlorophyll: tints[1],
    brown: tints[2],
  },
}));
