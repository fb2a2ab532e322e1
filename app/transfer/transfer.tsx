import { useState, type ChangeEvent } from 'react';
import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { createHousehold, readHousehold } from '@data/household.ts';
import {
  previewImport,
  recentImports,
  storeImport,
  storeLogImport,
  takeBackImport,
  type ImportPreview,
} from '@data/imports.ts';
import { lookAtLog, type LogPreview } from '@data/log-document.ts';
import { problemLine } from '@formats/problem.ts';
import { usualUnits } from '@core/units/choices.ts';
import type { Route } from './+types/transfer';
import { fieldWords } from '../forms/read.ts';
import { keyField, keyShape } from '../forms/names.ts';
import { nowIn } from '../server/door.server.ts';
import { field, formOf, notFound, onSubmit, withHousehold, type Scope, founding } from '../server/request.server.ts';
import { dayAndYear, plural } from '../shared/words.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions, AreaField, FormStack, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { readBrought } from './document.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Bring in and take out · Neat Fold' }];

/** A file of a large household. */
const mostBytes = 6_000_000;

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const view = await readHousehold(tx);
    if (!view) throw notFound('There is no household yet.');
    const done = new URL(request.url).searchParams.get('done');
    return {
      done: done === 'stored' || done === 'back' ? done : null,
      imports: (await recentImports(tx)).map((i) => ({
        id: i.id,
        words: `${dayAndYear(i.at, view.timeZone)}: ${i.note}, ${i.entries > 0 ? `${plural(i.entries, 'entry', 'entries')} added` : `${plural(i.added, 'piece')} added, ${i.changed} changed`}`,
      })),
    };
  });

interface Looked {
  text: string;
  problems: string[];
  notes: string[];
  preview: ImportPreview | null;
  log: LogPreview | null;
  isHamper: boolean;
}
const answer = (text: string, part: Partial<Looked>, status: number) =>
  data<Looked>({ text, problems: [], notes: [], preview: null, log: null, isHamper: false, ...part }, { status });

/** The text as it was sent: line breaks and all. */
const textIn = (form: FormData): string => {
  const text = form.get('text');
  return typeof text === 'string' ? text : '';
};

/** Make a household of its own from a document, under the form's key: sent twice it is one household. */
async function asHousehold(context: Route.ActionArgs['context'], form: FormData, now: Date) {
  const id = field(form, keyField);
  const text = textIn(form);
  if (!keyShape.test(id))
    throw new Response('This form is not complete. Open its page again and send it from there.', { status: 400 });
  const brought = readBrought(text);
  if (brought.is !== 'hamper')
    return answer(text, { problems: ['Only a hamper document can become a household of its own.'] }, 422);
  const name = field(form, 'name').slice(0, 60) || 'Brought in';
  await founding(context, id, async (tx) => {
    if (await readHousehold(tx)) return;
    await createHousehold(tx, id, {
      name,
      timeZone: 'UTC',
      document: brought.document.household,
      nets: { all: 4, withoutMetal: 2 },
      poisonCentre: null,
      children: false,
      units: usualUnits,
      measures: {},
    });
    await storeImport(
      { tx, householdId: id, actor: 'home' },
      { garments: brought.garments, note: 'its first document', now, withState: true },
    );
  });
  return redirect('/wardrobe', { headers: await nowIn(context, id) });
}

async function bringIn(scope: Scope, form: FormData) {
  const text = textIn(form);
  const intent = field(form, 'intent');
  if (intent === 'take-back') {
    await takeBackImport(scope, field(form, 'import'), scope.now);
    return redirect('/transfer?done=back');
  }
  const brought = readBrought(text);
  if (brought.is === 'refused') return answer(text, { problems: brought.problems }, 422);
  if (brought.is === 'lines') return redirect(`/pieces/several?${new URLSearchParams({ text: text.slice(0, 5_000) })}`);
  if (brought.is === 'log') {
    const looked = await lookAtLog(scope.tx, brought.entries, scope.now);
    if (!looked.ok) return answer(text, { problems: looked.problems.map(problemLine) }, 422);
    if (intent !== 'store') return answer(text, { log: looked.value.preview }, 200);
    await storeLogImport(scope, looked.value.events, 'a log');
    return redirect('/transfer?done=stored');
  }
  const preview = await previewImport(scope.tx, brought.garments);
  const isHamper = brought.is === 'hamper';
  if (intent !== 'store') return answer(text, { preview, notes: brought.notes, isHamper }, 200);
  await storeImport(scope, {
    garments: brought.garments,
    note: isHamper ? 'a hamper document' : 'a wardrobe table',
    now: scope.now,
    withState: isHamper,
  });
  return redirect('/transfer?done=stored');
}

export const action = async (args: Route.ActionArgs) => {
  const form = await formOf(args.request.clone(), mostBytes);
  if (field(form, 'intent') === 'own') return asHousehold(args.context, form, new Date());
  return onSubmit(args, bringIn, { repeatable: (f) => field(f, 'intent') === 'look', mostBytes });
};

const Columns = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  gap: 0 3rem;
`;
const Ways = styled(Rows)`
  > li {
    display: grid;
    gap: 0.5rem;
    justify-items: start;
    padding: 0.8rem 0;
  }
`;
const Problems = styled.ul`
  max-height: 18rem;
  overflow: auto;
  font-family: ui-monospace, monospace;
  font-size: 0.9rem;
