import { findPlan } from '@data/loads.ts';
import type { Route } from './+types/sort-insights';
import { insightsOf } from './insights.server.ts';
import { doorOf } from '../server/door.server.ts';
import { answering, notFound, withHousehold } from '../server/request.server.ts';

const find = async ({ params, context }: Route.LoaderArgs | Route.ActionArgs) => {
  const plan = await withHousehold(context, ({ tx }) => findPlan(tx, params.planId));
  if (!plan) throw notFound('That plan is not known here.');
  return plan;
};

/** What the house rules of a plan cost, as far as it is known: null until somebody asks for it to be worked out. */
export const loader = async (args: Route.LoaderArgs) => Response.json((await find(args)).insights);

/** Work out what the house rules of a plan cost, and answer. Asked twice, it is worked out once. */
export async function action(args: Route.ActionArgs) {
  const plan = await find(args);
  if (plan.insights) return Response.json(plan.insights);
  const { params, context } = args;
  const insights = await answering(context, () => insightsOf(doorOf(context), params.planId, new Date()));
  return Response.json(insights, { status: insights === null ? 409 : 200 });
}
