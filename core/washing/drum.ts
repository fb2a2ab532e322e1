/** Drum: how much fits, by mass and by volume. Estimated rows; a machine's own stated maximum always replaces the row's. */
import type { ProgrammeFamily } from '../model/household.ts';
import { interpolate } from '../units/numbers.ts';

// prettier-ignore
export const drumRows = {
  cotton: { ratedShare: 1, capKg: null, fillFraction: 0.8 },
  eco_cotton: { ratedShare: 1, capKg: null, fillFraction: 0.8 },
  towels_bedding: { ratedShare: 0.8, capKg: null, fillFraction: 0.75 },
  mixed: { ratedShare: 0.55, capKg: null, fillFraction: 0.65 },
  synthetics: { ratedShare: 0.5, capKg: null, fillFraction: 0.6 },
  denim_dark: { ratedShare: 0.45, capKg: null, fillFraction: 0.6 },
  shirts: { ratedShare: 0.25, capKg: 2, fillFraction: 0.5 },
  sportswear: { ratedShare: 0.35, capKg: 3, fillFraction: 0.55 },
  delicate: { ratedShare: 0.3, capKg: 2.5, fillFraction: 0.45 },
  wool: { ratedShare: 0.25, capKg: 2, fillFraction: 0.4 },
  hand_wash: { ratedShare: 0.25, capKg: 2, fillFraction: 0.4 },
  silk: { ratedShare: 0.15, capKg: 1, fillFraction: 0.35 },
  down_outdoor: { ratedShare: 0.25, capKg: 2.5, fillFraction: 0.8 },
  quick: { ratedShare: 0.4, capKg: 3.5, fillFraction: 0.55 },
  allergy_hot: { ratedShare: 0.75, capKg: null, fillFraction: 0.75 },
} as const satisfies Record<string, { ratedShare: number; capKg: number | null; fillFraction: number }>;
export type DrumRow = keyof typeof drumRows;

export const familyDrumRow: Record<ProgrammeFamily, DrumRow> = {
  cotton: 'cotton',
  synthetics: 'synthetics',
  delicate: 'delicate',
  wool: 'wool',
  'hand-wash': 'hand_wash',
  silk: 'silk',
  shirts: 'shirts',
  denim: 'denim_dark',
  sports: 'sportswear',
  quick: 'quick',
  hygiene: 'allergy_hot',
  'rinse-spin': 'cotton',
};

/** Drum volume in litres of a front loader by rated load (fit, ±4 l). */
export const drumVolumeL = (ratedKg: number): number => 14 + 5.5 * ratedKg;

export function programmeMaxKg(row: DrumRow, ratedKg: number): number {
  const { ratedShare, capKg } = drumRows[row];
  return Math.min(ratedShare * ratedKg, capKg ?? Infinity);
}

/** The larger of the mass ratio and the volume ratio. */
export const fillIndex = (
  massKg: number,
  maxKg: number,
  volumeL: number,
  drumL: number,
  fillFraction: number,
): number => Math.max(massKg / maxKg, volumeL / drumL / fillFraction);

export type FillClass = 'under' | 'good' | 'full' | 'over' | 'refuse';
export const fillClass = (fill: number): FillClass =>
  fill < 0.5 ? 'under' : fill <= 0.9 ? 'good' : fill <= 1 ? 'full' : fill <= 1.2 ? 'over' : 'refuse';

/** A net bag takes this much more room than its contents. */
export const netVolumeFactor = 1.15;
/** One absorbent piece above this share of the load unbalances the drum. */
export const unbalanceShare = 0.6;

export const loadingRatioLPerKg = (drumL: number, massKg: number): number => drumL / massKg;
/** Filled share of a horizontal drum's cross-section for the angle of its free segment. */
const segment = (angle: number): number => (angle - Math.sin(angle)) / (2 * Math.PI);
/** Free height above a settled load, mm (circular segment, bisection). */
export function freeHeightMm(filled: number, diameterMm: number): number {
  let low = 0;
  let high = 2 * Math.PI;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (segment(mid) < filled) low = mid;
    else high = mid;
  }
  return diameterMm * (1 - (1 - Math.cos((low + high) / 4)) / 2);
}
/** Filled share from the free height above the load. */
export function filledFromHeight(freeMm: number, diameterMm: number): number {
  const h = Math.max(0, Math.min(diameterMm, freeMm));
  return segment(2 * Math.acos(1 - (2 * (diameterMm - h)) / diameterMm));
}
/** Share of the wash action that an overfilled drum leaves. */
export const cleaningFactor = (fill: number): number => interpolate(fill, [0.9, 1.2, 1.5], [1, 0.8, 0.5]);
