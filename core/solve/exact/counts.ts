/**
 * L2 of docs/solver.md. Exact division of a group with many alike: a dynamic programme over how many of each kind are left. Pieces that nothing in the price tells
 * apart are interchangeable, so a load is a count of each kind and not a set; twelve tea towels have 13 states where their subsets are 4,096.
 * The first kind that is left is served first, so each division is seen once.
 */
import { kindsOf } from '../kinds.ts';
import { piecesOf, type Division, type Instance, type Pricer } from '../instance.ts';

/** Groups up to so many states: each is priced once, and at most half of the pairs of states are tried. */
export const countLimit = 4_096;
const epsilon = 1e-9;

/** Items by kind; null when there are too many states to try. */
export function fewKinds(inst: Instance): number[][] | null {
  const kinds = kindsOf(inst);
  return kinds.reduce((states, kind) => states * (kind.length + 1), 1) > countLimit ? null : kinds;
}

/** The best division when items of one kind are interchangeable; costs as `Pricer` gives them. */
export function divideByCounts(inst: Instance, pricer: Pricer, kinds: readonly (readonly number[])[]): Division {
  const n = inst.items.length;
  const steps = kinds.map((_, k) => kinds.slice(0, k).reduce((s, kind) => s * (kind.length + 1), 1));
  const states = kinds.reduce((s, kind) => s * (kind.length + 1), 1);
  const countsOf = (state: number): number[] =>
    kinds.map((kind, k) => Math.floor(state / (steps[k] as number)) % (kind.length + 1));
  const counts = Array.from({ length: states }, (_, state) => countsOf(state));
  /** The first `count` of each kind: any others would cost the same. */
  const itemsOf = (state: number): number[] =>
    kinds.flatMap((kind, k) => kind.slice(0, (counts[state] as number[])[k]));
  const price = new Float64Array(states).fill(Infinity);
  for (let state = 1; state < states; state++) {
    const items = itemsOf(state);
    if (items.every((i, x) => items.slice(x + 1).every((j) => !inst.apart[i * n + j])))
      price[state] = pricer.cost(piecesOf(inst.items, items));
  }
  const best = new Float64Array(states).fill(Infinity);
  const choice = new Int32Array(states);
  best[0] = 0;
  for (let state = 1; state < states; state++) {
    const left = counts[state] as number[];
    const k = left.findIndex((c) => c > 0);
    const one = steps[k] as number;
    best[state] =
      (inst.items[(kinds[k] as number[])[0] as number]?.waitCost ?? Infinity) + (best[state - one] as number);
    for (let load = one; load <= state; load++) {
      if (
        price[load] === Infinity ||
        !(counts[load] as number[]).every((c, x) => c <= (left[x] as number)) ||
        (counts[load] as number[])[k] === 0
      )
        continue;
      const cost = (price[load] as number) + (best[state - load] as number);
      if (cost < (best[state] as number) - epsilon) {
        best[state] = cost;
        choice[state] = load;
      }
    }
  }
  const division: Division = { loads: [], waiting: [], cost: best[states - 1] as number };
  const taken = kinds.map(() => 0);
  const take = (k: number, count: number): number[] => {
    const from = taken[k] as number;
    taken[k] = from + count;
    return (kinds[k] as number[]).slice(from, from + count);
  };
  for (let state = states - 1; state > 0;) {
    const load = choice[state] as number;
    const k = (counts[state] as number[]).findIndex((c) => c > 0);
    if (load === 0) division.waiting.push(...take(k, 1));
    else division.loads.push((counts[load] as number[]).flatMap((c, x) => take(x, c)));
    state -= load === 0 ? (steps[k] as number) : load;
  }
  return division;
}
