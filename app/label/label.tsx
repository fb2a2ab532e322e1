import { Form } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/label';
import { labelSchema } from './label-form.ts';
import { errorOf, readForm, typedValue } from '../forms/read.ts';
import { withHousehold } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { CareSymbol, LabelRow, type SymbolPart } from '../ui/care-symbols.tsx';
import { AreaField, FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { Limits } from '../wardrobe/parts/limits.tsx';
import { LabelPhoto } from './label-photo.tsx';
import { labelView } from './label-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Read a label · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const query = new URL(request.url).searchParams;
    if (!query.has('kind')) return { ...(await labelView(scope, null)), reply: null };
    const form = new FormData();
    for (const [key, value] of query) if (!form.has(key)) form.append(key, value);
    const read = readForm(form, labelSchema);
    return read.ok
      ? { ...(await labelView(scope, read.value)), reply: null, typed: Object.fromEntries(query) }
      : { ...(await labelView(scope, null)), reply: read.reply };
  });

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 24rem) minmax(0, 1fr);
  gap: 1.5rem 3rem;
  align-items: start;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Fields = styled(Form)`
  display: grid;
  gap: 1.1rem;
`;
const Pick = styled.fieldset`
  legend {
    font-weight: 600;
    font-size: 0.92rem;
    margin-bottom: 0.3rem;
  }
  > div {
    display: flex;
    flex-wrap: wrap;
    gap: 0.35rem;
  }
  label {
    position: relative;
    display: grid;
    justify-items: center;
    align-content: center;
    min-width: 3.4rem;
    min-height: 3.6rem;
    padding: 0.25rem 0.3rem;
    border: 1.5px solid var(--hairline);
    border-radius: 4px 12px 4px 12px;
    background: var(--paper);
    cursor: pointer;
    font-size: 0.78rem;
    line-height: 1.15;
    text-align: center;
    max-width: 5.2rem;
    color: var(--ink-soft);
  }
  input {
    position: absolute;
    inset: 0;
    opacity: 0;
    width: 100%;
    height: 100%;
    margin: 0;
    cursor: pointer;
  }
  label:has(input:checked) {
    border-color: var(--ink);
    background: var(--wash);
    color: var(--ink);
    font-weight: 650;
  }
  label:has(input:focus-visible) {
    outline: 3px solid var(--woad);
    outline-offset: 2px;
  }
`;
const Year = styled.p`
  font-size: 1.15rem;
  b {
    font-size: 1.9rem;
    font-weight: 720;
    letter-spacing: -0.02em;
    display: block;
    line-height: 1.2;
  }
`;

const choices: readonly {
  part: SymbolPart;
  legend: string;
  options: readonly (readonly [value: string, words: string])[];
}[] = [
  {
    part: 'wash',
    legend: 'Wash',
    options: [
      ['machine 30 normal', '30'],
      ['machine 30 mild', '30 mild'],
      ['machine 30 very-mild', '30 very mild'],
      ['machine 40 normal', '40'],
      ['machine 40 mild', '40 mild'],
      ['machine 60 normal', '60'],
      ['machine 60 mild', '60 mild'],
      ['machine 95 normal', '95'],
      ['hand 40', 'by hand'],
      ['none', 'not in water'],
    ],
  },
  {
    part: 'bleach',
    legend: 'Bleach',
    options: [
      ['any', 'any'],
      ['oxygen', 'oxygen'],
      ['none', 'none'],
    ],
  },
  {
    part: 'tumble',
    legend: 'Dryer',
    options: [
      ['normal', 'normal'],
      ['low', 'low'],
      ['none', 'none'],
    ],
  },
  {
    part: 'iron',
    legend: 'Iron',
    options: [
      ['high', 'hot'],
      ['medium', 'medium'],
      ['low', 'cool'],
      ['none', 'none'],
    ],
  },
  {
    part: 'dryClean',
    legend: 'Cleaner',
    options: [
      ['P', 'P'],
      ['F', 'F'],
      ['any', 'any'],
      ['none', 'none'],
    ],
  },
];

/** A symbol of the form in words: "wash 40 mild". */
function symbolWords(id: string): string {
  const [part = '', value = ''] = id.split('/');
  const choice = choices.find((c) => c.part === part);
  const words = choice?.options.find(([v]) => v === value)?.[1] ?? value;
  return `${choice?.legend.toLowerCase() ?? part} ${words}`;
}

