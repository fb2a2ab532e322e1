/**
 * Better divisions by rounding the relaxation over real loads. A dive fixes the loads that the relaxation washes once or nearly, settles it again for what is
 * left, and so on until nothing is; small moves mend what the last loads are short of. Several dives fix other loads first, by other random numbers.
 */
import { seeded } from '../../units/random.ts';
import { divisionOf, type Division, type Pricer } from '../instance.ts';
import type { KindLoad, KindLoads } from '../kinds.ts';
import type { Modes } from '../bounds/modes.ts';
import { betterPartition, type PartitionSolver } from '../partition.ts';
import { Neighbours, reducedCost } from './neighbours.ts';
import { RealRelaxation, type Settled, type Use } from './real-relaxation.ts';

/** Rounds of asking for new loads: for the whole, for what a mend takes apart, while a dive has much left, and when only so many items are left. */
const rounds = { whole: 20, mend: 1, dive: 1, tail: 8 };
const tailItems = 150;
/** A load whose share lacks at most this much of a whole number is washed once more. */
const nearlyOnce = 0.2;
/** A hair: right-hand sides of the relaxation are shifted apart. */
const hair = 1e-4;
/** How far random numbers raise the share by which a load is chosen where none is near a whole number. */
const noise = 0.3;
/** A mend takes so many loads apart, and of few loads this share; those that the relaxation washes as they are so much more seldom. */
const mostApart = 24;
const shareApart = 0.6;
const washedLess = 0.3;
/** So many in a row that bring nothing are enough. */
const mostInVain = 12;
/** Costs nearer than this, EUR, are the same. */
const same = 1e-6;

/** Dives, and loads of the best division taken apart and put together again. */
export interface RoundingEffort {
  dives: number;
  mends: number;
}
type Loads = (readonly number[])[];
/** A dive at its beginning: loads that are chosen, what is left of each kind, loads that fit into that, and those the relaxation uses. */
interface Begun {
  chosen: Loads;
  left: number[];
  loads: KindLoad[];
  used: readonly Use[];
}
/** A division improved by small moves, with exchanges between loads or without. */
export type Polish = (division: Division, swaps: boolean) => Division;

