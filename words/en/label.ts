/** Care labels in words: printed phrases, and the whole label part by part. */
import type { CareLabel, Phrase } from '@core/care-label/label.ts';

export const phraseWords: Record<Phrase, string> = {
  'wash-separately': 'Wash separately',
  'wash-separately-first': 'Wash separately the first time',
  'wash-with-like-colours': 'Wash with like colours',
  'wash-inside-out': 'Wash inside out',
  'use-net': 'Use a washing net',
  'reshape-while-damp': 'Reshape while damp',
  'do-not-wring': 'Do not wring',
  'do-not-soak': 'Do not soak',
  'remove-promptly': 'Remove promptly',
  'no-softener': 'No softener',
  'no-optical-brightener': 'No optical brightener',
  'dry-in-shade': 'Dry in shade',
  'dry-away-from-heat': 'Dry away from heat',
  'line-dry': 'Line dry',
  'dry-flat': 'Dry flat',
  'iron-inside-out': 'Iron inside out',
  'iron-with-press-cloth': 'Iron with a press cloth',
  'do-not-iron-decoration': 'Do not iron the decoration',
  'steam-only': 'Steam only',
  'dry-clean-only': 'Dry clean only',
  'professional-leather': 'Professional leather clean',
  'cool-iron': 'Cool iron',
  'damp-wipe-only': 'Damp wipe only',
};

const actionWords = { normal: '', mild: ', mild', 'very-mild': ', very mild' } as const;

/** The label in words, one phrase per part, in the order of the symbols. */
export function labelInWords(label: CareLabel): string[] {
  const words: string[] = [];
  const { wash, bleach, tumble, dry, iron, dryClean } = label;
  if (wash?.by === 'machine') words.push(`Machine wash up to ${wash.maxC} °C${actionWords[wash.action]}`);
  if (wash?.by === 'hand') words.push(`Hand wash only, up to ${wash.maxC} °C`);
  if (wash?.by === 'none') words.push('Do not wash');
  if (bleach) words.push({ any: 'Any bleach', oxygen: 'Oxygen bleach only', none: 'Do not bleach' }[bleach]);
  if (tumble) words.push({ normal: 'Tumble dry', low: 'Tumble dry low', none: 'Do not tumble dry' }[tumble]);
  if (dry)
    words.push(
      `${dry.drip ? 'Drip ' : ''}${dry.position === 'line' ? 'line dry' : 'dry flat'}${dry.shade ? ' in shade' : ''}`,
    );
  if (iron) words.push({ high: 'Iron hot', medium: 'Iron medium', low: 'Iron cool', none: 'Do not iron' }[iron]);
  if (dryClean) words.push(dryClean === 'none' ? 'Do not dry clean' : `Dry clean ${dryClean}`);
  words.push(...label.phrases.map((p) => phraseWords[p]));
  return words;
}
