/**
 * Practice: a made-up basket sorted, set and dried by a learner, what would come of it, and how that compares. `play` is what was decided, `ways` the
 * ways to wash there are, `foretell` what may happen and how likely, `luck` and `happen` one draw of it, `best-play` and `usual-beginner` the two plays
 * beside it, `assess` the comparison, `skills` what each kind of fault says about, `lessons` the one thing worth learning today.
 */
import type { AgentId } from '../chemistry/agents.ts';
import type { DryPosition } from '../envelope/envelope.ts';

/** How a load is washed: product ids of the household, the detergent first chosen. */
export type Way =
  | {
      by: 'machine';
      washer: string;
      programme: string;
      temperatureC: number;
      spinRpm: number;
      detergent: string;
      helpers: readonly string[];
    }
  | { by: 'hand'; basin: string; temperatureC: number; detergent: string; helpers: readonly string[] };
export interface PlayLoad {
  id: string;
  /** Garment ids, each in one load at most. */
  pieces: readonly string[];
  way: Way;
  /** Pockets of all were emptied; zips and hooks of all were closed. */
  pockets: boolean;
  closed: boolean;
}
/** What is done instead of washing. A piece that is in no load and has none waits. */
export const asides = ['wait', 'air', 'brush', 'steam', 'spot-clean', 'professional'] as const;
export type Aside = (typeof asides)[number];

export const waters = ['none', 'cold', 'warm', 'hot'] as const;
export type Water = (typeof waters)[number];
/** °C of the water a mark is rinsed in. */
export const waterC: Record<Exclude<Water, 'none'>, number> = { cold: 15, warm: 40, hot: 60 };
/** What is done to a mark before the wash: water through the back, then agents of the cupboard in this order. */
export interface MarkCare {
  water: Water;
  agents: readonly AgentId[];
}
export type DryWay =
  { to: 'dryer'; dryer: string; heat: 'low' | 'normal' } | { to: 'place'; place: string; position: DryPosition };

export interface Play {
  /** Colours tried on a white cloth, garment ids. */
  tests: readonly string[];
  /** In running order. */
  loads: readonly PlayLoad[];
  aside: Readonly<Record<string, Aside>>;
  /** By `markKey`. */
  marks: Readonly<Record<string, MarkCare>>;
  /** Pieces in a net, and turned inside out. */
  nets: readonly string[];
  insideOut: readonly string[];
  /** By garment id; a washed piece without one stays in a heap. */
  drying: Readonly<Record<string, DryWay>>;
}
export const emptyPlay: Play = { tests: [], loads: [], aside: {}, marks: {}, nets: [], insideOut: [], drying: {} };

/** @example markKey('shirt', 's1') // 'shirt/s1' */
export const markKey = (garment: string, stain: string): string => `${garment}/${stain}`;
export const untreated: MarkCare = { water: 'none', agents: [] };
