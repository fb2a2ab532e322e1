/**
 * One independent group of items on its way from a first division to a better one and its bound: small groups are solved over all subsets, groups
 * of many alike over counts, middle ones by branch and price, large ones by search and column generation.
 */
import { shareWorth, solitaryWorth, sumOf } from './bounds/dual-bounds.ts';
import { Generation, type GenerationEffort } from './bounds/generation.ts';
import { Modes } from './bounds/modes.ts';
import { BranchAndPrice, type BranchEffort } from './exact/branch-and-price.ts';
import type { PooledLoad } from './exact/column-list.ts';
import { divideByCounts, fewKinds } from './exact/counts.ts';
import { divideBySubsets, subsetLimit } from './exact/subsets.ts';
import { ascending, divisionOf, type Division, type Instance, type Pricer } from './instance.ts';
import { kindsOf } from './kinds.ts';
import { betterPartition, type KnownLoads, type PartitionSolver } from './partition.ts';
import { Search, type SearchEffort } from './search/search.ts';

/** Groups up to this size are proven by branch and price; those of up to so many kinds and items are bounded by column generation; others item by item. */
const branchLimit = 60;
const generateLimit = { kinds: 200, items: 1_200 };
/** Groups of more items get a rougher first bound, since somebody waits for it, and their search sets out once: in them nothing is found twice. */
const largeFrom = 400;
/**
 * A library is asked for the best of the loads met up to so many items: beyond, it finds nothing in the time that anybody waits. From the second number on
 * the loads met are too few, and are widened around the best of them.
 */
const partitionLimit = { items: 400, widenedFrom: 150, around: 100 };
/** Counts that keep small households around a second. */
const branchEffort: BranchEffort = {
  nodes: 80,
  poolNodes: 600,
  listNodes: 2_000,
  written: { columns: 20_000, visited: 60_000 },
  rounds: 150,
  nodesPerMode: 20_000,
  visited: 1_500_000,
};
const generateEffort = (n: number): GenerationEffort => ({
  rounds: 60,
  divisions: 1_000,
  sets: 100,
  visited: 15_000_000 + 20_000 * n,
});
/** Middle groups set out several times; small ones are proven anyway, and in large ones nothing is found twice. */
const searchEffort = (n: number): SearchEffort => ({
  rounds: n <= branchLimit ? [200] : n <= largeFrom ? [2_000, 700, 700, 700] : [Math.round(600_000 / n)],
  swaps: true,
});
/** About how much of the work is search. */
const searchShare = (n: number): number => (n <= branchLimit ? 0.5 : n <= largeFrom ? 0.3 : 0.5);
/** Costs nearer than this, EUR, are the same. */
const same = 1e-6;

/** Told how far a group is (0–1); answers true when that is enough. */
export type Told = (phase: 'search' | 'proof', share: number) => boolean;

export class Group {
  division: Division;
  /** Cost of the best division met, which may be known before the division is taken. */
  cost: number;
  lowerBound: number;
  private readonly inst: Instance;
  private readonly pricer: Pricer;
  /** What is left to be done; null where the first division is the best. */
  private readonly open: { modes: Modes; search: Search; pool: Map<string, PooledLoad> } | null;

