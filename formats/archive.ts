/**
 * A household as one archive: a zip of `manifest.json`, `tables/NAME.jsonl` (one row a line, keys sorted) and `pictures/ID.webp`. The same household is
 * the same bytes: entries stand in order and carry no clock.
 */
import { strFromU8, strToU8, unzip, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import * as v from 'valibot';
import { parseJson } from './json.ts';
import { maxProblems, problemsOf, shortPath, type Problem } from './problem.ts';

export const archiveVersion = 1;
export const manifestSchema = v.object({
  format: v.literal('neat-fold/archive', 'must be neat-fold/archive'),
  version: v.literal(archiveVersion, `must be ${archiveVersion}`),
  name: v.pipe(v.string(), v.minLength(1, 'must not be empty'), v.maxLength(80, 'must be at most 80 letters')),
  /** Rows by table. */
  tables: v.record(v.string(), v.pipe(v.number(), v.integer(), v.minValue(0))),
  pictures: v.pipe(v.number(), v.integer(), v.minValue(0)),
});
export type ArchiveManifest = v.InferOutput<typeof manifestSchema>;

export type Row = Record<string, unknown>;
export interface Archive {
  manifest: ArchiveManifest;
  tables: ReadonlyMap<string, readonly Row[]>;
  /** By file name without its folder. */
  pictures: ReadonlyMap<string, Uint8Array>;
}

/** Larger than this nothing is unpacked. */
export const archiveLimits = {
  zippedBytes: 150_000_000,
  bytes: 900_000_000,
  entries: 25_000,
  line: 40_000_000,
} as const;
/** Zip keeps times; ours has none. */
const noTime = new Date('1980-01-01T00:00:00');

const sorted = (value: unknown): unknown => {
  if (Array.isArray(value)) return value;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
};
/** One row as a line: its own keys in order, what lies within them as it is. */
export const rowLine = (row: Row): string => `${JSON.stringify(sorted(row))}\n`;

/** Writes an archive piece by piece, so that a large household never stands in memory as text. */
export class ArchiveWriter {
  private readonly chunks: Uint8Array[] = [];
  private readonly zip: Zip;
  private failed: Error | null = null;
  constructor() {
    this.zip = new Zip((error, chunk) => {
      if (error) this.failed = error;
      else this.chunks.push(chunk);
    });
  }
  /** A text file, its parts in order. */
  async text(name: string, parts: AsyncIterable<string> | Iterable<string>): Promise<void> {
    const file = new ZipDeflate(name, { level: 6 });
    file.mtime = noTime;
    this.zip.add(file);
    for await (const part of parts) if (part !== '') file.push(strToU8(part), false);
    file.push(new Uint8Array(0), true);
  }
  /** A file that is compressed already. */
  bytes(name: string, content: Uint8Array): void {
    const file = new ZipPassThrough(name);
    file.mtime = noTime;
    this.zip.add(file);
    file.push(content, true);
  }
  end(): Uint8Array {
    this.zip.end();
    if (this.failed) throw this.failed;
    const all = new Uint8Array(this.chunks.reduce((n, c) => n + c.length, 0));
    let at = 0;
    for (const c of this.chunks) {
      all.set(c, at);
      at += c.length;
    }
    return all;
  }
}

export type ArchiveResult = { ok: true; value: Archive } | { ok: false; problems: readonly Problem[] };
const refused = (path: string, message: string): ArchiveResult => ({ ok: false, problems: [{ path, message }] });
const tableFile = /^tables\/([a-z_]{1,40})\.jsonl$/;
const pictureFile = /^pictures\/([0-9a-f-]{36}(?:\.small)?)\.webp$/;

/** Unpack, with names, number and size of what is in it checked before anything is unpacked. */
function unpack(bytes: Uint8Array): Promise<Record<string, Uint8Array> | string> {
  return new Promise((resolve) => {
    let total = 0;
    let entries = 0;
    let wrong: string | null = null;
    unzip(
      bytes,
      {
        filter: (file) => {
          entries++;
          total += file.originalSize;
          if (entries > archiveLimits.entries) wrong ??= `holds more than ${archiveLimits.entries} files`;
          if (total > archiveLimits.bytes) wrong ??= `unpacks to more than ${archiveLimits.bytes / 1e6} MB`;
          return (
            wrong === null &&
            (file.name === 'manifest.json' || tableFile.test(file.name) || pictureFile.test(file.name))
          );
        },
      },
      (error, files) => resolve(wrong ?? (error ? 'is no zip, or is damaged' : files)),
    );
  });
}

/** Read an archive: its rows by table and its pictures, or what is wrong with it. */
export async function readArchive(bytes: Uint8Array): Promise<ArchiveResult> {
  if (bytes.length > archiveLimits.zippedBytes)
    return refused('document', `is larger than ${archiveLimits.zippedBytes / 1e6} MB`);
  if (bytes.length < 4 || bytes[0] !== 0x50 || bytes[1] !== 0x4b) return refused('document', 'is no zip');
  const files = await unpack(bytes);
  if (typeof files === 'string') return refused('document', files);
  const text = files['manifest.json'];
  if (!text) return refused('manifest.json', 'is missing: this is no archive of a household');
  const json = parseJson(strFromU8(text));
  if (!json.ok) return { ok: false, problems: json.problems.map((p) => ({ ...p, path: 'manifest.json' })) };
  const checked = v.safeParse(manifestSchema, json.value, { abortPipeEarly: true });
  if (!checked.success)
    return { ok: false, problems: problemsOf(checked.issues).map((p) => ({ ...p, path: `manifest.json: ${p.path}` })) };
  const problems: Problem[] = [];
  const wrong = (path: string, message: string): void => {
    if (problems.length < maxProblems) problems.push({ path, message });
  };
  const tables = new Map<string, Row[]>();
  const pictures = new Map<string, Uint8Array>();
  for (const [name, content] of Object.entries(files)) {
    const picture = pictureFile.exec(name)?.[1];
    if (picture) pictures.set(picture, content);
    const table = tableFile.exec(name)?.[1];
    if (!table) continue;
    const rows: Row[] = [];
    for (const [k, line] of strFromU8(content).split('\n').entries()) {
      if (line === '') continue;
      if (k % linesBetweenPauses === 0) await pause();
      const row = line.length > archiveLimits.line ? null : rowOf(line);
      if (row === null) {
        wrong(`tables/${table}.jsonl, line ${k + 1}`, 'is no row');
        break;
      }
      rows.push(row);
    }
    tables.set(table, rows);
  }
  for (const [table, count] of Object.entries(checked.output.tables))
    if ((tables.get(table)?.length ?? 0) !== count)
      wrong(`tables/${shortPath(table)}.jsonl`, `must hold ${count} rows, holds ${tables.get(table)?.length ?? 0}`);
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: { manifest: checked.output, tables, pictures } };
}
/** Others are answered meanwhile. */
const linesBetweenPauses = 100;
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));
function rowOf(line: string): Row | null {
  const parsed = parseJson(line);
  if (!parsed.ok) return null;
  const { value } = parsed;
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Row) : null;
}
