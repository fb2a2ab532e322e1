/** The verdict as the shelf shows it: what to do with a piece that hangs there, how urgent, what waiting costs; and how many of a kind a rotation needs. */
import { colourFacts } from '../colour/colour.ts';
import { weightsFor } from '../cost/weights.ts';
import { isMostlyWool } from '../fibre/blend.ts';
import { kindFacts } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { rotationPieces, wearsAllowed, wearsBetween, type Dueness, type WearGroup } from '../wear/wear.ts';
import { waitUrgency } from './demand.ts';
import { lieLimit, needVerdict, wearsAllowedOf, type History, type Verdict } from './verdict.ts';

export type GatherAction = 'wash' | 'air' | 'steam' | 'brush' | 'spot-clean' | 'rest' | 'care' | 'one-more';
export interface GatherAdvice {
  action: GatherAction;
  /** 0 nothing to do, 1 some time, 2 soon, 3 today. */
  urgency: 0 | 1 | 2 | 3;
  due: Dueness;
  because: Message;
  /** EUR a day that waiting costs, with the household's weights; 0 for clean wool. */
  waitingPerDay: number;
}

/** A mark younger than this is for today, hours. */
const freshMarkH = 24;

type Step = Pick<GatherAdvice, 'action' | 'urgency' | 'because'>;
function stepOf(g: Garment, v: Verdict): Step {
  const freshMark = g.stains.some((s) => s.ageHours !== null && s.ageHours < freshMarkH);
  switch (v.need) {
    case 'wash': {
      const today = v.cause === 'hygiene' || v.cause === 'lies' || (v.cause === 'stain' && freshMark);
      const sometime = v.cause === 'wears' && lieLimit(g) === null;
      const because = v.cause === 'stain' && freshMark ? freshMarkReason(g) : v.because;
      return { action: 'wash', urgency: today ? 3 : sometime ? 1 : 2, because };
    }
    case 'spot':
      return { action: 'spot-clean', urgency: freshMark ? 3 : 2, because: v.because };
    case 'care':
      return { action: 'care', urgency: 1, because: v.because };
    case 'freshen': {
      const allowed = wearsAllowedOf(g);
      const count = { wears: g.wearsSinceWash, allowedWears: allowed ?? 0 };
      if (v.nearlyDue) return { action: 'one-more', urgency: 1, because: say('need.one-more', count) };
      if (!v.helps && allowed !== null) return { action: 'rest', urgency: 0, because: say('need.worn-clean', count) };
      return { action: v.how, urgency: 1, because: v.because };
    }
    case 'nothing':
      return { action: 'rest', urgency: 0, because: v.because };
  }
}
const freshMarkReason = (g: Garment): Message => say('need.fresh-mark', { stains: g.stains.map((s) => s.kind) });

const dueByAction: Record<GatherAction, Dueness> = {
  wash: 'due',
  'spot-clean': 'due',
  care: 'due',
  'one-more': 'soon',
  air: 'soon',
  brush: 'soon',
  steam: 'soon',
  rest: 'fresh',
};

/**
 * What to do with a piece on the shelf.
 * @example gatherAdvice(tee, { daysLying: 4, daysSinceCare: null }, household).action // 'wash'
 */
export function gatherAdvice(g: Garment, history: History, household: Household): GatherAdvice {
  const untouched = g.wearsSinceWash === 0 && g.soil === 'none';
  const perDay = weightsFor(household.rules.priority, household.rules.weights).waitingPerDay;
  const step = stepOf(g, needVerdict(g, history));
  return {
    ...step,
    due: dueByAction[step.action],
    waitingPerDay: untouched ? 0 : perDay * waitUrgency(g, colourFacts(g.colours)),
  };
}

export interface Rotation {
  owned: number;
  needed: number;
  intervalDays: number;
  wearsPerDay: number;
}
/** Kinds that people wear by turns. */
const turns: ReadonlySet<WearGroup | null> = new Set(['tshirt', 'underwear', 'socks', 'sportswear', 'shirt', 'jeans']);
export const wornByTurns = (kind: Garment['kind']): boolean => turns.has(kindFacts(kind).wearGroup);
/** A rotation is worth a word up to this many times of what is owned. */
const mostTimesOwned = 3;

/** Pieces of one group that somebody wears by turns: how many would let them wash only every `intervalDays`. `leadDays` = in wash and drying. */
export function rotationOf(
  group: { garment: Pick<Garment, 'kind' | 'parts'>; owned: number; wearsIn28Days: number },
  intervalDays: number,
  leadDays = 2,
): Rotation | null {
  const allowed = wearsAllowed(group.garment.kind, isMostlyWool(group.garment.parts));
  const wearsPerDay = group.wearsIn28Days / 28;
  if (allowed === null || wearsPerDay < 0.2) return null;
  const between = allowed <= 1 ? 1 : wearsBetween(1 / allowed, 'cotton', false);
  return {
    owned: group.owned,
    needed: rotationPieces(intervalDays, leadDays, wearsPerDay, between),
    intervalDays,
    wearsPerDay,
  };
}
/** Whether a few more pieces would spare washes: more than owned, and not out of reach. */
export const rotationIsShort = (r: Rotation): boolean => r.needed > r.owned && r.needed <= mostTimesOwned * r.owned;
