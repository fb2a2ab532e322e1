/** Nothing lost, nothing frozen: races, doubled and stale forms, hostile requests, a database that stands still. */
import { readFileSync, readdirSync } from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { RouteConfigEntry } from '@react-router/dev/routes';
import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import routes from '../app/routes.ts';
import {
  address,
  axeViolations,
  beginVisit,
  cluster,
  endVisit,
  open,
  sendForm,
  startServer,
  stopServer,
  type Visit,
} from './support.ts';

let visit: Visit | undefined;
let browser: Browser;
let page: Page;
beforeAll(async () => {
  visit = await beginVisit();
  ({ browser, page } = visit);
});
afterAll(() => endVisit(visit));

const pageText = async (to: string): Promise<string> => (await fetch(address + to)).text();
const hiddenOf = (html: string, name: string): string =>
  new RegExp(`name="${name}" value="([^"]*)"`).exec(html)?.[1] ?? '';
/** Post fields as they are, without opening a page first. */
const post = (to: string, fields: Record<string, string>, headers: Record<string, string> = {}) =>
  fetch(address + to, {
    method: 'POST',
    body: new URLSearchParams(fields),
    headers: { origin: address, ...headers },
    redirect: 'manual',
  });
const count = (text: string, what: RegExp): number => [...text.matchAll(what)].length;
interface HamperView {
  garments: { id: string; soil: string; stains: { id: string }[]; wearsSinceWash: number; washCount: number }[];
  pins?: unknown[];
}
const hamper = async (query = ''): Promise<HamperView> =>
  (await (await fetch(`${address}/hamper.json${query}`)).json()) as HamperView;
const inBasket = async (id: string) => (await hamper()).garments.find((g) => g.id === id);
const mark = { kind: 'tea', age: 'now', heat: 'none', sizeCm: '2' };

describe('two at once', () => {
  test('twenty marks sent together are twenty marks', async () => {
    await sendForm('/basket', { add: 'juna-jeans' });
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        sendForm('/basket/juna-jeans/stain', { ...mark, place: `place ${i}` }, '/pieces/new'),
      ),
    );
    expect(answers.map((a) => a.status)).toEqual(Array(20).fill(302));
    expect((await inBasket('juna-jeans'))!.stains.length).toBe(20);
  });
  test('adding a piece that lies in the basket keeps its marks', async () => {
    expect((await sendForm('/basket', { add: 'juna-jeans' })).status).toBe(302);
    expect((await inBasket('juna-jeans'))!.stains.length).toBe(20);
  });
  test('the same form sent fifty times makes one piece', async () => {
    const key = hiddenOf(await pageText('/pieces/new'), 'form-key');
    const fields = {
      'form-key': key,
      name: 'Doubled scarf',
      kind: 'scarf_fine',
      size: 'M',
      shell: 'wool 100',
      ground: '#334455',
      dye: 'unknown',
      count: '1',
      valueEur: '20',
      then: 'basket',
    };
    const answers = await Promise.all(Array.from({ length: 50 }, () => post('/pieces/new', fields)));
    expect([...new Set(answers.map((a) => `${a.status} ${a.headers.get('location')}`))]).toEqual(['302 /basket']);
    const { garments } = await hamper();
    expect(garments.filter((g) => (g as unknown as { name: string }).name === 'Doubled scarf').length).toBe(1);
    // Another piece from the same page is another piece.
    expect((await post('/pieces/new', { ...fields, name: 'Second scarf' })).status).toBe(302);
    expect(JSON.stringify(await hamper())).toContain('Second scarf');
  });
  test('a form without its key is refused and stores nothing', async () => {
    expect((await post('/basket', { add: 'tovi-silk' })).status).toBe(400);
    expect(await inBasket('tovi-silk')).toBeUndefined();
  });
  test('what somebody else has stored meanwhile is shown, not overwritten; what was typed stays', async () => {
    const html = await pageText('/basket/baker-jacket');
    const from = { 'form-key': hiddenOf(html, 'form-key'), seen: hiddenOf(html, 'seen'), intent: 'keep' };
    expect((await post('/basket/baker-jacket', { ...from, soil: 'heavy', activity: 'sweaty' })).status).toBe(302);
    const late = await post('/basket/baker-jacket', { ...from, soil: 'light', activity: 'normal', odour: 'on' });
    expect(late.status).toBe(409);
    const told = await late.text();
    expect(told).toContain('changed on another screen meanwhile');
    expect(told).toContain('Soil: heavy');
    expect((await inBasket('baker-jacket'))!.soil).toBe('heavy');
    // Sent again from the page that told it, it is stored knowingly.
    const again = await post('/basket/baker-jacket', {
      ...from,
      'form-key': hiddenOf(told, 'form-key'),
      seen: hiddenOf(told, 'seen'),
      soil: 'light',
      activity: 'normal',
    });
    expect(again.status).toBe(302);
    expect((await inBasket('baker-jacket'))!.soil).toBe('light');
  });
  test.each([
    ['/household', { intent: 'rules' }],
    ['/pieces/juna-jeans', { name: 'Jeans of another name' }],
  ] as const)('two tabs on %s: the second is told', async (to, change) => {
    const first = await browser.newPage();
    const second = await browser.newPage();
    await open(first, to);
    await open(second, to);
    const store = async (tab: Page): Promise<void> => {
      if ('name' in change) {
        await tab.getByLabel('Name', { exact: true }).fill(change.name + (tab === second ? ' too' : ''));
        await tab
          .getByRole('button', { name: /^Store|^Keep/ })
          .last()
          .click();
      } else {
        await tab
          .locator('input[type="radio"]:not(:checked)')
          .nth(tab === first ? 0 : 3)
          .check({ force: true });
        await tab.getByRole('button', { name: 'Store the rules' }).click();
      }
    };
    await store(first);
    await first
      .getByText(/Stored/)
      .first()
      .waitFor();
    await store(second);
    await second.getByText('changed on another screen meanwhile', { exact: false }).first().waitFor();
    if ('name' in change)
      expect(await second.getByLabel('Name', { exact: true }).inputValue()).toBe(`${change.name} too`);
    await first.close();
    await second.close();
  });
});

