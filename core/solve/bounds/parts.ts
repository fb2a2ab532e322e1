/**
 * The parts of the search for the load worth most above its cost: loads in one way of washing, of some items, with something known of them. What is known
 * is charged to every item it harms, and so lets no load cost less than it does (L11, L13 of docs/solver.md). Nothing here depends on the worths.
 */
import { bleedLimits } from '../../colour/bleed.ts';
import { judgement, usePriceOf } from '../../cost/judgement.ts';
import { duty, quality } from '../../price/bits.ts';
import { fullGreyKg } from '../../price/company-price.ts';
import { dyeDamage } from '../../price/dye-view.ts';
import { easyIronShirts, type Basket, type PieceNumbers } from '../../price/basket.ts';
import type { Setting } from '../../price/settings.ts';
import type { Instance } from '../instance.ts';
import type { Modes } from './modes.ts';
import { firstDye, grey, openDose, soil, type Dose, type Known, type Part, type Region, type Way } from './part.ts';
import { anyTreatment } from './treatments.ts';
import { companiesOf } from './walls.ts';

/** More companies than this are taken as one. */
const mostCompanies = 600;
/** Differences of mass, kg, of room, and of tint that rounding may make. */
export const hairKg = 1e-9;
export const hairRoom = 1e-9;
const hairTint = 1e-9;
/** Shares of the second measure of room. */
const mixes = [0, 0.25, 0.5, 0.75, 1];
/** Bulk beside what suffers from it, in a drum (a rule of the whole load). */
const crowd = { bulky: 1, tender: 2 } as const;
const crowdOf = ({ duties }: PieceNumbers): number =>
  (duties & duty.bulk ? crowd.bulky : 0) | (duties & duty.bulkSuffers ? crowd.tender : 0);
/** Of the loads of a way, what is known of them as what it adds to the cost of any item. */
interface Charges {
  way: Way;
  known: Known;
  /** Dyes are known. */
  dyed: boolean;
  greyShare: number;
  soilShare: number;
  /** What room taken saves in a nearly empty drum. */
  perRoom: number;
}

export class Parts {
  readonly inst: Instance;
  readonly b: Basket;
  /** Room of a drum. */
  readonly full: number;
  /** How many of each item there are. */
  private readonly most: readonly number[];
  readonly bring: PieceNumbers[][];
  /** What each item brings of what harms by its mass: grey, soil, then each dye group. */
  readonly dosesKg: readonly Float64Array[];
  /** Room that shirts take of the few that come out smooth; null where nobody asks for that. */
  private readonly shirtRoom: Float64Array | null;
  /** Cloth of each item. */
  readonly cloths: Int32Array;
  /** Which items are bulk, or suffer from it. */
  private readonly crowds: Int32Array;
  readonly regions = new Map<number, Region>();
  private readonly measures = new Map<Float64Array, Float64Array[]>();
  private readonly widest = new Map<Float64Array, Float64Array>();

