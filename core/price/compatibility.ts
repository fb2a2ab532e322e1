/** Which two pieces may never share a load, whatever the setting (H3–H7, H10, H11), each with its constraint and its message. */
import { isReddish, ownColour } from '../colour/colour.ts';
import { useBit } from '../cost/judgement.ts';
import type { Use } from '../garment/kinds.ts';
import { isProtein, hasSignificant } from '../fibre/blend.ts';
import type { TraitId } from '../construction/traits.ts';
import type { ColourClass } from '../colour/colour.ts';
import type { Constraint } from '../model/constraints.ts';
import { effectOf } from '../model/rule-effects.ts';
import { say, type Message } from '../message/message.ts';
import { detergentClasses, type HouseRules } from '../model/household.ts';
import type { Company } from '../model/orders.ts';
import type { Profile } from '../piece/profile.ts';

/** The message is made only when somebody asks: a large basket compares half a million pairs. */
export interface Conflict {
  constraint: Constraint;
  message: () => Message;
}

const has = (p: Profile, ...ids: TraitId[]): boolean => ids.some((t) => p.garment.traits.has(t));
const name = (p: Profile): string => p.garment.name;

function contamination(a: Profile, b: Profile): Conflict | null {
  if (a.contamination === b.contamination) return null;
  const dirty = a.contamination !== 'none' ? a : b;
  return {
    constraint: 'H4',
    message: () =>
      say('apart.contamination', {
        name: name(dirty),
        contamination: dirty.contamination === 'fuel' ? 'fuel' : 'hygiene',
      }),
  };
}

const veryDark: readonly ColourClass[] = ['dark', 'black'];
/** Colours of the same depth, for a known bleeder. */
const sameDepth = (a: Profile, b: Profile): boolean =>
  ownColour(a.history.colour, b.history.colour) ||
  (veryDark.includes(a.history.colour.class) && veryDark.includes(b.history.colour.class));

/** Why a piece keeps its own company; such a bound is there whenever the company is limited. */
const companyReason = (p: Profile, limit: Company): Message =>
  p.envelope.bounds.find((b) => b.parameter === 'company' && b.limit === limit)?.reason ?? say('colour.untested');

function separateFrom(p: Profile, other: Profile): Conflict | null {
  const { company } = p.values;
  if (company === 'with-any') return null;
  if (company === 'alone')
    return {
      constraint: 'H5',
      message: () => say('apart.alone', { name: name(p), because: companyReason(p, 'alone') }),
    };
  // Raw indigo goes with indigo alone until it has earned its trust.
  const fits = isUntrustedIndigo(p)
    ? other.history.dye === 'indigo'
    : p.history.knownBleeder
      ? sameDepth(p, other)
      : ownColour(p.history.colour, other.history.colour);
  if (fits) return null;
  return {
    constraint: 'H5',
    message: () =>
      say('apart.own-colour', { name: name(p), other: name(other), because: companyReason(p, 'like-colours') }),
  };
}
const isUntrustedIndigo = (p: Profile): boolean => p.rawIndigo && !p.history.earned;

/** Pink shows the first trace of a red: the same hue, so much lighter. */
const pinkLighterBy = 15;
const showsRed = (red: Profile, pink: Profile): boolean => {
  const [from, to] = [red.history.colour.strongest, pink.history.colour.ground];
  return red.history.colour.red && isReddish(to) && to.lightness >= from.lightness + pinkLighterBy;
};
/** Pale cloth keeps from darks and reds that have not earned their trust, whatever the prediction says of one wash. */
const darkBesidePale = (dark: Profile, pale: Profile): Conflict | null =>
  dark.darkUntrusted && ((pale.pale && !pale.history.colour.red) || showsRed(dark, pale))
    ? { constraint: 'H3', message: () => say('apart.pale-dark', { name: name(pale), other: name(dark) }) }
    : null;

const kitchenStrangers: readonly Use[] = ['body', 'floor'];
const floorStrangers: readonly Use[] = ['kitchen', 'body', 'baby', 'bed'];
const babyStrangers: readonly Use[] = ['workshop', 'floor'];
/** Kitchen linen beside underwear or floor cloths, by the bits of the uses. */
export const mixesKitchen = (uses: number): boolean =>
  (uses & useBit('kitchen')) !== 0 && kitchenStrangers.some((u) => (uses & useBit(u)) !== 0);

/** H11: what touches food, the body, a baby or the floor. Illness and workshop soil keep apart by contamination (H4). */
function usesApart(a: Profile, b: Profile, rules: HouseRules): Conflict | null {
  const [use, other] = [a.garment.use, b.garment.use];
  const together = (one: Use, strangers: readonly Use[]): boolean =>
    (use === one && strangers.includes(other)) || (other === one && strangers.includes(use));
  const dirtyWithBaby = (p: Profile, q: Profile): boolean =>
    p.garment.use === 'baby' && q.garment.use === 'clothes' && q.garment.soil === 'heavy';
  const faceCloth = (p: Profile, q: Profile): boolean => p.garment.use === 'floor' && q.garment.kind === 'face_cloth';
  const apart =
    (effectOf(rules, 'kitchenLinen').apartBelowC === Infinity && together('kitchen', kitchenStrangers)) ||
    together('floor', floorStrangers) ||
    together('baby', babyStrangers) ||
    dirtyWithBaby(a, b) ||
    dirtyWithBaby(b, a) ||
    faceCloth(a, b) ||
    faceCloth(b, a);
  return apart
    ? {
        constraint: 'H11',
        message: () => say('apart.uses', { name: name(a), use, other: name(b), otherUse: other }),
      }
    : null;
}

