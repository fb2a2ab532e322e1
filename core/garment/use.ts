/** What a piece is for: by its kind and its flags, unless somebody said otherwise. */
import { colourFacts } from '../colour/colour.ts';
import type { Garment } from '../model/garment.ts';
import { kindFacts, type Use } from './kinds.ts';

/** Bakers' and cooks' clothes are white, undyed and boiled; anything else of the kind belongs to the workshop. */
const isKitchenWhite = (g: Pick<Garment, 'colours' | 'dye' | 'label'>): boolean =>
  g.dye === 'undyed' &&
  colourFacts(g.colours).class === 'white' &&
  g.label?.wash?.by === 'machine' &&
  g.label.wash.maxC >= 60;

/**
 * The use of a piece. `stated` = what the owner said; null = by kind and flags.
 * @example garmentUse(teaTowel, null) // 'kitchen'
 */
export function garmentUse(
  g: Pick<Garment, 'kind' | 'colours' | 'dye' | 'label' | 'hygiene' | 'soil'>,
  stated: Use | null,
): Use {
  if (stated !== null) return stated;
  if (g.hygiene) return 'sick';
  if (g.soil === 'hazardous') return 'workshop';
  const usual = kindFacts(g.kind).use;
  return usual === 'workshop' && isKitchenWhite(g) ? 'kitchen' : usual;
}

/** Words of a name that tell the use where the kind does not; the form proposes it, core goes by kind and flags alone. */
const usesInNames: readonly { words: RegExp; use: Use }[] = [
  { words: /\b(baker|bakery|cook|chef|kitchen)('?s|’s)?\b/i, use: 'kitchen' },
  { words: /\b(bibs?|muslins?|napp(?:y|ies))\b/i, use: 'baby' },
  { words: /\b(floor|mop|pet|dog|cat)\b/i, use: 'floor' },
];
/** The use a form proposes for a name; null = by kind. */
export const namedUse = (name: string): Use | null => usesInNames.find((x) => x.words.test(name))?.use ?? null;
