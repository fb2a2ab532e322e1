import { dryingRange } from '@core/drying/drying.ts';
import { cmPerInch } from '@core/garment/measures.ts';
/** Plain words for dates, durations and amounts; always with a fixed zone, so that server and browser agree. */
import { currencySign, moneyText } from '@words/money.ts';
import { formatInTimeZone } from './zone.ts';

export const dayText = (at: Date, timeZone: string): string =>
  formatInTimeZone(at, timeZone, { weekday: 'long', day: 'numeric', month: 'long' });
export const shortDay = (at: Date, timeZone: string): string =>
  formatInTimeZone(at, timeZone, { day: 'numeric', month: 'short' });
export const dayAndYear = (at: Date, timeZone: string): string =>
  formatInTimeZone(at, timeZone, { day: 'numeric', month: 'short', year: 'numeric' });
export const weekday = (at: Date, timeZone: string): string => formatInTimeZone(at, timeZone, { weekday: 'long' });
export const clockText = (at: Date, timeZone: string): string =>
  formatInTimeZone(at, timeZone, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });

/** A length as it was typed: to a millimetre, or to a hundredth of an inch. */
export const lengthText = (cm: number, inches: boolean): string =>
  inches ? `${Math.round((cm / cmPerInch) * 100) / 100} in` : `${Math.round(cm * 10) / 10} cm`;

/** From here on hours are told in days. */
const inDaysFromMin = 48 * 60;
/** 149 → "2 h 29", 41 → "41 min", 7620 → "5 days 7 h". */
export function durationText(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole >= inDaysFromMin) {
    const hours = Math.round(whole / 60);
    return `${Math.floor(hours / 24)} days ${hours % 24} h`;
  }
  const h = Math.floor(whole / 60);
  return h === 0 ? `${whole} min` : whole % 60 === 0 ? `${h} h` : `${h} h ${String(whole % 60).padStart(2, '0')}`;
}
/** Hours of drying as the range that the estimate deserves (−25 % … +35 %). */
export function dryingText(hours: number): string {
  if (hours < 1.2) return `about ${durationText(hours * 60)}`;
  return `${Math.max(1, Math.round(hours * dryingRange.low))}–${Math.round(hours * dryingRange.high)} h`;
}
export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
const small = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten', 'Eleven', 'Twelve'];
/** Small numbers open a heading as words. */
export const numberWord = (n: number): string => small[n] ?? String(n);
export { currencySign };
export const money = (amount: number, currency: string): string => moneyText({ amount, currency });
export const wholeMoney = (value: number, currency: string): string => `${value.toFixed(0)} ${currencySign(currency)}`;
