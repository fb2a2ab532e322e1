import { logCsv } from '@formats/log-csv.ts';
import { readHousehold } from '@data/household.ts';
import { readLogEntries } from '@data/log-document.ts';
import type { Route } from './+types/log-download';
import { withHousehold } from '../server/request.server.ts';

/** The log as a table. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    return new Response(logCsv(await readLogEntries(tx, timeZone)), {
      headers: {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': 'attachment; filename="log.csv"',
      },
    });
  });
