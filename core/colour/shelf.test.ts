/** Groups of a shelf, and colours that would be taken for one another. */
import { expect, test } from '@jest/globals';
import { looksAlike, shelfColour } from './shelf.ts';

test.each([
  ['#ffffff', 'white'],
  ['#101010', 'black'],
  ['#808080', 'grey'],
  ['#24314f', 'dark blue'],
  ['#c0202c', 'red'],
  ['#6b1420', 'dark red'],
  ['#d9761f', 'orange'],
  ['#e3b71c', 'yellow'],
  ['#7a3f8f', 'violet'],
  ['#a3222f', 'red'],
  ['#2f8a4a', 'green'],
  ['#e0cfae', 'pale'],
])('%s is %s', (hex, group) => expect(shelfColour(hex)).toBe(group));
test('alike from near, not from afar, either way round', () => {
  expect(looksAlike('#24314f', '#283556')).toBe(true);
  expect(looksAlike('#24314f', '#c0202c')).toBe(false);
  expect(looksAlike('#c0202c', '#24314f')).toBe(false);
});
