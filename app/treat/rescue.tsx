import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { rescues, type RescueId } from '@core/stain/rescue.ts';
import { rescueWords } from '@words/en/rescue.ts';
import { basketState, emptyState, putInBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { listPieces } from '@data/garments.ts';
import { stainNames } from '@words/en/things.ts';
import type { Route } from './+types/rescue';
import { freeStainId } from './stain-form.ts';
import { field, withHousehold, onSubmit, fieldsOf } from '../server/request.server.ts';
import { beginTreatment } from './treat-actions.server.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Rows, Section } from '../ui/page.tsx';
import { clothOf } from '../shared/cloth.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Urgent · Neat Fold' }];
const ids = Object.keys(rescues) as RescueId[];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const query = new URL(request.url).searchParams;
    const chosen = ids.find((id) => id === query.get('what')) ?? null;
    const told = new Set(query.getAll('piece').slice(0, 200));
    return {
      list: ids.map((id) => ({ id, title: rescueWords[id].title })),
      chosen: chosen && { id: chosen, ...rescues[chosen], ...rescueWords[chosen] },
      pieces: (await listPieces(tx))
        .map((p) => ({
          id: p.row.id,
          name: p.row.name,
          cloth: clothOf(p.row),
          inBasket: p.basket !== null,
          told: told.has(p.row.id),
        }))
        .sort((a, b) => Number(b.told) - Number(a.told) || Number(b.inBasket) - Number(a.inBasket)),
    };
  });

/** Mark the chosen pieces and begin their treatment at once. */
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const what = ids.find((id) => id === field(form, 'what'));
    const pieces = fieldsOf(form, 'piece');
    if (!what) return data({ text: 'That is not known here.' }, { status: 400 });
    if (pieces.length === 0) return data({ text: 'Choose the pieces it has happened to.' }, { status: 422 });
    const { tx, householdId, now } = scope;
    const known = new Set((await listPieces(tx)).map((p) => p.row.id));
    const { kind } = rescues[what];
    for (const garmentId of pieces.filter((p) => known.has(p))) {
      const before = (await basketState(tx, garmentId)) ?? emptyState;
      const same = before.stains.find((s) => s.kind === kind);
      const id = same?.id ?? freeStainId(before.stains);
      if (!same)
        await putInBasket(tx, householdId, garmentId, {
          ...before,
          soil: what === 'fuel' ? 'hazardous' : before.soil,
          stains: [
            ...before.stains,
            {
              id,
              kind,
              ageHours: 0.2,
              heatSet: false,
              heat: 'none',
              place: '',
              tried: [],
              sizeCm: what === 'dye-transfer' ? null : 3,
              failedRounds: 0,
              notedAt: now.toISOString(),
            },
          ],
        });
      await appendEvents(scope, [
        { garmentId, kind: 'stained', at: now, data: { note: `${stainNames[kind]}, found just now` } },
      ]);
      await beginTreatment(scope, garmentId, id);
    }
    return redirect('/treat');
  });

const Choices = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(17rem, 100%), 1fr));
  gap: 0.7rem;
  a {
    display: grid;
    min-height: 4rem;
    align-content: center;
    padding: 0.6rem 1rem;
    border: 1.5px solid var(--hairline);
    border-radius: 4px 16px 4px 16px;
    background: var(--paper);
    text-decoration: none;
    font-weight: 640;
  }
  a[aria-current='true'] {
    border-color: var(--ink);
    background: var(--wash);
  }
`;
const Big = styled.ol`
  display: grid;
  gap: 0.6rem;
  font-size: 1.2rem;
  padding-left: 1.5rem;
  list-style: decimal;
  max-width: 44rem;
`;
const Pick = styled(Rows)`
  grid-template-columns: repeat(auto-fill, minmax(min(16rem, 100%), 1fr));
  gap: 0 1.4rem;
  label {
    display: grid;
    grid-template-columns: auto auto minmax(0, 1fr);
    gap: 0.7rem;
    min-height: 2.75rem;
    align-items: center;
    cursor: pointer;
  }
  input {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
`;

export default function RescuePage({ loaderData: v, actionData }: Route.ComponentProps) {
  const c = v.chosen;
  return (
    <>
      <PageHead>
        <div>
          <h1>What has happened?</h1>
          <p>The first minutes decide. Nothing here goes into a dryer or under an iron.</p>
        </div>
      </PageHead>
      <Choices>
        {v.list.map((r) => (
          <li key={r.id}>
            <Link to={`?what=${r.id}`} preventScrollReset aria-current={c?.id === r.id ? 'true' : undefined}>
              {r.title}
            </Link>
          </li>
        ))}
      </Choices>
      {actionData && 'text' in actionData && (
        <div style={{ marginTop: '1rem' }}>
          <Notice severity="caution" live>
            {actionData.text}
          </Notice>
        </div>
      )}
      {c && (
        <Section>
          <h2>Now</h2>
          <Big>
            {c.now.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </Big>
          <Notice severity="danger" title="Do not">
            {c.never.join(' ')}
          </Notice>
          {c.apart && <p>Keep it apart from all other laundry until it is done; the loads are sorted accordingly.</p>}
          <h2>To which pieces?</h2>
          <PostForm>
            <input type="hidden" name="what" value={c.id} />
            <Pick>
              {v.pieces.map((p) => (
                <li key={p.id}>
                  <label>
                    <input type="checkbox" name="piece" value={p.id} defaultChecked={p.told} />
                    <Swatch cloth={p.cloth} />
                    <span>{p.name}</span>
                  </label>
                </li>
              ))}
            </Pick>
            <Actions style={{ marginTop: '1rem' }}>
              <Button type="submit" $large>
                Begin the treatment
              </Button>
              <LinkButton $quiet href="/treat">
                To the bench
              </LinkButton>
            </Actions>
          </PostForm>
        </Section>
      )}
    </>
  );
}
