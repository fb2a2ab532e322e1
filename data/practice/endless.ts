/** Baskets without end: the same seed gives the same basket, so that everybody has the same one today. */
import { seeded } from '../../core/units/random.ts';
import type { PracticeBasket, PracticePiece } from './basket.ts';
import { practiceBaskets } from './baskets.ts';
import type { PracticePlace } from './households.ts';

/** Of what the thirty hold, each piece once. */
const wardrobe: readonly PracticePiece[] = [
  ...new Map(practiceBaskets.flatMap((b) => b.pieces).map((p) => [JSON.stringify(p), p] as const)).values(),
];
const places: readonly PracticePlace[] = ['flat', 'flat', 'flat', 'small-rack', 'laundry-room'];
const size = { least: 6, most: 10 } as const;
export const mostSeed = 99_999_999;

/** @example endlessBasket(20261128).pieces.length // between 6 and 10 */
export function endlessBasket(seed: number): PracticeBasket {
  const random = seeded(seed);
  const below = (n: number): number => Math.floor(random() * n);
  const left = [...wardrobe];
  const count = size.least + below(size.most - size.least + 1);
  const pieces = Array.from({ length: count }, () => left.splice(below(left.length), 1)[0]).flatMap((p) => p ?? []);
  return {
    id: `seed-${seed}`,
    title: `Basket ${seed}`,
    about: 'Whatever lay there.',
    level: 3,
    place: places[below(places.length)] ?? 'flat',
    pieces,
    mistake: null,
  };
}
/** @param day - `YYYY-MM-DD` where the household is */
export const basketOfDay = (day: string): PracticeBasket => ({
  ...endlessBasket(Number(day.replaceAll('-', ''))),
  title: 'Today’s basket',
  about: 'The same for everybody, today only.',
});
/** A basket by its id; null = there is none such. */
export function findBasket(id: string): PracticeBasket | null {
  const seed = /^seed-(\d{1,8})$/.exec(id)?.[1];
  if (seed !== undefined && Number(seed) <= mostSeed) return endlessBasket(Number(seed));
  return practiceBaskets.find((b) => b.id === id) ?? null;
}