export default function Label({ loaderData: v }: Route.ComponentProps) {
  const typed: Record<string, string> = 'typed' in v ? v.typed : {};
  const value = (name: string, start = ''): string =>
    v.reply ? String(typedValue(v.reply, name) ?? start) : (typed[name] ?? start);
  const r = v.reading;
  return (
    <>
      <PageHead>
        <div>
          <h1>Read a label</h1>
          <p>Type its words or pick its symbols, all or some. Useful before buying, too: what would it cost to keep?</p>
        </div>
        <LinkButton href="/wishes" $quiet>
          Kept in mind
        </LinkButton>
      </PageHead>
      <Two>
        <Fields method="get" action="/label">
          {v.reply && (
            <Notice severity="caution" title="Not read yet" live>
              {Object.values(v.reply.error ?? {})
                .flatMap((e) => e ?? [])
                .join(' ')}
            </Notice>
          )}
          <AreaField
            name="text"
            label="Its words"
            rows={4}
            defaultValue={value('text')}
            error={errorOf(v.reply, 'text')}
            hint="60% cotton 40% poly, machine wash cold, tumble low, warm iron"
          />
          <LabelPhoto wordsOf={symbolWords} />
          {choices.map((c) => (
            <Pick key={c.part}>
              <legend>{c.legend}</legend>
              <div>
                <label>
                  <input type="radio" name={c.part} value="" defaultChecked={value(c.part) === ''} />
                  not stated
                </label>
                {c.options.map(([x, words]) => (
                  <label key={x}>
                    <input type="radio" name={c.part} value={x} defaultChecked={value(c.part) === x} />
                    <CareSymbol part={c.part} value={x} />
                    {words}
                  </label>
                ))}
              </div>
            </Pick>
          ))}
          <FieldGrid $min="10rem">
            <SelectField
              name="kind"
              label="What it is"
              defaultValue={value('kind', 'tshirt')}
              options={v.kinds}
              error={errorOf(v.reply, 'kind')}
            />
            <NumberField
              name="wearsPerWeek"
              label="Wears a week"
              defaultValue={value('wearsPerWeek', '1')}
              error={errorOf(v.reply, 'wearsPerWeek')}
            />
          </FieldGrid>
          <label style={{ fontWeight: 600, fontSize: '0.92rem', display: 'grid', gap: '0.25rem' }}>
            Colour
            <input
              type="color"
              name="colour"
              defaultValue={value('colour', '#7d8a96')}
              style={{ width: '5.5rem', height: '2.75rem' }}
            />
          </label>
          <Button type="submit">Read it</Button>
        </Fields>
        <div>
          {!r && (
            <Notice title="Nothing read yet">
              What is understood, what it means on your machine and what it costs in a year stands here.
            </Notice>
          )}
          {r && (
            <>
              <Section style={{ marginTop: 0 }}>
                <h2>Understood</h2>
                {r.symbols.length > 0 ? <LabelRow symbols={r.symbols} /> : <Quiet>No care symbol.</Quiet>}
                {r.phrases.length > 0 && <p>{r.phrases.join(' · ')}</p>}
                <p>
                  <b>{r.fibres.join(', ')}</b>
                </p>
                {r.rest && (
                  <Notice severity="caution" title="Not understood">
                    “{r.rest}”. It counts for nothing.
                  </Notice>
                )}
                {r.problems.map((p) => (
                  <Notice key={p} severity="caution" title="Ask the label again">
                    {p}
                  </Notice>
                ))}
                {r.conflicts.map((c) => (
                  <Notice key={c} severity="caution" title="It contradicts itself">
                    {c} The safer value holds.
                  </Notice>
                ))}
                {r.missing.length > 0 && (
                  <p>
                    <Quiet>
                      It says nothing about {r.missing.join(', ')}: there the fibre decides, one step more careful.
                    </Quiet>
                  </p>
                )}
              </Section>
              <Section>
                <h2>To keep it</h2>
                <Year>
                  <b>{r.year.title}</b>
                  {r.year.text}
                </Year>
                <p>
                  <LinkButton $quiet href={r.newPiece}>
                    Put it in the wardrobe
                  </LinkButton>
                </p>
                <PostForm action="/wishes" style={{ display: 'grid', gap: '0.8rem', maxWidth: '34rem' }}>
                  {Object.entries(typed).map(([k, x]) => (
                    <input key={k} type="hidden" name={k} value={x} />
                  ))}
                  <b>Still in the shop? Keep it in mind, and see it beside what you own.</b>
                  <FieldGrid $min="9rem">
                    <TextField name="name" label="Call it" placeholder="Rust corduroy trousers" />
                    <NumberField name="price" label="Price" />
                    <TextField name="owner" label="For whom" />
                  </FieldGrid>
                  <div>
                    <Button type="submit" name="intent" value="add" $quiet>
                      Keep it in mind
                    </Button>
                  </div>
                </PostForm>
              </Section>
              <Section>
                <h2>What it bears here</h2>
                <Limits limits={r.limits} />
              </Section>
            </>
          )}
        </div>
      </Two>
    </>
  );
}
