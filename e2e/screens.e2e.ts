/** Every screen: axe, phone width, keyboard only, without JavaScript, bad input, print and unknown pages. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import {
  address,
  axeViolations,
  freshHousehold,
  laptop,
  launch,
  open,
  overflowsX,
  phone,
  sendForm,
  startServer,
  stopServer,
  watch,
} from './support.ts';

let browser: Browser;
let ticket = '';

async function inContext<T>(
  options: Parameters<Browser['newContext']>[0],
  work: (page: Page, context: BrowserContext, troubles: string[]) => Promise<T>,
): Promise<T> {
  const context = await browser.newContext({ viewport: laptop, ...options });
  const troubles = watch(context);
  try {
    return await work(await context.newPage(), context, troubles);
  } finally {
    await context.close();
  }
}

beforeAll(async () => {
  await freshHousehold();
  await startServer();
  browser = await launch();
});
afterAll(async () => {
  await browser?.close();
  await stopServer();
});

describe('before any sorting', () => {
  test('empty states lead on', () =>
    inContext({}, async (page, _, troubles) => {
      await open(page, '/sort');
      await page.getByRole('heading', { name: /pieces wait to be sorted/ }).waitFor();
      expect(await axeViolations(page)).toEqual([]);
      expect(troubles).toEqual([]);
    }));
  test('forms work without JavaScript: pick, mark, sort, tick, start, finish', () =>
    inContext({ javaScriptEnabled: false }, async (page) => {
      await page.goto(`${address}/basket`);
      await page.getByRole('button', { name: /^Stone chinos/ }).click();
      await page.getByRole('link', { name: 'Mark Stone chinos' }).click();
      await page.getByText('Heavy', { exact: true }).click();
      await page.getByRole('button', { name: 'Keep', exact: true }).click();
      expect(await page.getByText('heavily soiled').count()).toBeGreaterThan(0);
      await page.getByRole('button', { name: /^Sort \d+ pieces$/ }).click();
      await page.getByRole('link', { name: /^Start with / }).click();
      ticket = new URL(page.url()).pathname;
      await page.locator('button[name="tick"]').first().click();
      expect(await page.locator('button[name="untick"]').count()).toBe(1);
      await page.getByRole('button', { name: 'Start the load' }).click();
      await page.getByText('Something is different').click();
      await page.getByRole('button', { name: 'It was not started' }).click();
      expect(await page.getByRole('button', { name: 'Start the load' }).count()).toBe(1);
    }));
});

const narrow = { width: 360, height: 740 } as const;
const screens = [
  '/basket',
  '/basket/baker-jacket',
  '/sort',
  '/sort?load=3',
  'ticket',
  '/today',
  '/today/calendar',
  '/wash',
  '/dry',
  '/dry?piece=ren-hoodie',
  '/press',
  '/away',
  '/cleaner',
  '/freshen/tovi-cashmere',
  '/log',
  '/log?view=loads',
  '/log?view=pieces',
  '/log?view=people',
  '/log?view=table&show=tests',
  '/log/figures',
  '/log/learnt',
  '/sheet',
  '/wishes',
  '/practice',
  '/pieces/tovi-raw-jeans/diary',
  '/transfer/archive',
  '/pieces/new?line=navy+merino+jumper',
  '/label',
  'what-if',
  '/upkeep',
  '/household/devices',
  '/household/phones',
  '/pieces/juna-jeans',
  '/pieces/juna-lambswool/measure',
  '/treat',
  '/test',
  '/test/dance-sash',
  '/ask',
  '/soak',
  '/rescue?what=fuel',
  '/basket/baker-jacket/stain',
  '/household',
  '/household/programmes/kitchen/wool',
  '/household/products/colour-liquid',
  '/household/washers/kitchen',
  '/household/washers/new',
  '/household/dryers/dryer',
  '/household/places/rack',
  '/household/basins/bucket',
  '/household/basins/new',
  '/household/times',
  '/household/units',
  '/households',
  '/wardrobe',
  '/wardrobe?state=gone',
  '/pieces/several',
  '/pieces/several?text=six+white+bath+towels%0Awiggly+blouse%2C+coffee+on+the+cuff',
  '/transfer',
  '/welcome',
  '/begin',
  '/nowhere',
];
describe('every screen', () => {
  let shared: { context: BrowserContext; page: Page; troubles: string[] };
  beforeAll(async () => {
    // One visitor looks at all of them, so that scripts and fonts are loaded once.
    const context = await browser.newContext({ viewport: laptop, reducedMotion: 'reduce' });
    const troubles = watch(context);
    shared = { context, page: await context.newPage(), troubles };
  });
  afterAll(() => shared.context.close());
  test.each(screens)('%s is accessible, light and dark, laptop and phone', async (screen) => {
    const { page, troubles } = shared;
    const to = screen === 'ticket' ? ticket : screen === 'what-if' ? `${ticket}/what-if` : screen;
    await page.setViewportSize(laptop);
    await page.emulateMedia({ colorScheme: 'light' });
    await open(page, to);
    expect(await axeViolations(page)).toEqual([]);
    expect(await overflowsX(page)).toBe(false);
    await page.emulateMedia({ colorScheme: 'dark' });
    await page.setViewportSize(phone);
    expect(await axeViolations(page)).toEqual([]);
    expect(await overflowsX(page)).toBe(false);
    // The narrowest phone loads it anew, as phones do; it differs from the one before only in what must fit.
    await page.setViewportSize(narrow);
    await open(page, to);
    expect(await overflowsX(page)).toBe(false);
    expect(troubles.splice(0)).toEqual([]);
  });
  test('targets on wash-day screens are at least 44 px', () =>
    inContext({ viewport: phone }, async (page) => {
      for (const to of [ticket, '/wash', '/dry', '/dry?piece=ren-hoodie', '/press', '/away']) {
        await open(page, to);
        const small = await page.evaluate(() =>
          [...document.querySelectorAll('main button, nav a')]
            .map((e) => ({ text: e.textContent, box: e.getBoundingClientRect() }))
            .filter((e) => e.box.height > 0 && e.box.height < 43.5)
            .map((e) => e.text),
        );
        expect(small).toEqual([]);
      }
    }));
  test('the ticket prints without navigation and buttons', () =>
    inContext({}, async (page) => {
      await open(page, ticket);
      await page.emulateMedia({ media: 'print' });
      expect(await page.getByRole('navigation').isVisible()).toBe(false);
      expect(await page.getByRole('button', { name: 'Start the load' }).isVisible()).toBe(false);
      expect(await page.getByRole('heading', { name: 'Step by step' }).isVisible()).toBe(false);
      expect(await page.getByText('Before the door closes').isVisible()).toBe(false);
      for (const part of ['Pieces', 'In', 'Steps'])
        expect(await page.locator('h2', { hasText: new RegExp(`^${part}$`) }).isVisible()).toBe(true);
    }));
});

describe('keyboard only', () => {
  /** Press Tab until the focused element's text or name matches. */
  async function tabTo(page: Page, name: RegExp): Promise<void> {
    for (let i = 0; i < 200; i++) {
      await page.keyboard.press('Tab');
      const focused = await page.evaluate(() => {
        const e = document.activeElement;
        return e && e !== document.body ? `${e.getAttribute('aria-label') ?? ''} ${e.textContent ?? ''}` : '';
      });
      if (name.test(focused)) return;
    }
    throw new Error(`no Tab leads to ${name}`);
  }
  test('from the basket to a started load', () =>
    inContext({}, async (page, _, troubles) => {
      await open(page, '/basket');
      await page.keyboard.press('Tab');
      expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('Skip to the work');
      await tabTo(page, /^ ?Sort \d+ pieces/);
      await page.keyboard.press('Enter');
      await page.getByRole('heading', { name: /loads for/ }).waitFor();
      await tabTo(page, /Start with/);
      await page.keyboard.press('Enter');
      await page.getByRole('heading', { name: 'Step by step' }).waitFor();
      await tabTo(page, /Start the load/);
      await page.keyboard.press('Enter');
      await page.getByRole('timer').waitFor();
      await tabTo(page, /Something is different/);
      await page.keyboard.press('Enter');
      await tabTo(page, /It was not started/);
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Start the load' }).waitFor();
      expect(troubles).toEqual([]);
    }));
  test('number keys lead to the stages, ? opens the sheet, typing does not', () =>
    inContext({}, async (page) => {
      await open(page, '/basket');
      await page.keyboard.press('6');
      await page.getByRole('heading', { name: 'Log', exact: true }).waitFor();
      await page.keyboard.press('?');
      await page.getByRole('dialog').waitFor();
      expect(await axeViolations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
      await page.keyboard.press('1');
      await page.getByLabel('Add a piece in one line').fill('4');
      expect(new URL(page.url()).pathname).toBe('/basket');
    }));
});

