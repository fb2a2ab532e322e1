/**
 * What a play may come to, effect by effect, with odds: washing by the arithmetic of “what if”, marks by their procedures, drying by the course of the
 * rack. Nothing is drawn here.
 */
import { setOdds, noticeableShrink, whatIf, type PieceEffect } from '../board/what-if.ts';
import { bleedLimits } from '../colour/bleed.ts';
import { usePrice } from '../cost/judgement.ts';
import { Space } from '../drying/spaces.ts';
import { outdoorAir, shelteredWindMPerS } from '../drying/weather.ts';
import { bindingBounds, type EnvelopeParameter } from '../envelope/envelope.ts';
import { say, type Message, type MessageCode } from '../message/message.ts';
import type { Household } from '../model/household.ts';
import type { Tumble } from '../model/orders.ts';
import { moistureAtEnd, prepareSteps } from '../piece/care-steps.ts';
import { decide, gathers } from '../piece/outcomes.ts';
import { workplaceOf } from '../piece/pretreat.ts';
import type { Profile } from '../piece/profile.ts';
import { basketOf, type Basket } from '../price/basket.ts';
import type { PlanRequest } from '../plan/plan.ts';
import { forecastDrying, maysmellFrom, type HangingPiece } from '../rack/forecast.ts';
import { hangAt, needOf, whyNotAt, type Placement } from '../rack/hang.ts';
import { markCapC } from '../stain/mark-cap.ts';
import { estimateSpread, oddsAbove } from '../units/odds.ts';
import { runWaterL, waterRowOf } from '../washing/energy.ts';
import { effects, type EffectKind, type Skill } from './effects.ts';
import { markOutlook, type MarkOutlook } from './marks.ts';
import { markKey, untreated, type Play, type PlayLoad } from './play.ts';
import { safetyFaults, type SafetyFault } from './safety.ts';
import { pushedOf } from './ways.ts';

/** One thing that may happen to one piece. */
export interface Effect {
  piece: string;
  kind: EffectKind;
  skill: Skill;
  odds: number;
  /** What it costs when it happens, EUR. */
  lossEur: number;
  /** The size of it as predicted, and from where it counts; null = it happens or not. Its true size is log-normal around the prediction. */
  size: { predicted: number; limit: number; spread: number } | null;
  /** Draws of the same thing are one draw: all that one piece's dye does, say. */
  draw: string;
  /** Which mark, or the piece it comes from. */
  mark: string | null;
  from: string | null;
  /** The colour a tint goes towards. */
  dyeHex: string | null;
  because: Message | null;
}
export interface LoadOutlook {
  id: string;
  minutes: number;
  kwh: number;
  litres: number;
  fill: number;
  /** Until the last of it is dry, from the end of the bath, h. */
  dryHours: number;
}
export interface Outlook {
  effects: Effect[];
  loads: LoadOutlook[];
  dryerKwh: number;
  safety: SafetyFault[];
  marks: ReadonlyMap<string, MarkOutlook>;
  /** Minutes of one's hands. */
  handsMin: number;
}

/** How likely passing a limit harms a piece in ways that shrinkage, felting and dye do not tell (estimates). */
const breach: Partial<Record<MessageCode, { odds: number; parameter: EnvelopeParameter }>> = {
  'push.not-in-water': { odds: 0.7, parameter: 'wet' },
  'push.celsius': { odds: 0.15, parameter: 'maxTemperatureC' },
  'push.action': { odds: 0.25, parameter: 'maxAction' },
  'push.spin': { odds: 0.15, parameter: 'maxSpinRpm' },
  'push.tumble': { odds: 0.3, parameter: 'tumble' },
  'push.detergent': { odds: 0.2, parameter: 'detergents' },
};
/** Odds of a pull without its net, of a pull at what is delicate beside open zips and hooks, of a tissue in a pocket, of fading right side out. */
const unreadyOdds = { net: 0.2, closed: 0.25, pockets: 0.15, insideOut: 0.3 } as const;
const stretchOdds = 0.6;
const sunOdds = 0.4;
/** What a wash leaves is seen when it is a step of soil: the needs of two steps lie so far apart. */
const soilSeen = 0.2;
/** Company of two uses that costs this much, EUR, is a mistake. */
const badCompanyEur = 2;
/** Minutes of hands: a machine load, a hand bath, a treatment per agent, a test, hanging a piece. */
const hands = { machine: 10, hand: 30, agent: 5, test: 5, hang: 1 } as const;

