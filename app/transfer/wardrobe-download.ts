import { garmentDocument, listPieces } from '@data/garments.ts';
import { wardrobeCsv } from '@formats/wardrobe-csv.ts';
import type { Route } from './+types/wardrobe-download';
import { withHousehold } from '../server/request.server.ts';

/** The wardrobe as a table. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(
    context,
    async ({ tx, now }) =>
      new Response(wardrobeCsv((await listPieces(tx)).map((p) => garmentDocument(p, now))), {
        headers: {
          'Content-Type': 'text/csv; charset=utf-8',
          'Content-Disposition': 'attachment; filename="wardrobe.csv"',
        },
      }),
  );
