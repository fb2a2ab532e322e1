/**
 * The pricing problem of column generation: the load that is worth most above its cost, given what each item is worth
 * (its dual). Each way of washing (setting, product, soil, family) is searched by itself; supposing it, the cost only
 * grows with the set, so that a separable lower bound prunes a depth-first search over compatible items.
 */
import type { PieceNumbers } from '../../price/basket.ts';
import { companyHarm } from '../../price/company-price.ts';
import { gather, noFeatures, type Features } from '../../price/features.ts';
import { isAsSupposed, noSupersetBounds, supposedCost } from '../../price/price.ts';
import { companyAt, Tint, wordsFor, type Company } from '../bounds/company.ts';
import { ascending, type Instance } from '../instance.ts';
import type { Mode, Modes } from '../bounds/modes.ts';
import { PackingBound } from '../bounds/packing-bound.ts';

export interface FoundColumn {
  items: number[];
  cost: number;
  reduced: number;
}
export interface Findings {
  columns: FoundColumn[];
  /** No load anywhere has a reduced cost below this. */ leastReduced: number;
  exact: boolean;
  /** Some way of washing was left before its limit: asked again, it is looked at for longer. */
  mayLookLonger: boolean;
  /** Sets looked at. */ visited: number;
}

/** A load is worth looking at below this reduced cost. */
const start = -1e-7;
/** Columns of one mode that are handed over at once, the best and those before it. */
const mostPerMode = 3;
/** A look that was cut off in vain is so many times as long the next time. */
const longerLook = 4;
/** Shares of its price at which room is charged for bounds. */
const discounts = [1, 0.5, 0];
/** Shares of the second measure in a mix of both. */
const mixes = [0, 0.25, 0.5, 0.75, 1];

/** One level of the depth-first search: what is known of the set so far, and of those who could still join it. */
interface Level {
  features: Features;
  /** The tint of the set: that of the level above when nothing dyed was added. */
  tint: Tint;
  ownTint: Tint;
  candidates: Int16Array;
  /** Worth of each item above what it adds at least: to the straight-line bound, and to the real cost. */
  gains: Float64Array;
  joins: Float64Array;
  /** Least harm (dye, grey, soil) that the set so far does to each candidate, and the dye's part of it. */
  harm: Float64Array;
  dyeHarm: Float64Array;
  /** Most that the candidates from each one on can still add. */
  reachGains: Float64Array;
  reachJoins: Float64Array;
}
/**
 * One search of a mode. Loads of a reduced cost below `target` are handed to `take`, which answers with the next
 * target.
 */
interface Dive {
  mode: Mode;
  company: Company;
  worth: Float64Array;
  base: number;
  room: Float64Array;
  dense: readonly number[];
  nodesLeft: number;
  target: number;
  take: (column: FoundColumn) => number;
  /** Asked every so many sets; answers true when the search is to end. */
  stopped: () => boolean;
  cutAt: number;
}
const nothing = { visited: 0, cutAt: Infinity };
const never = (): boolean => false;
/** Sets between two questions whether to stop, a power of two. */
const askedEvery = 4_096;

