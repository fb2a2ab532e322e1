/** A log of ten years: a hundred thousand entries in the demo household, and how long its pages take. `bench/log.ts ADDRESS`, with DATABASE_URL. */
import { sql } from 'drizzle-orm';
import { closeDatabase, inHousehold, lookInHousehold } from '@data/client.ts';
import { demoHouseholdId } from '@data/demo/id.ts';
import { quantile, table } from './table.ts';

const address = process.argv[2] ?? '';
const wanted = 100_000;
const spanDays = 182;
const rounds = 40;
const warmUp = 5;

const count = async (): Promise<number> => {
  const { rows } = await lookInHousehold(demoHouseholdId, (tx) =>
    tx.execute<{ n: string }>(sql`select count(*) as n from event`),
  );
  return Number(rows[0]?.n ?? 0);
};
/** The half year of the demo again and again, each time a half year earlier. */
const first = await count();
for (let k = 1; (await count()) < wanted && k < 60; k++)
  await inHousehold(demoHouseholdId, (tx) =>
    tx.execute(sql`insert into event (household_id, at, kind, garment_id, actor, data)
      select household_id, at - make_interval(days => ${k * spanDays}), kind, garment_id, actor, data - 'struck' - 'corrects'
      from event order by id limit ${first}`),
  );
const entries = await count();

const pages: readonly (readonly [what: string, path: string])[] = [
  ['the newest days', '/log'],
  ['days in the middle', `/log?before=${Date.now() - 5 * 365 * 86_400_000}-1`],
  ['days with a word', '/log?q=cardigan'],
  ['days of one person, washed and dried', '/log?owner=Ren&show=washes'],
  ['one piece', '/log?piece=ren-hoodie'],
  ['every entry, page 1', '/log?view=table'],
  ['every entry, page 1,500', '/log?view=table&page=1500'],
  ['every entry by piece', '/log?view=table&sort=name&dir=up'],
  ['loads', '/log?view=loads'],
  ['pieces', '/log?view=pieces'],
  ['people', '/log?view=people'],
];
const rows: (string | number)[][] = [];
for (const [what, path] of pages) {
  const ms: number[] = [];
  let bytes = 0;
  for (let k = -warmUp; k < rounds; k++) {
    const begun = performance.now();
    const response = await fetch(address + path);
    bytes = (await response.arrayBuffer()).byteLength;
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
    if (k >= 0) ms.push(performance.now() - begun);
  }
  rows.push([what, Math.round(quantile(ms, 0.5)), Math.round(quantile(ms, 0.95)), Math.round(bytes / 1024)]);
}
console.log(
  `### The log, ${entries.toLocaleString('en-GB')} entries\n\n${table(['page', 'median, ms', '95 %, ms', 'kB'], rows)}`,
);
await closeDatabase();
