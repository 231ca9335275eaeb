import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Candidate } from '../match/candidates.ts';
import { createSolver } from '../match/solver.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';

/** Starts for each subset: from faint to strong, so that no basin is missed. */
const STARTS = [0.08, 0.25, 0.6];

/** ΔE00 of the best unrounded recipe over every subset of up to `most` (≤ 3) candidates, each from several starts. */
export function exhaustiveBest(
  canvas: Canvas,
  candidates: readonly Candidate[],
  stage: Stage,
  target: LabD65,
  most: number,
): number {
  const solver = createSolver(canvas, candidates, stage, target);
  const lab = new Float64Array(3);
  let best = deltaE00(target, labOf([], []));
  function labOf(ids: readonly number[], v: readonly number[]): LabD65 {
    const mixer = createMixer(
      canvas,
      ids.map((i) => candidates[i]!.optics),
      stage,
    );
    mixer.lab(solver.dosesOf({ ids, v }), lab);
    return [lab[0]!, lab[1]!, lab[2]!];
  }
  const visit = (ids: readonly number[]): void => {
    let least = Infinity;
    let v: readonly number[] = [];
    for (const start of STARTS) {
      const solution = solver.solve(
        ids,
        ids.map(() => start),
      );
      if (solution.cost < least) {
        least = solution.cost;
        v = solution.v;
      }
    }
    best = Math.min(best, deltaE00(target, labOf(ids, v)));
  };
  const n = candidates.length;
  for (let i = 0; i < n; i++) {
    visit([i]);
    for (let j = i + 1; most >= 2 && j < n; j++) {
      visit([i, j]);
      for (let k = j + 1; most >= 3 && k < n; k++) visit([i, j, k]);
    }
  }
  return best;
}

/**
 * ΔE00 of the best recipe that a scale can measure: every subset of up to `most` (≤ 3) candidates on its full grid, from
 * two divisions up to the ceilings. Slow: for small pots and few candidates.
 */
export function exhaustiveMeasurable(
  canvas: Canvas,
  candidates: readonly Candidate[],
  stage: Stage,
  target: LabD65,
  most: number,
  { potOils, division }: { readonly potOils: number; readonly division: number },
): number {
  const lab = new Float64Array(3);
  const grids = candidates.map((c) => {
    const steps = Math.floor((c.ceiling * potOils) / 1000 / division + 1e-9);
    return Array.from({ length: Math.max(0, steps - 1) }, (_, i) => ((i + 2) * division * 1000) / potOils);
  });
  let best = Infinity;
  const visit = (ids: readonly number[]): void => {
    const mixer = createMixer(
      canvas,
      ids.map((i) => candidates[i]!.optics),
      stage,
    );
    const doses = new Float64Array(ids.length);
    const walk = (n: number): void => {
      if (n === ids.length) {
        mixer.lab(doses, lab);
        best = Math.min(best, deltaE00([lab[0]!, lab[1]!, lab[2]!], target));
        return;
      }
      for (const dose of grids[ids[n]!]!) {
        doses[n] = dose;
        walk(n + 1);
      }
    };
    walk(0);
    if (ids.length === most) return;
    for (let i = (ids.at(-1) ?? -1) + 1; i < candidates.length; i++) visit([...ids, i]);
  };
  visit([]);
  return best;
}
