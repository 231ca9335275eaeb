import { randomOf } from './random.ts';

/** One measurement of a colour reader. */
export interface ColourMeasurement {
  /** CIELAB D65, 2°, gloss excluded. */
  readonly lab: readonly [number, number, number];
  /** How far repeated measurements of the same place lie from each other, ΔE of the mean. */
  readonly spread: number;
}

export type ReaderProblem = 'not-calibrated' | 'battery-low' | 'not-on-surface';

/** Why a reader gave no measurement. */
export class ReaderError extends Error {
  override readonly name = 'ReaderError';
  constructor(readonly problem: ReaderProblem) {
    super(problem);
  }
}

/** A colour reader that is laid on a bar; calibrated on its white tile before the first measurement. */
export interface ColourReader {
  calibrate(): Promise<void>;
  /** @throws ReaderError */
  measure(): Promise<ColourMeasurement>;
}

export interface SimulatedReaderOptions {
  /** What it lies on; null for nothing. */
  readonly surface: () => readonly [number, number, number] | null;
  readonly seed: number;
  /** Share of the battery that is left, 0–1. */
  readonly charge?: number;
}

/** Spread of one measurement in each of L*, a*, b*. */
const NOISE = 0.25;
/** A place is measured so often, and the mean taken. */
const REPEATS = 3;
const PER_MEASUREMENT = 0.002;
const LEAST_CHARGE = 0.03;

/** A colour reader that is not there, and behaves like one. */
export class SimulatedColourReader implements ColourReader {
  private calibrated = false;
  private charge: number;
  private readonly random: () => number;

  constructor(private readonly options: SimulatedReaderOptions) {
    this.charge = options.charge ?? 1;
    this.random = randomOf(options.seed);
  }

  calibrate(): Promise<void> {
    this.calibrated = true;
    return Promise.resolve();
  }

  measure(): Promise<ColourMeasurement> {
    if (!this.calibrated) return Promise.reject(new ReaderError('not-calibrated'));
    if (this.charge < LEAST_CHARGE) return Promise.reject(new ReaderError('battery-low'));
    const surface = this.options.surface();
    if (!surface) return Promise.reject(new ReaderError('not-on-surface'));
    this.charge -= PER_MEASUREMENT;
    const each = Array.from({ length: REPEATS }, () => surface.map((v) => v + NOISE * this.normal()));
    const mean = surface.map((_, i) => each.reduce((sum, m) => sum + m[i]!, 0) / REPEATS);
    const far = each.map((m) => Math.hypot(...m.map((v, i) => v - mean[i]!)));
    return Promise.resolve({
      lab: mean.map((v) => Math.round(v * 100) / 100) as [number, number, number],
      spread: far.reduce((sum, d) => sum + d, 0) / REPEATS,
    });
  }

  /** Nearly normal: the sum of twelve even ones. */
  private normal(): number {
    let sum = -6;
    for (let i = 0; i < 12; i++) sum += this.random();
    return sum;
  }
}
