import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { say } from '../message/message.ts';
import { readComposition } from '../phrase/composition.ts';
import { readLabelText, readWholeLabel, withTypedWords } from './label-text.ts';
import { emptyLabel } from './label.ts';

const shell = (text: string): string[] =>
  readComposition(text).parts[0]?.fibres.map((f) => `${f.fibre} ${f.percent}`) ?? [];

describe('composition', () => {
  test.each([
    ['60% cotton 40% poly', ['cotton 60', 'polyester 40']],
    ['CO 97% EL 3%', ['cotton 97', 'elastane 3']],
    ['72 % viscose / 28 % linen', ['viscose 72', 'linen 28']],
    ['cotton 98, elastane 2%', ['cotton 98', 'elastane 2']],
    ['Baumwolle 80 % Polyester 20 %', ['cotton 80', 'polyester 20']],
    ['pure new wool', ['wool 100']],
    ['all silk', ['silk 100']],
    ['95 percent organic cotton, 5 percent spandex', ['cotton 95', 'elastane 5']],
    ['50% merino 30% lambswool 20% nylon', ['wool 80', 'polyamide 20']],
    ['12,5% camel 87,5% acrylic', ['cashmere 12.5', 'acrylic 87.5']],
    ['65% rayon and 35% ramie', ['viscose 65', 'linen 35']],
  ] as const)('%s', (text, expected) => expect(shell(text)).toEqual(expected));
  test('part by part', () => {
    const { parts, problems } = readComposition(
      'Shell: 100% polyamide; Lining: polyester 100 %; Filling 90% down 10% feather; Trim 100% leather',
    );
    expect(parts.map((p) => [p.role, p.fibres])).toEqual([
      ['shell', [{ fibre: 'polyamide', percent: 100 }]],
      ['lining', [{ fibre: 'polyester', percent: 100 }]],
      ['filling', [{ fibre: 'down-fill', percent: 100 }]],
      ['trim', [{ fibre: 'leather', percent: 100 }]],
    ]);
    expect(problems).toEqual([]);
  });
  test('an unknown fibre is asked for, and shares that do not sum are said', () => {
    const r = readComposition('55% glassfibre 45% cotton');
    expect(r.problems).toEqual([
      say('line.unknown-fibre', { name: 'glassfibre', percent: 55 }),
      say('line.sum', { role: 'shell', percent: 45, shares: [{ fibre: 'cotton', percent: 45 }] }),
    ]);
    expect(readComposition('80% wool 30% silk').problems[0]?.params).toMatchObject({ percent: 110 });
  });
});

describe('care words', () => {
  test.each([
    ['wash tub two dots one bar', { wash: { by: 'machine', maxC: 40, action: 'mild' } }],
    ['tub three dots two bars', { wash: { by: 'machine', maxC: 50, action: 'very-mild' } }],
    ['machine 40 weak', { wash: { by: 'machine', maxC: 40, action: 'mild' } }],
    ['iron three dots', { iron: 'high' }],
    ['tumble dry two dots', { tumble: 'normal' }],
    ['dryer one dot', { tumble: 'low' }],
    ['crossed tub', { wash: { by: 'none' } }],
    ['triangle with two slanted lines', { bleach: 'oxygen' }],
    ['circle with an A', { dryClean: 'any' }],
    ['circle P one bar', { dryClean: 'P-mild' }],
    ['wet clean gentle', { wetClean: 'mild' }],
    ['twisted cloth crossed', { phrases: ['do-not-wring'] }],
    ['professional leather clean only', { wash: { by: 'none' }, phrases: ['professional-leather'] }],
    ['damp wipe only', { phrases: ['damp-wipe-only'] }],
    ['do not iron decoration', { phrases: ['do-not-iron-decoration'] }],
    ['wash at 86 F', { wash: { by: 'machine', maxC: 30, action: 'normal' } }],
    ['dry clean', { dryClean: 'P', wash: null }],
    ['dry clean only', { wash: { by: 'none' }, phrases: ['dry-clean-only'] }],
  ])('%s', (words, expected) => expect(readLabelText(words).label).toMatchObject(expected));
  test('a whole label: nothing is guessed silently', () => {
    const r = readWholeLabel(
      '60% cotton 40% poly, machine wash cold, only non-chlorine bleach, tumble low, warm iron, sing to it',
    );
    expect(r.parts[0]?.fibres).toEqual([
      { fibre: 'cotton', percent: 60 },
      { fibre: 'polyester', percent: 40 },
    ]);
    expect(r.label).toMatchObject({
      wash: { by: 'machine', maxC: 30, action: 'normal' },
      bleach: 'oxygen',
      tumble: 'low',
      iron: 'medium',
    });
    expect(r.rest).toBe('sing to it');
  });
  test('typed words fill only what the symbols leave out', () => {
    const label = withTypedWords({ ...emptyLabel, iron: 'low', text: 'machine wash 40 mild, hot iron, no softener' });
    expect(label).toMatchObject({
      wash: { by: 'machine', maxC: 40, action: 'mild' },
      iron: 'low',
      phrases: ['no-softener'],
    });
    expect(withTypedWords({ ...emptyLabel, text: 'lorem ipsum' })).toMatchObject({ wash: null, iron: null });
  });
  test('any text is read in bounded time and never throws', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        const r = readWholeLabel(text);
        return r.parts.every((p) => p.fibres.every((f) => Number.isFinite(f.percent)));
      }),
    ));
});
