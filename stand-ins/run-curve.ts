/**
 * What a washing machine draws and reports while it runs, second by second: fill, heat with its pauses, tumble, rinse, spin, the pulses that loosen
 * the load, and standby. Plausible, seeded, with faults: for the stand-ins of a machine and a meter, and for measuring how well ends are found.
 */
import { seeded } from '@core/units/random.ts';
import type { MachinePhase } from '@core/run/phases.ts';

export interface RunOf {
  /** What the panel promises. */
  minutes: number;
  temperatureC: number;
  spinRpm: number;
  massKg: number;
}
export const faults = ['none', 'longer', 'stops', 'silent'] as const;
export type Fault = (typeof faults)[number];
export interface CurveSample {
  s: number;
  watts: number;
  phase: MachinePhase;
  /** As its panel shows it, min. */
  remainingMin: number;
  error?: string;
}
export interface Curve {
  /** In steps of `everyS`; a meter that lost contact has a hole. */
  samples: CurveSample[];
  /** When the drum stood still for good; null = it stopped half-way. */
  endedS: number | null;
  kwh: number;
}
interface Stretch {
  phase: MachinePhase;
  seconds: number;
  watts: (second: number) => number;
}

/** kWh to warm the bath of so much cloth from 15 °C, with what is lost. */
const heatKwh = ({ massKg, temperatureC }: RunOf): number =>
  (1.1 * 4.186 * (5 + 2.4 * massKg) * Math.max(0, temperatureC - 15)) / 3600;

/** The stretches of one run; their lengths vary with the seed. */
function stretches(run: RunOf, random: () => number, factor: number): Stretch[] {
  const about = (x: number, spread = 0.25): number => x * (1 - spread + 2 * spread * random());
  const standby = 1.2 + 2.3 * random();
  const heater = about(1950, 0.08);
  const drum = about(90 + 14 * run.massKg, 0.3);
  const turnS = Math.round(about(12, 0.3));
  const restS = Math.round(about(4, 0.3));
  // The drum turns, rests, turns the other way.
  const tumble = (second: number): number =>
    second % (turnS + restS) < turnS ? drum * (0.75 + 0.5 * random()) : standby + 3;
  const fill = (): Stretch => ({ phase: 'fill', seconds: about(95, 0.3), watts: () => standby + 4 + 3 * random() });
  const drain = (): Stretch => ({ phase: 'rinse', seconds: about(55, 0.2), watts: () => 26 + 10 * random() });
  const spin = (seconds: number, rpm: number): Stretch => ({
    phase: 'spin',
    seconds,
    // Speeding up draws most; before it the load is spread by slow turns.
    watts: (second) =>
      second < 40 ? tumble(second) : (170 + 0.22 * rpm) * (0.8 + 0.4 * random()) + (second < 90 ? 140 : 0),
  });
  const heatS = (heatKwh(run) * 3_600_000) / heater;
  const pauses = run.temperatureC > 25 ? 1 + Math.floor(3 * random()) : 0;
  const heating: Stretch[] = Array.from({ length: pauses + 1 }, (_, i): Stretch[] => [
    { phase: 'heating', seconds: heatS / (pauses + 1), watts: (second) => heater + tumble(second) },
    // The thermostat waits while the cloth soaks: nothing turns.
    ...(i < pauses ? [{ phase: 'pause', seconds: about(75, 0.5), watts: () => standby } as Stretch] : []),
  ]).flat();
  const rinse = (): Stretch[] => [
    drain(),
    ...(run.spinRpm > 0 ? [spin(about(95, 0.2), Math.min(600, run.spinRpm))] : []),
    fill(),
    { phase: 'rinse', seconds: about(240, 0.2), watts: tumble },
  ];
  const last: Stretch[] = [drain(), ...(run.spinRpm > 0 ? [spin(about(330, 0.25), run.spinRpm)] : [])];
  const fixed = [fill(), ...heating, ...rinse(), ...rinse(), ...last];
  const usedS = fixed.reduce((t, x) => t + x.seconds, 0);
  const washS = Math.max(300, factor * run.minutes * 60 - usedS);
  const washing: Stretch = { phase: 'tumbling', seconds: washS, watts: tumble };
  const at = 1 + heating.length;
  return [...fixed.slice(0, at), washing, ...fixed.slice(at)];
}

/**
 * A whole run and what follows it.
 * @param everyS seconds between samples
 * @example runCurve({ minutes: 88, temperatureC: 40, spinRpm: 1000, massKg: 4 }, 7).endedS
 */
export function runCurve(run: RunOf, seed: number, fault: Fault = 'none', everyS = 5): Curve {
  const random = seeded(seed);
  const factor = (fault === 'longer' ? 1.18 + 0.2 * random() : 1) * (0.96 + 0.08 * random());
  const list = stretches(run, random, factor);
  const totalS = list.reduce((t, x) => t + x.seconds, 0);
  const stopAt = fault === 'stops' ? totalS * (0.3 + 0.3 * random()) : Infinity;
  const holeFrom = fault === 'silent' ? totalS * (0.2 + 0.5 * random()) : Infinity;
  const holeTo = holeFrom + 240 + 500 * random();
  const samples: CurveSample[] = [];
  let kwh = 0;
  const push = (s: number, watts: number, phase: MachinePhase, error?: string): void => {
    kwh += (watts * everyS) / 3_600_000;
    if (s >= holeFrom && s < holeTo) return;
    const noise = 0.97 + 0.06 * random();
    samples.push({
      s,
      watts: Math.max(0, Math.round(watts * noise * 10) / 10),
      phase,
      remainingMin: Math.max(0, Math.round((Math.min(run.minutes * 60, totalS) * (1 - s / totalS)) / 60)),
      ...(error ? { error } : {}),
    });
  };
  let began = 0;
  let s = 0;
  for (const stretch of list) {
    for (; s < began + stretch.seconds; s += everyS) {
      if (s >= stopAt) break;
      push(s, stretch.watts(s - began), stretch.phase);
    }
    began += stretch.seconds;
  }
  if (stopAt < Infinity) {
    for (const until = stopAt + 1_800; s < until; s += everyS) push(s, 3, 'error', 'E18');
    return { samples, endedS: null, kwh };
  }
  const endedS = totalS;
  // Some machines loosen the load for a while, then stand by.
  const loosens = random() < 0.5;
  for (const until = totalS + 1_800; s < until; s += everyS) {
    const after = s - totalS;
    const pulse = loosens && after < 900 && after % 60 < 10;
    push(s, pulse ? 55 + 25 * random() : 2 + 2 * random(), 'ended');
  }
  return { samples, endedS, kwh };
}
