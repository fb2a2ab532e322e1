import type { ColumnDef } from '@tanstack/react-table';
import { Form, Link, redirect, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import { takeBackLast } from '@data/log.ts';
import type { Route } from './+types/log';
import { conflict, field, onSubmit, withHousehold } from '../server/request.server.ts';
import { plural } from '../shared/words.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { SelectField, TextField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { SortTable } from '../ui/sort-table.tsx';
import { logHref, logViews, readLogQuery, shownWords, viewWords } from './log-filter.ts';
import { logView, type EntryView, type PersonRowView, type PieceRowView } from './log-view.server.ts';
import { Days } from './parts/days.tsx';
import { Loads } from './parts/loads.tsx';
import { LookBack } from './parts/look-back.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Log · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => logView(scope, readLogQuery(new URL(request.url).searchParams)));

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const newest = Number(field(form, 'newest'));
    if (!(await takeBackLast(scope, newest, scope.now)))
      return conflict({ error: 'Something was written since, or it was taken back already. Nothing was changed.' });
    return redirect('/log');
  });

const Filters = styled(Form)`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(10rem, 100%), 1fr));
  gap: 0.6rem 1rem;
  align-items: end;
  margin: 0.3rem 0 0.6rem;
  details {
    grid-column: 1 / -1;
  }
  summary {
    cursor: pointer;
    min-height: 2.2rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
  }
  details > div {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(10rem, 100%), 1fr));
    gap: 0.6rem 1rem;
    max-width: 48rem;
  }
  ${media.print} {
    display: none;
  }
`;
const Tabs = styled.nav`
  display: flex;
  gap: 0 1.1rem;
  flex-wrap: wrap;
  a {
    min-height: 2.5rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
  }
  a[aria-current] {
    color: var(--ink);
    font-weight: 680;
    text-decoration-color: var(--ink);
  }
`;
const Last = styled(PostForm)`
  display: flex;
  gap: 0.2rem 0.7rem;
  flex-wrap: wrap;
  align-items: baseline;
  color: var(--ink-soft);
  ${media.print} {
    display: none;
  }
`;
const Piece = styled.span`
  display: inline-flex;
  gap: 0.6rem;
  align-items: center;
`;

const entryColumns: ColumnDef<EntryView>[] = [
  {
    id: 'name',
    header: 'Piece',
    cell: ({ row: { original: e } }) => (
      <Piece>
        <Swatch cloth={e.cloth} />
        <Link to={`/pieces/${e.piece}`}>{e.name}</Link>
      </Piece>
    ),
  },
  { id: 'at', header: 'When', cell: ({ row: { original: e } }) => `${e.day}, ${e.time}` },
  { id: 'kind', header: 'What', cell: ({ row: { original: e } }) => e.kind },
  {
    id: 'text',
    header: 'In words',
    cell: ({ row: { original: e } }) => `${e.text}${e.struck ? ' (taken back)' : e.corrected ? ' (corrected)' : ''}`,
  },
  { id: 'owner', header: 'Whose', cell: ({ row: { original: e } }) => e.owner },
  {
    id: 'change',
    header: 'Correct',
    cell: ({ row: { original: e } }) =>
      e.struck ? null : (
        <Link to={`/log/entries/${e.id}`} aria-label={`Put it right: ${e.name}, ${e.text}`}>
          Put it right
        </Link>
      ),
  },
];
const one = (x: number | null): string => (x === null ? '' : x.toFixed(1));
const pieceColumns: ColumnDef<PieceRowView>[] = [
  {
    id: 'name',
    header: 'Piece',
    cell: ({ row: { original: p } }) => (
      <Piece>
        <Swatch cloth={p.cloth} />
        <Link to={`/pieces/${p.id}`}>{p.name}</Link>
      </Piece>
    ),
  },
  { id: 'owner', header: 'Whose', cell: ({ row: { original: p } }) => p.owner },
  { id: 'wears', header: 'Wears', meta: { number: true }, cell: ({ row: { original: p } }) => p.wears },
  { id: 'washes', header: 'Washes', meta: { number: true }, cell: ({ row: { original: p } }) => p.washes },
  {
    id: 'perWash',
    header: 'Wears a wash',
    meta: { number: true },
    cell: ({ row: { original: p } }) =>
      p.perWash === null ? '' : `${one(p.perWash)}${p.usual === null ? '' : ` (usual ${p.usual})`}`,
  },
  { id: 'marks', header: 'Marks', meta: { number: true }, cell: ({ row: { original: p } }) => p.marks },
  {
    id: 'last',
    header: 'Last entry',
    cell: ({ row: { original: p } }) => <Link to={`/log?piece=${encodeURIComponent(p.id)}`}>{p.last}</Link>,
  },
];
const personColumns: ColumnDef<PersonRowView>[] = [
  { id: 'name', header: 'Who', cell: ({ row: { original: p } }) => <Link to={p.href}>{p.name}</Link> },
  { id: 'pieces', header: 'Pieces', meta: { number: true }, cell: ({ row: { original: p } }) => p.pieces },
  { id: 'wears', header: 'Wears', meta: { number: true }, cell: ({ row: { original: p } }) => p.wears },
  { id: 'perDay', header: 'Wears a day', meta: { number: true }, cell: ({ row: { original: p } }) => p.perDay },
  { id: 'washes', header: 'Washes', meta: { number: true }, cell: ({ row: { original: p } }) => p.washes },
  { id: 'marks', header: 'Marks', meta: { number: true }, cell: ({ row: { original: p } }) => p.marks },
];

