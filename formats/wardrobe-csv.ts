/**
 * The wardrobe as a table (RFC 4180, UTF-8): what a piece is, not how it is today. Reading and writing are inverse to each other: what was written,
 * read and written again is the same text. Row 1 is the header.
 */
import Papa from 'papaparse';
import * as v from 'valibot';
import { armed, defused } from './spreadsheet.ts';
import { garmentSchema, type GarmentDocument, type LabelDocument } from './hamper-schema.ts';
import { readTable } from './csv-table.ts';
import { issueMessage, shortPath, type Problem } from './problem.ts';

export const wardrobeColumns = [
  'id',
  'name',
  'kind',
  'size',
  'fibres',
  'lining',
  'construction',
  'features',
  'colours',
  'dye',
  'wash',
  'bleach',
  'tumble',
  'dry',
  'iron',
  'phrases',
  'massG',
  'washCount',
  'valueEur',
  'count',
  'set',
  'use',
] as const;
type Column = (typeof wardrobeColumns)[number];
const required: readonly Column[] = ['id', 'name', 'kind', 'fibres', 'colours'];
const mostRows = 1_500;

// — writing —

const list = (items: readonly string[] | null | undefined): string => (items ?? []).join('; ');
const number = (n: number | null | undefined): string => (n === null || n === undefined ? '' : String(n));
const fibresText = (g: GarmentDocument, role: 'shell' | 'lining'): string =>
  list(g.parts.find((p) => p.role === role)?.fibres.map((f) => `${f.fibre} ${f.percent}`));
function washText(wash: LabelDocument['wash']): string {
  if (!wash) return '';
  if (wash.by === 'machine') return `machine ${wash.maxC}${wash.action ? ` ${wash.action}` : ''}`;
  return wash.by === 'hand' && wash.maxC ? `hand ${wash.maxC}` : wash.by;
}
const dryText = (dry: LabelDocument['dry']): string =>
  dry ? [dry.position, dry.drip ? 'drip' : '', dry.shade ? 'shade' : ''].filter(Boolean).join(' ') : '';

const cellsOf = (g: GarmentDocument): Record<Column, string> => ({
  id: g.id,
  name: defused(g.name),
  kind: g.kind,
  size: g.size ?? '',
  fibres: fibresText(g, 'shell'),
  lining: fibresText(g, 'lining'),
  construction: list(g.construction),
  features: list(g.features),
  colours: list(g.colours.map((c) => (c.role === 'ground' ? c.hex : `${c.hex} ${c.role}`))),
  dye: g.dye ?? '',
  wash: washText(g.label?.wash),
  bleach: g.label?.bleach ?? '',
  tumble: g.label?.tumble ?? '',
  dry: dryText(g.label?.dry),
  iron: g.label?.iron ?? '',
  phrases: list(g.label?.phrases),
  massG: number(g.dryMassG),
  washCount: number(g.washCount),
  valueEur: number(g.valueEur),
  count: number(g.count),
  set: (g.set ?? '').trim(),
  use: g.use ?? '',
});

/**
 * The pieces as a table.
 * @example wardrobeCsv(hamper.garments) // 'id,name,kind,…\r\ng1,Sea-green camp shirt,dress_shirt,…\r\n'
 */
export const wardrobeCsv = (garments: readonly GarmentDocument[]): string =>
  `${Papa.unparse({ fields: [...wardrobeColumns], data: garments.map((g) => wardrobeColumns.map((c) => cellsOf(g)[c])) }, { newline: '\r\n' })}\r\n`;

// — reading —

export interface WardrobeReading {
  garments: GarmentDocument[];
  /** Columns the format does not know. */
  unknownColumns: string[];
}
export type WardrobeResult = { ok: true; value: WardrobeReading } | { ok: false; problems: readonly Problem[] };

/** What stands in a cell, or why it cannot be read. */
type Cell<T> = { value: T } | { error: string };
const items = (cell: string): string[] =>
  cell
    .split(';')
    .map((x) => x.trim())
    .filter(Boolean);
const decimal = /^\d{1,30}(?:\.\d{1,30})?(?:e[+-]?\d{1,3})?$/;

function fibresOf(cell: string): Cell<{ fibre: string; percent: number }[]> {
  const fibres: { fibre: string; percent: number }[] = [];
  for (const item of items(cell)) {
    const m = /^(\S+)\s+(\S+)$/.exec(item);
    if (!m || !decimal.test(m[2] ?? ''))
      return { error: `"${shortPath(item)}" must be a fibre and its percentage, like cotton 60` };
    fibres.push({ fibre: m[1] ?? '', percent: Number(m[2]) });
  }
  return fibres.length > 0 ? { value: fibres } : { error: 'must not be empty' };
}
function coloursOf(cell: string): Cell<{ hex: string; role: string }[]> {
  const colours = items(cell).map((item) => {
    const [hex = '', role = 'ground', ...more] = item.split(/\s+/);
    return { hex, role: more.length > 0 ? `${role} ${more.join(' ')}` : role };
  });
  return colours.length > 0 ? { value: colours } : { error: 'must not be empty' };
}
function washOf(cell: string): Cell<Record<string, unknown>> {
  const [by = '', maxC, action, ...more] = cell.split(/\s+/);
  const temperature = maxC === undefined ? null : decimal.test(maxC) ? Number(maxC) : Number.NaN;
  if (more.length > 0 || Number.isNaN(temperature)) return { error: 'must be like machine 40 mild, hand 40 or none' };
  if (by === 'machine' && temperature !== null)
    return { value: { by, maxC: temperature, ...(action ? { action } : {}) } };
  if (by === 'hand' && !action) return { value: { by, ...(temperature === null ? {} : { maxC: temperature }) } };
  if (by === 'none' && temperature === null) return { value: { by } };
  return { error: 'must be like machine 40 mild, hand 40 or none' };
}
function dryOf(cell: string): Cell<Record<string, unknown>> {
  const [position = '', ...marks] = cell.split(/\s+/);
  if (marks.some((m) => m !== 'drip' && m !== 'shade'))
    return { error: 'must be line or flat, then drip, shade where they hold' };
  return {
    value: {
      position,
      ...(marks.includes('drip') ? { drip: true } : {}),
      ...(marks.includes('shade') ? { shade: true } : {}),
    },
  };
}
const numberOf = (cell: string): Cell<number> =>
  decimal.test(cell) ? { value: Number(cell) } : { error: 'must be a number' };

