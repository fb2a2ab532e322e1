/** Marks for tests: a day old, three centimetres, untried. */
import type { Garment } from '../model/garment.ts';
import type { StainKind } from '../stain/stains.ts';

/** @example mark('coffee').ageHours // 30 */
export const mark = (kind: StainKind, change: Partial<Garment['stains'][number]> = {}): Garment['stains'][number] => ({
  id: 's',
  kind,
  ageHours: 30,
  heatSet: false,
  heat: null,
  tried: [],
  place: '',
  sizeCm: 3,
  failedRounds: 0,
  ...change,
});
