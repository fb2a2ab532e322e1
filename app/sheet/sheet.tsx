import { Form, useSubmit } from 'react-router';
import { createGlobalStyle, styled } from 'styled-components';
import type { Route } from './+types/sheet';
import { LookBack } from '../log/parts/look-back.tsx';
import { doorOf } from '../server/door.server.ts';
import { asHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { CareSymbol } from '../ui/care-symbols.tsx';
import { SelectField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty } from '../ui/notice.tsx';
import { PageHead } from '../ui/page.tsx';
import { papers, sheetView, type Paper } from './sheet-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Sheet for the machine · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  asHousehold(context, async () => ({
    ...(await sheetView({ door: doorOf(context), now: new Date() }, new URL(request.url).searchParams)),
    papers: Object.entries(papers),
  }));

const Filters = styled(Form)`
  display: flex;
  gap: 0.6rem 1rem;
  flex-wrap: wrap;
  align-items: end;
  margin-bottom: 1rem;
  > label,
  > div {
    flex: 0 1 16rem;
  }
  ${media.print} {
    display: none;
  }
`;
/** The sheet as it prints, on the screen as on paper; its letters grow and shrink with the page. */
const Page = styled.article<{ $small: boolean; $fit: number }>`
  background: #fff;
  color: #14181f;
  padding: clamp(0.8rem, 3vw, 2.2rem);
  border: 1px solid var(--hairline);
  border-radius: 3px 14px 3px 14px;
  overflow-x: auto;
  font-size: ${(p) => (p.$small ? '0.82rem' : '0.95rem')};
  h2 {
    font-size: 1.6em;
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    align-items: baseline;
    margin-bottom: 0.5em;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 0.45em 0.8em 0.4em 0;
    border-bottom: 1px solid #b9b3a4;
  }
  thead th {
    border-bottom: 2px solid #14181f;
  }
  small {
    display: block;
    color: #4a4f5c;
  }
  .folds {
    display: flex;
    gap: 2px;
    flex-wrap: wrap;
    margin-top: 0.2em;
  }
  .big {
    font-weight: 700;
    white-space: nowrap;
  }
  .symbols {
    white-space: nowrap;
    color: #14181f;
  }
  .below {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.4em 2.5em;
    margin-top: 0.8em;
    font-size: 0.92em;
  }
  .below h3 {
    font-size: 1.1em;
  }
  .below ul {
    margin-top: 0.2em;
  }
  .below li {
    padding-left: 0.9em;
    text-indent: -0.9em;
  }
  .below li::before {
    content: '· ';
  }
  @media screen and (max-width: 639px) {
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: 1fr 1fr;
      border-bottom: 1px solid #b9b3a4;
      padding: 0.5em 0;
    }
    th,
    td {
      border: 0;
      padding: 0.1em 0.6em 0.1em 0;
    }
    tbody th {
      grid-column: 1 / -1;
    }
    .below {
      grid-template-columns: 1fr;
    }
  }
  ${media.print} {
    border: 0;
    padding: 0;
    border-radius: 0;
    overflow: visible;
    font-size: ${(p) => (p.$small ? 6.2 : 8.6) * p.$fit}pt;
    line-height: 1.2;
    th,
    td {
      padding: 0.3em 0.8em 0.25em 0;
    }
    .folds {
      display: ${(p) => (p.$small ? 'none' : 'flex')};
      flex-wrap: nowrap;
      max-width: 15em;
      overflow: hidden;
    }
    .symbols svg {
      width: ${(p) => (p.$small ? 2.9 : 3.1)}em;
      height: auto;
    }
    .rules ul {
      columns: ${(p) => (p.$small ? 2 : 1)};
    }
    break-inside: avoid;
  }
`;

