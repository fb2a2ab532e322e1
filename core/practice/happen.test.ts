/** One draw of what was foretold: what shares a draw excludes each other, or goes up and down together. */
import { describe, expect, test } from '@jest/globals';
import { garment, household } from '../testing/arbitrary.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { Effect } from './foretell.ts';
import { sceneOf } from './foretell.ts';
import { happen } from './happen.ts';

const tee = garment('tee', { colours: [{ hex: '#ffffff', role: 'ground' }] });
const scene = sceneOf({ household, garments: [tee], now: '2026-05-09T08:00:00+02:00' });
const effect = (change: Partial<Effect>): Effect => ({
  piece: 'tee',
  kind: 'mark-stays',
  skill: 'marks',
  odds: 0.5,
  lossEur: 1,
  size: null,
  draw: 'tee/gone',
  mark: null,
  from: null,
  dyeHex: null,
  because: null,
  ...change,
});
const fates = (u: number, ...effects: Effect[]) => happen(scene, effects, () => u);
const happened = (u: number, ...effects: Effect[]) => fates(u, ...effects).map((f) => f.happened);

describe('without a size', () => {
  const set = effect({ kind: 'mark-set', odds: 0.25 });
  const stays = effect({ odds: 0.25 });
  test('of three ends of one draw one comes', () => {
    expect([0, 0.249, 0.25, 0.499, 0.5, 0.99].map((u) => happened(u, set, stays))).toEqual([
      [true, false],
      [true, false],
      [false, true],
      [false, true],
      [false, false],
      [false, false],
    ]);
  });
  test('another draw is another thing', () =>
    expect(happened(0.1, set, effect({ draw: 'tee/harm', odds: 0.2 }))).toEqual([true, true]));
});

describe('with a size', () => {
  const shrunk = effect({ kind: 'shrunk', draw: 'tee/shrunk', size: { predicted: 4, limit: 5, spread: 0.5 } });
  test('the middle draw is the prediction; above its limit it has happened', () => {
    const [middle] = fates(0.5, shrunk);
    expect(middle).toMatchObject({ happened: false });
    expect(middle?.size).toBeCloseTo(4, 9);
    // One standard deviation up: 4 × e^0.5 = 6.59.
    const [high] = fates(0.8413447460685429, shrunk);
    expect(high?.size).toBeCloseTo(4 * Math.exp(0.5), 5);
    expect(high?.happened).toBe(true);
    expect(high?.cm).toBeCloseTo(((high?.size ?? 0) / 100) * kindFacts('tshirt').usualLengthCm, 9);
    expect(high?.hex).toBeNull();
  });
  test('one dye tints all its company by the same draw', () => {
    const tint = (predicted: number) =>
      effect({ kind: 'tinted', draw: 'red/dye', dyeHex: '#b3202a', size: { predicted, limit: 3, spread: 0.5 } });
    const [more, less] = fates(0.7, tint(8), tint(2));
    expect((more?.size ?? 0) / (less?.size ?? 1)).toBeCloseTo(4, 9);
    expect([more?.happened, less?.happened]).toEqual([true, false]);
    expect(more?.hex).not.toBe('#ffffff');
    expect(more?.cm).toBeNull();
  });
});
