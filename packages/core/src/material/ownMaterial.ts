import { buildOptics } from '../pigment/buildOptics.ts';
import { type Optics } from '../pigment/optics.ts';
import { type DoseWindow, type MaterialKind } from './material.ts';

/** Scattering per g/kg that each kind suggests, and how far a picked colour may move it. */
const SCATTER: Partial<Readonly<Record<MaterialKind, readonly [scatter: number, freedom: number]>>> = {
  pigment: [0.1, 1],
  mica: [0.05, 0.8],
  fluorescent: [0.03, 0.5],
  dye: [0.002, 0.3],
  clay: [0.02, 0.8],
  botanical: [0.005, 0.3],
  scrub: [0.005, 0.5],
  additive: [0.002, 0.5],
};

/** How far a white pigment's scattering may rise: a near-white picked colour needs it. */
const PALE_FREEDOM = 2;

/**
 * A default curve for a maker's own material from nothing but its kind, a picked colour `#rrggbb` at the
 * typical dose (gelled, cured, near-white base) and its window. Null for kinds that have no colour.
 */
export function defaultOptics(kind: MaterialKind, colour: string, window: DoseWindow): Optics | null {
  const kindly = SCATTER[kind];
  if (!kindly) return null;
  const pale =
    parseInt(colour.slice(1, 3), 16) + parseInt(colour.slice(3, 5), 16) + parseInt(colour.slice(5), 16) > 690;
  return buildOptics({
    dose: window.typical,
    colour,
    scatter: pale ? kindly[0] * 4 : kindly[0],
    scatterFreedom: pale ? PALE_FREEDOM : kindly[1],
    saturation: kind === 'pigment' || kind === 'mica' ? window.ceiling * 5 : undefined,
    shimmer: kind === 'mica' ? 'satin' : 'none',
  });
}
