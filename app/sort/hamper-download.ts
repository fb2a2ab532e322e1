import { currentHamper } from '@data/hamper.ts';
import { newestPlan } from '@data/loads.ts';
import { documentText } from '@formats/plan.ts';
import type { Route } from './+types/hamper-download';
import { notFound, withHousehold } from '../server/request.server.ts';

/** The basket as a hamper document; with ?plan the very document the newest plan was made from. */
export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const ofPlan = new URL(request.url).searchParams.has('plan');
    const hamper = ofPlan ? (await newestPlan(tx))?.hamper : await currentHamper(tx, now);
    if (!hamper) throw notFound('There is nothing to save yet.');
    return new Response(documentText(hamper), {
      headers: {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': 'attachment; filename="hamper.json"',
      },
    });
  });
