import { type BatchState, type BatchWrite, type Palette } from '@kleur/contract';
import { labD65FromHex } from '@kleur/core/colour';
import { type Material } from '@kleur/core/material';
import { startingShelf } from '@kleur/core/material/catalogue';
import {
  type Base,
  type DoseRow,
  type Draw,
  emptyDesign,
  emptyPlan,
  type Moulding,
  newPot,
  onePart,
  type Plan,
  type Pot,
  pruneMaterials,
  type ShareWay,
} from '@kleur/core/plan';
import { addDays, grams, gramsPerKg } from '@kleur/core/units';
import { demoMould, demoStock } from './demo-shelf.ts';

type PotRow = readonly [
  name: string,
  parts: number,
  doses: Readonly<Record<string, number>>,
  scented?: boolean,
  change?: Partial<Pot>,
];

const draw = (by: ShareWay, value: number, from: string | null = null): Draw => ({
  id: 'draw',
  from,
  by,
  value,
  second: 0,
});

function planFrom(
  totalOils: number,
  oils: Readonly<Record<string, number>>,
  scent: readonly [id: string, dose: number] | null,
  pots: readonly PotRow[],
  idea: {
    readonly body: readonly string[];
    readonly top?: string;
    readonly colours: Readonly<Record<string, string>>;
  } = { body: [], colours: {} },
  more: {
    readonly base?: Partial<Base>;
    readonly moulding?: Partial<Moulding>;
    readonly rest?: Partial<Pick<Plan, 'embeds' | 'lines' | 'work'>>;
  } = {},
): Plan {
  const shelf: readonly Material[] = startingShelf().map((m) => ({
    ...m,
    inStock: demoStock.has(m.id),
    stock: demoStock.get(m.id) ?? null,
  }));
  const carrierOf = (id: string): Pick<DoseRow, 'carrier' | 'source'> => {
    const carrier = shelf.find((m) => m.id === id)?.carriers[0] ?? null;
    return { carrier, source: carrier?.medium === 'water' ? 'batch' : 'extra' };
  };
  const empty = emptyPlan();
  return pruneMaterials({
    ...empty,
    idea: {
      design: { ...emptyDesign, body: idea.body, top: idea.top ?? null },
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
      scent: scent && {
        parts: [{ id: 'scent', materialId: scent[0], parts: 1 }],
        dose: gramsPerKg(scent[1]),
        when: 'pot',
        stabiliser: 0,
      },
      ...more.base,
    },
    moulding: { ...empty.moulding, ...more.moulding },
    ...more.rest,
    pots: pots.map(([name, parts, doses, scented = false, change = {}], p) => ({
      ...newPot(`pot-${p + 1}`, name),
      draws: [onePart(parts)],
      scented,
      ...change,
      doses: Object.entries(doses).map(([materialId, dose], d) => ({
        id: `dose-${p + 1}-${d + 1}`,
        materialId,
        dose: gramsPerKg(dose),
        perBar: null,
        ...carrierOf(materialId),
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
  /** Name of the batch that it was made again from. */
  readonly from?: string;
  readonly plan: Plan;
}

/** The strata, with so much clay in the seam and red in the wall, g/kg. */
const canyonPlan = (clay: number, red: number): Plan =>
  planFrom(
    1030,
    { olive: 45, coconut: 25, shea: 10, 'rice-bran': 12, castor: 8 },
    null,
    [
      ['Sandstone', 3, { 'yellow-iron-oxide': 0.8, 'rose-clay': 5 }],
      ['Red wall', 2, { 'red-iron-oxide': red }],
      ['Mauve seam', 1, { 'purple-clay': clay }],
      ['Ochre ledge', 2, { 'yellow-iron-oxide': 3.2 }],
      ['Shadow', 1, { 'brown-iron-oxide': 2.2, 'activated-charcoal': 0.4 }],
      ['Pale rim', 2, { 'titanium-dioxide-oil': 3, kaolin: 8 }],
    ],
    {
      body: ['layers'],
      colours: {
        Sand: '#d8a878',
        Wall: '#a8543c',
        Mauve: '#a8888f',
        Ochre: '#d2a24c',
        Shadow: '#6f4d3c',
        Rim: '#efe4cf',
      },
    },
    {
      moulding: {
        moulds: [{ id: 'mould-1', count: 1, mould: demoMould('Long loaf') }],
        bars: { by: 'thickness', thickness: 25, count: 10, kerf: 1, end: 3, columns: 1 },
      },
    },
  );

/** Newest last, so that the list shows the planned one first. */
export const demoBatches = (): readonly DemoBatch[] => [
  {
    name: 'Canyon strata, first',
    state: 'finished',
    madeInDays: -138,
    plan: canyonPlan(9, 2.1),
  },
  {
    name: 'Canyon strata',
    state: 'finished',
    madeInDays: -61,
    from: 'Canyon strata, first',
    plan: canyonPlan(16, 1.6),
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
    name: 'Harbour at dusk',
    state: 'planned',
    madeInDays: 11,
    plan: planFrom(
      900,
      { 'sunflower-ho': 40, coconut: 28, lard: 25, castor: 7 },
      ['scent-wet-slate', 30],
      [
        ['Keel', 1, { 'mica-midnight': 5 }, true, { ownLye: true, hoursBefore: 4 }],
        [
          'Water',
          1,
          { 'ultramarine-blue': 3.5, 'activated-charcoal': 0.4 },
          true,
          { ownLye: true, hoursBefore: 2 },
        ],
        ['Last light', 1, { 'orange-oxide': 1.2, 'titanium-dioxide-oil': 2 }, true, { ownLye: true }],
      ],
      { body: ['layers'], colours: { Keel: '#33405a', Water: '#6b7fa8', Light: '#dba878' } },
      {
        moulding: {
          moulds: [{ id: 'mould-1', count: 1, mould: demoMould('Tall loaf') }],
          bars: { by: 'count', thickness: 25, count: 9, kerf: 1, end: 4, columns: 1 },
        },
        rest: {
          work: { ...emptyPlan().work, finish: ['mist'], fallback: 'blobs' },
          lines: [
            { id: 'line-1', materialId: 'activated-charcoal', gramsPerDm2: 0.5, count: 1, carrier: null },
          ],
        },
      },
    ),
  },
  {
    name: 'Tiled courtyard',
    state: 'idea',
    madeInDays: null,
    plan: planFrom(
      2400,
      { olive: 40, coconut: 28, shea: 10, 'sunflower-ho': 15, castor: 7 },
      null,
      [
        ['Glaze blue', 1, { 'ultramarine-blue': 6 }, false, { draws: [draw('section', 1)] }],
        ['Grout', 1, { 'titanium-dioxide-oil': 5 }, false, { draws: [draw('section', 2)] }],
        [
          'Terracotta',
          1,
          { 'red-iron-oxide': 1.6, 'yellow-iron-oxide': 0.8 },
          false,
          { draws: [draw('section', 3)] },
        ],
        ['Shade', 1, { 'activated-charcoal': 2 }, false, { draws: [draw('section', 4)] }],
      ],
      {
        body: ['divided-comb'],
        colours: { Blue: '#4a63b0', Grout: '#efe9dc', Terracotta: '#b5623f', Shade: '#55565a' },
      },
      {
        moulding: {
          moulds: [{ id: 'mould-1', count: 1, mould: demoMould('Courtyard slab') }],
          bars: { by: 'thickness', thickness: 65, count: 18, kerf: 1, end: 0, columns: 4 },
        },
      },
    ),
  },
  {
    name: 'Verdigris roofs',
    state: 'planned',
    madeInDays: 0,
    plan: planFrom(
      1080,
      { olive: 35, coconut: 30, palm: 25, castor: 10 },
      ['scent-limewash', 28],
      [
        ['Patina', 3, { 'mica-dome': 7 }, true],
        ['Chalk', 1, { 'titanium-dioxide-oil': 6 }],
        ['Copper', 2, { 'mica-kettle': 6, 'brown-iron-oxide': 0.5 }, true],
        ['Pale patina', 0, { 'titanium-dioxide-oil': 3 }, false, { draws: [draw('percent', 30, 'pot-1')] }],
        [
          'Ridge, piped',
          0,
          {},
          false,
          { place: 'top', draws: [{ ...draw('grams', 120, 'pot-2'), id: 'white' }] },
        ],
      ],
      {
        body: ['layers'],
        top: 'piped-top',
        colours: { Patina: '#6fa595', Copper: '#a9694a', Chalk: '#f0ece0' },
      },
      {
        moulding: {
          moulds: [{ id: 'mould-1', count: 1, mould: demoMould('Long loaf') }],
          reserve: grams(110),
          bars: { by: 'thickness', thickness: 25, count: 10, kerf: 1, end: 3, columns: 1 },
        },
        rest: {
          embeds: [
            {
              id: 'embed-1',
              name: 'Ridge bead',
              base: 'dough',
              shape: 'ball',
              width: 12,
              height: 12,
              length: 12,
              perBar: 1,
              pieces: null,
              gramsEach: null,
              onTop: true,
              rests: null,
              parts: [
                {
                  id: 'part',
                  parts: 1,
                  doses: [{ id: 'bead', materialId: 'mica-kettle', dose: gramsPerKg(6) }],
                },
              ],
              dusting: null,
            },
          ],
          work: { ...emptyPlan().work, fallback: 'blobs' },
        },
      },
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
      {
        body: ['wall-pour'],
        colours: { Wing: '#3f62ae', Breast: '#c9743c', Back: '#3f8f92', Throat: '#f3efe4' },
      },
      {
        moulding: {
          moulds: [{ id: 'mould-1', count: 1, mould: demoMould('Long loaf') }],
          bars: { by: 'thickness', thickness: 25, count: 10, kerf: 1, end: 3, columns: 1 },
        },
      },
    ),
  },
];

/** @param today `YYYY-MM-DD` */
export const demoWrite = ({ name, state, madeInDays, plan }: DemoBatch, today: string): BatchWrite => ({
  name,
  state,
  madeOn: madeInDays === null ? null : addDays(today, madeInDays),
  plan,
});
