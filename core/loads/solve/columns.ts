/**
 * The pricing problem of column generation: the load that is worth most above its cost, given what each item is worth (its dual). Each way of
 * washing (setting, product, soil, family) is searched by itself; supposing it, the cost only grows with the set, so that a separable lower bound
 * prunes a depth-first search over compatible items.
 */
import { bleedLimits } from '../../colour/bleed.ts';
import type { Basket } from '../basket.ts';
import { duty } from '../bits.ts';
import { dyeDamage } from '../dye-view.ts';
import { featuresOf } from '../features.ts';
import { isAsSupposed, supposedCost } from '../price.ts';
import { caughtFactor, donorShares, transferAllowed } from '../transfer.ts';
import { ascending, type Instance } from './instance.ts';
import { Modes, type Mode } from './modes.ts';

export interface FoundColumn { items: number[]; cost: number; reduced: number }
export interface Findings { columns: FoundColumn[]; /** No load anywhere has a reduced cost below this. */ leastReduced: number; exact: boolean; /** Sets looked at. */ visited: number }

/** Deterministic limit of one search, in visited sets. */
export interface FindEffort { nodesPerMode: number }

/** A load is full at 1, packed by a confirmed decision at 1.2; the hair above is the price's own tolerance. */
const fullOf = (b: Basket): number => (b.pieces.some((p) => (p.duties & duty.overfill) !== 0) ? 1.2 : 1) + 1e-9;
/** Loose-dye score × √kg from which a piece counts as a strong giver. */
const strongGiver = 0.03;
/** Groups above this size are bounded without looking at pairs. */
const pairLimit = 140;

export class ColumnFinder {
  private readonly inst: Instance;
  private readonly modes: Modes;
  private readonly damages = new Map<number, Float64Array>();
  private readonly soiled = new Map<number, readonly boolean[]>();
  private readonly givers = new Map<number, readonly boolean[]>();
  /** `from` = the finder of the whole group, when this one looks at a branch of it in which some items have become one. */
  constructor(inst: Instance, fine: boolean, from: { finder: ColumnFinder; groups: readonly (readonly number[])[] } | null = null) {
    this.inst = inst;
    this.modes = from ? from.finder.modes.merged(inst, from.groups) : Modes.of(inst, fine);
  }
  /** See {@link Modes.shareWorth}. */
  shareWorth(): Float64Array {
    return this.modes.shareWorth();
  }

  private soiledAt(soilColumn: number): readonly boolean[] {
    const { basket: b, items } = this.inst;
    const known = this.soiled.get(soilColumn);
    if (known) return known;
    const fresh = items.map((item) => item.pieces.some((p) => b.pieces[p]?.soilColumn === soilColumn));
    this.soiled.set(soilColumn, fresh);
    return fresh;
  }
  private giversAt(index: number): readonly boolean[] {
    const { basket: b, items } = this.inst;
    const known = this.givers.get(index);
    if (known) return known;
    const fresh = items.map((item) => item.pieces.some((p) => (b.giverScore[p]?.[index] ?? 0) * Math.sqrt(b.donorKg[p] ?? 0) > strongGiver));
    this.givers.set(index, fresh);
    return fresh;
  }

  /** ΔE a set lends at least per unit of uptake, by dye group; more company only adds to it. */
  private tintOf(set: readonly number[], shares: Float64Array, index: number): Float64Array {
    const { basket: b } = this.inst;
    const tint = new Float64Array(b.dyeGroups);
    for (const p of set) {
      const g = b.dyeGroup[p] ?? -1;
      if (g >= 0) tint[g] = Math.max(tint[g] as number, (b.giverScore[p]?.[index] ?? 0) * (shares[g] as number) * (b.catcher && b.caught[p] ? bleedLimits.catcherFactor : 1));
    }
    return tint;
  }
  private damageFrom(tint: Float64Array, item: number): number {
    const { basket: b, items } = this.inst;
    let damage = 0;
    for (const r of items[item]?.pieces ?? []) {
      let most = 0;
      for (let g = 0; g < tint.length; g++) if (tint[g] as number > 0) most = Math.max(most, (tint[g] as number) * (b.uptake[b.dyeOfGroup[g] as number]?.[r] ?? 0));
      damage += dyeDamage(b, r, most);
    }
    return damage * b.weights.dyeDamage;
  }

