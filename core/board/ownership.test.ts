import { expect, test } from '@jest/globals';
import { garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { careOfYear } from './ownership.ts';

test('a T-shirt worn once a week is washed about 35 times a year, for its share of a load', () => {
  const c = careOfYear(garment('tee', { soil: 'normal' }), household, 1);
  expect(c.by).toBe('home');
  expect(c.cleansPerYear).toBeCloseTo(52 / 1.5, 6);
  expect(c.perClean).toBeGreaterThan(0.1);
  expect(c.perClean).toBeLessThan(1);
  expect(c.perYear).toBeCloseTo(c.perClean * (c.cleansPerYear ?? 0), 9);
});
test('dry clean only costs the cleaner’s bill every time', () => {
  const c = careOfYear(
    garment('coat', { kind: 'coat', parts: only('wool'), label: { ...washLabel(30), wash: { by: 'none' } } }),
    household,
    4,
  );
  expect(c).toMatchObject({ by: 'professional', perClean: 12, setting: null });
  expect(c.perYear).toBeCloseTo((52 * 4 * 12) / 40, 6);
});
test('the more it is worn, the more it costs; a curtain has no count', () => {
  const tee = garment('tee');
  expect(careOfYear(tee, household, 2).perYear!).toBeGreaterThan(careOfYear(tee, household, 1).perYear!);
  expect(careOfYear(garment('c', { kind: 'curtain_panel' }), household, 1).perYear).toBeNull();
});
