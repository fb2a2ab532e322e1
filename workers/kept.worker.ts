/**
 * The service worker: keeps the pages of a running wash for when there is no network, with the files they need. The network goes first; what is kept
 * is at most two days old and forgotten then. Nothing is answered from here for forms, for readings, or for whether the server is there.
 */
/// <reference lib="webworker" />
import { ExpirationPlugin } from 'workbox-expiration';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;

const pages = 'neat-fold-pages-1';
const files = 'neat-fold-files-1';
/** Tickets, washes by hand, what is in the water: pages and their data. */
const keptPage = /^\/(wash|loads\/[0-9a-f-]{36}(\/hand)?)(\.data)?$/;

registerRoute(
  ({ url, request }) => request.method === 'GET' && keptPage.test(url.pathname),
  new NetworkFirst({
    cacheName: pages,
    networkTimeoutSeconds: 8,
    plugins: [new ExpirationPlugin({ maxEntries: 40, maxAgeSeconds: 2 * 86_400, purgeOnQuotaError: true })],
  }),
);
registerRoute(
  ({ url, request }) => request.method === 'GET' && url.pathname.startsWith('/assets/'),
  new CacheFirst({
    cacheName: files,
    plugins: [new ExpirationPlugin({ maxEntries: 200, maxAgeSeconds: 14 * 86_400, purgeOnQuotaError: true })],
  }),
);

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
/** A page that is not kept: which ones are. */
setCatchHandler(async ({ request }) => {
  if (request.mode !== 'navigate') return Response.error();
  const kept = (await (await caches.open(pages)).keys())
    .map((r) => new URL(r.url).pathname)
    .filter((p) => !p.endsWith('.data'));
  const list = kept.map(
    (p) =>
      `<li><a href="${escaped(p)}">${escaped(p.endsWith('/hand') ? 'Wash by hand' : p === '/wash' ? 'In the water' : 'Ticket')}</a></li>`,
  );
  return new Response(
    `<!doctype html><html lang="en-GB"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>No network · Neat Fold</title>
<body style="font:1.1rem/1.5 sans-serif;margin:2rem;background:#f3eee3;color:#1e2742"><h1>No network</h1>
<p>This page is not kept on this device. What is:</p><ul>${list.join('') || '<li>nothing yet</li>'}</ul>`,
    { status: 503, headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  );
});

interface Wish {
  keep: string;
  files: readonly string[];
}
const isWish = (x: unknown): x is Wish =>
  typeof x === 'object' &&
  x !== null &&
  'keep' in x &&
  typeof x.keep === 'string' &&
  'files' in x &&
  Array.isArray(x.files);
/** A page that was there before this worker asks to be kept as it stands. */
self.addEventListener('message', (event) => {
  const wish: unknown = event.data;
  if (!isWish(wish) || !keptPage.test(wish.keep)) return;
  event.waitUntil(
    (async () => {
      await (await caches.open(pages)).add(wish.keep);
      const cache = await caches.open(files);
      const assets = wish.files.filter((f) => f.startsWith('/assets/'));
      await Promise.all(assets.map(async (f) => (await cache.match(f)) ?? cache.add(f)));
    })().catch(() => undefined),
  );
});
// Pages wait for nobody: what is kept has the name of its version in its cache.
self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
