import { describe, expect, test } from '@jest/globals';
import { toldEffects } from './told.ts';
import type { PieceEffect } from './what-if.ts';

const nothing: PieceEffect = {
  piece: 0,
  passes: [],
  shrinkPercent: 0,
  shrinkCm: 0,
  shrinkOdds: 0,
  feltingPercent: 0,
  tint: null,
  fadeDeltaE: 0,
  washesToGrade4: null,
  fadeOdds: 0,
  creaseOdds: 0,
  stainSetOdds: 0,
  cleaningDeficit: 0,
  uncleanOdds: 0,
  need: 0,
  cleaning: 1,
  dryingHours: null,
};
const kindsOf = (change: Partial<PieceEffect>): string[] => toldEffects({ ...nothing, ...change }).map((x) => x.kind);
const tint = (deltaE: number) => ({ from: 1, deltaE, odds: 0.3, hex: '#ffeeee', dyeHex: '#be1e2d' });

describe('what a push is said to do', () => {
  test.each<[string, Partial<PieceEffect>, Partial<PieceEffect>]>([
    ['shrinks', { shrinkPercent: 0.3 }, { shrinkPercent: 0.29 }],
    ['tint', { tint: tint(1) }, { tint: tint(0.99) }],
    ['fades', { fadeDeltaE: 0.05 }, { fadeDeltaE: 0.049 }],
    ['creases', { creaseOdds: 0.1 }, { creaseOdds: 0.099 }],
    ['sets', { stainSetOdds: 0.001 }, { stainSetOdds: 0 }],
    ['unclean', { cleaningDeficit: 0.05 }, { cleaningDeficit: 0.049 }],
  ])('%s: from its limit on, not below', (kind, at, below) => {
    expect(kindsOf(at)).toEqual([kind]);
    expect(kindsOf(below)).toEqual([]);
  });
  test('each tells its own odds; a tenth is to be watched, a half is bad', () => {
    const all = toldEffects({
      ...nothing,
      shrinkPercent: 2,
      shrinkOdds: 0.5,
      tint: tint(4),
      fadeDeltaE: 1,
      fadeOdds: 0.099,
      creaseOdds: 0.49,
      stainSetOdds: 0.1,
      cleaningDeficit: 1,
      uncleanOdds: 0.9,
    });
    expect(all).toEqual([
      { kind: 'shrinks', odds: 0.5, level: 'bad' },
      { kind: 'tint', odds: 0.3, level: 'watch' },
      { kind: 'fades', odds: 0.099, level: 'fine' },
      { kind: 'creases', odds: 0.49, level: 'watch' },
      { kind: 'sets', odds: 0.1, level: 'watch' },
      { kind: 'unclean', odds: 0.9, level: 'bad' },
    ]);
  });
});
