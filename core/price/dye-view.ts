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
 * Working memory of the dyes of a set, owned by the basket and sized from it: per giver class the two strongest givers of the set looked at (a piece
 * does not tint itself, so its own class speaks with the second), and the classes present in it; per place in the set the strongest ΔE there, without
 * a catcher and with one; and what follows for the set, without a catcher and with one.
 */
export interface DyeScratch {
  first: Float64Array;
  second: Float64Array;
  firstPiece: Int32Array;
  present: number[];
  /** Root of the donor share by dye group, for whoever keeps none of his own. */
  shares: Float64Array;
  most: Float64Array;
  mostCaught: Float64Array;
  passesWhite: boolean;
  allowed: boolean;
  damage: number;
  allowedCaught: boolean;
  damageCaught: number;
}
export const dyeScratch = (giverClasses: number, dyeGroups: number, pieces: number): DyeScratch => ({
  first: new Float64Array(giverClasses),
  second: new Float64Array(giverClasses),
  firstPiece: new Int32Array(giverClasses),
  present: [],
  shares: new Float64Array(dyeGroups),
  most: new Float64Array(pieces),
  mostCaught: new Float64Array(pieces),
  passesWhite: false,
  allowed: true,
  damage: 0,
  allowedCaught: true,
  damageCaught: 0,
});

/** The strongest givers of each class in the set, at a setting. */
function gatherGivers(b: Basket, pieces: readonly number[], setting: number, shares: Float64Array): void {
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
}
/**
 * Both answers at once, without a catcher and with one, into the working memory: whether some transfer would show on white, whether every pair is
 * allowed, and the damage to expect (the worst giver of each receiver). Givers of one class (dye, depth, trust) differ only by their loose dye, so the
 * strongest speaks for all.
 */
export function weighDyes(b: Basket, pieces: readonly number[], setting: number, shares: Float64Array): DyeScratch {
  const d = b.dyeScratch;
  const { first, second, firstPiece, present, most, mostCaught } = d;
  gatherGivers(b, pieces, setting, shares);
  d.passesWhite = false;
  d.allowed = true;
  d.damage = 0;
  d.allowedCaught = true;
  d.damageCaught = 0;
  if (present.length === 0) return d;
  most.fill(0, 0, pieces.length);
  mostCaught.fill(0, 0, pieces.length);
  for (const c of present) {
    const giver = b.giverClasses[c] as GiverClass;
    const uptake = b.uptake[giver.dye] as Float64Array;
    const strongest = first[c] as number;
    if (strongest === 0) continue;
    for (let at = 0; at < pieces.length; at++) {
      const j = pieces[at] as number;
      const plain = ((firstPiece[c] === j ? second[c] : strongest) as number) * (uptake[j] as number);
      if (plain === 0) continue;
      const white = b.isWhite[j] === true;
      const limit = white ? bleedLimits.white : bleedLimits.coloured;
      const caught = giver.caught && !white ? plain * bleedLimits.catcherFactor : plain;
      if (plain >= bleedLimits.white) d.passesWhite = true;
      if (plain >= limit && !(white ? giver.earnedForWhite : giver.earned)) {
        d.allowed &&= acceptedByHand(b, pieces, setting, shares, c, j, limit, false);
        if (caught >= limit) d.allowedCaught &&= acceptedByHand(b, pieces, setting, shares, c, j, limit, true);
        if (!d.allowed && !d.allowedCaught) return d;
      }
      if (plain > (most[at] as number)) most[at] = plain;
      if (caught > (mostCaught[at] as number)) mostCaught[at] = caught;
    }
  }
  for (let at = 0; at < pieces.length; at++) {
    d.damage += dyeDamage(b, pieces[at] as number, most[at] as number);
    d.damageCaught += dyeDamage(b, pieces[at] as number, mostCaught[at] as number);
  }
  return d;
}

/**
 * Transfers of a set at a setting: is a catcher due, is every pair allowed, and what damage is to be expected. `caught` supposes a catcher, or that none
 * is due; supposed without one, a load in which one would be due is none.
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
  const d = weighDyes(b, pieces, setting, shares);
  const due = b.catcher !== null && (hasDuty(f, duty.catcher) || d.passesWhite);
  const catcher = (caught ?? due) ? b.catcher : null;
  const allowed = (catcher ? d.allowedCaught : d.allowed) && !(caught === false && due);
  if (!allowed) return { catcher, due, damage: 0, worst: null, allowed };
  const worst = detailed ? worstTransfer(b, pieces, setting, shares, catcher !== null) : null;
  return { catcher, due, damage: catcher ? d.damageCaught : d.damage, worst, allowed };
}
/** The transfer nearest to its limit, of the set looked at last. */
export function worstTransfer(
  b: Basket,
  pieces: readonly number[],
  setting: number,
  shares: Float64Array,
  caught: boolean,
): Transfer | null {
  const { first, second, firstPiece, present } = b.dyeScratch;
  let worst: Transfer | null = null;
  for (const receiver of pieces)
    for (const c of present) {
      const own = firstPiece[c] === receiver;
      const strength = (own ? second[c] : first[c]) as number;
      const { dye, caught: catches } = b.giverClasses[c] as GiverClass;
      const white = b.isWhite[receiver] === true;
      const limit = white ? bleedLimits.white : bleedLimits.coloured;
      const plain = strength * ((b.uptake[dye] as Float64Array)[receiver] as number);
      const deltaE = caught && catches && !white ? plain * bleedLimits.catcherFactor : plain;
      if (deltaE === 0 || (worst && deltaE / limit <= worst.deltaE / worst.limit)) continue;
      const asStrong = (i: number): boolean =>
        i !== receiver &&
        b.giverClass[i] === c &&
        (b.giverScore[i]?.[setting] ?? 0) * (shares[b.dyeGroup[i] as number] as number) === strength;
      const giver = own ? (pieces.find(asStrong) ?? receiver) : (firstPiece[c] as number);
      worst = { giver, receiver, deltaE, limit, white };
    }
  return worst;
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