describe('a load runs once', () => {
  interface PlanView {
    loads: { garments: string[] }[];
  }
  const plan = async (): Promise<PlanView> => (await (await fetch(`${address}/plan.json`)).json()) as PlanView;
  /** Addresses of the planned loads, in running order. */
  const tickets = async (): Promise<string[]> => {
    const found: string[] = [];
    for (let i = 1; i <= (await plan()).loads.length; i++) {
      const html = await pageText(`/sort?load=${i}`);
      found.push(/href="(\/loads\/[0-9a-f-]+)"[^>]*>Open its ticket/.exec(html)?.[1] ?? '');
    }
    return found;
  };
  test('of two that start or finish it at once, one is told; a wash counts once', async () => {
    await sendForm('/sort', { intent: 'sort' });
    const [first = ''] = await tickets();
    const piece = (await plan()).loads[0]!.garments[0]!;
    const before = (await inBasket(piece))!.washCount;
    const starts = await Promise.all([1, 2, 3, 4].map(() => sendForm(first, { intent: 'start' })));
    expect(starts.map((s) => s.status).sort()).toEqual([302, 409, 409, 409]);
    const ends = await Promise.all([1, 2, 3, 4].map(() => sendForm(first, { intent: 'out' })));
    expect(ends.map((s) => s.status).sort()).toEqual([302, 409, 409, 409]);
    await sendForm('/basket', { add: piece });
    expect((await inBasket(piece))!.washCount).toBe(before + 1);
  });
  test('a ticket of an older plan does not start', async () => {
    const older = await tickets();
    await sendForm('/sort', { intent: 'sort' });
    const late = await sendForm(older[1]!, { intent: 'start' });
    expect(late.status).toBe(409);
    expect(await late.text()).toContain('sorted again since this ticket');
  });
  test('a load whose piece has left the basket, or is known otherwise by now, does not start', async () => {
    const now = await tickets();
    const { loads } = await plan();
    await sendForm('/basket', { remove: loads[0]!.garments[0]! });
    const gone = await sendForm(now[0]!, { intent: 'start' });
    expect([gone.status, (await gone.text()).includes('has left the basket meanwhile')]).toEqual([409, true]);
    const piece = loads[1]!.garments[0]!;
    await open(page, `/pieces/${piece}`);
    await page.getByLabel('Weight (g, dry)').fill('777');
    await page.getByRole('button', { name: 'Store', exact: false }).last().click();
    await page.waitForURL(/stored=1/);
    const changed = await sendForm(now[1]!, { intent: 'start' });
    expect([changed.status, (await changed.text()).includes('has changed since it was sorted')]).toEqual([409, true]);
  });
});

