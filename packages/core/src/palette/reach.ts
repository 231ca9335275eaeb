import { type LabD65 } from '../colour/lab.ts';
import { type Candidate } from '../match/candidates.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { createMixer, type Mixer } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';

/** What a shelf can reach, as an outline of a*b* at each lightness. */
export interface ReachSlice {
  /** Middle of the slice, L*. */
  readonly L: number;
  /** One per hue sector that anything falls in, by angle: the most vivid colour there and what makes it. */
  readonly edge: readonly ReachPoint[];
}

export interface ReachPoint {
  readonly lab: LabD65;
  readonly ids: readonly string[];
}

export const REACH_SLICES = [30, 40, 50, 60, 70, 80, 90] as const;
const HALF = 5;
export const REACH_SECTORS = 36;
/** Doses tried of singles and pairs, as shares of the ceiling: even to the eye. */
const DOSES = [0.005, 0.02, 0.06, 0.12, 0.22, 0.36, 0.56, 0.78, 1];
/** Most colourants of one colour. */
const MOST = 4;
/** Rounds of climbing from the edge found so far, and how far a dose is moved in each. */
const CLIMBS = [2, 1.5, 1.25, 1.12, 1.06];
const LARGE = 24;
/** A colourant joins at these shares of its ceiling. */
const JOINS = [0.01, 0.06, 0.25];

type Part = readonly [index: number, dose: number];
interface Edge {
  readonly lab: LabD65;
  readonly parts: readonly Part[];
  readonly chroma: number;
}

/** The sector of the outline that a colour falls in, as an index; null for a lightness outside of all slices. */
export function reachCell([L, a, b]: LabD65): number | null {
  const slice = REACH_SLICES.findIndex((s) => Math.abs(L - s) <= HALF);
  if (slice < 0) return null;
  const turn = (Math.atan2(b, a) / (2 * Math.PI) + 1) % 1;
  return slice * REACH_SECTORS + (Math.floor(turn * REACH_SECTORS) % REACH_SECTORS);
}

/**
 * The reachable outline: every single colourant and every pair at a grid of doses; then from every colour of the edge
 * doses are moved, and colourants join, as long as something becomes more vivid or falls into an empty sector.
 */
export function reachSlices(canvas: Canvas, candidates: readonly Candidate[], stage: Stage): ReachSlice[] {
  const best = new Map<number, Edge>();
  const mixers = new Map<string, Mixer>();
  const lab = new Float64Array(3);
  const put = (parts: readonly Part[]): void => {
    const key = parts.map(([i]) => i).join();
    let mixer = mixers.get(key);
    if (!mixer) {
      mixer = createMixer(
        canvas,
        parts.map(([i]) => candidates[i]!.optics),
        stage,
      );
      mixers.set(key, mixer);
    }
    mixer.lab(
      parts.map(([, dose]) => dose),
      lab,
    );
    const at: LabD65 = [lab[0]!, lab[1]!, lab[2]!];
    const cell = reachCell(at);
    if (cell === null) return;
    const chroma = Math.hypot(at[1], at[2]);
    const known = best.get(cell);
    if (!known || chroma > known.chroma) best.set(cell, { lab: at, parts, chroma });
  };
  put([]);
  candidates.forEach((one, i) => {
    for (const d of DOSES) put([[i, d * one.ceiling]]);
    for (let j = i + 1; j < candidates.length; j++)
      for (const d of DOSES)
        for (const e of DOSES)
          put([
            [i, d * one.ceiling],
            [j, e * candidates[j]!.ceiling],
          ]);
  });
  // A large shelf has its pairs close together: little is left to climb.
  for (const by of candidates.length > LARGE ? CLIMBS.slice(-2) : CLIMBS) {
    for (const { parts } of [...best.values()]) {
      climb(parts, candidates, by, put);
      if (parts.length < MOST) join(parts, candidates, put);
    }
  }
  return REACH_SLICES.map((L, slice) => ({
    L,
    edge: Array.from({ length: REACH_SECTORS }, (_, s) => best.get(slice * REACH_SECTORS + s)).flatMap((p) =>
      p ? [{ lab: p.lab, ids: p.parts.map(([i]) => candidates[i]!.id) }] : [],
    ),
  }));
}

/** Every dose and every pair of doses, up and down by a factor. */
function climb(
  parts: readonly Part[],
  candidates: readonly Candidate[],
  by: number,
  put: (parts: readonly Part[]) => void,
): void {
  const moved = ([i, dose]: Part, factor: number): Part => [
    i,
    Math.min(candidates[i]!.ceiling, dose * factor),
  ];
  const factors = [by, 1 / by];
  parts.forEach((one, n) => {
    for (const f of factors) {
      put(parts.with(n, moved(one, f)));
      for (let m = n + 1; m < parts.length; m++)
        for (const g of factors) put(parts.with(n, moved(one, f)).with(m, moved(parts[m]!, g)));
    }
  });
}

function join(
  parts: readonly Part[],
  candidates: readonly Candidate[],
  put: (parts: readonly Part[]) => void,
): void {
  candidates.forEach((c, i) => {
    if (parts.some(([p]) => p === i)) return;
    for (const share of JOINS) put([...parts, [i, share * c.ceiling]].sort((a, b) => a[0] - b[0]) as Part[]);
  });
}
