/** Bleed: predicted dye transfer between two pieces, and what tests and washes so far say about a piece (engineering estimates on ISO 105-A03 steps). */
import { clamp, interpolate, mixture } from '../units/numbers.ts';
import type { ColourTest, Garment } from '../model/garment.ts';
import type { PhysicalFibreId } from '../fibre/physical.ts';
import { colourFacts, type ColourFacts } from './colour.ts';
import { bleedingDye, dyes, dyeUptake, type BleedingDye } from './dye.ts';

/** Grey-scale limits: grade 4 for coloured receivers, grade 4–5 for white ones. */
export const bleedLimits = {
  coloured: 4.3,
  white: 2.2,
  catcherFactor: 0.75,
  referenceLoadKg: 2,
  washShare: 0.4,
} as const;

/** Loose-dye score 0–100 of a donor of lightness L after `washes` washes, at T °C for `minutes`, in a bath of given pH. */
export function bleedScore(
  dye: BleedingDye,
  lightness: number,
  washes: number,
  temperatureC: number,
  minutes: number,
  pH = 8,
): number {
  const d = dyes[dye];
  const depth = clamp((100 - lightness) / 60, 0.15, 1.3);
  const left = d.residual + (1 - d.residual) * Math.exp(-washes / d.washesToClear);
  const alkaline = dye === 'acid' || dye === 'natural' || dye === 'direct' ? 1 + 0.15 * Math.max(0, pH - 8) : 1;
  const pHFactor = dye === 'acid' && pH <= 5.5 ? 0.8 : alkaline;
  const z = d.looseDye * depth * left * 2 ** ((temperatureC - 30) / 15) * Math.sqrt(minutes / 40) * pHFactor;
  return 100 * (1 - Math.exp(-z));
}

/** Predicted CIELAB difference on a receiver of lightness `receiverLightness`. */
export function stainDeltaE(
  score: number,
  dye: BleedingDye,
  receiver: ReadonlyMap<PhysicalFibreId, number>,
  receiverLightness: number,
  donorKg: number,
  loadKg: number,
): number {
  const receptivity = mixture(receiver, (f) => dyeUptake(dye, f));
  return (
    ((40 * score) / 100) *
    receptivity *
    interpolate(receiverLightness, [30, 60, 90], [0.15, 0.6, 1]) *
    Math.sqrt(Math.min(1, donorKg / loadKg))
  );
}

export type TestVerdict = 'clear' | 'trace' | 'strong';
export const testVerdict = (grade: number): TestVerdict => (grade >= 4 ? 'clear' : grade >= 2.5 ? 'trace' : 'strong');

export interface ColourHistory {
  colour: ColourFacts;
  dye: BleedingDye | null;
  /** No test and fewer than three washes. */
  untested: boolean;
  /** Dark, black, bright, red, indigo, natural, or a dark trim on a light ground. */
  strongColour: boolean;
  /** Trusted with coloured receivers. */
  earned: boolean;
  /** Trusted with white receivers: five clear readings. */
  earnedForWhite: boolean;
  /** The newest reading shows a trace. */
  knownBleeder: boolean;
  /** Tests in water say strong and no part test has been at least a trace since. */
  noWater: boolean;
  newest: TestVerdict | null;
  clearReadings: number;
}

const byTime = (a: ColourTest, b: ColourTest): number => Date.parse(a.at) - Date.parse(b.at);

/** What the tests and washes of a piece say about its colour. Tests with another agent than water say nothing here. */
export function colourHistory(g: Pick<Garment, 'colours' | 'dye' | 'washCount' | 'tests'>): ColourHistory {
  const colour = colourFacts(g.colours);
  const dye = bleedingDye(g.dye, colour);
  const tests = g.tests.filter((t) => t.agent === 'water').sort(byTime);
  const verdicts = tests.map((t) => testVerdict(t.grade));
  const newest = verdicts[verdicts.length - 1] ?? null;
  const lastTwoClear = verdicts.length >= 2 && verdicts.slice(-2).every((v) => v === 'clear');
  const worst = lastTwoClear
    ? 'clear'
    : verdicts.includes('strong')
      ? 'strong'
      : verdicts.includes('trace')
        ? 'trace'
        : newest;
  const lastStrong = verdicts.lastIndexOf('strong');
  const partSince = tests.slice(lastStrong + 1).some((t) => t.kind === 'part' && t.grade >= 2.5);
  const untested = tests.length === 0 && g.washCount < 3;
  const strongColour =
    dye !== null &&
    (['dark', 'black', 'bright'].includes(colour.class) ||
      colour.red ||
      g.dye === 'indigo' ||
      g.dye === 'natural' ||
      colour.contrast);
  const catcherClear = tests.filter((t) => t.kind === 'catcher').slice(-2);
  const catchersEarn = catcherClear.length === 2 && catcherClear.every((t) => t.grade >= 4);
  const clearCount = verdicts.filter((v) => v === 'clear').length;
  return {
    colour,
    dye,
    untested,
    strongColour,
    earned: newest !== 'trace' && worst !== 'strong' && (catchersEarn || (clearCount >= 1 && g.washCount >= 3)),
    earnedForWhite: clearCount >= 5 && verdicts.slice(-5).every((v) => v === 'clear'),
    knownBleeder: newest === 'trace' || (worst === 'trace' && !lastTwoClear),
    noWater: worst === 'strong' && !partSince,
    newest,
    clearReadings: clearCount,
  };
}

export interface PairSetting {
  temperatureC: number;
  minutes: number;
  donorKg: number;
}

/** ΔE the giver leaves on the receiver at a setting, before any catcher. 0 for an undyed giver. */
export function transferDeltaE(
  giver: ColourHistory,
  giverWashes: number,
  receiver: ColourHistory,
  receiverFibres: ReadonlyMap<PhysicalFibreId, number>,
  s: PairSetting,
): number {
  if (giver.dye === null) return 0;
  const score = bleedScore(giver.dye, giver.colour.strongest.lightness, giverWashes, s.temperatureC, s.minutes);
  return stainDeltaE(
    score,
    giver.dye,
    receiverFibres,
    receiver.colour.ground.lightness,
    s.donorKg,
    bleedLimits.referenceLoadKg,
  );
}

/** A catcher does not help white receivers, untested reds, raw indigo or an unknown dye. */
export const catcherHelps = (giver: ColourHistory, rawIndigo: boolean, receiver: ColourHistory): boolean =>
  receiver.colour.class !== 'white' &&
  !(giver.untested && giver.colour.red) &&
  !rawIndigo &&
  giver.dye !== 'unknown-red' &&
  giver.dye !== 'unknown-dark' &&
  giver.dye !== 'unknown-other';
