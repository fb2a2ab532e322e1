import { data, Link, redirect } from 'react-router';
import { correctEntry, findEntry } from '@data/log.ts';
import { readHousehold } from '@data/household.ts';
import { localMoment } from '@formats/dates.ts';
import type { Route } from './+types/entry';
import { errorOf, readForm, replyOf, typedValue } from '../forms/read.ts';
import { conflict, field, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { clockText, dayText } from '../shared/words.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions, FieldGrid, NumberField, TextField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { PageHead, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { corrected, entrySchema, fieldsOfEntry, shownEntry } from './entry-form.ts';
import { eventText } from './history.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Correct an entry · Neat Fold' }];

async function entryOr404({ tx }: Scope, id: string) {
  const entry = /^\d{1,15}$/.test(id) ? await findEntry(tx, Number(id)) : null;
  if (!entry) throw notFound('There is no such entry in the log.');
  const home = await readHousehold(tx);
  const currency = home?.document.tariff?.currency ?? 'EUR';
  return { entry, timeZone: home?.timeZone ?? 'UTC', currency };
}

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { entry, timeZone, currency } = await entryOr404(scope, params.entryId);
    return {
      piece: { id: entry.garmentId, name: entry.name },
      cloth: clothOf({ kind: entry.garmentKind, colours: entry.colours, traits: entry.traits }),
      text: eventText(entry.kind, entry.data, currency),
      when: `${dayText(entry.at, timeZone)}, ${clockText(entry.at, timeZone)}`,
      at: localMoment(entry.at, timeZone),
      latest: localMoment(scope.now, timeZone),
      fields: fieldsOfEntry(entry.kind, entry.data),
      shown: shownEntry(entry.data),
      struck: entry.struck,
      load: entry.loadId,
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { entry, timeZone } = await entryOr404(scope, args.params.entryId);
    const late = () => conflict(replyOf(form, { '': ['This entry was taken back already. Nothing was stored.'] }));
    if (field(form, 'intent') === 'never')
      return (await correctEntry(scope, entry, null, scope.now)) ? redirect('/log') : late();
    const read = readForm(form, entrySchema(timeZone, scope.now));
    if (!read.ok) return data(read.reply, { status: 422 });
    // To the minute, unless the minute stayed as it was.
    const same = localMoment(entry.at, timeZone) === localMoment(read.value.at, timeZone);
    const instead = {
      at: same ? entry.at : read.value.at,
      data: corrected(entry.kind, entry.data, read.value),
    };
    return (await correctEntry(scope, entry, instead, scope.now)) ? redirect('/log') : late();
  });

const words = {
  count: ['How often', 'Several at once count together.'],
  temperatureC: ['Temperature (°C)', 'Empty where nobody knows.'],
  grade: ['Grade', '1 is strong colour, 5 none; halves count.'],
  cm: ['Length (cm)', 'Flat and smoothed.'],
  note: ['Note', ''],
} as const;

export default function EntryPage({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const typed = (name: string, usual: string): string => {
    const value = typedValue(reply, name);
    return typeof value === 'string' ? value : usual;
  };
  const general = reply?.error?.['']?.join(' ');
  return (
    <>
      <PageHead>
        <div>
          <h1>Put an entry right</h1>
          <p>
            <Swatch cloth={v.cloth} /> <Link to={`/pieces/${v.piece.id}`}>{v.piece.name}</Link>: {v.text}. {v.when}.
          </p>
        </div>
        <LinkButton href="/log" $quiet>
          Back to the log
        </LinkButton>
      </PageHead>
      <NotStored reply={reply}>{general}</NotStored>
      {v.struck ? (
        <Notice title="Taken back">This entry counts no more. It stays in the log, struck through.</Notice>
      ) : (
        <PostForm style={{ display: 'grid', gap: '1.2rem', maxWidth: '46rem' }}>
          <FieldGrid>
            <TextField
              name="at"
              label="When"
              type="datetime-local"
              defaultValue={typed('at', v.at)}
              error={errorOf(reply, 'at')}
            />
            {v.fields.map((f) =>
              f === 'note' ? (
                <TextField
                  key={f}
                  name={f}
                  label={words[f][0]}
                  defaultValue={typed(f, v.shown[f])}
                  error={errorOf(reply, f)}
                />
              ) : (
                <NumberField
                  key={f}
                  name={f}
                  label={words[f][0]}
                  hint={words[f][1]}
                  defaultValue={typed(f, v.shown[f])}
                  error={errorOf(reply, f)}
                />
              ),
            )}
          </FieldGrid>
          <Actions>
            <Button type="submit" name="intent" value="change">
              Store what really happened
            </Button>
            <Button type="submit" name="intent" value="never" $danger>
              It did not happen
            </Button>
          </Actions>
        </PostForm>
      )}
      <Section>
        <h2>What changes</h2>
        <p>
          The entry as it was written stays in the log, struck through; what stands for it is a new one. Wears, washes,
          tests and what was learnt are reckoned anew from what counts.
          {v.load && (
            <>
              {' '}
              It came from <Link to={`/loads/${v.load}`}>a load</Link>, which stays as it ran.
            </>
          )}
        </p>
      </Section>
    </>
  );
}
