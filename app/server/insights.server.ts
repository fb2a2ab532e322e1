/** What each house rule costs, and the plan without hand-made decisions: found by solving again, in the pool, after a plan is stored. */
import { setMaxListeners } from 'node:events';
import { houseRules, type HouseRuleKey } from '@core/model/household.ts';
import { ruleWords } from '@core/model/rule-words.ts';
import { defaultRules, type HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import type { PlanInsights } from '@data/schema.ts';
import { planInPool } from './pool.server.ts';

/** Rules that decide who shares a load or how it is washed; the others change drying, doses or nothing in the price. */
const pricedRules: readonly HouseRuleKey[] = ['colourPiles', 'handLabel', 'wool', 'woolCompany', 'denim', 'shirtAim', 'dosing'];
const worthTelling = 0.05;

export async function insightsOf(hamper: HamperDocument, plan: PlanDocument, signal?: AbortSignal): Promise<PlanInsights> {
  const { pins = [], ...free } = hamper;
  const freeCost = pins && pins.length > 0 ? (await planInPool(free, signal)).proof.cost : plan.proof.cost;
  const now = { ...defaultRules, ...hamper.household.rules };
  const minutes = (p: PlanDocument): number => p.loads.reduce((s, l) => s + l.durationMin, 0);
  const tries = pricedRules.flatMap((rule) => houseRules[rule].filter((option) => option !== now[rule]).map((option) => ({ rule, option })));
  if (signal) setMaxListeners(tries.length + 5, signal);
  const rules = await Promise.all(tries.map(async ({ rule, option }) => {
    const other = await planInPool({ ...hamper, household: { ...hamper.household, rules: { ...hamper.household.rules, [rule]: option } } }, signal);
    const words = (ruleWords[rule].options as Record<string, string>)[option] ?? option;
    return { rule, words: `${ruleWords[rule].question}: ${words}`, saves: plan.proof.cost - other.proof.cost, loads: plan.loads.length - other.loads.length, minutes: minutes(plan) - minutes(other), energyKwh: plan.totals.energyKwh - other.totals.energyKwh };
  }));
  return { freeCost, rules: rules.filter((r) => r.saves > worthTelling).sort((a, b) => b.saves - a.saves) };
}
