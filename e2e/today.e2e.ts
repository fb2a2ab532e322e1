/** The day with its hours: planned, said otherwise, run late and planned again; by mouse, keyboard and phone; read as a calendar until that is withdrawn. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import type { Browser, BrowserContext, Page } from 'playwright-core';
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

let browser: Browser;
let context: BrowserContext;
let page: Page;
let troubles: string[];
let visit: Visit | undefined;

beforeAll(async () => {
  visit = await beginVisit();
  ({ browser, context, page, troubles } = visit);
  // No quiet hours: the tests run at any hour of the day.
  expect((await sendForm('/household/times', { people: '2', names: 'Juna\nTovi\nRen' })).status).toBe(302);
});
afterAll(() => endVisit(visit));

const say = async (fields: Record<string, string>): Promise<Response> => sendForm('/today', fields);
const inList = (): Promise<string[]> => page.locator('h2:has-text("What was said of the day") + ul li').allInnerTexts();
const bars = () => page.getByRole('button', { name: /Move with the arrow keys/ });
/** A bar's name, its hours left out. */
const withoutHours = (label: string): string => label.replaceAll(/\d\d:\d\d/g, '–');
/** The hours in a bar's name, in minutes of their day. */
const minutesTold = (label: string): number[] =>
  [...label.matchAll(/(\d\d):(\d\d)/g)].map(([, h, m]) => Number(h) * 60 + Number(m));
/** The kept day, with nothing said of it. */
async function kept(): Promise<void> {
  await open(page, '/today');
  await page.getByRole('button', { name: /As the house weighs it/ }).waitFor();
  await page.getByRole('button', { name: /As the house weighs it/ }).click();
  await page.waitForSelector('button[aria-pressed="true"]');
}

describe('a day is planned', () => {
  test('who washes is asked by name, and a name that stands twice is refused', async () => {
    const bad = await sendForm('/household/times', { people: '2', names: 'Juna\njuna' });
    expect(bad.status).toBe(422);
    expect(await bad.text()).toContain('Their names: one stands twice.');
    await open(page, '/household/times');
    expect(await page.getByLabel('Their names').inputValue()).toBe('Juna\nTovi\nRen');
    expect(await page.getByLabel('People who wash').inputValue()).toBe('3');
  });
  test('sorted, the day is home: the next turn on top, its lanes, three ways more', async () => {
    await sendForm('/sort', { intent: 'sort' });
    await open(page, '/today');
    await page.getByRole('heading', { name: /^Dry and away by/ }).waitFor();
    expect(await page.getByText('of hands in', { exact: false }).first().innerText()).toMatch(/nothing late|late/);
    expect(await bars().count()).toBeGreaterThanOrEqual(4);
    for (const lane of ['Kitchen machine', 'Rack by the window', 'Juna', 'Tovi', 'Ren'])
      expect(
        await page.getByRole('region', { name: 'The day in lanes' }).getByText(lane, { exact: true }).count(),
      ).toBe(1);
    await page.getByRole('button', { name: /Fewest turns/ }).waitFor();
    expect(await page.getByRole('button', { name: /away by/ }).count()).toBe(4);
    expect(await axeViolations(page)).toEqual([]);
  });
  test('the button of the next turn leads to its bench', async () => {
    const card = page.getByRole('region', { name: 'Next for your hands' });
    await card.getByRole('link').first().click();
    await page.waitForURL((u) => u.pathname !== '/today');
    expect(troubles).toEqual([]);
  });
  test('a kept day does not move by itself', async () => {
    const from = Date.now();
    await kept();
    const before = await bars().evaluateAll((list) => list.map((b) => b.getAttribute('aria-label') ?? ''));
    await open(page, '/today');
    const after = await bars().evaluateAll((list) => list.map((b) => b.getAttribute('aria-label') ?? ''));
    // A turn that could begin now and has not begun waits with the clock: a minute edge lies between the two looks.
    const passed = Math.ceil((Date.now() - from) / 60_000);
    expect(after.map(withoutHours)).toEqual(before.map(withoutHours));
    const then = before.flatMap(minutesTold);
    after.flatMap(minutesTold).forEach((at, k) => {
      const later = (at - (then[k] ?? NaN) + 24 * 60) % (24 * 60);
      expect(later).toBeLessThanOrEqual(passed);
    });
    expect(await page.getByRole('button', { name: 'All right' }).count()).toBe(0);
  });
});