/** Spread of what a tried colour still does. */
const triedSpread = 0.1;
/** The draw of a piece's loose dye: all it tints, and its test, share it. */
export const dyeDraw = (piece: string): string => `${piece}/dye`;

export interface Scene {
  request: PlanRequest;
  /** How much more dye a piece gives than the book says, where a test has told. */
  looseness: ReadonlyMap<string, number>;
  basket: Basket;
  indexOf: ReadonlyMap<string, number>;
}
export const sceneOf = (request: PlanRequest, looseness: Scene['looseness'] = new Map()): Scene => ({
  request,
  looseness,
  basket: basketOf(request.garments, request.household),
  indexOf: new Map(request.garments.map((g, i) => [g.id, i] as const)),
});
export const profileIn = ({ basket, indexOf }: Scene, id: string): Profile | null =>
  basket.profiles[indexOf.get(id) ?? -1] ?? null;

type Rest = Partial<Omit<Effect, 'piece' | 'kind' | 'odds'>>;
function effect(p: Profile, kind: EffectKind, odds: number, rest: Rest = {}): Effect {
  const f = effects[kind];
  return {
    piece: p.garment.id,
    kind,
    skill: f.skill,
    odds,
    lossEur: f.lossShare * p.garment.valueEur * p.garment.count + f.againEur,
    size: null,
    draw: `${p.garment.id}/${kind}`,
    mark: null,
    from: null,
    dyeHex: null,
    because: null,
    ...rest,
  };
}

/** Which limits a way passes, as one harm: the likeliest first. */
function harmOf(p: Profile, passes: readonly Message[]): Effect[] {
  let spared = 1;
  let worst: { odds: number; because: Message; parameter: EnvelopeParameter } | null = null;
  for (const because of passes) {
    const b = breach[because.code];
    if (!b) continue;
    spared *= 1 - b.odds;
    if (b.odds > (worst?.odds ?? 0)) worst = { ...b, because };
  }
  if (!worst) return [];
  const source = bindingBounds(p.envelope, worst.parameter)[0]?.source ?? 'label';
  return [effect(p, 'harmed', 1 - spared, { because: worst.because, skill: source === 'label' ? 'labels' : 'fibres' })];
}

function washEffects(scene: Scene, e: PieceEffect): Effect[] {
  const p = scene.basket.profiles[e.piece];
  if (!p) return [];
  const out = harmOf(p, e.passes);
  const because = e.passes[0] ?? null;
  if (e.feltingPercent >= noticeableShrink / 2)
    out.push(
      effect(p, 'felted', oddsAbove(e.feltingPercent, noticeableShrink), {
        size: { predicted: e.feltingPercent, limit: noticeableShrink, spread: estimateSpread },
        because,
      }),
    );
  // Raw denim is cut to shrink.
  if (e.shrinkPercent > 0 && !p.rawIndigo)
    out.push(
      effect(p, 'shrunk', e.shrinkOdds, {
        size: { predicted: e.shrinkPercent, limit: noticeableShrink, spread: estimateSpread },
        because,
      }),
    );
  if (e.tint && e.tint.deltaE > 0) {
    const white = p.history.colour.class === 'white';
    const from = scene.basket.profiles[e.tint.from]?.garment.id ?? '';
    // A colour that was tried on a white cloth is known, nearly.
    const known = scene.looseness.get(from);
    const size = {
      predicted: e.tint.deltaE * (known ?? 1),
      limit: white ? bleedLimits.white : bleedLimits.coloured,
      spread: known === undefined ? estimateSpread : triedSpread,
    };
    out.push(
      effect(p, 'tinted', oddsAbove(size.predicted, size.limit, size.spread), {
        size,
        draw: dyeDraw(from) + (known === undefined ? '' : '/tried'),
        from,
        dyeHex: e.tint.dyeHex,
      }),
    );
  }
  const clean = { predicted: e.need, limit: e.cleaning + soilSeen, spread: estimateSpread };
  out.push(effect(p, 'not-clean', oddsAbove(clean.predicted, clean.limit), { size: clean }));
  if (e.creaseOdds > 0) out.push(effect(p, 'creased', e.creaseOdds));
  return out;
}

