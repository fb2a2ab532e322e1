/** Today as the screen shows it: what the hands do next, the day in figures, and what belongs to its other parts. */
import type { Timetable, TimetableTask } from '@core/model/timetable.ts';
import type { DayAim } from '@core/timetable/timetable.ts';
import { goWords } from '@words/en/today.ts';
import { listed, textOf } from '@words/text.ts';
import { durationText, money, plural } from '../shared/words.ts';
import { chartView, type ChartView } from './chart-view.server.ts';
import { dayFacts, minuteMs, turnsAhead, type DayFacts } from './day-facts.server.ts';
import type { Day } from './day.server.ts';
import { movedView, wishViews, type MovedView, type WishView } from './told-view.server.ts';

export interface StepView {
  id: string;
  text: string;
  clock: string;
  minutes: string;
  person: string | null;
  href: string;
}
export interface TurnView {
  id: string;
  startMs: number;
  clock: string;
  title: string;
  /** Whose hands. */
  who: string;
  /** It must not wait. */
  urgent: string | null;
  minutes: string;
  steps: StepView[];
  /** Ids of all its tasks. */
  tasks: string[];
  href: string;
  go: string;
}
export interface DayLoadView {
  id: string;
  key: string;
  title: string;
  start: string;
  begun: boolean;
  late: boolean;
}
export interface TodayView extends ChartView {
  serverNow: number;
  zone: string;
  heading: string;
  facts: string;
  next: TurnView | null;
  turns: TurnView[];
  clocks: { id: string; label: string; startedAt: number; endsAt: number; href: string }[];
  aim: DayAim;
  kept: boolean;
  moved: MovedView | null;
  wishes: WishView[];
  loads: DayLoadView[];
  people: { person: number; name: string; hands: string }[];
  late: string[];
  warnings: string[];
}
/** Like things said once: "Put away six pieces" for six tasks of one kind. */
function gathered(tasks: readonly TimetableTask[]): TimetableTask[][] {
  const out: TimetableTask[][] = [];
  for (const t of tasks) {
    const last = out.at(-1)?.[0];
    if (
      last &&
      last.kind === t.kind &&
      last.person === t.person &&
      (t.kind === 'put-away' || t.kind === 'press' || t.kind === 'flip')
    )
      out.at(-1)?.push(t);
    else out.push([t]);
  }
  return out;
}

/** Whether a piece comes out of a dryer and not off a line. */
const isTumbled = (x: TimetableTask, t: Timetable): boolean =>
  !t.tasks.some((y) => y.kind === 'dry' && y.load === x.load && y.garments[0] === x.garments[0]);

/** The bench at which a task is done. */
function hrefOf(x: TimetableTask, { t, loads, happened }: DayFacts): string {
  const row = x.load === null ? undefined : loads.get(x.load)?.row;
  const [piece = ''] = x.garments;
  switch (x.kind) {
    case 'pretreat':
    case 'soak':
    case 'test':
      return x.kind === 'test'
        ? '/test'
        : x.load !== null && row?.status === 'running'
          ? `/loads/${row.id}/hand`
          : '/treat';
    case 'inspect':
      return row ? `/loads/${row.id}/inspect` : '/wash';
    case 'hand-wash':
      return row ? (row.status === 'running' && row.walked ? `/loads/${row.id}/hand` : `/loads/${row.id}`) : '/wash';
    case 'load':
      return row && !x.uses.some((u) => u.kind === 'dryer') ? `/loads/${row.id}` : '/dry';
    case 'wash':
    case 'take-out':
    case 'spin-only':
    case 'stir':
      return row ? `/loads/${row.id}` : '/wash';
    case 'tumble':
    case 'tumble-out':
    case 'hang':
    case 'lay-flat':
    case 'dry':
    case 'flip':
      return '/dry';
    case 'cool-check':
      return '/dry';
    case 'press':
      return '/press';
    case 'put-away':
      return happened.get(`${x.load}.dry.${piece}`)?.endedMs == null && x.load !== null && !isTumbled(x, t)
        ? '/dry'
        : '/away';
    case 'air':
    case 'steam':
    case 'brush':
      return `/freshen/${encodeURIComponent(piece)}`;
    case 'spot-clean':
      return `/basket/${encodeURIComponent(piece)}/stain`;
  }
}

