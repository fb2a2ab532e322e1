import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readHamperValue } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { readWardrobe, wardrobeCsv } from '@formats/wardrobe-csv.ts';
import { usualProgrammes } from '@core/setup/usual-programmes.ts';
import { usualUnits } from '@core/units/choices.ts';
import { basketState, emptyState, putInBasket } from './basket.ts';
import { closeDatabase, inHousehold, lookInHousehold } from './client.ts';
import { demoHouseholdId } from './demo/id.ts';
import { appendEvents } from './events.ts';
import { addGarment, findPiece, forgetGarment, garmentDocument, listPieces, setRetired } from './garments.ts';
import { wholeHamper } from './hamper.ts';
import {
  createHousehold,
  forgetHousehold,
  householdsHere,
  newestChange,
  readHousehold,
  rememberHousehold,
  removeWasher,
  saveThing,
  saveWasher,
  takeBackChange,
  takeFromCupboard,
  type HouseholdView,
} from './household.ts';
import { previewImport, recentImports, storeImport, takeBackImport } from './imports.ts';
import { loadDemo } from './seed.ts';

const now = new Date('2026-05-09T06:00:00Z');
const mine = '6f0b1a5e-0000-4000-8000-0000000000a1';
const theirs = '6f0b1a5e-0000-4000-8000-0000000000a2';
const view = (name: string): HouseholdView => ({
  name,
  timeZone: 'UTC',
  nets: { all: 2, withoutMetal: 1 },
  poisonCentre: null,
  children: false,
  units: usualUnits,
  measures: { soap: { name: 'cap', holds: 30 } },
  optionNames: { w: { 'extra-rinse': 'Rinse plus' } },
  document: {
    rules: {},
    washers: [
      {
        id: 'w',
        name: 'Washer',
        programmes: usualProgrammes('front', 7),
        refusesForms: ['pod'],
        bleachDispenser: true,
      },
    ],
    products: [{ id: 'soap', name: 'Colour liquid', class: 'colour', form: 'liquid', remaining: 900 }],
    times: { quietHours: [['22:00', '07:00']], people: 2 },
  },
});
const tee: GarmentDocument = {
  id: 'tee',
  name: 'Tee',
  kind: 'tshirt',
  parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
  colours: [{ hex: '#2f6f6b', role: 'ground' }],
  washCount: 7,
  wearsSinceWash: 2,
  tests: [{ kind: 'catcher', grade: 4.5, at: '2026-05-01T10:00:00Z' }],
  stains: [{ id: 's1', kind: 'coffee', ageHours: 3, place: 'cuff' }],
  soil: 'heavy',
};
const writer = (tx: Parameters<Parameters<typeof inHousehold>[1]>[0]) => ({ tx, householdId: mine, actor: 'home' });

beforeAll(async () => {
  await loadDemo(now);
  for (const [id, name] of [
    [mine, 'Mine'],
    [theirs, 'Theirs'],
  ] as const)
    await inHousehold(id, async (tx) => {
      if (!(await readHousehold(tx))) await createHousehold(tx, id, view(name));
    });
});
afterAll(closeDatabase);

