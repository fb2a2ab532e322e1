/** The form that begins a household: what washes, how hard the water is, where things dry, what is in the cupboard. */
import * as v from 'valibot';
import { machineKinds } from '@core/setup/usual-programmes.ts';
import { usualBasinIds, usualPlaceIds } from '@core/setup/usual-cupboard.ts';
import { hardnessUnits } from '@core/units/hardness.ts';
import { neededText, typedNumber } from '../forms/numbers.ts';

export const waterWays = ['unknown', 'figure', 'strip', 'place'] as const;
export const longestText = 5_000;

export const beginSchema = v.pipe(
  v.object({
    name: neededText('Name', 60),
    machine: v.picklist([...machineKinds, 'none'] as const, 'What washes: choose one of the shown.'),
    drumKg: typedNumber('Size of the machine', 1, 20, 'kg'),
    pricePerRun: typedNumber('Price of a run', 0, 100),
    basin: v.picklist([...usualBasinIds, 'none'] as const, 'Tub: choose one of the shown.'),
    place: v.picklist(usualPlaceIds, 'Drying: choose one of the shown.'),
    dryer: v.optional(
      v.picklist(['none', 'heat-pump', 'condenser', 'vented'] as const, 'Dryer: choose one of the shown.'),
      'none',
    ),
    water: v.picklist(waterWays, 'Water: choose one of the shown.'),
    hardness: typedNumber('Hardness', 0, 1000),
    hardnessUnit: v.picklist(hardnessUnits, 'Unit: choose one of the shown.'),
    strip: v.optional(v.picklist(['0', '1', '2', '3', '4'], 'Strip: choose how many fields turned.')),
    waterPlace: v.optional(v.pipe(v.string(), v.maxLength(60, 'Place: at most 60 letters.'))),
    products: v.optional(
      v.union([
        v.array(v.string()),
        v.pipe(
          v.string(),
          v.transform((x) => [x]),
        ),
      ]),
      [],
    ),
    children: v.optional(v.string()),
    timeZone: v.optional(v.pipe(v.string(), v.maxLength(60))),
    text: v.optional(
      v.pipe(
        v.string(),
        v.maxLength(longestText, `What is dirty: at most ${longestText} letters; more can be added afterwards.`),
      ),
    ),
  }),
  v.forward(
    v.partialCheck(
      [['machine'], ['basin']],
      (f) => f.machine !== 'none' || f.basin !== 'none',
      'What washes: a machine or a tub, one of the two.',
    ),
    ['machine'],
  ),
  v.forward(
    v.partialCheck([['products']], (f) => f.products.length > 0, 'In the cupboard: tick at least one detergent.'),
    ['products'],
  ),
  v.forward(
    v.partialCheck(
      [['water'], ['hardness']],
      (f) => f.water !== 'figure' || f.hardness !== undefined,
      'Hardness: give the figure, or choose “I do not know”.',
    ),
    ['hardness'],
  ),
);
export type BeginForm = v.InferOutput<typeof beginSchema>;
