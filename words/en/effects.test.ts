import { expect, test } from '@jest/globals';
import { effectSize, type EffectSize } from './effects.ts';

const shrinks = { kind: 'shrinks', percent: 3.04, lost: '2 cm', feltingPercent: null } as const;
test.each<[EffectSize, string]>([
  [shrinks, '3.0 %, about 2 cm in length'],
  [{ ...shrinks, feltingPercent: 1.25 }, '3.0 %, about 2 cm in length, 1.3 % by felting, for good'],
  [{ kind: 'tint', deltaE: 2.26, from: 'Red sash' }, 'ΔE 2.3 from Red sash'],
  [{ kind: 'fades', deltaE: 0.1, seenAfter: null }, 'ΔE 0.10 a wash'],
  [{ kind: 'fades', deltaE: 0.1, seenAfter: 17 }, 'ΔE 0.10 a wash, seen after about 17; odds after ten'],
  [{ kind: 'creases', spinRpm: 800 }, '800 rpm'],
  [{ kind: 'creases', spinRpm: null }, 'pressed out'],
  [{ kind: 'sets' }, 'heat before it is gone'],
  [{ kind: 'unclean', percent: 12.4 }, '12 % short of what its soil asks'],
  [{ kind: 'dries', time: '9 h' }, '9 h in this room'],
])('%j is told as “%s”', (effect, text) => expect(effectSize(effect)).toBe(text));
