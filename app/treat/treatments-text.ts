import { findPiece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/treatments-text';
import { notFound, withHousehold } from '../server/request.server.ts';
import { treatmentLines } from './treatment-lines.server.ts';

/** What was done to the marks of a piece, as plain text for a professional cleaner. */
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    const zone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    const fibres = piece.row.parts
      .map((p) => `${p.role}: ${p.fibres.map((f) => `${f.percent} % ${f.fibre}`).join(', ')}`)
      .join('; ');
    const lines = (await treatmentLines(tx, piece.row.id, zone)).map((l) => `${l.when}  ${l.text}`);
    return new Response(
      `${piece.row.name}\n${fibres}\n\n${lines.length > 0 ? lines.join('\n') : 'Nothing was treated yet.'}\n`,
      { headers: { 'content-type': 'text/plain; charset=utf-8' } },
    );
  });
