import { describe, expect, test } from '@jest/globals';
import { spansOf } from './explained.tsx';

const means = (sentence: string): string[] => spansOf(sentence).flatMap((s) => (s.means === null ? [] : [s.text]));

describe('terms in a sentence', () => {
  test('a term is explained where it first stands, once', () => {
    expect(means('Spin at 600 rpm, then spin again.')).toEqual(['Spin']);
    expect(
      spansOf('Spin at 600 rpm.')
        .map((s) => s.text)
        .join(''),
    ).toBe('Spin at 600 rpm.');
  });
  test('the longer term wins, and words that only hold one are left alone', () => {
    expect(means('Put a colour catcher in.')).toEqual(['colour catcher']);
    expect(means('A spinning top in a cabinet.')).toEqual([]);
    expect(means('Nothing to explain')).toEqual([]);
    expect(spansOf('')).toEqual([]);
  });
});
