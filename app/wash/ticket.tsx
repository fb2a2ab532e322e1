import { Link } from 'react-router';
import { findLoad } from '@data/loads.ts';
import type { Route } from './+types/ticket';
import { notFound, onSubmit, withHousehold } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { NotKept } from '../ui/not-kept.tsx';
import { Explained, useLearning } from '../ui/explained.tsx';
import { Notice } from '../ui/notice.tsx';
import { Quiet } from '../ui/page.tsx';
import { useKept } from '../ui/use-kept.ts';
import { useRefresh } from '../ui/use-refresh.ts';
import { AtTheMachine, WhatGoesIn } from './parts/at-machine.tsx';
import { Marks, Preparation } from './parts/prepare.tsx';
import { PrintedTicket } from './parts/printed-ticket.tsx';
import { Running } from './parts/running.tsx';
import {
  Block,
  DryRows,
  Edge,
  Figures,
  Go,
  GoForm,
  Look,
  Notes,
  OnScreen,
  Programme,
  Sheet,
  Steps,
} from './parts/sheet.tsx';
import { NumberField } from '../ui/fields.tsx';
import { isTick, ticketAction } from './ticket-actions.server.ts';
import { ticketView, type TicketView } from './ticket-view.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.title ?? 'Load'} · Neat Fold` }];
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => ticketView(scope, params.loadId));

export const action = (args: Route.ActionArgs) =>
  onSubmit(
    args,
    async (scope, form) => {
      const load = await findLoad(scope.tx, args.params.loadId);
      if (!load) throw notFound('That load is not known here.');
      return ticketAction(scope, load, form);
    },
    { repeatable: isTick },
  );

function Finished({ v }: { v: TicketView }) {
  return (
    <Block>
      <Notice title="Out of the water">
        {v.finishedText}
        {v.found.length > 0 ? `: ${v.found.join(', ')}.` : '.'} <Link to="/log">See the log</Link>
      </Notice>
      {v.rescue && (
        <Notice severity="danger" title="Colour has run">
          Nothing of this load goes into the dryer or under the iron. <Link to={v.rescue}>What to do now</Link>
        </Notice>
      )}
      <p>
        <LinkButton href={`/loads/${v.id}/inspect`} $quiet={v.openLooks === 0} $large={v.openLooks > 0}>
          {v.openLooks === 0
            ? 'What was seen of it'
            : `Look at it: ${v.openLooks} ${v.openLooks === 1 ? 'question' : 'questions'}`}
        </LinkButton>
      </p>
    </Block>
  );
}

function Start({ v }: { v: TicketView }) {
  return (
    <GoForm className="stick">
      <Button type="submit" name="intent" value="start" $large>
        {v.byHand ? 'Begin, step by step' : 'Start the load'}
      </Button>
      {!v.byHand && (
        <Look>
          <summary>It is running already</summary>
          <div style={{ display: 'flex', gap: '0.6rem', alignItems: 'end', flexWrap: 'wrap', paddingBottom: '0.6rem' }}>
            <NumberField name="ago" label="Started, minutes ago" />
            <Button type="submit" name="intent" value="start" $quiet>
              Start its clock from then
            </Button>
          </div>
        </Look>
      )}
      {v.aside && (
        <TextButton type="submit" name="intent" value="not-wanted">
          Not washed again after all
        </TextButton>
      )}
    </GoForm>
  );
}

