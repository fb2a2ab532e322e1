/** What washing took, week by week: planned, and measured where somebody did. */
import { sum } from '../units/numbers.ts';

/** A finished load, as history keeps it. */
export interface RunOfHistory {
  atMs: number;
  pieces: readonly string[];
  massKg: number;
  /** Share of the drum. */
  fill: number;
  durationMin: number;
  attendedMin: number;
  waterL: number;
  energyKwh: number;
  /** In the household's currency, at the prices of the day. */
  money: number;
  pricePerKwh: number;
  /** null = nobody measured it. */
  measuredMin: number | null;
  measuredKwh: number | null;
  byHand: boolean;
}
export interface WeekOfRuns {
  week: string;
  loads: number;
  waterL: number;
  plannedKwh: number;
  /** Measured where it was, planned where it was not. */
  kwh: number;
  /** Of how many loads the energy was measured. */
  measured: number;
  plannedMoney: number;
  money: number;
  handsMin: number;
  plannedMin: number;
  runMin: number;
}
/** What the run cost, with the energy it really drew. */
export const realMoney = (r: RunOfHistory): number =>
  r.measuredKwh === null ? r.money : r.money + (r.measuredKwh - r.energyKwh) * r.pricePerKwh;

/**
 * Weeks in order, empty ones between them too. `weekOf` names the week of a moment; `after` the week that follows.
 * @example weeksOf(runs, weekOf, after)[0] // { week: '2026-W44', loads: 5, waterL: 240, … }
 */
export function weeksOf(
  runs: readonly RunOfHistory[],
  weekOf: (ms: number) => string,
  after: (week: string) => string,
): WeekOfRuns[] {
  if (runs.length === 0) return [];
  const byWeek = new Map<string, RunOfHistory[]>();
  for (const r of runs) {
    const week = weekOf(r.atMs);
    byWeek.set(week, [...(byWeek.get(week) ?? []), r]);
  }
  const named = [...byWeek.keys()].sort();
  const out: WeekOfRuns[] = [];
  const last = named.at(-1) ?? '';
  for (let week = named[0] ?? ''; week <= last; week = after(week)) out.push(weekSums(week, byWeek.get(week) ?? []));
  return out;
}
const weekSums = (week: string, runs: readonly RunOfHistory[]): WeekOfRuns => ({
  week,
  loads: runs.length,
  waterL: sum(runs.map((r) => r.waterL)),
  plannedKwh: sum(runs.map((r) => r.energyKwh)),
  kwh: sum(runs.map((r) => r.measuredKwh ?? r.energyKwh)),
  measured: runs.filter((r) => r.measuredKwh !== null).length,
  plannedMoney: sum(runs.map((r) => r.money)),
  money: sum(runs.map(realMoney)),
  handsMin: sum(runs.map((r) => r.attendedMin)),
  plannedMin: sum(runs.map((r) => r.durationMin)),
  runMin: sum(runs.map((r) => r.measuredMin ?? r.durationMin)),
});

/**
 * What each piece had of the money of its loads: by its share of their mass.
 * @example careMoney([{ …run, pieces: ['a', 'b'], money: 1 }], () => 0.2).get('a') // 0.5
 */
export function careMoney(runs: readonly RunOfHistory[], massKgOf: (piece: string) => number): Map<string, number> {
  const out = new Map<string, number>();
  for (const r of runs) {
    const total = sum(r.pieces.map(massKgOf));
    if (total <= 0) continue;
    for (const id of r.pieces) out.set(id, (out.get(id) ?? 0) + (realMoney(r) * massKgOf(id)) / total);
  }
  return out;
}