describe('several households', () => {
  test('are listed from inside each of them, oldest first, and see nothing of one another', async () => {
    const names = await lookInHousehold(mine, async (tx) => (await householdsHere(tx)).map((h) => h.name));
    expect(names).toEqual(expect.arrayContaining(['The flat above the bakery', 'Mine', 'Theirs']));
    expect(await lookInHousehold(mine, listPieces)).toEqual([]);
  });
  test('keep what the format knows of machines and times', async () => {
    const stored = await lookInHousehold(mine, readHousehold);
    expect(stored?.document.washers?.[0]).toMatchObject({ refusesForms: ['pod'], bleachDispenser: true });
    expect(stored?.document.times).toEqual({ quietHours: [['22:00', '07:00']], people: 2 });
    expect(stored?.measures).toEqual({ soap: { name: 'cap', holds: 30 } });
    expect(stored?.optionNames).toEqual({ w: { 'extra-rinse': 'Rinse plus' } });
  });
  test('one is forgotten with everything, the others stay', async () => {
    await inHousehold(theirs, async (tx) => {
      await addGarment(tx, theirs, 'x', { ...(await demoGarment()), name: 'X' });
      await appendEvents({ tx, householdId: theirs, actor: 'home' }, [{ garmentId: 'x', kind: 'worn', at: now }]);
      await putInBasket(tx, theirs, 'x', emptyState);
      await forgetHousehold(tx);
    });
    expect(await lookInHousehold(theirs, readHousehold)).toBeNull();
    expect(await lookInHousehold(theirs, listPieces)).toEqual([]);
    expect((await lookInHousehold(demoHouseholdId, listPieces)).length).toBeGreaterThan(60);
    expect(await lookInHousehold(mine, readHousehold)).not.toBeNull();
  });
});
const demoGarment = async () => {
  const [first] = await lookInHousehold(demoHouseholdId, listPieces);
  if (!first) throw new Error('the demo is empty');
  const { householdId: _h, id: _i, position: _p, createdAt: _c, updatedAt: _u, ...garment } = first.row;
  return garment;
};

describe('a change of the household', () => {
  test('is taken back whole: machine, programmes, places; what was used from the cupboard stays used', async () => {
    const before = await lookInHousehold(mine, readHousehold);
    await inHousehold(mine, async (tx) => {
      await rememberHousehold(tx, mine, { note: 'Washer: taken away', subject: 'w', at: now });
      await removeWasher(tx, 'w');
      await takeFromCupboard(tx, 'soap', 50);
    });
    const change = await lookInHousehold(mine, newestChange);
    expect(change?.note).toBe('Washer: taken away');
    expect(await inHousehold(mine, (tx) => takeBackChange(tx, mine, change?.id ?? 0))).toBe(true);
    const after = await lookInHousehold(mine, readHousehold);
    expect(after).toEqual({
      ...before,
      document: { ...before?.document, products: [{ ...before?.document.products?.[0], remaining: 850 }] },
    });
  });
  test('only the newest is taken back', async () => {
    await inHousehold(mine, async (tx) => {
      await rememberHousehold(tx, mine, { note: 'first', at: now });
      await saveThing(tx, mine, 'dryer', { id: 'd', name: 'Dryer' });
    });
    const first = await lookInHousehold(mine, newestChange);
    await inHousehold(mine, async (tx) => {
      await rememberHousehold(tx, mine, { note: 'second', at: now });
      await saveWasher(tx, mine, { id: 'w2', name: 'Second', programmes: [] });
    });
    expect(await inHousehold(mine, (tx) => takeBackChange(tx, mine, first?.id ?? 0))).toBe(false);
    const second = await lookInHousehold(mine, newestChange);
    expect(await inHousehold(mine, (tx) => takeBackChange(tx, mine, second?.id ?? 0))).toBe(true);
    const stored = await lookInHousehold(mine, readHousehold);
    expect(stored?.document.washers?.map((w) => w.id)).toEqual(['w']);
    expect(stored?.document.dryers).toEqual([{ id: 'd', name: 'Dryer' }]);
  });
});

