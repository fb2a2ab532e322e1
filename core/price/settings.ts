/** Every way this household can run a load (washer × programme × temperature, basin × temperature), and which pieces may take part. */
import { isDenim } from '../envelope/garment-envelope.ts';
import type { Basin, Household, Programme, ProgrammeFamily, Washer } from '../model/household.ts';
import { actionOrder, respects, soilOrder } from '../model/orders.ts';
import { usableVolumeL, bathCare, bathCareOrder, heldAirLPerKg } from '../washing/basin.ts';
import { drumRows, familyDrumRow } from '../washing/drum.ts';
import { spinWithin } from '../washing/spin.ts';
import { mixture } from '../units/numbers.ts';
import { physicalFibres } from '../fibre/physical.ts';
import { duty, quality } from './bits.ts';
import { every, hasDuty, type Features } from './features.ts';
import type { Profile } from '../piece/profile.ts';

export interface MachineSetting {
  method: 'machine';
  washer: Washer;
  programme: Programme;
  temperatureC: number;
  bleedMinutes: number;
  fillFraction: number;
}
export interface HandSetting {
  method: 'hand';
  basin: Basin;
  temperatureC: number;
  usableL: number;
  bleedMinutes: number;
}
export type Setting = MachineSetting | HandSetting;

export const handTemperaturesC = [20, 30, 40] as const;

/** Share of the programme in which loose dye is in the bath. */
const bleedShare = 0.4;
/** Soaking and moving of a hand bath, minutes, for the bleed prediction before the bath is planned. */
const handBathMinutes = 15;

/** All settings, in the order of the household. Rinse-only programmes wash nothing. */
export function enumerateSettings(h: Household): Setting[] {
  const out: Setting[] = [];
  for (const washer of h.washers)
    for (const programme of washer.programmes) {
      if (programme.family === 'rinse-spin') continue;
      for (const temperatureC of [...programme.temperaturesC].sort((a, b) => a - b)) {
        out.push({
          method: 'machine',
          washer,
          programme,
          temperatureC,
          bleedMinutes: bleedShare * programme.durationMin,
          fillFraction: drumRows[familyDrumRow[programme.family]].fillFraction,
        });
      }
    }
  for (const basin of h.basins)
    for (const temperatureC of handTemperaturesC) {
      if (temperatureC <= Math.max(h.water.hotC, h.water.coldC))
        out.push({ method: 'hand', basin, temperatureC, usableL: usableVolumeL(basin), bleedMinutes: handBathMinutes });
    }
  return out;
}

/**
 * Special programmes are for their own: whether a piece may take part at all. A wool load asks besides for one piece of wool or hair.
 */
export function mayEnter(p: Profile, family: ProgrammeFamily): boolean {
  switch (family) {
    case 'wool':
      return p.isWool || p.softDelicate;
    case 'silk':
      return p.isSilk;
    case 'denim':
      return isDenim(p.garment);
    case 'sports':
      return p.isSport;
    case 'shirts':
      return p.isShirt;
    case 'hand-wash':
      return p.garment.label?.wash?.by === 'hand' || respects(actionOrder, p.values.maxAction, 'very-mild');
    case 'hygiene':
      return p.values.maxTemperatureC >= hygieneC;
    case 'cotton':
    case 'synthetics':
    case 'delicate':
    case 'quick':
    case 'rinse-spin':
      return true;
  }
}
const hygieneC = 60;

/** General programmes take other families, too, at a price: whether a piece is a stranger there. */
export function isStranger(p: Profile, family: ProgrammeFamily, hasWoolProgramme: boolean): boolean {
  switch (family) {
    case 'cotton':
    case 'hygiene': {
      const { wash } = p.garment.label ?? { wash: null };
      const robust = p.family === 'synthetics' && wash?.by === 'machine' && wash.action === 'normal';
      return p.family !== 'cotton' && !robust;
    }
    case 'synthetics':
      return p.family !== 'synthetics';
    case 'delicate':
      return p.family !== 'delicate' && !(p.family === 'wool' && !hasWoolProgramme);
    case 'quick':
      return soilOrder.indexOf(p.garment.soil) > soilOrder.indexOf('light');
    case 'wool':
    case 'silk':
    case 'denim':
    case 'sports':
    case 'shirts':
    case 'hand-wash':
    case 'rinse-spin':
      return false;
  }
}

const handProgrammes: readonly Programme['family'][] = ['hand-wash', 'wool', 'silk'];

/** A family's own drum row for down: feathers fill the drum far above other delicates. */
export const fillFractionFor = (s: MachineSetting, onlyDown: boolean): number =>
  onlyDown ? Math.max(s.fillFraction, drumRows.down_outdoor.fillFraction) : s.fillFraction;

