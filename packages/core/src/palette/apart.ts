import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Technique } from './technique.ts';

export interface TouchingPair {
  /** Positions of the two, i < j. */
  readonly i: number;
  readonly j: number;
  readonly deltaE: number;
  readonly deltaL: number;
  /** Whether they read as two in this technique. */
  readonly apart: boolean;
}

/** The pairs that touch in a technique. */
export function touchingPairs(count: number, technique: Technique): (readonly [number, number])[] {
  const pairs: (readonly [number, number])[] = [];
  for (let i = 0; i < count; i++) {
    for (let j = i + 1; j < count; j++) if (technique.touching === 'all' || j === i + 1) pairs.push([i, j]);
  }
  return pairs;
}

/** Whether two colours read as two in a technique. */
export const isApart = (deltaE: number, deltaL: number, t: Technique): boolean =>
  deltaE >= t.apart && deltaL >= t.apartL;

/** How far apart touching colours are, against what the technique needs. */
export const checkApart = (labs: readonly LabD65[], technique: Technique): TouchingPair[] =>
  touchingPairs(labs.length, technique).map(([i, j]) => {
    const deltaE = deltaE00(labs[i]!, labs[j]!);
    const deltaL = Math.abs(labs[i]![0] - labs[j]![0]);
    return { i, j, deltaE, deltaL, apart: isApart(deltaE, deltaL, technique) };
  });

export interface Mend {
  /** Position of the colour to move. */
  readonly index: number;
  readonly target: LabD65;
  /** ΔE00 of the move. */
  readonly change: number;
}

const STEP = 0.5;
const MOST_STEPS = 120;

/**
 * The smallest move in lightness of one of two colours that sets them apart: the lighter one lighter or the
 * darker one darker. Null when neither can go far enough. Lightness, because it is what reads first in the bar.
 */
export function mendPair(labs: readonly LabD65[], i: number, j: number, technique: Technique): Mend | null {
  const [light, dark] = labs[i]![0] >= labs[j]![0] ? [i, j] : [j, i];
  const tries = [
    [light, dark, 1],
    [dark, light, -1],
  ] as const;
  const mends = tries.flatMap(([index, other, sign]): Mend[] => {
    const [L, a, b] = labs[index]!;
    for (let n = 1; n <= MOST_STEPS; n++) {
      const moved: LabD65 = [L + sign * n * STEP, a, b];
      if (moved[0] > 98 || moved[0] < 5) return [];
      const far = deltaE00(moved, labs[other]!);
      if (isApart(far, Math.abs(moved[0] - labs[other]![0]), technique)) {
        return [{ index, target: moved, change: deltaE00(labs[index]!, moved) }];
      }
    }
    return [];
  });
  return mends.sort((a, b) => a.change - b.change)[0] ?? null;
}

/** Grey view: positions from lightest to darkest, the widest gap and the flattest neighbours in L*. */
export function greyOrder(labs: readonly LabD65[]): {
  readonly order: readonly number[];
  readonly widest: number;
  readonly flattest: number;
} {
  const order = labs.map((_, i) => i).sort((a, b) => labs[b]![0] - labs[a]![0]);
  const gaps = order.slice(1).map((at, n) => labs[order[n]!]![0] - labs[at]![0]);
  return {
    order,
    widest: gaps.length ? Math.max(...gaps) : 0,
    flattest: gaps.length ? Math.min(...gaps) : 0,
  };
}
