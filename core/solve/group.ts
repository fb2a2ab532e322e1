/**
 * One independent group of items on its way from a first division to a better one and its bound: small groups are solved over all subsets, groups
 * of many alike over counts, middle ones are proven by writing out loads, large ones get a bound by column generation; all but the small are searched and rounded.
 */
import { shareWorth, solitaryWorth, sumOf } from './bounds/dual-bounds.ts';
import { Generation, type GenerationEffort } from './bounds/generation.ts';
import { Modes } from './bounds/modes.ts';
import { divideByCounts, fewKinds } from './exact/counts.ts';
import { ColumnFinder } from './exact/column-finder.ts';
import { Proof, type ProofEffort } from './exact/proof.ts';
import { bestAmongWritten } from './exact/written-out.ts';
import { divideBySubsets, subsetLimit } from './exact/subsets.ts';
import type { Division, Instance, Pricer } from './instance.ts';
import { KindLoads } from './kinds.ts';
import type { PartitionSolver } from './partition.ts';
import { Rounding, type RoundingEffort } from './rounding/rounding.ts';
import { Search, type SearchEffort } from './search/search.ts';

/** Groups up to this size are proven by writing out loads; those of up to so many kinds and items are bounded by column generation; others item by item. */
const provenLimit = { kinds: 60, items: 150 };
const generateLimit = { kinds: 200, items: 1_200 };
/** Groups of more items get a rougher first bound, since somebody waits for it, and fewer rounds of everything that follows. */
const largeFrom = 400;
/** A library is asked for the best of the loads met up to so many items: beyond, it finds nothing in the time that anybody waits. */
const partitionLimit = 400;
/** Larger groups up to this size are proven so, too, where so small a share of the cost is open that not too many loads are left to be written out. */
const writtenLimit = 100;
const writtenOpen = 0.005;
/** Rounding of the loads that the search has met, and with those of the oracle. */
const roundingOf = (n: number): { first: RoundingEffort; later: RoundingEffort } =>
  n <= largeFrom
    ? { first: { dives: 4, mends: 20 }, later: { dives: 4, mends: 60 } }
    : { first: { dives: 2, mends: 15 }, later: { dives: 2, mends: 30 } };
/** How far along the proof is before the generation and after. */
const proofShares = { generation: 0.15, last: 0.8 };
/** Counts that keep small households around a second. */
const proofEffort: ProofEffort = {
  relaxation: { rounds: 150, nodesPerMode: 20_000, visited: 1_500_000 },
  written: { columns: 200_000, visited: 250_000, list: { branches: 1_000, looks: 1_000_000 } },
};
const generateEffort = (n: number): GenerationEffort => ({
  rounds: 60,
  divisions: 1_000,
  sets: 100,
  visited: 15_000_000 + 20_000 * n,
});
/** A small group is soon proven: what the search misses is found then. */
const smallTo = 60;
/** What the search misses in a large group, rounding finds sooner. */
const searchEffort = (n: number): SearchEffort => ({
  rounds: n <= smallTo ? 200 : Math.min(2_000, Math.round(240_000 / n)),
  swaps: n <= largeFrom,
});
/** About how much of the work is search. */
const searchShare = (n: number): number => (n <= smallTo ? 0.5 : 0.2);
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
  private readonly open: { modes: Modes; search: Search; known: KindLoads } | null;

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
    const known = new KindLoads(inst, pricer);
    const search = new Search(modes, pricer);
    search.onLoad = (items) => void known.meet(known.kindsOf(items));
    this.open = { modes, search, known };
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
    const { kinds } = this.open.known;
    if (n <= provenLimit.items && kinds.length <= provenLimit.kinds) this.prove(proof, partition);
    else this.bound(proof, partition);
  }
  /** Proven by the loads that a better division could use; where they are too many, what is left open is rounded once more. */
  private prove(told: (share: number) => boolean, partition: PartitionSolver | null): void {
    if (!this.open) return;
    const { modes, search, known } = this.open;
    const { first, later } = roundingOf(this.inst.items.length);
    let at = 0;
    let enough = false;
    const tell = (): boolean => (enough ||= told(at));
    search.onRound = tell;
    const proof = new Proof(modes, this.pricer, known, this.division, proofEffort);
    proof.onBound = (lowerBound, cost) => {
      this.proven(lowerBound, cost);
      at = 1 - Math.min(1, ((cost - lowerBound) / cost) * 10);
      return tell();
    };
    const { division, lowerBound } = proof.run((best) => {
      this.take(best);
      const rounding = this.roundingOf(modes, search, known);
      rounding.run(first, tell);
      return rounding.best;
    });
    this.take(division);
    this.proven(lowerBound, division.cost);
    if (enough || this.optimal) return;
    const rounding = this.roundingOf(modes, search, known);
    rounding.run(later, tell);
    if (partition) rounding.partition(partition);
    this.take(rounding.best);
  }
  /** Told of a bound, and of the cost of the best division known by now. */
  private proven(lowerBound: number, cost: number): void {
    this.cost = cost;
    this.lowerBound = Math.max(this.lowerBound, Math.min(lowerBound, cost));
  }
  /** Rounding of the relaxation over the loads met and those around them. */
  private roundingOf(modes: Modes, search: Search, known: KindLoads): Rounding {
    return new Rounding(modes, this.pricer, known, (d, swaps) => search.polish(d, swaps), this.division);
  }
  /** The relaxation over real loads rounded, before the oracle has thought of loads and after; between them column generation over the kinds for the bound. */
  private bound(told: (share: number) => boolean, partition: PartitionSolver | null): void {
    if (!this.open) return;
    const { modes, search, known } = this.open;
    const n = this.inst.items.length;
    const met = [...known.met.values()].map(({ kinds }) => kinds);
    const rounding = this.roundingOf(modes, search, known);
    let enough = false;
    let at = 0;
    const tell = (): boolean => {
      enough ||= told(at);
      return enough;
    };
    search.onRound = tell;
    const stage = (from: number, to: number) => (share: number) => {
      this.take(rounding.best);
      at = from + (to - from) * share;
      return tell();
    };
    const efforts = roundingOf(n);
    rounding.run(efforts.first, stage(0, proofShares.generation));
    this.take(rounding.best);
    if (enough) return;
    if (n > generateLimit.items || known.kinds.length > generateLimit.kinds) {
      this.lowerBound = Math.max(this.lowerBound, Math.min(this.cost, sumOf(solitaryWorth(modes, shareWorth(modes)))));
      return;
    }
    const generation = new Generation(modes, known);
    generation.take(met, this.division);
    const generating = stage(proofShares.generation, proofShares.last);
    const { worth, bound } = generation.run(generateEffort(n), this.division.cost, (lowerBound, share) => {
      this.lowerBound = Math.max(this.lowerBound, lowerBound);
      return generating(share);
    });
    if (enough) return;
    rounding.run(efforts.later, stage(proofShares.last, 1));
    this.take(rounding.best);
    if (enough) return;
    if (n <= writtenLimit && this.division.cost - bound < writtenOpen * this.division.cost) {
      const found = bestAmongWritten(
        new ColumnFinder(modes, known.kinds),
        known,
        this.pricer,
        { worth, bound },
        this.division,
        proofEffort.written,
        (lower, cost) => {
          this.proven(lower, cost);
          return tell();
        },
      );
      this.take(found.division);
      this.proven(found.lowerBound, found.division.cost);
      if (enough || this.optimal) return;
    }
    if (partition && n <= partitionLimit) rounding.partition(partition);
    this.take(rounding.best);
  }
}
