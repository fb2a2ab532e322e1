/** What went otherwise than promised, and what was said of the day with what it costs, in words. */
import { whatMoved } from '@core/timetable/moved.ts';
import { deviationWords, goWords, wayWords } from '@words/en/today.ts';
import type { DayWish } from '@data/day.ts';
import type { DayFigures } from '@data/schema.ts';
import { durationText, money, plural } from '../shared/words.ts';
import { figuresOf, hourMs, minuteMs, type DayFacts } from './day-facts.server.ts';

export interface MovedView {
  because: string[];
  moves: string[];
  finish: string;
}
export interface WishView {
  id: string;
  text: string;
  cost: string;
}

/** null = everything is as it was promised, or nothing was. */
export function movedView({ day, t, titles, happened, clock }: DayFacts): MovedView | null {
  if (!day.promise) return null;
  const moved = whatMoved(day.promise.tasks, t, new Set(happened.keys()));
  const pieceName = (id: string): string => day.pieces.get(id)?.name ?? '';
  const name = (load: string | null): string => titles.get(load ?? '') ?? load ?? '';
  const because = moved.because
    // Of a wet piece its own name says more than its load's.
    .map((d) =>
      deviationWords[d.what](d.what === 'damp' ? pieceName(d.task.split('.dry.')[1] ?? '') : name(d.load), d.minutes),
    )
    .slice(0, 4);
  const moves = moved.moves
    .filter((m, i) => moved.moves.findIndex((o) => o.load === m.load) === i)
    .map((m) => goWords.moved(name(m.load), clock(m.toMs), clock(m.fromMs)));
  if (because.length === 0 && moves.length === 0) return null;
  return { because, moves: moves.length > 0 ? moves : [goWords.nothingElse], finish: goWords.finish(moved.finishMin) };
}

export function wishViews({ day, t, titles, nowMs, clock }: DayFacts): WishView[] {
  const byRow = new Map(day.loads.map((l) => [l.row.id, l]));
  const now = figuresOf(t);
  const of = (w: DayWish): string | null => {
    const load = w.loadId ? byRow.get(w.loadId) : undefined;
    const title = load ? (titles.get(load.key) ?? '') : '';
    const at = w.at ? clock(w.at.getTime()) : '';
    if (w.loadId && !load && w.kind !== 'skip') return null;
    if (w.kind !== 'skip' && (w.until ?? w.at) && (w.until ?? w.at ?? new Date(0)).getTime() < nowMs - hourMs)
      return null;
    return wayWords.wish(w.kind, {
      title,
      at,
      until: w.until ? clock(w.until.getTime()) : '',
      who: day.people[(w.person ?? 1) - 1] ?? '',
    });
  };
  const said = day.wishes.flatMap((w) => {
    const text = of(w);
    return text === null ? [] : [{ w, text }];
  });
  return said.map(({ w, text }, i) => ({
    id: w.id,
    text,
    // What the newest word cost is told against the day as it was before it.
    cost: i === said.length - 1 && w.before ? costWords(w.before, now, day.household.tariff.currency) : '',
  }));
}
function costWords(before: DayFigures, now: DayFigures, currency: string): string {
  const later =
    before.finishMs !== null && now.finishMs !== null ? Math.round((now.finishMs - before.finishMs) / minuteMs) : 0;
  const turns = now.interruptions - before.interruptions;
  const dearer = now.energyMoney - before.energyMoney;
  const late = now.late.filter((g) => !before.late.includes(g)).length;
  const parts = [
    later >= 1
      ? `the day ends ${durationText(later)} later`
      : later <= -1
        ? `the day ends ${durationText(-later)} sooner`
        : '',
    turns > 0 ? `${plural(turns, 'turn')} more` : turns < 0 ? `${plural(-turns, 'turn')} fewer` : '',
    Math.abs(dearer) >= 0.005 ? `${money(Math.abs(dearer), currency)} ${dearer > 0 ? 'dearer' : 'cheaper'}` : '',
    late > 0 ? `${plural(late, 'piece')} late` : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'nothing else changes';
}
