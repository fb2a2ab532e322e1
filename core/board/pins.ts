/**
 * Hand-made decisions. A pin that breaks nothing is followed; one that breaks a risk rule (bleed, company, hard parts, house rule, a label's bound,
 * a fill up to 1.2) is followed when it is confirmed; one that breaks a safety rule (contamination, chemistry, hides, a fibre's hard limit, more
 * fill) never is.
 */
import { isHide, hasSignificant } from '../fibre/blend.ts';
import type { Garment } from '../model/garment.ts';
import { say, type Message } from '../message/message.ts';
import { constraints, type RuleType, type Violation } from '../model/constraints.ts';
import type { Household } from '../model/household.ts';
import type { Outcome, PlanWarning } from '../model/plan.ts';
import { basketOf, noWaivers, type Basket, type Waivers } from '../price/basket.ts';
import type { Decision } from '../piece/outcomes.ts';
import { priceLoad } from '../price/price.ts';
import type { Togetherness } from '../solve/solve.ts';

export type Pin =
  | { kind: 'together' | 'apart'; garments: readonly string[]; confirmed: boolean }
  | {
      kind: 'outcome';
      outcomes: Readonly<Record<string, Outcome>>;
      /** Washed, and only in a basin. */ byHand?: boolean;
      confirmed: boolean;
    };

export interface PinnedBasket {
  basket: Basket;
  decisions: Decision[];
  decided: Togetherness;
  warnings: PlanWarning[];
}

const ownReason = (message: Message): Decision['reason'] => ({ code: 'set-aside', source: 'rule', message });

export function violationsOfSet(
  b: Basket,
  pieces: readonly number[],
): { violations: Violation[]; type: RuleType | null } {
  const price = priceLoad(b, pieces);
  if (price.feasible) return { violations: [], type: null };
  const safety =
    price.violations.some(
      (v) => v === 'no-suitable-product' || (v !== 'no-suitable-programme' && constraints[v].type === 'safety'),
    ) || pieces.some((i) => isHideOnly(b, i));
  return { violations: [...price.violations], type: safety ? 'safety' : 'risk' };
}
const isHideOnly = (b: Basket, i: number): boolean => {
  const g = b.profiles[i]?.garment;
  return g !== undefined && hasSignificant(g.parts, isHide);
};

/** Waivers a confirmed set needs to be washed together; null when even they do not make it possible. */
function waiversFor(
  garments: readonly Garment[],
  household: Household,
  pieces: readonly number[],
  now: Waivers,
): Waivers | null {
  const pairs = [...now.pairs, ...pieces.flatMap((i, k) => pieces.slice(k + 1).map((j): [number, number] => [i, j]))];
  const steps: Waivers[] = [
    { ...now, pairs },
    { ...now, pairs, labels: new Set([...now.labels, ...pieces]) },
    { ...now, pairs, overfill: new Set([...now.overfill, ...pieces]) },
    { ...now, pairs, labels: new Set([...now.labels, ...pieces]), overfill: new Set([...now.overfill, ...pieces]) },
  ];
  return steps.find((w) => priceLoad(basketOf(garments, household, w), pieces).feasible) ?? null;
}

const closedReason = (name: string, because: Message | undefined): Message =>
  because ? say('pin.closed', { name, because }) : say('pin.nothing-may-wash', { name });

/** Illness, fuel and wet dye do not wait unasked; a date or a wish is the owner's own. */
const harmsByWaiting = (b: Basket, i: number): boolean => {
  const p = b.profiles[i];
  return p !== undefined && (p.contamination !== 'none' || p.garment.stains.some((s) => s.kind === 'dye-bleed'));
};

