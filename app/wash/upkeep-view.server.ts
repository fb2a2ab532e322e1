/** Care of the machines as the screens show it. */
import { upkeepDue, upkeepFacts, upkeepRun, type UpkeepDue, type UpkeepTask } from '@core/run/upkeep.ts';
import { householdOf } from '@formats/hamper.ts';
import { upkeepWords } from '@words/en/run.ts';
import { readHousehold } from '@data/household.ts';
import { upkeepCounts, upkeepUnderWay } from '@data/upkeep.ts';
import type { Scope } from '../server/request.server.ts';
import { clockText, plural } from '../shared/words.ts';

export interface UpkeepTaskView {
  task: UpkeepTask;
  title: string;
  how: string;
  state: UpkeepDue['state'];
  since: string;
  /** How it is run as a load of its own; null = done by hand. */
  run: { text: string; minutes: number } | null;
}
export interface UpkeepMachine {
  id: string;
  name: string;
  tasks: UpkeepTaskView[];
  underWay: { id: string; title: string; startedAt: number; endsAt: number; endsText: string } | null;
}

const sinceText = (d: UpkeepDue): string =>
  [
    d.everyRuns === null ? '' : `${plural(d.runs, 'run')} since, due every ${d.everyRuns}`,
    d.everyDays === null || d.days === null ? '' : `${Math.round(d.days)} days, due every ${d.everyDays}`,
  ]
    .filter(Boolean)
    .join('; ');

export async function upkeepView({ tx, now }: Pick<Scope, 'tx' | 'now'>): Promise<UpkeepMachine[]> {
  const home = await readHousehold(tx);
  if (!home) return [];
  const household = householdOf(home.document);
  const machines = [
    ...household.washers.map((w) => ({ id: w.id, name: w.name, of: 'washer' as const })),
    ...household.dryers.map((d) => ({ id: d.id, name: d.name, of: 'dryer' as const })),
  ];
  const counts = await upkeepCounts(
    tx,
    machines.map((m) => m.id),
    now,
  );
  const open = await upkeepUnderWay(tx);
  return machines.map((m) => {
    const washer = household.washers.find((w) => w.id === m.id);
    const running = open.find((u) => u.machine === m.id);
    return {
      id: m.id,
      name: m.name,
      tasks: upkeepDue(m.of, counts.get(m.id) ?? {}, household.water.hardnessMmolPerL).map((d) => {
        const run = washer && upkeepFacts[d.task].run ? upkeepRun(washer, d.task, household) : null;
        return {
          task: d.task,
          ...upkeepWords[d.task],
          state: d.state,
          since: sinceText(d),
          run: run && {
            text: `${run.programme.name}, ${run.temperatureC} °C, empty, ${run.minutes} min${run.product ? `, with ${run.product.name}` : ''}`,
            minutes: run.minutes,
          },
        };
      }),
      underWay: running?.endsAt
        ? {
            id: running.id,
            title: upkeepWords[running.task].title,
            startedAt: running.startedAt.getTime(),
            endsAt: running.endsAt.getTime(),
            endsText: clockText(running.endsAt, home.timeZone),
          }
        : null,
    };
  });
}
/** One line for the ticket: what is due at its machine. */
export async function upkeepLine(scope: Pick<Scope, 'tx' | 'now'>, washer: string | null): Promise<string | null> {
  const machine = (await upkeepView(scope)).find((m) => m.id === washer);
  const due = machine?.tasks.filter((t) => t.state === 'due' || t.state === 'overdue') ?? [];
  if (due.length === 0) return null;
  const smell = due.some((t) => t.state === 'overdue' && t.task === 'hot-run')
    ? ' Smell its drum: musty means the hot run comes first.'
    : '';
  return `Due at this machine: ${due.map((t) => t.title.toLowerCase()).join(', ')}.${smell}`;
}
