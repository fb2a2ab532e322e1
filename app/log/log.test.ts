/** The log as it is read: gathering, paging by days, what an address may ask, what a correction may say. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import * as v from 'valibot';
import { eventKinds, type EventKind } from '@data/schema.ts';
import { byDay, gather, type Entry } from './days.ts';
import { corrected, entrySchema, fieldsOfEntry } from './entry-form.ts';
import { kindsOf, logHref, readLogQuery } from './log-filter.ts';

const entry = (id: number, change: Partial<Entry> = {}): Entry => ({
  id,
  at: new Date(1_000_000 - id),
  kind: 'worn',
  loadId: null,
  piece: `p${id}`,
  text: 'Worn',
  count: 1,
  struck: false,
  ...change,
});

describe('gathering', () => {
  test('wears are one line, washes one a load, the rest one a piece; what was taken back stands alone', () => {
    const groups = gather([
      entry(1),
      entry(2, { count: 2 }),
      entry(3, { piece: 'p1' }),
      entry(4, { kind: 'washed', loadId: 'L1' }),
      entry(5, { kind: 'washed', loadId: 'L2' }),
      entry(6, { kind: 'measured', piece: 'a' }),
      entry(7, { kind: 'measured', piece: 'a' }),
      entry(8, { kind: 'measured', piece: 'b' }),
      entry(9, { struck: true }),
    ]);
    expect(groups.map((g) => [g.kind, g.entries.length, g.pieces, g.times])).toEqual([
      ['worn', 3, 2, 4],
      ['washed', 1, 1, 1],
      ['washed', 1, 1, 1],
      ['measured', 2, 1, 2],
      ['measured', 1, 1, 1],
      ['worn', 1, 1, 1],
    ]);
  });
  test('nothing is lost and nothing doubled', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...eventKinds), fc.boolean())), (list) => {
        const entries = list.map(([kind, struck], k) => entry(k, { kind, struck }));
        const ids = gather(entries).flatMap((g) => g.entries.map((e) => e.id));
        expect([...ids].sort((a, b) => a - b)).toEqual(entries.map((e) => e.id));
      }),
    ));
  test('a full page leaves its last day to the next, unless it is all there is', () => {
    const day = (e: Date): string => String(Math.floor(e.getTime() / 10));
    const list = [30, 29, 21, 20, 15].map((at, id) => ({ id, at: new Date(at) }));
    expect(byDay(list, day, false)).toMatchObject({ days: [{ day: '3' }, { day: '2' }, { day: '1' }], next: null });
    expect(byDay(list, day, true).days.map((d) => d.day)).toEqual(['3', '2']);
    expect(byDay(list, day, true).next).toEqual({ id: 3, at: new Date(20) });
    expect(byDay(list.slice(0, 1), day, true)).toMatchObject({ days: [{ day: '3' }], next: { id: 0 } });
  });
});

describe('addresses', () => {
  const read = (text: string) => readLogQuery(new URLSearchParams(text));
  test('what nobody could mean is left out', () =>
    expect(read('view=all&show=x&from=tomorrow&page=-3&dir=sideways&q=' + 'x'.repeat(200))).toMatchObject({
      view: 'days',
      show: '',
      from: '',
      page: 0,
      dir: 'down',
      q: '',
    }));
  test('an address says only what differs, and a new question begins on its first page', () => {
    const q = read('view=table&q=tee&page=4&sort=name&dir=up');
    expect(logHref(q, { owner: 'Ada' })).toBe('/log?view=table&q=tee&owner=Ada&sort=name&dir=up');
    expect(logHref(q, { page: 5 })).toContain('page=5');
    expect(logHref(read(''), {})).toBe('/log');
  });
  test('groups of kinds are apart', () => {
    const all = (['washes', 'wears', 'tests', 'marks', 'notes'] as const).flatMap((s) => kindsOf(s));
    expect(new Set(all).size).toBe(all.length);
    expect([...all].sort()).toEqual([...eventKinds].sort());
    expect(kindsOf('')).toEqual([]);
  });
});

describe('a correction', () => {
  const now = new Date('2026-05-09T08:00:00Z');
  const given = (fields: Record<string, string>) =>
    v.safeParse(entrySchema('Europe/Amsterdam', now), { at: '2026-05-09T10:00', ...fields });
  test('each kind has its fields', () => {
    const fields = (kind: EventKind, data: Parameters<typeof fieldsOfEntry>[1] = {}) => fieldsOfEntry(kind, data);
    expect(fields('worn')).toEqual(['count']);
    expect(fields('washed', { temperatureC: 40 })).toEqual(['count', 'temperatureC']);
    expect(fields('read', { test: { kind: 'catcher', grade: 4 } })).toEqual(['grade']);
    expect(fields('measured', { measure: { place: 'waist', cm: 40 } })).toEqual(['cm']);
    expect(fields('noted', { mend: 'hem' })).toEqual(['note']);
  });
  test('the minute that is now is no future, the next is; grades in halves, lengths in inches too', () => {
    expect(given({}).success).toBe(true);
    expect(given({ at: '2026-05-09T10:01' }).success).toBe(false);
    expect(given({ at: '2026-02-30T10:00' }).success).toBe(false);
    expect([given({ grade: '4,5' }), given({ grade: '4.4' }), given({ grade: '0.5' })].map((r) => r.success)).toEqual([
      true,
      false,
      false,
    ]);
    expect(given({ cm: '10 in' }).output).toMatchObject({ cm: 25.4 });
  });
  test('only what the entry has changes', () => {
    const value = { at: now, count: 3, temperatureC: 30, grade: 2, cm: 9, note: 'x' };
    expect(corrected('worn', {}, value)).toEqual({ count: 3 });
    expect(corrected('worn', { count: 5 }, { ...value, count: 1 })).toEqual({});
    expect(corrected('washed', { programme: 'wool', temperatureC: 40 }, { at: now })).toEqual({ programme: 'wool' });
    expect(corrected('read', { test: { kind: 'catcher', grade: 5 } }, value)).toEqual({
      test: { kind: 'catcher', grade: 2 },
    });
  });
});