describe('what was stored does not break what comes after', () => {
  test('a reading with a weaker mix leaves Sort working, and can be struck out', async () => {
    const tested = await sendForm('/test/juna-tee-berry', { intent: 'test', kind: 'spot', agent: 'water', grade: '2' });
    expect(tested.status).toBe(302);
    await open(page, '/test/juna-tee-berry');
    const before = await page.getByRole('button', { name: /^A mistake/ }).count();
    await page
      .getByRole('button', { name: /^A mistake.*grade 2/ })
      .first()
      .click();
    await page.waitForFunction((n) => document.querySelectorAll('button[name="reading"]').length === n - 1, before);
    const reading = await sendForm('/test/juna-tee-berry', { intent: 'strike', reading: '999999' });
    expect(reading.status).toBe(409);
    expect((await fetch(`${address}/sort`)).status).toBe(200);
  });
  test('a load taken out without a look is asked for it later; strong colour leads to the first minutes', async () => {
    await sendForm('/sort', { intent: 'sort' });
    const { loads } = (await (await fetch(`${address}/plan.json`)).json()) as {
      loads: { procedure: { check: { code: string } | null }[] }[];
    };
    const number = loads.findIndex((l) => l.procedure.some((s) => s.check?.code === 'catcher-clear'));
    expect(number).toBeGreaterThanOrEqual(0);
    const html = await pageText(`/sort?load=${number + 1}`);
    const ticket = /href="(\/loads\/[0-9a-f-]+)"[^>]*>Open its ticket/.exec(html)?.[1] ?? '';
    expect((await sendForm(ticket, { intent: 'start' })).status).toBe(302);
    expect((await sendForm(ticket, { intent: 'out' })).status).toBe(302);
    await open(page, '/wash');
    await page.locator(`a[href="${ticket}/inspect"]`).click();
    await page.getByRole('button', { name: 'Strong colour' }).click();
    await page.getByText('A lot of dye was in the water', { exact: false }).waitFor();
    expect((await sendForm(`${ticket}/inspect`, { look: 'catcher', answer: 'clear' })).status).toBe(409);
    await page.getByRole('link', { name: 'Step by step, with these pieces' }).click();
    await page.getByRole('heading', { name: 'To which pieces?' }).waitFor();
    expect(await page.locator('input[name="piece"]:checked').count()).toBeGreaterThan(0);
  });
});

describe('the board in four tabs', () => {
  test('every acknowledged move is kept, an undo names what it undoes', async () => {
    await sendForm('/sort', { intent: 'sort' });
    const { loads } = (await (await fetch(`${address}/plan.json`)).json()) as { loads: { garments: string[] }[] };
    const pieces = loads.flatMap((l) => l.garments).slice(0, 4);
    const moves = await Promise.all(
      pieces.map((piece) => sendForm('/sort', { intent: 'move', piece, target: 'wait' }, `/sort?piece=${piece}`)),
    );
    const kept = moves.filter((m) => m.status === 302).length;
    expect(kept).toBeGreaterThanOrEqual(1);
    expect(moves.every((m) => m.status === 302 || m.status === 409)).toBe(true);
    expect((await hamper()).pins?.length).toBe(kept);
    const html = await pageText('/sort');
    const undo = { intent: 'undo', decision: hiddenOf(html, 'decision') };
    const key = () => pageText('/pieces/new').then((t) => hiddenOf(t, 'form-key'));
    const [one, two] = [
      await post('/sort', { ...undo, 'form-key': await key() }),
      await post('/sort', { ...undo, 'form-key': await key() }),
    ];
    expect([one.status, two.status]).toEqual([302, 409]);
    expect((await hamper()).pins?.length ?? 0).toBe(kept - 1);
  });
});

