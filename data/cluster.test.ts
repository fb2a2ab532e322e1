/** The private cluster: started by several at once, killed in the middle, mistaken for a stranger. Each test has a folder of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import pg from 'pg';

let root = '';
let children: ChildProcess[] = [];
beforeEach(() => {
  root = mkdtempSync(path.join(os.tmpdir(), 'neat-fold-cluster-'));
  chmodSync(root, 0o755); // the account of the database walks through it
});
afterEach(() => {
  for (const child of children) child.kill('SIGKILL');
  children = [];
  rmSync(root, { recursive: true, force: true });
});

const library = path.resolve('scripts/lib/postgres.mjs');
const program = `
  const { startPostgres } = await import(${JSON.stringify(library)});
  try {
    const database = await startPostgres(process.argv[1]);
    console.log('up ' + database.adminUrl);
    process.stdin.once('data', async () => { await database.leave(); console.log('left'); process.exit(0); });
  } catch (error) { console.log('failed ' + error.message); process.exit(1); }`;
interface Start {
  child: ChildProcess;
  /** The first line it prints that begins so. */
  line: (begin: string) => Promise<string>;
  leave: () => Promise<string>;
}
function start(folder = root): Start {
  const child = spawn(process.execPath, ['--input-type=module', '-e', program, folder], {
    stdio: ['pipe', 'pipe', 'inherit'],
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  children.push(child);
  let text = '';
  child.stdout.on('data', (c: Buffer) => (text += c.toString()));
  const line = async (begin: string): Promise<string> => {
    for (let i = 0; i < 600; i++) {
      const found = text.split('\n').find((l) => l.startsWith(begin));
      if (found !== undefined) return found;
      if (child.exitCode !== null) throw new Error(`it ended with: ${text}`);
      await new Promise((r) => setTimeout(r, 50));
    }
    throw new Error(`it never said ${begin}: ${text}`);
  };
  return {
    child,
    line,
    leave: () => {
      child.stdin.write('leave\n');
      return line('left');
    },
  };
}
async function answers(up: string): Promise<boolean> {
  const client = new pg.Client({ connectionString: up.slice(3) });
  client.on('error', () => undefined);
  try {
    await client.connect();
    return (await client.query('select 1')).rowCount === 1;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

test('two first starts at once share one cluster; the last to leave stops it', async () => {
  const [one, two] = [start(), start()];
  const [first, second] = [await one.line('up'), await two.line('up')];
  expect(first).toBe(second);
  await one.leave();
  expect(await answers(first)).toBe(true);
  await two.leave();
  expect(await answers(first)).toBe(false);
});
test('who was killed is not counted among those who use it', async () => {
  const killed = start();
  const up = await killed.line('up');
  killed.child.kill('SIGKILL');
  const next = start();
  expect(await next.line('up')).toBe(up); // it ran on, and is joined
  await next.leave();
  expect(await answers(up)).toBe(false);
});
test('killed while the cluster is made, the next start makes it', async () => {
  const killed = start();
  const data = path.join(root, '.data');
  for (let i = 0; i < 400 && !(existsSync(data) && readdirSync(data).some((f) => f.startsWith('pg.making'))); i++)
    await new Promise((r) => setTimeout(r, 10));
  killed.child.kill('SIGKILL');
  expect(existsSync(path.join(data, 'pg'))).toBe(false);
  const next = start();
  expect(await answers(await next.line('up'))).toBe(true);
  expect(readdirSync(data).filter((f) => f.startsWith('pg.making'))).toEqual([]);
  await next.leave();
});
test('a process number that belongs to somebody else is no cluster', async () => {
  const before = start();
  await before.line('up');
  await before.leave();
  const pidFile = path.join(root, '.data/pg/postmaster.pid');
  writeFileSync(pidFile, `${process.pid}\n${path.dirname(pidFile)}\n1\n59999\n\n127.0.0.1\n`);
  const next = start();
  expect(await answers(await next.line('up'))).toBe(true);
  await next.leave();
});
test('a cluster without its passwords is named in one line, and left as it is', async () => {
  const before = start();
  await before.line('up');
  await before.leave();
  rmSync(path.join(root, '.data/pg.json'));
  const next = start();
  await next.line('failed').then(
    (l) => expect(l).toMatch(/^failed .*pg holds a database, but its passwords .* are missing/),
    (error: Error) => expect(error.message).toMatch(/its passwords .* are missing/),
  );
  expect(existsSync(path.join(root, '.data/pg/PG_VERSION'))).toBe(true);
});
