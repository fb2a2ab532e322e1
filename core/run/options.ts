/** Options of a programme besides temperature and spin: which of them this load wants. What the buttons are called differs by machine. */
import { soilOrder } from '../model/orders.ts';
import type { Profile } from '../piece/profile.ts';

export const runOptions = ['extra-rinse', 'high-water', 'soil-light', 'soil-heavy'] as const;
export type RunOption = (typeof runOptions)[number];

/** @example optionsFor(delicates, false) // ['high-water'] */
export function optionsFor(pieces: readonly Profile[], extraRinse: boolean): RunOption[] {
  const soil = Math.max(...pieces.map((p) => soilOrder.indexOf(p.garment.soil)));
  return [
    ...(extraRinse ? (['extra-rinse'] as const) : []),
    ...(pieces.some((p) => p.family === 'delicate' || p.build === 'padded') ? (['high-water'] as const) : []),
    ...(soil <= soilOrder.indexOf('light') ? (['soil-light'] as const) : []),
    ...(soil >= soilOrder.indexOf('heavy') ? (['soil-heavy'] as const) : []),
  ];
}