  /** Least dye damage between pairs of items at a setting: [giver × n + receiver]; Infinity where the pair alone is already refused. */
  private damageAt(index: number): Float64Array {
    const known = this.damages.get(index);
    if (known) return known;
    const { basket: b, items, apart } = this.inst;
    const n = items.length;
    const out = new Float64Array(n * n);
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) {
      if (i === j) continue;
      out[i * n + j] = apart[i * n + j] ? Infinity : this.pairDamage(items[i]?.pieces ?? [], items[j]?.pieces ?? [], index, b);
    }
    this.damages.set(index, out);
    return out;
  }
  private pairDamage(givers: readonly number[], receivers: readonly number[], index: number, b: Basket): number {
    let damage = 0;
    for (const r of receivers) {
      let most = 0;
      for (const g of givers) {
        const dye = b.dyeIndex[g] ?? -1;
        if (dye < 0) continue;
        const share = Math.sqrt(Math.min(1, (b.donorKg[g] ?? 0) / bleedLimits.referenceLoadKg));
        const raw = (b.giverScore[g]?.[index] ?? 0) * (b.uptake[dye]?.[r] ?? 0) * share;
        const deltaE = b.catcher ? raw * caughtFactor(b, g, r) : raw;
        if (!transferAllowed(b, g, r, deltaE)) return Infinity;
        most = Math.max(most, deltaE);
      }
      damage += b.weights.dyeDamage * dyeDamage(b, r, most);
    }
    return damage;
  }

  /** The best column of each mode, and a bound on what none can beat. `worth` per item, `perLoad` for any load at all. */
  find(worth: Float64Array, perLoad: number, effort: FindEffort): Findings {
    const found: Findings = { columns: [], leastReduced: 0, exact: true, visited: 0 };
    for (const mode of this.modes.list) this.findIn(mode, worth, perLoad, effort, found);
    return found;
  }

  private findIn(mode: Mode, worth: Float64Array, perLoad: number, effort: FindEffort, found: Findings): void {
    const { basket: b, items, apart } = this.inst;
    const n = items.length;
    const gain = new Float64Array(n);
    const joining = new Float64Array(n);
    const order: number[] = [];
    let positive = 0;
    for (let i = 0; i < n; i++) {
      const own = mode.own[i] as number;
      if (own === Infinity) continue;
      gain[i] = (worth[i] as number) - own;
      joining[i] = (worth[i] as number) - (mode.added[i] as number);
      order.push(i);
      if ((gain[i] as number) > 0) positive += gain[i] as number;
    }
    const base = mode.base - perLoad;
    const start = -1e-7;
    if (base - positive >= start) return;
    // First the pieces of the supposed soil, without which the mode is not real. Strong givers are decided early: what they would cost the others
    // then shows soon. Among equals the most wanted comes first.
    const soiled = this.soiledAt(mode.supposed.soilColumn);
    const givers = this.giversAt(mode.index);
    const rank = (i: number): number => (soiled[i] ? 4 : 0) + ((joining[i] as number) > 0 ? 2 : 0) + (givers[i] ? 1 : 0);
    const ranks = Int8Array.from(gain, (_, i) => rank(i));
    order.sort((x, y) => (ranks[y] as number) - (ranks[x] as number) || (gain[y] as number) - (gain[x] as number) || x - y);
    const pairs = n <= pairLimit ? this.damageAt(mode.index) : null;
    const exclusive = (i: number, j: number): boolean => (pairs ? pairs[i * n + j] === Infinity || pairs[j * n + i] === Infinity : apart[i * n + j] === 1);
    const { room } = mode;

    const full = fullOf(b);
    const price = roomPrice(order, gain, room, full);
    /**
     * Most that the candidates from `from` on can still add: of neighbours that exclude each other one counts, and room has its price (any price of
     * room gives a valid bound; the one at which the whole mode just fills a drum is a good one).
     */
    const reach = (candidates: readonly number[], from: number, gains: Float64Array, free: number): number => {
      let total = 0;
      let priced = price * free;
      let last = -1;
      for (let k = from; k < candidates.length; k++) {
        const i = candidates[k] as number;
        const g = gains[i] as number;
        if (g <= 0) continue;
        const net = Math.max(0, g - price * (room[i] as number));
        if (last >= 0 && exclusive(last, i)) {
          const before = gains[last] as number;
          total += Math.max(0, g - before);
          priced += Math.max(0, net - Math.max(0, before - price * (room[last] as number)));
          last = -1;
          continue;
        }
        total += g;
        priced += net;
        last = i;
      }
      return Math.min(total, priced);
    };

    let best: FoundColumn | null = null;
    let nodes = 0;
    const chosen: number[] = [];
    const set: number[] = [];
    /**
     * Of the chosen set: `line` = the separable lower bound with its dye damage, `real` = its supposed cost, both above its worth. What follows adds at
     * least `own` to the first and `added` to the second (the first counts dose and water by a straight line, the second takes them as paid), so
     * that both bound every larger set.
     */
    const visit = (candidates: readonly number[], gains: Float64Array, joins: Float64Array, line: number, real: number, filled: number, realised: boolean): void => {
      for (let k = 0; k < candidates.length; k++) {
        const i = candidates[k] as number;
        const target = best ? best.reduced - 1e-9 : start;
        const bound = Math.max(line - reach(candidates, k, gains, full - filled), real - reach(candidates, k, joins, full - filled));
        if (bound >= target) return;
        // Without a gain, an item is only of use to turn the set into the supposed mode.
        if ((joins[i] as number) <= 0 && (realised || line - (gains[i] as number) - reach(candidates, k + 1, gains, full - filled) >= target)) continue;
        if (nodes >= effort.nodesPerMode) {
          found.exact = false;
          found.leastReduced = Math.min(found.leastReduced, bound);
          return;
        }
        if (filled + (room[i] as number) > full) continue;
        nodes++;
        if (chosen.length === 0 && !soiled[i]) return; // what is left is dosed for a lighter soil: another mode
        chosen.push(i);
        const before = set.length;
        for (const p of items[i]?.pieces ?? []) set.push(p);
        const f = featuresOf(b, set);
        const shares = donorShares(b, set);
        const { cost, dye } = supposedCost(b, set, f, shares, mode.index, mode.supposed);
        if (cost < Infinity) {
          let r = cost - perLoad;
          let separable = base + dye;
          for (const x of chosen) { r -= worth[x] as number; separable -= gain[x] as number; }
          const isReal = isAsSupposed(b, f, mode.index, mode.supposed);
          if (isReal && r < target) best = { items: ascending(chosen), cost, reduced: r };
          const rest: number[] = [];
          const next = pairs ? gains.slice() : gains;
          const nextJoins = pairs ? joins.slice() : joins;
          const tint = pairs ? this.tintOf(set, shares, mode.index) : null;
          for (let q = k + 1; q < candidates.length; q++) {
            const j = candidates[q] as number;
            if (exclusive(i, j)) continue;
            if (tint) {
              const damage = this.damageFrom(tint, j);
              next[j] = (gain[j] as number) - damage;
              nextJoins[j] = (joining[j] as number) - damage;
            }
            rest.push(j);
          }
          visit(rest, next, nextJoins, separable, r, filled + (room[i] as number), isReal);
        }
        chosen.pop();
        set.length = before;
      }
    };
    visit(order, gain, joining, base, -Infinity, 0, false);
    found.visited += nodes;
    const column = best as FoundColumn | null;
    if (!column) return;
    found.columns.push(column);
    found.leastReduced = Math.min(found.leastReduced, column.reduced);
  }
}
/** The gain per room at which the candidates just fill a drum; 0 when all of them fit. */
function roomPrice(order: readonly number[], gain: Float64Array, room: Float64Array, full: number): number {
  const dense = order.filter((i) => (gain[i] as number) > 0).sort((x, y) => (gain[y] as number) * (room[x] as number) - (gain[x] as number) * (room[y] as number) || x - y);
  let filled = 0;
  for (const i of dense) {
    filled += room[i] as number;
    if (filled > full) return (gain[i] as number) / (room[i] as number);
  }
  return 0;
}
