/** Numbers that are typed as words. */
const units = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
] as const;
const tens = ['twenty', 'thirty', 'forty', 'fifty', 'sixty'] as const;
const special: Readonly<Record<string, number>> = {
  'half a dozen': 6,
  'a dozen': 12,
  dozen: 12,
  'a couple of': 2,
  once: 1,
  twice: 2,
  thrice: 3,
};

/** Every number word up to sixty-nine, longest first. */
export const numberWords: Readonly<Record<string, number>> = Object.fromEntries(
  [
    ...units.map((w, n) => [w, n] as const),
    ...tens.flatMap((t, k) => [
      [t, (k + 2) * 10] as const,
      ...units.slice(1, 10).flatMap((u, n) => ['-', ' '].map((j) => [`${t}${j}${u}`, (k + 2) * 10 + n + 1] as const)),
    ]),
    ...Object.entries(special),
  ].sort(([a], [b]) => b.length - a.length),
);
/** A pattern of any of them. */
export const numberWord = Object.keys(numberWords).join('|');
/**
 * A number in digits ("2,5" and "2.5") or words; null when it is neither.
 * @example numberOf('fourteen') // 14
 */
export function numberOf(text: string): number | null {
  const word = numberWords[text.trim()];
  if (word !== undefined) return word;
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) ? value : null;
}
