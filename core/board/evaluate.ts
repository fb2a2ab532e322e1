/** The price of candidate sets, each by itself: the same cost the planner minimises. */
import type { Outcome } from '../model/plan.ts';
import { basketOf } from '../price/basket.ts';
import { loadFacts, outcomeCost, type LoadFacts, type PlanRequest } from '../plan/plan.ts';
import { priceLoad } from '../price/price.ts';
import type { Violation } from '../model/constraints.ts';

export interface CandidateSet {
  garments: readonly string[];
  outcome: Outcome;
}
export interface CandidatePrice {
  garments: readonly string[];
  outcome: Outcome;
  feasible: boolean;
  cost: number | null;
  violations: readonly Violation[];
  setting: LoadFacts | null;
}

/** One row per candidate, in order. The garments are known ids. */
export function candidatePrices(
  { garments, household }: PlanRequest,
  candidates: readonly CandidateSet[],
): CandidatePrice[] {
  const b = basketOf(garments, household);
  const indexOf = new Map(garments.map((g, i) => [g.id, i] as const));
  return candidates.map(({ garments: ids, outcome }): CandidatePrice => {
    const pieces = ids.flatMap((id) => indexOf.get(id) ?? []).sort((x, y) => x - y);
    if (outcome !== 'wash')
      return {
        garments: ids,
        outcome,
        feasible: true,
        cost: pieces.reduce((c, i) => c + outcomeCost(b, i, outcome), 0),
        violations: [],
        setting: null,
      };
    const price = priceLoad(b, pieces);
    return price.feasible
      ? { garments: ids, outcome, feasible: true, cost: price.cost, violations: [], setting: loadFacts(price) }
      : { garments: ids, outcome, feasible: false, cost: null, violations: price.violations, setting: null };
  });
}
