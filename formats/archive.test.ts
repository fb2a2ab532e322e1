/** The archive: the same rows are the same bytes, another program opens it, and what is wrong with one is said before anything is unpacked. */
import { describe, expect, test } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import yauzl from 'yauzl';
import { archiveLimits, ArchiveWriter, readArchive, rowLine, type Row } from './archive.ts';

const manifest = (change: object = {}): string =>
  JSON.stringify({
    format: 'neat-fold/archive',
    version: 1,
    name: 'Home',
    tables: { garment: 2 },
    pictures: 1,
    ...change,
  });
const id = '1e39845e-8b4c-4f44-b128-b13506736e40';
async function archive(
  rows: Row[] = [
    { name: 'Tee', id: 'a' },
    { id: 'b', name: 'Ümläut = "x"' },
  ],
): Promise<Uint8Array> {
  const w = new ArchiveWriter();
  await w.text('tables/garment.jsonl', rows.map(rowLine));
  w.bytes(`pictures/${id}.webp`, new Uint8Array([1, 2, 3]));
  await w.text('manifest.json', [manifest({ tables: { garment: rows.length } })]);
  return w.end();
}
const problems = async (bytes: Uint8Array): Promise<string[]> => {
  const read = await readArchive(bytes);
  return read.ok ? [] : read.problems.map((p) => `${p.path}: ${p.message}`);
};
const zip = (files: Record<string, string>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([k, x]) => [k, strToU8(x)])));

describe('an archive', () => {
  test('keys in order, what lies within as it is', () =>
    expect(rowLine({ b: 1, a: { z: 1, y: 2 } })).toBe('{"a":{"z":1,"y":2},"b":1}\n'));
  test('the same rows are the same bytes', async () => expect(await archive()).toEqual(await archive()));
  test('comes back row by row, pictures and all', async () => {
    const read = await readArchive(await archive());
    if (!read.ok) throw new Error('it is good');
    expect(read.value.manifest.name).toBe('Home');
    expect(read.value.tables.get('garment')).toEqual([
      { id: 'a', name: 'Tee' },
      { id: 'b', name: 'Ümläut = "x"' },
    ]);
    expect([...read.value.pictures.get(id)!]).toEqual([1, 2, 3]);
  });
  test('another reader opens it: names, sizes and checksums', async () => {
    const bytes = Buffer.from(await archive());
    const names = await new Promise<string[]>((resolve, reject) => {
      yauzl.fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true }, (error, file) => {
        if (error) return reject(error);
        const out: string[] = [];
        file.on('entry', (e: yauzl.Entry) => {
          out.push(e.fileName);
          file.readEntry();
        });
        file.on('end', () => resolve(out));
        file.readEntry();
      });
    });
    expect(names).toEqual(['tables/garment.jsonl', `pictures/${id}.webp`, 'manifest.json']);
  });
});

describe('what is refused', () => {
  test.each([
    ['nothing', new Uint8Array(0), 'document: is no zip'],
    ['a text', strToU8('hello'), 'document: is no zip'],
    ['a torn zip', strToU8('PK\u0003\u0004 torn'), 'document: is no zip, or is damaged'],
  ])('%s', async (_, bytes, said) => expect(await problems(bytes)).toEqual([said]));
  test('a zip of something else, another version, another format', async () => {
    expect(await problems(zip({ 'readme.txt': 'x' }))).toEqual([
      'manifest.json: is missing: this is no archive of a household',
    ]);
    expect(await problems(zip({ 'manifest.json': manifest({ version: 2 }) }))).toEqual([
      'manifest.json: version: must be one of 1',
    ]);
    expect(await problems(zip({ 'manifest.json': '{' }))).toHaveLength(1);
  });
  test('rows that are none, or too few', async () => {
    expect(
      await problems(zip({ 'manifest.json': manifest({ tables: { garment: 1 } }), 'tables/garment.jsonl': '[1]\n' })),
    ).toEqual(['tables/garment.jsonl, line 1: is no row', 'tables/garment.jsonl: must hold 1 rows, holds 0']);
    expect(await problems(zip({ 'manifest.json': manifest() }))).toEqual([
      'tables/garment.jsonl: must hold 2 rows, holds 0',
    ]);
  });
  test('a prototype in a row', async () =>
    expect(
      await problems(
        zip({
          'manifest.json': manifest({ tables: { garment: 1 } }),
          'tables/garment.jsonl': '{"__proto__":{"x":1}}\n',
        }),
      ),
    ).toContain('tables/garment.jsonl, line 1: is no row'));
  test('names that leave the folder are left alone', async () => {
    const read = await readArchive(
      zip({ 'manifest.json': manifest({ tables: {} }), '../../etc/passwd': 'x', 'tables/../x.jsonl': '{}' }),
    );
    expect(read.ok && [...read.value.tables.keys()]).toEqual([]);
  });
  test('a file that unpacks to far more than it is', async () => {
    // The size a zip claims counts, before a byte of it is unpacked.
    const bytes = zip({ 'manifest.json': manifest({ tables: {} }), 'tables/garment.jsonl': '{}\n' });
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    for (let at = 0; at + 46 < bytes.length; at++)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, archiveLimits.bytes, true);
    expect((await problems(bytes))[0]).toMatch(/^document: unpacks to more than 900 MB/);
  });
});
