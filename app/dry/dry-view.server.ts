/** The drying places as the screen draws them: what hangs where, when it is dry, what the hands do next, what a move or a window would change. */
import { scaldingFromC } from '@core/run/trouble.ts';
import { dryPositions, type DryPosition } from '@core/envelope/envelope.ts';
import { barsUsed, flatAreaM2, type Spot } from '@core/drying/spaces.ts';
import {
  judgeAfterMin,
  airChoices,
  forecastDrying,
  maysmellFrom,
  mouldWarningH,
  washAgainFrom,
  type AirChoice,
  type Forecast,
  type PieceForecast,
} from '@core/rack/forecast.ts';
import { hangAt, needOf, whyNotAt } from '@core/rack/hang.ts';
import { hangHelpsOf } from '@core/rack/helps.ts';
import { remindersOf, usualQuiet, type QuietHours, type RackTask } from '@core/rack/reminders.ts';
import { thickPlacesOf } from '@core/rack/dry-check.ts';
import { clothOutC, isFull } from '@core/rack/dryer.ts';
import type { DryingPlace } from '@core/model/household.ts';
import { mustyHoursIn } from '@core/drying/moisture.ts';
import { listed } from '@words/text.ts';
import { airWords, helpWords, positionWords, stayOutWords, taskWords, thickWords } from '@words/en/rack.ts';
import { readRack, spacesOf, type Rack, type WetPiece } from '@data/rack.ts';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { drawingOf } from '../shared/drawing.ts';
import { clockText, durationText, money, numberWord, shortDay, weekday } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';
import type { DrawingId } from '../ui/drawing/drawings.ts';
import { dryerRuns } from './rack.server.ts';

export interface HungView {
  id: string;
  name: string;
  cloth: ClothView;
  drawing: DrawingId;
  spots: Spot[];
  count: number;
  /** Not hung yet: this is where it would go. */
  wished: boolean;
  /** "15:10" or "not here"; empty where nobody says. */
  ready: string;
}
export interface PlaceView {
  id: string;
  name: string;
  outdoors: boolean;
  bars: number;
  barLengthM: number;
  fill: string;
  onBars: HungView[];
  flat: { m2: number; usedM2: number; pieces: HungView[] };
  hangers: { count: number; pieces: HungView[] };
}
export interface WhenView {
  id: string;
  name: string;
  cloth: ClothView;
  how: string;
  /** Hours from now; null = it does not get dry there. */
  low: number | null;
  high: number | null;
  words: string;
}
export interface ChosenView {
  id: string;
  name: string;
  cloth: ClothView;
  state: string;
  hung: boolean;
  flat: boolean;
  helps: string[];
  thick: string;
  hot: string | null;
  marked: boolean;
  looksHref: string;
  /** Bars above and below, for the arrow keys. */
  bar: number | null;
  place: string | null;
  position: DryPosition;
  options: { place: string; position: DryPosition; words: string; hours: string; better: boolean; here: boolean }[];
  refused: string[];
  scale: string;
}
export interface DryView {
  title: string;
  lead: string;
  empty: boolean;
  toHang: string[];
  /** Hung, with their time up: felt together. */
  due: string[];
  places: PlaceView[];
  without: WhenView[];
  when: WhenView[];
  axis: { hours: number; ticks: { at: number; words: string }[] };
  /** Hours until wet cloth in a heap begins to smell. */
  heapHours: number;
  reminders: { task: RackTask; at: string; words: string; names: string; pieces: string[]; turns: boolean }[];
  air: { now: string; choices: { id: AirChoice; words: string; effect: string; chosen: boolean }[] };
  warnings: { id: string; text: string }[];
  dryers: {
    proposals: DryerProposal[];
    running: { id: string; name: string; pieces: string[]; startedAt: number; endsAt: number; cool: string }[];
  };
  learnt: string[];
  chosen: ChosenView | null;
  dryCount: number;
  serverNow: number;
}
export interface DryerProposal {
  dryer: string;
  name: string;
  pieces: string[];
  facts: string;
  setting: string;
  full: boolean;
  out: string[];
}

const hourMs = 3_600_000;
const wear = (p: WetPiece): string => p.piece.row.name;

