/** Practice: three baskets played through, one badly and one into danger; nothing of it touches the real household; learning as you go. */
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

const text = async (to: string): Promise<string> => (await fetch(`${address}${to}`)).text();
/** Wait until the page shows what was just sent. */
const shown = (what: string | RegExp): Promise<void> => page.getByText(what).first().waitFor();
const stage = async (name: string): Promise<void> => {
  await page.getByRole('navigation', { name: 'Steps of this round' }).getByRole('link', { name }).click();
  await page.waitForFunction(
    (label) => document.querySelector('[aria-current="step"]')?.textContent?.startsWith(label),
    name,
  );
};
async function begin(title: string): Promise<string> {
  await open(page, '/practice');
  await page
    .getByRole('button', { name: `“${title}”` })
    .first()
    .click();
  await page.waitForURL(/\/practice\/[0-9a-f-]{36}/);
  await page.getByRole('heading', { level: 1, name: title }).waitFor();
  return new URL(page.url()).pathname;
}
const placeOf = (title: string) => page.getByRole('region', { name: title, exact: true });
async function put(piece: RegExp, where: string, lands: string): Promise<void> {
  await page
    .getByRole('link', { name: new RegExp(`^Move .*${piece.source}`) })
    .first()
    .click();
  await page.getByRole('button', { name: where, exact: true }).click();
  await placeOf(lands)
    .getByRole('link', { name: new RegExp(`^Move .*${piece.source}`) })
    .waitFor();
}
async function choose(load: string, field: string, option: string): Promise<void> {
  const form = page.getByRole('form', { name: `Setting of ${load}` });
  await form.getByLabel(field).selectOption({ label: option });
  await page.waitForFunction(
    ([l, f, o]) => {
      const found = document.querySelector(`form[aria-label="Setting of ${l}"]`);
      const select = [...(found?.querySelectorAll('label') ?? [])].find((x) => x.textContent === f)?.htmlFor;
      const now = select ? (document.getElementById(select) as HTMLSelectElement | null) : null;
      return now?.selectedOptions[0]?.text === o && !document.querySelector('[role="progressbar"]');
    },
    [load, field, option],
  );
}
async function washAll(): Promise<void> {
  await page.getByRole('button', { name: 'Wash it all and see' }).click();
  await page.waitForURL(/outcome/);
  await page.getByRole('heading', { level: 1, name: /washed/ }).waitFor();
}
const score = async (): Promise<number> => Number(await page.locator('main b').first().textContent());

describe('a basket sorted badly', () => {
  test('whites and a new red in one load: tinted, with the reason, the rule and the best plan', async () => {
    await page.setViewportSize(laptop);
    await begin('Whites, and one new red');
    await stage('Sort');
    await put(/White cotton T-shirt$/, 'A new load', 'Load 1');
    for (const piece of [/long sleeves/, /briefs/, /pillowcase/, /Red/, /tea towel/])
      await put(piece, 'Load 1', 'Load 1');
    await shown('6 of 6');
    await washAll();
    expect(await score()).toBeLessThan(40);
    await shown(/took colour, ΔE \d+, from Red cotton T-shirt/);
    await page.getByRole('heading', { name: 'Takes colour' }).waitFor();
    await shown(/A deep colour gives dye until it has been washed a few times/);
    await shown(/The best plan: load \d/);
    const rows = await page.locator('main table tbody tr').allTextContents();
    expect(rows.some((r) => r.startsWith('Score'))).toBe(true);
    expect(await axeViolations(page)).toEqual([]);
  });
  test('the same luck with one thing changed: the red out, and the whites stay white', async () => {
    await page.getByRole('button', { name: 'Change one thing, same luck' }).click();
    await page.waitForURL(/at=sort/);
    await put(/Red/, 'Waits for the next wash day', 'Waits for the next wash day');
    await washAll();
    expect(await page.getByText(/took colour/).count()).toBe(0);
    expect(await score()).toBeGreaterThan(20);
  });
});

