// Response times of the main pages, and what the browser loads first. Arguments: address of a running server.
import http from 'node:http';
import { gzipSync } from 'node:zlib';
import { sendForm } from '../scripts/lib/send-form.mjs';

const [address] = process.argv.slice(2);
const quantile = (xs, q) => [...xs].sort((a, b) => a - b)[Math.ceil(q * xs.length) - 1];
const pages = ['/basket', '/sort', '/wash', '/log', '/pieces/juna-jeans', '/household'];
const sort = await sendForm(address, '/sort', { intent: 'sort' });
if (sort.status !== 302) throw new Error(`sorting answered ${sort.status}`);
const ticket = /href="(\/loads\/[^"]+)"/.exec(await (await fetch(`${address}/sort`)).text())?.[1];
if (ticket) pages.push(ticket);
console.log('### Pages\n\n| page | p50 | p95 | HTML gzip |\n| --- | --- | --- | --- |');
for (const page of pages) {
  const times = [];
  let html = '';
  for (let i = 0; i < 44; i++) {
    const start = performance.now();
    html = await (await fetch(address + page)).text();
    if (i >= 4) times.push(performance.now() - start); // the first four warm up
  }
  console.log(
    `| ${page.startsWith('/loads/') ? '/loads/…' : page} | ${quantile(times, 0.5).toFixed(0)} ms | ${quantile(times, 0.95).toFixed(0)} ms | ${(gzipSync(html).length / 1024).toFixed(1)} kB |`,
  );
}

/** Bytes of an answer as they travel, with the encoding a browser asks for. */
const bytesOnTheWire = (url) =>
  new Promise((resolve, reject) => {
    http
      .get(url, { headers: { 'accept-encoding': 'gzip, deflate, br' } }, (response) => {
        let bytes = 0;
        response.on('data', (chunk) => (bytes += chunk.length));
        response.on('end', () => resolve(bytes));
      })
      .on('error', reject);
  });
// The manifest is inlined or linked; what a page preloads is what it loads first.
console.log(
  '\n### The first load, bytes on the wire\n\n| page | scripts | kB | typefaces, kB | document, kB |\n| --- | --- | --- | --- | --- |',
);
const kB = (bytes) => (bytes / 1024).toFixed(0);
for (const page of ['/basket', '/sort', ...(ticket ? [ticket] : [])]) {
  const html = await (await fetch(address + page)).text();
  const named = (pattern) => [...new Set([...html.matchAll(pattern)].map((m) => m[0]))];
  const sum = async (files) =>
    (await Promise.all(files.map((f) => bytesOnTheWire(address + f)))).reduce((s, n) => s + n, 0);
  const scripts = named(/\/assets\/[\w.-]+\.js/g);
  const fonts = named(/\/assets\/[\w.-]+\.woff2(?=" crossorigin)/g);
  console.log(
    `| ${page.startsWith('/loads/') ? '/loads/…' : page} | ${scripts.length} | ${kB(await sum(scripts))} | ${kB(await sum(fonts))} | ${kB(await bytesOnTheWire(address + page))} |`,
  );
}
