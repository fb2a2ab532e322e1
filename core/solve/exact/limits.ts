/** Rules on how many loads of some sort a division may have: rows of the relaxation over loads of a list. */
import { sum } from '../../units/numbers.ts';
import type { ListedLoads } from './listed-loads.ts';

/** A load of the list, and how often it is in use. */
export interface ListedUse {
  load: number;
  share: number;
}
/** Loads count as often as `countOf` says; together they may count at most or have to count at least so much. */
export type Limit = { sense: 'most' | 'least'; side: number } & (
  | {
      /** L18 of docs/solver.md. Halves of the items of these kinds, rounded down. */
      halves: readonly number[];
    }
  | {
      /** L18. Threes of items, one of each of three kinds (a kind may be named more than once), of which it holds two or all. */
      threes: readonly [Kind, Kind, Kind];
    }
  | {
      /** L12. Loads with at least so many of each of these kinds; all loads where none is named. */
      holding: readonly Held[];
    }
);
/** A kind, and how many items there are of it. */
export interface Kind {
  kind: number;
  count: number;
}
export interface Held {
  kind: number;
  times: number;
}

/** How often a load counts. */
export function countOf(list: ListedLoads, load: number, limit: Limit): number {
  if ('halves' in limit) {
    let times = 0;
    for (const k of limit.halves) times += list.timesOf(load, k);
    return times >> 1;
  }
  if ('threes' in limit) return threesIn(limit.threes, (k) => list.timesOf(load, k));
  return limit.holding.every(({ kind, times }) => list.timesOf(load, kind) >= times) ? 1 : 0;
}

const pairsOf = (n: number): number => (n * (n - 1)) / 2;
/** Of how many threes of items, one of each kind, two or all are held; `held` = how many are of a kind. */
function threesIn([a, b, c]: readonly [Kind, Kind, Kind], held: (kind: number) => number): number {
  const [x, y, z] = [held(a.kind), held(b.kind), held(c.kind)];
  if (a.kind === c.kind) return pairsOf(x) * (a.count - x) + (pairsOf(x) * (x - 2)) / 3;
  if (a.kind === b.kind) return pairsOf(x) * c.count + x * (a.count - x) * z;
  if (b.kind === c.kind) return pairsOf(y) * a.count + y * (b.count - y) * x;
  return x * y * c.count + x * b.count * z + a.count * y * z - 2 * x * y * z;
}
/** How many threes there are. */
function threesOf([a, b, c]: readonly [Kind, Kind, Kind]): number {
  if (a.kind === c.kind) return (pairsOf(a.count) * (a.count - 2)) / 3;
  if (a.kind === b.kind) return pairsOf(a.count) * c.count;
  if (b.kind === c.kind) return a.count * pairsOf(b.count);
  return a.count * b.count * c.count;
}

/** A rule that is broken by less than this is as good as kept. */
const leastBroken = 0.02;

/** Rules on more threes than this are left out. */
const mostThrees = 24;