/** Mud is dried and brushed off, and still gives: a muddy kit goes alone, with its like, or with what shows nothing. */
const mudBesidePale = (muddy: Neighbour, pale: Neighbour): Conflict | null =>
  muddy.muddy && pale.pale && pale.garment.soil !== 'heavy'
    ? { constraint: 'H11', message: () => say('apart.mud', { name: name(muddy), other: name(pale) }) }
    : null;

/** Without spin for less ironing concerns the shirts, not what shares their day. */
const easyIron = (shirt: Profile, other: Profile, rules: HouseRules): Conflict | null =>
  effectOf(rules, 'shirtAim').easyIron && shirt.isShirt && !other.isShirt
    ? { constraint: 'H10', message: () => say('apart.easy-iron', { name: name(shirt), other: name(other) }) }
    : null;

function chemistry(a: Neighbour, b: Neighbour): Conflict | null {
  if (a.detergents & b.detergents) return null;
  const strict = a.values.detergents.size <= b.values.detergents.size ? a : b;
  const other = strict === a ? b : a;
  return {
    constraint: 'H6',
    message: () =>
      say('apart.detergent', { name: name(strict), other: name(other), detergents: [...strict.values.detergents] }),
  };
}

const studFragile = (p: Profile): boolean =>
  has(p, 'lace', 'mesh', 'tulle', 'chunky-knit', 'hand-knit', 'sequins', 'beads') ||
  hasSignificant(p.garment.parts, isProtein) ||
  p.woolLike;
const zipFragile = (p: Profile): boolean => has(p, 'lace', 'tulle', 'sequins', 'beads') || p.woolLike;
function hardware(hard: Neighbour, soft: Neighbour): Conflict | null {
  if (hard.studs && soft.studFragile)
    return { constraint: 'H7', message: () => say('apart.hard-parts', { name: name(hard), other: name(soft) }) };
  if (hard.zip && soft.zipFragile)
    return { constraint: 'H7', message: () => say('apart.zip', { name: name(hard), other: name(soft) }) };
  return null;
}
const lint = (giver: Profile, collector: Profile): Conflict | null =>
  (giver.lintGiver && collector.lintCollector) || (giver.terry && collector.collectsTerry)
    ? { constraint: 'H7', message: () => say('apart.lint', { name: name(giver), other: name(collector) }) }
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
      message: () => say('apart.piles', { colour: a.history.colour.class, otherColour: b.history.colour.class }),
    };
  return null;
}

/** Under the school 'delicates', wool shares only with soft delicates; under 'alone', only with wool. */
function woolCompany(a: Profile, b: Profile, rules: HouseRules): Conflict | null {
  if (a.isWool === b.isWool) return null;
  const [wool, other] = a.isWool ? [a, b] : [b, a];
  if (effectOf(rules, 'woolCompany').woolOnly)
    return { constraint: 'H10', message: () => say('apart.wool-alone', { name: name(wool) }) };
  return other.softDelicate
    ? null
    : {
        constraint: 'H10',
        message: () => say('apart.wool-delicates', { name: name(wool), other: name(other) }),
      };
}

/** A piece with what it brings to a pair, found once and not for each of its thousand neighbours. */
export interface Neighbour extends Profile {
  /** Bit per permitted class of detergent. */
  detergents: number;
  studs: boolean;
  zip: boolean;
  studFragile: boolean;
  zipFragile: boolean;
  muddy: boolean;
}
export const neighbourOf = (p: Profile): Neighbour => ({
  ...p,
  detergents: [...p.values.detergents].reduce((bits, c) => bits | (1 << detergentClasses.indexOf(c)), 0),
  studs: has(p, 'studs', 'hard-buckle'),
  zip: has(p, 'zip'),
  studFragile: studFragile(p),
  zipFragile: zipFragile(p),
  muddy: p.garment.soil === 'heavy' && p.garment.stains.some((s) => s.kind === 'mud'),
});

/** The strongest reason two pieces can never share a load; null when some setting may still serve both. */
export const pairConflict = (a: Profile, b: Profile, rules: HouseRules): Conflict | null =>
  conflictBetween(neighbourOf(a), neighbourOf(b), rules);
/** The same for pieces whose part in pairs is known. */
export function conflictBetween(a: Neighbour, b: Neighbour, rules: HouseRules): Conflict | null {
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
    darkBesidePale(a, b) ??
    darkBesidePale(b, a) ??
    usesApart(a, b, rules) ??
    mudBesidePale(a, b) ??
    mudBesidePale(b, a) ??
    easyIron(a, b, rules) ??
    easyIron(b, a, rules) ??
    houseRule(a, b, rules)
  );
}