/** The turns that are still to come. */
function turnViews(f: DayFacts): TurnView[] {
  const { clock, nameOf, ahead, day } = f;
  const alone = day.people.length < 2;
  const stepOf = (group: readonly TimetableTask[]): StepView => {
    const [x] = group as [TimetableTask];
    const last = group.at(-1) ?? x;
    return {
      id: x.id,
      text: group.length > 1 ? goWords.several(x.kind, group.length) : textOf(x.message),
      clock: clock(x.startMs),
      minutes: durationText((last.endMs - x.startMs) / minuteMs),
      person: alone ? null : nameOf(x.person),
      href: hrefOf(x, f),
    };
  };
  return turnsAhead(ahead).map((tasks): TurnView => {
    const [first] = tasks as [TimetableTask];
    const end = Math.max(...tasks.map((x) => x.endMs));
    const steps = gathered(tasks).map(stepOf);
    const who = [...new Set(tasks.map((x) => nameOf(x.person)))].filter((n) => n !== null);
    const urgent = tasks.find((x) => x.maxWaitMin !== null && x.maxWaitMin > 0 && x.maxWaitMin <= 30);
    return {
      id: first.id,
      startMs: first.startMs,
      clock: clock(first.startMs),
      title: steps[0]?.text ?? '',
      who: alone ? '' : listed(who),
      urgent:
        urgent && urgent === first && !f.happened.has(urgent.id)
          ? goWords.atOnce(urgent.kind, urgent.maxWaitMin ?? 0)
          : null,
      minutes: durationText((end - first.startMs) / minuteMs),
      steps,
      tasks: tasks.map((x) => x.id),
      href: hrefOf(first, f),
      go: goWords.go[first.kind],
    };
  });
}

const minutesOf = (tasks: readonly TimetableTask[]): number =>
  tasks.reduce((m, x) => m + (x.endMs - x.startMs) / minuteMs, 0);

export function todayView(day: Day, t: Timetable, serverNow: number): TodayView {
  const f = dayFacts(day, t);
  const { zone, titles, happened, ahead, clock } = f;
  const { household } = day;
  const turns = turnViews(f);
  const clocks = t.tasks.flatMap((x) => {
    const has = happened.get(x.id);
    if (!has || has.endedMs !== null || !['wash', 'hand-wash', 'tumble'].includes(x.kind)) return [];
    return [
      {
        id: x.id,
        label: titles.get(x.load ?? '') ?? textOf(x.message),
        startedAt: x.startMs,
        endsAt: has.expectedMs ?? x.endMs,
        href: hrefOf(x, f),
      },
    ];
  });

  const pieceName = (id: string): string => day.pieces.get(id)?.name ?? '';
  const { figures } = t;
  const aboveBound =
    figures.lowerBoundMin > 0 ? Math.round(100 * (figures.makespanMin / figures.lowerBoundMin - 1)) : 0;
  const currency = household.tariff.currency;
  const facts =
    t.tasks.length === 0
      ? ''
      : [
          `${durationText(minutesOf(ahead))} of hands in ${plural(turns.length, 'turn')}`,
          figures.energyMoney > 0 ? `${money(figures.energyMoney, currency)} of current` : '',
          t.late.length > 0 ? `${plural(t.late.length, 'piece')} late` : 'nothing late',
          aboveBound === 0 ? 'no order of it ends sooner' : `at most ${aboveBound} % above the shortest day possible`,
        ]
          .filter(Boolean)
          .join(', ');
  return {
    serverNow,
    zone,
    heading: t.finishMs === null ? 'Nothing to do today' : `Dry and away by ${clock(t.finishMs)}`,
    facts: facts && `${facts.charAt(0).toUpperCase()}${facts.slice(1)}.`,
    next: turns[0] ?? null,
    turns: turns.slice(1),
    clocks,
    ...chartView(f),
    aim: day.promise?.aim ?? 'usual',
    kept: day.promise !== null,
    moved: movedView(f),
    wishes: wishViews(f),
    loads: day.loads.flatMap((l) => {
      const run = t.tasks.find((y) => y.load === l.key && (y.kind === 'load' || y.kind === 'hand-wash'));
      return l.row.status === 'finished'
        ? []
        : [
            {
              id: l.row.id,
              key: l.key,
              title: titles.get(l.key) ?? l.key,
              start: run ? clock(run.startMs) : '',
              begun: l.row.status === 'running',
              late: t.late.some((r) => l.garments.some((g) => g.id === r.garment)),
            },
          ];
    }),
    people: day.people.map((name, i) => ({
      person: i + 1,
      name,
      hands: durationText(minutesOf(ahead.filter((y) => y.person === i + 1))),
    })),
    late: t.late.map((l) => `${pieceName(l.garment)} is put away ${clock(l.atMs)}, needed by ${clock(l.neededByMs)}.`),
    warnings: t.warnings.filter((w) => w.code === 'no-hours' || w.code === 'rack-full').map((w) => textOf(w.message)),
  };
}
