import { type LabD65 } from '../colour/lab.ts';
import { curveModes } from '../material/curveModes.ts';
import { createSpread } from '../pigment/spread.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Composition, stageOf } from '../pigment/composition.ts';
import { type Plan } from '../plan/plan.ts';

/** How far the colour of a pot may be off, and what it stands on. */
export interface PotDoubt {
  /** Root mean square ΔE00 by which its curves, the base and the model may be off together. */
  readonly deltaE: number;
  /** How it looks if it misses: darker and lighter, nine of ten lie between. */
  readonly range: readonly [LabD65, LabD65];
  /** Colourants in it, from its own rows, its donors and the whole batch. */
  readonly colourants: number;
  /** Those of them whose curves stand on readings. */
  readonly tested: number;
  /** Readings of the one of them that has the fewest; 0 where one has none. */
  readonly readings: number;
  /** Of those whose curves stand on readings, the largest typical miss, ΔE00; null for none. */
  readonly typicalMiss: number | null;
}

/**
 * The doubt of a composition of a plan at a stage; what donors and the whole batch brought errs like the pot's own.
 */
export function potDoubt(plan: Plan, composition: Composition, stage: Stage): PotDoubt {
  const { canvas, parts } = composition;
  const curves = parts.map((p) => plan.materials.find((m) => m.optics === p.optics)?.curve ?? null);
  const { deltaE, range } = createSpread(
    canvas,
    parts.map((p, i) => ({ optics: p.optics, modes: curveModes(curves[i]!) })),
    stageOf(composition, stage),
  ).of(parts.map((p) => p.dose));
  const fitted = curves.flatMap((c) => (c?.origin.kind === 'fitted' ? [{ ...c, origin: c.origin }] : []));
  const misses = fitted.flatMap((c) => (c.typicalMiss == null ? [] : [c.typicalMiss]));
  return {
    deltaE,
    range,
    colourants: parts.length,
    tested: fitted.length,
    readings: fitted.length < parts.length ? 0 : Math.min(...fitted.map((c) => c.origin.readings)),
    typicalMiss: misses.length === 0 ? null : Math.max(...misses),
  };
}
