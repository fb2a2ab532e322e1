import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { usualUnits } from '@core/units/choices.ts';
import { closeDatabase, inHousehold } from './client.ts';
import {
  addDecision,
  clearDecisions,
  currentPins,
  decisionNotes,
  pinsAmong,
  pinsWithout,
  undoDecision,
} from './decisions.ts';
import { createHousehold, readHousehold } from './household.ts';
import type { PinDocument } from './schema.ts';

const here = '6f0b1a5e-0000-4000-8000-00000000000a';
const next = '6f0b1a5e-0000-4000-8000-00000000000b';
const wait: PinDocument[] = [{ outcome: { tee: 'wait' } }];
const both: PinDocument[] = [...wait, { together: ['sash', 'jumper'], confirmed: true }];

beforeAll(async () => {
  for (const id of [here, next])
    await inHousehold(id, async (tx) => {
      if (!(await readHousehold(tx)))
        await createHousehold(tx, id, {
          name: id,
          timeZone: 'UTC',
          document: {},
          nets: { all: 4, withoutMetal: 2 },
          units: usualUnits,
          measures: {},
          poisonCentre: null,
          children: false,
        });
    });
});
beforeEach(async () => {
  for (const id of [here, next]) await inHousehold(id, clearDecisions);
});
afterAll(closeDatabase);

describe('decisions made by hand', () => {
  test('the last one is how things stand; undo goes back step by step, and then says there was nothing', async () => {
    await inHousehold(here, (tx) => addDecision(tx, here, { note: 'Tee waits', pins: wait }));
    await inHousehold(here, (tx) => addDecision(tx, here, { note: 'Sash joins the wool', pins: both }));
    expect(await inHousehold(here, currentPins)).toEqual(both);
    expect(await inHousehold(here, decisionNotes)).toEqual(['Sash joins the wool', 'Tee waits']);
    expect(await inHousehold(here, undoDecision)).toBe('Sash joins the wool');
    expect(await inHousehold(here, currentPins)).toEqual(wait);
    expect(await inHousehold(here, undoDecision)).toBe('Tee waits');
    expect(await inHousehold(here, currentPins)).toEqual([]);
    expect(await inHousehold(here, undoDecision)).toBeNull();
  });
  test('another household sees, undoes and clears nothing of it', async () => {
    await inHousehold(here, (tx) => addDecision(tx, here, { note: 'Tee waits', pins: wait }));
    expect(await inHousehold(next, currentPins)).toEqual([]);
    expect(await inHousehold(next, undoDecision)).toBeNull();
    await inHousehold(next, clearDecisions);
    expect(await inHousehold(here, currentPins)).toEqual(wait);
  });
  test('nor can it write for another', async () => {
    await expect(inHousehold(next, (tx) => addDecision(tx, here, { note: 'x', pins: wait }))).rejects.toThrow();
    expect(await inHousehold(here, currentPins)).toEqual([]);
  });
});

describe('pins among pieces', () => {
  const pins: PinDocument[] = [
    { together: ['a', 'b', 'c'], confirmed: true },
    { apart: ['a', 'd'] },
    { outcome: { a: 'wait', b: 'wash' } },
  ];
  test('all there, nothing changes', () => expect(pinsAmong(pins, new Set(['a', 'b', 'c', 'd']))).toEqual(pins));
  test('what is left of too little is dropped', () =>
    expect(pinsAmong(pins, new Set(['b', 'c']))).toEqual([
      { together: ['b', 'c'], confirmed: true },
      { outcome: { b: 'wash' } },
    ]));
  test('a new decision about a piece replaces what was decided about it', () =>
    expect(pinsWithout(pins, 'a')).toEqual([{ together: ['b', 'c'], confirmed: true }, { outcome: { b: 'wash' } }]));
  test('nobody there, nothing decided', () => expect(pinsAmong(pins, new Set())).toEqual([]));
});
