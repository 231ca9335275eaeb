import { type Spectrum, spectrumFrom } from '../colour/bands.ts';

/**
 * Absorption described by the handful of bands and edges that its chemistry has. Heights are relative:
 * the strength comes from fitting the stated colour at the typical dose.
 */
export type Feature =
  /** Gaussian absorption band. */
  | { readonly type: 'band'; readonly at: number; readonly width: number; readonly height?: number }
  /** Absorbs below the edge and lets longer wavelengths pass (semiconductor or charge-transfer edge). */
  | { readonly type: 'edge'; readonly at: number; readonly width: number; readonly height?: number }
  /** Grows towards the violet, as browned sugars and humins do. */
  | { readonly type: 'brown'; readonly decay: number; readonly height?: number }
  /** The same at every wavelength. */
  | { readonly type: 'flat'; readonly height?: number };

export const band = (at: number, width: number, height = 1): Feature => ({ type: 'band', at, width, height });
export const edge = (at: number, width: number, height = 1): Feature => ({ type: 'edge', at, width, height });
export const brown = (decay: number, height = 1): Feature => ({ type: 'brown', decay, height });
export const flat = (height = 1): Feature => ({ type: 'flat', height });

function valueAt(f: Feature, nm: number): number {
  const height = f.height ?? 1;
  switch (f.type) {
    case 'band':
      return height * Math.exp(-0.5 * ((nm - f.at) / f.width) ** 2);
    case 'edge':
      return height / (1 + Math.exp((nm - f.at) / f.width));
    case 'brown':
      return height * Math.exp(-(nm - 380) / f.decay);
    case 'flat':
      return height;
  }
}

/** Sum of features on the 36 bands (relative units, ≥ 0). */
export const absorptionShape = (features: readonly Feature[]): Spectrum =>
  spectrumFrom((nm) => features.reduce((total, f) => total + valueAt(f, nm), 0));