/** An estimate hours ahead is told to the half hour, a near one to five minutes. */
const rounded = (at: Date, now: Date): Date => {
  const step = at.getTime() - now.getTime() > 3 * hourMs ? 30 : 5;
  return new Date(Math.round(at.getTime() / (step * 60_000)) * step * 60_000);
};
/** "", "tomorrow", "on Sunday". */
function dayWord(at: Date, now: Date, timeZone: string): string {
  const day = shortDay(at, timeZone);
  if (day === shortDay(now, timeZone)) return '';
  return day === shortDay(new Date(now.getTime() + 24 * hourMs), timeZone) ? 'tomorrow' : `on ${weekday(at, timeZone)}`;
}
function clockOr(exact: Date, now: Date, timeZone: string): string {
  const at = rounded(exact, now);
  return [clockText(at, timeZone), dayWord(at, now, timeZone)].filter(Boolean).join(' ');
}
function between(from: Date, to: Date, now: Date, timeZone: string): string {
  const [a, b] = [rounded(from, now), rounded(to, now)];
  return dayWord(a, now, timeZone) === dayWord(b, now, timeZone)
    ? `${clockText(a, timeZone)} to ${clockOr(to, now, timeZone)}`
    : `${clockOr(from, now, timeZone)} to ${clockOr(to, now, timeZone)}`;
}

export async function dryView(scope: Scope, chosenId: string): Promise<DryView | null> {
  const { tx, now } = scope;
  const rack = await readRack(tx, now);
  if (!rack) return null;
  const { timeZone } = rack.view;
  const at = (hours: number): Date => new Date(now.getTime() + hours * hourMs);
  const range = (h: { low: number; high: number }): string => between(at(h.low), at(h.high), now, timeZone);
  const moment = (hours: number): string => clockOr(new Date(now.getTime() + hours * hourMs), now, timeZone);
  // What is not hung yet is shown as if it were hung now.
  const asHung = rack.drying
    .filter((p) => !p.forDryer)
    .map((p) => (p.hungMs === null && p.placement.place !== null ? { ...p, hungMs: now.getTime() } : p));
  const forecast = forecastDrying(asHung, rack.surroundings);
  const of = new Map(forecast.pieces.map((f) => [f.id, f] as const));
  const when = asHung
    .map((p) => whenView(p, of.get(p.id), rack, range))
    .sort((a, b) => (a.high ?? 1e9) - (b.high ?? 1e9) || a.name.localeCompare(b.name));
  const toHang = rack.drying.filter((p) => p.hungMs === null && !p.forDryer && p.placement.place !== null);
  const due = rack.drying.filter((p) => p.hungMs !== null && (of.get(p.id)?.hours?.likely ?? 1) <= 0);
  const last = Math.max(0, ...when.flatMap((w) => w.high ?? []));
  const spaces = spacesOf(rack.drying, rack.household);
  const chosen = rack.drying.find((p) => p.id === chosenId);
  return {
    title:
      rack.drying.length === 0
        ? 'Nothing is drying'
        : `${numberWord(rack.drying.length)} ${rack.drying.length === 1 ? 'piece is' : 'pieces are'} drying`,
    lead: leadText(when, toHang.length),
    empty: rack.drying.length + rack.dryers.length === 0,
    toHang: toHang.map((p) => p.id),
    due: due.map((p) => p.id),
    places: rack.household.dryingPlaces.map((place) => placeView(place, rack, asHung, of, moment)),
    without: when.filter((w) => asHung.some((p) => p.id === w.id && p.placement.place === null)),
    when,
    axis: axisOf(Math.max(4, last), now, timeZone),
    heapHours: Math.round(mustyHoursIn('heap', rack.household.room.temperatureC)),
    reminders: reminders(rack, of, now),
    air: airView(rack, asHung, forecast, moment),
    warnings: warningsOf(rack, forecast),
    dryers: dryersView(rack),
    learnt: rack.household.dryingPlaces.flatMap((place) => {
      const slowness = rack.surroundings.slowness.get(place.id) ?? 1;
      if (Math.abs(slowness - 1) < 0.03) return [];
      const percent = Math.round(Math.abs(slowness - 1) * 100);
      return [`${place.name} dries ${percent} % ${slowness > 1 ? 'slower' : 'faster'} than reckoned: it counts.`];
    }),
    chosen: chosen ? chosenView(chosen, rack, asHung, of, spaces, moment, now) : null,
    dryCount: rack.dry.length,
    serverNow: now.getTime(),
  };
}

const rangeWords = (h: { low: number; high: number }): string =>
  h.high < 1
    ? 'within the hour'
    : h.high < 3
      ? `${durationText(h.low * 60)} to ${durationText(h.high * 60)}`
      : `${Math.max(1, Math.round(h.low))} to ${Math.round(h.high)} h`;

