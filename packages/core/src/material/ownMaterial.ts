import { buildOptics } from '../pigment/buildOptics.ts';
import { type Optics } from '../pigment/optics.ts';
import { glowPrior } from './glowPrior.ts';
import { appearanceOf } from './looks.ts';
import { type Material } from './material.ts';
import { scatterPrior } from './scatterPrior.ts';

/** What a default curve is built from. */
export type CurveSource = Pick<Material, 'kind' | 'colourIndex' | 'colour' | 'window' | 'looks'>;

/** Dose at which the effect of the next gram has halved, in ceilings. */
const SATURATES_AT_CEILINGS = 5;

/**
 * A default curve for a maker's own material from its kind, a picked colour `#rrggbb` at the typical dose (gelled,
 * cured, near-white base), and what else is known of its looks. Null without a colour or a dose, and for kinds that
 * have no colour.
 */
export function defaultOptics({ kind, colourIndex, colour, window, looks }: CurveSource): Optics | null {
  if (colour === null || window === null) return null;
  const scatter = scatterPrior(kind, colourIndex, colour);
  if (scatter === null) return null;
  return buildOptics({
    ...appearanceOf(looks),
    dose: window.typical,
    colour,
    scatter,
    emission: glowPrior(kind, colour),
    saturation: kind === 'pigment' || kind === 'mica' ? window.ceiling * SATURATES_AT_CEILINGS : undefined,
    shimmer: kind === 'mica' ? 'satin' : 'none',
  });
}

/** Whether the default curves of two entries are built from the same. */
export const sameSource = (a: CurveSource, b: CurveSource): boolean => sourceText(a) === sourceText(b);

const sourceText = ({
  kind,
  colourIndex,
  colour,
  window,
  looks: { ungelled, fresh, fades },
}: CurveSource): string =>
  JSON.stringify([
    kind,
    scatterPrior(kind, colourIndex, colour ?? '#000000'),
    colour,
    window?.typical,
    ungelled,
    fresh && [fresh.colour, fresh.halfLife],
    fades && [fades.keeps, fades.to, fades.days],
  ]).toLowerCase();
