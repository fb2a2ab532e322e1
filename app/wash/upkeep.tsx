import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { upkeepRun, upkeepTasks } from '@core/run/upkeep.ts';
import { householdOf } from '@formats/hamper.ts';
import { readHousehold } from '@data/household.ts';
import { runningLoads } from '@data/loads.ts';
import { beginUpkeep, endUpkeep, noteUpkeep } from '@data/upkeep.ts';
import type { Route } from './+types/upkeep';
import { conflict, field, onSubmit, withHousehold } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Empty, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { Timer } from '../ui/timer.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { upkeepView, type UpkeepTaskView } from './upkeep-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Care of the machines · Neat Fold' }];
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => ({ machines: await upkeepView(scope), serverNow: scope.now.getTime() }));

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const here = redirect('/upkeep');
    const machine = field(form, 'machine');
    const task = upkeepTasks.find((t) => t === field(form, 'task'));
    const home = await readHousehold(scope.tx);
    const household = home && householdOf(home.document);
    const known = [...(household?.washers ?? []), ...(household?.dryers ?? [])].some((m) => m.id === machine);
    switch (field(form, 'intent')) {
      case 'done':
        if (!task || !known) return data({ message: 'That task is not known here.' }, { status: 422 });
        await noteUpkeep(scope, machine, task, scope.now);
        return here;
      case 'run': {
        const washer = household?.washers.find((w) => w.id === machine);
        const run = household && washer && task ? upkeepRun(washer, task, household) : null;
        if (!run || !task)
          return data({ message: 'No programme of this machine is hot enough for it.' }, { status: 422 });
        if ((await runningLoads(scope.tx)).some((l) => l.load.washer === machine))
          return conflict({ message: 'A load runs in that machine: take it out first.' });
        const endsAt = new Date(scope.now.getTime() + run.minutes * 60_000);
        return (await beginUpkeep(scope, { machine, task, startedAt: scope.now, endsAt }))
          ? here
          : conflict({ message: 'A run of care is under way on that machine already.' });
      }
      case 'over':
      case 'not-run': {
        const done = field(form, 'intent') === 'over' ? scope.now : null;
        return (await endUpkeep(scope.tx, field(form, 'run'), done))
          ? here
          : conflict({ message: 'It was ended on another screen already.' });
      }
      default:
        return data({ message: 'That button is not known here.' }, { status: 400 });
    }
  });

const stateWords = { fine: 'fine', soon: 'soon', due: 'due', overdue: 'overdue' } as const;
const Task = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.4rem 1.2rem;
  padding: 0.8rem 0;
  align-items: center;
  small {
    display: block;
    color: var(--ink-soft);
  }
  form {
    justify-self: end;
  }
`;
function TaskRow({ machine, t, busy }: { machine: string; t: UpkeepTaskView; busy: boolean }) {
  const due = t.state === 'due' || t.state === 'overdue';
  return (
    <Task>
      <span>
        <b>{t.title}</b> <Quiet>{stateWords[t.state]}</Quiet>
        <small>{t.since}</small>
        {due && <small>{t.how}</small>}
        {due && t.run && <small>As a run of its own: {t.run.text}.</small>}
      </span>
      <PostForm preventScrollReset>
        <input type="hidden" name="machine" value={machine} />
        <input type="hidden" name="task" value={t.task} />
        {t.run && !busy && due ? (
          <Button type="submit" name="intent" value="run">
            Start it
          </Button>
        ) : (
          <Button type="submit" name="intent" value="done" $quiet aria-label={`${t.title} is done`}>
            Done
          </Button>
        )}
      </PostForm>
    </Task>
  );
}

export default function Upkeep({ loaderData: v, actionData }: Route.ComponentProps) {
  useRefresh(v.machines.some((m) => m.underWay !== null));
  if (v.machines.length === 0)
    return (
      <Empty title="No machines here" action={<LinkButton href="/household">To the household</LinkButton>}>
        Add a washing machine or a dryer; what its care asks for is then counted here.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>Care of the machines</h1>
          <p>Counted from your loads. The maker’s manual goes before what stands here.</p>
        </div>
      </PageHead>
      {actionData && 'message' in actionData && (
        <Notice severity="caution" live>
          {actionData.message}
        </Notice>
      )}
      {v.machines.map((m) => (
        <Section key={m.id}>
          <h2>{m.name}</h2>
          {m.underWay && (
            <>
              <Timer
                startedAt={m.underWay.startedAt}
                endsAt={m.underWay.endsAt}
                serverNow={v.serverNow}
                label={`${m.underWay.title}, ${m.name}`}
                over="it is over"
              />
              <PostForm preventScrollReset>
                <input type="hidden" name="run" value={m.underWay.id} />
                <p>
                  <Button type="submit" name="intent" value="over">
                    {`${m.underWay.title}: it is over`}
                  </Button>{' '}
                  <TextButton type="submit" name="intent" value="not-run">
                    It was not run
                  </TextButton>
                </p>
              </PostForm>
            </>
          )}
          <Rows>
            {m.tasks.map((t) => (
              <TaskRow key={t.task} machine={m.id} t={t} busy={m.underWay !== null} />
            ))}
          </Rows>
        </Section>
      ))}
    </>
  );
}
