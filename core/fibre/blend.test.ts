import { describe, expect, test } from '@jest/globals';
import { physicalShares, significantFibres } from './blend.ts';

describe('blends', () => {
  test('wool counts from 5 %, cotton from 20 %, and something always counts', () => {
    expect(
      significantFibres([
        { fibre: 'cotton', percent: 94 },
        { fibre: 'wool', percent: 6 },
      ]).map((f) => f.fibre),
    ).toEqual(['cotton', 'wool']);
    expect(
      significantFibres([
        { fibre: 'polyester', percent: 85 },
        { fibre: 'cotton', percent: 15 },
      ]).map((f) => f.fibre),
    ).toEqual(['polyester']);
    expect(
      significantFibres([
        { fibre: 'cotton', percent: 0 },
        { fibre: 'wool', percent: 1 },
      ]).map((f) => f.fibre),
    ).toEqual(['wool']);
  });
  test('a jacket dries as its filling does', () =>
    expect(
      physicalShares([
        { role: 'shell', fibres: [{ fibre: 'polyamide', percent: 100 }] },
        { role: 'filling', fibres: [{ fibre: 'down-fill', percent: 100 }] },
      ]),
    ).toEqual(new Map([['down', 1]])));
});
