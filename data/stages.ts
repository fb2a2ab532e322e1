/** How much there is at each stage of the work, in one question. */
import { sql } from 'drizzle-orm';
import type { Transaction } from './client.ts';

export type StageCounts = {
  /** Name and zone of the household; null = there is none yet. */
  name: string | null;
  timeZone: string | null;
  /** Pieces in the basket and not in the water. */
  basket: number;
  marked: number;
  /** Running loads and soaking tubs. */
  running: number;
  treated: number;
  planned: number;
  /** Wet, or drying. */
  drying: number;
  /** Dry, and not yet in the cupboard. */
  dry: number;
};
const nothing: StageCounts = {
  name: null,
  timeZone: null,
  basket: 0,
  marked: 0,
  running: 0,
  treated: 0,
  planned: 0,
  drying: 0,
  dry: 0,
};

/** What hangs is no longer counted once it lies in the basket again or was worn. */
const afterWash = sql`from wet_piece w where not exists (select 1 from basket_entry b where b.garment_id = w.garment_id)
  and not exists (select 1 from event e where e.garment_id = w.garment_id and e.kind = 'worn' and e.at > w.out_at)`;

export async function stageCounts(tx: Transaction): Promise<StageCounts> {
  const { rows } = await tx.execute<StageCounts>(sql`
    select
      (select name from household) as name,
      (select time_zone from household) as "timeZone",
      (select count(*)::int from basket_entry b where not exists (
        select 1 from soak s where s.ended_at is null and b.garment_id = any(s.pieces)
      ) and not exists (
        select 1 from load l join plan p on p.id = l.plan_id
        where l.status = 'running'
          and ((p.result->'loads'->l.number->'garments')::jsonb ? b.garment_id or b.garment_id = any(l.added))
      )) as basket,
      (select coalesce(sum(jsonb_array_length(state->'stains')), 0)::int from basket_entry) as marked,
      ((select count(*) from load where status = 'running') + (select count(*) from soak where ended_at is null))::int as running,
      (select count(*)::int from treatment where closed_at is null) as treated,
      (select count(*)::int from load where status = 'planned' and plan_id =
        (select id from plan where not aside order by created_at desc limit 1)) as planned,
      (select count(*)::int ${afterWash} and w.dry_at is null) as drying,
      (select count(*)::int ${afterWash} and w.dry_at is not null) as dry`);
  return rows[0] ?? nothing;
}
