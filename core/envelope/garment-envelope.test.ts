import { say } from '../message/message.ts';
import { describe, expect, test } from '@jest/globals';
import type { Garment } from '../model/garment.ts';
import type { HouseRules } from '../model/household.ts';
import { garment, only, plainRules, washLabel } from '../testing/arbitrary.ts';
import { garmentEnvelope } from './garment-envelope.ts';

const envelope = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) =>
  garmentEnvelope(garment('g', change), { ...plainRules, ...rules });
const values = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) => envelope(change, rules).envelope.values;
const white = [{ hex: '#f7f7f4', role: 'ground' as const }];

describe('label and fibre', () => {
  test('a stated label replaces the default in both directions', () => {
    expect(values({ label: washLabel(95), colours: white }).maxTemperatureC).toBe(95);
    expect(values({ label: washLabel(30) }).maxTemperatureC).toBe(30);
  });
  test('a fibre’s hard limit holds against the label, and the conflict is said', () => {
    const wool = envelope({ parts: only('wool'), label: washLabel(60) });
    expect(wool.envelope.values.maxTemperatureC).toBe(30);
    expect(wool.conflicts).toContainEqual(
      say('conflict.temperature', { celsius: 60, fibre: 'wool', bearsCelsius: 30 }),
    );
    expect(values({ parts: only('acrylic'), label: washLabel(60) }).maxTemperatureC).toBe(40);
  });
  test('no label: one step more careful, marked as assumed', () => {
    const e = envelope({ label: null });
    expect(e.envelope.values.maxTemperatureC).toBe(40);
    expect(e.envelope.values.maxAction).toBe('mild');
    expect(e.envelope.values.iron).toBe('medium');
    expect(e.envelope.values.bleach).toBe('none');
    expect(e.envelope.bounds.filter((b) => b.source === 'assumed').length).toBeGreaterThan(3);
    expect(values({ label: null, colours: white }).maxTemperatureC).toBe(60);
    expect(values({ label: null, parts: only('viscose') }).maxTemperatureC).toBe(30);
  });
  test('a hygiene piece keeps its heat without a label', () =>
    expect(values({ label: null, hygiene: true }).maxTemperatureC).toBe(60));
  test('a test with oxygen bleach opens it where the label is silent', () =>
    expect(
      values({
        label: null,
        tests: [{ kind: 'spot', agent: 'oxy-percarbonate', grade: 5, at: '2026-01-01T00:00:00Z' }],
      }).bleach,
    ).toBe('oxygen'));
  test('hand-wash label: only gentle programmes, bath at 30 °C; by hand under the other school', () => {
    const hand = { ...washLabel(40), wash: { by: 'hand' as const, maxC: 40 } };
    expect(values({ label: hand })).toMatchObject({
      wet: 'machine',
      maxTemperatureC: 30,
      maxAction: 'very-mild',
      maxSpinRpm: 400,
    });
    expect(values({ label: hand }).flags.has('hand-programmes-only')).toBe(true);
    expect(values({ label: hand }, { handLabel: 'hand' }).wet).toBe('hand');
    expect(values({ label: hand, parts: only('wool') }).woolSpinRpm).toBe(800);
  });
});

describe('blends', () => {
  test('protein counts from 5 %, others from 20 %', () => {
    expect(values({ parts: only('wool', 5) }).maxTemperatureC).toBe(30);
    expect(values({ parts: only('wool', 4) }).maxTemperatureC).toBe(40);
    expect(values({ parts: only('viscose', 20), label: null }).maxTemperatureC).toBe(30);
    expect(values({ parts: only('viscose', 19), label: null }).maxTemperatureC).toBe(40);
  });
  test('elastane: 2 % caps heat, chlorine, dryer and iron; from 10 % it counts in full', () => {
    expect(
      values(
        {
          parts: only('elastane', 2),
          label: washLabel(95, 'normal', { tumble: 'normal', iron: 'high', bleach: 'any' }),
          colours: white,
        },
        { tumble: 'when-allowed' },
      ),
    ).toMatchObject({ maxTemperatureC: 60, tumble: 'low', iron: 'medium', bleach: 'oxygen' });
    expect(values({ parts: only('elastane', 12), label: null })).toMatchObject({ maxTemperatureC: 30, tumble: 'none' });
    expect(
      values(
        { parts: only('elastane', 12), label: washLabel(60, 'normal', { tumble: 'low' }) },
        { tumble: 'when-allowed' },
      ),
    ).toMatchObject({ maxTemperatureC: 60, tumble: 'low' });
  });
  test('a fibre of 0 % is absent', () =>
    expect(
      values({
        parts: [
          {
            role: 'shell',
            fibres: [
              { fibre: 'cotton', percent: 100 },
              { fibre: 'wool', percent: 0 },
            ],
          },
        ],
      }).maxTemperatureC,
    ).toBe(40));
  test('a small leather trim: 30 °C, mild, no soak, no dryer; the method stays', () => {
    const v = values({
      parts: [...only('cotton'), { role: 'trim', fibres: [{ fibre: 'leather', percent: 100 }] }],
      label: washLabel(60),
    });
    expect(v).toMatchObject({ wet: 'machine', maxTemperatureC: 30, maxAction: 'mild', tumble: 'none' });
    expect(v.flags.has('no-soak')).toBe(true);
  });
});

