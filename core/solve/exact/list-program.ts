/**
 * The best division into loads of a list: a linear relaxation tightened by triples (L18 of docs/solver.md), branches on the number of loads and on pairs of items
 * together or apart. Loads that no better division can hold are left out as the bound rises (L9), so that long lists are soon short.
 */
import TinyQueue from 'tinyqueue';
import { ascending, type Division, type Instance } from '../instance.ts';
import type { ListedLoads } from './listed-loads.ts';
import { ListRelaxation, nearlyWhole, type Branch, type Relaxed } from './list-relaxation.ts';
import { brokenTriples, type ListedUse } from './triples.ts';

/** Two items, ascending. */
type Pair = readonly [number, number];
const proven = 1e-6;
/** Rounds of looking for broken triples, at the top and below, and how many are taken in at a time. */
const rounds = { top: 30, below: 4 };
const triplesAtOnce = 25;
/** A round brings little that closes less of what is open than this share; so many of them are enough. */
const leastClosed = 0.02;
const mostIdle = 2;
/** A triple with a price nearer to nothing than this tightens nothing. */
const slack = 1e-6;
export class ListProgram {
  private readonly list: ListedLoads;
  private readonly inst: Instance;
  private best: Division;
  /** Those of its loads that are in the list. */
  private bestLoads: readonly number[];
  private enough = false;
  /** Bound of branches in which nothing is left to be decided. */
  private left = Infinity;
  /** Told the bound and the best cost as they move; answers true when that is enough. */
  onBound: ((lowerBound: number, cost: number) => boolean) | null = null;
  constructor(list: ListedLoads, inst: Instance, best: Division) {
    this.list = list;
    this.inst = inst;
    this.best = best;
    const isBest = new Set(best.loads.map((items) => ascending(items).join(',')));
    this.bestLoads = Array.from({ length: list.size }, (_, x) => x).filter((x) =>
      isBest.has(ascending(list.itemsOf(x)).join(',')),
    );
  }

  /** Look at up to so many branches, the lowest bound first; `worth` proves `bound`, from which the first begins. No division into loads of the list costs less than the bound returned. */
  run(nodes: number, worth: Float64Array, bound: number): { division: Division; lowerBound: number } {
    const all: Branch = {
      loads: Int32Array.from({ length: this.list.size }, (_, x) => x),
      heads: Int32Array.from(this.inst.items, (_, i) => i),
      mayWait: Uint8Array.from(this.inst.items, ({ waitCost }) => (waitCost < Infinity ? 1 : 0)),
      minLoads: 0,
      maxLoads: Infinity,
      triples: [],
      prices: { worth, triples: new Float64Array(0), perLoad: 0 },
      begin: this.bestLoads,
      bound,
    };
    const open = new TinyQueue<Branch>([all], (x, y) => x.bound - y.bound);
    for (let looked = 0; open.length > 0 && looked < nodes && !this.enough; looked++) {
      const branch = open.pop() as Branch;
      if (this.closed(branch.bound)) continue;
      for (const next of this.look(branch, looked === 0 ? rounds.top : rounds.below)) open.push(next);
      this.enough ||= this.onBound?.(this.boundOf(open), this.best.cost) === true;
    }
    return { division: this.best, lowerBound: this.boundOf(open) };
  }
  private boundOf(open: TinyQueue<Branch>): number {
    return Math.min(this.best.cost, this.left, open.peek()?.bound ?? Infinity);
  }
  private closed(bound: number): boolean {
    return bound >= this.best.cost - proven;
  }

