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
