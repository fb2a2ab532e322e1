/** Putting away: folded or hung, put together again, and what to do before it is shut in. */
import type { Garment } from '../model/garment.ts';
import { isProtein, hasSignificant } from '../fibre/blend.ts';
import { kindFacts } from '../garment/kinds.ts';
import { storeAs } from '../piece/care-steps.ts';
import { isKnit, type Profile } from '../piece/profile.ts';

export const awaySteps = [
  'cool-first',
  'refit',
  'mend',
  'shave-pills',
  'fold',
  'fold-over-bar',
  'hang',
  'hang-covered',
  'moths',
  'moths-children',
  'dark',
  'feed-leather',
  'brush-suede',
  'shake-soft',
] as const;
export type AwayStep = (typeof awaySteps)[number];

export interface AwayFacts {
  /** What was taken off and lies elsewhere. */
  detached: boolean;
  mend: boolean;
  /** Children live here, or come: no mothballs. */
  children: boolean;
  /** It came hot out of the dryer or off the iron a moment ago. */
  hot: boolean;
}
const deep: readonly string[] = ['dark', 'black', 'red'];
/** Wool, hair and silk. */
const mothsEat = (g: Garment): boolean => hasSignificant(g.parts, (f) => isProtein(f));

/** What is done with a piece until the cupboard is shut, in the order of doing. */
export function awayStepsOf(p: Profile, f: AwayFacts): AwayStep[] {
  const g = p.garment;
  const steps = new Set<AwayStep>();
  if (f.hot) steps.add('cool-first');
  if (f.detached) steps.add('refit');
  if (f.mend) steps.add('mend');
  const knit = isKnit(g);
  if (knit && kindFacts(g.kind).flags.has('knit') && !kindFacts(g.kind).flags.has('small')) steps.add('shave-pills');
  const store = storeAs(p);
  if (store === 'fold') steps.add('fold');
  else if (knit) steps.add('fold-over-bar');
  else steps.add(['coat', 'jacket'].includes(kindFacts(g.kind).wearGroup ?? '') ? 'hang-covered' : 'hang');
  if (mothsEat(g)) steps.add(f.children ? 'moths-children' : 'moths');
  if (deep.includes(p.history.colour.class)) steps.add('dark');
  if (hasSignificant(g.parts, (x) => x === 'leather')) steps.add('feed-leather');
  if (hasSignificant(g.parts, (x) => x === 'suede')) steps.add('brush-suede');
  if (kindFacts(g.kind).flags.has('towel')) steps.add('shake-soft');
  return awaySteps.filter((s) => steps.has(s));
}
