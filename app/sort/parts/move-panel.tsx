/** Where a chosen piece may go, what each place would cost, and which rules it would break. The way by tap, by keyboard and without JavaScript. */
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import type { Selected } from '../sort-view.server.ts';
import { Button } from '../../ui/button.tsx';
import { Swatch } from '../../ui/fold.tsx';
import { LimitMarks } from './limit-marks.tsx';
import { PostForm } from '../../ui/post-form.tsx';

const Panel = styled.section`
  background: var(--paper);
  border: 1.5px solid var(--ink);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem;
  margin: 0.9rem 0;
  scroll-margin-top: 1rem;
  header {
    display: flex;
    gap: 0.7rem;
    align-items: center;
    flex-wrap: wrap;
    h2 {
      font-size: 1.25rem;
    }
    p {
      color: var(--ink-soft);
    }
    a {
      margin-left: auto;
    }
  }
  ul {
    margin-top: 0.5rem;
  }
  li {
    display: grid;
    grid-template-columns: minmax(8rem, 13rem) 7rem minmax(0, 1fr) auto;
    gap: 0.2rem 1rem;
    align-items: center;
    padding: 0.4rem 0;
    border-top: 1px dotted var(--hairline);
  }
  li p {
    color: var(--ink-soft);
    font-size: 0.92rem;
  }
  li b {
    font-weight: 640;
  }
  .price {
    font-variant-numeric: tabular-nums;
    font-weight: 640;
  }
  .cheaper {
    color: var(--woad);
  }
  .risk {
    color: var(--weld);
  }
  .refused {
    color: var(--madder);
  }
  ${media.phone} {
    li {
      grid-template-columns: minmax(0, 1fr) auto;
    }
    li p {
      grid-column: 1 / -1;
      grid-row: 2;
    }
    li form {
      grid-column: 1 / -1;
    }
    li button {
      width: 100%;
    }
  }
`;

export function MovePanel({ selected, planId, back }: { selected: Selected; planId: string; back: string }) {
  return (
    <Panel aria-labelledby="move" id="move-panel">
      <header>
        <Swatch cloth={selected.piece.cloth} size={28} />
        <div>
          <h2 id="move">Where should {selected.piece.name} go?</h2>
          <p>
            Now: {selected.where}. <Link to={`/pieces/${selected.piece.id}`}>Its label and history</Link>
          </p>
        </div>
        <Link to={back} preventScrollReset>
          Leave it there
        </Link>
      </header>
      <ul>
        {selected.options.map((o) => (
          <li key={o.target}>
            <b>{o.label}</b>
            <span className={`price ${o.verdict}`}>{o.price}</span>
            <p>
              {o.text}
              <LimitMarks limits={o.limits} />
            </p>
            {o.verdict === 'refused' ? (
              <span />
            ) : (
              <PostForm action="/sort" preventScrollReset>
                <input type="hidden" name="plan" value={planId} />
                <input type="hidden" name="piece" value={selected.piece.id} />
                <input type="hidden" name="target" value={o.target} />
                <input type="hidden" name="intent" value="move" />
                <Button type="submit" $quiet aria-label={`Move ${selected.piece.name}: ${o.label}`}>
                  Move
                </Button>
              </PostForm>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
