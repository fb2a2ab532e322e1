/** Oxygen-bleach soak: dose, decay and exposure (first-order decay; engineering estimates). */
import { guardedCeil } from '../units/numbers.ts';
import type { PhysicalFibreId } from '../fibre/physical.ts';
import { physicalFibres } from '../fibre/physical.ts';
import { basinCoolingC, heldAirLPerKg, type Build } from './basin.ts';

/** The wash after an oxygen soak: how warm at most, and how much of the dose cloth that holds alkali and detergent still asks for. */
export const afterSoak = { mostC: 40, doseShare: 0.5 } as const;

const soilDose = [5, 8, 15] as const;
const soilDecay = [1.3, 1, 0.6] as const;
/** Grams for a bath; soil column 0 light, 1 normal, 2 heavy. */
export const soakDoseG = (litres: number, soil: number): number => litres * (soilDose[soil] ?? soilDose[1]);
export const halfLifeH = (c: number, soil = 1): number => 10 * 2 ** (-(c - 20) / 12.5) * (soilDecay[soil] ?? 1);
export const oxygenLeft = (c: number, hours: number, soil = 1): number => 2 ** (-hours / halfLifeH(c, soil));
/** g·h/l at 40 °C equivalents, at constant temperature. */
export const oxygenExposure = (g0PerL: number, c: number, hours: number, soil = 1): number =>
  ((g0PerL * 2 ** ((c - 40) / 10) * halfLifeH(c, soil)) / Math.LN2) * (1 - oxygenLeft(c, hours, soil));
/** The same in a bath that cools: concentration left and exposure, in steps of five minutes. */
export function coolingSoak(
  g0PerL: number,
  startC: number,
  roomC: number,
  tauH: number,
  hours: number,
  soil = 1,
): { leftGPerL: number; exposure: number } {
  let left = g0PerL;
  let exposure = 0;
  const steps = Math.floor(12 * hours + 0.5);
  for (let i = 0; i < steps; i++) {
    const c = basinCoolingC(startC, roomC, tauH, (i + 0.5) / 12);
    const next = left * 2 ** (-(1 / 12) / halfLifeH(c, soil));
    exposure += (((left + next) / 2) * 2 ** ((c - 40) / 10)) / 12;
    left = next;
  }
  return { leftGPerL: left, exposure };
}
/** Hours until a tenth of the activity is left. */
export const usefulHours = (c: number, soil = 1): number => halfLifeH(c, soil) * Math.log2(10);
export const soakBaths = (dryKg: number, containerL: number, fibre: PhysicalFibreId, build: Build): number =>
  guardedCeil(dryKg / (containerL / (8 + 1 / physicalFibres[fibre].densityKgPerL + heldAirLPerKg[build])));
export const soakLoads = (dryKg: number, washMaxKg: number): number => guardedCeil(dryKg / washMaxKg);
export const stirCount = (hours: number, everyMin: number): number => Math.floor((hours * 60) / everyMin + 1e-9);
