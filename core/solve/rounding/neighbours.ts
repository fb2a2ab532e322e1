/**
 * Loads that differ from a load by one item (one less, one more, one exchanged) and are worth more than they cost: what a relaxation over loads met is still
 * short of. They are thought of by what items add at least at the load's own setting, and priced for real.
 */
import { emptyDrumAtMost, type Modes } from '../bounds/modes.ts';
import type { KindLoad, KindLoads } from '../kinds.ts';
import { leastOver } from '../simplex.ts';

/** So many of the items that gain most are tried with each remainder of a load. */
const mostTried = 4;

/** What a load costs above what its kinds are worth. */
export function reducedCost({ kinds, cost }: KindLoad, worth: Float64Array): number {
  let reduced = cost;
  for (const k of kinds) reduced -= worth[k] as number;
  return reduced;
}
/** How often a kind is in a load. */
const timesIn = (kinds: readonly number[], k: number): number => kinds.reduce((n, x) => (x === k ? n + 1 : n), 0);

export class Neighbours {
  private readonly known: KindLoads;
  private readonly settings: number;
  /** What an item of a kind adds at least at a setting: [kind × settings + setting]. */
  private readonly leastAdded: Float64Array;
  constructor(modes: Modes, known: KindLoads) {
    this.known = known;
    this.settings = modes.inst.basket.settings.length;
    const ofItems = modes.leastAddedAt();
    const { settings } = this;
    this.leastAdded = new Float64Array(known.kinds.length * settings);
    known.kinds.forEach(([i = 0], k) =>
      this.leastAdded.set(ofItems.subarray(i * settings, (i + 1) * settings), k * settings),
    );
  }
  /** The kinds of which one more may pay in a load, those that may pay most first. */
  private gains({ kinds, setting }: KindLoad, left: readonly number[], worth: Float64Array): Gain[] {
    const gains: Gain[] = [];
    left.forEach((n, k) => {
      const gain = (worth[k] as number) - (this.leastAdded[k * this.settings + setting] as number);
      if (n > 0 && gain > 0 && n > timesIn(kinds, k)) gains.push({ k, gain });
    });
    return gains.sort((x, y) => y.gain - x.gain || x.k - y.k);
  }
  /** Those around a load that are worth more than they cost, of what is left of each kind. They are met from now on. */
  around(load: KindLoad, left: readonly number[], worth: Float64Array): KindLoad[] {
    const { known } = this;
    const found = new Set<KindLoad>();
    const look = (kinds: readonly number[]): void => {
      const sorted = [...kinds].sort((x, y) => x - y);
      // Only what pays is remembered: most is priced in vain.
      const better = reducedCost({ kinds: sorted, ...known.price(sorted) }, worth) < -leastOver && known.meet(sorted);
      if (better) found.add(better);
    };
    const gains = this.gains(load, left, worth);
    const lookWithOneMore = (rest: readonly number[], reduced: number): void => {
      let tried = 0;
      for (const { k, gain } of gains) {
        if (tried === mostTried || reduced - gain - emptyDrumAtMost > -leastOver) return;
        if (rest.some((j) => known.clash(j, k))) continue;
        tried++;
        look([...rest, k]);
      }
    };
    lookWithOneMore(load.kinds, reducedCost(load, worth));
    load.kinds.forEach((k, x) => {
      if (load.kinds.length === 1 || load.kinds.indexOf(k) !== x) return;
      const rest = load.kinds.toSpliced(x, 1);
      const { cost, setting } = known.price(rest);
      const reduced = reducedCost({ kinds: rest, cost, setting }, worth);
      if (reduced < -leastOver) look(rest);
      lookWithOneMore(rest, reduced);
    });
    return [...found];
  }
}
interface Gain {
  k: number;
  gain: number;
}
