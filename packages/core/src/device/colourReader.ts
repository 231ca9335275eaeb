import { randomOf } from './random.ts';

/** One measurement of a colour reader. */
export interface ColourMeasurement {
  /** Reflectance (36 bands, 380–730 nm, fractions), gloss excluded: the mean of the repeats. */
  readonly spectrum: readonly number[];
  /** The same place again and again. */
  readonly repeats: readonly (readonly number[])[];
}

export type ReaderProblem =
  | 'not-calibrated'
  | 'not-on-tile'
  | 'battery-low'
  | 'not-on-surface'
  | 'moved'
  | 'unplugged';

/** Why a reader gave no measurement. */
export class ReaderError extends Error {
  override readonly name = 'ReaderError';
  constructor(readonly problem: ReaderProblem) {
    super(problem);
  }
}

/** A colour reader that is laid on a bar; calibrated on its white tile before the first measurement. */
export interface ColourReader {
  /** @throws ReaderError */
  calibrate(): Promise<void>;
  /** @throws ReaderError */
  measure(): Promise<ColourMeasurement>;
}

/** Where a simulated reader lies: on its white tile, on something of a reflectance, on no flat thing, or on nothing. */
export type Surface = 'tile' | 'rough' | readonly number[] | null;

export interface SimulatedReaderOptions {
  /** Where it lies at this moment. */
  readonly surface: () => Surface;
  readonly seed: number;
  /** Share of the battery that is left, 0–1. */
  readonly charge?: number;
}

/** Noise of one measurement: of the dark, and as a share of the light, alike in neighbouring bands. */
const NOISE = { dark: 0.0012, light: 0.0035 };
/** The tile is not quite as white as its label says: after every calibration all is off by so much. */
const TILE = 0.002;
/** A place is measured so often, and the mean taken. */
const REPEATS = 3;
/** On a rough place the repeats lie apart by this share of the light. */
const ROUGH = 0.08;
const PER_MEASUREMENT = 0.002;
const LEAST_CHARGE = 0.03;
/** Repeats that lie further apart, as a share of the light, are of no one place. */
const MOST_APART = 0.03;
/** Neighbouring bands err alike over so many. */
const SMOOTH = 4;
const GREY = 0.4;
const BANDS = 36;

/** A colour reader that is not there, and behaves like one. */
export class SimulatedColourReader implements ColourReader {
  /** Share of the battery that is left, 0–1. */
  charge: number;
  plugged = true;
  private scale: number | null = null;
  private readonly random: () => number;

  constructor(private readonly options: SimulatedReaderOptions) {
    this.charge = options.charge ?? 1;
    this.random = randomOf(options.seed);
  }

  get isCalibrated(): boolean {
    return this.scale !== null;
  }

  calibrate(): Promise<void> {
    return this.attempt(() => {
      if (this.options.surface() !== 'tile') throw new ReaderError('not-on-tile');
      this.scale = 1 + TILE * this.normal();
    });
  }

  measure(): Promise<ColourMeasurement> {
    return this.attempt(() => {
      const { scale } = this;
      if (scale === null) throw new ReaderError('not-calibrated');
      const surface = this.options.surface();
      if (surface === null || surface === 'tile') throw new ReaderError('not-on-surface');
      const isRough = surface === 'rough';
      const there = isRough ? new Array<number>(BANDS).fill(GREY) : surface;
      const repeats = Array.from({ length: REPEATS }, (_, i) =>
        this.once(there, scale * (isRough ? 1 + (i - 1) * ROUGH : 1)),
      );
      const spectrum = there.map((_, b) => repeats.reduce((sum, r) => sum + r[b]!, 0) / REPEATS);
      const middle = (r: readonly number[]): number => r.reduce((sum, v) => sum + v, 0);
      const means = repeats.map(middle);
      if (Math.max(...means) - Math.min(...means) > MOST_APART * middle(spectrum))
        throw new ReaderError('moved');
      return { spectrum, repeats };
    });
  }

  private attempt<T>(work: () => T): Promise<T> {
    return new Promise((done) => {
      if (!this.plugged) throw new ReaderError('unplugged');
      if (this.charge < LEAST_CHARGE) throw new ReaderError('battery-low');
      this.charge -= PER_MEASUREMENT;
      done(work());
    });
  }

  private once(there: readonly number[], scale: number): number[] {
    let drift = this.normal();
    return there.map((r) => {
      drift = drift * (1 - 1 / SMOOTH) + this.normal() * Math.sqrt(2 / SMOOTH - 1 / SMOOTH ** 2);
      const noise = (NOISE.dark + NOISE.light * r) * drift;
      return Math.round((r * scale + noise) * 1e5) / 1e5;
    });
  }

  /** Nearly normal: the sum of twelve even ones. */
  private normal(): number {
    let sum = -6;
    for (let i = 0; i < 12; i++) sum += this.random();
    return sum;
  }
}
