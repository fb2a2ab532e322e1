/** Ironing: sole-plate ceilings of fibres and dots, and the minutes a piece takes. */
import type { PhysicalFibreId } from '../fibre/physical.ts';
import type { Iron } from '../model/orders.ts';
import { mixture } from '../units/numbers.ts';

export const ironClassC: Record<Iron, number> = { high: 200, medium: 150, low: 110, none: 0 };
const fibrePlateC: Record<PhysicalFibreId, number> = {
  acrylic: 110,
  nylon: 110,
  elastane: 110,
  polyester: 120,
  silk: 130,
  wool: 150,
  viscose: 150,
  lyocell: 150,
  cotton: 180,
  terry: 180,
  denim: 190,
  linen: 200,
  fleece: 110,
  down: 110,
};
/** Lowest plate ceiling over fibres of at least 2 %. */
export const plateLimitC = (fibre: ReadonlyMap<PhysicalFibreId, number>): number =>
  Math.min(...[...fibre].filter(([, share]) => share >= 0.02).map(([id]) => fibrePlateC[id]), 200);

/** Minutes for the plate to change temperature: 1.5 K/s up, slow decay down; null when it cannot cool so far. */
export function plateChangeMin(fromC: number, toC: number, roomC = 20): number | null {
  if (toC >= fromC) return (toC - fromC) / 1.5 / 60;
  return toC <= roomC ? null : 15 * Math.log((fromC - roomC) / (toC - roomC));
}
export const plateWaitMin = (sequenceC: readonly number[], roomC = 20): number | null =>
  sequenceC.reduce<{ at: number; sum: number | null }>(
    ({ at, sum }, c) => {
      const change = plateChangeMin(at, c, roomC);
      return { at: c, sum: sum === null || change === null ? null : sum + change };
    },
    { at: roomC, sum: 0 },
  ).sum;
export const wrinkleFactor = { damp_shaken: 0.8, normal: 1, dry_creased: 1.3 } as const;
export const skillFactor = { quick: 0.8, normal: 1, beginner: 1.4 } as const;
const ironDampMoisture: Record<PhysicalFibreId, number> = {
  cotton: 0.15,
  denim: 0.15,
  linen: 0.2,
  viscose: 0.14,
  lyocell: 0.14,
  silk: 0.12,
  wool: 0.18,
  polyester: 0.02,
  nylon: 0.05,
  acrylic: 0.02,
  elastane: 0.02,
  terry: 0.15,
  fleece: 0.02,
  down: 0,
};
/** Moisture at which a piece is right for the iron, kg/kg. */
export const ironDampOf = (fibre: ReadonlyMap<PhysicalFibreId, number>): number =>
  mixture(fibre, (f) => ironDampMoisture[f]);
/** Water to spray for an even iron-damp, ml. */
export const sprayMl = (dryG: number, fibre: ReadonlyMap<PhysicalFibreId, number>, moisture: number): number =>
  dryG * Math.max(0, ironDampOf(fibre) - moisture);