describe('said otherwise', () => {
  test('a bar is dragged to a later hour, and what it costs is told at once', async () => {
    await kept();
    await page.getByRole('button', { name: /Cheapest current/ }).waitFor();
    const bar = bars().last();
    await bar.scrollIntoViewIfNeeded();
    const box = await bar.boundingBox();
    if (!box) throw new Error('the bar is on the screen');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 45, box.y + box.height / 2, { steps: 6 });
    await page.mouse.up();
    await page.getByRole('heading', { name: 'What was said of the day' }).waitFor();
    const [said = ''] = await inList();
    expect(said).toMatch(/not before/);
    expect(said).toMatch(/later|sooner|turn|nothing else changes/);
    expect(await page.getByRole('button', { name: 'All right' }).count()).toBe(0);
    await page.getByRole('button', { name: /^Take it back:/ }).click();
    await page.getByRole('heading', { name: 'What was said of the day' }).waitFor({ state: 'detached' });
  });
  test('by keyboard: an hour later, Escape leaves it, Enter says it', async () => {
    await open(page, '/today');
    await page.getByRole('button', { name: /Cheapest current/ }).waitFor();
    const bar = bars().nth(1);
    await bar.focus();
    await page.keyboard.press('ArrowRight');
    expect(await bar.getAttribute('aria-label')).toMatch(/Now not before \d\d:\d\d/);
    await page.keyboard.press('Escape');
    expect(await bar.getAttribute('aria-label')).not.toMatch(/Now not before/);
    for (let k = 0; k < 4; k++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await page
      .getByText(/: not before/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: /^Take it back:/ }).click();
    await page.getByRole('heading', { name: 'What was said of the day' }).waitFor({ state: 'detached' });
  });
  test('out, needed, not today: said in words, and taken back', async () => {
    await open(page, '/today');
    await page.getByLabel('Who is out').selectOption('2');
    await page.getByLabel('Out from').fill('12');
    await page.getByLabel('to', { exact: true }).fill('14:30');
    await page.getByRole('button', { name: 'Say so' }).click();
    await page
      .getByText(/Tovi is out from .*12:00 to .*14:30/)
      .first()
      .waitFor();
    const load = await page.getByLabel('Load', { exact: true }).locator('option').last().getAttribute('value');
    expect((await say({ intent: 'needed', load: load ?? '', at: 'tomorrow 20:00' })).status).toBe(302);
    expect((await say({ intent: 'skip', load: load ?? '' })).status).toBe(302);
    await open(page, '/today');
    expect((await inList()).length).toBe(2);
    expect(await page.getByLabel('Load', { exact: true }).locator(`option[value="${load}"]`).count()).toBe(0);
    // A load that comes back to the day brings what was said of it along.
    for (const words of [/left for another day/, /needed by/, /is out from/]) {
      await page.getByRole('button', { name: new RegExp(`^Take it back: .*${words.source}`) }).click();
      await page.getByRole('button', { name: words }).waitFor({ state: 'detached' });
    }
    expect(await page.getByLabel('Load', { exact: true }).locator(`option[value="${load}"]`).count()).toBe(1);
  });
  test('what cannot be read is named, and nothing is stored', async () => {
    await open(page, '/today');
    await page.getByLabel('Time', { exact: true }).fill('noonish');
    await page.getByRole('button', { name: 'Not before', exact: true }).click();
    await page.getByText('Not before: “noonish” is no time of day', { exact: false }).first().waitFor();
    expect(await page.getByLabel('Time', { exact: true }).inputValue()).toBe('noonish');
    expect(await axeViolations(page)).toEqual([]);
    const load = await page.getByLabel('Load', { exact: true }).inputValue();
    for (const [fields, status, words] of [
      [{ intent: 'out', person: '9', from: '12', to: '14' }, 422, 'Who: somebody who lives here.'],
      [{ intent: 'out', person: '1', from: '25:00', to: '14' }, 422, 'Out from: “25:00” is no time of day'],
      [{ intent: 'not-before', load: 'x', at: '18:00' }, 409, 'That load is not on the day any more.'],
      [{ intent: 'not-before', load, at: '9999999999999' }, 422, 'a time of the next two weeks'],
      [{ intent: 'keep', aim: 'fastest' }, 422, 'The order of the day'],
      [{ intent: 'drop', wish: '00000000-0000-4000-8000-000000000000' }, 409, 'That was taken back already.'],
      [{ intent: 'dance' }, 422, 'That is no change of a day.'],
    ] as const) {
      const answer = await say({ ...fields });
      expect([fields.intent, answer.status]).toEqual([fields.intent, status]);
      expect(await answer.text()).toContain(words);
    }
    await open(page, '/today');
    expect(await inList()).toEqual([]);
  });
  test('a turn is handed over', async () => {
    await kept();
    const card = page.getByRole('region', { name: 'Next for your hands' });
    const who = (await card.innerText()).split('\n')[0] ?? '';
    const other = who.includes('Ren') && !who.includes(',') ? 'Tovi' : 'Ren';
    await card.getByLabel('Hand over to').selectOption({ label: other });
    await card.getByRole('button', { name: 'Give it' }).click();
    await page.getByText(`${other} does it`, { exact: false }).first().waitFor();
    expect((await card.innerText()).split('\n')[0]).toContain(other);
  });
});

