/** One line of the table that `npm run bench` prints. */
export interface Row {
  readonly what: string;
  readonly measured: string;
  readonly goal: string;
  readonly met: boolean;
}

/** Hands rows to the runner, as JSON on the last line of the output. */
export const report = (rows: readonly Row[]): void => {
  console.log(JSON.stringify(rows));
};

/** Median time in ms of some runs of a function, after a warm-up. */
export function medianMs(runs: number, f: (run: number) => void): number {
  for (let i = 0; i < Math.min(runs, 20); i++) f(i);
  const times = Array.from({ length: runs }, (_, i) => {
    const from = performance.now();
    f(i);
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)]!;
}

/** A seeded generator of numbers in [0, 1): Lehmer, modulus 2³¹ − 1. */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