/** Which column a path of the garment's schema is written in. */
const columnOf = (path: readonly (string | number)[]): string => {
  const [first, second] = path;
  if (first === 'parts') return second === 1 ? 'lining' : 'fibres';
  if (first === 'dryMassG') return 'massG';
  if (first === 'label') return String(second ?? 'wash');
  return String(first ?? 'id');
};

/** One row as a garment, or what is wrong with it, column by column. */
function garmentOf(
  cells: Partial<Record<Column, string>>,
): { garment: GarmentDocument } | { errors: [string, string][] } {
  const errors: [string, string][] = [];
  const cell = (c: Column): string => (cells[c] ?? '').trim();
  const read = <T>(column: Column, reader: (text: string) => Cell<T>): T | undefined => {
    if (cell(column) === '' && !required.includes(column)) return undefined;
    const result = reader(cell(column));
    if ('value' in result) return result.value;
    errors.push([column, result.error]);
    return undefined;
  };
  const said = (column: Column): string | undefined => (cell(column) === '' ? undefined : cell(column));
  const shell = read('fibres', fibresOf);
  const lining = read('lining', fibresOf);
  const label = {
    wash: read('wash', washOf),
    bleach: said('bleach'),
    tumble: said('tumble'),
    dry: read('dry', dryOf),
    iron: said('iron'),
    phrases: read('phrases', (t) => ({ value: items(t) })),
  };
  // The name as it stands, blanks and all; only the mark that keeps a spreadsheet from reckoning comes off.
  const name = armed(cells.name ?? '');
  const row = {
    id: cells.id ?? '',
    name,
    kind: cell('kind'),
    size: said('size'),
    parts: [
      { role: 'shell', fibres: shell ?? [{ fibre: 'unknown', percent: 100 }] },
      ...(lining ? [{ role: 'lining', fibres: lining }] : []),
    ],
    construction: read('construction', (t) => ({ value: items(t) })),
    features: read('features', (t) => ({ value: items(t) })),
    colours: read('colours', coloursOf) ?? [{ hex: '#000000', role: 'ground' }],
    dye: said('dye'),
    label: Object.values(label).some((x) => x !== undefined) ? stated(label) : undefined,
    dryMassG: read('massG', numberOf),
    washCount: read('washCount', numberOf),
    valueEur: read('valueEur', numberOf),
    count: read('count', numberOf),
    set: said('set'),
    use: said('use'),
  };
  const checked = v.safeParse(garmentSchema, stated(row), { abortPipeEarly: true });
  if (checked.success && errors.length === 0) return { garment: checked.output };
  if (!checked.success)
    for (const issue of checked.issues) {
      const column = columnOf((issue.path ?? []).map((p) => (typeof p.key === 'number' ? p.key : String(p.key))));
      const empty = required.includes(column as Column) && cell(column as Column) === '';
      if (!errors.some(([c]) => c === column)) errors.push([column, empty ? 'must not be empty' : issueMessage(issue)]);
    }
  const place = (c: string): number => (wardrobeColumns as readonly string[]).indexOf(c);
  return { errors: errors.sort(([a], [b]) => place(a) - place(b)) };
}
const stated = <T extends object>(value: T): Partial<T> =>
  Object.fromEntries(Object.entries(value).filter(([, x]) => x !== undefined)) as Partial<T>;

/** Read a wardrobe table: every piece, or every problem with its row and column (at most 50). */
export function readWardrobe(text: string): WardrobeResult {
  const { columns, rows, problems, wrong } = readTable(text, {
    known: wardrobeColumns,
    required,
    mostRows,
    noun: 'pieces',
  });
  if (problems.length > 0) return { ok: false, problems };

  const garments: GarmentDocument[] = [];
  const ids = new Set<string>();
  for (const { number: n, cells: row } of rows) {
    const cells = Object.fromEntries(columns.map((c, i) => [c, row[i] ?? ''])) as Partial<Record<Column, string>>;
    const result = garmentOf(cells);
    if ('errors' in result) {
      for (const [column, message] of result.errors) wrong(n, column, message);
      continue;
    }
    const { id } = result.garment;
    if (ids.has(id)) wrong(n, 'id', `"${shortPath(id)}" is already used`);
    ids.add(id);
    garments.push(result.garment);
  }
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      garments,
      unknownColumns: columns.filter((c) => c !== '' && !(wardrobeColumns as readonly string[]).includes(c)),
    },
  };
}
