/**
 * What a setting would do to a load, pushed past its limits or not: shrink, felting, bleed, fade, creases, set stains, cleaning, energy and hours to
 * dry, each with its size and its odds. The same arithmetic as the planner, without its permission.
 */
import { bleedLimits, bleedScore, catcherHelps, stainDeltaE } from '../colour/bleed.ts';
import { tintedHex } from '../colour/colour.ts';
import { fadeDeltaE } from '../colour/grading.ts';
import { dryingTimeHours, tumbleRun } from '../drying/drying.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { Basin, Dryer, Household, Programme, Washer } from '../model/household.ts';
import { actionOrder, respects, tumbleOrder, type Tumble } from '../model/orders.ts';
import { feltingPercent, totalShrinkPercent, type DryingHeat, type WashEvent } from '../shrinkage/shrinkage.ts';
import { shrinkClassOf } from '../shrinkage/classes.ts';
import { markCapC } from '../stain/mark-cap.ts';
import { oddsAbove } from '../units/odds.ts';
import { bindingBounds, type EnvelopeParameter } from '../envelope/envelope.ts';
import { say, type Message } from '../message/message.ts';
import { moistureAfterSpin, spinG, spinWithin } from '../washing/spin.ts';
import { runKwh, statedFullLoadKwh, waterRowOf } from '../washing/energy.ts';
import { hotWaterKwh, usableVolumeL } from '../washing/basin.ts';
import { handDosePerLitre } from '../washing/dose.ts';
import { moistureAtEnd } from '../piece/care-steps.ts';
import type { Basket } from '../price/basket.ts';
import { handBath, handDuration } from '../price/hand-bath.ts';
import { fillOfSet } from '../price/settings.ts';
import { agitationOf } from '../shrinkage/agitation.ts';
import { cleaningEffect } from '../piece/demand.ts';
import { featuresOf } from '../price/features.ts';
import type { DetergentClass } from '../model/household.ts';
import type { Profile } from '../piece/profile.ts';

export interface Pushed {
  washer: Washer;
  programme: Programme;
  temperatureC: number;
  spinRpm: number;
  tumble: Tumble;
  detergent: DetergentClass;
  catcher: boolean;
  dryer: Dryer | null;
  /** By hand: the basin, whose bath, warm water and rinses are then worked out as the planner does. */
  basin?: Basin;
}

export interface PieceEffect {
  piece: number;
  /** Bounds of the piece this setting passes, in words. */
  passes: Message[];
  shrinkPercent: number;
  shrinkCm: number;
  shrinkOdds: number;
  feltingPercent: number;
  /** Worst tint it takes: from whom, how strong, the odds of a visible one, and what it would look like. */
  tint: { from: number; deltaE: number; odds: number; hex: string; dyeHex: string } | null;
  /** ΔE of one such wash, how many until it shows, and the odds that ten of them show. */
  fadeDeltaE: number;
  washesToGrade4: number | null;
  fadeOdds: number;
  creaseOdds: number;
  stainSetOdds: number;
  /** Share of the need left, and the odds that the soil asks more than the wash gives. */
  cleaningDeficit: number;
  uncleanOdds: number;
  /** What its soil asks, and what the wash gives, 0–1. */
  need: number;
  cleaning: number;
  dryingHours: number | null;
}
export interface WhatIf {
  pieces: PieceEffect[];
  /** Of the machine, or of the warm water of a bath. */
  energyKwh: number;
  /** Of a bath by hand with its rinses; null in a machine. */
  litres: number | null;
  tumbleKwh: number;
  tumbleMin: number;
  minutes: number;
  overfilled: boolean;
}

/** Shrink above this is seen and felt. */
export const noticeableShrink = 3;
/** Grade 4 of the change scale. */
const grade4Change = 1.7;
/** A piece washed this way for good: so many washes decide whether it fades to be seen. */
const washesOfHabit = 10;
/** How likely heat sets a stain that is still there (estimates). */
const setByWash = 0.6;
const setByDryer = 0.8;
/** Odds that heat sets a mark that is still there: water above its limit, the dryer. */
export const setOdds = (hotWater: boolean, dryer: boolean): number =>
  1 - (1 - (hotWater ? setByWash : 0)) * (1 - (dryer ? setByDryer : 0));

const heatOf = (t: Tumble): DryingHeat => (t === 'normal' ? 'tumble-hot' : t === 'low' ? 'tumble-low' : 'line');

/** Washes so far, as its own limits had it. */
const historyOf = (p: Profile): WashEvent[] =>
  p.garment.washCount === 0
    ? []
    : [
        {
          temperatureC: Math.min(40, p.values.maxTemperatureC),
          agitation: p.isWool ? 'wool-programme' : 'synthetics',
          drying: 'line',
          minutes: 30,
          times: Math.min(20, p.garment.washCount),
          insideOut: p.values.flags.has('inside-out'),
        },
      ];

