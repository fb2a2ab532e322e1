/** Dates: whether a piece is washed and dry by the time it is needed, in the running order of the plan. */
import { say } from '../message/message.ts';
import type { DryPlan, PlannedGarment, PlanWarning } from '../model/plan.ts';
import type { Profile } from '../piece/profile.ts';
import type { Basket } from '../price/basket.ts';
import type { PricedLoad } from '../price/price.ts';

const hoursPerDay = 24;
/** One day for drying. */
const dryingDays = 1;

const hoursUntil = (now: string, then: string): number => (Date.parse(then) - Date.parse(now)) / 3_600_000;
/** What stands behind one another: loads of one machine, and everything by hand. */
const placeOf = ({ setting: s }: PricedLoad): string => (s.method === 'hand' ? 'hand' : s.washer.id);

interface Late {
  piece: Profile;
  hours: number;
}

/**
 * `loads` in running order; `drying` by garment id. A load starts when those before it on its machine have ended; washing and drying have to be over by
 * the date. What is not washed today has to be ready with the next wash day.
 */
export function deadlineWarnings(
  b: Basket,
  now: string,
  loads: readonly PricedLoad[],
  drying: ReadonlyMap<string, DryPlan>,
  garments: readonly PlannedGarment[],
): PlanWarning[] {
  const tooShort: Late[] = [];
  const behindOthers: Late[] = [];
  const busyMin = new Map<string, number>();
  for (const load of loads) {
    const startMin = busyMin.get(placeOf(load)) ?? 0;
    busyMin.set(placeOf(load), startMin + load.durationMin);
    for (const piece of load.pieces.flatMap((i) => b.profiles[i] ?? [])) {
      const { neededBy, id } = piece.garment;
      if (neededBy === null) continue;
      const alone = load.durationMin / 60 + (drying.get(id)?.hours ?? 0);
      const left = hoursUntil(now, neededBy);
      if (alone > left) tooShort.push({ piece, hours: alone });
      else if (startMin / 60 + alone > left) behindOthers.push({ piece, hours: startMin / 60 + alone });
    }
  }
  const nextWashH = (b.household.daysToNextWash + dryingDays) * hoursPerDay;
  const missed = garments.flatMap((g, i): Profile[] => {
    const p = b.profiles[i];
    const by = p?.garment.neededBy ?? null;
    if (!p || by === null) return [];
    const postponed = g.outcome === 'wait' || g.outcome === 'test-first';
    return g.outcome === 'professional' || (postponed && hoursUntil(now, by) <= nextWashH) ? [p] : [];
  });
  const out: PlanWarning[] = [];
  const warn = (pieces: readonly Profile[], message: PlanWarning['message']): void => {
    const garmentIds = pieces.map((p) => p.garment.id);
    out.push({ code: 'cannot-meet-deadline', severity: 'caution', garments: garmentIds, message });
  };
  const told = (late: readonly Late[]) => ({
    names: late.map((l) => l.piece.garment.name),
    hours: Math.ceil(Math.max(...late.map((l) => l.hours))),
  });
  if (tooShort.length)
    warn(
      tooShort.map((l) => l.piece),
      say('warn.date-short', told(tooShort)),
    );
  if (behindOthers.length)
    warn(
      behindOthers.map((l) => l.piece),
      say('warn.date-order', told(behindOthers)),
    );
  if (missed.length) warn(missed, say('warn.date-unmet', { names: missed.map((p) => p.garment.name) }));
  return out;
}
