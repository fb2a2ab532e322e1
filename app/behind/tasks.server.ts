/** What each kind of work does: from what was ordered to what is kept. */
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import { inHousehold, lookInHousehold, type Door, type Transaction } from '@data/client.ts';
import { findPlan, isOvertaken, storeInsights, storePlan } from '@data/loads.ts';
import { isUnderWay, type Begun, type WorkKind } from '@data/works.ts';
import { planInPool } from '../server/pool.server.ts';
import { firstPlanFrom } from '../sort/first-plan.ts';
import { priceRules } from '../sort/insights.server.ts';

export type Progress = Record<string, unknown>;
/** `result` is kept with the work; `store` is done in the transaction that ends it. */
interface Outcome {
  result: unknown;
  store?: (tx: Transaction) => Promise<unknown>;
}
/** How somebody who waits and somebody who works hear of each other. */
interface Reins {
  signal: AbortSignal;
  /** One number, 1 as soon as the best so far is enough. */
  enough: SharedArrayBuffer;
  /** `atOnce` = there is something new to look at. */
  tell: (p: Progress, atOnce?: boolean) => void;
}
type Task = (work: Begun, door: Door, reins: Reins) => Promise<Outcome>;

export const tasks: Record<WorkKind, Task> = {
  plan: async (work, door, { signal, enough, tell }) => {
    const hamper = work.input.hamper as HamperDocument;
    const { householdId } = door;
    let first: string | null = null;
    let storing = Promise.resolve();
    const keepFirst = async (plan: PlanDocument): Promise<void> => {
      first = await inHousehold(door, async (tx) =>
        (await isUnderWay(tx, work)) ? storePlan(tx, householdId, hamper, plan) : null,
      );
      const { cost, lowerBound } = plan.proof;
      tell({ phase: 'search', share: 0, cost, lowerBound, first }, true);
    };
    const plan = await planInPool(hamper, {
      urgency: 'waited-for',
      signal,
      enough,
      onProgress: (p) => tell({ ...p, first }),
      ...(hamper.garments.length < firstPlanFrom
        ? {}
        : {
            onFirst: (made: PlanDocument) => {
              storing = keepFirst(made);
              storing.catch(() => undefined); // told where it is waited for
            },
          }),
    });
    await storing;
    return {
      result: null,
      // What was begun of the first plan stays as it is.
      store: async (tx) =>
        first !== null && (await isOvertaken(tx, first)) ? null : storePlan(tx, householdId, hamper, plan),
    };
  },
  insights: async ({ input }, door, { signal }) => {
    const planId = String(input.planId);
    const plan = await lookInHousehold(door, (tx) => findPlan(tx, planId));
    if (!plan) return { result: null };
    const insights = await priceRules(plan.hamper, plan.result, signal);
    return { result: null, store: (tx) => storeInsights(tx, planId, insights) };
  },
  piles: async ({ input }, _door, { signal }) => ({
    result: await planInPool(input.hamper as HamperDocument, { urgency: 'waited-for', signal }),
  }),
};
