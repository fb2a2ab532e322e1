/** Where a piece is in its round from shelf to shelf: the one word every screen uses for it. */
export const pieceStates = [
  'gone',
  'in-tub',
  'in-drum',
  'wet',
  'drying',
  'to-feel',
  'to-press',
  'to-put-away',
  'at-cleaner',
  'airing',
  'in-basket',
  'worn-clean',
  'clean',
] as const;
export type PieceState = (typeof pieceStates)[number];

/** How a piece leaves the wardrobe. */
export const partings = ['given-away', 'worn-out', 'lost', 'outgrown'] as const;
export type Parting = (typeof partings)[number];

export interface StateFacts {
  retired: boolean;
  inTub: boolean;
  inDrum: boolean;
  /** Out of the water and not back in the cupboard; null = it is not. */
  afterWash: AfterWash | null;
  atCleaner: boolean;
  /** It is being freshened without water. */
  freshening: boolean;
  inBasket: boolean;
  wearsSinceWash: number;
}
export interface AfterWash {
  hung: boolean;
  /** When it should be dry; null = nobody knows. */
  expectedAt: Date | null;
  dry: boolean;
  /** It waits for the iron. */
  toPress: boolean;
}
/**
 * The state of a piece now.
 * @example pieceState({ retired: false, inTub: false, inDrum: false, afterWash: null, atCleaner: false, freshening: false, inBasket: false, wearsSinceWash: 2 }, now) // 'worn-clean'
 */
export function pieceState(f: StateFacts, now: Date): PieceState {
  if (f.retired) return 'gone';
  if (f.inTub) return 'in-tub';
  if (f.inDrum) return 'in-drum';
  if (f.inBasket) return 'in-basket';
  if (f.atCleaner) return 'at-cleaner';
  // Nothing is clean before somebody has felt that it is dry, and put it away.
  if (f.afterWash) {
    const { hung, expectedAt, dry, toPress } = f.afterWash;
    if (dry) return toPress ? 'to-press' : 'to-put-away';
    if (!hung) return 'wet';
    return expectedAt !== null && expectedAt <= now ? 'to-feel' : 'drying';
  }
  if (f.freshening) return 'airing';
  return f.wearsSinceWash > 0 ? 'worn-clean' : 'clean';
}
