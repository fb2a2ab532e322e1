/** The best filling of a drum by items of which there are some of each: with the last one divided, and whole. Both bound every real filling from above. */

/** Units of room of a full drum; the room of an item is rounded down, which only lets more in. */
const units = 1_000;

/** Items on offer: which (indices), how many of each, and what one gains; lists of the same length. */
export interface Offer {
  items: Int16Array;
  most: Int16Array;
  gains: Float64Array;
  count: number;
  /** Places of the offers by what they gain per room, as they were when last asked: mostly still in order. */
  order: Int16Array;
}

export class Knapsack {
  /** Room of an empty drum. */
  readonly full: number;
  private readonly ratio: Float64Array;
  private readonly value = new Float64Array(units + 1);
  private taken: Uint8Array = new Uint8Array(0);
  /** How much of each offer the last divided filling took, in items. */
  readonly part: Float64Array;
  /** How many of each offer the last whole filling took. */
  readonly counts: Int32Array;
  /** For so many items; `full` = the room of an empty drum. */
  constructor(items: number, full: number) {
    this.full = full;
    this.ratio = new Float64Array(items);
    this.part = new Float64Array(items);
    this.counts = new Int32Array(items);
  }
  /** The most that offers can gain in a drum with so much room left, when the last one is divided. */
  divided({ items, most, gains, count, order }: Offer, room: Float64Array, left = this.full): number {
    const { ratio, part } = this;
    for (let k = 0; k < count; k++) {
      part[k] = 0;
      ratio[k] = (gains[k] as number) / ((room[items[k] as number] as number) + 1e-12);
    }
    if (order[0] === order[1] && count > 1) for (let k = 0; k < count; k++) order[k] = k;
    for (let x = 1; x < count; x++) {
      const k = order[x] as number;
      const r = ratio[k] as number;
      let y = x - 1;
      for (; y >= 0 && (ratio[order[y] as number] as number) < r; y--) order[y + 1] = order[y] as number;
      order[y + 1] = k;
    }
    let free = left;
    let total = 0;
    for (let x = 0; x < count; x++) {
      const k = order[x] as number;
      if ((gains[k] as number) <= 0) break;
      const i = items[k] as number;
      const all = (room[i] as number) * (most[k] as number);
      if (all <= free) {
        part[k] = most[k] as number;
        total += (gains[k] as number) * (most[k] as number);
        free -= all;
      } else {
        part[k] = free / (room[i] as number);
        return total + (gains[k] as number) * part[k];
      }
    }
    return total;
  }
  /** The most that whole offers can gain in a drum with so much room left; `counts` tells how many of each. */
  whole({ items, most, gains, count }: Omit<Offer, 'order'>, room: Float64Array, free = this.full): number {
    const { value, counts } = this;
    const all = Math.min(units, Math.floor((free / this.full) * units + 1e-6));
    value.fill(0);
    // A number of equal items is as good as packets of 1, 2, 4 … of them.
    const packets: { offer: number; size: number; weight: number }[] = [];
    for (let k = 0; k < count; k++) {
      counts[k] = 0;
      if ((gains[k] as number) <= 0) continue;
      const i = items[k] as number;
      const one = Math.floor(((room[i] as number) / this.full) * units);
      let left = Math.min(most[k] as number, one > 0 ? Math.floor(all / one) : Infinity);
      for (let size = 1; left > 0; left -= size, size = Math.min(size * 2, left))
        packets.push({ offer: k, size, weight: one * size });
    }
    const wide = units + 1;
    if (this.taken.length < packets.length * wide) this.taken = new Uint8Array(packets.length * wide * 2);
    const { taken } = this;
    packets.forEach(({ offer, size, weight }, p) => {
      const gain = (gains[offer] as number) * size;
      const row = p * wide;
      for (let u = all; u >= weight; u--) {
        const more = (value[u - weight] as number) + gain;
        if (more > (value[u] as number)) {
          value[u] = more;
          taken[row + u] = 1;
        } else taken[row + u] = 0;
      }
      taken.fill(0, row, row + Math.min(wide, weight));
    });
    let u = all;
    for (let p = packets.length - 1; p >= 0; p--) {
      const { offer, size, weight } = packets[p] as (typeof packets)[number];
      if (!taken[p * wide + u]) continue;
      counts[offer] = (counts[offer] as number) + size;
      u -= weight;
    }
    return value[all] as number;
  }
}
