/** What a drying place teaches: how much slower or faster it dries than the model says. */
import { clamp } from '../units/numbers.ts';

/**
 * What somebody found, against the hours the model had said without anything learnt: dry earlier than expected, still damp when it should have been dry,
 * dry at the hour it was felt, or weighed.
 */
export interface DryingCheck {
  found: 'dry' | 'damp' | 'weighed';
  /** Hours on the place until the check. */
  hours: number;
  /** Hours the model gives for the moisture found. */
  modelHours: number;
}
/** Weight of the newest check, and the limits of what one may say. */
const weight = 0.3;
const leastShare = 0.5;
const mostShare = 2;
/** Shorter than this nobody can tell one from the other, h. */
const shortestH = 0.5;

/**
 * The factor of a place, checks in the order in which they were made; 1 = as the model. "It is dry" found late says only that it took no longer; "still
 * damp" found early says nothing.
 * @example learntSlowness([{ found: 'damp', hours: 12, modelHours: 8 }]) // 1.15
 */
export function learntSlowness(checks: readonly DryingCheck[]): number {
  let factor = 1;
  for (const { found, hours, modelHours } of checks) {
    if (hours < shortestH || modelHours < shortestH) continue;
    const ratio = clamp(hours / modelHours, leastShare, mostShare);
    if (found === 'dry' && ratio >= factor) continue;
    if (found === 'damp' && ratio <= factor) continue;
    factor += weight * (ratio - factor);
  }
  return factor;
}
