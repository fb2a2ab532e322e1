import { wholeHamper } from '@data/hamper.ts';
import { documentText } from '@formats/plan.ts';
import type { Route } from './+types/household-download';
import { notFound, withHousehold } from '../server/request.server.ts';

/** The whole household as a hamper document. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const hamper = await wholeHamper(tx, now);
    if (!hamper) throw notFound('There is nothing to save yet.');
    return new Response(documentText(hamper), {
      headers: {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': 'attachment; filename="household.json"',
      },
    });
  });
