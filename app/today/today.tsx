/** The home of the day: the next thing for the hands, the lanes with now as a line, other ways to order it, what moved. */
import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { withHousehold, onSubmit, field } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Bell } from '../ui/awake.tsx';
import { LinkButton, TextButton } from '../ui/button.tsx';
import { Caller } from '../ui/caller.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { useKept } from '../ui/use-kept.ts';
import { useRefresh } from '../ui/use-refresh.ts';
import type { Route } from './+types/today';
import { hoursOf, readDay } from './day.server.ts';
import { changeDay } from './today-change.server.ts';
import { todayView } from './today-view.server.ts';
import { Change } from './parts/change.tsx';
import { Chart } from './parts/chart.tsx';
import { Next } from './parts/next.tsx';
import { Ways } from './parts/ways.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Today · Neat Fold' }];

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const day = await readDay(scope);
    const chosen = (new URL(request.url).searchParams.get('load') ?? '').slice(0, 40);
    if (!day || day.request.planned.length === 0) return { view: null, chosen: '', sorted: day?.planned ?? false };
    const t = await hoursOf(day, day.promise?.aim ?? 'usual');
    return { view: todayView(day, t, scope.now.getTime()), chosen, sorted: true };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const answer = await changeDay(scope, form);
    if (answer.ok) return redirect('/today');
    return data(
      { problem: answer.problem, field: answer.field, intent: field(form, 'intent') },
      { status: answer.status },
    );
  });

const Home = styled.div`
  display: grid;
  grid-template-columns: minmax(17rem, 20.5rem) minmax(0, 1fr);
  gap: 1.25rem 2.5rem;
  align-items: start;
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
  }
  ${media.print} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Side = styled.div`
  display: grid;
  gap: 1rem;
  min-width: 0;
`;
/** What has to be known before anything is done. */
const Told = styled.div`
  grid-column: 1 / -1;
  display: grid;
  gap: 0.6rem;
  &:empty {
    display: none;
  }
`;
const Wishes = styled.ul`
  display: grid;
  gap: 0.1rem;
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 0.8rem;
    align-items: baseline;
  }
`;

export default function Today({ loaderData: { view: v, chosen, sorted }, actionData }: Route.ComponentProps) {
  useRefresh(true);
  useKept(v !== null, v?.serverNow ?? 0);
  if (v === null)
    return (
      <Empty
        title={sorted ? 'Nothing is on the day' : 'The day has no loads yet'}
        action={<LinkButton href="/basket">To the basket</LinkButton>}
      >
        {sorted
          ? 'All that was sorted is washed and put away. Gather the next basket, and its day stands here.'
          : 'Gather what is worn and sort it: then the day stands here, hour by hour, with the next thing for your hands on top.'}
      </Empty>
    );
  const problem = actionData ?? null;
  return (
    <Home>
      <Told>
        {v.moved && (
          <Notice severity="info" title={v.moved.because[0]?.replace(/\.$/, '') ?? 'The day has moved'} live>
            {v.moved.because.slice(1).join(' ')} {v.moved.moves.join(' ')} {v.moved.finish}{' '}
            <PostForm style={{ display: 'inline' }} preventScrollReset>
              <input type="hidden" name="intent" value="keep" />
              <input type="hidden" name="aim" value={v.aim} />
              <TextButton type="submit">All right</TextButton>
            </PostForm>
          </Notice>
        )}
        {v.late.length > 0 && (
          <Notice severity="caution" title="Late, in whatever order">
            {v.late.slice(0, 4).join(' ')}
            {v.late.length > 4 ? ` And ${v.late.length - 4} more.` : ''}
          </Notice>
        )}
        {v.warnings.map((w) => (
          <Notice key={w} severity="info">
            {w}
          </Notice>
        ))}
      </Told>
      <Side>
        <Next turn={v.next} turns={v.turns} clocks={v.clocks} people={v.people} serverNow={v.serverNow} />
        <div>
          <Bell words="Call me when a turn is due" />
          <Caller calls={v.next ? [v.next, ...v.turns] : v.turns} serverNow={v.serverNow} />
        </div>
      </Side>
      <div>
        <PageHead>
          <div>
            <h1>{v.heading}</h1>
            <p>{v.facts}</p>
          </div>
        </PageHead>
        {problem && (
          <Notice severity="caution" title="Not changed" live>
            {problem.problem}
          </Notice>
        )}
        <Chart lanes={v.lanes} axis={v.axis} flags={v.flags} zone={v.zone} />
        <Ways aim={v.aim} kept={v.kept} stamp={v.serverNow} />
        {v.wishes.length > 0 && (
          <Section>
            <h2>What was said of the day</h2>
            <Wishes>
              {v.wishes.map((w) => (
                <li key={w.id}>
                  <span>{w.text}</span>
                  {w.cost && <Quiet role="status">{w.cost}</Quiet>}
                  <PostForm preventScrollReset>
                    <input type="hidden" name="intent" value="drop" />
                    <input type="hidden" name="wish" value={w.id} />
                    <TextButton type="submit" aria-label={`Take it back: ${w.text}`}>
                      Take it back
                    </TextButton>
                  </PostForm>
                </li>
              ))}
            </Wishes>
          </Section>
        )}
        <Change loads={v.loads} people={v.people} chosen={chosen} problem={problem} />
        <p style={{ marginTop: '1.25rem' }}>
          <LinkButton $quiet href="/today/calendar">
            The day in your calendar
          </LinkButton>
        </p>
      </div>
    </Home>
  );
}
