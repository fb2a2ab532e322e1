/** The chosen piece: what the hands do for it, whether it is dry, and where else it could hang. */
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { Button } from '../../ui/button.tsx';
import { Actions, NumberField } from '../../ui/fields.tsx';
import { Swatch } from '../../ui/fold.tsx';
import { Notice } from '../../ui/notice.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { Quiet } from '../../ui/page.tsx';
import type { ChosenView } from '../dry-view.server.ts';

const Card = styled.section`
  display: grid;
  gap: 0.8rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem;
  h2 {
    font-size: 1.3rem;
    display: flex;
    gap: 0.6rem;
    align-items: center;
  }
  h3 {
    font-size: 1rem;
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
  }
  ul.helps li {
    padding-left: 0.9rem;
    position: relative;
  }
  ul.helps li::before {
    content: '';
    position: absolute;
    left: 0;
    top: 0.72em;
    width: 0.5rem;
    border-top: 2px solid var(--structure);
  }
`;
const Options = styled.ul`
  display: grid;
  gap: 0.3rem;
  button {
    width: 100%;
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    align-items: center;
    gap: 0 1rem;
    text-align: left;
    font: inherit;
    color: inherit;
    background: none;
    border: 1px solid var(--hairline);
    border-radius: 12px 3px 3px 12px;
    padding: 0.4rem 0.8rem;
    min-height: 2.75rem;
    cursor: pointer;
  }
  button:hover {
    background: var(--wash);
  }
  button[aria-pressed='true'] {
    border: 2px solid var(--ink);
    background: var(--wash);
  }
`;
const Bars = styled.div`
  display: flex;
  gap: 0.6rem;
  flex-wrap: wrap;
  align-items: center;
`;

export function Chosen({
  piece: p,
  refused,
  weighed,
}: {
  piece: ChosenView;
  refused: string | null;
  weighed: string | null;
}) {
  return (
    <Card aria-labelledby="chosen" key={p.id}>
      <header>
        <h2 id="chosen">
          <Swatch cloth={p.cloth} /> {p.name}
        </h2>
        <Link to="/dry" preventScrollReset>
          Close
        </Link>
      </header>
      <p>{p.state}</p>
      {p.helps.length > 0 && (
        <ul className="helps">
          {p.helps.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
      )}
      {p.hung && (
        <PostForm preventScrollReset style={{ display: 'grid', gap: '0.6rem' }}>
          <input type="hidden" name="piece" value={p.id} />
          <h3>Is it dry?</h3>
          <p>
            {p.hot ?? 'Let it come to the warmth of the room first.'} Feel last: {p.thick}.
          </p>
          {p.marked && (
            <Notice title="A mark waits">
              No heat before it is proven gone, dry and in daylight. <Link to={p.looksHref}>Look at it</Link>
            </Notice>
          )}
          <Actions>
            <Button type="submit" name="intent" value="dry">
              It is dry
            </Button>
            <Button type="submit" name="intent" value="damp" $quiet>
              Still damp
            </Button>
            <Button type="submit" name="intent" value="turned" $quiet>
              {p.flat ? 'Turned, dry towel' : 'Turned'}
            </Button>
          </Actions>
        </PostForm>
      )}
      {p.hung && (
        <PostForm preventScrollReset style={{ display: 'grid', gap: '0.4rem' }}>
          <input type="hidden" name="piece" value={p.id} />
          <Bars style={{ alignItems: 'end' }}>
            <NumberField name="massG" label="On the kitchen scale" suffix="g" hint={p.scale} />
            <Button type="submit" name="intent" value="weigh" $quiet>
              Weigh
            </Button>
          </Bars>
          {weighed && (
            <Notice title="The scale" live>
              {weighed}
            </Notice>
          )}
        </PostForm>
      )}
      <PostForm preventScrollReset style={{ display: 'grid', gap: '0.5rem' }}>
        <input type="hidden" name="piece" value={p.id} />
        <h3>{p.hung ? 'Move it' : 'Where it hangs'}</h3>
        {refused && (
          <Notice severity="caution" title="Not there" live>
            {refused}
          </Notice>
        )}
        <Options>
          {p.options.map((o) => (
            <li key={`${o.place} ${o.position}`}>
              <button type="submit" name="to" value={`${o.position} ${o.place}`} aria-pressed={o.here}>
                <span>{o.words}</span>
                <Quiet>
                  {o.hours}
                  {o.better ? ', sooner' : ''}
                </Quiet>
              </button>
            </li>
          ))}
        </Options>
        {p.options.length === 0 && <Quiet>No place suits it. It waits spread out, and not longer than it may.</Quiet>}
        {p.bar !== null && p.place !== null && (
          <Bars>
            {p.bar > 0 && (
              <Button type="submit" name="bar" value={`${p.position} ${p.bar - 1} ${p.place}`} $quiet>
                One bar up
              </Button>
            )}
            <Button type="submit" name="bar" value={`${p.position} ${p.bar + 1} ${p.place}`} $quiet>
              One bar down
            </Button>
          </Bars>
        )}
        {p.refused.map((r) => (
          <Quiet key={r}>{r}</Quiet>
        ))}
        <input type="hidden" name="intent" value="move" />
      </PostForm>
    </Card>
  );
}
