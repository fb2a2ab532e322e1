import { describe, expect, test } from '@jest/globals';
import type { PhysicalFibreId } from '../fibre/physical.ts';
import { ironClassC, plateChangeMin, plateLimitC, plateWaitMin, sprayMl } from './ironing.ts';

const cotton = new Map<PhysicalFibreId, number>([['cotton', 1]]);

describe('the iron', () => {
  test('a blend is pressed for its most tender fibre', () =>
    expect(
      plateLimitC(
        new Map([
          ['cotton', 0.6],
          ['polyester', 0.4],
        ]),
      ),
    ).toBeLessThanOrEqual(plateLimitC(cotton)));
  test('heating is quick, cooling slow: from cool to hot costs less waiting than back', () => {
    expect(plateChangeMin(20, 110)).toBeCloseTo(1, 9);
    expect(plateWaitMin([ironClassC.low, ironClassC.medium, ironClassC.high])!).toBeLessThan(
      plateWaitMin([ironClassC.high, ironClassC.medium, ironClassC.low])!,
    );
    expect(plateChangeMin(110, 20)).toBeNull();
  });
  test('spray up to iron-damp, nothing on damp cloth', () => {
    expect(sprayMl(200, cotton, 0.05)).toBeCloseTo(20, 9);
    expect(sprayMl(200, cotton, 0.3)).toBe(0);
  });
});