test('a basket of which nothing needs water says what it needs instead', async () => {
  await sendForm('/basket', { add: 'juna-lambswool' });
  for (const { id } of (await hamper()).garments)
    if (id !== 'juna-lambswool') await sendForm('/basket', { remove: id }, '/pieces/new');
  await sendForm('/sort', { intent: 'sort' });
  await open(page, '/sort');
  await page.getByRole('heading', { name: 'Nothing to wash today' }).waitFor();
  const list = (await page.getByRole('complementary', { name: 'Not today' }).boundingBox())!;
  expect(list.height).toBeGreaterThan(100);
  expect(await page.getByRole('link', { name: 'Grey lambswool jumper' }).last().isVisible()).toBe(true);
  expect(await axeViolations(page)).toEqual([]);
});

/** A request as somebody hostile would write it. */
const raw = (options: http.RequestOptions, body?: (r: http.ClientRequest) => void) =>
  new Promise<{ status: number; text: string; headers: http.IncomingHttpHeaders }>((resolve, reject) => {
    const { hostname, port } = new URL(address);
    const request = http.request({ hostname, port, ...options }, (response) => {
      let text = '';
      response.on('data', (c: Buffer) => (text += c.toString()));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, text, headers: response.headers }));
      response.on('error', () => resolve({ status: response.statusCode ?? 0, text, headers: response.headers }));
    });
    request.on('error', reject);
    if (body) body(request);
    else request.end();
  });
const formType = { 'content-type': 'application/x-www-form-urlencoded' };

describe('hostile requests', () => {
  test.each(['/label?kind=x&zz[4294967294]=1', '/label?kind=x&text[999999999].a=1', '/label?kind=x&__proto__=1'])(
    'a small address freezes nothing: %s',
    async (to) => {
      const start = performance.now();
      expect((await fetch(address + to, { signal: AbortSignal.timeout(20_000) })).status).toBeLessThan(500);
      expect(performance.now() - start).toBeLessThan(10_000); // frozen, it takes minutes
    },
  );
  test.each(['zz[4294967294]', 'soil.deep', '__intent__', '__state__'])('a field named %s is refused', async (name) => {
    const answer = await sendForm('/basket/baker-jacket', { soil: 'light', activity: 'normal', [name]: '1' });
    expect(answer.status).toBe(400);
  });
  test('single fields sent twice and forms of thousands of fields are refused', async () => {
    expect((await sendForm('/basket/baker-jacket', { soil: ['light', 'heavy'], activity: 'normal' })).status).toBe(400);
    const many = Object.fromEntries(Array.from({ length: 500 }, (_, i) => [`f${i}`, '1']));
    expect((await sendForm('/basket/baker-jacket', many)).status).toBe(413);
  });
  test('only its own names are answered to', async () => {
    const { port } = new URL(address);
    for (const host of ['evil.example', `evil.example:${port}`, '169.254.1.1'])
      expect((await raw({ path: '/basket', headers: { host } })).status).toBe(421);
    for (const host of [`localhost:${port}`, `127.0.0.1:${port}`])
      expect((await raw({ path: '/healthz', headers: { host } })).status).toBe(200);
    const foreign = await raw(
      { path: '/basket', method: 'POST', headers: { ...formType, origin: 'http://evil.example' } },
      (r) => r.end('add=x'),
    );
    expect(foreign.status).toBe(403);
  });
  test('other methods and other kinds of body', async () => {
    const put = await raw({ path: '/basket', method: 'PUT' });
    expect([put.status, put.headers.allow]).toEqual([405, 'GET, HEAD, POST']);
    for (const type of ['application/json', 'multipart/form-data; boundary=x', 'text/plain', ''])
      expect(
        (
          await raw({ path: '/basket', method: 'POST', headers: type ? { 'content-type': type } : {} }, (r) =>
            r.end('x'),
          )
        ).status,
      ).toBe(415);
    const packed = await raw(
      { path: '/basket', method: 'POST', headers: { ...formType, 'content-encoding': 'gzip' } },
      (r) => r.end('x'),
    );
    expect(packed.status).toBe(415);
  });
  test('a body without an announced length is cut off when it is too large', async () => {
    let sent = 0;
    const answer = await raw({ path: '/basket', method: 'POST', headers: { ...formType, origin: address } }, (r) => {
      const more = (): void => {
        if (sent > 50_000_000 || r.destroyed || r.writableEnded) return void r.end();
        sent += 65_536;
        r.write(`${'x'.repeat(65_535)}&`, () => setImmediate(more));
      };
      r.on('error', () => undefined);
      more();
    }).catch((error: NodeJS.ErrnoException) => ({
      status: ['ECONNRESET', 'EPIPE'].includes(error.code ?? '') ? 413 : 0,
    }));
    expect(answer.status).toBe(413);
    expect(sent).toBeLessThan(20_000_000);
  });
  test.each([
    ['a NUL', 'a\u0000b'],
    ['a control character', 'a\u001bb'],
    ['an override of the reading direction', 'a\u202Eb'],
  ])('%s in a name is refused by the name of its field, and what was typed stays', async (_, name) => {
    const answer = await sendForm('/pieces/juna-jeans', { intent: 'note', note: name });
    expect(answer.status).toBe(422);
    expect(await answer.text()).toContain('note');
    const piece = await sendForm('/household/products/new', { name, class: 'colour', form: 'liquid', unit: 'ml' });
    expect(piece.status).toBe(422);
    expect(await piece.text()).toContain('Name: holds');
  });
  test('half characters and bytes that are no text', async () => {
    const key = hiddenOf(await pageText('/pieces/new'), 'form-key');
    const body = `form-key=${key}&intent=note&note=%ED%A0%80`;
    const answer = await raw(
      { path: '/pieces/juna-jeans', method: 'POST', headers: { ...formType, origin: address } },
      (r) => r.end(body),
    );
    expect(answer.status).toBe(422);
    const bytes = await raw(
      { path: '/pieces/juna-jeans', method: 'POST', headers: { ...formType, origin: address } },
      (r) => r.end(Buffer.from([0x61, 0x3d, 0xff, 0xfe])),
    );
    expect(bytes.status).toBe(400);
  });
  test('addresses that cannot be read', async () => {
    for (const [to, status] of [
      ['/pieces/%00', 400],
      ['/pieces/%E0%A4%A', 400],
      ['/basket?q=%00', 400],
      [`/label?text=${'x'.repeat(9_000)}`, 414],
      ['/loads/------------------------------------', 404],
      ['/sort/insights/------------------------------------', 404],
    ] as const)
      expect([to.slice(0, 40), (await raw({ path: to })).status]).toEqual([to.slice(0, 40), status]);
  });
  test('pages and documents are kept nowhere', async () => {
    for (const to of ['/basket', '/hamper.json', '/plan.json', '/readyz'])
      expect((await fetch(address + to)).headers.get('cache-control')).toContain('no-store');
  });
});

