/**
 * Division of the pieces into loads and waiting, at least total cost, with a proven lower bound. Pieces that can never share a load fall into
 * independent groups; each gets a first division, then a better one with a bound. Deterministic: limits are counts, ties go by the order of the input.
 */
import type { Basket } from '../price/basket.ts';
import { deferralCost } from '../price/price.ts';
import { Group } from './group.ts';
import { ascending, makeInstance, piecesOf, Pricer, type Item } from './instance.ts';
import type { PartitionSolver } from './partition.ts';

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
/** Told how far a solve is, and asked for what it has so far; answers true when that is enough, and the best so far is taken. */
export type Watch<Result> = (p: Progress, soFar: () => Result) => boolean | void;
/** What a solve may call on. */
export interface SolveTools<Result> {
  watch: Watch<Result> | null;
  /** An integer-programming library, where there is one. */
  partition: PartitionSolver | null;
}
export const noTools = { watch: null, partition: null } as const satisfies SolveTools<unknown>;

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

/** Solve for the candidates. Waiting is closed to some; a piece that no setting fits waits whatever its date. */
export function solve(
  b: Basket,
  candidates: readonly Candidate[],
  decided: Togetherness = free,
  tools: SolveTools<Solution> = noTools,
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
  const parts = groups.map((group) => {
    const at = new Map(group.map((i, x) => [i, x] as const));
    const own = group.map((i) => items[i] as Item);
    const decidedApart = apart.flatMap(([i, j]): [number, number][] => {
      const x = at.get(i);
      const y = at.get(j);
      return x === undefined || y === undefined ? [] : [[x, y]];
    });
    return { own, group: new Group(makeInstance(b, own, decidedApart), pricer) };
  });
  const total = (of: (g: Group) => number): number => parts.reduce((t, { group }) => t + of(group), 0);
  const soFar = (): Solution => ({
    loads: parts.flatMap(({ own, group }) => group.division.loads.map((l) => piecesOf(own, l))),
    waiting: ascending(parts.flatMap(({ own, group }) => piecesOf(own, group.division.waiting))),
    cost: total((g) => g.division.cost),
    lowerBound: total((g) => g.lowerBound),
    optimal: parts.every(({ group }) => group.optimal),
  });
  let looked = 0;
  let stopped = false;
  const told = (phase: Progress['phase'], share: number): boolean => {
    stopped ||=
      tools.watch?.(
        {
          phase,
          share: items.length === 0 ? 1 : share / items.length,
          cost: total((g) => g.cost),
          lowerBound: total((g) => g.lowerBound),
        },
        soFar,
      ) === true;
    return stopped;
  };
  for (const { own, group } of parts) {
    if (told('search', looked)) break;
    group.improve((phase, share) => told(phase, looked + share * own.length), tools.partition);
    looked += own.length;
  }
  told('proof', looked);
  return soFar();
}
