/** The table of prices against a map. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PriceTable } from './price-table.ts';

const key = fc.oneof(fc.nat(20), fc.integer({ min: 0, max: 2 ** 52 }));
const check = fc.oneof(fc.nat(3), fc.integer({ min: 0, max: 2 ** 32 - 1 }));
const cost = fc.oneof(fc.constant(Infinity), fc.double({ min: 0, max: 1_000, noNaN: true }));
const setting = fc.integer({ min: -1, max: 400 });

test('answers what was written last under both hashes, and nothing else', () =>
  fc.assert(
    fc.property(fc.array(fc.tuple(key, check, cost, setting), { maxLength: 60 }), (entries) => {
      const table = new PriceTable();
      const map = new Map<string, { cost: number; setting: number }>();
      for (const [k, c, price, s] of entries) {
        table.set(k, c, { cost: price, setting: s });
        map.set(`${k} ${c}`, { cost: price, setting: s });
      }
      for (const [k, c] of entries) {
        expect(table.get(k, c)).toEqual(map.get(`${k} ${c}`));
        expect(table.cost(k, c)).toBe(map.get(`${k} ${c}`)?.cost);
        const other = (c ^ 5) >>> 0;
        expect(table.get(k, other)).toEqual(map.get(`${k} ${other}`));
      }
    }),
  ));
test('grows without losing any, also where all checks begin alike', () => {
  const table = new PriceTable();
  const many = 5_000;
  for (let x = 0; x < many; x++) table.set(x * 4_294_967_296, (x % 7) * 65_536, { cost: x / 8, setting: x % 300 });
  for (let x = 0; x < many; x++)
    expect(table.get(x * 4_294_967_296, (x % 7) * 65_536)).toEqual({ cost: x / 8, setting: x % 300 });
  expect(table.get(1, 0)).toBeUndefined();
  expect(table.cost(many * 4_294_967_296, 0)).toBeUndefined();
});
