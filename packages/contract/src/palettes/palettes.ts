import { type LabD65 } from '@kleur/core/colour';
import { MOST_FILE_COLOURS } from '@kleur/core/formats';

export interface SwatchColour {
  readonly name: string;
  readonly lab: LabD65;
}

/** A palette kept apart from any batch. */
export interface Palette {
  readonly name: string;
  readonly favourite: boolean;
  readonly colours: readonly SwatchColour[];
}

export interface PaletteWire extends Palette {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
}

export const PALETTE_LIMITS = { name: 80, colours: MOST_FILE_COLOURS } as const;
