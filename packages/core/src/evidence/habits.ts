import { type FittedBase } from '../pigment/canvas.ts';

/** A factor that is nearer to 1 than this is none. */
const HARDLY = 0.03;

const isNearOne = (factor: number): boolean => Math.abs(factor - 1) < HARDLY;

/** How a base differs from the reference in time: null where it hardly does. */
export interface BaseHabits {
  /** Factor on how much scents brown, and on the time that it takes. */
  readonly browning: { readonly amount: number; readonly time: number } | null;
  /** Factors on what fresh bars absorb and scatter. */
  readonly fresh: { readonly absorbs: number; readonly scatters: number } | null;
}

/** What a fit told of how the maker's soap ages and browns. */
export function baseHabits({ browns, brownsPace = 1, young }: FittedBase): BaseHabits {
  const [absorbs, scatters] = [Math.exp(young.absorbs), Math.exp(young.scatters)];
  return {
    browning: isNearOne(browns) && isNearOne(brownsPace) ? null : { amount: browns, time: brownsPace },
    fresh: isNearOne(absorbs) && isNearOne(scatters) ? null : { absorbs, scatters },
  };
}