function whenView(
  p: WetPiece,
  f: PieceForecast | undefined,
  rack: Rack,
  range: (h: { low: number; high: number }) => string,
): WhenView {
  const bars = p.placement.spots[0]?.bars ?? 0;
  const place = rack.household.dryingPlaces.find((d) => d.id === p.placement.place);
  const how =
    place === undefined
      ? 'waits wet: no place'
      : `${p.placement.position === 'bars' && bars > 1 ? `over ${bars} bars` : positionWords[p.placement.position]}`;
  const hours = f?.hours ?? null;
  return {
    id: p.id,
    name: wear(p),
    cloth: clothOf(p.piece.row),
    how,
    low: hours?.low ?? null,
    high: hours?.high ?? null,
    words: hours === null ? 'does not get dry there' : hours.likely <= 0 ? 'should be dry: feel it' : range(hours),
  };
}
function leadText(when: readonly WhenView[], toHang: number): string {
  const [first] = when;
  const last = when.at(-1);
  const parts = [
    toHang > 0
      ? `${numberWord(toHang)} ${toHang === 1 ? 'waits' : 'wait'} to be hung up, drawn where ${toHang === 1 ? 'it fits' : 'they fit'}.`
      : '',
    first && last && first.low !== null && when.length > 1
      ? `${first.name} first, ${first.words}; ${last.name} last, ${last.words}.`
      : first
        ? `${first.name}: ${first.words}.`
        : '',
  ];
  return parts.filter(Boolean).join(' ');
}
function axisOf(hours: number, now: Date, timeZone: string): DryView['axis'] {
  const step = hours <= 8 ? 2 : hours <= 16 ? 4 : hours <= 36 ? 8 : 24;
  const ticks: DryView['axis']['ticks'] = [];
  const next = Math.ceil(now.getTime() / hourMs) * hourMs;
  for (let at = next; at <= now.getTime() + hours * hourMs; at += hourMs) {
    const clock = clockText(new Date(at), timeZone);
    if (Number(clock.slice(0, 2)) % step === 0)
      ticks.push({ at: (at - now.getTime()) / hourMs, words: clock.slice(0, 2) });
  }
  return { hours, ticks };
}

function hungView(
  p: WetPiece,
  rack: Rack,
  of: ReadonlyMap<string, PieceForecast>,
  moment: (h: number) => string,
): HungView {
  const hours = of.get(p.id)?.hours ?? null;
  return {
    id: p.id,
    name: wear(p),
    cloth: clothOf(p.piece.row),
    drawing: drawingOf(p.profile.garment.kind),
    spots: p.placement.spots,
    count: p.profile.garment.count,
    wished: rack.drying.find((x) => x.id === p.id)?.hungMs === null,
    ready: hours === null ? 'not dry here' : hours.likely <= 0 ? 'feel it' : moment(hours.likely),
  };
}
function placeView(
  place: DryingPlace,
  rack: Rack,
  pieces: readonly WetPiece[],
  of: ReadonlyMap<string, PieceForecast>,
  moment: (h: number) => string,
): PlaceView {
  const here = pieces.filter((p) => p.placement.place === place.id);
  const view = (list: readonly WetPiece[]): HungView[] => list.map((p) => hungView(p, rack, of, moment));
  const onBars = here.filter((p) => p.placement.spots.length > 0);
  const flat = here.filter((p) => p.placement.position === 'flat');
  const hangers = here.filter((p) => p.placement.position === 'hanger');
  const usedM2 = flat.reduce((m, p) => m + flatAreaM2(needOf(p.profile, p.moisture, rack.household.rules)), 0);
  const used = barsUsed(onBars.flatMap((p) => p.placement.spots));
  const parts = [
    place.bars > 0 ? `${used} of ${place.bars} bars` : '',
    place.flatM2 > 0 ? `${usedM2.toFixed(1)} of ${place.flatM2.toFixed(1)} m² flat` : '',
    place.hangers > 0 ? `${hangers.reduce((n, p) => n + p.profile.garment.count, 0)} of ${place.hangers} hangers` : '',
  ];
  return {
    id: place.id,
    name: place.name,
    outdoors: place.outdoors,
    bars: Math.floor(place.bars),
    barLengthM: place.barLengthM,
    fill: parts.filter(Boolean).join(', '),
    onBars: view(onBars),
    flat: { m2: place.flatM2, usedM2, pieces: view(flat) },
    hangers: { count: place.hangers, pieces: view(hangers) },
  };
}

