/** The best filling of a drum by items of which there are some of each: with the last one divided, and whole. Both bound every real filling from above. */

/** Units of room of a full drum; the room of an item is rounded down, which only lets more in. */
const units = 1_000;
/** Fillings looked at one by one, before units of room are. */
const mostFillings = 4_096;

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
  private used = new Uint8Array(0);
  /** How much of each offer the last divided filling took, in items. */
  readonly part: Float64Array;
  /** How many of each offer the last whole filling took. */
  readonly counts: Int32Array;
  private readonly chosen: Int32Array;
  /** Of each offer, how many are in every better filling, and how many more may be. */
  private readonly taken: Int32Array;
  private readonly openMost: Int32Array;
  /** Fillings: room taken, gain, the filling one packet was added to, and which packet. */
  private readonly filled = new Float64Array(mostFillings);
  private readonly gained = new Float64Array(mostFillings);
  private readonly parent = new Int32Array(mostFillings);
  private readonly packet = new Int32Array(mostFillings);
  /** For so many items; `full` = the room of an empty drum. */
  constructor(items: number, full: number) {
    this.full = full;
    this.ratio = new Float64Array(items);
    this.part = new Float64Array(items);
    this.counts = new Int32Array(items);
    this.chosen = new Int32Array(items);
    this.taken = new Int32Array(items);
    this.openMost = new Int32Array(items);
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
  /**
   * The most that whole offers can gain in a drum with so much room left; `counts` tells how many of each. Offers that no filling better than a greedy
   * one can leave out, or take in, are decided beforehand; the rest goes by dynamic programming over units of room.
   */
  whole(offer: Offer, room: Float64Array, free = this.full): number {
    const { counts, ratio, taken, openMost, chosen } = this;
    const { items, most, gains, count, order } = offer;
    const divided = this.divided(offer, room, free);
    const { gain: greedy, critical } = this.greedily(offer, room, free);
    const between = divided - greedy;
    if (between < 1e-9) return greedy;
    const open: number[] = [];
    let left = free;
    let fixed = 0;
    for (let x = 0; x < count; x++) {
      const k = order[x] as number;
      taken[k] = 0;
      if ((gains[k] as number) <= 0) continue;
      const all = most[k] as number;
      const one = room[items[k] as number] as number;
      // What the divided filling loses by every one of these less, or more: so many can make a difference.
      const loses = one * ((ratio[k] as number) - critical);
      const unsure = Math.min(all, Math.floor(between / Math.max(1e-12, Math.abs(loses))));
      if (unsure > 0) {
        open.push(k);
        openMost[k] = unsure;
      }
      if (loses <= 0) continue;
      taken[k] = all - unsure;
      left -= one * (all - unsure);
      fixed += (gains[k] as number) * (all - unsure);
    }
    const rest = Math.max(0, left);
    const better =
      fixed + (this.byFillings(offer, open, room, rest, greedy - fixed) ?? this.byUnits(offer, open, room, rest));
    if (better <= greedy) return greedy;
    for (let x = 0; x < count; x++) counts[order[x] as number] = taken[order[x] as number] as number;
    for (const k of open) counts[k] = (counts[k] as number) + (chosen[k] as number);
    return better;
  }
  /** Takes what fits, the most gain per room first; and the gain per room from which on not everything fits. */
  private greedily(
    { items, most, gains, count, order }: Offer,
    room: Float64Array,
    free: number,
  ): { gain: number; critical: number } {
    const { counts, ratio } = this;
    let left = free;
    let gain = 0;
    let critical = 0;
    for (let x = 0; x < count; x++) {
      const k = order[x] as number;
      counts[k] = 0;
      if ((gains[k] as number) <= 0) continue;
      const one = room[items[k] as number] as number;
      const fit = one > 0 ? Math.floor(left / one) : Infinity;
      const n = Math.min(most[k] as number, fit);
      if (n < (most[k] as number) && critical === 0) critical = ratio[k] as number;
      counts[k] = n;
      left -= n * one;
      gain += n * (gains[k] as number);
    }
    return { gain, critical };
  }
  /**
   * The most that some of the offers, sorted by gain per room, can gain above `known`, exactly: every filling that is neither heavier than another of the
   * same gain nor hopeless, packet by packet. `chosen` tells how many of each. Null where they are too many.
   */
  private byFillings(
    { items, gains }: Offer,
    open: readonly number[],
    room: Float64Array,
    free: number,
    known: number,
  ): number | null {
    const { ratio, chosen, openMost, filled, gained, parent, packet } = this;
    const packets: { offer: number; size: number }[] = [];
    for (const k of open) {
      chosen[k] = 0;
      let left = openMost[k] as number;
      for (let size = 1; left > 0; left -= size, size = Math.min(size * 2, left)) packets.push({ offer: k, size });
    }
    let states = 1;
    filled[0] = 0;
    gained[0] = 0;
    parent[0] = -1;
    let list = [0];
    for (let p = 0; p < packets.length; p++) {
      const { offer, size } = packets[p] as (typeof packets)[number];
      const weight = (room[items[offer] as number] as number) * size;
      const gain = (gains[offer] as number) * size;
      const next = packets[p + 1];
      const then = next ? (ratio[next.offer] as number) : 0;
      const merged: number[] = [];
      let most = -Infinity;
      // Both lists go by room, without the packet and with it; a filling counts only if it gains more than all with less room.
      const keep = (state: number): void => {
        const gainOf = gained[state] as number;
        if (gainOf <= most || gainOf + (free - (filled[state] as number)) * then <= known) return;
        most = gainOf;
        merged.push(state);
      };
      let x = 0;
      for (const from of list) {
        const fills = (filled[from] as number) + weight;
        if (fills > free) break;
        while (x < list.length && (filled[list[x] as number] as number) <= fills) keep(list[x++] as number);
        if (states === mostFillings) return null;
        filled[states] = fills;
        gained[states] = (gained[from] as number) + gain;
        parent[states] = from;
        packet[states] = p;
        keep(states++);
      }
      while (x < list.length) keep(list[x++] as number);
      list = merged;
    }
    const best = list.at(-1);
    if (best === undefined) return -Infinity;
    for (let state = best; state > 0; state = parent[state] as number) {
      const { offer, size } = packets[packet[state] as number] as (typeof packets)[number];
      chosen[offer] = (chosen[offer] as number) + size;
    }
    return gained[best] as number;
  }
  /** The most that some of the offers can gain, by dynamic programming over rooms rounded down; `chosen` tells how many of each. */
  private byUnits({ items, gains }: Offer, open: readonly number[], room: Float64Array, free: number): number {
    const { value, chosen, openMost, full } = this;
    const all = Math.min(units, Math.floor((free / full) * units + 1e-6));
    value.fill(0, 0, all + 1);
    // A number of equal items is as good as packets of 1, 2, 4 … of them.
    const packets: { offer: number; size: number; weight: number }[] = [];
    for (const k of open) {
      chosen[k] = 0;
      const one = Math.floor(((room[items[k] as number] as number) / full) * units);
      let left = Math.min(openMost[k] as number, one > 0 ? Math.floor(all / one) : Infinity);
      for (let size = 1; left > 0; left -= size, size = Math.min(size * 2, left))
        packets.push({ offer: k, size, weight: one * size });
    }
    const wide = all + 1;
    if (this.used.length < packets.length * wide) this.used = new Uint8Array(packets.length * wide * 2);
    const { used } = this;
    packets.forEach(({ offer, size, weight }, p) => {
      const gain = (gains[offer] as number) * size;
      const row = p * wide;
      for (let u = all; u >= weight; u--) {
        const more = (value[u - weight] as number) + gain;
        if (more > (value[u] as number)) {
          value[u] = more;
          used[row + u] = 1;
        } else used[row + u] = 0;
      }
      used.fill(0, row, row + Math.min(wide, weight));
    });
    let u = all;
    for (let p = packets.length - 1; p >= 0; p--) {
      const { offer, size, weight } = packets[p] as (typeof packets)[number];
      if (!used[p * wide + u]) continue;
      chosen[offer] = (chosen[offer] as number) + size;
      u -= weight;
    }
    return value[all] as number;
  }
}
