/**
 * Drying on a line, rack, hanger or flat: wet-surface energy balance (Penman form), constant then falling rate.
 * Data estimated; results are shown as a range of −25 % to +35 %.
 */
import { clamp, mixture } from '../units/numbers.ts';
import { fail, ok, type Result } from '../units/result.ts';
import { kindFacts, type GarmentKind, type Layout } from '../garment/kinds.ts';
import { physicalFibres, type PhysicalFibreId } from '../fibre/physical.ts';

/** What is said of a drying time: the model's hours times these, for rooms and weather differ. */
export const dryingRange = { low: 0.75, high: 1.35 } as const;
const pressurePa = 101325;
const stefanBoltzmann = 5.670374e-8;

/** Saturation vapour pressure in Pa (Magnus form). */
export const saturationPa = (c: number): number => 611.2 * Math.exp((17.62 * c) / (243.12 + c));
const saturationSlope = (c: number): number => (saturationPa(c) * 17.62 * 243.12) / (243.12 + c) ** 2;
const latentHeat = (c: number): number => (2501 - 2.361 * c) * 1000;
export const convection = (airSpeedMPerS: number): number => Math.max(3.1, 8.3 * airSpeedMPerS ** 0.6);
/** Share of free evaporation left by the clear air to the neighbour. */
export const gapFactor = (gapMm: number): number => 0.35 + 0.65 * (1 - Math.exp(-Math.max(0, gapMm) / 40));

/** Evaporation in kg/(m² s) at the cloth and the temperature of its surface. `sunWPerM2` is absorbed sun per m² exposed. */
export function evaporation(
  c: number,
  humidity: number,
  airSpeed = 0.1,
  gapMm = 150,
  sunWPerM2 = 0,
): { kgPerM2S: number; surfaceC: number } {
  const s = gapFactor(gapMm);
  const hc = s * convection(airSpeed);
  const h = hc + s * 4 * 0.95 * stefanBoltzmann * (c + 273.15) ** 3;
  const deficit = saturationPa(c) * (1 - humidity);
  const gamma = (0.91 * 1006 * pressurePa) / (0.622 * latentHeat(c));
  let surfaceC = c;
  let flux = 0;
  for (let i = 0; i < 2; i++) {
    const d = saturationSlope((c + surfaceC) / 2);
    flux = Math.max(0, (deficit + (d * sunWPerM2) / h) / (gamma / hc + d / h));
    surfaceC = c + (sunWPerM2 - flux) / h;
  }
  return { kgPerM2S: flux / latentHeat(c), surfaceC };
}
export const evaporationRate = (c: number, humidity: number, airSpeed = 0.1, gapMm = 150, sunWPerM2 = 0): number =>
  evaporation(c, humidity, airSpeed, gapMm, sunWPerM2).kgPerM2S;

/** Moisture the cloth keeps at an air humidity (Oswin form). */
export function equilibriumMoisture(fibre: ReadonlyMap<PhysicalFibreId, number>, humidity: number): number {
  const rh = clamp(humidity, 0.05, 0.95);
  return mixture(
    fibre,
    (f) => physicalFibres[f].regain65 * (rh / (1 - rh) / (0.65 / 0.35)) ** physicalFibres[f].sorptionExponent,
  );
}

interface LayoutFacts {
  tube: number;
  sheet: number;
  sunShare: number;
}
export type DryingLayout = Layout | 'flat_solid' | 'flat_towel_mesh' | 'open_frame' | 'clip_toe' | 'heap' | 'in_drum';
export const layouts: Record<DryingLayout, LayoutFacts> = {
  hanger: { tube: 0.95, sheet: 0.9, sunShare: 0.35 },
  line: { tube: 1.05, sheet: 1.85, sunShare: 0.4 },
  bar1: { tube: 0.6, sheet: 1.1, sunShare: 0.3 },
  bar2: { tube: 0.75, sheet: 1.35, sunShare: 0.3 },
  bar3: { tube: 0.9, sheet: 1.6, sunShare: 0.3 },
  flat_mesh: { tube: 0.75, sheet: 1.4, sunShare: 0.35 },
  flat_solid: { tube: 0.45, sheet: 0.95, sunShare: 0.45 },
  flat_towel: { tube: 0.45, sheet: 0.95, sunShare: 0.45 },
  flat_towel_mesh: { tube: 0.55, sheet: 1.15, sunShare: 0.45 },
  open_frame: { tube: 1.15, sheet: 1.15, sunShare: 0.35 },
  clip_toe: { tube: 0.8, sheet: 0.8, sunShare: 0.35 },
  heap: { tube: 0.1, sheet: 0.1, sunShare: 0.1 },
  in_drum: { tube: 0.01, sheet: 0.01, sunShare: 0 },
};
export const solarShare = Object.fromEntries(Object.entries(layouts).map(([k, v]) => [k, v.sunShare])) as Record<
  DryingLayout,
  number