/** Moisture of a piece when it leaves the water. */
const wetAfter = (p: Profile, s: Pushed): number =>
  s.basin
    ? moistureAtEnd(p, { method: 'hand', spinRpm: 0, drumRadiusM: 0 })
    : moistureAfterSpin(p.fibre, s.spinRpm, s.washer.drumRadiusM);

/** Which limits of a piece the setting passes, each with the reason of its bound. */
function passesOf(p: Profile, s: Pushed): Message[] {
  const v = p.values;
  const out: Message[] = [];
  const because = (parameter: EnvelopeParameter): Message =>
    bindingBounds(p.envelope, parameter)[0]?.reason ?? say('label.hand');
  if (v.wet === 'none') out.push(p.closure?.reason ?? say('push.not-in-water'));
  if (s.temperatureC > v.maxTemperatureC)
    out.push(say('push.celsius', { bearsCelsius: v.maxTemperatureC, because: because('maxTemperatureC') }));
  if (!respects(actionOrder, s.programme.action, v.maxAction))
    out.push(say('push.action', { action: v.maxAction, because: because('maxAction') }));
  const spin = s.programme.family === 'wool' ? 'woolSpinRpm' : 'maxSpinRpm';
  if (s.spinRpm > 0 && !spinWithin(s.spinRpm, s.washer.drumRadiusM, v[spin]))
    out.push(say('push.spin', { rpm: v[spin], because: because(spin) }));
  if (!respects(tumbleOrder, s.tumble, v.tumble))
    out.push(say('push.tumble', { tumble: v.tumble, because: because('tumble') }));
  if (!v.detergents.has(s.detergent)) out.push(say('push.detergent', { because: because('detergents') }));
  return out;
}

function worstTint(
  pieces: readonly number[],
  b: Basket,
  receiver: number,
  s: Pushed,
  minutes: number,
): PieceEffect['tint'] {
  const r = b.profiles[receiver];
  if (!r) return null;
  let worst: PieceEffect['tint'] = null;
  for (const giver of pieces) {
    const g = b.profiles[giver];
    if (giver === receiver || !g || g.history.dye === null) continue;
    const donorKg = pieces.reduce((m, i) => m + (b.dyeGroup[i] === b.dyeGroup[giver] ? (b.donorKg[i] ?? 0) : 0), 0);
    const score = bleedScore(
      g.history.dye,
      g.history.colour.strongest.lightness,
      g.garment.washCount,
      s.temperatureC,
      minutes,
    );
    const raw = stainDeltaE(
      score,
      g.history.dye,
      r.fibre,
      r.history.colour.ground.lightness,
      donorKg,
      bleedLimits.referenceLoadKg,
    );
    const deltaE = s.catcher && catcherHelps(g.history, g.rawIndigo, r.history) ? raw * bleedLimits.catcherFactor : raw;
    if (worst && deltaE <= worst.deltaE) continue;
    const limit = r.history.colour.class === 'white' ? bleedLimits.white : bleedLimits.coloured;
    const ground = r.garment.colours.find((c) => c.role === 'ground')?.hex ?? '#888888';
    const strongest =
      g.garment.colours.find((c) => c.role !== 'ground' && g.history.colour.strongestShare < 1)?.hex ??
      g.garment.colours[0]?.hex ??
      ground;
    worst = {
      from: giver,
      deltaE,
      odds: oddsAbove(deltaE, limit),
      hex: tintedHex(ground, strongest, deltaE),
      dyeHex: strongest,
    };
  }
  return worst;
}

interface BathRun {
  minutes: number;
  energyKwh: number;
  litres: number;
  overfilled: boolean;
}
/** Millilitres or grams a litre of bath, where the cupboard has no such detergent. */
const usualPerLitre = 3;
/** The bath of a push by hand; null in a machine. */
function bathOf(b: Basket, pieces: readonly number[], s: Pushed, household: Household): BathRun | null {
  if (!s.basin) return null;
  const setting = {
    method: 'hand' as const,
    basin: s.basin,
    temperatureC: s.temperatureC,
    usableL: usableVolumeL(s.basin),
    bleedMinutes: 0,
  };
  const f = featuresOf(b, pieces);
  const product = household.products.find((p) => p.class === s.detergent && handDosePerLitre(p) !== null);
  const perLitre = (product && handDosePerLitre(product)) ?? usualPerLitre;
  const bath = handBath(b, setting, f, perLitre, s.detergent === 'no-rinse-wool');
  const fills = 1 + bath.rinses;
  return {
    minutes: handDuration(bath),
    energyKwh: hotWaterKwh(bath.hotL * fills, household.water.hotC, household.water.coldC),
    litres: bath.litres * fills,
    overfilled: fillOfSet(setting, f) > 1,
  };
}

