import { describe, expect, test } from '@jest/globals';
import { demoHistory } from './history.ts';
import { demoWardrobe } from './wardrobe.ts';

const history = demoHistory(demoWardrobe);
const of = (id: string) => history.events.filter((e) => e.garmentId === id);

describe('half a year of the demo', () => {
  test.each(demoWardrobe.map((p) => [p.id, p] as const))('%s ends where it says it is', (id, p) => {
    const washes = of(id).filter((e) => e.kind === 'washed');
    const last = Math.min(Infinity, ...washes.map((e) => e.daysAgo));
    const wears = of(id).filter((e) => e.kind === 'worn' && e.daysAgo < last);
    const total = (list: { count?: number }[]): number => list.reduce((s, e) => s + (e.count ?? 1), 0);
    expect([total(washes), total(wears)]).toEqual([p.history.washes, p.history.wears]);
  });
  test('nothing lies in the future, and all of it within half a year but the washes before', () => {
    for (const e of history.events) {
      expect(e.daysAgo).toBeGreaterThanOrEqual(1);
      if (e.note !== 'before Neat Fold') expect(e.daysAgo).toBeLessThanOrEqual(182);
    }
  });
  test('the flat washes every three or four days, never two days running', () => {
    const days = history.washed.map((d) => d.daysAgo).sort((a, b) => a - b);
    for (const [k, day] of days.entries()) if (k > 0) expect(day - (days[k - 1] ?? 0)).toBeGreaterThanOrEqual(3);
    expect(days[0]).toBe(2);
  });
  test('nobody takes the tablecloth, the wool coat and the bath mat in the same minute', () => {
    const minutes = (id: string): Set<number> => new Set(of(id).flatMap((e) => (e.kind === 'worn' ? [e.minute] : [])));
    const [cloth, coat, mat] = ['tablecloth', 'tovi-coat', 'bath-mat'].map(minutes);
    expect([...(cloth ?? [])].filter((m) => coat?.has(m) || mat?.has(m))).toEqual([]);
    expect([...(coat ?? [])].filter((m) => mat?.has(m))).toEqual([]);
    expect(Math.min(...(cloth ?? []))).toBeGreaterThanOrEqual(12 * 60);
  });
  test('jeans are worn every other day at most', () => {
    for (const p of demoWardrobe.filter((x) => x.garment.kind === 'jeans')) {
      const lately = of(p.id).filter((e) => e.kind === 'worn' && e.daysAgo <= 28);
      expect(lately.reduce((s, e) => s + (e.count ?? 1), 0)).toBeLessThanOrEqual(14);
    }
  });
});
