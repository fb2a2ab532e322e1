/** Loads that are all known: those that a better division could still use, written out in lists of numbers. They are told by the kinds of their items (L2 of docs/solver.md). */
export interface PooledLoad {
  /** Ascending, each as often as it is in the load. */
  kinds: readonly number[];
  cost: number;
}

export class ListedLoads {
  readonly size: number;
  readonly costs: Float64Array;
  /** Kinds one load after another, and where those of each begin. */
  private readonly members: Int32Array;
  private readonly starts: Int32Array;
  /** How often a kind is in a load: [load × kinds + kind]. */
  private readonly times: Uint8Array;
  private readonly kinds: number;
  /** `kinds` = how many there are in the group. */
  constructor(loads: readonly PooledLoad[], kinds: number) {
    this.size = loads.length;
    this.kinds = kinds;
    this.costs = Float64Array.from(loads, ({ cost }) => cost);
    this.starts = new Int32Array(loads.length + 1);
    this.members = new Int32Array(loads.reduce((t, load) => t + load.kinds.length, 0));
    this.times = new Uint8Array(loads.length * kinds);
    loads.forEach((load, x) => {
      const start = this.starts[x] as number;
      this.members.set(load.kinds, start);
      this.starts[x + 1] = start + load.kinds.length;
      for (const k of load.kinds) this.times[x * kinds + k] = (this.times[x * kinds + k] as number) + 1;
    });
  }
  kindsOf(load: number): number[] {
    return [...this.members.subarray(this.starts[load], this.starts[load + 1])];
  }
  /** How often the kind is in the load. */
  timesOf(load: number, kind: number): number {
    return this.times[load * this.kinds + kind] as number;
  }
  /** What a load costs above the worth of its items. */
  reducedCost(load: number, worth: Float64Array): number {
    const end = this.starts[load + 1] as number;
    let reduced = this.costs[load] as number;
    for (let k = this.starts[load] as number; k < end; k++) reduced -= worth[this.members[k] as number] as number;
    return reduced;
  }
}
