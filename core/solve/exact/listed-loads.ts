/** Loads that are all known: those that a better division could still use, written out in lists of numbers. */
export interface PooledLoad {
  items: readonly number[];
  cost: number;
}

export class ListedLoads {
  readonly size: number;
  readonly costs: Float64Array;
  /** Items one load after another, and where those of each begin. */
  private readonly members: Int32Array;
  private readonly starts: Int32Array;
  /** Items as bits: [load × words + word]. */
  private readonly bits: Int32Array;
  private readonly words: number;
  /** `items` = how many there are in the group. */
  constructor(loads: readonly PooledLoad[], items: number) {
    this.size = loads.length;
    this.words = (items + 31) >> 5;
    this.costs = Float64Array.from(loads, ({ cost }) => cost);
    this.starts = new Int32Array(loads.length + 1);
    this.members = new Int32Array(loads.reduce((t, load) => t + load.items.length, 0));
    this.bits = new Int32Array(loads.length * this.words);
    loads.forEach((load, x) => {
      const start = this.starts[x] as number;
      this.members.set(load.items, start);
      this.starts[x + 1] = start + load.items.length;
      for (const i of load.items) {
        const word = x * this.words + (i >> 5);
        this.bits[word] = (this.bits[word] as number) | (1 << (i & 31));
      }
    });
  }
  itemsOf(load: number): number[] {
    return [...this.members.subarray(this.starts[load], this.starts[load + 1])];
  }
  /** 1 where the load holds the item. */
  holds(load: number, item: number): number {
    return ((this.bits[load * this.words + (item >> 5)] as number) >>> (item & 31)) & 1;
  }
  /** What a load costs above the worth of its items. */
  reducedCost(load: number, worth: Float64Array): number {
    const end = this.starts[load + 1] as number;
    let reduced = this.costs[load] as number;
    for (let k = this.starts[load] as number; k < end; k++) reduced -= worth[this.members[k] as number] as number;
    return reduced;
  }
}
