/**
 * Loads that a division would be better with: for every way of washing, the pieces that cost more where they are than they would there, as many as fill a
 * drum. What single moves cannot reach (no piece pays a load of its own) is reached in one step.
 */
import type { Instance } from '../instance.ts';
import type { Mode, Modes } from '../bounds/modes.ts';
import { least, type Load, type Places, type State } from './places.ts';

/** Items in the order in which they would fill a load, with what each costs where it is now; `rise` = what the division's cost would rise by at least, were they divisible. */
export interface Proposal {
  order: readonly number[];
  saved: Float64Array;
  rise: number;
}

export class Regroup {
  private readonly inst: Instance;
  private readonly modes: Modes;
  private readonly places: Places;
  constructor(modes: Modes, places: Places) {
    this.inst = modes.inst;
    this.modes = modes;
    this.places = places;
  }
  /** What an item costs where it is: its load without it, or its waiting, would be so much cheaper. */
  private savings(s: State): Float64Array {
    const saved = new Float64Array(this.inst.items.length);
    for (const load of s.loads)
      for (const i of load.items)
        saved[i] = load.cost - (load.items.length > 1 ? this.places.loadCost(load.items.filter((x) => x !== i)) : 0);
    for (const i of s.waiting) saved[i] = this.places.waitCost(i);
    return saved;
  }
  private proposal(m: Mode, saved: Float64Array): Proposal {
    const gain = (i: number): number => (saved[i] as number) - (m.leastCost[i] as number);
    const order: number[] = [];
    let wanted = 0;
    for (let i = 0; i < saved.length; i++)
      if (gain(i) > 0) {
        order.push(i);
        wanted += gain(i);
      }
    if (wanted <= m.base) return { order, saved, rise: 0 };
    order.sort((x, y) => gain(y) * (m.room[x] as number) - gain(x) * (m.room[y] as number) || x - y);
    let free = this.modes.full;
    let rise = m.base;
    for (const i of order) {
      if ((m.room[i] as number) > free) continue;
      free -= m.room[i] as number;
      rise -= gain(i);
    }
    return { order, saved, rise };
  }
  /** Proposals that promise a lower cost, the best first; one for each setting and product. */
  proposals(s: State): Proposal[] {
    const saved = this.savings(s);
    const best = new Map<string, Proposal>();
    for (const m of this.modes.list) {
      const proposal = this.proposal(m, saved);
      const key = `${m.index}/${m.supposed.product.id}`;
      if (proposal.rise < Math.min(-least, best.get(key)?.rise ?? 0)) best.set(key, proposal);
    }
    return [...best.values()].sort((x, y) => x.rise - y.rise);
  }
  /** The load itself, at its real price: every item joins that costs less in it than where it is. */
  gather({ order, saved }: Proposal): Load {
    const { places } = this;
    const alone = (i: number): Load => places.loadOf([i], places.loadCost([i]));
    let load = alone(order[0] as number);
    for (const i of order.slice(1)) {
      if (!places.fits(load, i) || !places.mayJoin(load, i)) continue;
      const cost = places.costWith(load, i);
      if (cost - load.cost < (saved[i] as number) - least) load = places.loadOf([...load.items, i], cost);
    }
    return load;
  }
}