describe('run late and planned again', () => {
  test('a load that takes longer moves what follows, and the page says what and why', async () => {
    await sendForm('/today', { intent: 'keep', aim: 'usual' });
    await open(page, '/today');
    const first = await page
      .locator('button[aria-label*="Move with the arrow keys"]')
      .first()
      .getAttribute('aria-label');
    const title = first?.split(',')[0] ?? '';
    const options = page.getByLabel('Load', { exact: true }).locator('option');
    const values = await options.evaluateAll((list) =>
      list.map((o) => [(o as HTMLOptionElement).value, o.textContent ?? '']),
    );
    const load = values.find(([, text]) => text?.startsWith(title))?.[0] ?? '';
    expect((await sendForm(`/loads/${load}`, { intent: 'start', ago: '0' })).status).toBe(302);
    expect((await sendForm(`/loads/${load}`, { intent: 'left', left: '340' })).status).toBe(302);
    await open(page, '/today');
    await page
      .getByText(/runs .* longer than it was to/, { exact: false })
      .first()
      .waitFor();
    const told = await page.getByRole('status').filter({ hasText: 'starts' }).first().innerText();
    expect(told).toMatch(/starts .*\d\d:\d\d, not .*\d\d:\d\d/);
    expect(told).toMatch(/The day ends/);
    // The clock of the ticket and the clock of the day are one.
    const [ticket, day] = [await timerOf(`/loads/${load}`), await timerOf('/today')];
    expect(Math.abs(ticket - day)).toBeLessThanOrEqual(1);
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('button', { name: 'All right' }).click();
    await page.getByRole('button', { name: 'All right' }).waitFor({ state: 'detached' });
    // What runs cannot be moved.
    expect((await say({ intent: 'not-before', load, at: '23:00' })).status).toBe(409);
  });
  /** Hours and minutes a clock shows, in minutes. */
  async function timerOf(path: string): Promise<number> {
    await open(page, path);
    const text = await page
      .getByRole('timer')
      .filter({ hasText: ' left' })
      .first()
      .innerText()
      .catch(() => '');
    const m = /(\d+):(\d\d)\s*(h|min)/.exec(text.replace(/\n/g, ' '));
    if (!m) return -1;
    return m[3] === 'h' ? 60 * Number(m[1]) + Number(m[2]) : Number(m[1]);
  }
});

