import { describe, expect, test } from '@jest/globals';
import { onOneCounter, readMeter } from '@core/run/phases.ts';
import { seeded } from '@core/units/random.ts';
import { runCurve, type Fault, type RunOf } from './run-curve.ts';

/** Runs as households have them: quick to cottons, cold to hot, two loads of five with noise and faults. */
function someRun(seed: number): { run: RunOf; fault: Fault } {
  const random = seeded(1_000 + seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  // Quick programmes are cool and light; hot ones take their time.
  const minutes = pick([38, 65, 88, 110, 149]);
  const temperatureC = pick(minutes < 60 ? [20, 30] : minutes < 100 ? [20, 30, 40] : [30, 40, 60]);
  return {
    run: {
      minutes,
      temperatureC,
      spinRpm: pick([600, 800, 1000, 1400]),
      massKg: minutes < 60 ? 1 + random() : 1.5 + 4 * random(),
    },
    fault: pick(['none', 'none', 'none', 'longer', 'silent'] as const),
  };
}
/** The meter as it is read while it runs: the end is found at the first reading that shows it. */
function foundAt(seed: number): {
  found: number | null;
  said: number | null;
  ended: number;
  kwh: number;
  read: number;
} {
  const { run, fault } = someRun(seed);
  const curve = runCurve(run, seed, fault);
  const whole = readMeter(curve.samples, run.minutes * 60, run.spinRpm > 0);
  return {
    found: whole.foundS,
    said: whole.endedS,
    ended: curve.endedS!,
    kwh: curve.kwh,
    read: whole.kwh,
  };
}
const runs = Array.from({ length: 200 }, (_, seed) => ({ seed, ...foundAt(seed) }));

describe('the end of a run, told from watts', () => {
  test('is found within three minutes in at least 95 of 100 runs', () => {
    const late = runs.filter((r) => r.found === null || r.found - r.ended > 180);
    expect(late.length).toBeLessThanOrEqual(10);
  });
  test('is never found before it: not in a pause of the heater, not between two rinses', () => {
    expect(runs.filter((r) => r.found !== null && r.found < r.ended).map((r) => r.seed)).toEqual([]);
  });
  test('is said to have been when it was, to a minute and a half', () => {
    const off = runs.filter((r) => r.said !== null && Math.abs(r.said - r.ended) > 90);
    expect(off.length).toBeLessThanOrEqual(10);
  });
  test('kWh agree with what was drawn, but for what a silent meter missed', () => {
    const loud = runs.filter((r) => someRun(r.seed).fault !== 'silent');
    for (const r of loud) expect(Math.abs(r.read - r.kwh) / r.kwh).toBeLessThan(0.03);
  });
  test('a machine that stops half-way has not ended: it went quiet', () => {
    for (let seed = 0; seed < 40; seed++) {
      const { run } = someRun(seed);
      const curve = runCurve(run, seed, 'stops');
      const read = readMeter(curve.samples, run.minutes * 60, true);
      expect({ seed, ended: read.endedS, stopped: read.stoppedS !== null }).toEqual({
        seed,
        ended: null,
        stopped: true,
      });
    }
  });
  test('without a last spin it is found once the time is nearly over', () => {
    for (let seed = 0; seed < 40; seed++) {
      const run = { minutes: 41, temperatureC: 30, spinRpm: 0, massKg: 1 };
      const curve = runCurve(run, seed);
      const read = readMeter(curve.samples, run.minutes * 60, false);
      expect(read.endedS).not.toBeNull();
      expect(read.foundS! - curve.endedS!).toBeLessThan(300);
      expect(read.foundS!).toBeGreaterThan(curve.endedS!);
    }
  });
});

test('a meter whose counter begins anew after a power cut still finds the end', () => {
  const run = { minutes: 88, temperatureC: 40, spinRpm: 1000, massKg: 3 };
  const curve = runCurve(run, 11);
  const cut = 3_000;
  const samples = curve.samples.map((x) => ({ at: x.s * 1000, s: x.s < cut ? x.s : x.s - cut, watts: x.watts }));
  expect(readMeter(samples, run.minutes * 60, true).endedS).toBeNull();
  const read = readMeter(onOneCounter(samples), run.minutes * 60, true);
  expect(Math.abs(read.endedS! - curve.endedS!)).toBeLessThan(90);
});
test('same seed, same run', () => {
  const run = { minutes: 88, temperatureC: 40, spinRpm: 1000, massKg: 4 };
  expect(runCurve(run, 7)).toEqual(runCurve(run, 7));
  expect(runCurve(run, 7)).not.toEqual(runCurve(run, 8));
});
test('heating draws what warms the bath: 60 °C more than 30 °C', () => {
  const kwh = (temperatureC: number): number =>
    runCurve({ minutes: 110, temperatureC, spinRpm: 1000, massKg: 4 }, 3).kwh;
  expect(kwh(60)).toBeGreaterThan(kwh(30) + 0.4);
  expect(kwh(60)).toBeLessThan(2);
});