export class ColumnFinder {
  readonly inst: Instance;
  private readonly modes: Modes;
  private readonly list: readonly Mode[];
  private readonly companies = new Map<number, Company>();
  private readonly words: number;
  private readonly reach: PackingBound;
  private readonly levels: Level[] = [];
  private readonly isCandidate: Uint8Array;
  private readonly rates: Float64Array;
  private readonly wantedKg: Float64Array;
  private readonly bounds = noSupersetBounds();
  private readonly chosen: number[] = [];
  private readonly set: number[] = [];
  private readonly full: number;
  /** Visited sets of a first look at a mode; where that is cut off in vain, the next look is longer. */
  private readonly firstLook: number;
  private readonly looks = new Map<Mode, number>();
  /** Of each item, the one before it of its kind, and the first; −1 for a first. */
  private readonly before: Int32Array;
  private readonly first: Int32Array;
  private readonly isChosen: Uint8Array;
  /** `kinds` of items that are interchangeable (L2): of each the first ones stand for any. */
  constructor(modes: Modes, kinds: readonly (readonly number[])[], firstLook = Infinity) {
    const { inst } = modes;
    this.before = new Int32Array(inst.items.length).fill(-1);
    this.first = Int32Array.from(inst.items, (_, i) => i);
    this.isChosen = new Uint8Array(inst.items.length);
    for (const kind of kinds)
      kind.forEach((i, x) => {
        this.first[i] = kind[0] as number;
        this.before[i] = kind[x - 1] ?? -1;
      });
    this.inst = inst;
    this.modes = modes;
    this.list = modes.list;
    this.firstLook = firstLook;
    this.words = wordsFor(inst.items.length);
    this.reach = new PackingBound(inst.items.length);
    this.rates = new Float64Array(inst.basket.dyeGroups);
    this.wantedKg = new Float64Array(inst.basket.dyeGroups);
    this.isCandidate = new Uint8Array(inst.items.length);
    this.full = modes.full;
  }
  /** What any load costs at least. */
  leastCost(): number {
    return Math.max(1e-3, Math.min(...this.modes.list.map((m) => m.base)));
  }

  private companyOf({ index, supposed: { caught } }: Mode): Company {
    const key = index * 2 + (caught ? 1 : 0);
    const known = this.companies.get(key);
    if (known) return known;
    const fresh = companyAt(this.inst, index, caught);
    this.companies.set(key, fresh);
    return fresh;
  }
  private level(depth: number): Level {
    const known = this.levels[depth];
    if (known) return known;
    const n = this.inst.items.length;
    const numbers = (more = 0): Float64Array => new Float64Array(n + more);
    const ownTint = new Tint(this.inst.basket);
    const fresh: Level = {
      features: noFeatures(),
      tint: ownTint,
      ownTint,
      candidates: new Int16Array(n),
      gains: numbers(),
      joins: numbers(),
      harm: numbers(),
      dyeHarm: numbers(),
      reachGains: numbers(1),
      reachJoins: numbers(1),
    };
    this.levels[depth] = fresh;
    return fresh;
  }

  /** The best columns of each mode, and a bound on what none can beat. */
  find(worth: Float64Array, nodesPerMode: number): Findings {
    const found: Findings = { columns: [], leastReduced: 0, exact: true, mayLookLonger: false, visited: 0 };
    for (const mode of this.list) {
      const better: FoundColumn[] = [];
      const look = Math.min(nodesPerMode, this.looks.get(mode) ?? this.firstLook);
      const { visited, cutAt } = this.search(mode, worth, start, look, (column) => {
        better.push(column);
        return column.reduced - 1e-9;
      });
      found.visited += visited;
      if (cutAt < Infinity) found.exact = false;
      if (cutAt < Infinity && better.length === 0 && look < nodesPerMode) {
        this.looks.set(mode, look * longerLook);
        found.mayLookLonger = true;
      }
      found.leastReduced = Math.min(found.leastReduced, cutAt, better.at(-1)?.reduced ?? 0);
      found.columns.push(...better.slice(-mostPerMode));
    }
    return found;
  }
  /** Every load of a reduced cost below this; null where they are too many, too many sets have to be visited for it, or `stopped`, asked now and then, answers true. */
  allWithin(
    worth: Float64Array,
    reducedCost: number,
    most: { columns: number; visited: number },
    stopped = never,
  ): FoundColumn[] | null {
    const found = new Map<string, FoundColumn>();
    let left = most.visited;
    for (const mode of this.list) {
      const { visited, cutAt } = this.search(
        mode,
        worth,
        reducedCost,
        left,
        (column) => {
          const key = column.items.join(',');
          const known = found.get(key);
          if (!known || column.cost < known.cost) found.set(key, column);
          return found.size > most.columns ? -Infinity : reducedCost;
        },
        stopped,
      );
      left -= visited;
      if (cutAt < Infinity || found.size > most.columns) return null;
    }
    return [...found.values()];
  }

