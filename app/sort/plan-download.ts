import { newestPlan } from '@data/loads.ts';
import { documentText, openPlan } from '@formats/plan.ts';
import type { Route } from './+types/plan-download';
import { notFound, withHousehold } from '../server/request.server.ts';

/** The newest plan as a plan document: byte for byte what the command line prints for its hamper document. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const plan = await newestPlan(tx);
    if (!plan) throw notFound('There is no plan yet.');
    return new Response(documentText(openPlan(plan.result)), {
      headers: {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': 'attachment; filename="plan.json"',
      },
    });
  });
