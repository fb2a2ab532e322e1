/** What every page shows around its work: household, day, and how many pieces hang at each stage of the line. */
import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { basketEntries, households, loads, treatments } from '@data/schema.ts';
import { plannedLoads } from '@data/loads.ts';
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

export async function shellView({ tx, now }: Scope): Promise<ShellView> {
  const [home] = await tx.select({ name: households.name, timeZone: households.timeZone }).from(households);
  const [basket] = await tx.select({ n: sql<string>`count(*)` }).from(basketEntries);
  const [running] = await tx
    .select({ n: sql<string>`count(*)` })
    .from(loads)
    .where(sql`${loads.status} = 'running'`);
  const [treated] = await tx
    .select({ n: sql<string>`count(*)` })
    .from(treatments)
    .where(sql`${treatments.closedAt} is null`);
  const [marked] = await tx
    .select({ n: sql<string>`coalesce(sum(jsonb_array_length(${basketEntries.state}->'stains')), 0)` })
    .from(basketEntries);
  const planned = await plannedLoads(tx);
  const stage = (id: StageView['id'], label: string, count: number, unit: string): StageView => ({
    id,
    label,
    href: `/${id === 'gather' ? 'basket' : id}`,
    count,
    unit: count === 1 ? unit : `${unit}s`,
  });
  return {
    formKey: randomUUID(),
    household: home?.name ?? 'No household yet',
    day: dayText(now, home?.timeZone ?? 'UTC'),
    stages: [
      stage('gather', 'Gather', Number(basket?.n ?? 0), 'piece'),
      stage('sort', 'Sort', planned, 'load'),
      stage('treat', 'Treat', Math.max(Number(treated?.n ?? 0), Number(marked?.n ?? 0)), 'mark'),
      stage('wash', 'Wash', Number(running?.n ?? 0), 'running load'),
      stage('log', 'Log', 0, ''),
    ],
  };
}
