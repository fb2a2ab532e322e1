/** What each house rule costs, and the plan without hand-made decisions: found by solving again, one by one and in the background, after a plan is stored. */
import { houseRules, type HouseRuleKey } from '@core/model/household.ts';
import { ruleWords } from '@words/en/rules.ts';
import { defaultRules, type HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import type { PlanInsights } from '@data/schema.ts';
import { planInPool } from '../server/pool.server.ts';

/** Rules that decide who shares a load or how it is washed; the others change drying, doses or nothing in the price. */
const pricedRules: readonly HouseRuleKey[] = [
  'colourPiles',
  'handLabel',
  'wool',
  'woolCompany',
  'denim',
  'shirtAim',
  'dosing',
];
const worthTelling = 0.05;

async function workOut(hamper: HamperDocument, plan: PlanDocument, signal: AbortSignal): Promise<PlanInsights> {
  const { pins = [], ...free } = hamper;
  const freeCost =
    pins && pins.length > 0 ? (await planInPool(free, { urgency: 'later', signal })).proof.cost : plan.proof.cost;
  const now = { ...defaultRules, ...hamper.household.rules };
  const minutes = (p: PlanDocument): number => p.loads.reduce((s, l) => s + l.durationMin, 0);
  const tries = pricedRules.flatMap((rule) =>
    houseRules[rule].filter((option) => option !== now[rule]).map((option) => ({ rule, option })),
  );
  const rules = await Promise.all(
    tries.map(async ({ rule, option }) => {
      const other = await planInPool(
        { ...hamper, household: { ...hamper.household, rules: { ...hamper.household.rules, [rule]: option } } },
        { urgency: 'later', signal },
      );
      const words = (ruleWords[rule].options as Record<string, string>)[option] ?? option;
      return {
        rule,
        words: `${ruleWords[rule].question}: ${words}`,
        saves: plan.proof.cost - other.proof.cost,
        loads: plan.loads.length - other.loads.length,
        minutes: minutes(plan) - minutes(other),
        energyKwh: plan.totals.energyKwh - other.totals.energyKwh,
      };
    }),
  );
  return { freeCost, rules: rules.filter((r) => r.saves > worthTelling).sort((a, b) => b.saves - a.saves) };
}

const underWay = new Map<string, { planId: string; giveUp: AbortController; work: Promise<PlanInsights | null> }>();
/**
 * Worked out once however many tabs ask, and one plan at a time for each household: the question about a newer plan ends the one before,
 * whose answer is then null. Not given up when the asking page leaves, for the answer is stored.
 */
export function insightsOf(
  householdId: string,
  planId: string,
  hamper: HamperDocument,
  plan: PlanDocument,
): Promise<PlanInsights | null> {
  const known = underWay.get(householdId);
  if (known?.planId === planId) return known.work;
  known?.giveUp.abort();
  const giveUp = new AbortController();
  const work = workOut(hamper, plan, giveUp.signal)
    .catch((error: unknown) => {
      if (giveUp.signal.aborted) return null;
      throw error;
    })
    .finally(() => {
      if (underWay.get(householdId)?.giveUp === giveUp) underWay.delete(householdId);
    });
  underWay.set(householdId, { planId, giveUp, work });
  return work;
}
