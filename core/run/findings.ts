/** What a finished load teaches: each real wash is a test too. Pure: from what was seen to what is worth remembering of each piece. */
import { colourHistory } from '../colour/bleed.ts';
import type { Garment } from '../model/garment.ts';

/** What the whole load says at a glance; each question and its answer is kept by itself. */
export interface Findings {
  catcher: 'clear' | 'trace' | 'strong' | 'none';
  stains: 'gone' | 'left' | 'none';
  size: 'kept' | 'changed' | 'not-looked';
}

/** Staining grade that stands for each reading by eye. */
export const catcherGrades: Record<'clear' | 'trace' | 'strong', number> = { clear: 5, trace: 3, strong: 2 };

/**
 * Pieces a catcher reading says something about: a clear one clears every dyed piece of the load; a coloured one points at the suspects
 * (untested strong colours and known bleeders), or, when there is none, at every strong colour.
 */
export function piecesRead(garments: readonly Garment[], reading: Findings['catcher']): Garment[] {
  if (reading === 'none') return [];
  const known = garments
    .map((g) => ({ g, h: colourHistory(g) }))
    .filter(({ h }) => h.dye !== null && h.colour.class !== 'white');
  if (reading === 'clear') return known.map(({ g }) => g);
  const suspects = known.filter(({ h }) => (h.untested && h.strongColour) || h.knownBleeder);
  const strong = suspects.length > 0 ? suspects : known.filter(({ h }) => h.strongColour);
  return (strong.length > 0 ? strong : known).map(({ g }) => g);
}
