/**
 * Hand-made decisions. A pin that breaks nothing is followed; one that breaks a risk rule (bleed, company, hard parts, house rule, a label's bound,
 * a fill up to 1.2) is followed when it is confirmed; one that breaks a safety rule (contamination, chemistry, hides, a fibre's hard limit, more
 * fill) never is.
 */
import { isHide, hasSignificant } from '../fibre/blend.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import type { Constraint, Outcome, PlanWarning } from '../model/plan.ts';
import { basketOf, noWaivers, type Basket, type Waivers } from '../price/basket.ts';
import type { Decision } from '../piece/outcomes.ts';
import { priceLoad, type Violation } from '../price/price.ts';
import type { Togetherness } from '../solve/solve.ts';

export type Pin =
  | { kind: 'together' | 'apart'; garments: readonly string[]; confirmed: boolean }
  | {
      kind: 'outcome';
      outcomes: Readonly<Record<string, Outcome>>;
      /** Washed, and only in a basin. */ byHand?: boolean;
      confirmed: boolean;
    };

export type RuleType = 'safety' | 'risk';
/** H6 is no matter of risk: without a shared detergent there is no wash. */
const ruleTypes: Record<Constraint, RuleType> = {
  H1: 'risk',
  H2: 'risk',
  H3: 'risk',
  H4: 'safety',
  H5: 'risk',
  H6: 'safety',
  H7: 'risk',
  H8: 'safety',
  H10: 'risk',
};
export const constraintWords: Record<Constraint, string> = {
  H1: 'a care limit',
  H2: 'the drum is too small',
  H3: 'dye would run',
  H4: 'contaminated pieces wash with their like',
  H5: 'it washes alone or with its own colour',
  H6: 'no detergent suits all',
  H7: 'hard parts or lint would harm',
  H8: 'the chemistry does not go together',
  H10: 'a house rule',
};

export interface PinnedBasket {
  basket: Basket;
  decisions: Decision[];
  decided: Togetherness;
  warnings: PlanWarning[];
}

const ownReason = (text: string): Decision['reason'] => ({ code: 'set-aside', source: 'rule', text });

export function violationsOfSet(
  b: Basket,
  pieces: readonly number[],
): { constraints: Violation[]; type: RuleType | null } {
  const price = priceLoad(b, pieces);
  if (price.feasible) return { constraints: [], type: null };
  const safety =
    price.violations.some(
      (v) => v === 'no-suitable-product' || (v !== 'no-suitable-programme' && ruleTypes[v] === 'safety'),
    ) || pieces.some((i) => isHideOnly(b, i));
  return { constraints: [...price.violations], type: safety ? 'safety' : 'risk' };
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
  const refuse = (ids: readonly string[], why: string): void => {
    warnings.push({ code: 'pin-refused', severity: 'caution', garments: ids, text: why });
  };
  const name = (i: number): string => garments[i]?.name ?? '';
  const names = (pieces: readonly number[]): string => pieces.map(name).join(', ');
  const washable = (i: number): void => {
    if (decisions[i]?.fixed)
      decisions[i] = { fixed: null, mayWait: true, reason: ownReason('You decided to wash it.') };
  };

  for (const pin of pins) {
    if (pin.kind === 'outcome') {
      for (const [id, outcome] of Object.entries(pin.outcomes)) {
        const i = indexOf.get(id);
        const decision = i === undefined ? undefined : decisions[i];
        if (i === undefined || !decision) continue;
        if (outcome !== 'wash') {
          const closed = outcome === 'wait' && decision.fixed === null && !decision.mayWait;
          if (closed && !pin.confirmed)
            refuse([id], `${name(i)} should not wait; confirm it to let it wait all the same.`);
          else
            decisions[i] = {
              fixed: outcome,
              mayWait: true,
              reason: ownReason(outcome === 'wait' ? 'You let it wait.' : 'You decided so.'),
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
              ? `${name(i)} is never washed in water.`
              : `${name(i)}: ${base.profiles[i]?.closure?.reason ?? 'nothing here may wash it'}; confirm it to wash it at your own risk.`,
          );
          continue;
        }
        if (pin.byHand && !open && !bears(basketOf(garments, household, { ...noWaivers, labels: new Set([i]) }))) {
          refuse([id], `${name(i)}: no basin here takes it by hand.`);
          continue;
        }
        if (!open) waivers = { ...waivers, labels: new Set([...waivers.labels, i]) };
        if (pin.byHand) waivers = { ...waivers, byHand: new Set([...waivers.byHand, i]) };
        decisions[i] = {
          fixed: null,
          mayWait: false,
          reason: ownReason(pin.byHand ? 'You decided to wash it by hand.' : 'You decided to wash it.'),
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
    const { constraints, type } = violationsOfSet(base, pieces);
    if (type === null) {
      pieces.forEach(washable);
      together.push(pieces);
      continue;
    }
    const why = constraints
      .map((v) =>
        v === 'no-suitable-product'
          ? constraintWords.H6
          : v === 'no-suitable-programme'
            ? constraintWords.H1
            : `${constraintWords[v]} (${v})`,
      )
      .join(', ');
    const ids = pieces.flatMap((i) => garments[i]?.id ?? []);
    if (type === 'safety') {
      refuse(ids, `${names(pieces)} stay apart: ${why}.`);
      continue;
    }
    if (!pin.confirmed) {
      refuse(ids, `${names(pieces)} in one load needs your confirmation: ${why}.`);
      continue;
    }
    const needed = waiversFor(garments, household, pieces, waivers);
    if (!needed) {
      refuse(ids, `${names(pieces)} fit no load of this household even so: ${why}.`);
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
