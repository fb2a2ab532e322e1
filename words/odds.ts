/** Odds as people say them. */

/**
 * @example oddsText(0.07) // '7 in 100'
 * @example oddsText(0.62) // '6 in 10'
 */
export const oddsText = (odds: number): string =>
  odds < 0.02
    ? 'hardly ever'
    : odds < 0.15
      ? `${Math.round(odds * 100)} in 100`
      : odds > 0.98
        ? 'almost surely'
        : `${Math.round(odds * 10)} in 10`;
