/** The verdict on one piece, reason by reason, each limit on both sides. */
import { describe, expect, test } from '@jest/globals';
import type { Garment } from '../model/garment.ts';
import { say } from '../message/message.ts';
import { garment, only } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import { lieLimit, needVerdict, noHistory, ownCare, type History } from './verdict.ts';

const of = (change: Partial<Garment>, history: Partial<History> = {}) =>
  needVerdict(garment('g', { soil: 'none', wearsSinceWash: 0, ...change }), { ...noHistory, ...history });
const washed = (cause: string, because: unknown) => ({ need: 'wash', cause, because });

/** Worn once: a T-shirt bears one and a half. */
const worn: Partial<Garment> = { wearsSinceWash: 1 };
const wool: Partial<Garment> = { kind: 'jumper_mid', parts: only('wool'), nextToSkin: false, wearsSinceWash: 1 };
const down: Partial<Garment> = { kind: 'down_jacket', parts: only('polyamide'), traits: new Set(['down']) };
const leather: Partial<Garment> = { kind: 'leather_jacket', parts: only('leather') };

describe('a spot instead of a wash', () => {
  const small: Partial<Garment> = { ...wool, stains: [mark('coffee', { sizeCm: 5 })] };
  test('one mark of five centimetres on fresh wool', () =>
    expect(of(small)).toEqual({ need: 'spot', because: say('need.spot', { stain: 'coffee' }) }));
  test.each<[string, Partial<Garment>, string]>([
    ['larger', { stains: [mark('coffee', { sizeCm: 5.1 })] }, 'stain'],
    ['of unknown size', { stains: [mark('coffee', { sizeCm: null })] }, 'stain'],
    ['two of them', { stains: [mark('coffee'), mark('tea')] }, 'stain'],
    ['on cotton', { kind: 'jumper_mid', parts: only('cotton') }, 'stain'],
    ['on a piece that smells', { odour: true }, 'stain'],
    ['on a piece that is needed', { neededBy: '2026-05-10T08:00:00Z' }, 'stain'],
    ['on a soiled piece', { soil: 'normal' }, 'stain'],
    ['on a piece whose wears are up', { wearsSinceWash: 10 }, 'stain'],
    ['on a piece of the sick', { hygiene: true }, 'hygiene'],
  ])('not %s', (_, change, cause) => expect(of({ ...small, ...change })).toMatchObject({ need: 'wash', cause }));
  test('light soil and the last wear but one leave it a spot', () =>
    expect(of({ ...small, soil: 'light', wearsSinceWash: 9 }).need).toBe('spot'));
  test('denim and jackets, too; every mark is named where it is a wash', () => {
    expect(of({ kind: 'jeans', traits: new Set(['denim']), wearsSinceWash: 1, stains: [mark('tea')] }).need).toBe(
      'spot',
    );
    expect(of({ stains: [mark('coffee'), mark('tea')] })).toEqual(
      washed('stain', say('need.stained', { stains: ['coffee', 'tea'] })),
    );
  });
});

describe('care of its own', () => {
  test('by wears, both sides', () => {
    const at = (wearsSinceWash: number) => of({ ...leather, wearsSinceWash }, { daysSinceCare: 1 });
    expect(at(19)).toEqual({ need: 'nothing', because: say('need.cared') });
    expect(at(20)).toEqual({ need: 'care', care: 'leather', because: ownCare.leather.because });
  });
  test('by days, both sides; never cared for: as soon as it was worn', () => {
    expect(of({ ...leather, ...worn }, { daysSinceCare: 179 }).need).toBe('nothing');
    expect(of({ ...leather, ...worn }, { daysSinceCare: 180 }).need).toBe('care');
    expect(of({ ...leather, ...worn }).need).toBe('care');
    expect(of(leather).need).toBe('nothing');
    expect(of(leather, { daysSinceCare: 180 }).need).toBe('care');
  });
  test.each<[string, Partial<Garment>, object]>([
    ['soil', { soil: 'normal' }, { cause: 'soil' }],
    ['a mark', { stains: [mark('tea', { sizeCm: 20 })] }, { cause: 'stain' }],
    ['illness', { hygiene: true }, { cause: 'hygiene' }],
    ['a smell', { odour: true }, { cause: 'odour' }],
    ['a date', { neededBy: '2026-05-10T08:00:00Z' }, { cause: 'date' }],
  ])('%s comes before it', (_, change, told) => expect(of({ ...leather, ...change })).toMatchObject(told));
  test('down is washed when its wears are up, leather is not', () => {
    const up = (change: Partial<Garment>, wearsSinceWash: number) =>
      of({ ...change, wearsSinceWash }, { daysSinceCare: 0 });
    expect(up(down, 9).need).toBe('nothing');
    expect([19, 20].map((n) => up(down, n).need)).toEqual(['care', 'wash']);
    expect(up(leather, 40).need).toBe('care');
  });
});

