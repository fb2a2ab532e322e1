/** How a piece is made, as far as its size goes. */
import { isKnit } from '../envelope/garment-envelope.ts';
import type { SizeCloth } from '../garment/measures.ts';
import type { Garment } from '../model/garment.ts';

/** @example sizeClothOf(merinoJumper) // 'knit' */
export const sizeClothOf = (g: Garment): SizeCloth =>
  g.traits.has('denim-raw') ? 'raw-denim' : isKnit(g) ? 'knit' : 'woven';
