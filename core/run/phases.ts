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
/** Quiet that ends a run: short once it has spun near its end, long before. */
const quietAfterSpinS = 130;
const quietOtherwiseS = 720;
/** Share of the expected time from which a spin may be the last one. */
const lastSpinFrom = 0.72;
/** Short pulses that loosen the load after the end do not make it run again. */
const loosenMostS = 25;
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

/**
 * @param expectedS seconds the run should take, from the plan
 * @example readMeter(samples, 90 * 60).endedS
 */
export function readMeter(samples: readonly WattSample[], expectedS: number): MeterReading {
  const reading: MeterReading = {
    spans: [],
    phase: 'idle',
    endedS: null,
    beganS: null,
    kwh: 0,
    longestGapS: 0,
  };
  let quietFrom: number | null = null;
  let burstFrom: number | null = null;
  let lateSpinEnded = false;
  let before: WattSample | null = null;
  const span = (phase: MachinePhase, s: number): void => {
    reading.phase = phase;
    const last = reading.spans.at(-1);
    if (last?.phase === phase) last.toS = s;
    else {
      if (last) last.toS = s;
      reading.spans.push({ phase, fromS: s, toS: s });
    }
  };
  for (let i = 0; i < samples.length; i++) {
    const x = samples[i];
    if (!x || (before && x.s <= before.s)) continue;
    if (before) {
      const step = x.s - before.s;
      if (reading.beganS !== null) reading.longestGapS = Math.max(reading.longestGapS, step);
      if (step <= longestStepS) reading.kwh += (((before.watts + x.watts) / 2) * step) / 3_600_000;
    }
    const gap = before ? x.s - before.s : 0;
    before = x;
    if (reading.beganS === null) {
      if (x.watts < runningFromW) continue;
      reading.beganS = x.s;
    }
    const phase = classify(samples, i);
    if (x.watts >= quietBelowW) {
      burstFrom ??= x.s;
      // Quiet goes on through a short pulse that only loosens the load.
      if (phase === 'heating' || x.s - burstFrom > loosenMostS || !lateSpinEnded) quietFrom = null;
    } else {
      burstFrom = null;
      // After a loss of contact nobody knows how long it has been quiet: it counts from the first sample since.
      if (quietFrom === null || gap > longestStepS) quietFrom = x.s;
    }
    if (phase === 'spin') lateSpinEnded = x.s - reading.beganS >= lastSpinFrom * expectedS;
    if (phase === 'heating') lateSpinEnded = false;
    const quietS = quietFrom === null ? 0 : x.s - quietFrom;
    if (quietFrom !== null && quietS >= (lateSpinEnded ? quietAfterSpinS : quietOtherwiseS)) {
      span('ended', quietFrom);
      reading.endedS = quietFrom;
      return reading;
    }
    span(phase, x.s);
  }
  return reading;
}
