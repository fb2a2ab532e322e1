import * as v from 'valibot';
import { toKept } from '@core/units/choices.ts';

/** A number as people write it: "2,5", "2.5", "-3"; nothing else is one, no blank, no "0x20", no "1e3". */
const decimal = (text: string): number =>
  /^[+-]?(\d{1,9}([.,]\d{0,9})?|[.,]\d{1,9})$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : Number.NaN;

/** Units people type after a number, by the unit a field is kept in. */
const otherUnits: Readonly<Record<string, readonly (readonly [pattern: RegExp, kept: (n: number) => number])[]>> = {
  '°C': [[/^°? ?f$/, (n) => toKept('temperature', 'F', n)]],
  kg: [
    [/^(lbs?|pounds?)$/, (n) => toKept('mass', 'lb', n)],
    [/^g$/, (n) => n / 1000],
  ],
  g: [
    [/^(oz|ounces?)$/, (n) => (toKept('mass', 'lb', n) * 1000) / 16],
    [/^(lbs?|pounds?)$/, (n) => toKept('mass', 'lb', n) * 1000],
    [/^kg$/, (n) => n * 1000],
  ],
  cm: [
    [/^(in|inch|inches|″|")$/, (n) => toKept('length', 'in', n)],
    [/^m$/, (n) => n * 100],
    [/^mm$/, (n) => n / 10],
  ],
  l: [
    [/^ml$/, (n) => n / 1000],
    [/^(gal|gallons?)$/, (n) => (toKept('volume', 'floz', n) * 128) / 1000],
  ],
};
/**
 * A number with the unit of its field, or with another that is known for it.
 * @example quantity('104 F', '°C') // 40
 */
export function quantity(text: string, unit: string): number {
  if (text.length > 40) return Number.NaN;
  const m = /^([^a-z°″"µ%]*?)\s*([a-z°″"][a-z° ]*)?$/i.exec(text.trim());
  const n = decimal(m?.[1] ?? text);
  const said = (m?.[2] ?? '').trim().toLowerCase();
  if (said === '' || said === unit.toLowerCase() || (unit === '°C' && /^°? ?c$/.test(said))) return n;
  const other = (otherUnits[unit] ?? []).find(([pattern]) => pattern.test(said));
  return other ? Math.round(other[1](n) * 1000) / 1000 : Number.NaN;
}

/** A typed number in a form: empty = not stated; "2,5" and "2.5" both count, and so does another unit of the same kind; errors name the field. */
export const typedNumber = (label: string, low: number, high: number, unit = '') =>
  v.optional(
    v.pipe(
      v.string(),
      v.transform((text) => quantity(text, unit)),
      v.check((n: number) => Number.isFinite(n), `${label}: give a number.`),
      v.check(
        (n: number) => !Number.isFinite(n) || (n >= low && n <= high),
        `${label}: between ${low} and ${high}${unit ? ` ${unit}` : ''}.`,
      ),
    ),
  );
/** The same, and it must be given. */
export const neededNumber = (label: string, low: number, high: number, unit = '') =>
  v.pipe(
    v.string(`${label}: give a number.`),
    v.transform((text) => quantity(text, unit)),
    v.check((n: number) => Number.isFinite(n), `${label}: give a number.`),
    v.check(
      (n: number) => !Number.isFinite(n) || (n >= low && n <= high),
      `${label}: between ${low} and ${high}${unit ? ` ${unit}` : ''}.`,
    ),
  );
/** A list of numbers, "20, 30, 40". */
export const numberList = (label: string, low: number, high: number) =>
  v.pipe(
    v.string(`${label}: give at least one number.`),
    v.transform((s) =>
      s
        .split(/[,;\s]+/)
        .filter(Boolean)
        .map(decimal),
    ),
    v.check(
      (list: number[]) => list.length > 0 && list.every((n) => Number.isFinite(n)),
      `${label}: give numbers, separated by commas.`,
    ),
    v.check(
      (list: number[]) => list.every((n) => !Number.isFinite(n) || (n >= low && n <= high)),
      `${label}: each between ${low} and ${high}.`,
    ),
    v.transform((list: number[]) => [...new Set(list)].sort((a, b) => a - b)),
  );
export const neededText = (label: string, longest = 80) =>
  v.pipe(
    v.string(`${label}: give a name.`),
    v.trim(),
    v.minLength(1, `${label}: give a name.`),
    v.maxLength(longest, `${label}: at most ${longest} letters.`),
  );
