/** What a part of the oracle's search is: the loads of a way of washing, of some items, of which something is known. `parts.ts` makes them. */
import type { Setting } from '../../price/settings.ts';
import type { Mode } from './modes.ts';

/**
 * A set with what it costs at least: each item as often as it is in the set. The cost grows as the search learns more of it; it is Infinity once the
 * set is known to be none.
 */
export interface Answer {
  readonly items: readonly number[];
  cost: number;
  /** The part it lies in; null once it lies in none. */
  part: Part | null;
}

/** A mode, or what any mode of a setting costs at least: then with the modes it stands for. */
export interface Way extends Pick<
  Mode,
  | 'index'
  | 'base'
  | 'leastCost'
  | 'room'
  | 'otherRoom'
  | 'mixedRoom'
  | 'serves'
  | 'conditions'
  | 'treatments'
  | 'treatment'
  | 'rinse'
> {
  setting: Setting;
  caught: boolean;
  modes: Way[];
}
/** What harms by its mass: at least so much of it is in the set, and at most so much, kg. */
export interface Dose {
  low: number;
  high: number;
}
/** What is known to be in every set of a part, whose harm is charged to all. */
export interface Known {
  /** Bits of the uses. */
  uses: number;
  /** Grey, soil, then each dye group. */
  doses: readonly Dose[];
  /** Of each dye group: how strong its strongest giver is at least, and which item that is (−1 = none known). */
  strength: Float64Array;
  giver: Int32Array;
  /** The same of the second strongest, which tints the strongest. */
  second: Float64Array;
  /** One of them asks for an extra rinse. */
  rinsed: boolean;
  /** How full the drum is: any way, nearly empty, or more than that. */
  filled: 'any' | 'little' | 'more';
}
/** A setting and a company, in whose loads all parts lie that it is divided into. */
export interface Region {
  room: Float64Array;
  items: Int16Array;
  most: Int16Array;
  order: Int16Array;
  /** How much what a load of it is worth has grown at most, over all questions so far. */
  grown: number;
}
/** A part of the search: loads in one way of washing, of some items, with something known of them. */
export interface Part {
  way: Way;
  company: number;
  known: Known;
  /** Conditions of the way that nothing held serves: something of the loads does. */
  unmet: number;
  /** Items of which one is in every load, and what each costs at least with the harm that is known. */
  held: readonly number[];
  heldCosts: readonly number[];
  /** Items that may be in besides, how many of each, and what one costs at least. */
  items: Int16Array;
  most: Int16Array;
  costs: Float64Array;
  order: Int16Array;
  /** What any load of the part costs at least. */
  base: number;
  region: Region;
  /** Cloth of what is held, and whether it would not be treated as supposed by itself. */
  cloth: number;
  untreated: boolean;
  /** Most that a load of the part could be worth above its cost when it was last looked at; rough where prices of masses can lower it. */
  value: number;
  /** How much its region had grown then. */
  grown: number;
  rough: boolean;
  /** Sets that were found in it. */
  answers: Answer[];
}

export const openDose: Dose = { low: 0, high: Infinity };
/** Places among the doses; dye groups follow. */
export const grey = 0;
export const soil = 1;
export const firstDye = 2;
