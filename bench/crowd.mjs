// Forty people at once: response times while each looks at every page for some seconds, and while all ask again as soon as they have an answer.
// Arguments: address of a running server.
const [address] = process.argv.slice(2);
const clients = 40;
const pages = ['/basket', '/sort', '/wash', '/log', '/pieces/juna-jeans', '/household'];
const quantile = (xs, q) => [...xs].sort((a, b) => a - b)[Math.ceil(q * xs.length) - 1];
const ms = (x) => `${Math.round(x)} ms`;
const sleep = (time) => new Promise((resolve) => setTimeout(resolve, time));

/** Every client asks `rounds` times for a page and then looks at it for `lookMs`; answers the response times, ms. */
async function crowd(page, rounds, lookMs) {
  const times = [];
  await Promise.all(
    Array.from({ length: clients }, async (_, k) => {
      await sleep((lookMs * k) / clients); // people do not come in step
      for (let i = 0; i < rounds; i++) {
        const start = performance.now();
        const answer = await fetch(address + page);
        await answer.text();
        if (!answer.ok) throw new Error(`${page} answered ${answer.status}`);
        times.push(performance.now() - start);
        await sleep(lookMs);
      }
    }),
  );
  return times;
}

console.log(`### ${clients} clients\n`);
console.log('| page | looking 4 s: p50 | p95 | without a pause: p50 | p95 |\n| --- | --- | --- | --- | --- |');
for (const page of pages) {
  await fetch(address + page).then((r) => r.text());
  const looking = await crowd(page, 2, 4_000);
  const hurried = await crowd(page, 6, 0);
  console.log(
    `| ${page} | ${ms(quantile(looking, 0.5))} | ${ms(quantile(looking, 0.95))} | ${ms(quantile(hurried, 0.5))} | ${ms(quantile(hurried, 0.95))} |`,
  );
}
