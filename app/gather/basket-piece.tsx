import { data, Link, redirect } from 'react-router';
import { basketState, putInBasket, takeFromBasket, emptyState } from '@data/basket.ts';
import { findPiece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/basket-piece';
import { basketStateSchema, toBasketState } from './basket-state-form.ts';
import { errorOf, readForm, typedValue, seenOf } from '../forms/read.ts';
import { field, notFound, withHousehold, onSubmit, conflict } from '../server/request.server.ts';
import { styled } from 'styled-components';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions, ChoiceField, FieldGrid, FormStack, TextField } from '../ui/fields.tsx';
import { Fold } from '../ui/fold.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { basketView } from './basket-view.server.ts';
import { PostForm } from '../ui/post-form.tsx';
import { overtaken, versionOf } from '../forms/seen.server.ts';
import { dayOf } from '@formats/dates.ts';
import type { BasketState } from '@data/schema.ts';
import { stainNames } from '@words/en/things.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.piece.name ?? 'Piece'} · Neat Fold` },
];

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const view = await basketView(scope, { q: '', show: 'all', owner: '', all: false });
    const piece = view.pieces.find((p) => p.id === params.pieceId);
    if (!piece) throw notFound('That piece is not in the basket.');
    const timeZone = (await readHousehold(scope.tx))?.timeZone ?? 'UTC';
    return {
      piece,
      today: view.today,
      seen: versionOf(shownState(piece.state, timeZone)),
      marks: piece.state.stains.map((s) => ({
        id: s.id,
        text: `${stainNames[s.kind]}${s.place ? `, ${s.place}` : ''}${s.sizeCm ? `, ${s.sizeCm} cm` : ''}`,
      })),
    };
  });

/** The state of a piece as the form shows it. */
const shownState = (state: BasketState, timeZone: string) => ({
  soil: state.soil,
  activity: state.activity,
  odour: state.odour ? 'on' : '',
  hygiene: state.hygiene ? 'on' : '',
  neededBy: state.neededBy ? dayOf(new Date(state.neededBy), timeZone) : '',
});

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId }, form) => {
    const { params } = args;
    if (!(await findPiece(tx, params.pieceId))) throw notFound('That piece is not in the wardrobe.');
    if (field(form, 'intent') === 'out') {
      await takeFromBasket(tx, [params.pieceId]);
      return redirect('/basket');
    }
    const unmark = field(form, 'unmark');
    if (unmark) {
      const state = await basketState(tx, params.pieceId);
      if (state)
        await putInBasket(tx, householdId, params.pieceId, {
          ...state,
          stains: state.stains.filter((s) => s.id !== unmark),
        });
      return redirect(`/basket/${params.pieceId}`);
    }
    const read = readForm(form, basketStateSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const before = await basketState(tx, params.pieceId);
    const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    const late = overtaken(form, shownState(before ?? emptyState, timeZone));
    if (late) return conflict(late);
    await putInBasket(tx, householdId, params.pieceId, toBasketState(read.value, before, timeZone));
    return redirect('/basket');
  });

const Marks = styled(Rows)`
  li {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    align-items: center;
    max-width: 36rem;
  }
`;

export default function BasketPiece({ loaderData: { piece, today, marks, seen }, actionData }: Route.ComponentProps) {
  const reply = actionData && 'status' in actionData ? actionData : null;
  const start = { soil: piece.state.soil, activity: piece.state.activity, neededBy: piece.neededByDate };
  const value = (name: keyof typeof start): string => (reply ? String(typedValue(reply, name) ?? '') : start[name]);
  return (
    <>
      <PageHead>
        <div>
          <h1>{piece.name}</h1>
          <p>
            What is special about it today? <Link to={`/pieces/${piece.id}`}>Label, colour and history</Link>
          </p>
        </div>
      </PageHead>
      <FormStack seen={seenOf(reply, seen)}>
        <div style={{ maxWidth: '22rem' }}>
          <Fold cloth={piece.cloth} name={piece.name} height={44} />
        </div>
        <NotStored reply={reply}>{errorOf(reply, '') ?? 'Look at the marked fields.'}</NotStored>
        <ChoiceField
          name="soil"
          label="Soil"
          defaultValue={value('soil')}
          error={errorOf(reply, 'soil')}
          options={[
            ['none', 'None'],
            ['light', 'Light'],
            ['normal', 'Normal'],
            ['heavy', 'Heavy'],
            ['hazardous', 'Fuel, oil or solvent'],
          ]}
        />
        <ChoiceField
          name="activity"
          label="Worn"
          defaultValue={value('activity')}
          error={errorOf(reply, 'activity')}
          options={[
            ['rest', 'Resting'],
            ['normal', 'As usual'],
            ['sweaty', 'Sweaty'],
          ]}
        />
        <ChoiceField
          type="checkbox"
          name="odour"
          label="Smell"
          defaultValue={reply ? (typedValue(reply, 'odour') ?? '') : piece.state.odour ? 'on' : ''}
          options={[['on', 'It smells']]}
        />
        <ChoiceField
          type="checkbox"
          name="hygiene"
          label="Illness"
          defaultValue={reply ? (typedValue(reply, 'hygiene') ?? '') : piece.state.hygiene ? 'on' : ''}
          options={[['on', 'Illness in the house, nappies: wash hot']]}
        />
        <FieldGrid>
          <TextField
            type="date"
            name="neededBy"
            label="Needed by"
            defaultValue={value('neededBy')}
            error={errorOf(reply, 'neededBy')}
            hint={`Today is ${today}.`}
          />
        </FieldGrid>
        <Actions>
          <Button type="submit" name="intent" value="keep">
            Keep
          </Button>
          <Button type="submit" name="intent" value="out" $quiet>
            Take it out of the basket
          </Button>
        </Actions>
      </FormStack>
      <Section>
        <h2>Marks</h2>
        <PostForm>
          <Marks>
            {marks.map((m) => (
              <li key={m.id}>
                <span>{m.text}</span>
                <TextButton type="submit" name="unmark" value={m.id} aria-label={`It is gone: ${m.text}`}>
                  It is gone
                </TextButton>
              </li>
            ))}
          </Marks>
        </PostForm>
        {marks.length === 0 && <Quiet>No stain is marked.</Quiet>}
        <Actions>
          <LinkButton $quiet href={`/basket/${piece.id}/stain`}>
            Mark a stain
          </LinkButton>
          {marks.length > 0 && (
            <LinkButton $quiet href="/treat">
              To the stain bench
            </LinkButton>
          )}
        </Actions>
      </Section>
    </>
  );
}
