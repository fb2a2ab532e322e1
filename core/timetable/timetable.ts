/**
 * The wash day as a timetable: the loads of a plan get their hours, so that dates are kept first, then the day ends early, nobody is called more often than
 * need be, and current is cheap. Deterministic: the same request gives the same timetable.
 */
import type { Household, Span } from '../model/household.ts';
import { say } from '../message/message.ts';
import type { PlanWarning } from '../model/plan.ts';
import type { ResourceUse, TaskProgress, Timetable, TimetableTask } from '../model/timetable.ts';
import type { Priority } from '../cost/weights.ts';
import { ownAirMin, sharedAirMin, type HangingNow } from './air.ts';
import { lowerBoundMin } from './bound.ts';
import { calendarOf, fixedClock, type LocalClock } from './calendar.ts';
import { dryingTimeHours } from '../drying/drying.ts';
import { handOut } from './hand-out.ts';
import { withImplied } from './implied.ts';
import { emptyDay, firstFit, type Frame, type Happened, type PlacedBlock } from './day.ts';
import { better, search, searchBudget, type DateLook, type DayWeights, type Scored } from './search.ts';
import { workOf, type Block, type Step, type WorkRequest } from './work.ts';
import { theIron, type WrapTask } from './wrap.ts';

/** What a unit of money is worth in minutes, by the priority of the house. */
export const minutesPerMoney: Record<Priority, number> = { quick: 5, balanced: 15, gentle: 15, thrifty: 120 };
export const interruptionMin = 10;
/** Ways to order a day, besides the usual one. */
export const dayAims = ['usual', 'earliest', 'fewest-turns', 'cheapest'] as const;
export type DayAim = (typeof dayAims)[number];
/** One unit of money counts alike in every currency. */
export function weightsOf(aim: DayAim, priority: Priority): DayWeights {
  switch (aim) {
    case 'usual':
      return { interruptionMin, perMoney: minutesPerMoney[priority] };
    case 'earliest':
      return { interruptionMin: 0.01, perMoney: 0.01 };
    case 'fewest-turns':
      return { interruptionMin: 240, perMoney: 1 };
    case 'cheapest':
      return { interruptionMin, perMoney: 20_000 };
  }
}

export interface TimetableRequest extends WorkRequest {
  household: Household;
  /** ISO 8601 with offset. */
  now: string;
  /** Local clock hours; missing = those of the offset of `now`. */
  clock?: LocalClock;
  progress?: readonly TaskProgress[];
  aim?: DayAim;
  /** Who is out when, besides the hours when all are; `person` from 1. */
  out?: readonly (Span & { person: number })[];
  /** When cloth may hang outdoors; missing = 07:00 to 19:00. */
  outdoors?: readonly Span[];
  /** Not before this moment, by load. */
  notBefore?: ReadonlyMap<string, number>;
  /** Dates that were said of the day itself, by piece. */
  neededBy?: ReadonlyMap<string, number>;
  /** What hangs from an earlier wash: until when it takes what, and what it gives to the air. */
  hanging?: readonly { use: ResourceUse; untilMs: number; item: HangingNow | null }[];
  /** The order of an earlier timetable of the same work. */
  prefer?: readonly string[];
  /** When loads, and what is no load, were promised to begin. */
  keep?: ReadonlyMap<string, number>;
  /** Loads that come before all others. */
  first?: readonly string[];
  /** Who does a task, from 1, where somebody said so. */
  hands?: ReadonlyMap<string, number>;
  /** How much is tried; missing = the usual. */
  placements?: number;
  /** Only asked whether dates can be kept: the first day that keeps them all is taken, however long it is, and no bound is found. */
  dates?: DateLook;
  /** Why pieces have no place, and other warnings of the plan that concern the day. */
  planWarnings?: readonly PlanWarning[];
}

const minuteMs = 60_000;

/**
 * What the plan hangs outdoors, but no day is long enough for, from the drum to dry, dries indoors without a place of its own. Changes the blocks; answers the
 * pieces.
 */
