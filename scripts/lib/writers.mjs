// People at screens, for the trials: each writes notes and sends a note again until it is answered.
const keyOf = (html) => /name="form-key" value="([^"]*)"/.exec(html)?.[1];
const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Writers at an address: what was acknowledged, what they saw meanwhile, and how they come to an end. */
export function beginWriting(address, names) {
  const acknowledged = new Set();
  const seen = new Map();
  let over = false;
  const saw = (what) => void seen.set(what, (seen.get(what) ?? 0) + 1);
  async function writer(name) {
    for (let n = 0; !over; n++) {
      const page = await fetch(`${address}/pieces/juna-jeans`).then(
        (r) => r.text(),
        () => '',
      );
      const key = keyOf(page);
      if (!key) {
        await sleep(300);
        continue;
      }
      const note = `note ${name}-${n}.`;
      for (let tries = 0; tries < 60; tries++) {
        const answer = await fetch(`${address}/pieces/juna-jeans`, {
          method: 'POST',
          body: new URLSearchParams({ 'form-key': key, intent: 'note', note }),
          headers: { origin: address },
          redirect: 'manual',
          signal: AbortSignal.timeout(20_000),
        }).then(
          (r) => r.status,
          (error) => (error.name === 'TimeoutError' ? 'no answer in 20 s' : 'no connection'),
        );
        saw(answer === 302 ? 'stored' : typeof answer === 'number' ? `page ${answer}` : answer);
        if (answer === 302) {
          acknowledged.add(note);
          break;
        }
        await sleep(400);
      }
    }
  }
  const all = names.map(writer);
  return {
    acknowledged,
    seen,
    end: async () => {
      over = true;
      await Promise.all(all);
    },
  };
}

/** What of it is in the database: lost, doubled. */
export async function reckon(ownerUrl, acknowledged) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const { rows } = await client.query(
    `select data->>'note' as note, count(*)::int as n from event where kind = 'noted' group by 1`,
  );
  await client.end();
  const stored = new Set(rows.map((r) => r.note));
  return { lost: [...acknowledged].filter((note) => !stored.has(note)), doubled: rows.filter((r) => r.n > 1) };
}
