import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import * as v from 'valibot';
import { calendarText } from './calendar.ts';
import { timetableSchema, timetableText, type TimetableDocument } from './timetable.ts';

const product = (id: string, productClass: string) => ({
  id,
  class: productClass,
  form: 'liquid',
  dose: { unit: 'ml' },
});
const shirt = (id: string, change: object = {}) => ({
  id,
  name: `Shirt, ${id}; blue \\ white`,
  kind: 'dress_shirt',
  parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
  colours: [{ hex: '#2f6f6b', role: 'ground' }],
  label: { wash: { by: 'machine', maxC: 40, action: 'normal' }, iron: 'medium' },
  washCount: 12,
  ...change,
});
const hamper = (change: object = {}, household: object = {}) => ({
  format: 'neat-fold/hamper',
  version: 1,
  now: '2026-05-09T08:00:00+02:00',
  household: {
    rules: { waiting: 'none' },
    washers: [
      {
        id: 'w1',
        programmes: [
          {
            id: 'c',
            family: 'cotton',
            action: 'normal',
            temperaturesC: [30, 40],
            spinsRpm: [800, 1200],
            maxLoadKg: 7,
            durationMin: 110,
          },
        ],
      },
    ],
    dryingPlaces: [{ id: 'r', name: 'Rack', bars: 12, barLengthM: 0.9, hangers: 6 }],
    products: [product('p', 'colour')],
    ...household,
  },
  garments: [shirt('a'), shirt('b')],
  ...change,
});
const read = (document: object): TimetableDocument => {
  const result = timetableText(JSON.stringify(document));
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value.document;
};
const problems = (document: object) => {
  const result = timetableText(JSON.stringify(document));
  return result.ok ? [] : result.problems.map((p) => `${p.path}: ${p.message}`);
};

describe('the timetable document', () => {
  test('is what its schema says, in the offset of now, and the same each time', () => {
    const t = read(hamper());
    expect(v.parse(timetableSchema, t)).toEqual(t);
    expect(t).toMatchObject({ from: '2026-05-09T08:00:00+02:00', late: [] });
    expect(t.tasks[0]).toMatchObject({
      id: 'L1.load',
      load: 'L1',
      garments: ['a', 'b'],
      start: '2026-05-09T08:00:00+02:00',
      end: '2026-05-09T08:10:00+02:00',
      attended: true,
      person: 1,
      uses: [{ kind: 'washer', id: 'w1' }],
      after: [],
      maxWaitMin: null,
    });
    expect(t.tasks[1]).toMatchObject({
      id: 'L1.wash',
      end: '2026-05-09T10:00:00+02:00',
      maxWaitMin: null,
      text: 'c, 30 °C, 800 rpm',
    });
    expect(t.tasks.find((x) => x.id === 'L1.hang')).toMatchObject({ after: ['L1.take-out'], maxWaitMin: 30 });
    expect(t.tasks.find((x) => x.kind === 'dry')?.uses).toEqual([{ kind: 'place', id: 'r', hangers: 1 }]);
    expect(t.tasks.filter((x) => x.kind === 'press').map((x) => x.uses)).toEqual([
      [{ kind: 'iron', id: 'iron' }],
      [{ kind: 'iron', id: 'iron' }],
    ]);
    expect(timetableText(JSON.stringify(hamper()))).toEqual(timetableText(JSON.stringify(hamper())));
  });
  test('UTC stays UTC', () =>
    expect(read(hamper({ now: '2026-05-09T06:00:00Z' })).tasks[1]?.start).toBe('2026-05-09T06:10:00Z'));
  test('nothing to wash is an empty day', () =>
    expect(read(hamper({ garments: [] }))).toMatchObject({ tasks: [], finish: null, ready: [] }));
  test('a late piece stands in late, in the warnings, and in the warnings of the plan', () => {
    const t = read(hamper({ garments: [shirt('a', { neededBy: '2026-05-09T09:00:00+02:00' }), shirt('b')] }));
    expect(t.late.map((l) => [l.garment, l.neededBy])).toEqual([['a', '2026-05-09T09:00:00+02:00']]);
    expect(t.warnings.filter((w) => w.code === 'cannot-meet-deadline').map((w) => w.garments)).toEqual([['a']]);
  });
  test('progress: what ran keeps its true times, the rest begins now', () => {
    const progress = [
      { task: 'L1.load', started: '2026-05-09T08:20:00+02:00', ended: '2026-05-09T08:31:00+02:00' },
      { task: 'L1.wash', started: '2026-05-09T08:31:00+02:00', ended: null },
    ];
    const t = read(hamper({ now: '2026-05-09T09:00:00+02:00', progress }));
    expect(t.tasks.find((x) => x.id === 'L1.load')).toMatchObject({
      start: progress[0]?.started,
      end: progress[0]?.ended,
    });
    expect(t.tasks.find((x) => x.id === 'L1.wash')).toMatchObject({
      start: progress[1]?.started,
      end: '2026-05-09T10:21:00+02:00',
    });
    expect(t.tasks.find((x) => x.id === 'L1.take-out')?.start).toBe('2026-05-09T10:21:00+02:00');
  });
  test('a run that was told alone implies that it was loaded; the rest comes from now on', () => {
    const progress = [{ task: 'L1.wash', started: '2026-05-09T08:31:00+02:00', ended: null }];
    const t = read(hamper({ now: '2026-05-09T09:00:00+02:00', progress }));
    expect(t.tasks.find((x) => x.id === 'L1.load')).toMatchObject({
      start: '2026-05-09T08:21:00+02:00',
      end: '2026-05-09T08:31:00+02:00',
    });
    expect(t.tasks.find((x) => x.id === 'L1.take-out')?.start).toBe('2026-05-09T10:21:00+02:00');
    const pressed = [{ task: 'L1.press.a', started: '2026-05-09T08:50:00+02:00', ended: '2026-05-09T08:55:00+02:00' }];
    const late = read(hamper({ now: '2026-05-09T09:00:00+02:00', progress: pressed }));
    expect(late.tasks.find((x) => x.id === 'L1.dry.a')?.end).toBe('2026-05-09T08:50:00+02:00');
    expect(late.tasks.find((x) => x.id === 'L1.wash')?.end.slice(0, 10)).toMatch(/2026-05-0[89]/);
    expect(late.tasks.find((x) => x.id === 'L1.put-away.a')?.start).toBe('2026-05-09T09:00:00+02:00');
  });
  test('bad progress is refused by name', () => {
    const of = (p: object) => problems(hamper({ progress: [p] }));
    expect(of({ task: 'L9.wash', started: '2026-05-09T07:00:00+02:00' })).toEqual([
      'progress[0].task: "L9.wash" is no task of this timetable',
    ]);
    expect(of({ task: 'L1.load', started: '2026-05-09T08:00:01+02:00' })).toEqual([
      'progress[0].started: must not be later than now',
    ]);
    expect(of({ task: 'L1.load', started: '2026-05-09T08:00:00+02:00' })).toEqual([]);
    expect(of({ task: 'L1.load', started: 'noon' })[0]).toMatch(/^progress\[0\]\.started: must be a time with offset/);
    expect(of({ task: 'L1.load', started: '2026-05-09T07:30:00+02:00', ended: '2026-05-09T07:00:00+02:00' })).toEqual([
      'progress[0].ended: must not be before it started',
    ]);
    expect(of({ started: '2026-05-09T07:00:00+02:00' })).toEqual(['progress[0].task: is required']);
    const twice = { task: 'L1.load', started: '2026-05-09T07:00:00+02:00' };
    expect(problems(hamper({ progress: [twice, twice] }))).toEqual(['progress[1].task: "L1.load" stands twice']);
    expect(problems(hamper({ progress: 'L1.load' }))).toEqual(['progress: must be a list']);
  });
});

