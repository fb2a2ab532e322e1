/** How many washing nets a load asks for: small pieces share one, a net is loose. */
export interface NettedPiece {
  massKg: number;
  withoutMetal: boolean;
}
/** A net takes this much, and so many pieces (engineering estimates). */
export const netTakes = { kg: 0.4, pieces: 4 } as const;
const count = (list: readonly NettedPiece[]): number =>
  list.length === 0
    ? 0
    : Math.max(
        Math.ceil(list.length / netTakes.pieces),
        Math.ceil(list.reduce((s, p) => s + p.massKg, 0) / netTakes.kg - 1e-9),
      );

export interface NetNeed {
  nets: number;
  withoutMetal: number;
  /** Short of the household's; 0 = enough. */ missing: number;
  missingWithoutMetal: number;
}
/** `have` = all nets of the household, `haveWithoutMetal` = those of them without metal. */
export function netNeed(pieces: readonly NettedPiece[], have: number, haveWithoutMetal: number): NetNeed {
  const withoutMetal = count(pieces.filter((p) => p.withoutMetal));
  const others = count(pieces.filter((p) => !p.withoutMetal));
  const missingWithoutMetal = Math.max(0, withoutMetal - haveWithoutMetal);
  return {
    nets: withoutMetal + others,
    withoutMetal,
    missing: Math.max(0, withoutMetal + others - have - missingWithoutMetal),
    missingWithoutMetal,
  };
}
