/** The day and its hours: what the hands do next, how full a place is, what went otherwise. */
import type { TaskKind } from '@core/model/timetable.ts';
import type { DeviationKind } from '@core/timetable/moved.ts';
import type { DayAim } from '@core/timetable/timetable.ts';

const minutes = (n: number): string => (n >= 120 ? `${Math.round(n / 60)} h` : `${n} min`);

export const goWords = {
  /** What the button of a task leads to. */
  go: {
    test: 'To the test',
    pretreat: 'To the marks',
    soak: 'To the tub',
    stir: 'To the tub',
    load: 'Open the ticket',
    wash: 'Open the ticket',
    'take-out': 'Take it out',
    inspect: 'Look it over',
    'hand-wash': 'Step by step',
    'spin-only': 'Open the ticket',
    tumble: 'To the dryer',
    'tumble-out': 'To the dryer',
    hang: 'Hang it up',
    'lay-flat': 'Lay it flat',
    dry: 'To the places',
    flip: 'Turn it',
    'cool-check': 'Feel it',
    press: 'To the iron',
    'put-away': 'Feel it, put it away',
    air: 'To its airing',
    steam: 'To its steaming',
    brush: 'To its brushing',
    'spot-clean': 'To the mark',
  } satisfies Record<TaskKind, string>,
  /** A word that fits on a bar. */
  short: {
    test: 'test',
    pretreat: 'marks',
    soak: 'soak',
    stir: 'stir',
    load: 'load',
    wash: 'run',
    'take-out': 'out',
    inspect: 'look',
    'hand-wash': 'bath',
    'spin-only': 'spin',
    tumble: 'run',
    'tumble-out': 'out',
    hang: 'hang',
    'lay-flat': 'lay',
    dry: 'dry',
    flip: 'turn',
    'cool-check': 'feel',
    press: 'iron',
    'put-away': 'away',
    air: 'air',
    steam: 'steam',
    brush: 'brush',
    'spot-clean': 'spot',
  } satisfies Record<TaskKind, string>,
  several: (kind: TaskKind, n: number): string =>
    kind === 'press'
      ? `Press ${n} pieces`
      : kind === 'flip'
        ? `Turn ${n} pieces, fresh towels under them`
        : `Put away ${n} pieces`,
  atOnce: (kind: TaskKind, min: number): string =>
    kind === 'hand-wash' ? `Within ${min} min: it has soaked long enough.` : `Within ${min} min: it must not lie.`,
  moved: (name: string, to: string, from: string): string => `${name} starts ${to}, not ${from}.`,
  nothingElse: 'Nothing else moves.',
  finish: (min: number): string =>
    Math.abs(min) < 5
      ? 'The day ends as it was promised.'
      : min > 0
        ? `The day ends ${minutes(min)} later.`
        : `The day ends ${minutes(-min)} sooner.`,
};

export const deviationWords: Record<DeviationKind, (name: string, min: number) => string> = {
  late: (name, min) => `${name} started ${minutes(min)} late.`,
  early: (name, min) => `${name} started ${minutes(min)} early.`,
  longer: (name, min) => `${name} runs ${minutes(min)} longer than it was to.`,
  shorter: (name, min) => `${name} was over ${minutes(min)} sooner.`,
  damp: (name, min) => `${name} takes ${minutes(min)} longer to dry.`,
  gone: (name) => `A load is not on the day any more: ${name}.`,
};

export const resourceWords = {
  runs: (kind: 'washer' | 'dryer' | 'basin', n: number): string =>
    kind === 'basin' ? `${n === 1 ? 'one bath' : `${n} baths`}` : `${n === 1 ? 'one run' : `${n} runs`}`,
  idle: 'nothing more',
  empty: 'nothing more hangs',
  fullest: (pieces: number, percent: number, at: string): string =>
    `${pieces === 1 ? 'one piece' : `${pieces} pieces`} at ${at}, ${percent} % full`,
  iron: 'Iron',
  quiet: 'quiet',
  out: 'out',
  notBooked: 'not booked',
  wetOrDark: 'dark or wet',
};

/** Ways to order a day. */
export const wayWords = {
  aim: {
    usual: { name: 'As the house weighs it', what: 'dates, then an early end, few turns, cheap hours' },
    earliest: { name: 'Soonest done', what: 'however often you are called' },
    'fewest-turns': { name: 'Fewest turns', what: 'called as seldom as can be' },
    cheapest: { name: 'Cheapest current', what: 'machines wait for cheap hours' },
  } satisfies Record<DayAim, { name: string; what: string }>,
  wish: (
    kind: 'not-before' | 'first' | 'out' | 'needed' | 'skip' | 'hands',
    w: { title: string; at: string; until: string; who: string },
  ): string => {
    switch (kind) {
      case 'not-before':
        return w.title ? `${w.title}: not before ${w.at}` : `The day begins at ${w.at}`;
      case 'first':
        return `${w.title} comes first, from ${w.at}`;
      case 'out':
        return `${w.who} is out from ${w.at} to ${w.until}`;
      case 'needed':
        return `${w.title}: needed by ${w.at}`;
      case 'skip':
        return w.title ? `${w.title}: not today` : 'A load is left for another day';
      case 'hands':
        return `${w.title}: ${w.who} does it`;
    }
  },
};
