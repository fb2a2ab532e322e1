/** A text as a table with a head (RFC 4180, UTF-8): rows with their numbers, or what is wrong with it, row by row. Row 1 is the head. */
import Papa from 'papaparse';
import { maxProblems, type Problem } from './problem.ts';

export interface TableReader {
  /** The heads, as they stand. */
  columns: string[];
  /** Row by row: empty ones are passed over, those longer than the head are named. */
  rows: Iterable<{ number: number; cells: string[] }>;
  problems: Problem[];
  /** Keeps at most as many problems as anyone reads. */
  wrong: (row: number, column: string, message: string) => void;
}
export interface TableLimits {
  /** Columns that may stand once, and those that must. */
  known: readonly string[];
  required: readonly string[];
  mostRows: number;
  /** What the rows are. */
  noun: string;
}
export function readTable(text: string, { known, required, mostRows, noun }: TableLimits): TableReader {
  const problems: Problem[] = [];
  const wrong = (row: number, column: string, message: string): void => {
    if (problems.length < maxProblems) problems.push({ path: `row ${row}${column ? `, ${column}` : ''}`, message });
  };
  const nothing = { columns: [], rows: [], problems, wrong };
  const refused = (message: string): TableReader => {
    problems.push({ path: 'document', message });
    return nothing;
  };
  if (text.trim() === '') return refused('empty');
  if (text.includes('\u0000')) return refused('not a text');
  const table = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { header: false, delimiter: ',' });
  for (const e of table.errors) if (e.type === 'Quotes') wrong((e.row ?? 0) + 1, '', 'a quotation mark is not closed');
  const [header = [], ...body] = table.data;
  const columns = header.map((c) => c.trim());
  for (const c of required) if (!columns.includes(c)) wrong(1, c, 'the column is missing');
  for (const [k, c] of columns.entries())
    if (known.includes(c) && columns.indexOf(c) !== k) wrong(1, c, 'the column stands twice');
  if (body.length > mostRows) wrong(mostRows + 2, '', `there are at most ${mostRows} ${noun}`);
  if (problems.length > 0) return nothing;
  function* rows(): TableReader['rows'] {
    for (const [k, cells] of body.entries()) {
      if (cells.every((c) => c.trim() === '')) continue;
      if (cells.length > columns.length && cells.slice(columns.length).some((c) => c.trim() !== ''))
        wrong(k + 2, '', `has ${cells.length} cells; the header has ${columns.length}`);
      else yield { number: k + 2, cells };
    }
  }
  return { columns, rows: rows(), problems, wrong };
}
