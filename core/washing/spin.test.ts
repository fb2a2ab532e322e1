/** Spin: pull, what a label's speed means, water left. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { physicalFibres, type PhysicalFibreId } from '../fibre/physical.ts';
import { moistureAfterSpin, moistureAfterTowelRolls, rpmForMoisture, spinClass, spinG, spinWithin } from './spin.ts';

const d = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const fibres = Object.keys(physicalFibres) as PhysicalFibreId[];
const anyFibre = fc.constantFrom(...fibres).map((f) => new Map([[f, 1]]));
const cotton = new Map<PhysicalFibreId, number>([['cotton', 1]]);

describe('spin', () => {
  test('1,400 rpm in a 24 cm drum is 526 g; twice the speed four times the pull', () => {
    expect(spinG(1400)).toBeCloseTo(526.0, 0);
    expect(spinG(1200) / spinG(600)).toBeCloseTo(4, 9);
  });
  test("a label's speed means the reference drum: a smaller one may turn faster", () => {
    expect(spinWithin(800, 0.2, 750)).toBe(true);
    expect(spinWithin(800, 0.3, 750)).toBe(false);
    expect(spinWithin(0, 0.3, 0)).toBe(true);
  });
  test('faster never leaves more water, and never less than the fibre holds', () =>
    fc.assert(
      fc.property(anyFibre, d(300, 1300), (fibre, rpm) => {
        const x = moistureAfterSpin(fibre, rpm);
        expect(moistureAfterSpin(fibre, rpm + 100)).toBeLessThanOrEqual(x + 1e-12);
        expect(x).toBeGreaterThanOrEqual(physicalFibres[[...fibre.keys()][0] as PhysicalFibreId].spinFloor - 1e-12);
        expect(x).toBeLessThanOrEqual(moistureAfterSpin(fibre, 0) + 1e-12);
      }),
    ));
  test('a short spin is between dripping and settled', () =>
    fc.assert(
      fc.property(anyFibre, d(5, 400), (fibre, seconds) => {
        const short = moistureAfterSpin(fibre, 800, 0.24, seconds);
        expect(short).toBeGreaterThanOrEqual(moistureAfterSpin(fibre, 800) - 1e-12);
        expect(short).toBeLessThanOrEqual(moistureAfterSpin(fibre, 0) + 1e-12);
      }),
    ));
  test('the speed for a moisture leaves that moisture', () =>
    fc.assert(
      fc.property(d(400, 1400), (rpm) => {
        const back = rpmForMoisture(cotton, moistureAfterSpin(cotton, rpm));
        if (moistureAfterSpin(cotton, rpm) > physicalFibres.cotton.spinFloor) expect(back).toBeCloseTo(rpm, 4);
      }),
    ));
  test('no speed reaches bone dry; dripping needs none', () => {
    expect(rpmForMoisture(cotton, 0.01)).toBeNull();
    expect(rpmForMoisture(cotton, 5)).toBe(0);
  });
  test.each([
    [0.44, 'A'],
    [0.45, 'B'],
    [0.62, 'C'],
    [0.71, 'D'],
    [0.95, 'G'],
  ] as const)('moisture %p is class %s', (x, cls) => expect(spinClass(x)).toBe(cls));
  test('towels take less each time, and standing on them takes more', () => {
    const after = (rolls: number, press: 'hands' | 'standing' = 'hands'): number =>
      moistureAfterTowelRolls(cotton, 1, 300, 500, rolls, press);
    expect(1 - after(1)).toBeGreaterThan(after(1) - after(2));
    expect(after(1, 'standing')).toBeLessThan(after(1));
  });
});
