/**
 * What a washing machine does, told from the watts its plug draws: heating, tumbling, spin, pauses, and its end. Pure, sample after sample. Levels
 * are those of household machines on 100–240 V (engineering estimates): a heater draws 1.2 kW and more, a motor that tumbles some tens of
 * watts in bursts, a spin some hundreds without pause, electronics alone a few.
 */
export interface WattSample {
  /** Seconds on the meter's own counter, which only grows. */
  s: number;
  watts: number;
}
/** Filling, rinsing and errors are told by machines that speak for themselves; watts alone do not show them. */
export const machinePhases = [
  'idle',
  'fill',
  'heating',
  'tumbling',
  'rinse',
  'spin',
  'pause',
  'ended',
  'error',
] as const;
export type MachinePhase = (typeof machinePhases)[number];
/**
 * One counter out of one that began anew when the power came back: there the clock on the wall (`at`, ms) says how long it was gone.
 * @example onOneCounter([{ at: 0, s: 900 }, { at: 60_000, s: 5 }]).map((x) => x.s) // [900, 960]
 */
export function onOneCounter<T extends { at: number; s: number }>(samples: readonly T[]): T[] {
  let offset = 0;
  let before: T | null = null;
  return samples.map((x) => {
    if (before && x.s < before.s) offset += before.s + Math.max(0, (x.at - before.at) / 1000) - x.s;
    before = x;
    return { ...x, s: x.s + offset };
  });
}
export interface PhaseSpan {
  phase: MachinePhase;
  fromS: number;
  toS: number;
}
export interface MeterReading {
  spans: PhaseSpan[];
  phase: MachinePhase;
  /** Second at which the machine had ended; null = it runs, or never began. */
  endedS: number | null;
  /** Second at which that was sure. */
  foundS: number | null;
  /** Second since which it is quiet although it cannot be over; null = it is not. */
  stoppedS: number | null;
  beganS: number | null;
  kwh: number;
  /** Longest time without a sample, s: a meter that lost contact. */
  longestGapS: number;
}

const heatingFromW = 1000;
const runningFromW = 12;
const quietBelowW = 8;
/** A spin draws this much for this long, hardly interrupted. */
const spinFromW = 110;
const spinLeastS = 50;
/** Longer pauses between samples are no measurement: nothing is counted for them. */
const longestStepS = 120;
/**
 * Quiet that ends a run, s: short once it has spun near its end, longer where it ends without a spin, long before. The shortest is longer than any
 * filling between two rinses. Pulses that loosen the load afterwards may take up this share of it.
 */
const quietAfterSpinS = 172;
const quietUnspunS = 240;
const quietOtherwiseS = 720;
const pulsesAtMost = 0.2;
/** So much of the quiet must have been measured. */
const measuredAtLeast = 0.6;
/** Share of the expected time from which a spin may be the last one, and from which quiet without a spin may be the end. */
const lastSpinFrom = 0.72;
const endFrom = 0.85;
const windowS = 60;

function classify(samples: readonly WattSample[], i: number): MachinePhase {
  const here = samples[i];
  if (!here) return 'pause';
  if (here.watts >= heatingFromW) return 'heating';
  let high = 0;
  let running = 0;
  let n = 0;
  for (let k = i; k >= 0; k--) {
    const x = samples[k];
    if (!x || here.s - x.s > windowS) break;
    n++;
    if (x.watts >= spinFromW && x.watts < heatingFromW) high++;
    if (x.watts >= runningFromW) running++;
  }
  const first = samples[0]?.s ?? here.s;
  if (high / n > 0.8 && here.s - first >= spinLeastS && n >= 4) return 'spin';
  if (running > 0) return 'tumbling';
  return 'pause';
}

/** Since when it is quiet, if the last `forS` seconds before sample `i` were; null = they were not. */
function quietSince(samples: readonly WattSample[], i: number, forS: number): number | null {
  const here = samples[i];
  if (!here || here.watts >= spinFromW) return null;
  let n = 0;
  let loud = 0;
  let lastDense: number | null = null;
  let first = here.s;
  let measuredS = 0;
  for (let k = i; k >= 0; k--) {
    const x = samples[k];
    if (!x || here.s - x.s > forS) break;
    n++;
    measuredS += Math.min(first - x.s, longestStepS);
    first = x.s;
    if (x.watts >= heatingFromW) return null;
    if (x.watts >= quietBelowW) loud++;
    if (x.watts >= spinFromW) lastDense ??= x.s;
  }
  if ((samples[0]?.s ?? here.s) > here.s - forS || loud / n > pulsesAtMost || measuredS < measuredAtLeast * forS)
    return null;
  return lastDense ?? first;
}

/**
 * @param expectedS seconds the run should take, from the plan
 * @param spins whether it ends with a spin
 * @example readMeter(samples, 90 * 60, true).endedS
 */
export function readMeter(samples: readonly WattSample[], expectedS: number, spins = true): MeterReading {
  const reading: MeterReading = {
    spans: [],
    phase: 'idle',
    endedS: null,
    foundS: null,
    stoppedS: null,
    beganS: null,
    kwh: 0,
    longestGapS: 0,
  };
  let lateSpinEnded = false;
  let before: WattSample | null = null;
  const span = (phase: MachinePhase, s: number): void => {
    reading.phase = phase;
    const last = reading.spans.at(-1);
    if (last) last.toS = s;
    if (last?.phase !== phase) reading.spans.push({ phase, fromS: s, toS: s });
  };
  for (let i = 0; i < samples.length; i++) {
    const x = samples[i];
    if (!x || (before && x.s <= before.s)) continue;
    if (before) {
      const step = x.s - before.s;
      if (reading.beganS !== null) reading.longestGapS = Math.max(reading.longestGapS, step);
      if (step <= longestStepS) reading.kwh += (((before.watts + x.watts) / 2) * step) / 3_600_000;
    }
    before = x;
    if (reading.beganS === null) {
      if (x.watts < runningFromW) continue;
      reading.beganS = x.s;
    }
    const phase = classify(samples, i);
    if (phase === 'spin') lateSpinEnded = x.s - reading.beganS >= lastSpinFrom * expectedS;
    if (phase === 'heating') lateSpinEnded = false;
    const nearEnd = (since: number): boolean => since - (reading.beganS ?? 0) >= endFrom * expectedS;
    const short = quietSince(samples, i, lateSpinEnded ? quietAfterSpinS : quietUnspunS);
    const ended = short !== null && (lateSpinEnded || (!spins && nearEnd(short))) ? short : null;
    const long = ended === null ? quietSince(samples, i, quietOtherwiseS) : null;
    // The spin that nobody saw may have fallen into the silence of the meter; else quiet without it is a machine that stopped.
    const unseen = reading.longestGapS > longestStepS;
    const over = ended ?? (long !== null && nearEnd(long) && (!spins || unseen) ? long : null);
    if (over !== null) {
      span('ended', over);
      return { ...reading, endedS: over, foundS: x.s, stoppedS: null };
    }
    reading.stoppedS = long;
    span(phase, x.s);
  }
  return reading;
}
