import { data, Form, redirect } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/several';
import { errorOf, replyOf, typedValue } from '../forms/read.ts';
import { field, onSubmit, withHousehold } from '../server/request.server.ts';
import { plural } from '../shared/words.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions, AreaField, ChoiceField, FormStack, SelectField } from '../ui/fields.tsx';
import { Fold } from '../ui/fold.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead } from '../ui/page.tsx';
import { media } from '../theme/tokens.ts';
import { ReadLine } from './parts/read-line.tsx';
import { keepLines, linesOf, mostLines, readerOf, rowsOf, severalOptions } from './several.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Several pieces · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const query = new URL(request.url).searchParams;
    const text = (query.get('text') ?? query.get('line') ?? '').slice(0, 6_000);
    return {
      raw: text,
      toBasket: query.get('basket') === 'yes',
      rows: rowsOf(text, await readerOf(scope)),
      tooMany: linesOf(text).length > mostLines ? mostLines : 0,
      options: severalOptions(),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const result = await keepLines(scope, form);
    if ('errors' in result) return data(replyOf(form, result.errors), { status: 422 });
    return redirect(field(form, 'basket') === 'yes' ? '/basket' : `/wardrobe?kept=${result.kept}`);
  });

const List = styled.ol`
  display: grid;
  max-width: 66rem;
  > li {
    display: grid;
    grid-template-columns: 9rem minmax(0, 1fr) minmax(0, 19rem);
    gap: 0.6rem 1.4rem;
    padding: 0.9rem 0;
    border-bottom: 1px dotted var(--hairline);
    align-items: start;
  }
  ${media.tablet} {
    > li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  .ask {
    display: grid;
    gap: 0.6rem;
  }
`;

export default function Several({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const typed = (name: string): string => String([typedValue(reply, name)].flat()[0] ?? '');
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.rows.length > 0 ? 'Is this right?' : 'Several pieces at once'}</h1>
          <p>
            {v.rows.length > 0
              ? 'Nothing is stored until you keep it. What was not said is asked here; the rest can be changed on each piece later.'
              : 'One piece a line, as you would say it. Like pieces go in one line: “six bath towels, white, 60”.'}
          </p>
        </div>
      </PageHead>
      <Form
        method="get"
        action="/pieces/several"
        style={{ display: 'grid', gap: '0.8rem', maxWidth: '62rem', marginBottom: '1.2rem' }}
      >
        <AreaField
          key={v.raw}
          name="text"
          label={v.rows.length > 0 ? 'The lines' : 'One piece a line'}
          defaultValue={v.raw}
          rows={v.rows.length > 0 ? Math.min(8, v.rows.length + 1) : 8}
          error={errorOf(reply, 'text')}
          hint="Fibres, colour, label words, size, whose, how many, how often worn, marks: in any order."
        />
        <input type="hidden" name="basket" value={v.toBasket ? 'yes' : 'no'} />
        <Actions>
          <Button type="submit" $quiet={v.rows.length > 0}>
            {v.rows.length > 0 ? 'Read again' : 'Read the lines'}
          </Button>
        </Actions>
      </Form>
      {v.tooMany > 0 && (
        <Notice severity="caution" title="Too many lines">
          The first {v.tooMany} are shown; take the rest in a second go.
        </Notice>
      )}
      {v.rows.length > 0 && (
        <FormStack key={v.raw}>
          <input type="hidden" name="text" value={v.raw} />
          <NotStored reply={reply} />
          <List>
            {v.rows.map((r) => (
              <li key={r.n}>
                <Fold cloth={r.cloth} name={r.asksColour ? '?' : ''} height={36} />
                <ReadLine view={r.view} />
                <div className="ask">
                  {r.asksColour && (
                    <SelectField
                      name={`colour-${r.n}`}
                      label={`Colour of line ${r.n}`}
                      defaultValue={typed(`colour-${r.n}`)}
                      error={errorOf(reply, `colour-${r.n}`)}
                      options={[['', 'Which colour?'], ...v.options.colours]}
                    />
                  )}
                  {r.asksKind && (
                    <SelectField
                      name={`kind-${r.n}`}
                      label={`What is line ${r.n}?`}
                      defaultValue={typed(`kind-${r.n}`) || 'other'}
                      error={errorOf(reply, `kind-${r.n}`)}
                      options={v.options.kinds}
                    />
                  )}
                  {r.count > 1 && (
                    <ChoiceField
                      name={`as-${r.n}`}
                      label={`${r.count} alike: keep them`}
                      defaultValue={typed(`as-${r.n}`) || 'together'}
                      options={[
                        ['together', `As one entry of ${r.count}`],
                        ['apart', `As ${r.count} pieces`],
                      ]}
                    />
                  )}
                  <ChoiceField
                    type="checkbox"
                    name={`skip-${r.n}`}
                    label=""
                    defaultValue={typed(`skip-${r.n}`)}
                    options={[['yes', 'Leave this line out']]}
                  />
                </div>
              </li>
            ))}
          </List>
          <ChoiceField
            name="washed"
            label="Where a line says nothing of it, they were washed before"
            defaultValue={typed('washed') || 'some'}
            options={[
              ['some', 'A few times'],
              ['many', 'Many times'],
              ['never', 'Never: they are new'],
            ]}
          />
          <ChoiceField
            name="basket"
            label="They are"
            defaultValue={typed('basket') || (v.toBasket ? 'yes' : 'no')}
            options={[
              ['yes', 'Dirty: into the basket'],
              ['no', 'Clean: into the wardrobe'],
            ]}
          />
          <Actions>
            <Button type="submit" $large>
              Keep {plural(v.rows.length, 'line')}
            </Button>
            <LinkButton $quiet href="/wardrobe">
              Back
            </LinkButton>
          </Actions>
        </FormStack>
      )}
    </>
  );
}
