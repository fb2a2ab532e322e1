import { data, Form, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import type { AgentId } from '@core/chemistry/agents.ts';
import { firstAidWords } from '@words/en/first-aid.ts';
import { findStains, stainWords } from '@core/phrase/stain-words.ts';
import { identify, type Clues } from '@core/stain/identify.ts';
import { clueWords } from '@words/en/bench.ts';
import { briefName } from '@words/en/names.ts';
import { stainKinds, type StainKind } from '@core/stain/stains.ts';
import { basketState, emptyState, putInBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { findPiece } from '@data/garments.ts';
import { agentNames, stainNames } from '@words/en/things.ts';
import type { Route } from './+types/stain';
import { ageChoices, freeStainId, heatChoices, stainSchema, toMarkedStain } from './stain-form.ts';
import { errorOf, readForm, typedValue } from '../forms/read.ts';
import { notFound, withHousehold, onSubmit } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, ChoiceField, FieldGrid, FormStack, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { Fold } from '../ui/fold.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { Notice } from '../ui/notice.tsx';
import { MarkPlace } from '../ui/drawing/mark-place.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { clothOf } from '../shared/cloth.ts';
import { drawingOf } from '../shared/drawing.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `A mark on ${loaderData.name}` : 'A mark'} · Neat Fold` },
];

/** Household agents that people reach for before they ask. */
const commonlyTried: readonly AgentId[] = [
  'water',
  'det-colour-liquid',
  'soap-dish',
  'soap-bar',
  'enzyme-prespotter',
  'oxy-percarbonate',
  'vinegar-white',
  'baking-soda',
  'table-salt',
  'isopropyl-alcohol',
  'chlorine-bleach',
];
const options = <T extends Record<string, string>>(words: T): (readonly [string, string])[] => Object.entries(words);

export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const piece = await findPiece(tx, params.pieceId);
    if (!piece) throw notFound('That piece is not in the wardrobe.');
    const query = new URL(request.url).searchParams;
    const clue = <K extends keyof Clues>(key: K): Clues[K] =>
      Object.keys(clueWords[key]).includes(query.get(key) ?? '') ? (query.get(key) as Clues[K]) : undefined;
    const clues = { look: clue('look'), feel: clue('feel'), smell: clue('smell'), source: clue('source') };
    const word = (query.get('word') ?? '').slice(0, 60);
    const asked = word !== '' || Object.values(clues).some((c) => c !== undefined);
    const fits: { kind: StainKind; why: string }[] =
      word !== ''
        ? findStains(word).map((kind) => ({ kind, why: stainWords[kind].slice(1).join(', ') }))
        : identify(Object.fromEntries(Object.entries(clues).filter(([, x]) => x !== undefined)))
            .slice(0, 6)
            .map(({ kind, fit }) => ({ kind, why: fit === 1 ? 'fits all you said' : 'fits in part' }));
    const chosen = stainKinds.find((k) => k === query.get('kind')) ?? fits[0]?.kind;
    return {
      id: piece.row.id,
      name: piece.row.name,
      cloth: clothOf(piece.row),
      drawing: drawingOf(piece.row.kind),
      clues,
      word,
      asked,
      fits: fits.map((f) => ({ ...f, name: stainNames[f.kind] })),
      kind: chosen ?? '',
      kinds: stainKinds.map((k) => [k, stainNames[k]] as const).sort((a, b) => a[1].localeCompare(b[1])),
      firstAid: chosen ? firstAidWords[chosen] : null,
      tried: commonlyTried.map((a) => [a, briefName(agentNames[a])] as const),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const { params } = args;
    if (!(await findPiece(tx, params.pieceId))) throw notFound('That piece is not in the wardrobe.');
    const read = readForm(form, stainSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const before = (await basketState(tx, params.pieceId)) ?? emptyState;
    const stain = toMarkedStain(read.value, freeStainId(before.stains), now);
    await putInBasket(tx, householdId, params.pieceId, { ...before, stains: [...before.stains, stain] });
    await appendEvents(scope, [
      {
        garmentId: params.pieceId,
        kind: 'stained',
        at: now,
        data: { note: `${stainNames[stain.kind]}${stain.place ? `, ${stain.place}` : ''}` },
      },
    ]);
    return redirect('/treat');
  });

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 24rem) minmax(0, 1fr);
  gap: 1.5rem 3rem;
  align-items: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Fits = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  a {
    display: grid;
    min-height: 44px;
    align-content: center;
    padding: 0.3rem 0.8rem;
    border: 1.5px solid var(--hairline);
    border-radius: 12px 4px 12px 4px;
    text-decoration: none;
    background: var(--paper);
  }
  a[aria-current='true'] {
    border-color: var(--ink);
    background: var(--wash);
  }
  small {
    color: var(--ink-soft);
  }
