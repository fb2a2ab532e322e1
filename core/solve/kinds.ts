/** L2 of docs/solver.md. Items that nothing in the price tells apart, and that clash with the same others: real linen repeats. */
import { piecesOf, type Instance, type Pricer } from './instance.ts';
import { joined, type Hashes, type SetPrice } from './price-table.ts';

/** What the price sees of an item. */
const likeness = ({ basket, items }: Instance, item: number): string => {
  const { pieces, waitCost } = items[item] as Instance['items'][number];
  return `${pieces.map((p) => basket.alike[p]).join()} ${waitCost}`;
};

/** Whether decisions made by hand leave the items of a kind interchangeable: each clashes with the same others, and with all of its kind or none. */
function interchangeable({ items, apart }: Instance, kind: readonly number[]): boolean {
  const n = items.length;
  const [first = 0, second] = kind;
  const inside = second === undefined ? 0 : apart[first * n + second];
  const members = new Set(kind);
  return kind.every((i) =>
    items.every((_, j) => i === j || apart[i * n + j] === (members.has(j) ? inside : apart[first * n + j])),
  );
}

/** The items by kind, each kind ascending, in the order of their first; a kind that decisions by hand tell apart falls into its items. */
export function kindsOf(inst: Instance): number[][] {
  const byLikeness = new Map<string, number[]>();
  inst.items.forEach((_, i) => {
    const key = likeness(inst, i);
    const known = byLikeness.get(key);
    if (known) known.push(i);
    else byLikeness.set(key, [i]);
  });
  return [...byLikeness.values()]
    .flatMap((kind) => (kind.length > 1 && !interchangeable(inst, kind) ? kind.map((i) => [i]) : [kind]))
    .sort((x, y) => (x[0] as number) - (y[0] as number));
}

/** One item of each kind, as a group of its own. */
export function oneOfEach({ basket, items, apart }: Instance, kinds: readonly (readonly number[])[]): Instance {
  const n = items.length;
  const first = kinds.map((kind) => kind[0] as number);
  const between = new Uint8Array(first.length ** 2);
  first.forEach((i, x) => first.forEach((j, y) => (between[x * first.length + y] = apart[i * n + j] as number)));
  return { basket, items: first.map((i) => items[i] as Instance['items'][number]), apart: between };
}

/** A load of so many items of each kind: its kinds ascending, each listed as often as it is in it; what it costs, and the setting that is best for it. */
export interface KindLoad {
  readonly kinds: readonly number[];
  readonly cost: number;
  readonly setting: number;
}

/** The kinds of a group, and the loads met so far: items of a kind are interchangeable (L2), so that a load is told by its kinds. */
export class KindLoads {
  readonly inst: Instance;
  readonly kinds: readonly (readonly number[])[];
  /** How many items of each kind there are, and what one costs to put off. */
  readonly counts: readonly number[];
  readonly waitCosts: readonly number[];
  /** Loads met that can be washed, by their kinds. */
  readonly met = new Map<string, KindLoad>();
  private readonly pricer: Pricer;
  private readonly kindOf: Int32Array;
  /** Of each kind. */
  private readonly hashes: readonly Hashes[];
  constructor(inst: Instance, pricer: Pricer, kinds: readonly (readonly number[])[] = kindsOf(inst)) {
    this.inst = inst;
    this.pricer = pricer;
    this.kinds = kinds;
    this.counts = kinds.map((kind) => kind.length);
    this.waitCosts = kinds.map(([i = 0]) => inst.items[i]?.waitCost ?? Infinity);
    this.hashes = kinds.map(([i = 0]) => pricer.hashes(inst.items[i]?.pieces ?? []));
    this.kindOf = new Int32Array(inst.items.length);
    kinds.forEach((kind, k) => {
      for (const i of kind) this.kindOf[i] = k;
    });
  }
  /** No two of these two kinds may share a load; of one kind: no two of it. */
  clash(k: number, j: number): boolean {
    const i = this.kinds[k]?.[0] as number;
    const other = this.kinds[j]?.[k === j ? 1 : 0];
    return other !== undefined && this.inst.apart[i * this.inst.items.length + other] === 1;
  }
  /** The kinds of items, as a load lists them. */
  kindsOf(items: readonly number[]): number[] {
    return items.map((i) => this.kindOf[i] as number).sort((x, y) => x - y);
  }
  /** Of each item what its kind is worth. */
  worthOfItems(ofKinds: Float64Array): Float64Array {
    return Float64Array.from(this.kindOf, (k) => ofKinds[k] as number);
  }
  /** Items for loads told by kinds, the first free of each: any others would cost the same. */
  sharedOut(loads: readonly (readonly number[])[]): number[][] {
    const taken = new Int32Array(this.kinds.length);
    return loads.map((kinds) =>
      kinds.map((k) => {
        const at = taken[k] as number;
        taken[k] = at + 1;
        return this.kinds[k]?.[at] ?? -1;
      }),
    );
  }
  /** Cost and best setting of a load, its kinds ascending; Infinity where none takes it. */
  price(kinds: readonly number[]): SetPrice {
    return this.pricer.priceOf(joined(kinds.map((k) => this.hashes[k] as Hashes)), () =>
      piecesOf(this.inst.items, this.sharedOut([kinds])[0] as readonly number[]),
    );
  }
  /** The load is known from now on; null where it cannot be washed. Its kinds ascend. */
  meet(kinds: readonly number[]): KindLoad | null {
    const key = kinds.join(',');
    const known = this.met.get(key);
    if (known) return known;
    const { cost, setting } = this.price(kinds);
    if (cost === Infinity) return null;
    const load = { kinds, cost, setting };
    this.met.set(key, load);
    return load;
  }
}
