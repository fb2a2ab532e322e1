/**
 * A photograph of a tested cloth beside an unused one, as a staining grade. The left half shows the unused cloth and serves as the white reference:
 * both halves are scaled so that it reads 245 in every channel. The middle of each half counts, folds and edges do not (ISO 105-A04 form).
 */
import { stainingRating } from './grading.ts';
import { deltaE, labOf } from './colour.ts';
import type { Pixels } from './dominant.ts';

export interface ClothReading {
  deltaE: number;
  /** 1–5. */ rating: number;
  grade: number;
}
export type ReadingProblem = 'empty' | 'too-dark' | 'not-white';

const reference = 245;
/** Part of each half that counts, from its middle. */
const middle = 0.5;
/** Repeat noise of a camera is about ΔE 2: below this it counts as no colour. */
const noiseDeltaE = 2.5;

function meanOf(p: Pixels, from: number, to: number): [number, number, number] | null {
  const width = to - from;
  const x0 = Math.floor(from + (width * (1 - middle)) / 2);
  const x1 = Math.ceil(to - (width * (1 - middle)) / 2);
  const y0 = Math.floor((p.height * (1 - middle)) / 2);
  const y1 = Math.ceil(p.height - (p.height * (1 - middle)) / 2);
  const sum = [0, 0, 0];
  let n = 0;
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      const at = (y * p.width + x) * 4;
      if ((p.data[at + 3] ?? 0) < 128) continue;
      for (let c = 0; c < 3; c++) sum[c] = (sum[c] ?? 0) + (p.data[at + c] ?? 0);
      n++;
    }
  return n === 0 ? null : [(sum[0] ?? 0) / n, (sum[1] ?? 0) / n, (sum[2] ?? 0) / n];
}
const hex = (rgb: readonly number[]): string =>
  `#${rgb
    .map((c) =>
      Math.max(0, Math.min(255, Math.round(c)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

export function readCloths(p: Pixels): { ok: true; reading: ClothReading } | { ok: false; problem: ReadingProblem } {
  const clean = meanOf(p, 0, p.width / 2);
  const tested = meanOf(p, p.width / 2, p.width);
  if (!clean || !tested) return { ok: false, problem: 'empty' };
  if (Math.min(...clean) < 90) return { ok: false, problem: 'too-dark' };
  if (Math.max(...clean) - Math.min(...clean) > 60) return { ok: false, problem: 'not-white' };
  const a = labOf(hex([reference, reference, reference]));
  const b = labOf(hex(tested.map((c, k) => (c * reference) / (clean[k] ?? reference))));
  const difference = deltaE(a, b);
  const rating = difference < noiseDeltaE ? 5 : stainingRating(a, b);
  return { ok: true, reading: { deltaE: difference, rating, grade: Math.floor(2 * rating + 0.5) / 2 } };
}
