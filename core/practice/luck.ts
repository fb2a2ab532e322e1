/** Luck from a seed: every piece has its own draw for everything that may happen to it, the same whatever else was decided. */
import { seededBits } from '../units/random.ts';

/** A number in [0, 1) for a thing that may happen, by its name. */
export type Luck = (what: string) => number;

/** FNV-1a over the characters. */
function hash(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}
/**
 * @example luckOf(7)('jumper/shrink') === luckOf(7)('jumper/shrink') // true
 */
export const luckOf =
  (seed: number): Luck =>
  (what) => {
    const bits = seededBits((hash(what) ^ Math.imul(seed, 0x9e3779b1)) >>> 0);
    bits();
    return bits() / 4294967296;
  };

/** Coefficients of Acklam's rational approximation of the normal quantile (relative error below 1.2e-9). */
const a = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
];
const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572];
const c = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
];
const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];
const tail = 0.02425;
const polynomial = (xs: readonly number[], at: number): number => xs.reduce((t, x) => t * at + x, 0);

/** Standard normal deviate below which a share `u` of all lie, 0 < u < 1. */
export function normalQuantile(u: number): number {
  const p = Math.min(1 - 1e-12, Math.max(1e-12, u));
  if (p < tail || p > 1 - tail) {
    const q = Math.sqrt(-2 * Math.log(Math.min(p, 1 - p)));
    const z = polynomial(c, q) / (polynomial(d, q) * q + 1);
    return p < tail ? z : -z;
  }
  const q = p - 0.5;
  const r = q * q;
  return (polynomial(a, r) * q) / (polynomial(b, r) * r + 1);
}
/** What a prediction comes out as: a log-normal draw around it, `spread` = standard deviation of the logarithm. */
export const drawn = (predicted: number, u: number, spread: number): number =>
  predicted * Math.exp(spread * normalQuantile(u));
