/** What a set of pieces asks of a setting, apart from dye: sums and extremes, found once per set and used at every setting. */
import type { Basket, PieceNumbers } from './basket.ts';
import type { duty, quality } from './bits.ts';

type Gathered = 'massKg' | 'volumeL' | 'displacedL' | 'carryL' | 'soilColumn' | 'needs' | 'permitted' | 'spinRpm' | 'woolSpinRpm' | 'duties' | 'qualities' | 'familyRank' | 'bathRank' | 'wearEur' | 'powderWearEur';
/** The numbers of one piece, gathered over the set. */
export interface Features extends Pick<PieceNumbers, Gathered> {
  count: number;
  shirts: number;
}

export const noFeatures = (): Features => ({
  count: 0, massKg: 0, volumeL: 0, displacedL: 0, carryL: 0, soilColumn: 0, needs: 0, permitted: -1, spinRpm: Infinity, woolSpinRpm: Infinity, duties: 0, qualities: -1, familyRank: 0, bathRank: 0, shirts: 0, wearEur: 0, powderWearEur: 0,
});
/** One piece more. */
export function gather(f: Features, p: PieceNumbers): void {
  f.count += 1;
  f.massKg += p.massKg;
  f.volumeL += p.volumeL;
  f.displacedL += p.displacedL;
  f.carryL += p.carryL;
  f.soilColumn = Math.max(f.soilColumn, p.soilColumn);
  f.needs |= p.needs;
  f.permitted &= p.permitted;
  f.spinRpm = Math.min(f.spinRpm, p.spinRpm);
  f.woolSpinRpm = Math.min(f.woolSpinRpm, p.woolSpinRpm);
  f.duties |= p.duties;
  f.qualities &= p.qualities;
  f.familyRank = Math.max(f.familyRank, p.familyRank);
  f.bathRank = Math.max(f.bathRank, p.bathRank);
  f.shirts += p.isShirt;
  f.wearEur += p.wearEur;
  f.powderWearEur += p.powderWearEur;
}
export function featuresOf(b: Basket, pieces: readonly number[]): Features {
  const f = noFeatures();
  for (const i of pieces) {
    const p = b.pieces[i];
    if (p) gather(f, p);
  }
  return f;
}

export const hasDuty = (f: Features, bit: (typeof duty)[keyof typeof duty]): boolean => (f.duties & bit) !== 0;
export const every = (f: Features, bit: (typeof quality)[keyof typeof quality]): boolean => (f.qualities & bit) !== 0;