describe('numbers and days', () => {
  const refused = async (to: string, fields: Record<string, string>): Promise<string> => {
    const answer = await sendForm(to, fields);
    expect(answer.status).toBe(422);
    return answer.text();
  };
  const product = { name: 'Soap', class: 'colour', form: 'liquid', unit: 'ml' };
  test.each(['0x20', '1e3', ' ', 'Infinity', '--1'])('%p is no number', async (text) => {
    const answer = await sendForm('/household/products/new', { ...product, remaining: text });
    expect(answer.status).toBe(422);
    expect(await answer.text()).toContain('Left: give a number.');
  });
  test('a day that does not exist', async () => {
    for (const day of ['2026-02-30', '2026-13-01', '9999-01-01', '0001-01-01'])
      expect(await refused('/basket/baker-jacket', { soil: 'light', activity: 'normal', neededBy: day })).toContain(
        'Needed by: give a real date.',
      );
  });
});

describe('every route', () => {
  const flat = (list: readonly RouteConfigEntry[], above = ''): string[] =>
    list.flatMap((r) => {
      const here = r.index ? above : `${above}/${r.path ?? ''}`;
      return r.children ? flat(r.children, here) : [here || '/'];
    });
  const patterns = flat(routes);
  /** Names of all fields that the forms' schemas and pages mention: a new form is fuzzed by itself. */
  const words = [
    ...new Set(
      readdirSync('app', { recursive: true, encoding: 'utf8' })
        .filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.'))
        .flatMap((f) =>
          [
            ...readFileSync(path.join('app', f), 'utf8').matchAll(/(?:name="|field\(form, '|bind\('|case ')([\w-]+)/g),
          ].map((m) => m[1] ?? ''),
        ),
    ),
  ];
  const oddText = fc.oneof(
    fc.constantFrom(
      '',
      ' ',
      '0',
      '-1',
      '1e999',
      'NaN',
      '__proto__',
      'constructor',
      "' or 1=1 --",
      '<b>',
      '😀',
      '../..',
    ),
    fc.constantFrom('juna-jeans', 'baker-jacket', '00000000-0000-4000-8000-000000000000', 'load:0', 'on', 'yes', 'new'),
    fc.constantFrom(...words),
    fc.string({ unit: 'binary', maxLength: 40 }).map((s) => s.replace(/\p{Surrogate}/gu, '')),
    fc.string({ maxLength: 12 }).map((s) => s.repeat(200)),
  );
  test('the table and the fields were found', () => {
    expect(patterns.length).toBeGreaterThan(20);
    expect(words).toEqual(expect.arrayContaining(['intent', 'soil', 'note', 'remaining', 'move']));
  });
  test.each(patterns)('%s answers nonsense without a failure of its own', async (pattern) => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(oddText, { minLength: 3, maxLength: 3 }),
        fc.dictionary(fc.constantFrom(...words), oddText, { maxKeys: 12 }),
        fc.boolean(),
        async (parts, fields, sent) => {
          let k = 0;
          const to = pattern.replace(/:\w+|\*/g, () => encodeURIComponent(parts[k++] ?? 'x') || 'x');
          const start = performance.now();
          const answer = sent
            ? await sendForm(to, fields, '/pieces/new')
            : await fetch(`${address}${to}?${new URLSearchParams(fields).toString()}`, { redirect: 'manual' });
          const text = await answer.text();
          expect([to, answer.status < 500]).toEqual([to, true]);
          expect(text).not.toMatch(/at \w+ \(|node_modules|\.ts:\d+/);
          expect(performance.now() - start).toBeLessThan(8_000);
        },
      ),
      { numRuns: 15, endOnFailure: true },
    );
  });
});

