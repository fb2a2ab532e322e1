/** L2 of docs/solver.md. Items that nothing in the price tells apart, and that clash with the same others: real linen repeats. */
import type { Basket } from '../price/basket.ts';
import type { Instance } from './instance.ts';

/** What the price sees of an item: everything but the names of its pieces, and whether somebody has measured them. */
function likeness(basket: Basket, inst: Instance, item: number): string {
  const { pieces, waitCost } = inst.items[item] as Instance['items'][number];
  const seen = pieces.map((p) => {
    const { garment } = basket.profiles[p] as Basket['profiles'][number];
    return [
      // A set has no text of its own: without this a lace top and a plain one would be alike.
      { ...garment, id: '', name: '', measured: false, traits: [...garment.traits].sort() },
      basket.allowedBits.slice(p * basket.settingWords, (p + 1) * basket.settingWords).join(),
    ];
  });
  return JSON.stringify([seen, waitCost === Infinity ? 'must' : waitCost]);
}

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
    const key = likeness(inst.basket, inst, i);
    const known = byLikeness.get(key);
    if (known) known.push(i);
    else byLikeness.set(key, [i]);
  });
  const accepted = inst.basket.waived !== null;
  return [...byLikeness.values()]
    .flatMap((kind) => (kind.length > 1 && (accepted || !interchangeable(inst, kind)) ? kind.map((i) => [i]) : [kind]))
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
