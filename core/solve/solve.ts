/**
 * Division of the pieces into loads and waiting, at least total cost, with a proven lower bound. Pieces that can never share a load fall into
 * independent groups; small groups are solved over all subsets, groups of many alike over counts, middle ones by branch and price, large ones by search with a bound.
 * Deterministic: limits are counts, ties go by the order of the input.
 */
import type { Basket } from '../price/basket.ts';
import { deferralCost } from '../price/price.ts';
import { BranchAndPrice, type BranchEffort } from './exact/branch-and-price.ts';
import type { PooledLoad } from './exact/column-list.ts';
import { ascending, makeInstance, piecesOf, Pricer, type Division, type Instance, type Item } from './instance.ts';
import { Modes } from './bounds/modes.ts';
import { Search } from './search/search.ts';
import { divideByCounts, fewKinds } from './exact/counts.ts';
import { kindsOf } from './kinds.ts';
import { Generation, type GenerationEffort } from './bounds/generation.ts';
import { betterPartition, type PartitionSolver } from './partition.ts';
import { divideBySubsets, subsetLimit } from './exact/subsets.ts';
import { shareWorth, solitaryWorth, sumOf } from './bounds/dual-bounds.ts';

export interface Candidate {
  /** Index in the basket. */
  piece: number;
  mayWait: boolean;
  /** Waiting is closed to it by a hand-made decision even where a rule would leave it no setting. */
  mustWash?: boolean;
}
export interface Solution {
  loads: readonly (readonly number[])[];
  waiting: readonly number[];
  cost: number;
  lowerBound: number;
  optimal: boolean;
}
/** Hand-made decisions about who shares a load, as piece indices. */
export interface Togetherness {
  together: readonly (readonly number[])[];
  apart: readonly (readonly [number, number])[];
}
const free: Togetherness = { together: [], apart: [] };

/** How far a solve is: share of the pieces looked at (0–1), best cost and bound of them so far. */
export interface Progress {
  phase: 'search' | 'proof';
  share: number;
  cost: number;
  lowerBound: number;
}
/** Told how far a solve is; answers true when that is enough, and the best so far is taken. */
export type Watch = (p: Progress) => boolean | void;
/** What a solve may call on. */
export interface SolveTools {
  watch: Watch | null;
  /** An integer-programming library, where there is one. */
  partition: PartitionSolver | null;
}
export const noTools: SolveTools = { watch: null, partition: null };

/** Items from pieces: those that must stay together become one. */
function itemsOf(candidates: readonly Candidate[], wait: (piece: number) => number, decided: Togetherness): Item[] {
  const bundles: number[][] = [];
  for (const { piece } of candidates) {
    const linked = decided.together.filter((t) => t.includes(piece)).flat();
    const touching = bundles.filter((b) => b.includes(piece) || b.some((x) => linked.includes(x)));
    const merged = ascending([...new Set([piece, ...touching.flat()])]);
    for (const t of touching) bundles.splice(bundles.indexOf(t), 1);
    bundles.push(merged);
  }
  return bundles
    .sort((a, b) => (a[0] as number) - (b[0] as number))
    .map((pieces) => ({ pieces, waitCost: pieces.reduce((c, p) => c + wait(p), 0) }));
}

/** L1 of docs/solver.md. Items that may share a load with some other, directly or through others, belong together. */
export function independentGroups(b: Basket, items: readonly Item[]): number[][] {
  const words = b.settingWords;
  const bits = items.map((item) =>
    Array.from({ length: words }, (_, w) => item.pieces.reduce((x, p) => x & (b.allowedBits[p * words + w] ?? 0), -1)),
  );
  const n = b.profiles.length;
  const mayShare = (i: number, j: number): boolean =>
    (bits[i] as number[]).some((x, w) => (x & ((bits[j] as number[])[w] ?? 0)) !== 0) &&
    !(items[i] as Item).pieces.some((p) => (items[j] as Item).pieces.some((q) => b.clash[p * n + q]));
  const left = new Set(items.map((_, i) => i));
  const groups: number[][] = [];
  for (let start = 0; start < items.length; start++) {
    if (!left.delete(start)) continue;
    const group = [start];
    for (const i of group)
      for (const j of [...left])
        if (mayShare(i, j)) {
          left.delete(j);
          group.push(j);
        }
    groups.push(ascending(group));
  }
  return groups;
}

/** Groups up to this size are proven by branch and price; those of up to so many kinds are bounded by column generation; larger ones item by item. */
const branchLimit = 60;
const generateLimit = 150;
/** Counts that keep small households around a second. */
const branchEffort: BranchEffort = {
  nodes: 80,
  poolNodes: 60,
  written: { columns: 20_000, visited: 60_000 },
  rounds: 150,
  nodesPerMode: 20_000,
  visited: 2_000_000,
};
const generateEffort: GenerationEffort = { rounds: 60, divisions: 400, sets: 100 };
const searchRounds = (n: number): number => (n <= branchLimit ? 600 : n <= 300 ? 2_000 : Math.round(600_000 / n));

interface Divided {
  division: Division;
  lowerBound: number;
  optimal: boolean;
}
const proven = (division: Division): Divided => ({ division, lowerBound: division.cost, optimal: true });

