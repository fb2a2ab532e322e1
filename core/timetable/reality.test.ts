/** What the benches say is what the timetable takes for done, under way and still to come. */
import { describe, expect, test } from '@jest/globals';
import type { TimetableTask, Timetable } from '../model/timetable.ts';
import { promisedStarts, promiseOf, whatMoved } from './moved.ts';
import { realityOf, type LoadReality, type PieceReality } from './reality.ts';
import { handOut } from './hand-out.ts';

const min = 60_000;
const load: LoadReality = {
  id: 'L1',
  method: 'machine',
  status: 'planned',
  startedMs: null,
  endsMs: null,
  endedMs: null,
  finishedMs: null,
  looked: false,
  marksMs: null,
};
const piece: PieceReality = {
  garment: 'g',
  load: 'L1',
  here: true,
  tumbles: false,
  tumbling: null,
  hungMs: null,
  expectedMs: null,
  turnedMs: null,
  dryMs: null,
  pressedMs: null,
};
const of = (l: Partial<LoadReality>, p: Partial<PieceReality> = {}, nowMs = 1000 * min) => {
  const list = realityOf([{ ...load, ...l }], [{ ...piece, ...p }], nowMs);
  return Object.fromEntries(
    list.map((x) => [
      x.task,
      [
        x.startedMs / min,
        x.endedMs === null ? null : x.endedMs / min,
        ...(x.expectedMs == null ? [] : [x.expectedMs / min]),
      ],
    ]),
  );
};

describe('what has happened', () => {
  test('a planned load has not begun; its marks may be treated', () => {
    expect(of({})).toEqual({});
    expect(of({ marksMs: 5 * min })).toEqual({ 'L1.pretreat': [5, 5], 'L1.marks': [5, 5] });
  });
  test('a running machine: loaded before it began, its clock as the ticket has it', () => {
    const running = { status: 'running' as const, startedMs: 100 * min, endsMs: 249 * min };
    expect(of(running)).toMatchObject({ 'L1.load': [90, 100], 'L1.wash': [100, null, 249] });
    // Ended before anybody came: it waits to be taken out.
    const ended = of({ ...running, endedMs: 240 * min });
    expect(ended['L1.wash']).toEqual([100, 240]);
    expect(ended['L1.take-out']).toBeUndefined();
  });
  test('out of the drum, looked at or not, hung or not', () => {
    const out = { status: 'finished' as const, startedMs: 100 * min, endsMs: 249 * min, finishedMs: 260 * min };
    expect(of(out)).toMatchObject({ 'L1.wash': [100, 249], 'L1.take-out': [258, 260] });
    expect(of(out)['L1.hang']).toBeUndefined();
    expect(of(out)['L1.inspect']).toBeUndefined();
    expect(of({ ...out, looked: true })['L1.inspect']).toEqual([260, 260]);
    const hung = of(out, { hungMs: 270 * min, expectedMs: 700 * min });
    expect(hung).toMatchObject({ 'L1.hang': [270, 270], 'L1.lay-flat': [270, 270], 'L1.dry.g': [270, null, 700] });
  });
  test('dry, pressed, put away', () => {
    const out = { status: 'finished' as const, startedMs: 100 * min, endsMs: 249 * min, finishedMs: 260 * min };
    const dry = of(out, { hungMs: 270 * min, dryMs: 690 * min });
    expect(dry['L1.dry.g']).toEqual([270, 690]);
    expect(dry['L1.put-away.g']).toBeUndefined();
    expect(of(out, { hungMs: 270 * min, dryMs: 690 * min, pressedMs: 700 * min })['L1.press.g']).toEqual([700, 700]);
    expect(of(out, { here: false })).toMatchObject({
      'L1.dry.g': [260, 1000],
      'L1.press.g': [1000, 1000],
      'L1.put-away.g': [1000, 1000],
    });
  });
  test('the dryer runs, or has run', () => {
    const out = { status: 'finished' as const, startedMs: 100 * min, endsMs: 249 * min, finishedMs: 260 * min };
    const running = of(out, { tumbles: true, tumbling: { startedMs: 265 * min, endsMs: 330 * min } });
    expect(running).toMatchObject({
      'L1.dryer-load': [265, 265],
      'L1.tumble': [265, null, 330],
      'L1.hang': [260, 260],
    });
    expect(of(out, { tumbles: true, dryMs: 335 * min })).toMatchObject({
      'L1.tumble': [335, 335],
      'L1.cool-check': [335, 335],
    });
  });
  test('a wash by hand is under way from its filling', () => {
    const running = { method: 'hand' as const, status: 'running' as const, startedMs: 100 * min, endsMs: 140 * min };
    expect(of(running)).toMatchObject({ 'L1.fill': [100, 100], 'L1.hand-wash': [100, null, 140] });
  });
});

