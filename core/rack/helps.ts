/** Small things the hands do for a wet piece: when it is hung, half-way, and when it comes off. */
import type { TraitId } from '../construction/traits.ts';
import { isTowel, type Profile } from '../piece/profile.ts';
import { kindFacts } from '../garment/kinds.ts';
import { wantsShade } from './hang.ts';
import type { DryPosition } from '../envelope/envelope.ts';

export const hangHelps = [
  'shake-hard',
  'pull-seams',
  'shoulder-seams',
  'by-the-hem',
  'cover-open',
  'lace-straight',
  'layers-straight',
  'shape-flat',
  'sock-frame',
  'stuff-hat',
  'fluff-cups',
  'clumps',
  'tease-pile',
  'inside-out',
  'in-shade',
  'no-heat',
  'fuel-air',
] as const;
export type HangHelp = (typeof hangHelps)[number];
export const dryHelps = ['turn-flat', 'turn-fold', 'frames-out', 'fluff-again'] as const;
export type DryHelp = (typeof dryHelps)[number];

const has = (p: Profile, ...ids: readonly TraitId[]): boolean => ids.some((id) => p.garment.traits.has(id));
const cups = (p: Profile): boolean =>
  has(p, 'moulded-cups', 'underwire') || kindFacts(p.garment.kind).wearGroup === 'bra';
const deep: readonly string[] = ['dark', 'black'];

/** What is done while it is hung up, in the order of doing. */
export function hangHelpsOf(p: Profile, position: DryPosition): HangHelp[] {
  const k = kindFacts(p.garment.kind);
  const helps = new Set<HangHelp>();
  if (isTowel(p.garment)) helps.add('shake-hard');
  if (k.flags.has('pressed') || k.wearGroup === 'shirt' || k.flags.has('denim')) helps.add('pull-seams');
  if (position === 'hanger') helps.add('shoulder-seams');
  else if (position === 'line' && k.outline === 'top') helps.add('by-the-hem');
  if (k.flags.has('cover')) helps.add('cover-open');
  if (has(p, 'lace', 'tulle')) helps.add('lace-straight');
  if (has(p, 'layered', 'lined')) helps.add('layers-straight');
  if (position === 'flat') helps.add('shape-flat');
  if (k.flags.has('small') && k.flags.has('knit') && k.wearGroup === 'socks') helps.add('sock-frame');
  if (p.garment.kind === 'hat_knit') helps.add('stuff-hat');
  if (cups(p)) helps.add('fluff-cups');
  if (has(p, 'down', 'padded')) helps.add('clumps');
  if (has(p, 'pile', 'velvet', 'velveteen', 'corduroy', 'chunky-knit')) helps.add('tease-pile');
  if (deep.includes(p.history.colour.class) && position !== 'flat' && k.type === 'tube') helps.add('inside-out');
  if (wantsShade(p)) helps.add('in-shade');
  if (p.values.awayFromHeat) helps.add('no-heat');
  if (p.contamination === 'fuel') helps.add('fuel-air');
  return hangHelps.filter((h) => helps.has(h));
}

/** A fold dries last: what takes longer than this over bars is turned over, h. */
const turnFoldsFromH = 20;
/** What is due while it dries, with the hours after hanging: turned flat every twelve, cups and clumps half-way, folds the next day. */
export function dryHelpsOf(
  p: Profile,
  position: DryPosition,
  likelyH: number,
  turnEveryH: number,
): { help: DryHelp; atH: number }[] {
  const due: { help: DryHelp; atH: number }[] = [];
  if (position === 'flat')
    for (let h = turnEveryH; h < likelyH; h += turnEveryH) due.push({ help: 'turn-flat', atH: h });
  if (position === 'bars' && likelyH >= turnFoldsFromH) due.push({ help: 'turn-fold', atH: likelyH / 2 });
  if (cups(p) || has(p, 'down', 'padded')) due.push({ help: 'fluff-again', atH: likelyH / 2 });
  if (hangHelpsOf(p, position).some((h) => h === 'sock-frame' || h === 'stuff-hat'))
    due.push({ help: 'frames-out', atH: likelyH });
  return due.sort((a, b) => a.atH - b.atH);
}
