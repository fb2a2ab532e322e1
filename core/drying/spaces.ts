/** Room on the drying places as a whole plan fills them: bars over their length, flat area, hangers. */
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';
import type { DryPosition } from '../envelope/envelope.ts';
import type { DryingPlace } from '../model/household.ts';

const sideClearanceM = 0.03;
const flatClearance = 1.1;
/** More bars than any household fills. */
const mostBars = 1000;

/** What one entry of the wardrobe asks for: so many like items, each over so many bars. */
export interface RoomNeed {
  kind: GarmentKind;
  items: number;
  barsEach: number;
}

export class Space {
  readonly place: DryingPlace;
  /** Metres taken of each bar. */
  private takenM: number[];
  private flatM2: number;
  private hangers: number;

  constructor(place: DryingPlace) {
    this.place = place;
    this.takenM = new Array<number>(Math.min(mostBars, Math.floor(place.bars))).fill(0);
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

  /** Puts all items up, or none: the number of bars used (0 for hangers and flat), null when there is no room. */
  take(position: DryPosition, need: RoomNeed): number | null {
    if (position === 'flat') {
      const m2 = kindFacts(need.kind).flatM2 * flatClearance * need.items;
      if (m2 > this.flatM2 + 1e-9) return null;
      this.flatM2 -= m2;
      return 0;
    }
    if (position === 'hanger') {
      if (need.items > this.hangers) return null;
      this.hangers -= need.items;
      return 0;
    }
    return this.takeBars(need);
  }

  /** Adjacent bars, where they are least taken; what is wider than a bar is folded over more of them. */
  private takeBars({ kind, items, barsEach }: RoomNeed): number | null {
    const lengthM = this.place.barLengthM;
    const wanted = kindFacts(kind).barLengthM + sideClearanceM;
    const folds = Math.max(1, Math.ceil((wanted - sideClearanceM) / Math.max(lengthM, 0.01) - 1e-9));
    const across = barsEach * folds;
    const widthM = Math.min(wanted, lengthM);
    const takenM = [...this.takenM];
    const used = new Set<number>();
    for (let n = 0; n < items; n++) {
      let at = -1;
      let least = Infinity;
      for (let i = 0; i + across <= takenM.length; i++) {
        const start = Math.max(...takenM.slice(i, i + across));
        if (start + widthM <= lengthM + 1e-9 && start < least) {
          least = start;
          at = i;
        }
      }
      if (at < 0) return null;
      for (let i = at; i < at + across; i++) {
        takenM[i] = least + widthM;
        used.add(i);
      }
    }
    this.takenM = takenM;
    return used.size;
  }
}
