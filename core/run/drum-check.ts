/** The drum before the door is closed: how heavy, how full when it lies loose, and how much room a hand finds above it. */
import type { Profile } from '../piece/profile.ts';
import type { Washer } from '../model/household.ts';
import { fillClass, freeHeightMm, type FillClass } from '../washing/drum.ts';
import { sum } from '../units/numbers.ts';

export interface DrumCheck {
  massKg: number;
  maxKg: number;
  /** Volume of the loose pile as a share of the drum. */
  looseShare: number;
  /** Room above the loose pile, cm. */
  freeCm: number;
  verdict: FillClass;
  room: 'plenty' | 'upright' | 'flat';
}
/** Room above the pile from which it is plenty, and from which a hand stands upright in it, cm. */
const plentyFromCm = 25;
const uprightFromCm = 10;
/** @example drumCheck(pieces, washer, 5.3, 0.7).freeCm // 19 */
export function drumCheck(
  pieces: readonly Profile[],
  washer: Pick<Washer, 'drumVolumeL' | 'drumRadiusM'>,
  maxKg: number,
  fill: number,
): DrumCheck {
  const looseShare = Math.min(1, sum(pieces.map((p) => p.volumeL)) / washer.drumVolumeL);
  const freeCm = Math.round(freeHeightMm(looseShare, 2000 * washer.drumRadiusM) / 10);
  return {
    massKg: sum(pieces.map((p) => p.massKg)),
    maxKg,
    looseShare,
    freeCm,
    verdict: fillClass(fill),
    room: freeCm >= plentyFromCm ? 'plenty' : freeCm >= uprightFromCm ? 'upright' : 'flat',
  };
}
