/** A day that fills: who is busy when, which machine is taken, what hangs where. A day is a value; putting a block on it makes another one. */
import type { Household } from '../model/household.ts';
import type { ResourceUse } from '../model/timetable.ts';
import type { Calendar } from './calendar.ts';
import { clearFrom, clearUpTo, meets, withStretch, withTurn, type Stretch } from './spans.ts';
import { waits, type Block, type PieceWork, type Step } from './work.ts';

/** A step with its hours; `person` counts from 0, -1 = nobody has to. */
export interface Placed {
  step: Step;
  from: number;
  to: number;
  person: number;
}
/** A piece that dries from then on, for so long. */
export interface Hanging {
  piece: PieceWork;
  from: number;
  to: number;
}
export interface PlacedBlock {
  block: Block;
  before: Placed[];
  steps: Placed[];
  hanging: Hanging[];
}
export interface Day {
  /** By person: busy, or not there. */
  people: readonly (readonly Stretch[])[];
  /** By resource: taken. */
  taken: ReadonlyMap<string, readonly Stretch[]>;
  /** Whenever anybody is called. */
  turns: readonly Stretch[];
  blocks: readonly PlacedBlock[];
}
/** What has happened to a task; minutes from now, so never later than 0. */
export interface Happened {
  from: number;
  /** null = it is under way. */
  to: number | null;
  /** When it should end, while it is under way; null = as planned. */
  expected: number | null;
}
/** When something ends that has begun: what should have ended goes on until now. */
export const endOf = (has: Happened, minutes: number): number =>
  has.to ?? Math.max(0, has.expected ?? has.from + minutes);
export interface Frame {
  calendar: Calendar;
  household: Pick<Household, 'dryingPlaces'>;
  /** Minutes a piece dries, by its id. */
  dryMin: ReadonlyMap<string, number>;
  happened: ReadonlyMap<string, Happened>;
  /** Not before so many minutes from now, by block. */
  notBefore: ReadonlyMap<string, number>;
  /** Places on which all of the plan and all that hangs already has room together: nobody has to wait there. */
  roomy: ReadonlySet<string>;
  /** What hangs already: until when, and how much it takes. */
  hangsAlready: readonly { use: ResourceUse; to: number }[];
}

export const keyOf = (use: Pick<ResourceUse, 'kind' | 'id'>): string => `${use.kind}:${use.id}`;

export const emptyDay = (calendar: Calendar): Day => ({
  people: calendar.people,
  taken: new Map(),
  turns: [],
  blocks: [],
});

export interface Hands {
  person: number;
  from: number;
}
/** Who can first give so many minutes from `t` on. */
export function handsFrom(people: Day['people'], t: number, minutes: number): Hands {
  let best: Hands = { person: 0, from: Infinity };
  people.forEach((busy, person) => {
    const from = clearFrom(busy, t, minutes);
    if (from < best.from) best = { person, from };
  });
  return best;
}
/** Who can last give so many minutes, beginning at `t` at the latest and at `least` at the earliest. */
export function handsUpTo(people: Day['people'], t: number, minutes: number, least: number): Hands | null {
  let best: Hands | null = null;
  people.forEach((busy, person) => {
    const from = clearUpTo(busy, t, minutes, least);
    if (from > -Infinity && (best === null || from > best.from)) best = { person, from };
  });
  return best;
}
export const withBusy = (people: Day['people'], { person, from }: Hands, minutes: number): Day['people'] =>
  people.map((busy, p) => (p === person ? withStretch(busy, from, from + minutes) : busy));

