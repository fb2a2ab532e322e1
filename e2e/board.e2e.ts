/** The Sort board: moves by drag, by tap, by keyboard and without JavaScript; prices, refusals, confirmations, undo. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser, Page } from 'playwright-core';
import {
  address,
  axeViolations,
  beginVisit,
  endVisit,
  fillBasket,
  laptop,
  open,
  overflowsX,
  phone,
  sendForm,
  startServer,
  stopServer,
  watch,
  type Visit,
} from './support.ts';

let browser: Browser;
let page: Page;
let troubles: string[];
let visit: Visit | undefined;

beforeAll(async () => {
  visit = await beginVisit();
  ({ browser, page, troubles } = visit);
  await sendForm('/sort', { intent: 'sort' });
});
afterAll(() => endVisit(visit));

const shelves = (p: Page) => p.locator('ol[aria-label="Loads in running order"] > li');
const shelf = (p: Page, title: string) =>
  shelves(p).filter({ has: p.getByRole('heading', { name: title, exact: true }) });
/** The shelf on which a piece lies. */
const shelfOf = (p: Page, piece: string) =>
  shelves(p).filter({ has: p.getByRole('link', { name: `Move ${piece}`, exact: true }) });
const together = (p: Page, piece: string, other: string): Promise<number> =>
  shelfOf(p, piece)
    .getByRole('link', { name: `Move ${other}`, exact: true })
    .count();

