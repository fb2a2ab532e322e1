/** Which consequences of a pushed setting are worth telling, and how grave their odds are. */
import type { PieceEffect } from './what-if.ts';

export const toldKinds = ['shrinks', 'tint', 'fades', 'creases', 'sets', 'unclean'] as const;
export type ToldKind = (typeof toldKinds)[number];

/** Below these nobody sees a difference (ΔE CIEDE2000; cleaning as a share of what the soil asks). */
export const leastTold = {
  shrinkPercent: 0.3,
  feltingPercent: 0.5,
  shrinkCm: 0.25,
  tintDeltaE: 1,
  fadeDeltaE: 0.05,
  creaseOdds: 0.1,
  cleaningDeficit: 0.05,
} as const;

/** `odds` = of what people would notice, 0–1. */
export interface ToldEffect {
  kind: ToldKind;
  odds: number;
  level: 'fine' | 'watch' | 'bad';
}
const oddsLevels = { watch: 0.1, bad: 0.5 } as const;
const levelOf = (odds: number): ToldEffect['level'] =>
  odds >= oddsLevels.bad ? 'bad' : odds >= oddsLevels.watch ? 'watch' : 'fine';

/**
 * The consequences for one piece that are worth telling, in the order of `toldKinds`.
 * @example toldEffects(whatIf(basket, [0], pushed, household).pieces[0]) // [{ kind: 'fades', odds: 0.02, level: 'fine' }]
 */
export function toldEffects(e: PieceEffect): ToldEffect[] {
  const told = (kind: ToldKind, odds: number, worthTelling: boolean): ToldEffect[] =>
    worthTelling ? [{ kind, odds, level: levelOf(odds) }] : [];
  return [
    ...told('shrinks', e.shrinkOdds, e.shrinkPercent >= leastTold.shrinkPercent),
    ...told('tint', e.tint?.odds ?? 0, isTinted(e)),
    ...told('fades', e.fadeOdds, e.fadeDeltaE >= leastTold.fadeDeltaE),
    ...told('creases', e.creaseOdds, e.creaseOdds >= leastTold.creaseOdds),
    ...told('sets', e.stainSetOdds, e.stainSetOdds > 0),
    ...told('unclean', e.uncleanOdds, e.cleaningDeficit >= leastTold.cleaningDeficit),
  ];
}
/** Whether the piece would look tinted. */
export const isTinted = (e: PieceEffect): boolean => e.tint !== null && e.tint.deltaE >= leastTold.tintDeltaE;
