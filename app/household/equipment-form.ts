/** Forms of the machines, the drying places and the tubs of a household. */
import { runOptions, type RunOption } from '@core/run/options.ts';
import { optionWords } from '@words/en/run.ts';
import type { OptionNames } from '@data/schema.ts';
import * as v from 'valibot';
import { basinShapes, dryerTypes, productForms, washerLoadings } from '@core/model/household.ts';
import { machineKinds } from '@core/setup/usual-programmes.ts';
import type { HouseholdDocument } from '@formats/hamper-schema.ts';
import type { WasherDocument } from '@data/household.ts';
import { neededNumber, neededText, typedNumber } from '../forms/numbers.ts';

type Dryer = NonNullable<HouseholdDocument['dryers']>[number];
type Place = NonNullable<HouseholdDocument['dryingPlaces']>[number];
type Basin = NonNullable<HouseholdDocument['basins']>[number];

const tick = v.optional(v.string());
const several = <const T extends readonly string[]>(values: T, label: string) =>
  v.optional(
    v.union([
      v.array(v.picklist(values, `${label}: choose from the shown.`)),
      v.pipe(
        v.picklist(values, `${label}: choose from the shown.`),
        v.transform((x) => [x]),
      ),
    ]),
    [],
  );
const said = (x: number | null | undefined): string => (x === null || x === undefined ? '' : String(x));
const ticked = (x: boolean | null | undefined): string => (x ? 'on' : '');

export const washerSchema = v.object({
  name: neededText('Name', 40),
  loading: v.picklist(washerLoadings, 'Loading: choose one of the shown.'),
  pricePerRun: typedNumber('Price of a run', 0, 100),
  drumRadiusM: typedNumber('Radius of the drum', 10, 60, 'cm'),
  drumVolumeL: typedNumber('Volume of the drum', 5, 250, 'l'),
  refusesForms: several(productForms, 'May not take'),
  bleachDispenser: tick,
});
const optionName = (o: RunOption) =>
  v.optional(v.pipe(v.string(), v.trim(), v.maxLength(40, `${optionWords[o]}: at most 40 characters.`)));
/** The machine's own words for its options, a field each. */
export const optionNamesSchema = v.object(
  Object.fromEntries(runOptions.map((o) => [`option-${o}`, optionName(o)])) as Record<
    `option-${RunOption}`,
    ReturnType<typeof optionName>
  >,
);
export const shownOptionNames = (names: OptionNames | undefined): Record<string, string> =>
  Object.fromEntries(runOptions.map((o) => [`option-${o}`, names?.[o] ?? '']));
export const toOptionNames = (f: v.InferOutput<typeof optionNamesSchema>): OptionNames =>
  Object.fromEntries(runOptions.flatMap((o) => (f[`option-${o}`] ? [[o, f[`option-${o}`]]] : [])));
export const newWasherSchema = v.object({
  name: neededText('Name', 40),
  machine: v.picklist(machineKinds, 'Kind: choose one of the shown.'),
  drumKg: neededNumber('Size', 1, 20, 'kg'),
  pricePerRun: typedNumber('Price of a run', 0, 100),
});
export const shownWasher = (w: WasherDocument): Record<string, string | string[]> => ({
  name: w.name ?? w.id,
  loading: w.loading ?? 'front',
  pricePerRun: said(w.pricePerRun),
  drumRadiusM: typeof w.drumRadiusM === 'number' ? String(Math.round(w.drumRadiusM * 1000) / 10) : '',
  drumVolumeL: said(w.drumVolumeL),
  refusesForms: w.refusesForms ?? [],
  bleachDispenser: ticked(w.bleachDispenser),
});
export const toWasher = (before: WasherDocument, f: v.InferOutput<typeof washerSchema>): WasherDocument => ({
  ...before,
  name: f.name,
  loading: f.loading,
  pricePerRun: f.pricePerRun ?? 0,
  drumRadiusM: f.drumRadiusM === undefined ? null : f.drumRadiusM / 100,
  drumVolumeL: f.drumVolumeL ?? null,
  refusesForms: f.refusesForms,
  bleachDispenser: f.bleachDispenser !== undefined,
});

export const dryerSchema = v.object({
  name: neededText('Name', 40),
  type: v.picklist(dryerTypes, 'Kind: choose one of the shown.'),
  maxLoadKg: neededNumber('Size', 0.5, 20, 'kg'),
  lowTemperature: tick,
});
export const shownDryer = (d: Dryer | null): Record<string, string> => ({
  name: d?.name ?? (d ? d.id : ''),
  type: d?.type ?? 'heat-pump',
  maxLoadKg: said(d?.maxLoadKg ?? (d ? null : 7)),
  lowTemperature: ticked(d ? d.lowTemperature : true),
});
export const toDryer = (id: string, f: v.InferOutput<typeof dryerSchema>): Dryer => ({
  id,
  name: f.name,
  type: f.type,
  maxLoadKg: f.maxLoadKg,
  lowTemperature: f.lowTemperature !== undefined,
});

