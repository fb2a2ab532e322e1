/** Small deterministic generators (mulberry32): same seed, same numbers, on every machine. */

/** Integers in [0, 2³²). */
export function seededBits(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return (t ^ (t >>> 14)) >>> 0;
  };
}
/**
 * Numbers in [0, 1).
 * @example seeded(7)() // 0.011704753153026104
 */
export function seeded(seed: number): () => number {
  const bits = seededBits(seed);
  return () => bits() / 4294967296;
}
