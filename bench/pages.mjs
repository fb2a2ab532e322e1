// Response times of the main pages, and what the browser loads first. Arguments: address of a running server.
import { readFileSync } from 'node:fs';
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

// The manifest is inlined or linked; what a page preloads is what it loads first.
console.log('\n### JavaScript of the first load\n\n| page | files | gzip |\n| --- | --- | --- |');
for (const page of ['/basket', '/sort', ...(ticket ? [ticket] : [])]) {
  const html = await (await fetch(address + page)).text();
  const files = [...new Set([...html.matchAll(/\/assets\/[\w.-]+\.js/g)].map((m) => m[0]))];
  const size = files.reduce((s, f) => s + gzipSync(readFileSync(`build/client${f}`)).length, 0);
  console.log(
    `| ${page.startsWith('/loads/') ? '/loads/…' : page} | ${files.length} | ${(size / 1024).toFixed(0)} kB |`,
  );
}
