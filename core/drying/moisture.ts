/** What is left in the cloth while it dries, what damp hours do, and hot cloth that feels drier than it is. */
import { clamp, mixture } from '../units/numbers.ts';
import type { GarmentKind } from '../garment/kinds.ts';
import type { PhysicalFibreId } from '../fibre/physical.ts';
import {
  dryingState,
  equilibriumMoisture,
  evaporation,
  saturationPa,
  type DryingConditions,
  type DryingLayout,
} from './drying.ts';

type Fibres = ReadonlyMap<PhysicalFibreId, number>;

/** Water vapour in the air, kg/m³. */
export const vapourKgPerM3 = (c: number, humidity: number): number =>
  (humidity * saturationPa(c)) / (461.5 * (c + 273.15));

/** Moisture after so many hours of drying from x0. */
export function moistureAfter(
  kind: GarmentKind,
  fibre: Fibres,
  x0: number,
  hours: number,
  layout: DryingLayout,
  air: DryingConditions,
): number {
  if (air.temperatureC < 0) return x0;
  const s = dryingState(kind, fibre, layout, air);
  if (s.rate <= 0) return x0;
  const constant = Math.max(0, x0 - s.critical) / s.rate;
  if (hours <= constant) return x0 - s.rate * hours;
  const x1 = Math.min(x0, s.critical);
  return s.equilibrium + (x1 - s.equilibrium) * Math.exp((-s.rate * (hours - constant)) / (s.critical - s.equilibrium));
}
/** Hours above the moisture at which smells grow (equilibrium at 80 %). */
export function dampHours(
  kind: GarmentKind,
  fibre: Fibres,
  x0: number,
  layout: DryingLayout,
  air: DryingConditions,
): number | null {
  if (air.humidity >= 0.95 || air.temperatureC < 0) return null;
  const s = dryingState(kind, fibre, layout, air);
  if (s.rate <= 0) return null;
  const target = Math.max(equilibriumMoisture(fibre, 0.8), s.equilibrium + 0.005);
  if (x0 <= target) return 0;
  return (
    Math.max(0, x0 - s.critical) / s.rate +
    Math.max(
      0,
      ((s.critical - s.equilibrium) / s.rate) *
        Math.log((Math.min(x0, s.critical) - s.equilibrium) / (target - s.equilibrium)),
    )
  );
}

const mustyHoursAt20 = { rack: 30, heap: 12, drum: 10, bag: 8 } as const;
export type DampPlace = keyof typeof mustyHoursAt20;
/** Below 0.5 fine, 0.5–1 may smell, from 1 wash again. Wool and silk turn more slowly. */
export const mustyIndex = (hoursDamp: number, c: number, place: DampPlace, fibre: Fibres): number =>
  (hoursDamp * 2.2 ** ((clamp(c, 5, 35) - 20) / 10)) /
  (mustyHoursAt20[place] * mixture(fibre, (f) => (f === 'wool' || f === 'silk' ? 1.5 : 1)));

/** Hours in which wet cotton may begin to smell at a place, at a room temperature. */
export const mustyHoursIn = (place: DampPlace, c: number): number =>
  (0.5 * mustyHoursAt20[place]) / 2.2 ** ((clamp(c, 5, 35) - 20) / 10);

/** What the hand reports on hot cloth. */
export const apparentMoisture = (x: number, clothC: number, roomC = 20): number =>
  Math.max(0, x - 0.001 * Math.max(0, clothC - roomC));
const coolingMin = { single: 5, pile: 25 } as const;
/** Minutes until cloth is within `withinC` of the room. */
export const coolingWaitMin = (
  clothC: number,
  roomC = 20,
  spread: keyof typeof coolingMin = 'pile',
  withinC = 5,
): number => (clothC - roomC <= withinC ? 0 : coolingMin[spread] * Math.log((clothC - roomC) / withinC));
/** Temperature of the wet surface, °C. */
export const wetSurfaceC = (c: number, humidity: number, airSpeed: number, gapMm: number, sun: number): number =>
  evaporation(c, humidity, airSpeed, gapMm, sun).surfaceC;
