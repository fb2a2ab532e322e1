/** A hosted service: accounts, invitations and roles, and the walls between households, tried by attack. */
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { RouteConfigEntry } from '@react-router/dev/routes';
import pg from 'pg';
import type { APIResponse, Browser, BrowserContext, Page } from 'playwright-core';
import routes from '../app/routes.ts';
import {
  address,
  axeViolations,
  freshDatabase,
  laptop,
  launch,
  open as openAt,
  overflowsX,
  ownerUrl,
  phone,
  startServer,
  stopServer,
  watch,
} from './support.ts';

/** A household as somebody begins one. */
const beginFields = {
  machine: 'front',
  drumKg: '7',
  pricePerRun: '',
  dryer: 'none',
  basin: 'sink',
  place: 'rack',
  water: 'unknown',
  hardness: '',
  hardnessUnit: 'dH',
  strip: '2',
  waterPlace: '',
  products: 'universal-powder',
  timeZone: 'UTC',
  children: 'no',
  text: '',
};
interface MailStandIn {
  child: { kill: (signal: string) => void };
  smtp: string;
  address: string;
}
interface Letter {
  to: string[];
  subject: string;
  text: string;
}
// Passkeys are bound to a name, and numbers are none.
const here = address.replace('127.0.0.1', 'localhost');
const passwords = {
  juna: 'seven loaves on the quay',
  ren: 'a bicycle under the stairs',
  bo: 'the fiddle plays at nine',
};

let mail: MailStandIn;
let browser: Browser;
const troubles: string[][] = [];

async function somebody(): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ viewport: laptop });
  troubles.push(watch(context));
  return { context, page: await context.newPage() };
}
const open = (page: Page, to: string): Promise<void> => openAt(page, to, here);
const letters = async (): Promise<Letter[]> => (await (await fetch(`${mail.address}/letters.json`)).json()) as Letter[];
/** The link in the newest letter to somebody, waited for. */
async function linkFor(to: string, subject: string): Promise<string> {
  for (let k = 0; k < 80; k++) {
    const found = (await letters()).find((l) => l.to.includes(to) && l.subject === subject);
    if (found) return /http\S+/.exec(found.text)?.[0] ?? '';
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error(`no letter "${subject}" came to ${to}`);
}
/** Post a form as a page of ours would. */
const post = (page: Page, to: string, fields: Record<string, string>): Promise<APIResponse> =>
  page.request.post(`${here}${to}`, {
    form: { 'form-key': randomUUID(), ...fields },
    headers: { origin: here },
    maxRedirects: 0,
  });
const get = (page: Page, to: string): Promise<APIResponse> => page.request.get(`${here}${to}`, { maxRedirects: 0 });

async function signUp(page: Page, name: string, password: string): Promise<void> {
  const email = `${name}@quay.example`;
  await open(page, '/account/sign-up');
  await page.getByLabel('What others of your household call you').fill(name);
  await page.getByLabel('Mail address').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await page.getByText('A letter is on its way').waitFor();
  await page.goto(await linkFor(email, 'Confirm your address'));
  await page.waitForSelector('[data-hydrated="true"]');
  await page.getByRole('button', { name: 'Yes, it is mine' }).click();
  await page.getByText('Your address is confirmed').waitFor();
}
async function signIn(page: Page, name: string, password: string): Promise<void> {
  await open(page, '/account/sign-in');
  await page.getByLabel('Mail address').fill(`${name}@quay.example`);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}
async function asOwner<T extends pg.QueryResultRow>(query: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    return (await client.query<T>(query, values)).rows;
  } finally {
    await client.end();
  }
}
/** Everything of a household, as one text a table. */
async function everythingOf(household: string): Promise<Record<string, string | null>> {
  const tables = await asOwner<{ name: string }>(
    `select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'household_id' order by 1`,
  );
  const out: Record<string, string | null> = {};
  for (const { name } of tables) {
    const [row] = await asOwner<{ all: string | null }>(
      `select md5(string_agg(t::text, '|' order by t::text)) as all from ${name} t where household_id = $1`,
      [household],
    );
    out[name] = row?.all ?? null;
  }
  return out;
}