  /** The branches that a branch leaves open. */
  private look(branch: Branch, rounds: number): Branch[] {
    let now = branch;
    let idle = 0;
    for (let round = 0; ; round++) {
      const relaxed = new ListRelaxation(this.list, this.inst, now).settle();
      const before = now.bound;
      now = this.after(now, relaxed);
      if (relaxed.integral && this.adopt(relaxed)) return [];
      if (this.closed(now.bound)) return [];
      idle = now.bound - before < leastClosed * (this.best.cost - now.bound) ? idle + 1 : 0;
      const broken =
        round >= rounds || idle === mostIdle
          ? []
          : brokenTriples(this.list, relaxed.used, this.inst.items.length, triplesAtOnce);
      if (broken.length === 0) return this.branches(now, relaxed);
      now = {
        ...now,
        triples: [...now.triples, ...broken],
        prices: {
          ...now.prices,
          triples: Float64Array.from([...now.prices.triples, ...broken.map(() => 0)]),
        },
      };
    }
  }
  /** The branch with what its relaxation tells: only loads that may still be in something better, only triples that matter. */
  private after(branch: Branch, { prices, reduced, bound: proved, used }: Relaxed): Branch {
    const bound = Math.max(branch.bound, proved);
    const open = this.best.cost - proved + proven;
    const loads = branch.loads.filter((_, x) => (reduced[x] as number) <= open);
    const matters = branch.triples.map((_, t) => (prices.triples[t] as number) < -slack);
    return {
      ...branch,
      bound,
      loads,
      triples: branch.triples.filter((_, t) => matters[t]),
      prices: { ...prices, triples: prices.triples.filter((_, t) => matters[t]) },
      begin: [...this.bestLoads, ...used.map(({ load }) => load)],
    };
  }
  /** A relaxation that washes only whole loads is a division, unless it leaves something out. */
  private adopt({ used, waiting }: Relaxed): boolean {
    const loads = used.map(({ load }) => this.list.itemsOf(load));
    const cost =
      used.reduce((t, { load }) => t + (this.list.costs[load] as number), 0) +
      waiting.reduce((t, { item }) => t + (this.inst.items[item]?.waitCost ?? Infinity), 0);
    const waits = waiting.map(({ item }) => item);
    const covered = new Set([...loads.flat(), ...waits]);
    if (covered.size < this.inst.items.length) return false;
    if (cost < this.best.cost - 1e-9) {
      this.best = { loads, waiting: waits, cost };
      this.bestLoads = used.map(({ load }) => load);
    }
    return true;
  }

  /** Fewer loads or more, then a pair together or apart, then an item that waits or is washed. */
  private branches(branch: Branch, { used, waiting }: Relaxed): Branch[] {
    const count = used.reduce((t, { share }) => t + share, 0);
    const floor = Math.floor(count + nearlyWhole);
    if (count - floor > 2 * nearlyWhole && branch.minLoads === 0 && branch.maxLoads === Infinity)
      return [
        { ...branch, maxLoads: floor },
        { ...branch, minLoads: floor + 1 },
      ];
    const pair = this.undecided(branch, used);
    if (pair) return [this.together(branch, pair), this.apart(branch, pair)];
    const half = waiting.find(({ share }) => share < 1 - nearlyWhole)?.item;
    if (half !== undefined)
      return [
        { ...branch, loads: branch.loads.filter((x) => !this.list.holds(x, half)) },
        { ...branch, mayWait: branch.mayWait.map((may, i) => (i === half ? 0 : may)) },
      ];
    this.left = Math.min(this.left, branch.bound);
    return [];
  }
  private together(branch: Branch, [a, b]: Pair): Branch {
    const { heads, mayWait } = branch;
    const worth = branch.prices.worth.slice();
    worth[a] = (worth[a] as number) + (worth[b] as number);
    worth[b] = 0;
    return {
      ...branch,
      loads: branch.loads.filter((x) => this.list.holds(x, a) === this.list.holds(x, b)),
      heads: heads.map((head) => (head === b ? a : head)),
      mayWait: mayWait.map((may, i) => (i === a || i === b ? 0 : may)),
      prices: { ...branch.prices, worth },
    };
  }
  private apart(branch: Branch, [a, b]: Pair): Branch {
    return { ...branch, loads: branch.loads.filter((x) => !this.list.holds(x, a) || !this.list.holds(x, b)) };
  }
  /** The pair of heads whose shared load is most undecided; null where none is. */
  private undecided({ heads }: Branch, used: readonly ListedUse[]): Pair | null {
    const n = heads.length;
    const shared = new Float64Array(n * n);
    for (const { load, share } of used) {
      const members = this.list.itemsOf(load).filter((i) => heads[i] === i);
      for (const a of members)
        for (const b of members) if (a < b) shared[a * n + b] = (shared[a * n + b] as number) + share;
    }
    let pick: Pair | null = null;
    let most = nearlyWhole;
    for (let a = 0; a < n; a++)
      for (let b = a + 1; b < n; b++) {
        const s = shared[a * n + b] as number;
        const undecided = Math.min(s, 1 - s);
        if (undecided > most + 1e-9) {
          most = undecided;
          pick = [a, b];
        }
      }
    return pick;
  }
}