const task = (id: string, start: number, end: number, more: Partial<TimetableTask> = {}): TimetableTask => ({
  id,
  load: id.split('.')[0] ?? null,
  garments: ['g'],
  kind: 'wash',
  startMs: start * min,
  endMs: end * min,
  attended: false,
  person: null,
  uses: [],
  after: [],
  maxWaitMin: null,
  message: { code: 'task.empty-rinse', params: {} },
  ...more,
});
const day = (...tasks: TimetableTask[]): Timetable => ({
  fromMs: 0,
  tasks,
  finishMs: Math.max(...tasks.map((t) => t.endMs)),
  ready: [],
  late: [],
  warnings: [],
  figures: { makespanMin: 0, lowerBoundMin: 0, handsMin: 0, interruptions: 0, energyMoney: 0 },
});

describe('what moved', () => {
  const promised = promiseOf(day(task('L1.wash', 10, 100), task('L2.wash', 120, 200)));
  test('nothing is said below five minutes', () => {
    const moved = whatMoved(promised, day(task('L1.wash', 14, 104), task('L2.wash', 124, 204)), new Set(['L1.wash']));
    expect(moved).toEqual({ because: [], moves: [], finishMin: 4 });
  });
  test('late, longer, and what follows', () => {
    const moved = whatMoved(promised, day(task('L1.wash', 15, 114), task('L2.wash', 134, 214)), new Set(['L1.wash']));
    expect(moved.because).toEqual([
      { what: 'late', task: 'L1.wash', load: 'L1', minutes: 5 },
      { what: 'longer', task: 'L1.wash', load: 'L1', minutes: 9 },
    ]);
    expect(moved.moves).toEqual([{ task: 'L2.wash', load: 'L2', kind: 'wash', fromMs: 120 * min, toMs: 134 * min }]);
    expect(moved.finishMin).toBe(14);
  });
  test('drying is only said from an hour on; a load that is gone is said', () => {
    const hung = promiseOf(day(task('L1.dry.g', 0, 400, { kind: 'dry' }), task('L2.wash', 10, 90)));
    const at = (end: number) =>
      whatMoved(hung, day(task('L1.dry.g', 0, end, { kind: 'dry' }), task('L2.wash', 10, 90)), new Set(['L1.dry.g']))
        .because;
    expect(at(459)).toEqual([]);
    expect(at(460)).toEqual([{ what: 'damp', task: 'L1.dry.g', load: 'L1', minutes: 60 }]);
    expect(whatMoved(promised, day(task('L1.wash', 10, 100)), new Set()).because).toEqual([
      { what: 'gone', task: 'L2', load: 'L2', minutes: 0 },
    ]);
  });
  test('when work was promised to begin: the hands before a run, not the run', () => {
    const starts = promisedStarts(
      promiseOf(
        day(
          task('L1.load', 0, 10, { kind: 'load' }),
          task('L1.wash', 10, 90),
          task('brush', 20, 25, { kind: 'brush', load: null }),
        ),
      ),
    );
    expect([...starts]).toEqual([
      ['L1', 0],
      ['brush', 20 * min],
    ]);
  });
});

describe('hands', () => {
  const work = (id: string, start: number, end: number, person = 1) => task(id, start, end, { attended: true, person });
  test('turns are shared fairly, a turn stays with one pair of hands', () => {
    const shared = handOut(
      [work('a.1', 0, 10), work('a.2', 10, 20), work('b.1', 60, 70), work('c.1', 120, 130)],
      2,
      {},
    );
    expect(shared.map((t) => t.person)).toEqual([1, 1, 2, 2]);
  });
  test('who is out is not asked; what somebody said holds where they are there', () => {
    const list = [work('a.1', 0, 10), work('b.1', 60, 70)];
    expect(handOut(list, 2, { out: [{ person: 1, fromMs: 0, toMs: 200 * min }] }).map((t) => t.person)).toEqual([2, 2]);
    expect(handOut(list, 2, { hands: new Map([['b.1', 1]]) }).map((t) => t.person)).toEqual([2, 1]);
    expect(
      handOut(list, 2, { hands: new Map([['b.1', 1]]), out: [{ person: 1, fromMs: 0, toMs: 200 * min }] }).map(
        (t) => t.person,
      ),
    ).toEqual([2, 2]);
  });
  test('two things at once need two; alone nobody is shared', () => {
    expect(handOut([work('a.1', 0, 10), work('b.1', 5, 12, 2)], 2, {}).map((t) => t.person)).toEqual([1, 2]);
    expect(handOut([work('a.1', 0, 10)], 1, {})).toHaveLength(1);
  });
});
