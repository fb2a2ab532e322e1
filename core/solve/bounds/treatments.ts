/**
 * L16 of docs/solver.md. How a load can be treated at a setting: which product it gets, and whether a bleach brightens its whites. That follows from the cloth in it alone (what it
 * asks of a detergent, what it permits, a few duties and qualities), so that the cloths at hand tell which treatments a set can still come to.
 */
import type { Basket, PieceNumbers } from '../../price/basket.ts';
import { duty, quality } from '../../price/bits.ts';
import { noFeatures, type Features } from '../../price/features.ts';
import { helpersFor, noHelpers, productFor } from '../../price/product-choice.ts';
import type { Product } from '../../model/household.ts';

export interface Treatment {
  product: Product;
  bright: boolean;
}

/** Duties and qualities that the choice of a product and of a bleach looks at. */
const duties = [duty.dark, duty.noPowder, duty.noPod, duty.noBleach, duty.brighten, duty.noOxygen] as const;
const qualities = [quality.white, quality.chlorine] as const;
/** Places of the bits of a cloth: needs, classes not permitted, duties, qualities missing. What a set has is what any of its pieces has. */
const at = { refused: 10, duties: 18, missing: 24 } as const;
const refusedBits = 0xff;
const needBits = 0x3ff;

/** The cloth of a piece as bits; that of a set is that of any of its pieces (or). */
export function clothOf({ needs, permitted, duties: has, qualities: bears }: PieceNumbers): number {
  let cloth = needs | ((~permitted & refusedBits) << at.refused);
  duties.forEach((bit, x) => {
    if (has & bit) cloth |= 1 << (at.duties + x);
  });
  qualities.forEach((bit, x) => {
    if (!(bears & bit)) cloth |= 1 << (at.missing + x);
  });
  return cloth;
}
/** The features that the choice looks at, of a set with this cloth. */
const featuresOfCloth = (cloth: number): Features => ({
  ...noFeatures(),
  needs: cloth & needBits,
  permitted: ~(cloth >> at.refused) & refusedBits,
  duties: duties.reduce((bits, bit, x) => (cloth & (1 << (at.duties + x)) ? bits | bit : bits), 0),
  qualities: qualities.reduce((bits, bit, x) => (cloth & (1 << (at.missing + x)) ? bits : bits | bit), 0),
});

/** Treatments beyond this many share the last bit: less is then known of them, which only lets more in. */
const mostTreatments = 30;
/** The bit of a treatment by its place in the list. */
export const bitOf = (x: number): number => 1 << Math.min(mostTreatments, x);
/** Of more mixes of cloth than this it is not asked which treatments they can still come to. */
const mostMixes = 20_000;
/** Every treatment. */
export const anyTreatment = -1;

export class Treatments {
  /** In the order in which the cloths, and mixes of them, come to them. */
  readonly list: Treatment[] = [];
  private readonly b: Basket;
  private readonly setting: number;
  private readonly cloths: readonly number[];
  /** Of each mix of cloth: its treatment as a bit, 0 where no product suits; and the bits of what larger sets come to. */
  private readonly own = new Map<number, number>();
  private readonly later = new Map<number, number>();

  /** `setting` = index in the basket; `cloths` = those of the pieces that may run there. */
  constructor(b: Basket, setting: number, cloths: Iterable<number>) {
    this.b = b;
    this.setting = setting;
    this.cloths = [...new Set(cloths)];
    for (const cloth of this.cloths) this.reach(cloth);
  }
  /** The bit of the treatment of a set with this cloth; 0 where no product suits it. */
  of(cloth: number): number {
    const known = this.own.get(cloth);
    if (known !== undefined) return known;
    const fresh = this.found(cloth);
    this.own.set(cloth, fresh);
    return fresh;
  }
  private found(cloth: number): number {
    const s = this.b.settings[this.setting];
    if (!s) return 0;
    const f = featuresOfCloth(cloth);
    const product = productFor(this.b, f, s, this.setting);
    if (!product) return 0;
    const { bright } = s.method === 'machine' ? helpersFor(this.b, f, s, product) : noHelpers;
    const x = this.list.findIndex((t) => t.product === product && t.bright === bright);
    return bitOf(x >= 0 ? x : this.list.push({ product, bright }) - 1);
  }
  /** The bits of the treatments that a set with this cloth, or one that others have joined, can have. */
  reach(cloth: number): number {
    const known = this.later.get(cloth);
    if (known !== undefined) return known;
    if (this.later.size >= mostMixes) return anyTreatment;
    // Joining adds bits, so that no mix is met again on its own way.
    let bits = this.of(cloth);
    for (const other of this.cloths) if ((cloth | other) !== cloth) bits |= this.reach(cloth | other);
    this.later.set(cloth, bits);
    return bits;
  }
  /**
   * What a set must hold to be treated so, each as a test of a piece's cloth: bits of cloth that every mix with this treatment has, and one of the cloths
   * that ask for it by themselves, where no mix of others has it. `cloths` = those that may be in it.
   */
  conditions(treatment: number, cloths: readonly number[]): ((cloth: number) => boolean)[] {
    const mixes = mixesOf(cloths);
    if (mixes === null) return [];
    const treated = mixes.filter((mix) => this.of(mix) === treatment);
    const common = treated.reduce((bits, mix) => bits & mix, -1);
    const conditions: ((cloth: number) => boolean)[] = [];
    for (let bit = 1; bit !== 0 && bit <= common; bit <<= 1)
      // What every cloth has asks for nothing.
      if (common & bit && cloths.some((cloth) => !(cloth & bit))) conditions.push((cloth) => (cloth & bit) !== 0);
    const asking = new Set(cloths.filter((cloth) => this.of(cloth) === treatment));
    if (asking.size === 0 || asking.size === cloths.length) return conditions;
    const others = mixesOf(cloths.filter((cloth) => !asking.has(cloth)));
    if (others?.every((mix) => this.of(mix) !== treatment)) conditions.push((cloth) => asking.has(cloth));
    return conditions;
  }
}

/** Every mix of some cloths; null where they are too many. */
function mixesOf(cloths: readonly number[]): number[] | null {
  const met = new Set<number>(cloths);
  for (const mix of met) {
    for (const cloth of cloths) met.add(mix | cloth);
    if (met.size > mostMixes) return null;
  }
  return [...met];
}