  /**
   * Loads of one mode with a reduced cost below `target`, each handed to `take`, which tells the target from then on.
   * `cutAt` = a bound on what was left out when the visited sets ran out, else Infinity.
   */
  private search(
    mode: Mode,
    worth: Float64Array,
    target: number,
    nodes: number,
    take: Dive['take'],
    stopped = never,
  ): { visited: number; cutAt: number } {
    const n = this.inst.items.length;
    const root = this.level(0);
    const { gains, joins } = root;
    const { base } = mode;
    let positive = 0;
    for (let i = 0; i < n; i++) {
      const gain = (worth[i] as number) - (mode.leastCost[i] as number);
      gains[i] = gain;
      if (gain > 0) positive += gain;
    }
    if (base - positive >= target) return nothing;
    const wanted: number[] = [];
    for (let i = 0; i < n; i++) if ((gains[i] as number) > 0) wanted.push(i);
    const { room, dense, most } = this.tightestRoom(mode, gains, wanted, base - target);
    if (base - most >= target) return nothing;
    const order: number[] = [];
    for (let i = 0; i < n; i++) {
      joins[i] = (worth[i] as number) - (mode.leastAdded[i] as number);
      if (mode.leastCost[i] !== Infinity) order.push(i);
    }
    // First the pieces without which the mode is not real. Strong givers are decided early: what they would cost the others
    // then shows soon. Among equals the most wanted comes first.
    const company = this.companyOf(mode);
    const weight = new Float64Array(n);
    for (const i of wanted)
      for (const j of wanted) {
        if (i < j) {
          const concern = Math.min(
            gains[i] as number,
            gains[j] as number,
            (company.damage[i * n + j] as number) + (company.damage[j * n + i] as number),
          );
          weight[i] = (weight[i] as number) + concern;
          weight[j] = (weight[j] as number) + concern;
        }
      }
    const weightOf = (i: number): number => weight[this.first[i] as number] as number;
    const gainOf = (i: number): number => gains[this.first[i] as number] as number;
    order.sort((x, y) => weightOf(y) - weightOf(x) || gainOf(y) - gainOf(x) || x - y);
    order.forEach((i, k) => {
      root.candidates[k] = i;
    });
    const dive: Dive = {
      mode,
      company,
      worth,
      base,
      room,
      dense,
      nodesLeft: nodes,
      target,
      take,
      stopped,
      cutAt: Infinity,
    };
    this.visit(dive, 0, order.length, base, -Infinity, 0, mode.conditions, 0);
    return { visited: nodes - dive.nodesLeft, cutAt: dive.cutAt };
  }

  /**
   * The mix of both measures of room by which the wanted items gain least, were they divisible, and `most` = what they gain then; with those items,
   * the most gain per room first. Left as soon as they gain no more than `enough`.
   */
  private tightestRoom(
    { room: one, otherRoom: other }: Mode,
    gains: Float64Array,
    wanted: readonly number[],
    enough: number,
  ): { room: Float64Array; dense: readonly number[]; most: number } {
    let best = { room: one, dense: wanted, most: Infinity };
    const density = new Float64Array(gains.length);
    for (const share of other ? mixes : [0]) {
      const room =
        share === 0 || !other ? one : Float64Array.from(one, (x, i) => (1 - share) * x + share * (other[i] as number));
      for (const i of wanted) density[i] = (gains[i] as number) / (room[i] as number);
      const dense = [...wanted].sort((x, y) => (density[y] as number) - (density[x] as number) || x - y);
      let free = this.full;
      let total = 0;
      for (const i of dense) {
        const part = Math.min(1, free / (room[i] as number));
        total += part * (gains[i] as number);
        free -= part * (room[i] as number);
        if (free <= 0) break;
      }
      if (total < best.most - 1e-9) best = { room, dense, most: total };
      if (best.most <= enough) break;
    }
    return best;
  }

