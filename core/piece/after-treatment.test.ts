/** The wash after a treatment is the wash this piece bears. */
import { describe, expect, test } from '@jest/globals';
import { everydayGarment, garment, household } from '../testing/arbitrary.ts';
import fc from 'fast-check';
import { emptyLabel } from '../care-label/label.ts';
import { afterTreatment } from './after-treatment.ts';
import { profileOf } from './profile.ts';

const profile = (change: Parameters<typeof garment>[1]) => profileOf(garment('g', change), household.rules);
const codes = (list: ReturnType<typeof afterTreatment>) => list.map((m) => m.code);
const cashmere = profile({
  kind: 'jumper_mid',
  parts: [{ role: 'shell', fibres: [{ fibre: 'cashmere', percent: 100 }] }],
});

describe('after a treatment', () => {
  test('cashmere is never sent to 40 °C', () => {
    const [wash] = afterTreatment(cashmere, false, null);
    expect(wash!.code).toBe('treat.wash');
    expect((wash!.params as { celsius: number }).celsius).toBeLessThanOrEqual(30);
  });
  test('what may not be washed is not washed, whatever the plan says', () => {
    const dress = profile({ label: { ...emptyLabel, wash: { by: 'none' }, dryClean: 'P' } });
    expect(dress.closure).not.toBeNull();
    expect(codes(afterTreatment(dress, true, { load: 1, name: 'Wool', temperatureC: 30 }))).toEqual([
      'treat.no-wash',
      'treat.fume-first',
      'treat.look',
    ]);
  });
  test('the load of the plan is named up to what the piece bears with its mark, and no warmer', () => {
    const most = cashmere.values.maxTemperatureC;
    expect(codes(afterTreatment(cashmere, false, { load: 2, name: 'Wool', temperatureC: most }))[0]).toBe(
      'treat.wash-in-load',
    );
    expect(codes(afterTreatment(cashmere, false, { load: 2, name: 'Wool', temperatureC: most + 10 }))[0]).toBe(
      'treat.wash',
    );
  });
  test('no piece is sent above its own limit', () =>
    fc.assert(
      fc.property(everydayGarment, (g) => {
        const p = profileOf(g, household.rules);
        const [wash] = afterTreatment(p, false, null);
        const celsius = (wash!.params as { celsius?: number }).celsius;
        expect(celsius === undefined || celsius <= p.values.maxTemperatureC).toBe(true);
      }),
    ));
});
