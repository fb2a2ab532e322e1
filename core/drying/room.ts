/** Step model of drying: towels under flat pieces, the water of all pieces in the air they share, and air that changes by the hour. Explicit steps of 300 s, at most 96 h. */
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
  /** Hours after the beginning at which it is hung up; until then it keeps its water. */
  fromH?: number;
  /** Clear air to its neighbours, mm, where it differs from the room's. */
  gapMm?: number;
  /** How much slower than the model it dries, as its place has taught. */
  slowness?: number;
  /** Out of doors: in that air, and its water is gone with the wind. */
  outdoors?: boolean;
  /** Moisture at which it is taken down for the iron. */
  dampForIron?: number;
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
  /** What a sensor reads at the beginning, where it differs from the air without wet cloth. */
  startHumidity?: number;
  /** Air out of doors so many hours after the beginning. */
  outdoors?: (hour: number) => OutdoorHour;
}
export interface OutdoorHour {
  temperatureC: number;
  humidity: number;
  airSpeedMPerS: number;
  /** Rain, or night dew: nothing gets drier. */
  wet: boolean;
}
export interface DryingCourse {
  /** Hours until each is dry; null = not within 96 h, or the air is too damp or frosty. */
  hours: (number | null)[];
  /** Hours each was damp enough to smell, from the beginning on. */
  dampHours: number[];
  /** Hours until each is right for the iron; null = it never was wetter, or none was asked. */
  ironHours: (number | null)[];
  /** Moisture after `askedH` hours. */
  moisture: number[];
  peakHumidity: number;
  /** Hours in which the room's air was over 70 %. */
  mouldHours: number;
}

const stepS = 300;
const longestH = 96;
/** Buffering of moisture by walls and furniture. */
const wallFactor = 8;
const towelReleaseS = 28_800;
const towelTake = 0.3;
/** Equilibrium at this humidity: wetter cloth smells in time. */
const smellsFromHumidity = 0.8;
const mouldFromHumidity = 0.7;

/** Steps before something is hung up, of those that are looked at. */
const stepsBefore = (fromH: number): number =>
  Math.min(longestH * 3600, Math.ceil((fromH * 3600) / stepS) * stepS) / stepS;

const driesAt = (air: { temperatureC: number; humidity: number }): boolean =>
  air.humidity < 0.95 && air.temperatureC >= 0;

/** Number of each thing among the different ones, by its key, in the order in which they first come, and how many there are. */
function numbered<T>(things: readonly T[], keyOf: (thing: T) => string): { numberOf: number[]; different: number } {
  const numbers = new Map<string, number>();
  const numberOf = things.map((thing) => {
    const key = keyOf(thing);
    const number = numbers.get(key) ?? numbers.size;
    numbers.set(key, number);
    return number;
  });
  return { numberOf, different: numbers.size };
}

