/** One visit to the cleaner: the slip to print, then what is compared when it is back. */
import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { isReturnAnswer, returnLooks, type ReturnLook } from '@core/cleaner/visit.ts';
import { isDay } from '@formats/dates.ts';
import { takeFromBasket } from '@data/basket.ts';
import { changeVisit, dropSlip, findVisit } from '@data/cleaner.ts';
import { appendEvents, type NewEvent } from '@data/events.ts';
import { listPieces } from '@data/garments.ts';
import { beginFreshening } from '@data/freshenings.ts';
import type { CleanerPiece } from '@data/schema.ts';
import type { Route } from './+types/slip';
import { conflict, field, notFound, onSubmit, withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions, ChoiceField, FieldGrid, NumberField, TextField } from '../ui/fields.tsx';
import { LabelRow } from '../ui/care-symbols.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { slipView, type SlipPiece } from './cleaner-view.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.title ?? 'Slip'} · Neat Fold` }];
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const view = await slipView(scope, params.visitId);
    if (!view) throw notFound('There is no such slip.');
    return view;
  });

const refuse = (message: string) => data({ message }, { status: 422 });
const elsewhere = { message: 'That was done on another screen already.' };
const short = 300;

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const id = args.params.visitId;
    const visit = await findVisit(tx, id);
    if (!visit) throw notFound('There is no such slip.');
    const here = redirect(`/cleaner/${id}`);
    for (const p of visit.pieces)
      if (field(form, `say-${p.garment}`).length > short || field(form, `keeps-${p.garment}`).length > short)
        return refuse(`What the cleaner should know, what stays at home: at most ${short} characters each.`);
    if (field(form, 'note').length > short) return refuse(`Note: at most ${short} characters.`);
    const told = (p: CleanerPiece): CleanerPiece => ({
      ...p,
      say: field(form, `say-${p.garment}`),
      keeps: field(form, `keeps-${p.garment}`),
    });
    switch (field(form, 'intent')) {
      case 'keep':
        return (await changeVisit(tx, id, 'written', { pieces: visit.pieces.map(told) })) ? here : conflict(elsewhere);
      case 'drop':
        return (await dropSlip(tx, id)) ? redirect('/cleaner') : conflict(elsewhere);
      case 'sent': {
        const expectedOn = field(form, 'expectedOn');
        if (expectedOn && !isDay(expectedOn)) return refuse('Back on: a day that exists, like 2026-12-04.');
        const change = { sentAt: now, expectedOn: expectedOn || null, pieces: visit.pieces.map(told) };
        if (!(await changeVisit(tx, id, 'written', change))) return conflict(elsewhere);
        await takeFromBasket(
          tx,
          visit.pieces.map((p) => p.garment),
        );
        return here;
      }
      case 'back': {
        const price = Number(field(form, 'price').replace(',', '.'));
        if (field(form, 'price') === '' || !(price >= 0 && price <= 10_000))
          return refuse('Price: what was paid, from 0 to 10,000.');
        const pieces: CleanerPiece[] = [];
        for (const p of visit.pieces) {
          const answers: Partial<Record<ReturnLook, string>> = {};
          for (const look of returnLooks) {
            const answer = field(form, `${look}-${p.garment}`);
            if (!answer) continue;
            if (!isReturnAnswer(look, answer)) return refuse('Answers: choose one of those offered.');
            answers[look] = answer;
          }
          pieces.push({ ...p, answers });
        }
        const worth = field(form, 'worth');
        const worthIt = worth === 'yes' ? true : worth === 'no' ? false : null;
        const note = field(form, 'note');
        if (!(await changeVisit(tx, id, 'away', { returnedAt: now, price, worthIt, note, pieces })))
          return conflict(elsewhere);
        const known = new Set((await listPieces(tx)).map((p) => p.row.id));
        const home = pieces.filter((p) => known.has(p.garment)); // one may have been deleted while it was away
        await appendEvents(
          scope,
          home.map((p): NewEvent => ({
            garmentId: p.garment,
            kind: 'cleaned',
            at: now,
            data: {
              cleaned: { cost: Math.round((100 * price) / pieces.length) / 100, worthIt },
              ...(note ? { note } : {}),
            },
          })),
        );
        for (const p of home)
          if (p.answers.smell === 'solvent') await beginFreshening(tx, householdId, p.garment, 'air', now);
        return here;
      }
      default:
        return refuse('Nothing was chosen.');
    }
  });

const Card = styled.article`
  display: grid;
  gap: 0.6rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem;
  margin-bottom: 1rem;
  break-inside: avoid;
  dl {
    display: grid;
    grid-template-columns: 9rem minmax(0, 1fr);
    gap: 0.3rem 1rem;
  }
  dt {
    color: var(--ink-soft);
  }
  ${media.phone} {
    dl {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  ${media.print} {
    border-color: #000;
    padding: 3mm;
    margin-bottom: 3mm;
    font-size: 9.5pt;
    background: none;
    .screen {
      display: none;
    }
  }
`;
const Screen = styled.div`
  ${media.print} {
    display: none;
  }
`;
const PaperOnly = styled.p`
  display: none;
  ${media.print} {
    display: block;
  }
`;

function Piece({ piece: p, state }: { piece: SlipPiece; state: 'written' | 'away' | 'back' }) {
  return (
    <Card>
      <h2>
        <Swatch cloth={p.cloth} /> {p.name} <Quiet>{p.owner}</Quiet>
      </h2>
      {p.symbols.length > 0 && <LabelRow symbols={p.symbols} />}
      <dl>
        <dt>Cloth</dt>
        <dd>{p.facts}</dd>
        <dt>Marks</dt>
        <dd>{p.marks.length > 0 ? p.marks.join('; ') : 'none'}</dd>
        <dt>Tried so far</dt>
        <dd>
          {p.tried.length === 0
            ? 'nothing'
            : p.tried.map((t) => (
                <div key={`${t.when} ${t.text}`}>
                  {t.when}: {t.text}
                </div>
              ))}
        </dd>
        {(state !== 'written' || p.keeps) && (
          <>
            <dt>Stays at home</dt>
            <dd>{p.keeps || 'nothing'}</dd>
          </>
        )}
        {state !== 'written' && p.say && (
          <>
            <dt>Please</dt>
            <dd>{p.say}</dd>
          </>
        )}
        {p.before && (
          <>
            <dt className="screen">Before</dt>
            <dd className="screen">{p.before}</dd>
          </>
        )}
      </dl>
      {state === 'written' && (
        <FieldGrid className="screen">
          <TextField name={`say-${p.id}`} label="What the cleaner should know" defaultValue={p.say} />
          <TextField
            name={`keeps-${p.id}`}
            label="What stays at home"
            defaultValue={p.keeps}
            hint="Belt, hood, buttons that come off, unless they are marked too; one part to compare the colour with."
          />
        </FieldGrid>
      )}
      {state === 'away' && (
        <div className="screen">
          {p.looks.map((l) => (
            <ChoiceField
              key={l.look}
              type="radio"
              name={`${l.look}-${p.id}`}
              label={l.question}
              options={l.answers.map((a) => [a.value, a.words] as const)}
            />
          ))}
        </div>
      )}
      {state === 'back' &&
        p.looks
          .filter((l) => l.answer !== null)
          .map((l) => (
            <p key={l.look}>
              {l.question} <b>{l.answers.find((a) => a.value === l.answer)?.words}.</b> {l.remedy}
            </p>
          ))}
    </Card>
  );
}

export default function Slip({ loaderData: v, actionData }: Route.ComponentProps) {
  const pieces = v.pieces.map((p) => <Piece key={p.id} piece={p} state={v.state} />);
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.state === 'back' ? 'Back from the cleaner' : 'For the cleaner'}</h1>
          <p>
            {v.household}, {v.written}
          </p>
        </div>
        <Screen>
          <Actions>
            <LinkButton $quiet href="/cleaner">
              All slips
            </LinkButton>
            <Button type="button" $quiet onPress={() => window.print()}>
              Print
            </Button>
          </Actions>
        </Screen>
      </PageHead>
      {actionData && (
        <Notice severity="caution" live>
          {actionData.message}
        </Notice>
      )}
      {v.state === 'written' && (
        <PostForm key="written">
          {pieces}
          <Screen>
            <Notice title="Before it goes">
              Take off and keep what comes off, unless it is marked too. Show each mark, and hide nothing that was
              tried: it decides what is safe.
            </Notice>
            <FieldGrid>
              <TextField name="expectedOn" label="Back on" type="date" defaultValue={v.expectedOn} />
            </FieldGrid>
            <Actions>
              <Button type="submit" name="intent" value="sent">
                It is on its way
              </Button>
              <Button type="submit" name="intent" value="keep" $quiet>
                Store the slip
              </Button>
              <Button type="submit" name="intent" value="drop" $quiet $danger>
                Throw it away
              </Button>
            </Actions>
          </Screen>
          <PaperOnly>Expected back: ______________ Price: ______________</PaperOnly>
        </PostForm>
      )}
      {v.state === 'away' && (
        <PostForm key="away">
          {pieces}
          <Screen>
            <Section>
              <h2>It is back</h2>
              <FieldGrid>
                <NumberField name="price" label="Price of all" suffix={v.currency} required />
                <TextField name="note" label="Note" />
              </FieldGrid>
              <ChoiceField
                type="radio"
                name="worth"
                label="Was it worth it?"
                options={[
                  ['yes', 'Yes'],
                  ['no', 'No'],
                  ['', 'I do not know yet'],
                ]}
              />
              <Notice>Out of the bag at once, and aired before it is stored.</Notice>
              <Actions>
                <Button type="submit" name="intent" value="back">
                  Compared, it is home
                </Button>
              </Actions>
            </Section>
          </Screen>
        </PostForm>
      )}
      {v.state === 'back' && (
        <>
          {pieces}
          <p>
            {v.price && `${v.price} ${v.currency}. `}
            {v.worthIt === null ? '' : v.worthIt ? 'It was worth it. ' : 'It was not worth it. '}
            {v.note}
          </p>
        </>
      )}
    </>
  );
}
