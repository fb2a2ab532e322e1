/**
 * Which database server is asked. There may be several of them, one of which takes changes and the others follow it: the addresses stand in
 * `DATABASE_URL`, separated by commas, and the one that takes changes is found by asking. When it is gone and another was promoted, the next
 * question finds that one. `DATABASE_READ_URL` = a follower that is only looked at.
 */
import pg from 'pg';

const listOf = (name: string): string[] => {
  const urls = (process.env[name] ?? '')
    .split(',')
    .map((u) => u.trim())
    .filter(Boolean);
  if (urls.length === 0) throw new Error(`${name} is not set`);
  return urls;
};
let chosen = 0;
const onTurn: (() => Promise<void>)[] = [];
/** The address of the server that takes changes, for a role. */
export function currentUrl(name: 'DATABASE_URL' | 'DESK_DATABASE_URL'): string {
  const urls = listOf(name);
  return urls[chosen % urls.length] ?? urls[0] ?? '';
}
/** Whoever holds lines open lets go of them when another server takes the changes. */
export const whenTurned = (letGo: () => Promise<void>): void => void onTurn.push(letGo);

type Role = 'leads' | 'follows' | 'silent';
/** Patience is counted in steps of this length, ms: while this process is too busy to look, no time passes for the other side. */
const stepMs = 100;
/** What a server is, asked over a line of its own. */
async function ask(connectionString: string, withinMs: number): Promise<Role> {
  const client = new pg.Client({
    connectionString,
    connectionTimeoutMillis: 5 * withinMs,
    query_timeout: 5 * withinMs,
  });
  client.on('error', () => {});
  let timer: NodeJS.Timeout | undefined;
  const tooLate = new Promise<Role>((resolve) => {
    let waitedMs = 0;
    timer = setInterval(() => {
      waitedMs += stepMs;
      if (waitedMs >= withinMs) resolve('silent');
    }, stepMs);
  });
  const asked = client
    .connect()
    .then(() => client.query<{ follows: boolean }>('select pg_is_in_recovery() as follows'))
    .then(
      ({ rows }): Role => (rows[0]?.follows ? 'follows' : 'leads'),
      (): Role => 'silent',
    );
  const answer = await Promise.race([asked, tooLate]);
  clearInterval(timer);
  void client.end().catch(() => {});
  return answer;
}

/** Whether a server that takes changes answers; from then on it is the one that is asked. */
export async function leaderAnswers(withinMs = 4_000): Promise<boolean> {
  const urls = listOf('DATABASE_URL');
  const known = chosen % urls.length;
  if ((await ask(urls[known] ?? '', withinMs)) === 'leads') return true;
  const others = urls.map((_, i) => i).filter((i) => i !== known);
  const roles = await Promise.all(others.map((i) => ask(urls[i] ?? '', withinMs)));
  const next = others.find((_, k) => roles[k] === 'leads');
  if (next === undefined) return false;
  chosen = next;
  await Promise.all(onTurn.map((letGo) => letGo()));
  return true;
}
