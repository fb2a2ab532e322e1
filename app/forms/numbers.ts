import * as v from 'valibot';

/** A number as people write it: "2,5", "2.5", "-3"; nothing else is one, no blank, no "0x20", no "1e3". */
const decimal = (text: string): number =>
  /^[+-]?(\d{1,9}([.,]\d{0,9})?|[.,]\d{1,9})$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : Number.NaN;

/** A typed number in a form: empty = not stated; "2,5" and "2.5" both count; errors name the field. */
export const typedNumber = (label: string, low: number, high: number, unit = '') =>
  v.optional(
    v.pipe(
      v.string(),
      v.transform(decimal),
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
    v.transform(decimal),
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
