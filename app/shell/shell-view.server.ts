/** What every page shows around its work: household, day, and how many pieces hang at each stage of the line. */
import { randomUUID } from 'node:crypto';
import { householdsHere } from '@data/household.ts';
import { stageCounts } from '@data/stages.ts';
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
  day: string;
  stages: StageView[];
}

/** Two short questions to the database, since every page asks them. */
export async function shellView({ tx, now, householdId }: Scope): Promise<ShellView> {
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
    households: (await householdsHere(tx)).map((h) => ({ ...h, here: h.id === householdId })),
    day: dayText(now, home.timeZone ?? 'UTC'),
    stages: [
      stage('gather', 'Gather', home.basket, 'piece'),
      stage('sort', 'Sort', home.planned, 'load'),
      stage('treat', 'Treat', Math.max(home.treated, home.marked), 'mark'),
      stage('wash', 'Wash', home.running, 'bath'),
      stage('dry', 'Dry', home.drying, 'piece'),
      stage('away', 'Away', home.dry, 'piece'),
      stage('log', 'Log', 0, ''),
    ],
  };
}
