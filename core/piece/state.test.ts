import { expect, test } from '@jest/globals';
import { pieceState, type StateFacts } from './state.ts';

const now = new Date('2026-05-09T10:00:00Z');
const clean: StateFacts = {
  retired: false,
  inTub: false,
  inDrum: false,
  dryAt: null,
  inBasket: false,
  wearsSinceWash: 0,
};
test.each<[Partial<StateFacts>, string]>([
  [{}, 'clean'],
  [{ wearsSinceWash: 1 }, 'worn-clean'],
  [{ dryAt: new Date('2026-05-09T10:00:01Z') }, 'drying'],
  [{ dryAt: new Date('2026-05-09T10:00:00Z') }, 'to-feel'],
  [{ inBasket: true, wearsSinceWash: 3 }, 'in-basket'],
  [{ inBasket: true, inDrum: true }, 'in-drum'],
  [{ inBasket: true, inTub: true }, 'in-tub'],
  [{ retired: true, inBasket: true }, 'gone'],
])('%j is %s', (facts, state) => expect(pieceState({ ...clean, ...facts }, now)).toBe(state));
