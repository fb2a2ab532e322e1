/** The form of measures: centimetres or inches, empty = not measured today. */
import * as v from 'valibot';
import { allPlaces, cmPerInch, type MeasurePlace } from '@core/garment/measures.ts';
import { placeWords } from '@words/en/garment.ts';
import { typedNumber } from '../forms/numbers.ts';

export const measureSchema = v.object({
  unit: v.picklist(['cm', 'inch'], 'Unit: choose cm or inches.'),
  ...(Object.fromEntries(
    allPlaces.map((p) => [p, typedNumber(placeWords[p].name, p === 'leg-twist' ? 0 : 0.5, 300)]),
  ) as Record<MeasurePlace, ReturnType<typeof typedNumber>>),
});
/** Given places in centimetres, to a tenth of a millimetre: a quarter inch must not be rounded away. */
export const givenMeasures = (f: v.InferOutput<typeof measureSchema>): { place: MeasurePlace; cm: number }[] =>
  allPlaces.flatMap((place) => {
    const x = f[place];
    return x === undefined ? [] : [{ place, cm: Math.round(x * (f.unit === 'inch' ? cmPerInch : 1) * 100) / 100 }];
  });