/** What was not made ready before the load. */
function readyEffects(scene: Scene, load: PlayLoad, play: Play): Effect[] {
  const byHand = load.way.by === 'hand';
  const pieces = load.pieces.flatMap((id) => profileIn(scene, id) ?? []);
  const out: Effect[] = [];
  const steps = new Map(pieces.map((p) => [p, new Set<string>(prepareSteps(p, byHand))] as const));
  const wants = (p: Profile, ...some: string[]): boolean => some.some((s) => steps.get(p)?.has(s));
  const open = pieces.filter((p) => wants(p, 'zip-closed', 'hooks-closed'));
  for (const p of pieces) {
    const { id } = p.garment;
    if (wants(p, 'net', 'net-no-metal') && !play.nets.includes(id))
      out.push(effect(p, 'snagged', unreadyOdds.net, { because: say('practice.no-net') }));
    else if (!byHand && !load.closed && p.bulkSuffers && open.some((o) => o !== p))
      out.push(
        effect(p, 'snagged', unreadyOdds.closed, {
          because: say('practice.open-zip', { other: open.find((o) => o !== p)?.garment.name ?? '' }),
        }),
      );
    if (wants(p, 'inside-out') && p.coloured && !play.insideOut.includes(id))
      out.push(effect(p, 'faded', unreadyOdds.insideOut));
  }
  const pocketed = pieces.find((p) => wants(p, 'empty-pockets'));
  if (pocketed && !load.pockets) out.push(effect(pocketed, 'tissue', unreadyOdds.pockets));
  return out;
}

/** Marks of a piece: gone, still there, or set by heat. `tumble` = it goes into the dryer next. */
function markEffects(
  household: Household,
  p: Profile,
  play: Play,
  washedC: number | null,
  tumbled: boolean,
  outlooks: Map<string, MarkOutlook>,
): Effect[] {
  const out: Effect[] = [];
  const workplace = workplaceOf(household);
  for (const stain of p.garment.stains) {
    const key = markKey(p.garment.id, stain.id);
    const care = play.marks[key] ?? untreated;
    const seen = markOutlook(p.garment, stain, care, workplace, washedC !== null);
    outlooks.set(key, seen);
    const treated = seen.done >= 1;
    const hotWater = seen.heated || (washedC !== null && washedC > markCapC(stain, p.garment, treated));
    const set = setOdds(hotWater, tumbled);
    const mark = stain.id;
    const because = say('practice.mark', { stain: stain.kind });
    // Water too hot before the treatment sets part of it for good, whatever comes after.
    const gone = seen.goneOdds * (seen.heated ? 1 - setOdds(true, false) : 1);
    out.push(
      effect(p, 'mark-set', (1 - gone) * set, { mark, draw: `${key}/gone`, because }),
      effect(p, 'mark-stays', (1 - gone) * (1 - set), { mark, draw: `${key}/gone`, because }),
    );
    if (seen.harm) out.push(effect(p, 'mark-harmed', seen.harm.odds, { mark, draw: `${key}/harm`, because }));
  }
  return out;
}

/** Kitchen linen beside underwear, and the like. */
function companyEffects(scene: Scene, indices: readonly number[]): Effect[] {
  const pieces = indices.flatMap((i) => scene.basket.profiles[i] ?? []);
  return pieces.flatMap((p) => {
    const other = pieces.find((q) => usePrice(p.garment.use, q.garment.use) >= badCompanyEur);
    return other
      ? [
          effect(p, 'mixed', 1, {
            from: other.garment.id,
            because: say('practice.mixed', { use: p.garment.use, otherUse: other.garment.use }),
          }),
        ]
      : [];
  });
}

interface Hung {
  piece: Profile;
  load: number;
  moisture: number;
}

