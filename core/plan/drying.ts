/**
 * Drying for a whole plan: what of each load goes into the dryer, as far as it holds it, and for the hours of that load; the rest fills the drying places,
 * bars, flat area and hangers, load by load in running order.
 */
import { barsFor, dryingTimeHours, tumbleRun } from '../drying/drying.ts';
import { Space, type RoomNeed } from '../drying/spaces.ts';
import { outdoorAir, shelteredWindMPerS } from '../drying/weather.ts';
import type { DryPosition } from '../envelope/envelope.ts';
import { kindFacts, type Layout } from '../garment/kinds.ts';
import { say } from '../message/message.ts';
import type { Dryer, DryingPlace, Household } from '../model/household.ts';
import { stricter, tumbleOrder } from '../model/orders.ts';
import type { DryPlan, PlanWarning } from '../model/plan.ts';
import { moistureAtEnd } from '../piece/care-steps.ts';
import { isTowel, type Profile } from '../piece/profile.ts';
import { roundTo, sum } from '../units/numbers.ts';

/** What comes out of one bath. */
export interface WetLoad {
  pieces: readonly Profile[];
  method: 'machine' | 'hand';
  spinRpm: number;
  drumRadiusM: number;
}
export interface DryingPlan {
  /** By garment id. */
  plans: ReadonlyMap<string, DryPlan>;
  warnings: PlanWarning[];
}

/** Wetter than this nothing goes into a dryer, kg/kg. */
const wettestForDryer = 0.9;
/** White linen dries outdoors in the sun unless that takes this much longer. */
const worthTheSun = 1.5;
const airGapMm = { bars: 60, else: 100 } as const;

const mayTumble = (p: Profile, h: Household): boolean =>
  p.values.tumble !== 'none' && h.rules.tumble !== 'never' && (h.rules.tumble === 'when-allowed' || isTowel(p.garment));

interface DryerLoad {
  dryer: Dryer;
  pieces: Profile[];
  plan: DryPlan;
  /** What might be tumbled but finds no room, and how much all of it weighs. */
  left: Profile[];
  massKg: number;
}
/** The dryer that holds most of the load; heaviest pieces first, for they take longest on a rack. */
function dryerLoad(load: WetLoad, h: Household): DryerLoad | null {
  const moisture = new Map(load.pieces.map((p) => [p, moistureAtEnd(p, load)] as const));
  const may = load.pieces
    .filter((p) => mayTumble(p, h) && (moisture.get(p) ?? 1) <= wettestForDryer)
    .sort((a, b) => b.massKg - a.massKg);
  const massKg = sum(may.map((p) => p.massKg));
  const dryer = [...h.dryers]
    .sort((a, b) => a.maxLoadKg - b.maxLoadKg)
    .find((d, i, all) => massKg <= d.maxLoadKg || i === all.length - 1);
  if (!dryer || may.length === 0) return null;
  let room = dryer.maxLoadKg + 1e-9;
  const pieces = may.filter((p) => {
    if (p.massKg > room) return false;
    room -= p.massKg;
    return true;
  });
  if (pieces.length === 0) return null;
  const tumble = pieces.reduce(
    (t, p) => stricter(tumbleOrder, t, p.values.tumble),
    'normal' as Profile['values']['tumble'],
  );
  const kg = sum(pieces.map((p) => p.massKg));
  const x0 = sum(pieces.map((p) => p.massKg * (moisture.get(p) ?? 0))) / kg;
  const run = tumbleRun(dryer.type, Math.max(1, kg), x0, dryer.maxLoadKg, tumble === 'low');
  const plan: DryPlan = {
    method: tumble === 'low' ? 'tumble-low' : 'tumble-normal',
    place: dryer.id,
    bars: 0,
    hours: run.minutes / 60,
    shade: false,
    awayFromHeat: false,
    flips: 0,
  };
  return { dryer, pieces, plan, left: may.filter((p) => !pieces.includes(p)), massKg };
}

/** Positions a piece may dry in: as its kind usually does, then whatever else it bears. */
function positionsFor(p: Profile): DryPosition[] {
  const usual = kindFacts(p.garment.kind).layout;
  const wanted: DryPosition =
    usual === 'hanger' ? 'hanger' : usual === 'line' ? 'line' : usual.startsWith('flat') ? 'flat' : 'bars';
  const may = [...p.values.dryPositions];
  const first = may.includes(wanted) ? wanted : (may[0] ?? 'flat');
  return [first, ...may.filter((d) => d !== first)];
}
const layoutFor = (position: DryPosition, bars: number): Layout =>
  position === 'bars'
    ? (`bar${Math.min(3, Math.max(1, bars))}` as Layout)
    : position === 'hanger'
      ? 'hanger'
      : position === 'line'
        ? 'line'
        : 'flat_towel';

