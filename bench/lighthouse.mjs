// Lighthouse on the main pages, with its desktop and its mobile preset. Arguments: address of a running server.
import lighthouse, { desktopConfig } from 'lighthouse';
import { chromium } from 'playwright-core';
import { chromiumPath, freePort } from '../scripts/lib/setup.mjs';

const [address] = process.argv.slice(2);
const pages = ['/basket', '/sort', '/treat', '/wash', '/log', '/pieces/juna-jeans', '/label', '/household'];
const kinds = ['performance', 'accessibility', 'best-practices', 'seo'];
const port = await freePort();
const browser = await chromium.launch({
  executablePath: chromiumPath,
  args: [
    `--remote-debugging-port=${port}`,
    '--no-sandbox',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
  ],
});
console.log('### Lighthouse\n');
console.log(
  `| page | preset | ${kinds.join(' | ')} | below full marks |\n| --- | --- | ${kinds.map(() => '--- |').join(' ')} --- |`,
);
try {
  for (const page of pages)
    for (const [preset, config] of [
      ['desktop', desktopConfig],
      ['mobile', undefined],
    ]) {
      const look = () => lighthouse(address + page, { port, onlyCategories: kinds, logLevel: 'silent' }, config);
      let { lhr } = await look();
      if (lhr.runtimeError) ({ lhr } = await look()); // a busy machine sometimes shows it no first paint
      const short = Object.values(lhr.audits)
        .filter((a) => a.score !== null && a.score < 0.9 && a.scoreDisplayMode !== 'informative')
        .map((a) => a.id);
      const marks = kinds.map((k) => Math.round((lhr.categories[k]?.score ?? 0) * 100));
      console.log(`| ${page} | ${preset} | ${marks.join(' | ')} | ${short.join(', ')} |`);
    }
} finally {
  await browser.close();
}
