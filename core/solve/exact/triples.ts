/** L18 of docs/solver.md. Of three items, at most one load of a division holds two or more: a rule that half loads break. */
import type { ListedLoads } from './listed-loads.ts';

/** Three items, ascending. */
export type Triple = readonly [number, number, number];
/** A load of the list, and how much of it is in use. */
export interface ListedUse {
  load: number;
  share: number;
}

/** 1 where the load holds two of the three or all. */
export const holdsTwo = (list: ListedLoads, load: number, [a, b, c]: Triple): number =>
  list.holds(load, a) + list.holds(load, b) + list.holds(load, c) >= 2 ? 1 : 0;

/** A rule that is broken by less than this is as good as kept. */
const leastBroken = 0.02;

/** The triples whose rule is broken most by loads in use, at most so many. */
export function brokenTriples(list: ListedLoads, used: readonly ListedUse[], items: number, most: number): Triple[] {
  const halves = used.filter(({ share }) => share < 1 - leastBroken);
  const shared = new Float64Array(items * items);
  for (const { load, share } of halves) {
    const members = list.itemsOf(load);
    for (const a of members)
      for (const b of members) if (a < b) shared[a * items + b] = (shared[a * items + b] as number) + share;
  }
  const found: { triple: Triple; broken: number }[] = [];
  for (let a = 0; a < items; a++)
    for (let b = a + 1; b < items; b++) {
      const ab = shared[a * items + b] as number;
      for (let c = b + 1; c < items; c++) {
        const pairs = ab + (shared[a * items + c] as number) + (shared[b * items + c] as number);
        if (pairs <= 1 + leastBroken) continue;
        const triple: Triple = [a, b, c];
        const broken = halves.reduce((t, { load, share }) => t + share * holdsTwo(list, load, triple), -1);
        if (broken > leastBroken) found.push({ triple, broken });
      }
    }
  return found
    .sort((x, y) => y.broken - x.broken)
    .slice(0, most)
    .map(({ triple }) => triple);
}