/** The rack and the dryer: what hangs where, how long it takes, what has no room. */
function dryingOf(scene: Scene, play: Play, wet: readonly Hung[]): { effects: Effect[]; hours: Map<string, number> } {
  const { household, now } = scene.request;
  const out: Effect[] = [];
  const hours = new Map<string, number>();
  const spaces = household.dryingPlaces.map((d) => new Space(d));
  const air = { ...outdoorAir(now), airSpeedMPerS: shelteredWindMPerS, wet: false };
  const house = { household, outdoors: air };
  const hanging: HangingPiece[] = [];
  for (const { piece: p, moisture } of wet) {
    const { id } = p.garment;
    const way = play.drying[id];
    if (way?.to === 'dryer') continue;
    let placement: Placement = { place: null, position: 'bars', spots: [] };
    const space = spaces.find((s) => s.place.id === way?.place);
    if (way && space) {
      const refused = whyNotAt(p, space.place, way.position);
      if (refused === 'position') {
        out.push(effect(p, 'stretched', stretchOdds));
        const spots = space.take(way.position, needOf(p, moisture, household.rules));
        if (spots) placement = { place: space.place.id, position: way.position, spots };
      } else {
        if (refused === 'shade') out.push(effect(p, 'bleached', sunOdds));
        const spots =
          refused === 'shade' || refused === 'fuel-indoors'
            ? space.take(way.position, needOf(p, moisture, household.rules))
            : null;
        const at = spots
          ? { place: space.place.id, position: way.position, spots }
          : hangAt(p, moisture, space, way.position, house);
        if (typeof at !== 'string') placement = at;
      }
    }
    hanging.push({
      id,
      profile: p,
      moisture,
      atMs: 0,
      hungMs: placement.place === null ? null : 0,
      musty: 0,
      placement,
    });
  }
  const course = forecastDrying(hanging, {
    household,
    nowMs: 0,
    roomNow: null,
    air: 'as-it-is',
    outdoorAt: () => air,
    slowness: household.learnt.slowness,
  });
  course.pieces.forEach((f, i) => {
    const h = hanging[i];
    if (!h) return;
    hours.set(f.id, f.hours?.likely ?? longestH);
    const odds = f.hours === null ? 1 : oddsAbove(f.musty, maysmellFrom);
    if (odds > 0)
      out.push(
        effect(h.profile, 'musty', odds, {
          size: f.hours === null ? null : { predicted: f.musty, limit: maysmellFrom, spread: estimateSpread },
          because: h.placement.place === null ? say('practice.heap') : null,
        }),
      );
  });
  return { effects: out, hours };
}
/** What never gets dry counts as so many hours. */
const longestH = 96;

/** What was decided instead of washing, against what the piece needs. */
function asideEffects(scene: Scene, play: Play, washed: ReadonlySet<string>): Effect[] {
  const { household, now } = scene.request;
  return scene.basket.profiles.flatMap((p): Effect[] => {
    const { fixed, mayWait, reason } = decide(p, household, now);
    const { id } = p.garment;
    const because = reason.message;
    if (washed.has(id))
      return fixed === 'no-wash' || fixed === 'air' || fixed === 'brush' || fixed === 'steam'
        ? [effect(p, 'needless', 1, { because })]
        : [];
    if (fixed !== null) {
      const done = play.aside[id] ?? 'wait';
      const due = fixed === 'professional' || fixed === 'spot-clean';
      return due && done !== fixed ? [effect(p, 'left-dirty', 1, { because })] : [];
    }
    // Air or a brush washes nothing; only what gathers for a full load waits.
    const waits = (play.aside[id] ?? 'wait') === 'wait';
    return waits && mayWait && gathers(p)
      ? []
      : play.aside[id] === 'professional'
        ? []
        : [effect(p, 'left-dirty', 1, { because })];
  });
}

