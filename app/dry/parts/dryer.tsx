/** The dryer: what goes in and what stays out, before it runs; its clock, and the cooling, after. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { dryerSteps } from '@words/en/rack.ts';
import { Button } from '../../ui/button.tsx';
import { Actions } from '../../ui/fields.tsx';
import { Notice } from '../../ui/notice.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { Quiet, ScreenOnlySection } from '../../ui/page.tsx';
import { Timer } from '../../ui/timer.tsx';
import type { DryerProposal, DryView } from '../dry-view.server.ts';

const Card = styled.div`
  display: grid;
  gap: 0.7rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem;
  label {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    min-height: 2.6rem;
  }
  input[type='checkbox'] {
    width: 1.3rem;
    height: 1.3rem;
    accent-color: var(--ink);
    flex: none;
  }
`;

function Proposal({ run }: { run: DryerProposal }) {
  const [lint, setLint] = useState(false);
  return (
    <Card>
      <h3>
        {run.name} <Quiet>{run.facts}</Quiet>
      </h3>
      <p>{run.pieces.join(', ')}</p>
      <p>
        <b>{run.setting}.</b> {run.full && 'The drum is full: it takes longer and creases more.'}
      </p>
      <PostForm preventScrollReset style={{ display: 'grid', gap: '0.3rem' }}>
        <input type="hidden" name="dryer" value={run.dryer} />
        {(Object.keys(dryerSteps) as (keyof typeof dryerSteps)[]).map((k) => (
          <label key={k}>
            <input
              type="checkbox"
              name="ready"
              value={k}
              required={k === 'lint'}
              {...(k === 'lint' ? { checked: lint, onChange: () => setLint(!lint) } : {})}
            />
            {dryerSteps[k]}
          </label>
        ))}
        <Actions>
          <Button type="submit" name="intent" value="dryer-start">
            Start the dryer
          </Button>
          <Button type="submit" name="intent" value="dryer-hang" $quiet formNoValidate>
            Hang these instead
          </Button>
        </Actions>
      </PostForm>
      {run.out.length > 0 && (
        <div>
          <b>Stays out</b>
          <ul>
            {run.out.map((o) => (
              <li key={o}>{o}</li>
            ))}
          </ul>
        </div>
      )}
      <Quiet>
        A burning smell, or a dryer that gets too hot: stop it, pull the plug, and ask a qualified technician. Never
        leave it running when nobody is at home. The duct is cleaned once a year.
      </Quiet>
    </Card>
  );
}

export function Dryers({ dryers, serverNow }: { dryers: DryView['dryers']; serverNow: number }) {
  if (dryers.proposals.length + dryers.running.length === 0) return null;
  return (
    <ScreenOnlySection aria-labelledby="dryer">
      <h2 id="dryer">Dryer</h2>
      {dryers.running.map((d) => (
        <Card key={d.id}>
          <h3>{d.name}</h3>
          <p>{d.pieces.join(', ')}</p>
          <Timer
            startedAt={d.startedAt}
            endsAt={d.endsAt}
            serverNow={serverNow}
            label={d.name}
            over="take it out while it is loose, and fold it"
          />
          <Notice title="When it is out">{d.cool}</Notice>
          <PostForm preventScrollReset>
            <input type="hidden" name="run" value={d.id} />
            <Actions>
              <Button type="submit" name="intent" value="dryer-stop">
                It is out
              </Button>
            </Actions>
          </PostForm>
        </Card>
      ))}
      {dryers.proposals.map((run) => (
        <Proposal key={run.dryer} run={run} />
      ))}
    </ScreenOnlySection>
  );
}
