/** The web server around the router: log, guards, headers, health, ready-made files, pages. */
import { randomBytes } from 'node:crypto';
import { createRequestHandler } from '@react-router/express';
import compression from 'compression';
import express, { type RequestHandler } from 'express';
import staticGzip from 'express-static-gzip';
import { RouterContextProvider } from 'react-router';
import { closeDatabase } from '@data/client.ts';
import { householdContext, logContext, nonceContext, readyContext } from './context.ts';
import { householdOfRequest } from './cookie.server.ts';
import {
  knownMethods,
  notTooMany,
  notTooManyReadings,
  ownHostOnly,
  ownPagesOnly,
  readableAddress,
} from './guards.server.ts';
import { log, requestLog } from './log.server.ts';
import { takeReadings } from '../devices/readings.server.ts';
import { readFeed } from '../today/feed.server.ts';
import { closePool } from './pool.server.ts';
import { isReady } from './ready.server.ts';

const production = process.env.NODE_ENV === 'production';
export const app = express();
app.disable('x-powered-by');

const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src-elem 'self' 'nonce-${nonce}'${production ? '' : " 'unsafe-inline'"}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `connect-src 'self'${production ? '' : ' ws:'}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

const fixedHeaders: RequestHandler = (request, response, next) => {
  response.setHeader('X-Request-Id', request.id as string);
  response.setHeader('X-Content-Type-Options', 'nosniff');
  response.setHeader('Referrer-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
  response.setHeader('Permissions-Policy', 'camera=(), geolocation=(), microphone=()');
  next();
};
/** Pages and documents are private: kept nowhere, and their scripts carry the page's nonce. */
const pageHeaders: RequestHandler = (_request, response, next) => {
  const nonce = randomBytes(16).toString('base64');
  response.locals.nonce = nonce;
  response.setHeader('Content-Security-Policy', policy(nonce));
  response.setHeader('Cache-Control', 'no-store');
  next();
};

app.use(requestLog, fixedHeaders, ownHostOnly, readableAddress);
app.get('/healthz', (_request, response) => {
  response.set('Cache-Control', 'no-store').json({ ok: true });
});
app.get('/readyz', async (_request, response) => {
  const ok = await isReady();
  response
    .set('Cache-Control', 'no-store')
    .status(ok ? 200 : 503)
    .json({ ok });
});
/** The text reader for photographs of labels: its worker, its core and one language, as their packages bring them. */
const reader = (folder: string, only: RegExp): RequestHandler[] => [
  (request, response, next) => (only.test(request.path) ? next() : response.sendStatus(404)),
  express.static(folder, { immutable: true, maxAge: '1d', fallthrough: false, index: false }),
];
app.use('/reader/core', ...reader('node_modules/tesseract.js-core', /^\/tesseract-core[\w-]*\.wasm\.js$/));
app.use(
  '/reader/language',
  ...reader('node_modules/@tesseract.js-data/eng/4.0.0_best_int', /^\/eng\.traineddata\.gz$/),
);
app.use('/reader', ...reader('node_modules/tesseract.js/dist', /^\/worker\.min\.js$/));
// Devices of the household speak JSON with a token of their own; they are no pages, and no page's forms come here.
app.post(
  '/devices/v1/readings',
  notTooManyReadings,
  express.json({ limit: '64kb', type: 'application/json' }),
  takeReadings,
);
// Calendar programs have no cookie: the secret in the address is theirs.
app.get('/calendar/:token.ics', notTooManyReadings, readFeed);
app.use(compression());
if (production) {
  // Compressed when built; the browser takes the smallest it understands.
  const files = (folder: string, serveStatic: object) =>
    staticGzip(folder, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { index: false, ...serveStatic },
    });
  app.use('/assets', files('build/client/assets', { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(files('build/client', { maxAge: '1h' }));
}
app.use(pageHeaders, knownMethods, ownPagesOnly, ...notTooMany);
app.use(async (_request, response, next) => {
  response.locals.ready = await isReady();
  next();
});

app.use(
  createRequestHandler({
    build: () => import('virtual:react-router/server-build'),
    mode: process.env.NODE_ENV,
    getLoadContext: async (request, response) => {
      const context = new RouterContextProvider();
      context.set(nonceContext, String(response.locals.nonce));
      context.set(readyContext, response.locals.ready === true);
      context.set(logContext, request.log);
      context.set(householdContext, await householdOfRequest(request.headers.cookie));
      return context;
    },
  }),
);
/** The last word on a failure outside the pages: said in the log, not on the page. */
const lastWord: express.ErrorRequestHandler = (error: unknown, request, response, next) => {
  const status =
    typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number'
      ? error.status
      : 500;
  if (status >= 500) request.log.error({ err: error }, 'a request failed');
  if (response.headersSent) return next(error);
  response
    .status(status)
    .type('text/plain')
    .send(status === 404 ? 'There is nothing here.' : 'That did not work. Nothing you stored is lost.');
};
app.use(lastWord);

/** Called by server.mjs when it is told to stop. */
export const shutdown = async (): Promise<void> => {
  await closePool();
  await closeDatabase();
  log.flush();
};
