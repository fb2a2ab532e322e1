/** The look back: log, figures, what was learnt, diaries, the sheet, things kept in mind, and everything taken out and in again. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
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

const tap = (name: string | RegExp): Promise<void> => page.getByRole('button', { name }).first().click();
const text = async (to: string): Promise<string> => (await fetch(`${address}${to}`)).text();
const temporary = (name: string, content: Buffer | string): string => {
  const file = path.join(tmpdir(), `${process.pid}-${name}`);
  writeFileSync(file, content);
  return file;
};
const pagesOnPaper = async (format: 'A4' | 'A5'): Promise<number> =>
  ((await page.pdf({ format })).toString('latin1').match(/\/Type\s*\/Page[^s]/g) ?? []).length;
const wearsOf = async (id: string): Promise<string> =>
  / · (\d+ of [\d.]+ (?:wear|use)s)/.exec(await text(`/pieces/${id}`))?.[1] ?? '';

describe('the log', () => {
  test('days gather what is alike, and open to their pieces', async () => {
    await page.setViewportSize(laptop);
    await open(page, '/log');
    const worn = page.locator('summary', { hasText: /pieces worn/ }).first();
    await worn.click();
    expect(await page.locator('details[open] li').count()).toBeGreaterThan(5);
  });
  test('search, kind and person narrow it; nothing found says so', async () => {
    await page.getByRole('searchbox', { name: 'Search' }).fill('cardigan');
    await page.getByRole('searchbox', { name: 'Search' }).press('Enter');
    await page.waitForURL(/q=cardigan/);
    await page
      .locator('main section', { hasText: /pieces worn/ })
      .first()
      .waitFor({ state: 'detached' });
    const names = await page.locator('main section a[href^="/pieces/"]').allTextContents();
    expect(names.length).toBeGreaterThan(0);
    expect(names.every((n) => /cardigan/i.test(n))).toBe(true);
    await open(page, '/log?q=nothing+is+called+so');
    await page.getByRole('heading', { name: 'Nothing of this kind' }).waitFor();
  });
  test('every page of the days holds other entries, down to the first', async () => {
    await open(page, '/log');
    const seen = new Set<string>();
    for (let k = 0; k < 40; k++) {
      const days = await page.locator('main section h2').allTextContents();
      expect(days.filter((d) => seen.has(d))).toEqual([]);
      for (const d of days) seen.add(d);
      const earlier = page.getByRole('link', { name: 'Earlier days' });
      if ((await earlier.count()) === 0) break;
      const from = page.url();
      await earlier.click();
      await page.waitForURL((u) => u.href !== from);
      await page.waitForFunction(
        (first) => document.querySelector('main section h2')?.textContent !== first,
        days[0] ?? '',
      );
    }
    expect(seen.size).toBeGreaterThan(150);
  });
  test('the table sorts by its heads, by keyboard too, and pages', async () => {
    await open(page, '/log?view=table');
    await page
      .getByRole('columnheader', { name: /^Piece/ })
      .getByRole('link')
      .focus();
    await page.keyboard.press('Enter');
    await page.waitForURL(/sort=name/);
    await page.locator('th[aria-sort="descending"]', { hasText: 'Piece' }).waitFor();
    await page.getByRole('link', { name: 'Next page' }).click();
    await page.getByText(/page 2 of/).waitFor();
  });
  test('a mistake is put right: the wear counts as it was, the old entry stays, struck through', async () => {
    await open(page, '/pieces/ren-hoodie');
    const before = Number((await wearsOf('ren-hoodie')).split(' ')[0]);
    await tap('Worn today');
    await page
      .getByText(`${before + 1} of`)
      .first()
      .waitFor();
    await page.getByRole('link', { name: 'Worn', exact: true }).first().click();
    await page.getByRole('heading', { name: 'Put an entry right' }).waitFor();
    const when = page.getByLabel('When');
    await when.fill('2099-01-01T10:00');
    await tap('Store what really happened');
    await page.getByRole('alert').getByText('When: it lies in the future.').waitFor();
    expect(await when.inputValue()).toBe('2099-01-01T10:00');
    await open(page, new URL(page.url()).pathname);
    await page.getByLabel('How often').fill('3');
    await tap('Store what really happened');
    await page.getByText(/^Corrected: /).waitFor();
    expect(await wearsOf('ren-hoodie')).toMatch(new RegExp(`^${before + 3} of`));
    await tap('Take it back');
    await page.getByText(/^Corrected: /).waitFor({ state: 'detached' });
    expect(await wearsOf('ren-hoodie')).toMatch(new RegExp(`^${before + 1} of`));
    await open(page, '/log');
    await page.getByText('taken back').first().waitFor({ state: 'attached' });
  });
  test('two tabs: what one has taken back the other is told', async () => {
    expect((await sendForm('/pieces/ren-hoodie', { intent: 'worn' })).status).toBe(302);
    const newest = /name="newest" value="(\d+)"/.exec(await text('/log'))?.[1] ?? '';
    expect((await sendForm('/log', { newest })).status).toBe(302);
    expect((await sendForm('/log', { newest })).status).toBe(409);
    expect((await fetch(`${address}/log/entries/999999999`)).status).toBe(404);
    expect((await fetch(`${address}/log/entries/x`)).status).toBe(404);
  });
});

describe('figures', () => {
  test('each has its question, its answer, a drawing and its numbers, light and dark', async () => {
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme });
      await open(page, '/log/figures');
      const figures = page.locator('figure');
      const count = await figures.count();
      expect(count).toBeGreaterThanOrEqual(14);
      for (let k = 0; k < count; k++) {
        const figure = figures.nth(k);
        expect(await figure.locator('h2').textContent()).toMatch(/\?$/);
        expect((await figure.locator('figcaption').textContent())?.length).toBeGreaterThan(10);
        await figure.locator('[data-drawn="true"]').waitFor();
        const table = figure.locator('table');
        expect(await table.locator('tbody tr').count()).toBeGreaterThan(0);
      }
      expect(await axeViolations(page)).toEqual([]);
    }
    await page.emulateMedia({ colorScheme: 'light' });
  });
  test('the canvas is not empty', async () => {
    await open(page, '/log/figures');
    await page.locator('#water [data-drawn="true"]').waitFor();
    await page.waitForTimeout(400);
    const inked = await page.locator('#water canvas').evaluate((c) => {
      const canvas = c as HTMLCanvasElement;
      const pixels = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? [];
      let n = 0;
      for (let k = 3; k < pixels.length; k += 4) if ((pixels[k] ?? 0) > 0) n++;
      return n;
    });
    expect(inked).toBeGreaterThan(2_000);
  });
  test('the period and the piece are chosen; the sentence of the week shows its arithmetic', async () => {
    await page.getByLabel('Of', { exact: true }).selectOption('13');
    await page.waitForURL(/weeks=13/);
    await page.getByLabel('Sizes of').selectOption({ label: 'Mohair cardigan, dusk' });
    await page.getByRole('heading', { name: 'How has the size of Mohair cardigan, dusk changed?' }).waitFor();
    await page.getByText('How that is reckoned').click();
    await page.locator('aside details p').waitFor();
    expect(await page.locator('aside details p').textContent()).toMatch(/\d/);
  });
});

describe('what was learnt', () => {
  test('is believed until somebody prefers the book, and the next plan says which', async () => {
    const minutes = async (): Promise<number> => {
      const hamper = JSON.parse(await text('/hamper.json')) as {
        household: { washers: { programmes: { id: string; durationMin: number }[] }[] };
      };
      return hamper.household.washers[0]?.programmes.find((p) => p.id === 'cottons')?.durationMin ?? 0;
    };
    const learnt = await minutes();
    expect(learnt).toBeGreaterThan(155);
    await open(page, '/log/learnt');
    await page.getByText(`${learnt} min here, the panel says 149`).waitFor();
    await tap('Cottons: use the book');
    await page.getByText('The book holds: 149 min').waitFor();
    expect(await minutes()).toBe(149);
    await tap('Cottons: use what was learnt');
    await page.getByRole('button', { name: 'Cottons: use the book' }).waitFor();
    expect(await minutes()).toBe(learnt);
    await open(page, '/sort');
    await tap('Sort the basket');
    await page.getByRole('heading', { name: 'Reckoned with what was learnt here' }).click();
    await page.getByText(`Cottons: ${learnt} min here, the panel says 149`).waitFor();
    expect((await sendForm('/log/learnt', { lesson: 'programme/none/none', believe: 'no' })).status).toBe(404);
  });
});

describe('a diary', () => {
  const picture = (): Promise<Buffer> =>
    sharp({ create: { width: 900, height: 700, channels: 3, background: '#445566' } })
      .withExif({ IFD0: { Make: 'Secret camera' } })
      .jpeg()
      .toBuffer();
  test('shows two pictures of one place, drawn one over the other or side by side', async () => {
    await open(page, '/pieces/tovi-raw-jeans');
    await page.getByRole('link', { name: 'Diary (6)' }).click();
    await page.getByRole('heading', { name: 'Diary of Raw indigo jeans' }).waitFor();
    const slider = page.getByRole('slider');
    await slider.focus();
    await page.keyboard.press('End');
    expect(await slider.inputValue()).toBe('100');
    await tap('Side by side');
    expect(await page.locator('main section').first().locator('img').count()).toBe(2);
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLImageElement>('main img')].every((i) => i.naturalWidth > 0),
    );
  });
  test('takes a picture from a file, without what the camera wrote; refuses what is none, with what was typed kept', async () => {
    await open(page, '/pieces/tovi-raw-jeans/diary');
    await page.getByLabel('Place').selectOption('seat');
    await page.getByLabel('Note', { exact: true }).fill('worn thin');
    await page.setInputFiles('input[type=file]', temporary('not.jpg', 'this is a letter'));
    await tap('Keep it');
    await page.getByRole('alert').getByText('Picture: this file is no picture.').waitFor();
    expect(await page.getByLabel('Note', { exact: true }).inputValue()).toBe('worn thin');
    await page.setInputFiles('input[type=file]', temporary('seat.jpg', await picture()));
    await tap('Keep it');
    await page.getByRole('heading', { name: 'Seat' }).waitFor();
    await page.getByText('worn thin').waitFor();
    const src = await page.locator('img[alt^="Seat"]').getAttribute('src');
    const kept = Buffer.from(await (await fetch(`${address}${src?.replace('?small', '')}`)).arrayBuffer());
    expect((await sharp(kept).metadata()).format).toBe('webp');
    expect(kept.includes('Secret')).toBe(false);
    await page.getByRole('button', { name: /^Take out: Seat/ }).click();
    await page.getByRole('heading', { name: 'Seat' }).waitFor({ state: 'detached' });
    expect((await fetch(`${address}${src}`)).status).toBe(404);
  });
  test('a form with a file is taken only where one is expected', async () => {
    const edge = 'edge-of-a-part';
    const body = `--${edge}\r\nContent-Disposition: form-data; name="photo"; filename="x.png"\r\nContent-Type: image/png\r\n\r\nno picture\r\n--${edge}--\r\n`;
    const post = (to: string) =>
      fetch(`${address}${to}`, {
        method: 'POST',
        body,
        headers: { origin: address, 'content-type': `multipart/form-data; boundary=${edge}` },
        redirect: 'manual',
      });
    expect((await post('/basket')).status).toBe(415);
    expect((await post('/pieces/tovi-raw-jeans/diary')).status).toBe(400);
  });
});

describe('the sheet beside the machine', () => {
  test('one page on A4 and on A5, with piles, doses in caps and rules', async () => {
    for (const [paper, format] of [
      ['a4', 'A4'],
      ['a5', 'A5'],
    ] as const) {
      await open(page, `/sheet?paper=${paper}`);
      expect(await page.locator('article tbody tr').count()).toBeGreaterThan(5);
      await page
        .getByText(/Colour liquid \d+ ml \(.+caps?\)/)
        .first()
        .waitFor();
      await page.getByRole('heading', { name: 'Rules of the house' }).waitFor();
      await page.emulateMedia({ media: 'print' });
      expect(await page.getByRole('navigation').first().isVisible()).toBe(false);
      const pages = await pagesOnPaper(format);
      await page.emulateMedia({ media: null });
      expect(pages).toBe(1);
    }
  });
  test('another school has other piles', async () => {
    await open(page, '/sheet');
    const ours = await page.locator('article tbody').textContent();
    await page.getByLabel('Sorted').selectOption('two');
    await page.waitForURL(/school=two/);
    await page.getByText('Light and dark ·').waitFor();
    expect(await page.locator('article tbody').textContent()).not.toBe(ours);
  });
});

describe('before buying', () => {
  test('a label is kept in mind, compared, and becomes a piece when it is bought', async () => {
    await open(page, '/label?text=100%25+cotton&kind=tshirt&colour=%23c0202c&wearsPerWeek=1&wash=machine+40+normal');
    await page.getByLabel('Call it').fill('Scarlet T-shirt');
    await page.getByLabel('Price').fill('a lot');
    await tap('Keep it in mind');
    await page.getByRole('alert').getByText('Price: give a number.').waitFor();
    await open(page, '/label?text=100%25+cotton&kind=tshirt&colour=%23c0202c&wearsPerWeek=1&wash=machine+40+normal');
    await page.getByLabel('Call it').fill('Scarlet T-shirt');
    await page.getByLabel('Price').fill('25');
    await tap('Keep it in mind');
    await page.getByRole('heading', { name: 'Kept in mind' }).waitFor();
    await page
      .getByText(/€ a year/)
      .first()
      .waitFor();
    await page.getByText(/pieces of its kind are owned/).waitFor();
    await page.getByText('its colour or cloth needs a load of its own').waitFor();
    await page.setViewportSize(phone);
    expect(await overflowsX(page)).toBe(false);
    await page.setViewportSize(laptop);
    await tap('Bought: Scarlet T-shirt');
    await page.getByRole('heading', { name: 'Scarlet T-shirt' }).waitFor();
    expect(await text('/wishes')).toContain('Nothing in mind');
  });
});

describe('taken out and in', () => {
  test('the archive becomes a household of its own, picture by picture', async () => {
    const zip = Buffer.from(await (await fetch(`${address}/household.zip`)).arrayBuffer());
    await open(page, '/transfer');
    await page.getByRole('link', { name: 'Bring one in' }).click();
    await page.getByRole('heading', { name: 'Bring in an archive' }).waitFor();
    await page.setInputFiles('input[type=file]', temporary('home.zip', zip));
    await tap('Look what is in it');
    await page.locator('[role="status"], [role="alert"]').first().waitFor();
    expect(await page.locator('[role="status"], [role="alert"]').first().textContent()).toMatch(
      /“The flat above the bakery”: \d+ pieces/,
    );
    await tap('Make it a household');
    await page.getByRole('heading', { name: 'Wardrobe' }).waitFor();
    const cookies = await page.context().cookies();
    const cookie = cookies.map((c) => `${c.name}=${c.value}`).join('; ');
    const again = Buffer.from(await (await fetch(`${address}/household.zip`, { headers: { cookie } })).arrayBuffer());
    expect(again.equals(zip)).toBe(true);
    await open(page, '/pieces/tovi-raw-jeans/diary');
    await page.getByRole('heading', { name: 'Thigh' }).first().waitFor();
    await page.context().clearCookies();
  });
  test('a bad archive is refused by what is wrong with it, and nothing is made', async () => {
    const households = async (): Promise<number> => (await text('/households')).match(/name="household"/g)?.length ?? 0;
    const before = await households();
    await open(page, '/transfer/archive');
    await tap('Look what is in it');
    await page.getByRole('alert').getByText('Archive: choose the file.').waitFor();
    await page.setInputFiles('input[type=file]', temporary('bad.zip', 'PK not really'));
    await tap('Look what is in it');
    await page
      .getByRole('alert')
      .getByText(/document: is no zip/)
      .waitFor();
    expect(await households()).toBe(before);
  });
  test('a log is looked at, stored, and taken back', async () => {
    await open(page, '/transfer');
    const row = '2026-01-05T08:00:00Z,worn,ren-hoodie,,count,2,times,"=1+1"';
    await page.getByLabel('Or its text, pasted').fill(`at,event,garment,load,key,value,unit,note\n${row}\n`);
    await tap('Look what is in it');
    await page.getByText('This would be added to the log').waitFor();
    await tap('Store in this household');
    await page.getByText('Stored.').waitFor();
    expect((await text('/log.csv')).includes(`,worn,ren-hoodie,,count,2,times,'=1+1`)).toBe(true);
    await tap('Take it back');
    await page.getByText('Taken back.').waitFor();
    expect((await text('/log.csv')).includes('=1+1')).toBe(false);
    await page.getByLabel('Or its text, pasted').fill('at,event,garment,load,key,value,unit,note\nsoon,eaten,,,,,,\n');
    await tap('Look what is in it');
    await page.getByText(/row 2, event: must be one of/).waitFor();
  });
});

test('nothing in the console', () => expect(visit?.troubles).toEqual([]));
