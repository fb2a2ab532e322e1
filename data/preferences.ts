/** How a household reads, in one short question that every page asks. */
import { sql } from 'drizzle-orm';
import { usualUnits, type UnitChoices } from '../core/units/choices.ts';
import type { Transaction } from './client.ts';
import type { DoseMeasure } from './schema.ts';

export interface Preferences {
  units: UnitChoices;
  measures: Readonly<Record<string, DoseMeasure>>;
}
export async function readPreferences(tx: Transaction): Promise<Preferences> {
  const { rows } = await tx.execute<{ units: UnitChoices; measures: Record<string, DoseMeasure> | null }>(sql`
    select units,
      (select json_object_agg(id, json_build_object('name', measure_name, 'holds', measure_holds))
       from product where measure_name is not null and measure_holds > 0) as measures
    from household`);
  return { units: { ...usualUnits, ...rows[0]?.units }, measures: rows[0]?.measures ?? {} };
}
