import { type BaseRecipe } from '@kleur/contract';
import { startingShelf } from '@kleur/core/material/catalogue';
import { type Mould, plainMould } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';

/** The shelf of the made-up studio: what it has in stock, in g where it is counted. */
export const demoStock: ReadonlyMap<string, number | null> = new Map([
  ['titanium-dioxide-oil', 180],
  ['red-iron-oxide', 40],
  ['yellow-iron-oxide', 55],
  ['orange-oxide', null],
  ['brown-iron-oxide', null],
  ['black-iron-oxide', null],
  ['chromium-oxide-green', null],
  ['ultramarine-blue', 120],
  ['ultramarine-violet', null],
  ['activated-charcoal', 60],
  ['mica-hoarfrost', null],
  ['mica-lantern', null],
  ['mica-kettle', null],
  ['mica-ribbon', null],
  ['mica-parasol', null],
  ['mica-lido', null],
  ['mica-signal', null],
  ['mica-dome', 24],
  ['mica-midnight', null],
  ['neon-pink', null],
  ['neon-yellow', null],
  ['kaolin', 800],
  ['rose-clay', null],
  ['green-illite', null],
  ['purple-clay', null],
  ['spirulina', null],
  ['indigo', null],
  ['madder', null],
  ['annatto', null],
  ['turmeric', null],
  ['cocoa', null],
  ['poppy-seed', null],
  ['oats-ground', null],
  ['sodium-lactate', null],
  ['oil-olive', 6500],
  ['oil-coconut', 4200],
  ['oil-lard', 1800],
  ['oil-palm', 2000],
  ['oil-castor', 900],
  ['oil-sunflower-ho', null],
  ['oil-shea', null],
  ['oil-rice-bran', null],
  ['scent-limewash', 150],
  ['scent-resin-hall', null],
  ['scent-wet-slate', 90],
]);

export const demoMoulds: readonly Mould[] = [
  { ...plainMould('Long loaf', 'box'), length: 260, width: 85, height: 64 },
  { ...plainMould('Tall loaf', 'box'), length: 230, width: 70, height: 80 },
  { ...plainMould('Pebble tray', 'cavities'), cavityVolume: 92, cavities: 8 },
  { ...plainMould('Drain pipe', 'cylinder'), length: 300, diameter: 70 },
  {
    ...plainMould('Courtyard slab', 'slab'),
    length: 400,
    width: 280,
    height: 30,
    sections: [115, 82, 82, 112],
    dividerThickness: 3,
  },
];

/** @throws RangeError for a mould that the studio does not have. */
export function demoMould(name: string): Mould {
  const found = demoMoulds.find((m) => m.name === name);
  if (!found) throw new RangeError(`The demo has no mould "${name}"`);
  return found;
}

const recipe = (name: string, oils: Readonly<Record<string, number>>, superfat = 5): BaseRecipe => ({
  name,
  superfat,
  lye: { kohShare: 0, naohPurity: 100, kohPurity: 90 },
  liquid: { by: 'concentration', value: 33, parts: [], heldBack: grams(0) },
  temperature: 32,
  oils: Object.entries(oils).map(([id, percent]) => ({
    material: startingShelf().find((m) => m.id === `oil-${id}`)!,
    percent,
  })),
});

export const demoRecipes = (): readonly BaseRecipe[] => [
  recipe('Everyday lard', { olive: 40, coconut: 30, lard: 25, castor: 5 }),
  recipe('Slow swirl', { 'sunflower-ho': 40, coconut: 25, lard: 30, castor: 5 }),
  recipe('White canvas', { coconut: 28, lard: 45, 'sunflower-ho': 20, castor: 7 }, 6),
];
