import { writeArchive } from '@data/archive.ts';
import { dayOf } from '@formats/dates.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/archive-download';
import { notFound, withHousehold } from '../server/request.server.ts';

/** Everything of the household, as one archive. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const bytes = await writeArchive(tx);
    const home = await readHousehold(tx);
    if (!bytes || !home) throw notFound('There is nothing to save yet.');
    return new Response(new Uint8Array(bytes), {
      headers: {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename="household-${dayOf(now, home.timeZone)}.zip"`,
      },
    });
  });
