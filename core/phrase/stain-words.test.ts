import { describe, expect, test } from '@jest/globals';
import { findStains } from './stain-words.ts';

describe('finding a mark by a word', () => {
  test('by a word: names first, then other words for it', () => {
    expect(findStains('bike chain')).toEqual(['engine-oil']);
    expect(findStains('Ketchup')).toEqual(['tomato-sauce']);
    expect(findStains('ink')[0]).toBe('ink-ballpoint');
    expect(findStains('  ')).toEqual([]);
  });
  test.each([
    ['pit stains', 'underarm-yellow'],
    ['yellow armpits', 'underarm-yellow'],
    ['wine', 'red-wine'],
    ['latte', 'coffee-milk'],
    ['egg', 'egg'],
    ['old blood', 'blood-dried'],
    ['Gel pens', 'ink-gel'],
  ] as const)('%s is %s', (word, kind) => expect(findStains(word)[0]).toBe(kind));
  test('a word begins a word: ink is no drink, tea no steak', () => {
    expect(findStains('ink').every((k) => k.startsWith('ink'))).toBe(true);
    expect(findStains('ink').length).toBe(4);
    expect(findStains('rink')).toEqual([]);
  });
  test('nothing asked, nothing found; a general word alone finds what is called so', () => {
    expect(findStains('  ')).toEqual([]);
    expect(findStains('spot').length).toBeGreaterThan(0);
  });
});
