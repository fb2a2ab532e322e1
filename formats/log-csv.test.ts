/** The log as a table: there and back, read by another reader, refused row by row. */
import { describe, expect, test } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { logColumns, logCsv, logEvents, logKeys, readLog, type LogEntry, type LogKey } from './log-csv.ts';
import { armed, defused } from './spreadsheet.ts';

const at = '2026-05-09T08:00:00+02:00';
const entry = (change: Partial<LogEntry> = {}): LogEntry => ({
  at,
  event: 'worn',
  garment: 'g1',
  load: '',
  facts: [],
  note: '',
  ...change,
});
const read = (text: string): LogEntry[] => {
  const result = readLog(text);
  if (!result.ok) throw new Error(result.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
  return result.value;
};
const problems = (text: string): string[] => {
  const result = readLog(text);
  return result.ok ? [] : result.problems.map((p) => `${p.path}: ${p.message}`);
};

describe('writing', () => {
  test('one thing a row, with its unit; the note stands on the first', () =>
    expect(
      logCsv([
        entry({
          event: 'washed',
          load: 'L',
          facts: [
            { key: 'temperatureC', value: '40', unit: '°C' },
            { key: 'programme', value: 'cottons', unit: '' },
          ],
          note: 'with towels',
        }),
        entry(),
      ]),
    ).toBe(
      [
        'at,event,garment,load,key,value,unit,note',
        `${at},washed,g1,L,temperatureC,40,°C,with towels`,
        `${at},washed,g1,L,programme,cottons,,`,
        `${at},worn,g1,,,,,`,
        '',
      ].join('\r\n'),
    ));
  test('another reader finds the same cells', () => {
    const text = logCsv([entry({ note: 'a "quote", a comma\nand a line' })]);
    const rows = parse<Record<string, string>>(text, { columns: true, relax_column_count: false });
    expect(Object.keys(rows[0]!)).toEqual([...logColumns]);
    expect(rows[0]!.note).toBe('a "quote", a comma\nand a line');
  });
  test('nothing in it is a formula to a spreadsheet; numbers stay numbers', () => {
    const text = logCsv([
      entry({ note: '=HYPERLINK("x")', garment: '+1', facts: [{ key: 'length', value: '-2.5', unit: 'cm' }] }),
    ]);
    const [row] = parse<Record<string, string>>(text, { columns: true });
    expect(row).toMatchObject({ note: '\'=HYPERLINK("x")', garment: "'+1", value: '-2.5' });
    expect(read(text)[0]).toMatchObject({ note: '=HYPERLINK("x")', garment: '+1' });
  });
});

describe('reading', () => {
  const anyText = fc.string({ minLength: 1, maxLength: 12 }).filter((s) => s.trim() === s && !s.includes('\u0000'));
  const anyFact = fc.constantFrom(...(Object.keys(logKeys) as LogKey[])).chain((key) =>
    (logKeys[key].is === 'number' ? fc.integer({ min: -99, max: 999 }).map(String) : anyText).map((value) => ({
      key,
      value,
      unit: logKeys[key].unit,
    })),
  );
  const anyEntry: fc.Arbitrary<LogEntry> = fc.record({
    at: fc.constantFrom(at, '2026-01-01T00:00:00Z', '2025-12-31T23:59:59-05:00'),
    event: fc.constantFrom(...logEvents),
    garment: anyText,
    load: fc.constantFrom('', 'L1'),
    facts: fc.uniqueArray(anyFact, { selector: (f) => f.key, maxLength: 4 }),
    note: fc.oneof(fc.constant(''), anyText),
  });
  test('what was written, read and written again is the same text', () =>
    fc.assert(
      fc.property(fc.array(anyEntry, { maxLength: 12 }), (entries) => {
        const text = logCsv(entries);
        expect(logCsv(read(text))).toBe(text);
      }),
    ));
  test('rows of one event become one entry again; a key that comes twice begins a new one', () => {
    const facts = [{ key: 'count', value: '2', unit: 'times' }];
    expect(read(logCsv([entry({ facts }), entry({ facts })]))).toHaveLength(2);
  });
  test('columns may stand in another order, and with a mark of Unicode before them', () =>
    expect(read(`\uFEFFgarment,at,event,load,key,value,unit,note\ng,${at},aired,,,,,\n`)).toEqual([
      entry({ garment: 'g', event: 'aired' }),
    ]));
  test('every problem names its row and column', () => {
    const head = 'at,event,garment,load,key,value,unit,note\n';
    expect(problems('')).toEqual(['document: empty']);
    expect(problems('at,event,garment,load,key,value,unit,note,at\n')).toEqual(['row 1, at: the column stands twice']);
    expect(problems('at,event\n')).toContain('row 1, garment: the column is missing');
    expect(problems(`${head}yesterday,worn,g,,,,,\n`)[0]).toMatch(/^row 2, at: must be a moment/);
    expect(problems(`${head}${at},eaten,,,,,,\n`)).toEqual([
      expect.stringMatching(/^row 2, event: must be one of worn, aired/),
      'row 2, garment: must not be empty',
    ]);
    expect(problems(`${head}${at},worn,g,,count,often,,\n`)).toEqual(['row 2, value: must be a number']);
    expect(problems(`${head}${at},worn,g,,colour,red,,\n`)).toEqual(['row 2, key: "colour" is not known']);
    expect(problems(`${head}${at},worn,g,,,5,,\n`)).toEqual(['row 2, key: must not be empty where there is a value']);
    expect(problems(`${head}${at},worn,"g,,,,,\n`)[0]).toMatch(/a quotation mark is not closed/);
    expect(problems(`${head}${'x,y,z,,,,,\n'.repeat(80)}`)).toHaveLength(50);
  });
});

describe('spreadsheets', () => {
  test('the mark comes off again, whatever the cell was', () =>
    fc.assert(fc.property(fc.string(), (s) => expect(armed(defused(s))).toBe(s))));
  test.each(['=1', '+1', '-1', '@a', '\t=1', "'=1"])('%s is marked', (s) => expect(defused(s)).toBe(`'${s}`));
  test.each(['a=1', "it's", '5', ''])('%s is not', (s) => expect(defused(s)).toBe(s));
});
