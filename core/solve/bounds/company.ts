/** Who shares a load with whom at a setting, and what the dyes of a growing load do to those who could still join it. */
import { bleedLimits } from '../../colour/bleed.ts';
import type { Basket } from '../../price/basket.ts';
import { duty } from '../../price/bits.ts';
import { companyHarm } from '../../price/company-price.ts';
import { dyeDamage } from '../../price/dye-view.ts';
import type { Setting } from '../../price/settings.ts';
import { caughtFactor, transferAllowed } from '../../price/transfer.ts';
import type { Instance } from '../instance.ts';

/** Sets of items as words of 32 bits. */
export const wordsFor = (n: number): number => (n + 31) >> 5;

export interface Company {
  /** Bit j of row i: items i and j can never share a load at this setting. */
  exclusive: Int32Array;
  /** Least harm (dye, grey, soil), in the price, that item i does to item j: [i × n + j]. Infinity where they exclude each other. */
  damage: Float64Array;
}

/** Bulk beside what suffers from it, in a drum. */
function beats(b: Basket, s: Setting, bulky: readonly number[], tender: readonly number[]): boolean {
  const has = (pieces: readonly number[], bit: number): boolean =>
    pieces.some((p) => ((b.pieces[p]?.duties ?? 0) & bit) !== 0);
  return s.method === 'machine' && has(bulky, duty.bulk) && has(tender, duty.bulkSuffers);
}

/**
 * Least harm of one item to another's pieces, EUR in the price: its dyes, even without more of the same dye, its grey and its soil; Infinity where a
 * rule refuses them, or a catcher is supposed not to be due.
 */
function harmOf(
  b: Basket,
  s: Setting,
  givers: readonly number[],
  receivers: readonly number[],
  index: number,
  caught: boolean,
): number {
  if (beats(b, s, givers, receivers) || beats(b, s, receivers, givers)) return Infinity;
  let damage = 0;
  for (const r of receivers) {
    let most = 0;
    for (const g of givers) {
      const dye = b.dyeIndex[g] ?? -1;
      if (dye < 0) continue;
      const share = Math.sqrt(Math.min(1, (b.donorKg[g] ?? 0) / bleedLimits.referenceLoadKg));
      const deltaE =
        (b.giverScore[g]?.[index] ?? 0) * share * (b.uptake[dye]?.[r] ?? 0) * (caught ? caughtFactor(b, g, r) : 1);
      if (!transferAllowed(b, g, r, deltaE) || (b.catcher && !caught && deltaE >= bleedLimits.white)) return Infinity;
      most = Math.max(most, deltaE);
    }
    damage += b.weights.dyeDamage * dyeDamage(b, r, most);
  }
  for (const r of receivers) {
    const joining = b.pieces[r];
    if (!joining) continue;
    let most = 0;
    for (const g of givers) {
      const giver = b.pieces[g];
      if (giver) most = Math.max(most, companyHarm(giver, joining, s));
    }
    damage += most;
  }
  return damage;
}
export function companyAt({ basket: b, items, apart }: Instance, index: number, caught: boolean): Company {
  const n = items.length;
  const s = b.settings[index];
  const words = wordsFor(n);
  const damage = new Float64Array(n * n);
  const exclusive = new Int32Array(n * words);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      if (i !== j)
        damage[i * n + j] =
          apart[i * n + j] || !s
            ? Infinity
            : harmOf(b, s, items[i]?.pieces ?? [], items[j]?.pieces ?? [], index, caught);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (damage[i * n + j] === Infinity || damage[j * n + i] === Infinity)
        exclusive[i * words + (j >> 5)] = (exclusive[i * words + (j >> 5)] ?? 0) | (1 << (j & 31));
    }
  return { exclusive, damage };
}

