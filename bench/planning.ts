/** Time, cost and proof of planning made-up baskets; the ratio to an integer-programming library on the full model; the cost of a hand move. */
import loadHighs from 'highs';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { boardOf, consequence } from '@formats/board.ts';
import { planHamper } from '@formats/plan.ts';
import { basketOf } from '@core/price/basket.ts';
import { decide } from '@core/piece/outcomes.ts';
import { planBasket, type PlanRequest } from '@core/plan/plan.ts';
import { Modes } from '@core/solve/bounds/modes.ts';
import { deferralCost } from '@core/price/price.ts';
import { makeInstance, Pricer } from '@core/solve/instance.ts';
import { noTools, solve } from '@core/solve/solve.ts';
import { partitionBy } from '../workers/partition.ts';
import { basketOfSize, careHomeBasket, householdBasket } from './baskets.ts';
import { poolCost } from './pool.ts';
import { median, quantile, table } from './table.ts';

function requestOf(hamper: HamperDocument) {
  const read = readHamperValue(hamper);
  if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('\n'));
  return { hamper, read: read.value };
}

/** Baskets as households and homes have them. */
const makings: [what: string, size: number, baskets: number, make: (size: number, seed: number) => HamperDocument][] = [
  ['household', 10, 10, householdBasket],
  ['household', 24, 10, householdBasket],
  ['household', 40, 10, householdBasket],
  ['household', 60, 10, householdBasket],
  ['household', 120, 10, householdBasket],
  ['care home', 300, 3, careHomeBasket],
  ['care home', 1000, 3, careHomeBasket],
];
const highs = await loadHighs();
const tools = { ...noTools, partition: partitionBy(highs) };
/** The library gets the loads met and our time for baskets of up to so many pieces. */
const pooledSize = 60;

/** What the pieces cost wherever they go: their least own terms. The rest can be decided. */
function unavoidable({ household, garments, now }: PlanRequest): number {
  const b = basketOf(garments, household);
  const items = b.profiles.flatMap((p, piece) =>
    decide(p, household, now).fixed === null ? [{ pieces: [piece], waitCost: deferralCost(b, piece) }] : [],
  );
  const least = new Float64Array(items.length).fill(Infinity);
  for (const m of Modes.of(makeInstance(b, items)).list)
    m.leastAdded.forEach((cost, i) => {
      least[i] = Math.min(least[i] as number, cost);
    });
  return least.reduce((t, x) => t + (x < Infinity ? x : 0), 0);
}
/** A checkout of the version before; both are asked by their command lines, one after the other. */
const before = process.env.NEAT_FOLD_BEFORE;
/** What the plan of a checkout costs, and how long its process took. */
function planBy(checkout: string, file: string): { cost: number; ms: number } {
  const start = performance.now();
  const { stdout } = spawnSync(process.execPath, [path.join(checkout, 'bin/neatfold.mjs'), 'plan', file], {
    encoding: 'utf8',
    maxBuffer: 1e9,
  });
  const { proof } = JSON.parse(stdout) as { proof: { cost: number } };
  return { cost: proof.cost, ms: performance.now() - start };
}
/** Cost and time of this version as shares of those of the version before. */
function againstBefore(hamper: HamperDocument): { cost: number; time: number } | null {
  if (!before) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'basket-'));
  try {
    const file = path.join(folder, 'hamper.json');
    writeFileSync(file, JSON.stringify(hamper));
    const old = planBy(before, file);
    const own = planBy('.', file);
    return { cost: own.cost / old.cost, time: own.ms / old.ms };
  } finally {
    rmSync(folder, { recursive: true });
  }
}
const percent = (x: number): string => `${(x * 100).toFixed(2)} %`;

const largest = Number(process.env.NEAT_FOLD_LARGEST ?? 1_000);
/** A shorter look: at most so many baskets of a size. */
const most = Number(process.env.NEAT_FOLD_BASKETS ?? Infinity);
planBasket(requestOf(householdBasket(10, 99)).read.request); // warm
const rows = makings
  .filter(([, size]) => size <= largest)
  .map(([what, size, all, make]) => {
    const baskets = Math.min(all, most);
    const runs = Array.from({ length: baskets }, (_, k) => {
      const { hamper, read } = requestOf(make(size, k + 1));
      let firstMs = Infinity;
      const start = performance.now();
      planBasket(read.request, {
        ...tools,
        watch: () => {
          firstMs = Math.min(firstMs, performance.now() - start);
          return true;
        },
      });
      const again = performance.now();
      const plan = planBasket(read.request, tools);
      const ms = performance.now() - again;
      const { cost, lowerBound } = plan.proof;
      return {
        firstMs,
        ms,
        plan,
        pooled: size <= pooledSize ? poolCost(highs, read.request, ms) : null,
        decidable: (cost - lowerBound) / Math.max(1e-9, cost - unavoidable(read.request)),
        against: againstBefore(hamper),
      };
    });
    const seconds = (ms: number): string => `${(ms / 1000).toFixed(2)} s`;
    const theirs = runs.flatMap((r) => (r.pooled === null ? [] : [r.plan.proof.cost / r.pooled]));
    const ratios = runs.flatMap((r) => r.against ?? []);
    return [
      `${size}, ${what}`,
      baskets,
      seconds(median(runs.map((r) => r.firstMs))),
      seconds(median(runs.map((r) => r.ms))),
      seconds(Math.max(...runs.map((r) => r.ms))),
      percent(median(runs.map((r) => r.plan.proof.gap))),
      percent(median(runs.map((r) => r.decidable))),
      `${runs.filter((r) => r.plan.proof.optimal).length} of ${baskets}`,
      theirs.length > 0 ? `${median(theirs).toFixed(4)} (${theirs.length})` : '–',
      ratios.length > 0 ? median(ratios.map((r) => r.cost)).toFixed(4) : '–',
      ratios.length > 0 ? median(ratios.map((r) => r.time)).toFixed(2) : '–',
    ];
  });
console.log('### Planning\n');
console.log(
  table(
    [
      'pieces',
      'baskets',
      'first division',
      'median',
      'longest',
      'gap',
      'gap of what can be decided',
      'proven',
      'cost / library on the loads met, same time',
      'cost / version before',
      'time / version before',
    ],
    rows,
  ),
);
console.log(`\nPeak memory ${Math.round(process.resourceUsage().maxRSS / 1000)} MB.`);

/** The library's optimum over every feasible set of a small basket. */
function reference(size: number, seed: number): { ratio: number; ours: number; theirs: number } {
  const { household, garments, now } = requestOf(basketOfSize(size, seed)).read.request;
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
  const r = reference(13, seed);
  compared.push([`13, basket ${seed}`, r.ratio.toFixed(6), `${r.ours.toFixed(0)} ms`, `${r.theirs.toFixed(0)} ms`]);
}
console.log('\n### Against an integer-programming library on the full model (every feasible set a column)\n');
console.log(table(['pieces', 'our cost / its cost', 'ours', 'its solve, columns given'], compared));

const moves = [60, 200].map((size) => {
  const { hamper, read } = requestOf(basketOfSize(size, 1));
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