/** The first moment from `t` on at which a piece has room on its place until it is dry. */
function roomFrom(day: Day, frame: Frame, piece: PieceWork, t: number, minutes: number): number {
  const use = piece.drying?.use;
  if (!use || frame.roomy.has(use.id)) return t;
  const place = frame.household.dryingPlaces.find((d) => d.id === use.id);
  if (!place) return t;
  const others = [
    ...frame.hangsAlready.map((h) => ({ use: h.use, from: -Infinity, to: h.to })),
    ...day.blocks.flatMap((b) =>
      b.hanging.flatMap((h) => (h.piece.drying?.use ? [{ use: h.piece.drying.use, from: h.from, to: h.to }] : [])),
    ),
  ].filter((o) => o.use.id === use.id && o.to > t);
  const capacity = { bars: place.bars, hangers: place.hangers, flatM2: place.flatM2 };
  const fits = (at: number): boolean =>
    (['bars', 'hangers', 'flatM2'] as const).every((what) => {
      const mine = use[what] ?? 0;
      if (mine === 0) return true;
      const moments = [at, ...others.flatMap((o) => (o.from > at && o.from < at + minutes ? [o.from] : []))];
      return moments.every(
        (m) =>
          others.reduce((sum, o) => sum + (o.from <= m && o.to > m ? (o.use[what] ?? 0) : 0), 0) + mine <=
          capacity[what] + 1e-6,
      );
    });
  for (const at of [t, ...others.map((o) => o.to).sort((a, b) => a - b)]) if (at >= t && fits(at)) return at;
  // More than the place holds by itself: somebody hung it there, or the plan did not say.
  return t;
}

type Attempt = { ok: true; day: Day; placed: PlacedBlock } | { ok: false; next: number };

/**
 * Puts a block on the day with its first step at `start` or, where something was in the way, says when to try next. `strict` false = where the hours people
 * gave have no room for it, they are not kept.
 */
