import { type CurveMode } from '../pigment/spread.ts';
import { type Material, type MaterialKind } from './material.ts';

/** Where an optical curve comes from: from the shelf entry's colour alone, or fitted to readings of real bars. */
export type CurveOrigin =
  | { readonly kind: 'default' }
  | {
      readonly kind: 'fitted';
      /** Counts the fits of this material from 1. */
      readonly version: number;
      /** Readings that the fit stands on. */
      readonly readings: number;
    };

/** What is known about a material's optical curve beside the curve itself. */
export interface CurveFacts {
  readonly origin: CurveOrigin;
  /** Standard deviation of the strength, as a fraction of it, > 0. */
  readonly spread: number;
  /** In what ways a fitted curve may still be off; absent for one that stands on its label. */
  readonly modes?: readonly CurveMode[];
  /** Median ΔE00 by which its readings were missed when each was left out; null for none. */
  readonly typicalMiss?: number | null;
}

/** How far the strength of an untested default may be off: oxides vary little between suppliers, micas a lot. */
const DEFAULT_SPREAD: Partial<Readonly<Record<MaterialKind, number>>> = {
  pigment: 0.35,
  mica: 0.6,
  fluorescent: 0.6,
  dye: 0.5,
  clay: 0.5,
  botanical: 0.6,
};
/** Of kinds that are no colourants but colour all the same, as scrubs do. */
const OTHER_SPREAD = 0.6;

/** The facts of a default curve of a kind of material. */
export const defaultCurve = (kind: MaterialKind): CurveFacts => ({
  origin: { kind: 'default' },
  spread: DEFAULT_SPREAD[kind] ?? OTHER_SPREAD,
});

/** Whether materials of a kind are bought for their colour. */
export const isColourant = (kind: MaterialKind): boolean => DEFAULT_SPREAD[kind] !== undefined;

/** What thickens and weakens a bar when there is much of it: colour powder and clay, not what is meant to be felt. */
export const isSolid = ({ kind, form, scrub }: Pick<Material, 'kind' | 'form' | 'scrub'>): boolean =>
  isColourant(kind) && form === 'powder' && !scrub;