function bringIn(blocks: readonly Block[], frame: Frame, household: Household): string[] {
  const inside: string[] = [];
  const { room } = household;
  for (const block of blocks) {
    const fits = (): boolean => firstFit(emptyDay(frame.calendar), block, 0, frame) !== null;
    const outdoors = block.pieces.filter((p) => p.drying?.outdoors === true);
    outdoors.sort((x, y) => (y.drying?.planMin ?? 0) - (x.drying?.planMin ?? 0));
    for (const { id, drying } of outdoors) {
      if (fits()) break;
      if (!drying) continue;
      const { item } = drying;
      const alone = dryingTimeHours(item.kind, item.fibre, item.x0, item.layout, {
        temperatureC: room.temperatureC,
        humidity: room.relativeHumidity,
        airSpeedMPerS: room.airSpeedMPerS,
        gapMm: item.gapMm ?? usualGapMm,
      });
      drying.outdoors = false;
      drying.use = null;
      drying.item = { ...item, outdoors: false };
      drying.planMin = Math.max(drying.planMin, alone.ok ? Math.ceil(alone.value * 60) : 0);
      inside.push(id);
    }
  }
  return inside;
}
const usualGapMm = 100;

/** What was promised gives way to nothing that is better by less, min. */
const promiseMarginMin = 20;
/** Rounds in which hours of drying and hours of hanging are brought together. */
const mostAirRounds = 6;
/** Cloth that stays damp longer smells, min. */
const slowDryingMin = 24 * 60;

/** Whether an id is one of the tasks a timetable of this work may have; a task of a piece has the piece's id in its own. */
export function isKnownTask(request: WorkRequest & { now: string }): (id: string) => boolean {
  const blocks = workOf(request, Date.parse(request.now));
  return (id) =>
    blocks.some(
      (b) =>
        [...b.steps, ...(b.before ? [b.before.hands, b.before.soak] : [])].some((s) => s?.id === id) ||
        id === `${b.id}.cool-check` ||
        b.pieces.some(
          (p) =>
            ['dry', 'press', 'put-away'].some((kind) => id === `${b.id}.${kind}.${p.id}`) ||
            (p.drying?.flat &&
              id.startsWith(`${b.id}.flip.${p.id}.`) &&
              /^\d{1,2}$/.test(id.slice(`${b.id}.flip.${p.id}.`.length))),
        ),
    );
}

/** Places on which everything that will ever hang has room at once. */
function roomyPlaces(
  household: Household,
  blocks: readonly Block[],
  hanging: TimetableRequest['hanging'],
): Set<string> {
  const uses = [
    ...(hanging ?? []).map((h) => h.use),
    ...blocks.flatMap((b) => b.pieces.flatMap((p) => p.drying?.use ?? [])),
  ];
  return new Set(
    household.dryingPlaces
      .filter((d) =>
        (['bars', 'flatM2', 'hangers'] as const).every(
          (what) => uses.reduce((m, u) => m + (u.id === d.id ? (u[what] ?? 0) : 0), 0) <= d[what] + 1e-6,
        ),
      )
      .map((d) => d.id),
  );
}

