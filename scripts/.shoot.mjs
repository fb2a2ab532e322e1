// `npm run screenshots`: one current picture of each main view, from a fresh demo household, into docs/screenshots/.
import path from 'node:path';
import { mkdirSync } from 'node:fs';
import { startPostgres } from './lib/postgres.mjs';
import {
  checkNode,
  chromiumPath,
  ensureBuild,
  ensurePackages,
  ensureSystemPackages,
  freePort,
  root,
  say,
  seed,
  startServer,
} from './lib/setup.mjs';

process.chdir(root);
checkNode();
ensureSystemPackages({ chromium: true });
ensurePackages();
ensureBuild();
const folder = process.argv[2] ?? 'docs/screenshots';
mkdirSync(folder, { recursive: true });

const database = await startPostgres(root, { name: 'pg-pictures', log: say });
const { dropDatabase, prepareDatabase } = await import('./lib/migrate.mjs');
let server;
let browser;
try {
  await dropDatabase(database);
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl);
  server = await startServer({ databaseUrl: database.appUrl, port: await freePort(), quiet: true });
  const { chromium } = await import('playwright-core');
  browser = await chromium.launch({
    executablePath: chromiumPath,
    args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-background-networking'],
  });
  const sizes = { laptop: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } };
  const context = await browser.newContext({ viewport: sizes.laptop, reducedMotion: 'reduce' });
  const page = await context.newPage();
  const open = async (to) => {
    await page.goto(server.address + to);
    await page.waitForSelector('[data-hydrated="true"]');
    await page.evaluate(() => document.fonts.ready);
  };
  const shot = async (name, size = 'laptop', colorScheme = 'light') => {
    if (only && !name.includes(only)) return;
    await page.setViewportSize(sizes[size]);
    await page.emulateMedia({ colorScheme });
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    await page.setViewportSize(sizes.laptop);
    await page.emulateMedia({ colorScheme: 'light' });
    say(name);
  };
  await page.request.post(`${server.address}/sort`, { form: { intent: 'sort' }, headers: { origin: server.address } });
  for (const spec of process.argv.slice(3)) {
    let [to, name, size = 'laptop', full = ''] = spec.split('@');
    if (to.startsWith('ticket')) { await open('/sort?load=' + to.slice(6)); to = await page.getByRole('link', { name: 'Open its ticket' }).getAttribute('href'); }
    await page.setViewportSize(sizes[size]);
    await open(to);
    await page.screenshot({ path: path.join(folder, name + '.png'), fullPage: full === 'full' });
    console.log(name, await page.evaluate(() => document.documentElement.scrollWidth), (await page.locator('ol[aria-label="Loads in running order"] h2').allTextContents()).join(' | '));
  }
} finally {
  await browser?.close();
  server?.child.kill('SIGTERM');
  await server?.exited;
  if (!database.reused) database.stop();
}
