import { type MatchFilter } from '@kleur/core/match';
import { type Stage } from '@kleur/core/pigment';
import { type Measuring } from '@kleur/core/units';

/** What is wanted: exactly one of these. */
export interface MatchTarget {
  /** CIELAB D65. */
  readonly lab?: readonly number[];
  readonly hex?: string;
  /** A colour of a saved palette, by position. */
  readonly swatch?: { readonly paletteId: string; readonly index: number };
  /** A pot of a batch, as it is predicted on its own base at the stage asked for. */
  readonly pot?: { readonly batchId: string; readonly potId: string };
}

/** Asks for recipes from the shelf. Doses in g/kg oils. Answered with core's `MatchResult`. */
export interface MatchRequest {
  readonly target: MatchTarget;
  readonly stage: Stage;
  readonly oils: readonly { readonly materialId: string; readonly share: number }[];
  readonly scent?: { readonly materialId: string; readonly dose: number } | null;
  readonly filter: MatchFilter;
  /** Most colourants, 1–4. */
  readonly most: number;
  /** Oils of the pot in g and the maker's tools; null leaves doses unrounded. */
  readonly resolution?: { readonly potOils: number; readonly measuring: Measuring } | null;
  /** Material ids that every recipe holds. */
  readonly must?: readonly string[];
  /** What is in the pot and cannot be taken out. */
  readonly given?: readonly { readonly materialId: string; readonly dose: number }[];
  /** Whether a recipe that may miss counts as that much further away. */
  readonly prefersSure?: boolean;
}
