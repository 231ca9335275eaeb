import { labD65FromHex } from '../colour/srgb.ts';
import { isWhitener, type Material, type MaterialKind } from './material.ts';

/**
 * Scattering per g/kg oils that is known of a colour index before anything is tested, on the scale where the
 * ungelled cured base is 1. Only titanium dioxide whitens strongly; ultramarines and carbon hardly scatter at all.
 */
const BY_INDEX: readonly (readonly [index: RegExp, scatter: number])[] = [
  [/\b77891\b/, 0.5],
  [/\b77947\b/, 0.1],
  [/\b7749[12]\b/, 0.2],
  [/\b77499\b/, 0.1],
  [/\b7728[89]\b/, 0.2],
  [/\b77007\b/, 0.02],
  [/\b7726[68]\b/, 0.01],
];

/** By kind, where no colour index says more. Clays have nearly the soap's own refractive index. */
const BY_KIND: Partial<Readonly<Record<MaterialKind, number>>> = {
  pigment: 0.1,
  mica: 0.03,
  fluorescent: 0.02,
  dye: 0.002,
  clay: 0.015,
  botanical: 0.01,
  scrub: 0.005,
  additive: 0.002,
};
const PEARL = 0.05;
const WHITE_PIGMENT = 0.5;

/** A colour that is as good as the base's own: what is bought for its sheen or its white, not for a hue. */
export function isNearWhite(hex: string): boolean {
  const [L, a, b] = labD65FromHex(hex);
  return L > 85 && Math.hypot(a, b) < 14;
}

/** Clays, whites and pearls: in a bare base they are there for something else than a colour of their own. */
export const isPale = (m: Material): boolean =>
  m.kind === 'clay' || isWhitener(m) || (m.colour !== null && isNearWhite(m.colour));

/** Scattering per g/kg oils to start from; null for kinds that have no colour. */
export function scatterPrior(kind: MaterialKind, colourIndex: string, colour: string): number | null {
  const byKind = BY_KIND[kind];
  if (byKind === undefined) return null;
  // A mica carries pigment on its plates: what it scatters is the plates'.
  if (kind === 'mica') return isNearWhite(colour) ? PEARL : byKind;
  const known = BY_INDEX.find(([index]) => index.test(colourIndex));
  if (known) return known[1];
  return kind === 'pigment' && isNearWhite(colour) ? WHITE_PIGMENT : byKind;
}
