/** At the machine, at the tub, and the last look: on the phone, with a device, without a network, and with everything that may go wrong. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { runCurve } from '@stand-ins/run-curve.ts';
import {
  address,
  axeViolations,
  beginVisit,
  endVisit,
  open,
  overflowsX,
  phone,
  sendForm,
  watch,
  type Visit,
} from './support.ts';

let visit: Visit | undefined;
let browser: Browser;
let hand: BrowserContext;
let page: Page;
let troubles: string[];
const stopped: ChildProcess[] = [];
/** The load that the last device test left in its drum. */
let lastTicket = '';

interface PlanView {
  loads: {
    id: string;
    method: string;
    washer: string | null;
    garments: string[];
    spinRpm: number;
    durationMin: number;
    procedure: { step: string }[];
  }[];
}
const planNow = async (): Promise<PlanView> => (await (await fetch(`${address}/plan.json`)).json()) as PlanView;
const textOf = async (to: string): Promise<string> => (await fetch(address + to)).text();
/** The ticket of the load of this number in the newest plan. */
async function ticketOf(number: number): Promise<string> {
  const html = await textOf(`/sort?load=${number + 1}`);
  return /href="(\/loads\/[0-9a-f-]+)"[^>]*>Open its ticket/.exec(html)?.[1] ?? '';
}
async function sorted(which: (l: PlanView['loads'][number]) => boolean): Promise<string> {
  await sendForm('/sort', { intent: 'sort' });
  const number = (await planNow()).loads.findIndex(which);
  expect(number).toBeGreaterThanOrEqual(0);
  return ticketOf(number);
}
const tap = (name: string | RegExp) => page.getByRole('button', { name }).click();
const heading = (name: string | RegExp) => page.getByRole('heading', { name }).first().waitFor();

beforeAll(async () => {
  visit = await beginVisit();
  ({ browser } = visit);
  hand = await browser.newContext({ viewport: phone, reducedMotion: 'reduce', hasTouch: true });
  troubles = watch(hand);
  page = await hand.newPage();
  // Wool and what its label asks for is washed by hand in this house.
  await open(page, '/household');
  await page.locator('button[name="intent"][value="rules"]').evaluate((button: HTMLButtonElement) => {
    for (const rule of ['wool', 'handLabel'])
      button.form!.querySelector<HTMLInputElement>(`input[name="${rule}"][value="hand"]`)!.checked = true;
    button.click();
  });
  await page.getByText('The next sorting follows these rules.').waitFor();
});
afterAll(async () => {
  for (const child of stopped) child.kill('SIGTERM');
  await endVisit(visit);
});

