import { type Appearance } from '../pigment/buildOptics.ts';

/** How a material looks beside its settled colour, as far as its maker or its entry knows. Colours are `#rrggbb`. */
export interface Looks {
  /** Ungelled and cured, at the typical dose. */
  readonly ungelled: string | null;
  /** In fresh batter, and the hours in which half of that has gone. */
  readonly fresh: { readonly colour: string; readonly halfLife: number } | null;
  /** How it fades in light. */
  readonly fades: {
    /** Share of its colour that it keeps, 0–1. */
    readonly keeps: number;
    /** What it comes to; null for a paler version of itself. */
    readonly to: string | null;
    /** Days in light after which 63 % of what goes has gone. */
    readonly days: number;
  } | null;
}

export const noLooks: Looks = { ungelled: null, fresh: null, fades: null };

/** Colours last this much longer in the dark than in light. */
export const FADES_SLOWER_IN_DARK = 6;

/** A maker's own looks as the curves are built from. */
export const appearanceOf = ({ ungelled, fresh, fades }: Looks): Partial<Appearance> => ({
  ...(ungelled !== null && { ungelled }),
  ...(fresh && { fresh }),
  ...(fades && {
    fading: {
      remains: fades.keeps,
      darkDays: fades.days * FADES_SLOWER_IN_DARK,
      lightDays: fades.days,
      // The way in the dark is the same, only longer.
      ...(fades.to !== null && { ends: { dark: fades.to, light: fades.to } }),
    },
  }),
});

/** The looks that a catalogue entry tells. */
export const looksOf = ({ ungelled, fresh, before, fading }: Partial<Appearance>): Looks => ({
  ungelled: ungelled ?? null,
  fresh: fresh ?? before ?? null,
  fades: fading ? { keeps: fading.remains, to: fading.ends?.light ?? null, days: fading.lightDays } : null,
});
