/** The care label as ISO 3758 keeps it, in the order wash, bleach, dry, iron, professional. null = not stated. */
import type { Bleach, Iron, Tumble } from '../model/orders.ts';

export const labelTemperaturesC = [30, 40, 50, 60, 70, 95] as const;
export const labelActions = ['normal', 'mild', 'very-mild'] as const;
export type LabelWash =
  | { by: 'machine'; maxC: number; action: (typeof labelActions)[number] }
  | { by: 'hand'; maxC: number }
  | { by: 'none' };
export const dryCleanValues = ['P', 'P-mild', 'F', 'F-mild', 'any', 'none'] as const;
export const wetCleanValues = ['normal', 'mild', 'very-mild', 'none'] as const;

/** Printed phrases the model keeps. */
export const phrases = [
  'wash-separately',
  'wash-separately-first',
  'wash-with-like-colours',
  'wash-inside-out',
  'use-net',
  'reshape-while-damp',
  'do-not-wring',
  'do-not-soak',
  'remove-promptly',
  'no-softener',
  'no-optical-brightener',
  'dry-in-shade',
  'dry-away-from-heat',
  'line-dry',
  'dry-flat',
  'iron-inside-out',
  'iron-with-press-cloth',
  'do-not-iron-decoration',
  'steam-only',
  'dry-clean-only',
  'professional-leather',
  'cool-iron',
  'damp-wipe-only',
] as const;
export type Phrase = (typeof phrases)[number];

export interface CareLabel {
  wash: LabelWash | null;
  bleach: Bleach | null;
  tumble: Tumble | null;
  dry: { position: 'line' | 'flat'; drip: boolean; shade: boolean } | null;
  iron: Iron | null;
  dryClean: (typeof dryCleanValues)[number] | null;
  wetClean: (typeof wetCleanValues)[number] | null;
  phrases: readonly Phrase[];
  text: string | null;
}

export const emptyLabel: CareLabel = {
  wash: null,
  bleach: null,
  tumble: null,
  dry: null,
  iron: null,
  dryClean: null,
  wetClean: null,
  phrases: [],
  text: null,
};
