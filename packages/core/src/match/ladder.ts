import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';

/** From one formula to another in the same colourants, over some pots. */
export interface LadderProblem {
  readonly canvas: Canvas;
  readonly stage: Stage;
  readonly colourants: readonly Optics[];
  /** Doses in g/kg at either end, in the order of the colourants. */
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** Pots, both ends counted, 2–12. */
  readonly pots: number;
}

export interface Ladder {
  /** One row of doses a pot. */
  readonly doses: readonly (readonly number[])[];
  readonly labs: readonly LabD65[];
  /** ΔE00 from each pot to the next. */
  readonly steps: readonly number[];
}

export interface Ladders {
  /** Even to the eye. */
  readonly even: Ladder;
  /** The same spoonful more each time. */
  readonly equal: Ladder;
  /** A constant ratio, as in doubling. */
  readonly doubling: Ladder;
}

export const LADDER_POTS = { min: 2, max: 12 } as const;
const BISECTIONS = 40;

/** @throws RangeError for lengths that disagree or a number of pots outside 2–12. */
export function solveLadders(p: LadderProblem): Ladders {
  const { colourants, from, to, pots } = p;
  if (from.length !== colourants.length || to.length !== colourants.length) {
    throw new RangeError('A ladder needs a dose of every colourant at both ends');
  }
  if (!Number.isInteger(pots) || pots < LADDER_POTS.min || pots > LADDER_POTS.max) {
    throw new RangeError(`A ladder has ${LADDER_POTS.min} to ${LADDER_POTS.max} pots`);
  }
  const mixer = createMixer(p.canvas, colourants, p.stage);
  const labOf = (doses: readonly number[]): LabD65 => {
    const [L, a, b] = mixer.lab(doses);
    return [L!, a!, b!];
  };
  const ladder = (doses: readonly (readonly number[])[]): Ladder => {
    const labs = doses.map(labOf);
    return { doses, labs, steps: labs.slice(1).map((lab, i) => deltaE00(labs[i]!, lab)) };
  };
  const ends = Array.from({ length: pots }, (_, i) => i / (pots - 1));
  // On the square root of the dose the eye's response is about even, which keeps the bisection well behaved.
  const path = (t: number): number[] => {
    if (t === 0) return [...from];
    if (t === 1) return [...to];
    return from.map((a, i) => ((1 - t) * Math.sqrt(a) + t * Math.sqrt(to[i]!)) ** 2);
  };
  const linear = (t: number): number[] => from.map((a, i) => a + (to[i]! - a) * t);
  const ratio = (t: number): number[] =>
    from.map((a, i) => {
      const b = to[i]!;
      if (a === 0 && b === 0) return 0;
      // An end without any starts the doubling where n pots of doubling would.
      const low = a > 0 ? a : b / 2 ** (pots - 1);
      const high = b > 0 ? b : a / 2 ** (pots - 1);
      return (t === 0 && a === 0) || (t === 1 && b === 0) ? 0 : low * (high / low) ** t;
    });
  return {
    even: ladder(evenPositions(path, labOf, pots).map(path)),
    equal: ladder(ends.map(linear)),
    doubling: ladder(ends.map(ratio)),
  };
}

/** Positions along a path, 0 to 1, whose neighbours are all the same ΔE00 apart. */
function evenPositions(
  path: (t: number) => number[],
  labOf: (d: readonly number[]) => LabD65,
  n: number,
): number[] {
  const at = (t: number): LabD65 => labOf(path(t));
  const end = at(1);
  /** Walks n − 1 steps of a size from the start; the last position, or 2 when it runs past the end. */
  const walk = (size: number): number[] => {
    const stops = [0];
    for (let i = 1; i < n; i++) {
      const here = at(stops[i - 1]!);
      if (deltaE00(here, end) < size) return [...stops, 2];
      let low = stops[i - 1]!;
      let high = 1;
      for (let k = 0; k < BISECTIONS; k++) {
        const mid = (low + high) / 2;
        if (deltaE00(here, at(mid)) < size) low = mid;
        else high = mid;
      }
      stops.push(high);
    }
    return stops;
  };
  let low = 0;
  let high = Math.max(deltaE00(at(0), end), 1e-6) * 2;
  for (let k = 0; k < BISECTIONS; k++) {
    const mid = (low + high) / 2;
    if (walk(mid).at(-1)! > 1) high = mid;
    else low = mid;
  }
  const stops = walk(low);
  stops[n - 1] = 1;
  return stops;
}
