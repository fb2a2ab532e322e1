#!/usr/bin/env node
// How far a plan agrees with a careful launderer's own sorting of the same basket, piece by piece.
// node agreement.mjs --project DIR [--verbose] [FILE.json …]   (default: the baskets beside this script)
// --min N, --min-gathered M: exit 1 when the mean of the baskets' agreement on company is below N %, or gathered below M %.
// 'loads': no companion the launderer would refuse. 'gathered': the piece is not in a load that could as well have gone with another load of the plan
// (every pair of groups allowed, temperature ranges overlap, mass fits the larger one's programme): nobody wants ten tiny loads.
// Strict on company: one companion the launderer would refuse counts against every piece of that load.
import { execFile } from 'node:child_process';
import { readFileSync, readdirSync, writeFileSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';

const run = promisify(execFile);
const args = process.argv.slice(2);
const value = (name) => {
  const i = args.indexOf(name);
  return i < 0 ? null : args.splice(i, 2)[1];
};
const project = path.resolve(value('--project') ?? '.');
const minimum = Number(value('--min') ?? 0);
const minimumGathered = Number(value('--min-gathered') ?? 0);
const verbose = args.includes('--verbose');
const here = path.dirname(fileURLToPath(import.meta.url));
let files = args.filter((a) => !a.startsWith('--'));
if (files.length === 0)
  files = readdirSync(here)
    .filter((f) => f.endsWith('.json'))
    .sort()
    .map((f) => path.join(here, f));

const aspects = ['loads', 'gathered', 'temperature', 'spin', 'detergent', 'prepare', 'dry', 'press'];
const pocketed = /jeans|chinos|shorts|trousers|joggers|hoodie|overall|jacket|coat|bathrobe|fleece|dress_shirt/;
const small = /sock|glove|hat|tie$|face_cloth/;
const smooth = new Set([
  'dress_shirt',
  'linen_shirt',
  'blouse_synthetic',
  'silk_blouse',
  'dress_light',
  'skirt_light',
  'skirt_pleated',
  'tablecloth',
]);
function luminance(hex) {
  const n = parseInt(hex.slice(1), 16);
  const f = (v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
  return 0.2126 * f((n >> 16) / 255) + 0.7152 * f(((n >> 8) & 255) / 255) + 0.0722 * f((n & 255) / 255);
}
const fibresOf = (g) => g.parts.flatMap((p) => p.fibres.map((f) => ({ ...f, role: p.role })));
/** What any careful person does to the piece first. */
function preparation(g) {
  const traits = new Set([...(g.construction ?? []), ...(g.features ?? [])]);
  const duvet = g.kind.includes('duvet');
  const need = new Set();
  if (traits.has('zip')) need.add('zip-closed');
  if (traits.has('hooks')) need.add('hooks-closed');
  if (traits.has('buttons')) need.add(duvet || traits.has('denim-raw') ? 'buttons-closed' : 'buttons-open');
  if (duvet) need.add('inside-out');
  const wool = fibresOf(g).some(
    (f) => f.role === 'shell' && (f.fibre === 'wool' || f.fibre === 'cashmere') && f.percent >= 50,
  );
  if (wool && !traits.has('woven') && !/sock|glove/.test(g.kind)) need.add('net');
  if (wool && (traits.has('hand-knit') || traits.has('chunky-knit'))) need.add('measure');
  if (traits.has('lace') || traits.has('mesh') || g.kind === 'bra' || g.kind === 'swimsuit') need.add('net');
  if (pocketed.test(g.kind) && g.kind !== 'swim_shorts') need.add('empty-pockets');
  if (
    !small.test(g.kind) &&
    g.kind !== 'tea_towel' &&
    g.kind !== 'bath_towel' &&
    ((traits.has('jersey-knit') && luminance(g.colours[0].hex) < 0.35) ||
      traits.has('print') ||
      traits.has('denim') ||
      traits.has('wicking'))
  )
    need.add('inside-out');
  return need;
}
function wantsIron(g) {
  if (g.label?.iron === 'none') return false;
  const linen = fibresOf(g).some((f) => f.fibre === 'linen' && f.percent >= 50);
  return smooth.has(g.kind) || (linen && g.kind !== 'tea_towel');
}

const sum = Object.fromEntries(aspects.map((a) => [a, [0, 0]]));
const dir = mkdtempSync(path.join(os.tmpdir(), 'agreement-'));
const shares = [];
const percent = ([good, all]) => (all === 0 ? '–' : `${Math.round((100 * good) / all)}`);
console.log(`| basket | pieces | ${aspects.join(' | ')} | all |\n|---|---|${aspects.map(() => '---|').join('')}---|`);
for (const file of files) {
  const { input, groups } = JSON.parse(readFileSync(file, 'utf8'));
  const hamper = path.join(dir, 'hamper.json');
  writeFileSync(hamper, JSON.stringify(input));
  const { stdout } = await run('npx', ['--no-install', 'neatfold', 'plan', hamper], {
    cwd: project,
    maxBuffer: 1 << 28,
    timeout: 600_000,
  });
  const plan = JSON.parse(stdout);
  const result = new Map(plan.garments.map((g) => [g.id, g]));
  const loadOf = new Map(plan.loads.flatMap((l) => l.garments.map((id) => [id, l])));
  const massOf = (l) => l.massKg;
  const capacity = (l) =>
    input.household.washers?.find((w) => w.id === l.washer)?.programmes.find((x) => x.id === l.programme)?.maxLoadKg ??
    0;
  const groupOf = new Map(Object.entries(groups).flatMap(([name, g]) => g.pieces.map((id) => [id, name])));
  const groupsIn = (l) => [...new Set(l.garments.map((id) => groupOf.get(id)))];
  const mayJoin = (a, b) => {
    const all = [...new Set([...groupsIn(a), ...groupsIn(b)])];
    const overlap =
      Math.max(...all.map((g) => groups[g].temperatureC[0])) <= Math.min(...all.map((g) => groups[g].temperatureC[1]));
    return (
      overlap &&
      all.every((x) =>
        all.every((y) => x === y || (groups[x].mayShareWith.includes(y) && groups[y].mayShareWith.includes(x))),
      )
    );
  };
  const machine = plan.loads.filter((l) => l.method === 'machine');
  const needless = new Set(
    machine
      .filter((l) =>
        machine.some(
          (m) =>
            m !== l &&
            (massOf(m) > massOf(l) || (massOf(m) === massOf(l) && m.id < l.id)) &&
            massOf(l) + massOf(m) <= capacity(m) &&
            mayJoin(l, m),
        ),
      )
      .map((l) => l.id),
  );
  const count = Object.fromEntries(aspects.map((a) => [a, [0, 0]]));
  const differences = [];
  for (const g of input.garments) {
    const name = groupOf.get(g.id);
    const want = groups[name];
    const got = result.get(g.id);
    const judge = (aspect, good, why) => {
      count[aspect][1] += 1;
      if (good) count[aspect][0] += 1;
      else differences.push(`${g.id}: ${aspect} ${why}`);
    };
    const load = loadOf.get(g.id);
    if (!load || !want.outcome.includes('wash')) {
      judge(
        'loads',
        want.outcome.includes(got.outcome) || (got.outcome === 'test-first' && want.outcome.includes('wait')),
        `${got.outcome}, wanted ${want.outcome.join('/')}`,
      );
      continue;
    }
    const strangers = [...new Set(load.garments.map((id) => groupOf.get(id)))].filter(
      (o) => o !== name && !want.mayShareWith.includes(o),
    );
    judge('loads', strangers.length === 0, `with ${strangers.join(', ')}`);
    judge(
      'gathered',
      !needless.has(load.id),
      `alone with ${load.garments.length - 1} others in ${load.id}, could join another load`,
    );
    judge(
      'temperature',
      load.temperatureC >= want.temperatureC[0] && load.temperatureC <= want.temperatureC[1],
      `${load.temperatureC}, wanted ${want.temperatureC.join('–')}`,
    );
    judge(
      'spin',
      load.method === 'hand' || (load.spinRpm >= want.spinRpm[0] && load.spinRpm <= want.spinRpm[1]),
      `${load.spinRpm}, wanted ${want.spinRpm.join('–')}`,
    );
    const coated =
      load.softener &&
      input.garments.some(
        (x) => load.garments.includes(x.id) && (x.soil === 'hazardous' || /swim|sport|towel/.test(x.kind)),
      );
    judge(
      'detergent',
      load.detergent !== null && want.detergent.includes(load.detergent.class) && !coated,
      coated ? 'softener' : load.detergent?.class,
    );
    const done = new Set(got.prepare.map((p) => (p === 'net-no-metal' ? 'net' : p)));
    const missing = [...preparation(g)].filter((p) => !done.has(p) && !(load.method === 'hand' && p === 'net'));
    judge('prepare', missing.length === 0, `lacks ${missing.join(', ')}`);
    judge('dry', want.dry.includes(got.dry?.method), `${got.dry?.method}, wanted ${want.dry.join('/')}`);
    judge(
      'press',
      (got.press !== null && got.press?.iron !== 'none') === wantsIron(g),
      wantsIron(g) ? 'no iron planned' : 'iron planned',
    );
  }
  for (const a of aspects) {
    sum[a][0] += count[a][0];
    sum[a][1] += count[a][1];
  }
  shares.push(count.loads[0] / count.loads[1]);
  const all = aspects.reduce(([x, y], a) => [x + count[a][0], y + count[a][1]], [0, 0]);
  console.log(
    `| ${path.basename(file, '.json')} | ${input.garments.length} | ${aspects.map((a) => percent(count[a])).join(' | ')} | ${percent(all)} |`,
  );
  if (verbose) for (const d of differences) console.log(`    ${d}`);
}
rmSync(dir, { recursive: true, force: true });
const all = aspects.reduce(([x, y], a) => [x + sum[a][0], y + sum[a][1]], [0, 0]);
console.log(`| all | | ${aspects.map((a) => percent(sum[a])).join(' | ')} | ${percent(all)} |`);
const mean = (100 * shares.reduce((a, b) => a + b, 0)) / shares.length;
console.log(
  `company ${percent(sum.loads)} % of pieces, ${Math.round(mean)} % mean of baskets; gathered ${percent(sum.gathered)} %; temperature ${percent(sum.temperature)} %; all decisions ${percent(all)} %`,
);
process.exit(mean >= minimum && (100 * sum.gathered[0]) / sum.gathered[1] >= minimumGathered ? 0 : 1);
