/** The committed JSON Schemas, read by a validator that is not ours: what we write passes, what we refuse fails. */
import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { Ajv, type ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import { demoHousehold } from './household.ts';
import { readHamperValue, type HamperDocument } from '../../formats/hamper.ts';
import { openPlan, planHamper } from '../../formats/plan.ts';

const validator = (name: string): ValidateFunction => {
  const ajv = new Ajv({ strict: false, allErrors: true });
  (addFormats as unknown as (a: Ajv) => void)(ajv);
  return ajv.compile(
    JSON.parse(readFileSync(new URL(`../../docs/formats/${name}.schema.json`, import.meta.url), 'utf8')) as object,
  );
};
const hamper: HamperDocument = {
  format: 'neat-fold/hamper',
  version: 1,
  now: '2026-05-09T08:00:00+02:00',
  household: {
    ...demoHousehold.document,
    learnt: {
      placeSlowness: { rack: 1.1 },
      stainPoints: [{ kind: 'coffee', fibre: 'cotton', points: 12 }],
      looseDye: [{ dye: 'reactive', factor: 0.8 }],
    },
  },
  garments: ['#f7f7f4', '#22252e', '#b01024'].map((hex, k) => ({
    id: `g${k}`,
    name: `Tee ${k}`,
    kind: 'tshirt' as const,
    parts: [{ role: 'shell' as const, fibres: [{ fibre: 'cotton' as const, percent: 100 }] }],
    colours: [{ hex, role: 'ground' as const }],
    learnt: { wears: 2.5, shrinkShare: 0.8 },
  })),
};

describe('schemas', () => {
  test('a hamper with all that was learnt passes, and ours reads it alike', () => {
    const valid = validator('hamper');
    expect(valid(hamper) ? [] : valid.errors).toEqual([]);
    const read = readHamperValue(hamper);
    expect(read.ok && read.value.unknownKeys).toEqual([]);
    expect(read.ok && read.value.request.household.learnt.slowness.get('rack')).toBe(1.1);
    expect(read.ok && read.value.request.garments[0]!.learntWears).toBe(2.5);
  });
  test('its plan passes', () => {
    const read = readHamperValue(hamper);
    if (!read.ok) throw new Error('it is good');
    const valid = validator('plan');
    const plan: unknown = JSON.parse(JSON.stringify(openPlan(planHamper(read.value))));
    expect(valid(plan) ? [] : valid.errors).toEqual([]);
  });
  test.each([
    [
      'a dye nobody knows',
      { household: { ...hamper.household, learnt: { looseDye: [{ dye: 'madder', factor: 1 }] } } },
    ],
    ['a place twice as slow as may be', { household: { ...hamper.household, learnt: { placeSlowness: { rack: 4 } } } }],
    ['no format', { format: undefined }],
    ['garments that are no list', { garments: {} }],
  ])('%s is refused by us, and by the schema where a schema can say it', (_, change) => {
    const document = JSON.parse(JSON.stringify({ ...hamper, ...change })) as unknown;
    expect(readHamperValue(document).ok).toBe(false);
    expect(validator('hamper')(document)).toBe(false);
  });
});
