import { Form, Link, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/what-if';
import { withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { ChoiceField, SelectField } from '../ui/fields.tsx';
import { Drawing } from '../ui/drawing/drawing.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Section } from '../ui/page.tsx';
import { whatIfView, type EffectView, type PieceEffectView } from './what-if-view.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `What if: ${loaderData?.title ?? 'load'} · Neat Fold` },
];
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => whatIfView(scope, params.loadId, new URL(request.url).searchParams));

const Strip = styled(Form)`
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.3fr) auto;
  gap: 0.9rem 1.2rem;
  align-items: end;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem;
  ${media.tablet} {
    grid-template-columns: 1fr 1fr;
  }
`;
const Cards = styled.ul`
  display: grid;
  gap: 0 2.5rem;
  grid-template-columns: repeat(auto-fill, minmax(min(26rem, 100%), 1fr));
  li {
    padding: 0.9rem 0;
    border-bottom: 1px dotted var(--hairline);
    display: grid;
    gap: 0.5rem;
    align-content: start;
  }
  h2 {
    font-size: 1.1rem;
  }
`;
/** Before, and after at the same scale: smaller, and tinted as it would be. */
const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 7.5rem)) minmax(0, 1fr);
  gap: 1.2rem;
  align-items: start;
  figure {
    display: grid;
    gap: 0.3rem;
    justify-items: center;
  }
  svg {
    max-height: 8rem;
  }
  .was {
    fill: none;
    stroke: var(--structure);
    stroke-dasharray: 2 1.6;
    stroke-width: 0.8;
    opacity: 0.8;
  }
  figcaption {
    color: var(--ink-soft);
    font-size: 0.85rem;
    text-align: center;
  }
  b {
    color: var(--madder);
  }
`;
function BeforeAfter({ p }: { p: PieceEffectView }) {
  const shrunk = p.lostText !== '';
  return (
    <Pair>
      <figure>
        <Drawing id={p.drawing} cloth={p.cloth} />
        <figcaption>before</figcaption>
      </figure>
      <figure>
        <Drawing id={p.drawing} cloth={p.after} scale={p.size} ghost={shrunk} />
        <figcaption>
          {shrunk || p.tintText ? <b>{[p.lostText, p.tintText].filter(Boolean).join(', ')}</b> : 'after: the same'}
        </figcaption>
      </figure>
    </Pair>
  );
}
const Effects = styled.dl`
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr) auto;
  gap: 0.15rem 0.8rem;
  font-size: 0.93rem;
  dt {
    font-weight: 600;
  }
  dd {
    color: var(--ink-soft);
  }
  dd.odds {
    text-align: right;
    white-space: nowrap;
  }
  .bad {
    color: var(--madder);
    font-weight: 650;
  }
  .watch {
    color: var(--weld);
    font-weight: 600;
  }
`;
const mark: Record<EffectView['level'], string> = { fine: '', watch: '◆ ', bad: '⬣ ' };

export default function WhatIf({ loaderData: v }: Route.ComponentProps) {
  const submit = useSubmit();
  return (
    <>
      <PageHead>
        <div>
          <h1>What if?</h1>
          <p>{v.title}: push a setting and see what it would do. Nothing is changed by trying.</p>
        </div>
        {!v.asPlanned && (
          <LinkButton $quiet href={`/loads/${v.loadId}/what-if`}>
            As planned
          </LinkButton>
        )}
        <LinkButton $quiet href={`/loads/${v.loadId}`}>
          Back to the ticket
        </LinkButton>
      </PageHead>
      <Strip
        method="get"
        key={JSON.stringify(v.chosen)}
        onChange={(event) => {
          void submit(event.currentTarget, { replace: true, preventScrollReset: true });
        }}
      >
        <SelectField name="way" label="Programme or basin" defaultValue={v.chosen.way} options={v.options.ways} />
        <SelectField
          name="temperatureC"
          label="Temperature"
          defaultValue={v.chosen.temperatureC}
          options={v.options.temperatures}
        />
        {!v.byHand && (
          <SelectField name="spinRpm" label="Spin" defaultValue={v.chosen.spinRpm} options={v.options.spins} />
        )}
        <SelectField
          name="detergent"
          label="Detergent"
          defaultValue={v.chosen.detergent}
          options={v.options.detergents}
        />
        {v.options.hasDryer && (
          <ChoiceField
            name="tumble"
            label="Dryer"
            defaultValue={v.chosen.tumble}
            options={[
              ['none', 'None'],
              ['low', 'Low'],
              ['normal', 'Normal'],
            ]}
          />
        )}
        <noscript>
          <Button type="submit" $quiet>
            Show it
          </Button>
        </noscript>
      </Strip>
      <p style={{ margin: '0.8rem 0' }} aria-live="polite">
        {v.summary} {v.broken === 0 ? 'Every piece bears it.' : ''}
      </p>
      {v.broken > 0 && (
        <Notice
          severity="caution"
          title={v.broken === 1 ? 'One piece does not bear it' : `${v.broken} pieces do not bear it`}
        >
          They are marked below with the limit they would pass.
        </Notice>
      )}
      <Section aria-label="Piece by piece">
        <Cards>
          {v.pieces.map((p) => (
            <li key={p.id}>
              <h2>
                <Link to={`/pieces/${p.id}`}>{p.name}</Link>
              </h2>
              <BeforeAfter p={p} />
              {p.passes.length > 0 && (
                <Notice severity="danger" title="Past its limit">
                  {p.passes.join('; ')}.
                </Notice>
              )}
              <Effects>
                {p.effects.map((e) => [
                  <dt key={e.what}>{e.what}</dt>,
                  <dd key={`${e.what}s`}>{e.size}</dd>,
                  <dd key={`${e.what}o`} className={`odds ${e.level}`}>
                    <span aria-hidden="true">{mark[e.level]}</span>
                    {e.odds}
                  </dd>,
                ])}
              </Effects>
            </li>
          ))}
        </Cards>
      </Section>
    </>
  );
}
