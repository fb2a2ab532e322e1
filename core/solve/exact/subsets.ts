/** Exact division of a small group: a dynamic programme over all subsets. The lowest item left is served first, so each division is seen once. */
import { piecesOf, type Division, type Instance, type Pricer } from '../instance.ts';

/** Groups up to this size: 2ⁿ sets are priced, 3ⁿ unions tried. */
export const subsetLimit = 12;
const epsilon = 1e-9;

export function divideBySubsets({ items, apart }: Instance, pricer: Pricer): Division {
  const n = items.length;
  const full = (1 << n) - 1;
  const setCost = new Float64Array(full + 1).fill(Infinity);
  const clashes = items.map((_, i) => items.reduce((mask, __, j) => (apart[i * n + j] ? mask | (1 << j) : mask), 0));
  const membersOf = (mask: number): number[] => items.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
  for (let mask = 1; mask <= full; mask++) {
    const low = 31 - Math.clz32(mask & -mask);
    // A set that holds a clash is no load, whatever else is in it.
    const rest = mask & (mask - 1);
    if ((clashes[low] ?? 0) & rest) continue;
    if (rest && items.some((_, i) => rest & (1 << i) && (clashes[i] ?? 0) & rest)) continue;
    setCost[mask] = pricer.cost(piecesOf(items, membersOf(mask)));
  }
  const best = new Float64Array(full + 1).fill(Infinity);
  const choice = new Int32Array(full + 1);
  best[0] = 0;
  for (let mask = 1; mask <= full; mask++) {
    const low = 31 - Math.clz32(mask & -mask);
    const rest = mask & ~(1 << low);
    best[mask] = (items[low]?.waitCost ?? Infinity) + (best[rest] ?? Infinity);
    for (let sub = rest; ; sub = (sub - 1) & rest) {
      const load = sub | (1 << low);
      const cost = (setCost[load] ?? Infinity) + (best[mask & ~load] ?? Infinity);
      if (cost < (best[mask] ?? Infinity) - epsilon) {
        best[mask] = cost;
        choice[mask] = load;
      }
      if (sub === 0) break;
    }
  }
  const loads: number[][] = [];
  const waiting: number[] = [];
  for (let mask = full; mask > 0;) {
    const load = choice[mask] ?? 0;
    if (load === 0) {
      waiting.push(31 - Math.clz32(mask & -mask));
      mask &= mask - 1;
    } else {
      loads.push(membersOf(load));
      mask &= ~load;
    }
  }
  return { loads, waiting, cost: best[full] ?? Infinity };
}