export const placeSchema = v.pipe(
  v.object({
    name: neededText('Name', 40),
    bars: neededNumber('Bars', 0, 80),
    barLengthM: neededNumber('Length of a bar', 0, 1500, 'cm'),
    flatM2: neededNumber('Flat area', 0, 20, 'm²'),
    hangers: neededNumber('Hangers', 0, 80),
    outdoors: tick,
    sun: tick,
  }),
  v.forward(
    v.partialCheck(
      [['bars'], ['flatM2'], ['hangers']],
      (f) => f.bars + f.flatM2 + f.hangers > 0,
      'Bars: a place to dry has bars, a flat area or hangers.',
    ),
    ['bars'],
  ),
);
export const shownPlace = (p: Place | null): Record<string, string> => ({
  name: p?.name ?? (p ? p.id : ''),
  bars: said(p ? (p.bars ?? 0) : 18),
  barLengthM: String(Math.round((p ? (p.barLengthM ?? 0) : 0.9) * 100)),
  flatM2: said(p ? (p.flatM2 ?? 0) : 1),
  hangers: said(p ? (p.hangers ?? 0) : 4),
  outdoors: ticked(p?.outdoors),
  sun: ticked(p?.sun),
});
export const toPlace = (id: string, f: v.InferOutput<typeof placeSchema>): Place => ({
  id,
  name: f.name,
  bars: Math.round(f.bars),
  barLengthM: f.barLengthM / 100,
  flatM2: f.flatM2,
  hangers: Math.round(f.hangers),
  outdoors: f.outdoors !== undefined,
  sun: f.sun !== undefined,
});

const centimetres = (label: string) => typedNumber(label, 3, 250, 'cm');
const basinFields = {
  rectangular: ['lengthCm', 'widthCm', 'depthCm'],
  round: ['diameterCm', 'depthCm'],
  tapered: ['topDiameterCm', 'bottomDiameterCm', 'depthCm'],
  volume: ['volumeL'],
} as const;
const basinWords = {
  lengthCm: 'Length',
  widthCm: 'Width',
  depthCm: 'Depth',
  diameterCm: 'Diameter',
  topDiameterCm: 'Diameter at the rim',
  bottomDiameterCm: 'Diameter at the bottom',
  volumeL: 'Litres to the brim',
} as const;
export const basinSchema = v.pipe(
  v.object({
    name: neededText('Name', 40),
    shape: v.picklist([...basinShapes, 'volume'] as const, 'Shape: choose one of the shown.'),
    lengthCm: centimetres('Length'),
    widthCm: centimetres('Width'),
    depthCm: centimetres('Depth'),
    diameterCm: centimetres('Diameter'),
    topDiameterCm: centimetres('Diameter at the rim'),
    bottomDiameterCm: centimetres('Diameter at the bottom'),
    volumeL: typedNumber('Litres to the brim', 1, 500, 'l'),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const f = dataset.value;
    for (const key of basinFields[f.shape])
      if (f[key] === undefined)
        addIssue({
          message: `${basinWords[key]}: measure it, inside.`,
          path: [{ type: 'object', origin: 'value', input: f, key, value: undefined }],
        });
    if (f.shape !== 'volume' && f.depthCm !== undefined && f.depthCm <= 5)
      addIssue({
        message: 'Depth: 5 cm stay free below the rim, so it has to be deeper than that.',
        path: [{ type: 'object', origin: 'value', input: f, key: 'depthCm', value: f.depthCm }],
      });
  }),
);
export const shownBasin = (b: Basin | null): Record<string, string> => ({
  name: b?.name ?? (b ? b.id : ''),
  shape: b ? (b.shape ?? 'volume') : 'rectangular',
  lengthCm: said(b?.lengthCm),
  widthCm: said(b?.widthCm),
  depthCm: said(b?.depthCm),
  diameterCm: said(b?.diameterCm),
  topDiameterCm: said(b?.topDiameterCm),
  bottomDiameterCm: said(b?.bottomDiameterCm),
  volumeL: said(b?.volumeL),
});
/** Only the measures its shape has. */
export const toBasin = (id: string, f: v.InferOutput<typeof basinSchema>): Basin => ({
  id,
  name: f.name,
  ...(f.shape === 'volume' ? {} : { shape: f.shape }),
  ...Object.fromEntries(basinFields[f.shape].map((key) => [key, f[key]])),
});
