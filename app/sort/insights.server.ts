/** What each house rule costs, and the plan without hand-made decisions: found by solving again, one by one and in the background, after a plan is stored. */
import { houseRules, type HouseRuleKey } from '@core/model/household.ts';
import { ruleWords } from '@words/en/rules.ts';
import { defaultRules, type HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import type { PlanInsights } from '@data/schema.ts';
import { inHousehold, lookInHousehold, type Door } from '@data/client.ts';
import { findPlan } from '@data/loads.ts';
import { orderWork, stopAll, workUnderWay } from '@data/works.ts';
import { planInPool } from '../server/pool.server.ts';
import { awaitWork, sendWork } from '../behind/await-work.server.ts';

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
/** How long a page waits for it; what takes longer is there when it is looked at again. */
const patienceMs = 120_000;

/** Solve again without each rule, one by one. */
export async function priceRules(
  hamper: HamperDocument,
  plan: PlanDocument,
  signal: AbortSignal,
): Promise<PlanInsights> {
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

/**
 * Ask for it: worked out once however many tabs ask, and one plan at a time for each household: the question about a newer plan ends the one before,
 * whose answer is then null. Not given up when the asking page leaves, for the answer is stored.
 */
export async function insightsOf(door: Door, planId: string, now: Date): Promise<PlanInsights | null> {
  const known = await inHousehold(door, async (tx) => {
    const asked = await workUnderWay(tx, 'insights', planId);
    if (asked) return { id: asked.id, ordered: false };
    await stopAll(tx, 'insights', now);
    const id = await orderWork(tx, door.householdId, { kind: 'insights', subject: planId, input: { planId } }, now);
    return { id, ordered: true };
  });
  if (known.ordered) await sendWork(door, 'insights', known.id);
  await awaitWork(door, known.id, patienceMs);
  return (await lookInHousehold(door, (tx) => findPlan(tx, planId)))?.insights ?? null;
}
