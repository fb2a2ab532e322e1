/** Who does what: a turn of work goes to one pair of hands where it can, turns are shared fairly, and what somebody said holds. */
import type { Span } from '../model/household.ts';
import type { TimetableTask } from '../model/timetable.ts';
import { oneTurnMin } from './spans.ts';

const minuteMs = 60_000;

/**
 * The hours stay as they are. `out` = who is not there when, `hands` = who takes a task on, by its id. Somebody who is not there, or busy, is never asked.
 */
export function handOut(
  tasks: readonly TimetableTask[],
  people: number,
  {
    out = [],
    hands = new Map(),
  }: { out?: readonly (Span & { person: number })[]; hands?: ReadonlyMap<string, number> },
): TimetableTask[] {
  if (people < 2) return [...tasks];
  const attended = tasks.filter((t) => t.attended).sort((x, y) => x.startMs - y.startMs || (x.id < y.id ? -1 : 1));
  const persons = Array.from({ length: people }, (_, i) => i + 1);
  const given = new Map<string, number>();
  const busy = new Map<number, Span[]>(persons.map((p) => [p, []]));
  const minutes = new Map<number, number>(persons.map((p) => [p, 0]));
  const free = (p: number, t: Span): boolean =>
    [...(busy.get(p) ?? []), ...out.filter((o) => o.person === p)].every(
      (s) => s.toMs <= t.fromMs || s.fromMs >= t.toMs,
    );
  const give = (t: TimetableTask, p: number): void => {
    given.set(t.id, p);
    busy.get(p)?.push({ fromMs: t.startMs, toMs: t.endMs });
    minutes.set(p, (minutes.get(p) ?? 0) + (t.endMs - t.startMs));
  };
  const span = (t: TimetableTask): Span => ({ fromMs: t.startMs, toMs: t.endMs });
  for (const t of attended) {
    const said = hands.get(t.id);
    if (said !== undefined && said <= people && free(said, span(t))) give(t, said);
  }
  let turn: TimetableTask[] = [];
  /** false = it cannot be shared so. */
  const handTurn = (): boolean => {
    const open = turn.filter((t) => !given.has(t.id));
    const order = [...persons].sort((a, b) => (minutes.get(a) ?? 0) - (minutes.get(b) ?? 0) || a - b);
    const can = (p: number, list: readonly TimetableTask[]): boolean =>
      list.every(
        (t, i) => free(p, span(t)) && list.every((o, k) => k === i || o.endMs <= t.startMs || o.startMs >= t.endMs),
      );
    const whole = order.find((p) => can(p, open));
    if (whole !== undefined) open.forEach((t) => give(t, whole));
    else
      for (const t of open) {
        // The pair of hands that had the task before it, else whoever has done least.
        const before = turn.find((o) => o.endMs === t.startMs && given.has(o.id));
        const had = before ? given.get(before.id) : undefined;
        const next = [...(had === undefined ? [] : [had]), ...order].find((p) => free(p, span(t)));
        if (next === undefined) return false;
        give(t, next);
      }
    turn = [];
    return true;
  };
  let end = -Infinity;
  for (const t of attended) {
    if (t.startMs - end >= oneTurnMin * minuteMs && !handTurn()) return [...tasks];
    turn.push(t);
    end = Math.max(end, t.endMs);
  }
  if (!handTurn()) return [...tasks];
  return tasks.map((t) => (t.attended ? { ...t, person: given.get(t.id) ?? t.person } : t));
}
