/** How much the dyes of this household's things really run, against the book. */
import { clamp, sum } from '../units/numbers.ts';

/** The first reading of a piece: the odds its dye had, and whether it ran. */
export interface FirstReading {
  odds: number;
  ran: boolean;
}
/** As many expected bleeders as the book counts for. */
const bookWeight = 2;
export const readingsNeeded = 3;
const limits = { least: 0.5, most: 2 } as const;

/**
 * Loose dye against the book, from first readings; null = too few. Readings of one piece after the first are about that piece, and count there.
 * @example learntDye([{ odds: 0.5, ran: true }, { odds: 0.5, ran: true }, { odds: 0.5, ran: true }]) // 1.43
 */
export function learntDye(readings: readonly FirstReading[]): number | null {
  if (readings.length < readingsNeeded) return null;
  const expected = sum(readings.map((r) => r.odds));
  const ran = readings.filter((r) => r.ran).length;
  return clamp((bookWeight + ran) / (bookWeight + expected), limits.least, limits.most);
}
