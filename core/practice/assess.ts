/** A play beside the best plan and beside a usual beginner: what it costs, what may come of it, what it says about each skill. */
import { say, type Message } from '../message/message.ts';
import type { Plan } from '../model/plan.ts';
import { decide } from '../piece/outcomes.ts';
import { loadConstants } from '../cost/weights.ts';
import { outcomeCost, planBasket, type PlanRequest } from '../plan/plan.ts';
import { pricesBySetting } from '../price/price.ts';
import { clamp, sum } from '../units/numbers.ts';
import { bestPlay } from './best-play.ts';
import { effects, skills, type EffectKind, type Skill } from './effects.ts';
import { foretell, sceneOf, type Effect, type LoadOutlook, type Outlook, type Scene } from './foretell.ts';
import { happen, type Fate } from './happen.ts';
import { luckOf } from './luck.ts';
import type { Play, PlayLoad } from './play.ts';
import type { SafetyFault } from './safety.ts';
import { knownAfter } from './tests.ts';
import { usualBeginner } from './usual-beginner.ts';

/** What a play comes to, as it is to be expected. */
export interface Account {
  loads: number;
  /** Worth of what is harmed for good. */
  damageEur: number;
  /** Pieces and marks that are not clean. */
  unclean: number;
  /** Energy, water and what is bought for it. */
  moneyEur: number;
  kwh: number;
  litres: number;
  handsMin: number;
  /** Until the last piece is dry, and in the best order of the same loads. */
  hours: number;
  bestOrderHours: number;
  /** The price by which plans are compared, EUR, with what is expected to go wrong. */
  priceEur: number;
}
export interface Side {
  play: Play;
  outlook: Outlook;
  account: Account;
  fates: Fate[];
  score: number;
}
/** Where the play is likelier to do harm than the best plan. */
export interface Difference {
  fate: Fate;
  bestOdds: number;
  /** Why the two were to be kept apart, where that is it. */
  reason: Message | null;
}
export const measures = ['damage', 'cleanliness', 'cost', 'time', 'order'] as const;
export type Measure = (typeof measures)[number];
export interface Assessment {
  plan: Plan;
  scene: Scene;
  you: Side;
  best: Side;
  beginner: Side;
  differences: Difference[];
  remarks: Message[];
  /** 100 = as the best plan, 0 = as the usual beginner or worse. */
  measures: Record<Measure, number>;
  /** null = this basket had nothing to get wrong there. */
  skills: Record<Skill, number | null>;
  ended: SafetyFault | null;
}

/** Scores from which a round counts as the best there is, and as nearly that; points over the usual beginner that make it a good one. */
const verdictScores = { best: 99, nearly: 80, overBeginner: 10 } as const;
export type RoundVerdict = 'ended' | 'best' | 'nearly' | 'good' | 'usual';
export function verdictOf({ ended, you, beginner }: Pick<Assessment, 'ended' | 'you' | 'beginner'>): RoundVerdict {
  if (ended) return 'ended';
  if (you.score >= verdictScores.best) return 'best';
  if (you.score >= verdictScores.nearly) return 'nearly';
  return you.score >= beginner.score + verdictScores.overBeginner ? 'good' : 'usual';
}

/** Odds nearer than this are the same. */
const faultOdds = 0.1;
const keyOf = (e: Effect): string => `${e.piece}/${e.kind}/${e.mark ?? ''}`;
const oddsOf = (effects: readonly Effect[]): ReadonlyMap<string, number> => {
  const out = new Map<string, number>();
  for (const e of effects) out.set(keyOf(e), Math.max(out.get(keyOf(e)) ?? 0, e.odds));
  return out;
};
const dirty: readonly EffectKind[] = ['not-clean', 'left-dirty', 'mark-stays', 'musty'];
const lasting = (e: Effect): boolean => effects[e.kind].lasting;

/** Machine by machine, one bath after the other; baths by hand are one queue. The longest to dry first is the best order. */
function hoursOf(loads: readonly PlayLoad[], outlooks: readonly LoadOutlook[], inBestOrder: boolean): number {
  const queues = new Map<string, LoadOutlook[]>();
  for (const load of loads) {
    const seen = outlooks.find((o) => o.id === load.id);
    const machine = load.way.by === 'machine' ? load.way.washer : '';
    if (seen) queues.set(machine, [...(queues.get(machine) ?? []), seen]);
  }
  let last = 0;
  for (const queue of queues.values()) {
    let at = 0;
    for (const o of inBestOrder ? [...queue].sort((x, y) => y.dryHours - x.dryHours) : queue) {
      at += o.minutes / 60;
      last = Math.max(last, at + o.dryHours);
    }
  }
  return last;
}

