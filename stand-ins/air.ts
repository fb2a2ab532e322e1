/** The air of a made-up quay: weather by the hour, and what a sensor over the rack reads. Deterministic from a seed. */
import { seeded } from '../core/units/random.ts';

export interface WeatherHour {
  at: string;
  temperatureC: number;
  humidity: number;
  windMPerS: number;
  rainMm: number;
}
const hourMs = 3_600_000;
const clamp = (x: number, low: number, high: number): number => Math.min(high, Math.max(low, x));
const fraction = (seed: number, step: number): number => seeded(seed * 7919 + step)();
const round = (x: number, digits: number): number => Number(x.toFixed(digits));
/** Mean of the month and swing of the day, °C. */
const meanC = [3, 4, 7, 11, 15, 18, 20, 20, 16, 12, 7, 4] as const;
const swingC = 4;

/** `rainInH` = hours from the start until a shower of three hours; null = none. */
export function weatherFrom(seed: number, start: Date, hours: number, rainInH: number | null): WeatherHour[] {
  const first = Math.floor(start.getTime() / hourMs);
  return Array.from({ length: hours }, (_, i): WeatherHour => {
    const at = new Date((first + i) * hourMs);
    const day = Math.cos(((at.getUTCHours() - 14) / 24) * 2 * Math.PI);
    const noise = fraction(seed, first + i) - 0.5;
    const rains = rainInH !== null && i >= rainInH && i < rainInH + 3;
    const temperatureC = (meanC[at.getUTCMonth()] ?? 10) + swingC * day + noise;
    return {
      at: at.toISOString(),
      temperatureC: round(temperatureC, 1),
      humidity: round(clamp(0.68 - 0.16 * day + 0.05 * noise + (rains ? 0.2 : 0), 0.3, 0.99), 2),
      windMPerS: round(1.2 + noise, 1),
      rainMm: rains ? 1.5 : 0,
    };
  });
}
/** What hangs there makes the air a little damper than half. */
export const roomAt = (seed: number, at: Date): { temperatureC: number; humidity: number } => {
  const noise = fraction(seed, Math.floor(at.getTime() / 600_000)) - 0.5;
  return { temperatureC: round(19.5 + noise, 1), humidity: round(0.55 + 0.04 * noise, 3) };
};