describe('the calendar', () => {
  const events = (t: TimetableDocument, stamp = t.from) => {
    const root = new ICAL.Component(ICAL.parse(calendarText(t, stamp, 'Wash day')) as unknown[]);
    return root.getAllSubcomponents('vevent').map((c) => ({ component: c, event: new ICAL.Event(c) }));
  };
  test('an independent reader finds every turn of hands and every run, at their hours', () => {
    const t = read(hamper());
    const found = events(t);
    expect(found).toHaveLength(t.figures.interruptions + 1);
    const run = found.find((e) => e.event.summary === 'c, 30 °C, 800 rpm');
    expect(run?.event.startDate.toJSDate().toISOString()).toBe('2026-05-09T06:10:00.000Z');
    expect(run?.event.endDate.toJSDate().toISOString()).toBe('2026-05-09T08:00:00.000Z');
    expect(run?.component.getFirstPropertyValue('dtstamp')?.toString()).toBe('2026-05-09T06:00:00Z');
    // Names with commas, semicolons and backslashes come through letter for letter.
    const away = t.tasks.find((x) => x.kind === 'put-away');
    expect(found.some((e) => e.event.description.includes(away?.text ?? 'nothing'))).toBe(true);
  });
  test('it rings before what must not wait, and only there', () => {
    const t = read(hamper());
    const rings = events(t).map((e) => [
      e.event.summary,
      e.component
        .getAllSubcomponents('valarm')
        .map((a) => [a.getFirstPropertyValue('action'), String(a.getFirstPropertyValue('trigger'))]),
    ]);
    const rung = rings.filter(([, alarms]) => (alarms as unknown[]).length > 0);
    expect(rung).toHaveLength(1);
    expect(String(rung[0]?.[0])).toMatch(/^Take out at once/);
    expect(rung[0]?.[1]).toEqual([['DISPLAY', '-PT5M']]);
  });
  test('lines are folded and end in CRLF', () => {
    const text = calendarText(read(hamper()), '2026-05-09T08:00:00+02:00', 'Wash day');
    expect(
      text.split('\r\n').every((line) => new TextEncoder().encode(line).length <= 75 && !line.includes('\n')),
    ).toBe(true);
  });
  test('an event keeps its UID when the day is planned again', () => {
    const uids = (t: TimetableDocument) => events(t).map((e) => e.event.uid);
    const first = read(hamper());
    const later = read(hamper({ now: '2026-05-09T10:30:00+02:00' }));
    expect(uids(later)).toEqual(uids(first));
    expect(new Set(uids(first)).size).toBe(uids(first).length);
    expect(uids(read(hamper({ garments: [shirt('a')] })))).not.toEqual(uids(first));
  });
  test('across a change of clocks the moments are right', () => {
    // In the night to 25 October 2026 clocks go back in central Europe; the calendar speaks UTC.
    const t = read(hamper({ now: '2026-10-24T23:30:00+02:00' }));
    const run = events(t).find((e) => e.event.summary.startsWith('c,'));
    expect(run?.event.startDate.toJSDate().toISOString()).toBe('2026-10-24T21:40:00.000Z');
    expect(run?.event.endDate.toJSDate().toISOString()).toBe('2026-10-24T23:30:00.000Z');
    expect(run?.event.startDate.zone.tzid).toBe('UTC');
  });
});