describe('a basket sorted well', () => {
  test('the jumper by itself in the wool programme, flat to dry; the rest together', async () => {
    await begin('A jumper in the pile');
    await stage('Sort');
    await put(/merino/, 'A new load', 'Load 1');
    await put(/Grey cotton T-shirt/, 'A new load', 'Load 2');
    for (const piece of [/Black cotton T-shirt/, /sweatshirt/, /socks/, /joggers/])
      await put(piece, 'Load 2', 'Load 2');
    await stage('Machine');
    const wool = await page
      .getByRole('form', { name: 'Setting of Load 1' })
      .getByLabel('Programme')
      .locator('option', { hasText: /^Wool/ })
      .first()
      .textContent();
    await choose('Load 1', 'Programme', wool ?? '');
    await choose('Load 1', 'Temperature', '30 °C');
    await choose('Load 1', 'Spin', '400 rpm');
    await choose('Load 1', 'Detergent', 'Wool and silk liquid');
    await choose('Load 2', 'Detergent', 'Colour liquid');
    await choose('Load 2', 'Spin', '800 rpm');
    for (const load of ['Load 1', 'Load 2']) {
      const region = page.getByRole('region', { name: load });
      if (!(await region.getByLabel('All emptied').isVisible()))
        await region.getByText('Make ready: pockets, zips, nets').click();
      await region.getByLabel('All emptied').check();
      await page.waitForFunction(() => !document.querySelector('[role="progressbar"]'));
    }
    const net = page.getByRole('region', { name: 'Load 1' }).getByRole('group', { name: 'Into a net' });
    await net.getByLabel('Grey merino jumper').check();
    await page.waitForFunction(() => !document.querySelector('[role="progressbar"]'));
    await stage('Hang up');
    for (const [load, where] of [
      ['Load 1', 'Rack by the window, flat on a dry towel'],
      ['Load 2', 'Rack by the window, over bars'],
    ] as const) {
      const region = page.getByRole('region', { name: load });
      await region.getByLabel('All of it').selectOption({ label: where });
      await page.waitForFunction(
        ([l, w]) => {
          const heading = [...document.querySelectorAll('h2')].find((h) => h.textContent === l);
          const selects = [...(heading?.parentElement?.querySelectorAll('ul select') ?? [])] as HTMLSelectElement[];
          return selects.length > 0 && selects.every((s) => s.selectedOptions[0]?.text === w);
        },
        [load, where],
      );
    }
    await washAll();
    expect(await page.getByText('felted').count()).toBe(0);
    expect(await score()).toBeGreaterThan(50);
    await shown('as it should be');
  });
});

describe('a basket that can hurt', () => {
  test('fuel among other clothes ends the round, with what would have happened and who to call', async () => {
    const round = await begin('Fuel on the overall');
    await stage('Sort');
    await put(/overall/, 'A new load', 'Load 1');
    await put(/jeans/, 'Load 1', 'Load 1');
    await page.getByRole('button', { name: 'Give me a hint' }).click();
    await shown(/Stop and think/);
    await washAll();
    expect(await score()).toBe(0);
    await shown('The round ended at once.');
    await shown(/emergency number/);
    expect(await page.getByRole('heading', { name: 'What came out' }).count()).toBe(0);
    // A round that is over stays over, in whatever window it is still open.
    const late = await sendForm(round, { intent: 'put', piece: ['p3'], target: 'new', at: 'sort' }, '/practice');
    expect([late.status, late.headers.get('location')]).toEqual([302, `${round}/outcome`]);
  });
});

