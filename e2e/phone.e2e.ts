/** The phone at the machine: over the home network, encrypted, let in by a code, thrown out again; everybody else gets nothing. */
import { readFileSync } from 'node:fs';
import https from 'node:https';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BrowserContext, Page } from 'playwright-core';
import {
  address,
  axeViolations,
  endVisit,
  freshHousehold,
  laptop,
  launch,
  open,
  overflowsX,
  phone as phoneSize,
  startServer,
  watch,
  type Visit,
} from './support.ts';

interface Certificate {
  cert: string;
  key: string;
  authority: string;
  fingerprint: string;
}
let visit: Visit | undefined;
let page: Page;
let pocket: BrowserContext;
let phone: Page;
let shared = '';
let certificate: Certificate;
const phoneTroubles: string[] = [];

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });
beforeAll(async () => {
  const { ownCertificate } = (await import(path.join(process.cwd(), 'scripts/lib/certificate.mjs'))) as {
    ownCertificate: (folder: string, names: string[]) => Promise<Certificate>;
  };
  certificate = await ownCertificate(path.join(process.cwd(), '.data/share-test'), ['127.0.0.1', os.hostname()]);
  const port = await freePort();
  shared = `https://127.0.0.1:${port}`;
  await freshHousehold();
  await startServer({ NEAT_FOLD_SHARE: JSON.stringify({ ...certificate, port, addresses: [shared] }) });
  const browser = await launch();
  const context = await browser.newContext({ viewport: laptop, reducedMotion: 'reduce' });
  const troubles = watch(context);
  page = await context.newPage();
  visit = { browser, context, page, troubles };
  pocket = await browser.newContext({ viewport: phoneSize, ignoreHTTPSErrors: true, reducedMotion: 'reduce' });
  phoneTroubles.push(...watch(pocket));
  phone = await pocket.newPage();
});
afterAll(() => endVisit(visit));

const ask = (to: string, options: { method?: string; accept?: string } = {}) =>
  pocket.request.fetch(`${shared}${to}`, {
    method: options.method ?? 'GET',
    headers: { accept: options.accept ?? '*/*', origin: shared },
    maxRedirects: 0,
  });
const showCode = async (): Promise<string> => {
  await open(page, '/household/phones');
  await page.getByRole('button', { name: /^(Show a code|A new code)$/ }).click();
  return ((await page.locator('output').textContent()) ?? '').replace(/\s/g, '');
};

describe('before it is let in', () => {
  test('everything on the network gets the page that asks for a code, or nothing', async () => {
    for (const to of ['/', '/basket', '/wardrobe', '/household', '/log']) {
      const answer = await ask(to, { accept: 'text/html' });
      expect([to, answer.status(), answer.headers().location]).toEqual([to, 302, '/pair']);
      expect(await answer.text()).not.toContain('Juna');
    }
    for (const to of [
      '/hamper.json',
      '/wardrobe.data',
      '/household.zip',
      '/log.csv',
      '/today/next',
      '/readyz',
      '/healthz',
      '/_root.data',
    ]) {
      const answer = await ask(to, { accept: 'application/json' });
      expect([to, answer.status(), await answer.text()]).toEqual([to, 403, 'This device was not let in.']);
    }
    for (const to of ['/basket', '/households', '/begin'])
      expect([to, (await ask(to, { method: 'POST' })).status()]).toEqual([to, 403]);
    // Meters and calendars show a secret of their own.
    expect((await ask('/devices/v1/readings', { method: 'POST' })).status()).toBe(401);
    expect((await ask(`/calendar/${'x'.repeat(43)}.ics`)).status()).toBe(404);
    await phone.goto(shared);
    await phone.waitForSelector('[data-hydrated="true"]');
    await phone.getByRole('heading', { name: 'Let this device in' }).waitFor();
    expect(await phone.content()).not.toMatch(/Juna|bakery/);
    expect(await axeViolations(phone)).toEqual([]);
    expect(await overflowsX(phone)).toBe(false);
  });
  test('the line is encrypted by the household’s own authority, and by nothing less', async () => {
    const asked = (options: https.RequestOptions): Promise<string> =>
      new Promise((resolve) => {
        https
          .get(`${shared}/pair`, options, (r) => {
            r.resume();
            resolve(String(r.statusCode));
          })
          .on('error', (e) => resolve((e as NodeJS.ErrnoException).code ?? e.message));
      });
    expect(await asked({ ca: readFileSync(certificate.authority) })).toBe('200');
    expect(await asked({})).toMatch(/SELF_SIGNED|UNABLE_TO/);
    expect(await asked({ ca: readFileSync(certificate.authority), maxVersion: 'TLSv1.1' })).not.toBe('200');
    expect(await fetch(shared.replace('https', 'http')).catch(() => 'nothing')).toBe('nothing');
  });
});

