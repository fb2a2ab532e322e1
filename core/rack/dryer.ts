/** A dryer load on the day: what goes in together, what stays out and why, how long, what it costs. */
import { tumbleRun } from '../drying/drying.ts';
import type { Dryer, Household } from '../model/household.ts';
import { dryerAllowed } from '../model/rule-effects.ts';
import { stricter, tumbleOrder } from '../model/orders.ts';
import { isTowel, type Profile } from '../piece/profile.ts';
import { sum } from '../units/numbers.ts';

/** Wetter than this nothing goes into a dryer, kg/kg. */
export const wettestForDryer = 0.9;
export const stayOuts = ['fuel', 'mark', 'label-or-cloth', 'house-rule', 'too-wet', 'no-room'] as const;
export type StayOut = (typeof stayOuts)[number];

/** Why a piece stays out of any dryer; null = it may go in. `markOpen` = a mark is not proven gone. */
export function whyStaysOut(
  p: Profile,
  moisture: number,
  markOpen: boolean,
  rules: Household['rules'],
): StayOut | null {
  if (p.contamination === 'fuel') return 'fuel';
  if (markOpen) return 'mark';
  if (!dryerAllowed(rules, isTowel(p.garment))) return 'house-rule';
  if (p.values.tumble === 'none') return 'label-or-cloth';
  return moisture > wettestForDryer ? 'too-wet' : null;
}

export interface DryerPiece {
  id: string;
  profile: Profile;
  moisture: number;
  markOpen: boolean;
}
export interface DryerRun {
  dryer: Dryer;
  pieces: string[];
  out: { id: string; why: StayOut }[];
  massKg: number;
  low: boolean;
  minutes: number;
  energyKwh: number;
  cost: number;
  /** Share of its capacity. */
  fill: number;
}

/** Fills one dryer, heaviest pieces first, for they take longest on a rack; the lowest heat any of them bears. null = nothing may go in. */
export function dryerRun(list: readonly DryerPiece[], dryer: Dryer, h: Household): DryerRun | null {
  const out: DryerRun['out'] = [];
  let room = dryer.maxLoadKg + 1e-9;
  const inside: DryerPiece[] = [];
  for (const x of [...list].sort((a, b) => b.profile.massKg - a.profile.massKg)) {
    const why = whyStaysOut(x.profile, x.moisture, x.markOpen, h.rules) ?? (x.profile.massKg > room ? 'no-room' : null);
    if (why) {
      out.push({ id: x.id, why });
      continue;
    }
    room -= x.profile.massKg;
    inside.push(x);
  }
  if (inside.length === 0) return null;
  const massKg = sum(inside.map((x) => x.profile.massKg));
  const x0 = sum(inside.map((x) => x.profile.massKg * x.moisture)) / massKg;
  const tumble = inside.reduce<Profile['values']['tumble']>(
    (t, x) => stricter(tumbleOrder, t, x.profile.values.tumble),
    'normal',
  );
  const low = tumble === 'low';
  const run = tumbleRun(dryer.type, massKg, x0, dryer.maxLoadKg, low);
  return {
    dryer,
    pieces: inside.map((x) => x.id),
    out,
    massKg,
    low,
    minutes: Math.ceil(run.minutes),
    energyKwh: run.energyKwh,
    cost: run.energyKwh * h.tariff.electricityPerKwh,
    fill: massKg / dryer.maxLoadKg,
  };
}
/** A drum this full takes longer and creases more, share of its capacity. */
const fullFrom = 0.9;
export const isFull = (run: Pick<DryerRun, 'fill'>): boolean => run.fill > fullFrom;
/** Dry for the cupboard, kg/kg. */
const cupboardMoisture = 0.08;
/** Moisture after a share of the run's time. */
export const afterDryer = (moisture: number, share: number): number =>
  moisture - Math.min(1, Math.max(0, share)) * (moisture - cupboardMoisture);
/** Temperature of cloth as it comes out, °C: low and normal heat (estimate). */
export const clothOutC = { low: 45, normal: 60 } as const;
