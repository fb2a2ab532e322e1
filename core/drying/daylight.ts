/** Daylight by month, for looking at marks and for drying out of doors: typical days at a temperate latitude, local clock (estimate). */
export interface Daylight {
  fromH: number;
  toH: number;
}
// prettier-ignore
const months: readonly Daylight[] = [
  { fromH: 8.5, toH: 16.5 },
  { fromH: 8,   toH: 17.5 },
  { fromH: 7,   toH: 18.5 },
  { fromH: 7,   toH: 20 },
  { fromH: 6,   toH: 21 },
  { fromH: 5.5, toH: 21.5 },
  { fromH: 6,   toH: 21.5 },
  { fromH: 6.5, toH: 20.5 },
  { fromH: 7,   toH: 19.5 },
  { fromH: 8,   toH: 18.5 },
  { fromH: 8,   toH: 16.5 },
  { fromH: 8.5, toH: 16 },
];
/** @example daylightOn(12) // { fromH: 8.5, toH: 16 } */
export const daylightOn = (month: number): Daylight => months[month - 1] ?? { fromH: 8, toH: 17 };
