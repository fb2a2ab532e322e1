import { fail, ok, type Result } from './result.ts';

/** Units of water hardness per 1 mmol/l of calcium and magnesium (definitions of the units). */
export const hardnessPerMmol = {
  mmol: 1,
  ppm: 100.0869,
  dH: 5.60774,
  fH: 10.00869,
  eH: 7.02178,
  gpg: 5.84686,
} as const;
export type HardnessUnit = keyof typeof hardnessPerMmol;
export const hardnessUnits = Object.keys(hardnessPerMmol) as HardnessUnit[];

/** Convert a hardness between units; exact factors. */
export function convertHardness(value: number, from: HardnessUnit, to: HardnessUnit): Result<number> {
  if (!(value >= 0)) return fail('hardness must be 0 or more');
  return ok((value / hardnessPerMmol[from]) * hardnessPerMmol[to]);
}

export type HardnessClass = 'soft' | 'medium' | 'hard';

/** Class edges as used on European packs: soft below 1.5, medium up to 2.5, hard above (mmol/l). */
export const hardnessClass = (mmolPerL: number): HardnessClass =>
  mmolPerL < 1.5 ? 'soft' : mmolPerL <= 2.5 ? 'medium' : 'hard';

/**
 * A test strip with four fields, by how many turned: middle of the range each count stands for, mmol/l (fields at 4, 7, 14 and 21 °dH).
 * @example stripHardness(2) // 1.9
 */
export function stripHardness(fieldsTurned: 0 | 1 | 2 | 3 | 4): number {
  return ([0.4, 1, 1.9, 3.1, 4.3] as const)[fieldsTurned];
}