  /** The gain per room at which the candidates just fill what is free; 0 when all of them fit. */
  private priceOfRoom({ dense, room }: Dive, level: Level, count: number, free: number): number {
    const { isCandidate } = this;
    const { candidates, gains } = level;
    let wanted = 0;
    for (let k = 0; k < count; k++) {
      const i = candidates[k] as number;
      if ((gains[i] as number) > 0) wanted += room[i] as number;
    }
    if (wanted <= free) return 0;
    for (let k = 0; k < count; k++) isCandidate[candidates[k] as number] = 1;
    let filled = 0;
    let price = 0;
    for (const i of dense) {
      if (!isCandidate[i] || (gains[i] as number) <= 0) continue;
      filled += room[i] as number;
      if (filled > free) {
        price = (gains[i] as number) / (room[i] as number);
        break;
      }
    }
    for (let k = 0; k < count; k++) isCandidate[candidates[k] as number] = 0;
    return price;
  }

  /**
   * What each candidate is worth above what it adds at least: to itself, by the dye it would take up, and to the set,
   * by the dye it would give.
   */
  private prospects({ mode, worth }: Dive, level: Level, next: Level, count: number, grew: boolean): void {
    const { basket: b, items } = this.inst;
    const { rates, wantedKg } = this;
    const { candidates, gains, joins, harm, dyeHarm, tint, features } = next;
    const setting = b.settings[mode.index];
    tint.ratesOn(this.set, rates);
    let rated = false;
    for (let g = 0; g < rates.length; g++) if ((rates[g] as number) > 0) rated = true;
    if (rated) {
      wantedKg.fill(0);
      for (let k = 0; k < count; k++)
        for (const p of items[candidates[k] as number]?.pieces ?? []) {
          const g = b.dyeGroup[p] as number;
          if (g >= 0) wantedKg[g] = (wantedKg[g] as number) + (b.donorKg[p] as number);
        }
      for (let g = 0; g < rates.length; g++)
        if ((rates[g] as number) > 0) rates[g] = (rates[g] as number) * tint.countedShare(g, wantedKg[g] as number);
    }
    for (let k = 0; k < count; k++) {
      const j = candidates[k] as number;
      const pieces = items[j]?.pieces ?? [];
      dyeHarm[j] = grew ? tint.damageTo(pieces) : (level.dyeHarm[j] as number);
      let besides = 0;
      if (setting && (features.greyKg > 0 || features.soilKg > 0))
        for (const p of pieces) besides += companyHarm(features, b.pieces[p] as PieceNumbers, setting);
      harm[j] = dyeHarm[j] + besides;
      let lost = harm[j];
      if (rated)
        for (const p of pieces) {
          const g = b.dyeGroup[p] as number;
          if (g >= 0) lost += (rates[g] as number) * (b.donorKg[p] as number);
        }
      gains[j] = (worth[j] as number) - (mode.leastCost[j] as number) - lost;
      joins[j] = (worth[j] as number) - (mode.leastAdded[j] as number) - lost;
    }
  }