export function timetableOf(request: TimetableRequest): Timetable {
  const { household, now, aim = 'usual' } = request;
  const nowMs = Date.parse(now);
  const minutes = (ms: number): number => (ms - nowMs) / minuteMs;
  const calendar = calendarOf({
    household,
    nowMs,
    clock: request.clock ?? fixedClock(now),
    ...(request.out ? { out: request.out } : {}),
    ...(request.outdoors ? { outdoors: request.outdoors } : {}),
  });
  const blocks = workOf(request, nowMs);
  for (const b of blocks)
    for (const p of b.pieces) {
      const said = request.neededBy?.get(p.id);
      if (said !== undefined) p.neededByMin = Math.min(p.neededByMin, minutes(said));
    }
  const told = new Map(
    (request.progress ?? []).map((p): [string, Happened] => [
      p.task,
      {
        from: minutes(p.startedMs),
        to: p.endedMs === null ? null : minutes(p.endedMs),
        expected: p.expectedMs == null ? null : minutes(p.expectedMs),
      },
    ]),
  );
  const happened = withImplied(blocks, told);
  const weights = weightsOf(aim, household.rules.priority);
  const prices = { usualPerKwh: household.tariff.electricityPerKwh, cheapPerKwh: household.tariff.cheapPerKwh };
  const frame = (dryMin: ReadonlyMap<string, number>): Frame => ({
    calendar,
    household,
    dryMin,
    happened,
    notBefore: new Map([...(request.notBefore ?? [])].map(([id, ms]) => [id, minutes(ms)])),
    roomy: roomyPlaces(household, blocks, request.hanging),
    hangsAlready: (request.hanging ?? []).map((h) => ({ use: h.use, to: minutes(h.untilMs) })),
  });
  const broughtIn = bringIn(blocks, frame(new Map()), household);
  const already = (request.hanging ?? []).flatMap((h) => h.item ?? []);
  const air = (s: Scored): Map<string, number> => sharedAirMin(household, s.wrapped.day.blocks, already);
  const budget = request.placements ?? searchBudget.placements;

  const orders = {
    ...(request.prefer ? { prefer: request.prefer } : {}),
    ...(request.first ? { first: request.first } : {}),
    ...(request.dates ? { dates: request.dates } : {}),
  };
  // First a quick look at how long things dry beside one another, then the search, then both are brought together.
  let dryMin: ReadonlyMap<string, number> = new Map();
  const keep = request.keep && new Map([...request.keep].map(([id, ms]) => [id, minutes(ms)]));
  const promised = keep ? { keep, keepMarginMin: Infinity } : {};
  const quick = search({ blocks, frame: frame(dryMin), weights, prices, placements: 0, ...orders, ...promised });
  dryMin = air(quick);
  const kept = keep ? { keep, keepMarginMin: promiseMarginMin } : {};
  let found = search({ blocks, frame: frame(dryMin), weights, prices, placements: budget, ...orders, ...kept });
  if (aim !== 'usual') {
    // What the usual weights find may serve another aim better than its own search.
    const usual = weightsOf('usual', household.rules.priority);
    const other = search({ blocks, frame: frame(dryMin), weights: usual, prices, placements: budget / 2, ...orders });
    const cost =
      other.wrapped.finish +
      weights.interruptionMin * other.wrapped.day.turns.length +
      weights.perMoney * other.energyMoney;
    const margin = keep ? promiseMarginMin : 0;
    if (better({ ...other, cost: cost + margin }, found)) found = { ...other, cost };
  }
  const rounds = request.dates === 'glance' ? 0 : mostAirRounds;
  for (let round = 0; round < rounds; round++) {
    const takes = air(found);
    const enough = [...takes].every(([id, min]) => (dryMin.get(id) ?? 0) >= min - 1e-6);
    const tight = [...takes].every(([id, min]) => (dryMin.get(id) ?? 0) <= min + 1e-6);
    if (enough && (tight || round >= 3)) break;
    const before = dryMin;
    // From the third round on hours only grow, so that it ends.
    dryMin = round < 2 ? takes : new Map([...takes].map(([id, min]) => [id, Math.max(min, before.get(id) ?? 0)]));
    const asFound = new Map(found.wrapped.day.blocks.map((b) => [b.block.id, b.steps[0]?.from ?? 0]));
    const again = { ...orders, prefer: found.order, keep: asFound };
    found = search({ blocks, frame: frame(dryMin), weights, prices, placements: 0, ...again });
  }
  return documentOf(request, blocks, found, {
    nowMs,
    broughtIn,
    bound: request.dates ? 0 : lowerBoundMin(blocks, calendar, ownAirMin(household, blocks)),
  });
}

const usesOf = (b: Block, index: number): ResourceUse[] =>
  b.holds.flatMap((h) => (index >= h.from && index <= h.to ? [h.use] : []));