/** The dye a load has let go so far: strongest giver and donor mass of each dye group, and what each piece would take up of it at least. */
export class Tint {
  private readonly b: Basket;
  private readonly donorKg: Float64Array;
  private readonly strongest: Float64Array;
  /** The piece that is the strongest giver of its group, and how strong the others are: a piece does not tint itself. */
  private readonly strongestPiece: Int32Array;
  private readonly second: Float64Array;
  /** Root of the donor share of each dye group, as prices ask for it. */
  readonly shares: Float64Array;
  /** ΔE each piece of the basket would take at least. */
  private readonly taken: Float64Array;
  constructor(b: Basket) {
    this.b = b;
    this.donorKg = new Float64Array(b.dyeGroups);
    this.strongest = new Float64Array(b.dyeGroups);
    this.strongestPiece = new Int32Array(b.dyeGroups).fill(-1);
    this.second = new Float64Array(b.dyeGroups);
    this.shares = new Float64Array(b.dyeGroups);
    this.taken = new Float64Array(b.pieces.length);
  }
  /** The tint of a load with some pieces more; true when it grew. */
  grow(from: Tint, pieces: readonly number[], index: number, caught: boolean): boolean {
    const { b } = this;
    this.donorKg.set(from.donorKg);
    this.strongest.set(from.strongest);
    this.strongestPiece.set(from.strongestPiece);
    this.second.set(from.second);
    this.shares.set(from.shares);
    this.taken.set(from.taken);
    let grew = false;
    for (const p of pieces) {
      const g = b.dyeGroup[p] ?? -1;
      if (g < 0) continue;
      this.donorKg[g] = (this.donorKg[g] as number) + (b.donorKg[p] as number);
      this.shares[g] = Math.sqrt(Math.min(1, this.donorKg[g] / bleedLimits.referenceLoadKg));
      const score = (b.giverScore[p]?.[index] ?? 0) * (caught && b.caught[p] ? bleedLimits.catcherFactor : 1);
      if (score > (this.strongest[g] as number)) {
        this.second[g] = this.strongest[g] as number;
        this.strongest[g] = score;
        this.strongestPiece[g] = p;
      } else this.second[g] = Math.max(this.second[g] as number, score);
      const tint = (this.strongest[g] as number) * this.shares[g];
      if (tint === 0) continue;
      grew = true;
      const uptake = b.uptake[b.dyeOfGroup[g] as number];
      if (uptake)
        for (let r = 0; r < this.taken.length; r++)
          this.taken[r] = Math.max(this.taken[r] as number, tint * (uptake[r] as number));
    }
    return grew;
  }
  /**
   * Damage to the pieces of the load that each further kg of a dye group does at least, in the price. ΔE grows with the root of the donor mass, damage
   * with its square: in a straight line with the mass, up to the reference mass. Every receiver is counted with the group that tints it most.
   */
  ratesOn(set: readonly number[], rates: Float64Array): void {
    const { b, strongest, strongestPiece, second, shares } = this;
    rates.fill(0);
    for (const r of set) {
      let most = 0;
      let from = -1;
      for (let g = 0; g < strongest.length; g++) {
        const score = (r === strongestPiece[g] ? second[g] : strongest[g]) as number;
        if (score === 0) continue;
        const deltaE = score * (shares[g] as number) * (b.uptake[b.dyeOfGroup[g] as number]?.[r] ?? 0);
        if (deltaE > most) {
          most = deltaE;
          from = g;
        }
      }
      if (from < 0 || (shares[from] as number) >= 1) continue;
      const atReference = most / (shares[from] as number);
      rates[from] =
        (rates[from] as number) + (b.weights.dyeDamage * dyeDamage(b, r, atReference)) / bleedLimits.referenceLoadKg;
    }
  }
  /** Share of each group's further mass that still counts when all of `wantedKg` joins. */
  countedShare(group: number, wantedKg: number): number {
    const roomKg = Math.max(0, bleedLimits.referenceLoadKg - (this.donorKg[group] as number));
    return wantedKg <= roomKg ? 1 : roomKg / wantedKg;
  }

  /** Least damage, in the price, that the load does to these pieces if they join it. */
  damageTo(pieces: readonly number[]): number {
    let damage = 0;
    for (const r of pieces) if ((this.taken[r] as number) > 0) damage += dyeDamage(this.b, r, this.taken[r] as number);
    return damage * this.b.weights.dyeDamage;
  }
}
