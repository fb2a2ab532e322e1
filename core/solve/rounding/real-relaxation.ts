/**
 * The linear relaxation of a division over loads that can be washed: it starts from loads met, and asks for others around those in use until none of them
 * is worth more than it costs. Its value bounds divisions into these loads only, but it is reached in a fraction of a second.
 */
import type { KindLoad, KindLoads } from '../kinds.ts';
import { artificialCost, RestrictedMaster } from '../simplex.ts';
import { reducedCost, type Neighbours } from './neighbours.ts';

/** So many new loads are taken in at a time. */
const mostFound = 300;

/** A load, and how often the relaxation washes it. */
export interface Use {
  load: KindLoad;
  share: number;
}
/** Loads in use, what each kind is worth by them, and what all cost. */
export interface Settled {
  used: readonly Use[];
  worth: Float64Array;
  value: number;
}

export class RealRelaxation {
  private readonly known: KindLoads;
  private readonly neighbours: Neighbours;
  constructor(known: KindLoads, neighbours: Neighbours) {
    this.known = known;
    this.neighbours = neighbours;
  }
  /**
   * Settle for what is left of each kind, with at most so many rounds of asking; `loads` must fit into what is left, and grows by those found.
   * `begin` = loads that were in use before something was taken off.
   */
  settle(left: readonly number[], loads: KindLoad[], rounds: number, begin: readonly KindLoad[]): Settled {
    const { waitCosts } = this.known;
    const rows = left.flatMap((n, k) => (n > 0 ? [k] : []));
    const rowOf = new Int32Array(left.length);
    rows.forEach((k, row) => (rowOf[k] = row));
    const master = new RestrictedMaster(
      rows.map((k) => left[k] as number),
      artificialCost,
    );
    const loadAt = new Map<number, KindLoad>();
    const indexOf = new Map<KindLoad, number>();
    const add = (load: KindLoad): void => {
      const index = master.add({ rows: load.kinds.map((k) => rowOf[k] as number), cost: load.cost });
      loadAt.set(index, load);
      indexOf.set(load, index);
    };
    for (const k of rows) {
      const cost = waitCosts[k] as number;
      if (cost < Infinity) master.add({ rows: [rowOf[k] as number], cost });
    }
    loads.forEach(add);
    master.begin(begin.flatMap((load) => indexOf.get(load) ?? []));
    const used = (): Use[] =>
      master.solution().flatMap(({ index, share }) => {
        const load = loadAt.get(index);
        return load ? [{ load, share }] : [];
      });
    const worth = new Float64Array(left.length);
    for (let round = 0; ; round++) {
      const duals = master.optimise();
      rows.forEach((k, row) => (worth[k] = duals[row] as number));
      if (round === rounds) break;
      const found = new Set(used().flatMap(({ load }) => this.neighbours.around(load, left, worth)));
      if (found.size === 0) break;
      const best = [...found].sort((x, y) => reducedCost(x, worth) - reducedCost(y, worth)).slice(0, mostFound);
      best.forEach(add);
      loads.push(...best);
    }
    return { used: used(), worth, value: rows.reduce((t, k) => t + (worth[k] as number) * (left[k] as number), 0) };
  }
}
