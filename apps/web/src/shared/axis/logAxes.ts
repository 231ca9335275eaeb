/**
 * The two scales of the handles that are on screen from the start, without a library of charts for them: a drag maps a
 * value to a place along a strip, and back.
 */
export interface Axis {
  /** Value → 0–1 along the strip. */
  at(value: number): number;
  /** 0–1 along the strip → value. */
  valueAt(position: number): number;
}

/** Logarithmic between two positive values; what lies beyond stands at the ends. */
export function logAxis(from: number, to: number): Axis {
  const span = Math.log(to / from);
  const within = (position: number): number => Math.min(1, Math.max(0, position));
  return {
    at: (value) => within(Math.log(value / from) / span),
    valueAt: (position) => from * Math.exp(within(position) * span),
  };
}

/** Even below a knee and logarithmic beyond it, from 0 to a largest value. */
export function kneeAxis(most: number, knee: number): Axis {
  const span = Math.log1p(most / knee);
  return {
    at: (value) => Math.log1p(value / knee) / span,
    valueAt: (position) => knee * Math.expm1(position * span),
  };
}
