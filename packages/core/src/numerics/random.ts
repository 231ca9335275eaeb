/** A generator of numbers in [0, 1) from a seed 1–2³¹: Lehmer, modulus 2³¹ − 1. */
export function seededRandom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
