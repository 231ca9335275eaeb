/** What an instrument at the bench says at a moment. */
export interface Reading {
  /** g or °C. */
  readonly value: number;
  /** Whether the instrument, or those who watch it, take it for at rest. */
  readonly steady: boolean;
  /** Beyond what the instrument can measure; the value says nothing then. */
  readonly overload: boolean;
}

/** Readings of one instrument that lie within its step for this long are at rest, ms. */
const REST_MS = 800;
const LEAST_READINGS = 3;

/** Watches readings of an instrument that does not say itself when it is at rest. */
export class RestWatch {
  private recent: { readonly value: number; readonly at: number }[] = [];

  /** @param step what the instrument can tell apart */
  constructor(private readonly step: number) {}

  /** Whether the readings up to this one are at rest. @param at ms, never going back */
  add(value: number, at: number): boolean {
    this.recent = [...this.recent, { value, at }];
    // One from before the time that counts stays, to know that it is over.
    while (this.recent.length > 1 && this.recent[1]!.at <= at - REST_MS) this.recent.shift();
    const values = this.recent.map((r) => r.value);
    const isLong = at - this.recent[0]!.at >= REST_MS;
    return (
      isLong &&
      values.length >= LEAST_READINGS &&
      Math.max(...values) - Math.min(...values) <= this.step * 1.001
    );
  }
}
