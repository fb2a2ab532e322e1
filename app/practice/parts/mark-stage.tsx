/** The bench: for every mark, water and what the cupboard has. */
import { styled } from 'styled-components';
import type { StageProps } from '../round.tsx';
import { Button } from '../../ui/button.tsx';
import { ChoiceField } from '../../ui/fields.tsx';
import { Fold } from '../../ui/fold.tsx';
import { PostForm } from '../../ui/post-form.tsx';

const Bench = styled.ul`
  display: grid;
  gap: 1.5rem;
  > li {
    display: grid;
    grid-template-columns: minmax(0, 14rem) minmax(0, 1fr);
    gap: 0.8rem 2rem;
    padding-bottom: 1.5rem;
    border-bottom: 1px dotted var(--hairline);
    @media (max-width: 700px) {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  form {
    display: grid;
    gap: 0.8rem;
    justify-items: start;
  }
  small {
    color: var(--ink-soft);
    display: block;
  }
`;
export function MarkStage({ view }: StageProps) {
  if (view.marks.length === 0) return <p>No piece of this basket has a mark.</p>;
  return (
    <Bench>
      {view.marks.map((m) => (
        <li key={`${m.piece}/${m.stain}`}>
          <div>
            <Fold cloth={m.cloth} name={m.name} height={38} />
            <strong>{m.what}</strong>
            <small>{m.age}</small>
          </div>
          <PostForm preventScrollReset key={`${m.water} ${m.agents.join(' ')}`} aria-label={`${m.what} on ${m.name}`}>
            <input type="hidden" name="intent" value="mark" />
            <input type="hidden" name="at" value="marks" />
            <input type="hidden" name="piece" value={m.piece} />
            <input type="hidden" name="stain" value={m.stain} />
            <ChoiceField
              name="water"
              label="Through the back first"
              options={view.options.waters}
              defaultValue={m.water}
            />
            <ChoiceField
              name="agents"
              label="Then on the mark"
              type="checkbox"
              options={view.options.agents}
              defaultValue={m.agents}
            />
            <Button type="submit" $quiet>
              {m.water !== 'none' || m.agents.length > 0 ? 'Do this instead' : 'Do this'}
            </Button>
          </PostForm>
        </li>
      ))}
    </Bench>
  );
}
