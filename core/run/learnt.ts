/** What the real runs of a machine teach: how long a programme takes here, and what it draws. Medians, so that one odd run changes nothing. */
import { energyShareAt } from '../washing/energy.ts';

export interface MeasuredRun {
  temperatureC: number;
  /** Fill of the drum, 0–1. */
  fill: number;
  minutes: number;
  /** null = nobody measured it. */
  kwh: number | null;
}
export interface LearntProgramme {
  /** Minutes this machine really takes; null = too few runs. */
  durationMin: number | null;
  /** kWh of a full load by temperature, °C. */
  energyKwhAt: ReadonlyMap<number, number>;
  runs: number;
}
/** Runs that count, newest first; before there are two, the panel is believed. */
const newestRuns = 5;
const leastRuns = 2;
/** A run outside this share of the panel's time was something else. */
const believable = { least: 0.4, most: 2.5 } as const;

const median = (xs: readonly number[]): number => {
  const sorted = [...xs].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 ? (sorted[mid] ?? 0) : ((sorted[mid - 1] ?? 0) + (sorted[mid] ?? 0)) / 2;
};

/**
 * @example learntProgramme([{ temperatureC: 40, fill: 0.8, minutes: 92, kwh: 0.7 }, { temperatureC: 40, fill: 1, minutes: 88, kwh: null }], 65).durationMin // 90
 */
export function learntProgramme(newestFirst: readonly MeasuredRun[], panelMin: number): LearntProgramme {
  const runs = newestFirst
    .filter((r) => r.minutes >= believable.least * panelMin && r.minutes <= believable.most * panelMin)
    .slice(0, newestRuns);
  const drawn = new Map<number, number[]>();
  for (const r of runs)
    if (r.kwh !== null)
      drawn.set(r.temperatureC, [...(drawn.get(r.temperatureC) ?? []), r.kwh / energyShareAt(r.fill)]);
  return {
    durationMin: runs.length >= leastRuns ? Math.round(median(runs.map((r) => r.minutes))) : null,
    energyKwhAt: new Map(
      [...drawn]
        .filter(([, list]) => list.length >= leastRuns)
        .map(([celsius, list]) => [celsius, Math.round(median(list) * 1000) / 1000]),
    ),
    runs: runs.length,
  };
}
