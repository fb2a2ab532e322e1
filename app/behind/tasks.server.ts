/** What each kind of work does: from what was ordered to what is kept. */
import type { HamperDocument } from '@formats/hamper.ts';
import { lookInHousehold, type Door, type Transaction } from '@data/client.ts';
import { findPlan, storeInsights, storePlan } from '@data/loads.ts';
import type { Begun, WorkKind } from '@data/works.ts';
import { planInPool } from '../server/pool.server.ts';
import { priceRules } from '../sort/insights.server.ts';

export type Progress = Record<string, unknown>;
/** `result` is kept with the work; `store` is done in the transaction that ends it. */
interface Outcome {
  result: unknown;
  store?: (tx: Transaction) => Promise<unknown>;
}
type Task = (work: Begun, door: Door, signal: AbortSignal, tell: (p: Progress) => void) => Promise<Outcome>;

export const tasks: Record<WorkKind, Task> = {
  plan: async ({ input }, { householdId }, signal, tell) => {
    const hamper = input.hamper as HamperDocument;
    const plan = await planInPool(hamper, { urgency: 'waited-for', signal, onProgress: (p) => tell({ ...p }) });
    return { result: null, store: (tx) => storePlan(tx, householdId, hamper, plan) };
  },
  insights: async ({ input }, door, signal) => {
    const planId = String(input.planId);
    const plan = await lookInHousehold(door, (tx) => findPlan(tx, planId));
    if (!plan) return { result: null };
    const insights = await priceRules(plan.hamper, plan.result, signal);
    return { result: null, store: (tx) => storeInsights(tx, planId, insights) };
  },
  piles: async ({ input }, _door, signal) => ({
    result: await planInPool(input.hamper as HamperDocument, { urgency: 'waited-for', signal }),
  }),
};
