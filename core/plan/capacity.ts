/**
 * Whether there are hours enough until the next wash day: of the machines for their loads, of the drying places for what hangs. Where there are not,
 * it is said in days and hours, with what would help.
 */
import { say } from '../message/message.ts';
import type { Household } from '../model/household.ts';
import type { DryPlan, PlanWarning } from '../model/plan.ts';
import type { Profile } from '../piece/profile.ts';
import type { PricedLoad } from '../price/price.ts';
import { barsEachOf } from '../rack/hang.ts';
import { calendarOf, fixedClock } from '../timetable/calendar.ts';
import { overlapMin } from '../timetable/spans.ts';

const dayMin = 24 * 60;
/** A drying place is free again only after a night: nobody changes the rack at every hour. */
const rackTurnH = 12;

/** Minutes a washer may run from now to the next wash day, by washer. */
export function openMinutes(household: Household, now: string): Map<string, number> {
  const { washers } = calendarOf({ household, nowMs: Date.parse(now), clock: fixedClock(now) });
  const span = household.daysToNextWash * dayMin;
  return new Map([...washers].map(([id, shut]) => [id, span - overlapMin(shut, 0, span)]));
}

/** `loads` in running order: those that the machines have hours for, and those that are too many. */
function machineHours(
  household: Household,
  now: string,
  loads: readonly PricedLoad[],
  pieces: readonly Profile[],
): PlanWarning[] {
  const open = openMinutes(household, now);
  const used = new Map<string, number>();
  const late: PricedLoad[] = [];
  let first = 0;
  for (const load of loads) {
    if (load.setting.method !== 'machine') continue;
    const { id } = load.setting.washer;
    const minutes = (used.get(id) ?? 0) + load.durationMin;
    used.set(id, minutes);
    if (minutes > (open.get(id) ?? 0)) late.push(load);
    else first += 1;
  }
  if (late.length === 0) return [];
  const total = (of: Iterable<number>): number => [...of].reduce((t, x) => t + x, 0);
  return [
    {
      code: 'machine-hours',
      severity: 'caution',
      garments: late.flatMap((l) => l.pieces.flatMap((i) => pieces[i]?.garment.id ?? [])),
      message: say('warn.machine-hours', {
        ...inDays('need', total(used.values())),
        ...inDays('there', total([...used.keys()].map((id) => open.get(id) ?? 0))),
        days: household.daysToNextWash,
        first,
        late: late.length,
      }),
    },
  ];
}
/** Minutes as days and hours, for words. */
function inDays<K extends string>(name: K, minutes: number): Record<`${K}Days` | `${K}Hours`, number> {
  const hours = Math.round(minutes / 60);
  return { [`${name}Days`]: Math.floor(hours / 24), [`${name}Hours`]: hours % 24 } as Record<
    `${K}Days` | `${K}Hours`,
    number
  >;
}

/** Bars that hang full for so long against the bars there are until the next wash day; a bar changed at most every half day. */
function rackHours(
  household: Household,
  pieces: readonly Profile[],
  plans: ReadonlyMap<string, Pick<DryPlan, 'method' | 'hours'>>,
): PlanWarning[] {
  const bars = household.dryingPlaces.reduce((t, place) => t + place.bars, 0);
  if (bars === 0) return [];
  let needBarH = 0;
  const hung: Profile[] = [];
  for (const p of pieces) {
    const plan = plans.get(p.garment.id);
    if (plan?.method !== 'bars') continue;
    needBarH += barsEachOf(p, household.rules) * p.garment.count * Math.max(rackTurnH, plan.hours);
    hung.push(p);
  }
  const needMin = (needBarH / bars) * 60;
  if (needMin <= household.daysToNextWash * dayMin) return [];
  return [
    {
      code: 'rack-hours',
      severity: 'caution',
      garments: hung.map((p) => p.garment.id),
      message: say('warn.rack-hours', { ...inDays('need', needMin), days: household.daysToNextWash }),
    },
  ];
}

/** What there is not time for until the next wash day. */
export function capacityWarnings(
  household: Household,
  now: string,
  loads: readonly PricedLoad[],
  pieces: readonly Profile[],
  plans: ReadonlyMap<string, Pick<DryPlan, 'method' | 'hours'>>,
): PlanWarning[] {
  return [...machineHours(household, now, loads, pieces), ...rackHours(household, pieces, plans)];
}
