/** Waiting, explained together: which pieces wait for one another, how full their load would be, what running it now costs more, and when is next. */
import { say, type Message } from '../message/message.ts';
import { moneyOf } from '../message/params.ts';
import type { DetergentClass } from '../model/household.ts';
import type { Reason } from '../model/plan.ts';
import { conflictOf, type Basket } from '../price/basket.ts';
import type { Profile } from '../piece/profile.ts';
import { cheapest, deferralCost, priceLoad } from '../price/price.ts';
import { sum } from '../units/numbers.ts';
import { detergentPreference } from '../washing/products.ts';

/** Waiting pieces that may share one load, each with the rest of its group; first fit in the order of the basket. */
export function waitingGroups(b: Basket, waiting: readonly number[]): number[][] {
  const groups: number[][] = [];
  for (const i of [...waiting].sort((x, y) => x - y)) {
    const group = groups.find((g) => cheapest(b, [...g, i]).cost < Infinity);
    if (group) group.push(i);
    else groups.push([i]);
  }
  return groups;
}

/** The rule that keeps a piece from most of the others; null where only the setting does. */
function commonestConflict(b: Basket, piece: number): Message | null {
  const count = new Map<string, { times: number; message: () => Message }>();
  for (let j = 0; j < b.profiles.length; j++) {
    const conflict = conflictOf(b, piece, j);
    if (!conflict) continue;
    const known = count.get(conflict.constraint);
    count.set(conflict.constraint, { times: (known?.times ?? 0) + 1, message: known?.message ?? conflict.message });
  }
  const [most] = [...count.values()].sort((x, y) => y.times - x.times);
  return most?.message() ?? null;
}

/** What its cloth asks for first, as far as label and fibre permit; else all that they permit. */
function suitedDetergents(p: Profile): DetergentClass[] {
  const [need] = p.needs;
  const permitted = p.values.detergents;
  const suited = need ? detergentPreference[need].filter((d) => permitted.has(d)) : [];
  return suited.length > 0 ? suited : [...permitted];
}

/** Why a piece waits for its price, with its group in view. */
export function waitReason(b: Basket, piece: number, group: readonly number[]): Reason {
  const { daysToNextWash: days, tariff } = b.household;
  const reason = (message: Message): Reason => ({ code: 'waits-for-fill', source: 'rule', message });
  const alone = priceLoad(b, [piece]);
  if (!alone.feasible) {
    const p = b.profiles[piece];
    const detergents = p ? suitedDetergents(p) : [];
    return alone.violations.includes('no-suitable-product')
      ? { code: 'no-suitable-product', source: 'product', message: say('plan.no-product', { detergents }) }
      : { code: 'no-suitable-programme', source: 'washer', message: say('plan.no-programme') };
  }
  const together = priceLoad(b, group);
  if (group.length > 1 && together.feasible) {
    const names = group.flatMap((i) => (i === piece ? [] : (b.profiles[i]?.garment.name ?? [])));
    const more = together.cost - sum(group.map((i) => deferralCost(b, i)));
    const percent = Math.round(together.fill * 100);
    return reason(say('plan.waits-together', { names, percent, cost: moneyOf(tariff, Math.max(0, more)), days }));
  }
  const prices = {
    percent: Math.round(alone.fill * 100),
    cost: moneyOf(tariff, alone.cost),
    otherCost: moneyOf(tariff, deferralCost(b, piece)),
    days,
  };
  const because = commonestConflict(b, piece);
  return reason(because ? say('plan.waits-unlike', { ...prices, because }) : say('plan.waits-alone', prices));
}
