/** The rack as core asks for it: what is wet, where it hangs, in which air; and the few ways in which that changes. */
import { mustyIndex } from '../core/drying/moisture.ts';
import { outdoorAir, rainsFromMm, shelteredWindMPerS } from '../core/drying/weather.ts';
import { daylightOn } from '../core/drying/daylight.ts';
import type { OutdoorHour } from '../core/drying/room.ts';
import { Space } from '../core/drying/spaces.ts';
import type { DryPosition } from '../core/envelope/envelope.ts';
import type { Household } from '../core/model/household.ts';
import { moistureAtEnd } from '../core/piece/care-steps.ts';
import { profileOf, type Profile } from '../core/piece/profile.ts';
import { whyStaysOut } from '../core/rack/dryer.ts';
import { forecastDrying, type Forecast, type HangingPiece, type Surroundings } from '../core/rack/forecast.ts';
import {
  hangAt,
  hangUp,
  hoursAt,
  needOf,
  type Placement,
  type PlaceRefusal,
  type RackHouse,
} from '../core/rack/hang.ts';
import { isoInZone } from '../formats/dates.ts';
import { garmentOf, householdOf } from '../formats/hamper.ts';
import type { Transaction } from './client.ts';
import { listDevices, newestSample } from './devices.ts';
import { findingsOf, type Finding } from './findings.ts';
import { garmentDocument, listPieces, type Piece } from './garments.ts';
import { readSlowness } from './lessons.ts';
import { readHousehold, type HouseholdView } from './household.ts';
import { findLoad, type LoadView } from './loads.ts';
import {
  airNow,
  changeWet,
  listWet,
  putWet,
  runningDryers,
  weatherFrom,
  type DryerRunRow,
  type WeatherHour,
  type WetRow,
} from './wet.ts';

export interface WetPiece extends HangingPiece {
  row: WetRow;
  piece: Piece;
  load: LoadView;
  /** A mark that is not proven gone: no heat. */
  marked: boolean;
  /** The plan wants it in the dryer, and it may go. */
  forDryer: boolean;
}
export interface Rack {
  view: HouseholdView;
  household: Household;
  house: RackHouse;
  /** In the air: hanging, or waiting to be hung with the place proposed for it. */
  drying: WetPiece[];
  /** Felt dry: they wait for the iron or the cupboard. */
  dry: WetPiece[];
  dryers: DryerRunRow[];
  /** In a dryer just now. */
  tumbling: WetPiece[];
  surroundings: Surroundings;
  weather: WeatherHour[];
  clock: HouseholdClock;
}
export interface HouseholdClock {
  /** Clock hours at a moment, 0–24. */
  localHour: (ms: number) => number;
  monthOf: (ms: number) => number;
}
const hourMs = 3_600_000;

export function clockOf(timeZone: string): HouseholdClock {
  const known = new Map<number, [number, number]>();
  const at = (ms: number): [number, number] => {
    const minute = Math.floor(ms / 60_000);
    const found = known.get(minute);
    if (found) return found;
    const iso = isoInZone(new Date(ms), timeZone);
    const fresh: [number, number] = [
      Number(iso.slice(11, 13)) + Number(iso.slice(14, 16)) / 60,
      Number(iso.slice(5, 7)),
    ];
    known.set(minute, fresh);
    return fresh;
  };
  return { localHour: (ms) => at(ms)[0], monthOf: (ms) => at(ms)[1] };
}

