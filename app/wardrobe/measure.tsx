import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { legTwist, placesOf, sizeChanges } from '@core/garment/measures.ts';
import { sizeClothOf } from '@core/piece/size-cloth.ts';
import { placeWordsOf, sizeAdviceText, twistAdvice } from '@words/en/garment.ts';
import { garmentOf } from '@formats/hamper.ts';
import { appendEvents } from '@data/events.ts';
import { preferences } from '../server/preferences.server.ts';
import { findPiece, garmentDocument } from '@data/garments.ts';
import type { Route } from './+types/measure';
import { givenMeasures, measureSchema } from './measure-form.ts';
import { errorOf, readForm, replyOf, typedValue } from '../forms/read.ts';
import { notFound, withHousehold, onSubmit } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, ChoiceField, FieldGrid, NumberField } from '../ui/fields.tsx';
import { MeasureFigure } from './parts/measure-figure.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { lengthText } from '../shared/words.ts';
import { drawingOf } from '../shared/drawing.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `Measure ${loaderData.name}` : 'Measure'} · Neat Fold` },
];

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    const places = placesOf(piece.row.kind);
    const placeWords = placeWordsOf(piece.row.kind);
    const newest = new Map(piece.state.measures.map((m) => [m.place, m.cm] as const));
    const changes = sizeChanges(piece.state.measures, sizeClothOf(garmentOf(garmentDocument(piece, now))));
    const inches = preferences().units.length === 'in';
    const length = (cm: number): string => lengthText(cm, inches);
    const shown = (cm: number | undefined): string => (cm === undefined ? '' : length(cm));
    const twist = legTwist(piece.state.measures);
    return {
      unit: inches ? 'inch' : 'cm',
      id: piece.row.id,
      name: piece.row.name,
      drawing: drawingOf(piece.row.kind),
      places: places.map((p) => ({ place: p, ...placeWords[p], last: shown(newest.get(p)) })),
      lines: places.map((p) => {
        const c = changes.find((x) => x.place === p);
        return {
          place: p,
          name: placeWords[p].name,
          text: shown(newest.get(p)),
          changed: c !== undefined && c.lostPercent >= 1,
        };
      }),
      twist: twist
        ? {
            text: `${placeWords['leg-twist'].name}: ${length(twist.beforeCm)} before, ${length(twist.nowCm)} now.`,
            advice: twist.turned ? twistAdvice : '',
          }
        : null,
      changes: changes.map((c) => ({
        place: c.place,
        text: `${placeWords[c.place].name}: ${length(c.beforeCm)} before, ${length(c.nowCm)} now, ${Math.abs(c.lostPercent).toFixed(1)} % ${c.lostPercent >= 0 ? 'lost' : 'gained'}.`,
        advice: sizeAdviceText(c.advice, length),
      })),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, now } = scope;
    const { params } = args;
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    const read = readForm(form, measureSchema);
    if (!read.ok) return data({ reply: read.reply }, { status: 422 });
    const given = givenMeasures(read.value);
    if (given.length === 0)
      return data({ reply: replyOf(form, { '': ['Give at least one measure.'] }) }, { status: 422 });
    await appendEvents(
      scope,
      given.map((measure) => ({ garmentId: params.pieceId, kind: 'measured' as const, at: now, data: { measure } })),
    );
    return redirect(`/pieces/${params.pieceId}/measure`);
  });

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 20rem) minmax(0, 1fr);
  gap: 1.5rem 3rem;
  align-items: start;
  @media (max-width: 820px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export default function MeasurePage({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData && 'reply' in actionData ? actionData.reply : null;
  return (
    <>
      <PageHead>
        <div>
          <h1>Measure {v.name}</h1>
          <p>
            Flat and smoothed, the same points every time, to half a centimetre.{' '}
            <Link to={`/pieces/${v.id}`}>Label and history</Link>
          </p>
        </div>
      </PageHead>
      {reply && (
        <div style={{ marginBottom: '1rem' }}>
          <NotStored reply={reply} />
        </div>
      )}
      {v.places.length === 0 ? (
        <Notice title="Nothing to measure">This kind of piece has no size to lose.</Notice>
      ) : (
        <Two>
          <MeasureFigure
            drawing={v.drawing}
            measures={v.lines}
            caption={
              v.changes.length > 0
                ? 'Red: it has lost a per cent or more.'
                : 'Measure before the first wash; then every wash shows what it took.'
            }
          />
          <PostForm key={v.lines.map((l) => l.text).join()} style={{ display: 'grid', gap: '1.2rem' }}>
            <ChoiceField
              name="unit"
              label="In"
              defaultValue={reply ? String(typedValue(reply, 'unit') ?? v.unit) : v.unit}
              options={[
                ['cm', 'Centimetres'],
                ['inch', 'Inches'],
              ]}
            />
            <FieldGrid>
              {v.places.map((p) => (
                <NumberField
                  key={p.place}
                  name={p.place}
                  label={p.name}
                  hint={p.last ? `${p.how}; last ${p.last}` : p.how}
                  defaultValue={reply ? String(typedValue(reply, p.place) ?? '') : ''}
                  error={errorOf(reply, p.place)}
                />
              ))}
            </FieldGrid>
            <Actions>
              <Button type="submit">Store the measures</Button>
            </Actions>
          </PostForm>
        </Two>
      )}
      {(v.changes.length > 0 || v.twist) && (
        <Section>
          <h2>What has changed</h2>
          <Rows>
            {v.changes.map((c) => (
              <li key={c.place} style={{ padding: '0.5rem 0' }}>
                {c.text} {c.advice && <Quiet>{c.advice}</Quiet>}
              </li>
            ))}
            {v.twist && (
              <li style={{ padding: '0.5rem 0' }}>
                {v.twist.text} {v.twist.advice && <Quiet>{v.twist.advice}</Quiet>}
              </li>
            )}
          </Rows>
        </Section>
      )}
    </>
  );
}
