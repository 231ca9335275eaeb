import { type FittedBase } from '../pigment/canvas.ts';

/** What bare bars have told of the maker's base. Numbers that a plan keeps, as it keeps its materials. */
export interface LearntBase {
  /** Of the learning that it comes from; it only grows. */
  readonly version: number;
  /** Readings that it stands on. */
  readonly readings: number;
  readonly base: FittedBase;
}

export const sameLearntBase = (a: LearntBase | undefined, b: LearntBase | undefined): boolean =>
  a?.version === b?.version;
