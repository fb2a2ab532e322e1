/** Colours as people speak of a shelf: a word for a group, and whether two would be taken for one another. */
import { colourClass, deltaE, hueDegrees, isNeutral, labOf } from './colour.ts';

/** Upper ends of the hues, degrees in CIELAB. */
const hues = [
  ['red', 42],
  ['orange', 72],
  ['yellow', 110],
  ['green', 190],
  ['blue', 290],
  ['violet', 345],
  ['red', 361],
] as const;
/** CIELAB lightness below which a hue is called dark (estimate). */
const darkBelow = 35;
/**
 * The group a colour would be sorted into on a shelf.
 * @example shelfColour('#24314f') // 'dark blue'
 */
export function shelfColour(hex: string): string {
  const lab = labOf(hex);
  const cls = colourClass(lab);
  if (cls === 'white' || cls === 'black') return cls;
  if (isNeutral(lab)) return cls === 'light' ? 'pale' : 'grey';
  const hue = hues.find(([, upTo]) => hueDegrees(lab) < upTo)?.[0] ?? 'red';
  return cls === 'light' ? 'pale' : lab.lightness < darkBelow ? `dark ${hue}` : hue;
}
/** Two colours nearer than this are the same to anyone who dresses (CIE76, estimate). */
const alikeDeltaE = 14;
export const looksAlike = (hex: string, other: string): boolean => deltaE(labOf(hex), labOf(other)) < alikeDeltaE;
