import { describe, expect, test } from '@jest/globals';
import { fromKept, toKept, usualUnits } from '@core/units/choices.ts';
import { inUnits, pageInUnits } from './units.ts';

const american = { ...usualUnits, temperature: 'F', mass: 'lb', volume: 'floz', length: 'in' } as const;

describe('units', () => {
  test.each([
    ['temperature', 'F', 40, 104],
    ['temperature', 'F', -40, -40],
    ['temperature', 'C', 40, 40],
    ['mass', 'lb', 1, 2.204_622_6],
    ['volume', 'floz', 100, 3.381_402_3],
    ['volume', 'tbsp', 100, 6.762_804_5],
    ['length', 'in', 25.4, 10],
  ] as const)('%s in %s: %d is %d', (quantity, unit, kept, said) => {
    expect(fromKept(quantity, unit, kept)).toBeCloseTo(said, 6);
    expect(toKept(quantity, unit, said)).toBeCloseTo(kept, 5);
  });
  test.each([
    ['at most 40 °C.', 'at most 104 °F.'],
    ['30–40 °C', '86–104 °F'],
    ['3.1 of 5.3 kg', '6.8 of 11.7 lb'],
    ['48 ml', '1.6 fl oz'],
    ['65 g', '2.3 oz'],
    ['inseam: 80.6 cm', 'inseam: 31.7 in'],
    ['8 g/l at 60 °C', '8 g/l at 140 °F'],
    ['4 ml per litre', '4 ml per litre'],
    ['140 g per m²', '140 g per m²'],
    ['load 3 goes on', 'load 3 goes on'],
    ['2.5 kgs', '2.5 kgs'],
  ])('%s', (text, said) => expect(inUnits(text, american)).toBe(said));
  test('sentences stay as they are with the usual units', () =>
    expect(inUnits('40 °C, 48 ml', usualUnits)).toBe('40 °C, 48 ml'));
  test('a page: sentences and figures, but nothing that was typed', () => {
    const page = {
      title: 'Wash at 40 °C',
      figures: [{ value: '60', unit: '°C', note: 'set by 5 kg' }],
      start: { hint: '40 °C' },
      name: 'Towels, 60 °C',
      at: new Date(0),
    };
    expect(pageInUnits(page, american)).toEqual({
      ...page,
      title: 'Wash at 104 °F',
      figures: [{ value: '140', unit: '°F', note: 'set by 11 lb' }],
    });
    expect(pageInUnits(page, usualUnits)).toBe(page);
  });
});