describe('washed, and why', () => {
  test('lying: worn, long enough, and known how long', () => {
    const white: Partial<Garment> = { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' };
    const limit = lieLimit(garment('g', white));
    expect(limit).toEqual({ days: 4, because: say('need.yellows') });
    expect(of({ ...white, ...worn }, { daysLying: 4.6 })).toEqual(
      washed('lies', say('need.lies', { days: 4, because: say('need.yellows') })),
    );
    expect(of({ ...white, ...worn }, { daysLying: 3.9 }).need).not.toBe('wash');
    expect(of({ ...white, ...worn }).need).not.toBe('wash');
    expect(of(white, { daysLying: 9 }).need).toBe('nothing');
    expect(of({ ...worn, nextToSkin: false, ...white, kind: 'tshirt' }, { daysLying: 9 }).need).not.toBe('wash');
    expect(of(worn, { daysLying: 9 }).need).not.toBe('wash');
  });
  test('a smell, a date, soil: each alone is enough', () => {
    expect(of({ odour: true })).toEqual(washed('odour', say('need.smells')));
    expect(of({ neededBy: '2026-05-10T08:00:00Z' })).toEqual(washed('date', say('need.date')));
    expect(of({ soil: 'normal' })).toEqual(washed('soil', say('need.soil', { soil: 'normal' })));
    expect(of({ soil: 'light' }).need).toBe('nothing');
  });
  test('what has no count of wears is washed when it is soiled at all', () => {
    const sheet: Partial<Garment> = { kind: 'scarf_fine', nextToSkin: false };
    const uncounted = needVerdict(garment('g', { kind: 'other', soil: 'light', wearsSinceWash: 0 }));
    expect(uncounted).toEqual(washed('soil', say('need.soil', { soil: 'light' })));
    expect(of({ kind: 'other' }).need).toBe('nothing');
    expect(of({ ...sheet, soil: 'light' }).need).not.toBe('wash');
  });
  test('wears: the first that reaches what the kind bears', () => {
    expect(of({ ...wool, wearsSinceWash: 9 }).need).toBe('freshen');
    expect(of({ ...wool, wearsSinceWash: 10 })).toEqual(
      washed('wears', say('need.wears', { wears: 10, allowedWears: 10 })),
    );
  });
  test('asked for: towels and linen that were used, nothing else', () => {
    const towel: Partial<Garment> = { kind: 'bath_towel', use: 'towel', nextToSkin: false };
    expect(of({ ...towel, ...worn }, { asked: true })).toEqual(washed('asked', say('need.asked', { wears: 1 })));
    expect(of({ ...towel, ...worn }).need).not.toBe('wash');
    expect(of(towel, { asked: true }).need).toBe('nothing');
    expect(of(wool, { asked: true }).need).toBe('freshen');
  });
  test('illness is named before a mark, a mark before lying, lying before a smell', () => {
    const all: Partial<Garment> = {
      ...worn,
      hygiene: true,
      odour: true,
      stains: [mark('tea')],
      kind: 'sport_tee',
      neededBy: '2026-05-10T08:00:00Z',
    };
    const long = { daysLying: 2 };
    const causes = [all, { ...all, hygiene: false }, { ...all, hygiene: false, stains: [] }].map((g) => of(g, long));
    expect(causes.map((v) => 'cause' in v && v.cause)).toEqual(['hygiene', 'stain', 'lies']);
  });
});