describe('by hand, on the phone', () => {
  let ticket = '';
  test('the ticket begins a walk; its first step says litres, and shows them in the tub', async () => {
    ticket = await sorted((l) => l.method === 'hand' && l.procedure.some((s) => s.step === 'soak'));
    await open(page, ticket);
    await tap('Begin, step by step');
    await heading('Fill');
    expect(await page.getByText(/Run [\d.]+ l hot and [\d.]+ l cold water into/).count()).toBe(1);
    expect(await page.getByRole('img', { name: /^Water: \d+ litres, \d+ cm high$/ }).count()).toBe(1);
    expect(await axeViolations(page)).toEqual([]);
    expect(await overflowsX(page)).toBe(false);
  });
  test('a slip of the finger goes back; a clock is not over before its time', async () => {
    await tap('It is filled');
    await heading('Dissolve');
    await tap('One step back');
    await heading('Fill');
    await tap('It is filled');
    await heading('Dissolve');
    await tap('Dissolved');
    await heading('Put in');
    await tap('They are in');
    await heading('Soak');
    await tap(/^Start the clock/);
    await page.getByRole('timer').waitFor();
    await tap('Time is over: go on');
    await page.getByText(/Its clock has \d+ minutes? left/).waitFor();
    await heading('Soak');
  });
  test('a second device shows the same step and the same clock', async () => {
    const other = await (await browser.newContext({ viewport: phone })).newPage();
    await open(other, `${ticket}/hand`);
    await other.getByRole('timer').waitFor();
    await other.getByRole('heading', { name: 'Soak' }).waitFor();
    await other.context().close();
  });
  test('without a network in the middle of the soak: it reloads, goes on, and tells the server afterwards', async () => {
    // The service worker keeps the page once it is in charge of it.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await page.waitForSelector('[data-hydrated="true"]');
    await page.waitForFunction(async () => {
      const cache = await caches.open('neat-fold-pages-1');
      return (await cache.keys()).some((r) => r.url.endsWith('/hand'));
    });
    await hand.setOffline(true);
    await page.reload();
    await page.waitForSelector('[data-hydrated="true"]');
    await page.getByRole('timer').waitFor();
    const left = await page.getByRole('timer').innerText();
    expect(left).toMatch(/\d+:\d\d/);
    await tap('Out early');
    await heading('Move');
    await tap('Done');
    await heading('Drain');
    await page.getByText(/No network: 2 taps wait/).waitFor();
    await page.reload();
    await page.waitForSelector('[data-hydrated="true"]');
    await heading('Drain');
    await hand.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await page.getByText(/No network: /).waitFor({ state: 'detached' });
    const { progress } = (await (await fetch(`${address}${ticket}/walk`)).json()) as {
      progress: { at: number; seen: number };
    };
    expect(progress.seen).toBeGreaterThanOrEqual(8);
  });
  test('what was tapped without a network is refused when another device went on, and that is told', async () => {
    await hand.setOffline(true);
    await tap('It is out');
    await heading('Rinse');
    const { progress } = (await (await fetch(`${address}${ticket}/walk`)).json()) as { progress: { seen: number } };
    const elsewhere = await sendForm(
      `${ticket}/walk`,
      { seen: String(progress.seen), did: 'done', at: String(Date.now()) },
      ticket,
    );
    expect(elsewhere.status).toBe(200);
    await hand.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await page.getByText('It went on on another screen', { exact: false }).waitFor();
    await heading('Rinse');
  });
  test('to its end: rinsed until clear, rolled, out, looked at', async () => {
    for (let k = 0; k < 8 && (await page.getByRole('button', { name: 'Clear', exact: true }).count()) === 0; k++)
      await tap('Rinsed');
    await tap('Not yet: once more');
    await page.getByText('once more (1 of 3)', { exact: false }).waitFor();
    await tap('Clear');
    await heading('Press');
    await tap('Pressed');
    await heading(/Towel roll|Spin alone/);
    for (let k = 0; k < 4 && (await page.getByRole('heading', { name: 'Out of the water' }).count()) === 0; k++) {
      await tap('Leave it out');
      await page.waitForTimeout(150);
    }
    await heading('Out of the water');
    await tap('It is out: look at it');
    await heading('Look at it now');
    expect(await axeViolations(page)).toEqual([]);
    expect(await overflowsX(page)).toBe(false);
    await tap('Everything else is as it should be');
    await page.getByText('Residue: Free').waitFor();
    await open(page, '/wash');
    await page.getByRole('heading', { name: 'Wet' }).waitFor();
  });
  test('a step that is none, and one of an older screen, are refused in words', async () => {
    const odd = await sendForm(`${ticket}/walk`, { seen: '0', did: 'wring', at: '1' }, ticket);
    expect(odd.status).toBe(422);
    const old = await sendForm(`${ticket}/walk`, { seen: '0', did: 'done', at: '1' }, ticket);
    expect([old.status, ((await old.json()) as { message: string }).message]).toEqual([
      409,
      'It does not run any more: it was taken out or put back on another screen.',
    ]);
  });
});