/** The whole course of everything that hangs. `askedH` = the moment whose moisture is asked. */
export function courseOfDrying(items: readonly DryingItem[], room: DryingRoom, askedH = 0): DryingCourse {
  const { temperatureC: c, humidity } = room;
  const roomDries = driesAt(room);
  const background = vapourKgPerM3(c, humidity);
  const saturated = vapourKgPerM3(c, 1);
  let vapour = vapourKgPerM3(c, room.startHumidity ?? humidity);
  let peak = room.startHumidity ?? humidity;
  let mouldS = 0;
  const anyDries = roomDries || (room.outdoors !== undefined && items.some((i) => i.outdoors));
  // Whatever hangs in the same air, sun and gap gives off water alike; cloth of the same fibres comes to the same moisture.
  const cloths = numbered(items, (item) => [...item.fibre].join());
  const places = numbered(items, (i) => [i.outdoors, i.absorptivity, i.sunWPerM2, i.layout, i.gapMm].join());
  const state = items.map((item, i) => {
    const k = kindFacts(item.kind);
    const air = {
      temperatureC: c,
      humidity,
      airSpeedMPerS: room.airSpeedMPerS,
      gapMm: item.gapMm ?? room.gapMm,
      turned: item.turned,
    };
    const s = dryingState(item.kind, item.fibre, item.layout, air);
    const target = equilibriumMoisture(item.fibre, humidity) + 0.02;
    const massKg = (k.areaM2 * k.clothGPerM2[1] * (1 + k.trimShare) + k.hardwareG) / 1000;
    const damp = item.dampForIron ?? 0;
    // What every step asks for stands here by itself: items come in many shapes, and to read them is most of a step's time.
    const smells = equilibriumMoisture(item.fibre, smellsFromHumidity);
    return {
      fibre: item.fibre,
      count: item.count,
      towelG: item.towelG,
      swapS: item.swapH > 0 ? item.swapH * 3600 : Infinity,
      damp,
      x: item.x0,
      fromS: (item.fromH ?? 0) * 3600,
      towelWater: 0,
      nextSwapS: 0,
      massKg,
      exposedM2: s.exposedM2 / (item.slowness ?? 1),
      slow: s.slow,
      criticalCloth: s.criticalCloth,
      target,
      smells,
      hours: item.x0 <= target ? 0 : (null as number | null),
      dampS: anyDries && item.x0 > Math.max(smells, target) ? stepsBefore(item.fromH ?? 0) * stepS : 0,
      ironHours: item.x0 <= damp ? 0 : (null as number | null),
      moisture: item.x0,
      sun: item.absorptivity * item.sunWPerM2 * solarShare[item.layout],
      out: item.outdoors === true && room.outdoors !== undefined,
      gapMm: item.gapMm ?? room.gapMm,
      place: places.numberOf[i] as number,
      cloth: cloths.numberOf[i] as number,
    };
  });
  const inOrder = [...state].filter((s) => s.hours === null).sort((a, b) => a.fromS - b.fromS);
  /** How many of them hang or have hung, and what still hangs, in the order of the items. */
  let begun = 0;
  let hanging: typeof state = [];
  /** Of this step, by place and by cloth; NaN = not asked yet. */
  const flux = new Float64Array(places.different);
  const restingInside = new Float64Array(cloths.different);
  const restingOutside = new Float64Array(cloths.different);
  for (let t = 0; anyDries && t < longestH * 3600 && (begun < inOrder.length || hanging.length > 0); t += stepS) {
    let changed = false;
    for (; (inOrder[begun]?.fromS ?? Infinity) <= t; begun++) changed = true;
    if (changed) hanging = state.filter((s) => s.hours === null && s.fromS <= t);
    const rh = room.volumeM3 === null ? humidity : clamp(vapour / saturated, 0, 0.98);
    peak = Math.max(peak, rh);
    if (rh > mouldFromHumidity) mouldS += stepS;
    const outside = room.outdoors?.(t / 3600);
    let released = 0;
    flux.fill(NaN);
    restingInside.fill(NaN);
    restingOutside.fill(NaN);
    let dried = false;
    for (const s of hanging) {
      const { out } = s;
      if (t <= askedH * 3600) s.moisture = s.x;
      if (s.x > s.smells) s.dampS += stepS;
      const air = out ? outside : undefined;
      if (air ? air.wet || !driesAt(air) : !roomDries) continue;
      if (s.towelG > 0 && t >= s.nextSwapS) {
        const ratio = s.towelG / (s.massKg * 1000);
        const taken =
          ((towelTake * ratio) / (ratio + 0.6)) *
          Math.max(0, s.x - mixture(s.fibre, (f) => physicalFibres[f].boundWater));
        s.x -= taken;
        s.towelWater = taken;
        s.nextSwapS = t + s.swapS;
      }
      const before = s.x;
      let e = flux[s.place] as number;
      if (Number.isNaN(e)) {
        e = air
          ? evaporationRate(air.temperatureC, air.humidity, air.airSpeedMPerS, s.gapMm, s.sun)
          : evaporationRate(c, rh, room.airSpeedMPerS, s.gapMm, s.sun);
        flux[s.place] = e;
      }
      const resting = air ? restingOutside : restingInside;
      let xe = resting[s.cloth] as number;
      if (Number.isNaN(xe)) {
        xe = equilibriumMoisture(s.fibre, air ? air.humidity : rh);
        resting[s.cloth] = xe;
      }
      const target = out ? xe + 0.02 : s.target;
      const falling = clamp((s.x - xe) / (Math.max(s.criticalCloth, xe + 0.03) - xe), 0, 1);
      const evaporated = (falling * e * s.exposedM2) / s.slow;
      const back = s.towelWater / towelReleaseS;
      s.x += stepS * (-evaporated / s.massKg + back);
      s.towelWater -= stepS * back;
      if (!out) released += evaporated * s.count;
      if (s.ironHours === null && s.x <= s.damp) s.ironHours = (t + stepS) / 3600;
      if (s.x > target) continue;
      s.hours = (t + (before > s.x ? stepS * clamp((before - target) / (before - s.x), 0, 1) : 0)) / 3600;
      if (t + stepS <= askedH * 3600) s.moisture = s.x;
      dried = true;
    }
    if (dried) hanging = hanging.filter((s) => s.hours === null);
    if (room.volumeM3 !== null) {
      const extracted =
        rh > room.dehumidifierSet ? (room.dehumidifierLPerDay / 86_400) * clamp((rh - 0.3) / 0.3, 0, 1.3) : 0;
      vapour +=
        (stepS / (wallFactor * room.volumeM3)) *
        (released - ((room.airChangesPerH * room.volumeM3) / 3600) * (vapour - background) - extracted);
      vapour = Math.max(vapour, 0.1 * background);
    }
  }
  return {
    hours: state.map((s) => s.hours),
    dampHours: state.map((s) => s.dampS / 3600),
    ironHours: state.map((s, i) => (items[i]?.dampForIron === undefined || s.ironHours === 0 ? null : s.ironHours)),
    moisture: state.map((s) => s.moisture),
    peakHumidity: peak,
    mouldHours: mouldS / 3600,
  };
}

/** Hours of each item (null = not dry within 96 h, or the air is too damp or frosty) and the highest humidity on the way. */
export const dryInRoom = (
  items: readonly DryingItem[],
  room: DryingRoom,
): { hours: (number | null)[]; peakHumidity: number } => courseOfDrying(items, room);