describe('let in', () => {
  test('a wrong code is told and lets nobody in; the right one does, once', async () => {
    const code = await showCode();
    expect(code).toMatch(/^\d{8}$/);
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('img', { name: /^Picture of the address/ }).waitFor();
    await phone.goto(`${shared}/pair`);
    await phone.waitForSelector('[data-hydrated="true"]');
    await phone.getByLabel('Code').fill(code === '00000000' ? '00000001' : '00000000');
    await phone.getByLabel('What this device is called').fill('Phone on the machine');
    await phone.getByRole('button', { name: 'Let it in' }).click();
    await phone.getByText('Code: this one is not good').first().waitFor();
    expect(await phone.getByLabel('What this device is called').inputValue()).toBe('Phone on the machine');
    // The picture brings the code along.
    await phone.goto(`${shared}/pair?code=${code}`);
    await phone.waitForSelector('[data-hydrated="true"]');
    await phone.getByLabel('What this device is called').fill('Phone on the machine');
    await phone.getByRole('button', { name: 'Let it in' }).click();
    await phone.waitForURL('**/wash');
    const cookie = (await pocket.cookies()).find((c) => c.name === '__Host-pocket');
    expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Lax', path: '/' });
    const second = await visit!.browser.newContext({ ignoreHTTPSErrors: true });
    const late = await second.request.post(`${shared}/pair`, {
      form: { 'form-key': '00000000-0000-4000-8000-000000000000', code, name: 'Another' },
      headers: { origin: shared },
      maxRedirects: 0,
    });
    expect(late.status()).toBe(403);
    await second.close();
  });
  test('it washes: a ticket is ticked there and seen on the laptop', async () => {
    await phone.goto(`${shared}/wash`);
    await phone.waitForSelector('[data-hydrated="true"]');
    expect(await overflowsX(phone)).toBe(false);
    expect((await ask('/wardrobe')).status()).toBe(200);
    const stored = await pocket.request.post(`${shared}/pieces/juna-jeans`, {
      form: { 'form-key': crypto.randomUUID(), intent: 'note', note: 'seen at the machine' },
      headers: { origin: shared },
      maxRedirects: 0,
    });
    expect(stored.status()).toBe(302);
    await open(page, '/pieces/juna-jeans');
    await page.getByText('seen at the machine').first().waitFor();
  });
  test('it is no owner: no other household, no new one, nobody let in, nothing deleted', async () => {
    for (const to of ['/begin', '/welcome', '/households', '/household/phones', '/transfer/archive'])
      expect([to, (await ask(to)).status()]).toEqual([to, 403]);
    const other = 'aaaaaaaa-0000-4000-8000-000000000000';
    await pocket.addCookies([
      { name: 'household', value: Buffer.from(JSON.stringify(other)).toString('base64'), url: shared },
    ]);
    expect(await (await ask('/wardrobe')).text()).toContain('Juna');
    expect((await ask('/household/certificate.crt')).status()).toBe(200);
  });
  test('it is listed, and thrown out it gets nothing in the same moment', async () => {
    await open(page, '/household/phones');
    await page.getByText('Phone on the machine', { exact: true }).waitFor();
    await page.getByRole('button', { name: 'Throw out Phone on the machine' }).click();
    await page.getByText('No phone yet').waitFor();
    expect((await ask('/hamper.json', { accept: 'application/json' })).status()).toBe(403);
    await phone.goto(`${shared}/wash`);
    await phone.getByRole('heading', { name: 'Let this device in' }).waitFor();
    expect(visit!.troubles).toEqual([]);
    expect(phoneTroubles).toEqual([]);
  });
  test('the laptop itself is as it was, and tells how to share when it does not', async () => {
    expect((await fetch(`${address}/basket`)).status).toBe(200);
    await open(page, '/household');
    await page
      .getByRole('link', { name: /Phones/ })
      .first()
      .waitFor();
  });
});
