/**
 * How a part of the search is divided: the worst that the set filling it best would do, or be, beyond what the part charges, and the parts that tell it
 * apart (L11, L13, L14, L15 of docs/solver.md). Dividing loses no load.
 */
import { bleedLimits } from '../../colour/bleed.ts';
import { judgement, useBit, usePriceOf } from '../../cost/judgement.ts';
import { uses } from '../../garment/kinds.ts';
import { fullGreyKg } from '../../price/company-price.ts';
import type { PieceNumbers } from '../../price/basket.ts';
import { firstDye, grey, openDose, soil, type Dose, type Part } from './part.ts';
import { hairKg, hairRoom, type Parts } from './parts.ts';

export interface Choice {
  /** EUR. */
  harm: number;
  parts: () => Part[];
}

/** Harm smaller than this, EUR, is not worth a division. */
const smallHarm = 0.03;
/** A filling that is none of the way counts like harm of so much. */
const unrealHarm = 1;
/** A filling that is too full counts at least so much, however little it is too full. */
const overfullHarm = 0.1;
/** Masses nearer than this, kg, are not told apart. */
const leastDoseKg = 0.02;
/** A stronger giver speaks for its group from this ratio on. */
const clearlyStronger = 1.1;

export class PartDivision {
  private readonly parts: Parts;
  private worth: Float64Array;
  /** Harm up to this, EUR, is not told apart. */
  private least = smallHarm;
  constructor(parts: Parts) {
    this.parts = parts;
    this.worth = new Float64Array(parts.inst.items.length);
  }
  /** The worst of a set's harm that its part has not charged, and the two parts that tell it apart. */
  choose(part: Part, set: readonly number[], worth: Float64Array, least = smallHarm): Choice | null {
    this.worth = worth;
    this.least = least;
    let worst: Choice | null = null;
    for (const choice of [
      this.sideBySide(part, set),
      this.rinsed(part, set),
      this.soiled(part, set),
      this.greyed(part, set),
      this.dyed(part, set),
      this.overfull(part, set),
      this.unreal(part, set),
      this.nearlyEmpty(part, set),
    ])
      if (choice && choice.harm > least && choice.harm > (worst?.harm ?? 0)) worst = choice;
    return worst;
  }
  /** A filling in which the way of washing would be another. */
  private unreal(part: Part, set: readonly number[]): Choice | null {
    const { way, unmet } = part;
    if (this.parts.beats(way, set)) {
      const bulky = this.dearest(part, (i) => set.includes(i) && this.parts.isBulky(i));
      return bulky === null ? null : { harm: unrealHarm, parts: () => this.parts.told(part, bulky) };
    }
    const missing = set.reduce((bits, i) => bits & ~(way.serves[i] as number), unmet);
    if (missing === 0)
      return this.parts.isTreated(way, set)
        ? (this.overdosed(part, set) ?? this.underfilled(part, set))
        : this.treatedOtherwise(part, set);
    const item = this.dearest(part, (i) => ((way.serves[i] as number) & missing) !== 0);
    return item === null ? null : { harm: unrealHarm, parts: () => this.parts.told(part, item) };
  }
  /** More than the part allows of what harms by its mass: told apart by the largest giver. */
  private overdosed(part: Part, set: readonly number[]): Choice | null {
    for (const [k, { high }] of part.known.doses.entries()) {
      const kgOf = this.parts.dosesKg[k] as Float64Array;
      if (high === Infinity || set.reduce((kg, i) => kg + (kgOf[i] as number), 0) <= high + hairKg) continue;
      const item = this.largest(part, set, kgOf);
      if (item !== null) return { harm: unrealHarm, parts: () => this.parts.told(part, item) };
    }
    return null;
  }
  /** What may be in a set only up to a mass is charged by a price, which is exact only where a set brings that much: told apart by the largest giver. */
  priced(part: Part, set: readonly number[]): Part[] | null {
    for (const [k, { high }] of part.known.doses.entries()) {
      if (high === Infinity) continue;
      const kgOf = this.parts.dosesKg[k] as Float64Array;
      const item = this.largest(part, set, kgOf) ?? this.largest(part, part.items, kgOf);
      if (item !== null) return this.parts.told(part, item);
    }
    return null;
  }
  /** Less than the part is known to be filled to: told apart by what would be worth most beside it. */
  private underfilled(part: Part, set: readonly number[]): Choice | null {
    const { way, known, items, most } = part;
    if (known.filled !== 'more') return null;
    const widest = this.parts.widestOf(way);
    const filled = set.reduce((t, i) => t + (widest[i] as number), 0);
    if (filled >= judgement.emptyDrum.belowFill - hairRoom) return null;
    const free = this.beside(part, set);
    const item = this.dearest(part, (i) => free.filter((x) => x === i).length < (most[items.indexOf(i)] as number));
    return item === null ? null : { harm: unrealHarm, parts: () => this.parts.told(part, item) };
  }
  /** Cloth that asks for another product, or forbids the bleach: told apart by what changes the treatment of what is held, in the set or, failing that, beside it. */
  private treatedOtherwise(part: Part, set: readonly number[]): Choice | null {
    const changes = (i: number): boolean => ((this.parts.cloths[i] as number) & ~part.cloth) !== 0;
    const item = this.dearest(part, (i) => changes(i) && set.includes(i)) ?? this.dearest(part, changes);
    return item === null ? null : { harm: unrealHarm, parts: () => this.parts.told(part, item) };
  }
  /** The item of a part worth most above its cost there, of those that will do. */
  private dearest({ items, costs }: Part, will: (i: number) => boolean): number | null {
    let most = -Infinity;
    let item: number | null = null;
    items.forEach((i, k) => {
      const gain = (this.worth[i] as number) - (costs[k] as number);
      if (gain > most && will(i)) [most, item] = [gain, i];
    });
    return item;
  }
  /** With a piece that asks for an extra rinse, or without any. */
  private rinsed(part: Part, set: readonly number[]): Choice | null {
    const { known, way } = part;
    if (known.rinsed || !set.some((i) => this.parts.needsRinse(i))) return null;
    const kg = this.sumOver(set, (x) => x.massKg);
    return {
      harm: way.rinse.once + way.rinse.perKg * kg,
      parts: () => [this.parts.with(part, { rinsed: true }), this.parts.without(part, (i) => this.parts.needsRinse(i))],
    };
  }
  /** A drum that is nearly empty, or not. */
  private nearlyEmpty(part: Part, set: readonly number[]): Choice | null {
    const { way, known } = part;
    if (known.filled !== 'any' || way.setting.method !== 'machine') return null;
    const { most, belowFill } = judgement.emptyDrum;
    const widest = this.parts.widestOf(way);
    const filled = set.reduce((t, i) => t + (widest[i] as number), 0);
    return {
      harm: most * (1 - filled / belowFill),
      parts: () => [this.parts.with(part, { filled: 'little' }), this.parts.with(part, { filled: 'more' })],
    };
  }
  /** A filling that is none by another measure of room: told apart by what takes most of that. */
  private overfull(part: Part, set: readonly number[]): Choice | null {
    const over = (measure: Float64Array, among: readonly number[]): Choice | null => {
      const total = set.reduce((t, i) => t + (measure[i] as number), 0);
      const limit = this.parts.limitOf(part, measure);
      const item = total > limit + hairRoom ? this.largest(part, among, measure) : null;
      if (item === null) return null;
      const gain = set.reduce((t, i) => t + (this.worth[i] as number), 0);
      const harm = Math.max(overfullHarm, gain * (1 - limit / total));
      return { harm, parts: () => this.parts.told(part, item) };
    };
    for (const measure of this.parts.roomsOf(part)) {
      const choice = over(measure, set);
      if (choice) return choice;
    }
    const { mixedRoom } = part.way;
    return (
      mixedRoom &&
      over(
        mixedRoom,
        set.filter((i) => !this.parts.isDown(i)),
      )
    );
  }
  /** What a set has beyond what the part holds. */
  private beside({ held }: Part, set: Iterable<number>): number[] {
    const free = [...set];
    for (const i of held) {
      const at = free.indexOf(i);
      if (at >= 0) free.splice(at, 1);
    }
    return free;
  }
  /** The item of a set, beyond what is held, that has most of something. */
  private largest(part: Part, set: Iterable<number>, of: Float64Array): number | null {
    let most: number | null = null;
    for (const i of this.beside(part, set))
      if ((of[i] as number) > (most === null ? 0 : (of[most] as number))) most = i;
    return most;
  }
  private sideBySide(part: Part, set: readonly number[]): Choice | null {
    const { known, way } = part;
    const priceOf = (mask: number): number => usePriceOf(mask, way.setting.temperatureC, 0);
    const mask = set.reduce((m, i) => m | this.parts.usesOf(i), known.uses);
    const now = priceOf(known.uses);
    const harm = priceOf(mask) - now;
    if (harm <= this.least) return null;
    const worthOf = (bit: number): number =>
      set.reduce((t, i) => t + (this.parts.usesOf(i) & bit ? (this.worth[i] as number) : 0), 0);
    const weight = (bit: number): number =>
      known.uses === 0 ? worthOf(bit) : Math.min(worthOf(bit), priceOf(known.uses | bit) - now);
    const missing = uses.map(useBit).filter((bit) => mask & bit && !(known.uses & bit));
    const use = missing.reduce((x, y) => (weight(y) > weight(x) ? y : x));
    return {
      harm,
      parts: () => [
        this.parts.with(part, { uses: known.uses | use }),
        this.parts.without(part, (i) => (this.parts.usesOf(i) & use) !== 0),
      ],
    };
  }
  private sumOver(set: readonly number[], of: (x: PieceNumbers) => number): number {
    let total = 0;
    for (const i of set) for (const x of this.parts.bring[i] as PieceNumbers[]) total += of(x);
    return total;
  }
  /** The least that any giver of a part brings. */
  private leastOf({ items }: Part, kg: Float64Array): number {
    return items.reduce((least, i) => ((kg[i] as number) > 0 ? Math.min(least, kg[i] as number) : least), Infinity);
  }
  private soiled(part: Part, set: readonly number[]): Choice | null {
    return this.spread(part, set, soil, judgement.resoiling.fullFromKg, (x) => x.soilEur);
  }
  private greyed(part: Part, set: readonly number[]): Choice | null {
    return this.spread(part, set, grey, fullGreyKg(part.way.setting), (x) => x.greyEur);
  }
  /** What harms all of a set by its mass, up to a full one. */
  private spread(
    part: Part,
    set: readonly number[],
    k: number,
    full: number,
    harmOf: (x: PieceNumbers) => number,
  ): Choice | null {
    const kgOf = this.parts.dosesKg[k] as Float64Array;
    const kg = Math.min(
      full,
      set.reduce((t, i) => t + (kgOf[i] as number), 0),
    );
    const { low } = part.known.doses[k] as Dose;
    const harm = (this.sumOver(set, harmOf) * (kg - Math.min(full, low))) / full;
    if (harm <= this.least) return null;
    return low > 0 ? this.dosed(part, k, set, kg, harm) : this.none(part, k, this.leastOf(part, kgOf), harm);
  }
  /** With some of what harms by its mass, or with none. */
  private none(part: Part, k: number, low: number, harm: number): Choice {
    const dose = part.known.doses[k] as Dose;
    const kg = this.parts.dosesKg[k] as Float64Array;
    return {
      harm,
      parts: () => [
        this.parts.with(part, { doses: part.known.doses.with(k, { ...dose, low }) }),
        this.parts.without(part, (i) => (kg[i] as number) > 0),
      ],
    };
  }
  /** With more than half-way to a mass, or with at most that; what its price lets in beyond its measure is told apart by the largest giver. */
  private dosed(part: Part, k: number, set: readonly number[], kg: number, harm: number): Choice | null {
    const { doses } = part.known;
    const dose = doses[k] as Dose;
    if (kg > dose.high) {
      const item = this.largest(part, set, this.parts.dosesKg[k] as Float64Array);
      return item === null ? null : { harm, parts: () => this.parts.told(part, item) };
    }
    if (kg - dose.low < leastDoseKg) return null;
    const middle = (dose.low + kg) / 2;
    const kgOf = this.parts.dosesKg[k] as Float64Array;
    return {
      harm,
      parts: () => [
        this.parts.with(part, { doses: doses.with(k, { ...dose, low: middle }) }),
        this.parts.without(part, (i) => (kgOf[i] as number) > middle, {
          doses: doses.with(k, { ...dose, high: middle }),
        }),
      ],
    };
  }
  private dyed(part: Part, set: readonly number[]): Choice | null {
    const { b } = this.parts;
    const { way, known } = part;
    const groups = b.dyeGroups;
    const kg = new Float64Array(groups);
    const strength = new Float64Array(groups);
    const giver = new Int32Array(groups).fill(-1);
    const second = new Float64Array(groups);
    const secondGiver = new Int32Array(groups).fill(-1);
    for (const i of set)
      for (const p of this.parts.inst.items[i]?.pieces ?? []) {
        const g = b.dyeGroup[p] as number;
        if (g < 0) continue;
        kg[g] = (kg[g] as number) + (b.donorKg[p] as number);
        const score = b.giverScore[p]?.[way.index] ?? 0;
        if (score > (strength[g] as number)) {
          [second[g], secondGiver[g]] = [strength[g] as number, giver[g] as number];
          [strength[g], giver[g]] = [score, i];
        } else if (score > (second[g] as number)) [second[g], secondGiver[g]] = [score, i];
      }
    const real = {
      strength,
      giver,
      second,
      doses: [openDose, openDose, ...Array.from(kg, (low) => ({ low, high: Infinity }))],
    };
    let harm = 0;
    const by = new Float64Array(groups);
    for (const i of set) {
      const more = this.parts.dyeHarm(way, real, i) - this.parts.dyeHarm(way, known, i);
      if (more <= 0) continue;
      harm += more;
      const receiver = this.parts.inst.items[i]?.pieces[0] ?? 0;
      for (let g = 0; g < groups; g++) {
        const tint =
          ((giver[g] === i ? second[g] : strength[g]) as number) *
          (b.uptake[b.dyeOfGroup[g] as number]?.[receiver] ?? 0);
        by[g] = (by[g] as number) + tint * tint * Math.min(1, (kg[g] as number) / bleedLimits.referenceLoadKg);
      }
    }
    if (harm <= this.least) return null;
    const g = by.reduce((x, v, k) => (v > (by[x] as number) ? k : x), 0);
    const i = giver[g] as number;
    if (i < 0) return null;
    if ((strength[g] as number) > (known.strength[g] as number) * clearlyStronger && !part.held.includes(i))
      return { harm, parts: () => this.parts.told(part, i) };
    const j = secondGiver[g] as number;
    const times = (items: readonly number[]): number => items.reduce((n, x) => (x === j ? n + 1 : n), 0);
    if (
      j >= 0 &&
      (second[g] as number) > (known.second[g] as number) * clearlyStronger &&
      times(part.held) < times(set)
    )
      return { harm, parts: () => this.parts.told(part, j) };
    return this.dosed(part, firstDye + g, set, Math.min(kg[g] as number, bleedLimits.referenceLoadKg), harm);
  }
}
