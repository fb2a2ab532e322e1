import { expect, test } from '@jest/globals';
import { oddsText } from './odds.ts';

test.each([
  [0, 'hardly ever'],
  [0.0199, 'hardly ever'],
  [0.02, '2 in 100'],
  [0.149, '15 in 100'],
  [0.15, '2 in 10'],
  [0.5, '5 in 10'],
  [0.98, '10 in 10'],
  [0.981, 'almost surely'],
])('%s is %s', (odds, text) => expect(oddsText(odds)).toBe(text));
