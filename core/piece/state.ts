/** Where a piece is in its round from shelf to shelf: the one word every screen uses for it. */
export const pieceStates = [
  'gone',
  'in-tub',
  'in-drum',
  'drying',
  'to-feel',
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
  /** When it should be dry, if it came out of a wash and nobody said that it is dry. */
  dryAt: Date | null;
  inBasket: boolean;
  wearsSinceWash: number;
}
/**
 * The state of a piece now.
 * @example pieceState({ retired: false, inTub: false, inDrum: false, dryAt: null, inBasket: false, wearsSinceWash: 2 }, now) // 'worn-clean'
 */
export function pieceState(f: StateFacts, now: Date): PieceState {
  if (f.retired) return 'gone';
  if (f.inTub) return 'in-tub';
  if (f.inDrum) return 'in-drum';
  if (f.inBasket) return 'in-basket';
  // Nothing is clean before somebody has felt that it is dry.
  if (f.dryAt !== null) return f.dryAt > now ? 'drying' : 'to-feel';
  return f.wearsSinceWash > 0 ? 'worn-clean' : 'clean';
}
