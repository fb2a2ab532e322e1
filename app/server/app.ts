/** The web server around the router: headers, cross-site guard, health, compression. */
import { randomBytes } from 'node:crypto';
import { createRequestHandler } from '@react-router/express';
import compression from 'compression';
import { sql } from 'drizzle-orm';
import express from 'express';
import { RouterContextProvider } from 'react-router';
import { closeDatabase, database } from '@data/client.ts';
import { nonceContext } from './context.ts';
import { closePool } from './pool.server.ts';

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

app.use((_request, response, next) => {
  const nonce = randomBytes(16).toString('base64');
  response.locals.nonce = nonce;
  response.setHeader('X-Content-Type-Options', 'nosniff');
  response.setHeader('Referrer-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
  response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
  response.setHeader('Permissions-Policy', 'camera=(), geolocation=(), microphone=()');
  response.setHeader('Content-Security-Policy', policy(nonce));
  next();
});

/** A form may only be posted from our own pages. */
app.use((request, response, next) => {
  if (request.method === 'GET' || request.method === 'HEAD') return next();
  const origin = request.headers.origin;
  const site = request.headers['sec-fetch-site'];
  const sameOrigin =
    origin === undefined
      ? site === undefined || site === 'same-origin' || site === 'none'
      : URL.canParse(origin) && new URL(origin).host === request.headers.host;
  if (sameOrigin && site !== 'cross-site') return next();
  response.status(403).type('text/plain').send('This form was sent from another site and was refused.');
});
app.use(compression());

app.get('/healthz', async (_request, response) => {
  await database().execute(sql`select 1`);
  response.json({ ok: true });
});

app.use(
  createRequestHandler({
    build: () => import('virtual:react-router/server-build'),
    mode: process.env.NODE_ENV,
    getLoadContext: (_request, response) => {
      const context = new RouterContextProvider();
      context.set(nonceContext, String(response.locals.nonce));
      return context;
    },
  }),
);

/** Called by server.mjs when it is told to stop. */
export const shutdown = async (): Promise<void> => {
  await closePool();
  await closeDatabase();
};