export class Rounding {
  private readonly known: KindLoads;
  private readonly pricer: Pricer;
  private readonly relaxation: RealRelaxation;
  private readonly polish: Polish;
  private dives = 0;
  best: Division;
  constructor(modes: Modes, pricer: Pricer, known: KindLoads, polish: Polish, best: Division) {
    this.known = known;
    this.pricer = pricer;
    this.relaxation = new RealRelaxation(known, new Neighbours(modes, known));
    this.polish = polish;
    this.best = best;
    this.meet(best);
  }
  private meet(division: Division): void {
    for (const items of division.loads) this.known.meet(this.known.kindsOf(items));
  }
  private offer(division: Division): void {
    this.meet(division);
    if (division.cost < this.best.cost - same) this.best = division;
  }
  /** The relaxation of the whole, and the loads that a division into loads met, better than the best, may hold (L9). */
  private whole(): { settled: Settled; near: KindLoad[] } {
    const loads = [...this.known.met.values()];
    const settled = this.relaxation.settle(this.known.counts, loads, rounds.whole, []);
    const open = this.best.cost - settled.value;
    return { settled, near: loads.filter((load) => reducedCost(load, settled.worth) < open) };
  }
  /** Several dives, then mends of the best division; `told` answers true when that is enough. */
  run({ dives, mends }: RoundingEffort, told: (share: number) => boolean): void {
    const { settled, near } = this.whole();
    let found: Division | null = null;
    const all = dives + mends;
    for (let dive = 0; dive < dives; dive++) {
      const random = this.dives++ === 0 ? () => 0 : seeded(this.dives);
      const begin = { chosen: [], left: [...this.known.counts], loads: [...near], used: settled.used };
      const loads = this.dive(begin, random, () => told(dive / all));
      if (!loads) break;
      const division = this.polish(divisionOf(this.known.inst, this.pricer, this.known.sharedOut(loads)), false);
      this.meet(division);
      if (!found || division.cost < found.cost) found = division;
    }
    if (found) this.offer(this.polish(found, true));
    let inVain = 0;
    for (let mend = 0; mend < mends && inVain < mostInVain && !told((dives + mend) / all); mend++)
      inVain = this.mend(settled, seeded(++this.dives)) ? 0 : inVain + 1;
  }
  /** Some loads of the best division are taken apart, and a dive puts their items together again; answers whether that is better. */
  private mend({ used, worth, value }: Settled, random: () => number): boolean {
    const loads = this.best.loads.map((items) => this.known.kindsOf(items));
    const apart = new Set(this.apart(loads, used, random));
    const chosen = loads.filter((_, x) => !apart.has(x));
    const left = [...this.known.counts];
    for (const kinds of chosen) for (const k of kinds) left[k] = (left[k] as number) - 1;
    const open = this.best.cost - value;
    const may = [...this.known.met.values()].filter(
      (load) => fitsInto(load.kinds, left) && reducedCost(load, worth) < open,
    );
    const begin = [...apart].flatMap((x) => this.known.meet(loads[x] as readonly number[]) ?? []);
    const settled = this.relaxation.settle(left, may, rounds.mend, begin);
    const dived = this.dive({ chosen, left, loads: may, used: settled.used }, random, () => false);
    const division = dived && divisionOf(this.known.inst, this.pricer, this.known.sharedOut(dived));
    if (!division || division.cost > this.best.cost - same) return false;
    this.offer(this.polish(division, true));
    return true;
  }
  /** Places of the loads that are taken apart: one, and others with what may be washed beside it, those that the relaxation of the whole does not wash above all. */
  private apart(loads: Loads, used: readonly Use[], random: () => number): number[] {
    const shares = new Map(used.map(({ load, share }) => [load.kinds.join(','), share]));
    const first = Math.floor(random() * loads.length);
    const seed = loads[first] as readonly number[];
    const rank = loads.map((kinds, x) => {
      const related = kinds.filter((k) => !seed.some((j) => this.known.clash(k, j))).length / kinds.length;
      const washed = (shares.get(kinds.join(',')) ?? 0) > 1 - nearlyOnce;
      return x === first ? Infinity : related * (washed ? washedLess : 1) * random();
    });
    const number = Math.min(mostApart, Math.ceil(loads.length * shareApart));
    return [...loads.keys()].sort((x, y) => (rank[y] as number) - (rank[x] as number)).slice(0, number);
  }
  /** One dive: the loads it ends with, by their kinds; null where somebody had enough. */
  private dive({ chosen, left, loads, used }: Begun, random: () => number, enough: () => boolean): Loads | null {
    for (;;) {
      if (enough()) return null;
      const fixed = fixable(used, left, random);
      if (fixed.length === 0) return chosen;
      for (const { kinds } of fixed) {
        chosen.push(kinds);
        for (const k of kinds) left[k] = (left[k] as number) - 1;
      }
      const items = left.reduce((t, n) => t + n, 0);
      if (items === 0) return chosen;
      loads = loads.filter((load) => fitsInto(load.kinds, left));
      const begin = used.toSorted((x, y) => y.share - x.share).map(({ load }) => load);
      ({ used } = this.relaxation.settle(left, loads, items < tailItems ? rounds.tail : rounds.dive, begin));
    }
  }
  /** A better division of all loads met, as an integer-programming library finds it. */
  partition(solver: PartitionSolver): void {
    const { settled, near } = this.whole();
    const { counts, waitCosts } = this.known;
    const loads = betterPartition(
      {
        counts,
        waitCosts,
        loads: near,
        worth: settled.worth,
        bound: settled.value,
        best: this.best.loads.map((items) => this.known.kindsOf(items)),
      },
      this.best.cost,
      solver,
    );
    if (loads) this.offer(this.polish(divisionOf(this.known.inst, this.pricer, this.known.sharedOut(loads)), true));
  }
}

/** There is enough left of each of these kinds, which ascend. */
function fitsInto(kinds: readonly number[], left: readonly number[]): boolean {
  let times = 0;
  return kinds.every((k, x) => {
    times = k === kinds[x - 1] ? times + 1 : 1;
    return times <= (left[k] as number);
  });
}
/** The loads to be fixed next, as often as they are: whole shares, then those nearly whole, or else the one with the largest share. */
function fixable(used: readonly Use[], left: readonly number[], random: () => number): KindLoad[] {
  const free = [...left];
  const fixed: KindLoad[] = [];
  const fix = (load: KindLoad): void => {
    if (!fitsInto(load.kinds, free)) return;
    fixed.push(load);
    for (const k of load.kinds) free[k] = (free[k] as number) - 1;
  };
  const rest = used.map(({ load, share }) => {
    const whole = Math.floor(share + hair);
    for (let n = 0; n < whole; n++) fix(load);
    return { load, share: share - whole };
  });
  for (const { load, share } of rest.toSorted((x, y) => y.share - x.share)) if (share > 1 - nearlyOnce) fix(load);
  if (fixed.length > 0) return fixed;
  const raised = rest.map(({ load, share }) => ({ load, share: share * (1 + noise * random()) }));
  for (const { load } of raised.toSorted((x, y) => y.share - x.share)) {
    fix(load);
    if (fixed.length > 0) break;
  }
  return fixed;
}
