import { type Spectrum } from '../colour/bands.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';

/** A colourant as it is known before the readings. */
export interface FitMaterial {
  readonly id: string;
  /** Its curve so far: what it stays where no reading says otherwise. */
  readonly optics: Optics;
  /** Standard deviation of its strength, as a fraction. */
  readonly spread: number;
  /** A clear middle tint, g/kg oils. */
  readonly typical: number;
  /** Plates that mirror at the face. */
  readonly mirrors: boolean;
  /** Of plants and dyes: gel may turn them. */
  readonly turns: boolean;
  /** Another lot of one that is there by this id: it is near to that, as far as lots are alike. */
  readonly lotOf?: string;
}

/** What was read of one bar. */
export interface FitReading {
  readonly id: string;
  readonly parts: readonly { readonly id: string; /** g/kg oils. */ readonly dose: number }[];
  readonly canvas: Canvas;
  readonly stage: Stage;
  /** Reflectance (36 bands), or CIELAB D65 with the ± ΔE00 of how it was found. */
  readonly seen: { readonly spectrum: Spectrum } | { readonly lab: LabD65; readonly doubt: number };
  /** What it was read with: readings of one instrument see the same share of the gloss. */
  readonly instrument: string;
}

export interface FitProblem {
  readonly materials: readonly FitMaterial[];
  readonly readings: readonly FitReading[];
  /**
   * Keeps the colour of the cured base as it was known, where no bare bar can tell it from the colourants. Default false:
   * bars tell it too. How it ages, and how scents brown, is told in any case.
   */
  readonly holdsBase?: boolean;
}
