// Database servers beside the first: one that follows it, one put back from a backup to a moment of the past. Debian's packages do it.
import { chmodSync, chownSync, mkdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { launch, runAs } from './postgres.mjs';

const must = (result, what) => {
  if (result.status !== 0) throw new Error(`${what}: ${(result.stderr || result.error?.message || '').trim()}`);
};
/** A folder that belongs to whoever the cluster belongs to. */
export function folderOf({ dir }, folder) {
  const { uid, gid } = statSync(dir);
  mkdirSync(folder, { recursive: true });
  chownSync(folder, uid, gid);
  chmodSync(folder, 0o700);
  return folder;
}
/** A copy of a running cluster; `follow` = it goes on following it. */
export function baseBackup(cluster, dir, { follow = false } = {}) {
  const args = ['-D', dir, '-d', cluster.adminUrl, '-X', 'stream', '-c', 'fast', ...(follow ? ['-R'] : [])];
  must(runAs(`${cluster.bin}/pg_basebackup`, args), 'the copy of the database was not made');
}
const sameAt = (cluster, port) =>
  Object.fromEntries(
    ['adminUrl', 'ownerUrl', 'appUrl', 'deskUrl'].map((k) => [k, cluster[k].replace(`:${cluster.port}/`, `:${port}/`)]),
  );
/** Start a cluster that was copied from another one. */
export async function startCopy(cluster, dir) {
  const port = await launch(cluster.bin, dir);
  return {
    bin: cluster.bin,
    dir,
    port,
    ...sameAt(cluster, port),
    promote: () => must(runAs(`${cluster.bin}/pg_ctl`, ['-D', dir, '-w', 'promote']), 'it was not promoted'),
    stop: () => void runAs(`${cluster.bin}/pg_ctl`, ['-D', dir, '-m', 'fast', '-w', 'stop'], { stdio: 'ignore' }),
  };
}
/** A server that follows another and answers questions. */
export async function startFollower(cluster, name = 'follower') {
  const dir = path.join(path.dirname(cluster.dir), name);
  baseBackup(cluster, dir, { follow: true });
  return startCopy(cluster, dir);
}
/** Start a running cluster anew, for settings that are read at the start alone. */
export const restart = ({ bin, dir, port }) => {
  const options = `-c listen_addresses=127.0.0.1 -c port=${port} -c unix_socket_directories='' -c max_connections=64 -c timezone=UTC`;
  must(
    runAs(
      `${bin}/pg_ctl`,
      ['-D', dir, '-m', 'fast', '-w', '-l', path.join(dir, 'server.log'), '-o', options, 'restart'],
      {
        stdio: 'ignore',
      },
    ),
    'it did not start anew',
  );
};
