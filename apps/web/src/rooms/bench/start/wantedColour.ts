import { colourFromWords, HEX_PATTERN, screenColourFromLabD65 } from '@kleur/core/colour';

/** A wanted colour as it was picked, or typed as words or hex. */
export interface WantedColour {
  readonly hex: string;
  /** As typed; the name of the pot. */
  readonly text: string;
}

/** The colour that a text means: `#rrggbb`, with or without the #, or words such as “dark greyish teal”. */
export function hexOfText(text: string): string | null {
  const trimmed = text.trim();
  const hex = trimmed.startsWith('#') ? trimmed : `#${trimmed}`;
  if (HEX_PATTERN.test(hex)) return hex.toLowerCase();
  const lab = colourFromWords(trimmed);
  return lab && screenColourFromLabD65(lab).hex;
}

/** What a colour is called until it is given a name: “Colour 3” where the text is a hex. */
export const nameOfColour = ({ text }: WantedColour, index: number): string =>
  colourFromWords(text) ? text.trim().charAt(0).toUpperCase() + text.trim().slice(1) : `Colour ${index + 1}`;
