/** The pressing queue: order, waits, what keeps a piece out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Garment } from '../model/garment.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { emptyLabel } from '../care-label/label.ts';
import { everydayGarment, garment, only, plainRules } from '../testing/arbitrary.ts';
import { ironDampOf, sprayMl } from './ironing.ts';
import { pressedAsShirt, pressQueue, rightForIron, shirtSteps, type PressPiece } from './queue.ts';

const profile = (id: string, change: Partial<Garment>): Profile =>
  profileOf(
    garment(id, {
      traits: new Set(['woven']),
      label: { ...emptyLabel, iron: 'high' },
      weighedDryMassG: 200,
      ...change,
    }),
    plainRules,
  );
const piece = (p: Profile, over: Partial<PressPiece> = {}): PressPiece => ({
  id: p.garment.id,
  profile: p,
  moisture: 0.07,
  markOpen: false,
  ...over,
});
const linen = profile('linen', { kind: 'linen_shirt', parts: only('linen') });
const cotton = profile('cotton', { kind: 'dress_shirt', parts: only('cotton') });
const silk = profile('silk', { kind: 'silk_blouse', parts: only('silk') });

describe('the queue', () => {
  test('from the coolest plate to the hottest, with the wait of the other way round', () => {
    const q = pressQueue([piece(linen), piece(silk), piece(cotton)]);
    expect(q.steps.map((s) => s.id)).toEqual(['silk', 'cotton', 'linen']);
    expect(q.steps.map((s) => s.plateC)).toEqual([...q.steps.map((s) => s.plateC)].sort((a, b) => a - b));
    expect(q.waitMin).toBeLessThan(q.worstWaitMin);
    expect(q.steps.reduce((t, s) => t + s.waitMin, 0)).toBeCloseTo(q.waitMin, 9);
  });
  test('within one plate the piece that is nearest to drying out comes first', () => {
    const other = profile('other', { kind: 'dress_shirt', parts: only('cotton') });
    const q = pressQueue([piece(cotton, { moisture: 0.3 }), piece(other, { moisture: 0.16 })]);
    expect(q.steps.map((s) => s.id)).toEqual(['other', 'cotton']);
  });
  test('damp enough needs no water and a fifth less time; dry is sprayed, silk never', () => {
    const at = (p: Profile, moisture: number) => pressQueue([piece(p, { moisture })]).steps[0]!;
    expect(at(cotton, 0.15)).toMatchObject({ moistBy: 'nothing', sprayMl: 0 });
    expect(at(cotton, 0.15).minutes).toBeCloseTo(4.8, 9);
    expect(at(cotton, 0.149).minutes).toBe(6);
    expect(at(silk, 0.05).sprayMl).toBe(0);
    expect(sprayMl(200, cotton.fibre, 0.07)).toBeCloseTo(200 * (ironDampOf(cotton.fibre) - 0.07), 9);
  });
  test('it is taken off the line from a little above iron-damp on', () => {
    const limit = ironDampOf(cotton.fibre) + 0.08;
    expect(rightForIron(cotton, limit)).toBe(true);
    expect(rightForIron(cotton, limit + 0.001)).toBe(false);
    expect(rightForIron(profile('tee', { kind: 'tshirt' }), 0.1)).toBe(false);
  });
  test('never over a mark, never where it is forbidden; most pieces need none', () => {
    const tee = profile('tee', { kind: 'tshirt' });
    const crossed = profile('crossed', { kind: 'dress_shirt', label: { ...emptyLabel, iron: 'none' } });
    const q = pressQueue([piece(cotton, { markOpen: true }), piece(tee), piece(crossed)]);
    expect(q.steps).toEqual([]);
    expect(q.not).toEqual([
      { id: 'cotton', why: 'mark' },
      { id: 'tee', why: 'needs-none' },
      { id: 'crossed', why: 'iron-forbidden' },
    ]);
  });
  test('every piece stands once, and no plate is hotter than its label', () =>
    fc.assert(
      fc.property(fc.array(everydayGarment, { maxLength: 12 }), (list) => {
        const pieces = list.map((g, i) => piece(profileOf({ ...g, id: `p${i}` }, plainRules)));
        const q = pressQueue(pieces);
        expect([...q.steps, ...q.not].map((x) => x.id).sort()).toEqual(pieces.map((p) => p.id).sort());
        for (const s of q.steps) {
          const { label } = pieces.find((p) => p.id === s.id)!.profile.garment;
          if (label?.iron === 'low') expect(s.plateC).toBeLessThanOrEqual(110);
          if (label?.iron === 'medium') expect(s.plateC).toBeLessThanOrEqual(150);
        }
        expect(q.waitMin).toBeLessThanOrEqual(q.worstWaitMin + 1e-9);
      }),
    ));
  test('a shirt begins at the collar and ends on its hanger, touched up', () => {
    expect(shirtSteps[0]).toBe('collar');
    expect(shirtSteps.slice(-2)).toEqual(['hang', 'touch-up']);
    expect(pressedAsShirt(cotton)).toBe(true);
    expect(pressedAsShirt(profile('s', { kind: 'skirt_light' }))).toBe(false);
  });
});
