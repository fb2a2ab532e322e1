/** Sorted stretches of time, in minutes from the beginning of a timetable, and the first or last moment that keeps clear of them. */
export interface Stretch {
  from: number;
  to: number;
}

/** Sorted, without empty ones, and joined where they touch. */
export function joined(list: readonly Stretch[]): Stretch[] {
  const out: Stretch[] = [];
  for (const s of [...list].filter((x) => x.to > x.from).sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && s.from <= last.to) last.to = Math.max(last.to, s.to);
    else out.push({ ...s });
  }
  return out;
}
/** What lies between the stretches. `list` sorted and joined. */
export function gapsOf(list: readonly Stretch[], from: number, to: number): Stretch[] {
  const out: Stretch[] = [];
  let at = from;
  for (const s of list) {
    if (s.from > at) out.push({ from: at, to: s.from });
    at = Math.max(at, s.to);
  }
  if (to > at) out.push({ from: at, to });
  return out;
}
/** First index whose stretch ends after `t`. */
function firstEndingAfter(list: readonly Stretch[], t: number): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((list[mid]?.to ?? 0) > t) high = mid;
    else low = mid + 1;
  }
  return low;
}
const tiny = 1e-9;

/** The earliest start from `t` on at which so many minutes meet none of the stretches. */
export function clearFrom(list: readonly Stretch[], t: number, minutes: number): number {
  let at = t;
  for (let i = firstEndingAfter(list, t + tiny); i < list.length; i++) {
    const s = list[i] as Stretch;
    if (s.from >= at + minutes - tiny) return at;
    at = Math.max(at, s.to);
  }
  return at;
}
/** The latest start up to `t` at which so many minutes meet none of the stretches; -Infinity = there is none from `least` on. */
export function clearUpTo(list: readonly Stretch[], t: number, minutes: number, least: number): number {
  let at = t;
  for (let i = list.length - 1; i >= 0; i--) {
    const s = list[i] as Stretch;
    if (s.to <= at + tiny) break;
    if (s.from < at + minutes - tiny) at = s.from - minutes;
  }
  return at >= least - tiny ? at : -Infinity;
}
export const meets = (list: readonly Stretch[], from: number, to: number): boolean => {
  const s = list[firstEndingAfter(list, from + tiny)];
  return s !== undefined && s.from < to - tiny;
};
/** One stretch more; the list stays as it was. */
export function withStretch(list: readonly Stretch[], from: number, to: number): Stretch[] {
  if (to <= from) return list as Stretch[];
  const i = firstEndingAfter(list, from);
  return [...list.slice(0, i), { from, to }, ...list.slice(i)];
}
/** Attended work closer together than this is one interruption, min. */
export const oneTurnMin = 10;
/** Turns of work with one more piece of work: what is less than ten minutes apart is one turn. */
export function withTurn(turns: readonly Stretch[], from: number, to: number): Stretch[] {
  if (to <= from) return turns as Stretch[];
  const merged = { from, to };
  const out: Stretch[] = [];
  let put = false;
  for (const t of turns) {
    if (t.to <= merged.from - oneTurnMin + tiny) out.push(t);
    else if (t.from >= merged.to + oneTurnMin - tiny) {
      if (!put) out.push(merged);
      put = true;
      out.push(t);
    } else {
      merged.from = Math.min(merged.from, t.from);
      merged.to = Math.max(merged.to, t.to);
    }
  }
  if (!put) out.push(merged);
  return out;
}
/** Minutes of the stretches that lie in [from, to). */
export const overlapMin = (list: readonly Stretch[], from: number, to: number): number =>
  list.reduce((m, s) => m + Math.max(0, Math.min(s.to, to) - Math.max(s.from, from)), 0);
