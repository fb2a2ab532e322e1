/** Step model of a drying room: towels under flat pieces, and the water of all pieces in the air they share. Explicit steps of 300 s, at most 96 h. */
import { clamp, mixture } from '../units/numbers.ts';
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';
import { physicalFibres, type PhysicalFibreId } from '../fibre/physical.ts';
import { dryingState, equilibriumMoisture, evaporationRate, solarShare, type DryingLayout } from './drying.ts';
import { vapourKgPerM3 } from './moisture.ts';

export interface DryingItem {
  kind: GarmentKind;
  fibre: ReadonlyMap<PhysicalFibreId, number>;
  x0: number;
  layout: DryingLayout;
  count: number;
  towelG: number;
  swapH: number;
  turned: boolean;
  sunWPerM2: number;
  absorptivity: number;
}
export interface DryingRoom {
  temperatureC: number;
  humidity: number;
  airSpeedMPerS: number;
  gapMm: number;
  volumeM3: number | null;
  airChangesPerH: number;
  dehumidifierLPerDay: number;
  dehumidifierSet: number;
}

const stepS = 300;
const longestH = 96;
/** Buffering of moisture by walls and furniture. */
const wallFactor = 8;
const towelReleaseS = 28_800;
const towelTake = 0.3;

/** Hours of each item (null = not dry within 96 h, or the air is too damp or frosty) and the highest humidity on the way. */
export function dryInRoom(
  items: readonly DryingItem[],
  room: DryingRoom,
): { hours: (number | null)[]; peakHumidity: number } {
  const { temperatureC: c, humidity } = room;
  if (humidity >= 0.95 || c < 0) return { hours: items.map(() => null), peakHumidity: humidity };
  const background = vapourKgPerM3(c, humidity);
  const saturated = vapourKgPerM3(c, 1);
  let vapour = background;
  let peak = humidity;
  const state = items.map((item) => {
    const k = kindFacts(item.kind);
    const air = {
      temperatureC: c,
      humidity,
      airSpeedMPerS: room.airSpeedMPerS,
      gapMm: room.gapMm,
      turned: item.turned,
    };
    const s = dryingState(item.kind, item.fibre, item.layout, air);
    const target = equilibriumMoisture(item.fibre, humidity) + 0.02;
    const massKg = (k.areaM2 * k.clothGPerM2[1] * (1 + k.trimShare) + k.hardwareG) / 1000;
    return {
      item,
      x: item.x0,
      towelWater: 0,
      nextSwapS: 0,
      massKg,
      exposedM2: s.exposedM2,
      slow: s.slow,
      criticalCloth: s.criticalCloth,
      target,
      hours: item.x0 <= target ? 0 : (null as number | null),
      sun: item.absorptivity * item.sunWPerM2 * solarShare[item.layout],
    };
  });
  for (let t = 0; t < longestH * 3600 && state.some((s) => s.hours === null); t += stepS) {
    const rh = room.volumeM3 === null ? humidity : clamp(vapour / saturated, 0, 0.98);
    peak = Math.max(peak, rh);
    let released = 0;
    const flux = new Map<number, number>();
    const bound = new Map<DryingItem['fibre'], number>();
    for (const s of state) {
      if (s.hours !== null) continue;
      const { item } = s;
      if (item.towelG > 0 && t >= s.nextSwapS) {
        const ratio = item.towelG / (s.massKg * 1000);
        const taken =
          ((towelTake * ratio) / (ratio + 0.6)) *
          Math.max(0, s.x - mixture(item.fibre, (f) => physicalFibres[f].boundWater));
        s.x -= taken;
        s.towelWater = taken;
        s.nextSwapS = item.swapH > 0 ? t + item.swapH * 3600 : Infinity;
      }
      const before = s.x;
      const e = flux.get(s.sun) ?? evaporationRate(c, rh, room.airSpeedMPerS, room.gapMm, s.sun);
      flux.set(s.sun, e);
      const xe = bound.get(item.fibre) ?? equilibriumMoisture(item.fibre, rh);
      bound.set(item.fibre, xe);
      const falling = clamp((s.x - xe) / (Math.max(s.criticalCloth, xe + 0.03) - xe), 0, 1);
      const evaporated = (falling * e * s.exposedM2) / s.slow;
      const back = s.towelWater / towelReleaseS;
      s.x += stepS * (-evaporated / s.massKg + back);
      s.towelWater -= stepS * back;
      released += evaporated * item.count;
      if (s.x <= s.target) s.hours = (t + (stepS * (before - s.target)) / (before - s.x)) / 3600;
    }
    if (room.volumeM3 !== null) {
      const dried =
        rh > room.dehumidifierSet ? (room.dehumidifierLPerDay / 86_400) * clamp((rh - 0.3) / 0.3, 0, 1.3) : 0;
      vapour +=
        (stepS / (wallFactor * room.volumeM3)) *
        (released - ((room.airChangesPerH * room.volumeM3) / 3600) * (vapour - background) - dried);
      vapour = Math.max(vapour, 0.1 * background);
    }
  }
  return { hours: state.map((s) => s.hours), peakHumidity: peak };
}