/** The air out of doors at any hour: foretold, else a usual day of the month; by night dew falls. */
export function outdoorsBy(weather: readonly WeatherHour[], timeZone: string): (ms: number) => OutdoorHour {
  const clock = clockOf(timeZone);
  const foretold = new Map(weather.map((w) => [Math.floor(w.at.getTime() / hourMs), w]));
  const known = new Map<number, OutdoorHour>();
  return (ms) => {
    const hour = Math.floor(ms / hourMs);
    const found = known.get(hour);
    if (found) return found;
    const { fromH, toH } = daylightOn(clock.monthOf(hour * hourMs));
    const h = clock.localHour(hour * hourMs);
    const night = h < fromH || h >= toH;
    const told = foretold.get(hour);
    const usual = outdoorAir(isoInZone(new Date(hour * hourMs), timeZone));
    const fresh: OutdoorHour = {
      temperatureC: told?.temperatureC ?? usual.temperatureC,
      humidity: told?.humidity ?? usual.humidity,
      airSpeedMPerS: told?.windMPerS ?? shelteredWindMPerS,
      wet: night || (told?.rainMm ?? 0) >= rainsFromMm,
    };
    known.set(hour, fresh);
    return fresh;
  };
}

/** A sensor that has said nothing for so long is not asked. */
const sensorSilentMs = 2 * hourMs;
async function roomReading(tx: Transaction, now: Date): Promise<Surroundings['roomNow']> {
  for (const d of (await listDevices(tx)).filter((x) => x.kind === 'room')) {
    const said = await newestSample(tx, d.id);
    if (
      said &&
      said.temperatureC !== null &&
      said.humidity !== null &&
      now.getTime() - said.at.getTime() < sensorSilentMs
    )
      return { temperatureC: said.temperatureC, humidity: said.humidity };
  }
  return null;
}

/** Marks of the piece as it was washed that nobody has seen gone on dry cloth. */
function openMarks(load: LoadView, garmentId: string, answers: readonly Finding[]): boolean {
  const gone = new Set(answers.filter((f) => f.kind === 'mark-dry' && f.answer === 'gone').map((f) => f.look));
  const washed = load.hamper.garments.find((g) => g.id === garmentId);
  return (washed?.stains ?? []).some((s) => ![...gone].some((look) => look.endsWith(`/${garmentId}/${s.id}`)));
}

/** Everything between the water and the cupboard; null = there is no household. */
export async function readRack(tx: Transaction, now: Date): Promise<Rack | null> {
  const view = await readHousehold(tx);
  if (!view) return null;
  const household = householdOf(view.document);
  const rows = await listWet(tx);
  const pieces = new Map((await listPieces(tx)).map((p) => [p.row.id, p] as const));
  const loadIds = [...new Set(rows.map((r) => r.loadId))];
  const loads = new Map<string, LoadView>();
  for (const id of loadIds) {
    const load = await findLoad(tx, id);
    if (load) loads.set(id, load);
  }
  const answers = await findingsOf(tx, loadIds);
  const weather = await weatherFrom(tx, now);
  const surroundings: Surroundings = {
    household,
    nowMs: now.getTime(),
    roomNow: await roomReading(tx, now),
    air: await airNow(tx, now),
    outdoorAt: outdoorsBy(weather, view.timeZone),
    slowness: await readSlowness(tx, view.document),
  };
  const house: RackHouse = { household, outdoors: surroundings.outdoorAt(now.getTime()) };
  const dryers = await runningDryers(tx);
  const all = rows.flatMap((row): WetPiece[] => {
    const piece = pieces.get(row.garmentId);
    const load = loads.get(row.loadId);
    if (!piece || !load) return [];
    const washed = load.hamper.garments.find((g) => g.id === row.garmentId) ?? garmentDocument(piece, now);
    const marked = openMarks(load, row.garmentId, answers.get(row.loadId) ?? []);
    const whole = profileOf(garmentOf(washed), household.rules);
    // Proven gone, a mark forbids nothing any more; fuel does for ever.
    const profile: Profile =
      marked || whole.contamination === 'fuel'
        ? whole
        : profileOf(garmentOf({ ...washed, stains: [] }), household.rules);
    const planned = load.plan.garments.find((g) => g.id === row.garmentId)?.dry?.method ?? '';
    return [
      {
        id: row.garmentId,
        row,
        piece,
        load,
        profile,
        marked,
        moisture: row.moisture,
        atMs: row.moistureAt.getTime(),
        hungMs: row.hungAt?.getTime() ?? null,
        musty: row.musty,
        placement: { place: row.place, position: row.position ?? 'bars', spots: row.spots },
        forDryer:
          planned.startsWith('tumble') &&
          row.place === null &&
          whyStaysOut(profile, row.moisture, marked, household.rules) === null,
      },
    ];
  });
  const tumbling = new Set(dryers.flatMap((d) => d.pieces));
  const drying = all.filter((p) => p.row.dryAt === null && !tumbling.has(p.id));
  return {
    view,
    household,
    house,
    drying: withProposals(drying, household, house),
    dry: all.filter((p) => p.row.dryAt !== null),
    dryers,
    tumbling: all.filter((p) => p.row.dryAt === null && tumbling.has(p.id)),
    surroundings,
    weather,
    clock: clockOf(view.timeZone),
  };
}