describe('on the phone, and without scripts', () => {
  test('a list with clock times, no chart, nothing wider than the screen', async () => {
    await page.setViewportSize(phone);
    await open(page, '/today');
    expect(await page.getByRole('region', { name: 'The day in lanes' }).isVisible()).toBe(false);
    const clocks = await page.getByRole('region', { name: 'After that' }).locator('> ol li b').allInnerTexts();
    expect(clocks.length).toBeGreaterThanOrEqual(3);
    for (const c of clocks) expect(c).toMatch(/^(\w{3} )?\d\d:\d\d$/);
    expect(await overflowsX(page)).toBe(false);
    expect(await axeViolations(page)).toEqual([]);
    await page.setViewportSize(laptop);
  });
  test('plain forms do the same', async () => {
    const plain = await browser.newContext({ javaScriptEnabled: false, viewport: laptop });
    const p = await plain.newPage();
    await p.goto(`${address}/today`);
    await p.getByLabel('The day begins').fill('tomorrow 7:15');
    await p.getByRole('button', { name: 'Begin then' }).click();
    await p
      .getByText(/The day begins at \w{3} 07:15/)
      .first()
      .waitFor();
    await p.getByRole('button', { name: /^Take it back: The day begins/ }).click();
    expect(await p.getByText(/The day begins at/).count()).toBe(0);
    await plain.close();
  });
});

test('the page calls when a turn is due', async () => {
  const fresh = await browser.newContext({ viewport: laptop });
  const p = await fresh.newPage();
  await p.clock.install();
  await open(p, '/today');
  const ahead = (await (await fetch(`${address}/today/next`)).json()) as {
    serverNow: number;
    calls: { startMs: number; title: string }[];
  };
  const later = ahead.calls.find((c) => c.startMs > ahead.serverNow + 120_000);
  if (!later) throw new Error('a turn is still to come');
  const status = p.getByRole('status').filter({ hasText: later.title });
  expect(await status.count()).toBe(0);
  await p.clock.fastForward(later.startMs - ahead.serverNow);
  await p.clock.runFor(5_000);
  await status.first().waitFor({ state: 'attached' });
  await fresh.close();
});

describe('as a calendar', () => {
  const uidsOf = (text: string): string[] =>
    new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e).uid);
  test('a file of what is still to do', async () => {
    const file = await fetch(`${address}/today.ics`);
    expect(file.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
    expect(uidsOf(await file.text()).length).toBeGreaterThanOrEqual(5);
  });
  test('a private address is told once, read without a cookie, and withdrawn', async () => {
    await open(page, '/today/calendar');
    await page.getByRole('button', { name: 'Make an address' }).click();
    await page.getByText('Whose calendar: give it a name.').first().waitFor();
    await page.getByLabel('Whose calendar').fill('Kitchen tablet');
    await page.getByRole('button', { name: 'Make an address' }).click();
    const path = await page.locator('[data-feed]').innerText();
    expect(path).toMatch(/^\/calendar\/[\w-]{43}\.ics$/);
    expect(await axeViolations(page)).toEqual([]);
    const feed = await fetch(address + path);
    expect(feed.status).toBe(200);
    const uids = uidsOf(await feed.text());
    expect(new Set(uids).size).toBe(uids.length);
    await open(page, '/today/calendar');
    expect(await page.locator('[data-feed]').count()).toBe(0);
    await page
      .getByText(/read \d/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Withdraw the address of Kitchen tablet' }).click();
    await page.getByText('No program reads the day yet.').waitFor();
    expect((await fetch(address + path)).status).toBe(404);
    expect((await fetch(`${address}/calendar/${'A'.repeat(43)}.ics`)).status).toBe(404);
    expect((await fetch(`${address}/calendar/x.ics`)).status).toBe(404);
  });
  test('nothing was complained of', () => {
    expect(context.pages().length).toBeGreaterThan(0);
    expect(troubles).toEqual([]);
  });
});
