/** Where each washed piece dries. */
import { styled } from 'styled-components';
import type { StageProps } from '../round.tsx';
import { PlacePanel } from '../../dry/parts/place.tsx';
import { media } from '../../theme/tokens.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { Fold } from '../../ui/fold.tsx';
import { PostForm } from '../../ui/post-form.tsx';

const Lines = styled.ul`
  display: grid;
  gap: 0 2.5rem;
  grid-template-columns: repeat(auto-fill, minmax(min(22rem, 100%), 1fr));
  > li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
    gap: 0.2rem 1rem;
    align-items: end;
    padding: 0.6rem 0;
    border-bottom: 1px dotted var(--hairline);
  }
  .no-room {
    grid-column: 1 / -1;
    color: var(--weld);
    font-weight: 600;
  }
`;
const Group = styled.section`
  display: grid;
  gap: 0.6rem;
  margin-bottom: 1.8rem;
  > form {
    max-width: 24rem;
  }
`;
const Places = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 1.5rem 2.5rem;
  margin-top: 1rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export function DryStage({ view, onHang }: StageProps) {
  if (view.loads.length === 0) return <p>Nothing is washed yet, so nothing is wet.</p>;
  return (
    <>
      {view.dry.map((d) => (
        <Group key={d.load} aria-labelledby={`dry-${d.load}`}>
          <h2 id={`dry-${d.load}`}>{d.title}</h2>
          <PostForm preventScrollReset onChange={(e) => e.currentTarget.requestSubmit()}>
            <input type="hidden" name="intent" value="dry" />
            <input type="hidden" name="at" value="dry" />
            {d.pieces.map((p) => (
              <input key={p.id} type="hidden" name="piece" value={p.id} />
            ))}
            <SelectField
              name="where"
              label="All of it"
              options={[['', 'Choose for all …'], ...view.options.places]}
              defaultValue=""
            />
            <noscript>
              <Button type="submit" $quiet>
                All there
              </Button>
            </noscript>
          </PostForm>
          <Lines>
            {d.pieces.map((p) => (
              <li key={p.id}>
                <Fold cloth={p.cloth} name={p.name} height={44} />
                <PostForm preventScrollReset key={p.where} onChange={(e) => e.currentTarget.requestSubmit()}>
                  <input type="hidden" name="intent" value="dry" />
                  <input type="hidden" name="at" value="dry" />
                  <input type="hidden" name="piece" value={p.id} />
                  <SelectField
                    name="where"
                    label={`Where ${p.name} dries`}
                    options={view.options.places}
                    defaultValue={p.where}
                  />
                  <noscript>
                    <Button type="submit" $quiet>
                      There
                    </Button>
                  </noscript>
                </PostForm>
                {p.noRoom && <span className="no-room">There is no room left for it: it stays in a heap.</span>}
              </li>
            ))}
          </Lines>
        </Group>
      ))}
      <Places>
        {view.places.map((place) => (
          <PlacePanel
            key={place.id}
            place={place}
            chosen={view.chosen}
            handlers={{ onDrop: onHang, hrefOf: (piece) => `?at=dry&piece=${piece}` }}
          />
        ))}
      </Places>
    </>
  );
}
