/** A day of the log as it is read: like things gathered, what stands alone told alone. Pure. */
import type { EventKind } from '@data/schema.ts';

export interface Entry {
  id: number;
  at: Date;
  kind: EventKind;
  loadId: string | null;
  piece: string;
  /** What it says of the one piece. */
  text: string;
  /** Several at once: three wears. */
  count: number;
  struck: boolean;
}
export interface Gathered<E extends Entry> {
  kind: EventKind;
  loadId: string | null;
  /** The newest first. */
  entries: E[];
  /** Different pieces, and times in all. */
  pieces: number;
  times: number;
}
/** Gathered however different they are: what a household does many times a day. */
const alike: ReadonlySet<EventKind> = new Set(['worn', 'washed', 'dried', 'aired']);

/**
 * Entries of one day, newest first, gathered: worn, dried and aired by kind; washed by load; the rest by piece. What was taken back stands by itself.
 * @example gather(entries) // [{ kind: 'worn', pieces: 26, times: 27, … }, …]
 */
export function gather<E extends Entry>(newestFirst: readonly E[]): Gathered<E>[] {
  const groups = new Map<string, Gathered<E>>();
  for (const e of newestFirst) {
    const key = e.struck
      ? `struck/${e.id}`
      : alike.has(e.kind)
        ? `${e.kind}/${e.kind === 'washed' ? (e.loadId ?? '') : ''}`
        : `${e.kind}/${e.piece}`;
    const group = groups.get(key);
    if (group) group.entries.push(e);
    else groups.set(key, { kind: e.kind, loadId: e.loadId, entries: [e], pieces: 0, times: 0 });
  }
  return [...groups.values()].map((g) => ({
    ...g,
    pieces: new Set(g.entries.map((e) => e.piece)).size,
    times: g.entries.reduce((t, e) => t + e.count, 0),
  }));
}

/** Entries by day, and where the next page begins: the last day is left to it unless it is all there is. */
export function byDay<E extends { at: Date; id: number }>(
  newestFirst: readonly E[],
  dayOf: (at: Date) => string,
  full: boolean,
): { days: { day: string; entries: E[] }[]; next: { at: Date; id: number } | null } {
  const days: { day: string; entries: E[] }[] = [];
  for (const e of newestFirst) {
    const day = dayOf(e.at);
    const last = days.at(-1);
    if (last?.day === day) last.entries.push(e);
    else days.push({ day, entries: [e] });
  }
  if (!full) return { days, next: null };
  const whole = days.length > 1 ? days.slice(0, -1) : days;
  const end = whole.at(-1)?.entries.at(-1);
  return { days: whole, next: end ? { at: end.at, id: end.id } : null };
}