describe('when the database stands still', () => {
  const postmaster = Number(readFileSync(path.join(cluster.dir, 'postmaster.pid'), 'utf8').split('\n')[0]);
  /** The postmaster and all its children. */
  const processes = (): number[] =>
    readdirSync('/proc')
      .filter((d) => /^\d+$/.test(d))
      .map(Number)
      .filter((pid) => {
        if (pid === postmaster) return true;
        try {
          return Number(/^\d+ \(.*\) \S (\d+)/.exec(readFileSync(`/proc/${pid}/stat`, 'utf8'))?.[1]) === postmaster;
        } catch {
          return false;
        }
      });
  const signal = (name: 'SIGSTOP' | 'SIGCONT'): void => processes().forEach((pid) => process.kill(pid, name));

  test('a page says so within seconds, a form keeps what was typed, and it goes on afterwards', async () => {
    await open(page, '/pieces/juna-jeans');
    await page.getByLabel('Note what you see').fill('typed before it stood still');
    signal('SIGSTOP');
    try {
      const start = performance.now();
      const answer = await fetch(`${address}/basket`);
      expect(answer.status).toBe(503);
      expect(performance.now() - start).toBeLessThan(10_000);
      expect(await answer.text()).toContain('The cupboard does not open');
      expect((await fetch(`${address}/healthz`)).status).toBe(200);
      expect((await fetch(`${address}/readyz`)).status).toBe(503);
      await page.getByRole('button', { name: 'Note', exact: true }).click();
      await page.getByText('What you typed is still here', { exact: false }).waitFor();
      expect(await page.getByLabel('Note what you see').inputValue()).toBe('typed before it stood still');
    } finally {
      signal('SIGCONT');
    }
    for (let i = 0; i < 50 && !(await fetch(`${address}/readyz`)).ok; i++) await new Promise((r) => setTimeout(r, 100));
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByText('typed before it stood still', { exact: false }).first().waitFor();
    expect(count(await pageText('/pieces/juna-jeans'), /typed before it stood still/g)).toBeGreaterThan(0);
  });
  test('too much at once is told, not queued', async () => {
    await stopServer();
    await startServer({ NEAT_FOLD_FORMS_PER_MINUTE: '3' });
    const answers: number[] = [];
    for (let i = 0; i < 5; i++) answers.push((await sendForm('/basket', { worn: 'juna-jeans' })).status);
    expect(answers).toEqual([302, 302, 302, 429, 429]);
    expect((await fetch(`${address}/basket`)).status).toBe(200);
  });
});
