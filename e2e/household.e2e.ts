/** Anyone's own household: set up, typed, edited, brought in and taken out, switched, deleted. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { address, axeViolations, beginVisit, endVisit, laptop, open, phone, watch, type Visit } from './support.ts';

let visit: Visit;
let page: Page;
beforeAll(async () => {
  visit = await beginVisit();
  page = visit.page;
});
afterAll(async () => {
  await endVisit(visit);
});

/** A browser that has never been here. */
async function newcomer<T>(options: Record<string, unknown>, work: (page: Page) => Promise<T>): Promise<T> {
  const context = await visit.browser.newContext({ viewport: laptop, reducedMotion: 'reduce', ...options });
  const troubles = watch(context);
  try {
    const result = await work(await context.newPage());
    expect(troubles).toEqual([]);
    return result;
  } finally {
    await context.close();
  }
}
const choose = (on: Page, name: string): Promise<void> => on.getByText(name, { exact: true }).click();

describe('the first run', () => {
  test('offers the demo, or a household of one’s own', () =>
    newcomer({}, async (p) => {
      await open(p, '/');
      expect(new URL(p.url()).pathname).toBe('/welcome');
      expect(await p.getByRole('link', { name: 'Set up a household' }).isVisible()).toBe(true);
      await p.getByRole('button', { name: 'Look around in the demo' }).click();
      await p.waitForURL('**/basket');
      await open(p, '/');
      expect(new URL(p.url()).pathname).toBe('/basket');
    }));

  const clothes =
    'five white T-shirts, 60\nblack jeans, worn 6 times\nnavy merino jumper, hand wash\nsix bath towels, white, 60';
  test.each([
    ['a laundry room with coins', 'Laundry room, door in front', 'none', '2.50', /Laundry room/],
    ['a flat with only a tub', 'No machine: by hand', 'bath', '', /Bath tub/],
    ['a house with a top loader', 'Lid on top, post in the middle', 'sink', '', /Washing machine/],
  ] as const)('%s: a first plan within two minutes', (name, machine, basin, coins, washes) =>
    newcomer({}, async (p) => {
      const begun = Date.now();
      await open(p, '/begin');
      await choose(p, machine);
      await p.getByLabel('For hand washing').selectOption(basin);
      await p.getByLabel('Price of a run', { exact: false }).fill(coins);
      await choose(p, 'A test strip');
      await p.getByLabel('Fields that turned', { exact: false }).selectOption('3');
      await choose(p, 'Wool and silk liquid');
      await p.getByLabel('One piece a line', { exact: false }).fill(clothes);
      await p.getByLabel('Name of the household').fill(name);
      await p.getByRole('button', { name: 'Begin' }).click();
      await p.getByRole('heading', { name: 'Is this right?' }).waitFor();
      await choose(p, 'Many times');
      await p.getByRole('button', { name: 'Keep 4 lines' }).click();
      await p.waitForURL('**/basket');
      await p.getByRole('button', { name: 'Sort 4 pieces' }).click();
      await p.getByRole('heading', { name: /loads? for \d pieces?/ }).waitFor();
      expect(await p.getByText(washes).first().isVisible()).toBe(true);
      expect(Date.now() - begun).toBeLessThan(120_000);
      await open(p, '/household');
      expect(await p.getByText('hard water').count()).toBe(1);
      for (const [to, heading] of [
        ['/today', /^Dry and away by/],
        ['/wash', 'Ready to start'],
        ['/dry', 'Nothing is drying'],
        ['/press', 'Nothing waits for the iron'],
        ['/away', 'Everything is put away'],
        ['/cleaner', 'To the cleaner'],
        ['/upkeep', /./],
        ['/household/devices', 'Devices'],
      ] as const) {
        await open(p, to);
        await p.getByRole('heading', { name: heading }).first().waitFor();
      }
    }),
  );

  test('a second machine joins the house, with programmes of its own, and can be taken away again', () =>
    newcomer({}, async (p) => {
      await open(p, '/begin');
      await p.getByLabel('Name of the household').fill('Two machines');
      await p.getByRole('button', { name: 'Begin' }).click();
      await p.waitForURL('**/basket');
      await open(p, '/household/washers/new');
      await p.getByRole('button', { name: 'Store' }).click();
      await p.getByText('Name: give a name.', { exact: false }).first().waitFor();
      await p.getByLabel('Name').fill('Cellar machine');
      await choose(p, 'Lid on top, no post inside');
      await p.getByLabel('Size', { exact: false }).fill('5');
      await p.getByRole('button', { name: 'Store' }).click();
      await p.getByRole('heading', { name: 'Cellar machine' }).waitFor();
      expect(await p.getByRole('link', { name: /Normal/ }).count()).toBe(1);
      await choose(p, 'Powder');
      await p.getByRole('button', { name: 'Store' }).click();
      await p.waitForURL('**/household');
      await p.getByRole('link', { name: /Cellar machine/ }).click();
      expect(await p.locator('input[value="powder"]').isChecked()).toBe(true);
      await p.getByRole('button', { name: 'Take the machine away' }).click();
      await p.waitForURL('**/household');
      expect(await p.getByRole('link', { name: /Cellar machine/ }).count()).toBe(0);
      await p.getByRole('button', { name: 'Take it back' }).click();
      await p.getByText('as it was before the last change', { exact: false }).waitFor();
      await p.getByRole('link', { name: /Cellar machine/ }).click();
      expect(await p.locator('input[value="powder"]').isChecked()).toBe(true);
      expect(await p.getByRole('link', { name: /Normal/ }).count()).toBe(1);
    }));

  test('works without JavaScript, from the first form to the first plan; a wrong answer keeps what was typed', () =>
    newcomer({ javaScriptEnabled: false, viewport: phone }, async (p) => {
      await p.goto(`${address}/begin`);
      await choose(p, 'The supplier’s figure');
      await p.getByRole('textbox', { name: 'Figure' }).fill('900');
      await p.getByLabel('One piece a line', { exact: false }).fill('three blue tees, washed 10 times\nwiggly blouse');
      await p.getByRole('button', { name: 'Begin' }).click();
      await p.getByText('more than 10 mmol/l', { exact: false }).first().waitFor();
      expect(await p.getByLabel('One piece a line', { exact: false }).inputValue()).toContain('wiggly blouse');
      await p.getByRole('textbox', { name: 'Figure' }).fill('9');
      await p.getByRole('button', { name: 'Begin' }).click();
      await p.getByRole('button', { name: 'Keep 2 lines' }).click();
      await p.getByText('Line 2, colour: choose one.', { exact: false }).first().waitFor();
      await p.getByLabel('Colour of line 2').selectOption('red');
      await choose(p, 'As 3 pieces');
      await p.getByRole('button', { name: 'Keep 2 lines' }).click();
      expect(await p.getByRole('link', { name: /^Mark Blue tee \d/ }).count()).toBe(3);
      await p.getByRole('button', { name: 'Sort 4 pieces' }).click();
      await p
        .getByRole('heading', { name: /load|Nothing to wash/ })
        .first()
        .waitFor();
    }));
});

