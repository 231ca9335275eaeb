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

/** A Gaussian band at `at` nm, `width` nm its standard deviation. */
export const band = (at: number, width: number, height = 1): Feature => ({ type: 'band', at, width, height });
/** An edge at `at` nm, which passes from absorbing to clear within about four times `width` nm. */
export const edge = (at: number, width: number, height = 1): Feature => ({ type: 'edge', at, width, height });
/** Browning that falls to 1/e of its height at 380 nm within `decay` nm. */
export const brown = (decay: number, height = 1): Feature => ({ type: 'brown', decay, height });
/** The same absorption everywhere. */
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

/** One feature on the 36 bands (relative units, ≥ 0). */
export const featureShape = (f: Feature): Spectrum => spectrumFrom((nm) => valueAt(f, nm));

/** Sum of features on the 36 bands (relative units, ≥ 0). */
export const absorptionShape = (features: readonly Feature[]): Spectrum =>
  spectrumFrom((nm) => features.reduce((total, f) => total + valueAt(f, nm), 0));
