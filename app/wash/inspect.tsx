import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { testVerdict } from '@core/colour/bleed.ts';
import { sizeHasChanged } from '@core/garment/measures.ts';
import { appendEvents } from '@data/events.ts';
import { findPiece } from '@data/garments.ts';
import { findLoad, type LoadView } from '@data/loads.ts';
import type { Route } from './+types/inspect';
import { readForm } from '../forms/read.ts';
import { conflict, field, fieldsOf, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Explained } from '../ui/explained.tsx';
import { NumberField, TextField } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { Quiet } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { ClothPhoto } from '../test/parts/cloth-photo.tsx';
import { GradeScale } from '../test/parts/grade-scale.tsx';
import { gradeSchema } from '../test/test-form.ts';
import { givenMeasures, measureSchema } from '../wardrobe/measure-form.ts';
import { answerLook, restIsFine, washAgain, type LookResult } from './inspect.server.ts';
import { inspectView, type InspectView, type LookView, type SeenView } from './inspect-view.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `Look at: ${loaderData.title}` : 'Look at it'} · Neat Fold` },
];
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => inspectView(scope, params.loadId));

const told: Record<Exclude<LookResult, 'kept'>, string> = {
  answered: 'That was answered on another screen already; what was seen there is kept.',
  unknown: 'That question is not asked of this load.',
  'no-pieces': 'Choose the pieces it is about.',
};

/** Lengths are kept, and answer the question of size by themselves. */
async function measure(scope: Scope, load: LoadView, look: string, form: FormData): Promise<string | null> {
  const garmentId = look.split('/')[1] ?? '';
  const piece = load.load.garments.includes(garmentId) ? await findPiece(scope.tx, garmentId) : null;
  const read = readForm(form, measureSchema);
  if (!piece) return told.unknown;
  if (!read.ok) return read.errors.join(' ');
  const given = givenMeasures(read.value);
  if (given.length === 0) return 'Give at least one length, or say that it is as before.';
  const before = new Map(piece.state.measures.map((m) => [m.place, m.cm] as const));
  const changed = given.some((m) => sizeHasChanged(before.get(m.place) ?? m.cm, m.cm));
  const result = await answerLook(scope, load, look, { answer: changed ? 'changed' : 'kept', pieces: [], note: '' });
  if (result !== 'kept') return told[result];
  await appendEvents(
    scope,
    given.map((m) => ({ garmentId, kind: 'measured' as const, at: scope.now, loadId: load.id, data: { measure: m } })),
  );
  return null;
}

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const load = await findLoad(scope.tx, args.params.loadId);
    if (!load) throw notFound('That load is not known here.');
    if (load.status !== 'finished') return conflict({ message: 'It is not out of the water yet.' });
    const here = redirect(`/loads/${load.id}/inspect`);
    const look = field(form, 'look');
    switch (field(form, 'intent')) {
      case 'rest-fine':
        return (await restIsFine(scope, load)) > 0
          ? here
          : conflict({ message: 'Everything that goes together was answered already.' });
      case 'measure': {
        const problem = await measure(scope, load, look, form);
        return problem === null ? here : data({ message: problem }, { status: 422 });
      }
      case 'grade': {
        const read = readForm(form, gradeSchema);
        if (!read.ok) return data({ message: read.errors.join(' ') }, { status: 422 });
        const { grade } = read.value;
        const answer = testVerdict(grade);
        const result = await answerLook(scope, load, 'catcher', { answer, pieces: [], note: `grade ${grade}`, grade });
        return result === 'kept' ? here : conflict({ message: told[result] });
      }
      case 'wash-again': {
        const result = await washAgain(scope, load, fieldsOf(form, 'piece'));
        return 'refused' in result ? data({ message: result.refused }, { status: 422 }) : here;
      }
      default: {
        const result = await answerLook(scope, load, look, {
          answer: field(form, 'answer'),
          pieces: fieldsOf(form, 'piece'),
          note: field(form, 'note').slice(0, 200),
        });
        if (result === 'kept') return here;
        return result === 'answered'
          ? conflict({ message: told[result] })
          : data({ message: told[result] }, { status: 422 });
      }
    }
  });