let juna: { context: BrowserContext; page: Page };
let ren: { context: BrowserContext; page: Page };
let bo: { context: BrowserContext; page: Page };
let mallory: { context: BrowserContext; page: Page };
let household = '';
beforeAll(async () => {
  await freshDatabase('hosted');
  const setup = (await import(path.join(process.cwd(), 'scripts/lib/setup.mjs'))) as {
    startMailStandIn: (o: object) => Promise<MailStandIn>;
  };
  mail = await setup.startMailStandIn({});
  await startServer({
    NEAT_FOLD_MODE: 'hosted',
    NEAT_FOLD_ORIGIN: here,
    NEAT_FOLD_SECRET: randomUUID() + randomUUID(),
    NEAT_FOLD_SMTP: mail.smtp,
    NEAT_FOLD_TRIES_PER_MINUTE: '1000',
    // The attacks send more than people do.
    NEAT_FOLD_FORMS_PER_MINUTE: '1000000',
    NEAT_FOLD_PAGES_PER_MINUTE: '1000000',
  });
  browser = await launch();
  [juna, ren, bo, mallory] = [await somebody(), await somebody(), await somebody(), await somebody()];
});
afterAll(async () => {
  await browser?.close();
  await stopServer();
  mail?.child.kill('SIGTERM');
  await freshDatabase('home');
});

