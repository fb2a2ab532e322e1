/**
 * What each option of a house rule does. Code asks for the effect and never compares an option's name, so a new option is a row here (the type checker
 * demands it) and does what its row says everywhere. Piles and priorities are tables of their own, by option as well: `price/compatibility.ts`,
 * `cost/judgement.ts`.
 */
import type { HouseRules } from './household.ts';

/** Who may go into the dryer where label and cloth allow it. */
interface DryerEffect {
  towels: boolean;
  others: boolean;
}
export interface RuleEffects {
  /** A hand-wash label closes the hand programmes of a machine. */
  handLabel: { handOnly: boolean };
  wool: { handOnly: boolean };
  /** Wool shares with nothing but wool. */
  woolCompany: { woolOnly: boolean };
  /** A label that says no to water can be opened by a test, with the risk accepted. */
  dryCleanOnly: { testOpens: boolean };
  /** Bleaches a white load may get; without oxygen a detergent that bleaches comes last, too. */
  whites: { oxygen: boolean; chlorine: boolean };
  /** What goes into the softener place. */
  softening: { helper: 'vinegar' | 'softener' | null };
  tumble: DryerEffect;
  /** °C at most for denim (null = as its label says) and for raw denim that is untested or known to bleed; the °C its contrast wants, 0 = none. */
  denim: { maxTemperatureC: number | null; rawTemperatureC: number; contrastTemperatureC: number };
  tshirtDrying: { flat: boolean };
  /** Shirts spin at the lowest and share their load with shirts alone. */
  shirtAim: { easyIron: boolean };
  /** Lightly soiled loads get less than the pack says. */
  dosing: { undershoot: boolean };
  /** No softener and one rinse more. */
  skin: { careful: boolean };
  /** Kitchen linen goes apart from what touches body and floor in water cooler than this, °C: Infinity = always, 0 = never. */
  kitchenLinen: { apartBelowC: number };
  /** Linen is meant to be washed hot where it bears it. */
  linenHeat: { hot: boolean };
  /** What could wait for the next wash day may. */
  waiting: { allowed: boolean };
}

type Effects = { readonly [K in keyof RuleEffects]: Readonly<Record<HouseRules[K], RuleEffects[K]>> };
const effects: Effects = {
  handLabel: { 'machine-hand': { handOnly: false }, hand: { handOnly: true } },
  wool: { machine: { handOnly: false }, hand: { handOnly: true } },
  woolCompany: { delicates: { woolOnly: false }, alone: { woolOnly: true } },
  dryCleanOnly: { obey: { testOpens: false }, 'test-first': { testOpens: true } },
  whites: {
    oxygen: { oxygen: true, chlorine: false },
    'colour-safe': { oxygen: false, chlorine: false },
    chlorine: { oxygen: true, chlorine: true },
  },
  softening: { none: { helper: null }, vinegar: { helper: 'vinegar' }, softener: { helper: 'softener' } },
  tumble: {
    never: { towels: false, others: false },
    towels: { towels: true, others: false },
    'when-allowed': { towels: true, others: true },
  },
  denim: {
    cold: { maxTemperatureC: 30, rawTemperatureC: 30, contrastTemperatureC: 0 },
    label: { maxTemperatureC: null, rawTemperatureC: 30, contrastTemperatureC: 0 },
    'contrast-40': { maxTemperatureC: 40, rawTemperatureC: 40, contrastTemperatureC: 40 },
  },
  tshirtDrying: { bars: { flat: false }, flat: { flat: true } },
  shirtAim: { normal: { easyIron: false }, 'easy-iron': { easyIron: true } },
  dosing: { pack: { undershoot: false }, undershoot: { undershoot: true } },
  skin: { normal: { careful: false }, careful: { careful: true } },
  kitchenLinen: {
    'always-apart': { apartBelowC: Infinity },
    'apart-below-60': { apartBelowC: 60 },
    any: { apartBelowC: 0 },
  },
  linenHeat: { hot: { hot: true }, warm: { hot: false } },
  waiting: { allowed: { allowed: true }, none: { allowed: false } },
};

/**
 * What the option of a house does.
 * @example effectOf(rules, 'tumble').towels // true under 'towels' and 'when-allowed'
 */
export function effectOf<K extends keyof RuleEffects>(rules: Pick<HouseRules, K>, rule: K): RuleEffects[K] {
  const byOption = effects[rule] as Readonly<Record<string, RuleEffects[K]>>; // the type of `effects` pairs rule and option
  return byOption[rules[rule]] as RuleEffects[K];
}

/** What all chosen options do, for whoever asks a million times. */
export const effectsOf = (rules: HouseRules): RuleEffects => ({
  handLabel: effectOf(rules, 'handLabel'),
  wool: effectOf(rules, 'wool'),
  woolCompany: effectOf(rules, 'woolCompany'),
  dryCleanOnly: effectOf(rules, 'dryCleanOnly'),
  whites: effectOf(rules, 'whites'),
  softening: effectOf(rules, 'softening'),
  tumble: effectOf(rules, 'tumble'),
  denim: effectOf(rules, 'denim'),
  tshirtDrying: effectOf(rules, 'tshirtDrying'),
  shirtAim: effectOf(rules, 'shirtAim'),
  dosing: effectOf(rules, 'dosing'),
  skin: effectOf(rules, 'skin'),
  kitchenLinen: effectOf(rules, 'kitchenLinen'),
  linenHeat: effectOf(rules, 'linenHeat'),
  waiting: effectOf(rules, 'waiting'),
});

/** Whether the house lets a piece into its dryer, whatever label and cloth say. */
export const dryerAllowed = (rules: Pick<HouseRules, 'tumble'>, towel: boolean): boolean =>
  effectOf(rules, 'tumble')[towel ? 'towels' : 'others'];
