import { type FittedBase } from '../pigment/canvas.ts';

/** When a maker's batches gel, as their cuts have told it. */
export interface GelHabit {
  /** °C by which gel begins later than by the table; below zero, earlier. */
  readonly shift: number;
  /** Batches that it stands on. */
  readonly batches: number;
}

/** What bars have told of the maker's base. Numbers that a plan keeps, as it keeps its materials. */
export interface LearntBase {
  /** Of the learning that it comes from; it only grows. */
  readonly version: number;
  /** Bare bars that it stands on; without any it is only how it gels, ages and browns. */
  readonly readings: number;
  readonly base: FittedBase;
  /** Absent where no batch that was let be has been cut. */
  readonly gel?: GelHabit;
}

/** Whether bare bars have told of its colour, and not only batches of how it behaves. */
export const isBaseTold = (learnt: LearntBase | null | undefined): boolean => (learnt?.readings ?? 0) > 0;

export const sameLearntBase = (a: LearntBase | undefined, b: LearntBase | undefined): boolean =>
  a?.version === b?.version;
