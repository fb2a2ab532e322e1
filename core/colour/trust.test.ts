import { expect, test } from '@jest/globals';
import { trustOf } from './trust.ts';

const piece = (
  hex: string,
  dye: 'unknown' | 'indigo' | 'undyed' | 'vat',
  washCount: number,
  grades: number[] = [],
) => ({
  colours: [{ hex, role: 'ground' as const }],
  dye,
  washCount,
  tests: grades.map((grade, i) => ({
    kind: 'catcher' as const,
    agent: 'water',
    grade,
    at: `2026-03-0${i + 1}T10:00:00Z`,
  })),
});

test('a new red is likely to tint; an old vat-dyed towel hardly', () => {
  expect(trustOf(piece('#be1e2d', 'unknown', 0)).now).toBeGreaterThan(0.9);
  expect(trustOf(piece('#d9c7a4', 'vat', 30)).now).toBeLessThan(0.1);
  expect(trustOf(piece('#ffffff', 'undyed', 0))).toMatchObject({ standing: 'undyed', now: 0, tints: [] });
});
test('each clear reading lowers the odds, a trace raises them; two clear ones earn trust', () => {
  const t = trustOf(piece('#7c2946', 'unknown', 5, [5, 5]));
  expect(t.steps.map((s) => s.verdict)).toEqual(['clear', 'clear']);
  expect(t.steps[0]!.odds).toBeLessThan(t.prior);
  expect(t.steps[1]!.odds).toBeLessThan(t.steps[0]!.odds);
  expect(t.standing).toBe('trusted');
  const bled = trustOf(piece('#7c2946', 'unknown', 5, [5, 3]));
  expect(bled.now).toBeGreaterThan(bled.steps[0]!.odds);
  expect(bled.standing).toBe('bleeder');
});
test('hotter tints more, and the look follows the number', () => {
  const [cool, hot] = trustOf(piece('#2b3a5e', 'indigo', 1)).tints;
  expect(hot!.deltaE).toBeGreaterThan(cool!.deltaE);
  expect(hot!.hex).not.toBe(hot!.receiverHex);
});

test('a clear detergent spot and two clear catchers make even a new red unlikely to tint', () => {
  const red = piece('#be1e2d', 'unknown', 2, [5, 4.5]);
  const spot = (agent: string) => ({ kind: 'spot' as const, agent, grade: 4.5, at: '2026-02-01T10:00:00Z' });
  const odds = (...tests: ReturnType<typeof spot>[]) => trustOf({ ...red, tests: [...tests, ...red.tests] });
  expect(odds(spot('det-colour-liquid')).now).toBeLessThan(0.1);
  expect(odds(spot('det-colour-liquid')).standing).toBe('trusted');
  expect(odds(spot('water')).now).toBeGreaterThan(odds(spot('det-colour-liquid')).now);
  // A stain agent says nothing about the wash.
  expect(odds(spot('isopropanol')).steps).toHaveLength(2);
  expect(trustOf(piece('#be1e2d', 'unknown', 9, [5, 5, 4, 4.5, 5])).standing).toBe('trusted-with-whites');
});
test('odds are told once it has been washed, on both sides', () => {
  expect(trustOf(piece('#be1e2d', 'unknown', 0)).tried).toBe(false);
  expect(trustOf(piece('#be1e2d', 'unknown', 1)).tried).toBe(true);
});
