/** When everything that hangs will be dry: all pieces of a room share its air, outdoors the weather rules, and what the places have taught counts. */
import { dryingRange } from '../drying/drying.ts';
import { coolingWaitMin, mustyIndex, type DampPlace } from '../drying/moisture.ts';
import { gapBetweenMm } from '../drying/rack.ts';
import { courseOfDrying, type DryingItem, type DryingRoom, type OutdoorHour } from '../drying/room.ts';
import type { Spot } from '../drying/spaces.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { DryingPlace, Household } from '../model/household.ts';
import type { Profile } from '../piece/profile.ts';
import { pressPlan } from '../piece/care-steps.ts';
import { ironDampOf } from '../pressing/ironing.ts';
import { barsEachOf, layoutFor, wantsShade, type Placement } from './hang.ts';

/** What may be done for the air of the room. */
export const airChoices = ['as-it-is', 'window', 'fan', 'dehumidifier'] as const;
export type AirChoice = (typeof airChoices)[number];
/** A window tilted, a fan on the rack, a household dehumidifier (estimates). */
const windowChangesPerH = 3;
const fanMPerS = 1;
const dehumidifierLPerDay = 12;
const dehumidifierSet = 0.45;
const roomGapMm = 100;
/** Distance of the bars of a rack, mm, where nobody measured it. */
const usualPitchMm = 65;
/** Clear air beside a piece that has no neighbour, mm. */
const freeGapMm = 150;
/** A bath towel under what lies flat, changed with each turn. */
const towelUnderG = 500;
export const turnEveryH = 12;
/** Sun on a clear day in a sheltered place, W/m², for what may be in it. */
const sunWPerM2 = 300;
const absorptivity = { white: 0.3, light: 0.4, mid: 0.55, dark: 0.75, black: 0.85 } as const;

export interface HangingPiece {
  id: string;
  profile: Profile;
  /** kg/kg at `atMs`, when it was last known. */
  moisture: number;
  atMs: number;
  /** When it was hung up; null = it waits wet. */
  hungMs: number | null;
  /** How musty it had become by `atMs` (0.5 = may smell, 1 = wash again). */
  musty: number;
  placement: Placement;
}
export interface Surroundings {
  household: Household;
  nowMs: number;
  /** What a sensor reads; null = there is none. */
  roomNow: { temperatureC: number; humidity: number } | null;
  air: AirChoice;
  outdoorAt: (ms: number) => OutdoorHour;
  /** How much slower than the model a place dries; 1 where nothing is known. */
  slowness: ReadonlyMap<string, number>;
}
export interface PieceForecast {
  id: string;
  moisture: number;
  /** Hours from now, as a range; null = it does not get dry there. */
  hours: { low: number; likely: number; high: number } | null;
  /** Hours from now until it is right for the iron; null = it is not ironed, or drier already. */
  ironHours: number | null;
  /** How musty it is now, and will have become when it is dry. */
  mustyNow: number;
  musty: number;
}
export interface Forecast {
  pieces: PieceForecast[];
  peakHumidity: number;
  /** Hours of room air over 70 %: from four on walls suffer too. */
  mouldHours: number;
}
export const mouldWarningH = 4;
/** From here on a piece may smell, from one on it is washed again. */
export const maysmellFrom = 0.5;
export const washAgainFrom = 1;

/** The neighbour that leaves a piece least air: on the same place, on a bar beside its own, over the same stretch. */
function gapOf(piece: HangingPiece, all: readonly HangingPiece[]): number {
  if (piece.placement.position !== 'bars' || piece.placement.spots.length === 0) return freeGapMm;
  const overlap = (a: Spot, b: Spot): boolean => a.atM < b.atM + b.widthM - 1e-9 && b.atM < a.atM + a.widthM - 1e-9;
  const thick = (p: HangingPiece): number => kindFacts(p.profile.garment.kind).thicknessMm;
  let gap = freeGapMm;
  for (const other of all)
    if (other.placement.place === piece.placement.place)
      for (const mine of piece.placement.spots)
        for (const its of other.placement.spots)
          if (
            mine !== its &&
            overlap(mine, its) &&
            (its.bar === mine.bar + mine.bars || its.bar + its.bars === mine.bar)
          )
            gap = Math.min(gap, gapBetweenMm(usualPitchMm, thick(piece), thick(other)));
  return gap;
}

const hour = 3_600_000;
const placeOf = (s: Surroundings, id: string | null): DryingPlace | null =>
  s.household.dryingPlaces.find((d) => d.id === id) ?? null;

