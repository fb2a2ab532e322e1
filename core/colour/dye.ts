/** Dye classes: how much they bleed when new (d0), what share never stops (residual), and how fast washing clears it (engineering estimates). */
import type { ColourFacts } from './colour.ts';
import type { PhysicalFibreId } from '../fibre/physical.ts';

export const dyeIds = [
  'indigo',
  'reactive',
  'direct',
  'vat',
  'sulphur',
  'acid',
  'disperse',
  'pigment-print',
  'natural',
  'solution-dyed',
  'undyed',
  'unknown',
] as const;
export type DyeId = (typeof dyeIds)[number];
export type BleedingDye = Exclude<DyeId, 'undyed' | 'unknown'> | 'unknown-red' | 'unknown-dark' | 'unknown-other';

interface DyeFacts {
  looseDye: number;
  residual: number;
  washesToClear: number;
  fadeLimit: number;
  fadeRate: number;
}
// prettier-ignore
export const dyes = {
  indigo: { looseDye: 1.2, residual: 0.35, washesToClear: 4, fadeLimit: 30, fadeRate: 0.055 },
  direct: { looseDye: 1, residual: 0.25, washesToClear: 5, fadeLimit: 18, fadeRate: 0.045 },
  reactive: { looseDye: 0.25, residual: 0.05, washesToClear: 2, fadeLimit: 12, fadeRate: 0.02 },
  vat: { looseDye: 0.08, residual: 0.03, washesToClear: 2, fadeLimit: 8, fadeRate: 0.012 },
  sulphur: { looseDye: 0.6, residual: 0.2, washesToClear: 4, fadeLimit: 22, fadeRate: 0.045 },
  acid: { looseDye: 0.5, residual: 0.15, washesToClear: 3, fadeLimit: 12, fadeRate: 0.025 },
  disperse: { looseDye: 0.1, residual: 0.05, washesToClear: 2, fadeLimit: 8, fadeRate: 0.01 },
  'pigment-print': { looseDye: 0.15, residual: 0.1, washesToClear: 3, fadeLimit: 20, fadeRate: 0.04 },
  natural: { looseDye: 0.9, residual: 0.35, washesToClear: 6, fadeLimit: 28, fadeRate: 0.06 },
  'unknown-red': { looseDye: 1.1, residual: 0.25, washesToClear: 5, fadeLimit: 18, fadeRate: 0.035 },
  'unknown-dark': { looseDye: 0.7, residual: 0.2, washesToClear: 4, fadeLimit: 18, fadeRate: 0.035 },
  'unknown-other': { looseDye: 0.35, residual: 0.1, washesToClear: 3, fadeLimit: 18, fadeRate: 0.035 },
  'solution-dyed': { looseDye: 0.01, residual: 0.01, washesToClear: 1, fadeLimit: 18, fadeRate: 0.035 },
} as const satisfies Record<BleedingDye, DyeFacts>;

export const bleedingDyes = Object.keys(dyes) as BleedingDye[];

/** The bleeding dye of a piece; `null` when undyed. Unknown dye is judged by colour: red, dark, other. */
export function bleedingDye(dye: DyeId, colour: Pick<ColourFacts, 'red' | 'strongestClass'>): BleedingDye | null {
  if (dye === 'undyed') return null;
  if (dye !== 'unknown') return dye;
  if (colour.red) return 'unknown-red';
  return colour.strongestClass === 'dark' || colour.strongestClass === 'black' ? 'unknown-dark' : 'unknown-other';
}

/** How willingly a clean cloth takes up loose dye (0–1). */
type DyeColumn =
  'indigo' | 'direct' | 'reactive' | 'vat' | 'sulphur' | 'acid' | 'disperse' | 'pigment-print' | 'natural';
// prettier-ignore
const uptake = {
  cotton: { indigo: 0.6, direct: 1, reactive: 0.8, vat: 0.5, sulphur: 0.7, acid: 0.15, disperse: 0.2, 'pigment-print': 0.2, natural: 0.6 },
  viscose: { indigo: 0.65, direct: 1, reactive: 0.9, vat: 0.5, sulphur: 0.7, acid: 0.2, disperse: 0.2, 'pigment-print': 0.2, natural: 0.7 },
  linen: { indigo: 0.55, direct: 0.9, reactive: 0.7, vat: 0.5, sulphur: 0.6, acid: 0.15, disperse: 0.2, 'pigment-print': 0.2, natural: 0.6 },
  wool: { indigo: 0.5, direct: 0.6, reactive: 0.6, vat: 0.3, sulphur: 0.3, acid: 0.9, disperse: 0.3, 'pigment-print': 0.1, natural: 0.9 },
  silk: { indigo: 0.5, direct: 0.7, reactive: 0.6, vat: 0.3, sulphur: 0.3, acid: 1, disperse: 0.3, 'pigment-print': 0.1, natural: 1 },
  nylon: { indigo: 0.7, direct: 0.7, reactive: 0.5, vat: 0.3, sulphur: 0.3, acid: 1, disperse: 0.8, 'pigment-print': 0.1, natural: 0.7 },
  polyester: { indigo: 0.15, direct: 0.05, reactive: 0.05, vat: 0.05, sulphur: 0.05, acid: 0.05, disperse: 1, 'pigment-print': 0.05, natural: 0.1 },
  acrylic: { indigo: 0.15, direct: 0.1, reactive: 0.1, vat: 0.1, sulphur: 0.1, acid: 0.1, disperse: 0.4, 'pigment-print': 0.05, natural: 0.2 },
} as const satisfies Record<string, Record<DyeColumn, number>>;
const receiverGroup: Record<PhysicalFibreId, keyof typeof uptake> = {
  cotton: 'cotton',
  terry: 'cotton',
  denim: 'cotton',
  linen: 'linen',
  viscose: 'viscose',
  lyocell: 'viscose',
  wool: 'wool',
  silk: 'silk',
  polyester: 'polyester',
  fleece: 'polyester',
  nylon: 'nylon',
  acrylic: 'acrylic',
  elastane: 'nylon',
  down: 'nylon',
};
const fixedUptake: Partial<Record<BleedingDye, number>> = {
  'unknown-red': 0.8,
  'unknown-dark': 0.6,
  'unknown-other': 0.5,
  'solution-dyed': 0.2,
};

/** Share of loose dye a receiver takes up. */
export const dyeUptake = (dye: BleedingDye, receiver: PhysicalFibreId): number =>
  fixedUptake[dye] ?? uptake[receiverGroup[receiver]][dye as DyeColumn];
