import { type ScreenColour } from '../colour/gamut.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Evidence } from '../material/doubt.ts';
import { MOST_CARRIER, MOST_SOLIDS } from '../material/limits.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Units } from '../units/view.ts';
import { type Candidate, type GivenDose } from './candidates.ts';
import { type Resolution } from './rounding.ts';
import { type SearchWidth } from './search.ts';

/** A wanted colour, and everything that a recipe for it must keep to. */
export interface MatchProblem {
  readonly target: LabD65;
  /** When and how gelled it must match. */
  readonly stage: Stage;
  readonly canvas: Canvas;
  readonly candidates: readonly Candidate[];
  /** Most colourants, 1–4. */
  readonly most: number;
  /** Most colour powder altogether, g/kg oils. */
  readonly totalCeiling: number;
  /** Most oil and glycerin that disperse it, g/kg oils. */
  readonly carrierCeiling: number;
  /** Ids of candidates that every recipe holds. */
  readonly must?: readonly string[];
  /** What the maker can measure; null leaves doses as they are. */
  readonly resolution: Resolution | null;
  /** What is in the pot and cannot be taken out. */
  readonly given?: readonly GivenDose[];
  readonly width?: SearchWidth;
  /** Whether a recipe that may miss counts as that much further away, so that sure ones come first. */
  readonly prefersSure?: boolean;
  /** How the maker reads numbers, for the reasons. */
  readonly units?: Units;
}

/** What a recipe is best at among those offered. */
export const RECIPE_VIRTUES = ['closest', 'fewest', 'cheapest', 'surest', 'calmest'] as const;
export type RecipeVirtue = (typeof RECIPE_VIRTUES)[number];

export interface RecipePart {
  readonly id: string;
  /** g/kg oils, to add. */
  readonly dose: number;
}

export interface Recipe {
  readonly parts: readonly RecipePart[];
  readonly virtues: readonly RecipeVirtue[];
  /** At the stage of the problem. */
  readonly lab: LabD65;
  readonly deltaE: number;
  readonly fresh: ScreenColour;
  readonly cut: ScreenColour;
  readonly cured: ScreenColour;
  /** Cured, if the batch does the other: gels where it was matched ungelled, or the other way round. */
  readonly otherGel: ScreenColour;
  /** Per kg oils, null when a price is unknown. */
  readonly cost: number | null;
  /** Root mean square ΔE00 by which it may be off, in the pot that it is for. */
  readonly doubt: number;
  /** How it looks if it misses: darker and lighter, nine of ten lie between. */
  readonly range: readonly [LabD65, LabD65];
  readonly evidence: Evidence;
  /** Product of the paces: below 1 the pot thickens sooner. */
  readonly pace: number;
}

export interface MatchResult {
  /** Up to six, of different colourants, the closest first. Empty when nothing is allowed. */
  readonly recipes: readonly Recipe[];
  /** Why the closest is no match, in words; empty when it is one. */
  readonly reasons: readonly string[];
}

/** What the checks let a pot carry. */
export const POT_LIMITS = { totalCeiling: MOST_SOLIDS, carrierCeiling: MOST_CARRIER } as const;

/** A closest recipe within this is a match. */
export const GOOD_MATCH = 2;
/** A rounding that costs more than this is told. */
export const ROUNDING_TOLD = 1;
