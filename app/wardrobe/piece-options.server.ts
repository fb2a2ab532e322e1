/** Choices of the piece form with their words; assembled on the server, so that the browser loads no tables. */
import { phrases } from '@core/care-label/label.ts';
import { phraseWords } from '@words/en/label.ts';
import { askedColours } from '@core/colour/colour-words.ts';
import { dyeIds } from '@core/colour/dye.ts';
import { traitIds } from '@core/construction/traits.ts';
import { fibreIds } from '@core/fibre/fibres.ts';
import { garmentKinds, uses } from '@core/garment/kinds.ts';
import { useNames } from '@words/en/names.ts';
import { sizes } from '@core/model/garment.ts';
import { kindNames, traitNames } from '@words/en/things.ts';
import { washChoices } from './piece-schema.ts';
import type { Option } from '../ui/fields.tsx';

const washWords = (w: string): string => {
  const [by, c, action] = w.split(' ');
  if (by === 'none') return 'Do not wash (crossed tub)';
  if (by === 'hand') return `Hand wash, up to ${c} °C`;
  return `Machine ${c} °C${action === 'mild' ? ', one bar (mild)' : action === 'very-mild' ? ', two bars (very mild)' : ''}`;
};
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

export interface PieceOptions {
  kinds: Option[];
  sizes: Option[];
  colours: Option[];
  dyes: Option[];
  traits: Option[];
  phrases: Option[];
  wash: Option[];
  uses: Option[];
  fibres: string;
}
export const pieceOptions = (): PieceOptions => ({
  kinds: garmentKinds.map((k) => [k, capital(kindNames[k])] as const).sort((a, b) => a[1].localeCompare(b[1])),
  colours: askedColours.map((c) => [c, capital(c)] as const),
  sizes: sizes.map((s) => [s, s] as const),
  dyes: [...dyeIds]
    .reverse()
    .map((d) => [d, d === 'unknown' ? 'Not known (judged by colour)' : capital(d.replace(/-/g, ' '))] as const),
  traits: traitIds.map((t) => [t, traitNames[t]] as const),
  phrases: phrases.map((p) => [p, phraseWords[p]] as const),
  uses: [['', 'By its kind'], ...uses.map((u) => [u, capital(useNames[u])] as const)],
  wash: [['', 'Not stated'], ...washChoices.map((w) => [w, washWords(w)] as const)],
  fibres: fibreIds.join(', '),
});