/** Litres a piece pushes up, per kg. */
export const displacementPerKg = (p: Profile): number =>
  mixture(p.fibre, (f) => 1 / physicalFibres[f].densityKgPerL) + heldAirLPerKg[p.build];

/** What a piece meets at a setting that it may not run at. */
export type Refusal =
  | 'no-water'
  | 'temperature'
  | 'basin'
  | 'by-hand-only'
  | 'action'
  | 'hand-programmes-only'
  | 'other-cloth'
  | 'agitator'
  | 'spin'
  | 'mass'
  | 'volume';
/** Why a piece may not run at a setting on its own account (H1, H2 alone); null when it may. */
export function refusal(p: Profile, s: Setting): Refusal | null {
  const v = p.values;
  if (v.wet === 'none') return 'no-water';
  if (s.temperatureC > v.maxTemperatureC) return 'temperature';
  if (s.method === 'hand')
    return p.massKg <= bathMaxKg(s, p.massKg, p.massKg * displacementPerKg(p), bathCareOrder.indexOf(p.bathCare))
      ? null
      : 'basin';
  if (v.wet === 'hand') return 'by-hand-only';
  if (!respects(actionOrder, s.programme.action, v.maxAction)) return 'action';
  if (v.flags.has('hand-programmes-only') && !handProgrammes.includes(s.programme.family))
    return 'hand-programmes-only';
  if (!mayEnter(p, s.programme.family)) return 'other-cloth';
  if (s.washer.loading === 'top-agitator' && p.noAgitator) return 'agitator';
  if (bestSpin([p], s) === null) return 'spin';
  if (p.massKg > s.programme.maxLoadKg) return 'mass';
  if (p.volumeL / s.washer.drumVolumeL / fillFractionFor(s, p.fibre.has('down')) > 1) return 'volume';
  return null;
}

/** Spin that robust cotton falls back to when the machine has nothing slow enough against creases. */
const robustCottonRpm = 1400;

/**
 * Spin by rule: the highest offered within the limit; the lowest where a piece asks for it (pleats, easy-iron shirts). Robust cotton alone falls back
 * to the slowest spin there is. null = none fits.
 */
function spinFor(s: MachineSetting, limitRpm: number, lowest: boolean, robust: boolean): number | null {
  const offered = s.programme.spinsRpm
    .filter((rpm) => spinWithin(rpm, s.washer.drumRadiusM, limitRpm))
    .sort((a, b) => a - b);
  if (offered.length > 0) return (lowest ? offered[0] : offered[offered.length - 1]) ?? null;
  if (!robust) return null;
  return (
    [...s.programme.spinsRpm]
      .sort((a, b) => a - b)
      .find((rpm) => spinWithin(rpm, s.washer.drumRadiusM, robustCottonRpm)) ?? null
  );
}
export const bestSpin = (pieces: readonly Profile[], s: MachineSetting): number | null =>
  spinFor(
    s,
    Math.min(...pieces.map((p) => (s.programme.family === 'wool' ? p.values.woolSpinRpm : p.values.maxSpinRpm))),
    pieces.some((p) => p.values.flags.has('lowest-spin')),
    pieces.every((p) => p.robustCotton),
  );
/** The same for a set, remembered in `memo`. */
export function spinOfSet(s: MachineSetting, f: Features, memo: Map<number, number | null>): number | null {
  const limit = s.programme.family === 'wool' ? f.woolSpinRpm : f.spinRpm;
  const lowest = hasDuty(f, duty.lowestSpin);
  const robust = every(f, quality.robustCotton);
  const key = limit * 4 + (lowest ? 2 : 0) + (robust ? 1 : 0);
  const known = memo.get(key);
  if (known !== undefined) return known;
  const spin = spinFor(s, limit, lowest, robust);
  memo.set(key, spin);
  return spin;
}

/** Largest dry mass of one bath, kg: liquor ratio of the most demanding piece, displacement of the mix. */
const bathMaxKg = (s: HandSetting, massKg: number, displacedL: number, bathRank: number): number =>
  s.usableL / (bathCare[bathCareOrder[bathRank] ?? 'normal'].liquorLPerKg + displacedL / massKg);

/** Fill of a set at a setting: the larger of the mass ratio and the volume ratio; by hand, mass over the bath's largest mass. */
export function fillOfSet(s: Setting, f: Features): number {
  if (s.method === 'hand') return f.massKg / bathMaxKg(s, f.massKg, f.displacedL, f.bathRank);
  return Math.max(
    f.massKg / s.programme.maxLoadKg,
    f.volumeL / s.washer.drumVolumeL / fillFractionFor(s, every(f, quality.down)),
  );
}