  constructor(inst: Instance, pricer: Pricer) {
    this.inst = inst;
    this.pricer = pricer;
    const exact = this.exactly();
    if (exact) {
      this.division = exact;
      this.open = null;
      this.cost = exact.cost;
      this.lowerBound = exact.cost;
      return;
    }
    const modes = Modes.of(inst);
    const pool = new Map<string, PooledLoad>();
    const search = new Search(modes, pricer);
    search.onLoad = (items, cost) => {
      const set = ascending(items);
      pool.set(set.join(','), { items: set, cost });
    };
    this.open = { modes, search, pool };
    this.division = search.start();
    this.cost = this.division.cost;
    // Somebody waits for the first division of a large group: its better bound comes later.
    const worth = shareWorth(modes);
    this.lowerBound = Math.min(this.cost, sumOf(inst.items.length > largeFrom ? worth : solitaryWorth(modes, worth)));
  }
  private exactly(): Division | null {
    if (this.inst.items.length <= subsetLimit) return divideBySubsets(this.inst, this.pricer);
    const kinds = fewKinds(this.inst);
    return kinds && divideByCounts(this.inst, this.pricer, kinds);
  }
  get optimal(): boolean {
    return this.division.cost - this.lowerBound < same;
  }
  private take(division: Division): void {
    this.division = division;
    this.cost = division.cost;
    this.lowerBound = Math.min(this.lowerBound, division.cost);
  }

  /** Search for a better division and prove how good it is, until `told` answers true. */
  improve(told: Told, partition: PartitionSolver | null): void {
    if (!this.open || this.optimal) return;
    const { search } = this.open;
    const n = this.inst.items.length;
    const searching = searchShare(n);
    let enough = false;
    search.onRound = (share, cost) => {
      this.cost = Math.min(this.cost, cost);
      enough ||= told('search', share * searching);
      return enough;
    };
    this.take(search.run(searchEffort(n)));
    if (enough || this.optimal) return;
    const proof = (share: number): boolean => told('proof', searching + (1 - searching) * share);
    if (n <= branchLimit) this.prove(proof, partition);
    else this.bound(proof, partition);
  }
  private prove(told: (share: number) => boolean, partition: PartitionSolver | null): void {
    if (!this.open) return;
    const { modes, pool } = this.open;
    const exact = new BranchAndPrice(modes, this.pricer, this.division, pool.values(), branchEffort);
    exact.onBound = (lowerBound, cost) => {
      this.cost = cost;
      this.lowerBound = Math.max(this.lowerBound, Math.min(lowerBound, cost));
      return told(1 - Math.min(1, ((cost - lowerBound) / cost) * 10));
    };
    const { division, lowerBound, optimal } = exact.run();
    this.take(division);
    this.lowerBound = optimal ? division.cost : Math.max(this.lowerBound, lowerBound);
    if (!optimal) this.partition(exact.known(), partition, (sets) => sets);
  }
  /** A better division of the loads met, and what the search makes of it. `setsOf` tells the items of loads. */
  private partition(
    known: KnownLoads,
    solver: PartitionSolver | null,
    setsOf: (loads: readonly (readonly number[])[]) => readonly (readonly number[])[],
  ): void {
    const loads = this.open && solver && betterPartition(known, this.division.cost, solver);
    if (!loads) return;
    const better = divisionOf(this.inst, this.pricer, setsOf(loads));
    if (better.cost < this.division.cost - same) this.take(this.open.search.polish(better));
  }
  /** Column generation over the kinds, and the best division that the loads met there make up. */
  private bound(told: (share: number) => boolean, partition: PartitionSolver | null): void {
    const n = this.inst.items.length;
    const kinds = kindsOf(this.inst);
    if (!this.open) return;
    const { modes, pool } = this.open;
    if (n > generateLimit.items || kinds.length > generateLimit.kinds) {
      this.lowerBound = Math.max(this.lowerBound, Math.min(this.cost, sumOf(solitaryWorth(modes, shareWorth(modes)))));
      return;
    }
    const generation = new Generation(modes, this.pricer, kinds);
    generation.take(
      [...pool.values()].map((load) => load.items),
      this.division,
    );
    generation.run(generateEffort(n), this.division.cost, (lowerBound, share) => {
      this.lowerBound = Math.max(this.lowerBound, lowerBound);
      return told(share);
    });
    if (n > partitionLimit.items || !partition) return;
    if (n > partitionLimit.widenedFrom) generation.widen(this.cost, partitionLimit.around);
    this.partition(generation.known(), partition, (loads) => generation.sharedOut(loads));
  }
}
