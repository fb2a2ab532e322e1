import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { referenceFunctions, referenceValue } from './functions.ts';

interface Case {
  id: string;
  inputs: Record<string, unknown> & { fn: string };
  expected: number | string | boolean | null;
  tolerance: number;
}
const cases = JSON.parse(readFileSync(new URL('./cases.json', import.meta.url), 'utf8')) as Case[];

test('every function has a case, and every case a function', () => {
  expect(cases.length).toBe(212);
  expect([...new Set(cases.map((c) => c.inputs.fn))].sort()).toEqual(Object.keys(referenceFunctions).sort());
});
test('bad arguments are named, and what has no value is null', () => {
  expect(() => referenceValue({ fn: 'rmc', fibre: 'cotton' })).toThrow('rpm: must be a number');
  expect(() => referenceValue({ fn: 'toString' })).toThrow('fn: must be one of');
  expect(() => referenceValue({ fn: 'rmc', fibre: { glass: 1 }, rpm: 800 })).toThrow('fibre: unknown fibre glass');
  expect(referenceValue({ fn: 'rpm_for_rmc', fibre: 'cotton', target: 0.2 })).toBeNull();
  expect(referenceValue({ fn: 'mix_hot', V: 10, Tt: 30, Th: 12, Tc: 12 })).toBeNull();
  expect(referenceValue({ fn: 'dry_time', kind: 'tshirt', x0: 0.6, T: -3 })).toBeNull();
});

test.each(cases.map((c) => [c.id, c] as const))('%s', (_, c) => {
  const value = referenceValue(c.inputs);
  if (typeof c.expected === 'number') expect(Math.abs(Number(value) - c.expected)).toBeLessThanOrEqual(c.tolerance);
  else expect(value).toBe(c.expected);
});
