/** What is done before the wash: mend, ticks, nets, parts that come off, marks to treat. */
import { Link, useFetcher } from 'react-router';
import { Button, LinkButton, TextButton } from '../../ui/button.tsx';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { Swatch } from '../../ui/fold.tsx';
import { Quiet, Rows } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import type { TicketView } from '../ticket-view.server.ts';
import { Block, Box, DryRows, Look, Ticks } from './sheet.tsx';

export function Preparation({ v }: { v: TicketView }) {
  const fetcher = useFetcher();
  const pending = fetcher.formData;
  const on = (step: string): boolean =>
    pending?.get('tick') === step ? true : pending?.get('untick') === step ? false : v.ticked.includes(step);
  return (
    <Block aria-labelledby="prepare">
      {(v.facts.prepare.length > 0 || v.mend.length > 0) && <h2 id="prepare">First, in this order</h2>}
      <Mend v={v} />
      {v.facts.prepare.length > 0 && (
        <PostForm fetcher={fetcher}>
          <Ticks>
            {v.facts.prepare.map((p) => (
              <li key={p.step}>
                <button
                  type="submit"
                  name={on(p.step) ? 'untick' : 'tick'}
                  value={p.step}
                  aria-pressed={on(p.step)}
                  disabled={v.status === 'finished'}
                >
                  <Box $on={on(p.step)}>
                    {on(p.step) && (
                      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
                        <path d="M3 9.5l4 4L15 4" />
                      </svg>
                    )}
                  </Box>
                  <span className="words">
                    {p.words}
                    <small>
                      {p.pieces.length === v.facts.card.pieces.length && p.pieces.length > 2
                        ? 'all pieces'
                        : p.pieces.map((x) => x.name).join(', ')}
                    </small>
                  </span>
                  <span className="folds">
                    {p.pieces.slice(0, 6).map((x) => (
                      <Swatch key={x.id} cloth={x.cloth} size={20} />
                    ))}
                  </span>
                </button>
              </li>
            ))}
          </Ticks>
        </PostForm>
      )}
      {v.nets && (
        <p>
          <b>{v.nets.split('.')[0]}.</b> <Quiet>{v.nets.slice(v.nets.indexOf('.') + 1).trim()}</Quiet>
        </p>
      )}
      {v.facts.prepare.some((p) => p.step === 'measure') && (
        <p>
          <Quiet>
            Measure:{' '}
            {v.facts.prepare
              .filter((p) => p.step === 'measure')
              .flatMap((p) => p.pieces)
              .map((p, i) => (
                <span key={p.id}>
                  {i > 0 && ', '}
                  <Link to={`/pieces/${p.id}/measure`}>{p.name}</Link>
                </span>
              ))}
          </Quiet>
        </p>
      )}
      <Parts v={v} />
      {v.status === 'planned' && <LookOver v={v} />}
    </Block>
  );
}

/** A loose button or an open seam grows in the drum. */
function Mend({ v }: { v: TicketView }) {
  if (v.mend.length === 0 || v.status !== 'planned') return null;
  return (
    <Rows>
      {v.mend.map((m) => (
        <li key={m.piece.id} style={{ padding: '0.5rem 0' }}>
          <PostForm preventScrollReset>
            <input type="hidden" name="piece" value={m.piece.id} />
            <input type="hidden" name="note" value={m.text} />
            <p>
              <b>Mend first: {m.text}</b> <Quiet>{m.piece.name}</Quiet>{' '}
              <TextButton type="submit" name="intent" value="mended">
                It is mended
              </TextButton>
            </p>
          </PostForm>
        </li>
      ))}
    </Rows>
  );
}
/** What is seen while a piece goes through the hands stays with it. */
function LookOver({ v }: { v: TicketView }) {
  return (
    <Look>
      <summary>Look them over, and note what you see</summary>
      <PostForm preventScrollReset key={v.mend.map((m) => m.text).join()}>
        <SelectField name="piece" label="Piece" options={v.facts.card.pieces.map((p) => [p.id, p.name] as const)} />
        <TextField name="note" label="What you see" placeholder="pills at the elbow, a loose button" />
        <label>
          <input type="checkbox" name="mend" value="yes" /> Mend it before it goes in
        </label>
        <Button type="submit" name="intent" value="note" $quiet>
          Note
        </Button>
      </PostForm>
    </Look>
  );
}

/** What came off, where it lies, and the reminder to put it back. */
function Parts({ v }: { v: TicketView }) {
  if (v.parts.length === 0) return null;
  return (
    <Rows>
      {v.parts.map((p) => (
        <li key={p.piece.id} style={{ padding: '0.5rem 0' }}>
          <PostForm preventScrollReset style={{ display: 'grid', gap: '0.5rem' }}>
            <input type="hidden" name="piece" value={p.piece.id} />
            {p.lies === null ? (
              <div style={{ display: 'flex', gap: '0.6rem', alignItems: 'end', flexWrap: 'wrap' }}>
                <TextField
                  name="lies"
                  label={`What comes off ${p.piece.name}, and where it lies`}
                  placeholder="belt, in the bowl by the window"
                />
                <Button type="submit" name="intent" value="detached" $quiet>
                  Note it
                </Button>
              </div>
            ) : (
              <p>
                {p.piece.name}: {p.lies}. {v.status === 'finished' && <b>Put it back when it is dry. </b>}
                <TextButton type="submit" name="intent" value="refitted">
                  It is back on
                </TextButton>
              </p>
            )}
          </PostForm>
        </li>
      ))}
    </Rows>
  );
}

/** Marks that are treated before the wash. */
export function Marks({ v }: { v: TicketView }) {
  if (v.marks.length === 0 || v.status === 'finished') return null;
  return (
    <Block aria-labelledby="marks">
      <h2 id="marks">Treat the marks first</h2>
      <DryRows>
        {v.marks.map((m) => (
          <li key={m.piece.id + m.text}>
            <Swatch cloth={m.piece.cloth} />
            <span>
              {m.piece.name}
              <small>
                {m.text} {m.steps > 0 ? `${m.steps} steps.` : ''}
              </small>
            </span>
          </li>
        ))}
      </DryRows>
      <p>
        <LinkButton $quiet href="/treat">
          To the stain bench
        </LinkButton>
      </p>
    </Block>
  );
}
