import { randomUUID } from 'node:crypto';
import { data, redirect } from 'react-router';
import { namedUse } from '@core/garment/use.ts';
import { readPieceLine } from '@core/garment/piece-line.ts';
import { labelInWords } from '@words/en/label.ts';
import { emptyState, putInBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { addGarment, type GarmentInput } from '@data/garments.ts';
import type { Route } from './+types/piece-new';
import { pieceSchema, pieceStart, toGarment } from './piece-schema.ts';
import { readForm } from '../forms/read.ts';
import { field, onSubmit } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Fold } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Rows } from '../ui/page.tsx';
import { PieceForm } from './parts/piece-form.tsx';
import { clothOf } from '../shared/cloth.ts';
import { pieceOptions } from './piece-options.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'New piece · Neat Fold' }];

export function loader({ request }: Route.LoaderArgs) {
  const line = (new URL(request.url).searchParams.get('line') ?? '').slice(0, 300);
  const read = readPieceLine(line);
  const garment: GarmentInput = {
    name: line.trim() ? read.name : '',
    owner: '',
    kind: read.kind,
    size: read.size,
    parts: read.parts.map((p) => ({ role: p.role, fibres: [...p.fibres] })),
    traits: read.traits,
    colours: read.colours,
    dye: 'unknown',
    label: read.label ? { ...read.label, phrases: [...read.label.phrases] } : null,
    dryMassG: read.kind === 'other' ? 200 : null,
    use: namedUse(line),
    count: 1,
    set: null,
    valueEur: 20,
  };
  return {
    line: line.trim(),
    start: pieceStart(garment),
    cloth: clothOf(garment),
    understood: read.label ? labelInWords(read.label) : [],
    assumed: line.trim() ? read.assumed : [],
    unknown: line.trim() ? read.unknown : [],
    options: pieceOptions(),
  };
}

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const read = readForm(form, pieceSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const id = `p-${randomUUID().slice(0, 13)}`;
    const toBasket = field(form, 'then') === 'basket';
    await addGarment(tx, householdId, id, toGarment(read.value));
    if (read.value.washed)
      await appendEvents(scope, [
        {
          garmentId: id,
          kind: 'washed',
          at: new Date(now.getTime() - 60_000),
          data: { count: Math.round(read.value.washed), note: 'before Neat Fold' },
        },
      ]);
    if (toBasket) {
      await appendEvents(scope, [{ garmentId: id, kind: 'worn', at: now }]);
      await putInBasket(tx, householdId, id, emptyState);
    }
    return redirect(toBasket ? '/basket' : `/pieces/${id}`);
  });

export default function PieceNew({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.line ? 'Is this right?' : 'A new piece'}</h1>
          {v.line && <p>Read from “{v.line}”. Nothing is stored until you keep it.</p>}
        </div>
        <div style={{ width: '20rem', maxWidth: '100%' }}>
          <Fold cloth={v.cloth} name={String(v.start.name) || 'New piece'} height={44} />
        </div>
      </PageHead>
      {v.line && (
        <div style={{ display: 'grid', gap: '0.7rem', maxWidth: '62rem', marginBottom: '1.4rem' }}>
          {v.understood.length > 0 && <Notice title="Label">{v.understood.join(' · ')}</Notice>}
          {v.assumed.length > 0 && (
            <Notice title="Assumed">
              <Rows>
                {v.assumed.map((a) => (
                  <li key={a}>{a}</li>
                ))}
              </Rows>
            </Notice>
          )}
          {v.unknown.length > 0 && (
            <Notice severity="caution" title="Not understood">
              {v.unknown.join(', ')}. Look whether a field below should say it.
            </Notice>
          )}
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
