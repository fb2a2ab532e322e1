import { garmentHistory } from '@data/events.ts';
import { findPiece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { stains, type StainKind } from '@core/stain/stains.ts';
import type { Route } from './+types/treatments-text';
import { notFound, withHousehold } from '../server/request.server.ts';
import { whatName } from './treat-actions.server.ts';
import { clockText, dayAndYear } from '../shared/words.ts';

/** What was done to the marks of a piece, as plain text for a professional cleaner. */
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    const zone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    const fibres = piece.row.parts
      .map((p) => `${p.role}: ${p.fibres.map((f) => `${f.percent} % ${f.fibre}`).join(', ')}`)
      .join('; ');
    const name = (kind: string): string => stains[kind as StainKind]?.name ?? kind;
    const lines = (await garmentHistory(tx, piece.row.id, 200)).reverse().flatMap(({ at, kind, data }) => {
      const when = `${dayAndYear(at, zone)} ${clockText(at, zone)}`;
      if (kind === 'stained' && data.note) return [`${when}  marked: ${data.note}`];
      if (data.step)
        return [
          `${when}  ${name(data.step.stain)}: ${whatName(data.step.agent)}${data.step.dose ? `, ${data.step.dose}` : ''}, ${data.step.temperatureC} °C, ${data.step.minutes} min: ${data.step.result === 'passed' ? 'check passed' : 'check not passed'}`,
        ];
      if (kind === 'treated' && data.stain) return [`${when}  ${name(data.stain.kind)}: ${data.stain.result}`];
      if (kind === 'tested' && data.test)
        return [`${when}  test with ${whatName(data.test.agent ?? 'water')}: grade ${data.test.grade}`];
      return [];
    });
    return new Response(
      `${piece.row.name}\n${fibres}\n\n${lines.length > 0 ? lines.join('\n') : 'Nothing was treated yet.'}\n`,
      { headers: { 'content-type': 'text/plain; charset=utf-8' } },
    );
  });
