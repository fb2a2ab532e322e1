/** From the drum to the cupboard: racks, the dryer, the iron, freshening, and the cleaner. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import {
  address,
  axeViolations,
  beginVisit,
  endVisit,
  laptop,
  open,
  overflowsX,
  phone,
  sendForm,
  type Visit,
} from './support.ts';

let visit: Visit | undefined;
let page: Page;
beforeAll(async () => {
  visit = await beginVisit();
  ({ page } = visit);
});
afterAll(() => endVisit(visit));

const stateOf = async (id: string): Promise<string> => {
  const html = await (await fetch(`${address}/pieces/${id}`)).text();
  return /data-state="([^",]*)/.exec(html)?.[1] ?? '';
};
const inBasket = async (id: string): Promise<boolean> =>
  ((await (await fetch(`${address}/hamper.json`)).json()) as { garments: { id: string }[] }).garments.some(
    (g) => g.id === id,
  );
const send = async (to: string, fields: Record<string, string | string[]>): Promise<number> =>
  (await sendForm(to, fields)).status;
const tap = (name: string | RegExp): Promise<void> => page.getByRole('button', { name }).first().click();
const pages = async (format: string): Promise<number> =>
  ((await page.pdf({ format })).toString('latin1').match(/\/Type\s*\/Page[^s]/g) ?? []).length;

describe('the drying places', () => {
  test('what waits wet is drawn where it fits, and hangs with one word', async () => {
    await page.setViewportSize(phone);
    await open(page, '/dry');
    await page.getByRole('heading', { name: 'Eleven pieces are drying' }).waitFor();
    await page.getByRole('link', { name: 'Black jeans: not hung up yet' }).first().waitFor();
    expect(await stateOf('ren-jeans')).toBe('wet: hang it up');
    await tap('They hang like this');
    await page
      .getByRole('link', { name: /^Black jeans: dry about/ })
      .first()
      .waitFor();
    expect(await stateOf('ren-jeans')).toBe('drying');
    expect(await overflowsX(page)).toBe(false);
  });
  test('a piece is chosen, told what it wants, and moved; what it does not bear is refused with the reason', async () => {
    await open(page, '/dry?piece=juna-tee-white-2');
    await page.getByRole('heading', { name: 'White T-shirt, pocket' }).waitFor();
    const here = page.locator('button[aria-pressed="true"]', { hasText: 'Rack by the window' });
    await here.waitFor();
    await tap(/^Balcony line, pegged/);
    await page.locator('button[aria-pressed="true"]', { hasText: 'Balcony line' }).waitFor();
    await tap(/^Rack by the window, over bars/);
    await page.locator('button[aria-pressed="true"]', { hasText: 'Rack by the window, over bars' }).waitFor();
    const refused = await sendForm('/dry', { intent: 'move', piece: 'juna-cardigan', to: 'hanger rack' });
    expect(refused.status).toBe(422);
    expect(await refused.text()).toContain('It does not bear hanging like that.');
    expect(await send('/dry', { intent: 'move', piece: 'juna-cardigan', to: 'flat nowhere' })).toBe(422);
    expect(await send('/dry', { intent: 'move', piece: 'nobody', to: 'flat rack' })).toBe(409);
  });
  test('by drag, with the mouse', async () => {
    await page.setViewportSize(laptop);
    await open(page, '/dry');
    const piece = page.getByRole('link', { name: /^White T-shirt, pocket/ }).first();
    const line = page.getByRole('group', { name: 'Bars, Balcony line' });
    await page.evaluate((by) => window.scrollBy(0, by), (await piece.boundingBox())!.y - 40); // both in sight
    const from = (await piece.boundingBox())!;
    const to = (await line.boundingBox())!;
    await page.mouse.move(from.x + 60, from.y + 8);
    await page.mouse.down();
    await page.mouse.move(from.x + 70, from.y + 30, { steps: 4 });
    await page.mouse.move(to.x + 80, to.y + 40, { steps: 12 });
    await page.mouse.up();
    await page
      .getByRole('region', { name: /^Balcony line/ })
      .getByRole('link', { name: /^White T-shirt, pocket/ })
      .waitFor();
  });
  test('a window changes the hours of all, and a broken wish changes nothing', async () => {
    await open(page, '/dry');
    const shirt = page.getByRole('link', { name: /^Ink hoodie/ }).first();
    const before = await shirt.getAttribute('aria-label');
    await tap(/^Window ajar/);
    await page.locator('button[aria-pressed="true"]', { hasText: 'Window ajar' }).waitFor();
    await page.waitForFunction((was) => !document.querySelector(`[aria-label="${was}"]`), before);
    expect(await send('/dry', { intent: 'air', air: 'gale' })).toBe(422);
    await page.reload();
    await page.locator('button[aria-pressed="true"]', { hasText: 'Window ajar' }).waitFor();
  });
  test('turned; felt damp: its hours begin anew and the place learns; weighed without a number: told', async () => {
    await open(page, '/dry?piece=juna-cardigan');
    await tap('Turned, dry towel');
    await page.waitForURL('**/dry');
    await page.getByRole('heading', { name: /pieces are drying/ }).waitFor();
    await open(page, '/dry?piece=ren-jersey-blue');
    await page.getByText('Feel last:', { exact: false }).waitFor();
    await tap('Still damp');
    await page.waitForURL('**/dry');
    await open(page, '/dry?piece=ren-jersey-blue');
    expect(await page.getByText('should be dry;').count()).toBe(0);
    expect(await send('/dry', { intent: 'weigh', piece: 'ren-jersey-blue', massG: 'heavy' })).toBe(422);
    await page.getByLabel('On the kitchen scale').fill('400');
    await tap('Weigh');
    await page.getByText('Still damp: it holds about', { exact: false }).waitFor();
    expect(await axeViolations(page)).toEqual([]);
  });
  test('dry is dry once: the second hand is told', async () => {
    expect(await send('/dry', { intent: 'dry', piece: 'ren-jersey-blue' })).toBe(302);
    expect(await stateOf('ren-jersey-blue')).toBe('dry: to be put away');
    expect(await send('/dry', { intent: 'dry', piece: 'ren-jersey-blue' })).toBe(409);
  });
  test('the rack prints', async () => {
    await open(page, '/dry');
    expect(await pages('A4')).toBeLessThanOrEqual(3);
  });
});

