/**
 * What files differ by though they mean the same, mm: 2 µm at each end of a distance, on both sides of a
 * middle. It is never a fault.
 */
export const NOISE = 8e-3;