`;
const Finder = styled(Form)`
  display: grid;
  gap: 0.8rem;
  max-width: 46rem;
  > div:first-child {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.7rem;
    align-items: end;
  }
  details > div {
    display: grid;
    gap: 0.8rem;
    margin-top: 0.8rem;
  }
  summary {
    cursor: pointer;
    min-height: 44px;
    display: list-item;
    align-content: center;
  }
`;

export default function BasketStain({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData && 'status' in actionData ? actionData : null;
  const value = (name: string, start: string): string => (reply ? String(typedValue(reply, name) ?? '') : start);
  const search = (kind: string): string =>
    `?${new URLSearchParams({ ...(v.word && { word: v.word }), ...Object.fromEntries(Object.entries(v.clues).filter((e): e is [string, NonNullable<(typeof e)[1]>] => e[1] !== undefined)), kind }).toString()}`;
  return (
    <>
      <PageHead>
        <div>
          <h1>A mark on {v.name}</h1>
          <p>
            What it is, where, and how long it has been there decides what helps.{' '}
            <Link to={`/pieces/${v.id}`}>Label and history</Link>
          </p>
        </div>
        <div style={{ width: '16rem' }}>
          <Fold cloth={v.cloth} name={v.name} height={40} />
        </div>
      </PageHead>
      <Section>
        <h2>What is it?</h2>
        <Finder method="get">
          <div>
            <TextField
              name="word"
              label="Find it by a word"
              defaultValue={v.word}
              placeholder="ketchup, bicycle chain, pen"
            />
            <Button type="submit" $quiet>
              Find it
            </Button>
          </div>
          <details open={Object.values(v.clues).some((c) => c !== undefined)}>
            <summary>I do not know what it is</summary>
            <div>
              <ChoiceField name="look" label="It looks" defaultValue={v.clues.look} options={options(clueWords.look)} />
              <ChoiceField name="feel" label="It feels" defaultValue={v.clues.feel} options={options(clueWords.feel)} />
              <ChoiceField
                name="smell"
                label="It smells of"
                defaultValue={v.clues.smell}
                options={options(clueWords.smell)}
              />
              <ChoiceField
                name="source"
                label="It comes from"
                defaultValue={v.clues.source}
                options={options(clueWords.source)}
              />
              <Actions>
                <Button type="submit" $quiet>
                  What may it be?
                </Button>
              </Actions>
            </div>
          </details>
        </Finder>
        {v.asked &&
          (v.fits.length === 0 ? (
            <Notice title="Nothing fits">
              Try another word, or take “Old unknown stain” below: it begins cold and careful.
            </Notice>
          ) : (
            <Fits aria-label="What it may be">
              {v.fits.map((f) => (
                <li key={f.kind}>
                  <Link to={search(f.kind)} preventScrollReset aria-current={f.kind === v.kind ? 'true' : undefined}>
                    {f.name}
                    <small>{f.why}</small>
                  </Link>
                </li>
              ))}
            </Fits>
          ))}
        {v.firstAid && <Notice title="First">{v.firstAid}.</Notice>}
      </Section>
      <FormStack key={v.kind} style={{ marginTop: '1.75rem' }}>
        <NotStored reply={reply} />
        <Two>
          <MarkPlace id={v.drawing} cloth={v.cloth} name="place" defaultValue={value('place', '')} />
          <div style={{ display: 'grid', gap: '1.2rem' }}>
            <FieldGrid>
              <SelectField
                name="kind"
                label="Kind of mark"
                defaultValue={value('kind', v.kind)}
                error={errorOf(reply, 'kind')}
                options={[['', 'Choose'], ...v.kinds]}
              />
              <NumberField
                name="sizeCm"
                label="Across"
                suffix="cm"
                defaultValue={value('sizeCm', '2')}
                error={errorOf(reply, 'sizeCm')}
              />
            </FieldGrid>
            <ChoiceField
              name="age"
              label="How old is it?"
              defaultValue={value('age', 'today')}
              error={errorOf(reply, 'age')}
              options={ageChoices.map(([id, words]) => [id, words] as const)}
            />
            <ChoiceField
              name="heat"
              label="Has it met heat?"
              defaultValue={value('heat', 'none')}
              error={errorOf(reply, 'heat')}
              options={options(heatChoices)}
            />
            <ChoiceField
              type="checkbox"
              name="tried"
              label="Tried already"
              defaultValue={reply ? (typedValue(reply, 'tried') ?? []) : []}
              error={errorOf(reply, 'tried')}
              options={v.tried}
            />
            <Quiet>What was tried changes the odds and what may follow.</Quiet>
          </div>
        </Two>
        <Actions>
          <Button type="submit" name="intent" value="mark">
            Mark it
          </Button>
          <Link to={`/basket/${v.id}`}>Back to the piece</Link>
        </Actions>
      </FormStack>
    </>
  );
}
