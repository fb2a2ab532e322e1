/**
 * L3 of docs/solver.md. Worths of items that no load can beat: whatever a load holds, it costs at least what its items are worth together. Such worths are valid duals of the
 * division's relaxation, so that their sum, none above the cost of waiting, bounds every division from below, whatever the size of the basket.
 */
import type { ColumnFinder } from '../exact/column-finder.ts';
import type { Mode, Modes } from './modes.ts';

export const sumOf = (worth: Float64Array): number => worth.reduce((t, x) => t + x, 0);

/** L6 of docs/solver.md. In every mode an item pays its own least and its share of the room times what a load costs at least: the rooms of a load sum to at most a full one. */
export function shareWorth({ inst, list, full }: Modes): Float64Array {
  return Float64Array.from(inst.items, (item, i) =>
    list.reduce(
      (least, m) => Math.min(least, (m.leastCost[i] as number) + (m.base * (m.room[i] as number)) / full),
      item.waitCost,
    ),
  );
}

/** The most that those who may share a load with an item could pay of it above their own least, in the room that the item leaves. */
function othersPay({ inst, full }: Modes, m: Mode, worth: Float64Array, item: number): number {
  const n = inst.items.length;
  const gain = (j: number): number => (worth[j] as number) - (m.leastCost[j] as number);
  const company: number[] = [];
  for (let j = 0; j < n; j++) if (j !== item && gain(j) > 0 && !inst.apart[item * n + j]) company.push(j);
  company.sort((x, y) => gain(y) * (m.room[x] as number) - gain(x) * (m.room[y] as number) || x - y);
  let free = full - (m.room[item] as number);
  let paid = 0;
  for (const j of company) {
    const part = Math.min(1, free / (m.room[j] as number));
    paid += part * gain(j);
    free -= part * (m.room[j] as number);
    if (free <= 0) break;
  }
  return paid;
}
/** L7. Raised worths: an item that shares with few others pays what those leave of a load, in the mode that is cheapest for it. */
export function solitaryWorth(modes: Modes, from: Float64Array): Float64Array {
  const worth = from.slice();
  modes.inst.items.forEach((item, i) => {
    let most = item.waitCost;
    const alone = (m: Mode): number => (m.leastCost[i] as number) + m.base;
    const least = (m: Mode): number => (m.leastCost[i] as number) + m.base * (m.room[i] as number);
    const open = modes.list.filter((m) => (m.leastCost[i] as number) < most).sort((x, y) => least(x) - least(y));
    for (const m of open) {
      if (most <= (worth[i] as number) + 1e-9) break;
      if ((m.leastCost[i] as number) < most) most = Math.min(most, alone(m) - othersPay(modes, m, worth, i));
    }
    worth[i] = Math.max(worth[i] as number, most);
  });
  return worth;
}

export interface ClimbEffort {
  /** Climbs after the first two, and how far each starts out towards the target. */ climbs: number;
  reach: number;
  /** Visited sets when a mode is asked whether it has a load that is worth more than its cost. */ nodes: number;
}
/** Of what a mode's loads could be worth above their cost, its items give back this share at a time, and after so many times all of it. */
const giveBack = 0.1;
const patience = 40;

/** Valid worths near `start`: where a mode could have a load worth more than its cost, its items give back, at most down to `floor`. Giving back makes no other mode worse, so that one round over the modes is enough. */
function mended(
  finder: ColumnFinder,
  start: Float64Array,
  floor: Float64Array | null,
  nodes: number,
): Float64Array | null {
  const worth = start.slice();
  const broken = finder.modesInUse
    .map((mode) => ({ mode, by: finder.leastOf(mode, worth, nodes) }))
    .filter(({ by }) => by < 0)
    .sort((x, y) => x.by - y.by);
  for (const { mode } of broken) {
    let tries = 0;
    for (let by = finder.leastOf(mode, worth, nodes); by < 0; by = finder.leastOf(mode, worth, nodes)) {
      if (++tries > patience) return null;
      const part = tries < patience ? Math.min(1, (giveBack * -by) / mode.base + 1e-4) : 1;
      for (let i = 0; i < worth.length; i++) {
        const gain = (worth[i] as number) - (mode.leastCost[i] as number);
        if (gain > 0) worth[i] = Math.max(floor ? (floor[i] as number) : -Infinity, (worth[i] as number) - part * gain);
      }
    }
  }
  return worth;
}
/** Climb from valid worths towards others that may be too high: the best valid worths met on the way. */
export function climb(
  finder: ColumnFinder,
  from: Float64Array,
  to: Float64Array,
  { climbs, reach, nodes }: ClimbEffort,
): Float64Array {
  const target = to.map((x, i) => Math.min(x, finder.inst.items[i]?.waitCost ?? Infinity));
  let valid = from;
  const towards = (share: number): Float64Array =>
    valid.map((x, i) => x + share * Math.max(0, (target[i] as number) - x));
  const keep = (worth: Float64Array | null): void => {
    if (worth && sumOf(worth) > sumOf(valid)) valid = worth;
  };
  const above = mended(finder, towards(1), from, nodes);
  keep(mended(finder, target, null, nodes));
  keep(above);
  for (let k = 0; k < climbs; k++) keep(mended(finder, towards(reach), null, nodes));
  return valid;
}
