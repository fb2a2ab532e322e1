import { expect, test } from '@jest/globals';
import { verdictOf, type Side } from './assess.ts';

const side = (score: number): Side => ({ score }) as Side;
const verdict = (you: number, beginner = 40) => verdictOf({ ended: null, you: side(you), beginner: side(beginner) });

test.each([
  [100, 'best'],
  [99, 'best'],
  [98.9, 'nearly'],
  [80, 'nearly'],
  [79.9, 'good'],
  [50, 'good'],
  [49.9, 'usual'],
])('a score of %s, the beginner at 40: %s', (score, expected) => expect(verdict(score)).toBe(expected));
test('a round that ended is no round', () => {
  const ended = { line: 'bleach-acid', hazard: 'haz-cl2', agents: [], pieces: [] } as never;
  expect(verdictOf({ ended, you: side(100), beginner: side(0) })).toBe('ended');
});
