import { describe, expect, test } from '@jest/globals';
import { shaded } from '../colour/colour.ts';
import { labOf } from '../colour/colour.ts';
import { distinctName } from '../phrase/distinct-name.ts';
import { numberOf } from '../phrase/numbers.ts';
import { singular } from '../phrase/line.ts';
import { hardnessClass, stripHardness } from '../units/hardness.ts';
import { usableVolumeL } from '../washing/basin.ts';
import { usualBasins, usualPlaces, usualProducts } from './usual-cupboard.ts';
import { loadingOf, machineKinds, usualProgrammes } from './usual-programmes.ts';

describe('what a household usually has', () => {
  test.each(machineKinds)('%s: programmes with ids of their own that fit the drum', (kind) => {
    for (const kg of [1, 5, 7, 12]) {
      const list = usualProgrammes(kind, kg);
      expect(new Set(list.map((p) => p.id)).size).toBe(list.length);
      for (const p of list) {
        expect(p.maxLoadKg).toBeGreaterThanOrEqual(0.5);
        expect(p.maxLoadKg).toBeLessThanOrEqual(Math.max(0.5, kg));
        expect([...p.temperaturesC].sort((a, b) => a - b)).toEqual(p.temperaturesC);
        expect([...p.spinsRpm].sort((a, b) => a - b)).toEqual(p.spinsRpm);
      }
      expect(Math.max(...list.map((p) => p.maxLoadKg))).toBe(kg);
    }
  });
  test('wool is never loaded with more than 2 kg; only machines with a post wash like one', () => {
    const wool = (kg: number) => usualProgrammes('front', kg).find((p) => p.id === 'wool')?.maxLoadKg;
    expect([wool(4), wool(8), wool(12)]).toEqual([1, 2, 2]);
    expect(machineKinds.filter((k) => loadingOf(k) === 'top-agitator')).toEqual(['top-agitator', 'coin-top']);
  });
  test('doses rise with hardness and with soil', () => {
    for (const { dose } of usualProducts) {
      if (!dose?.table) continue;
      const rows = [dose.table.soft, dose.table.medium, dose.table.hard];
      for (const [k, r] of rows.entries()) {
        expect(r.light <= r.normal && r.normal <= r.heavy).toBe(true);
        const softer = rows[k - 1];
        if (softer) expect(r.normal).toBeGreaterThanOrEqual(softer.normal);
      }
    }
  });
  test('every tub holds water, every place holds something', () => {
    const litres = Object.values(usualBasins).map(({ id, name, ...form }) =>
      Math.round(usableVolumeL({ id, name, form })),
    );
    expect(litres).toEqual([22, 13, 11, 180]);
    for (const p of Object.values(usualPlaces)) if (p) expect(p.bars * p.barLengthM).toBeGreaterThan(0);
  });
  test('a strip: none soft, two medium, all four hard', () =>
    expect(([0, 1, 2, 3, 4] as const).map((n) => hardnessClass(stripHardness(n)))).toEqual([
      'soft',
      'soft',
      'medium',
      'hard',
      'hard',
    ]));
});

describe('small words', () => {
  test.each([
    ['dresses', 'dress'],
    ['scarves', 'scarf'],
    ['berries', 'berry'],
    ['boxes', 'box'],
    ['tees', 'tee'],
    ['glass', 'glass'],
    ['bus', 'bus'],
  ])('%s → %s', (many, one) => expect(singular(many)).toBe(one));
  test.each([
    ['fourteen', 14],
    ['twenty-four', 24],
    ['twenty four', 24],
    ['sixty', 60],
    ['a dozen', 12],
    ['twice', 2],
    ['2,5', 2.5],
    ['many', null],
    ['', null],
  ] as const)('%s is %s', (text, n) => expect(numberOf(text)).toBe(n));
  test('a second piece of a name is told apart by owner, then size, then number', () => {
    const taken = new Set(['jeans']);
    const name = (owner: string, size: string): string => distinctName({ name: 'Jeans', owner, size }, taken);
    expect(distinctName({ name: 'Coat', owner: 'Ida', size: 'L' }, taken)).toBe('Coat');
    expect(name('Ida', 'L')).toBe('Jeans, Ida');
    taken.add('jeans, ida');
    expect(name('Ida', 'L')).toBe('Jeans, L');
    expect(name('Ida', 'M')).toBe('Jeans 2');
    taken.add('jeans 2');
    expect(name('', 'M')).toBe('Jeans 3');
    expect(
      distinctName({ name: 'x'.repeat(80), owner: '', size: 'M' }, new Set(['x'.repeat(80)])).length,
    ).toBeLessThanOrEqual(80);
  });
  test('a shade keeps the hue and moves the lightness', () => {
    const [plain, dark, light] = ['#2e5fa3', shaded('#2e5fa3', -22), shaded('#2e5fa3', 20)].map(labOf);
    expect(plain && dark ? plain.lightness - dark.lightness : 0).toBeCloseTo(22, 0);
    expect(plain && light ? light.lightness - plain.lightness : 0).toBeCloseTo(20, 0);
    expect(shaded('#ffffff', 40)).toMatch(/^#[0-9a-f]{6}$/);
  });
});
