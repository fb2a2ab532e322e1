/**
 * The best division into loads of a list: a linear relaxation tightened by rules on threes and halves (L18 of docs/solver.md), branches on how many loads there are and how many
 * hold a pair of kinds. Loads that no better division can hold are left out as the bound rises (L9), so that long lists are soon short.
 */
import TinyQueue from 'tinyqueue';
import { brokenRules, undecided } from './limits.ts';
import type { ListedLoads } from './listed-loads.ts';
import { ListRelaxation, nearlyWhole, type Branch, type Counted, type Relaxed } from './list-relaxation.ts';

/** Loads by their kinds; what is in none waits. */
export interface KindDivision {
  loads: readonly (readonly number[])[];
  cost: number;
}

/** Branches looked at, and loads of theirs in all: of a short list more branches are looked at in the same time. */
export interface ListEffort {
  branches: number;
  looks: number;
}

const proven = 1e-6;
/** Rounds of looking for broken rules, at the top and below, and how many are taken in at a time. */
const rounds = { top: 30, below: 4 };
const rulesAtOnce = 25;
/** A round brings little that closes less of what is open than this share; so many of them are enough. */
const leastClosed = 0.02;
const mostIdle = 2;
/** A rule with a price nearer to nothing than this tightens nothing. */
const slack = 1e-6;

export class ListProgram {
  private readonly list: ListedLoads;
  private readonly counted: Counted;
  private best: KindDivision;
  /** Those of its loads that are in the list. */
  private bestLoads: readonly number[];
  private enough = false;
  /** Bound of branches in which nothing is left to be decided. */
  private left = Infinity;
  /** Told the bound and the best cost as they move; answers true when that is enough. */
  onBound: ((lowerBound: number, cost: number) => boolean) | null = null;
  constructor(list: ListedLoads, counted: Counted, best: KindDivision) {
    this.list = list;
    this.counted = counted;
    this.best = best;
    const isBest = new Set(best.loads.map((kinds) => kinds.join(',')));
    this.bestLoads = Array.from({ length: list.size }, (_, x) => x).filter((x) =>
      isBest.has(list.kindsOf(x).join(',')),
    );
  }

  /** Look at up to so many branches, and so many loads of theirs in all, the lowest bound first; `worth` of the kinds proves `bound`, from which the first begins. No division into loads of the list costs less than the bound returned. */
  run(
    { branches, looks }: ListEffort,
    worth: Float64Array,
    bound: number,
  ): { division: KindDivision; lowerBound: number } {
    const all: Branch = {
      loads: Int32Array.from({ length: this.list.size }, (_, x) => x),
      limits: [],
      prices: { worth, limits: new Float64Array(0) },
      begin: this.bestLoads,
      bound,
    };
    const open = new TinyQueue<Branch>([all], (x, y) => x.bound - y.bound);
    let loads = 0;
    for (let looked = 0; open.length > 0 && looked < branches && loads <= looks && !this.enough; looked++) {
      const branch = open.pop() as Branch;
      if (this.closed(branch.bound)) continue;
      loads += branch.loads.length;
      const told = (bound: number): boolean => {
        this.enough ||= this.onBound?.(Math.min(bound, this.boundOf(open)), this.best.cost) === true;
        return this.enough;
      };
      for (const next of this.look(branch, looked === 0 ? rounds.top : rounds.below, told)) open.push(next);
      told(Infinity);
    }
    return { division: this.best, lowerBound: this.boundOf(open) };
  }
  private boundOf(open: TinyQueue<Branch>): number {
    return Math.min(this.best.cost, this.left, open.peek()?.bound ?? Infinity);
  }
  private closed(bound: number): boolean {
    return bound >= this.best.cost - proven;
  }

  /** The branches that a branch leaves open; itself, as far as it got, where `told` answers that it is enough. */
  private look(branch: Branch, rounds: number, told: (bound: number) => boolean): Branch[] {
    let now = branch;
    let idle = 0;
    for (let round = 0; ; round++) {
      const relaxed = new ListRelaxation(this.list, this.counted, now).settle();
      const before = now.bound;
      if (relaxed.integral && this.adopt(relaxed)) return [];
      now = this.after(now, relaxed);
      if (this.closed(now.bound)) return [];
      if (told(now.bound)) return [now];
      idle = now.bound - before < leastClosed * (this.best.cost - now.bound) ? idle + 1 : 0;
      const broken =
        round >= rounds || idle === mostIdle
          ? []
          : brokenRules(this.list, relaxed.used, this.counted.counts, rulesAtOnce);
      if (broken.length === 0) return this.branches(now, relaxed);
      const limits = Float64Array.from([...now.prices.limits, ...broken.map(() => 0)]);
      now = { ...now, limits: [...now.limits, ...broken], prices: { ...now.prices, limits } };
    }
  }
  /** The branch with what its relaxation tells: only loads that may still be in something better, only rules that matter. */
  private after(branch: Branch, { prices, reduced, bound: proved, used }: Relaxed): Branch {
    const open = this.best.cost - proved + proven;
    const matters = branch.limits.map((limit, x) => 'holding' in limit || Math.abs(prices.limits[x] as number) > slack);
    return {
      loads: branch.loads.filter((_, x) => (reduced[x] as number) <= open),
      limits: branch.limits.filter((_, x) => matters[x]),
      prices: { ...prices, limits: prices.limits.filter((_, x) => matters[x]) },
      begin: [...this.bestLoads, ...used.map(({ load }) => load)],
      bound: Math.max(branch.bound, proved),
    };
  }
  /** A relaxation that washes loads a whole number of times is a division, unless it leaves something out. */
  private adopt({ used }: Relaxed): boolean {
    const { counts, waitCosts } = this.counted;
    const times = used.flatMap(({ load, share }) => Array.from({ length: Math.round(share) }, () => load));
    const left = [...counts];
    for (const load of times) for (const k of this.list.kindsOf(load)) left[k] = (left[k] as number) - 1;
    let cost = times.reduce((t, load) => t + (this.list.costs[load] as number), 0);
    left.forEach((n, k) => (cost += n === 0 ? 0 : n * (waitCosts[k] as number)));
    if (left.some((n) => n < 0) || cost === Infinity) return false;
    if (cost < this.best.cost - 1e-9) {
      this.best = { loads: times.map((load) => this.list.kindsOf(load)), cost };
      this.bestLoads = [...new Set(times)];
    }
    return true;
  }

  /** At most so many loads of the sort that is most undecided, or more; none where nothing is. */
  private branches(branch: Branch, { used }: Relaxed): Branch[] {
    const sort = undecided(this.list, used, nearlyWhole);
    if (!sort) {
      this.left = Math.min(this.left, branch.bound);
      return [];
    }
    const { holding, count } = sort;
    const most = Math.floor(count);
    const limits = Float64Array.from([...branch.prices.limits, 0]);
    const prices = { ...branch.prices, limits };
    return [
      { ...branch, prices, limits: [...branch.limits, { sense: 'most', side: most, holding }] },
      { ...branch, prices, limits: [...branch.limits, { sense: 'least', side: most + 1, holding }] },
    ];
  }
}