describe('from the door to the first plan', () => {
  test('a common password, a short one and no address are refused by the name of the field', async () => {
    const { page } = juna;
    await open(page, '/account/sign-up');
    expect(await axeViolations(page)).toEqual([]);
    const refused = async (fields: Record<string, string>): Promise<string> => {
      const answer = await post(page, '/account/sign-up', { name: 'x', email: 'x@quay.example', ...fields });
      expect(answer.status()).toBe(422);
      return answer.text();
    };
    expect(await refused({ password: 'short words' })).toContain('Password: at least 12 characters');
    expect(await refused({ password: 'password1234' })).toContain('Password: this one is among the first');
    const odd = await refused({ password: passwords.juna, email: 'nowhere' });
    expect(odd).toContain('Mail address: is not complete');
    expect(odd).not.toContain(passwords.juna);
    expect(await letters()).toEqual([]);
  });
  test('sign up, a letter, sign in, a household, a plan', async () => {
    const { page, context } = juna;
    await signUp(page, 'juna', passwords.juna);
    await signIn(page, 'juna', passwords.juna);
    await page.waitForURL('**/welcome');
    const cookie = (await context.cookies()).find((c) => c.name.endsWith('session_token'));
    expect(cookie).toMatchObject({
      name: '__Secure-neat-fold.session_token',
      httpOnly: true,
      secure: true,
      sameSite: 'Lax',
    });
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('link', { name: 'Set up a household' }).click();
    await page.getByLabel('Name of the household').fill('Above the bakery');
    await page
      .getByLabel('One piece a line, as you would say it')
      .fill('five white T-shirts\nnavy merino jumper, hand wash\njeans');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await page.getByRole('heading', { name: 'Is this right?' }).waitFor();
    await page.getByRole('button', { name: /^Keep/ }).first().click();
    await page.waitForURL('**/basket');
    await page.getByRole('button', { name: /^Sort/ }).first().click();
    await page.waitForURL('**/sort*');
    await page.locator('a[href^="/loads/"]').first().waitFor();
    const [row] = await asOwner<{ id: string }>(
      `select household_id as id from household where name = 'Above the bakery'`,
    );
    household = row?.id ?? '';
    expect((await asOwner(`select 1 from load where household_id = $1`, [household])).length).toBeGreaterThan(0);
    expect((await asOwner(`select 1 from accounts.trail where what = 'signed-in'`)).length).toBe(1);
  });
  test('a known address gets a letter, and the page says the same as for a new one', async () => {
    const { page } = mallory;
    const say = async (email: string): Promise<string> => {
      const answer = await post(page, '/account/sign-up', {
        name: 'Mal',
        email,
        password: 'a lantern in the fog bank',
      });
      return /A letter is on its way to [^<]*/.exec(await answer.text())?.[0].replaceAll(email, '…') ?? '';
    };
    const fresh = await say('nobody-yet@quay.example');
    expect(fresh).toContain('A letter is on its way');
    expect(await say('juna@quay.example')).toBe(fresh);
    expect(await linkFor('juna@quay.example', 'You have an account already')).toContain('/account/sign-in');
  });
  test('wrong words and unknown addresses are told alike; the fifth closes the door, also to the right password', async () => {
    const { page } = mallory;
    const tries = async (email: string, password: string) => {
      const answer = await post(page, '/account/sign-in', { email, password });
      return { status: answer.status(), said: /do not belong together|Too many tries/.exec(await answer.text())?.[0] };
    };
    const refused = { status: 422, said: 'do not belong together' };
    for (let k = 0; k < 5; k++)
      expect(await tries('nobody-home@quay.example', 'wrong words entirely')).toEqual(refused);
    expect(await tries('nobody-home@quay.example', 'wrong words entirely')).toEqual({
      status: 429,
      said: 'Too many tries',
    });
    for (let k = 0; k < 5; k++) expect(await tries('juna@quay.example', 'wrong words entirely')).toEqual(refused);
    expect(await tries('juna@quay.example', passwords.juna)).toEqual({ status: 429, said: 'Too many tries' });
    // Whoever is in stays in; a quarter of an hour later the door opens.
    expect((await get(juna.page, '/basket')).status()).toBe(200);
    await asOwner(`update accounts.failed_sign_in set closed_until = now()`);
    expect(
      (await post(page, '/account/sign-in', { email: 'juna@quay.example', password: passwords.juna })).status(),
    ).toBe(302);
    await mallory.context.clearCookies();
  });
  test('a forgotten password: one link, once; every other place is signed off', async () => {
    const { page } = juna;
    const other = await somebody();
    await signIn(other.page, 'juna', passwords.juna);
    await other.page.waitForURL(/basket|today/);
    expect((await post(other.page, '/account/forgot', { email: 'juna@quay.example' })).status()).toBe(200);
    const link = await linkFor('juna@quay.example', 'A new password');
    passwords.juna = 'eight loaves on the quay';
    await other.page.goto(link);
    await other.page.waitForSelector('[data-hydrated="true"]');
    await other.page.getByLabel('New password').fill(passwords.juna);
    await other.page.getByRole('button', { name: 'Take this one' }).click();
    await other.page.getByText('The new password holds').waitFor();
    expect((await get(page, '/basket')).headers().location).toContain('/account/sign-in');
    const again = await post(page, new URL(link).pathname + new URL(link).search, {
      password: 'nine loaves on the quay',
    });
    expect(again.status()).toBe(410);
    await signIn(page, 'juna', passwords.juna);
    await page.waitForURL(/basket|today/);
    await other.context.close();
  });
});