describe('by keyboard, on a phone, and with bad input', () => {
  test('a piece is put away by the keyboard alone', async () => {
    await begin('Little and often');
    await stage('Sort');
    await page.getByRole('link', { name: 'Move Grey cotton T-shirt' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'A new load' }).focus();
    await page.keyboard.press('Enter');
    await placeOf('Load 1').getByRole('link', { name: 'Move Grey cotton T-shirt' }).waitFor();
  });
  test('a piece is dragged to a load', async () => {
    const box = await page.getByRole('link', { name: 'Move Blue cotton T-shirt' }).boundingBox();
    const to = await placeOf('Load 1').boundingBox();
    await page.mouse.move(box!.x + 40, box!.y + 8);
    await page.mouse.down();
    await page.mouse.move(to!.x + 60, to!.y + 60, { steps: 8 });
    await page.mouse.up();
    await placeOf('Load 1').getByRole('link', { name: 'Move Blue cotton T-shirt' }).waitFor();
  });
  test('every step of a round fits a phone and is clean', async () => {
    await page.setViewportSize(phone);
    const round = new URL(page.url()).pathname;
    for (const at of ['look', 'sort', 'marks', 'wash', 'dry']) {
      await open(page, `${round}?at=${at}`);
      expect([at, await overflowsX(page), await axeViolations(page)]).toEqual([at, false, []]);
    }
    await page.setViewportSize(laptop);
  });
  test('what cannot be is refused with a word, and nothing is stored', async () => {
    const round = new URL(page.url()).pathname;
    const before = await text(`${round}?at=sort`);
    const folds = (html: string): number => html.split('aria-label="Move ').length;
    for (const [fields, status] of [
      [{ intent: 'put', piece: ['nothing'], target: 'new' }, 409],
      [{ intent: 'put', piece: ['p1'], target: 'moon' }, 422],
      [
        {
          intent: 'way',
          load: 'L1',
          how: 'machine:kitchen/cottons',
          temperatureC: '41',
          spinRpm: '800',
          detergent: 'colour-liquid',
        },
        409,
      ],
      [
        {
          intent: 'way',
          load: 'L1',
          how: 'machine:kitchen/cottons',
          temperatureC: 'hot',
          spinRpm: '800',
          detergent: 'colour-liquid',
        },
        422,
      ],
      [{ intent: 'dry', piece: ['p1'], where: 'place:attic:bars' }, 409],
      [{ intent: 'fly' }, 422],
    ] as const)
      expect([fields, (await sendForm(round, fields, '/practice')).status]).toEqual([fields, status]);
    expect(folds(await text(`${round}?at=sort`))).toBe(folds(before));
    expect((await sendForm('/practice', { seed: '1e9', who: '' })).status).toBe(404);
    expect((await fetch(`${address}/practice/${'0'.repeat(8)}-0000-4000-8000-${'0'.repeat(12)}`)).status).toBe(404);
  });
});

describe('what practice leaves behind', () => {
  test('scores per person, and nothing in the wardrobe, the basket, the log or what was learnt', async () => {
    await open(page, '/practice');
    const mine = await page.getByRole('region', { name: /What .* can do/ }).textContent();
    expect(mine).toMatch(/Dye\d+/);
    await page.getByRole('link', { name: 'Tovi' }).click();
    await page.getByRole('heading', { name: 'What Tovi can do' }).waitFor();
    await shown(/After the first basket/);
    for (const real of ['/wardrobe', '/basket', '/log', '/log/learnt'])
      expect([real, (await text(real)).includes('Red cotton T-shirt')]).toEqual([real, false]);
  });
  test('the same number is the same basket', async () => {
    await open(page, '/practice?who=Tovi');
    const looked: string[] = [];
    for (const n of ['7', '8', '7']) {
      await open(page, '/practice?who=Tovi');
      await page.getByLabel('Or any number').fill(n);
      await page.getByRole('button', { name: 'Sort that one' }).click();
      await page.waitForURL(/\/practice\/[0-9a-f-]{36}/);
      await page.getByRole('heading', { level: 1, name: `Basket ${n}` }).waitFor();
      looked.push((await page.locator('main ul').first().innerText()).replace(/\s+/g, ' '));
    }
    expect(looked[0]).toBe(looked[2]);
    expect(looked[0]).not.toBe(looked[1]);
  });
});

describe('learning as you go', () => {
  test('one lesson, terms that explain themselves, and one tap that turns it off', async () => {
    await open(page, '/practice');
    await page.getByRole('button', { name: 'Learn as you go' }).click();
    await page.getByRole('button', { name: 'Turn it off' }).waitFor();
    await open(page, '/basket');
    const strip = page.getByRole('complementary', { name: 'Learning as you go' });
    await strip.getByText('One thing for today:').waitFor();
    await shown(/In your basket: /);
    await sendForm('/sort', {});
    await open(page, '/sort');
    const term = page.getByRole('button', { name: /^(label|spin|movement|programme|dryer|tumble)$/i }).first();
    await term.click();
    await page.getByRole('dialog', { name: /^What “/ }).waitFor();
    await page.keyboard.press('Escape');
    expect(await axeViolations(page)).toEqual([]);
    await strip.getByRole('button', { name: 'Turn it off' }).click();
    await strip.waitFor({ state: 'detached' });
    expect(new URL(page.url()).pathname).toBe('/sort');
  });
});
