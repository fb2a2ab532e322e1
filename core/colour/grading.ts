/** Grey-scale grades of staining and change (ISO 105-A02, A03, A04 form), and fading over washes (engineering estimate). */
import { clamp } from '../units/numbers.ts';
import { agitationShare, type WashEvent } from '../shrinkage/shrinkage.ts';
import { deltaE, type Lab } from './colour.ts';
import { dyes, type BleedingDye } from './dye.ts';

const grades = [5, 4.5, 4, 3.5, 3, 2.5, 2, 1.5, 1] as const;
const stainingDeltaE = [0, 2.2, 4.3, 6, 8.5, 12, 16.9, 24, 34.1] as const;
const changeDeltaE = [0, 0.8, 1.7, 2.5, 3.4, 4.8, 6.8, 9.6, 13.6] as const;

function nearest(scale: readonly number[], dE: number): number {
  let best = 0;
  scale.forEach((x, i) => {
    if (Math.abs(x - dE) < Math.abs((scale[best] ?? 0) - dE)) best = i;
  });
  return grades[best] ?? 1;
}
/** Each staining grade with the colour difference it stands for (ISO 105-A04 form), the best first. */
export const stainingScale: readonly { grade: number; deltaE: number }[] = grades.map((grade, i) => ({
  grade,
  deltaE: stainingDeltaE[i] as number,
}));
/** Nearest half grade of a colour difference; the lighter one on ties. */
export const stainingGrade = (dE: number): number => nearest(stainingDeltaE, dE);
export const changeGrade = (dE: number): number => nearest(changeDeltaE, dE);

/** Continuous staining rating 1–5 of a cloth before and after. */
export function stainingRating(clean: Lab, after: Lab): number {
  const dE = deltaE(clean, after);
  const dL = after.lightness - clean.lightness;
  const gs = dE - 0.4 * Math.sqrt(Math.max(0, dE ** 2 - dL ** 2));
  if (gs <= 0) return 5;
  const s = 6.1 - 1.45 * Math.log(gs);
  return clamp(s > 4 ? 5 - 0.23 * gs : s, 1, 5);
}
/** The same in half grades. */
export const halfGrade = (clean: Lab, after: Lab): number => Math.floor(2 * stainingRating(clean, after) + 0.5) / 2;

export type ShareVerdict = 'together' | 'catcher' | 'separate';
export const shareVerdict = (dE: number): ShareVerdict => (dE < 2.2 ? 'together' : dE < 4.3 ? 'catcher' : 'separate');

/** Colour difference from new after these washes. */
export function fadeDeltaE(dye: BleedingDye, washes: readonly WashEvent[]): number {
  const sum = washes.reduce(
    (s, w) =>
      s +
      w.times *
        2 ** ((w.temperatureC - 30) / 20) *
        agitationShare[w.agitation] ** 0.3 *
        (w.insideOut ? 0.7 : 1) *
        (w.drying.startsWith('tumble') ? 1.3 : 1),
    0,
  );
  const { fadeLimit, fadeRate } = dyes[dye];
  return fadeLimit * (1 - Math.exp(-fadeRate * sum));
}
