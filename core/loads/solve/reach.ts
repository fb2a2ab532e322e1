/**
 * What the candidates of a search can still add at most. Of items that exclude each other not all can count: by the duality of packing and covering,
 * whatever weight is laid on an excluding pair may be taken off both ends and put back once. Room has its price: any price gives a valid bound.
 */

import { wordsFor, type Company } from './company.ts';

/** Smaller damages are not worth the receiver they use up. */
const leastSoft = Number(process.env.SOFT ?? 0.02);

export class Reach {
  private readonly left: Float64Array;
  private readonly alive: Int32Array;
  private readonly harmed: Uint8Array;
  constructor(n: number) {
    this.left = new Float64Array(n);
    this.harmed = new Uint8Array(n);
    this.alive = new Int32Array(wordsFor(n));
  }

  /** out[k] = most that candidates k, k + 1, … can add together, at a price per room and with so much room free. */
  bound(out: Float64Array, candidates: Int16Array, count: number, gains: Float64Array, harm: Float64Array, { exclusive, damage }: Company, room: Float64Array, price: number, free: number): void {
    const { left, alive, harmed } = this;
    const words = alive.length;
    const n = left.length;
    harmed.fill(0);
    alive.fill(0);
    const paid = price * free;
    let total = 0;
    out[count] = 0;
    for (let k = count - 1; k >= 0; k--) {
      const i = candidates[k] as number;
      let own = (gains[i] as number) - price * (room[i] as number);
      if (own > 0) {
        total += own;
        for (let w = 0; w < words && own > 0; w++) {
          let bits = (exclusive[i * words + w] as number) & (alive[w] as number);
          while (bits !== 0 && own > 0) {
            const bit = bits & -bits;
            bits &= bits - 1;
            const j = w * 32 + 31 - Math.clz32(bit);
            const other = left[j] as number;
            if (other <= own) {
              total -= other;
              own -= other;
              alive[w] = (alive[w] as number) & ~bit;
            } else {
              total -= own;
              left[j] = other - own;
              own = 0;
            }
          }
        }
        // Dye damage between two that may share: each receiver is counted with one giver.
        for (let w = 0; w < words && own > 0; w++) {
          for (let bits = alive[w] as number; bits !== 0 && own > 0; bits &= bits - 1) {
            const bit = bits & -bits;
            const j = w * 32 + 31 - Math.clz32(bit);
            const toLater = harmed[j] ? 0 : (damage[i * n + j] as number) - (harm[j] as number);
            const toThis = harmed[i] ? 0 : (damage[j * n + i] as number) - (harm[i] as number);
            const soft = (toLater > 0 ? toLater : 0) + (toThis > 0 ? toThis : 0);
            if (soft < leastSoft) continue;
            const other = left[j] as number;
            const y = Math.min(soft, own, other);
            total -= y;
            own -= y;
            left[j] = other - y;
            if (other === y) alive[w] = (alive[w] as number) & ~bit;
            if (toLater > 0) harmed[j] = 1;
            if (toThis > 0) harmed[i] = 1;
          }
        }
        if (own > 0) {
          left[i] = own;
          alive[i >> 5] = (alive[i >> 5] as number) | (1 << (i & 31));
        }
      }
      out[k] = paid + total;
    }
  }
}