interface House {
  household: Household;
  now: string;
}
function hoursAt(
  p: Profile,
  x0: number,
  position: DryPosition,
  barsEach: number,
  place: DryingPlace | null,
  house: House,
): number {
  const { room } = house.household;
  const gapMm = position === 'bars' ? airGapMm.bars : airGapMm.else;
  const air = place?.outdoors
    ? { ...outdoorAir(house.now), airSpeedMPerS: shelteredWindMPerS, gapMm }
    : { temperatureC: room.temperatureC, humidity: room.relativeHumidity, airSpeedMPerS: room.airSpeedMPerS, gapMm };
  const time = dryingTimeHours(p.garment.kind, p.fibre, x0, layoutFor(position, barsEach), air);
  return time.ok ? time.value : 0;
}

/** Hangs one entry up: the place that suits it, the next one when that is full, another position it bears; no place when all are full. */
function hang(p: Profile, x0: number, spaces: readonly Space[], house: House): DryPlan {
  const { rules } = house.household;
  const { shade: asked, awayFromHeat } = p.values;
  const deep = ['dark', 'black'].includes(p.history.colour.class);
  const shade = asked || p.isSilk || (p.isWool && p.coloured) || deep;
  const fuel = p.contamination === 'fuel';
  const white = p.history.colour.class === 'white';
  const tee = rules.tshirtDrying === 'bars' && kindFacts(p.garment.kind).wearGroup === 'tshirt';
  const barsEach = Math.max(barsFor((p.massKg * 1000) / p.pieces), tee ? 2 : 1);
  const need: RoomNeed = { kind: p.garment.kind, items: p.garment.count, barsEach };
  const positions = positionsFor(p);
  const planOf = (position: DryPosition, place: DryingPlace | null, bars: number): DryPlan => {
    const hours = hoursAt(p, x0, position, barsEach, place, house);
    return {
      method: position,
      place: place?.id ?? null,
      bars: position === 'bars' ? bars : 0,
      hours,
      shade,
      awayFromHeat,
      flips: position === 'flat' ? Math.floor(hours / 12) : 0,
    };
  };
  for (const position of positions) {
    const open = spaces.filter((s) => s.offers(position) && !(shade && s.place.sun) && !(fuel && !s.place.outdoors));
    const inside = Math.min(
      ...open.flatMap((s) => (s.place.outdoors ? [] : [hoursAt(p, x0, position, barsEach, s.place, house)])),
    );
    const rank = (s: Space): number => {
      if (!s.place.outdoors) return 1;
      const sunny = white && hoursAt(p, x0, position, barsEach, s.place, house) <= worthTheSun * inside;
      return fuel || sunny ? 0 : 2;
    };
    for (const space of [...open].sort((x, y) => rank(x) - rank(y))) {
      const bars = space.take(position, need);
      if (bars !== null) return planOf(position, space.place, bars);
    }
  }
  return planOf(positions[0] ?? 'flat', null, barsEach * need.items);
}

/** `loads` in running order; `now` says the month, for the air outdoors. */
export function dryingPlan(household: Household, now: string, loads: readonly WetLoad[]): DryingPlan {
  const spaces = household.dryingPlaces.map((d) => new Space(d));
  const plans = new Map<string, DryPlan>();
  const warnings: PlanWarning[] = [];
  const without: Profile[] = [];
  for (const load of loads) {
    const tumbled = dryerLoad(load, household);
    for (const p of tumbled?.pieces ?? []) plans.set(p.garment.id, (tumbled as DryerLoad).plan);
    if (tumbled && tumbled.left.length > 0)
      warnings.push({
        code: 'overfilled',
        severity: 'info',
        garments: tumbled.left.map((p) => p.garment.id),
        message: say('warn.dryer-full', {
          massKg: roundTo(tumbled.massKg, 1),
          capacityKg: tumbled.dryer.maxLoadKg,
          names: tumbled.left.map((p) => p.garment.name),
        }),
      });
    const refused = tumbled ? load.pieces.filter((p) => p.values.tumble === 'none') : [];
    if (refused.length > 0)
      warnings.push({
        code: 'no-tumble',
        severity: 'caution',
        garments: refused.map((p) => p.garment.id),
        message: say('warn.no-tumble', { names: refused.map((p) => p.garment.name) }),
      });
    for (const p of load.pieces) {
      if (plans.has(p.garment.id)) continue;
      const plan = hang(p, moistureAtEnd(p, load), spaces, { household, now });
      plans.set(p.garment.id, plan);
      if (plan.place === null && p.contamination !== 'fuel' && spaces.length > 0) without.push(p);
    }
  }
  if (without.length > 0)
    warnings.push({
      code: 'rack-full',
      severity: 'info',
      garments: without.map((p) => p.garment.id),
      message: say('warn.rack-full', { names: without.map((p) => p.garment.name) }),
    });
  return { plans, warnings };
}