describe('the dryer', () => {
  test('not before the lint filter is clean; then it runs, is stopped when it is dry, and nothing in it is lost', async () => {
    const unclean = await sendForm('/dry', { intent: 'dryer-start', dryer: 'dryer' });
    expect(unclean.status).toBe(422);
    expect(await unclean.text()).toContain('Lint filter: clean it before every load.');
    await open(page, '/dry');
    await page.getByLabel('The lint filter is clean').check();
    await tap('Start the dryer');
    await page.getByRole('timer', { name: 'Landing dryer' }).waitFor();
    expect(await send('/dry', { intent: 'dryer-start', dryer: 'dryer', ready: 'lint' })).toBe(409);
    await tap('It is out');
    await page.getByRole('button', { name: 'Start the dryer' }).waitFor();
    await tap('Hang these instead');
    await page
      .getByRole('link', { name: /^Swim towel, blue: dry about/ })
      .first()
      .waitFor();
  });
});

describe('iron and cupboard', () => {
  test('from the coolest plate; a shirt step by step; pressed off the line it is dry', async () => {
    await open(page, '/press');
    const plates = (await page.locator('.plate').allTextContents()).map((t) => parseInt(t, 10));
    expect(plates.length).toBeGreaterThanOrEqual(3);
    expect(plates).toEqual([...plates].sort((a, b) => a - b));
    await tap('Step by step');
    await page.getByText('Collar.', { exact: false }).waitFor();
    await tap('Next');
    await page.getByText('Yoke.', { exact: false }).waitFor();
    await tap('Pressed: Ivory silk blouse');
    await page.getByRole('heading', { name: 'Ivory silk blouse' }).waitFor({ state: 'detached' });
    expect(await stateOf('tovi-silk-blouse')).toBe('dry: to be put away');
    await tap('Leave as it is: Tablecloth, natural');
    await page.getByRole('heading', { name: 'Tablecloth, natural' }).waitFor({ state: 'detached' });
    expect(await send('/press', { intent: 'pressed', piece: 'tablecloth' })).toBe(409);
  });
  test('a marked piece is neither pressed nor put away before its mark is seen gone', async () => {
    expect(await send('/dry', { intent: 'dry', piece: 'ren-oxford' })).toBe(302);
    expect(await send('/press', { intent: 'pressed', piece: 'ren-oxford' })).toBe(409);
    const away = await sendForm('/away', { intent: 'away', piece: 'ren-oxford' });
    expect(away.status).toBe(422);
    expect(await away.text()).toContain('look at the mark first');
    await open(page, '/away');
    await page.getByRole('link', { name: 'White oxford shirt' }).click();
    await page
      .getByRole('heading', { name: /coffee on White oxford shirt, now dry/ })
      .first()
      .waitFor();
  });
  test('put away, it is clean; what came off is put back first', async () => {
    await sendForm('/dry', { intent: 'dry', piece: 'ren-hoodie' });
    await open(page, '/away');
    await tap('Put away: Ink hoodie');
    await page.getByRole('heading', { name: 'Ink hoodie' }).waitFor({ state: 'detached' });
    expect(await stateOf('ren-hoodie')).toBe('clean');
    expect(await axeViolations(page)).toEqual([]);
    expect(await send('/away', { intent: 'away', piece: 'ren-hoodie' })).toBe(409);
    expect(await send('/away', { intent: 'away' })).toBe(422);
  });
});

