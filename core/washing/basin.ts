/** Basin work: volumes, displacement, liquor ratio, rinsing and mixing from two taps. Textbook geometry and dilution; factors estimated. */
import { clamp, guardedCeil, mixture, roundTo } from '../units/numbers.ts';
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

/** Care classes of a hand bath: litres per kg, minutes it soaks and at most may soak (dyed cloth less), residue target. */
export const bathCare = {
  normal: { liquorLPerKg: 12, soakMin: 15, mostSoakMin: 480, mostSoakDyedMin: 120, residueMgPerL: 50 },
  delicate: { liquorLPerKg: 20, soakMin: 10, mostSoakMin: 30, mostSoakDyedMin: 30, residueMgPerL: 30 },
  wool: { liquorLPerKg: 25, soakMin: 10, mostSoakMin: 30, mostSoakDyedMin: 30, residueMgPerL: 30 },
  silk: { liquorLPerKg: 25, soakMin: 3, mostSoakMin: 10, mostSoakDyedMin: 10, residueMgPerL: 30 },
} as const;
/** What is not rinsed out works longer, min; silk keeps its own. */
export const noRinseSoakMin = 15;
/** A bath is at least this deep, l. */
export const leastBathL = 3;
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
/**
 * A bath from two taps, litres to the tenth.
 * @example bathWater(10, 30, 55, 12) // { hotL: 4.2, coldL: 5.8 }
 */
export function bathWater(
  volumeL: number,
  targetC: number,
  hotC: number,
  coldC: number,
): { hotL: number; coldL: number } {
  const hot = hotWaterL(volumeL, targetC, hotC, coldC);
  const hotL = roundTo(hot.ok ? hot.value : 0, 1);
  return { hotL, coldL: roundTo(volumeL - hotL, 1) };
}
/** How high so many litres stand in a tub, cm; null where only its volume is known. */
export function fillHeightCm({ form }: Basin, volumeL: number): number | null {
  if (form.shape === 'volume') return null;
  const cm3 = 1000 * volumeL;
  if (form.shape === 'rectangular') return cm3 / (form.lengthCm * form.widthCm);
  if (form.shape === 'round') return cm3 / ((Math.PI / 4) * form.diameterCm ** 2);
  // A frustum is the difference of two cones: solved for the height at which it holds the volume.
  const a = form.bottomDiameterCm / 2;
  const slope = (form.topDiameterCm / 2 - a) / form.depthCm;
  if (Math.abs(slope) < 1e-9) return cm3 / (Math.PI * a ** 2);
  return (Math.cbrt(a ** 3 + (3 * slope * cm3) / Math.PI) - a) / slope;
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
