import { describe, expect, test } from '@jest/globals';
import { clueWords } from '@words/en/bench.ts';
import { identify, type Clues } from './identify.ts';
import { stainKinds } from './stains.ts';

describe('what may it be', () => {
  test('orange, greasy, from the kitchen: tomato or curry first', () => {
    expect(
      identify({ look: 'orange', feel: 'greasy', source: 'kitchen' })
        .slice(0, 2)
        .map((x) => x.kind)
        .sort(),
    ).toEqual(['tomato-sauce', 'turmeric-curry']);
  });
  test('black, greasy, smells of fuel, from the workshop', () => {
    expect(identify({ look: 'grey-black', feel: 'greasy', smell: 'fuel', source: 'workshop' })[0]).toEqual({
      kind: 'engine-oil',
      fit: 1,
    });
  });
  test('nothing said, nothing found; no idea where from counts for nothing', () => {
    expect(identify({})).toEqual([]);
    expect(identify({ source: 'unknown' })).toEqual([]);
    expect(identify({ look: 'green', source: 'unknown' })[0]!.fit).toBe(1);
  });
  test('every kind can be found by its own best clues', () => {
    const found = new Set<string>();
    for (const look of Object.keys(clueWords.look))
      for (const source of Object.keys(clueWords.source))
        for (const x of identify({ look, source } as Clues)) found.add(x.kind);
    expect(stainKinds.filter((k) => !found.has(k))).toEqual([]);
  });
});
