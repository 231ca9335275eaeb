import { randomOf } from './random.ts';
import { type Reading, RestWatch } from './reading.ts';

/** A scale that is not there, and behaves like one: it trembles, drifts, takes its time, and can be too full. */
export interface SimulatedScaleOptions {
  /** What it can tell apart, g. */
  readonly division: number;
  /** The most it bears, g. */
  readonly capacity: number;
  readonly seed: number;
}

/** Half of the way to a new weight takes so long, ms. */
const HALF_MS = 180;
const DRIFT_PER_MINUTE = 0.3;

export class SimulatedScale {
  /** What lies on it, g. */
  load = 0;
  private shown = 0;
  private zero = 0;
  private last: number | null = null;
  private begun: number | null = null;
  private readonly random: () => number;
  private readonly watch: RestWatch;

  constructor(private readonly options: SimulatedScaleOptions) {
    this.random = randomOf(options.seed);
    this.watch = new RestWatch(options.division);
  }

  /** What lies on it counts as nothing from now on. */
  tare(): void {
    this.zero = this.shown;
  }

  /** @param at ms, never going back */
  read(at: number): Reading {
    const { division, capacity } = this.options;
    this.begun ??= at;
    const passed = at - (this.last ?? at);
    this.last = at;
    this.shown += (this.load - this.shown) * (1 - 0.5 ** (passed / HALF_MS));
    const drift = (division * DRIFT_PER_MINUTE * (at - this.begun)) / 60_000;
    const noise = (this.random() - 0.5) * division * 0.8;
    if (this.load > capacity) return { value: 0, steady: false, overload: true };
    const value = Math.round((this.shown - this.zero + drift + noise) / division) * division;
    return { value, steady: this.watch.add(value, at), overload: false };
  }
}

/** A thermometer that is not there: it comes slowly to what it is held into. */
export class SimulatedThermometer {
  private shown = 21;
  private last: number | null = null;
  private readonly random: () => number;
  private readonly watch = new RestWatch(0.2);

  /** @param warmth what it is held into, °C */
  constructor(
    public warmth: number,
    seed: number,
  ) {
    this.random = randomOf(seed);
  }

  /** @param at ms, never going back */
  read(at: number): Reading {
    const passed = at - (this.last ?? at);
    this.last = at;
    this.shown += (this.warmth - this.shown) * (1 - 0.5 ** (passed / 900));
    const value = Math.round((this.shown + (this.random() - 0.5) * 0.1) * 10) / 10;
    return { value, steady: this.watch.add(value, at), overload: false };
  }
}
