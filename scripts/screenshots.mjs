// `npm run screenshots`: one current picture of each main view, from a fresh demo household, into docs/screenshots/.
import path from 'node:path';
import { sendForm } from './lib/send-form.mjs';
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
const only = process.argv[3];
const database = await startPostgres(root, { name: 'pg-pictures', log: say });
const { dropDatabase, prepareDatabase } = await import('./lib/migrate.mjs');
let server;
let browser;
try {
  await dropDatabase(database);
  await prepareDatabase(database, path.join(root, 'data/migrations'));
  seed(database.appUrl);
  // Shared with a home network, at an address such networks have.
  const { ownCertificate } = await import('./lib/certificate.mjs');
  const { cert, key, authority, fingerprint } = await ownCertificate(path.join(root, '.data/share-pictures'), [
    '127.0.0.1',
  ]);
  const addresses = ['https://192.168.1.20:4174'];
  const share = JSON.stringify({ port: await freePort(), addresses, cert, key, authority, fingerprint });
  server = await startServer({ database, port: await freePort(), quiet: true, env: { NEAT_FOLD_SHARE: share } });
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
  await open('/basket');
  await shot('basket');
  await open('/basket/ren-tee-slate/stain?word=chain');
  await page.evaluate(() => window.scrollTo(0, 260));
  await shot('stain');
  await open('/dry');
  await shot('dry');
  await open('/log/figures');
  await page.locator('#machine [data-drawn="true"]').waitFor();
  await shot('figures');
  await open('/log/learnt');
  await shot('learnt');
  await open('/sheet');
  await shot('sheet');
  await sendForm(server.address, '/sort', { intent: 'sort' });
  await open('/sort');
  await shot('sort');
  await page.getByRole('link', { name: 'Move Berry T-shirt' }).click();
  await page.getByRole('heading', { name: 'Where should Berry T-shirt go?' }).waitFor();
  await page.waitForTimeout(600);
  await shot('board-move');
  await open('/sort?load=3');
  const ticket = await page.getByRole('link', { name: 'Open its ticket' }).getAttribute('href');
  await open(ticket);
  await shot('ticket');
  await shot('ticket-phone', 'phone');
  await open('/treat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page
    .getByRole('button', { name: /start the clock/ })
    .first()
    .click();
  await page.getByRole('timer').first().waitFor();
  await shot('treat');
  await open(`${ticket}/what-if?temperatureC=60&tumble=normal`);
  await shot('what-if');
  await sendForm(server.address, ticket, { intent: 'start' });
  await sendForm(server.address, ticket, { intent: 'out' });
  await open(`${ticket}/inspect`);
  // A house that washes its wool by hand.
  await open('/household');
  await page.locator('button[name="intent"][value="rules"]').evaluate((button) => {
    button.form.querySelector('input[name="wool"][value="hand"]').checked = true;
    button.click();
  });
  await page.getByText('The next sorting follows these rules.').waitFor();
  await sendForm(server.address, '/sort', { intent: 'sort' });
  await open('/wash');
  await page
    .getByRole('link', { name: /by hand|press/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Begin, step by step' }).click();
  await page.getByRole('heading', { name: 'Fill' }).waitFor();
  await shot('hand-phone', 'phone');
  // The day of that house: its hours promised, a machine under way.
  await sendForm(server.address, '/today', { intent: 'keep', aim: 'usual' });
  await open('/wash');
  const started = await page.locator('a[href^="/loads/"]').last().getAttribute('href');
  await sendForm(server.address, started, { intent: 'start', ago: '40' });
  await open('/today');
  await page.getByRole('button', { name: /Cheapest current/ }).waitFor();
  await shot('today');
  await open('/log');
  await shot('log');
  await open('/pieces/tovi-merino');
  await shot('piece');
  await open('/wardrobe');
  await shot('wardrobe');
  await open('/household');
  await shot('household');
  // A round of practice that went wrong.
  const begun = await sendForm(server.address, '/practice', { basket: 'one-new-red', who: 'Juna' });
  const round = begun.headers.get('location');
  const decide = (fields) => sendForm(server.address, round, fields, `${round}?at=sort`);
  await decide({ intent: 'put', piece: ['p1', 'p2', 'p3', 'p5'], target: 'new' });
  await decide({ intent: 'put', piece: ['p4', 'p6'], target: 'new' });
  await decide({ intent: 'dry', piece: ['p1', 'p2', 'p3', 'p4', 'p5', 'p6'], where: 'place:rack:bars' });
  await decide({ intent: 'wash' });
  await open(`${round}/outcome`);
  await shot('practice');
} finally {
  await browser?.close();
  server?.child.kill('SIGTERM');
  await server?.exited;
  await database.leave();
}
