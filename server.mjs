// Plain JS on purpose: starts without any compiler. Dev: Vite in middleware mode. Production: build/server/index.js.
import { readFileSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import express from 'express';

const dev = process.env.NODE_ENV !== 'production';
const port = Number(process.env.PORT ?? 4173);
const host = '127.0.0.1';
const root = express();
root.disable('x-powered-by');
const server = http.createServer(root);
let mod;

if (dev) {
  const vite = await (
    await import('vite')
  ).createServer({ server: { middlewareMode: true, hmr: { server } }, appType: 'custom' });
  root.use(vite.middlewares);
  root.use(async (req, res, next) => {
    try {
      mod = await vite.ssrLoadModule('./app/server/app.ts');
      mod.app(req, res, next);
    } catch (error) {
      if (error instanceof Error) vite.ssrFixStacktrace(error);
      next(error);
    }
  });
} else {
  mod = await import('./build/server/index.js');
  root.use(mod.app);
}
// The home network is listened to only when the start command says so, and only encrypted; who is let in is app/server/share.server.ts.
const share = process.env.NEAT_FOLD_SHARE ? JSON.parse(process.env.NEAT_FOLD_SHARE) : null;
const shared =
  share &&
  https.createServer({ key: readFileSync(share.key), cert: readFileSync(share.cert), minVersion: 'TLSv1.2' }, root);
const servers = [[server, port, host], ...(shared ? [[shared, share.port, '0.0.0.0']] : [])];
for (const [listener, at] of servers) {
  // A line that says nothing for long, or sends its head for minutes, is closed.
  listener.headersTimeout = 15_000;
  listener.requestTimeout = 30_000;
  listener.once('error', (error) => {
    console.error(`neat-fold: ${error.code === 'EADDRINUSE' ? `port ${at} is in use` : error.message}`);
    process.exit(1);
  });
}
shared?.listen(share.port, '0.0.0.0');
server.listen(port, host, () => {
  void mod?.work?.();
  // The first page loads most modules: warm up before anyone waits for it.
  if (!dev)
    void fetch(`http://${host}:${port}/welcome`)
      .then((r) => r.arrayBuffer())
      .catch(() => {});
});

let closing = false;
async function stop() {
  if (closing) return;
  closing = true;
  setTimeout(() => process.exit(1), 8000).unref();
  const closed = servers.map(([listener]) => new Promise((resolve) => listener.close(resolve)));
  for (const [listener] of servers) listener.closeIdleConnections();
  await mod?.shutdown?.();
  for (const [listener] of servers) listener.closeAllConnections();
  await Promise.all(closed);
  process.exit(0);
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
