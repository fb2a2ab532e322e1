/** Whether a forgotten piece may still join a machine that runs: with its settings, its detergent and its company as they are. */
import { say, type Message } from '../message/message.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import type { PlannedLoad } from '../model/plan.ts';
import { basketOf } from '../price/basket.ts';
import { loadAt } from '../price/price.ts';
import { violationsOfSet } from './pins.ts';
import { whyNot } from './move.ts';

/** Minutes after the start in which something may still be put in: before the water is warm and the dirt is off. */
export const mayJoinWithinMin = 10;

export type RunningLoad = Pick<PlannedLoad, 'washer' | 'programme' | 'temperatureC' | 'spinRpm'> & {
  detergentClass: string | null;
};

/**
 * Why not, in the words of the board; empty = it may join.
 * @param ids pieces in the drum, and the one that would join them
 */
export function whyNotJoin(
  garments: readonly Garment[],
  household: Household,
  ids: readonly string[],
  joiner: string,
  running: RunningLoad,
): Message[] {
  const b = basketOf(garments, household);
  const indexOf = new Map(garments.map((g, i) => [g.id, i] as const));
  const set = [...ids, joiner].flatMap((id) => indexOf.get(id) ?? []).sort((x, y) => x - y);
  const piece = indexOf.get(joiner) ?? -1;
  const setting = b.settings.findIndex(
    (s) =>
      s.method === 'machine' &&
      s.washer.id === running.washer &&
      s.programme.id === running.programme &&
      s.temperatureC === running.temperatureC,
  );
  const together = setting < 0 ? null : loadAt(b, set, setting);
  if (together && together.spinRpm >= running.spinRpm && together.product.class === running.detergentClass) return [];
  const reasons = whyNot(b, set, piece, violationsOfSet(b, set).violations);
  return reasons.length > 0 ? reasons : [say('board.not-at-this-setting')];
}
