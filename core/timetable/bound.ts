/**
 * No timetable of this work ends sooner. Three reasons, the largest counts: a piece needs its whole chain; a machine needs its hours, and the pieces of its last
 * load still dry after it; the hands need theirs. The pieces of a load are taken to dry as fast as if nothing else hung in the
 * room.
 */
import type { Calendar } from './calendar.ts';
import { clearFrom, gapsOf, type Stretch } from './spans.ts';
import type { Block, PieceWork } from './work.ts';

/** The first moment at which so many minutes lay outside the stretches, from `t` on. */
function openAfter(shut: readonly Stretch[], t: number, minutes: number, endMin: number): number {
  let left = minutes;
  if (left <= 0) return t;
  for (const gap of gapsOf(
    shut.filter((s) => s.to > t),
    t,
    Math.max(endMin, t + minutes) + minutes,
  )) {
    if (gap.to - gap.from >= left) return gap.from + left;
    left -= gap.to - gap.from;
  }
  return t + minutes;
}

/** When somebody is there for so many minutes, at the earliest from `t` on. */
const someone = (c: Calendar, t: number, minutes: number): number =>
  Math.min(...c.people.map((shut) => clearFrom(shut, t, minutes)));

/** What is left of a piece once it hangs: drying, pressing, putting away. */
function afterHanging(c: Calendar, p: PieceWork, hungMin: number): number {
  const { drying } = p;
  let t = hungMin;
  if (drying) {
    if (drying.outdoors) {
      const out = clearFrom(c.indoorsOnly, t, drying.planMin);
      if (out < c.endMin) t = out;
    }
    t += drying.planMin;
  } else t += p.coolMin;
  return someone(c, t, p.pressMin + p.putAwayMin) + p.pressMin + p.putAwayMin;
}
/** Minutes from the end of a step to the end of another on the shortest way between them. */
function stepsBetween(b: Block, from: number, to: number): number {
  let minutes = 0;
  let at: number | undefined = to;
  while (at !== undefined && at > from) {
    const step: Block['steps'][number] | undefined = b.steps[at];
    if (!step) break;
    minutes += step.minutes;
    at = step.after.length > 0 ? Math.max(...step.after) : undefined;
  }
  return minutes;
}
/** The end of a block's slowest piece when its step `from` ended at `t`. */
const endOf = (c: Calendar, b: Block, from: number, t: number): number =>
  Math.max(t, ...b.pieces.map((p) => afterHanging(c, p, t + stepsBetween(b, from, p.afterStep))));

const tail = (c: Calendar, b: Block, from: number): number => {
  const free: Calendar = { ...c, people: c.people.map(() => []), indoorsOnly: [] };
  return endOf(free, b, from, 0);
};

/**
 * @param dryMin minutes a piece dries at least, by its id; missing = as the plan has it.
 */
export function lowerBoundMin(
  work: readonly Block[],
  c: Calendar,
  dryMin: ReadonlyMap<string, number> = new Map(),
): number {
  const blocks = work.map((b) => ({
    ...b,
    pieces: b.pieces.map((p) =>
      p.drying ? { ...p, drying: { ...p.drying, planMin: Math.max(p.drying.planMin, dryMin.get(p.id) ?? 0) } } : p,
    ),
  }));
  let bound = 0;
  // Chains: the first step when somebody is there; a drum that may run.
  for (const b of blocks) {
    let t = 0;
    if (b.before) t = someone(c, 0, b.before.hands.minutes) + b.before.hands.minutes + (b.before.soak?.minutes ?? 0);
    const ends: number[] = [];
    for (const step of b.steps) {
      const ready = step.after.reduce((m, i) => Math.max(m, ends[i] ?? 0), ends.length === 0 ? t : 0);
      const shut = step.hours === 'any' ? [] : (step.hours === 'washer' && c.washers.get(b.washer ?? '')) || c.quiet;
      const from = step.attended ? someone(c, ready, step.minutes) : clearFrom(shut, ready, step.minutes);
      ends.push((from < c.endMin ? from : ready) + step.minutes);
    }
    bound = Math.max(bound, ...ends, ...b.pieces.map((p) => afterHanging(c, p, ends[p.afterStep] ?? 0)));
  }
  // Machines: those blocks with the longest tails first is the best any order does; none of them ends before the hours of all before it.
  const machines = new Map<string, { block: Block; from: number; to: number; runMin: number }[]>();
  for (const block of blocks)
    for (const h of block.holds) {
      const key = `${h.use.kind}:${h.use.id}`;
      // Up to the hands that empty it: what it does afterwards runs beside other steps.
      const to = block.steps.reduce((last, s, i) => (i > h.from && i <= h.to && s.attended ? i : last), h.from);
      let runMin = 0;
      for (let i = h.from; i <= to; i++) runMin += block.steps[i]?.minutes ?? 0;
      machines.set(key, [...(machines.get(key) ?? []), { block, from: h.from, to, runMin }]);
    }
  for (const list of machines.values()) {
    const order = [...list].sort((x, y) => tail(c, y.block, y.to) - tail(c, x.block, x.to));
    const washers = new Set(order.map((o) => o.block.washer));
    const [washer] = washers;
    const closed = washers.size === 1 && washer ? (c.washers.get(washer) ?? []) : [];
    let sum = 0;
    let shutSum = 0;
    order.forEach(({ block, from, to, runMin }, k) => {
      sum += runMin;
      shutSum += block.steps.slice(from, to + 1).reduce((m, s) => m + (s.hours === 'washer' ? s.minutes : 0), 0);
      // The hands of a load and the drum cannot overlap on it; only turning drums keep to the machine's hours.
      const done = Math.max(sum, openAfter(closed, 0, shutSum, c.endMin));
      bound = Math.max(bound, Math.min(...order.slice(0, k + 1).map((o) => endOf(c, o.block, o.to, done))));
    });
  }
  // Hands.
  const hands = blocks.reduce(
    (m, b) =>
      m +
      (b.before?.hands.minutes ?? 0) +
      b.steps.reduce((s, x) => s + (x.attended ? x.minutes : 0), 0) +
      b.pieces.reduce((s, p) => s + p.pressMin + p.putAwayMin, 0),
    0,
  );
  return Math.max(bound, handsBound(c, hands));
}

/** The first moment by which all people together have had so many open minutes. */
function handsBound(c: Calendar, minutes: number): number {
  let low = 0;
  let high = c.endMin + minutes;
  for (let k = 0; k < 60; k++) {
    const mid = (low + high) / 2;
    const had = c.people.reduce(
      (m, shut) =>
        m + gapsOf(shut, 0, mid).reduce((s, g) => s + Math.max(0, Math.min(g.to, mid) - Math.max(0, g.from)), 0),
      0,
    );
    if (had >= minutes) high = mid;
    else low = mid;
  }
  return low;
}