/** The paper it is printed on, and nothing but the sheet on it. */
const PaperSize = createGlobalStyle<{ $paper: Paper }>`
  @page {
    size: ${(p) => ({ a4: 'A4', a5: 'A5', letter: 'letter' })[p.$paper]};
    margin: ${(p) => (p.$paper === 'a5' ? '7mm' : '11mm')};
  }
  ${media.print} {
    .screen {
      display: none;
    }
  }
`;

/** Letters shrink where there is more than a page holds: ten piles, and a dozen things of their own. */
const fitOf = (piles: number, others: number): number => Math.min(1, 11 / (piles + Math.max(0, others - 12) / 4 + 1));

export default function Sheet({ loaderData: v }: Route.ComponentProps) {
  const submit = useSubmit();
  return (
    <>
      <PaperSize $paper={v.paper} />
      <div className="screen">
        <PageHead>
          <div>
            <h1>Sheet for the machine</h1>
            <p>
              Your own piles, from everything you own: what is set, how much goes in, where it dries. Print it and hang
              it beside the machine.
            </p>
          </div>
          <Button onPress={() => window.print()}>Print</Button>
        </PageHead>
        <LookBack />
        <Filters
          method="get"
          key={`${v.school}/${v.paper}`}
          onChange={(event) => {
            void submit(event.currentTarget, { replace: true, preventScrollReset: true });
          }}
        >
          <SelectField name="school" label="Sorted" defaultValue={v.school} options={v.schools} />
          <SelectField
            name="paper"
            label="Paper"
            defaultValue={v.paper}
            options={v.papers.map(([k, w]) => [k, w] as const)}
          />
          <noscript>
            <Button type="submit" $quiet>
              Show
            </Button>
          </noscript>
        </Filters>
      </div>
      {v.piles.length === 0 && v.others.length === 0 ? (
        <Empty title="No piles yet" action={<LinkButton href="/pieces/several">Add pieces</LinkButton>}>
          The sheet is made from what you own.
        </Empty>
      ) : (
        <Page $small={v.paper === 'a5'} $fit={fitOf(v.piles.length, v.others.length)} aria-label="The sheet">
          <header>
            <h2>{v.title}</h2>
            <span>
              {v.schoolWords} · {v.water} · {v.day}
            </span>
          </header>
          <table>
            <thead>
              <tr>
                <th scope="col">Pile</th>
                <th scope="col">Programme</th>
                <th scope="col">Heat, spin</th>
                <th scope="col">Product for a usual load</th>
                <th scope="col">Drying</th>
                <th scope="col">Symbols</th>
              </tr>
            </thead>
            <tbody>
              {v.piles.map((p) => (
                <tr key={`${p.name}/${p.programme}/${p.dose}`}>
                  <th scope="row">
                    {p.name}
                    <small>{p.kinds}</small>
                    <span className="folds" aria-hidden="true">
                      {p.folds.map((f, k) => (
                        <Swatch key={k} cloth={f} />
                      ))}
                    </span>
                  </th>
                  <td>
                    {p.programme}
                    <small>{p.time}</small>
                  </td>
                  <td className="big">
                    {p.temperature}
                    <small>{p.spin}</small>
                  </td>
                  <td>{p.dose}</td>
                  <td>
                    {p.dry}
                    <small>{p.iron}</small>
                  </td>
                  <td className="symbols">
                    {p.symbols.map((s) => (
                      <span key={s.part} role="img" aria-label={s.words} title={s.words}>
                        <CareSymbol part={s.part} value={s.value} />
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="below">
            {v.others.length > 0 && (
              <section>
                <h3>Their own way</h3>
                <ul>
                  {v.others.slice(0, 16).map((o) => (
                    <li key={o}>{o}</li>
                  ))}
                  {v.others.length > 16 && <li>and {v.others.length - 16} more</li>}
                </ul>
              </section>
            )}
            <section className="rules">
              <h3>Rules of the house</h3>
              <ul>
                {v.rules.map((r) => (
                  <li key={r}>{r}</li>
                ))}
              </ul>
            </section>
          </div>
        </Page>
      )}
    </>
  );
}
