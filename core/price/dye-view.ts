/** What the dyes of a set do to each other at a setting: whether a catcher is due, whether every pair is allowed, and the damage to expect. */
import { bleedLimits } from '../colour/bleed.ts';
import type { Product } from '../model/household.ts';
import type { Basket, GiverClass } from './basket.ts';
import { duty } from './bits.ts';
import { hasDuty, type Features } from './features.ts';
import { caughtFactor, rawDeltaE, type Transfer } from './transfer.ts';

export interface DyeView {
  catcher: Product | null;
  /** A catcher is due (and in the drum, where the house has one). */
  due: boolean;
  damage: number;
  worst: Transfer | null;
  allowed: boolean;
}

/**
 * Working memory of `dyeView`, owned by the basket and sized from it: per giver class the two strongest givers of the set looked at (a piece does
 * not tint itself, so its own class speaks with the second), and the classes present in it.
 */
export interface DyeScratch {
  first: Float64Array;
  second: Float64Array;
  firstPiece: Int32Array;
  present: number[];
}
export const dyeScratch = (giverClasses: number): DyeScratch => ({
  first: new Float64Array(giverClasses),
  second: new Float64Array(giverClasses),
  firstPiece: new Int32Array(giverClasses),
  present: [],
});

/**
 * Transfers of a set at a setting: is a catcher due, is every pair allowed, and what damage is to be expected (worst giver of each receiver). Givers of
 * one class (dye, depth, trust) differ only by their loose dye, so the strongest speaks for all. `caught` supposes a catcher, or that none is due.
 */
export function dyeView(
  b: Basket,
  pieces: readonly number[],
  f: Features,
  setting: number,
  shares: Float64Array,
  detailed: boolean,
  caught: boolean | null = null,
): DyeView {
  const { first, second, firstPiece, present } = b.dyeScratch;
  present.length = 0;
  for (const i of pieces) {
    const c = b.giverClass[i] as number;
    if (c < 0) continue;
    const strength =
      ((b.giverScore[i] as Float64Array)[setting] as number) * (shares[b.dyeGroup[i] as number] as number);
    if (!present.includes(c)) {
      present.push(c);
      first[c] = strength;
      firstPiece[c] = i;
      second[c] = 0;
    } else if (strength > (first[c] as number)) {
      second[c] = first[c] as number;
      first[c] = strength;
      firstPiece[c] = i;
    } else if (strength > (second[c] as number)) second[c] = strength;
  }
  const due = b.catcher !== null && (hasDuty(f, duty.catcher) || (caught !== false && passesWhite(b, pieces)));
  if (caught === false && due) return { catcher: null, due, damage: 0, worst: null, allowed: false };
  const catcher = (caught ?? due) ? b.catcher : null;
  let damage = 0;
  let worst: Transfer | null = null;
  for (const j of pieces) {
    const white = b.isWhite[j] === true;
    const limit = white ? bleedLimits.white : bleedLimits.coloured;
    let most = 0;
    let from = -1;
    for (const c of present) {
      const plain = rawOn(b, c, j);
      // Supposed without a catcher, the load is none where one would be due.
      if (caught === false && plain >= bleedLimits.white && b.catcher)
        return { catcher, due: true, damage: 0, worst: null, allowed: false };
      if (plain <= most && plain < limit) continue;
      const k = b.giverClasses[c] as GiverClass;
      const deltaE = catcher && k.caught && !white ? plain * bleedLimits.catcherFactor : plain;
      if (
        deltaE >= limit &&
        !(white ? k.earnedForWhite : k.earned) &&
        !acceptedByHand(b, pieces, setting, shares, c, j, limit, catcher !== null)
      )
        return { catcher, due, damage: 0, worst: null, allowed: false };
      if (deltaE > most) {
        most = deltaE;
        from = c;
      }
    }
    if (from < 0) continue;
    damage += dyeDamage(b, j, most);
    if (detailed && (!worst || most / limit > worst.deltaE / worst.limit)) {
      const giver =
        firstPiece[from] === j
          ? (pieces.find(
              (i) =>
                i !== j &&
                b.giverClass[i] === from &&
                (b.giverScore[i]?.[setting] ?? 0) * (shares[b.dyeGroup[i] as number] as number) === second[from],
            ) ?? j)
          : (firstPiece[from] as number);
      worst = { giver, receiver: j, deltaE: most, limit, white };
    }
  }
  return { catcher, due, damage, worst, allowed: true };
}
/** ΔE, before any catcher, of the strongest giver of a class on a receiver other than itself; of the set looked at last. */
function rawOn(b: Basket, c: number, j: number): number {
  const { first, second, firstPiece } = b.dyeScratch;
  const strength = (firstPiece[c] === j ? second[c] : first[c]) as number;
  return strength === 0
    ? 0
    : strength * ((b.uptake[(b.giverClasses[c] as GiverClass).dye] as Float64Array)[j] as number);
}
/** Whether some transfer of the set looked at last would show on white: a catcher is due. */
function passesWhite(b: Basket, pieces: readonly number[]): boolean {
  const { first, present } = b.dyeScratch;
  for (const c of present) {
    if (first[c] === 0) continue;
    for (const j of pieces) if (rawOn(b, c, j) >= bleedLimits.white) return true;
  }
  return false;
}
/** Every giver of the class that passes the limit on this receiver stands beside it by a confirmed decision. */
function acceptedByHand(
  b: Basket,
  pieces: readonly number[],
  setting: number,
  shares: Float64Array,
  giverClass: number,
  receiver: number,
  limit: number,
  caught: boolean,
): boolean {
  const { waived } = b;
  if (!waived) return false;
  return pieces.every(
    (i) =>
      i === receiver ||
      b.giverClass[i] !== giverClass ||
      waived[i * b.profiles.length + receiver] === 1 ||
      rawDeltaE(b, i, receiver, setting, shares) * (caught ? caughtFactor(b, i, receiver) : 1) < limit,
  );
}
/** Expected damage of one receiver, EUR before the weight. */
export const dyeDamage = (b: Basket, receiver: number, deltaE: number): number =>
  (b.dyeLossEur[receiver] as number) * deltaE * deltaE;