/** The places as they are filled by what hangs, and by what is wished there. */
export function spacesOf(drying: readonly WetPiece[], household: Household): Space[] {
  const spaces = household.dryingPlaces.map((d) => new Space(d));
  for (const p of drying)
    if (p.placement.place !== null)
      spaces
        .find((s) => s.place.id === p.placement.place)
        ?.hold(p.placement.position, needOf(p.profile, p.moisture, household.rules), p.placement.spots);
  return spaces;
}
/** What hangs nowhere gets a place beside the rest: what dries longest first, for it wants the best. */
function withProposals(drying: readonly WetPiece[], household: Household, house: RackHouse): WetPiece[] {
  const spaces = spacesOf(drying, household);
  const usualH = (p: WetPiece): number => hoursAt(p.profile, p.moisture, p.placement.position, null, house) ?? 0;
  const proposed = new Map<string, Placement>();
  for (const p of [...drying]
    .filter((x) => x.placement.place === null && x.hungMs === null && !x.forDryer)
    .sort((a, b) => usualH(b) - usualH(a) || a.id.localeCompare(b.id)))
    proposed.set(p.id, hangUp(p.profile, p.moisture, spaces, house));
  // What was hung before anybody noted on which bars hangs where there is room.
  for (const p of drying) {
    const { place, position, spots } = p.placement;
    if (p.hungMs === null || place === null || spots.length > 0 || (position !== 'bars' && position !== 'line'))
      continue;
    const space = spaces.find((s) => s.place.id === place);
    const placed = space && hangAt(p.profile, p.moisture, space, position, house);
    if (placed && typeof placed !== 'string') proposed.set(p.id, placed);
  }
  return drying.map((p) => ({ ...p, placement: proposed.get(p.id) ?? p.placement }));
}

/** What has come out of a load, with the water its spin left and the hours it lay wet in the drum. */
export async function takenOut(tx: Transaction, householdId: string, load: LoadView, now: Date): Promise<void> {
  const household = householdOf(load.hamper.household);
  const { method, spinRpm, washer } = load.load;
  const drumRadiusM = household.washers.find((w) => w.id === washer)?.drumRadiusM ?? 0;
  const endedMs = load.measured ? Date.parse(load.measured.endedAt) : (load.endsAt?.getTime() ?? now.getTime());
  const lyingH = washer === null ? 0 : Math.max(0, (now.getTime() - endedMs) / hourMs);
  const here = new Map((await listPieces(tx)).map((p) => [p.row.id, p] as const));
  // What was put in after the start may be younger than the plan.
  const documents = load.load.garments.flatMap((id) => {
    const piece = here.get(id);
    return piece ? [load.hamper.garments.find((g) => g.id === id) ?? garmentDocument(piece, now)] : [];
  });
  await putWet(
    tx,
    householdId,
    documents.map((g) => {
      const profile = profileOf(garmentOf(g), household.rules);
      return {
        garmentId: g.id,
        loadId: load.id,
        outAt: now,
        moisture: moistureAtEnd(profile, { method, spinRpm, drumRadiusM }),
        musty: mustyIndex(lyingH, household.room.temperatureC, 'drum', profile.fibre),
      };
    }),
  );
}

