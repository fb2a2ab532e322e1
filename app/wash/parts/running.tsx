/** A load that runs: its clock, what its machine tells, and everything that may go otherwise. */
import { styled } from 'styled-components';
import { Button, LinkButton, TextButton } from '../../ui/button.tsx';
import { NumberField, SelectField } from '../../ui/fields.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Quiet } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { Timer } from '../../ui/timer.tsx';
import type { TicketView } from '../ticket-view.server.ts';
import { Block, GoForm, Look } from './sheet.tsx';

const Branch = styled(PostForm)`
  padding: 0.7rem 0;
  border-bottom: 1px dotted var(--hairline);
  p {
    color: var(--ink-soft);
    font-size: 0.92rem;
  }
  .row {
    display: flex;
    gap: 0.6rem;
    align-items: end;
    flex-wrap: wrap;
  }
`;

function Device({ d }: { d: TicketView['devices'][number] }) {
  if (d.lost)
    return (
      <Notice severity="caution">
        {d.name} has not been heard of for some minutes: the clock goes on by the plan.
      </Notice>
    );
  return (
    <p>
      <b>{d.name}</b>: {d.phase}
      {d.kwh !== null && `, ${d.kwh.toFixed(2)} kWh`}
      {d.remainingMin !== null && `, ${Math.round(d.remainingMin)} min left`}
      {d.error && `, error ${d.error}`}
    </p>
  );
}

/** What stopped it: first what to do, then how the load goes on. */
function Trouble({ v }: { v: TicketView }) {
  if (!v.trouble) return null;
  return (
    <Notice severity="caution" title={v.trouble.is === 'error' ? 'It stopped' : 'It was opened'}>
      <ul style={{ display: 'grid', gap: '0.3rem', margin: '0.3rem 0 0.8rem' }}>
        {v.trouble.advice.map((a) => (
          <li key={a}>{a}</li>
        ))}
      </ul>
      <Branch>
        <div className="row">
          <NumberField name="left" label="It runs on: minutes left" />
          <Button type="submit" name="intent" value="left" $quiet>
            It runs on
          </Button>
        </div>
      </Branch>
      <Branch>
        <p>From the beginning: the water with its detergent is gone, a new dose is taken from the cupboard.</p>
        <Button type="submit" name="intent" value="again" $quiet>
          Run it again
        </Button>
      </Branch>
      <Branch>
        <p>It is drained and the pieces are out: rinse them by hand; look at them now.</p>
        <Button type="submit" name="intent" value="out" $quiet>
          Out, without its end
        </Button>
      </Branch>
    </Notice>
  );
}

function Otherwise({ v }: { v: TicketView }) {
  return (
    <Look>
      <summary>Something is different</summary>
      {!v.byHand && (
        <>
          <Branch>
            <div className="row">
              <NumberField name="left" label="The panel says, minutes left" />
              <Button type="submit" name="intent" value="left" $quiet>
                Set the clock
              </Button>
            </div>
          </Branch>
          <Branch>
            <Button type="submit" name="intent" value="ended" $quiet>
              It has just ended
            </Button>
            <p>So that the next plan knows how long this programme takes here.</p>
          </Branch>
          <Branch>
            <input type="hidden" name="intent" value="trouble" />
            <div className="row">
              <Button type="submit" name="what" value="error" $quiet>
                It stopped with an error
              </Button>
              <Button type="submit" name="what" value="opened" $quiet>
                I opened it
              </Button>
            </div>
          </Branch>
          {v.forgotten.length > 0 && (
            <Branch>
              <SelectField
                name="piece"
                label="Something was forgotten"
                options={v.forgotten.map((p) => [p.id, p.name] as const)}
              />
              <Button type="submit" name="intent" value="join" $quiet>
                May it still go in?
              </Button>
            </Branch>
          )}
        </>
      )}
      <Branch>
        <TextButton type="submit" name="intent" value="undo-start">
          It was not started
        </TextButton>
      </Branch>
    </Look>
  );
}

export function Running({ v }: { v: TicketView }) {
  return (
    <>
      {v.startedAt !== null && v.endsAt !== null && (
        <Block>
          {v.ended ? (
            <Notice title={`Ended at ${v.ended}`}>Take it out now: wet cloth creases and smells in a heap.</Notice>
          ) : (
            !v.trouble && (
              <>
                <Timer startedAt={v.startedAt} endsAt={v.endsAt} serverNow={v.serverNow} label={v.title} />
                <Quiet>Ends about {v.endsText}. The clock keeps running when you close this page.</Quiet>
              </>
            )
          )}
          {v.devices.map((d) => (
            <Device key={d.name} d={d} />
          ))}
          <Trouble v={v} />
          {v.machine.stay && !v.trouble && <Notice severity="caution">{v.machine.stay}</Notice>}
        </Block>
      )}
      {v.walk !== null ? (
        <Block>
          <p>
            <LinkButton $large href={`/loads/${v.id}/hand`}>
              {v.walk}
            </LinkButton>
          </p>
        </Block>
      ) : (
        !v.trouble && (
          <GoForm>
            <Button type="submit" name="intent" value="out" $large>
              It is out: look at it
            </Button>
          </GoForm>
        )
      )}
      <Otherwise v={v} />
    </>
  );
}
