import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { phrases } from '@core/care-label/label.ts';
import { dyeIds } from '@core/colour/dye.ts';
import { traitIds } from '@core/construction/traits.ts';
import { fibreIds } from '@core/fibre/fibres.ts';
import { garmentKinds, uses } from '@core/garment/kinds.ts';
import { sizes } from '@core/model/garment.ts';
import { bleachOrder, ironOrder, tumbleOrder } from '@core/model/orders.ts';
import type { GarmentDocument } from './hamper-schema.ts';
import { problemLine } from './problem.ts';
import { readWardrobe, wardrobeColumns, wardrobeCsv } from './wardrobe-csv.ts';

const header = wardrobeColumns.join(',');
const read = (text: string): GarmentDocument[] => {
  const result = readWardrobe(text);
  if (!result.ok) throw new Error(result.problems.map(problemLine).join('\n'));
  return result.value.garments;
};
const problems = (text: string): string[] => {
  const result = readWardrobe(text);
  return result.ok ? [] : result.problems.map(problemLine);
};
const shirt: GarmentDocument = {
  id: 'g1',
  name: 'Sea-green camp shirt',
  kind: 'dress_shirt',
  parts: [
    {
      role: 'shell',
      fibres: [
        { fibre: 'cotton', percent: 60 },
        { fibre: 'polyester', percent: 40 },
      ],
    },
    { role: 'lining', fibres: [{ fibre: 'silk', percent: 100 }] },
  ],
  construction: ['woven'],
  features: ['buttons', 'print'],
  colours: [
    { hex: '#2f6f6b', role: 'ground' },
    { hex: '#ffffff', role: 'print' },
    { hex: '#101010', role: 'trim' },
  ],
  dye: 'reactive',
  label: {
    wash: { by: 'machine', maxC: 40, action: 'mild' },
    bleach: 'oxygen',
    tumble: 'low',
    dry: { position: 'line', drip: true, shade: true },
    iron: 'medium',
    phrases: ['wash-inside-out', 'use-net'],
  },
  dryMassG: 210,
  size: 'L',
  washCount: 12,
  valueEur: 40,
  count: 2,
  set: 'pair',
  use: 'clothes',
};

describe('writing', () => {
  test('every cell as the header says', () =>
    expect(wardrobeCsv([shirt])).toBe(
      `${header}\r\ng1,Sea-green camp shirt,dress_shirt,L,cotton 60; polyester 40,silk 100,woven,buttons; print,#2f6f6b; #ffffff print; #101010 trim,reactive,machine 40 mild,oxygen,low,line drip shade,medium,wash-inside-out; use-net,210,12,40,2,pair,clothes\r\n`,
    ));
  test.each([
    ['=1+1', "'=1+1"],
    ['+plus', "'+plus"],
    ['-minus', "'-minus"],
    ['@home', "'@home"],
    ["'quoted'", "'quoted'"],
    ['a, b', '"a, b"'],
    ['the "good" one', '"the ""good"" one"'],
  ])('the name %s', (name, cell) => {
    const csv = wardrobeCsv([{ ...shirt, name }]);
    expect(csv).toContain(`\r\ng1,${cell},dress_shirt`);
    expect(read(csv)[0]?.name).toBe(name);
  });
});

describe('reading', () => {
  test('gives back what was written', () => expect(read(wardrobeCsv([shirt]))).toEqual([shirt]));
  test('with a byte order mark, plain line ends, blank lines and line breaks in a name', () => {
    const text = '\uFEFFid,name,kind,fibres,colours\ng1,"two\nlines",tshirt,cotton 100,#ffffff\n\n';
    expect(read(text)).toEqual([
      {
        id: 'g1',
        name: 'two\nlines',
        kind: 'tshirt',
        parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
        colours: [{ hex: '#ffffff', role: 'ground' }],
      },
    ]);
  });
  test('unknown columns are named, in any order of the known ones', () => {
    const result = readWardrobe('shop,colours,fibres,kind,name,id\nx,#ffffff,silk 100,tie,Tie,g1\n');
    expect(result).toMatchObject({
      ok: true,
      value: { unknownColumns: ['shop'], garments: [{ id: 'g1', kind: 'tie' }] },
    });
  });
  const row = (cells: Partial<Record<string, string>>): string => {
    const good: Record<string, string> = {
      id: 'g1',
      name: 'Tee',
      kind: 'tshirt',
      fibres: 'cotton 100',
      colours: '#ffffff',
      ...cells,
    };
    return `${Object.keys(good).join(',')}\n${Object.values(good).join(',')}\n`;
  };
  test.each([
    [{ fibres: 'cotton' }, 'row 2, fibres: "cotton" must be a fibre and its percentage, like cotton 60'],
    [{ fibres: 'cotton 60' }, 'row 2, fibres: percentages must sum to 100'],
    [{ fibres: 'coton 100' }, 'row 2, fibres: must be one of '],
    [{ fibres: '' }, 'row 2, fibres: must not be empty'],
    [{ lining: 'silk 90' }, 'row 2, lining: percentages must sum to 100'],
    [{ name: '' }, 'row 2, name: must not be empty'],
    [{ kind: 'hat' }, 'row 2, kind: must be one of '],
    [{ kind: 'other' }, 'row 2, massG: is required for kind "other"'],
    [{ massG: '4' }, 'row 2, massG: must be between 5 and 6000'],
    [{ massG: '1x' }, 'row 2, massG: must be a number'],
    [{ colours: 'red' }, 'row 2, colours: must be a colour like #2f6f6b'],
    [{ colours: '#ffffff print' }, 'row 2, colours: must have at least one ground'],
    [{ wash: 'machine' }, 'row 2, wash: must be like machine 40 mild, hand 40 or none'],
    [{ wash: 'machine 45' }, 'row 2, wash: must be one of 30, 40, 50, 60, 70, 95'],
    [{ wash: 'hand 60' }, 'row 2, wash: must be 30 or 40 for hand washing'],
    [{ dry: 'line wet' }, 'row 2, dry: must be line or flat, then drip, shade where they hold'],
    [{ count: '0' }, 'row 2, count: must be between 1 and 60'],
    [{ washCount: '1.5' }, 'row 2, washCount: must be a whole number'],
    [{ use: 'garden' }, 'row 2, use: must be one of '],
  ])('%j is refused by row and column', (cells, line) => {
    const lines = problems(row(cells));
    expect(lines).toHaveLength(1);
    expect(lines[0]?.startsWith(line)).toBe(true);
  });
  test('everything wrong is said at once, fifty at most', () => {
    expect(problems('id,name\ng1,Tee\n')).toEqual([
      'row 1, kind: the column is missing',
      'row 1, fibres: the column is missing',
      'row 1, colours: the column is missing',
    ]);
    expect(
      problems('id,name,kind,fibres,colours\ng1,A,tshirt,cotton 100,#ffffff\ng1,B,tshirt,cotton 100,#ffffff\n'),
    ).toEqual(['row 3, id: "g1" is already used']);
    expect(problems(`id,name,kind,fibres,colours\n${'g,,x,y,z\n'.repeat(40)}`)).toHaveLength(50);
    expect(problems('')).toEqual(['document: empty']);
    expect(problems('id,name,kind,fibres,colours\n"g1,Tee')[0]).toBe('row 2: a quotation mark is not closed');
  });
});