function documentOf(
  request: TimetableRequest,
  blocks: readonly Block[],
  found: Scored,
  { nowMs, broughtIn, bound }: { nowMs: number; broughtIn: readonly string[]; bound: number },
): Timetable {
  const { wrapped } = found;
  const at = (min: number): number => nowMs + Math.round(min * 60) * 1000;
  const tasks: TimetableTask[] = [];
  const task = (
    block: Block,
    step: Pick<Step, 'id' | 'kind' | 'attended' | 'garments' | 'message'>,
    hours: { from: number; to: number; person: number },
    uses: readonly ResourceUse[],
    after: readonly string[],
    maxWaitMin: number | null,
  ): void => {
    tasks.push({
      id: step.id,
      load: block.load,
      garments: step.garments,
      kind: step.kind,
      startMs: at(hours.from),
      endMs: at(hours.to),
      attended: step.attended,
      person: step.attended ? hours.person + 1 : null,
      uses,
      after,
      // What needs no hands waits for nobody.
      maxWaitMin: step.attended ? maxWaitMin : null,
      message: step.message,
    });
  };
  const placeName = (id: string): string => request.household.dryingPlaces.find((d) => d.id === id)?.name ?? id;
  const dry = (b: PlacedBlock): void => {
    for (const h of b.hanging) {
      if (!h.piece.drying) continue;
      const { use } = h.piece.drying;
      const message = use
        ? say('task.dry', { name: h.piece.name, place: placeName(use.id) })
        : say('task.dry-nowhere', { name: h.piece.name });
      const step = {
        id: `${b.block.id}.dry.${h.piece.id}`,
        kind: 'dry' as const,
        attended: false,
        garments: [h.piece.id],
        message,
      };
      const after = b.steps[h.piece.afterStep]?.step.id;
      task(b.block, step, { from: h.from, to: h.to, person: -1 }, use ? [use] : [], after ? [after] : [], 0);
    }
  };
  for (const b of wrapped.day.blocks) {
    b.before.forEach((p, i) =>
      task(b.block, p.step, p, [], i > 0 ? [b.before[0]?.step.id ?? ''] : [], i > 0 ? 0 : null),
    );
    b.steps.forEach((p, i) => {
      const after = p.step.after.map((k) => b.steps[k]?.step.id ?? '');
      const marks = i === 0 && b.before.length > 0 ? [b.before.at(-1)?.step.id ?? ''] : [];
      const all = [...marks, ...after];
      task(b.block, p.step, p, usesOf(b.block, i), all, all.length > 0 ? (p.step.wait?.most ?? null) : null);
    });
    dry(b);
  }
  for (const t of wrapped.tasks)
    task(t.block.block, wrapStep(t), t, t.kind === 'press' ? [theIron] : [], t.after, null);
  tasks.sort((x, y) => x.startMs - y.startMs || x.endMs - y.endMs || (x.id < y.id ? -1 : 1));

  const ready = wrapped.day.blocks.flatMap((b) =>
    b.hanging.map((h) => ({
      garment: h.piece.id,
      atMs: at(wrapped.ready.get(h.piece.id) ?? 0),
      neededBy: h.piece.neededByMin,
    })),
  );
  const late = ready.flatMap((r) =>
    Number.isFinite(r.neededBy) && r.atMs > at(r.neededBy)
      ? [{ garment: r.garment, neededByMs: at(r.neededBy), atMs: r.atMs }]
      : [],
  );
  const finish = tasks.length > 0 ? Math.max(...tasks.map((t) => t.endMs)) : null;
  const makespanMin = finish === null ? 0 : (finish - nowMs) / minuteMs;
  const names = new Map(request.garments.map((g) => [g.id, g.name]));
  const slow = wrapped.day.blocks.flatMap((b) =>
    b.hanging.filter((h) => h.piece.drying && h.to - h.from > slowDryingMin).map((h) => h.piece.id),
  );
  const warnings: PlanWarning[] = [
    ...lateWarnings(late, bestAlone(blocks, request), names, nowMs),
    ...(request.planWarnings ?? []).filter((w) => w.code !== 'cannot-meet-deadline' && w.code !== 'musty-drying'),
    ...(broughtIn.length > 0
      ? [
          {
            code: 'rack-full' as const,
            severity: 'info' as const,
            garments: broughtIn,
            message: say('warn.rack-day', { names: broughtIn.map((id) => names.get(id) ?? '') }),
          },
        ]
      : []),
    ...(slow.length > 0
      ? [
          {
            code: 'musty-drying' as const,
            severity: 'info' as const,
            garments: slow,
            message: say('warn.musty-drying', { count: slow.length }),
          },
        ]
      : []),
    ...found.outside.flatMap((id): PlanWarning[] => {
      const b = blocks.find((x) => x.id === id);
      return b
        ? [
            {
              code: 'no-hours',
              severity: 'caution',
              garments: b.pieces.map((p) => p.id),
              message: say('warn.no-hours', { wash: b.name }),
            },
          ]
        : [];
    }),
  ];
  return {
    fromMs: nowMs,
    tasks: handOut(tasks, request.household.times.people, request),
    finishMs: finish,
    ready: ready.map(({ garment, atMs }) => ({ garment, atMs })),
    late,
    warnings,
    figures: {
      makespanMin,
      lowerBoundMin: Math.min(bound, makespanMin),
      handsMin: tasks.reduce((m, t) => m + (t.attended ? (t.endMs - t.startMs) / minuteMs : 0), 0),
      interruptions: wrapped.day.turns.length,
      energyMoney: found.energyMoney,
    },
  };
}

