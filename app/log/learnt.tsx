import { redirect } from 'react-router';
import { styled } from 'styled-components';
import { setBelieved } from '@data/lessons.ts';
import type { Route } from './+types/learnt';
import { field, onSubmit, withHousehold } from '../server/request.server.ts';
import { plural } from '../shared/words.ts';
import { media } from '../theme/tokens.ts';
import { Button } from '../ui/button.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { learntView, type LessonView } from './learnt-view.server.ts';
import { LookBack } from './parts/look-back.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Learnt here · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) => withHousehold(context, learntView);

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const lesson = field(form, 'lesson').slice(0, 200);
    const view = await learntView(scope);
    if (!view.groups.some((g) => g.lessons.some((l) => l.key === lesson)))
      throw new Response('That lesson is not known here.', { status: 404 });
    await setBelieved(scope.tx, scope.householdId, lesson, field(form, 'believe') === 'yes', scope.now);
    return redirect(`/log/learnt#${encodeURIComponent(lesson)}`);
  });

const Lesson = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(9rem, 16rem) auto;
  gap: 0.3rem 1.5rem;
  align-items: center;
  padding: 0.7rem 0;
  small {
    display: block;
    color: var(--ink-soft);
  }
  details {
    grid-column: 1 / -1;
  }
  summary {
    cursor: pointer;
    min-height: 2rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  details ul {
    columns: 17rem;
    font-size: 0.9rem;
  }
  s {
    color: var(--ink-soft);
  }
  ${media.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Scale = styled.svg`
  width: 100%;
  height: 34px;
  overflow: visible;
`;
/** What was seen as dots, the book as a ring, what was learnt as a square: told apart by shape. */
function Dots({ lesson: l }: { lesson: LessonView }) {
  const x = (share: number): string => `${4 + 92 * share}%`;
  return (
    <Scale aria-hidden="true">
      <line x1="2%" x2="98%" y1="17" y2="17" stroke="var(--hairline)" />
      {l.evidence.map(
        (e, k) =>
          e.share !== null && (
            <circle
              key={k}
              cx={x(e.share)}
              cy={17 + (((k * 7) % 5) - 2) * 3}
              r="3"
              fill={e.counts ? 'var(--woad)' : 'none'}
              stroke="var(--woad)"
              opacity=".75"
            />
          ),
      )}
      <circle cx={x(l.bookAt)} cy="17" r="7" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
      {l.learntAt !== null && l.differs && (
        <svg x={x(l.learntAt)} y="12" overflow="visible">
          <rect x="-5" width="10" height="10" fill="var(--ink)" />
        </svg>
      )}
    </Scale>
  );
}

const More = styled.details`
  > summary {
    cursor: pointer;
    min-height: 2.5rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
  }
`;

function LessonRow({ lesson: l }: { lesson: LessonView }) {
  return (
    <Lesson id={l.key}>
      <div>
        <b>{l.title}</b>
        {l.differs ? (
          <small>
            {l.believed ? l.sentence : <s>{l.sentence}</s>}
            {!l.believed && `. The book holds: ${l.book}`}
          </small>
        ) : (
          <small>{l.sentence}</small>
        )}
        {l.besides && <small>{l.besides}</small>}
      </div>
      <Dots lesson={l} />
      {l.differs ? (
        <PostForm preventScrollReset>
          <input type="hidden" name="lesson" value={l.key} />
          <Button
            type="submit"
            name="believe"
            value={l.believed ? 'no' : 'yes'}
            $quiet
            aria-label={`${l.title}: ${l.believed ? 'use the book' : 'use what was learnt'}`}
          >
            {l.believed ? 'Use the book' : 'Use what was learnt'}
          </Button>
        </PostForm>
      ) : (
        <span />
      )}
      <details>
        <summary>
          What was seen ({l.evidence.length + l.more}); the book says {l.book}
        </summary>
        <ul>
          {l.evidence.map((e, k) => (
            <li key={k}>
              {e.day}: {e.text}
              {!e.counts && ' (does not count)'}
            </li>
          ))}
          {l.more > 0 && <li>and {l.more} older</li>}
        </ul>
      </details>
    </Lesson>
  );
}

export default function Learnt({ loaderData: v }: Route.ComponentProps) {
  const nothing = v.groups.every((g) => g.lessons.length === 0);
  return (
    <>
      <PageHead>
        <div>
          <h1>Learnt here</h1>
          <p>
            {v.believedCount === 0
              ? 'So far the next plan reckons with the book alone.'
              : `The next plan reckons with ${plural(v.believedCount, 'thing')} your household has taught.`}{' '}
            Each shows what it rests on and can be set back to the book. Labels, fibres and safety stay as they are.
          </p>
        </div>
      </PageHead>
      <LookBack />
      {nothing && (
        <Quiet>
          Nothing yet: note how long a run took, look at a load when it comes out, say when a piece is dry, measure a
          knit twice.
        </Quiet>
      )}
      {v.groups
        .filter((g) => g.lessons.length > 0)
        .map((g) => (
          <Section key={g.id}>
            <h2>{g.title}</h2>
            <Quiet>{g.what} Ring: the book. Dots: what was seen. Square: what was learnt.</Quiet>
            <Rows>
              {g.lessons
                .filter((l) => l.differs)
                .map((l) => (
                  <LessonRow key={l.key} lesson={l} />
                ))}
            </Rows>
            {g.lessons.some((l) => !l.differs) && (
              <More>
                <summary>
                  {g.lessons.filter((l) => !l.differs).length} more without a difference from the book, or too little
                  seen so far
                </summary>
                <Rows>
                  {g.lessons
                    .filter((l) => !l.differs)
                    .map((l) => (
                      <LessonRow key={l.key} lesson={l} />
                    ))}
                </Rows>
              </More>
            )}
          </Section>
        ))}
    </>
  );
}
