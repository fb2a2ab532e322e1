/** Time, cost and proof of planning made-up baskets; the ratio to an integer-programming library on the full model; the cost of a hand move. */
import loadHighs from 'highs';
import { readHamperValue } from '@formats/hamper.ts';
import { boardOf, consequence } from '@formats/board.ts';
import { planHamper } from '@formats/plan.ts';
import { basketOf } from '@core/price/basket.ts';
import { decide } from '@core/piece/outcomes.ts';
import { planBasket } from '@core/plan/plan.ts';
import { deferralCost } from '@core/price/price.ts';
import { Pricer } from '@core/solve/instance.ts';
import { solve } from '@core/solve/solve.ts';
import { basketOfSize } from './baskets.ts';
import { median, quantile, table } from './table.ts';

function requestOf(size: number, seed: number) {
  const hamper = basketOfSize(size, seed);
  const read = readHamperValue(hamper);
  if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('\n'));
  return { hamper, read: read.value };
}

const sizes: [size: number, seeds: number][] = [
  [10, 5],
  [24, 5],
  [40, 5],
  [120, 2],
  [300, 1],
  [1000, 1],
];
planBasket(requestOf(10, 99).read.request); // warm
const rows = sizes.map(([size, seeds]) => {
  const runs = Array.from({ length: seeds }, (_, k) => {
    const { read } = requestOf(size, k + 1);
    const start = performance.now();
    const plan = planBasket(read.request);
    return { ms: performance.now() - start, plan };
  });
  return [
    size,
    seeds,
    `${(median(runs.map((r) => r.ms)) / 1000).toFixed(2)} s`,
    `${(Math.max(...runs.map((r) => r.ms)) / 1000).toFixed(2)} s`,
    median(runs.map((r) => r.plan.loads.length)),
    `${(median(runs.map((r) => r.plan.proof.gap)) * 100).toFixed(2)} %`,
    `${runs.filter((r) => r.plan.proof.optimal).length} of ${seeds}`,
  ];
});
console.log('### Planning\n');
console.log(table(['pieces', 'baskets', 'median', 'longest', 'loads', 'median gap', 'proven optimal'], rows));

/** The library's optimum over every feasible set of a small basket. */
async function reference(size: number, seed: number): Promise<{ ratio: number; ours: number; theirs: number }> {
  const { household, garments, now } = requestOf(size, seed).read.request;
  const b = basketOf(garments, household);
  const candidates = b.profiles.flatMap((p, piece) => {
    const d = decide(p, household, now);
    return d.fixed === null ? [{ piece, mayWait: d.mayWait }] : [];
  });
  const pricer = new Pricer(b);
  const columns = candidates.flatMap((c, i) => (c.mayWait ? [{ rows: [i], cost: deferralCost(b, c.piece) }] : []));
  for (let mask = 1; mask < 1 << candidates.length; mask++) {
    const rows = candidates.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
    const cost = pricer.cost(rows.map((i) => candidates[i]?.piece ?? 0));
    if (cost < Infinity) columns.push({ rows, cost });
  }
  const model = `Minimize\n obj:\n${columns.map((c, k) => `+ ${c.cost.toFixed(9)} x${k}`).join('\n')}\nSubject To\n${candidates.map((_, i) => ` r${i}:\n${columns.flatMap((c, k) => (c.rows.includes(i) ? [`+ x${k}`] : [])).join('\n')} = 1`).join('\n')}\nBinary\n${columns.map((_, k) => `x${k}`).join('\n')}\nEnd\n`;
  const highs = await loadHighs();
  const start = performance.now();
  const answer = highs.solve(model, { output_flag: false, mip_rel_gap: 0 });
  const theirs = performance.now() - start;
  if (answer.Status !== 'Optimal') throw new Error(`the library answered ${answer.Status}`);
  const own = performance.now();
  const { cost } = solve(b, candidates);
  return { ratio: cost / answer.ObjectiveValue, ours: performance.now() - own, theirs };
}
const compared = [];
for (const seed of [1, 2, 3]) {
  const r = await reference(13, seed);
  compared.push([`13, basket ${seed}`, r.ratio.toFixed(6), `${r.ours.toFixed(0)} ms`, `${r.theirs.toFixed(0)} ms`]);
}
console.log('\n### Against an integer-programming library on the full model (every feasible set a column)\n');
console.log(table(['pieces', 'our cost / its cost', 'ours', 'its solve, columns given'], compared));

const moves = [60, 200].map((size) => {
  const { hamper, read } = requestOf(size, 1);
  const plan = planHamper(read);
  const board = boardOf(hamper, plan);
  const times: number[] = [];
  for (const piece of board.ids.slice(0, 40))
    for (let load = 0; load < board.loads.length; load++) {
      const start = performance.now();
      consequence(board, piece, { to: 'load', load });
      times.push(performance.now() - start);
    }
  return [
    size,
    board.loads.length,
    `${median(times).toFixed(2)} ms`,
    `${quantile(times, 0.95).toFixed(2)} ms`,
    `${Math.max(...times).toFixed(1)} ms`,
  ];
});
console.log('\n### A hand move on the board (both loads priced again, one frame is 16 ms)\n');
console.log(table(['pieces', 'loads', 'median', 'p95', 'longest'], moves));
