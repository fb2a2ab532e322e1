import type { Garment, Size } from '../model/garment.ts';
import { kindFacts, type GarmentKind } from './kinds.ts';

const sizeSteps: Record<Size, number> = { XS: -2, S: -1, M: 0, L: 1, XL: 2, XXL: 3, '3XL': 4 };
export type Cut = 'unisex' | 'men' | 'women';
const cutFactors: Record<Cut, number> = { unisex: 1, men: 1, women: 0.88 };

/** Cloth area relative to size M: 1.06 per size step, or by a child's height squared (engineering estimate, grading rules). */
export function sizeFactor(size: Size = 'M', cut: Cut = 'unisex', heightCm: number | null = null): number {
  if (heightCm !== null) return (heightCm / 175) ** 2;
  return 1.06 ** sizeSteps[size] * cutFactors[cut];
}

export interface MassOptions {
  size?: Size;
  cut?: Cut;
  gPerM2?: number;
  heightCm?: number | null;
  areaM2?: number;
}

/** Dry mass in g from area × areal mass × (1 + seams) + hardware (textbook form, estimated data). */
export function garmentMassG(kind: GarmentKind, options: MassOptions = {}): number {
  const k = kindFacts(kind);
  const scale = k.type === 'tube' ? sizeFactor(options.size, options.cut, options.heightCm ?? null) : 1;
  const areaM2 = options.areaM2 ?? k.areaM2 * scale;
  return areaM2 * (options.gPerM2 ?? k.clothGPerM2[1]) * (1 + k.trimShare) + k.hardwareG;
}

/** Dry mass of an entry, of all its pieces; a weighed mass always overrides the estimate. */
export const dryMassG = (g: Pick<Garment, 'weighedDryMassG' | 'kind' | 'size' | 'heightCm' | 'count'>): number =>
  g.weighedDryMassG ?? garmentMassG(g.kind, { size: g.size, heightCm: g.heightCm }) * g.count;

type Items = readonly (readonly [GarmentKind, number])[];
export const itemsMassKg = (items: Items): number =>
  items.reduce((m, [kind, n]) => m + (n * garmentMassG(kind)) / 1000, 0);
export const itemsVolumeL = (items: Items): number =>
  items.reduce((v, [kind, n]) => v + ((n * garmentMassG(kind)) / 1000) * kindFacts(kind).looseVolumeLPerKg, 0);
export const thicknessMm = (kind: GarmentKind, gPerM2: number): number =>
  (kindFacts(kind).thicknessMm * gPerM2) / kindFacts(kind).clothGPerM2[1];
export const wetMassG = (dryG: number, moistureRatio: number): number => dryG * (1 + moistureRatio);
