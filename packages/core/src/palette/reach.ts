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

/**
 * The reachable outline from every single colourant and every pair at a grid of doses. Triples reach little
 * that pairs do not, except in the middle.
 */
export function reachSlices(canvas: Canvas, candidates: readonly Candidate[], stage: Stage): ReachSlice[] {
  const best = new Map<number, ReachPoint>();
  const lab = new Float64Array(3);
  const put = (ids: readonly string[]): void => {
    const [L, a, b] = [lab[0]!, lab[1]!, lab[2]!];
    const slice = REACH_SLICES.findIndex((s) => Math.abs(L - s) <= HALF);
    if (slice < 0) return;
    const sector = Math.floor(((Math.atan2(b, a) / (2 * Math.PI) + 1) % 1) * SECTORS) % SECTORS;
    const key = slice * SECTORS + sector;
    const known = best.get(key);
    if (!known || Math.hypot(a, b) > Math.hypot(known.lab[1], known.lab[2]))
      best.set(key, { lab: [L, a, b], ids });
  };
  createMixer(canvas, [], stage).lab([], lab);
  put([]);
  candidates.forEach((one, i) => {
    const single = createMixer(canvas, [one.optics], stage);
    for (const d of DOSES) {
      single.lab([d * one.ceiling], lab);
      put([one.id]);
    }
    for (const two of candidates.slice(i + 1)) {
      const mixer = createMixer(canvas, [one.optics, two.optics], stage);
      for (const d of DOSES) {
        for (const e of DOSES) {
          mixer.lab([d * one.ceiling, e * two.ceiling], lab);
          put([one.id, two.id]);
        }
      }
    }
  });
  return REACH_SLICES.map((L, slice) => ({
    L,
    edge: Array.from({ length: SECTORS }, (_, sector) => best.get(slice * SECTORS + sector)).filter(
      (p): p is ReachPoint => p !== undefined,
    ),
  }));
}
