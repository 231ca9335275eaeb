import { type Candidate, type GivenDose } from './candidates.ts';
import { type MatchProblem } from './problem.ts';

/** What a recipe must keep to, with what is in the pot already counted. Doses in g/kg oils, to add. */
export interface Limits {
  /** Most that may be added of a candidate alone; 0 or less where its ceiling is reached. */
  readonly room: (candidate: Candidate) => number;
  /** Whether doses of the candidates `ids` keep to every ceiling, the powder and the carriers together. */
  readonly fits: (ids: readonly number[], doses: readonly number[]) => boolean;
  /** Colour powder in the pot with doses added. */
  readonly solids: (ids: readonly number[], doses: readonly number[]) => number;
  /** Oil and glycerin that disperse it, with doses added. */
  readonly carrier: (ids: readonly number[], doses: readonly number[]) => number;
  /** The largest share of some doses, 0–1, that fits. */
  readonly share: (ids: readonly number[], doses: readonly number[]) => number;
}

const SLACK = 1e-9;

/** Limits of a problem for its candidates. */
export function createLimits(
  {
    given = [],
    totalCeiling,
    carrierCeiling,
  }: Pick<MatchProblem, 'given' | 'totalCeiling' | 'carrierCeiling'>,
  candidates: readonly Candidate[],
): Limits {
  const sum = (of: (g: GivenDose) => number): number => given.reduce((total, g) => total + of(g), 0);
  const solidsThere = sum((g) => (g.solid ? g.dose : 0));
  const carrierThere = sum((g) => g.carrier);
  const loads = new Map<string, number>();
  for (const g of given) loads.set(g.group, (loads.get(g.group) ?? 0) + g.dose / g.ceiling);
  const left = (group: string): number => 1 - (loads.get(group) ?? 0);

  const solidOf = Float64Array.from(candidates, (c) => (c.solid ? 1 : 0));
  const carrierOf = Float64Array.from(candidates, (c) => c.carrier);
  // Asked of every recipe that is tried, so without a function per dose.
  const total = (
    weights: Float64Array,
    there: number,
    ids: readonly number[],
    doses: readonly number[],
  ): number => {
    let all = there;
    for (let n = 0; n < ids.length; n++) all += weights[ids[n]!]! * doses[n]!;
    return all;
  };
  const solids: Limits['solids'] = (ids, doses) => total(solidOf, solidsThere, ids, doses);
  const carrier: Limits['carrier'] = (ids, doses) => total(carrierOf, carrierThere, ids, doses);
  const groupLoad = (ids: readonly number[], doses: readonly number[], n: number): number => {
    const { group } = candidates[ids[n]!]!;
    let load = 0;
    for (let m = 0; m < ids.length; m++) {
      const c = candidates[ids[m]!]!;
      if (c.group === group) load += doses[m]! / c.ceiling;
    }
    return load;
  };
  // What is over a limit before anything is added forbids only what adds to it.
  const within = (total: number, added: number, most: number): boolean =>
    added <= SLACK || total <= most + SLACK;

  return {
    solids,
    carrier,
    room: (c) => left(c.group) * c.ceiling,
    fits: (ids, doses) => {
      const s = solids(ids, doses);
      if (!within(s, s - solidsThere, totalCeiling)) return false;
      const k = carrier(ids, doses);
      if (!within(k, k - carrierThere, carrierCeiling)) return false;
      for (let n = 0; n < ids.length; n++) {
        if (doses[n]! > 0 && groupLoad(ids, doses, n) > left(candidates[ids[n]!]!.group) + SLACK)
          return false;
      }
      return true;
    },
    share: (ids, doses) => {
      const shares = [
        shareOf(totalCeiling - solidsThere, solids(ids, doses) - solidsThere),
        shareOf(carrierCeiling - carrierThere, carrier(ids, doses) - carrierThere),
        ...ids.map((i, n) => shareOf(left(candidates[i]!.group), groupLoad(ids, doses, n))),
      ];
      return Math.min(1, ...shares);
    },
  };
}

/** How much of what is added fits into the room that is left. */
const shareOf = (room: number, added: number): number => (added <= 0 ? 1 : Math.max(0, room) / added);
