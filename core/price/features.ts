/** What a set of pieces asks of a setting, apart from dye: sums and extremes, found once per set and used at every setting. */
import type { Basket, PieceNumbers } from './basket.ts';
import type { duty, quality } from './bits.ts';

type Gathered =
  | 'massKg'
  | 'volumeL'
  | 'displacedL'
  | 'carryL'
  | 'soilColumn'
  | 'needs'
  | 'permitted'
  | 'spinRpm'
  | 'woolSpinRpm'
  | 'duties'
  | 'qualities'
  | 'familyRank'
  | 'bathRank'
  | 'wearEur'
  | 'powderWearEur'
  | 'pieces'
  | 'uses'
  | 'heat'
  | 'greyKg'
  | 'greyEur'
  | 'soilKg'
  | 'soilEur'
  | 'bleachLostEur'
  | 'strangerInCotton'
  | 'strangerInSynthetics'
  | 'strangerInDelicate'
  | 'strangerInQuick';
/** The numbers of one piece, gathered over the set. */
export interface Features extends Pick<PieceNumbers, Gathered> {
  count: number;
  shirts: number;
}

export const noFeatures = (): Features => ({
  count: 0,
  massKg: 0,
  volumeL: 0,
  displacedL: 0,
  carryL: 0,
  soilColumn: 0,
  needs: 0,
  permitted: -1,
  spinRpm: Infinity,
  woolSpinRpm: Infinity,
  duties: 0,
  qualities: -1,
  familyRank: 0,
  bathRank: 0,
  shirts: 0,
  wearEur: 0,
  powderWearEur: 0,
  pieces: 0,
  uses: 0,
  heat: 0,
  greyKg: 0,
  greyEur: 0,
  soilKg: 0,
  soilEur: 0,
  bleachLostEur: 0,
  strangerInCotton: 0,
  strangerInSynthetics: 0,
  strangerInDelicate: 0,
  strangerInQuick: 0,
});
/** The features of a set with one piece more; `into` may be `from`. */
export function gather(into: Features, from: Features, p: PieceNumbers): void {
  into.count = from.count + 1;
  into.massKg = from.massKg + p.massKg;
  into.volumeL = from.volumeL + p.volumeL;
  into.displacedL = from.displacedL + p.displacedL;
  into.carryL = from.carryL + p.carryL;
  into.soilColumn = Math.max(from.soilColumn, p.soilColumn);
  into.needs = from.needs | p.needs;
  into.permitted = from.permitted & p.permitted;
  into.spinRpm = Math.min(from.spinRpm, p.spinRpm);
  into.woolSpinRpm = Math.min(from.woolSpinRpm, p.woolSpinRpm);
  into.duties = from.duties | p.duties;
  into.qualities = from.qualities & p.qualities;
  into.familyRank = Math.max(from.familyRank, p.familyRank);
  into.bathRank = Math.max(from.bathRank, p.bathRank);
  into.shirts = from.shirts + p.isShirt;
  into.wearEur = from.wearEur + p.wearEur;
  into.powderWearEur = from.powderWearEur + p.powderWearEur;
  into.pieces = from.pieces + p.pieces;
  into.uses = from.uses | p.uses;
  into.heat = from.heat + p.heat;
  into.greyKg = from.greyKg + p.greyKg;
  into.greyEur = from.greyEur + p.greyEur;
  into.soilKg = from.soilKg + p.soilKg;
  into.soilEur = from.soilEur + p.soilEur;
  into.bleachLostEur = from.bleachLostEur + p.bleachLostEur;
  into.strangerInCotton = from.strangerInCotton + p.strangerInCotton;
  into.strangerInSynthetics = from.strangerInSynthetics + p.strangerInSynthetics;
  into.strangerInDelicate = from.strangerInDelicate + p.strangerInDelicate;
  into.strangerInQuick = from.strangerInQuick + p.strangerInQuick;
}
export function featuresOf(b: Basket, pieces: readonly number[]): Features {
  const f = noFeatures();
  for (const i of pieces) {
    const p = b.pieces[i];
    if (p) gather(f, f, p);
  }
  return f;
}

export const hasDuty = (f: Features, bit: (typeof duty)[keyof typeof duty]): boolean => (f.duties & bit) !== 0;
export const every = (f: Features, bit: (typeof quality)[keyof typeof quality]): boolean => (f.qualities & bit) !== 0;
