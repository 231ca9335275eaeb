import { type MaterialFacts as Facts } from '../facts.ts';
import { type Allergen, type Material, type MaterialKind } from '../material.ts';

const from = (...allergens: readonly Allergen[]): Pick<Facts, 'allergens'> => ({ allergens });

/** Typical facts of the starting shelf, by id, where they are not those of the kind. */
export const OWN_FACTS: Readonly<Record<string, Partial<Facts>>> = {
  'titanium-dioxide-oil': { density: 4 },
  'titanium-dioxide-water': { density: 4 },
  'zinc-oxide': { density: 5.6 },
  'chromium-oxide-green': { density: 5.2 },
  'hydrated-chromium-oxide': { density: 3.4 },
  'yellow-iron-oxide': { density: 4.1 },
  'ultramarine-blue': { density: 2.4 },
  'ultramarine-violet': { density: 2.4 },
  'ultramarine-pink': { density: 2.4 },
  'manganese-violet': { density: 2.8 },
  'iron-blue': { density: 1.8 },
  'activated-charcoal': { density: 1.9 },
  'carrot-puree': { density: 1.03, water: 90 },
  'coffee-brewed': { density: 1 },
  cocoa: { density: 1.4, fat: 11 },
  'coffee-ground': { scrub: true, density: 1.3, fat: 10 },
  'pumice-fine': { density: 1 },
  'pumice-medium': { density: 1 },
  'pumice-coarse': { density: 0.9 },
  'oats-ground': { ...from('oat'), fat: 7 },
  'oat-colloidal': { ...from('oat'), scrub: false, fat: 7 },
  'poppy-seed': { density: 1.1, fat: 40 },
  'jojoba-beads': { density: 0.9 },
  loofah: { density: 1.4 },
  'salt-bar': { density: 2.165 },
  'salt-brine': { density: 2.165 },
  'top-glitter': { density: 1.4 },
  'top-interference': { density: 2.8 },
  'sodium-lactate': { density: 1.32 },
  sugar: { density: 1.59 },
  honey: { density: 1.42, ...from('honey', 'pollen') },
  'goat-milk-powder': { density: 1.3, fat: 28, ...from('milk') },
  'coconut-milk-powder': { density: 1.3, fat: 60, ...from('coconut') },
  silk: { density: 1.35 },
  'citric-acid': { density: 1.665 },
  'citric-acid-monohydrate': { density: 1.54 },
  'beer-powder': from('barley'),
  'rosemary-extract': { density: 0.95 },
  calendula: from('pollen'),
  'oil-sweet-almond': from('nut'),
  'oil-shea': from('nut'),
  'oil-shea-unrefined': from('nut'),
  'oil-argan': from('nut'),
  'oil-soya': from('soya'),
  'oil-wheat-germ': from('wheat'),
};

/** Ids that raise dust although their kind need not, and the other way round. */
const DUSTY: readonly MaterialKind[] = ['pigment', 'mica', 'fluorescent', 'dye', 'clay', 'botanical'];
const DUST_FREE = [
  'annatto',
  'calendula',
  'lavender-buds',
  'rose-petals',
  'cornflower-petals',
  'beetroot',
  'hibiscus',
];
const DUSTY_BESIDES = [
  'pumice-fine',
  'pumice-medium',
  'pumice-coarse',
  'top-glitter',
  'top-interference',
  'oat-colloidal',
];

/** Whether a material of the starting shelf, handled loose, must not be breathed. */
export const raisesDust = ({ id, kind, form }: Pick<Material, 'id' | 'kind' | 'form'>): boolean =>
  form === 'powder' && ((DUSTY.includes(kind) && !DUST_FREE.includes(id)) || DUSTY_BESIDES.includes(id));