function wrapStep(t: WrapTask): Pick<Step, 'id' | 'kind' | 'attended' | 'garments' | 'message'> {
  const garments = t.pieces.map((h) => h.piece.id);
  const pieces = t.pieces.map((h) => h.piece.name);
  const [name = ''] = pieces;
  const message =
    t.kind === 'flip'
      ? say('task.flip', { name })
      : t.kind === 'press'
        ? say('task.press', { name })
        : t.kind === 'cool-check'
          ? say('task.cool-check', { names: pieces })
          : say('task.put-away', { name });
  return { id: t.id, kind: t.kind, attended: true, garments, message };
}

/** Pieces that could not be in time even if nothing else were washed, with the hours they take by themselves. */
function bestAlone(blocks: readonly Block[], request: TimetableRequest): ReadonlyMap<string, number> {
  const nowMs = Date.parse(request.now);
  const calendar = calendarOf({ household: request.household, nowMs, clock: request.clock ?? fixedClock(request.now) });
  return new Map(
    blocks.flatMap((b) =>
      b.pieces
        .filter((p) => Number.isFinite(p.neededByMin))
        .map((p) => {
          const only = [{ ...b, pieces: [p] }];
          return [p.id, lowerBoundMin(only, calendar, ownAirMin(request.household, only))] as const;
        }),
    ),
  );
}
function lateWarnings(
  late: Timetable['late'],
  alone: ReadonlyMap<string, number>,
  names: ReadonlyMap<string, string>,
  nowMs: number,
): PlanWarning[] {
  const isShort = (l: Timetable['late'][number]): boolean =>
    (alone.get(l.garment) ?? 0) > (l.neededByMs - nowMs) / minuteMs;
  const warn = (list: Timetable['late'], code: 'warn.date-short' | 'warn.date-order'): PlanWarning[] =>
    list.length === 0
      ? []
      : [
          {
            code: 'cannot-meet-deadline',
            severity: 'caution',
            garments: list.map((l) => l.garment),
            message: say(code, {
              names: list.map((l) => names.get(l.garment) ?? ''),
              hours: Math.ceil(
                Math.max(
                  ...list.map((l) =>
                    code === 'warn.date-short' ? (alone.get(l.garment) ?? 0) / 60 : (l.atMs - nowMs) / 3_600_000,
                  ),
                ),
              ),
            }),
          },
        ];
  return [
    ...warn(late.filter(isShort), 'warn.date-short'),
    ...warn(
      late.filter((l) => !isShort(l)),
      'warn.date-order',
    ),
  ];
}
