// The proxy before several servers, from Debian's packages and our own configuration (deploy/nginx.conf).
import { spawn } from 'node:child_process';
import { chmodSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { root } from './setup.mjs';

/** Start it in `folder` before servers on loopback; answers its address and how to stop it. */
export async function startProxy({ folder, port, ports, pagesPerSecond = 2_000, triesPerSecond = 5 }) {
  mkdirSync(folder, { recursive: true });
  chmodSync(folder, 0o755);
  const values = {
    FOLDER: folder,
    LISTEN: `127.0.0.1:${port}`,
    SERVERS: ports.map((p) => `    server 127.0.0.1:${p} max_fails=1 fail_timeout=2s;`).join('\n'),
    PAGES: pagesPerSecond,
    TRIES: triesPerSecond,
  };
  const text = readFileSync(path.join(root, 'deploy/nginx.conf'), 'utf8').replace(
    /@([A-Z]+)@/g,
    (_, key) => values[key],
  );
  const file = path.join(folder, 'nginx.conf');
  writeFileSync(file, text);
  const child = spawn('/usr/sbin/nginx', ['-p', folder, '-c', file], { stdio: ['ignore', 'ignore', 'inherit'] });
  const gone = new Promise((resolve) => child.once('exit', resolve));
  const address = `http://127.0.0.1:${port}`;
  for (let k = 0; k < 50; k++) {
    if ((await fetch(`${address}/readyz`).catch(() => null))?.ok) break;
    await new Promise((r) => setTimeout(r, 100));
  }
  return {
    address,
    stop: async () => {
      child.kill('SIGTERM');
      await gone;
    },
  };
}
