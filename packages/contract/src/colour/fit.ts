import { type FitResult, type FittedMaterial, type FittedReading } from '@kleur/core/fit';
import { type Optics } from '@kleur/core/pigment';
import { type MaterialKind } from '@kleur/core/material';

/** Most of one fit. */
export const FIT_LIMITS = { materials: 120, readings: 1000, parts: 12 } as const;

/** A colourant by what its label says, or by a curve of its own. */
export interface FitColourant {
  readonly id: string;
  readonly kind: MaterialKind;
  /** At the typical dose, gelled and cured. */
  readonly colour: string;
  /** g/kg oils. */
  readonly typical: number;
  readonly colourIndex?: string;
  /** Curve to start from, in place of what the label says. */
  readonly optics?: Optics;
}

/** A reading of a bar of known doses; without doses it is one of the bare base. */
export interface FitReadingWrite {
  readonly id: string;
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
  /** g/kg oils. */
  readonly vanillin?: number;
  readonly hours: number;
  readonly gel: number;
  readonly light?: boolean;
  /** One of the two: reflectance (36 bands, 380–730 nm, gloss excluded), or CIELAB D65. */
  readonly spectrum?: readonly number[];
  readonly lab?: readonly number[];
  /** ± ΔE00 of a Lab reading. */
  readonly doubt?: number;
  readonly instrument?: string;
}

export interface FitRequest {
  readonly materials: readonly FitColourant[];
  readonly readings: readonly FitReadingWrite[];
}

export type FitCurve = FittedMaterial;
export type FitMiss = FittedReading;
export type FitAnswer = Omit<FitResult, 'steps' | 'known'>;
