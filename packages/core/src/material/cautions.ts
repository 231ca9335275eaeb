import { type Caution } from './material.ts';

/** What each caution means, in one plain sentence for the shelf and the prep sheet. */
export const cautionText: Readonly<Record<Caution, string>> = {
  melts: 'Melts in the heat of an oven.',
  'fine-powder': 'Fine powder: wear a dust mask, no fan, wet it early.',
  'alkali-unstable': 'Does not survive lye: it turns into another colour.',
  'alkali-shift': 'Its hue shifts in alkali.',
  bleeds: 'Migrates: bleeds into white or pale soap beside it.',
  fades: 'Fades: keeps less than its full colour through cure or in light.',
  stains: 'Colours the lather and the cloth above its ceiling.',
  brittle: 'Chalky, brittle bars above its ceiling.',
  rivers: 'Glycerin rivers with much water and full gel.',
  clumps: 'Clumps: needs high shear, then a check on white paper.',
  fast: 'Speeds trace: the pot thickens sooner.',
  heat: 'Heats the batter: soap cool, watch the mould.',
  sensitiser: 'May sensitise skin: follow the supplier’s limit.',
  allergen: 'Allergen: name it on the label.',
  scratchy: 'Scratchy when coarse: not for faces or small children; say so on the label.',
  mould: 'Mould risk when fresh plant matter is used.',
  'restricted-colour': 'Colour additive with restricted uses: check your own rules.',
  sinks: 'Sinks in thin batter: stir it in at medium trace.',
  'eats-lye': 'Takes up lye: account for it in the lye figure.',
};
