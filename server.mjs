// Plain JS on purpose: starts without any compiler. Dev: Vite in middleware mode. Production: build/server/index.js.
import http from 'node:http';
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
// A line that says nothing for long, or sends its head for minutes, is closed.
server.headersTimeout = 15_000;
server.requestTimeout = 30_000;

server.once('error', (error) => {
  console.error(`neat-fold: ${error.code === 'EADDRINUSE' ? `port ${port} is in use` : error.message}`);
  process.exit(1);
});
server.listen(port, host, () => {
  // The first page loads most modules: warm up before anyone waits for it.
  if (!dev)
    void fetch(`http://${host}:${port}/basket`)
      .then((r) => r.arrayBuffer())
      .catch(() => {});
});

let closing = false;
async function stop() {
  if (closing) return;
  closing = true;
  setTimeout(() => process.exit(1), 8000).unref();
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  await mod?.shutdown?.();
  server.closeAllConnections();
  await closed;
  process.exit(0);
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