/** What the planner itself asks for these pieces at this setting; null where it does not allow it. */
export function allowedPrice({ basket: b, indexOf }: Scene, load: Pick<PlayLoad, 'pieces' | 'way'>): number | null {
  const pieces = load.pieces.flatMap((id) => indexOf.get(id) ?? []).sort((x, y) => x - y);
  const { way } = load;
  const priced = pricesBySetting(b, pieces).find(({ setting: s }) =>
    s.method === 'hand'
      ? way.by === 'hand' && s.basin.id === way.basin && s.temperatureC === way.temperatureC
      : way.by === 'machine' &&
        s.washer.id === way.washer &&
        s.programme.id === way.programme &&
        s.temperatureC === way.temperatureC,
  );
  return priced?.cost ?? null;
}
/** What one load costs by the planner's own price where it allows that setting; else the run, at its weights. */
function loadPrice(scene: Scene, load: PlayLoad, seen: LoadOutlook | undefined): number {
  const { basket: b, request } = scene;
  const allowed = allowedPrice(scene, load);
  if (allowed !== null) return allowed;
  const { way } = load;
  const { weights: w } = b;
  const { tariff } = request.household;
  const resources = (seen?.kwh ?? 0) * tariff.electricityPerKwh + ((seen?.litres ?? 0) / 1000) * tariff.waterPerM3;
  const byHand = way.by === 'hand';
  return (
    w.resources * resources +
    w.attendedMinute * (byHand ? loadConstants.handAttendedMin : loadConstants.machineAttendedMin) +
    w.elapsedMinute * (seen?.minutes ?? 0)
  );
}
/** Price of the washing and the putting off, by the planner's prices; nothing that goes wrong is in it. */
export function basePrice(scene: Scene, play: Play, outlook: Outlook): number {
  const { basket: b, request } = scene;
  const washed = new Set(play.loads.flatMap((l) => l.pieces));
  const rest = b.profiles.map((p, i) =>
    washed.has(p.garment.id) || decide(p, request.household, request.now).fixed !== null
      ? 0
      : outcomeCost(b, i, play.aside[p.garment.id] ?? 'wait'),
  );
  return (
    sum(
      play.loads.map((l) =>
        loadPrice(
          scene,
          l,
          outlook.loads.find((o) => o.id === l.id),
        ),
      ),
    ) + sum(rest)
  );
}

/** What a play costs above the best plan counts so many times. */
const excessWeight = 3;
/** 0–100, 100 = as the best plan. */
const scoreOf = (bestEur: number, priceEur: number): number =>
  priceEur <= bestEur
    ? 100
    : (100 * Math.max(1, bestEur)) / (Math.max(1, bestEur) + excessWeight * (priceEur - bestEur));

function sideOf(scene: Scene, play: Play, seed: number): { play: Play; outlook: Outlook; fates: Fate[] } {
  const outlook = foretell(scene, play);
  return { play, outlook, fates: happen(scene, outlook.effects, luckOf(seed)) };
}

/**
 * Everything about a round. Plans with what the play has found out by testing; `seed` is the luck of this round.
 * A play that breaks a rule is never priced below the best that breaks none: it starts from that plan's price and adds what is likelier to go wrong.
 */
export function assess(asked: PlanRequest, play: Play, seed: number): Assessment {
  const luck = luckOf(seed);
  const scene = knownAfter(asked, play, luck);
  const plan = planBasket(scene.request);
  const best = sideOf(scene, bestPlay(scene, plan, play), seed);
  const bestOdds = oddsOf(best.outlook.effects);
  const bestBase = plan.proof.cost;
  const { tariff } = scene.request.household;
  const finished = (side: ReturnType<typeof sideOf>): Side => {
    const { outlook } = side;
    const likelier = (e: Effect): number => Math.max(0, e.odds - (bestOdds.get(keyOf(e)) ?? 0));
    const wrong = sum(outlook.effects.map((e) => likelier(e) * e.lossEur));
    const drying = Math.max(0, outlook.dryerKwh - best.outlook.dryerKwh) * tariff.electricityPerKwh;
    const priceEur = Math.max(bestBase, basePrice(scene, side.play, outlook)) + wrong + drying;
    const kwh = sum(outlook.loads.map((l) => l.kwh)) + outlook.dryerKwh;
    const litres = sum(outlook.loads.map((l) => l.litres));
    const expected = (of: (e: Effect) => boolean, worth: (e: Effect) => number): number =>
      sum(outlook.effects.filter(of).map((e) => e.odds * worth(e)));
    return {
      ...side,
      account: {
        loads: outlook.loads.length,
        damageEur: expected(lasting, (e) => e.lossEur),
        unclean: expected(
          (e) => dirty.includes(e.kind),
          () => 1,
        ),
        moneyEur: kwh * tariff.electricityPerKwh + (litres / 1000) * tariff.waterPerM3,
        kwh,
        litres,
        handsMin: outlook.handsMin,
        hours: hoursOf(side.play.loads, outlook.loads, false),
        bestOrderHours: hoursOf(side.play.loads, outlook.loads, true),
        priceEur,
      },
      score: outlook.safety.length > 0 ? 0 : scoreOf(bestBase, priceEur),
    };
  };
  const you = finished(sideOf(scene, play, seed));
  const bestSide = finished(best);
  const beginner = finished(sideOf(scene, usualBeginner(scene), seed));
  return {
    plan,
    scene,
    you,
    best: bestSide,
    beginner,
    differences: differencesOf(you, bestOdds, plan),
    remarks: remarksOf(you.account.loads, bestSide.account.loads),
    measures: measuresOf(you.account, bestSide.account, beginner.account),
    skills: skillsOf(scene, you, beginner, bestOdds, bestSide.account.loads),
    ended: you.outlook.safety[0] ?? null,
  };
}