/** What one word answers: it was turned, or fluffed. */
const turning: readonly RackTask[] = ['turn-flat', 'turn-fold', 'fluff-again'];
function reminders(rack: Rack, of: ReadonlyMap<string, PieceForecast>, now: Date): DryView['reminders'] {
  const names = new Map(rack.drying.map((p) => [p.id, wear(p)]));
  const soon = Array.from({ length: 24 }, (_, i) => now.getTime() + i * hourMs).find(
    (ms) => rack.surroundings.outdoorAt(ms).wet,
  );
  const list = remindersOf(
    rack.drying
      .filter((p) => !p.forDryer)
      .flatMap((p) => {
        const forecast = of.get(p.id);
        const outdoors = rack.household.dryingPlaces.some((d) => d.id === p.placement.place && d.outdoors);
        return forecast ? [{ ...p, forecast, outdoors, turnedMs: p.row.turnedAt?.getTime() ?? null }] : [];
      }),
    { nowMs: now.getTime(), quiet: quietOf(rack), ...rack.clock, takeInMs: soon ?? null },
  );
  return list.map((r) => ({
    task: r.task,
    at: r.atMs <= now.getTime() ? 'now' : clockOr(new Date(r.atMs), now, rack.view.timeZone),
    words: taskWords[r.task],
    names: listed(r.pieces.map((id) => names.get(id) ?? '')),
    pieces: r.pieces,
    turns: turning.includes(r.task),
  }));
}
const clockHours = (text: string): number => Number(text.slice(0, 2)) + Number(text.slice(3, 5)) / 60;
function quietOf(rack: Rack): QuietHours {
  const said = rack.view.document.times?.quietHours ?? [];
  return said.length > 0 ? said.map(([from, to]) => [clockHours(from), clockHours(to)]) : usualQuiet;
}

function airView(
  rack: Rack,
  pieces: readonly WetPiece[],
  asItIs: Forecast,
  moment: (h: number) => string,
): DryView['air'] {
  const { roomNow } = rack.surroundings;
  const { room } = rack.household;
  const lastOf = (f: Forecast): number => Math.max(0, ...f.pieces.map((p) => p.hours?.likely ?? 0));
  const air = rack.surroundings.air;
  return {
    now: roomNow
      ? `${roomNow.temperatureC.toFixed(0)} °C and ${Math.round(roomNow.humidity * 100)} % by the sensor`
      : `${room.temperatureC} °C and ${Math.round(room.relativeHumidity * 100)} %, as the household says`,
    choices: airChoices.map((id) => {
      const f = id === air ? asItIs : forecastDrying(pieces, { ...rack.surroundings, air: id });
      const some = f.pieces.length > 0;
      return {
        id,
        words: airWords[id],
        chosen: id === air,
        effect: some ? `last dry about ${moment(lastOf(f))}, air up to ${Math.round(f.peakHumidity * 100)} %` : '',
      };
    }),
  };
}
function warningsOf(rack: Rack, f: Forecast): DryView['warnings'] {
  const names = (list: readonly PieceForecast[]): string =>
    listed(list.map((x) => wear(rack.drying.find((p) => p.id === x.id) as WetPiece)));
  const again = f.pieces.filter((p) => p.mustyNow >= washAgainFrom);
  const risk = f.pieces.filter((p) => p.musty >= maysmellFrom && p.mustyNow < washAgainFrom);
  return [
    again.length > 0
      ? { id: 'again', text: `${names(again)} lay wet too long and will smell: wash again before drying.` }
      : null,
    risk.length > 0
      ? {
          id: 'musty',
          text: `${names(risk)} may turn musty before dry: more air, a free bar on both sides, or a warmer place.`,
        }
      : null,
    f.mouldHours > mouldWarningH
      ? {
          id: 'mould',
          text: `The room stands over 70 % for about ${Math.round(f.mouldHours)} h: walls suffer too. Open a window, use a dehumidifier, or hang less at once.`,
        }
      : null,
  ].filter((w) => w !== null);
}

