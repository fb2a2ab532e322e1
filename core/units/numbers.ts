/** Small numeric helpers with the guards of the physics conventions. */

export const clamp = (x: number, low: number, high: number): number => Math.max(low, Math.min(high, x));

/** Piecewise linear interpolation, clamped at both ends. `xs` rises strictly; `xs` and `ys` have equal length. */
export function interpolate(x: number, xs: readonly number[], ys: readonly number[]): number {
  const first = xs[0] ?? 0;
  if (x <= first) return ys[0] ?? 0;
  for (let i = 1; i < xs.length; i++) {
    const x1 = xs[i] ?? 0;
    if (x <= x1) {
      const x0 = xs[i - 1] ?? 0;
      const y0 = ys[i - 1] ?? 0;
      return y0 + (((ys[i] ?? 0) - y0) * (x - x0)) / (x1 - x0);
    }
  }
  return ys[ys.length - 1] ?? 0;
}

/** ceil with a guard against binary rounding; never returns -0. */
export const guardedCeil = (x: number): number => Math.ceil(x - 1e-9) + 0;

/** Round half up to `digits` decimals. */
export function roundTo(x: number, digits: number): number {
  const f = 10 ** digits;
  return Math.floor(x * f + 0.5 + 1e-9) / f + 0;
}

export const sum = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0);
/** Arithmetic mean; 0 of nothing. */
export const mean = (xs: readonly number[]): number => (xs.length === 0 ? 0 : sum(xs) / xs.length);

/** The middle one, or between the two in the middle; 0 of nothing. */
export function median(xs: readonly number[]): number {
  const sorted = [...xs].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 ? (sorted[mid] ?? 0) : ((sorted[mid - 1] ?? 0) + (sorted[mid] ?? 0)) / 2;
}

/** Mean of the middle half: odd ones out count nothing, and between whole numbers it may stand; 0 of nothing. */
export function midMean(xs: readonly number[]): number {
  const sorted = [...xs].sort((a, b) => a - b);
  const cut = sorted.length >> 2;
  return mean(sorted.slice(cut, sorted.length - cut));
}

/** Weighted mean of a fibre property over mass fractions. */
export function mixture<K extends string>(shares: ReadonlyMap<K, number>, of: (key: K) => number): number {
  let total = 0;
  let mass = 0;
  for (const [key, share] of shares) {
    total += share * of(key);
    mass += share;
  }
  return mass > 0 ? total / mass : 0;
}
