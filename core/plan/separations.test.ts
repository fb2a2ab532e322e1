/** Why loads stay apart: each reason names its pieces. */
import { describe, expect, test } from '@jest/globals';
import { textOf } from '@words/text.ts';
import fc from 'fast-check';
import type { Garment } from '../model/garment.ts';
import { basketOf, conflictOf } from '../price/basket.ts';
import { priceLoad } from '../price/price.ts';
import { transferAllowed, transfers } from '../price/transfer.ts';
import { everydayGarment, garment, household } from '../testing/arbitrary.ts';
import { separationsOf } from './separations.ts';

const ground = (hex: string) => [{ hex, role: 'ground' as const }];

describe('why groups stay apart', () => {
  const between = (a: Garment, c: Garment) => {
    const b = basketOf([a, c], household);
    const [x, y] = [priceLoad(b, [0]), priceLoad(b, [1])];
    if (!x.feasible || !y.feasible) throw new Error('each can be washed');
    return { b, separation: separationsOf(b, [x, y])[0] ?? null };
  };
  test('contamination before anything else, then company, dye, detergent, hard parts', () => {
    expect(
      between(
        garment('f', { soil: 'hazardous' }),
        garment('red', { colours: ground('#a3222f'), dye: 'unknown', washCount: 0 }),
      ).separation?.constraint,
    ).toBe('H4');
    expect(
      between(
        garment('red', { colours: ground('#a3222f'), dye: 'unknown', washCount: 0 }),
        garment('w', { colours: ground('#f7f7f4'), dye: 'undyed' }),
      ).separation?.constraint,
    ).toBe('H5');
  });
  test('dye that runs names giver and receiver, with the difference and its limit', () => {
    const { separation } = between(
      garment('green', { colours: ground('#2e8b57'), dye: 'direct', washCount: 0 }),
      garment('white', { colours: ground('#f7f7f4'), dye: 'undyed' }),
    );
    expect(separation).toMatchObject({ constraint: 'H3', garments: ['green', 'white'] });
    expect(separation && textOf(separation.message)).toMatch(
      /^Green would tint white \(ΔE about \d+(\.\d)?, allowed 2\.2\)\.$/,
    );
  });
  test('what only the price keeps apart says what it would cost, and the greatest part of it', () => {
    const { separation } = between(
      garment('sheet', { kind: 'sheet_single', dye: 'undyed', colours: ground('#f7f7f4'), valueEur: 90 }),
      garment('tee', { washCount: 40, dye: 'vat' }),
    );
    expect(separation?.constraint).toBe('price');
    expect(separation?.message.code).toBe('apart.price-uses');
    expect(between(garment('a'), garment('b')).separation).toBeNull();
  });
  test('H3 is said exactly where no setting that suits both would do', () =>
    fc.assert(
      fc.property(everydayGarment, everydayGarment, (a, c) => {
        const b = basketOf(
          [
            { ...a, id: 'a', name: 'a' },
            { ...c, id: 'c', name: 'c' },
          ],
          household,
        );
        const [x, y] = [priceLoad(b, [0]), priceLoad(b, [1])];
        if (!x.feasible || !y.feasible || conflictOf(b, 0, 1)) return;
        const common = b.settings.flatMap((_, k) => (b.allowed[0]?.[k] && b.allowed[1]?.[k] ? [k] : []));
        const runs = (k: number): boolean =>
          transfers(b, [0, 1], k, true).some((t) => !transferAllowed(b, t.giver, t.receiver, t.deltaE));
        expect(separationsOf(b, [x, y])[0]?.message.code === 'apart.tint').toBe(
          common.length > 0 && common.every(runs),
        );
      }),
      { numRuns: 300 },
    ));
  test('pieces alike in a load change nothing of what keeps it from another', () =>
    fc.assert(
      fc.property(everydayGarment, everydayGarment, fc.integer({ min: 1, max: 3 }), (a, c, more) => {
        const alike = Array.from({ length: more }, (_, i) => ({ ...a, id: `a${i}`, name: `a${i}` }));
        const b = basketOf([...alike, { ...c, id: 'c', name: 'c' }], household);
        const every = priceLoad(
          b,
          alike.map((_, i) => i),
        );
        const [one, other] = [priceLoad(b, [0]), priceLoad(b, [more])];
        if (!every.feasible || !one.feasible || !other.feasible) return;
        const [few] = separationsOf(b, [one, other]);
        const [many] = separationsOf(b, [every, other]);
        // What only room or price keep apart depends on how many they are.
        if (!few || few.constraint === 'price' || few.constraint === 'H2') return;
        expect(many).toEqual(few);
      }),
      { numRuns: 200 },
    ));
  test('the strongest reason between any two of three loads, each pair once', () => {
    const b = basketOf(
      [
        garment('fuel', { soil: 'hazardous' }),
        garment('red', { colours: ground('#a3222f'), dye: 'unknown', washCount: 0 }),
        garment('grey', { colours: ground('#8a8a88'), dye: 'vat', washCount: 40 }),
        garment('white', { colours: ground('#f7f7f4'), dye: 'undyed' }),
      ],
      household,
    );
    const loads = [[0], [1], [2, 3]].map((pieces) => priceLoad(b, pieces));
    const washed = loads.flatMap((load) => (load.feasible ? [load] : []));
    expect(washed).toHaveLength(3);
    expect(separationsOf(b, washed).map((s) => [s.garments, s.constraint])).toEqual([
      [['fuel', 'red'], 'H4'],
      [['fuel', 'grey'], 'H4'],
      [['red', 'grey'], 'H5'],
    ]);
  });
});
