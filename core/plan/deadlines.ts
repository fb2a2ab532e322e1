/** Dates: whether a piece is in the cupboard again by the time it is needed. */
import { say } from '../message/message.ts';
import type { PlannedGarment, PlanWarning } from '../model/plan.ts';
import type { Profile } from '../piece/profile.ts';
import type { Basket } from '../price/basket.ts';

const hoursPerDay = 24;
/** One day for drying. */
const dryingDays = 1;

const hoursUntil = (now: string, then: string): number => (Date.parse(then) - Date.parse(now)) / 3_600_000;
/**
 * What the timetable of this plan could not bring to the cupboard in time is late; what is not washed today has to be ready with the next wash day.
 * `late` = the warnings of that timetable.
 */
export function deadlineWarnings(
  b: Basket,
  now: string,
  late: readonly PlanWarning[],
  garments: readonly PlannedGarment[],
): PlanWarning[] {
  const nextWashH = (b.household.daysToNextWash + dryingDays) * hoursPerDay;
  const missed = garments.flatMap((g, i): Profile[] => {
    const p = b.profiles[i];
    const by = p?.garment.neededBy ?? null;
    if (!p || by === null) return [];
    const postponed = g.outcome === 'wait' || g.outcome === 'test-first';
    return g.outcome === 'professional' || (postponed && hoursUntil(now, by) <= nextWashH) ? [p] : [];
  });
  const unwashed: PlanWarning[] =
    missed.length === 0
      ? []
      : [
          {
            code: 'cannot-meet-deadline',
            severity: 'caution',
            garments: missed.map((p) => p.garment.id),
            message: say('warn.date-unmet', { names: missed.map((p) => p.garment.name) }),
          },
        ];
  return [...late.filter((w) => w.code === 'cannot-meet-deadline'), ...unwashed];
}
