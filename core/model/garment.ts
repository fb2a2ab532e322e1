import type { GarmentKind, Use } from '../garment/kinds.ts';
import type { FibreId } from '../fibre/fibres.ts';
import type { CareLabel } from '../care-label/label.ts';
import type { TraitId } from '../construction/traits.ts';
import type { DyeId } from '../colour/dye.ts';
import type { AgentId } from '../chemistry/agents.ts';
import type { HeatEvent } from '../stain/score.ts';
import type { StainKind } from '../stain/stains.ts';
import type { Soil } from './orders.ts';

export const partRoles = ['shell', 'lining', 'filling', 'trim'] as const;
export type PartRole = (typeof partRoles)[number];
export const colourRoles = ['ground', 'print', 'trim'] as const;
export type ColourRole = (typeof colourRoles)[number];
export const sizes = ['XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL'] as const;
export type Size = (typeof sizes)[number];
export const activities = ['rest', 'normal', 'sweaty'] as const;
export type Activity = (typeof activities)[number];
export const testKinds = ['spot', 'part', 'catcher'] as const;

export interface FibreShare {
  fibre: FibreId;
  percent: number;
}
export interface Part {
  role: PartRole;
  fibres: readonly FibreShare[];
}
export interface Colour {
  hex: string;
  role: ColourRole;
}

export interface Stain {
  id: string;
  kind: StainKind;
  /** null = unknown */
  ageHours: number | null;
  heatSet: boolean;
  /** The worst heat it met, when somebody knows; it stands before `heatSet`. */
  heat: HeatEvent | null;
  /** Agents that were tried before. */
  tried: readonly AgentId[];
  place: string;
  sizeCm: number | null;
  failedRounds: number;
}

/** A colourfastness test or catcher reading on the staining scale: 1 strong … 5 none, in halves. `at` is ISO 8601. */
export interface ColourTest {
  kind: (typeof testKinds)[number];
  agent: string;
  grade: number;
  at: string;
}

/** One piece as it stands today, every default filled in. */
export interface Garment {
  id: string;
  name: string;
  kind: GarmentKind;
  parts: readonly Part[];
  traits: ReadonlySet<TraitId>;
  colours: readonly Colour[];
  dye: DyeId;
  label: CareLabel | null;
  /** null = estimated from kind and size. */
  weighedDryMassG: number | null;
  size: Size;
  heightCm: number | null;
  odour: boolean;
  washCount: number;
  wearsSinceWash: number;
  activity: Activity;
  nextToSkin: boolean;
  soil: Soil;
  hygiene: boolean;
  stains: readonly Stain[];
  tests: readonly ColourTest[];
  /** Somebody has measured it: its size before is known. */
  measured: boolean;
  /** It comes out of the oxygen soak and waits, wet, for its wash. */
  soaked: boolean;
  allowTestFirst: boolean;
  neededBy: string | null;
  valueEur: number;
  include: boolean;
  /** What it is for; by its kind unless somebody said otherwise. */
  use: Use;
  /** Like pieces in this one entry, 1–60; the dry mass is of all. */
  count: number;
  /** Pieces of one set like to stay together; null = of none. */
  set: string | null;
  /** Wears its owner really gives it; null = the usual number of its kind. */
  learntWears: number | null;
  /** Share of the shrinkage foretold that its measures show; null = nobody measured. */
  learntShrinkShare: number | null;
}
