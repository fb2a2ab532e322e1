/** Pieces in words: where they are measured, what is done to them before a load, what their cloth asks of a detergent. */
import { kindFacts, type GarmentKind } from '@core/garment/kinds.ts';
import type { SizeAdvice } from '@core/garment/measures.ts';
import type { MeasurePlace } from '@core/garment/measures.ts';
import type { PrepareStep } from '@core/model/plan.ts';
import type { ClothNeed } from '@core/washing/products.ts';

export const placeWords: Record<MeasurePlace, { name: string; how: string }> = {
  'body-length': { name: 'Length', how: 'from the highest point of the shoulder to the hem' },
  chest: { name: 'Chest', how: 'half width, under the arms' },
  sleeve: { name: 'Sleeve', how: 'from the seam of the shoulder to the cuff' },
  waist: { name: 'Waist', how: 'half width, front and back waistband level' },
  'front-rise': { name: 'Front rise', how: 'from the crotch seam to the top of the waistband' },
  thigh: { name: 'Thigh', how: 'half width, just under the crotch' },
  'knee-point': { name: 'Knee point', how: 'your own: how far below the crotch seam you measure the knee' },
  knee: { name: 'Knee', how: 'half width, at your knee point, else half-way down the inseam' },
  'leg-opening': { name: 'Leg opening', how: 'half width of the hem' },
  inseam: { name: 'Inseam', how: 'from the crotch seam to the hem' },
  'leg-twist': { name: 'Leg twist', how: 'how far the side seam has turned to the front at the hem; 0 = straight' },
};

/** Sheets, towels, scarves and sashes have no shoulder and no chest. */
const flatPlaces: Partial<typeof placeWords> = {
  'body-length': { name: 'Length', how: 'along the longer edge, in the middle' },
  chest: { name: 'Width', how: 'across, edge to edge, in the middle' },
};
/** Names of the places as they are called on this kind of piece. */
export const placeWordsOf = (kind: GarmentKind): typeof placeWords =>
  kindFacts(kind).measured === 'sheet' ? { ...placeWords, ...flatPlaces } : placeWords;

export const prepareWords: Record<PrepareStep, string> = {
  mend: 'Mend loose buttons and open seams',
  'empty-pockets': 'Empty the pockets',
  'brush-out': 'Brush out dry dirt',
  photo: 'Take a photograph',
  measure: 'Measure it flat, to 0.5 cm',
  detach: 'Take off what comes off',
  'keep-control': 'Keep one part back to compare',
  'tie-drawstring': 'Tie the drawstring',
  'zip-closed': 'Close the zip',
  'hooks-closed': 'Close the hooks',
  'buttons-open': 'Open the buttons',
  'buttons-closed': 'Close the buttons',
  'inside-out': 'Turn inside out',
  net: 'Into a washing net',
  'net-no-metal': 'Into a net without metal',
};

export const clothNeedWords: Record<ClothNeed, string> = {
  white: 'white cloth keeps its brightness with a universal detergent',
  coloured: 'coloured cloth keeps its colour without bleach or brightener',
  dark: 'dark cloth greys with bleach or brightener',
  'raw-indigo': 'raw indigo never meets bleach',
  soft: 'soft and stretchy cloth lasts longer with mild chemistry',
  delicate: 'delicate cloth needs mild chemistry',
  'wool-silk': 'wool and silk bear no enzymes and no alkali',
  down: 'down loses its oil to enzymes',
  waterproof: 'powder and softener clog a waterproof finish',
  unknown: 'an unknown fibre may be wool',
};

/** What to do about a leg that has turned. */
export const twistAdvice =
  'Its cloth turns back to how it was made: pull the leg straight along the side seam while damp, and dry it so. It comes again with each wash.';

/** What to do about a change of size; '' = nothing. `length` says centimetres in the household's unit. */
export function sizeAdviceText(advice: SizeAdvice, length: (cm: number) => string): string {
  switch (advice.is) {
    case 'stretch-back':
      return `Damp, stretch it back to ${length(advice.toCm)} and no further, along the measured line.`;
    case 'push-back':
      return `Damp, push it together to ${length(advice.toCm)} and dry it flat at that size; do not hang it.`;
    case 'meant-to-shrink':
      return 'Raw denim is meant to shrink in its first washes: leave it, it gives again where it is worn.';
    case 'given-with-wear':
      return 'It has given with wear; the next wash brings most of it back.';
    case 'none':
      return '';
  }
}
