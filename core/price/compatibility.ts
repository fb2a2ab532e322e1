/** Which two pieces may never share a load, whatever the setting (H4–H7, H10), each with its constraint and words. */
import { ownColour } from '../colour/colour.ts';
import { isProtein, hasSignificant } from '../fibre/blend.ts';
import type { TraitId } from '../construction/traits.ts';
import type { ColourClass } from '../colour/colour.ts';
import type { Constraint } from '../model/plan.ts';
import type { HouseRules } from '../model/household.ts';
import { detergentPreference } from '../washing/products.ts';
import type { Profile } from '../piece/profile.ts';

/** The words are made only when somebody asks: a large basket compares half a million pairs. */
export interface Conflict {
  constraint: Constraint;
  text: () => string;
}

const has = (p: Profile, ...ids: TraitId[]): boolean => ids.some((t) => p.garment.traits.has(t));
const name = (p: Profile): string => p.garment.name;

function contamination(a: Profile, b: Profile): Conflict | null {
  if (a.contamination === b.contamination) return null;
  const dirty = a.contamination !== 'none' ? a : b;
  return {
    constraint: 'H4',
    text: () =>
      `${name(dirty)} carries ${dirty.contamination === 'fuel' ? 'fuel, oil or solvent' : 'an infection risk'} and washes only with its like.`,
  };
}

const veryDark: readonly ColourClass[] = ['dark', 'black'];
/** Colours of the same depth, for a known bleeder. */
const sameDepth = (a: Profile, b: Profile): boolean =>
  ownColour(a.history.colour, b.history.colour) ||
  (veryDark.includes(a.history.colour.class) && veryDark.includes(b.history.colour.class));

function separateFrom(p: Profile, other: Profile): Conflict | null {
  const { company } = p.values;
  if (company === 'with-any') return null;
  if (company === 'alone')
    return {
      constraint: 'H5',
      text: () =>
        `${name(p)} washes alone: ${p.envelope.bounds.find((b) => b.parameter === 'company' && b.limit === 'alone')?.reason ?? 'its label'}.`,
    };
  const fits = p.history.knownBleeder ? sameDepth(p, other) : ownColour(p.history.colour, other.history.colour);
  if (fits) return null;
  const why =
    p.envelope.bounds.find((b) => b.parameter === 'company' && b.limit === 'like-colours')?.reason ?? 'its colour';
  return {
    constraint: 'H5',
    text: () => `${name(p)} stays with its own colour (${why}); ${name(other)} is another colour.`,
  };
}

function chemistry(a: Profile, b: Profile): Conflict | null {
  const shared = [...a.values.detergents].some((c) => b.values.detergents.has(c));
  if (shared) return null;
  const strict = a.values.detergents.size <= b.values.detergents.size ? a : b;
  const other = strict === a ? b : a;
  return {
    constraint: 'H6',
    text: () =>
      `No detergent suits both: ${name(strict)} needs ${[...strict.values.detergents].join(' or ')}, ${name(other)} does not bear it.`,
  };
}

const studFragile = (p: Profile): boolean =>
  has(p, 'lace', 'mesh', 'tulle', 'chunky-knit', 'hand-knit', 'sequins', 'beads') ||
  hasSignificant(p.garment.parts, isProtein);
const zipFragile = (p: Profile): boolean => has(p, 'lace', 'tulle', 'sequins', 'beads') || p.isWool;
function hardware(hard: Profile, soft: Profile): Conflict | null {
  if (has(hard, 'studs', 'hard-buckle') && studFragile(soft))
    return { constraint: 'H7', text: () => `The hard parts of ${name(hard)} would damage ${name(soft)}.` };
  if (has(hard, 'zip') && zipFragile(soft))
    return { constraint: 'H7', text: () => `The zip of ${name(hard)} would catch ${name(soft)}.` };
  return null;
}
const lint = (giver: Profile, collector: Profile): Conflict | null =>
  giver.lintGiver && collector.lintCollector
    ? { constraint: 'H7', text: () => `${name(giver)} sheds lint, and ${name(collector)} collects it.` }
    : null;

/** Piles of each school; null = no walls beyond the bleed rules. */
const piles: Record<HouseRules['colourPiles'], Record<ColourClass, number> | null> = {
  'bleed-risk': null,
  two: { white: 0, light: 0, mid: 1, bright: 1, dark: 1, black: 1 },
  three: { white: 0, light: 1, bright: 1, mid: 1, dark: 2, black: 2 },
  'black-white-colour': { black: 0, white: 1, light: 2, mid: 2, bright: 2, dark: 2 },
};
function houseRule(a: Profile, b: Profile, rules: HouseRules): Conflict | null {
  const table = piles[rules.colourPiles];
  if (table && table[a.history.colour.class] !== table[b.history.colour.class])
    return {
      constraint: 'H10',
      text: () => `House rule: ${a.history.colour.class} and ${b.history.colour.class} pieces go in different piles.`,
    };
  return null;
}

/** Under the school 'delicates', wool shares only with soft delicates; under 'alone', only with wool. */
function woolCompany(a: Profile, b: Profile, rules: HouseRules): Conflict | null {
  if (a.isWool === b.isWool) return null;
  const [wool, other] = a.isWool ? [a, b] : [b, a];
  if (rules.woolCompany === 'alone')
    return { constraint: 'H10', text: () => `House rule: wool washes by itself (${name(wool)}).` };
  return other.family === 'delicate'
    ? null
    : {
        constraint: 'H10',
        text: () => `House rule: wool shares only with soft delicates; ${name(other)} is none (${name(wool)}).`,
      };
}

/** The strongest reason two pieces can never share a load; null when some setting may still serve both. */
export function pairConflict(a: Profile, b: Profile, rules: HouseRules): Conflict | null {
  return (
    contamination(a, b) ??
    separateFrom(a, b) ??
    separateFrom(b, a) ??
    chemistry(a, b) ??
    woolCompany(a, b, rules) ??
    hardware(a, b) ??
    hardware(b, a) ??
    lint(a, b) ??
    lint(b, a) ??
    houseRule(a, b, rules)
  );
}

export const permittedByAll = (
  pieces: readonly Profile[],
): ReadonlySet<(typeof detergentPreference)['white'][number]> =>
  pieces.reduce(
    (set, p) => new Set([...set].filter((c) => p.values.detergents.has(c))),
    new Set(pieces[0]?.values.detergents ?? []),
  );
