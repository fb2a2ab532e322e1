/** Wear units: how much of a wash a wear asks for, and what airing gives back (engineering estimates). */
import type { PhysicalFibreId } from '../fibre/physical.ts';
import { clamp, guardedCeil } from '../units/numbers.ts';
import type { Activity } from '../model/garment.ts';
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';

/** Eight-hour wears in the usual way before a wash is due; sheets and towels in uses. */
export const wearsBeforeWash = {
  underwear: 1,
  socks: 1,
  sportswear: 1,
  tshirt: 1.5,
  shirt: 1.5,
  blouse: 2,
  bra: 3,
  polo: 1.5,
  pyjama: 4,
  thermal_wool: 4,
  jumper_cotton: 5,
  jumper_wool: 10,
  sweatshirt: 5,
  chinos: 4,
  trousers_wool: 8,
  jeans: 8,
  skirt: 5,
  dress: 2,
  dress_outer: 5,
  leggings: 1.5,
  jacket: 20,
  coat: 40,
  scarf: 15,
  hat: 12,
  bath_towel: 4,
  hand_towel: 3,
  tea_towel: 2,
  sheet: 7,
} as const;
/** `jumper` is decided by fibre: wool from half of the mass, else cotton. */
export type WearGroup = Exclude<keyof typeof wearsBeforeWash, 'jumper_cotton' | 'jumper_wool'> | 'jumper';

const activityFactor: Record<Activity | 'light', number> = { rest: 1.4, light: 1.2, normal: 1, sweaty: 0.6 };
/** A layer beneath keeps it fresher, bare skin soils it sooner. */
const layerFactor = { usual: 1, over_base: 1.6, bare_skin: 0.6 } as const;

/** Wears between washes of a kind; null when the kind is judged by soil and stain only. */
export function wearsAllowed(kind: GarmentKind, mostlyWool: boolean): number | null {
  const group = kindFacts(kind).wearGroup;
  if (group === null) return null;
  if (group === 'jumper') return mostlyWool ? wearsBeforeWash.jumper_wool : wearsBeforeWash.jumper_cotton;
  return wearsBeforeWash[group];
}

/** Share of a wash one wear asks for. Underwear, socks and sportswear: always 1. */
export function wearUnits(
  allowed: number,
  hours = 8,
  activity: Activity | 'light' | 'sport' = 'normal',
  meanTemperatureC = 20,
  layer: keyof typeof layerFactor = 'usual',
): number {
  if (allowed <= 1 || activity === 'sport') return 1;
  const warmth = clamp(1 - 0.04 * (meanTemperatureC - 22), 0.5, 1);
  return clamp(hours / 8, 0.15, 1.5) / (allowed * activityFactor[activity] * warmth * layerFactor[layer]);
}

/** Wear units since the last wash; 0 when the kind has no count. */
export function wearUnitsSinceWash(allowed: number | null, wears: number, activity: Activity): number {
  return allowed === null ? 0 : wears * wearUnits(allowed, 8, activity);
}

/** Kinds worn next to the skin unless said otherwise. */
const skinGroups: readonly (WearGroup | null)[] = [
  'underwear',
  'socks',
  'sportswear',
  'tshirt',
  'shirt',
  'blouse',
  'bra',
  'polo',
  'pyjama',
  'thermal_wool',
  'dress',
  'leggings',
  'bath_towel',
  'hand_towel',
  'sheet',
];
export const nextToSkinByKind = (kind: GarmentKind): boolean => skinGroups.includes(kindFacts(kind).wearGroup);

/** How near the next wash is: due from one wear unit, soon from three quarters. */
export type Dueness = 'due' | 'soon' | 'fresh';
export const dueness = (units: number): Dueness => (units >= 1 - 1e-9 ? 'due' : units >= 0.75 ? 'soon' : 'fresh');

/** Share of the last wear that fresh air gives back in the long run. */
export const airedShare = {
  wool: 0.35,
  silk: 0.2,
  linen: 0.15,
  cotton: 0.1,
  denim: 0.15,
  viscose: 0.1,
  polyester: 0.03,
  nylon: 0.03,
  acrylic: 0.05,
  down: 0.25,
  terry: 0.05,
  fleece: 0.03,
  lyocell: 0.1,
  elastane: 0.03,
} as const satisfies Record<PhysicalFibreId, number>;
/** Wear units left after airing; only the odour of the last wear recovers. */
export const unitsAfterAiring = (total: number, last: number, fibre: PhysicalFibreId, hours: number): number =>
  total - airedShare[fibre] * last * (1 - Math.exp(-hours / 6));
/** Wears between washes; aired for a night after each when `aired`. */
export const wearsBetween = (unitsPerWear: number, fibre: PhysicalFibreId, aired: boolean): number =>
  Math.max(
    1,
    Math.floor(1 / (aired ? unitsPerWear * (1 - airedShare[fibre] * (1 - Math.exp(-12 / 6))) : unitsPerWear) + 1e-9),
  );
/** Pieces a rotation needs; lead = days in wash and drying. */
export const rotationPieces = (intervalD: number, leadD: number, wearsPerDay: number, wears: number): number =>
  guardedCeil(((intervalD + leadD) * wearsPerDay) / wears);
