import { findPlan, storeInsights } from '@data/loads.ts';
import type { Route } from './+types/sort-insights';
import { insightsOf } from './insights.server.ts';
import { notFound, withHousehold } from '../server/request.server.ts';

/** Work out what the house rules of a plan cost, store it, and answer. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const plan = await withHousehold(context, ({ tx }) => findPlan(tx, params.planId));
  if (!plan) throw notFound('That plan is not known here.');
  if (plan.insights) return Response.json(plan.insights);
  const insights = await insightsOf(params.planId, plan.hamper, plan.result);
  await withHousehold(context, ({ tx }) => storeInsights(tx, params.planId, insights));
  return Response.json(insights);
}
