import { describe, expect, test } from '@jest/globals';
import type { MatrixColumn } from '../chemistry/agent-fibre.ts';
import { ageOf, bandOf, heatOf, priorPoints, stainScore, type AgeId, type DyeState, type HeatEvent } from './score.ts';
import { stainFacts, stainKinds, type StainKind } from './stains.ts';

const vectors: [StainKind, AgeId, HeatEvent, MatrixColumn[], DyeState, number, number, number, string][] = [
  ['coffee', 'lt-24h', 'none', ['cotton'], 'fast', 0, 1, 73, 'likely'],
  ['blood-dried', 'lt-7d', 'tumble', ['cotton'], 'undyed', 0, 5, 39, 'unlikely'],
  ['cooking-grease', 'lt-90d', 'tumble', ['polyester'], 'fast', 0, 1, 37, 'unlikely'],
  ['red-wine', 'lt-1h', 'none', ['silk'], 'untested', 0, 1, 56, 'partial'],
  ['ink-ballpoint', 'lt-7d', 'wash-30-60', ['cotton', 'polyester'], 'fast', -10, 1, 32, 'unlikely'],
  ['lipstick', 'lt-24h', 'none', ['wool'], 'fast', -5, 5, 35, 'unlikely'],
  ['turmeric-curry', 'lt-2y', 'repeated', ['silk'], 'not-fast', -20, 11, 2, 'stop'],
  ['deodorant-mark', 'lt-1h', 'none', ['cotton', 'elastane'], 'fast', 0, 1, 88, 'very-likely'],
];

describe('the score of a stain', () => {
  test.each(vectors)('%s, %s, %s on %j', (kind, age, heat, columns, dye, prior, sizeCm, score, band) => {
    expect(stainScore({ kind, age, heat, columns, dye, prior, sizeCm })).toBe(score);
    expect(bandOf(score)).toBe(band);
  });
  test('bands begin at 20, 40, 65 and 85', () => {
    expect([19, 20, 39, 40, 64, 65, 84, 85].map((s) => bandOf(s))).toEqual([
      'stop',
      'unlikely',
      'unlikely',
      'partial',
      'partial',
      'likely',
      'likely',
      'very-likely',
    ]);
  });
  test('ages by hours', () => {
    expect([0, 0.9, 1, 23, 24, 167, 168, 2159, 2160, 17_519, 17_520].map(ageOf)).toEqual([
      'lt-1h',
      'lt-1h',
      'lt-24h',
      'lt-24h',
      'lt-7d',
      'lt-7d',
      'lt-90d',
      'lt-90d',
      'lt-2y',
      'lt-2y',
      'ge-2y',
    ]);
    expect(ageOf(null)).toBe('unknown');
  });
  test('a heat flag without an event counts as the dryer; failed rounds end at −30; chlorine costs 8', () => {
    expect(heatOf({ heat: null, heatSet: true })).toBe('tumble');
    expect(heatOf({ heat: 'iron', heatSet: false })).toBe('iron');
    expect([0, 1, 2, 3, 7].map((n) => priorPoints(n, []))).toEqual([-0, -10, -20, -30, -30].map((x) => x + 0));
    expect(priorPoints(1, ['chlorine-bleach'])).toBe(-18);
  });
  test('older, hotter, larger and tried before never help; 2–98 for every stain', () => {
    for (const kind of stainKinds) {
      const at = (age: AgeId, heat: HeatEvent, prior: number, sizeCm: number): number =>
        stainScore({ kind, age, heat, columns: ['cotton'], dye: 'undyed', prior, sizeCm });
      expect(at('lt-1h', 'none', 0, 1)).toBe(Math.min(98, stainFacts(kind).baseScore));
      expect(at('ge-2y', 'none', 0, 1)).toBeLessThanOrEqual(at('lt-24h', 'none', 0, 1));
      expect(at('lt-1h', 'repeated', 0, 1)).toBeLessThan(at('lt-1h', 'wash-30-60', 0, 1));
      expect(at('lt-1h', 'none', -30, 20)).toBeLessThan(at('lt-1h', 'none', -10, 5));
      expect(at('ge-2y', 'repeated', -30, 20)).toBeGreaterThanOrEqual(2);
    }
  });
});
