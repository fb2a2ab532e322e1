/** Freshening without washing, as a task with a clock and an end: air, steam, brush, treat one spot, feed leather. */
import type { Profile } from '../piece/profile.ts';
import { hasSignificant } from '../fibre/blend.ts';
import type { GatherAction } from '../piece/gather.ts';
import { isKnit } from '../piece/profile.ts';

export const freshenWays = ['air', 'steam', 'brush', 'spot', 'feed', 'brush-suede'] as const;
export type FreshenWay = (typeof freshenWays)[number];
export const freshenSteps = [
  'turn-out',
  'empty-pockets',
  'hang-in-air',
  'lay-in-air',
  'let-mud-dry',
  'brush-with-grain',
  'brush-seams',
  'steam-inside-out',
  'steam-distance',
  'steam-hang',
  'spot-bench',
  'wipe-damp',
  'feed-thin',
  'feed-wait',
  'brush-nap',
  'rest',
  'smell',
] as const;
export type FreshenStep = (typeof freshenSteps)[number];
export interface FreshenTask {
  steps: FreshenStep[];
  /** The step that takes time, and how much of it at least, minutes; null = as long as the hands take. */
  clock: { step: FreshenStep; minutes: number } | null;
}
/** A night in moving air; and until steam or leather cream has gone in (practice). */
const nightMin = 8 * 60;
const steamRestMin = 60;
const creamMin = 12 * 60;

/**
 * @example freshenTask(jumper, 'air').clock // { step: 'lay-in-air', minutes: 480 }
 */
export function freshenTask(p: Profile, way: FreshenWay): FreshenTask {
  const flat = isKnit(p.garment) && p.isWool;
  const air: FreshenStep = flat ? 'lay-in-air' : 'hang-in-air';
  switch (way) {
    case 'air':
      return { steps: ['empty-pockets', 'turn-out', air, 'smell'], clock: { step: air, minutes: nightMin } };
    case 'steam':
      return {
        steps: ['empty-pockets', 'steam-inside-out', 'steam-distance', 'steam-hang', 'smell'],
        clock: { step: 'steam-hang', minutes: steamRestMin },
      };
    case 'brush':
      return {
        steps: ['empty-pockets', 'let-mud-dry', 'brush-with-grain', 'brush-seams', 'rest', 'smell'],
        clock: null,
      };
    case 'spot':
      return { steps: ['spot-bench', air, 'smell'], clock: null };
    case 'feed':
      return {
        steps: ['wipe-damp', 'feed-thin', 'feed-wait', 'rest'],
        clock: { step: 'feed-wait', minutes: creamMin },
      };
    case 'brush-suede':
      return { steps: ['let-mud-dry', 'brush-nap', 'rest'], clock: null };
  }
}
/** How a piece is freshened, by what the shelf advises; leather and suede have ways of their own. null = that is no freshening. */
export function freshenWayFor(p: Profile, advice: GatherAction): FreshenWay | null {
  const of = (hide: 'leather' | 'suede'): boolean => hasSignificant(p.garment.parts, (f) => f === hide);
  switch (advice) {
    case 'air':
    case 'steam':
    case 'brush':
      return advice;
    case 'care':
      return of('suede')
        ? 'brush-suede'
        : of('leather')
          ? 'feed'
          : p.garment.traits.has('structured')
            ? 'brush'
            : 'air';
    case 'spot-clean':
      return 'spot';
    case 'wash':
    case 'rest':
    case 'one-more':
      return null;
  }
}
export const freshenEnds = ['fresh', 'better', 'still-smells'] as const;
export type FreshenEnd = (typeof freshenEnds)[number];
/** What still smells is washed; what is better may be worn once more. */
export const endsInBasket = (end: FreshenEnd): boolean => end === 'still-smells';
