/** Largest distance from the mean at which a tail is told from nothing. */
const FARTHEST = 38;

/**
 * Share of a standard normal distribution above a value, to about 14 digits also far out, where
 * 1 − Φ would have none left: the series of Φ near the mean, the continued fraction of Mills' ratio beyond.
 */
export function upperTail(z: number): number {
  if (Number.isNaN(z)) return Number.NaN;
  if (z < 0) return 1 - upperTail(-z);
  if (z > FARTHEST) return 0;
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  if (z < 3) {
    // Φ(z) − 1/2 = φ(z)·(z + z³/3 + z⁵/15 + …), Abramowitz and Stegun 26.2.11
    let [term, sum] = [z, z];
    for (let k = 3; term > sum * 1e-17; k += 2) {
      term *= (z * z) / k;
      sum += term;
    }
    return 0.5 - density * sum;
  }
  // Q(z) = φ(z)/(z + 1/(z + 2/(z + …))), Abramowitz and Stegun 26.2.14
  let fraction = z;
  for (let k = 120; k >= 1; k -= 1) fraction = z + k / fraction;
  return density / fraction;
}

/** Uniform numbers in (0, 1) from a seed (mulberry32); equal seeds give equal numbers on every platform. */
export function uniformsFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return (((t ^ (t >>> 14)) >>> 0) + 0.5) / 4294967296;
  };
}
