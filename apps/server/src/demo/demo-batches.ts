import { type BatchState, type BatchWrite, type Palette } from '@kleur/contract';
import {
  type DoseRow,
  emptyPlan,
  grams,
  gramsPerKg,
  labD65FromHex,
  type Material,
  type Plan,
  pruneMaterials,
  startingShelf,
} from '@kleur/core';

/** The shelf of the made-up studio: what it has in stock. */
export const demoStock: ReadonlySet<string> = new Set([
  ...['titanium-dioxide-oil', 'red-iron-oxide', 'yellow-iron-oxide', 'orange-oxide', 'brown-iron-oxide'],
  ...[
    'black-iron-oxide',
    'chromium-oxide-green',
    'ultramarine-blue',
    'ultramarine-violet',
    'activated-charcoal',
  ],
  ...[
    'mica-hoarfrost',
    'mica-lantern',
    'mica-kettle',
    'mica-ribbon',
    'mica-parasol',
    'mica-lido',
    'mica-signal',
  ],
  ...[
    'mica-dome',
    'mica-midnight',
    'neon-pink',
    'neon-yellow',
    'kaolin',
    'rose-clay',
    'green-illite',
    'purple-clay',
  ],
  ...[
    'spirulina',
    'indigo',
    'madder',
    'annatto',
    'turmeric',
    'cocoa',
    'poppy-seed',
    'oats-ground',
    'sodium-lactate',
  ],
  ...[
    'oil-olive',
    'oil-coconut',
    'oil-lard',
    'oil-palm',
    'oil-castor',
    'oil-sunflower-ho',
    'oil-shea',
    'oil-rice-bran',
  ],
  ...['scent-limewash', 'scent-resin-hall', 'scent-wet-slate'],
]);

type PotRow = readonly [
  name: string,
  parts: number,
  doses: Readonly<Record<string, number>>,
  scented?: boolean,
];

function planFrom(
  totalOils: number,
  oils: Readonly<Record<string, number>>,
  scent: readonly [id: string, dose: number] | null,
  pots: readonly PotRow[],
  idea: { readonly technique: string | null; readonly colours: Readonly<Record<string, string>> } = {
    technique: null,
    colours: {},
  },
): Plan {
  const shelf: readonly Material[] = startingShelf().map((m) => ({ ...m, inStock: demoStock.has(m.id) }));
  const carrier = (id: string): DoseRow['carrier'] => shelf.find((m) => m.id === id)?.carriers[0] ?? null;
  const empty = emptyPlan();
  return pruneMaterials({
    ...empty,
    idea: {
      technique: idea.technique,
      colours: Object.entries(idea.colours).map(([name, hex], i) => ({
        id: `colour-${i + 1}`,
        name,
        lab: labD65FromHex(hex),
      })),
    },
    base: {
      ...empty.base,
      totalOils: grams(totalOils),
      oils: Object.entries(oils).map(([id, percent], i) => ({
        id: `oil-${i + 1}`,
        materialId: `oil-${id}`,
        percent,
      })),
      scent: scent ? { materialId: scent[0], dose: gramsPerKg(scent[1]) } : null,
    },
    pots: pots.map(([name, parts, doses, scented = false], p) => ({
      id: `pot-${p + 1}`,
      name,
      parts,
      scented,
      follows: null,
      doses: Object.entries(doses).map(([materialId, dose], d) => ({
        id: `dose-${p + 1}-${d + 1}`,
        materialId,
        dose: gramsPerKg(dose),
        carrier: carrier(materialId),
      })),
    })),
    materials: shelf,
  });
}

const palette = (name: string, favourite: boolean, colours: Readonly<Record<string, string>>): Palette => ({
  name,
  favourite,
  colours: Object.entries(colours).map(([label, hex]) => ({ name: label, lab: labD65FromHex(hex) })),
});

export const demoPalettes: readonly Palette[] = [
  palette('Beetroot and rye', false, { Beet: '#8a3f58', Rye: '#a98a63', Crust: '#6b4a35', Cream: '#efe6d2' }),
  palette('Verdigris roofs', true, { Patina: '#6fa595', Copper: '#a9694a', Lead: '#7c8186', Sky: '#b9c8d0' }),
];

export interface DemoBatch {
  readonly name: string;
  readonly state: BatchState;
  /** Day of making, in days from today. */
  readonly madeInDays: number | null;
  readonly plan: Plan;
}

/** Newest last, so that the list shows the planned one first. */
export const demoBatches = (): readonly DemoBatch[] => [
  {
    name: 'Canyon strata',
    state: 'finished',
    madeInDays: -61,
    plan: planFrom(
      1200,
      { olive: 45, coconut: 25, shea: 10, 'rice-bran': 12, castor: 8 },
      null,
      [
        ['Sandstone', 3, { 'yellow-iron-oxide': 0.8, 'rose-clay': 5 }],
        ['Red wall', 2, { 'red-iron-oxide': 1.6 }],
        ['Mauve seam', 1, { 'purple-clay': 16 }],
        ['Ochre ledge', 2, { 'yellow-iron-oxide': 3.2 }],
        ['Shadow', 1, { 'brown-iron-oxide': 2.2, 'activated-charcoal': 0.4 }],
        ['Pale rim', 2, { 'titanium-dioxide-oil': 3, kaolin: 8 }],
      ],
      {
        technique: 'layers',
        colours: {
          Sand: '#d8a878',
          Wall: '#a8543c',
          Mauve: '#a8888f',
          Ochre: '#d2a24c',
          Shadow: '#6f4d3c',
          Rim: '#efe4cf',
        },
      },
    ),
  },
  {
    name: 'Slate and saffron',
    state: 'curing',
    madeInDays: -9,
    plan: planFrom(
      900,
      { 'sunflower-ho': 35, coconut: 28, palm: 30, castor: 7 },
      ['scent-wet-slate', 35],
      [
        ['Slate', 3, { 'mica-midnight': 4, 'activated-charcoal': 0.6 }, true],
        ['Wet slate', 2, { 'activated-charcoal': 3.5 }, true],
        ['Saffron', 2, { 'yellow-iron-oxide': 2.4, 'orange-oxide': 1 }, true],
        ['Chalk', 1, { 'titanium-dioxide-oil': 5 }],
      ],
    ),
  },
  {
    name: 'Kingfisher',
    state: 'planned',
    madeInDays: 4,
    plan: planFrom(
      1000,
      { olive: 40, coconut: 30, lard: 25, castor: 5 },
      ['scent-limewash', 30],
      [
        ['Wing blue', 3, { 'ultramarine-blue': 4.5, 'mica-lido': 2 }, true],
        ['Breast', 2, { 'orange-oxide': 2.4 }, true],
        ['Back teal', 2, { 'mica-dome': 6, 'ultramarine-blue': 0.6 }, true],
        ['Throat', 1, { 'titanium-dioxide-oil': 6 }],
      ],
    ),
  },
];

const DAY_MS = 86_400_000;
const day = (at: Date, days: number): string =>
  new Date(at.getTime() + days * DAY_MS).toISOString().slice(0, 10);

export const demoWrite = ({ name, state, madeInDays, plan }: DemoBatch, now: Date): BatchWrite => ({
  name,
  state,
  madeOn: madeInDays === null ? null : day(now, madeInDays),
  plan,
});
