/** The web server around the router: log, guards, headers, health, ready-made files, pages. */
import { randomBytes } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { createRequestHandler } from '@react-router/express';
import compression from 'compression';
import express, { type RequestHandler } from 'express';
import staticGzip from 'express-static-gzip';
import { toNodeHandler } from 'better-auth/node';
import { RouterContextProvider } from 'react-router';
import { closeDatabase } from '@data/client.ts';
import { logContext, nonceContext, readyContext, visitorContext, type Visitor } from './context.ts';
import {
  knownMethods,
  notTooMany,
  notTooManyReadings,
  notTooManyTries,
  ownHostOnly,
  ownPagesOnly,
  readableAddress,
} from './guards.server.ts';
import { log, requestLog } from './log.server.ts';
import { auth } from '../account/auth.server.ts';
import { takeReadings } from '../devices/readings.server.ts';
import { readFeed } from '../today/feed.server.ts';
import { closePool } from './pool.server.ts';
import { closeQueue } from './queue.server.ts';
import { isReady } from './ready.server.ts';
import { hosted } from './mode.server.ts';
import { letInOnly } from './share.server.ts';
import { overNetwork, visitorOf } from './visitor.server.ts';
import { closeDesk } from '@data/desk.ts';
import { beginWorking, stopWorking } from '../behind/run-work.server.ts';

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
  if (hosted) response.setHeader('Strict-Transport-Security', 'max-age=31536000; includeSubDomains');
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

// Behind a proxy of the same service an address is the one it was told; at home nobody stands between.
if (hosted) app.set('trust proxy', 'loopback, linklocal, uniquelocal');
app.use(requestLog, fixedHeaders, ownHostOnly, readableAddress);
/** Whether the database answers, and who asks: known before anything is looked up for them. */
const whoAsks: RequestHandler = async (request, response, next) => {
  response.locals.ready = await isReady();
  if (response.locals.ready) response.locals.visitor = await visitorOf(request, response);
  next();
};
app.use((request, response, next) => (overNetwork(request) ? whoAsks(request, response, next) : next()), letInOnly);
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
// Passkeys are talked about in JSON, between the browser and the accounts library.
if (hosted)
  app.all('/api/auth/passkey/{*any}', ownPagesOnly, ...notTooMany, notTooManyTries, (request, response) =>
    toNodeHandler(auth())(request, response),
  );
app.use(pageHeaders, knownMethods, ownPagesOnly, ...notTooMany);
app.post(/^\/(pair|account\/(sign-in|sign-up|forgot|reset|confirm))(\.data)?$/, notTooManyTries);
app.use(whoAsks);

app.use(
  createRequestHandler({
    build: () => import('virtual:react-router/server-build'),
    mode: process.env.NODE_ENV,
    getLoadContext: (request, response) => {
      const context = new RouterContextProvider();
      context.set(nonceContext, String(response.locals.nonce));
      context.set(readyContext, response.locals.ready === true);
      context.set(logContext, request.log);
      // Without an answer of the database nobody is known, and every page says that it does not answer.
      if (response.locals.visitor) context.set(visitorContext, response.locals.visitor as Visitor);
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

/** Called by server.mjs once it listens: from now on this server does its part of the work behind the pages. */
export async function work(): Promise<void> {
  for (;;)
    try {
      return await beginWorking();
    } catch (error) {
      log.warn({ err: error }, 'the queue did not answer');
      await sleep(2_000);
    }
}
/** Called by server.mjs when it is told to stop. */
export const shutdown = async (): Promise<void> => {
  stopWorking();
  await closeQueue();
  await closePool();
  await closeDatabase();
  await closeDesk();
  log.flush();
};
