/** The day of a household now: its loads and its pieces, what has happened of them, what was said of its hours, and the timetable that follows. */
import { createHash } from 'node:crypto';
import type { Household, Span } from '@core/model/household.ts';
import type { TaskProgress, Timetable } from '@core/model/timetable.ts';
import { promisedStarts } from '@core/timetable/moved.ts';
import { realityOf, type LoadReality, type PieceReality } from '@core/timetable/reality.ts';
import type { DayAim, TimetableRequest } from '@core/timetable/timetable.ts';
import type { LoadToDo, PieceToDo } from '@core/timetable/work.ts';
import { isoInZone } from '@formats/dates.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import {
  loadsOfDay,
  promiseOfDay,
  treatedSince,
  wishesOf,
  type DayLoadRow,
  type DayPromise,
  type DayWish,
} from '@data/day.ts';
import { listPieces, peopleOf } from '@data/garments.ts';
import { readHousehold, type HouseholdView } from '@data/household.ts';
import { outdoorsBy } from '@data/rack.ts';
import { piecesInSoaks } from '@data/treatments.ts';
import { listWet, runningDryers, weatherFrom } from '@data/wet.ts';
import { openLooks } from '../wash/after-view.server.ts';
import { hoursInPool } from '../server/pool.server.ts';
import type { Scope } from '../server/request.server.ts';

export interface DayLoad {
  /** As the timetable calls it. */
  key: string;
  row: DayLoadRow;
  load: LoadToDo;
  garments: GarmentDocument[];
}
export interface Day {
  view: HouseholdView;
  household: Household;
  loads: DayLoad[];
  /** Documents of all pieces the day is about. */
  pieces: Map<string, GarmentDocument>;
  wishes: DayWish[];
  promise: DayPromise | null;
  people: string[];
  progress: TaskProgress[];
  request: Omit<TimetableRequest, 'clock' | 'aim'>;
  /** Something was sorted at all. */
  planned: boolean;
}
const minuteMs = 60_000;
const hourMs = 60 * minuteMs;
/** Days for which the weather outdoors is looked at. */
const outdoorDays = 8;

const keyOf = (row: DayLoadRow, id: string): string => (row.ofThePlan ? id : `${id}-${row.id.slice(0, 8)}`);

/** Stretches in which nothing outdoors gets wet again, hour by hour. */
function dryOutdoors(wetAt: (ms: number) => boolean, nowMs: number): Span[] {
  const out: Span[] = [];
  const first = Math.floor(nowMs / hourMs) * hourMs;
  for (let ms = first; ms < first + outdoorDays * 24 * hourMs; ms += hourMs) {
    if (wetAt(ms)) continue;
    const last = out.at(-1);
    if (last?.toMs === ms) last.toMs = ms + hourMs;
    else out.push({ fromMs: ms, toMs: ms + hourMs });
  }
  return out;
}