describe('water closed', () => {
  test.each([
    ['suede', { parts: only('suede') }, 'hide'],
    ['velvet', { traits: new Set(['velvet'] as const) }, 'professional'],
    ['structured', { traits: new Set(['structured'] as const) }, 'professional'],
    ['dry clean only', { label: { ...washLabel(30), wash: { by: 'none' as const } } }, 'professional'],
    ['wool pleats', { traits: new Set(['pleated'] as const), parts: only('wool') }, 'professional'],
    ['untested heirloom', { traits: new Set(['heirloom'] as const) }, 'test-first'],
  ] as const)('%s', (_, change, kind) => {
    const e = envelope(change);
    expect(e.closure?.kind).toBe(kind);
    expect(e.envelope.values.wet).toBe('none');
  });
  test('the test-first school needs the rule, the switch and a clear test; reds two', () => {
    const label = { ...washLabel(30), wash: { by: 'none' as const } };
    const clear = { kind: 'spot' as const, agent: 'water', grade: 4.5, at: '2026-01-01T00:00:00Z' };
    expect(envelope({ label, allowTestFirst: true }, {}).closure?.kind).toBe('professional');
    expect(envelope({ label, allowTestFirst: true }, { dryCleanOnly: 'test-first' }).closure?.kind).toBe('test-first');
    const opened = envelope({ label, allowTestFirst: true, tests: [clear] }, { dryCleanOnly: 'test-first' });
    expect(opened.labelOverruled).toBe(true);
    expect(opened.envelope.values).toMatchObject({
      wet: 'machine',
      maxTemperatureC: 30,
      maxAction: 'very-mild',
      maxSpinRpm: 400,
      company: 'alone',
    });
    const red = { label, allowTestFirst: true, colours: [{ hex: '#be1e2d', role: 'ground' as const }], tests: [clear] };
    expect(envelope(red, { dryCleanOnly: 'test-first' }).closure?.kind).toBe('test-first');
    expect(
      envelope({ ...red, tests: [clear, { ...clear, at: '2026-01-02T00:00:00Z' }] }, { dryCleanOnly: 'test-first' })
        .closure,
    ).toBeNull();
    expect(
      envelope(
        { label, allowTestFirst: true, tests: [clear], traits: new Set(['velvet'] as const) },
        { dryCleanOnly: 'test-first' },
      ).closure?.kind,
    ).toBe('professional');
  });
});

describe('stains, colour and rules', () => {
  test('an open stain forbids dryer and iron, and protein caps the heat', () => {
    const stain = {
      id: 's',
      kind: 'blood-fresh' as const,
      ageHours: 1,
      heatSet: false,
      place: '',
      sizeCm: 1,
      failedRounds: 0,
      heat: null,
      tried: [],
    };
    const set = { ...stain, failedRounds: 1 };
    expect(values({ stains: [set], label: washLabel(60) }, { tumble: 'when-allowed' })).toMatchObject({
      maxTemperatureC: 30,
      tumble: 'none',
      iron: 'none',
    });
  });
  test('an untested strong colour is cold and with its own colour; three washes end it', () => {
    const navy = { colours: [{ hex: '#1e2a50', role: 'ground' as const }], dye: 'unknown' as const };
    expect(values({ ...navy, washCount: 0 })).toMatchObject({ maxTemperatureC: 30, company: 'like-colours' });
    expect(values({ ...navy, washCount: 3 })).toMatchObject({ maxTemperatureC: 40, company: 'with-any' });
  });
  test('the denim rule: cold, by label, 40 for contrast', () => {
    const jeans = { kind: 'jeans' as const, traits: new Set(['denim'] as const), label: washLabel(60) };
    expect(values(jeans).maxTemperatureC).toBe(30);
    expect(values(jeans, { denim: 'label' }).maxTemperatureC).toBe(60);
    expect(values(jeans, { denim: 'contrast-40' }).maxTemperatureC).toBe(40);
    expect(values(jeans).maxSpinRpm).toBe(800);
  });
  test('wool takes only wool detergent; waterproof only delicate; raw denim never universal', () => {
    expect([...values({ parts: only('wool') }).detergents]).toEqual(['wool-silk', 'no-rinse-wool']);
    expect([...values({ traits: new Set(['membrane'] as const), parts: only('polyamide') }).detergents]).toEqual([
      'delicate',
    ]);
    expect(values({ traits: new Set(['denim-raw'] as const) }).detergents.has('universal')).toBe(false);
  });
  test('careful skin adds a rinse and forbids softener', () => {
    const v = values({}, { skin: 'careful' });
    expect(v.flags.has('extra-rinse')).toBe(true);
    expect(v.softener).toBe(false);
  });
});
