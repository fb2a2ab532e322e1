/** How often a person really wears a kind of thing before it is washed. */
import { clamp, midMean } from '../units/numbers.ts';

/** Newest stretches between two washes that count, and how many it takes. */
const newest = 12;
export const wearsNeeded = 4;
/** Limits of what a habit may say against the usual number. */
const leastShare = 0.5;
const mostShare = 2;
/** What is worn once is washed: underwear, socks and sportswear have no habit. */
const onceWorn = 1;

/**
 * Wears before a wash, from the stretches between washes, newest first; null where it is washed after every wear, or too little was seen.
 * @example learntWears(4, [6, 7, 6, 5]) // 6
 */
export function learntWears(book: number, newestFirst: readonly number[]): number | null {
  const counted = newestFirst.filter((n) => n > 0).slice(0, newest);
  if (book <= onceWorn || counted.length < wearsNeeded) return null;
  return clamp(midMean(counted), leastShare * book, mostShare * book);
}
