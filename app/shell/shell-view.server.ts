/** What every page shows around its work: household, day, and how many pieces hang at each stage of the line. */
import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
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

type Counts = {
  name: string | null;
  timeZone: string | null;
  basket: number;
  marked: number;
  running: number;
  treated: number;
  planned: number;
};
const nothing: Counts = { name: null, timeZone: null, basket: 0, marked: 0, running: 0, treated: 0, planned: 0 };

/** One question to the database, since every page asks it. */
export async function shellView({ tx, now }: Scope): Promise<ShellView> {
  const { rows } = await tx.execute<Counts>(sql`
    select
      (select name from household) as name,
      (select time_zone from household) as "timeZone",
      (select count(*)::int from basket_entry b where not exists (
        select 1 from soak s where s.ended_at is null and b.garment_id = any(s.pieces)
      ) and not exists (
        select 1 from load l join plan p on p.id = l.plan_id
        where l.status = 'running' and (p.result->'loads'->l.number->'garments')::jsonb ? b.garment_id
      )) as basket,
      (select coalesce(sum(jsonb_array_length(state->'stains')), 0)::int from basket_entry) as marked,
      ((select count(*) from load where status = 'running') + (select count(*) from soak where ended_at is null))::int as running,
      (select count(*)::int from treatment where closed_at is null) as treated,
      (select count(*)::int from load where status = 'planned' and plan_id =
        (select id from plan order by created_at desc limit 1)) as planned`);
  const home = rows[0] ?? nothing;
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