describe('freshening', () => {
  test('a night of air: begun, hung, smelled; what still smells goes into the basket', async () => {
    await open(page, '/freshen/tovi-cashmere?way=air');
    await tap('Begin');
    for (const done of [1, 2]) {
      await tap('Done');
      await page
        .locator('li[data-done="true"]')
        .nth(done - 1)
        .waitFor();
    }
    await tap('It hangs, start the clock');
    await page.getByRole('timer').waitFor();
    expect(await stateOf('tovi-cashmere')).toBe('airing');
    expect(await axeViolations(page)).toEqual([]);
    expect(await send('/freshen/tovi-cashmere', { intent: 'begin', way: 'air' })).toBe(409);
    expect(await send('/freshen/tovi-cashmere', { intent: 'end', end: 'lost' })).toBe(422);
    await tap('Still smells: wash it');
    await page.waitForURL('**/basket/tovi-cashmere');
    expect(await inBasket('tovi-cashmere')).toBe(true);
  });
});

describe('the cleaner', () => {
  test('a slip with what was seen and tried, printed on one page, sent, back, compared, and remembered', async () => {
    await open(page, '/cleaner');
    await page.getByLabel(/^Piece|And another piece/).selectOption('tovi-coat');
    await tap('Write the slip');
    await page.getByRole('heading', { name: 'For the cleaner' }).waitFor();
    await page.getByLabel('What the cleaner should know').fill('Ink on the lining, two days old');
    await page.getByLabel('What stays at home').fill('The belt');
    for (const format of ['A4', 'A5', 'Letter'])
      expect({ format, pages: await pages(format) }).toEqual({ format, pages: 1 });
    await page.getByLabel('Back on').fill('2030-02-01');
    await tap('It is on its way');
    await page.getByText('Ink on the lining', { exact: false }).waitFor();
    expect(await stateOf('tovi-coat')).toBe('at the cleaner');
    const slip = new URL(page.url()).pathname;
    expect(await send(slip, { intent: 'sent' })).toBe(409);
    expect(await send(slip, { intent: 'back', price: 'dear' })).toBe(422);
    await page.getByText('Paler', { exact: true }).click();
    await page.getByText('Yes', { exact: true }).first().click();
    await page.getByLabel('Price of all').fill('18,50');
    expect(await axeViolations(page)).toEqual([]);
    await tap('Compared, it is home');
    await page.getByRole('heading', { name: 'Back from the cleaner' }).waitFor();
    await page.getByText('Take it back with the slip', { exact: false }).waitFor();
    await open(page, '/cleaner');
    await page.getByText('18.50', { exact: false }).waitFor();
    await open(page, '/pieces/tovi-coat');
    await page.getByText('Cleaned by a professional', { exact: false }).first().waitFor();
  });
  test('no such slip, no pieces, a piece in no wardrobe', async () => {
    expect((await fetch(`${address}/cleaner/nothing`)).status).toBe(404);
    expect(await send('/cleaner', { piece: '' })).toBe(422);
    expect(await send('/cleaner', { piece: 'nobody' })).toBe(422);
  });
});
test('nothing was complained of', () => expect(visit?.troubles).toEqual([]));