function dryersView(rack: Rack): DryView['dryers'] {
  const names = new Map(rack.drying.map((p) => [p.id, wear(p)]));
  const currency = rack.household.tariff.currency;
  const proposals = dryerRuns(rack).map((r): DryerProposal => ({
    dryer: r.dryer.id,
    name: r.dryer.name,
    pieces: r.pieces.map((id) => names.get(id) ?? ''),
    facts: `${r.massKg.toFixed(1)} kg, about ${durationText(r.minutes)}, ${r.energyKwh.toFixed(1)} kWh, ${money(r.cost, currency)}`,
    setting: r.low ? 'Low heat, cupboard dry, cool-down on' : 'Normal heat, cupboard dry, cool-down on',
    full: isFull(r),
    out: [
      ...r.out.map((o) => `${names.get(o.id) ?? ''}: ${stayOutWords[o.why]}`),
      ...rack.drying
        .filter((p) => !p.forDryer && p.hungMs === null && p.profile.values.tumble === 'none')
        .map((p) => `${wear(p)}: ${stayOutWords[p.marked ? 'mark' : 'label-or-cloth']}`),
    ],
  }));
  return {
    proposals,
    running: rack.dryers.map((d) => {
      const clothC = d.low ? clothOutC.low : clothOutC.normal;
      return {
        id: d.id,
        name: rack.household.dryers.find((x) => x.id === d.dryer)?.name ?? 'Dryer',
        pieces: d.pieces.map((id) => pieceName(rack, id)),
        startedAt: d.startedAt.getTime(),
        endsAt: d.endsAt.getTime(),
        cool: `Hot cloth feels drier than it is: fold it at once, and feel the thickest seam again after ${judgeAfterMin(clothC, rack.household.room.temperatureC)} minutes. ${clothC >= scaldingFromC ? 'Buttons and zips burn.' : ''}`,
      };
    }),
  };
}
const pieceName = (rack: Rack, id: string): string =>
  [...rack.tumbling, ...rack.dry].find((p) => p.id === id)?.piece.row.name ?? 'a piece that is gone';

function chosenView(
  p: WetPiece,
  rack: Rack,
  asHung: readonly WetPiece[],
  of: ReadonlyMap<string, PieceForecast>,
  spaces: ReturnType<typeof spacesOf>,
  moment: (h: number) => string,
  now: Date,
): ChosenView {
  const f = of.get(p.id);
  const others = rack.drying.filter((x) => x.id !== p.id && !x.forDryer);
  const likelyAt = (place: string, position: DryPosition): number | null | string => {
    const space = spacesOf(others, rack.household).find((s) => s.place.id === place);
    if (!space) return 'not-there';
    const placed = hangAt(p.profile, p.moisture, space, position, rack.house);
    if (typeof placed === 'string') return placed;
    const moved = asHung
      .filter((x) => x.id !== p.id)
      .concat([{ ...p, placement: placed, hungMs: p.hungMs ?? now.getTime() }]);
    return forecastDrying(moved, rack.surroundings).pieces.at(-1)?.hours?.likely ?? null;
  };
  const hereH = f?.hours?.likely ?? null;
  const options: ChosenView['options'] = [];
  const refused = new Set<string>();
  for (const { place } of spaces)
    for (const position of dryPositions) {
      if (whyNotAt(p.profile, place, position) !== null) continue;
      const here = p.placement.place === place.id && p.placement.position === position;
      const likely = here ? hereH : likelyAt(place.id, position);
      if (typeof likely === 'string') {
        refused.add(`${place.name}, ${positionWords[position]}: no room.`);
        continue;
      }
      options.push({
        place: place.id,
        position,
        words: `${place.name}, ${positionWords[position]}`,
        hours: likely === null ? 'does not get dry' : likely <= 0 ? 'dry' : `about ${moment(likely)}`,
        better: likely !== null && hereH !== null && likely < hereH - 0.5,
        here,
      });
    }
  const [spot] = p.placement.spots;
  const weighedAgo = p.row.weighedAt ? Math.round((now.getTime() - p.row.weighedAt.getTime()) / 60_000) : null;
  return {
    id: p.id,
    name: wear(p),
    cloth: clothOf(p.piece.row),
    state:
      f === undefined
        ? 'for the dryer'
        : `${f.hours === null ? 'does not get dry there' : f.hours.likely <= 0 ? 'should be dry' : rangeWords(f.hours)}; holds about ${Math.round(f.moisture * p.profile.massKg * 1000)} g of water`,
    hung: p.hungMs !== null,
    flat: p.placement.position === 'flat',
    helps: hangHelpsOf(p.profile, p.placement.position).map((h) => helpWords[h]),
    thick: listed(thickPlacesOf(p.profile).map((t) => thickWords[t])),
    hot: p.row.hotC === null ? null : 'It came hot out of the dryer: let it cool before you judge.',
    marked: p.marked,
    looksHref: `/loads/${p.row.loadId}/inspect`,
    bar: spot?.bar ?? null,
    place: p.placement.place,
    position: p.placement.position,
    options,
    refused: [...refused],
    scale:
      p.row.weighedG === null || weighedAgo === null
        ? p.profile.garment.weighedDryMassG === null
          ? `Its dry mass is an estimate (${Math.round(p.profile.massKg * 1000)} g): weigh it twice, three quarters of an hour apart.`
          : `Dry it weighs ${p.profile.garment.weighedDryMassG} g.`
        : `${Math.round(p.row.weighedG)} g, ${weighedAgo} min ago.`,
  };
}