describe('at the machine', () => {
  let ticket = '';
  let token = '';
  const readings = (list: object[], withToken = token) =>
    fetch(`${address}/devices/v1/readings`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${withToken}` },
      body: JSON.stringify({ format: 'neat-fold/readings', version: 1, readings: list }),
    });
  test('a device is let in; its token is shown once', async () => {
    await open(page, '/household/devices');
    await tap('Let it in');
    await page.getByText('Name: give the device a name.').waitFor();
    await page.getByLabel('Name', { exact: true }).fill('Plug in the kitchen');
    await page.getByLabel('What it is').selectOption('meter');
    await tap('Let it in');
    token = await page.locator('code').innerText();
    expect(token).toMatch(/^[\w-]{32}$/);
    expect(await axeViolations(page)).toEqual([]);
    await open(page, '/household/devices');
    expect(await page.locator('code').count()).toBe(0);
    await page.getByText('Not heard of yet.', { exact: false }).waitFor();
  });
  test('what a device says is checked field by field; a wrong token says nothing to anybody', async () => {
    const good = { at: new Date().toISOString(), counterS: 1, watts: 3 };
    expect((await readings([good])).status).toBe(200);
    expect((await readings([good], 'x'.repeat(32))).status).toBe(401);
    for (const [bad, problem] of [
      [{ ...good, watts: -1 }, 'readings.0.watts'],
      [{ ...good, at: 'noon' }, 'readings.0.at'],
      [{ ...good, phase: 'dancing' }, 'readings.0.phase'],
    ] as const) {
      const answer = await readings([bad]);
      expect(answer.status).toBe(422);
      expect(((await answer.json()) as { problem: string }).problem).toContain(problem);
    }
    const text = await fetch(`${address}/devices/v1/readings`, {
      method: 'POST',
      body: 'x',
      headers: { Authorization: `Bearer ${token}` },
    });
    expect(text.status).toBe(422);
    const broken = await fetch(`${address}/devices/v1/readings`, {
      method: 'POST',
      body: '{',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${token}` },
    });
    expect(broken.status).toBe(400);
    expect(await broken.text()).not.toMatch(/node_modules|SyntaxError/);
  });
  test('the ticket fits one page of every usual paper', async () => {
    ticket = await sorted((l) => l.method === 'machine' && l.garments.length >= 4 && l.spinRpm > 0);
    await open(page, ticket);
    for (const format of ['A5', 'A4', 'Letter']) {
      const pdf = (await page.pdf({ format })).toString('latin1');
      expect({ format, pages: (pdf.match(/\/Type\s*\/Page[^s]/g) ?? []).length }).toEqual({ format, pages: 1 });
    }
    await heading('Before the door closes');
    await heading('What goes in');
    expect(await page.getByText(/there, enough for \d+ wash/).count()).toBeGreaterThan(0);
  });
  test('the panel, an error, the door: each has its way on', async () => {
    await tap('Start the load');
    await page.getByRole('timer').waitFor();
    await page.getByText('Something is different').click();
    await page.getByLabel('The panel says, minutes left').fill('soon');
    await tap('Set the clock');
    await page.getByText('Minutes left: a number from 1 to 360, as the panel shows it.').waitFor();
    await page
      .getByText('Something is different')
      .click()
      .catch(() => undefined);
    await sendForm(ticket, { intent: 'left', left: '33' });
    await open(page, ticket);
    await page.getByText(/^3[23]:\d\d/).waitFor();
    await sendForm(ticket, { intent: 'trouble', what: 'error' });
    await open(page, ticket);
    await page.getByText('Is the tap open', { exact: false }).waitFor();
    expect(await page.getByText('call a qualified technician', { exact: false }).count()).toBe(1);
    expect(await axeViolations(page)).toEqual([]);
    await page.getByLabel('It runs on: minutes left').fill('40');
    await tap('It runs on');
    await page.getByRole('timer').waitFor();
    await sendForm(ticket, { intent: 'trouble', what: 'opened' });
    await open(page, ticket);
    await page.getByText('Close it until it latches', { exact: false }).waitFor();
    await tap('Run it again');
    await page.getByRole('button', { name: 'Start the load' }).waitFor();
  });
  test('something forgotten joins only what bears it', async () => {
    await sendForm(ticket, { intent: 'start' });
    await open(page, ticket);
    const { loads } = await planNow();
    const own = loads.find((l) => l.method === 'machine' && l.garments.length >= 4 && l.spinRpm > 0)!;
    const wool = loads.find((l) => l.method === 'hand')!.garments[0]!;
    const refused = await sendForm(ticket, { intent: 'join', piece: wool });
    expect(refused.status).toBe(409);
    expect(await refused.text()).toContain('Better not');
    const nowhere = await sendForm(ticket, { intent: 'join', piece: 'no-such-piece' });
    expect(nowhere.status).toBe(409);
    const already = await sendForm(ticket, { intent: 'join', piece: own.garments[0]! });
    expect(already.status).toBe(302);
  });
  test('a machine run to its end by its meter: found, noted once, measured', async () => {
    const { loads } = await planNow();
    const own = loads.find((l) => l.method === 'machine' && l.garments.length >= 4 && l.spinRpm > 0)!;
    const curve = runCurve(
      { minutes: own.durationMin, temperatureC: 30, spinRpm: own.spinRpm, massKg: 2 },
      5,
      'none',
      10,
    );
    const began = Date.now();
    const list = curve.samples.map((s) => ({ at: new Date(began + s.s).toISOString(), counterS: s.s, watts: s.watts }));
    const half = Math.floor(list.length / 3);
    for (let k = 0; k < half; k += 400)
      expect((await readings(list.slice(k, Math.min(half, k + 400)))).status).toBe(200);
    await open(page, ticket);
    await page.getByText(/^Plug in the kitchen: (washing|heating|a pause|spinning), \d\.\d\d kWh/).waitFor();
    for (let k = half; k < list.length; k += 400) await readings(list.slice(k, k + 400));
    await open(page, ticket);
    await page
      .getByText(/Ended at \d\d:\d\d/)
      .first()
      .waitFor();
    expect((await sendForm(ticket, { intent: 'ended' })).status).toBe(409);
  });
  test('each bad finding has its remedy', async () => {
    await open(page, ticket);
    await tap('It is out: look at it');
    await heading('Look at it now');
    for (let left = await page.getByRole('button', { name: 'Still there' }).count(); left > 0; left--) {
      await page.getByRole('button', { name: 'Still there' }).first().click();
      await page.getByText('It is back in the basket for the stain bench', { exact: false }).first().waitFor();
    }
    await page.getByText('Not all: which?').click();
    const card = page.getByRole('region', { name: 'Clean' });
    await card.getByRole('button', { name: 'Not all: these' }).click();
    await page.getByText('Choose the pieces it is about.').waitFor();
    if (!(await card.getByRole('checkbox').first().isVisible())) await page.getByText('Not all: which?').click();
    await card.getByRole('checkbox').first().check();
    await card.getByRole('button', { name: 'Not all: these' }).click();
    await page.getByText('Wash it again now, before it dries', { exact: false }).waitFor();
    await tap('Something is left');
    await page.getByText('The next dose of this product is smaller.', { exact: false }).waitFor();
    const dye = page.getByRole('region', { name: 'Colour of the others' });
    await dye.getByText('Yes: which?').click();
    await dye.getByRole('checkbox').nth(1).check();
    await dye.getByRole('button', { name: 'Yes: these' }).click();
    const rescue = page.getByRole('link', { name: 'Step by step, with these pieces' });
    await rescue.waitFor();
    expect(new URL((await rescue.getAttribute('href'))!, address).searchParams.getAll('piece')).toHaveLength(1);
    await tap(/^Wash it again now/);
    await page.getByText('Washed again, before it dries', { exact: false }).waitFor();
    await tap('Everything else is as it should be');
    await page.getByText('Damage: All sound').waitFor();
    expect(await axeViolations(page)).toEqual([]);
    // The load that is washed again is a load of its own: the plan of the day is still the newest, and both can start.
    await page
      .locator('a[href^="/loads/"]')
      .filter({ hasText: /alone|by hand|\d/ })
      .first()
      .click();
    await page.getByRole('button', { name: /Start the load|Begin, step by step/ }).waitFor();
    const again = new URL(page.url()).pathname;
    expect(again).not.toBe(ticket);
    expect((await sendForm(again, { intent: 'start' })).status).toBe(302);
    expect((await sendForm(again, { intent: 'not-wanted' })).status).toBe(409);
    // One drum holds one load.
    const next = await sorted((l) => l.method === 'machine' && l.garments.length >= 2);
    const busy = await sendForm(next, { intent: 'start' });
    expect([busy.status, (await busy.text()).includes('Something is in that machine already')]).toEqual([409, true]);
    await sendForm(again, { intent: 'out' });
  });
  test('the next plan knows the smaller dose', async () => {
    const hamper = (await (await fetch(`${address}/hamper.json`)).json()) as {
      household: { products: { id: string; dose: { table: { medium: { normal: number } } | null } | null }[] };
    };
    const written = (await (await fetch(`${address}/household.json`)).json()) as typeof hamper;
    const normal = (h: typeof hamper, id: string) =>
      h.household.products.find((p) => p.id === id)?.dose?.table?.medium.normal ?? 0;
    const changed = written.household.products.filter((p) => normal(hamper, p.id) < normal(written, p.id));
    expect(changed.length).toBe(1);
  });
});

