import { describe, expect, test } from '@jest/globals';
import type { Garment } from '../model/garment.ts';
import { garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { planBasket } from '../plan/plan.ts';
import type { Pin } from './pins.ts';

const now = '2026-05-09T08:00:00+02:00';
const colours = (hex: string) => [{ hex, role: 'ground' as const }];
const due = { soil: 'heavy' as const, wearsSinceWash: 4, neededBy: '2026-05-10T08:00:00+02:00' };
const plan = (garments: readonly Garment[], pins: Pin[] = []) => planBasket({ garments, household, now, pins });
const loadOf = (p: ReturnType<typeof plan>, id: string): readonly string[] =>
  p.loads.find((l) => l.garments.includes(id))?.garments ?? [];
const codes = (p: ReturnType<typeof plan>): string[] => p.warnings.map((w) => w.code);
const together = (garments: string[], confirmed = false): Pin => ({ kind: 'together', garments, confirmed });

const tee = garment('tee', due);
const shirt = garment('shirt', { ...due, colours: colours('#b89aa7') });
const red = garment('red', { ...due, colours: colours('#be1e2d'), dye: 'unknown', washCount: 0 });
const white = garment('white', { ...due, colours: colours('#f7f7f4'), dye: 'undyed' });
const oily = garment('oily', { ...due, soil: 'hazardous' });
const suede = garment('suede', { parts: only('suede'), soil: 'none' });

describe('pins', () => {
  test('apart: each from each, in loads of their own', () => {
    expect(loadOf(plan([tee, shirt]), 'tee')).toEqual(['tee', 'shirt']);
    const p = plan([tee, shirt], [{ kind: 'apart', garments: ['tee', 'shirt'], confirmed: false }]);
    expect(loadOf(p, 'tee')).toEqual(['tee']);
    expect(p.proof.cost).toBeGreaterThan(plan([tee, shirt]).proof.cost);
  });
  test('a risk needs the confirmation, and is followed with it', () => {
    const unasked = plan([red, white], [together(['red', 'white'])]);
    expect(codes(unasked)).toContain('pin-refused');
    expect(loadOf(unasked, 'red')).toEqual(['red']);
    const confirmed = plan([red, white], [together(['red', 'white'], true)]);
    expect(codes(confirmed)).not.toContain('pin-refused');
    expect(loadOf(confirmed, 'red')).toEqual(['red', 'white']);
    expect(confirmed.loads[0]!.warnings.map((w) => w.code)).toContain('dye-untested');
  });
  test('safety is refused, confirmed or not, and everything is still accounted for', () => {
    const p = plan(
      [oily, tee, suede],
      [together(['oily', 'tee'], true), { kind: 'outcome', outcomes: { suede: 'wash' }, confirmed: true }],
    );
    expect(p.warnings.filter((w) => w.code === 'pin-refused').map((w) => w.garments)).toEqual([
      ['oily', 'tee'],
      ['suede'],
    ]);
    expect(loadOf(p, 'oily')).toEqual(['oily']);
    expect(p.garments.map((g) => g.outcome)).toEqual(['wash', 'wash', 'no-wash']);
  });
  test('a dry-clean label may be overruled by hand; the fibre still sets the limit', () => {
    const coat = garment('coat', { ...due, parts: only('wool'), label: { ...washLabel(30), wash: { by: 'none' } } });
    expect(plan([coat]).garments[0]!.outcome).toBe('professional');
    expect(codes(plan([coat], [{ kind: 'outcome', outcomes: { coat: 'wash' }, confirmed: false }]))).toContain(
      'pin-refused',
    );
    const own = plan([coat], [{ kind: 'outcome', outcomes: { coat: 'wash' }, confirmed: true }]);
    expect(own.garments[0]!.outcome).toBe('wash');
    expect(own.loads[0]!.temperatureC).toBeLessThanOrEqual(30);
    expect(own.loads[0]!.warnings.map((w) => w.code)).toContain('label-overruled');
  });
  test('by hand: a bath and no machine, whatever the machine would cost; hides and missing basins are refused', () => {
    const byHand = (id: string, confirmed = false): Pin => ({
      kind: 'outcome',
      outcomes: { [id]: 'wash' },
      byHand: true,
      confirmed,
    });
    const p = plan([tee, shirt], [byHand('tee')]);
    expect(p.loads.find((l) => l.garments.includes('tee'))).toMatchObject({
      method: 'hand',
      washer: null,
      programme: null,
      spinRpm: 0,
      action: 'hand',
    });
    expect(codes(p)).not.toContain('pin-refused');
    expect(p.garments.find((g) => g.id === 'tee')!.reasons[0]!.message.code).toBe('need.decided-by-hand');
    expect(codes(plan([suede], [byHand('suede', true)]))).toContain('pin-refused');
    expect(
      codes(planBasket({ garments: [tee], household: { ...household, basins: [] }, now, pins: [byHand('tee', true)] })),
    ).toContain('pin-refused');
  });
  test('a rested piece may be washed, a due one may wait', () => {
    const rested = garment('rested', { soil: 'none', wearsSinceWash: 0 });
    expect(
      plan([rested, tee], [{ kind: 'outcome', outcomes: { rested: 'wash' }, confirmed: false }]).garments[0]!.outcome,
    ).toBe('wash');
    const waits = plan(
      [{ ...tee, neededBy: null }, shirt],
      [{ kind: 'outcome', outcomes: { tee: 'wait' }, confirmed: false }],
    );
    expect(waits.garments[0]).toMatchObject({ outcome: 'wait', load: null });
    expect(waits.garments[0]!.deferralCost).toBeGreaterThan(0);
    const sum = waits.loads.reduce((s, l) => s + l.cost, 0) + waits.garments.reduce((s, g) => s + g.deferralCost, 0);
    expect(waits.proof.cost).toBeCloseTo(sum, 9);
  });
  test('what should not wait waits only when confirmed', () => {
    const ill = garment('ill', { ...due, hygiene: true });
    const ask = (confirmed: boolean) =>
      plan([ill], [{ kind: 'outcome', outcomes: { ill: 'wait' }, confirmed }]).garments[0]!.outcome;
    expect([ask(false), ask(true)]).toEqual(['wash', 'wait']);
  });
});
