import { type Material } from '../material/material.ts';
import { type Base, plainLye } from '../plan/plan.ts';
import { grams } from '../units/quantity.ts';

/** A blend of oils that every workspace offers to begin with. */
export interface StartingBase {
  readonly id: string;
  readonly name: string;
  /** What it is chosen for, in a sentence. */
  readonly about: string;
  /** Materials of the starting shelf by id, and their shares, which add up to 100 %. */
  readonly oils: readonly (readonly [material: string, percent: number])[];
  readonly superfat: number;
  /** Lye in its solution, %. */
  readonly concentration: number;
  /** Of oils and lye when they meet, °C. */
  readonly temperature: number;
  /** Into the whole batch, g/kg oils. */
  readonly additives: readonly (readonly [material: string, dose: number])[];
}

const USUAL = { superfat: 5, concentration: 33, temperature: 32, additives: [] } as const;

/** One for each way that makers like their soap; oils and shares as these are commonly made. */
export const STARTING_BASES: readonly StartingBase[] = [
  {
    ...USUAL,
    id: 'balanced',
    name: 'Balanced',
    about: 'Firm, gentle, with a steady lather; time enough for a simple swirl.',
    oils: [
      ['oil-olive', 40],
      ['oil-coconut', 27],
      ['oil-palm', 28],
      ['oil-castor', 5],
    ],
  },
  {
    ...USUAL,
    id: 'palm-free',
    name: 'Palm-free',
    about: 'Butters in place of palm; a little softer at first.',
    oils: [
      ['oil-olive', 45],
      ['oil-coconut', 25],
      ['oil-shea', 15],
      ['oil-sunflower-ho', 10],
      ['oil-castor', 5],
    ],
  },
  {
    ...USUAL,
    id: 'slow',
    name: 'Slow for swirls',
    about: 'Lard and high-oleic oil stay fluid for long; more water helps.',
    oils: [
      ['oil-olive', 35],
      ['oil-lard', 30],
      ['oil-coconut', 20],
      ['oil-sunflower-ho', 15],
    ],
    concentration: 30,
    temperature: 28,
  },
  {
    ...USUAL,
    id: 'hard-white',
    name: 'Hard and white',
    about: 'The palest canvas, and a bar that is hard in a few days.',
    oils: [
      ['oil-tallow', 40],
      ['oil-coconut', 28],
      ['oil-sunflower-ho', 27],
      ['oil-castor', 5],
    ],
  },
  {
    ...USUAL,
    id: 'high-olive',
    name: 'High olive',
    about: 'Mild and slow to trace; less water, and patience until it is hard.',
    oils: [
      ['oil-olive', 80],
      ['oil-coconut', 15],
      ['oil-castor', 5],
    ],
    concentration: 35,
  },
  {
    ...USUAL,
    id: 'salt-bar',
    name: 'Salt bar',
    about: 'Coconut with salt: hard within hours, best in single moulds.',
    oils: [
      ['oil-coconut', 80],
      ['oil-olive', 12],
      ['oil-shea', 8],
    ],
    superfat: 10,
    additives: [['salt-bar', 400]],
  },
];

/** A starting base as something that can be taken over; null where the shelf lacks one of its oils. */
export function recipeOf(
  base: StartingBase,
  shelf: ReadonlyMap<string, Material>,
):
  | (Pick<Base, 'superfat' | 'lye' | 'liquid' | 'temperature'> & {
      readonly oils: readonly { readonly material: Material; readonly percent: number }[];
    })
  | null {
  const oils = base.oils.flatMap(([id, percent]) => {
    const material = shelf.get(id);
    return material ? [{ material, percent }] : [];
  });
  if (oils.length < base.oils.length) return null;
  return {
    oils,
    superfat: base.superfat,
    lye: plainLye,
    liquid: { by: 'concentration', value: base.concentration, parts: [], heldBack: grams(0) },
    temperature: base.temperature,
  };
}
