import { describe, expect, test } from '@jest/globals';
import { isReturnAnswer, pastVisits, returnAnswers, returnLooks, returnLooksOf, returnRemedy } from './visit.ts';

describe('a piece that comes back from the cleaner', () => {
  test('colour and smell are always asked; marks, parts and size only where there is something to compare', () => {
    expect(returnLooksOf({ marks: 0, measured: false, parts: false })).toEqual(['colour', 'smell']);
    expect(returnLooksOf({ marks: 1, measured: false, parts: false })).toEqual(['colour', 'marks', 'smell']);
    expect(returnLooksOf({ marks: 0, measured: true, parts: false })).toEqual(['colour', 'size', 'smell']);
    expect(returnLooksOf({ marks: 0, measured: false, parts: true })).toEqual(['colour', 'parts', 'smell']);
    expect(returnLooksOf({ marks: 2, measured: true, parts: true })).toEqual(returnLooks);
  });
  test.each([
    ['colour', 'paler', 'claim'],
    ['colour', 'patchy', 'claim'],
    ['marks', 'lighter', 'ask-again'],
    ['marks', 'still-there', 'ask-again'],
    ['parts', 'missing', 'claim'],
    ['size', 'smaller', 'measure'],
    ['size', 'larger', 'measure'],
    ['smell', 'solvent', 'air-it'],
  ] as const)('%s: %s asks for: %s', (look, answer, remedy) => expect(returnRemedy(look, answer)).toBe(remedy));
  test('the good answer of every question asks for nothing', () =>
    expect(returnLooks.map((l) => returnRemedy(l, returnAnswers[l][0]))).toEqual(returnLooks.map(() => null)));
  test('an answer belongs to its question', () => {
    expect(isReturnAnswer('size', 'smaller')).toBe(true);
    expect(isReturnAnswer('colour', 'smaller')).toBe(false);
    expect(isReturnAnswer('colour', '')).toBe(false);
  });
});

test('earlier visits: their mean price, and how often they were worth it of those judged', () => {
  expect(pastVisits([])).toBeNull();
  expect(
    pastVisits([
      { cost: 12, worthIt: true },
      { cost: 9, worthIt: null },
      { cost: 15, worthIt: false },
    ]),
  ).toEqual({ visits: 3, meanCost: 12, worth: 1, judged: 2 });
});