export function tryAt(day: Day, block: Block, start: number, frame: Frame, strict: boolean): Attempt {
  const { calendar, happened, dryMin } = frame;
  let { people, turns } = day;
  const placed: Placed[] = [];
  // Counted from where the first step came to stand: hands may have been free only long after `start`.
  const later = (by: number): Attempt => ({
    ok: false,
    next: Math.max(start, placed[0]?.from ?? start) + Math.max(by, 1),
  });
  const shut = (step: Step): readonly Stretch[] =>
    !strict || step.hours === 'any'
      ? []
      : step.hours === 'washer'
        ? (calendar.washers.get(block.washer ?? '') ?? calendar.quiet)
        : calendar.quiet;
  const call = (hands: Hands, minutes: number): void => {
    people = withBusy(people, hands, minutes);
    turns = withTurn(turns, hands.from, hands.from + minutes);
  };
  // Of a block that has begun, what is still to come begins at `start`.
  const begun = block.steps.some((s) => happened.has(s.id));
  for (const step of block.steps) {
    const has = happened.get(step.id);
    const ready = step.after.reduce((t, i) => Math.max(t, placed[i]?.to ?? 0), placed.length === 0 ? start : -Infinity);
    if (has) {
      const to = endOf(has, step.minutes);
      let person = -1;
      if (step.attended) {
        person = 0;
        if (to > 0) {
          ({ person } = handsFrom(people, Math.max(0, has.from), to - Math.max(0, has.from)));
          people = withBusy(people, { person, from: Math.max(0, has.from) }, to - Math.max(0, has.from));
        }
        turns = withTurn(turns, has.from, to);
      }
      placed.push({ step, from: has.from, to, person });
      continue;
    }
    const first = Math.max(0, ready, begun ? start : 0);
    let from: number;
    let person = -1;
    if (step.attended) {
      const hands = handsFrom(people, first, step.minutes);
      ({ from, person } = hands);
      if (!Number.isFinite(from)) return later(Infinity);
    } else from = clearFrom(shut(step), first, step.minutes);
    // The latest moment counts from a step; one that is past already cannot be kept, and the step comes as soon as it can.
    const waited = step.wait ? placed[step.wait.step] : undefined;
    const latest =
      step.wait && waited && !(happened.has(waited.step.id) && waited.to + step.wait.most < first)
        ? waited.to + step.wait.most
        : Infinity;
    if (from > latest + 1e-9) {
      const fixed = waited !== undefined && happened.has(waited.step.id);
      if (!fixed) return later(from - latest);
    }
    placed.push({ step, from, to: from + step.minutes, person });
    if (step.attended) call({ person, from }, step.minutes);
  }
  // Marks: as late before the load as hands allow, best in a turn that is anyway.
  const before: Placed[] = [];
  if (block.before) {
    const { hands, soak } = block.before;
    const loadAt = placed[0]?.from ?? start;
    const soakMin = soak?.minutes ?? 0;
    const has = happened.get(hands.id);
    if (has) {
      const to = endOf(has, hands.minutes);
      before.push({ step: hands, from: has.from, to, person: 0 });
      turns = withTurn(turns, has.from, to);
      const soaks = soak ? happened.get(soak.id) : undefined;
      const since = soaks?.from ?? Math.max(0, to);
      const done = soaks?.to ?? (soak ? Math.max(0, since + soakMin) : to);
      if (soak) before.push({ step: soak, from: since, to: done, person: -1 });
      if (done > loadAt + 1e-9 && !happened.has(block.steps[0]?.id ?? '')) return later(done - loadAt);
    } else if (!happened.has(block.steps[0]?.id ?? '')) {
      const latest = loadAt - soakMin - hands.minutes;
      const least = Math.max(0, latest - waits.marks);
      const found = latest >= 0 ? handsUpTo(people, latest, hands.minutes, least) : null;
      if (!found) {
        const soonest = handsFrom(people, Math.max(0, latest), hands.minutes);
        return later(soonest.from - latest);
      }
      const inTurn = day.turns.flatMap((t) => {
        if (t.to < least || t.to > latest) return [];
        const at = handsFrom(people, t.to, hands.minutes);
        return at.from <= Math.min(latest, t.to + 1) ? [at] : [];
      });
      const calls = (h: Hands): number => withTurn(turns, h.from, h.from + hands.minutes).length;
      const best = [found, ...inTurn.reverse()].reduce((a, b) => (calls(b) < calls(a) ? b : a));
      call(best, hands.minutes);
      const to = best.from + hands.minutes;
      before.push({ step: hands, from: best.from, to, person: best.person });
      if (soak) before.push({ step: soak, from: to, to: to + soakMin, person: -1 });
    }
  }
  let taken = day.taken;
  for (const hold of block.holds) {
    const key = keyOf(hold.use);
    const from = placed[hold.from]?.from ?? 0;
    const to = placed[hold.to]?.to ?? 0;
    const busy = taken.get(key) ?? [];
    const running = happened.has(placed[hold.from]?.step.id ?? '');
    if (meets(busy, from, to) && !running) return later(clearFrom(busy, from, to - from) - from);
    taken = new Map(taken).set(key, withStretch(busy, from, to));
  }
  const hanging: Hanging[] = [];
  for (const piece of block.pieces) {
    const at = placed[piece.afterStep]?.to ?? 0;
    if (!piece.drying) {
      hanging.push({ piece, from: at, to: at + piece.coolMin });
      continue;
    }
    const minutes = dryMin.get(piece.id) ?? piece.drying.planMin;
    const dryId = `${block.id}.dry.${piece.id}`;
    const has = happened.get(dryId);
    const from = has?.from ?? at;
    const hangs = has !== undefined || happened.has(placed[piece.afterStep]?.step.id ?? '');
    if (!hangs) {
      if (piece.drying.outdoors && strict) {
        const out = clearFrom(calendar.indoorsOnly, from, minutes);
        if (out > from + 1e-9) return later(out - from);
      }
      const room = roomFrom(day, frame, piece, from, minutes);
      if (room > from + 1e-9) return later(room - from);
    }
    hanging.push({ piece, from, to: has ? endOf(has, minutes) : from + minutes });
  }
  const block_: PlacedBlock = { block, before, steps: placed, hanging };
  return { ok: true, placed: block_, day: { people, taken, turns, blocks: [...day.blocks, block_] } };
}

const mostTries = 1_000;
/** The first way a block fits from `t` on; null = it does not within the days looked at. */
export function firstFit(
  day: Day,
  block: Block,
  t: number,
  frame: Frame,
  strict = true,
): (Attempt & { ok: true }) | null {
  let start = Math.max(t, 0, frame.notBefore.get(block.id) ?? 0);
  const end = strict ? frame.calendar.endMin : Infinity;
  for (let k = 0; k < mostTries && start < end; k++) {
    const attempt = tryAt(day, block, start, frame, strict);
    if (attempt.ok) return attempt;
    start = attempt.next;
  }
  return null;
}
