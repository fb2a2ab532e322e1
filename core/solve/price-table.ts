/** Prices of sets under two hashes of their members: hundreds of thousands in a large basket, held in lists of numbers. */

/** A set of pieces by two hashes, each the sum of its members': one of up to 53 bits, one of 32. Pieces alike have the same, so that their sets share a price. */
export interface Hashes {
  key: number;
  check: number;
}
/** Of two sets that have no member in common. */
export const both = (a: Hashes, b: Hashes): Hashes => ({ key: a.key + b.key, check: (a.check + b.check) >>> 0 });
/** Of several. */
export function joined(sets: Iterable<Hashes>): Hashes {
  let key = 0;
  let check = 0;
  for (const set of sets) {
    key += set.key;
    check = (check + set.check) >>> 0;
  }
  return { key, check };
}
/** Cost of a set, EUR, Infinity where no setting takes it; and its best setting, −1 where there is none. */
export interface SetPrice {
  cost: number;
  setting: number;
}

const firstPlaces = 1_024;
/** The table grows when it is fuller than this. */
const fullest = 0.6;
/** No set has this key. */
const free = -1;

export class PriceTable {
  private places = firstPlaces;
  private count = 0;
  private keys = new Float64Array(firstPlaces).fill(free);
  private checks = new Uint32Array(firstPlaces);
  private costs = new Float64Array(firstPlaces);
  private settings = new Int16Array(firstPlaces);

  /** Where a set is or would be: the check spreads evenly by itself, full places are passed over. */
  private placeOf(key: number, check: number): number {
    const { keys, checks, places } = this;
    let at = check & (places - 1);
    while (keys[at] !== free && (keys[at] !== key || checks[at] !== check)) at = (at + 1) & (places - 1);
    return at;
  }
  /** Cost of a set; undefined where it is not known. */
  cost(key: number, check: number): number | undefined {
    const at = this.placeOf(key, check);
    return this.keys[at] === free ? undefined : this.costs[at];
  }
  get(key: number, check: number): SetPrice | undefined {
    const at = this.placeOf(key, check);
    if (this.keys[at] === free) return undefined;
    return { cost: this.costs[at] as number, setting: this.settings[at] as number };
  }
  set(key: number, check: number, { cost, setting }: SetPrice): void {
    if (this.count > fullest * this.places) this.grow();
    const at = this.placeOf(key, check);
    if (this.keys[at] === free) this.count++;
    this.keys[at] = key;
    this.checks[at] = check;
    this.costs[at] = cost;
    this.settings[at] = setting;
  }
  private grow(): void {
    const { keys, checks, costs, settings } = this;
    this.places *= 2;
    this.keys = new Float64Array(this.places).fill(free);
    this.checks = new Uint32Array(this.places);
    this.costs = new Float64Array(this.places);
    this.settings = new Int16Array(this.places);
    keys.forEach((key, x) => {
      if (key === free) return;
      const at = this.placeOf(key, checks[x] as number);
      this.keys[at] = key;
      this.checks[at] = checks[x] as number;
      this.costs[at] = costs[x] as number;
      this.settings[at] = settings[x] as number;
    });
  }
}
