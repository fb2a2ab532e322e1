/**
 * Drying for a whole plan: what of each load goes into the dryer, as far as it holds it, and for the hours of that load; the rest fills the drying places,
 * bars, flat area and hangers, load by load in running order.
 */
import { tumbleRun } from '../drying/drying.ts';
import { barShares, Space, type Spot } from '../drying/spaces.ts';
import { outdoorAir, shelteredWindMPerS } from '../drying/weather.ts';
import { say } from '../message/message.ts';
import type { Dryer, Household } from '../model/household.ts';
import { dryerAllowed } from '../model/rule-effects.ts';
import { stricter, tumbleOrder } from '../model/orders.ts';
import type { DryPlan, PlanWarning } from '../model/plan.ts';
import { moistureAtEnd } from '../piece/care-steps.ts';
import { isTowel, type Profile } from '../piece/profile.ts';
import { barsEachOf, hangUp, hoursAt, wantsShade, type RackHouse } from '../rack/hang.ts';
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

const mayTumble = (p: Profile, h: Household): boolean =>
  p.values.tumble !== 'none' && dryerAllowed(h.rules, isTowel(p.garment));

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

/** Hangs one entry up beside what hangs already. How many bars are its own shows when everything hangs. */
function dryOnPlace(p: Profile, x0: number, spaces: readonly Space[], house: RackHouse): DryPlan & { spots: Spot[] } {
  const { place, position, spots } = hangUp(p, x0, spaces, house);
  const barsEach = barsEachOf(p, house.household.rules);
  const space = spaces.find((s) => s.place.id === place);
  const hours = hoursAt(p, x0, position, space?.place ?? null, house) ?? 0;
  return {
    method: position,
    place,
    bars: position === 'bars' ? barsEach * p.garment.count : 0,
    spots,
    hours,
    shade: wantsShade(p),
    awayFromHeat: p.values.awayFromHeat,
    flips: position === 'flat' ? Math.floor(hours / 12) : 0,
  };
}

/** `loads` in running order; `now` says the month, for the air outdoors. */
export function dryingPlan(household: Household, now: string, loads: readonly WetLoad[]): DryingPlan {
  const spaces = household.dryingPlaces.map((d) => new Space(d));
  const house = { household, outdoors: { ...outdoorAir(now), airSpeedMPerS: shelteredWindMPerS, wet: false } };
  const plans = new Map<string, DryPlan>();
  const warnings: PlanWarning[] = [];
  const without: Profile[] = [];
  const hung = new Map<string, { id: string; spots: Spot[] }[]>();
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
      const { spots, ...plan } = dryOnPlace(p, moistureAtEnd(p, load), spaces, house);
      plans.set(p.garment.id, plan);
      if (plan.place !== null) hung.set(plan.place, [...(hung.get(plan.place) ?? []), { id: p.garment.id, spots }]);
      if (plan.place === null) without.push(p);
    }
  }
  for (const entries of hung.values())
    for (const [id, bars] of barShares(entries)) {
      const plan = plans.get(id);
      if (plan?.method === 'bars') plans.set(id, { ...plan, bars });
    }
  const nowhere = (pieces: readonly Profile[], code: 'rack-full' | 'rack-none' | 'rack-fuel'): void => {
    if (pieces.length === 0) return;
    const names = pieces.map((p) => p.garment.name);
    warnings.push({
      code: 'rack-full',
      severity: code === 'rack-fuel' ? 'caution' : 'info',
      garments: pieces.map((p) => p.garment.id),
      message: say(`warn.${code}`, { names }),
    });
  };
  const fuel = (p: Profile): boolean => p.contamination === 'fuel';
  nowhere(
    without.filter((p) => !fuel(p)),
    spaces.length > 0 ? 'rack-full' : 'rack-none',
  );
  nowhere(without.filter(fuel), 'rack-fuel');
  return { plans, warnings };
}
