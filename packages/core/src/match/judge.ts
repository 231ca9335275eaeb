import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { createMixers, type Mixer } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Candidate } from './candidates.ts';
import { type Limits } from './limits.ts';
import { type MatchProblem } from './problem.ts';

/** Doses to add, in g/kg oils, and what the pot becomes by them. */
export interface Judged {
  readonly parts: readonly { readonly id: string; readonly index: number; readonly dose: number }[];
  readonly lab: LabD65;
  readonly deltaE: number;
}

/** The true ΔE00 of doses of some candidates, on top of what is in the pot. */
export interface Judge {
  /** Infinity for what breaks a limit. */
  distance(ids: readonly number[], doses: readonly number[]): number;
  judge(ids: readonly number[], doses: readonly number[]): Judged;
  /** Moves doses to a lower true ΔE00, after bringing them within the limits. */
  polish(ids: readonly number[], doses: readonly number[]): number[];
}

const POLISH_ROUNDS = 5;
const PERFECT = 0.05;

/** A pot with some candidates added: what is there and what is added of one material are one dose. */
export interface PotMixer {
  lab(ids: readonly number[], doses: readonly number[]): LabD65;
}

interface Entry {
  readonly mixer: Mixer;
  readonly there: Float64Array;
  readonly all: Float64Array;
}

/** Mixes candidates into what is given, at any stage; mixers of subsets are kept. */
export function createPotMixer(
  { canvas, given = [] }: Pick<MatchProblem, 'canvas' | 'given'>,
  candidates: readonly Candidate[],
  stage: Stage,
): PotMixer {
  const out = new Float64Array(3);
  const mixerOf = createMixers(canvas, stage);
  const known = new Map<string, Entry>();
  const entryOf = (ids: readonly number[]): Entry => {
    const key = ids.join();
    let entry = known.get(key);
    if (!entry) {
      const added = ids.map((i) => candidates[i]!);
      const rest = given.filter((g) => !added.some((c) => c.id === g.id));
      const optics = [...added, ...rest].map((x) => x.optics);
      const doseThere = (id: string): number => given.reduce((sum, g) => sum + (g.id === id ? g.dose : 0), 0);
      const there = Float64Array.from([...added.map((c) => doseThere(c.id)), ...rest.map((g) => g.dose)]);
      entry = { mixer: mixerOf(optics), there, all: there.slice() };
      known.set(key, entry);
    }
    return entry;
  };
  // Doses of one list of candidates are tried by the hundred.
  let last: (Entry & { readonly ids: readonly number[] }) | null = null;
  return {
    lab: (ids, doses) => {
      if (last?.ids !== ids) last = { ids, ...entryOf(ids) };
      const { mixer, there, all } = last;
      for (let n = 0; n < ids.length; n++) all[n] = there[n]! + doses[n]!;
      mixer.lab(all, out);
      return [out[0]!, out[1]!, out[2]!];
    },
  };
}

/** Doses of a subset moved to the lowest true ΔE00 near them, and what they give. */
export function polishDoses(
  problem: MatchProblem,
  candidates: readonly Candidate[],
  limits: Limits,
  ids: readonly number[],
  doses: readonly number[],
): Judged {
  const judge = createJudge(problem, candidates, limits);
  return judge.judge(ids, judge.polish(ids, doses));
}

/** Judges doses of the candidates of a problem. */
export function createJudge(problem: MatchProblem, candidates: readonly Candidate[], limits: Limits): Judge {
  const { stage, target } = problem;
  const mixer = createPotMixer(problem, candidates, stage);
  const distance = (ids: readonly number[], doses: readonly number[]): number =>
    limits.fits(ids, doses) ? deltaE00(mixer.lab(ids, doses), target) : Infinity;

  return {
    distance,
    judge: (ids, doses) => {
      const parts = ids
        .map((index, n) => ({ id: candidates[index]!.id, index, dose: doses[n]! }))
        .filter((p) => p.dose > 0);
      const lab = mixer.lab(ids, doses);
      return { parts, lab, deltaE: deltaE00(lab, target) };
    },
    polish: (ids, start) => {
      const share = limits.share(ids, start);
      let doses = start.map((d) => d * share);
      let here = distance(ids, doses);
      let stride = 0.12;
      for (let round = 0; round < POLISH_ROUNDS && here > PERFECT; round++) {
        let moved = false;
        for (let n = 0; n < doses.length; n++) {
          const most = limits.room(candidates[ids[n]!]!);
          for (const factor of [1 + stride, 1 / (1 + stride)]) {
            const trial = doses.slice();
            trial[n] = Math.min(most, trial[n]! * factor);
            const there = distance(ids, trial);
            if (there < here) {
              doses = trial;
              here = there;
              moved = true;
              break;
            }
          }
        }
        if (!moved) stride /= 2.5;
      }
      return doses;
    },
  };
}
