/** To the cleaner: what should go, what is there, what it has cost. */
import { data, Link, redirect } from 'react-router';
import { writeSlip } from '@data/cleaner.ts';
import { findPiece } from '@data/garments.ts';
import { whereabouts, stateOf } from '@data/whereabouts.ts';
import type { Route } from './+types/cleaner';
import { fieldsOf, onSubmit, withHousehold } from '../server/request.server.ts';
import { Button } from '../ui/button.tsx';
import { Actions, SelectField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Notice } from '../ui/notice.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { cleanerView } from './cleaner-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'To the cleaner · Neat Fold' }];
export const loader = ({ context }: Route.LoaderArgs) => withHousehold(context, cleanerView);

const mostPieces = 20;
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    const ids = [...new Set(fieldsOf(form, 'piece').filter(Boolean))].slice(0, mostPieces);
    const where = await whereabouts(tx);
    const pieces = [];
    for (const id of ids) {
      const piece = await findPiece(tx, id);
      if (!piece) return data({ message: 'Piece: that one is not in the wardrobe.' }, { status: 422 });
      if (['in-drum', 'in-tub', 'at-cleaner'].includes(stateOf(piece, where, now)))
        return data({ message: `${piece.row.name}: it is in the water, or at the cleaner already.` }, { status: 409 });
      pieces.push({
        garment: id,
        say: '',
        keeps: '',
        marks: (piece.basket?.stains ?? []).map((s) => ({
          kind: s.kind,
          place: s.place ?? '',
          ageHours: s.ageHours ?? null,
        })),
        answers: {},
      });
    }
    if (pieces.length === 0) return data({ message: 'Pieces: tick what goes, or choose one.' }, { status: 422 });
    return redirect(`/cleaner/${await writeSlip(tx, householdId, pieces, now)}`);
  });

export default function Cleaner({ loaderData: v, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead>
        <div>
          <h1>To the cleaner</h1>
          <p>A slip with everything a professional asks: cloth, marks, their age, what was tried, what stays here.</p>
        </div>
      </PageHead>
      {actionData && (
        <Notice severity="caution" live>
          {actionData.message}
        </Notice>
      )}
      <Section style={{ maxWidth: '46rem' }}>
        <h2>Write a slip</h2>
        <PostForm style={{ display: 'grid', gap: '0.8rem' }}>
          {v.wanted.length > 0 && (
            <Rows>
              {v.wanted.map((p) => (
                <li key={p.id}>
                  <label style={{ display: 'flex', gap: '0.7rem', alignItems: 'center', minHeight: '3rem' }}>
                    <input type="checkbox" name="piece" value={p.id} defaultChecked />
                    <Swatch cloth={p.cloth} />
                    <span>
                      {p.name} <Quiet>{p.before}</Quiet>
                    </span>
                  </label>
                </li>
              ))}
            </Rows>
          )}
          <SelectField
            name="piece"
            label={v.wanted.length > 0 ? 'And another piece' : 'Piece'}
            options={[['', 'Choose a piece'], ...v.others]}
          />
          <Actions>
            <Button type="submit">Write the slip</Button>
          </Actions>
        </PostForm>
      </Section>
      {v.open.length > 0 && (
        <Section>
          <h2>Under way</h2>
          <Rows>
            {v.open.map((o) => (
              <li key={o.id} style={{ padding: '0.6rem 0' }}>
                <Link to={`/cleaner/${o.id}`}>{o.title}</Link> <Quiet>{o.state}</Quiet>
              </li>
            ))}
          </Rows>
        </Section>
      )}
      {v.past.length > 0 && (
        <Section>
          <h2>Came back</h2>
          <Rows>
            {v.past.map((o) => (
              <li key={o.id} style={{ padding: '0.6rem 0' }}>
                <Link to={`/cleaner/${o.id}`}>{o.title}</Link> <Quiet>{o.text}</Quiet>
              </li>
            ))}
          </Rows>
        </Section>
      )}
    </>
  );
}