describe('people', () => {
  const invite = async (name: string, role: string): Promise<string> => {
    const { page } = juna;
    await open(page, '/household/people');
    await page.getByLabel('For whom').fill(name);
    await page.getByLabel('As', { exact: true }).selectOption(role);
    await page.getByRole('button', { name: 'Make a link' }).click();
    return (await page.getByText('/join/').textContent()) ?? '';
  };
  test('an invitation is a link; who opens it makes an account and joins', async () => {
    const link = await invite('Ren', 'member');
    const { page } = ren;
    await page.goto(link);
    await page.getByRole('heading', { name: 'You are invited to a household' }).waitFor();
    // Before they join they are told nothing of it.
    expect(await page.content()).not.toContain('Above the bakery');
    await signUp(page, 'ren', passwords.ren);
    await signIn(page, 'ren', passwords.ren);
    await page.waitForURL('**/welcome');
    await page.goto(link);
    await page.waitForSelector('[data-hydrated="true"]');
    await page.getByRole('button', { name: 'Join as ren' }).click();
    await page.getByText('Above the bakery').first().waitFor();
    expect((await get(mallory.page, new URL(link).pathname)).status()).toBe(200);
    await open(page, '/household/people');
    expect(await page.getByText('juna@quay.example').count()).toBe(0);
    expect(await page.getByRole('button', { name: 'Make a link' }).count()).toBe(0);
    expect(await axeViolations(page)).toEqual([]);
  });
  test('two browsers side by side see one household', async () => {
    expect((await post(ren.page, '/household', { intent: 'nothing' })).status()).toBeLessThan(500);
    await open(ren.page, '/wardrobe');
    await open(juna.page, '/wardrobe');
    for (const { page } of [ren, juna]) await page.getByRole('link', { name: /jeans/i }).first().waitFor();
  });
  test('a helper sees tickets and clocks, on a phone, and nothing else', async () => {
    const link = await invite('Bo', 'helper');
    const { page } = bo;
    await signUp(page, 'bo', passwords.bo);
    await signIn(page, 'bo', passwords.bo);
    await page.waitForURL('**/welcome');
    await page.goto(link);
    await page.waitForSelector('[data-hydrated="true"]');
    await page.getByRole('button', { name: 'Join as bo' }).click();
    await page.waitForURL('**/wash');
    await page.setViewportSize(phone);
    await open(page, '/wash');
    expect(await overflowsX(page)).toBe(false);
    expect(await axeViolations(page)).toEqual([]);
    expect(await page.getByRole('navigation', { name: 'Stages of the work' }).getByRole('link').count()).toBe(1);
    await open(page, '/upkeep');
    await page.getByRole('heading', { name: 'Care of the machines' }).waitFor();
    await open(page, '/wardrobe');
    await page.getByRole('heading', { name: 'This drawer is not yours to open' }).waitFor();
  });
});