const share = fc.constantFrom<[number, number]>(
  [60, 40],
  [99.5, 0.5],
  [100, 0],
  [33.333333333333336, 66.66666666666667],
);
const fibres = fc.tuple(fc.constantFrom(...fibreIds), fc.constantFrom(...fibreIds), share).map(([a, b, [p, q]]) => [
  { fibre: a, percent: p },
  { fibre: b, percent: q },
]);
const maybe = <T>(arb: fc.Arbitrary<T>): fc.Arbitrary<T | null> => fc.option(arb, { nil: null });
const anyGarment: fc.Arbitrary<GarmentDocument> = fc.record({
  id: fc.string({ minLength: 1 }).filter((s) => s.trim() !== '' && !s.includes('\u0000')),
  name: fc.string({ minLength: 1, unit: 'grapheme' }).filter((s) => s.trim() !== '' && !s.includes('\u0000')),
  kind: fc.constantFrom(...garmentKinds),
  parts: fc
    .tuple(fibres, maybe(fibres))
    .map(([shell, lining]) => [
      { role: 'shell' as const, fibres: shell },
      ...(lining ? [{ role: 'lining' as const, fibres: lining }] : []),
    ]),
  construction: maybe(fc.subarray(traitIds, { maxLength: 3 })),
  features: maybe(fc.subarray(traitIds, { maxLength: 3 })),
  colours: fc.constantFrom<GarmentDocument['colours']>(
    [{ hex: '#AAbb00', role: 'ground' }],
    [
      { hex: '#000000', role: 'trim' },
      { hex: '#ffffff', role: 'ground' },
    ],
  ),
  dye: maybe(fc.constantFrom(...dyeIds)),
  label: maybe(
    fc.record({
      wash: maybe(
        fc.constantFrom(
          { by: 'machine' as const, maxC: 40, action: 'mild' as const },
          { by: 'machine' as const, maxC: 95 },
          { by: 'hand' as const },
          { by: 'hand' as const, maxC: 30 },
          { by: 'none' as const },
        ),
      ),
      bleach: maybe(fc.constantFrom(...bleachOrder)),
      tumble: maybe(fc.constantFrom(...tumbleOrder)),
      iron: maybe(fc.constantFrom(...ironOrder)),
      dry: maybe(
        fc.record({
          position: fc.constantFrom('line' as const, 'flat' as const),
          drip: fc.boolean(),
          shade: fc.boolean(),
        }),
      ),
      phrases: fc.subarray([...phrases], { maxLength: 3 }),
    }),
  ),
  dryMassG: fc.double({ min: 5, max: 6000, noNaN: true }),
  size: maybe(fc.constantFrom(...sizes)),
  washCount: maybe(fc.nat(2000)),
  valueEur: maybe(fc.double({ min: 0, max: 1e9, noNaN: true })),
  count: maybe(fc.integer({ min: 1, max: 60 })),
  set: maybe(fc.string({ minLength: 1 }).filter((s) => s.trim() !== '' && !s.includes('\u0000'))),
  use: maybe(fc.constantFrom(...uses)),
});

describe('there and back', () => {
  test('a table that was written comes back letter for letter', () =>
    fc.assert(
      fc.property(fc.uniqueArray(anyGarment, { selector: (g) => g.id, maxLength: 8 }), (garments) => {
        const csv = wardrobeCsv(garments);
        expect(wardrobeCsv(read(csv))).toBe(csv);
      }),
      { numRuns: 150 },
    ));
  test('any text is read or refused, never thrown over', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 400, unit: 'grapheme' }), (text) => {
        readWardrobe(text);
        readWardrobe(`id,name,kind,fibres,colours\n${text}`);
      }),
      { numRuns: 300 },
    ));
});
