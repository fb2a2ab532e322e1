/**
 * Air on a sheltered balcony or in a garden by month, for outdoor places: typical days of a temperate coast (estimate). A household's own reading of the
 * weather would be better; it is not part of the hamper document.
 */
export interface OutdoorAir {
  temperatureC: number;
  humidity: number;
}
// prettier-ignore
const months: readonly OutdoorAir[] = [
  { temperatureC: 3,  humidity: 0.87 },
  { temperatureC: 4,  humidity: 0.84 },
  { temperatureC: 7,  humidity: 0.78 },
  { temperatureC: 11, humidity: 0.7 },
  { temperatureC: 15, humidity: 0.66 },
  { temperatureC: 18, humidity: 0.65 },
  { temperatureC: 20, humidity: 0.65 },
  { temperatureC: 20, humidity: 0.67 },
  { temperatureC: 16, humidity: 0.73 },
  { temperatureC: 12, humidity: 0.8 },
  { temperatureC: 7,  humidity: 0.86 },
  { temperatureC: 4,  humidity: 0.88 },
];
/** From this much in an hour nothing dries outside, mm. */
export const rainsFromMm = 0.1;
/** Wind between buildings, m/s. */
export const shelteredWindMPerS = 1;

/**
 * `at` = ISO 8601 with offset.
 * @example outdoorAir('2026-11-09T08:00:00+01:00') // { temperatureC: 7, humidity: 0.86 }
 */
export const outdoorAir = (at: string): OutdoorAir =>
  months[Number(at.slice(5, 7)) - 1] ?? { temperatureC: 11, humidity: 0.75 };
