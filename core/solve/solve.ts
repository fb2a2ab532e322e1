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
import { divideByCounts, kindsOf } from './exact/counts.ts';
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
type Watch = ((p: Pick<Progress, 'phase' | 'share' | 'cost' | 'lowerBound'>) => void) | null;

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

/** Groups up to this size are proven by branch and price; those up to the next come near to its first relaxation; larger ones are bounded item by item. */
const branchLimit = 60;
const relaxLimit = 150;
/** Counts that keep small households around a second. */
const branchEffort: BranchEffort = {
  nodes: 80,
  poolNodes: 60,
  written: { columns: 20_000, visited: 60_000 },
  rounds: 150,
  nodesPerMode: 20_000,
  visited: 2_000_000,
  climb: { climbs: 4, reach: 0.2, nodes: 300 },
};
const relaxEffort: BranchEffort = {
  ...branchEffort,
  nodes: 0,
  rounds: 10,
  nodesPerMode: 480,
  climb: { climbs: 2, reach: 0.25, nodes: 200 },
};
const searchRounds = (n: number): number => (n <= branchLimit ? 600 : n <= 300 ? 2_000 : Math.round(600_000 / n));

function divide(
  inst: Instance,
  pricer: Pricer,
  watch: Watch,
): { division: Division; lowerBound: number; optimal: boolean } {
  const n = inst.items.length;
  if (n <= subsetLimit) {
    const division = divideBySubsets(inst, pricer);
    return { division, lowerBound: division.cost, optimal: true };
  }
  const kinds = kindsOf(inst);
  if (kinds) {
    const division = divideByCounts(inst, pricer, kinds);
    return { division, lowerBound: division.cost, optimal: true };
  }
  const pool = new Map<string, PooledLoad>();
  const modes = Modes.of(inst);
  const search = new Search(modes, pricer);
  if (n <= relaxLimit)
    search.onLoad = (items, cost) => {
      const set = ascending(items);
      pool.set(set.join(','), { items: set, cost });
    };
  const proofShare = n <= branchLimit ? 0.5 : 0.1;
  if (watch)
    search.onRound = (share, cost) => watch({ phase: 'search', share: share * (1 - proofShare), cost, lowerBound: 0 });
  const start = search.run({ rounds: searchRounds(n), swaps: n <= 140 });
  if (n <= relaxLimit) {
    const proof = new BranchAndPrice(
      modes,
      pricer,
      start,
      pool.values(),
      n <= branchLimit ? branchEffort : relaxEffort,
    );
    if (watch)
      proof.onBound = (lowerBound, cost) =>
        watch({
          phase: 'proof',
          share: 1 - proofShare * Math.min(1, (Math.max(0, cost - lowerBound) / cost) * 10),
          cost,
          lowerBound,
        });
    return proof.run();
  }
  const lowerBound = Math.min(start.cost, sumOf(solitaryWorth(modes, shareWorth(modes))));
  return { division: start, lowerBound, optimal: start.cost - lowerBound < 1e-6 };
}

/** Solve for the candidates. Waiting is closed to some; a piece that no setting fits waits whatever its date. */
export function solve(
  b: Basket,
  candidates: readonly Candidate[],
  decided: Togetherness = free,
  onProgress: ((p: Progress) => void) | null = null,
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
      onProgress &&
        ((p) =>
          onProgress({
            phase: p.phase,
            share: (looked + p.share * group.length) / items.length,
            cost: before.cost + p.cost,
            lowerBound: before.lowerBound + p.lowerBound,
          })),
    );
    for (const l of r.division.loads) loads.push(piecesOf(own, l));
    waiting.push(...piecesOf(own, r.division.waiting));
    cost += r.division.cost;
    lowerBound += r.lowerBound;
    optimal = optimal && r.optimal;
    looked += group.length;
    onProgress?.({ phase: 'proof', share: looked / items.length, cost, lowerBound });
  });
  return { loads, waiting: ascending(waiting), cost, lowerBound, optimal };
}
