/** What the household looks back on: the log and its corrections, pictures, wishes, what was learnt; and all of it taken out and in again. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { lessonKey } from '../core/learn/lesson.ts';
import { logCsv, readLog } from '../formats/log-csv.ts';
import { readArchive, type Row } from '../formats/archive.ts';
import { archiveContents, checkArchive, storeArchive, writeArchive } from './archive.ts';
import { closeDatabase, inHousehold, lookInHousehold, type Transaction } from './client.ts';
import { demoHouseholdId } from './demo/id.ts';
import { demoHousehold } from './demo/household.ts';
import { appendEvents, garmentHistory } from './events.ts';
import { addGarment, findPiece, listPieces } from './garments.ts';
import { currentHamper } from './hamper.ts';
import { createHousehold, forgetHousehold, readHousehold } from './household.ts';
import { recentImports, storeLogImport, takeBackImport } from './imports.ts';
import { inForce, teach } from './learnt.ts';
import { readLessons, setBelieved } from './lessons.ts';
import { correctEntry, everything, findEntry, lastEntry, logPage, logTable, sumsByPiece, takeBackLast } from './log.ts';
import { lookAtLog, readLogEntries } from './log-document.ts';
import { addPhoto, photoBytes, photosOf, photoUsage, removePhoto } from './photos.ts';
import { smallPicture } from './pictures.ts';
import { loadDemo } from './seed.ts';
import { addWish, endWish, openWishes } from './wishes.ts';

const mine = randomUUID();
const theirs = randomUUID();
const restored = randomUUID();
const now = new Date('2026-05-09T06:00:00Z');
const minutes = (n: number): Date => new Date(now.getTime() + n * 60_000);
const at = <T>(work: (tx: Transaction) => Promise<T>, home = mine): Promise<T> => inHousehold(home, work);
const look = <T>(work: (tx: Transaction) => Promise<T>, home = mine): Promise<T> => lookInHousehold(home, work);
const writer = (tx: Transaction, householdId = mine) => ({ tx, householdId, actor: 'home' });
const tee = (name: string) => ({
  name,
  owner: 'Ada',
  kind: 'tshirt' as const,
  size: 'M' as const,
  heightCm: null,
  parts: [{ role: 'shell' as const, fibres: [{ fibre: 'cotton' as const, percent: 100 }] }],
  traits: ['jersey-knit' as const],
  colours: [{ hex: '#4d6b8a', role: 'ground' as const }],
  dye: 'reactive' as const,
  label: null,
  dryMassG: null,
  valueEur: 20,
  use: null,
  count: 1,
  set: null,
});
const worn = (garmentId: string, when: Date, count?: number) => ({
  garmentId,
  kind: 'worn' as const,
  at: when,
  data: count === undefined ? {} : { count },
});

beforeAll(async () => {
  await inHousehold(demoHouseholdId, forgetHousehold);
  await loadDemo(now);
  for (const id of [mine, theirs])
    await at(async (tx) => {
      await createHousehold(tx, id, { ...demoHousehold, name: `Home ${id.slice(0, 4)}` });
      for (const piece of ['a', 'b']) await addGarment(tx, id, piece, tee(`Tee ${piece} 100%`));
    }, id);
}, 120_000);
afterAll(async () => {
  for (const id of [mine, theirs, restored]) await inHousehold(id, forgetHousehold);
  await closeDatabase();
});

describe('the log', () => {
  test('an entry is corrected by another: it counts no more, the new one does, both stay', async () => {
    await at((tx) => appendEvents(writer(tx), [worn('a', minutes(-60), 3), worn('b', minutes(-60))]));
    const entry = (await look((tx) => logPage(tx, { ...everything, piece: 'a' }, null, 10)))[0]!;
    expect((await look((tx) => findPiece(tx, 'a')))!.state.wearsSinceWash).toBe(3);
    expect(await at((tx) => correctEntry(writer(tx), entry, { at: entry.at, data: { count: 2 } }, minutes(1)))).toBe(
      true,
    );
    expect((await look((tx) => findPiece(tx, 'a')))!.state.wearsSinceWash).toBe(2);
    const rows = await look((tx) => logPage(tx, { ...everything, piece: 'a' }, null, 10));
    expect(rows.map((r) => [r.data.count, r.struck, r.data.corrects])).toEqual([
      [2, false, entry.id],
      [3, true, undefined],
    ]);
    // Of two that correct the same entry the second is told.
    expect(await at((tx) => correctEntry(writer(tx), entry, null, minutes(2)))).toBe(false);
    expect((await look((tx) => garmentHistory(tx, 'a'))).map((h) => h.struck)).toEqual([false, true]);
  });
  test('the last entry is taken back, a correction with all of it; once, and only while it is the last', async () => {
    const last = (await look(lastEntry))!;
    expect(last.rows.map((r) => r.strikes !== null)).toEqual([true, false]);
    expect(await at((tx) => takeBackLast(writer(tx), last.newest + 1, minutes(3)))).toBe(false);
    expect(await at((tx) => takeBackLast(writer(tx), last.newest, minutes(3)))).toBe(true);
    expect((await look((tx) => findPiece(tx, 'a')))!.state.wearsSinceWash).toBe(3);
    expect(await look(lastEntry)).toBeNull();
    await at((tx) => appendEvents(writer(tx), [worn('a', minutes(4)), worn('b', minutes(4))]));
    const both = (await look(lastEntry))!;
    expect(both.rows.map((r) => r.garmentId)).toEqual(['a', 'b']);
    await at((tx) => takeBackLast(writer(tx), both.newest, minutes(5)));
    expect((await look((tx) => findPiece(tx, 'b')))!.state.wearsSinceWash).toBe(1);
  });
  test('filters: a per cent sign is one, kinds, days, owners; another household sees nothing', async () => {
    const count = async (filter: Partial<typeof everything>, home = mine) =>
      (await look((tx) => logPage(tx, { ...everything, ...filter }, null, 100), home)).length;
    expect(await count({ q: 'a 100%' })).toBe(3);
    expect(await count({ q: '%b' })).toBe(0);
    expect(await count({ kinds: ['washed'] })).toBe(0);
    expect(await count({ owner: 'Ada' })).toBe(5);
    expect(await count({ owner: 'Bo' })).toBe(0);
    expect(await count({ from: minutes(0) })).toBe(2);
    expect(await count({ to: minutes(0) })).toBe(3);
    expect(await count({}, theirs)).toBe(0);
    expect(await look((tx) => findEntry(tx, 1), theirs)).toBeNull();
  });
  test('pages of the table, sorted both ways; sums leave out what was taken back', async () => {
    const page = (sort: 'at' | 'name', up: boolean, n: number) =>
      look((tx) => logTable(tx, everything, { sort, up, page: n, size: 2 }));
    expect((await page('name', true, 0)).total).toBe(5);
    expect((await page('name', true, 0)).rows.map((r) => r.garmentId)).toEqual(['a', 'a']);
    expect((await page('name', false, 0)).rows.map((r) => r.garmentId)).toEqual(['b', 'b']);
    expect((await page('at', true, 2)).rows).toHaveLength(1);
    const sums = await look((tx) => sumsByPiece(tx, null));
    expect(sums.map((s) => [s.garmentId, s.wears]).sort()).toEqual([
      ['a', 3],
      ['b', 1],
    ]);
  });
});

describe('the log as a table', () => {
  test('taken out and in again adds nothing; into an empty log it is the same table', async () => {
    const text = logCsv(await look((tx) => readLogEntries(tx, 'Europe/Amsterdam')));
    const read = readLog(text);
    if (!read.ok) throw new Error('it is good');
    const again = await look((tx) => lookAtLog(tx, read.value, minutes(10)));
    expect(again.ok && again.value).toMatchObject({ events: [], preview: { same: 2, added: [] } });
    const fresh = await look((tx) => lookAtLog(tx, read.value, minutes(10)), theirs);
    if (!fresh.ok) throw new Error('it is good');
    expect(fresh.value.preview.added).toEqual([{ event: 'worn', count: 2 }]);
    await at((tx) => storeLogImport(writer(tx, theirs), fresh.value.events, 'a log'), theirs);
    expect(logCsv(await look((tx) => readLogEntries(tx, 'Europe/Amsterdam'), theirs))).toBe(text);
    const [taken] = await look(recentImports, theirs);
    expect(taken).toMatchObject({ entries: 2, added: 0 });
    expect(await at((tx) => takeBackImport(writer(tx, theirs), taken!.id, minutes(11)), theirs)).toBe(true);
    expect((await look((tx) => readLogEntries(tx, 'UTC'), theirs)).length).toBe(0);
  });
  test('the demo keeps every event there and back', async () => {
    const text = logCsv(await look((tx) => readLogEntries(tx, 'Europe/Amsterdam'), demoHouseholdId));
    const read = readLog(text);
    if (!read.ok) throw new Error('it is good');
    const again = await look((tx) => lookAtLog(tx, read.value, minutes(1)), demoHouseholdId);
    expect(again.ok && again.value.preview.added).toEqual([]);
    expect(again.ok && again.value.preview.same).toBe(read.value.length);
  });
  test('a piece that is not there, a day to come, a grade that is none: each by its entry, nothing stored', async () => {
    const rows = [
      '2026-05-08T10:00:00Z,worn,nobody,,,,,',
      '2036-05-08T10:00:00Z,worn,a,,,,,',
      '2026-05-08T10:00:00Z,read,a,,test,catcher,,',
      '2026-05-08T10:00:00Z,read,a,,grade,9,,',
    ];
    const read = readLog(`at,event,garment,load,key,value,unit,note\n${rows.join('\n')}\n`);
    if (!read.ok) throw new Error('the table is good');
    const looked = await look((tx) => lookAtLog(tx, read.value, now));
    expect(!looked.ok && looked.problems.map((p) => `${p.path}: ${p.message}`)).toEqual([
      'entry 1 (worn, nobody): the wardrobe has no such piece: bring it in first',
      'entry 2 (worn, a): lies in the future',
      'entry 3 (read, a): grade must be from 1 to 5, in halves',
    ]);
  });
});

describe('pictures', () => {
  const photo = (width = 2000, height = 1500) =>
    sharp({ create: { width, height, channels: 3, background: '#284060' } })
      .withExif({ IFD0: { Make: 'Secret camera' }, IFD3: { GPSLatitude: '52/1 0/1 0/1' } })
      .jpeg()
      .toBuffer();
  test('made small, and what the camera wrote is gone', async () => {
    const bytes = await photo();
    expect((await sharp(bytes).metadata()).exif?.toString('latin1')).toContain('Secret camera');
    const made = await smallPicture(bytes);
    if (!made.ok) throw new Error(made.problem);
    expect(made.value).toMatchObject({ width: 1280, height: 960 });
    const meta = await sharp(made.value.picture).metadata();
    expect([meta.format, meta.exif, meta.xmp, meta.iptc]).toEqual(['webp', undefined, undefined, undefined]);
    expect(made.value.picture.includes('Secret')).toBe(false);
    expect((await sharp(made.value.thumb).metadata()).width).toBe(320);
  });
  test('turned upright by what the camera said', async () => {
    const lying = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#888' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const made = await smallPicture(lying);
    expect(made.ok && [made.value.width, made.value.height]).toEqual([200, 400]);
  });
  test('what it is decides, not what it is called', async () => {
    const problem = async (bytes: Buffer): Promise<string> => {
      const made = await smallPicture(bytes);
      return made.ok ? 'kept' : made.problem;
    };
    expect(await problem(Buffer.from('<html>'))).toBe('not-a-picture');
    expect(await problem(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'))).toBe(
      'unknown-kind',
    );
    const good = await photo(300, 300);
    expect(await problem(good.subarray(0, good.length >> 1))).toBe('broken');
    expect(await problem(Buffer.alloc(16_000_000))).toBe('too-large');
  });
  test('kept with its piece, counted, seen by nobody else, gone with the piece', async () => {
    const made = await smallPicture(await photo(640, 480));
    if (!made.ok) throw new Error(made.problem);
    const at1 = { garmentId: 'a', at: now, moment: 'worn' as const, place: 'front' as const, note: 'first' };
    expect(await at((tx) => addPhoto(tx, mine, at1, made.value))).toBe(true);
    const [kept] = await look((tx) => photosOf(tx, 'a'));
    expect(kept).toMatchObject({ place: 'front', note: 'first', width: 640 });
    expect((await look(photoUsage)).bytes).toBe(made.value.picture.length + made.value.thumb.length);
    expect((await look((tx) => photoBytes(tx, kept!.id, 'picture')))!.equals(made.value.picture)).toBe(true);
    expect(await look((tx) => photoBytes(tx, kept!.id, 'picture'), theirs)).toBeNull();
    expect(await at((tx) => removePhoto(tx, 'b', kept!.id))).toBe(false);
    const large = { ...made.value, picture: Buffer.alloc(200_000_000) };
    expect(await at((tx) => addPhoto(tx, mine, at1, large))).toBe(false);
  });
});

describe('wishes', () => {
  test('end once', async () => {
    const garment = {
      id: 'w',
      name: 'Red tee',
      kind: 'tshirt' as const,
      parts: tee('x').parts,
      colours: tee('x').colours,
    };
    await at((tx) => addWish(tx, mine, { at: now, garment, price: 20, owner: '', wearsPerYear: 52 }));
    const [wish] = await look(openWishes);
    expect(await at((tx) => endWish(tx, wish!.id, 'left', now), theirs)).toBe(false);
    expect(await at((tx) => endWish(tx, wish!.id, 'bought', now))).toBe(true);
    expect(await at((tx) => endWish(tx, wish!.id, 'left', now))).toBe(false);
    expect(await look(openWishes)).toEqual([]);
  });
});

describe('what the demo has taught', () => {
  const lessons = () =>
    look(async (tx) => {
      const home = (await readHousehold(tx))!;
      return readLessons(tx, home.document, await listPieces(tx), now);
    }, demoHouseholdId);
  test('minutes, energy, a place, marks and wears, each from what was seen', async () => {
    const all = await lessons();
    const [cottons] = inForce(all, 'programme');
    expect(cottons).toMatchObject({ subject: { programme: 'cottons' }, book: 149 });
    expect(Math.abs(cottons!.learnt - 149 * 1.12)).toBeLessThan(4);
    expect(inForce(all, 'energy').every((l) => Math.abs(l.learnt / l.book - 1.09) < 0.03)).toBe(true);
    expect(inForce(all, 'place').map((l) => [l.subject.place, Math.round(l.learnt * 100)])).toEqual([['rack', 110]]);
    const wine = inForce(all, 'stain').find((l) => l.subject.stain === 'red-wine')!;
    expect(wine.subject.fibre).toBe('linen');
    expect(wine.learnt).toBeLessThan(0);
    const skirts = inForce(all, 'wears').find((l) => l.subject.group === 'skirt')!;
    expect(skirts).toMatchObject({ subject: { owner: 'Tovi' }, book: 5, learnt: 7 });
  });
  test('they go into the next basket, and out of it when the book is preferred', async () => {
    const hamper = () => look((tx) => currentHamper(tx, now), demoHouseholdId);
    const before = (await hamper())!;
    expect(before.household.learnt!.placeSlowness!.rack).toBeCloseTo(1.1, 1);
    expect(before.household.learnt!.stainPoints!.map((s) => s.kind)).toContain('red-wine');
    const keys = (await lessons()).all.map((l) => lessonKey(l.subject));
    await inHousehold(demoHouseholdId, async (tx) => {
      for (const key of keys) await setBelieved(tx, demoHouseholdId, key, false, now);
    });
    const book = (await hamper())!;
    expect(book.household.learnt).toBeUndefined();
    expect(book.garments.every((g) => g.learnt === undefined)).toBe(true);
    expect(book.household.washers![0]!.programmes.find((p) => p.id === 'cottons')!.durationMin).toBe(149);
    await inHousehold(demoHouseholdId, async (tx) => {
      for (const key of keys) await setBelieved(tx, demoHouseholdId, key, true, now);
    });
    expect(await hamper()).toEqual(before);
  });
  test('a piece knows the wears of its owner', async () => {
    const { pieces } = await look(
      async (tx) => teach(tx, (await readHousehold(tx))!.document, await listPieces(tx), now),
      demoHouseholdId,
    );
    expect(pieces.find((p) => p.row.owner === 'Tovi' && p.row.kind.startsWith('skirt'))?.learnt?.wears).toBe(7);
    expect(pieces.filter((p) => p.row.kind === 'briefs').every((p) => p.learnt?.wears === undefined)).toBe(true);
  });
});

describe('everything as one archive', () => {
  test('out, in, and out again: the same bytes', async () => {
    // What was taken back and what points at what goes along.
    await inHousehold(demoHouseholdId, async (tx) => {
      const [entry] = await logPage(tx, { ...everything, kinds: ['worn'] }, null, 1);
      const to = { at: entry!.at, data: { count: 2 } };
      await correctEntry({ tx, householdId: demoHouseholdId, actor: 'home' }, entry!, to, now);
    });
    const bytes = (await look(writeArchive, demoHouseholdId))!;
    const read = await readArchive(bytes);
    if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
    const { rows, problems } = await checkArchive(read.value);
    expect(problems).toEqual([]);
    expect(archiveContents(read.value)).toMatchObject({ pictures: 8, name: demoHousehold.name });
    await inHousehold(restored, (tx) => storeArchive(tx, restored, read.value, rows));
    const again = (await look(writeArchive, restored))!;
    expect(Buffer.from(again).equals(Buffer.from(bytes))).toBe(true);
    const pieces = await look(listPieces, restored);
    expect(pieces.map((p) => p.state)).toEqual(
      (await look(listPieces, demoHouseholdId)).map((p) => ({
        ...p.state,
        readings: p.state.readings.map((r) => ({ ...r, eventId: expect.any(Number) })),
      })),
    );
  }, 60_000);
  test('a row of another shape, a picture that is missing, a piece nobody could wear: named, nothing stored', async () => {
    const bytes = (await look(writeArchive, demoHouseholdId))!;
    const read = await readArchive(bytes);
    if (!read.ok) throw new Error('it is good');
    const broken = async (table: string, change: (row: Row) => Row): Promise<string[]> => {
      const tables = new Map(read.value.tables);
      const [first, ...rest] = tables.get(table) ?? [];
      tables.set(table, [change(first ?? {}), ...rest]);
      return (await checkArchive({ ...read.value, tables })).problems.map((p) => `${p.path}: ${p.message}`);
    };
    expect(await broken('event', (r) => ({ ...r, at: 'soon' }))).toEqual([
      'tables/event.jsonl, line 1: at is missing or of another type',
    ]);
    expect(await broken('event', (r) => ({ ...r, kind: 'eaten' }))).toEqual([
      'tables/event.jsonl, line 1: kind must be a kind of event',
    ]);
    expect((await broken('load', (r) => ({ ...r, run: {} })))[0]).toMatch(/^tables\/load.jsonl, line 1: run.pieces/);
    expect((await broken('plan', (r) => ({ ...r, id: 'x' })))[0]).toMatch(/^tables\/plan.jsonl, line 1: id is missing/);
    const [piece] = read.value.tables.get('garment') ?? [];
    expect(await broken('garment', (r) => ({ ...r, colours: [{ hex: 'red', role: 'ground' }] }))).toEqual([
      `tables/garment.jsonl, line 1 (${String(piece!.id)}): garments[0].colours[0].hex: must be a colour like #2f6f6b`,
    ]);
    const { problems } = await checkArchive({ ...read.value, pictures: new Map() });
    expect(problems[0]!.message).toBe('is missing');
    expect(problems).toHaveLength(8);
  });
});
