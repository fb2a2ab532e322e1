/** Spin: acceleration and the water left in the cloth. Textbook mechanics; moisture fitted to spin label classes (±0.08). */
import { clamp, mixture } from '../units/numbers.ts';
import { physicalFibres, type PhysicalFibreId } from '../fibre/physical.ts';

const gravity = 9.80665;
/** Spin limits in tables and on labels mean a drum of this radius. */
export const referenceRadiusM = 0.24;

/** Acceleration in multiples of g. */
export const spinG = (rpm: number, drumRadiusM = referenceRadiusM): number =>
  (((2 * Math.PI * rpm) / 60) ** 2 * drumRadiusM) / gravity;

/** True when `rpm` on this drum stays within `limitRpm` on the reference drum, compared as G with 5 % tolerance. */
export const spinWithin = (rpm: number, drumRadiusM: number, limitRpm: number): boolean =>
  rpm === 0 || spinG(rpm, drumRadiusM) <= spinG(limitRpm) * 1.05 + 1e-9;

/** kg water per kg dry cloth after a full spin; `seconds` at speed when the spin was short. A blend mixes the pure results. */
export function moistureAfterSpin(
  fibre: ReadonlyMap<PhysicalFibreId, number>,
  rpm: number,
  drumRadiusM = referenceRadiusM,
  seconds?: number,
): number {
  return mixture(fibre, (id) => {
    const f = physicalFibres[id];
    if (rpm <= 0) return f.lifted;
    const settled = clamp(f.spinA - f.spinB * Math.log(spinG(rpm, drumRadiusM)), f.spinFloor, f.dripped);
    return seconds === undefined ? settled : settled + (f.lifted - settled) * Math.exp(-seconds / 75);
  });
}

/** Moisture after rolling in fresh dry towels of the given mass. */
export function moistureAfterTowelRolls(
  fibre: ReadonlyMap<PhysicalFibreId, number>,
  moisture: number,
  garmentG: number,
  towelG: number,
  rolls: number,
  press: 'hands' | 'standing' = 'hands',
): number {
  const s = towelG / garmentG;
  const e = ((press === 'hands' ? 0.65 : 0.8) * s) / (s + 0.6);
  const boundWater = mixture(fibre, (id) => physicalFibres[id].boundWater);
  let x = moisture;
  for (let i = 0; i < rolls; i++) x -= e * Math.max(0, x - boundWater);
  return x;
}

/** Spin that leaves a target moisture; null when no speed reaches it, 0 when dripping does. */
export function rpmForMoisture(
  fibre: ReadonlyMap<PhysicalFibreId, number>,
  target: number,
  drumRadiusM = referenceRadiusM,
): number | null {
  const of = (key: 'spinA' | 'spinB' | 'spinFloor' | 'dripped'): number =>
    mixture(fibre, (id) => physicalFibres[id][key]);
  if (target <= of('spinFloor')) return null;
  if (target >= of('dripped')) return 0;
  const g = Math.exp((of('spinA') - target) / of('spinB'));
  return (60 / (2 * Math.PI)) * Math.sqrt((g * gravity) / drumRadiusM);
}
/** Spin class of the energy label, for cotton. */
export const spinClass = (moisture: number): string =>
  ['A', 'B', 'C', 'D', 'E', 'F'][[0.45, 0.54, 0.63, 0.72, 0.81, 0.9].findIndex((x) => moisture < x)] ?? 'G';