/** Everything that may come of a play. */
export function foretell(scene: Scene, play: Play): Outlook {
  const { household } = scene.request;
  const out: Effect[] = [];
  const loads: LoadOutlook[] = [];
  const marks = new Map<string, MarkOutlook>();
  const wet: Hung[] = [];
  const dryerOf = new Map<string, { massKg: number; capacityKg: number }>();
  let dryerKwh = 0;
  let handsMin = play.tests.length * hands.test;
  const washed = new Set(play.loads.flatMap((l) => l.pieces));
  play.loads.forEach((load, index) => {
    const indices = load.pieces.flatMap((id) => scene.indexOf.get(id) ?? []).sort((x, y) => x - y);
    const heatOf = (i: number): Tumble => {
      const dry = play.drying[scene.basket.profiles[i]?.garment.id ?? ''];
      return dry?.to === 'dryer' ? dry.heat : 'none';
    };
    const dryer = [...load.pieces].flatMap((id) => {
      const d = play.drying[id];
      return d?.to === 'dryer' ? [d.dryer] : [];
    })[0];
    const heats = [...new Set(indices.map(heatOf))];
    let first: LoadOutlook | null = null;
    for (const heat of heats) {
      const pushed = pushedOf(household, load.way, heat, heat === 'none' ? null : (dryer ?? null));
      if (!pushed) continue;
      const w = whatIf(scene.basket, indices, pushed, household);
      const tumbled = indices.filter((i) => heatOf(i) === heat);
      for (const e of w.pieces) if (tumbled.includes(e.piece)) out.push(...washEffects(scene, e));
      const massKg = indices.reduce((m, i) => m + (scene.basket.profiles[i]?.massKg ?? 0), 0);
      const share = tumbled.reduce((m, i) => m + (scene.basket.profiles[i]?.massKg ?? 0), 0) / Math.max(0.01, massKg);
      if (heat !== 'none' && pushed.dryer) {
        dryerKwh += w.tumbleKwh * share;
        const key = `${load.id}/${pushed.dryer.id}`;
        const held = dryerOf.get(key) ?? { massKg: 0, capacityKg: pushed.dryer.maxLoadKg };
        dryerOf.set(key, { ...held, massKg: held.massKg + massKg * share });
      }
      const fill = massKg / pushed.programme.maxLoadKg;
      first ??= {
        id: load.id,
        minutes: pushed.programme.durationMin,
        kwh: w.energyKwh,
        litres: runWaterL({
          row: waterRowOf(pushed.programme.family),
          fullKwh: null,
          fullWaterL: pushed.programme.waterL,
          temperatureC: pushed.temperatureC,
          spinRpm: pushed.spinRpm,
          massKg,
          fill: Math.min(1, fill),
          coldC: household.water.coldC,
          extraRinse: false,
        }),
        fill,
        dryHours: 0,
      };
      first.dryHours = Math.max(first.dryHours, w.tumbleMin / 60);
    }
    if (!first) return;
    loads.push(first);
    handsMin += load.way.by === 'hand' ? hands.hand : hands.machine;
    const bath =
      load.way.by === 'hand'
        ? { method: 'hand' as const, spinRpm: 0, drumRadiusM: 0 }
        : {
            method: 'machine' as const,
            spinRpm: load.way.spinRpm,
            drumRadiusM: pushedOf(household, load.way, 'none', null)?.washer.drumRadiusM ?? 0,
          };
    for (const i of indices) {
      const p = scene.basket.profiles[i];
      if (!p) continue;
      if (heatOf(i) === 'none') {
        wet.push({ piece: p, load: index, moisture: moistureAtEnd(p, bath) });
        handsMin += hands.hang;
      }
      out.push(...markEffects(household, p, play, load.way.temperatureC, heatOf(i) !== 'none', marks));
      if (first.fill > 1) out.push(effect(p, 'crowded', oddsAbove(first.fill, 1)));
    }
    out.push(...companyEffects(scene, indices));
    out.push(...readyEffects(scene, load, play));
  });
  for (const [key, { massKg, capacityKg }] of dryerOf) {
    const load = play.loads.find((l) => key.startsWith(`${l.id}/`));
    const p = load && profileIn(scene, load.pieces[0] ?? '');
    if (p && massKg > capacityKg)
      out.push(effect(p, 'crowded', oddsAbove(massKg, capacityKg), { draw: `${p.garment.id}/dryer`, skill: 'drying' }));
  }
  for (const p of scene.basket.profiles)
    if (!washed.has(p.garment.id)) {
      out.push(
        ...markEffects(household, p, play, null, false, marks).filter(
          (e) => e.kind !== 'mark-stays' || play.aside[p.garment.id] === 'spot-clean',
        ),
      );
    }
  for (const key of Object.keys(play.marks)) handsMin += (play.marks[key]?.agents.length ?? 0) * hands.agent;
  const drying = dryingOf(scene, play, wet);
  for (const { piece, load } of wet) {
    const l = loads.find((x) => x.id === play.loads[load]?.id);
    if (l) l.dryHours = Math.max(l.dryHours, drying.hours.get(piece.garment.id) ?? 0);
  }
  out.push(...drying.effects, ...asideEffects(scene, play, washed));
  return {
    effects: out.filter((e) => e.odds > 1e-6),
    loads,
    dryerKwh,
    safety: safetyFaults(scene, play),
    marks,
    handsMin,
  };
}
