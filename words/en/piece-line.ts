/** What was understood of a typed line, in short phrases. */
import type { PieceLine } from '@core/phrase/piece-line.ts';
import type { PartRole } from '@core/model/garment.ts';
import type { Parting, PieceState } from '@core/piece/state.ts';
import { labelInWords } from './label.ts';
import { fibreWords, kindNames, stainNames, traitNames } from './things.ts';

const roleNames: Record<PartRole, string> = { shell: '', lining: 'lining ', filling: 'filling ', trim: 'trim ' };
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** Parts as people read them: "cotton 60 %, polyester 40 %; lining silk". */
export const partsInWords = (parts: PieceLine['parts']): string =>
  parts
    .map(
      (p) =>
        roleNames[p.role] +
        p.fibres
          .map(
            (f) => `${fibreWords[f.fibre].name}${p.fibres.length === 1 ? '' : ` ${Math.round(f.percent * 10) / 10} %`}`,
          )
          .join(', '),
    )
    .join('; ');

/** The reading of a line, phrase by phrase; what was only assumed stands elsewhere. */
export function lineInWords(p: PieceLine): string[] {
  return [
    p.kind === 'other' ? '' : capital(kindNames[p.kind]),
    capital(partsInWords(p.parts)),
    ...p.traits
      .filter((t) => p.claims.some((c) => c.said === 'trait') && t !== 'woven' && t !== 'jersey-knit')
      .map((t) => traitNames[t]),
    p.claims.some((c) => c.said === 'size') ? (p.heightCm === null ? `size ${p.size}` : `for ${p.heightCm} cm`) : '',
    ...(p.label ? labelInWords(p.label) : []),
    p.owner ? `${p.owner}’s` : '',
    p.count !== null && p.count > 1 ? `${p.count} alike` : '',
    p.valueEur === null ? '' : `worth ${p.valueEur}`,
    p.washCount === null
      ? ''
      : p.washCount === 0
        ? 'never washed'
        : `washed ${p.washCount === 1 ? 'once' : `${p.washCount} times`}`,
    p.wearsSinceWash === null
      ? ''
      : p.wearsSinceWash === 0
        ? 'not worn'
        : `worn ${p.wearsSinceWash === 1 ? 'once' : `${p.wearsSinceWash} times`}`,
    ...p.marks.map(
      (m) =>
        `${stainNames[m.kind]}${m.place ? ` (${m.place})` : ''}${m.ageHours === null ? '' : `, ${markAgeText(m.ageHours)}`}`,
    ),
    p.odour ? 'smells' : '',
  ].filter(Boolean);
}

/** @example markAgeText(48) // '2 days old' */
export function markAgeText(hours: number): string {
  const counted = (n: number, unit: string): string => `${n} ${unit}${n === 1 ? '' : 's'} old`;
  if (hours < 1) return 'just made';
  if (hours < 24) return counted(Math.round(hours), 'hour');
  return hours < 24 * 60 ? counted(Math.round(hours / 24), 'day') : counted(Math.round(hours / 730), 'month');
}

/** The one word for where a piece is. */
export const stateNames: Record<PieceState, string> = {
  gone: 'no longer here',
  'in-tub': 'soaking',
  'in-drum': 'in the wash',
  wet: 'wet: hang it up',
  drying: 'drying',
  'to-feel': 'should be dry: feel it',
  'to-press': 'dry: for the iron',
  'to-put-away': 'dry: to be put away',
  'at-cleaner': 'at the cleaner',
  airing: 'airing',
  'in-basket': 'in the basket',
  'worn-clean': 'worn but clean',
  clean: 'clean',
};
/** How a piece left. */
export const partingNames: Record<Parting, string> = {
  'given-away': 'given away',
  'worn-out': 'worn out',
  lost: 'lost',
  outgrown: 'outgrown',
};
