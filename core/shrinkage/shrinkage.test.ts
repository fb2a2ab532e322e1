/** Relaxation and felting: bounds, order, and hand-worked washes. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  feltingPercent,
  relaxationPercent,
  shrinkClasses,
  shrinkPercent,
  stretchTarget,
  totalShrinkPercent,
  agitationShare,
  type Agitation,
  type ShrinkClass,
  type WashEvent,
} from './shrinkage.ts';

const wash = (change: Partial<WashEvent> = {}): WashEvent => ({
  temperatureC: 60,
  agitation: 'cotton',
  drying: 'tumble-low',
  minutes: 60,
  times: 1,
  insideOut: false,
  ...change,
});
const classes = Object.keys(shrinkClasses) as ShrinkClass[];
const anyClass = fc.constantFrom(...classes);
const anyWash: fc.Arbitrary<WashEvent> = fc.record({
  temperatureC: fc.constantFrom(20, 30, 40, 60),
  agitation: fc.constantFrom(...(Object.keys(agitationShare) as Agitation[])),
  drying: fc.constantFrom('flat' as const, 'line' as const, 'tumble-low' as const, 'tumble-hot' as const),
  minutes: fc.integer({ min: 5, max: 150 }),
  times: fc.integer({ min: 1, max: 3 }),
  insideOut: fc.boolean(),
});

describe('relaxation', () => {
  test('raw cotton jersey, 60 °C, tumbled low: the first wash takes 0.6 × 8 %', () =>
    expect(relaxationPercent('cotton-jersey-raw', 'length', [wash()])).toBeCloseTo(0.6 * 8, 9));
  test('the second takes what the first left', () =>
    expect(relaxationPercent('cotton-jersey-raw', 'length', [wash({ times: 2 })])).toBeCloseTo(8 * (1 - 0.4 ** 2), 9));
  test('line drying takes 15 % less', () =>
    expect(
      relaxationPercent('linen', 'length', [wash({ drying: 'line' })]) / relaxationPercent('linen', 'length', [wash()]),
    ).toBeCloseTo(0.85, 9));
  test("no wash gives it back; the class's limit holds", () =>
    fc.assert(
      fc.property(anyClass, fc.array(anyWash, { maxLength: 5 }), anyWash, (cls, washes, one) => {
        const before = relaxationPercent(cls, 'length', washes);
        const after = relaxationPercent(cls, 'length', [...washes, one]);
        expect(after).toBeGreaterThanOrEqual(before - 1e-12);
        expect(after).toBeLessThanOrEqual(shrinkClasses[cls].length * 1.2 + 1e-9);
      }),
    ));
  test('a sanforised cloth relaxes less than the raw one', () =>
    expect(relaxationPercent('denim-sanforized', 'length', [wash()])).toBeLessThan(
      relaxationPercent('denim-raw', 'length', [wash()]),
    ));
});

describe('felting', () => {
  test('only hair felts', () => {
    for (const cls of classes) if (!/wool|cashmere|mohair/.test(cls)) expect(feltingPercent(cls, [wash()])).toBe(0);
  });
  test('wool by programme and by cotton cycle', () => {
    const gentle = feltingPercent('wool-knit', [
      wash({ temperatureC: 30, agitation: 'wool-programme', drying: 'flat', minutes: 40 }),
    ]);
    expect(gentle).toBeCloseTo(35 * (1 - Math.exp(-(0.35 * 0.04 * 0.5 * 40) / 30)), 9);
    expect(gentle).toBeLessThan(0.4);
    expect(feltingPercent('wool-knit', [wash({ temperatureC: 40, drying: 'flat' })])).toBeGreaterThan(15);
  });
  test('ten degrees double the rate, while it is small', () => {
    const at = (temperatureC: number): number =>
      feltingPercent('wool-superwash', [
        wash({ temperatureC, agitation: 'wool-programme', drying: 'flat', minutes: 10 }),
      ]);
    expect(at(40) / at(30)).toBeCloseTo(2, 2);
  });
  test('never past 35 %, never back', () =>
    fc.assert(
      fc.property(anyClass, fc.array(anyWash, { maxLength: 6 }), anyWash, (cls, washes, one) => {
        const after = feltingPercent(cls, [...washes, one]);
        expect(after).toBeLessThanOrEqual(35);
        expect(after).toBeGreaterThanOrEqual(feltingPercent(cls, washes) - 1e-9);
      }),
    ));
  test('a treated wool felts a tenth', () =>
    expect(shrinkClasses['wool-superwash'].felting / shrinkClasses['wool-knit'].felting).toBeLessThan(0.1));
});

describe('both', () => {
  test('in sequence: less than the sum, at least the larger', () =>
    fc.assert(
      fc.property(anyClass, fc.array(anyWash, { minLength: 1, maxLength: 4 }), (cls, washes) => {
        const [relax, felt] = [relaxationPercent(cls, 'length', washes), feltingPercent(cls, washes)];
        const total = totalShrinkPercent(cls, 'length', washes);
        expect(total).toBeLessThanOrEqual(relax + felt + 1e-9);
        expect(total).toBeGreaterThanOrEqual(Math.max(relax, felt) - 1e-9);
      }),
    ));
  test('68 cm that became 64.6 lost 5 %; grown is negative', () => {
    expect(shrinkPercent(68, 64.6)).toBeCloseTo(5, 9);
    expect(shrinkPercent(50, 51)).toBeCloseTo(-2, 9);
  });
  test('stretched back no further than it was, nor than the cloth bears', () => {
    expect(stretchTarget(68, 64, 5)).toBeCloseTo(67.2, 9);
    expect(stretchTarget(68, 67, 5)).toBe(68);
  });
});
