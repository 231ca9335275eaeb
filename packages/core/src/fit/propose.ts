import { BAND_COUNT } from '../colour/bands.ts';
import { labD65FromReflectance } from '../colour/lab.ts';
import { descend, type Fitted } from './descent.ts';
import { Forward, prepare, ROW } from './forward.ts';
import { type Layout, layoutOf } from './layout.ts';
import { priorRows } from './prior.ts';
import { type FitProblem, type FitReading } from './problem.ts';
import { labSd, residualSlopes } from './seen.ts';

/** A bar that would teach, and what it would teach. */
export interface Proposal {
  /** Among the candidates. */
  readonly index: number;
  /** Mean ± ΔE00 of the colours that are asked for, before it was read and after it was, the ones before it among them. */
  readonly before: number;
  readonly after: number;
}

/** Colours that are to be foretold, of the same form as readings; what was seen of them does not matter. */
export type Probe = Omit<FitReading, 'seen'>;

/** A bar that may be made, with the ± ΔE00 of how it would be read. */
export interface Candidate extends Probe {
  readonly doubt: number;
}

/** A further bar must lower the spread by this share, or it is not proposed. */
const WORTH = 0.01;

/**
 * The bars that teach most, one after the other: each time the one after which the colours asked for are foretold with
 * the smallest spread, given what prior and readings tell already. Linear about the fit; a bar that repeats what is known
 * therefore falls to the end.
 * @returns at most `count`, fewer where no further one is worth it
 */
export function proposeBars(
  problem: FitProblem,
  candidates: readonly Candidate[],
  probes: readonly Probe[],
  count: number,
): Proposal[] {
  const layout = layoutOf({
    ...problem,
    readings: [...problem.readings, ...[...candidates, ...probes].map(unread)],
  });
  const prior = priorRows(layout, problem.holdsBase);
  const fitted = descend(
    layout,
    problem.readings.map((r) => prepare(layout, r)),
    prior,
  );
  const forward = new Forward(layout);
  const rowsOf = (bar: Probe): Float64Array[] => knownRows(forward, layout, fitted, bar);
  const asked = probes.flatMap(rowsOf);
  // In standard deviations of the reading.
  const offered = candidates.flatMap((c) => rowsOf(c).map((row) => row.map((v) => v / labSd(c.doubt))));
  const known = new Known([...asked, ...offered]);
  const spread = (): number => known.meanSpread(probes.length);
  const first = probes.length * DIRECTIONS;
  const left = new Set(candidates.keys());
  const proposals: Proposal[] = [];
  let before = spread();
  while (proposals.length < count && left.size > 0) {
    let best = -1;
    let least = before;
    for (const index of left) {
      const after = known.spreadWith(first + index * DIRECTIONS, probes.length);
      if (after < least) [best, least] = [index, after];
    }
    if (best < 0 || least > before * (1 - WORTH)) break;
    known.read(first + best * DIRECTIONS);
    left.delete(best);
    const after = spread();
    proposals.push({ index: best, before, after });
    before = after;
  }
  return proposals;
}

/** Directions of a colour difference. */
const DIRECTIONS = 3;

const unread = (bar: Probe): FitReading => ({ ...bar, seen: { lab: [50, 0, 0], doubt: 1 } });

/** Derivatives of a bar’s colour, in ΔE00, by what is unknown, in its standard deviations: three rows. */
function knownRows(forward: Forward, layout: Layout, { p, whiten }: Fitted, bar: Probe): Float64Array[] {
  forward.evaluate(p, prepare(layout, unread(bar)), true);
  const lab = labD65FromReflectance(forward.R);
  return residualSlopes(forward.R, { lab, doubt: 1 }).map((perBand) => {
    const x = new Float64Array(layout.size);
    const sd = labSd(1);
    for (let b = 0; b < BAND_COUNT; b++)
      for (let k = b * ROW; k < b * ROW + forward.counts[b]!; k++)
        x[forward.columns[k]!] = x[forward.columns[k]!]! + sd * perBand[b]! * forward.slopes[k]!;
    return whiten(x);
  });
}

/** What is known of some colours together: their covariance, which every bar that is read lowers. */
class Known {
  private readonly size: number;
  private readonly covariance: Float64Array;

  constructor(rows: readonly Float64Array[]) {
    this.size = rows.length;
    this.covariance = new Float64Array(this.size ** 2);
    for (let i = 0; i < this.size; i++)
      for (let j = 0; j <= i; j++) {
        let sum = 0;
        for (let k = 0; k < rows[i]!.length; k++) sum += rows[i]![k]! * rows[j]![k]!;
        this.covariance[i * this.size + j] = sum;
        this.covariance[j * this.size + i] = sum;
      }
  }

  private at(i: number, j: number): number {
    return this.covariance[i * this.size + j]!;
  }

  /** Mean spread of the first colours. */
  meanSpread(probes: number): number {
    let sum = 0;
    for (let m = 0; m < probes; m++) sum += Math.sqrt(Math.max(0, this.variance(m)));
    return sum / Math.max(1, probes);
  }

  private variance(m: number): number {
    const from = m * DIRECTIONS;
    return this.at(from, from) + this.at(from + 1, from + 1) + this.at(from + 2, from + 2);
  }

  /** The same if the bar whose rows begin there were read. */
  spreadWith(bar: number, probes: number): number {
    const gain = this.gainOf(bar);
    let sum = 0;
    for (let m = 0; m < probes; m++) {
      let fall = 0;
      for (let c = m * DIRECTIONS; c < (m + 1) * DIRECTIONS; c++) {
        for (let a = 0; a < DIRECTIONS; a++)
          for (let b = 0; b < DIRECTIONS; b++)
            fall += this.at(c, bar + a) * gain[a]![b]! * this.at(c, bar + b);
      }
      sum += Math.sqrt(Math.max(0, this.variance(m) - fall));
    }
    return sum / Math.max(1, probes);
  }

  read(bar: number): void {
    const gain = this.gainOf(bar);
    const columns = Array.from({ length: this.size }, (_, i) => [
      this.at(i, bar),
      this.at(i, bar + 1),
      this.at(i, bar + 2),
    ]);
    for (let i = 0; i < this.size; i++) {
      const lowered = gain.map((row) => row.reduce((sum, g, b) => sum + g * columns[i]![b]!, 0));
      for (let j = 0; j < this.size; j++)
        this.covariance[i * this.size + j]! -= lowered.reduce((sum, v, a) => sum + v * columns[j]![a]!, 0);
    }
  }

  /** (I + covariance of the bar)⁻¹, 3 × 3 by cofactors. */
  private gainOf(bar: number): number[][] {
    const m = [0, 1, 2].map((a) => [0, 1, 2].map((b) => this.at(bar + a, bar + b) + Number(a === b)));
    const minor = (a: number, b: number): number => {
      const [r0, r1] = [0, 1, 2].filter((r) => r !== a) as [number, number];
      const [c0, c1] = [0, 1, 2].filter((c) => c !== b) as [number, number];
      return (m[r0]![c0]! * m[r1]![c1]! - m[r0]![c1]! * m[r1]![c0]!) * ((a + b) % 2 === 0 ? 1 : -1);
    };
    const determinant = [0, 1, 2].reduce((sum, b) => sum + m[0]![b]! * minor(0, b), 0);
    return [0, 1, 2].map((a) => [0, 1, 2].map((b) => minor(b, a) / determinant));
  }
}
