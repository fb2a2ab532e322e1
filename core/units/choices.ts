/** The units a household reads and types in. Everything is kept in SI; these say how it is shown. */
import type { HardnessUnit } from './hardness.ts';

export interface UnitChoices {
  temperature: 'C' | 'F';
  mass: 'kg' | 'lb';
  volume: 'ml' | 'floz' | 'tbsp';
  length: 'cm' | 'in';
  hardness: HardnessUnit;
  /** BCP 47: how dates and numbers are written. */
  locale: string;
}
export const usualUnits: UnitChoices = {
  temperature: 'C',
  mass: 'kg',
  volume: 'ml',
  length: 'cm',
  hardness: 'mmol',
  locale: 'en-GB',
};

/** How many of ours make one of theirs, and where their zero lies (NIST SP 811). */
const scales = {
  temperature: { C: [1, 0], F: [5 / 9, -160 / 9] },
  mass: { kg: [1, 0], lb: [0.453_592_37, 0] },
  volume: { ml: [1, 0], floz: [29.573_529_562_5, 0], tbsp: [14.786_764_781_25, 0] },
  length: { cm: [1, 0], in: [2.54, 0] },
} as const;
export type Quantity = keyof typeof scales;
type UnitOf<Q extends Quantity> = UnitChoices[Q];

const scale = <Q extends Quantity>(quantity: Q, unit: UnitOf<Q>): readonly [number, number] =>
  (scales[quantity] as Record<string, readonly [number, number]>)[unit] ?? [1, 0];
/**
 * A quantity as it is kept (°C, kg, ml, cm), said in the household's unit.
 * @example fromKept('temperature', 'F', 40) // 104
 */
export function fromKept<Q extends Quantity>(quantity: Q, unit: UnitOf<Q>, kept: number): number {
  const [factor, zero] = scale(quantity, unit);
  return (kept - zero) / factor;
}
/**
 * A quantity in the household's unit, as it is kept.
 * @example toKept('length', 'in', 10) // 25.4
 */
export function toKept<Q extends Quantity>(quantity: Q, unit: UnitOf<Q>, said: number): number {
  const [factor, zero] = scale(quantity, unit);
  return said * factor + zero;
}
