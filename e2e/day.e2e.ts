/** A whole wash day: basket, loads, ticket, running through a restart, finished, logged. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { address, beginVisit, endVisit, open, phone, startServer, stopServer, type Visit } from './support.ts';

let browser: Browser;
let context: BrowserContext;
let page: Page;
let troubles: string[];
let visit: Visit | undefined;

beforeAll(async () => {
  visit = await beginVisit();
  ({ browser, context, page, troubles } = visit);
});
afterAll(() => endVisit(visit));

const basketCount = async (): Promise<number> => page.locator('a[aria-label^="Mark "]').count();

describe('a wash day', () => {
  test('due pieces go from the wardrobe into the basket, and out again', async () => {
    await open(page, '/basket?show=due');
    const before = await basketCount();
    for (const name of ['Stone chinos', 'Walnut cord trousers'])
      await page
        .getByRole('button', { name: new RegExp(`^${name}`) })
        .click()
        .then(() => page.waitForSelector(`a[aria-label="Mark ${name}"]`));
    expect(await basketCount()).toBe(before + 2);
    await page.getByRole('button', { name: 'Take Walnut cord trousers out' }).click();
    await page.waitForSelector('a[aria-label="Mark Walnut cord trousers"]', { state: 'detached' });
    expect(await basketCount()).toBe(before + 1);
  });
  test('the search narrows the wardrobe as one types', async () => {
    await open(page, '/basket');
    await page.getByRole('searchbox', { name: 'Search' }).fill('silk');
    await page.waitForFunction(() => document.querySelectorAll('button[name="add"]').length <= 3);
    expect(await page.getByRole('button', { name: /^Ivory silk blouse/ }).count()).toBe(1);
  });
  test('a piece in one line is read, shown with what was assumed, and kept', async () => {
    await open(page, '/basket');
    await page.getByLabel('Add a piece in one line').fill('plum merino jumper, hand wash, L');
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByRole('heading', { name: 'Is this right?' }).waitFor();
    expect(await page.getByLabel('What it is').inputValue()).toBe('jumper_fine');
    expect(await page.getByRole('textbox', { name: 'Shell' }).inputValue()).toBe('wool 100');
    expect(await page.getByLabel('Size', { exact: true }).inputValue()).toBe('L');
    expect(await page.getByLabel('Wash symbol').inputValue()).toBe('hand 40');
    await page.getByRole('button', { name: 'Keep and put in the basket' }).click();
    await page.waitForSelector('a[aria-label="Mark Plum merino jumper"]');
  });
  test('a stain and a date are marked', async () => {
    await page.getByRole('link', { name: 'Mark Plum merino jumper' }).click();
    await page.getByRole('heading', { name: 'Plum merino jumper' }).waitFor();
    await page.getByText('Heavy', { exact: true }).click();
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('heavily soiled').first().waitFor();
    await page.getByRole('link', { name: 'Mark Plum merino jumper' }).click();
    await page.getByRole('link', { name: 'Mark a stain' }).click();
    await page.getByLabel('Kind of mark').selectOption('red-wine');
    await page.getByLabel('Across (cm)').fill('4,5');
    await page.getByLabel('Where is it?', { exact: false }).selectOption('front');
    await page.getByRole('button', { name: 'Mark it' }).click();
    await page.getByText('Plum merino jumper, front').waitFor();
    await open(page, '/basket');
    await page.getByText('heavily soiled · red wine, front').waitFor();
  });
  test('sorting gives loads with reasons, and the downloads equal the command line', async () => {
    await page.getByRole('button', { name: /^Sort \d+ pieces$/ }).click();
    await page.getByRole('heading', { name: /loads for \d+ pieces/ }).waitFor();
    expect(await page.locator('ol[aria-label="Loads in running order"] > li').count()).toBeGreaterThanOrEqual(3);
    expect(await page.getByText('Lace apron').count()).toBeGreaterThan(0);
    await page.getByRole('heading', { name: 'Why these settings?' }).waitFor();
    await page.getByRole('heading', { name: 'Why the loads stay apart' }).waitFor();
    const [hamper, plan] = await Promise.all(
      ['/hamper.json?plan', '/plan.json'].map(async (p) => (await fetch(address + p)).text()),
    );
    const printed = spawnSync(process.execPath, ['bin/neatfold.mjs', 'plan', '-'], {
      input: hamper,
      encoding: 'utf8',
      maxBuffer: 1e8,
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    expect(printed.status).toBe(0);
    expect(printed.stdout).toBe(plan);
  });
  test('another priority sorts again', async () => {
    await page.getByRole('button', { name: 'Quick' }).click();
    await page.waitForSelector('button[name="priority"][value="quick"][aria-pressed="true"]');
    await page.getByRole('button', { name: 'Balanced' }).click();
    await page.waitForSelector('button[name="priority"][value="balanced"][aria-pressed="true"]');
  });
  let ticket = '';
  test('a ticket shows settings and steps; a tick stays on another device', async () => {
    await page.getByRole('link', { name: /^Start with / }).click();
    await page.getByRole('heading', { name: 'Step by step' }).waitFor();
    ticket = new URL(page.url()).pathname;
    const first = page.locator('button[name="tick"]').first();
    const words = await first.innerText();
    await first.click();
    await page.waitForSelector('button[name="untick"]');
    const other = await (await browser.newContext({ viewport: phone })).newPage();
    await open(other, ticket);
    expect((await other.locator('button[name="untick"]').first().innerText()).split('\n')[0]).toBe(
      words.split('\n')[0],
    );
    await other.close();
  });
  test('a started load survives reload and a restart of the server', async () => {
    await page.getByRole('button', { name: 'Start the load' }).click();
    await page.getByRole('timer').waitFor();
    await page.reload();
    await page.getByRole('timer').waitFor();
    await page.goto('about:blank'); // the page's own look at the server would be refused meanwhile
    await stopServer();
    await startServer();
    await open(page, '/wash');
    await page.getByRole('timer').waitFor();
    expect(await page.getByRole('timer').innerText()).toMatch(/\d+:\d\d\s*min left|\d:\d\d\s*h left/);
    await page.getByRole('link', { name: 'Take it out' }).click();
    await page.getByRole('button', { name: 'It is out: look at it' }).waitFor();
  });
  test('two tabs take out the same load: one wins, the other is told', async () => {
    const second = await context.newPage();
    await open(second, ticket);
    for (const tab of [page, second]) await tab.waitForSelector('[data-hydrated="true"]');
    await page.getByRole('button', { name: 'It is out: look at it' }).click();
    await page.getByRole('heading', { name: 'Look at it now' }).waitFor();
    await second.getByRole('button', { name: 'It is out: look at it' }).click();
    await second.getByText('already taken out on another screen').waitFor();
    await second.close();
  });
  test('the log has it, the piece remembers it, the basket is lighter', async () => {
    await open(page, '/log?view=loads');
    const link = page
      .locator('main li', { has: page.locator('a[href^="/loads/"]') })
      .first()
      .getByRole('link')
      .nth(1);
    const piece = await link.getAttribute('href');
    await open(page, piece!);
    await page
      .getByText(/Washed at 30 °C/)
      .first()
      .waitFor();
    expect(await page.locator('h1 + p').innerText()).toMatch(/0 of \d+ wears|0 wears/);
  });
  test('no console error on the way', () => expect(troubles).toEqual([]));
});