describe('the board', () => {
  test('a dragged piece tells its price over a shelf, and moves there', async () => {
    await open(page, '/sort');
    expect(await page.getByText('Proved best for this household').count()).toBe(1);
    await page.evaluate(() => window.scrollTo(0, 700)); // both shelves in sight
    const piece = (await page.getByRole('link', { name: 'Move Linen dance shirt' }).boundingBox())!;
    const target = (await shelf(page, 'Underwear, 60').boundingBox())!;
    await page.mouse.move(piece.x + 60, piece.y + 8);
    await page.mouse.down();
    await page.mouse.move(piece.x + 40, piece.y + 20, { steps: 4 });
    await page.mouse.move(target.x + 90, target.y + target.height - 60, { steps: 10 });
    await page.getByText('Easy care instead of Cottons', { exact: false }).waitFor();
    await page.mouse.up();
    await page.getByText('Your way: Linen dance shirt joins load', { exact: false }).waitFor();
    expect(await together(page, 'Linen dance shirt', 'Boxers, week')).toBe(1);
    expect(await page.getByText('Proved best with your decisions').count()).toBe(1);
    // Worked out behind the page, after the prices of the house rules.
    await page
      .getByText('more than the best plan without your decisions', { exact: false })
      .waitFor({ timeout: 60_000 });
  });
  test('the decision survives sorting again, and the downloads carry it', async () => {
    await page.getByRole('button', { name: 'Thrifty' }).click();
    await page.waitForSelector('button[name="priority"][value="thrifty"][aria-pressed="true"]');
    expect(await page.getByText('Your way: Linen dance shirt joins load', { exact: false }).count()).toBe(1);
    const hamper = (await (await page.request.get(`${address}/hamper.json?plan`)).json()) as {
      pins: { together: string[] }[];
    };
    expect(hamper.pins[0]!.together).toContain('dance-shirt');
    await page.getByRole('button', { name: 'Balanced' }).click();
    await page.waitForSelector('button[name="priority"][value="balanced"][aria-pressed="true"]');
  });
  test('undo puts it back', async () => {
    await page.getByRole('button', { name: 'Undo the last' }).click();
    await page.getByText('Your way:', { exact: false }).waitFor({ state: 'detached' });
    expect(await together(page, 'Linen dance shirt', 'White T-shirt')).toBe(1);
    expect(await together(page, 'Linen dance shirt', 'Boxers, week')).toBe(0);
  });
  test('by keyboard: choose a piece, read every place, let it wait', async () => {
    await page.getByRole('link', { name: 'Move Plum rib top' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Where should Plum rib top go?' }).waitFor();
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Move Plum rib top: Wait for the next wash day' }).focus();
    await page.keyboard.press('Enter');
    await page.getByText('Your way: Plum rib top waits', { exact: false }).waitFor();
    expect(await page.locator('aside').getByText('Plum rib top').count()).toBeGreaterThan(0);
    await page.getByRole('button', { name: 'Back to the best plan' }).click();
    await page.getByText('Your way:', { exact: false }).waitFor({ state: 'detached' });
  });
  test('“wash everything today” is one switch, and off again', async () => {
    const waits = async () =>
      (
        (await (await page.request.get(`${address}/hamper.json?plan`)).json()) as {
          household: { rules: { waiting: string } };
        }
      ).household.rules.waiting;
    await page.getByRole('button', { name: 'Wash everything today' }).click();
    await page.getByRole('button', { name: 'Washing everything: let pieces wait again' }).waitFor();
    expect(await waits()).toBe('none');
    await page.getByRole('button', { name: 'Washing everything: let pieces wait again' }).click();
    await page.getByRole('button', { name: 'Wash everything today' }).waitFor();
    expect(await waits()).toBe('allowed');
  });
  test('to the basin by hand: limits before and after are shown, and the plan follows', async () => {
    await page.getByRole('link', { name: 'Move Linen dance shirt' }).click();
    await page.getByRole('heading', { name: 'Where should Linen dance shirt go?' }).waitFor();
    expect(await page.locator('#move-panel').getByText('1400 → 800 rpm').count()).toBeGreaterThan(0);
    await page.getByRole('button', { name: 'Move Linen dance shirt: By hand' }).click();
    await page.getByText('Your way: Linen dance shirt is washed by hand', { exact: false }).waitFor();
    const plan = (await (await page.request.get(`${address}/plan.json`)).json()) as {
      loads: { method: string; garments: string[] }[];
    };
    expect(plan.loads.find((l) => l.garments.includes('dance-shirt'))!.method).toBe('hand');
    await page.getByRole('button', { name: 'Undo the last' }).click();
    await page.getByText('Your way:', { exact: false }).waitFor({ state: 'detached' });
  });
  test('a risk asks first, and is written into the log', async () => {
    await page.getByRole('link', { name: 'Move Red woven sash' }).click();
    await page.getByRole('button', { name: 'Move Red woven sash: Dark wool, 30' }).click();
    await page.getByText('That breaks a rule.', { exact: false }).waitFor();
    expect(await page.getByText('Your way:', { exact: false }).count()).toBe(0);
    await page.getByRole('button', { name: 'I take the risk: move it' }).click();
    await page.getByText('Your way: Red woven sash joins load', { exact: false }).waitFor();
    expect(await together(page, 'Red woven sash', 'Navy merino jumper')).toBe(1);
    await open(page, '/pieces/dance-sash');
    expect(await page.getByText('Risk taken by hand', { exact: false }).count()).toBe(1);
    await open(page, '/sort');
    await page.getByRole('button', { name: 'Undo the last' }).click();
    await page.getByText('Your way:', { exact: false }).waitFor({ state: 'detached' });
  });
  test('what is unsafe is refused with its reason', async () => {
    const answer = await sendForm('/sort', { intent: 'move', piece: 'ren-shell', target: 'load:0' });
    expect(answer.status).toBe(404); // not in this plan
    await sendForm('/basket', { add: 'ren-overall' });
    await sendForm('/basket/ren-overall', { intent: 'keep', soil: 'hazardous', activity: 'normal' });
    await sendForm('/sort', { intent: 'sort' });
    await open(page, '/sort');
    await page.getByRole('link', { name: 'Move Workshop overall' }).click();
    await page.getByText('carries fuel, oil or solvent', { exact: false }).first().waitFor();
    expect(await page.getByRole('button', { name: 'Move Workshop overall: Coloured clothes, 30' }).count()).toBe(0);
    const forced = await sendForm(
      '/sort',
      { intent: 'move', piece: 'ren-overall', target: 'load:1', confirmed: 'yes' },
      '/sort?piece=ren-overall',
    );
    expect(forced.status).toBe(409);
    expect(await forced.text()).toContain('cannot go there');
  });
  test('on a phone: by tap, without sideways scrolling, no axe violations', async () => {
    const small = await browser.newContext({ viewport: phone });
    const seen = watch(small);
    const p = await small.newPage();
    await open(p, '/sort');
    const load = p.locator('li').filter({ has: p.locator('[aria-label="Move White T-shirt"]') });
    const thin = load.getByRole('link', { name: /^Open / });
    if (await thin.isVisible()) await thin.click(); // the load that is open shows its folds already
    await load.getByRole('link', { name: 'Move White T-shirt' }).click();
    await p.getByRole('heading', { name: 'Where should White T-shirt go?' }).waitFor();
    expect(await overflowsX(p)).toBe(false);
    expect(await axeViolations(p)).toEqual([]);
    await p.getByRole('button', { name: 'Move White T-shirt: A load of its own' }).click();
    await p.getByText('Your way: White T-shirt gets a load of its own', { exact: false }).waitFor();
    await p.getByRole('button', { name: 'Undo the last' }).click();
    await p.getByText('Your way:', { exact: false }).waitFor({ state: 'detached' });
    expect(seen).toEqual([]);
    await small.close();
  });
  test('without JavaScript a piece can be moved too', async () => {
    const plain = await browser.newContext({ viewport: laptop, javaScriptEnabled: false });
    const p = await plain.newPage();
    await p.goto(`${address}/sort`);
    await p.getByRole('link', { name: 'Move Linen dance shirt' }).click();
    await p.getByRole('button', { name: 'Move Linen dance shirt: Underwear, 60' }).click();
    expect(await p.getByText('Your way: Linen dance shirt joins load', { exact: false }).count()).toBe(1);
    await plain.close();
  });
  test('a large basket tells how far it is, can be stopped, and ends on the board', async () => {
    await page.goto('about:blank'); // nothing of the page is under way when its server goes
    await stopServer();
    await startServer({ NEATFOLD_PATIENCE_MS: '0' });
    await open(page, '/sort');
    const before = await page.getByRole('heading', { level: 1 }).textContent();
    await fillBasket(300);
    await open(page, '/sort');
    await page.getByRole('button', { name: 'Sort again' }).click();
    await page.getByRole('heading', { name: 'Sorting 300 pieces' }).waitFor();
    await page.getByRole('button', { name: 'Stop sorting' }).click();
    await page.getByRole('heading', { name: before ?? '' }).waitFor();
    await page.getByRole('button', { name: 'Sort again' }).click();
    await page.getByRole('heading', { name: 'Sorting 300 pieces' }).waitFor();
    expect(await axeViolations(page)).toEqual([]);
    // A first plan is on the board while a better one is looked for; what is good enough is taken.
    const better = page.getByRole('region', { name: 'A better plan is looked for' });
    await better.waitFor({ timeout: 60_000 });
    await page.getByRole('heading', { name: /loads for \d+ pieces/ }).waitFor();
    expect(await axeViolations(page)).toEqual([]);
    await better.getByText(/at most \d+ % from the best possible/).waitFor({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Good enough: take it' }).click();
    await better.waitFor({ state: 'detached', timeout: 60_000 });
    // However long the list of what stays, the first shelf stands where the page begins.
    const first = page.locator('ol[aria-label="Loads in running order"] > li').first();
    const [box, aside] = [
      await first.boundingBox(),
      await page.getByRole('complementary', { name: 'Not today' }).boundingBox(),
    ];
    expect(box!.height).toBeLessThan(900);
    expect(aside!.height).toBeLessThanOrEqual(
      (await page.locator('ol[aria-label="Loads in running order"]').boundingBox())!.height + 2,
    );
    expect(await axeViolations(page)).toEqual([]);
  });
  test('no console error on the way', () => expect(troubles).toEqual([]));
});