/** Stores how wet each is now, before something changes for all of them. */
async function settle(tx: Transaction, rack: Rack, now: Date): Promise<void> {
  const { pieces } = forecastDrying(rack.drying, rack.surroundings);
  for (const f of pieces)
    await changeWet(tx, f.id, { moisture: f.moisture, moistureAt: now, musty: f.mustyNow }, 'wet');
}
/** After a change: when each should be dry now. */
export async function foretell(tx: Transaction, now: Date): Promise<Forecast | null> {
  const rack = await readRack(tx, now);
  if (!rack) return null;
  const hanging = rack.drying.filter((p) => p.hungMs !== null);
  const forecast = forecastDrying(hanging, rack.surroundings);
  for (const f of forecast.pieces)
    await changeWet(
      tx,
      f.id,
      { expectedAt: f.hours === null ? null : new Date(now.getTime() + f.hours.likely * hourMs) },
      'wet',
    );
  return forecast;
}
/** Changes something that concerns all that hangs (a window, a piece more): what has dried so far is kept. */
export async function changeRack(tx: Transaction, now: Date, change: (rack: Rack) => Promise<void>): Promise<void> {
  const rack = await readRack(tx, now);
  if (!rack) return;
  await settle(tx, rack, now);
  await change(rack);
  await foretell(tx, now);
}

/** What the model says of a piece at its place without anything learnt, in the air everything there shares, h. */
function modelHours(rack: Rack, piece: WetPiece, placement: Placement, now: Date): number | null {
  const here = rack.drying
    .filter((p) => p.hungMs !== null && p.id !== piece.id)
    .concat([{ ...piece, placement, hungMs: now.getTime(), atMs: now.getTime() }]);
  const f = forecastDrying(here, { ...rack.surroundings, slowness: new Map() });
  return f.pieces.at(-1)?.hours?.likely ?? null;
}
/** Up they go, as proposed or wished. Answers how many found a place. */
export async function hangAll(tx: Transaction, now: Date, garmentIds: readonly string[]): Promise<number> {
  let hung = 0;
  await changeRack(tx, now, async (rack) => {
    for (const p of rack.drying) {
      if (!garmentIds.includes(p.id) || p.hungMs !== null || p.placement.place === null) continue;
      const { place, position, spots } = p.placement;
      const change = { place, position, spots, hungAt: now, modelHours: modelHours(rack, p, p.placement, now) };
      if (await changeWet(tx, p.id, change, 'wet')) hung++;
    }
  });
  return hung;
}
/** To another place, position or bar; it says why not. What hangs goes on drying there from now. */
export async function moveTo(
  tx: Transaction,
  now: Date,
  garmentId: string,
  wish: { place: string; position: DryPosition; bar?: number },
): Promise<'moved' | 'not-here' | PlaceRefusal> {
  let answer: 'moved' | 'not-here' | PlaceRefusal = 'not-here';
  await changeRack(tx, now, async (rack) => {
    const piece = rack.drying.find((p) => p.id === garmentId);
    if (!piece) return;
    const others = rack.drying.filter((p) => p.id !== garmentId && (p.hungMs !== null || p.row.place !== null));
    const space = spacesOf(others, rack.household).find((s) => s.place.id === wish.place);
    if (!space) return void (answer = 'not-there');
    const placed = hangAt(piece.profile, piece.moisture, space, wish.position, rack.house, wish.bar);
    if (typeof placed === 'string') return void (answer = placed);
    const hangs = piece.hungMs !== null;
    await changeWet(
      tx,
      garmentId,
      { ...placed, ...(hangs ? { hungAt: now, modelHours: modelHours(rack, piece, placed, now) } : {}) },
      'wet',
    );
    answer = 'moved';
  });
  return answer;
}