describe('the walls, by attack', () => {
  const flat = (list: readonly RouteConfigEntry[]): string[] =>
    list.flatMap((r) => (r.children ? flat(r.children) : [`/${r.path ?? ''}`]));
  /** Every page with the ids of Juna's household in its address. */
  async function addresses(): Promise<string[]> {
    const one = async (table: string, column = 'id'): Promise<string> =>
      (
        await asOwner<{ id: string }>(`select ${column}::text as id from ${table} where household_id = $1 limit 1`, [
          household,
        ])
      )[0]?.id ?? 'none';
    const ids: Record<string, string> = {
      pieceId: await one('garment'),
      loadId: await one('load'),
      planId: await one('plan'),
      washerId: await one('washer'),
      programmeId: await one('programme'),
      productId: await one('product'),
      entryId: await one('event'),
      thingId: await one('equipment'),
      visitId: randomUUID(),
      photoId: randomUUID(),
      token: 'none',
    };
    return flat(routes).map((p) =>
      p.replace(/:(\w+)|\*/g, (_, name: string) => encodeURIComponent(ids[name] ?? 'none')),
    );
  }
  const marks = ['Above the bakery', 'T-shirt', 'merino'];
  beforeAll(async () => {
    await signUp(mallory.page, 'mallory', 'a lantern in the fog bank');
    await signIn(mallory.page, 'mallory', 'a lantern in the fog bank');
    await mallory.page.waitForURL('**/welcome');
    const begun = await post(mallory.page, '/begin', { ...beginFields, name: 'Elsewhere' });
    expect(begun.status()).toBe(302);
    await post(juna.page, '/pieces/juna', { intent: 'note', note: 'nothing' });
  });

  test('nobody is let into a page without an account', async () => {
    const stranger = await somebody();
    for (const to of await addresses()) {
      const answer = await get(stranger.page, to);
      const text = await answer.text();
      for (const mark of marks) expect([to, text.includes(mark)]).toEqual([to, false]);
      if (answer.status() === 302) expect(answer.headers().location).toMatch(/^\/account\/sign-in/);
      else expect([to, answer.status()]).toEqual([to, expect.any(Number)]);
    }
    const before = await everythingOf(household);
    for (const to of await addresses()) expect((await post(stranger.page, to, {})).status()).toBeLessThan(500);
    expect(await everythingOf(household)).toEqual(before);
    await stranger.context.close();
  });
  test('every page and every form with the ids of another household: nothing seen, nothing changed', async () => {
    const before = await everythingOf(household);
    const intents = [
      '',
      'start',
      'finish',
      'note',
      'retire',
      'remove',
      'forget',
      'store',
      'keep',
      'move',
      'stop',
      'undo',
      'hang',
      'dry',
      'strike',
    ];
    for (const to of await addresses()) {
      for (const path of [to, `${to === '/' ? '/_root' : to}.data`]) {
        const answer = await get(mallory.page, path);
        const text = await answer.text();
        expect([path, answer.status() < 500]).toEqual([path, true]);
        for (const mark of ['Above the bakery', household])
          expect([path, mark, text.includes(mark)]).toEqual([path, mark, false]);
      }
      if (to.startsWith('/account') || to === '/households') continue; // of one's own account; tried below
      for (const intent of intents) {
        const answer = await post(mallory.page, to, {
          intent,
          home: household,
          household,
          person: 'x',
          piece: 'x',
          name: 'Above the bakery',
        });
        expect([to, intent, answer.status() < 500]).toEqual([to, intent, true]);
      }
    }
    expect(await everythingOf(household)).toEqual(before);
  });
  test('a device and a calendar open their own household with their secrets, and nothing without', async () => {
    const { page } = ren;
    const made = await post(page, '/household/devices', { name: 'Sensor', kind: 'room', washer: '' });
    const token = /<code[^>]*>([\w-]{32})</.exec(await made.text())?.[1] ?? '';
    const readings = [{ at: new Date().toISOString(), counterS: 1, temperatureC: 20, humidity: 0.5 }];
    const tell = (bearer: string) =>
      fetch(`${here}/devices/v1/readings`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${bearer}` },
        body: JSON.stringify({ format: 'neat-fold/readings', version: 1, readings }),
      });
    expect((await tell(token)).status).toBe(200);
    expect((await tell('x'.repeat(32))).status).toBe(401);
    const samples = await asOwner<{ id: string }>('select household_id as id from device_sample');
    expect(samples).toEqual([{ id: household }]);
    const added = await post(page, '/today/calendar', { intent: 'add', name: 'Phone' });
    const feed = /\/calendar\/[\w-]{43}\.ics/.exec(await added.text())?.[0] ?? '';
    const calendar = await fetch(`${here}${feed}`);
    expect([calendar.status, (await calendar.text()).startsWith('BEGIN:VCALENDAR')]).toEqual([200, true]);
    expect((await fetch(`${here}/calendar/${'x'.repeat(43)}.ics`)).status).toBe(404);
  });
  test('nobody goes into a household by naming it: by switch, by cookie, by founding it anew', async () => {
    const { page, context } = mallory;
    expect((await post(page, '/households', { intent: 'switch', household })).status()).toBe(404);
    expect((await post(page, '/welcome', { household })).status()).toBe(404);
    await context.addCookies([
      { name: 'household', value: Buffer.from(JSON.stringify(household)).toString('base64'), url: here },
    ]);
    expect(await (await get(page, '/wardrobe')).text()).not.toContain('Above the bakery');
    const taken = await post(page, '/begin', { ...beginFields, 'form-key': household, name: 'Mine' });
    expect(taken.status()).toBe(404);
    expect(
      (await asOwner(`select 1 from household where household_id = $1 and name = 'Above the bakery'`, [household]))
        .length,
    ).toBe(1);
  });
  test('a helper tries what an owner and what a member does', async () => {
    const before = await everythingOf(household);
    const people = await asOwner(`select * from accounts.membership where household_id = $1 order by user_id`, [
      household,
    ]);
    for (const to of await addresses()) {
      if (
        /^\/(account|join|begin|welcome|households|transfer\/archive|pair|household\/(phones|certificate))/.test(to) ||
        to === '/'
      )
        continue;
      for (const intent of ['invite', 'transfer', 'start', 'note', 'forget', '']) {
        const answer = await post(bo.page, to, { intent, role: 'owner', person: 'x', name: 'Above the bakery' });
        expect([to, answer.status()]).toEqual([to, 403]);
      }
    }
    expect((await post(bo.page, '/households', { intent: 'forget', name: 'Above the bakery' })).status()).toBe(403);
    expect((await post(ren.page, '/households', { intent: 'forget', name: 'Above the bakery' })).status()).toBe(403);
    expect((await post(ren.page, '/household/people', { intent: 'invite', name: 'Mal', role: 'owner' })).status()).toBe(
      403,
    );
    expect(await everythingOf(household)).toEqual(before);
    expect(
      await asOwner(`select * from accounts.membership where household_id = $1 order by user_id`, [household]),
    ).toEqual(people);
  });
});

describe('an account of one’s own', () => {
  test('a passkey is added and opens the door', async () => {
    const { page, context } = juna;
    const cdp = await context.newCDPSession(page);
    await cdp.send('WebAuthn.enable');
    await cdp.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        protocol: 'ctap2',
        transport: 'internal',
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true,
        automaticPresenceSimulation: true,
      },
    });
    await open(page, '/account');
    expect(await axeViolations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Add a passkey here' }).click();
    await page.getByRole('button', { name: /^Remove juna@quay.example/ }).waitFor();
    await page.getByRole('button', { name: 'Sign off', exact: true }).first().click();
    await page.getByText('You are signed off here').waitFor();
    await page.getByRole('button', { name: 'Use a passkey' }).click();
    await page.waitForURL(/basket|today/);
    await page.getByText('Above the bakery').first().waitFor();
  });
  test('another place is signed off, and a new password wants the old one', async () => {
    const { page } = juna;
    expect(
      (
        await post(page, '/account', {
          intent: 'password',
          current: 'not this one',
          password: 'nine loaves on the quay',
        })
      ).status(),
    ).toBe(422);
    const other = await somebody();
    await signIn(other.page, 'juna', passwords.juna);
    await other.page.waitForURL(/basket|today/);
    await open(page, '/account');
    await page.getByRole('button', { name: 'Sign off everywhere else' }).click();
    await page.getByRole('button', { name: 'Sign off everywhere else' }).waitFor({ state: 'detached' });
    expect((await get(other.page, '/basket')).headers().location).toContain('/account/sign-in');
    expect((await get(page, '/basket')).status()).toBe(200);
    await other.context.close();
  });
  test('hand over, leave, delete with everything', async () => {
    const { page } = juna;
    expect((await post(page, '/household/people', { intent: 'leave' })).status()).toBe(409);
    expect((await post(page, '/account', { intent: 'delete', current: passwords.juna })).status()).toBe(409);
    await open(page, '/household/people');
    await page.getByRole('button', { name: 'Hand over to ren' }).click();
    await page.getByRole('button', { name: 'Make a link' }).waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Leave this household' }).click();
    await page.waitForURL('**/welcome');
    expect((await get(page, '/wardrobe')).headers().location).toBe('/welcome');
    const download = await get(ren.page, '/household.zip');
    expect([download.status(), (await download.body()).length > 500]).toEqual([200, true]);
    await open(ren.page, '/households');
    await ren.page.getByLabel('Type its name to delete it').fill('Above the bakery');
    await ren.page.getByRole('button', { name: 'Delete it for good' }).click();
    await ren.page.waitForURL('**/welcome');
    expect(Object.values(await everythingOf(household)).filter((x) => x !== null)).toEqual([]);
    expect(await asOwner(`select 1 from accounts.membership where household_id = $1`, [household])).toEqual([]);
    expect((await get(bo.page, '/wash')).headers().location).toBe('/welcome');
    await open(page, '/account');
    await page.getByLabel('Password now').last().fill(passwords.juna);
    await page.getByRole('button', { name: 'Delete my account' }).click();
    await page.getByText('Your account is deleted').waitFor();
    expect(await asOwner(`select 1 from accounts."user" where email = 'juna@quay.example'`)).toEqual([]);
    expect(
      (await post(page, '/account/sign-in', { email: 'juna@quay.example', password: passwords.juna })).status(),
    ).toBe(422);
  });
  test('no page complained', () => {
    expect(troubles.flat()).toEqual([]);
  });
});