`;

export default function Transfer({ loaderData: v, actionData }: Route.ComponentProps) {
  const looked = actionData ?? null;
  const [text, setText] = useState(looked?.text ?? '');
  const readFile = (event: ChangeEvent<HTMLInputElement>): void => {
    void event.target.files?.[0]?.text().then(setText);
  };
  const p = looked?.preview ?? null;
  const ready = p !== null || (looked?.log !== null && looked?.log !== undefined);
  return (
    <>
      <PageHead>
        <div>
          <h1>Bring in and take out</h1>
          <p>Your household as open documents: keep a copy, move it, write it in a spreadsheet, take it elsewhere.</p>
        </div>
      </PageHead>
      <Columns>
        <Section>
          <h2>Bring in</h2>
          {v.done === 'stored' && !looked && (
            <Notice live title="Stored">
              It can be taken back below.
            </Notice>
          )}
          {v.done === 'back' && !looked && (
            <Notice live title="Taken back">
              What it added is gone, what it changed is as before.
            </Notice>
          )}
          <FormStack>
            {looked && looked.problems.length > 0 && (
              <Notice severity="caution" title="Nothing was stored" live>
                {plural(looked.problems.length, 'place')} to mend; then look again:
                <Problems tabIndex={0} aria-label="What is wrong">
                  {looked.problems.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </Problems>
              </Notice>
            )}
            <label style={{ display: 'grid', gap: '0.3rem', fontWeight: 600 }}>
              A file (.json or .csv)
              <input
                type="file"
                style={{ width: '100%', minWidth: 0, minHeight: '2.75rem' }}
                accept=".json,.csv,.txt,application/json,text/csv,text/plain"
                onChange={readFile}
              />
            </label>
            <AreaField
              name="text"
              label="Or its text, pasted"
              rows={10}
              value={text}
              onChange={setText}
              hint="A hamper document, a wardrobe table or a log with its header, or one piece a line."
            />
            {p && (
              <Notice title="This would be stored" live>
                {plural(p.added.length, 'piece')} added, {p.changed.length} changed, {p.same} as they are.
                {looked?.notes.map((n) => (
                  <span key={n}> {n}.</span>
                ))}
                <Problems tabIndex={0} aria-label="What would change">
                  {p.changed.map((c) => (
                    <li key={c.id}>
                      {c.name}: {c.fields.map((f) => fieldWords(f).toLowerCase()).join(', ')}
                    </li>
                  ))}
                  {p.added.map((c) => (
                    <li key={c.id}>+ {c.name}</li>
                  ))}
                </Problems>
              </Notice>
            )}
            {looked?.log && (
              <Notice title="This would be added to the log" live>
                {looked.log.added.length === 0
                  ? 'Nothing new'
                  : looked.log.added.map((a) => `${a.count} ${a.event}`).join(', ')}
                ; {plural(looked.log.same, 'entry is', 'entries are')} in it already.
              </Notice>
            )}
            <Actions>
              <Button type="submit" name="intent" value="look" $quiet={ready}>
                {ready ? 'Look again' : 'Look what is in it'}
              </Button>
              {ready && (
                <Button type="submit" name="intent" value="store">
                  Store in this household
                </Button>
              )}
            </Actions>
            {looked?.isHamper && (
              <Actions>
                <TextField name="name" label="Or as a household of its own, named" defaultValue="Brought in" />
                <Button type="submit" name="intent" value="own" $quiet>
                  Make it a household
                </Button>
              </Actions>
            )}
          </FormStack>
          {v.imports.length > 0 && (
            <Rows>
              {v.imports.map((i) => (
                <li key={i.id}>
                  <PostForm>
                    <input type="hidden" name="import" value={i.id} />
                    <Quiet>{i.words}. </Quiet>
                    <TextButton type="submit" name="intent" value="take-back">
                      Take it back
                    </TextButton>
                  </PostForm>
                </li>
              ))}
            </Rows>
          )}
        </Section>
        <Section>
          <h2>Take out</h2>
          <Ways>
            <li>
              <p>
                Everything, to keep or to move: log, loads, plans, pictures, wishes, what was learnt and switched off.
              </p>
              <Actions>
                <LinkButton href="/household.zip" download="household.zip" target="_self">
                  Archive, ZIP
                </LinkButton>
                <LinkButton href="/transfer/archive" $quiet>
                  Bring one in
                </LinkButton>
              </Actions>
            </li>
            <li>
              <p>The household as it stands: machines, rules, cupboard, every piece with its tests and measures.</p>
              <LinkButton href="/household.json" download="household.json" target="_self" $quiet>
                Household, JSON
              </LinkButton>
            </li>
            <li>
              <p>What lies in the basket today, ready to be planned.</p>
              <LinkButton href="/hamper.json" download="hamper.json" target="_self" $quiet>
                Basket, JSON
              </LinkButton>
            </li>
            <li>
              <p>The wardrobe as a table for a spreadsheet.</p>
              <LinkButton href="/wardrobe.csv" download="wardrobe.csv" target="_self" $quiet>
                Wardrobe, CSV
              </LinkButton>
            </li>
            <li>
              <p>The log as a table: one thing a row, with its unit.</p>
              <LinkButton href="/log.csv" download="log.csv" target="_self" $quiet>
                Log, CSV
              </LinkButton>
            </li>
            <li>
              <p>The newest plan with the basket it was made from.</p>
              <Actions>
                <LinkButton href="/plan.json" download="plan.json" target="_self" $quiet>
                  Plan, JSON
                </LinkButton>
                <LinkButton href="/hamper.json?plan" download="hamper.json" target="_self" $quiet>
                  Its basket, JSON
                </LinkButton>
              </Actions>
            </li>
          </Ways>
        </Section>
      </Columns>
    </>
  );
}
