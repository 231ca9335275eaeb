import { type LabD65, labD65FromXyz } from '../colour/lab.ts';
import { type LinearRgb, linearRgbFromLabD65, xyzFromLinearRgb } from '../colour/srgb.ts';
import { inDaylight, type Light, lightColour } from './light.ts';
import { type Patch } from './patch.ts';
import { toneCurve } from './toneCurve.ts';

/** A patch of the card in the picture, and the colour that it is known to have. */
export interface CardPatch {
  readonly patch: Patch;
  readonly lab: LabD65;
}

/** What was found of the card in a picture. */
export interface CardInPicture {
  readonly white: CardPatch;
  /** The same white at the other end of the bars, which tells whether the light is even; null where it was not tapped. */
  readonly whiteAgain: Patch | null;
  readonly grey: CardPatch | null;
  readonly black: CardPatch | null;
  /** Under what it was taken; null for unknown, which counts as daylight, less surely. */
  readonly light: Light | null;
}

export const CARD_REFUSALS = [
  'white-clipped',
  'too-dark',
  'uneven',
  'coloured-light',
  'not-the-card',
  'bar-clipped',
  'bar-uneven',
] as const;
export type CardRefusal = (typeof CARD_REFUSALS)[number];

/** Why a picture, or a bar in it, cannot be read, for the person at the screen. */
export const REFUSAL_TEXT: Readonly<Record<CardRefusal, string>> = {
  'white-clipped':
    'The white of the card is overexposed: its brightness is lost. Take the photo darker, or tap elsewhere on the white.',
  'too-dark': 'The white of the card is too dark to read anything by. Take the photo in more light.',
  uneven:
    'The light falls unevenly: one side of the card is brighter than the other. Turn card and bars to the window, without shadow.',
  'coloured-light':
    'The light is too coloured to correct: below 2,500 K, above 10,000 K, or tinted. Take the photo in daylight.',
  'not-the-card':
    'These do not look like the patches of the card: white must be the brightest and black the darkest, and no bar brighter than white. Tap them again.',
  'bar-clipped': 'This bar is overexposed, or black in the photo: its colour is lost.',
  'bar-uneven': 'The square on this bar holds an edge or a shadow. Move it onto an even place.',
};

export type BarOfPicture =
  | { readonly ok: true; readonly lab: LabD65; readonly doubt: number }
  | { readonly ok: false; readonly refusal: CardRefusal };

export type PictureByCard =
  | {
      readonly ok: true;
      readonly bars: readonly BarOfPicture[];
      /** Of the light that white balance left, K. */
      readonly kelvin: number;
    }
  | { readonly ok: false; readonly refusal: CardRefusal };

/** Share of clipped pixels up to which a patch is read. */
const MOST_CLIPPED = 0.02;
/** Least light of the white, of 1. */
const LEAST_WHITE = 0.1;
/** Light that differs by more than this from edge to edge of the white, or from one end of the bars to the other. */
const MOST_SLOPE = 0.12;
const MOST_APART = 0.1;
const MOST_BAR_SLOPE = 0.35;
const MOST_BAR_TEXTURE = 0.5;
/** Colour temperatures between which light is corrected, K, and how far from the blackbodies it may lie. */
const COOLEST = 2500;
const HOTTEST = 10_000;
const MOST_OFF = 0.022;
/** The grey must be this much darker than the white in the picture, and the black than the grey. */
const STEP = 0.8;
/** A bar may gleam a little beyond the card. */
const BRIGHTEST_BAR = 1.15;

/** ± ΔE00 by how many patches of the card are known. */
const DOUBT: readonly number[] = [5, 3, 2];
/** The light that nobody named may be any: ± ΔE00 more. */
const LIGHT_DOUBT = 2;

const meanOf = ([r, g, b]: LinearRgb): number => (r + g + b) / 3;

/** Whether there is something to tell of the card before any bar is read; null when it is good. */
function cardRefusal({ white, whiteAgain, grey, black }: CardInPicture): CardRefusal | null {
  const whites = [white.patch, ...(whiteAgain ? [whiteAgain] : [])];
  if (whites.some((w) => w.clipped > MOST_CLIPPED)) return 'white-clipped';
  const [light, again] = whites.map((w) => meanOf(w.rgb));
  const steps = [light!, ...[grey, black].flatMap((p) => (p ? [meanOf(p.patch.rgb)] : []))];
  if (steps.some((v, i) => i > 0 && v > steps[i - 1]! * STEP)) return 'not-the-card';
  if (light! < LEAST_WHITE) return 'too-dark';
  if (whites.some((w) => w.slope > MOST_SLOPE)) return 'uneven';
  if (again !== undefined && Math.abs(again - light!) > MOST_APART * Math.max(again, light!)) return 'uneven';
  return null;
}

/** The light that is left in the picture, from the white of the card and its own colour. */
function lightOf({ patch, lab }: CardPatch): ReturnType<typeof lightColour> {
  const known = linearRgbFromLabD65(lab);
  return lightColour(xyzFromLinearRgb(patch.rgb.map((v, i) => v / known[i]!) as unknown as LinearRgb));
}

/**
 * Reads bars in a picture that shows a card of known colours in the same light: the tone curve of each channel is undone
 * through the patches of the card, which takes light and exposure out with it, then what the light leaves of colours.
 * A picture whose light cannot be undone is refused, with the reason.
 */
export function readByCard(card: CardInPicture, bars: readonly Patch[]): PictureByCard {
  const refusal = cardRefusal(card);
  if (refusal) return { ok: false, refusal };
  const { kelvin, off } = lightOf(card.white);
  if (kelvin < COOLEST || kelvin > HOTTEST || off > MOST_OFF) return { ok: false, refusal: 'coloured-light' };
  const patches = [card.white, card.grey, card.black].filter((p) => p !== null);
  const curves = ([0, 1, 2] as const).map((c) =>
    toneCurve(
      patches.map(({ patch, lab }) => ({
        shown: Math.max(1e-4, patch.rgb[c]),
        known: Math.max(1e-3, linearRgbFromLabD65(lab)[c]),
      })),
    ),
  );
  const white = meanOf(card.white.patch.rgb);
  const doubt = DOUBT[patches.length - 1]! + (card.light === null ? LIGHT_DOUBT : 0);
  const read = (bar: Patch): BarOfPicture => {
    if (bar.clipped > MOST_CLIPPED || bar.black > 0.5) return { ok: false, refusal: 'bar-clipped' };
    if (meanOf(bar.rgb) > white * BRIGHTEST_BAR) return { ok: false, refusal: 'not-the-card' };
    if (bar.slope > MOST_BAR_SLOPE || bar.texture > MOST_BAR_TEXTURE)
      return { ok: false, refusal: 'bar-uneven' };
    const shown = bar.rgb.map((v, c) => curves[c]!(v)) as unknown as LinearRgb;
    const rgb = inDaylight(shown, card.light ?? 'daylight');
    return { ok: true, lab: labD65FromXyz(xyzFromLinearRgb(rgb)), doubt };
  };
  return { ok: true, bars: bars.map(read), kelvin };
}