/** Everything a pushed setting would do to these pieces. */
export function whatIf(b: Basket, pieces: readonly number[], s: Pushed, household: Household): WhatIf {
  const f = featuresOf(b, pieces);
  const bleedMinutes = bleedLimits.washShare * s.programme.durationMin;
  const event: WashEvent = {
    temperatureC: s.temperatureC,
    agitation: agitationOf(s.programme),
    drying: heatOf(s.tumble),
    minutes: Math.min(60, bleedMinutes),
    times: 1,
    insideOut: false,
  };
  const effect = cleaningEffect(s.temperatureC, s.programme.action, s.programme.durationMin, s.detergent);
  const effects = pieces.flatMap((i): PieceEffect[] => {
    const p = b.profiles[i];
    if (!p) return [];
    const cls = shrinkClassOf(p.garment);
    const before = historyOf(p);
    const own = { ...event, insideOut: p.values.flags.has('inside-out') };
    const foretold = totalShrinkPercent(cls, 'length', [...before, own]) - totalShrinkPercent(cls, 'length', before);
    const shrink = Math.max(0, foretold * (p.garment.learntShrinkShare ?? 1));
    const felting = Math.max(0, feltingPercent(cls, [...before, own]) - feltingPercent(cls, before));
    const fadeAfter = (times: number): number =>
      p.history.dye === null
        ? 0
        : fadeDeltaE(p.history.dye, [...before, { ...own, times }]) - fadeDeltaE(p.history.dye, before);
    const fade = fadeAfter(1);
    const limit = s.programme.family === 'wool' ? p.values.woolSpinRpm : p.values.maxSpinRpm;
    const stained = p.garment.stains.length > 0;
    const overCap = p.garment.stains.some((x) => s.temperatureC > markCapC(x, p.garment, false));
    const x0 = wetAfter(p, s);
    const dry =
      s.tumble === 'none'
        ? dryingTimeHours(p.garment.kind, p.fibre, x0, kindFacts(p.garment.kind).layout, {
            temperatureC: household.room.temperatureC,
            humidity: household.room.relativeHumidity,
            airSpeedMPerS: household.room.airSpeedMPerS,
            gapMm: 60,
          })
        : null;
    return [
      {
        piece: i,
        passes: passesOf(p, s),
        shrinkPercent: shrink,
        shrinkCm: (shrink / 100) * kindFacts(p.garment.kind).usualLengthCm,
        shrinkOdds: oddsAbove(shrink, noticeableShrink),
        feltingPercent: felting,
        tint: worstTint(pieces, b, i, s, bleedMinutes),
        fadeDeltaE: fade,
        washesToGrade4: fade > 1e-6 ? Math.ceil(grade4Change / fade) : null,
        fadeOdds: oddsAbove(fadeAfter(washesOfHabit), grade4Change),
        creaseOdds:
          s.spinRpm === 0
            ? 0
            : oddsAbove(spinG(s.spinRpm, s.washer.drumRadiusM), spinG(Math.max(300, limit)) * 1.3, 0.35),
        stainSetOdds: setOdds(overCap, stained && s.tumble !== 'none'),
        cleaningDeficit: Math.max(0, p.need - effect),
        uncleanOdds: oddsAbove(p.need, effect),
        need: p.need,
        cleaning: effect,
        dryingHours: dry?.ok ? dry.value : null,
      },
    ];
  });
  const fill = f.massKg / s.programme.maxLoadKg;
  const bath = bathOf(b, pieces, s, household);
  const machineKwh = runKwh({
    row: waterRowOf(s.programme.family),
    fullKwh: statedFullLoadKwh(s.programme.energyKwhAt, s.temperatureC, household.water.coldC),
    fullWaterL: s.programme.waterL,
    temperatureC: s.temperatureC,
    spinRpm: s.spinRpm,
    massKg: f.massKg,
    fill: Math.min(1, fill),
    coldC: household.water.coldC,
    extraRinse: false,
  });
  const wet =
    pieces.reduce((m, i) => {
      const p = b.profiles[i];
      return m + (p ? p.massKg * wetAfter(p, s) : 0);
    }, 0) / Math.max(0.01, f.massKg);
  const tumble =
    s.tumble !== 'none' && s.dryer
      ? tumbleRun(s.dryer.type, f.massKg, wet, s.dryer.maxLoadKg, s.tumble === 'low')
      : null;
  return {
    pieces: effects,
    energyKwh: bath?.energyKwh ?? machineKwh,
    litres: bath?.litres ?? null,
    tumbleKwh: tumble?.energyKwh ?? 0,
    tumbleMin: tumble?.minutes ?? 0,
    minutes: (bath?.minutes ?? s.programme.durationMin) + (tumble?.minutes ?? 0),
    overfilled: bath?.overfilled ?? fill > 1,
  };
}
