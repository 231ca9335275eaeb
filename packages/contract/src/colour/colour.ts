import { type FittedBase, type Optics, type Stage } from '@kleur/core/pigment';

/** A colour question by ids of the shelf. Doses in g/kg oils of the pot, shares in any common unit. */
export interface PredictRequest {
  readonly oils: readonly { readonly materialId: string; readonly share: number }[];
  readonly scent?: { readonly materialId: string; readonly dose: number } | null;
  /** Colourants by value, as a fit answers them; an id that stands here is not looked for on the shelf. */
  readonly materials?: readonly { readonly id: string; readonly optics: Optics }[];
  /** The base as a fit answers it; the reference base without. Tints of the oils come on top. */
  readonly base?: FittedBase | null;
  readonly pots: readonly {
    readonly name: string;
    readonly scented?: boolean;
    /** By value, in place of a scent of the shelf, g/kg oils. */
    readonly vanillin?: number;
    readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
  }[];
  readonly stages: readonly Stage[];
}

export interface StagePrediction extends Stage {
  /** CIELAB D65, 2° observer. */
  readonly lab: readonly number[];
  readonly hex: string;
  /** False when the screen shows the nearest of the same hue and lightness. */
  readonly inGamut: boolean;
  /** Gloss-excluded reflectance, 380–730 nm in 10 nm steps (36). */
  readonly reflectance: readonly number[];
}

export interface PotPrediction {
  readonly name: string;
  readonly stages: readonly StagePrediction[];
}

export interface PredictResponse {
  readonly pots: readonly PotPrediction[];
}
