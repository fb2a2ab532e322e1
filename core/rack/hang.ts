/**
 * Where a wet piece hangs: the positions it bears, the places that suit it (shade, fuel outdoors, sun for white), and room for it there. The plan fills the
 * places with it load by load; so does the rack on the day, beside what hangs already.
 */
import { barsFor, dryingTimeHours } from '../drying/drying.ts';
import { Space, type RoomNeed, type Spot } from '../drying/spaces.ts';
import type { DryPosition } from '../envelope/envelope.ts';
import { kindFacts, type Layout } from '../garment/kinds.ts';
import { sizeFactor } from '../garment/mass.ts';
import type { DryingPlace, Household } from '../model/household.ts';
import { effectOf } from '../model/rule-effects.ts';
import type { Profile } from '../piece/profile.ts';

/** White linen dries outdoors in the sun unless that takes this much longer. */
const worthTheSun = 1.5;
/** What takes longer hangs through the night's dew: it is not dried outdoors, h. */
export const longestOutdoorsH = 12;
const airGapMm = { bars: 60, else: 100 } as const;

/** The air of a place, where it is not the room's. */
export interface OutdoorNow {
  temperatureC: number;
  humidity: number;
  airSpeedMPerS: number;
  /** Rain now or soon: nothing is hung there. */
  wet: boolean;
}
export interface RackHouse {
  household: Pick<Household, 'room' | 'rules' | 'learnt'>;
  outdoors: OutdoorNow;
}
export interface Placement {
  /** null = nothing has room for it. */
  place: string | null;
  position: DryPosition;
  spots: Spot[];
}

/** Positions a piece may dry in: as its kind usually does, then whatever else it bears. */
export function positionsFor(p: Profile): DryPosition[] {
  const usual = kindFacts(p.garment.kind).layout;
  const wanted: DryPosition =
    usual === 'hanger' ? 'hanger' : usual === 'line' ? 'line' : usual.startsWith('flat') ? 'flat' : 'bars';
  const may = [...p.values.dryPositions];
  const first = may.includes(wanted) ? wanted : (may[0] ?? 'flat');
  return [first, ...may.filter((d) => d !== first)];
}
export const layoutFor = (position: DryPosition, bars: number): Layout =>
  position === 'bars'
    ? (`bar${Math.min(3, Math.max(1, bars))}` as Layout)
    : position === 'hanger'
      ? 'hanger'
      : position === 'line'
        ? 'line'
        : 'flat_towel';

const deepColours: readonly string[] = ['dark', 'black'];
/** Sun fades it: what asks for shade, silk, dyed wool and deep colours. */
export const wantsShade = (p: Profile): boolean =>
  p.values.shade || p.isSilk || (p.isWool && p.coloured) || deepColours.includes(p.history.colour.class);

/** Why a piece may not hang at a place. */
export const placeRefusals = ['shade', 'fuel-indoors', 'position', 'not-there', 'rain', 'no-room'] as const;
export type PlaceRefusal = (typeof placeRefusals)[number];
/** null = it may, if there is room. */
export function whyNotAt(p: Profile, place: DryingPlace, position: DryPosition): PlaceRefusal | null {
  if (!p.values.dryPositions.has(position)) return 'position';
  if (!new Space(place).offers(position)) return 'not-there';
  // Fuel goes outdoors, whatever the sun does to its colour.
  if (p.contamination === 'fuel') return place.outdoors ? null : 'fuel-indoors';
  return wantsShade(p) && place.sun ? 'shade' : null;
}

/** Bars of one item: by dry mass, two at least for what keeps its shape over two. */
export function barsEachOf(p: Profile, rules: Household['rules']): number {
  const tee = !effectOf(rules, 'tshirtDrying').flat && kindFacts(p.garment.kind).wearGroup === 'tshirt';
  return Math.max(barsFor((p.massKg * 1000) / p.pieces), tee ? 2 : 1);
}
export const needOf = (p: Profile, moisture: number, rules: Household['rules']): RoomNeed => ({
  kind: p.garment.kind,
  items: p.garment.count,
  barsEach: barsEachOf(p, rules),
  wetKg: p.massKg * (1 + moisture),
  sizeFactor: sizeFactor(p.garment.size, 'unisex', p.garment.heightCm),
});

/** Hours by itself, in the air of the place; null = it does not dry there. */
export function hoursAt(
  p: Profile,
  moisture: number,
  position: DryPosition,
  place: DryingPlace | null,
  house: RackHouse,
): number | null {
  const { room, rules, learnt } = house.household;
  const gapMm = position === 'bars' ? airGapMm.bars : airGapMm.else;
  const air = place?.outdoors
    ? { ...house.outdoors, gapMm }
    : { temperatureC: room.temperatureC, humidity: room.relativeHumidity, airSpeedMPerS: room.airSpeedMPerS, gapMm };
  const layout = layoutFor(position, barsEachOf(p, rules));
  const time = dryingTimeHours(p.garment.kind, p.fibre, moisture, layout, air);
  return time.ok ? time.value * (learnt.slowness.get(place?.id ?? '') ?? 1) : null;
}

/** Places in the order in which the piece should have them: outdoors for fuel, sun for white if that is not much slower, then indoors, then the rest. */
function ranked(
  p: Profile,
  moisture: number,
  position: DryPosition,
  spaces: readonly Space[],
  house: RackHouse,
): Space[] {
  const hours = (s: Space): number => hoursAt(p, moisture, position, s.place, house) ?? Infinity;
  const open = spaces.filter(
    (s) =>
      whyNotAt(p, s.place, position) === null &&
      !(s.place.outdoors && (house.outdoors.wet || hours(s) > longestOutdoorsH)),
  );
  const inside = Math.min(...open.flatMap((s) => (s.place.outdoors ? [] : [hours(s)])));
  const rank = (s: Space): number => {
    if (!s.place.outdoors) return 1;
    const sunny = p.history.colour.class === 'white' && hours(s) <= worthTheSun * inside;
    return p.contamination === 'fuel' || sunny ? 0 : 2;
  };
  return [...open].sort((x, y) => rank(x) - rank(y));
}

/** Hangs one entry up: the place that suits it, the next one when that is full, another position it bears; no place when all are full. Takes the room. */
export function hangUp(p: Profile, moisture: number, spaces: readonly Space[], house: RackHouse): Placement {
  const need = needOf(p, moisture, house.household.rules);
  const positions = positionsFor(p);
  for (const position of positions)
    for (const space of ranked(p, moisture, position, spaces, house)) {
      const spots = space.take(position, need);
      if (spots) return { place: space.place.id, position, spots };
    }
  return { place: null, position: positions[0] ?? 'flat', spots: [] };
}

/** Puts a piece where somebody wants it, or says why it cannot hang there. */
export function hangAt(
  p: Profile,
  moisture: number,
  space: Space,
  position: DryPosition,
  house: RackHouse,
  fromBar?: number,
): Placement | PlaceRefusal {
  const refused = whyNotAt(p, space.place, position);
  if (refused) return refused;
  const spots = space.take(position, needOf(p, moisture, house.household.rules), fromBar);
  return spots ? { place: space.place.id, position, spots } : 'no-room';
}
