/** How well the end of a run is told from watts: seeded runs of the stand-in, read as they would be while they go on. */
import { readMeter } from '@core/run/phases.ts';
import { seeded } from '@core/units/random.ts';
import { runCurve, type Fault } from '@stand-ins/run-curve.ts';
import { quantile, table } from './table.ts';

const seeds = 200;
const faults: readonly Fault[] = ['none', 'longer', 'silent'];
const minutes = [38, 65, 88, 110, 149] as const;

const rows = faults.map((fault) => {
  const late: number[] = [];
  let early = 0;
  let missed = 0;
  const off: number[] = [];
  for (let seed = 0; seed < seeds; seed++) {
    const random = seeded(90_000 + seed);
    const promised = minutes[Math.floor(random() * minutes.length)] ?? 88;
    const run = {
      minutes: promised,
      temperatureC: promised < 60 ? 30 : 40,
      spinRpm: 800 + 200 * Math.floor(4 * random()),
      massKg: promised < 60 ? 1 + random() : 1.5 + 4 * random(),
    };
    const curve = runCurve(run, seed, fault);
    const read = readMeter(curve.samples, promised * 60, true);
    if (read.foundS === null || curve.endedS === null) missed++;
    else if (read.foundS < curve.endedS) early++;
    else late.push(read.foundS - curve.endedS);
    off.push(Math.abs(read.kwh - curve.kwh) / curve.kwh);
  }
  const within = late.filter((s) => s <= 180).length;
  return [
    fault,
    seeds,
    `${((100 * within) / seeds).toFixed(1)} %`,
    early,
    missed,
    Math.round(quantile(late, 0.5)),
    Math.round(quantile(late, 0.95)),
    `${(100 * quantile(off, 0.95)).toFixed(1)} %`,
  ];
});
let stopped = 0;
for (let seed = 0; seed < seeds; seed++) {
  const curve = runCurve({ minutes: 88, temperatureC: 40, spinRpm: 1000, massKg: 3 }, seed, 'stops');
  const read = readMeter(curve.samples, 88 * 60, true);
  if (read.endedS === null && read.stoppedS !== null) stopped++;
}
console.log(
  `### The end of a run, told from watts\n\n${table(
    [
      'runs',
      'seeds',
      'found within 3 min',
      'found too early',
      'not found',
      'median after the end, s',
      '95 %, s',
      'kWh off, 95 %',
    ],
    rows,
  )}\n\nOf ${seeds} runs that stop half-way ${stopped} are told as stopped, none as over.`,
);
