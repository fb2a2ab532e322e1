/**
 * L3 of docs/solver.md. Worths of items that no load can beat: whatever a load holds, it costs at least what its items are worth together. Such worths are valid duals of the
 * division's relaxation, so that their sum, none above the cost of waiting, bounds every division from below, whatever the size of the basket.
 */
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