>;
const lyingOnSomething: readonly DryingLayout[] = ['flat_solid', 'flat_towel', 'flat_towel_mesh'];

export interface DryingConditions {
  temperatureC: number;
  humidity: number;
  airSpeedMPerS: number;
  gapMm: number;
  absorbedSunWPerM2?: number;
  turned?: boolean;
}
export interface DryingState {
  /** kg/kg per hour in the constant period. */ rate: number;
  critical: number;
  criticalCloth: number;
  equilibrium: number;
  exposedM2: number;
  slow: number;
}

/** The constants of one piece in one place: drying rate, critical and final moisture. */
export function dryingState(
  kind: GarmentKind,
  fibre: ReadonlyMap<PhysicalFibreId, number>,
  layout: DryingLayout,
  air: DryingConditions,
  clothGPerM2?: number,
): DryingState {
  const k = kindFacts(kind);
  const gPerM2 = clothGPerM2 ?? k.clothGPerM2[1];
  const exposedM2 = (k.areaM2 * layouts[layout][k.type] * (1 + 0.25 * (k.layers - 1))) / k.layers;
  const massKg = (k.areaM2 * gPerM2 * (1 + k.trimShare) + k.hardwareG) / 1000;
  const slow = k.slowZone * (lyingOnSomething.includes(layout) && air.turned === false ? 1.35 : 1);
  const equilibrium = equilibriumMoisture(fibre, air.humidity);
  const criticalCloth =
    mixture(fibre, (f) => physicalFibres[f].criticalMoisture) +
    0.02 * clamp((k.thicknessMm * k.layers * gPerM2) / k.clothGPerM2[1] - 1, 0, 10);
  const rate =
    (3600 *
      evaporationRate(air.temperatureC, air.humidity, air.airSpeedMPerS, air.gapMm, air.absorbedSunWPerM2 ?? 0) *
      exposedM2) /
    (massKg * slow);
  return { rate, critical: Math.max(criticalCloth, equilibrium + 0.03), criticalCloth, equilibrium, exposedM2, slow };
}

/** Hours from moisture `x0` to dry. Fails where cloth will not dry: humidity from 0.95, or frost. */
export function dryingTimeHours(
  kind: GarmentKind,
  fibre: ReadonlyMap<PhysicalFibreId, number>,
  x0: number,
  layout: DryingLayout,
  air: DryingConditions,
  clothGPerM2?: number,
): Result<number> {
  if (air.humidity >= 0.95 || air.temperatureC < 0) return fail('will not dry here');
  const s = dryingState(kind, fibre, layout, air, clothGPerM2);
  const target = s.equilibrium + 0.02;
  if (x0 <= target) return ok(0);
  if (s.rate <= 0) return fail('will not dry here');
  return ok(
    Math.max(0, x0 - s.critical) / s.rate +
      ((s.critical - s.equilibrium) / s.rate) *
        Math.log((Math.min(x0, s.critical) - s.equilibrium) / (target - s.equilibrium)),
  );
}

/** Bars a piece hangs over by dry mass: one below 300 g, two below 600 g, else three. */
export const barsFor = (massG: number): 1 | 2 | 3 => (massG < 300 ? 1 : massG < 600 ? 2 : 3);

interface TumbleFacts {
  fixedKwh: number;
  kwhPerKg: number;
  rateKgPerH: number;
  startMin: number;
}
export const tumblers: Record<'vented' | 'condenser' | 'heat-pump' | 'washer-dryer', TumbleFacts> = {
  vented: { fixedKwh: 0.15, kwhPerKg: 0.98, rateKgPerH: 2.4, startMin: 10 },
  condenser: { fixedKwh: 0.2, kwhPerKg: 1.02, rateKgPerH: 2.2, startMin: 15 },
  'heat-pump': { fixedKwh: 0.12, kwhPerKg: 0.36, rateKgPerH: 1.7, startMin: 20 },
  'washer-dryer': { fixedKwh: 0.25, kwhPerKg: 1.2, rateKgPerH: 1.5, startMin: 20 },
};
/** Minutes and kWh of a tumble run from x0 to cupboard dry (fit to label energies, ±20 %). */
export function tumbleRun(
  type: keyof typeof tumblers,
  dryKg: number,
  x0: number,
  capacityKg = 8,
  lowTemperature = false,
  xEnd = 0.08,
): { minutes: number; energyKwh: number; waterKg: number } {
  const t = tumblers[type];
  const water = dryKg * Math.max(0, x0 - xEnd);
  const load = clamp(0.45 + (0.55 * (dryKg / capacityKg)) / 0.6, 0.45, 1);
  return {
    waterKg: water,
    energyKwh: t.fixedKwh + t.kwhPerKg * (lowTemperature ? 1.1 : 1) * water,
    minutes: t.startMin + (60 * water) / (t.rateKgPerH * (lowTemperature ? 0.6 : 1) * load),
  };
}