/** How far the division of a group is; true = stop. */
type Told = (phase: Progress['phase'], share: number, cost: number, lowerBound: number) => boolean;

/** A group too large to be proven: the best division found, bounded from below by column generation, and made better by the loads that were met there. */
function generated(
  modes: Modes,
  pricer: Pricer,
  search: Search,
  start: Division,
  pool: Pool,
  told: Told,
  tools: SolveTools,
): Divided {
  const kinds = kindsOf(modes.inst);
  if (kinds.length > generateLimit || told('search', 1, start.cost, 0)) {
    const lowerBound = Math.min(start.cost, sumOf(solitaryWorth(modes, shareWorth(modes))));
    return { division: start, lowerBound, optimal: start.cost - lowerBound < 1e-6 };
  }
  const generation = new Generation(modes, pricer, kinds);
  generation.take(
    [...pool.values()].map((load) => load.items),
    start,
  );
  generation.run(generateEffort, start.cost, (lowerBound, share) => told('proof', share, start.cost, lowerBound));
  const better = tools.partition && betterPartition(generation, start, tools.partition);
  const division = better ? search.polish(better) : start;
  return {
    division,
    lowerBound: Math.min(division.cost, generation.lowerBound),
    optimal: division.cost - generation.lowerBound < 1e-6,
  };
}
type Pool = Map<string, PooledLoad>;

function divide(inst: Instance, pricer: Pricer, told: Told, tools: SolveTools): Divided {
  const n = inst.items.length;
  if (n <= subsetLimit) return proven(divideBySubsets(inst, pricer));
  const few = fewKinds(inst);
  if (few) return proven(divideByCounts(inst, pricer, few));
  const pool: Pool = new Map();
  const modes = Modes.of(inst);
  const search = new Search(modes, pricer);
  search.onLoad = (items, cost) => {
    const set = ascending(items);
    pool.set(set.join(','), { items: set, cost });
  };
  const searchShare = n <= branchLimit ? 0.5 : 0.7;
  search.onRound = (share, cost) => told('search', share * searchShare, cost, 0);
  const start = search.run({ rounds: searchRounds(n), swaps: true });
  const proof: Told = (phase, share, cost, lowerBound) =>
    told(phase, searchShare + (1 - searchShare) * share, cost, lowerBound);
  if (n > branchLimit) return generated(modes, pricer, search, start, pool, proof, tools);
  const exact = new BranchAndPrice(modes, pricer, start, pool.values(), branchEffort);
  exact.onBound = (lowerBound, cost) =>
    proof('proof', 1 - Math.min(1, ((cost - lowerBound) / cost) * 10), cost, lowerBound);
  return exact.run();
}

/** Solve for the candidates. Waiting is closed to some; a piece that no setting fits waits whatever its date. */
export function solve(
  b: Basket,
  candidates: readonly Candidate[],
  decided: Togetherness = free,
  tools: SolveTools = noTools,
): Solution {
  const pricer = new Pricer(b);
  const deferral = new Map<number, number>();
  for (const { piece, mayWait } of candidates)
    deferral.set(piece, mayWait || pricer.cost([piece]) === Infinity ? deferralCost(b, piece) : Infinity);
  const items = itemsOf(candidates, (p) => deferral.get(p) ?? Infinity, decided);
  const groups = independentGroups(b, items);
  const itemOfPiece = new Map(items.flatMap((item, i) => item.pieces.map((p) => [p, i] as const)));
  const apart = decided.apart.flatMap(([p, q]): [number, number][] => {
    const i = itemOfPiece.get(p);
    const j = itemOfPiece.get(q);
    return i === undefined || j === undefined || i === j ? [] : [[i, j]];
  });
  const loads: number[][] = [];
  const waiting: number[] = [];
  let cost = 0;
  let lowerBound = 0;
  let optimal = true;
  let looked = 0;
  let stopped = false;
  groups.forEach((group) => {
    const at = new Map(group.map((i, x) => [i, x] as const));
    const own = group.map((i) => items[i] as Item);
    const inst = makeInstance(
      b,
      own,
      apart.flatMap(([i, j]): [number, number][] => {
        const x = at.get(i);
        const y = at.get(j);
        return x === undefined || y === undefined ? [] : [[x, y]];
      }),
    );
    const before = { cost, lowerBound };
    const r = divide(
      inst,
      pricer,
      (phase, share, groupCost, groupBound) => {
        stopped ||=
          tools.watch?.({
            phase,
            share: (looked + share * group.length) / items.length,
            cost: before.cost + groupCost,
            lowerBound: before.lowerBound + groupBound,
          }) === true;
        return stopped;
      },
      tools,
    );
    for (const l of r.division.loads) loads.push(piecesOf(own, l));
    waiting.push(...piecesOf(own, r.division.waiting));
    cost += r.division.cost;
    lowerBound += r.lowerBound;
    optimal = optimal && r.optimal;
    looked += group.length;
    tools.watch?.({ phase: 'proof', share: looked / items.length, cost, lowerBound });
  });
  return { loads, waiting: ascending(waiting), cost, lowerBound, optimal };
}
