/**
 * L8 of docs/solver.md. What the candidates of a search can still add at most. Of two that exclude each other only one can count: by the duality of packing and covering,
 * whatever weight is laid on the pair may be taken off both and put back once; dye damage between two that may share does the same up to its size.
 * Room has its price: any price gives a valid bound. What a load must hold to be real counts even where nobody wants it.
 */
import { wordsFor, type Company } from './company.ts';
import { mostConditions, type Mode } from './modes.ts';

/** Smaller damages, EUR, are not worth the receiver they use up. */
const leastSoft = 0.02;

/** Candidates in their order, each with its worth above what it adds at least and the dye damage already taken off it. */
export interface Prospects {
  candidates: Int16Array;
  count: number;
  gains: Float64Array;
  harm: Float64Array;
}
/** How a bound is asked for: at this price of room, with so much of it free, and the conditions not yet met. */
export interface Terms {
  price: number;
  free: number;
  unmet: number;
}

export class PackingBound {
  private readonly left: Float64Array;
  private readonly alive: Int32Array;
  private readonly harmed: Uint8Array;
  private readonly due = new Float64Array(mostConditions);
  constructor(n: number) {
    this.left = new Float64Array(n);
    this.harmed = new Uint8Array(n);
    this.alive = new Int32Array(wordsFor(n));
  }

  /** out[k] = most that candidates k, k + 1, … can add together; −Infinity where they cannot make the load real. `tighten` = keep what is less already. */
  bound(
    out: Float64Array,
    { candidates, count, gains, harm }: Prospects,
    { exclusive, damage }: Company,
    { serves }: Mode,
    room: Float64Array,
    { price, free, unmet }: Terms,
    tighten: boolean,
  ): void {
    const { left, alive, harmed, due } = this;
    const words = alive.length;
    const n = left.length;
    harmed.fill(0);
    alive.fill(0);
    due.fill(Infinity);
    const paid = price * free;
    let total = 0;
    for (let k = count; k >= 0; k--) {
      if (k < count) {
        const i = candidates[k] as number;
        const net = (gains[i] as number) - price * (room[i] as number);
        for (let bits = unmet & (serves[i] as number); bits !== 0; bits &= bits - 1) {
          const r = 31 - Math.clz32(bits & -bits);
          due[r] = Math.min(due[r] as number, net < 0 ? -net : 0);
        }
        if (net > 0) {
          let own = net;
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
      }
      // Each condition not yet met takes one of the items that serve it, wanted or not.
      let most = 0;
      for (let bits = unmet; bits !== 0; bits &= bits - 1)
        most = Math.max(most, due[31 - Math.clz32(bits & -bits)] as number);
      const reach = paid + total - most;
      out[k] = tighten ? Math.min(out[k] as number, reach) : reach;
    }
  }
}