  /** `most` = how many of each item there are. */
  constructor(modes: Modes, most: readonly number[]) {
    this.inst = modes.inst;
    this.b = this.inst.basket;
    this.full = modes.full;
    this.cloths = modes.cloths;
    this.crowds = Int32Array.from(this.inst.items, ({ pieces }) =>
      pieces.reduce((bits, p) => bits | crowdOf(this.b.pieces[p] as PieceNumbers), 0),
    );
    this.most = most;
    const sum = (of: (p: PieceNumbers) => number): Float64Array =>
      Float64Array.from(this.bring, (pieces) => pieces.reduce((t, p) => t + of(p), 0));
    this.bring = this.inst.items.map((item) => item.pieces.map((p) => this.b.pieces[p] as PieceNumbers));
    const donorKg = (g: number): Float64Array =>
      Float64Array.from(this.inst.items, (item) =>
        item.pieces.reduce((kg, p) => kg + (this.b.dyeGroup[p] === g ? (this.b.donorKg[p] as number) : 0), 0),
      );
    this.dosesKg = [
      sum((x) => x.greyKg),
      sum((x) => x.soilKg),
      ...Array.from({ length: this.b.dyeGroups }, (_, g) => donorKg(g)),
    ];
    this.shirtRoom = this.b.effects.shirtAim.easyIron ? sum((x) => (x.isShirt / easyIronShirts) * modes.full) : null;
  }
  /** Every load is in one of these: one for each setting and company, of which nothing is known yet. */
  all(modes: Modes): Part[] {
    const nothing: Known = {
      uses: 0,
      doses: this.dosesKg.map(() => openDose),
      strength: new Float64Array(this.b.dyeGroups),
      giver: new Int32Array(this.b.dyeGroups).fill(-1),
      second: new Float64Array(this.b.dyeGroups),
      rinsed: false,
      filled: 'any',
    };
    const outlines = this.outlines(modes);
    return companiesOf(this.inst, mostCompanies).flatMap((company, c) => {
      const members = this.inst.items.flatMap((_, i) => (company[i] ? [i] : []));
      return outlines.map((way) => this.partOf(way, c, nothing, members));
    });
  }
  /** One way per setting, that costs at least as little as each of its modes. */
  private outlines(modes: Modes): Way[] {
    const known = new Map<number, Way>();
    for (const m of modes.list) {
      const setting = this.b.settings[m.index] as Setting;
      const mode: Way = { ...m, setting, caught: m.supposed.caught, modes: [] };
      const outline = known.get(m.index);
      if (!outline) {
        known.set(m.index, {
          ...mode,
          leastCost: m.leastCost.slice(),
          caught: this.b.catcher !== null,
          conditions: 0,
          treatment: anyTreatment,
          modes: [mode],
        });
        continue;
      }
      outline.base = Math.min(outline.base, m.base);
      outline.rinse = {
        once: Math.min(outline.rinse.once, m.rinse.once),
        perKg: Math.min(outline.rinse.perKg, m.rinse.perKg),
      };
      outline.modes.push(mode);
      for (let i = 0; i < m.leastCost.length; i++)
        outline.leastCost[i] = Math.min(outline.leastCost[i] as number, m.leastCost[i] as number);
    }
    return [...known.values()];
  }
  /** What is known of the loads of a way, as what it adds to the cost of any item. */
  private chargesOf(way: Way, known: Known): Charges {
    const { doses, strength, filled } = known;
    const little = filled === 'little' && way.setting.method === 'machine';
    return {
      way,
      known,
      dyed: strength.some((x) => x > 0),
      greyShare: Math.min(1, (doses[grey] as Dose).low / fullGreyKg(way.setting)),
      soilShare: Math.min(1, (doses[soil] as Dose).low / judgement.resoiling.fullFromKg),
      perRoom: little ? judgement.emptyDrum.most / judgement.emptyDrum.belowFill : 0,
    };
  }
  /** What an item costs at least in the loads of a way, with the harm that is known. */
  private costOf({ way, known, dyed, greyShare, soilShare, perRoom }: Charges, i: number): number {
    const least = way.leastCost[i] as number;
    if (least === Infinity) return Infinity;
    let cost = least + (dyed ? this.dyeHarm(way, known, i) : 0);
    if (perRoom > 0) cost -= perRoom * (this.widestOf(way)[i] as number);
    if (known.rinsed) for (const x of this.bring[i] as PieceNumbers[]) cost += way.rinse.perKg * x.massKg;
    if (greyShare > 0 || soilShare > 0)
      for (const x of this.bring[i] as PieceNumbers[]) cost += x.greyEur * greyShare + x.soilEur * soilShare;
    return cost;
  }
  /** The region of a setting and a company is made with its first part, which holds all others. */
  private regionOf({ index, room }: Way, company: number, items: readonly number[], most: readonly number[]): Region {
    const key = index * mostCompanies + company;
    const known = this.regions.get(key);
    if (known) return known;
    const fresh = {
      room,
      items: Int16Array.from(items),
      most: Int16Array.from(most),
      order: new Int16Array(items.length),
      grown: 0,
    };
    this.regions.set(key, fresh);
    return fresh;
  }
  partOf(way: Way, company: number, known: Known, may: Iterable<number>, held: readonly number[] = []): Part {
    const charges = this.chargesOf(way, known);
    const heldCosts = held.map((i) => this.costOf(charges, i));
    const inHeld = (of: Int32Array): number => held.reduce((bits, i) => bits | (of[i] as number), 0);
    const cloth = inHeld(this.cloths);
    // What may come to so much in all leaves so much beside what is held.
    const limits = known.doses.flatMap(({ high }, k) =>
      high < Infinity ? [{ kgOf: this.dosesKg[k] as Float64Array, left: high - this.heldKg(held, k) }] : [],
    );
    // Bulk and what suffers from it share no drum.
    const crowds = way.setting.method === 'machine' ? inHeld(this.crowds) : 0;
    const shut = (crowds & crowd.bulky ? crowd.tender : 0) | (crowds & crowd.tender ? crowd.bulky : 0);
    const nothing = heldCosts.includes(Infinity) || limits.some(({ left }) => left < -hairKg) || (crowds & shut) !== 0;
    const items: number[] = [];
    const most: number[] = [];
    const costs: number[] = [];
    const { treatments, treatment } = way;
    const any = treatment === anyTreatment;
    for (const i of nothing ? [] : may) {
      if ((this.crowds[i] as number) & shut) continue;
      let more = this.most[i] as number;
      for (const h of held) if (h === i) more--;
      if (more === 0) continue;
      if (limits.some(({ kgOf, left }) => (kgOf[i] as number) > left + hairKg)) continue;
      if (!any && !(treatments.reach(cloth | (this.cloths[i] as number)) & treatment)) continue;
      const cost = this.costOf(charges, i);
      if (cost === Infinity) continue;
      items.push(i);
      most.push(more);
      costs.push(cost);
    }
    const untreated = !any && held.length > 0 && treatments.of(cloth) !== treatment;
    const astray = untreated && !(treatments.reach(cloth) & treatment);
    const drum = known.filled === 'little' && way.setting.method === 'machine' ? judgement.emptyDrum.most : 0;
    const rinse = known.rinsed ? way.rinse.once : 0;
    const uses = usePriceOf(known.uses, way.setting.temperatureC, 0);
    return this.unlessEmpty({
      way,
      company,
      known,
      unmet: way.conditions & ~held.reduce((bits, i) => bits | (way.serves[i] as number), 0),
      held,
      heldCosts,
      items: Int16Array.from(items),
      most: Int16Array.from(most),
      costs: Float64Array.from(costs),
      order: new Int16Array(items.length),
      base: nothing || astray ? Infinity : way.base + uses + drum + rinse,
      region: this.regionOf(way, company, items, most),
      cloth,
      untreated,
      value: Infinity,
      grown: 0,
      rough: false,
      answers: [],
    });
  }
  /** A part is empty, too, where nothing is left that would meet a condition, change how what is held is treated, or fill the drum as it is known to be. */
  private unlessEmpty(part: Part): Part {
    const { items, most, held, way, known, unmet, untreated, cloth } = part;
    const widest = this.widestOf(way);
    let meetable = 0;
    let changes = 0;
    let filled = held.reduce((t, i) => t + (widest[i] as number), 0);
    items.forEach((i, k) => {
      meetable |= way.serves[i] as number;
      changes |= this.cloths[i] as number;
      filled += (most[k] as number) * (widest[i] as number);
    });
    const tooLittle = known.filled === 'more' && filled < judgement.emptyDrum.belowFill - hairRoom;
    if ((unmet & ~meetable) !== 0 || (untreated && (changes & ~cloth) === 0) || tooLittle) part.base = Infinity;
    return part;
  }
  /** The same part with some of its items only. */
  private only(part: Part, may: (item: number) => boolean): Part {
    const places: number[] = [];
    part.items.forEach((i, k) => {
      if (may(i)) places.push(k);
    });
    return this.unlessEmpty({
      ...part,
      items: Int16Array.from(places, (k) => part.items[k] as number),
      most: Int16Array.from(places, (k) => part.most[k] as number),
      costs: Float64Array.from(places, (k) => part.costs[k] as number),
      order: new Int16Array(places.length),
      value: Infinity,
      grown: 0,
      rough: false,
      answers: [],
    });
  }
  /** What the dyes known to be in a set do to an item at least, EUR in the price. */
  dyeHarm(
    way: Way,
    { strength, giver, second, doses }: Pick<Known, 'strength' | 'giver' | 'second' | 'doses'>,
    item: number,
  ): number {
    const { b } = this;
    let harm = 0;
    for (const r of this.inst.items[item]?.pieces ?? []) {
      let most = 0;
      for (let g = 0; g < strength.length; g++) {
        const loose = (giver[g] === item ? second[g] : strength[g]) as number;
        if (loose === 0) continue;
        const share = Math.sqrt(Math.min(1, (doses[firstDye + g] as Dose).low / bleedLimits.referenceLoadKg));
        const uptake = b.uptake[b.dyeOfGroup[g] as number] as Float64Array;
        most = Math.max(most, loose * share * (uptake[r] as number));
      }
      // What would show asks for a catcher: without one it is none of the loads of the way.
      if (!way.caught && b.catcher && most >= bleedLimits.white + hairTint) return Infinity;
      if (way.caught && !b.isWhite[r]) most *= bleedLimits.catcherFactor;
      if (most > 0) harm += dyeDamage(b, r, most);
    }
    return harm * b.weights.dyeDamage;
  }
  /** Of one kind of dose, what the held items bring, kg. */
  heldKg(held: readonly number[], k: number): number {
    return held.reduce((kg, i) => kg + (this.dosesKg[k]?.[i] ?? 0), 0);
  }
  /** Room there is for all of a load by a measure: that of a drum, or what is known to be filled of it at most. */
  limitOf({ known }: Part, room: Float64Array): number {
    const little = known.filled === 'little' && room !== this.shirtRoom;
    return little ? judgement.emptyDrum.belowFill + hairRoom : this.full;
  }
  /** Room that held items leave by a measure. */
  freeOf(part: Part, room: Float64Array): number {
    return part.held.reduce((free, i) => free - (room[i] as number), this.limitOf(part, room));
  }
  /** The most room that items take by any measure. */
  widestOf({ room, otherRoom, mixedRoom }: Way): Float64Array {
    const known = this.widest.get(room);
    if (known) return known;
    const fresh = room.map((r, i) => Math.max(r, otherRoom?.[i] ?? 0, mixedRoom?.[i] ?? 0));
    this.widest.set(room, fresh);
    return fresh;
  }
  /** Mass, volume and mixes of them, and how many shirts come out smooth: a load fits only if it fits by each. */
  roomsOf({ way: { room, otherRoom, mixedRoom }, held }: Part): readonly Float64Array[] {
    // Beside a held piece that is no down, down takes the room of any cloth.
    const mixed = mixedRoom && held.some((i) => !this.isDown(i)) ? mixedRoom : null;
    const known = this.measures.get(mixed ?? room);
    if (known) return known;
    const half = (x: Float64Array, y: Float64Array): Float64Array => x.map((r, i) => (r + (y[i] as number)) / 2);
    const plain = otherRoom
      ? mixes.map((share) => room.map((x, i) => (1 - share) * x + share * (otherRoom[i] as number)))
      : [room];
    const beside = mixed && otherRoom ? [mixed, half(mixed, room), half(mixed, otherRoom)] : [];
    const fresh = [...plain, ...beside, ...(this.shirtRoom ? [this.shirtRoom] : [])];
    this.measures.set(mixed ?? room, fresh);
    return fresh;
  }
  isDown(item: number): boolean {
    return (this.bring[item] as PieceNumbers[]).every((x) => (x.qualities & quality.down) !== 0);
  }
  usesOf(i: number): number {
    return (this.bring[i] as PieceNumbers[]).reduce((mask, x) => mask | x.uses, 0);
  }
  /** What a part charges a set; Infinity for one that is not in it. */
  chargeOf(part: Part, set: readonly number[]): number {
    const { held, heldCosts, items, most, costs, known, base, way } = part;
    if (base === Infinity) return Infinity;
    const left = new Map<number, number>();
    for (const i of set) left.set(i, (left.get(i) ?? 0) + 1);
    let cost = base;
    held.forEach((i, x) => {
      const n = left.get(i) ?? 0;
      cost = n === 0 ? Infinity : cost + (heldCosts[x] as number);
      left.set(i, n - 1);
    });
    for (const [i, n] of left) {
      if (n === 0) continue;
      const k = items.indexOf(i);
      if (k < 0 || n > (most[k] as number)) return Infinity;
      cost += n * (costs[k] as number);
    }
    if (set.reduce((bits, i) => bits & ~(way.serves[i] as number), part.unmet) !== 0) return Infinity;
    if (!this.isTreated(way, set) || this.beats(way, set)) return Infinity;
    const total = (of: Float64Array): number => set.reduce((t, i) => t + (of[i] as number), 0);
    if (known.doses.some((d, k) => d.high < Infinity && total(this.dosesKg[k] as Float64Array) > d.high + hairKg))
      return Infinity;
    if (way.setting.method !== 'machine') return cost;
    const { most: emptyPrice, belowFill } = judgement.emptyDrum;
    if (known.filled === 'little') return total(way.room) > belowFill + hairRoom ? Infinity : cost;
    const missing = Math.max(0, belowFill - total(this.widestOf(way)));
    return known.filled === 'any' ? cost + (emptyPrice * missing) / belowFill : missing > hairRoom ? Infinity : cost;
  }
  /** Whether a set gets the product and the bleach that its way supposes. */
  isTreated({ treatments, treatment }: Way, set: readonly number[]): boolean {
    return (
      treatment === anyTreatment ||
      treatments.of(set.reduce((bits, i) => bits | (this.cloths[i] as number), 0)) === treatment
    );
  }
  /** Whether a set holds bulk and what suffers from it, in a drum; and which items are of one or the other. */
  beats(way: Way, set: readonly number[]): boolean {
    const both = crowd.bulky | crowd.tender;
    return way.setting.method === 'machine' && set.reduce((bits, i) => bits | (this.crowds[i] as number), 0) === both;
  }
  isBulky(i: number): boolean {
    return ((this.crowds[i] as number) & crowd.bulky) !== 0;
  }
  needsRinse(i: number): boolean {
    return (this.bring[i] as PieceNumbers[]).some((x) => (x.duties & duty.extraRinse) !== 0);
  }
  /** The same part with something more known, or with some items shut out. */
  with({ way, company, known, items, held }: Part, more: Partial<Known>): Part {
    return this.partOf(way, company, { ...known, ...more }, items, held);
  }
  /** Where a held item is shut out, no load is left. */
  without(part: Part, shut: (item: number) => boolean, more: Partial<Known> | null = null): Part {
    const left = this.only(part, (i) => !shut(i));
    if (part.held.some(shut)) left.base = Infinity;
    return more && left.base < Infinity ? this.with(left, more) : left;
  }
  /** The loads of a part that hold an item: what it brings is known from then on. */
  private holding(part: Part, item: number): Part {
    const { known, way } = part;
    const held = [...part.held, item];
    const strength = known.strength.slice();
    const giver = known.giver.slice();
    const second = known.second.slice();
    for (const p of this.inst.items[item]?.pieces ?? []) {
      const g = this.b.dyeGroup[p] as number;
      const score = this.b.giverScore[p]?.[way.index] ?? 0;
      if (g < 0) continue;
      if (score > (strength[g] as number)) {
        second[g] = strength[g] as number;
        [strength[g], giver[g]] = [score, item];
      } else if (score > (second[g] as number)) second[g] = score;
    }
    return this.partOf(
      way,
      part.company,
      {
        ...known,
        uses: known.uses | this.usesOf(item),
        rinsed: known.rinsed || this.needsRinse(item),
        doses: known.doses.map((d, k) => ({ ...d, low: Math.max(d.low, this.heldKg(held, k)) })),
        strength,
        giver,
        second,
      },
      part.items,
      held,
    );
  }
  /** The loads with one (more) of an item, and those without. */
  told(part: Part, item: number): Part[] {
    return [this.holding(part, item), this.only(part, (i) => i !== item)];
  }
  /** The parts into which the modes of its setting divide it. */
  byModes({ way, company, known, items, held }: Part): Part[] {
    return way.modes.map((mode) => this.partOf(mode, company, known, items, held));
  }
}
