/** Which outline a kind of piece is drawn with. */
import { kindFacts, type GarmentKind } from '@core/garment/kinds.ts';
import type { OutlineKind } from '../ui/outline.tsx';

export const outlineOf = (kind: GarmentKind): OutlineKind => kindFacts(kind).outline;
