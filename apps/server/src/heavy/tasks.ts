import { type PotPrediction } from '@kleur/contract';
import { type ProposedBar, proposeTrial, type TrialQuestion } from '@kleur/core/evidence';
import { type FitKnown, type FitProblem, fitReadings, type FitResult, refitTouched } from '@kleur/core/fit';
import { matchColour, type MatchProblem, type MatchResult } from '@kleur/core/match';
import {
  type Composition,
  createSpread,
  type CurveMode,
  predictColour,
  predictReflectance,
  type Stage,
} from '@kleur/core/pigment';
import { type LabD65 } from '@kleur/core/colour';

/*
 * Work that takes the processor for longer than a request may hold up the others. Plain values in and out: it may run
 * in another thread.
 */

export interface Prediction {
  readonly pots: readonly {
    readonly name: string;
    readonly composition: Composition;
    /** In what ways each part’s curve may be off. */
    readonly modes: readonly (readonly CurveMode[])[];
  }[];
  readonly stages: readonly Stage[];
}

export interface Refitting {
  readonly problem: FitProblem;
  readonly known: FitKnown;
  readonly added: readonly string[];
}

export interface Proposing {
  readonly question: TrialQuestion;
  readonly known: FitProblem;
}

const rounded = (v: number, digits: number): number => Number(v.toFixed(digits));

/** Colour and reflectance of every pot at every stage. */
export const predict = ({ pots, stages }: Prediction): PotPrediction[] =>
  pots.map(({ name, composition, modes }) => ({
    name,
    stages: stages.map((stage) => {
      const { lab, hex, inGamut } = predictColour(composition, stage);
      const { canvas, parts } = composition;
      const { deltaE, range } = createSpread(
        canvas,
        parts.map(({ optics }, i) => ({ optics, modes: modes[i]! })),
        stage,
      ).of(parts.map((p) => p.dose));
      const short = (of: LabD65) => of.map((v) => rounded(v, 3)) as unknown as LabD65;
      return {
        ...stage,
        doubt: { deltaE: rounded(deltaE, 3), range: [short(range[0]), short(range[1])] },
        lab: Array.from(lab, (v) => rounded(v, 3)),
        hex,
        inGamut,
        reflectance: Array.from(predictReflectance(composition, stage), (v) => rounded(v, 5)),
      };
    }),
  }));

export const refit = ({ problem, known, added }: Refitting): FitResult =>
  refitTouched(problem, known, new Set(added));

export const fit = (problem: FitProblem): FitResult => fitReadings(problem);

/** The few bars that would teach most. */
export const propose = ({ question, known }: Proposing): ProposedBar[] => proposeTrial(question, known);

export const match = (problem: MatchProblem): MatchResult => matchColour(problem);
