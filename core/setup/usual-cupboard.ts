/** What usually stands in a cupboard, on a rack and under the sink, to start from: doses as packs of these classes print them (typical values). */
import type { DoseUnit, DryingPlace, ProductForm } from '../model/household.ts';

type Row = readonly [light: number, normal: number, heavy: number];
export interface UsualProduct {
  id: string;
  name: string;
  class: string;
  form: ProductForm;
  dose: {
    unit: DoseUnit;
    perLoadKg: number;
    table: Record<'soft' | 'medium' | 'hard', { light: number; normal: number; heavy: number }> | null;
    handPerLitre: number | null;
  } | null;
}
const table = (soft: Row, medium: Row, hard: Row) => {
  const row = ([light, normal, heavy]: Row) => ({ light, normal, heavy });
  return { soft: row(soft), medium: row(medium), hard: row(hard) };
};

// prettier-ignore
export const usualProducts: readonly UsualProduct[] = [
  { id: 'universal-powder', name: 'Universal powder',     class: 'universal',      form: 'powder', dose: { unit: 'g',  perLoadKg: 4.5, table: table([45, 65, 90], [60, 80, 110], [75, 95, 130]), handPerLitre: 6 } },
  { id: 'colour-liquid',    name: 'Colour liquid',        class: 'colour',         form: 'liquid', dose: { unit: 'ml', perLoadKg: 4.5, table: table([35, 50, 75], [50, 65, 90], [65, 80, 105]),  handPerLitre: 4 } },
  { id: 'delicate-liquid',  name: 'Delicates liquid',     class: 'delicate',       form: 'liquid', dose: { unit: 'ml', perLoadKg: 2.5, table: table([25, 35, 50], [35, 45, 60], [45, 55, 70]),   handPerLitre: 3 } },
  { id: 'wool-liquid',      name: 'Wool and silk liquid', class: 'wool-silk',      form: 'liquid', dose: { unit: 'ml', perLoadKg: 2,   table: table([25, 30, 40], [30, 35, 45], [35, 40, 50]),   handPerLitre: 3 } },
  { id: 'catchers',         name: 'Colour catcher sheets', class: 'colour-catcher', form: 'sheet', dose: { unit: 'sheet', perLoadKg: 4.5, table: null, handPerLitre: null } },
  { id: 'oxygen',           name: 'Oxygen bleach powder', class: 'oxygen-bleach',  form: 'powder', dose: { unit: 'g',  perLoadKg: 4.5, table: table([30, 45, 60], [30, 45, 60], [30, 45, 60]),   handPerLitre: 8 } },
  { id: 'dish',             name: 'Dish soap',            class: 'dish-soap',      form: 'liquid', dose: null },
  { id: 'vinegar',          name: 'White vinegar',        class: 'vinegar',        form: 'liquid', dose: null },
];

/** Drying places by what people call them. */
// prettier-ignore
export const usualPlaces = {
  'small-rack': { id: 'rack', name: 'Small rack', bars: 10, barLengthM: 0.7, flatM2: 0.5, hangers: 2, outdoors: false, sun: false },
  rack:         { id: 'rack', name: 'Rack',       bars: 18, barLengthM: 0.9, flatM2: 1.2, hangers: 4, outdoors: false, sun: false },
  'large-rack': { id: 'rack', name: 'Large rack', bars: 30, barLengthM: 1,   flatM2: 1.6, hangers: 8, outdoors: false, sun: false },
  line:         { id: 'line', name: 'Line outside', bars: 6, barLengthM: 4,  flatM2: 0,   hangers: 10, outdoors: true, sun: true },
  none:         null,
} as const satisfies Record<string, DryingPlace | null>;
export type UsualPlaceId = keyof typeof usualPlaces;
export const usualPlaceIds = Object.keys(usualPlaces) as UsualPlaceId[];

/** Tubs by what people call them; cm inside, to the brim. */
// prettier-ignore
export const usualBasins = {
  sink:   { id: 'sink',   name: 'Kitchen sink', shape: 'rectangular', lengthCm: 45, widthCm: 38, depthCm: 18 },
  tub:    { id: 'tub',    name: 'Washing-up tub', shape: 'rectangular', lengthCm: 38, widthCm: 32, depthCm: 16 },
  bucket: { id: 'bucket', name: 'Bucket',       shape: 'tapered', topDiameterCm: 30, bottomDiameterCm: 22, depthCm: 27 },
  bath:   { id: 'bath',   name: 'Bath tub',     shape: 'rectangular', lengthCm: 120, widthCm: 50, depthCm: 35 },
} as const;
export type UsualBasinId = keyof typeof usualBasins;
export const usualBasinIds = Object.keys(usualBasins) as UsualBasinId[];