/** null = there is no household. */
export async function readDay(scope: Scope): Promise<Day | null> {
  const { tx } = scope;
  const view = await readHousehold(tx);
  if (!view) return null;
  // To the minute, so that two looks within one show the same hours.
  const nowMs = Math.floor(scope.now.getTime() / minuteMs) * minuteMs;
  const household = householdOf(view.document);
  const stored = await loadsOfDay(tx);
  const wishes = await wishesOf(tx);
  const here = new Map((await listPieces(tx)).map((p) => [p.row.id, p] as const));
  const wet = new Map((await listWet(tx)).map((w) => [w.garmentId, w] as const));
  const soaking = new Set((await piecesInSoaks(tx)).map((p) => p.garmentId));
  const dryers = await runningDryers(tx);
  const looks = new Set((await openLooks(scope)).map((l) => l.id));
  const newest = stored.newest ? stored.plans.get(stored.newest) : undefined;
  const treated = await treatedSince(tx, newest?.createdAt ?? scope.now);
  const skipped = new Set(wishes.flatMap((w) => (w.kind === 'skip' && w.loadId ? [w.loadId] : [])));

  // What hangs already takes its stretches of the bars: others may hang beside it.
  const shares = new Map<string, number>();
  for (const w of wet.values()) {
    const lengthM = household.dryingPlaces.find((d) => d.id === w.place)?.barLengthM;
    if (lengthM === undefined) continue;
    shares.set(
      w.garmentId,
      w.spots.reduce((m, s) => m + (s.bars * s.widthM) / Math.max(lengthM, s.widthM), 0),
    );
  }

  const loads: DayLoad[] = [];
  const realities: LoadReality[] = [];
  const pieceRealities: PieceReality[] = [];
  const planned: PieceToDo[] = [];
  const pieces = new Map<string, GarmentDocument>();
  for (const row of stored.loads) {
    const plan = stored.plans.get(row.planId);
    const load = plan?.result.loads[row.number];
    if (!plan || !load || (row.status === 'planned' && skipped.has(row.id))) continue;
    const key = keyOf(row, load.id);
    const documents = load.garments.flatMap((id) => plan.hamper.garments.find((g) => g.id === id) ?? []);
    const own = documents.filter((g) => {
      if (!here.has(g.id)) return false;
      if (row.status === 'planned') return here.get(g.id)?.basket !== null && !soaking.has(g.id);
      return row.status === 'running' || row.ofThePlan || wet.get(g.id)?.loadId === row.id;
    });
    // Once a piece is on its way again, its earlier load has nothing to do with it.
    const mine = own.filter((g) => !pieces.has(g.id) || row.status !== 'finished');
    if (mine.length === 0) continue;
    for (const g of mine) pieces.set(g.id, g);
    const ids = new Set(mine.map((g) => g.id));
    loads.push({
      key,
      row,
      garments: mine,
      load: {
        ...load,
        id: key,
        garments: mine.map((g) => g.id),
        ...(load.reuses && row.ofThePlan ? { reuses: load.reuses } : {}),
      },
    });
    const marked = mine.filter((g) => (g.stains ?? []).length > 0);
    const done = marked.map((g) => treated.get(g.id)?.getTime() ?? null);
    realities.push({
      id: key,
      method: load.method,
      status: row.status,
      startedMs: row.startedAt?.getTime() ?? null,
      endsMs: row.endsAt?.getTime() ?? null,
      endedMs: row.measured ? Date.parse(row.measured.endedAt) : null,
      finishedMs: row.finishedAt?.getTime() ?? null,
      looked: !looks.has(row.id),
      marksMs: marked.length > 0 && done.every((d) => d !== null) ? Math.max(...done.map(Number)) : null,
    });
    for (const g of plan.result.garments) {
      if (!ids.has(g.id)) continue;
      const w = wet.get(g.id);
      const out = w?.loadId === row.id ? w : undefined;
      const place = household.dryingPlaces.find((d) => d.id === out?.place);
      const hangs = out?.position && place ? { method: out.position, place: place.id } : null;
      planned.push({
        id: g.id,
        outcome: 'wash',
        load: key,
        dry:
          hangs && place
            ? {
                ...(g.dry ?? { hours: 0, shade: false, awayFromHeat: false, flips: 0 }),
                ...hangs,
                bars: hangs.method === 'bars' ? (shares.get(g.id) ?? 0) : 0,
              }
            : g.dry,
        press: g.press,
      });
      const dryer = dryers.find((d) => d.pieces.includes(g.id));
      pieceRealities.push({
        garment: g.id,
        load: key,
        here: out !== undefined,
        tumbles: hangs === null && (g.dry?.method.startsWith('tumble') ?? false),
        tumbling: dryer ? { startedMs: dryer.startedAt.getTime(), endsMs: dryer.endsAt.getTime() } : null,
        hungMs: out?.hungAt?.getTime() ?? null,
        expectedMs: out?.expectedAt?.getTime() ?? null,
        turnedMs: out?.turnedAt?.getTime() ?? null,
        dryMs: out?.dryAt?.getTime() ?? null,
        pressedMs: out?.pressedAt?.getTime() ?? null,
      });
    }
  }
  // What is not washed: as the newest plan says, as long as the piece lies in the basket.
  for (const g of newest?.result.garments ?? []) {
    const document = newest?.hamper.garments.find((x) => x.id === g.id);
    if (g.load !== null || !document || pieces.has(g.id) || here.get(g.id)?.basket === null || !here.has(g.id))
      continue;
    pieces.set(g.id, document);
    planned.push({ id: g.id, outcome: g.outcome, load: null, dry: null, press: null });
  }
  const progress = realityOf(realities, pieceRealities, nowMs).filter((p) => p.startedMs <= nowMs);
  const at = (w: DayWish): number => w.at?.getTime() ?? nowMs;
  const byRow = new Map(loads.map((l) => [l.row.id, l]));
  const wished = (kind: DayWish['kind']): DayWish[] => wishes.filter((w) => w.kind === kind);
  const begin = wished('not-before').find((w) => w.loadId === null);
  const notBefore = new Map<string, number>(begin ? loads.map((l) => [l.key, at(begin)]) : []);
  for (const w of wished('not-before')) {
    const load = w.loadId ? byRow.get(w.loadId) : undefined;
    if (load) notBefore.set(load.key, Math.max(at(w), notBefore.get(load.key) ?? 0));
  }
  const neededBy = new Map(
    wished('needed').flatMap((w) => {
      const load = w.loadId ? byRow.get(w.loadId) : undefined;
      return (load?.garments ?? []).map((g) => [g.id, at(w)] as const);
    }),
  );
  const wetAt = outdoorsBy(await weatherFrom(tx, scope.now), view.timeZone);
  const promise = await promiseOfDay(tx);
  const people = view.people && view.people.length > 0 ? view.people : await peopleOf(tx);
  return {
    view,
    household,
    loads,
    pieces,
    wishes,
    promise,
    people: Array.from({ length: household.times.people }, (_, i) => people[i] ?? `Person ${i + 1}`),
    progress,
    planned: stored.newest !== null,
    request: {
      household,
      garments: [...pieces.values()].map(garmentOf),
      now: isoInZone(new Date(nowMs), view.timeZone),
      loads: loads.map((l) => l.load),
      planned,
      progress,
      out: wished('out').map((w) => ({ person: w.person ?? 1, fromMs: at(w), toMs: w.until?.getTime() ?? at(w) })),
      outdoors: dryOutdoors((ms) => wetAt(ms).wet, nowMs),
      notBefore,
      neededBy,
      prefer: orderOf(promise),
      ...(promise ? { keep: promisedStarts(promise.tasks) } : {}),
      first: wished('first').flatMap((w) => byRow.get(w.loadId ?? '')?.key ?? []),
      hands: new Map(wished('hands').flatMap((w) => (w.task && w.person ? [[w.task, w.person] as const] : []))),
    },
  };
}
/** The order in which the loads were promised. */
const orderOf = (promise: DayPromise | null): string[] =>
  (promise?.tasks ?? []).flatMap((t) =>
    (t.kind === 'wash' || t.kind === 'hand-wash') && t.load !== null ? [t.load] : [],
  );

/** Timetables of late, by what they were made from: pages are looked at more often than something changes. */
const known = new Map<string, Promise<Timetable>>();
const mostKnown = 60;
const plain = (_key: string, value: unknown): unknown =>
  value instanceof Map || value instanceof Set ? [...value] : value;

/** The hours of a day; the same day within a minute is worked out once. */
export function hoursOf(day: Day, aim: DayAim): Promise<Timetable> {
  const task = { day: { ...day.request, aim }, timeZone: day.view.timeZone };
  const key = createHash('sha256').update(JSON.stringify(task, plain)).digest('hex');
  const found = known.get(key);
  if (found) return found;
  const fresh = hoursInPool(task);
  known.set(key, fresh);
  fresh.catch(() => known.delete(key));
  const [oldest] = known.keys();
  if (known.size > mostKnown && oldest !== undefined) known.delete(oldest);
  return fresh;
}