test('the stand-in of a machine and its plug speaks to the application by itself', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'stand-in-'));
  const tokens: Record<string, string> = {};
  for (const kind of ['meter', 'washer']) {
    await open(page, '/household/devices');
    await page.getByLabel('Name', { exact: true }).fill(`Stand-in ${kind}`);
    await page.getByLabel('What it is').selectOption(kind);
    await tap('Let it in');
    tokens[kind] = await page.locator('code').innerText();
  }
  const file = path.join(folder, 'tokens.json');
  writeFileSync(file, JSON.stringify(tokens));
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', 'stand-ins/devices.ts', '--app', address, '--tokens', file],
    {
      env: { ...process.env, NODE_OPTIONS: '' },
      stdio: ['ignore', 'pipe', 'ignore'],
    },
  );
  stopped.push(child);
  const control = await new Promise<string>((resolve) =>
    child.stdout.on('data', (d) => {
      const m = /http:\S+/.exec(String(d));
      if (m) resolve(m[0]);
    }),
  );
  const bad = await fetch(`${control}/start`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: '{"minutes": 1}',
  });
  expect([bad.status, await bad.text()]).toEqual([422, expect.stringContaining('minutes')]);
  const ticket = await sorted((l) => l.washer === 'kitchen' && l.garments.length >= 2);
  lastTicket = ticket;
  await sendForm(ticket, { intent: 'start' });
  await fetch(`${control}/start`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ minutes: 40, temperatureC: 30, massKg: 1, speed: 1200, speaks: 'washer' }),
    redirect: 'manual',
  });
  const until = Date.now() + 40_000;
  while (!/Ended at/.test(await textOf(ticket))) {
    expect(Date.now()).toBeLessThan(until);
    await page.waitForTimeout(500);
  }
});

test('care of the machines: due, run empty with its clock, over', async () => {
  await open(page, '/upkeep');
  expect(await axeViolations(page)).toEqual([]);
  await tap('Door seal is done');
  await page.getByText('0 runs since, due every 10', { exact: false }).waitFor();
  expect((await sendForm('/upkeep', { intent: 'run', machine: 'kitchen', task: 'seal' })).status).toBe(422);
  expect((await sendForm('/upkeep', { intent: 'done', machine: 'nowhere', task: 'seal' })).status).toBe(422);
  // The last load has ended and lies in the drum: first it comes out.
  const run = async () => (await sendForm('/upkeep', { intent: 'run', machine: 'kitchen', task: 'hot-run' })).status;
  expect(await run()).toBe(409);
  expect((await sendForm(lastTicket, { intent: 'out' })).status).toBe(302);
  expect(await run()).toBe(302);
  expect(await run()).toBe(409);
  await open(page, '/wash');
  await page.getByRole('timer').first().waitFor();
});
test('no console error on the way', () =>
  expect(troubles.filter((t) => !/ERR_INTERNET_DISCONNECTED|Failed to fetch/.test(t))).toEqual([]));
