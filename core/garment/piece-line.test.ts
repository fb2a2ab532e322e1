import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readLabelText } from '../care-label/label-text.ts';
import { labelInWords } from '@words/en/label.ts';
import { readPieceLine } from './piece-line.ts';

describe('a piece in one line', () => {
  test('everything is said', () => {
    const p = readPieceLine('navy merino jumper, hand wash, M');
    expect(p).toMatchObject({
      name: 'Navy merino jumper',
      kind: 'jumper_fine',
      size: 'M',
      colours: [{ hex: '#232f4e', role: 'ground' }],
      parts: [{ role: 'shell', fibres: [{ fibre: 'wool', percent: 100 }] }],
      assumed: [],
      unknown: [],
    });
    expect(p.label?.wash).toEqual({ by: 'hand', maxC: 40 });
  });
  test('blends and label words', () => {
    const p = readPieceLine(
      '60% cotton 40% poly white shirt, machine wash cold, only non-chlorine bleach, tumble low, warm iron',
    );
    expect(p.parts[0]?.fibres).toEqual([
      { fibre: 'cotton', percent: 60 },
      { fibre: 'polyester', percent: 40 },
    ]);
    expect(p.label).toMatchObject({
      wash: { by: 'machine', maxC: 30, action: 'normal' },
      bleach: 'oxygen',
      tumble: 'low',
      iron: 'medium',
    });
    expect(p.assumed).toEqual(['Size M.']);
  });
  test.each([
    ['black jeans L', 'jeans', 'cotton'],
    ['red silk scarf', 'silk_scarf', 'silk'],
    ['lime cycling jersey', 'sport_tee', 'polyester'],
    ['grey cashmere sweater', 'cashmere_jumper', 'cashmere'],
    ['two bath sheets oat', 'bath_sheet', 'cotton'],
    ['raw denim jeans', 'jeans_raw_heavy', 'cotton'],
  ])('%s', (line, kind, fibre) => {
    const p = readPieceLine(line);
    expect(p.kind).toBe(kind);
    expect(p.parts[0]?.fibres[0]?.fibre).toBe(fibre);
    expect(p.unknown).toEqual([]);
  });
  test('what is missing is assumed aloud, never silently', () => {
    const p = readPieceLine('thingamajig');
    expect(p.kind).toBe('other');
    expect(p.parts[0]?.fibres).toEqual([{ fibre: 'unknown', percent: 100 }]);
    expect(p.assumed).toHaveLength(5);
    expect(p.unknown).toEqual(['thingamajig']);
  });
  test('any text gives a usable piece whose shares sum to 100', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (line) => {
        const p = readPieceLine(line);
        return (
          p.name.length > 0 &&
          p.name.length <= 80 &&
          p.parts.every((x) => Math.abs(x.fibres.reduce((s, f) => s + f.percent, 0) - 100) <= 1) &&
          p.colours.some((c) => c.role === 'ground')
        );
      }),
    ));
});

describe('label words', () => {
  test.each([
    ['wash 104F gentle', { wash: { by: 'machine', maxC: 40, action: 'mild' } }],
    ['dry clean only', { wash: { by: 'none' } }],
    ['do not tumble dry', { tumble: 'none' }],
    ['machine wash hot', { wash: { by: 'machine', maxC: 60, action: 'normal' } }],
    ['40° very mild', { wash: { by: 'machine', maxC: 40, action: 'very-mild' } }],
    [
      'do not bleach, cool iron, dry flat',
      { bleach: 'none', iron: 'low', dry: { position: 'flat', drip: false, shade: false } },
    ],
    ['wash separately the first time', { phrases: ['wash-separately-first'] }],
  ])('%s', (words, expected) => expect(readLabelText(words).label).toMatchObject(expected));
  test('what no rule understands stays over', () =>
    expect(readLabelText('machine wash 40 and sing to it').rest).toBe('and sing to it'));
  test('no label words, no label', () => expect(readLabelText('blue jumper').label).toBeNull());
  test('the model says it back in words', () =>
    expect(labelInWords(readLabelText('machine wash 40 mild, no bleach, tumble low').label!)).toEqual([
      'Machine wash up to 40 °C, mild',
      'Do not bleach',
      'Tumble dry low',
    ]));
});
