import { findPlan, storeInsights } from '@data/loads.ts';
import type { Route } from './+types/sort-insights';
import { insightsOf } from './insights.server.ts';
import { changeHousehold, notFound, withHousehold } from '../server/request.server.ts';
import { householdContext } from '../server/context.ts';

const find = async ({ params, context }: Route.LoaderArgs | Route.ActionArgs) => {
  const plan = await withHousehold(context, ({ tx }) => findPlan(tx, params.planId));
  if (!plan) throw notFound('That plan is not known here.');
  return plan;
};

/** What the house rules of a plan cost, as far as it is known: null until somebody asks for it to be worked out. */
export const loader = async (args: Route.LoaderArgs) => Response.json((await find(args)).insights);

/** Work out what the house rules of a plan cost, store it, and answer. Asked twice, it is worked out once. */
export async function action(args: Route.ActionArgs) {
  const plan = await find(args);
  if (plan.insights) return Response.json(plan.insights);
  const { params, context } = args;
  const insights = await insightsOf(context.get(householdContext), params.planId, plan.hamper, plan.result);
  if (insights === null) return Response.json(null, { status: 409 });
  await changeHousehold(context, ({ tx }) => storeInsights(tx, params.planId, insights));
  return Response.json(insights);
}