test('a tab left open on one household cannot write into another', () =>
  newcomer({}, async (p) => {
    await open(p, '/pieces/ren-beanie');
    const other = await p.context().newPage();
    await open(other, '/begin');
    await other.getByLabel('Name of the household').fill('Next door');
    await other.getByRole('button', { name: 'Begin' }).click();
    await other.waitForURL('**/basket');
    await p.getByRole('button', { name: 'Worn today' }).click();
    await p.getByText('This page is of another household', { exact: false }).waitFor();
    await open(other, '/log');
    expect(await other.getByText('Nothing logged yet').count()).toBe(1);
  }));

describe('the editors', () => {
  test('a drying place is drawn as it is typed, stored, refused when it has nothing', async () => {
    await open(page, '/household/places/rack');
    await page.getByLabel('Bars or lines').fill('10');
    await page.getByText('9 m of bar', { exact: false }).waitFor();
    await page.getByLabel('Bars or lines').fill('0');
    await page.getByLabel('Flat area', { exact: false }).fill('0');
    await page.getByLabel('Room for hangers').fill('0');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('a place to dry has bars', { exact: false }).first().waitFor();
    expect(await page.getByLabel('Name').inputValue()).toBe('Rack by the window');
    await page.getByLabel('Bars or lines').fill('12');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('12 bars of 0.9 m', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByText('20 bars of 0.9 m', { exact: false }).waitFor();
  });
  test('a tub by its centimetres gives its litres; what is missing is asked for by name', async () => {
    await open(page, '/household/basins/new');
    await page.getByLabel('Name').fill('Zinc tub');
    await page.getByLabel('Shape').selectOption('round');
    await page.getByLabel('Diameter', { exact: false }).first().fill('50');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('Depth: measure it, inside.', { exact: false }).first().waitFor();
    await page.getByLabel('Depth', { exact: false }).fill('25');
    // π/4 × 50² × (25 − 5) cm³ = 39.3 l
    await page.getByText('39.3 l to wash in').waitFor();
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByRole('link', { name: /Zinc tub/ }).waitFor();
    expect(await page.getByRole('link', { name: /Zinc tub/ }).textContent()).toContain('39.3 l to wash in');
  });
  test('a dryer is added and taken away', async () => {
    await open(page, '/household/dryers/new');
    await page.getByLabel('Name').fill('Attic dryer');
    await page.getByLabel('Kind').selectOption('vented');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByRole('link', { name: /Attic dryer/ }).click();
    await page.getByRole('button', { name: 'Take it away' }).click();
    await page.waitForURL('**/household');
    expect(await page.getByRole('link', { name: /Attic dryer/ }).count()).toBe(0);
  });
  test('a product by the price of its pack, with the cap that doses it', async () => {
    await open(page, '/household/products/dark-liquid');
    await page.getByLabel('A pack costs', { exact: false }).fill('6');
    await page.getByLabel('A pack holds').fill('1500');
    await page.getByLabel('Dosed with').fill('cap');
    await page.getByLabel('One of it holds').fill('40');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByRole('link', { name: /Dark liquid/ }).click();
    expect(await page.getByLabel('Price', { exact: false }).first().inputValue()).toBe('0.004');
    expect(await page.getByLabel('One of it holds').inputValue()).toBe('40');
  });
  test('times are read line by line, and a line that is none is named', async () => {
    await open(page, '/household/times');
    await page.getByLabel('Quiet hours').fill('22:00-07:00\nnoon to one');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('“noon to one” is no span of hours', { exact: false }).first().waitFor();
    await page.getByLabel('Quiet hours').fill('22:00-07:00');
    await page.getByLabel('Slots of a shared machine').fill('2026-12-01 18:00 to 20:00 Moon machine');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('names no machine of yours', { exact: false }).first().waitFor();
    await page.getByLabel('Slots of a shared machine').fill('2026-12-01 18:00 to 20:00 Kitchen machine');
    await page.getByLabel('Away').fill('2026-12-01 12:00 to 14:00');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('quiet 22:00–07:00 · 1 absence · 1 slot').waitFor();
    await page.getByRole('link', { name: /^Times/ }).click();
    expect(await page.getByLabel('Slots of a shared machine').inputValue()).toBe(
      '2026-12-01 18:00 to 20:00 Kitchen machine',
    );
  });
  test('a time zone that is none is refused, the others are kept', async () => {
    await open(page, '/household/units');
    await page.getByLabel('Time zone').fill('Moon/Crater');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('Time zone: it is not known', { exact: false }).first().waitFor();
    await page.getByLabel('Time zone').fill('Asia/Tokyo');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByText('Asia/Tokyo', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByText('Europe/Amsterdam', { exact: false }).waitFor();
  });
});

test('units: plans, tickets and limits are said in them, and any unit may be typed', () =>
  newcomer({}, async (p) => {
    await open(p, '/begin');
    await p.getByLabel('One piece a line', { exact: false }).fill('white bath towels, 60\nwhite sheet, 60');
    await p.getByRole('button', { name: 'Begin' }).click();
    await p.getByRole('button', { name: 'Keep 2 lines' }).click();
    await p.waitForURL('**/basket');
    await open(p, '/household/units');
    await p.getByLabel('Temperature').selectOption('F');
    await p.getByLabel('Weight').selectOption('lb');
    await p.getByLabel('Liquid doses').selectOption('floz');
    await p.getByLabel('Length').selectOption('in');
    await p.getByLabel('Water hardness').selectOption('gpg');
    await p.getByLabel('Dates and numbers').selectOption('en-US');
    await p.getByRole('button', { name: 'Store' }).click();
    await p.waitForURL('**/household');
    // 2 mmol/l of the unknown water are 11.694 grains a gallon.
    expect(await p.getByRole('textbox', { name: 'Water hardness' }).inputValue()).toBe('11.694');
    await p.getByLabel('Cold tap', { exact: false }).fill('59 F');
    await p.getByRole('button', { name: 'Store', exact: true }).click();
    await p.getByText('The next sorting uses it.').waitFor();
    expect(await p.getByLabel('Cold tap', { exact: false }).inputValue()).toBe('15');
    await open(p, '/basket');
    await p.getByRole('button', { name: 'Sort 2 pieces' }).click();
    await p.getByRole('heading', { name: /loads? for 2 pieces/ }).waitFor();
    await p.getByText('140', { exact: true }).first().waitFor();
    expect(await p.getByText('°F', { exact: true }).count()).toBeGreaterThan(0);
    expect(await p.locator('main').innerText()).not.toMatch(/°C|\d kg/);
    await p.getByRole('link', { name: /^Start with / }).click();
    await p.getByRole('heading', { name: 'Step by step' }).waitFor();
    expect(await p.locator('main').innerText()).not.toMatch(/°C|\d kg/);
    expect(await p.locator('header').innerText()).toMatch(/day, [A-Z][a-z]+ \d/);
  }));

describe('the wardrobe', () => {
  test('is searched and filtered, and several pieces go into the basket at once', async () => {
    await open(page, '/wardrobe?q=jeans');
    const rows = page.locator('tbody tr');
    const count = await rows.count();
    expect(count).toBeGreaterThanOrEqual(3);
    await page.getByLabel('Whose').selectOption('Ren');
    await page.getByText(/^1 of 7\d pieces/).waitFor();
    await open(page, '/wardrobe?state=worn-clean');
    const names = await page.locator('tbody tr a').allTextContents();
    await page.getByRole('checkbox', { name: names[0] ?? '', exact: true }).check();
    await page.getByRole('checkbox', { name: names[1] ?? '', exact: true }).check();
    await page.getByRole('button', { name: 'Into the basket' }).click();
    await page.waitForTimeout(400);
    await open(page, `/wardrobe?state=in-basket&q=${encodeURIComponent(names[0] ?? '')}`);
    expect(await page.locator('tbody tr').first().textContent()).toContain('in the basket');
  });
  test('a piece is copied, given away, brought back, deleted for good', async () => {
    await open(page, '/pieces/ren-beanie');
    const name = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
    await page.getByRole('link', { name: 'One more like it' }).click();
    await page.getByRole('button', { name: 'Keep in the wardrobe' }).click();
    await page.getByRole('heading', { level: 1, name: `${name}, Ren` }).waitFor();
    await page.getByRole('button', { name: 'Given away' }).click();
    await page.getByText('Given away.', { exact: true }).waitFor();
    await open(page, '/wardrobe');
    expect(await page.getByRole('link', { name: `${name}, Ren` }).count()).toBe(0);
    await open(page, '/wardrobe?state=gone');
    await page.getByRole('link', { name: `${name}, Ren` }).click();
    await page.getByRole('button', { name: 'Back into the wardrobe' }).click();
    await page.getByText('Clean.', { exact: true }).waitFor();
    await page.getByRole('button', { name: 'Delete for good' }).click();
    await page.getByText('tick that you are sure', { exact: false }).first().waitFor();
    await page.getByLabel('I am sure', { exact: false }).check();
    await page.getByRole('button', { name: 'Delete for good' }).click();
    await page.waitForURL('**/wardrobe');
    expect(await page.getByRole('link', { name: `${name}, Ren` }).count()).toBe(0);
  });
  test('a line with several pieces is asked about once, before anything is stored', async () => {
    await open(page, '/basket');
    await page.getByLabel('Add a piece in one line').fill('14 oat cashmere jumpers, hand wash, Juna');
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByText('14 alike: keep them').waitFor();
    expect(await page.getByText('Juna’s').count()).toBe(1);
    await page.getByRole('button', { name: 'Keep 1 line' }).click();
    await page.waitForURL('**/basket');
    await page.getByRole('link', { name: 'Mark Oat cashmere jumpers' }).waitFor();
  });
});

describe('bringing in and taking out', () => {
  const table =
    'id,name,kind,fibres,colours\r\nx1,Brought tee,tshirt,cotton 100,#2233aa\r\nren-beanie,Ren’s old beanie,hat_knit,wool 100,#35373c\r\n';
  test('a table with bad rows stores nothing and names row and column', async () => {
    await open(page, '/transfer');
    await page
      .getByLabel('Or its text, pasted')
      .fill('id,name,kind,fibres,colours\nx1,Tee,tshirt,cotton 90,#2233aa\nx2,,tshirt,cotton 100,red\n');
    await page.getByRole('button', { name: 'Look what is in it' }).click();
    await page.getByText('Nothing was stored').waitFor();
    expect(await page.getByLabel('What is wrong').locator('li').allTextContents()).toEqual([
      'row 2, fibres: percentages must sum to 100',
      'row 3, name: must not be empty',
      'row 3, colours: must be a colour like #2f6f6b',
    ]);
    expect(await page.getByLabel('Or its text, pasted').inputValue()).toContain('cotton 90');
  });
  test('a good table is looked at first, stored, and taken back', async () => {
    await open(page, '/transfer');
    await page
      .getByLabel('A file', { exact: false })
      .setInputFiles({ name: 'w.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
    await page.getByRole('button', { name: 'Look what is in it' }).click();
    await page.getByText('1 piece added, 1 changed, 0 as they are.', { exact: false }).waitFor();
    expect(await page.getByText('Ren’s old beanie: name', { exact: false }).count()).toBe(1);
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Store in this household' }).click();
    await page.getByText('It can be taken back below.').waitFor();
    await open(page, '/pieces/ren-beanie');
    await page.getByRole('heading', { level: 1, name: 'Ren’s old beanie' }).waitFor();
    await open(page, '/transfer');
    await page.getByRole('button', { name: 'Take it back' }).first().click();
    await page.getByText('what it changed is as before', { exact: false }).waitFor();
    await open(page, '/wardrobe?q=brought');
    expect(await page.getByText('Nothing matches').count()).toBe(1);
  });
  test('lines are read like a typed list; a document that is none is refused in words', async () => {
    await open(page, '/transfer');
    await page.getByLabel('Or its text, pasted').fill('two green tea towels\nred socks');
    await page.getByRole('button', { name: 'Look what is in it' }).click();
    await page.getByRole('heading', { name: 'Is this right?' }).waitFor();
    await open(page, '/transfer');
    await page.getByLabel('Or its text, pasted').fill('{"format":"neat-fold/hamper"');
    await page.getByRole('button', { name: 'Look what is in it' }).click();
    await page.getByText('document: not valid JSON').waitFor();
  });
  test('what was taken out becomes a household of its own, the same again; then it is deleted', async () => {
    const whole = await (await page.request.get(`${address}/household.json`)).text();
    await newcomer({}, async (p) => {
      await open(p, '/transfer');
      await p
        .getByLabel('A file', { exact: false })
        .setInputFiles({ name: 'household.json', mimeType: 'application/json', buffer: Buffer.from(whole) });
      await p.getByRole('button', { name: 'Look what is in it' }).click();
      await p.getByLabel('Or as a household of its own, named').fill('Copy of the flat');
      await p.getByRole('button', { name: 'Make it a household' }).click();
      await p.waitForURL('**/wardrobe');
      const again = await (await p.request.get(`${address}/household.json`)).text();
      const facts = (text: string): unknown => {
        const {
          now: _now,
          garments,
          ...rest
        } = JSON.parse(text) as { now: string; garments: { stains: { ageHours: unknown }[] }[] };
        return {
          ...rest,
          garments: garments.map((g) => ({ ...g, stains: g.stains.map((s) => ({ ...s, ageHours: null })) })),
        };
      };
      expect(facts(again)).toEqual(facts(whole));
      // Switched in the header, and deleted only by its name.
      await p.locator('summary', { hasText: 'Copy of the flat' }).click();
      await p.getByRole('button', { name: 'Go to The flat above the bakery' }).click();
      await p.locator('summary', { hasText: 'The flat above the bakery' }).waitFor();
      await p.locator('summary').click();
      await p.getByRole('button', { name: 'Go to Copy of the flat' }).click();
      await p.locator('summary', { hasText: 'Copy of the flat' }).waitFor();
      await open(p, '/households');
      await p.getByLabel('Type its name', { exact: false }).fill('copy');
      await p.getByRole('button', { name: 'Delete it for good' }).click();
      await p.getByText('Nothing was deleted', { exact: false }).waitFor();
      await p.getByLabel('Type its name', { exact: false }).fill('Copy of the flat');
      await p.getByRole('button', { name: 'Delete it for good' }).click();
      await p.waitForURL('**/welcome');
      await open(p, '/basket');
      expect(new URL(p.url()).pathname).toBe('/welcome');
    });
  });
});

test('nothing went wrong in the console', () => expect(visit.troubles).toEqual([]));