describe('bad input names the field and keeps what was typed', () => {
  const stillThere = async (page: Page, label: string, typed: string): Promise<void> =>
    expect(await page.getByLabel(label, { exact: true }).first().inputValue()).toBe(typed);
  test('the piece form', () =>
    inContext({}, async (page) => {
      await open(page, '/pieces/juna-jeans');
      await page.getByRole('textbox', { name: 'Shell' }).fill('cotton 90');
      await page.getByLabel('Value (€)').fill('lots');
      await page.getByRole('button', { name: 'Store', exact: true }).click();
      await page.getByText('Shell: the shares sum to 90 %, not 100.').first().waitFor();
      expect(await page.getByText('Value: give a number.').count()).toBeGreaterThan(0);
      await stillThere(page, 'Value (€)', 'lots');
      expect(await axeViolations(page)).toEqual([]);
      await open(page, '/pieces/juna-jeans');
      expect(await page.getByRole('textbox', { name: 'Shell' }).inputValue()).toBe('cotton 98; elastane 2');
    }));
  test('a new piece of unknown kind needs a weight', () =>
    inContext({ javaScriptEnabled: false }, async (page) => {
      await page.goto(`${address}/pieces/new?line=thingamajig`);
      await page.getByLabel('Weight (g, dry)').fill('');
      await page.getByRole('button', { name: 'Keep in the wardrobe' }).click();
      await page.getByText('Weight: weigh it, since its kind is not known.').first().waitFor();
      await stillThere(page, 'Name', 'Thingamajig');
    }));
  test('sent from the foot of a long page, it takes whoever sent it to what is wrong, twice if need be', () =>
    inContext({ viewport: phone }, async (page) => {
      await open(page, '/pieces/new?line=silk+scarf');
      const keep = page.getByRole('button', { name: 'Keep in the wardrobe' });
      const wrong = page.getByRole('alert').filter({ hasText: 'Not stored yet. Ground colour: choose it.' });
      for (let time = 0; time < 2; time++) {
        await keep.scrollIntoViewIfNeeded();
        expect(await page.evaluate(() => window.scrollY)).toBeGreaterThan(1_000);
        await keep.click();
        await wrong.waitFor();
        await page.waitForFunction(
          () => document.activeElement?.querySelector('[role="alert"]') && window.scrollY < 1_000,
        );
        expect((await wrong.boundingBox())?.y).toBeGreaterThan(0);
      }
    }));
  test('the basket form', () =>
    inContext({}, async (page) => {
      const bad = await sendForm('/basket/baker-jacket', { intent: 'keep', soil: 'filthy', activity: 'normal' });
      expect(bad.status).toBe(422);
      expect(await bad.text()).toContain('Soil: choose one of the shown.');
      await open(page, '/basket/baker-jacket/stain?kind=coffee');
      await page.getByLabel('Across (cm)').fill('-3');
      await page.getByRole('button', { name: 'Mark it' }).click();
      await page.getByText('Size: between 0.1 and 100 cm.').first().waitFor();
      await stillThere(page, 'Across (cm)', '-3');
    }));
  test('what is seen on a piece is noted', () =>
    inContext({}, async (page) => {
      await open(page, '/pieces/juna-jeans');
      await page.getByLabel('Note what you see').fill('hem open on the left');
      await page.getByRole('button', { name: 'Note', exact: true }).click();
      await page.getByText('hem open on the left').waitFor();
    }));
  test('measures: in inches, bad ones named, shrinkage told', () =>
    inContext({}, async (page) => {
      await open(page, '/pieces/juna-lambswool/measure');
      await page.getByRole('button', { name: 'Store the measures' }).click();
      await page.getByText('Give at least one measure.', { exact: false }).waitFor();
      await page.getByRole('textbox', { name: 'Length' }).fill('long');
      await page.getByRole('textbox', { name: 'Chest' }).fill('50');
      await page.getByRole('button', { name: 'Store the measures' }).click();
      await page.getByText('Length: give a number.').first().waitFor();
      expect(await page.getByRole('textbox', { name: 'Chest' }).inputValue()).toBe('50');
      await page.getByRole('textbox', { name: 'Length' }).fill('66');
      await page.getByRole('button', { name: 'Store the measures' }).click();
      await page.getByText('66 cm').first().waitFor();
      await page.getByText('Inches', { exact: true }).click();
      await page.getByRole('textbox', { name: 'Length' }).fill('24,75');
      await page.getByRole('button', { name: 'Store the measures' }).click();
      await page.getByText('Length: 66 cm before, 62.9 cm now, 4.7 % lost.', { exact: false }).waitFor();
      await page.getByText('stretch it back to 66 cm', { exact: false }).waitFor();
      expect(await axeViolations(page)).toEqual([]);
    }));
  test('measures of a leg: a knee point of its own, and a twist told in centimetres', () =>
    inContext({}, async (page) => {
      const jeans = (await (await page.request.get(`${address}/hamper.json`)).json()) as {
        garments: { id: string; kind: string }[];
      };
      const leg = jeans.garments.find((g) => ['jeans', 'chinos', 'wool_trousers', 'joggers'].includes(g.kind))!;
      for (const [knee, twist] of [
        ['21', '0'],
        ['20', '2,5'],
      ]) {
        await open(page, `/pieces/${leg.id}/measure`);
        await page.getByRole('textbox', { name: 'Knee point' }).fill('33');
        await page.getByRole('textbox', { name: 'Knee', exact: true }).fill(knee!);
        await page.getByRole('textbox', { name: 'Leg twist' }).fill(twist!);
        await page.getByRole('button', { name: 'Store the measures' }).click();
        await page.getByText(`${knee} cm`).first().waitFor();
      }
      await page.getByText('Knee: 21 cm before, 20 cm now, 4.8 % lost.', { exact: false }).waitFor();
      await page.getByText('Leg twist: 0 cm before, 2.5 cm now.', { exact: false }).waitFor();
      await page.getByText('pull the leg straight along the side seam', { exact: false }).waitFor();
      expect(await axeViolations(page)).toEqual([]);
    }));
  test('on a phone only the open load shows its folds; a tap opens another', () =>
    inContext({ viewport: phone }, async (page, _, troubles) => {
      await sendForm('/sort', { intent: 'sort' });
      await open(page, '/sort');
      const loads = page.locator('ol[aria-label="Loads in running order"] > li');
      const names = (k: number) => loads.nth(k).getByRole('link', { name: /^Move / });
      expect(await names(0).first().isVisible()).toBe(true);
      expect(await names(1).first().isVisible()).toBe(false);
      // The way on comes before the choice of a priority.
      const start = (await page.getByRole('link', { name: /^Start with load/ }).boundingBox())!;
      const priority = (await page.getByRole('button', { name: 'Balanced' }).boundingBox())!;
      expect(start.y).toBeLessThan(priority.y);
      const thin = loads.nth(1).getByRole('link', { name: /^Open .*, load 2$/ });
      expect((await thin.boundingBox())!.height).toBeGreaterThanOrEqual(44);
      await thin.click();
      await names(1).first().waitFor({ state: 'visible' });
      expect(await names(0).first().isVisible()).toBe(false);
      expect(await axeViolations(page)).toEqual([]);
      expect(troubles).toEqual([]);
    }));
  test('the household, its programmes and its products', () =>
    inContext({}, async (page) => {
      await open(page, '/household');
      await page.getByLabel('Water hardness').fill('60');
      await page.getByRole('button', { name: 'Store', exact: true }).click();
      await page.getByText('Water hardness: more than 10 mmol/l', { exact: false }).first().waitFor();
      await stillThere(page, 'Water hardness', '60');
      await page.getByLabel('Hardness in').selectOption('dH');
      await page.getByLabel('Water hardness').fill('14');
      await page.getByRole('button', { name: 'Store', exact: true }).click();
      await page.getByText('Stored.', { exact: false }).first().waitFor();
      await stillThere(page, 'Water hardness', '2.497');
      await page.getByLabel('A minute of your hands (EUR)').fill('lots');
      await page.getByRole('button', { name: 'Store the numbers' }).click();
      await page.getByText('A minute of your hands: give a number.').first().waitFor();
      await stillThere(page, 'A minute of your hands (EUR)', 'lots');
      await page.getByLabel('A minute of your hands (EUR)').fill('0,3');
      await page.getByRole('button', { name: 'Store the numbers' }).click();
      await page.getByText('The next sorting weighs with these numbers.', { exact: false }).waitFor();
      await stillThere(page, 'A minute of your hands (EUR)', '0.3');
      await open(page, '/household/programmes/kitchen/wool');
      await page.getByLabel('Spins').fill('fast');
      await page.getByLabel('Largest load (kg)').fill('99');
      await page.getByRole('button', { name: 'Store', exact: true }).click();
      await page.getByText('Spins: give numbers, separated by commas.').first().waitFor();
      expect(await page.getByText('Largest load: between 0.1 and 20 kg.').count()).toBeGreaterThan(0);
      await open(page, '/household/products/colour-liquid');
      await page.getByLabel('normal', { exact: true }).first().fill('');
      await page.getByRole('button', { name: 'Store', exact: true }).click();
      await page.getByText('Dose table: fill all nine cells or none', { exact: false }).first().waitFor();
    }));
  test('an answer that is none of the question is refused in words', () =>
    inContext({}, async (page) => {
      await sendForm('/sort', { intent: 'sort' }); // the tests above have changed the basket
      await open(page, '/sort');
      await page.getByRole('link', { name: 'Open its ticket' }).click();
      await page.waitForURL(/\/loads\//);
      ticket = new URL(page.url()).pathname;
      await page.getByRole('button', { name: 'Start the load' }).click();
      await page.getByRole('timer').waitFor();
      expect((await sendForm(ticket, { intent: 'left', left: 'soon' })).status).toBe(422);
      expect((await sendForm(ticket, { intent: 'out' })).status).toBe(302);
      const bad = await sendForm(`${ticket}/inspect`, { look: 'damage', answer: 'purple' });
      expect(bad.status).toBe(422);
      expect(await bad.text()).not.toMatch(/at \w+ \(/);
    }));
  test('posts from another site, oversized and nonsense posts are refused in words', () =>
    inContext({}, async (page) => {
      const foreign = await page.request.post(`${address}/sort`, {
        form: { intent: 'sort' },
        headers: { origin: 'http://elsewhere.example' },
      });
      expect(foreign.status()).toBe(403);
      const nonsense = await sendForm('/loads/not-a-load', { intent: 'start' });
      expect(nonsense.status).toBe(404);
      const large = await page.request.post(`${address}/pieces/new`, {
        form: { name: 'x'.repeat(300_000) },
        headers: { origin: address },
      });
      expect(large.status()).toBe(413);
      for (const r of [foreign, nonsense, large]) expect(await r.text()).not.toMatch(/node_modules|\.ts:\d+/);
    }));
  test('headers are safe', async () => {
    const { headers } = await fetch(`${address}/basket`);
    expect(headers.get('content-security-policy')).toMatch(/default-src 'self'; script-src 'self' 'nonce-[^']+';/);
    expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  });
});

describe('reading labels and trying settings', () => {
  test('a label by words: understood, not understood, contradicted, its cost', () =>
    inContext({}, async (page, _, troubles) => {
      await open(page, '/label');
      await page
        .getByLabel('Its words')
        .fill('60% cotton 40% poly, machine wash cold, only non-chlorine bleach, tumble low, hot iron, sing to it');
      await page.getByLabel('What it is').selectOption('dress_shirt');
      await page.getByRole('button', { name: 'Read it' }).click();
      await page.getByText('60 % cotton, 40 % polyester').waitFor();
      expect(await page.getByText('“sing to it”', { exact: false }).count()).toBe(1);
      expect(await page.getByText('It contradicts itself.', { exact: false }).count()).toBe(1);
      expect(await page.getByText(/about \d+ € a year/).count()).toBe(1);
      expect(await axeViolations(page)).toEqual([]);
      expect(troubles).toEqual([]);
    }));
  test('a label by symbols, without JavaScript; bad numbers are named', () =>
    inContext({ javaScriptEnabled: false }, async (page) => {
      await page.goto(`${address}/label`);
      await page.getByText('by hand', { exact: true }).click();
      await page.getByRole('button', { name: 'Read it' }).click();
      expect(await page.getByText('By hand, up to 40 °C').count()).toBe(1);
      expect(await page.getByText('naming the fibre is the first thing to do', { exact: false }).count()).toBe(1);
      await page.getByLabel('Wears a week').fill('often');
      await page.getByRole('button', { name: 'Read it' }).click();
      expect(await page.getByText('Wears a week: give a number.').count()).toBeGreaterThan(0);
    }));
  test('what if: a pushed setting shows what it would do, and changes nothing', () =>
    inContext({}, async (page, _, troubles) => {
      await open(page, '/sort');
      const wool = await page
        .locator('ol[aria-label="Loads in running order"] > li', { hasText: 'Wool, Kitchen machine' })
        .first()
        .getByRole('heading')
        .getByRole('link')
        .getAttribute('href');
      await open(page, wool!);
      await page.getByRole('link', { name: 'Open its ticket' }).click();
      await page.getByRole('link', { name: 'What if?' }).click();
      await page.getByText('Every piece bears it.', { exact: false }).waitFor();
      await page.getByLabel('Programme or basin').selectOption({ label: 'Cottons' });
      await page.getByText('do not bear it', { exact: false }).waitFor();
      await page.getByLabel('Temperature').selectOption('60');
      await page.getByText('by felting, for good', { exact: false }).first().waitFor();
      // The picture shows the size it would have, and says the centimetres.
      await page
        .getByText(/^−\d+(\.\d)? cm/)
        .first()
        .waitFor();
      expect(await axeViolations(page)).toEqual([]);
      // By hand, in any of the basins: no spin to choose, its own water and minutes.
      const basins = await page
        .getByLabel('Programme or basin')
        .locator('option', { hasText: 'By hand' })
        .allTextContents();
      expect(basins.length).toBeGreaterThanOrEqual(2);
      await page.getByLabel('Programme or basin').selectOption({ label: basins[0]! });
      await page.getByText('of water with its rinses', { exact: false }).waitFor();
      expect(await page.getByLabel('Spin').count()).toBe(0);
      await page.getByRole('link', { name: 'As planned' }).click();
      await page.getByText('Every piece bears it.', { exact: false }).waitFor();
      expect(troubles).toEqual([]);
    }));
  test('a leaning, noisy photograph of a label fills words and symbols; nothing is read before somebody says so', () =>
    inContext({}, async (page, _, troubles) => {
      await open(page, '/label');
      const picture = await page.evaluate(async () => {
        const canvas = document.createElement('canvas');
        canvas.width = 1100;
        canvas.height = 620;
        const c = canvas.getContext('2d')!;
        c.fillStyle = '#d8d4ca';
        c.fillRect(0, 0, 1100, 620);
        c.translate(550, 310);
        c.rotate(0.07);
        c.translate(-550, -310);
        c.fillStyle = '#fbfaf6';
        c.fillRect(60, 60, 980, 500);
        c.filter = 'blur(0.8px)';
        const symbols = ['wash/machine 40 mild', 'bleach/none', 'tumble/low', 'iron/medium', 'dryClean/P'];
        for (const [k, id] of symbols.entries()) {
          const svg = document.querySelector(`svg[data-symbol="${id}"]`)!.cloneNode(true) as SVGSVGElement;
          svg.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
          svg.setAttribute('width', '150');
          svg.setAttribute('height', '140');
          svg.setAttribute('style', 'stroke:#222;fill:none;stroke-width:1.6;color:#222');
          for (const t of svg.querySelectorAll('text'))
            t.setAttribute('style', 'fill:#222;stroke:none;font:700 12px serif;text-anchor:middle');
          for (const t of svg.querySelectorAll('circle.dot')) t.setAttribute('style', 'fill:#222;stroke:none');
          const image = new Image();
          image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(new XMLSerializer().serializeToString(svg))}`;
          await image.decode();
          c.drawImage(image, 110 + k * 180, 100, 150, 140);
        }
        c.fillStyle = '#222';
        c.font = '34px sans-serif';
        ['60% cotton 40% polyester', 'wash inside out', 'do not use softener'].forEach((line, k) =>
          c.fillText(line, 110, 310 + k * 56),
        );
        c.filter = 'none';
        const pixels = c.getImageData(0, 0, 1100, 620);
        let seed = 7;
        for (let i = 0; i < pixels.data.length; i += 4) {
          seed = (seed * 1103515245 + 12345) & 0x7fffffff;
          const noise = (seed / 0x7fffffff - 0.5) * 30 - (i / pixels.data.length) * 90;
          for (let k = 0; k < 3; k++) pixels.data[i + k] = (pixels.data[i + k] ?? 0) + noise;
        }
        c.putImageData(pixels, 0, 0);
        return canvas.toDataURL('image/png').split(',')[1]!;
      });
      const field = page.getByLabel('From a photograph of the label');
      await field.setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
      await page.getByText('From the picture', { exact: false }).waitFor({ timeout: 60_000 });
      expect(await page.locator('textarea[name="text"]').inputValue()).toBe(
        '60% cotton 40% polyester, wash inside out, do not use softener',
      );
      for (const [part, value] of [
        ['wash', 'machine 40 mild'],
        ['bleach', 'none'],
        ['tumble', 'low'],
        ['iron', 'medium'],
        ['dryClean', 'P'],
      ])
        expect(await page.locator(`input[name="${part}"][value="${value}"]`).isChecked()).toBe(true);
      expect(await page.getByText('Nothing read yet').count()).toBe(1);
      await page.getByRole('button', { name: 'Read it' }).click();
      await page.getByRole('heading', { name: 'Understood' }).waitFor();
      expect(await page.getByText(/60 % cotton|cotton 60 %/).count()).toBeGreaterThan(0);
      await field.setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
      await page.getByText('no picture this browser can read', { exact: false }).waitFor();
      expect(troubles).toEqual([]);
    }));
  test('colours are taken from a photograph in a worker', () =>
    inContext({}, async (page, _, troubles) => {
      await open(page, '/pieces/new?line=shirt');
      const picture = await page.evaluate(() => {
        const canvas = document.createElement('canvas');
        canvas.width = 120;
        canvas.height = 100;
        const c = canvas.getContext('2d')!;
        c.fillStyle = '#8b8d94';
        c.fillRect(0, 0, 120, 100);
        c.fillStyle = '#2b3350';
        c.fillRect(20, 15, 80, 70);
        c.fillStyle = '#d8a92f';
        c.fillRect(20, 15, 80, 14);
        return canvas.toDataURL('image/png').split(',')[1]!;
      });
      await page
        .getByLabel('From a photograph')
        .setInputFiles({ name: 'shirt.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
      await page.getByText('Ground #2b3350', { exact: false }).waitFor();
      expect(await page.locator('input[name="ground"]').inputValue()).toBe('#2b3350');
      expect(await page.locator('input[name="trimColour"]').inputValue()).toBe('#d8a92f');
      await page
        .getByLabel('From a photograph')
        .setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
      await page.getByText('no picture this browser can read', { exact: false }).waitFor();
      expect(troubles).toEqual([]);
    }));
});
