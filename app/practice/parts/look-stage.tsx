/** The pieces one by one, as eyes and fingers find them. */
import { styled } from 'styled-components';
import type { StageProps } from '../round.tsx';
import { TextButton } from '../../ui/button.tsx';
import { LabelRow } from '../../ui/care-symbols.tsx';
import { Fold } from '../../ui/fold.tsx';
import { PostForm } from '../../ui/post-form.tsx';

const Pieces = styled.ul`
  display: grid;
  gap: 0 2.5rem;
  grid-template-columns: repeat(auto-fill, minmax(min(24rem, 100%), 1fr));
  > li {
    display: grid;
    gap: 0.35rem;
    align-content: start;
    padding: 0.9rem 0;
    border-bottom: 1px dotted var(--hairline);
  }
  p.made {
    font-weight: 600;
  }
  p {
    line-height: 1.35;
  }
  p.facts {
    color: var(--ink-soft);
  }
`;
const tryWords = (again: boolean): string =>
  again ? 'Try its colour once more' : 'Try its colour on a wet white cloth';

export function LookStage({ view }: StageProps) {
  return (
    <Pieces>
      {view.pieces.map((p) => (
        <li key={p.id}>
          <Fold cloth={p.cloth} name={p.name} height={38} />
          <p className="made">{p.madeOf}</p>
          {p.noLabel ? <p>The label is cut off.</p> : <LabelRow symbols={p.symbols} />}
          <p className="facts">{p.facts.join(' · ')}</p>
          {p.tested && <p role="status">{p.tested}</p>}
          <PostForm preventScrollReset>
            <input type="hidden" name="at" value="look" />
            <input type="hidden" name="piece" value={p.id} />
            <TextButton
              type="submit"
              name="intent"
              value="test"
              aria-label={`${tryWords(p.tested !== null)}: ${p.name}`}
            >
              {tryWords(p.tested !== null)}
            </TextButton>
          </PostForm>
        </li>
      ))}
    </Pieces>
  );
}
