import { createMixer } from '../pigment/mixer.ts';
import { strengthDoubt } from '../pigment/strengthDoubt.ts';
import { type Stage } from '../pigment/stage.ts';
import { type Composition, stageOf } from '../pigment/composition.ts';
import { type Plan } from '../plan/plan.ts';

/** How far the colour of a pot may be off, and what it stands on. */
export interface PotDoubt {
  /** ΔE00 by which the strengths of its colourants may be off together. */
  readonly deltaE: number;
  /** Colourants in it, from its own rows, its donors and the whole batch. */
  readonly colourants: number;
  /** Those of them whose curves stand on readings. */
  readonly tested: number;
}

/**
 * The doubt of a composition of a plan at a stage; what donors and the whole batch brought errs like the pot's own.
 */
export function potDoubt(plan: Plan, composition: Composition, stage: Stage): PotDoubt {
  const { canvas, parts } = composition;
  const mixer = createMixer(
    canvas,
    parts.map((p) => p.optics),
    stageOf(composition, stage),
  );
  const curves = parts.map((p) => plan.materials.find((m) => m.optics === p.optics)?.curve ?? null);
  return {
    deltaE: strengthDoubt(
      mixer,
      parts.map((p) => p.dose),
      curves.map((c) => c?.spread ?? 0),
    ),
    colourants: parts.length,
    tested: curves.filter((c) => c?.origin.kind === 'fitted').length,
  };
}
