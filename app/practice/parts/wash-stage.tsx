/** Each load’s ticket, blank: the machine as it stands there, and what is made ready first. */
import type { ChangeEvent, FormEvent } from 'react';
import { styled } from 'styled-components';
import type { StageProps } from '../round.tsx';
import type { PracticeLoadView, RoundView } from '../round-view.server.ts';
import { media } from '../../theme/tokens.ts';
import { Button, TextButton } from '../../ui/button.tsx';
import { ChoiceField, SelectField } from '../../ui/fields.tsx';
import { Swatch } from '../../ui/fold.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { Quiet } from '../../ui/page.tsx';

const Ticket = styled.section`
  display: grid;
  gap: 0.9rem;
  padding: 0.9rem 0 1.4rem;
  border-bottom: 1px solid var(--hairline);
  &:last-of-type {
    border-bottom: 0;
  }
  header {
    display: flex;
    gap: 0.4rem 1.2rem;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .in {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
  }
  .in span {
    display: inline-flex;
    gap: 0.4rem;
    align-items: center;
  }
  form {
    display: grid;
    gap: 0.8rem;
    justify-items: start;
  }
  form > div:first-of-type {
    width: 100%;
  }
`;
const Fields = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 20rem) repeat(3, minmax(0, 11rem));
  gap: 0.8rem 1.2rem;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
`;
/** A changed choice is set at once; the button is for browsers without scripts. */
const setAtOnce = (event: FormEvent<HTMLFormElement> | ChangeEvent<HTMLFormElement>): void =>
  event.currentTarget.requestSubmit();

function Setting({ load, options }: { load: PracticeLoadView; options: RoundView['options'] }) {
  const { how, temperatureC, spinRpm, detergent, helpers } = load;
  return (
    <PostForm
      preventScrollReset
      key={JSON.stringify([how, temperatureC, spinRpm, detergent, helpers])}
      onChange={setAtOnce}
      aria-label={`Setting of ${load.title}`}
    >
      <input type="hidden" name="intent" value="way" />
      <input type="hidden" name="at" value="wash" />
      <input type="hidden" name="load" value={load.id} />
      <Fields>
        <SelectField name="how" label="Programme" options={options.how} defaultValue={how} />
        <SelectField name="temperatureC" label="Temperature" options={load.temperatures} defaultValue={temperatureC} />
        {!load.byHand && <SelectField name="spinRpm" label="Spin" options={load.spins} defaultValue={spinRpm} />}
        <SelectField name="detergent" label="Detergent" options={options.detergents} defaultValue={detergent} />
      </Fields>
      <ChoiceField
        name="helpers"
        label="And into the drawer or drum"
        type="checkbox"
        options={options.helpers}
        defaultValue={helpers}
      />
      <noscript>
        <Button type="submit" $quiet>
          Set it
        </Button>
      </noscript>
    </PostForm>
  );
}
function Ready({ load }: { load: PracticeLoadView }) {
  const pieces = load.pieces.map((p) => [p.id, p.name] as const);
  const drum = [...(load.pockets ? ['pockets'] : []), ...(load.closed ? ['closed'] : [])];
  return (
    <PostForm
      preventScrollReset
      key={JSON.stringify([drum, load.nets, load.insideOut])}
      onChange={setAtOnce}
      aria-label={`Made ready for ${load.title}`}
    >
      <input type="hidden" name="intent" value="ready" />
      <input type="hidden" name="at" value="wash" />
      <input type="hidden" name="load" value={load.id} />
      <ChoiceField
        name="pockets"
        label="Pockets"
        type="checkbox"
        options={[['yes', 'All emptied']]}
        defaultValue={load.pockets ? 'yes' : ''}
      />
      <ChoiceField
        name="closed"
        label="Zips and hooks"
        type="checkbox"
        options={[['yes', 'All closed']]}
        defaultValue={load.closed ? 'yes' : ''}
      />
      {!load.byHand && (
        <ChoiceField name="nets" label="Into a net" type="checkbox" options={pieces} defaultValue={load.nets} />
      )}
      <ChoiceField name="insideOut" label="Inside out" type="checkbox" options={pieces} defaultValue={load.insideOut} />
      <noscript>
        <Button type="submit" $quiet>
          Done
        </Button>
      </noscript>
    </PostForm>
  );
}

export function WashStage({ view }: StageProps) {
  if (view.loads.length === 0) return <p>There is no load yet: sort first.</p>;
  return (
    <>
      {view.loads.map((l, i) => (
        <Ticket key={l.id} aria-labelledby={`ticket-${l.id}`}>
          <header>
            <h2 id={`ticket-${l.id}`}>{l.title}</h2>
            <Quiet>
              {l.massKg} dry, {l.fill > 1 ? 'more than' : `${Math.round(l.fill * 100)} % of what`} this programme takes
            </Quiet>
            {i > 0 && (
              <PostForm preventScrollReset>
                <input type="hidden" name="intent" value="earlier" />
                <input type="hidden" name="at" value="wash" />
                <input type="hidden" name="load" value={l.id} />
                <TextButton type="submit" aria-label={`Run ${l.title} earlier`}>
                  Run it earlier
                </TextButton>
              </PostForm>
            )}
          </header>
          <div className="in">
            {l.pieces.map((p) => (
              <span key={p.id}>
                <Swatch cloth={p.cloth} /> {p.name}
              </span>
            ))}
          </div>
          <Setting load={l} options={view.options} />
          <details open={l.nets.length > 0 || l.insideOut.length > 0 || l.pockets || l.closed}>
            <summary>Make ready: pockets, zips, nets</summary>
            <Ready load={l} />
          </details>
        </Ticket>
      ))}
    </>
  );
}
