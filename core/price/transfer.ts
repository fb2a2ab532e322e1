/** Predicted dye transfer within a load (H3): who would tint whom, and what a catcher changes. */
import { bleedLimits } from '../colour/bleed.ts';
import type { Basket } from './basket.ts';

export interface Transfer {
  giver: number;
  receiver: number;
  deltaE: number;
  limit: number;
  white: boolean;
}

/** Root of the donor share of each dye group in a set: √(kg / 2 kg), at most 1. A print or trim gives with a fifth of its piece. `into` is overwritten. */
export function donorShares(b: Basket, pieces: readonly number[], into?: Float64Array): Float64Array {
  const shares = into?.fill(0) ?? new Float64Array(b.dyeGroups);
  for (const i of pieces) {
    const g = b.dyeGroup[i] ?? -1;
    if (g >= 0) shares[g] = (shares[g] ?? 0) + (b.donorKg[i] ?? 0);
  }
  for (let g = 0; g < shares.length; g++)
    shares[g] = Math.sqrt(Math.min(1, (shares[g] ?? 0) / bleedLimits.referenceLoadKg));
  return shares;
}

/** ΔE of one ordered pair at a setting, before any catcher. */
export function rawDeltaE(b: Basket, giver: number, receiver: number, setting: number, shares: Float64Array): number {
  const dye = b.dyeIndex[giver] ?? -1;
  if (dye < 0) return 0;
  return (
    (b.giverScore[giver]?.[setting] ?? 0) * (b.uptake[dye]?.[receiver] ?? 0) * (shares[b.dyeGroup[giver] ?? -1] ?? 0)
  );
}
/** What a catcher in the drum leaves of it. */
export const caughtFactor = (b: Basket, giver: number, receiver: number): number =>
  b.caught[giver] && !b.isWhite[receiver] ? bleedLimits.catcherFactor : 1;
const limitFor = (b: Basket, receiver: number): number =>
  b.isWhite[receiver] ? bleedLimits.white : bleedLimits.coloured;
/** Allowed below the limit, or where the giver has earned trust with such a receiver. */
export const transferAllowed = (b: Basket, giver: number, receiver: number, deltaE: number): boolean =>
  deltaE < limitFor(b, receiver) || ((b.isWhite[receiver] ? b.earnedForWhite[giver] : b.earned[giver]) ?? false);

/** Every ordered pair of a load at a setting. */
export function transfers(b: Basket, pieces: readonly number[], setting: number, withCatcher: boolean): Transfer[] {
  const shares = donorShares(b, pieces);
  const out: Transfer[] = [];
  for (const giver of pieces)
    for (const receiver of pieces) {
      if (giver === receiver || (b.dyeIndex[giver] ?? -1) < 0) continue;
      const deltaE =
        rawDeltaE(b, giver, receiver, setting, shares) * (withCatcher ? caughtFactor(b, giver, receiver) : 1);
      out.push({ giver, receiver, deltaE, limit: limitFor(b, receiver), white: b.isWhite[receiver] ?? false });
    }
  return out;
}