function itemOf(piece: HangingPiece, all: readonly HangingPiece[], s: Surroundings, startMs: number): DryingItem {
  const { profile: p, placement } = piece;
  const place = placeOf(s, placement.place);
  const flat = placement.position === 'flat';
  const heap = piece.hungMs === null || place === null;
  const press = pressPlan(p);
  return {
    kind: p.garment.kind,
    fibre: p.fibre,
    x0: piece.moisture,
    layout: heap ? 'heap' : layoutFor(placement.position, barsEachOf(p, s.household.rules)),
    count: p.garment.count,
    towelG: flat && !heap ? towelUnderG : 0,
    swapH: turnEveryH,
    turned: true,
    sunWPerM2: place?.sun === true && place.outdoors && !wantsShade(p) ? sunWPerM2 : 0,
    absorptivity: absorptivity[p.history.colour.class as keyof typeof absorptivity] ?? absorptivity.mid,
    fromH: Math.max(0, (Math.max(piece.atMs, piece.hungMs ?? piece.atMs) - startMs) / hour),
    gapMm: gapOf(piece, all),
    slowness: s.slowness.get(placement.place ?? '') ?? 1,
    outdoors: place?.outdoors ?? false,
    ...(press ? { dampForIron: ironDampOf(p.fibre) } : {}),
  };
}
function roomOf(s: Surroundings, startMs: number, fromNow: boolean): DryingRoom {
  const { room } = s.household;
  return {
    temperatureC: s.roomNow?.temperatureC ?? room.temperatureC,
    humidity: room.relativeHumidity,
    airSpeedMPerS: s.air === 'fan' ? Math.max(fanMPerS, room.airSpeedMPerS) : room.airSpeedMPerS,
    gapMm: roomGapMm,
    volumeM3: room.volumeM3,
    airChangesPerH: s.air === 'window' ? Math.max(windowChangesPerH, room.airChangesPerHour) : room.airChangesPerHour,
    dehumidifierLPerDay: s.air === 'dehumidifier' ? dehumidifierLPerDay : 0,
    dehumidifierSet,
    ...(fromNow && s.roomNow ? { startHumidity: s.roomNow.humidity } : {}),
    outdoors: (h) => s.outdoorAt(startMs + h * hour),
  };
}

/**
 * First what has dried since each piece was last known, then what is still to come. A piece without a place lies in a heap, and hardly dries.
 */
export function forecastDrying(pieces: readonly HangingPiece[], s: Surroundings): Forecast {
  if (pieces.length === 0) return { pieces: [], peakHumidity: s.household.room.relativeHumidity, mouldHours: 0 };
  const startMs = Math.min(s.nowMs, ...pieces.map((p) => p.atMs));
  const sinceH = (s.nowMs - startMs) / hour;
  const past = courseOfDrying(
    pieces.map((p) => itemOf(p, pieces, s, startMs)),
    roomOf(s, startMs, false),
    sinceH,
  );
  const today = pieces.map((p, i) => ({ ...p, moisture: past.moisture[i] ?? p.moisture, atMs: s.nowMs }));
  const ahead = courseOfDrying(
    today.map((p) => itemOf(p, today, s, s.nowMs)),
    roomOf(s, s.nowMs, true),
  );
  const celsius = s.roomNow?.temperatureC ?? s.household.room.temperatureC;
  return {
    pieces: pieces.map((p, i): PieceForecast => {
      const likely = ahead.hours[i] ?? null;
      const where: DampPlace = p.hungMs === null || p.placement.place === null ? 'heap' : 'rack';
      const smell = (h: number): number => mustyIndex(h, celsius, where, p.profile.fibre);
      const dampSoFar = Math.max(0, Math.min(past.dampHours[i] ?? 0, (s.nowMs - p.atMs) / hour));
      const mustyNow = p.musty + smell(dampSoFar);
      return {
        id: p.id,
        moisture: today[i]?.moisture ?? p.moisture,
        hours: likely === null ? null : { low: likely * dryingRange.low, likely, high: likely * dryingRange.high },
        ironHours: ahead.ironHours[i] ?? null,
        mustyNow,
        musty: mustyNow + smell(ahead.dampHours[i] ?? 0),
      };
    }),
    peakHumidity: ahead.peakHumidity,
    mouldHours: ahead.mouldHours,
  };
}

const halvings = 12;
/**
 * Hours on its place in which the model, without anything learnt, dries a piece to a moisture: against the hours it really took, a weighing teaches the place.
 * null = it would not get so dry.
 */
export function hoursToMoisture(
  pieces: readonly HangingPiece[],
  id: string,
  moisture: number,
  s: Surroundings,
): number | null {
  const book: Surroundings = { ...s, slowness: new Map() };
  const startMs = Math.min(s.nowMs, ...pieces.map((p) => p.atMs));
  const items = pieces.map((p) => itemOf(p, pieces, book, startMs));
  const index = pieces.findIndex((p) => p.id === id);
  const after = (h: number): number => courseOfDrying(items, roomOf(book, startMs, false), h).moisture[index] ?? 0;
  const fromH = items[index]?.fromH ?? 0;
  let low = fromH;
  let high = Math.max(longestAskedH, fromH);
  if (index < 0 || after(high) > moisture) return null;
  for (let k = 0; k < halvings; k++) {
    const mid = (low + high) / 2;
    if (after(mid) > moisture) low = mid;
    else high = mid;
  }
  return high - fromH;
}
const longestAskedH = 96;

/** Minutes until what came hot out of a dryer, or off the iron, can be judged. */
export const judgeAfterMin = (clothC: number, roomC: number): number => Math.ceil(coolingWaitMin(clothC, roomC));