export default function Log({ loaderData: v, actionData }: Route.ComponentProps) {
  const submit = useSubmit();
  const { query: q } = v;
  const asked = [q.q, q.show, q.owner, q.piece, q.load, q.from, q.to].some((x) => x !== '');
  const sortHref = (by: string, up: boolean): string => logHref(q, { sort: by, dir: up ? 'up' : 'down' });
  return (
    <>
      <PageHead>
        <div>
          <h1>Log</h1>
          <p>
            {v.about ? (
              <>
                Of <Link to={v.about.href}>{v.about.words}</Link> alone.{' '}
                <Link to={logHref(q, { piece: '' })}>Show everything</Link>
              </>
            ) : (
              'What happened, and when. The next plan rests on it: a mistake in it is put right, not rubbed out.'
            )}
          </p>
        </div>
        <LinkButton href="/log.csv" download="log.csv" target="_self" $quiet>
          Save as CSV
        </LinkButton>
      </PageHead>
      <LookBack />
      {actionData && (
        <Notice severity="caution" title="Not done" live>
          {actionData.error}
        </Notice>
      )}
      {v.last && (
        <Last preventScrollReset>
          <input type="hidden" name="newest" value={v.last.newest} />
          <span>{v.last.text}.</span>
          <TextButton type="submit">Take it back</TextButton>
        </Last>
      )}
      <Tabs aria-label="Read it">
        {logViews.map((id) => (
          <Link
            key={id}
            to={logHref(q, { view: id, sort: '', dir: 'down' })}
            aria-current={q.view === id ? 'page' : undefined}
            preventScrollReset
          >
            {viewWords[id]}
          </Link>
        ))}
      </Tabs>
      <Filters
        method="get"
        key={JSON.stringify(q)}
        onChange={(event) => {
          // What is typed is sent with Enter; what is chosen, at once.
          if (event.target instanceof HTMLSelectElement)
            void submit(event.currentTarget, { replace: true, preventScrollReset: true });
        }}
      >
        {q.view !== 'days' && <input type="hidden" name="view" value={q.view} />}
        {q.piece && <input type="hidden" name="piece" value={q.piece} />}
        {q.view !== 'people' && <TextField name="q" label="Search" type="search" defaultValue={q.q} />}
        {(q.view === 'days' || q.view === 'table') && (
          <SelectField
            name="show"
            label="What"
            defaultValue={q.show}
            options={[['', 'Everything'], ...Object.entries(shownWords)]}
          />
        )}
        <Button type="submit" $quiet>
          Look
        </Button>
        <details open={[q.owner, q.from, q.to].some((x) => x !== '')}>
          <summary>Whose, and which days</summary>
          <div>
            {q.view !== 'loads' && q.view !== 'people' && (
              <SelectField
                name="owner"
                label="Whose"
                defaultValue={q.owner}
                options={[['', 'Everybody'], ...v.owners.map((o) => [o, o] as const)]}
              />
            )}
            <TextField name="from" label="From" type="date" defaultValue={q.from} />
            {(q.view === 'days' || q.view === 'table' || q.view === 'loads') && (
              <TextField name="to" label="Up to" type="date" defaultValue={q.to} />
            )}
          </div>
        </details>
      </Filters>
      {v.empty && (
        <Empty
          title={asked ? 'Nothing of this kind' : 'Nothing logged yet'}
          action={
            asked ? (
              <LinkButton href={logHref(q, { q: '', show: '', owner: '', piece: '', load: '', from: '', to: '' })}>
                Show everything
              </LinkButton>
            ) : (
              <LinkButton href="/basket">To the basket</LinkButton>
            )
          }
        >
          {asked
            ? 'Ask for less, or for other days.'
            : 'What is worn, washed and tested stands here, and changes the next plan.'}
        </Empty>
      )}
      <Days days={v.days} />
      {v.next && (
        <p>
          <Link to={v.next}>Earlier days</Link>
        </p>
      )}
      {v.loads && <Loads rows={v.loads.rows} />}
      {v.loads?.next && (
        <p>
          <Link to={v.loads.next}>Earlier loads</Link>
        </p>
      )}
      {v.table && !v.empty && (
        <Section>
          <Quiet role="status">
            {v.table.atLeast ? 'At least ' : ''}
            {plural(v.table.total, 'entry', 'entries')}, page {v.table.page + 1} of {v.table.pages}
          </Quiet>
          <SortTable
            label="Entries of the log"
            isStruck={(e) => e.struck}
            rows={v.table.rows}
            columns={entryColumns}
            sortable={['name', 'at', 'kind', 'owner']}
            sorted={{ by: q.sort === '' ? 'at' : q.sort, up: q.dir === 'up' }}
            href={sortHref}
          />
          <nav aria-label="Pages" style={{ display: 'flex', gap: '1.2rem' }}>
            {v.table.page > 0 && <Link to={logHref(q, { page: v.table.page - 1 })}>Page before</Link>}
            {v.table.page + 1 < v.table.pages && <Link to={logHref(q, { page: v.table.page + 1 })}>Next page</Link>}
          </nav>
        </Section>
      )}
      {v.pieces && !v.empty && (
        <SortTable
          label="Pieces"
          rows={v.pieces}
          columns={pieceColumns}
          sortable={['name', 'owner', 'wears', 'washes', 'perWash', 'marks', 'last']}
          sorted={{ by: q.sort === '' ? 'wears' : q.sort, up: q.dir === 'up' }}
          href={sortHref}
        />
      )}
      {v.pieces && !v.empty && <Quiet>Of a year, or since the day asked for.</Quiet>}
      {v.people && !v.empty && (
        <>
          <SortTable
            label="People"
            rows={v.people}
            columns={personColumns}
            sortable={[]}
            sorted={{ by: 'wears', up: false }}
            href={sortHref}
          />
          <Quiet>Of a year, or since the day asked for. Whose a piece is stands on its page.</Quiet>
        </>
      )}
    </>
  );
}
