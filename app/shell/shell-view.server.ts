/** What every page shows around its work: household, day, and how many pieces hang at each stage of the line. */
import { randomUUID } from 'node:crypto';
import { stageCounts } from '@data/stages.ts';
import type { Scope } from '../server/request.server.ts';
import { dayText } from '../shared/words.ts';

export interface StageView {
  id: 'gather' | 'sort' | 'treat' | 'wash' | 'log';
  label: string;
  href: string;
  count: number;
  unit: string;
}
export interface ShellView {
  /** The key of the forms on this page: fresh after everything that was stored. */
  formKey: string;
  household: string;
  day: string;
  stages: StageView[];
}

/** One question to the database, since every page asks it. */
export async function shellView({ tx, now }: Scope): Promise<ShellView> {
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
    household: home.name ?? 'No household yet',
    day: dayText(now, home.timeZone ?? 'UTC'),
    stages: [
      stage('gather', 'Gather', home.basket, 'piece'),
      stage('sort', 'Sort', home.planned, 'load'),
      stage('treat', 'Treat', Math.max(home.treated, home.marked), 'mark'),
      stage('wash', 'Wash', home.running, 'bath'),
      stage('log', 'Log', 0, ''),
    ],
  };
}
