import { data, Link, redirect } from 'react-router';
import { distinctName } from '@core/phrase/distinct-name.ts';
import { readPieceLine } from '@core/phrase/piece-line.ts';
import { findPiece, listPieces } from '@data/garments.ts';
import type { Route } from './+types/piece-new';
import { readForm } from '../forms/read.ts';
import { field, onSubmit, withHousehold } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { Button } from '../ui/button.tsx';
import { Fold } from '../ui/fold.tsx';
import { PageHead } from '../ui/page.tsx';
import { garmentOf, lineView } from './line-view.server.ts';
import { PieceForm } from './parts/piece-form.tsx';
import { ReadLine } from './parts/read-line.tsx';
import { pieceOptions } from './piece-options.server.ts';
import { pieceSchema, pieceStart, toGarment, type PieceStart } from './piece-schema.ts';
import { keepPiece, marksOf, marksText, readerOf } from './several.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'New piece · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { tx } = scope;
    const query = new URL(request.url).searchParams;
    const line = (query.get('line') ?? '').slice(0, 300).trim();
    const copied = query.has('copy') ? await findPiece(tx, query.get('copy') ?? '') : null;
    if (copied) {
      const taken = new Set((await listPieces(tx)).map((p) => p.row.name.toLowerCase()));
      return {
        line: '',
        start: pieceStart({ ...copied.row, name: distinctName(copied.row, taken) }),
        cloth: clothOf(copied.row),
        view: lineView(readPieceLine('')),
        options: pieceOptions(),
      };
    }
    const read = (await readerOf(scope))(line);
    // Several at once are asked about together.
    if ((read.count ?? 1) > 1)
      throw redirect(`/pieces/several?${new URLSearchParams({ text: line, basket: query.get('basket') ?? 'no' })}`);
    const garment = garmentOf(read, line ? read.name : '');
    const start: PieceStart = {
      ...pieceStart(garment),
      ground: read.colours[0]?.hex ?? '',
      washed: read.washCount?.toString() ?? '',
      worn: read.wearsSinceWash?.toString() ?? '',
      marks: marksText(read.marks),
      odour: read.odour ? 'yes' : '',
    };
    return {
      line,
      start,
      cloth: clothOf(garment),
      view: lineView(read),
      options: pieceOptions(),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const read = readForm(form, pieceSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const toBasket = field(form, 'then') === 'basket';
    const garment = toGarment(read.value);
    const taken = new Set((await listPieces(scope.tx)).map((p) => p.row.name.toLowerCase()));
    const id = await keepPiece(
      scope,
      { ...garment, name: distinctName(garment, taken) },
      {
        washCount: read.value.washed ?? null,
        wearsSinceWash: read.value.worn ?? null,
        marks: marksOf(read.value.marks ?? ''),
        odour: read.value.odour === 'yes',
      },
      toBasket,
    );
    return redirect(toBasket ? '/basket' : `/pieces/${id}`);
  });

export default function PieceNew({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.line ? 'Is this right?' : 'A new piece'}</h1>
          <p>
            {v.line ? (
              'Nothing is stored until you keep it.'
            ) : (
              <>
                Or type it in one line, or <Link to="/pieces/several">several lines at once</Link>.
              </>
            )}
          </p>
        </div>
        <div style={{ width: '20rem', maxWidth: '100%' }}>
          <Fold cloth={v.cloth} name={String(v.start.name) || 'New piece'} height={44} />
        </div>
      </PageHead>
      {v.line && (
        <div style={{ maxWidth: '62rem', marginBottom: '1.4rem' }}>
          <ReadLine view={v.view} />
        </div>
      )}
      <PieceForm key={v.line} start={v.start} options={v.options} reply={actionData ?? null} isNew>
        <Button type="submit" name="then" value="basket">
          Keep and put in the basket
        </Button>
        <Button type="submit" name="then" value="wardrobe" $quiet>
          Keep in the wardrobe
        </Button>
      </PieceForm>
    </>
  );
}
