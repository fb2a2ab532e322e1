import { expect, test } from '@jest/globals';
import { pieceState, type AfterWash, type StateFacts } from './state.ts';

const now = new Date('2026-05-09T10:00:00Z');
const clean: StateFacts = {
  retired: false,
  inTub: false,
  inDrum: false,
  afterWash: null,
  atCleaner: false,
  freshening: false,
  inBasket: false,
  wearsSinceWash: 0,
};
const hanging: AfterWash = { hung: true, expectedAt: null, dry: false, toPress: false };
test.each<[Partial<StateFacts>, string]>([
  [{}, 'clean'],
  [{ wearsSinceWash: 1 }, 'worn-clean'],
  [{ afterWash: { ...hanging, hung: false, expectedAt: null } }, 'wet'],
  [{ afterWash: { ...hanging, expectedAt: new Date('2026-05-09T10:00:01Z') } }, 'drying'],
  [{ afterWash: { ...hanging, expectedAt: new Date('2026-05-09T10:00:00Z') } }, 'to-feel'],
  [{ afterWash: { ...hanging, expectedAt: null } }, 'drying'],
  [{ afterWash: { ...hanging, dry: true, toPress: true } }, 'to-press'],
  [{ afterWash: { ...hanging, dry: true } }, 'to-put-away'],
  [{ afterWash: { ...hanging, dry: true }, inBasket: true }, 'in-basket'],
  [{ atCleaner: true, wearsSinceWash: 2 }, 'at-cleaner'],
  [{ freshening: true, wearsSinceWash: 2 }, 'airing'],
  [{ inBasket: true, wearsSinceWash: 3 }, 'in-basket'],
  [{ inBasket: true, inDrum: true }, 'in-drum'],
  [{ inBasket: true, inTub: true }, 'in-tub'],
  [{ retired: true, inBasket: true }, 'gone'],
])('%j is %s', (facts, state) => expect(pieceState({ ...clean, ...facts }, now)).toBe(state));