const Page = styled.article`
  max-width: 42rem;
  margin: 0 auto;
  display: grid;
  gap: 1.1rem;
`;
const Card = styled.section`
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1rem 1.2rem 1.1rem;
  display: grid;
  gap: 0.6rem;
  h2 {
    font-size: 1.3rem;
  }
  .answers {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
  }
  .answers button {
    min-height: 3.3rem;
    flex: 1 1 8rem;
  }
  ${media.phone} {
    padding: 0.9rem 1rem;
  }
`;
const Which = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(15rem, 100%), 1fr));
  gap: 0 1rem;
  margin-bottom: 0.6rem;
  label {
    display: grid;
    grid-template-columns: auto auto minmax(0, 1fr);
    gap: 0.7rem;
    align-items: center;
    min-height: 2.9rem;
  }
  input {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
`;
const Bad = styled.details`
  summary {
    cursor: pointer;
    min-height: 2.9rem;
    display: flex;
    align-items: center;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
`;
const Measures = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
  gap: 0.6rem 1rem;
  margin-bottom: 0.6rem;
`;
const Seen = styled.ul`
  display: grid;
  > li {
    padding: 0.6rem 0;
    border-bottom: 1px dotted var(--hairline);
    display: grid;
    gap: 0.3rem;
  }
`;
const Folds = styled.span`
  display: inline-flex;
  gap: 4px;
  flex-wrap: wrap;
  vertical-align: middle;
`;
const swatches = (pieces: LookView['pieces']) => (
  <Folds>
    {pieces.slice(0, 10).map((p) => (
      <Swatch key={p.id} cloth={p.cloth} size={20} />
    ))}
  </Folds>
);
const WhichPieces = ({ pieces, all = false }: { pieces: LookView['pieces']; all?: boolean }) => (
  <Which>
    {pieces.map((p) => (
      <li key={p.id}>
        <label>
          <input type="checkbox" name="piece" value={p.id} defaultChecked={all} />
          <Swatch cloth={p.cloth} size={22} />
          <span>{p.name}</span>
        </label>
      </li>
    ))}
  </Which>
);

/** Seldom needed, and exact: the step it looks most like, or a photograph. */
const Graded = ({ look }: { look: LookView }) => (
  <Bad>
    <summary>Compare it step by step, or by a photograph</summary>
    <PostForm preventScrollReset style={{ display: 'grid', gap: '0.8rem' }}>
      <GradeScale grades={look.grades} id="catcher" />
      <ClothPhoto />
      <Button type="submit" name="intent" value="grade">
        That is its grade
      </Button>
    </PostForm>
  </Bad>
);

function Question({ look, unit }: { look: LookView; unit: InspectView['lengthUnit'] }) {
  const [good, ...bad] = look.answers;
  const answer = (a: LookView['answers'][number], quiet: boolean) => (
    <Button key={a.id} type="submit" name="answer" value={a.id} $quiet={quiet}>
      {a.words}
    </Button>
  );
  return (
    <Card aria-label={look.title}>
      <h2>{look.title}</h2>
      <p>
        {look.question} {look.pieces.length < 12 && look.kind !== 'catcher' && swatches(look.pieces)}
      </p>
      {look.measures.length > 0 && (
        <PostForm preventScrollReset>
          <input type="hidden" name="look" value={look.id} />
          <input type="hidden" name="unit" value={unit} />
          <Measures>
            {look.measures.map((m) => (
              <NumberField key={m.place} name={m.place} label={m.name} suffix={unit} hint={m.before} />
            ))}
          </Measures>
          <Button type="submit" name="intent" value="measure">
            These are its lengths
          </Button>
        </PostForm>
      )}
      <PostForm preventScrollReset>
        <input type="hidden" name="look" value={look.id} />
        {look.asksWhich ? (
          <>
            <div className="answers">{good && answer(good, true)}</div>
            <Bad>
              <summary>{bad[0]?.words}: which?</summary>
              <WhichPieces pieces={look.pieces} />
              {look.kind === 'damage' && <TextField name="note" label="What broke" placeholder="a button is off" />}
              <div className="answers">
                {bad.map((a) => (
                  <Button key={a.id} type="submit" name="answer" value={a.id}>
                    {`${a.words}: these`}
                  </Button>
                ))}
              </div>
            </Bad>
          </>
        ) : (
          <div className="answers">{look.answers.map((a) => answer(a, true))}</div>
        )}
      </PostForm>
      {look.grades.length > 0 && <Graded look={look} />}
    </Card>
  );
}

function Answered({ v, s }: { v: InspectView; s: SeenView }) {
  return (
    <li>
      <p>
        {s.title}: <b>{s.answer}</b> {s.pieces.length > 0 && swatches(s.pieces)} {s.note && <Quiet>{s.note}</Quiet>}
      </p>
      {s.lengths.map((l) => (
        <Notice key={l}>{l}</Notice>
      ))}
      {s.remedy && s.lengths.length === 0 && (
        <Notice severity={s.remedy.is === 'rescue' ? 'danger' : 'caution'}>
          <Explained>{s.remedy.text}</Explained>{' '}
          {s.remedy.is === 'rescue' && v.rescue && <Link to={v.rescue}>Step by step, with these pieces</Link>}
          {s.remedy.is === 'treat' && <Link to="/treat">To the stain bench</Link>}
          {s.remedy.is === 'shape' && s.id.includes('/') && (
            <Link to={`/pieces/${s.id.split('/')[1] ?? ''}/measure`}>Where it is measured</Link>
          )}
        </Notice>
      )}
      {s.remedy && ['wash-again', 'freshen'].includes(s.remedy.is) && v.again.length === 0 && s.pieces.length > 0 && (
        <PostForm preventScrollReset>
          {s.pieces.map((p) => (
            <input key={p.id} type="hidden" name="piece" value={p.id} />
          ))}
          <Button type="submit" name="intent" value="wash-again" $quiet>
            {`Wash ${s.pieces.length === 1 ? 'it' : `these ${s.pieces.length}`} again now`}
          </Button>
        </PostForm>
      )}
    </li>
  );
}

export default function Inspect({ loaderData: v, actionData }: Route.ComponentProps) {
  const message = actionData && 'message' in actionData ? actionData.message : null;
  if (!v.finished)
    return (
      <Empty title="Not out of the water yet" action={<LinkButton href={`/loads/${v.id}`}>To its ticket</LinkButton>}>
        Take it out first; then its last look is here.
      </Empty>
    );
  const open = v.open.filter((l) => !l.waitsForDry);
  const later = v.open.filter((l) => l.waitsForDry);
  return (
    <Page>
      <div>
        <h1>{open.length > 0 ? 'Look at it now' : 'Looked at'}</h1>
        <Quiet>
          {v.title}.{' '}
          {open.length > 0 && open.every((l) => l.dry)
            ? 'It is dry: by lamp light a mark looks gone, so look by a window.'
            : 'It is wet, not clean yet: nothing is before it is dry.'}
        </Quiet>
      </div>
      {message && (
        <Notice severity="caution" live>
          {message}
        </Notice>
      )}
      {v.again.map((l) => (
        <Notice key={l.id} title="Washed again, before it dries">
          <LinkButton href={`/loads/${l.id}`}>{l.title}</LinkButton>
        </Notice>
      ))}
      {open.map((look) => (
        <Question key={look.id} look={look} unit={v.lengthUnit} />
      ))}
      {v.together > 1 && (
        <PostForm preventScrollReset>
          <Button type="submit" name="intent" value="rest-fine" $large>
            Everything else is as it should be
          </Button>
        </PostForm>
      )}
      {open.length > 0 && (
        <p>
          <Quiet>What you do not answer now is asked once more later, on Wash.</Quiet>
        </p>
      )}
      {later.length > 0 && (
        <Notice title="Once it is dry">
          {later.map((l) => l.title).join(', ')}: looked at again in daylight. No dryer and no iron before.
        </Notice>
      )}
      {v.seen.length > 0 && (
        <section>
          <h2>What was seen</h2>
          <Seen>
            {v.seen.map((s) => (
              <Answered key={s.id} v={v} s={s} />
            ))}
          </Seen>
        </section>
      )}
      <p>
        <LinkButton $quiet href="/dry">
          To the drying places
        </LinkButton>{' '}
        <LinkButton $quiet href="/wash">
          To the next load
        </LinkButton>
      </p>
      {v.open.length === 0 && <TextLeave id={v.id} />}
    </Page>
  );
}
const TextLeave = ({ id }: { id: string }) => (
  <p>
    <Link to={`/loads/${id}`}>The whole ticket</Link>
  </p>
);
