import { type LabD65 } from '@kleur/core/colour';
import { type CurveMode, type FittedBase, type Optics, type Stage } from '@kleur/core/pigment';

/** A colour question by ids of the shelf. Doses in g/kg oils of the pot, shares in any common unit. */
export interface PredictRequest {
  readonly oils: readonly { readonly materialId: string; readonly share: number }[];
  readonly scent?: { readonly materialId: string; readonly dose: number } | null;
  /** Colourants by value, as a fit answers them; an id that stands here is not looked for on the shelf. */
  readonly materials?: readonly {
    readonly id: string;
    readonly optics: Optics;
    /** In what ways it may be off; counted as known without. */
    readonly modes?: readonly CurveMode[];
  }[];
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

/** How far a colour may be off by what is not known of its curves, its base and the model. */
export interface PredictionDoubt {
  /** Root mean square ΔE00. */
  readonly deltaE: number;
  /** CIELAB D65 of how it looks if it misses, darker and lighter: nine of ten lie between. */
  readonly range: readonly [darker: LabD65, lighter: LabD65];
}

export interface StagePrediction extends Stage {
  readonly doubt: PredictionDoubt;
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
