/** One group of pieces to be divided into loads and waiting. An item is one piece, or several that must stay together. */
import { seededBits } from '../units/random.ts';
import type { Basket } from '../price/basket.ts';
import { cheapest } from '../price/price.ts';
import { joined, PriceTable, type Hashes, type SetPrice } from './price-table.ts';

export interface Item {
  /** Ascending indices in the basket. */
  pieces: readonly number[];
  /** Cost of putting the item off; Infinity = it must be washed. */
  waitCost: number;
}
export interface Instance {
  basket: Basket;
  items: readonly Item[];
  /** 1 where two items may not share a load: [item × n + item]. */
  apart: Uint8Array;
}
/** Items told by nothing in whom they may share a load with are one class; what a class shuts out is a set of bits over the classes. */
export interface Classes {
  classOf: Int32Array;
  /** Words of 32 bits. */
  words: number;
  /** Bits of the classes that each class shuts out: [class × words + word]. */
  shuts: Int32Array;
}
export function classesOf({ items, apart }: Instance): Classes {
  const n = items.length;
  const known = new Map<string, number>();
  const first: number[] = [];
  const classOf = Int32Array.from(items, (_, i) => {
    const key = apart.subarray(i * n, (i + 1) * n).join('');
    const c = known.get(key) ?? first.push(i) - 1;
    known.set(key, c);
    return c;
  });
  const words = (first.length + 31) >> 5;
  const shuts = new Int32Array(first.length * words);
  first.forEach((i, c) =>
    first.forEach((j, d) => {
      if (apart[i * n + j]) shuts[c * words + (d >> 5)] = (shuts[c * words + (d >> 5)] as number) | (1 << (d & 31));
    }),
  );
  return { classOf, words, shuts };
}
export interface Division {
  /** Items of each load. */
  loads: number[][];
  waiting: number[];
  cost: number;
}

export const ascending = (xs: readonly number[]): number[] => [...xs].sort((a, b) => a - b);
export function piecesOf(items: readonly Item[], set: readonly number[]): number[] {
  const pieces: number[] = [];
  for (const i of set) for (const p of (items[i] as Item).pieces) pieces.push(p);
  return pieces.sort((a, b) => a - b);
}

/** Prices sets of pieces and remembers them under two hashes of their members. */
export class Pricer {
  readonly basket: Basket;
  private readonly known = new PriceTable();
  /** Of each piece. */
  private readonly members: readonly Hashes[];
  constructor(basket: Basket) {
    this.basket = basket;
    const next = seededBits(20_260_509);
    // 44 bits: sums of up to 512 members stay exact in a double.
    const own = basket.profiles.map((): Hashes => ({ key: (next() % 4096) * 4294967296 + next(), check: next() }));
    this.members = Array.from(basket.alike, (first) => own[first] as Hashes);
  }
  /** The two hashes of a set; those of a union of disjoint sets are `joined`. */
  hashes(pieces: readonly number[]): Hashes {
    return joined(pieces.map((p) => this.members[p] as Hashes));
  }
  /** Cost and setting of the cheapest way to wash these pieces in one load; Infinity when there is none. */
  price(pieces: readonly number[]): SetPrice {
    return this.priceOf(this.hashes(pieces), () => pieces);
  }
  /** The same for a set whose hashes are known; its pieces are only listed when it is new. */
  priceOf({ key, check }: Hashes, pieces: () => readonly number[]): SetPrice {
    return this.known.get(key, check) ?? this.remember(key, check, pieces());
  }
  /** Cost of a set if it has been priced before. */
  knownCost(key: number, check: number): number | undefined {
    return this.known.cost(key, check);
  }
  /** Only its cost. */
  costOf(key: number, check: number, pieces: () => readonly number[]): number {
    return this.known.cost(key, check) ?? this.remember(key, check, pieces()).cost;
  }
  private remember(key: number, check: number, pieces: readonly number[]): SetPrice {
    const fresh = cheapest(this.basket, pieces);
    this.known.set(key, check, fresh);
    return fresh;
  }
  cost(pieces: readonly number[]): number {
    return pieces.length === 0 ? 0 : this.price(pieces).cost;
  }
}

/** The division into these sets of items; what is in none waits. */
export function divisionOf({ items }: Instance, pricer: Pricer, sets: readonly (readonly number[])[]): Division {
  const washed = new Set(sets.flat());
  const waiting = items.flatMap((_, i) => (washed.has(i) ? [] : [i]));
  const cost =
    sets.reduce((t, set) => t + pricer.cost(piecesOf(items, set)), 0) +
    waiting.reduce((t, i) => t + (items[i]?.waitCost ?? Infinity), 0);
  return { loads: sets.map(ascending), waiting, cost };
}

export function makeInstance(
  basket: Basket,
  items: readonly Item[],
  alsoApart: readonly (readonly [number, number])[] = [],
): Instance {
  const n = items.length;
  const pieces = basket.profiles.length;
  const apart = new Uint8Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (i !== j && items[i]?.pieces.some((p) => items[j]?.pieces.some((q) => basket.clash[p * pieces + q])))
        apart[i * n + j] = 1;
    }
  for (const [i, j] of alsoApart) {
    apart[i * n + j] = 1;
    apart[j * n + i] = 1;
  }
  return { basket, items, apart };
}
export const fits = (inst: Instance, load: readonly number[], item: number): boolean => {
  const n = inst.items.length;
  for (const j of load) if (inst.apart[item * n + j]) return false;
  return true;
};
