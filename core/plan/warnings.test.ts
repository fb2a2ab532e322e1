/** What to watch in a load, each limit on both sides. */
import { describe, expect, test } from '@jest/globals';
import type { Garment } from '../model/garment.ts';
import { basketOf } from '../price/basket.ts';
import { priceLoad, type PricedLoad } from '../price/price.ts';
import { garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { loadWarnings } from './warnings.ts';

/** The load of these pieces, changed; and the codes of what is to be watched in it. */
function codes(garments: readonly Garment[], change: Partial<PricedLoad> = {}): string[] {
  const b = basketOf(garments, household);
  const load = priceLoad(
    b,
    garments.map((_, i) => i),
  );
  if (!load.feasible) throw new Error('must be washable');
  return loadWarnings(b, { ...load, ...change }, b.profiles).map((w) => w.code);
}
const company = { greying: 0, resoiling: 0, uses: 0, dividedSets: 0, strangers: 0 };
const tee = garment('tee', { washCount: 20 });
const other = garment('other', { washCount: 20 });

describe('a load is told to be', () => {
  test('nearly empty below 15 % of the drum', () => {
    expect(codes([tee, other], { fill: 0.149 })).toContain('underfilled');
    expect(codes([tee, other], { fill: 0.15 })).not.toContain('underfilled');
  });
  test('out of balance below half a drum, with one piece that is most of it', () => {
    const coat = garment('coat', { washCount: 20, weighedDryMassG: 1_500 });
    expect(codes([tee, coat], { fill: 0.49 })).toContain('underfilled');
    expect(codes([tee, coat], { fill: 0.5 })).not.toContain('underfilled');
    expect(codes([coat], { fill: 0.49 })).not.toContain('underfilled');
  });
  test('packed above a full drum', () => {
    expect(codes([tee], { fill: 1.01 })).toContain('overfilled');
    expect(codes([tee], { fill: 1 })).not.toContain('overfilled');
  });
  test('short of what dirt asks from a quarter of the need on, and only where there is dirt', () => {
    const dirty = garment('dirty', { washCount: 20, soil: 'heavy' });
    expect(codes([dirty], { deficits: [0.25] })).toContain('cleaning-deficit');
    expect(codes([dirty], { deficits: [0.249] })).not.toContain('cleaning-deficit');
    expect(codes([tee], { deficits: [0.25] })).not.toContain('cleaning-deficit');
  });
  test('greying pale pieces from 0.75 EUR on', () => {
    const white = garment('white', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed', washCount: 20 });
    expect(codes([white], { company: { ...company, greying: 0.75 } })).toContain('greying');
    expect(codes([white], { company: { ...company, greying: 0.74 } })).not.toContain('greying');
    const black = garment('black', { colours: [{ hex: '#17181b', role: 'ground' }], washCount: 20 });
    expect(codes([black], { company: { ...company, greying: 0.75 } })).not.toContain('greying');
  });
  test('without enough of a product', () => {
    const product = { ...(household.products[0] as PricedLoad['product']), remaining: 30 };
    expect(codes([tee], { product, doseAmount: 30.1 })).toContain('product-runs-out');
    expect(codes([tee], { product, doseAmount: 30 })).not.toContain('product-runs-out');
    expect(codes([tee], { product: { ...product, remaining: null }, doseAmount: 999 })).not.toContain(
      'product-runs-out',
    );
  });
});

test('a heavy zip beside a knit is told from 300 g a piece on', () => {
  const zipped = (grams: number): Garment =>
    garment('zipped', { kind: 'jeans', washCount: 20, traits: new Set(['zip']), weighedDryMassG: grams });
  expect(codes([zipped(300), tee])).toContain('hard-parts');
  expect(codes([zipped(299), tee])).not.toContain('hard-parts');
});
test('wool in a machine asks for care unless its label says machine', () => {
  const jumper = { kind: 'jumper_mid', parts: only('wool'), washCount: 20 } as const;
  expect(codes([garment('j', { ...jumper, label: washLabel(30, 'very-mild') })])).not.toContain('felting');
  const b = basketOf([garment('j', { ...jumper, label: null })], household);
  const machine = b.settings.find((s) => s.method === 'machine' && s.programme.family === 'wool');
  if (!machine) throw new Error('a wool programme');
  expect(codes([garment('j', { ...jumper, label: null })], { setting: machine })).toContain('felting');
});
