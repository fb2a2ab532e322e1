/** What the browser tests share: a fresh demo household, a server of their own, pages that report every console error, and axe. */
import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import axe from 'axe-core';
import { sendForm as sendFormTo } from '../scripts/lib/send-form.mjs';
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';

interface Scripts {
  dropDatabase: (d: unknown) => Promise<void>;
  prepareDatabase: (d: unknown, folder: string, options: { mode: 'home' | 'hosted' }) => Promise<void>;
}
const root = process.cwd();
interface Lane {
  database: { appUrl: string; deskUrl: string; ownerUrl: string; dir: string };
  port: number;
}
const lanes = JSON.parse(process.env.E2E_LANES ?? '[]') as Lane[];
const lane = lanes[Number(process.env.JEST_WORKER_ID ?? 1) - 1];
if (!lane) throw new Error('browser tests are run by `npm test`, which gives each lane a database and a port');
const { port } = lane;
/** The database of this lane; no other lane looks into it. */
export const cluster = lane.database;
export const ownerUrl = cluster.ownerUrl;
export const address = `http://127.0.0.1:${port}`;

/** Drop and migrate. */
export async function freshDatabase(mode: 'home' | 'hosted'): Promise<void> {
  const scripts = (await import(path.join(root, 'scripts/lib/migrate.mjs'))) as Scripts;
  await scripts.dropDatabase(cluster);
  await scripts.prepareDatabase(cluster, path.join(root, 'data/migrations'), { mode });
}
/** Drop, migrate and load the demo. */
export async function freshHousehold(): Promise<void> {
  await freshDatabase('home');
  const child = spawn(process.execPath, ['--import', 'tsx', 'data/seed.ts'], {
    env: { ...process.env, DATABASE_URL: cluster.appUrl, NODE_OPTIONS: '' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  await new Promise<void>((resolve, reject) =>
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error('the demo did not load')))),
  );
}

/** Send a form as its page would, with the key and the versions the page carries; redirects are not followed. */
export const sendForm = (
  to: string,
  fields: Record<string, string | readonly string[]>,
  from?: string,
): Promise<Response> => sendFormTo(address, to, fields, from);

/** A basket of made-up pieces instead of the demo's. */
export async function fillBasket(size: number): Promise<void> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'bench/fill.ts', String(size)], {
    env: { ...process.env, DATABASE_URL: cluster.appUrl, NODE_OPTIONS: '' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  await new Promise<void>((resolve, reject) =>
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error('the basket was not filled')))),
  );
}

let server: ChildProcess | null = null;
export async function startServer(more: Record<string, string> = {}): Promise<void> {
  server = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NODE_OPTIONS: '',
      NEAT_FOLD_LOG_LEVEL: 'error',
      NEATFOLD_PATIENCE_MS: '60000', // a busy machine takes its time: the plan is there when the page is
      DATABASE_URL: cluster.appUrl,
      DESK_DATABASE_URL: cluster.deskUrl,
      PORT: String(port),
      ...more,
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  for (let i = 0; i < 600; i++) {
    if ((await fetch(`${address}/readyz`).catch(() => null))?.ok) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error('the server did not come up');
}
export async function stopServer(): Promise<void> {
  const child = server;
  server = null;
  if (!child || child.exitCode !== null) return;
  const gone = new Promise((r) => child.once('exit', r));
  child.kill('SIGTERM');
  await gone;
}

export const launch = (): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-dev-shm-usage',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });

/** Console errors, hydration trouble and page crashes of a context, as text; expected answers (404, 409, 422) are no errors. */
export function watch(context: BrowserContext): string[] {
  const troubles: string[] = [];
  // A busy machine is no defect; a page that never comes still fails.
  context.setDefaultTimeout(60_000);
  context.setDefaultNavigationTimeout(60_000);
  context.on('page', (page) => {
    page.on('console', (m) => {
      if ((m.type() === 'error' || m.type() === 'warning') && !/status of (403|404|409|410|422|429)/.test(m.text()))
        troubles.push(`${page.url()}: ${m.text()}`);
    });
    page.on('pageerror', (e) => troubles.push(`${page.url()}: ${e.message}`));
  });
  return troubles;
}

export const phone = { width: 390, height: 844 } as const;
export const laptop = { width: 1280, height: 800 } as const;

/** Open a page and wait until it is alive (or at least there, without JavaScript). */
export async function open(page: Page, to: string, at = address): Promise<void> {
  await page.goto(`${at}${to}`);
  await page.waitForSelector('[data-hydrated="true"], [data-error]', { timeout: 30_000 }).catch(async () => {
    await page.waitForSelector('main');
  });
}

/** axe violations as readable lines. */
export async function axeViolations(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  const found = await page.evaluate(async () => {
    const run = (window as unknown as { axe: typeof axe }).axe.run;
    const result = await run(document, {
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
      resultTypes: ['violations'],
    });
    return result.violations.map((v) => ({
      id: v.id,
      nodes: v.nodes.slice(0, 3).map((n) => `${n.target.join(' ')} ${n.failureSummary ?? ''}`),
    }));
  });
  return found.map((v) => `${v.id}: ${v.nodes.join(' | ')}`);
}
/** Whether a page stays wider than its window. Charts are drawn anew a moment after the window has changed, so it is looked at for a while. */
export const overflowsX = (page: Page): Promise<boolean> =>
  page
    .waitForFunction(() => document.documentElement.scrollWidth <= window.innerWidth + 1, null, { timeout: 3_000 })
    .then(
      () => false,
      () => true,
    );

export interface Visit {
  browser: Browser;
  context: BrowserContext;
  page: Page;
  troubles: string[];
}
/** A fresh household behind a server of its own, and one laptop looking at it. End it with `endVisit`. */
export async function beginVisit(): Promise<Visit> {
  await freshHousehold();
  await startServer();
  const browser = await launch();
  const context = await browser.newContext({ viewport: laptop, reducedMotion: 'reduce' });
  const troubles = watch(context);
  return { browser, context, page: await context.newPage(), troubles };
}
export async function endVisit(visit: Visit | undefined): Promise<void> {
  await visit?.browser.close();
  await stopServer();
}
