/** Which outline a kind of piece is drawn with. */
import type { GarmentKind } from '@core/garment/kinds.ts';
import type { OutlineKind } from '../ui/outline.tsx';

export function outlineOf(kind: GarmentKind): OutlineKind {
  if (/dress|coat|nightdress|overall|bathrobe|skirt/.test(kind) && kind !== 'dress_shirt') return 'dress';
  if (/jeans|chinos|trousers|shorts|leggings|joggers|tights|briefs|boxers/.test(kind)) return 'trousers';
  if (/sock|glove|hat|tie|scarf|sash|bra$/.test(kind)) return 'small';
  if (/towel|sheet|pillow|duvet|cloth|mat|curtain|apron/.test(kind)) return 'flat';
  return 'top';
}
