/** Room on a drying place as it fills: bars by length and by weight, flat area, hangers. */
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';
import type { DryPosition } from '../envelope/envelope.ts';
import type { DryingPlace } from '../model/household.ts';

const sideClearanceM = 0.03;
const flatClearance = 1.1;
/** More bars than any household fills. */
const mostBars = 1000;
/** What a bar, and what a whole rack carries, kg of wet cloth, unless it says otherwise. */
export const barCarriesKg = 1.5;
export const rackCarriesKg = 10;

/** What one entry of the wardrobe asks for: so many like items, each over so many bars. */
export interface RoomNeed {
  kind: GarmentKind;
  items: number;
  barsEach: number;
  /** All items together, wet, kg. */
  wetKg: number;
  /** Area against size M. */
  sizeFactor: number;
}
/** One item on its bars: the first of them, how many side by side, and the stretch it takes of each, m from the left. */
export interface Spot {
  bar: number;
  bars: number;
  atM: number;
  widthM: number;
}

/** Flat area all items take, with air around them, m². */
export const flatAreaM2 = ({ kind, items, sizeFactor }: Pick<RoomNeed, 'kind' | 'items' | 'sizeFactor'>): number =>
  kindFacts(kind).flatM2 * flatClearance * items * sizeFactor;

/**
 * Bars each entry takes of a place: a bar that it hangs on alone is its own, one that several share is shared by the stretches they take. All together they
 * never take more than there are.
 * @example barShares([{ id: 'tee', spots: [{ bar: 0, bars: 2, atM: 0, widthM: 0.6 }] }]).get('tee') // 2
 */
export function barShares(entries: readonly { id: string; spots: readonly Spot[] }[]): Map<string, number> {
  const barsOf = (s: Spot): number[] => Array.from({ length: s.bars }, (_, i) => s.bar + i);
  const takenM = new Map<number, number>();
  for (const { spots } of entries)
    for (const s of spots) for (const bar of barsOf(s)) takenM.set(bar, (takenM.get(bar) ?? 0) + s.widthM);
  return new Map(
    entries.map(({ id, spots }) => [
      id,
      spots.reduce((m, s) => m + barsOf(s).reduce((n, bar) => n + s.widthM / (takenM.get(bar) ?? s.widthM), 0), 0),
    ]),
  );
}

export class Space {
  readonly place: DryingPlace;
  /** Metres taken of each bar, from the left. */
  private takenM: number[];
  /** Wet cloth on each bar, kg. */
  private barKg: number[];
  private flatM2: number;
  private hangers: number;

  constructor(place: DryingPlace) {
    this.place = place;
    const bars = Math.min(mostBars, Math.floor(place.bars));
    this.takenM = new Array<number>(bars).fill(0);
    this.barKg = new Array<number>(bars).fill(0);
    this.flatM2 = place.flatM2;
    this.hangers = place.hangers;
  }

  /** Whether the place has anything of the kind, full or not. */
  offers(position: DryPosition): boolean {
    return position === 'flat'
      ? this.place.flatM2 > 0
      : position === 'hanger'
        ? this.place.hangers > 0
        : this.place.bars > 0;
  }
  get freeFlatM2(): number {
    return this.flatM2;
  }
  get freeHangers(): number {
    return this.hangers;
  }
  /** Metres of bar nobody hangs on. */
  get freeBarM(): number {
    return this.takenM.reduce((m, taken) => m + Math.max(0, this.place.barLengthM - taken), 0);
  }

  /**
   * Puts all items up, or none: where on the bars (empty for hangers and flat), null when there is no room. `fromBar` = the first bar must be this one.
   * @example new Space(rack).take('bars', { kind: 'tshirt', items: 1, barsEach: 1, wetKg: 0.26 }) // [{ bar: 0, bars: 1, atM: 0, widthM: 0.55 }]
   */
  take(position: DryPosition, need: RoomNeed, fromBar?: number): Spot[] | null {
    if (position === 'flat') {
      const m2 = flatAreaM2(need);
      if (m2 > this.flatM2 + 1e-9) return null;
      this.flatM2 -= m2;
      return [];
    }
    if (position === 'hanger') {
      if (need.items > this.hangers) return null;
      this.hangers -= need.items;
      return [];
    }
    return this.takeBars(position, need, fromBar);
  }
  /** What hangs there already; more than fits is let hang, for somebody hung it. */
  hold(position: DryPosition, need: RoomNeed, spots: readonly Spot[]): void {
    if (position === 'flat') this.flatM2 = Math.max(0, this.flatM2 - flatAreaM2(need));
    else if (position === 'hanger') this.hangers = Math.max(0, this.hangers - need.items);
    for (const s of spots)
      for (let i = s.bar; i < Math.min(s.bar + s.bars, this.takenM.length); i++) {
        this.takenM[i] = Math.max(this.takenM[i] ?? 0, s.atM + s.widthM);
        this.barKg[i] = (this.barKg[i] ?? 0) + need.wetKg / need.items / s.bars;
      }
  }

  /** Adjacent bars, where they are least taken and carry it; what is wider than a bar is folded over more of them. */
  private takeBars(position: DryPosition, need: RoomNeed, fromBar?: number): Spot[] | null {
    const { kind, items, barsEach, wetKg } = need;
    const lengthM = this.place.barLengthM;
    const wanted = kindFacts(kind).barLengthM + sideClearanceM;
    const folds = Math.max(1, Math.ceil((wanted - sideClearanceM) / Math.max(lengthM, 0.01) - 1e-9));
    // Pegged singly, a piece takes one line.
    const across = (position === 'line' ? 1 : barsEach) * folds;
    const eachKg = wetKg / items / across;
    // Lines out of doors are fixed to walls and carry what they hold.
    const limited = !this.place.outdoors;
    const widthM = Math.min(wanted, lengthM);
    const takenM = [...this.takenM];
    const barKg = [...this.barKg];
    const carries = (bars: readonly number[]): boolean => {
      if (!limited) return true;
      const onRack = barKg.reduce((a, b) => a + b, 0);
      // One piece that is too heavy for its bars alone still has to hang somewhere.
      const bar = Math.max(barCarriesKg, eachKg);
      return bars.every((kg) => kg + eachKg <= bar + 1e-9) && onRack + eachKg * across <= rackCarriesKg + 1e-9;
    };
    const spots: Spot[] = [];
    for (let n = 0; n < items; n++) {
      let at = -1;
      let least = Infinity;
      for (let i = fromBar ?? 0; i + across <= takenM.length && (fromBar === undefined || i === fromBar); i++) {
        const start = Math.max(...takenM.slice(i, i + across));
        if (start + widthM <= lengthM + 1e-9 && start < least && carries(barKg.slice(i, i + across))) {
          least = start;
          at = i;
        }
      }
      if (at < 0) return null;
      for (let i = at; i < at + across; i++) {
        takenM[i] = least + widthM;
        barKg[i] = (barKg[i] ?? 0) + eachKg;
      }
      spots.push({ bar: at, bars: across, atM: least, widthM });
    }
    this.takenM = takenM;
    this.barKg = barKg;
    return spots;
  }
}
/** Bars that the spots touch. */
export const barsUsed = (spots: readonly Spot[]): number =>
  new Set(spots.flatMap((s) => Array.from({ length: s.bars }, (_, i) => s.bar + i))).size;