/** The rules on halves and on threes that loads in use break most, at most so many; `counts` = how many items of each kind there are. */
export function brokenRules(
  list: ListedLoads,
  used: readonly ListedUse[],
  counts: readonly number[],
  most: number,
): Limit[] {
  const isWhole = (share: number): boolean => Math.abs(share - Math.round(share)) < leastBroken;
  const kinds = [...new Set(used.flatMap(({ load, share }) => (isWhole(share) ? [] : list.kindsOf(load))))]
    .sort((x, y) => x - y)
    .map((kind): Kind => ({ kind, count: counts[kind] as number }));
  const found: { limit: Limit; broken: number }[] = [];
  const look = (limit: Limit): void => {
    let count = 0;
    for (const { load, share } of used) count += share * countOf(list, load, limit);
    const broken = (count - limit.side) / Math.max(1, limit.side);
    if (broken > leastBroken) found.push({ limit, broken });
  };
  const halves = (...some: readonly Kind[]): void => {
    const all = some.reduce((t, { count }) => t + count, 0);
    // Of an even number rounding down takes nothing off.
    if (all % 2 === 1) look({ sense: 'most', side: (all - 1) / 2, halves: some.map(({ kind }) => kind) });
  };
  const threes = (...some: [Kind, Kind, Kind]): void => {
    const side = threesOf(some);
    // Of items that are each by themselves it is the rule on halves.
    if (side > 0 && side <= mostThrees && some.some(({ count }) => count > 1))
      look({ sense: 'most', side, threes: some });
  };
  const sharing = sharingOf(list, used, kinds);
  kinds.forEach((a, x) => {
    halves(a);
    threes(a, a, a);
    for (let y = x + 1; y < kinds.length; y++) {
      const b = kinds[y] as Kind;
      halves(a, b);
      threes(a, a, b);
      threes(a, b, b);
      for (let z = y + 1; z < kinds.length; z++) {
        const c = kinds[z] as Kind;
        const pairs = [sharing(x, y), sharing(x, z), sharing(y, z)] as const;
        // What a load counts is no more than that of its pairs: most threes of kinds are not worth a look.
        const ofHalves =
          sum(pairs.map(({ either }) => either)) + sharing(x, x).either + sharing(y, y).either + sharing(z, z).either;
        if (2 * ofHalves > a.count + b.count + c.count - 1) halves(a, b, c);
        const ofThrees = pairs[0].both * c.count + pairs[1].both * b.count + pairs[2].both * a.count;
        if (ofThrees > a.count * b.count * c.count) threes(a, b, c);
      }
    }
  });
  return found
    .sort((x, y) => y.broken - x.broken)
    .slice(0, most)
    .map(({ limit }) => limit);
}

/** Of two kinds: how often loads in use hold both, and pairs of their items; of one kind how many pairs of its items can be made up of it in each. */
interface Sharing {
  either: number;
  both: number;
}
function sharingOf(
  list: ListedLoads,
  used: readonly ListedUse[],
  kinds: readonly Kind[],
): (x: number, y: number) => Sharing {
  const n = kinds.length;
  const known = Array.from({ length: n * n }, (): Sharing => ({ either: 0, both: 0 }));
  for (const { load, share } of used) {
    const times = kinds.map(({ kind }) => list.timesOf(load, kind));
    times.forEach((held, x) => {
      if (held === 0) return;
      (known[x * n + x] as Sharing).either += share * (held >> 1);
      for (let y = x + 1; y < n; y++) {
        if (times[y] === 0) continue;
        const pair = known[x * n + y] as Sharing;
        pair.either += share;
        pair.both += share * held * (times[y] as number);
      }
    });
  }
  return (x, y) => known[x * n + y] as Sharing;
}

/** What is most undecided of loads in use: how many there are, how many hold a pair of kinds, or so many of one; null where all of that is whole. `hair` = as good as whole. */
export function undecided(
  list: ListedLoads,
  used: readonly ListedUse[],
  hair: number,
): { holding: Held[]; count: number } | null {
  const fraction = (count: number): number => Math.min(count - Math.floor(count), Math.ceil(count) - count);
  const countOfAll = (holding: Held[]): { holding: Held[]; count: number } => ({
    holding,
    count: used.reduce((t, { load, share }) => t + share * countOf(list, load, { sense: 'most', side: 0, holding }), 0),
  });
  const all = countOfAll([]);
  if (fraction(all.count) > 2 * hair) return all;
  const kinds = [...new Set(used.flatMap(({ load }) => list.kindsOf(load)))].sort((x, y) => x - y);
  const pairs = kinds.flatMap((a, x) =>
    kinds.slice(x + 1).map((b) => [
      { kind: a, times: 1 },
      { kind: b, times: 1 },
    ]),
  );
  const alone = kinds.flatMap((kind) => {
    const most = Math.max(...used.map(({ load }) => list.timesOf(load, kind)));
    return Array.from({ length: most }, (_, t) => [{ kind, times: t + 1 }]);
  });
  for (const sorts of [pairs, alone]) {
    let pick: { holding: Held[]; count: number } | null = null;
    for (const holding of sorts) {
      const counted = countOfAll(holding);
      if (fraction(counted.count) > (pick ? fraction(pick.count) + 1e-9 : hair)) pick = counted;
    }
    if (pick) return pick;
  }
  return null;
}