export default function Ticket({ loaderData: v, actionData }: Route.ComponentProps) {
  const { card, figures, procedure, warnings, dryWarnings, drying } = v.facts;
  const learning = useLearning();
  useRefresh(v.status === 'running');
  const kept = useKept(v.status === 'running', v.serverNow);
  const careful = warnings.filter((w) => w.severity !== 'info');
  const notes = warnings.filter((w) => w.severity === 'info');
  const message = actionData && 'message' in actionData ? actionData.message : null;
  return (
    <Sheet>
      <PrintedTicket v={v} />
      <OnScreen>
        <Edge aria-hidden="true">
          {card.pieces.map((p) => (
            <i key={p.id} style={{ background: p.cloth.hex }} />
          ))}
        </Edge>
        <h1>{v.title}</h1>
        <Quiet>{v.subtitle}</Quiet>
        <NotKept kept={kept} />
        <Programme>
          {card.programme === null ? (
            <>
              By hand in <b>{card.machine}</b>
            </>
          ) : (
            <>
              <b>{card.programme}</b> on the {card.machine}
            </>
          )}
        </Programme>
        {message && (
          <div style={{ marginTop: '0.8rem' }}>
            <Notice severity="caution" live>
              {message}
            </Notice>
          </div>
        )}
        {v.status === 'running' && <Running v={v} />}
        {v.status === 'finished' && <Finished v={v} />}
        <Figures>
          {figures.map((f, i) => (
            <div key={['temperature', 'spin', 'dose', 'time'][i]}>
              <dt>{f.note || ' '}</dt>
              <dd className={f.unit === '' ? 'words' : ''}>
                {f.value}
                <small>{f.unit}</small>
              </dd>
            </div>
          ))}
        </Figures>
        {(careful.length > 0 || v.children.length > 0) && (
          <Block aria-label="What to watch">
            {careful.map((w) => (
              <Notice key={w.code + w.text} severity={w.severity}>
                {w.text}
              </Notice>
            ))}
            {v.children.length > 0 && (
              <Notice severity="caution" title="Children about">
                {v.children.join(' ')}
              </Notice>
            )}
          </Block>
        )}
        {v.status !== 'running' && <Marks v={v} />}
        <Preparation v={v} />
        {v.status !== 'finished' && <AtTheMachine v={v} />}
        <WhatGoesIn v={v} />
        {v.status === 'planned' && <Start v={v} />}
        <Block aria-labelledby="steps">
          <h2 id="steps">Step by step</h2>
          <Steps>
            {procedure.map((s, i) => (
              <li key={`${s.step}${i}`}>
                <span>
                  <Explained>{s.text}</Explained>
                  {s.check && (
                    <small>
                      Check: {s.check.text} If not: {s.check.ifFails}
                    </small>
                  )}
                </span>
                <time>{s.minutes > 0 ? `${s.minutes} min` : ''}</time>
              </li>
            ))}
          </Steps>
        </Block>
        <Block aria-labelledby="drying">
          <h2 id="drying">Then dry and press</h2>
          {dryWarnings.map((w) => (
            <Notice key={w.code + w.text} severity={w.severity}>
              {w.text}
            </Notice>
          ))}
          <DryRows>
            {drying.map((d) => (
              <li key={d.piece.id}>
                <Swatch cloth={d.piece.cloth} />
                <span>
                  {d.piece.name}
                  <small>
                    {d.text}; {d.press}
                  </small>
                </span>
              </li>
            ))}
          </DryRows>
        </Block>
        {learning && (
          <Block aria-labelledby="why">
            <h2 id="why">Why so?</h2>
            <Notes>
              {v.facts.reasons.map((r) => (
                <li key={r.piece.id}>
                  <b>{r.piece.name}</b>: <Explained>{r.text}</Explained>
                </li>
              ))}
            </Notes>
          </Block>
        )}
        {notes.length > 0 && (
          <Block aria-labelledby="notes">
            <h2 id="notes">Good to know</h2>
            <Notes>
              {notes.map((w) => (
                <li key={w.code + w.text}>
                  <Explained>{w.text}</Explained>
                </li>
              ))}
            </Notes>
          </Block>
        )}
        <Go>
          <LinkButton $quiet href="/sort">
            All loads
          </LinkButton>
          <LinkButton $quiet href={`/loads/${v.id}/what-if`}>
            What if?
          </LinkButton>
        </Go>
      </OnScreen>
    </Sheet>
  );
}
