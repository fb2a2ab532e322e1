/** What every page shows around its work: household, day, and how many pieces hang at each stage of the line. */
import { randomUUID } from 'node:crypto';
import { stageCounts } from '@data/stages.ts';
import type { RouterContextProvider } from 'react-router';
import { visitorContext, type Visitor } from '../server/context.ts';
import { householdsFor } from '../server/door.server.ts';
import { hasLesson, isLearning, lessonView, type LessonView } from '../practice/learning.server.ts';
import type { Scope } from '../server/request.server.ts';
import { dayText } from '../shared/words.ts';

export interface StageView {
  id: 'gather' | 'sort' | 'treat' | 'wash' | 'dry' | 'away' | 'log';
  label: string;
  href: string;
  count: number;
  unit: string;
}
export interface ShellView {
  /** The key of the forms on this page: fresh after everything that was stored. */
  formKey: string;
  householdId: string;
  /** null = there is none yet. */
  household: string | null;
  /** The households of this machine, this one marked. */
  households: { id: string; name: string; here: boolean }[];
  /** Whose account looks at it; null at home. */
  account: string | null;
  /** A helper sees tickets and clocks, and changes nothing. */
  looksOnly: boolean;
  /** May go to other households and begin one. */
  founds: boolean;
  day: string;
  /** Whoever looks wants things explained; with the day's lesson where it stands. */
  learning: { lesson: LessonView | null } | null;
  stages: StageView[];
}

type Context = Readonly<RouterContextProvider>;

/** Before any household: at the door, or just signed in. */
export const outsideView = ({ account }: Visitor): ShellView => ({
  formKey: randomUUID(),
  householdId: '',
  household: null,
  households: [],
  account: account && account.name,
  looksOnly: false,
  founds: account !== null,
  day: '',
  learning: null,
  stages: [],
});
/** Two short questions to the database, since every page asks them. */
export async function shellView(scope: Scope, context: Context, request: Request): Promise<ShellView> {
  const { tx, now, householdId } = scope;
  const { account, role, pocket } = context.get(visitorContext);
  const home = await stageCounts(tx);
  const stage = (id: StageView['id'], label: string, count: number, unit: string): StageView => ({
    id,
    label,
    href: `/${id === 'gather' ? 'basket' : id}`,
    count,
    unit: count === 1 ? unit : `${unit}s`,
  });
  return {
    formKey: randomUUID(),
    householdId,
    household: home.name,
    households: (await householdsFor(context, tx)).map((h) => ({ ...h, here: h.id === householdId })),
    day: dayText(now, home.timeZone ?? 'UTC'),
    learning: (await isLearning(request.headers.get('cookie')))
      ? { lesson: hasLesson(new URL(request.url).pathname) ? await lessonView(scope) : null }
      : null,
    account: account && account.name,
    looksOnly: role === 'helper',
    founds: pocket === null,
    stages: [
      stage('gather', 'Gather', home.basket, 'piece'),
      stage('sort', 'Sort', home.planned, 'load'),
      stage('treat', 'Treat', Math.max(home.treated, home.marked), 'mark'),
      stage('wash', 'Wash', home.running, 'bath'),
      stage('dry', 'Dry', home.drying, 'piece'),
      stage('away', 'Away', home.dry, 'piece'),
      stage('log', 'Log', 0, ''),
    ].filter((s) => role !== 'helper' || s.id === 'wash'),
  };
}
