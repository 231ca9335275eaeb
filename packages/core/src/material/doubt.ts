import { type LabD65 } from '../colour/lab.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Optics } from '../pigment/optics.ts';
import { createSpread } from '../pigment/spread.ts';
import { type Stage } from '../pigment/stage.ts';
import { type CurveFacts } from './curve.ts';
import { curveModes } from './curveModes.ts';

/** What a predicted colour stands on. */
export interface Evidence {
  /** Colourants in it, from its own rows, its donors and the whole batch. */
  readonly colourants: number;
  /** Those of them whose curves stand on readings. */
  readonly tested: number;
  /** Readings of the one of them that has the fewest; 0 where one has none. */
  readonly readings: number;
  /** Of those whose curves stand on readings, the largest typical miss, ΔE00; null for none. */
  readonly typicalMiss: number | null;
}

/** How far a predicted colour may be off, and what it stands on. */
export interface Doubt extends Evidence {
  /** Root mean square ΔE00 by which its curves, the base and the model may be off together. */
  readonly deltaE: number;
  /** How it looks if it misses: darker and lighter, nine of ten lie between. */
  readonly range: readonly [LabD65, LabD65];
}

/** A colourant in a pot. */
export interface DoubtedPart {
  readonly optics: Optics;
  readonly curve: CurveFacts | null;
  /** g/kg oils. */
  readonly dose: number;
}

/** The doubt of a mixture. What is there of one colourant errs together: it is one part. */
export function doubtOf(canvas: Canvas, parts: readonly DoubtedPart[], stage: Stage): Doubt {
  const { deltaE, range } = createSpread(
    canvas,
    parts.map(({ optics, curve }) => ({ optics, modes: curveModes(curve) })),
    stage,
  ).of(parts.map((p) => p.dose));
  const fitted = parts.flatMap(({ curve: c }) =>
    c?.origin.kind === 'fitted' ? [{ ...c, origin: c.origin }] : [],
  );
  const counts = fitted.map((c) => c.origin.readings);
  const misses = fitted.flatMap((c) => (c.typicalMiss == null ? [] : [c.typicalMiss]));
  return {
    deltaE,
    range,
    colourants: parts.length,
    tested: fitted.length,
    readings: counts.length === 0 || counts.length < parts.length ? 0 : Math.min(...counts),
    typicalMiss: misses.length === 0 ? null : Math.max(...misses),
  };
}
