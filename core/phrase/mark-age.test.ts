import { describe, expect, test } from '@jest/globals';
import { readPieceLine } from './piece-line.ts';

const marksOf = (typed: string, weekday: number | null = null) => {
  const { marks, unknown } = readPieceLine(typed, [], weekday);
  return { marks: marks.map((m) => [m.kind, m.place, m.ageHours]), unknown: unknown.map((u) => u.word) };
};

describe('how old a mark is', () => {
  test.each([
    ['white cotton shirt, red wine on the cuff today', 'red-wine', 'cuff', 8],
    ['white cotton shirt, red wine on the cuff, just now', 'red-wine', 'cuff', 0.2],
    ['blue jeans, grass on the knee yesterday', 'grass', 'knee', 24],
    ['silk blouse, lipstick on the collar two days ago', 'lipstick', 'collar', 48],
    ['tea towel, tomato sauce last night', 'tomato-sauce', '', 16],
    ['tablecloth with a red wine stain from last week', 'red-wine', '', 168],
    ['apron, egg, 20 minutes ago', 'egg', '', 1 / 3],
    ['apron, egg stain, 3 h ago', 'egg', '', 3],
    ['linen shirt, rust on the collar, a few weeks old', 'rust', 'collar', 504],
    ['linen shirt, rust on the collar, 3 months old', 'rust', 'collar', 2190],
    ['linen shirt, rust on the collar, an hour ago', 'rust', 'collar', 1],
    ['linen shirt, rust on the collar, 2 years old', 'rust', 'collar', 17_520],
  ] as const)('%s', (typed, kind, place, hours) =>
    expect(marksOf(typed)).toEqual({ marks: [[kind, place, hours]], unknown: [] }),
  );
  test('the age of the piece is none of its mark', () => {
    expect(marksOf('a 5 years old tee with a coffee stain').marks).toEqual([['coffee', '', null]]);
    expect(marksOf('a 5 years old tee with a coffee stain, two days ago').marks).toEqual([['coffee', '', 48]]);
    expect(marksOf('two days ago: red wine on the cuff of a white shirt').marks).toEqual([['red-wine', 'cuff', 48]]);
  });
  test('two marks of one line are of one age', () =>
    expect(marksOf('tablecloth, candle wax and red wine, two days ago').marks).toEqual([
      ['wax', '', 48],
      ['red-wine', '', 48],
    ]));
  test('what is not said stays unknown; a weekday is no age where today’s is not known; without a mark nothing is read as one', () => {
    expect(marksOf('shirt with an oil stain').marks).toEqual([['cooking-grease', '', null]]);
    expect(marksOf('shirt with an oil stain from tuesday')).toEqual({
      marks: [['cooking-grease', '', null]],
      unknown: ['tuesday'],
    });
    expect(readPieceLine('jeans, today', []).marks).toEqual([]);
    expect(readPieceLine('jeans, today', []).unknown.map((u) => u.word)).toEqual(['today']);
  });
  test.each(['needed by saturday', 'needed on saturday', 'for saturday', 'next saturday'])('%s tells no age', (when) =>
    expect(marksOf(`white shirts, red wine on the front, ${when}`, 0).marks).toEqual([['red-wine', 'front', null]]),
  );
  test.each([
    ['since saturday', 0, 24],
    ['from Saturday evening', 1, 48],
    ['on monday', 0, 144],
    ['last sunday', 0, 168],
    ['sunday', 6, 144],
  ] as const)('%s, said on day %d of the week, is %d hours', (when, weekday, hours) =>
    expect(marksOf(`white shirts, red wine on the front ${when}`, weekday)).toEqual({
      marks: [['red-wine', 'front', hours]],
      unknown: [],
    }),
  );
});
