/**
 * Whom an item may share a load with. Items that nothing tells apart in that are one class; the largest sets of classes in which nothing clashes are the
 * companies: every load lies within one of them.
 */
import { classesOf, type Instance } from '../instance.ts';

/** L10 of docs/solver.md. 1 for the items of a company, by company. */
export function companiesOf(inst: Instance, most: number): Uint8Array[] {
  const { classOf, words, shuts } = classesOf(inst);
  const classes = words > 0 ? shuts.length / words : 0;
  const share = (c: number, d: number): boolean =>
    c !== d && !((shuts[c * words + (d >> 5)] as number) & (1 << (d & 31)));
  const all = Array.from({ length: classes }, (_, c) => c);
  const partners = all.map((c) => new Set(all.filter((d) => share(c, d))));
  const found: number[][] = [];
  /** Every largest set of classes that may all share, by pivoting (Bron and Kerbosch). */
  const grow = (held: readonly number[], open: Set<number>, done: Set<number>): void => {
    if (found.length > most) return;
    if (open.size === 0) {
      if (done.size === 0) found.push([...held]);
      return;
    }
    let pivot = -1;
    let reach = -1;
    for (const c of [...open, ...done]) {
      const within = [...open].filter((d) => partners[c]?.has(d)).length;
      if (within > reach) {
        reach = within;
        pivot = c;
      }
    }
    for (const c of [...open]) {
      if (partners[pivot]?.has(c)) continue;
      const with_ = partners[c] as Set<number>;
      grow(
        [...held, c],
        new Set([...open].filter((d) => with_.has(d))),
        new Set([...done].filter((d) => with_.has(d))),
      );
      open.delete(c);
      done.add(c);
    }
  };
  grow([], new Set(all), new Set());
  // Too many to list: one company of all, which only lets more in.
  if (found.length > most) return [new Uint8Array(classOf.length).fill(1)];
  return found.map((held) => Uint8Array.from(classOf, (c) => (held.includes(c) ? 1 : 0)));
}
