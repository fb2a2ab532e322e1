/** What the real runs of a machine teach: how long a programme takes here, and what it draws. Medians, so that one odd run changes nothing. */
import type { Programme } from '../model/household.ts';
import { median, roundTo } from '../units/numbers.ts';
import { energyShareAt, modelKwh, statedFullLoadKwh, waterRowOf } from '../washing/energy.ts';

/** Runs that count, newest first; before there are two, the panel is believed. */
export const newestRuns = 5;
export const runsNeeded = 2;
/** A run outside this share of the panel's time was something else. */
const believable = { least: 0.4, most: 2.5 } as const;

export const isBelievable = (minutes: number, panelMin: number): boolean =>
  minutes >= believable.least * panelMin && minutes <= believable.most * panelMin;

/**
 * Minutes this machine really takes; null = too few runs.
 * @example learntMinutes([92, 88], 65) // 90
 */
export function learntMinutes(newestFirst: readonly number[], panelMin: number): number | null {
  const runs = newestFirst.filter((m) => isBelievable(m, panelMin)).slice(0, newestRuns);
  return runs.length >= runsNeeded ? Math.round(median(runs)) : null;
}

/** What a run would have drawn with a full drum, kWh. */
export const asFullLoadKwh = (kwh: number, fill: number): number => kwh / energyShareAt(fill);
/** kWh of a full load at one temperature, from runs brought to a full load, newest first; null = too few. */
export function learntFullKwh(newestFirst: readonly number[]): number | null {
  const runs = newestFirst.slice(0, newestRuns);
  return runs.length >= runsNeeded ? roundTo(median(runs), 3) : null;
}
const usualSpinRpm = 1200;
/** What panel or model say of a full load at a temperature, kWh. */
export const bookFullKwh = (
  p: Pick<Programme, 'family' | 'maxLoadKg' | 'energyKwhAt'>,
  temperatureC: number,
  coldC: number,
): number =>
  statedFullLoadKwh(p.energyKwhAt, temperatureC, coldC) ??
  modelKwh(waterRowOf(p.family), p.maxLoadKg, temperatureC, coldC, usualSpinRpm);