  /**
   * Sets that grow the chosen one by candidates of this level. Of the chosen set: `line` = the separable lower bound
   * with its dye damage, `real` = its supposed cost, both above its worth. What follows adds at least `leastCost` to the
   * first and `leastAdded` to the second (the first counts dose and water by a straight line, the second takes them as
   * paid), so that both bound every larger set.
   */
  private visit(
    dive: Dive,
    depth: number,
    count: number,
    line: number,
    real: number,
    filled: number,
    unmet: number,
    cloth: number,
  ): void {
    const { mode, company, worth, room } = dive;
    const { treatments, treatment } = mode;
    const { cloths } = this.modes;
    const { basket: b, items } = this.inst;
    const { words, full, chosen, set } = this;
    const level = this.level(depth);
    const { candidates, gains, joins, harm, reachGains, reachJoins } = level;
    const free = full - filled;
    const price = this.priceOfRoom(dive, level, count, free);
    // Where many exclude each other, room is worth less than its price: the bound is the least at both, and at any.
    for (const share of price > 0 ? discounts : [0]) {
      const terms = { price: price * share, free, unmet };
      this.reach.bound(
        reachGains,
        { candidates, count, gains, harm },
        company,
        mode,
        room,
        terms,
        share !== discounts[0] && price > 0,
      );
      if (real > -Infinity)
        this.reach.bound(
          reachJoins,
          { candidates, count, gains: joins, harm },
          company,
          mode,
          room,
          terms,
          share !== discounts[0] && price > 0,
        );
    }
    for (let k = 0; k < count; k++) {
      const i = candidates[k] as number;
      const { target } = dive;
      const twin = this.before[i] as number;
      if (twin >= 0 && !this.isChosen[twin]) continue;
      const bound = Math.max(
        line - (reachGains[k] as number),
        real > -Infinity ? real - (reachJoins[k] as number) : -Infinity,
      );
      if (bound >= target) return;
      // With this item in, whatever follows: an item without a gain can still be of use, to make the supposed mode real or a catcher due.
      const meets = (mode.serves[i] as number) & unmet;
      if (
        !meets &&
        (line - (gains[i] as number) - (reachGains[k + 1] as number) >= target ||
          real - (joins[i] as number) - (reachJoins[k + 1] as number) >= target)
      )
        continue;
      if (dive.nodesLeft <= 0) {
        dive.cutAt = Math.min(dive.cutAt, bound);
        return;
      }
      if (filled + (room[i] as number) > full) continue;
      const joined = cloth | (cloths[i] as number);
      if (joined !== cloth && !(treatments.reach(joined) & treatment)) continue;
      dive.nodesLeft--;
      if (dive.nodesLeft % askedEvery === 0 && dive.stopped()) dive.nodesLeft = 0;
      const next = this.level(depth + 1);
      const pieces = items[i]?.pieces ?? [];
      let gathered = level.features;
      for (const p of pieces) {
        gather(next.features, gathered, b.pieces[p] as PieceNumbers);
        gathered = next.features;
      }
      const before = set.length;
      chosen.push(i);
      this.isChosen[i] = 1;
      for (const p of pieces) set.push(p);
      const dyed = pieces.some((p) => (b.dyeGroup[p] as number) >= 0);
      const grew = dyed && next.ownTint.grow(level.tint, pieces, mode.index, mode.supposed.caught);
      next.tint = dyed ? next.ownTint : level.tint;
      const bounds = this.bounds;
      const { shares } = next.tint;
      const cost = supposedCost(b, set, next.features, shares, mode.index, mode.supposed, bounds);
      if (cost < Infinity) {
        let worths = 0;
        let separable = dive.base + bounds.harmAtLeast;
        for (const x of chosen) {
          worths += worth[x] as number;
          separable -= (worth[x] as number) - (mode.leastCost[x] as number);
        }
        const isReal =
          (mode.supposed.caught || !bounds.catcherDue) && isAsSupposed(b, next.features, mode.index, mode.supposed);
        const reduced = cost - worths;
        if (isReal && reduced < target) dive.target = dive.take({ items: ascending(chosen), cost, reduced });
        const taken = filled + (room[i] as number);
        let rest = 0;
        for (let q = k + 1; q < count; q++) {
          const j = candidates[q] as number;
          if (
            (company.exclusive[i * words + (j >> 5)] as number) & (1 << (j & 31)) ||
            taken + (room[j] as number) > full ||
            (joined !== cloth && !(treatments.reach(joined | (cloths[j] as number)) & treatment))
          )
            continue;
          next.candidates[rest++] = j;
        }
        if (rest > 0) {
          this.prospects(dive, level, next, rest, grew);
          const atLeast = bounds.costAtLeast - worths;
          this.visit(dive, depth + 1, rest, separable, atLeast, taken, unmet & ~meets, joined);
        }
      }
      chosen.pop();
      this.isChosen[i] = 0;
      set.length = before;
    }
  }
}