describe('an import', () => {
  test('adds, changes and is taken back; what a table does not know stays', async () => {
    const ids = await inHousehold(mine, async (tx) => {
      const first = await storeImport(writer(tx), { garments: [tee], note: 'a hamper document', now, withState: true });
      return { first };
    });
    const stored = await lookInHousehold(mine, (tx) => findPiece(tx, 'tee'));
    expect(stored?.state).toMatchObject({ washCount: 7, wearsSinceWash: 2 });
    expect(stored?.state.tests).toHaveLength(1);
    expect(await lookInHousehold(mine, (tx) => basketState(tx, 'tee'))).toMatchObject({
      soil: 'heavy',
      stains: [{ kind: 'coffee' }],
    });
    await inHousehold(mine, (tx) => putInBasket(tx, mine, 'tee', emptyState));

    const table = readWardrobe(
      'id,name,kind,fibres,colours\ntee,Green tee,tshirt,cotton 100,#2f6f6b\nnew,Socks,sock_crew_pair,wool 100,#101010\n',
    );
    if (!table.ok) throw new Error('the table is good');
    const { garments } = table.value;
    expect(await lookInHousehold(mine, (tx) => previewImport(tx, garments))).toEqual({
      added: [{ id: 'new', name: 'Socks' }],
      changed: [{ id: 'tee', name: 'Green tee', fields: ['name'] }],
      same: 0,
    });
    const second = await inHousehold(mine, (tx) =>
      storeImport(writer(tx), { garments, note: 'a table', now, withState: false }),
    );
    expect(await lookInHousehold(mine, (tx) => previewImport(tx, garments))).toEqual({
      added: [],
      changed: [],
      same: 2,
    });
    expect((await lookInHousehold(mine, (tx) => findPiece(tx, 'tee')))?.state.washCount).toBe(7);
    expect(await lookInHousehold(mine, (tx) => basketState(tx, 'new'))).toBeNull();
    expect(await inHousehold(mine, (tx) => takeBackImport(writer(tx), second, now))).toBe(true);
    expect(await lookInHousehold(mine, (tx) => findPiece(tx, 'new'))).toBeNull();
    expect((await lookInHousehold(mine, (tx) => findPiece(tx, 'tee')))?.row.name).toBe('Tee');
    expect(await inHousehold(mine, (tx) => takeBackImport(writer(tx), second, now))).toBe(false);
    expect(await inHousehold(mine, (tx) => takeBackImport(writer(tx), 'no id', now))).toBe(false);
    expect((await lookInHousehold(mine, recentImports)).map((i) => i.id)).toEqual([ids.first]);
  });
  test('the whole demo, taken out and in again, is the same household', async () => {
    const out = await lookInHousehold(demoHouseholdId, (tx) => wholeHamper(tx, now));
    const read = readHamperValue(out);
    if (!read.ok || !out) throw new Error('the export is a hamper document');
    const copy = '6f0b1a5e-0000-4000-8000-0000000000a3';
    await inHousehold(copy, async (tx) => {
      await createHousehold(tx, copy, {
        ...view('Copy'),
        timeZone: 'Europe/Amsterdam',
        document: out.household,
        measures: {},
      });
      await storeImport(
        { tx, householdId: copy, actor: 'home' },
        { garments: read.value.document.garments, note: 'copy', now, withState: true },
      );
    });
    expect(await lookInHousehold(copy, (tx) => wholeHamper(tx, now))).toEqual(out);
    const csv = wardrobeCsv(out.garments);
    expect(wardrobeCsv((await lookInHousehold(copy, listPieces)).map((p) => garmentDocument(p, now)))).toBe(csv);
  });
});

describe('pieces that leave', () => {
  test('given away keeps the history, leaves basket and list, and can come back', async () => {
    await inHousehold(mine, (tx) => setRetired(tx, 'tee', 'given-away', now));
    expect(await lookInHousehold(mine, listPieces)).toEqual([]);
    expect((await lookInHousehold(mine, (tx) => listPieces(tx, 'gone'))).map((p) => p.row.id)).toEqual(['tee']);
    expect(await lookInHousehold(mine, (tx) => basketState(tx, 'tee'))).toBeNull();
    await inHousehold(mine, (tx) => setRetired(tx, 'tee', null, now));
    const back = await lookInHousehold(mine, (tx) => findPiece(tx, 'tee'));
    expect(back?.state.washCount).toBe(7);
  });
  test('deleted for good takes the history along; another household cannot do it', async () => {
    await inHousehold(demoHouseholdId, (tx) => forgetGarment(tx, 'tee'));
    expect(await lookInHousehold(mine, (tx) => findPiece(tx, 'tee'))).not.toBeNull();
    await inHousehold(mine, (tx) => forgetGarment(tx, 'tee'));
    expect(await lookInHousehold(mine, (tx) => findPiece(tx, 'tee'))).toBeNull();
  });
});