/** The basket and the decisions with the pins followed as far as they may be. */
export function applyPins(
  garments: readonly Garment[],
  household: Household,
  base: Basket,
  byRule: readonly Decision[],
  pins: readonly Pin[],
): PinnedBasket {
  const indexOf = new Map(garments.map((g, i) => [g.id, i] as const));
  const decisions = [...byRule];
  const warnings: PlanWarning[] = [];
  let waivers: Waivers = noWaivers;
  const together: number[][] = [];
  const apart: [number, number][] = [];
  const refuse = (ids: readonly string[], message: Message): void => {
    warnings.push({ code: 'pin-refused', severity: 'caution', garments: ids, message });
  };
  const name = (i: number): string => garments[i]?.name ?? '';
  const names = (pieces: readonly number[]): string[] => pieces.map(name);
  const washable = (i: number): void => {
    if (decisions[i]?.fixed) decisions[i] = { fixed: null, mayWait: true, reason: ownReason(say('need.decided-wash')) };
  };

  for (const pin of pins) {
    if (pin.kind === 'outcome') {
      for (const [id, outcome] of Object.entries(pin.outcomes)) {
        const i = indexOf.get(id);
        const decision = i === undefined ? undefined : decisions[i];
        if (i === undefined || !decision) continue;
        if (outcome !== 'wash') {
          const closed = outcome === 'wait' && decision.fixed === null && harmsByWaiting(base, i);
          if (closed && !pin.confirmed) refuse([id], say('pin.should-not-wait', { name: name(i) }));
          else
            decisions[i] = {
              fixed: outcome,
              mayWait: true,
              reason: ownReason(say(outcome === 'wait' ? 'need.decided-wait' : 'need.decided')),
            };
          continue;
        }
        const hide = isHideOnly(base, i);
        const bears = (b: Basket): boolean =>
          b.settings.some((s, k) => b.allowed[i]?.[k] && (!pin.byHand || s.method === 'hand'));
        const open = bears(base);
        if (hide || (!open && !pin.confirmed)) {
          refuse(
            [id],
            hide
              ? say('pin.never-in-water', { name: name(i) })
              : closedReason(name(i), base.profiles[i]?.closure?.reason),
          );
          continue;
        }
        if (pin.byHand && !open && !bears(basketOf(garments, household, { ...noWaivers, labels: new Set([i]) }))) {
          refuse([id], say('pin.no-basin-takes-it', { name: name(i) }));
          continue;
        }
        if (!open) waivers = { ...waivers, labels: new Set([...waivers.labels, i]) };
        if (pin.byHand) waivers = { ...waivers, byHand: new Set([...waivers.byHand, i]) };
        decisions[i] = {
          fixed: null,
          mayWait: false,
          reason: ownReason(say(pin.byHand ? 'need.decided-by-hand' : 'need.decided-wash')),
        };
      }
      continue;
    }
    const pieces = [...new Set(pin.garments.flatMap((id) => indexOf.get(id) ?? []))].sort((a, b) => a - b);
    if (pieces.length < 2) continue;
    if (pin.kind === 'apart') {
      pieces.forEach((i, k) => pieces.slice(k + 1).forEach((j) => apart.push([i, j])));
      continue;
    }
    const { violations, type } = violationsOfSet(base, pieces);
    if (type === null) {
      pieces.forEach(washable);
      together.push(pieces);
      continue;
    }
    const broken = { names: names(pieces), violations };
    const ids = pieces.flatMap((i) => garments[i]?.id ?? []);
    if (type === 'safety') {
      refuse(ids, say('pin.stay-apart', broken));
      continue;
    }
    if (!pin.confirmed) {
      refuse(ids, say('pin.needs-confirmation', broken));
      continue;
    }
    const needed = waiversFor(garments, household, pieces, waivers);
    if (!needed) {
      refuse(ids, say('pin.fits-nothing', broken));
      continue;
    }
    waivers = needed;
    pieces.forEach(washable);
    together.push(pieces);
  }
  const waived = waivers !== noWaivers;
  return {
    basket: waived ? basketOf(garments, household, waivers) : base,
    decisions,
    decided: { together, apart },
    warnings,
  };
}
