/**
 * The Sort board in a real browser with a large basket: how long a page of folds takes to answer a drag, and the longest frame while a piece is
 * carried over the shelves and while the page scrolls. Argument: address of a running server; DATABASE_URL is its database.
 */
import { chromium, type Locator, type Page } from 'playwright-core';
import { sendForm } from '../scripts/lib/send-form.mjs';
import { closeDatabase } from '@data/client.ts';
import { fillBasket } from './fill.ts';
import { median, quantile, table } from './table.ts';

const [address = ''] = process.argv.slice(2);

async function sorted(size: number): Promise<void> {
  await fillBasket(size);
  const answer = await sendForm(address, '/sort', { intent: 'sort' });
  if (answer.status !== 302) throw new Error(`sorting answered ${answer.status}`);
}

async function placeOf(where: Locator): Promise<{ x: number; y: number; width: number }> {
  const box = await where.boundingBox();
  if (!box) throw new Error('it is not on the screen');
  return box;
}
/** Gaps between frames while `work` runs, ms. */
async function framesDuring(page: Page, work: () => Promise<void>): Promise<number[]> {
  await page.evaluate(() => {
    const w = window as unknown as { gaps: number[]; watching: boolean };
    w.gaps = [];
    w.watching = true;
    let last = performance.now();
    const tick = (now: number): void => {
      w.gaps.push(now - last);
      last = now;
      if (w.watching) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await work();
  return page.evaluate(() => {
    const w = window as unknown as { gaps: number[]; watching: boolean };
    w.watching = false;
    return w.gaps;
  });
}

const rows: (string | number)[][] = [];
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-background-networking'],
});
for (const [name, size, viewport] of [
  ['phone', 60, { width: 390, height: 844 }],
  ['laptop', 200, { width: 1280, height: 800 }],
] as const) {
  await sorted(size);
  const context = await browser.newContext({ viewport });
  // The compiler of this script marks named functions with a helper that the page does not have.
  await context.addInitScript({ content: 'globalThis.__name = (f) => f;' });
  const page = await context.newPage();
  for (let waited = 0; waited < 120; waited++) {
    await page.goto(`${address}/sort`);
    await page.waitForSelector('[data-hydrated="true"]');
    if (await page.locator('ol[aria-label="Loads in running order"]').count()) break;
    await page.waitForTimeout(1000);
  }
  const shelves = page.locator('ol[aria-label="Loads in running order"] > li');
  const first = shelves
    .first()
    .getByRole('link', { name: /^Move / })
    .first();
  const answers: number[] = [];
  let carried: number[] = [];
  if (name === 'laptop') {
    const from = await placeOf(first);
    await page.mouse.move(from.x + 30, from.y + 8);
    await page.mouse.down();
    await page.mouse.move(from.x + 40, from.y + 20, { steps: 3 });
    await page.waitForTimeout(1500); // the worker reads the plan once
    carried = await framesDuring(page, async () => {
      for (let k = 1; k < Math.min(5, await shelves.count()); k++) {
        const box = await placeOf(shelves.nth(k));
        const start = performance.now();
        await page.mouse.move(box.x + box.width / 2, Math.min(780, box.y + 120), { steps: 5 });
        await shelves
          .nth(k)
          .locator('p')
          .filter({ hasText: /€|risk|refused|difference/ })
          .first()
          .waitFor({ timeout: 5000 });
        answers.push(performance.now() - start);
      }
    });
    await page.keyboard.press('Escape');
    await page.mouse.up();
  } else {
    const start = performance.now();
    await first.click();
    await page.getByRole('heading', { name: /^Where should / }).waitFor();
    answers.push(performance.now() - start);
  }
  const scrolled = await framesDuring(page, async () => {
    for (let k = 0; k < 20; k++) {
      await page.mouse.wheel(0, 240);
      await page.waitForTimeout(16);
    }
  });
  rows.push([
    name,
    size,
    await shelves.count(),
    name === 'laptop' ? 'carry it over a shelf' : 'tap a piece, every place priced',
    `${median(answers).toFixed(0)} ms`,
    carried.length ? `${quantile(carried, 0.95).toFixed(0)} / ${Math.max(...carried).toFixed(0)} ms` : '–',
    `${quantile(scrolled, 0.95).toFixed(0)} / ${Math.max(...scrolled).toFixed(0)} ms`,
  ]);
  await page.close();
}
await browser.close();
await closeDatabase();
console.log('### The board in headless Chromium\n');
console.log(
  table(
    [
      'screen',
      'pieces',
      'loads',
      'what',
      'answer, with five mouse steps',
      'frames while carrying, p95 / longest',
      'frames while scrolling, p95 / longest',
    ],
    rows,
  ),
);
