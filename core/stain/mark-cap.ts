/** How warm a marked piece may be washed after its treatment. */
import { colourFacts } from '../colour/colour.ts';
import { hasSignificant, isCellulose, isProtein, mainParts, significantFibres } from '../fibre/blend.ts';
import { fibreFacts } from '../fibre/fibres.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { stainFacts, stainWashes, type WashColumn } from './stains.ts';

/** The column of the table of washes that a piece stands in. */
export function washColumnOf(g: Pick<Garment, 'parts' | 'colours' | 'dye'>): WashColumn {
  if (hasSignificant(g.parts, isProtein)) return 'wool';
  const groups = mainParts(g.parts).flatMap((p) => significantFibres(p.fibres).map((f) => fibreFacts(f.fibre).group));
  if (groups.some((group) => group === 'regenerated' || group === 'ester' || group === 'unknown')) return 'delicate';
  const { class: colour } = colourFacts(g.colours);
  const white = colour === 'white' || (g.dye === 'undyed' && colour === 'light');
  const cellulose = mainParts(g.parts).every((p) => significantFibres(p.fibres).every((f) => isCellulose(f.fibre)));
  return white && cellulose ? 'white' : 'coloured';
}

/** A mark that is treated cold: warmth sets protein, and who knows what an unknown one is. */
export const isTreatedCold = (s: Pick<Stain, 'kind'>): boolean =>
  stainFacts(s.kind).families.includes('protein') || s.kind === 'unknown-old';

const likelyScore = 75;
const freshEnoughH = 72;
const coldC = 30;
const noCapC = 95;
/** Whether a plan may assume that the check after a cold treatment passes: a fresh, likely mark, never heated, on cloth without protein. */
const checkLikelyPasses = (s: Stain, column: WashColumn): boolean =>
  stainFacts(s.kind).baseScore >= likelyScore &&
  (s.ageHours === null || s.ageHours <= freshEnoughH) &&
  !s.heatSet &&
  (s.heat === null || s.heat === 'none') &&
  s.failedRounds === 0 &&
  s.kind !== 'dye-bleed' &&
  column !== 'wool';

/**
 * Most °C a mark leaves to the wash; `treated` = after its treatment. A passed check lifts the cap of a mark that was treated cold; a plan assumes it where it is likely, and a failed check
 * plans again.
 * @example markCapC(freshMilk, whiteShirt) // 95
 */
export function markCapC(s: Stain, g: Pick<Garment, 'parts' | 'colours' | 'dye'>, treated = true): number {
  const column = washColumnOf(g);
  if (isTreatedCold(s)) return treated && checkLikelyPasses(s, column) ? noCapC : coldC;
  return stainWashes[stainFacts(s.kind).wash].maxTemperatureC[column];
}
