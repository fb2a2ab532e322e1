import { describe, expect, test } from '@jest/globals';
import { estimateSpread, oddsAbove } from '../units/odds.ts';
import { drawn, luckOf, normalQuantile } from './luck.ts';

describe('luck', () => {
  test('the same seed and thing are the same number; another thing or seed is another', () => {
    expect(luckOf(7)('jumper/shrunk')).toBe(luckOf(7)('jumper/shrunk'));
    expect(luckOf(7)('jumper/shrunk')).not.toBe(luckOf(8)('jumper/shrunk'));
    expect(luckOf(7)('jumper/shrunk')).not.toBe(luckOf(7)('jumper/felted'));
  });
  test('numbers are spread evenly over things and over seeds', () => {
    const tenths = new Array<number>(10).fill(0);
    for (let seed = 0; seed < 100; seed++)
      for (let k = 0; k < 100; k++) {
        const at = Math.floor(luckOf(seed)(`p${k}/tinted`) * 10);
        tenths[at] = tenths[at]! + 1;
      }
    for (const n of tenths) expect(Math.abs(n - 1000)).toBeLessThan(120);
  });
  test.each([
    [0.5, 0],
    [0.975, 1.959964],
    [0.025, -1.959964],
    [0.001, -3.090232],
    [0.99, 2.326348],
  ])('the normal quantile of %d is %d', (u, z) => {
    expect(normalQuantile(u)).toBeCloseTo(z, 5);
  });
  test.each([
    [2, 3],
    [3, 3],
    [5, 3],
    [1, 4.3],
  ])('a prediction of %d comes out above %d as often as the odds say', (predicted, limit) => {
    const n = 4000;
    let above = 0;
    for (let k = 0; k < n; k++) if (drawn(predicted, (k + 0.5) / n, estimateSpread) > limit) above++;
    expect(above / n).toBeCloseTo(oddsAbove(predicted, limit), 2);
  });
});
