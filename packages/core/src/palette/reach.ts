import { type LabD65 } from '../colour/lab.ts';
import { type Candidate } from '../match/candidates.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
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
const SECTORS = 36;
/** Doses tried, as shares of the ceiling: even to the eye. */
const DOSES = [0.005, 0.02, 0.06, 0.12, 0.22, 0.36, 0.56, 0.78, 1];

interface Edge extends ReachPoint {
  /** Index into the candidates, dose. */
  readonly parts: readonly (readonly [number, number])[];
}

/** Edge colours this many sectors apart are mixed to fill in what lies between them. */
const NEIGHBOURS = 7;
/** Most colourants of a mixed edge colour. */
const MOST = 3;

/**
 * The reachable outline: every single colourant and every pair at a grid of doses, then even mixtures of edge
 * colours not far from each other, which fill in the hues between two pairs.
 */
export function reachSlices(canvas: Canvas, candidates: readonly Candidate[], stage: Stage): ReachSlice[] {
  const best = new Map<number, Edge>();
  const lab = new Float64Array(3);
  const put = (parts: readonly (readonly [number, number])[]): void => {
    const [L, a, b] = [lab[0]!, lab[1]!, lab[2]!];
    const slice = REACH_SLICES.findIndex((s) => Math.abs(L - s) <= HALF);
    if (slice < 0) return;
    const sector = Math.floor(((Math.atan2(b, a) / (2 * Math.PI) + 1) % 1) * SECTORS) % SECTORS;
    const key = slice * SECTORS + sector;
    const known = best.get(key);
    if (!known || Math.hypot(a, b) > Math.hypot(known.lab[1], known.lab[2])) {
      best.set(key, { lab: [L, a, b], ids: parts.map(([i]) => candidates[i]!.id), parts });
    }
  };
  createMixer(canvas, [], stage).lab([], lab);
  put([]);
  candidates.forEach((one, i) => {
    const single = createMixer(canvas, [one.optics], stage);
    for (const d of DOSES) {
      single.lab([d * one.ceiling], lab);
      put([[i, d * one.ceiling]]);
    }
    for (let j = i + 1; j < candidates.length; j++) {
      const two = candidates[j]!;
      const mixer = createMixer(canvas, [one.optics, two.optics], stage);
      for (const d of DOSES) {
        for (const e of DOSES) {
          mixer.lab([d * one.ceiling, e * two.ceiling], lab);
          put([
            [i, d * one.ceiling],
            [j, e * two.ceiling],
          ]);
        }
      }
    }
  });
  const edges = new Map(best);
  for (const [key, one] of edges) {
    for (let step = 1; step <= NEIGHBOURS; step++) {
      const row = key - (key % SECTORS);
      const two = edges.get(row + ((key - row + step) % SECTORS));
      if (!two) continue;
      const half = new Map<number, number>();
      for (const [i, dose] of [...one.parts, ...two.parts]) half.set(i, (half.get(i) ?? 0) + dose / 2);
      if (half.size > MOST) continue;
      const parts = [...half];
      createMixer(
        canvas,
        parts.map(([i]) => candidates[i]!.optics),
        stage,
      ).lab(
        parts.map(([, dose]) => dose),
        lab,
      );
      put(parts);
    }
  }
  return REACH_SLICES.map((L, slice) => ({
    L,
    edge: Array.from({ length: SECTORS }, (_, sector) => best.get(slice * SECTORS + sector)).flatMap((p) =>
      p ? [{ lab: p.lab, ids: p.ids }] : [],
    ),
  }));
}
