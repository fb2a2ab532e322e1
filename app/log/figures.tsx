import { Form, Link, useSubmit } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/figures';
import { withHousehold } from '../server/request.server.ts';
import { plural } from '../shared/words.ts';
import { media } from '../theme/tokens.ts';
import { Button } from '../ui/button.tsx';
import { ChartFigure } from '../ui/chart.tsx';
import { SelectField } from '../ui/fields.tsx';
import { PageHead } from '../ui/page.tsx';
import { figuresView, periods } from './figures-view.server.ts';
import { LookBack } from './parts/look-back.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Figures · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => ({
    ...(await figuresView(scope, new URL(request.url).searchParams)),
    periods: Object.entries(periods),
  }));

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(24rem, 100%), 1fr));
  gap: 2rem 2.5rem;
  margin-top: 1.2rem;
  ${media.print} {
    grid-template-columns: 1fr 1fr;
  }
`;
const Filters = styled(Form)`
  display: flex;
  gap: 0.6rem 1rem;
  flex-wrap: wrap;
  align-items: end;
  > * {
    flex: 0 1 15rem;
  }
  > button {
    flex: none;
  }
  ${media.print} {
    display: none;
  }
`;
const Week = styled.aside`
  border-left: 4px solid var(--shelf);
  padding: 0.3rem 0 0.3rem 1rem;
  margin: 0.4rem 0 1rem;
  max-width: 62rem;
  p {
    font-size: 1.15rem;
  }
  details {
    color: var(--ink-soft);
  }
  summary {
    cursor: pointer;
    min-height: 2.2rem;
    display: inline-flex;
    align-items: center;
  }
`;

export default function Figures({ loaderData: v }: Route.ComponentProps) {
  const submit = useSubmit();
  return (
    <>
      <PageHead>
        <div>
          <h1>Figures</h1>
          <p>
            {v.loads === 0
              ? 'Questions that finished loads, marks and measures will answer.'
              : `From ${plural(v.loads, 'load')}. Every drawing has its numbers below it.`}
          </p>
        </div>
      </PageHead>
      <LookBack />
      {v.insight && (
        <Week aria-label="This week">
          <p>{v.insight.sentence}</p>
          <details>
            <summary>How that is reckoned</summary>
            <p style={{ fontSize: '1rem' }}>
              {v.insight.arithmetic} <Link to={v.insight.href}>{v.insight.hrefWords}</Link>
            </p>
            {v.insight.others.length > 0 && (
              <ul>
                {v.insight.others.map((o) => (
                  <li key={o}>{o}</li>
                ))}
              </ul>
            )}
          </details>
        </Week>
      )}
      <Filters
        method="get"
        key={`${v.period}/${v.piece}`}
        onChange={(event) => {
          void submit(event.currentTarget, { replace: true, preventScrollReset: true });
        }}
      >
        <SelectField
          name="weeks"
          label="Of"
          defaultValue={v.period}
          options={v.periods.map(([k, w]) => [k, w] as const)}
        />
        {v.measured.length > 0 && (
          <SelectField name="piece" label="Sizes of" defaultValue={v.piece} options={v.measured} />
        )}
        <noscript>
          <Button type="submit" $quiet>
            Look
          </Button>
        </noscript>
      </Filters>
      <Grid>
        {v.figures.map((f) => (
          <ChartFigure key={f.id} spec={f} />
        ))}
      </Grid>
    </>
  );
}