function differencesOf(you: Side, bestOdds: ReadonlyMap<string, number>, plan: Plan): Difference[] {
  return you.fates
    .flatMap((fate): Difference[] => {
      const { effect } = fate;
      const best = bestOdds.get(keyOf(effect)) ?? 0;
      if (effect.odds - best < faultOdds) return [];
      const apart = plan.separations.find(
        (s) => effect.from !== null && s.garments.includes(effect.piece) && s.garments.includes(effect.from),
      );
      return [{ fate, bestOdds: best, reason: apart?.message ?? effect.because }];
    })
    .sort((x, y) => y.fate.effect.odds * y.fate.effect.lossEur - x.fate.effect.odds * x.fate.effect.lossEur);
}

function remarksOf(count: number, total: number): Message[] {
  if (count > total) return [say('practice.more-runs', { count, total })];
  return count > 0 && count < total ? [say('practice.fewer-runs', { count, total })] : [];
}

function measuresOf(you: Account, best: Account, beginner: Account): Record<Measure, number> {
  const between = (of: (a: Account) => number): number => {
    const [mine, good, usual] = [of(you), of(best), of(beginner)];
    if (mine <= good + 1e-9) return 100;
    return usual <= good ? 0 : 100 * clamp((usual - mine) / (usual - good), 0, 1);
  };
  return {
    damage: between((a) => a.damageEur),
    cleanliness: between((a) => a.unclean),
    cost: between((a) => a.priceEur),
    time: between((a) => a.hours),
    order: you.hours > 0 ? 100 * (you.bestOrderHours / you.hours) : 100,
  };
}

/** Of what could have gone wrong here, by this play or by the usual beginner, the share that does not. */
function skillsOf(
  scene: Scene,
  you: Side,
  beginner: Side,
  bestOdds: ReadonlyMap<string, number>,
  bestLoads: number,
): Record<Skill, number | null> {
  const wrong = (side: Side, skill: Skill): Set<string> =>
    new Set(
      side.outlook.effects
        .filter((e) => e.skill === skill && e.odds - (bestOdds.get(keyOf(e)) ?? 0) >= faultOdds)
        .map((e) => `${e.piece}/${e.mark ?? ''}`),
    );
  const safe = (): number | null => {
    if (you.outlook.safety.length > 0) return 0;
    return scene.basket.profiles.some((p) => p.contamination === 'fuel') ? 100 : null;
  };
  const of = (skill: Skill): number | null => {
    if (skill === 'safety') return safe();
    const mine = wrong(you, skill);
    const chances = new Set([...mine, ...wrong(beginner, skill)]);
    if (skill === 'loads') {
      // A run too many is one more thing that could have gone wrong.
      const extra = Math.max(0, you.account.loads - bestLoads);
      for (let i = 0; i < extra; i++) mine.add(`run ${i}`);
      for (const run of [...mine, 'run 0']) chances.add(run);
    }
    return chances.size === 0 ? null : 100 * (1 - mine.size / chances.size);
  };
  return Object.fromEntries(skills.map((s) => [s, of(s)])) as Record<Skill, number | null>;
}

/** Harm for good that really happened. */
export const harmed = (side: Pick<Side, 'fates'>): Fate[] => side.fates.filter((f) => f.happened && lasting(f.effect));
const mostTries = 200;
/**
 * The first luck from a seed on with which the best plan goes well: what a learner loses is then no bad luck alone.
 * @returns the seed itself when none of many is better
 */
export function fairLuck(request: PlanRequest, from: number): number {
  const scene = sceneOf(request);
  const plan = planBasket(request);
  const outlook = foretell(scene, bestPlay(scene, plan, { tests: [] }));
  for (let seed = from; seed < from + mostTries; seed++)
    if (harmed({ fates: happen(scene, outlook.effects, luckOf(seed)) }).length === 0) return seed;
  return from;
}
