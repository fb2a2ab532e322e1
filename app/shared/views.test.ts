/** What screens say: moves, events, times and numbers in words. */
import { describe, expect, test } from '@jest/globals';
import { basketOf } from '@core/price/basket.ts';
import { consequenceOf } from '@core/board/move.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { demoHousehold } from '@data/demo/household.ts';
import { eventText } from '../log/history.ts';
import { moveWords, outcomeNotes, type LoadNow } from '../sort/move-words.ts';
import { drawingOf } from './drawing.ts';
import { currencySign, dryingText, durationText, money, numberWord, plural } from './words.ts';

const h = householdOf(demoHousehold.document);
const tee = (id: string, hex: string) =>
  garmentOf({
    id,
    name: id,
    kind: 'tshirt',
    parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
    colours: [{ hex, role: 'ground' }],
    dye: 'reactive',
    washCount: 12,
    wearsSinceWash: 2,
    label: { wash: { by: 'machine', maxC: 40, action: 'normal' } },
  });
const b = basketOf(
  [
    tee('a', '#5f9e86'),
    tee('b', '#5f9e86'),
    garmentOf({
      id: 'fuel',
      name: 'Rag',
      kind: 'tshirt',
      parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
      colours: [{ hex: '#5f9e86', role: 'ground' }],
      soil: 'hazardous',
    }),
  ],
  h,
);
const name = (id: string | null): string => id ?? 'By hand';

describe('a move in words', () => {
  const now: LoadNow = { temperatureC: 60, spinRpm: 1400, fill: 0.5, programme: 'cottons', dose: '' };
  test('price, settings and limits before and after', () => {
    const words = moveWords(consequenceOf(b, [[0], [1]], 0, { to: 'load', load: 1 }), now, '€', name);
    expect(words.verdict).toBe('cheaper');
    expect(words.price).toMatch(/^−\d+\.\d\d €$/);
    expect(words.text).toContain('°C instead of 60 °C');
    const [temperature, spin, fill] = words.limits;
    expect(temperature).toMatchObject({ title: 'Temperature' });
    expect(temperature!.before).toBeCloseTo(60 / 95, 9);
    expect(temperature!.after).toBeLessThan(temperature!.before!);
    expect(spin!.words).toContain('→');
    expect(fill!.words).toMatch(/^50 → \d+ %$/);
  });
  test('a new load has no before; by hand there is no spin', () => {
    const own = moveWords(consequenceOf(b, [[0, 1]], 0, { to: 'own' }), null, '€', name);
    expect(own.verdict).toBe('dearer');
    expect(own.limits.map((l) => l.before)).toEqual([null, null, null]);
    const hand = moveWords(consequenceOf(b, [[0, 1]], 0, { to: 'hand' }), null, '€', name);
    expect(hand.text).toMatch(/^By hand, \d\d °C\.$/);
    expect(hand.limits.map((l) => l.title)).toEqual(['Temperature', 'Fill']);
  });
  test('what is unsafe is refused without a price or limits', () => {
    expect(moveWords(consequenceOf(b, [[0], [2]], 0, { to: 'load', load: 1 }), now, '€', name)).toMatchObject({
      verdict: 'refused',
      price: 'refused',
      limits: [],
    });
  });
  test('every resting place has its note', () => {
    for (const note of Object.values(outcomeNotes)) expect(note).toMatch(/^[a-z]/);
  });
});

describe('events in words', () => {
  test.each([
    ['worn', { count: 3 }, 'Worn 3 times'],
    ['worn', {}, 'Worn'],
    ['aired', {}, 'Aired or cared for'],
    ['washed', { temperatureC: 30, programme: 'easy-care' }, 'Washed at 30 °C, easy care'],
    ['washed', { count: 7, note: 'before Neat Fold' }, 'Washed 7 times, before Neat Fold'],
    [
      'tested',
      { test: { kind: 'spot', grade: 3, agent: 'isopropyl-alcohol' } },
      'Spot test with Isopropyl alcohol 70 %: a trace of colour (grade 3)',
    ],
    ['read', { test: { kind: 'catcher', grade: 5 } }, 'Catcher: clear (grade 5)'],
    ['measured', { measure: { place: 'chest', cm: 50.5 } }, 'Chest: 50.5 cm'],
    ['measured', { size: 'kept' }, 'Measured: size as before'],
    ['stained', { note: 'Red wine, front' }, 'Stained: Red wine, front'],
    ['treated', { stain: { id: 's1', kind: 'coffee', result: 'gone' } }, 'Black coffee: gone'],
    ['treated', { stain: { id: 's1', kind: 'coffee', result: 'lighter' } }, 'Black coffee: lighter'],
    ['treated', { stain: { id: 's1', kind: 'coffee', result: 'stopped' } }, 'Black coffee: treatment stopped'],
    [
      'treated',
      { step: { stain: 'coffee', agent: 'vinegar-white', dose: null, temperatureC: 25, minutes: 3, result: 'failed' } },
      'Black coffee: White vinegar, 5–8 % acetic acid, 3 min, check not passed',
    ],
    [
      'treated',
      { step: { stain: 'mud', agent: 'soft-brush', dose: null, temperatureC: 20, minutes: 2, result: 'passed' } },
      'Mud and soil: Soft clean brush, bristles ≤ 0.2 mm, 2 min, check passed',
    ],
    ['treated', { note: 'Soaking in oxygen bleach' }, 'Soaking in oxygen bleach'],
    ['cleaned', {}, 'Cleaned by a professional'],
    ['cleaned', { cleaned: { cost: 12.5, worthIt: true } }, 'Cleaned by a professional, 12.50 €, worth it'],
    ['noted', { note: 'Taken off: belt' }, 'Taken off: belt'],
  ] as const)('%s %j', (kind, data, text) => expect(eventText(kind, data, 'EUR')).toBe(text));
});

describe('numbers in words', () => {
  test('times', () => {
    expect([0, 59, 60, 95, 149.6].map(durationText)).toEqual(['0 min', '59 min', '1 h', '1 h 35', '2 h 30']);
    expect([2879, 2880, 7620].map(durationText)).toEqual(['47 h 59', '2 days 0 h', '5 days 7 h']);
    expect([0.5, 8, 20].map(dryingText)).toEqual(['about 30 min', '6–11 h', '15–27 h']);
  });
  test('counts, lists and money', () => {
    expect([plural(1, 'load'), plural(3, 'load'), plural(2, 'box', 'boxes')]).toEqual(['1 load', '3 loads', '2 boxes']);
    expect([0, 4, 12, 13].map(numberWord)).toEqual(['No', 'Four', 'Twelve', '13']);
    expect(money(2.094, 'EUR')).toContain('2.09');
    expect(currencySign('EUR')).toBe('€');
  });
  test('every kind has a drawing of its own sort', () =>
    expect(
      (['tshirt', 'jeans', 'dress_light', 'bath_towel', 'sock_crew_pair', 'dress_shirt', 'coat'] as const).map(
        drawingOf,
      ),
    ).toEqual(['tee', 'trousers', 'dress', 'towel', 'socks', 'shirt', 'coat']));
});
