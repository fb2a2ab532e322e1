/** Basin work: volumes, displacement, liquor ratio, rinsing and mixing from two taps. Textbook geometry and dilution; factors estimated. */
import { clamp, guardedCeil, mixture } from '../units/numbers.ts';
import { fail, ok, type Result } from '../units/result.ts';
import { physicalFibres, type PhysicalFibreId } from '../fibre/physical.ts';
import type { Basin } from '../model/household.ts';

/** Room kept free below the brim. */
export const freeboardCm = 5;

/** Litres the basin may hold with the freeboard kept. A basin known only by volume is usable to three quarters. */
export function usableVolumeL({ form }: Basin): number {
  if (form.shape === 'volume') return 0.75 * form.volumeL;
  const h = Math.max(0, form.depthCm - freeboardCm);
  if (form.shape === 'rectangular') return (form.lengthCm * form.widthCm * h) / 1000;
  if (form.shape === 'round') return ((Math.PI / 4) * form.diameterCm ** 2 * h) / 1000;
  const bottom = form.bottomDiameterCm / 2;
  const rim = bottom + ((form.topDiameterCm / 2 - bottom) * h) / form.depthCm;
  return ((Math.PI / 3) * h * (bottom ** 2 + bottom * rim + rim ** 2)) / 1000;
}

export const heldAirLPerKg = { woven: 0.3, knit: 0.8, terry: 0.8, fleece: 1.5, padded: 4 } as const;
export type Build = keyof typeof heldAirLPerKg;
/** Litres a dry piece pushes up at the first dip. */
export const displacementL = (dryKg: number, fibre: ReadonlyMap<PhysicalFibreId, number>, build: Build): number =>
  mixture(fibre, (f) => dryKg / physicalFibres[f].densityKgPerL) + dryKg * heldAirLPerKg[build];

/** Care classes of a hand bath: litres per kg, soak and residue targets. */
export const bathCare = {
  normal: { liquorLPerKg: 12, soakMin: 15, residueMgPerL: 50 },
  delicate: { liquorLPerKg: 20, soakMin: 10, residueMgPerL: 30 },
  wool: { liquorLPerKg: 25, soakMin: 10, residueMgPerL: 30 },
  silk: { liquorLPerKg: 25, soakMin: 3, residueMgPerL: 30 },
} as const;
export type BathCare = keyof typeof bathCare;
/** From the least to the most demanding; a mixed bath takes the most demanding. */
export const bathCareOrder: readonly BathCare[] = ['normal', 'delicate', 'wool', 'silk'];

/** Residue after n rinses of a bath that leaves `carryL` in the cloth (full mixing). */
export const residueMgPerL = (c0: number, carryL: number, rinseL: number, n: number): number =>
  c0 * (carryL / (carryL + rinseL)) ** n;
export const rinsesNeeded = (c0: number, target: number, carryL: number, rinseL: number): number =>
  c0 <= target ? 0 : guardedCeil(Math.log(c0 / target) / Math.log((carryL + rinseL) / carryL));

/** Litres from the hot tap for `volumeL` at the target, the rest cold. */
export function hotWaterL(volumeL: number, targetC: number, hotC: number, coldC: number): Result<number> {
  if (hotC <= coldC) return fail('the hot tap is no warmer than the cold one');
  return ok(volumeL * clamp((targetC - coldC) / (hotC - coldC), 0, 1));
}
/** Specific heat of water, kJ/(kg K). */
export const waterHeat = 4.186;
export const hotWaterKwh = (hotL: number, hotC: number, coldC: number): number =>
  (hotL * waterHeat * (hotC - coldC)) / 3600;

/** Water to run in before the clothes, l. */
export const safeFillL = (
  freeL: number,
  dryKg: number,
  fibre: ReadonlyMap<PhysicalFibreId, number>,
  build: Build,
): number => Math.max(0, freeL - displacementL(dryKg, fibre, build));
const soakLiquor = 8;
export const bathCount = (dryKg: number, litres: number, care: BathCare | 'soak'): number =>
  Math.max(1, guardedCeil((dryKg * (care === 'soak' ? soakLiquor : bathCare[care].liquorLPerKg)) / litres));
/** Hours in which a bath loses 63 % of its excess temperature; areas in m². */
export const basinTauH = (volumeL: number, topM2: number, sideM2: number): number =>
  (4186 * volumeL) / (22 * topM2 + 7 * sideM2) / 3600;
/** Temperature of a bath after so many hours (Newton). */
export const basinCoolingC = (startC: number, roomC: number, tauH: number, hours: number): number =>
  roomC + (startC - roomC) * Math.exp(-hours / tauH);
export function hoursToTemperature(startC: number, roomC: number, tauH: number, targetC: number): Result<number> {
  if (targetC === startC) return ok(0);
  const cooling = startC > roomC;
  if (cooling ? startC <= targetC : startC >= targetC) return ok(0);
  if (targetC === roomC || (cooling ? targetC < roomC : targetC > roomC)) return fail('never reaches it');
  return ok(tauH * Math.log((startC - roomC) / (targetC - roomC)));
}
/** Concentration of a bath used again for one batch after another, topped up with plain water: [kg dry, moisture carried out]. */
export const reusedConcentration = (
  c0: number,
  volumeL: number,
  batches: readonly (readonly [number, number])[],
): number =>
  batches.reduce(
    (c, [kg, x]) => c * Math.max(0, 1 - (kg * x) / volumeL) * Math.max(0, 1 - (0.15 * 20 * kg) / volumeL),
    c0,
  );

/** Litres of water standing `heightCm` high in vessels of the usual shapes; bath and sink factors estimated. */
export const vesselL = {
  rect: (h: number, l: number, w: number): number => (l * w * h) / 1000,
  taper: (h: number, bottomCm2: number, topCm2: number): number =>
    ((h / 3) * (bottomCm2 + topCm2 + Math.sqrt(bottomCm2 * topCm2))) / 1000,
  round: (h: number, d: number): number => ((Math.PI / 4) * d ** 2 * h) / 1000,
  bucket: (h: number, d1: number, d2: number): number =>
    ((Math.PI / 3) * h * ((d1 / 2) ** 2 + (d1 * d2) / 4 + (d2 / 2) ** 2)) / 1000,
  bath: (h: number, l: number, w: number): number => (0.65 * l * w * h) / 1000,
  sink: (h: number, l: number, w: number): number => (0.78 * l * w * h) / 1000,
} as const;
