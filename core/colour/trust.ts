/**
 * Trust in a colour, as odds that it tints its company in an ordinary wash: a prior from dye, depth and washes so far, moved by every test and catcher
 * reading (Bayes; the weights of evidence are estimates). The rules of sorting themselves rest on the readings, not on these odds.
 */
import { isDetergent } from '../chemistry/agents.ts';
import type { ColourTest, Garment } from '../model/garment.ts';
import { oddsAbove } from '../units/odds.ts';
import { bleedLimits, bleedScore, colourHistory, stainDeltaE, testVerdict, type TestVerdict } from './bleed.ts';
import { tintedHex } from './colour.ts';
import type { BleedingDye } from './dye.ts';

/** What was tried: a spot in water alone tells least, a catcher through a whole wash most. */
type Trial = 'water-spot' | 'detergent-spot' | 'part' | 'catcher';
/** How much likelier a reading is from a bleeder than from a fast colour (estimates). */
// prettier-ignore
const evidence: Record<Trial, Record<TestVerdict, number>> = {
  'water-spot':     { clear: 0.3,  trace: 4, strong: 15 },
  'detergent-spot': { clear: 0.15, trace: 4, strong: 15 },
  part:             { clear: 0.12, trace: 4, strong: 15 },
  catcher:          { clear: 0.1,  trace: 4, strong: 15 },
};
const trialOf = (t: ColourTest): Trial | null =>
  t.kind !== 'spot' ? t.kind : t.agent === 'water' ? 'water-spot' : isDetergent(t.agent) ? 'detergent-spot' : null;
const ordinaryC = 30;
const ordinaryMin = 40;
const donorKg = 0.5;

export interface TrustStep {
  at: string;
  kind: 'spot' | 'part' | 'catcher';
  grade: number;
  verdict: TestVerdict;
  odds: number;
}
export interface TintPreview {
  receiver: string;
  receiverHex: string;
  temperatureC: number;
  deltaE: number;
  odds: number;
  hex: string;
}
export interface Trust {
  standing: 'undyed' | 'trusted' | 'trusted-with-whites' | 'bleeder' | 'unknown';
  /** False for a piece that was never washed: its odds are those of its dye alone, and say little. */
  tried: boolean;
  prior: number;
  steps: TrustStep[];
  now: number;
  tints: TintPreview[];
}

const cotton = new Map([['cotton', 1]] as const);
const receivers = [
  { receiver: 'a white T-shirt', receiverHex: '#f7f7f4', lightness: 97, limit: bleedLimits.white },
  { receiver: 'a sand towel', receiverHex: '#d9c7a4', lightness: 81, limit: bleedLimits.coloured },
] as const;

/** `dyes` = how much dyes run here against the book: it moves the odds before the first reading. */
export function trustOf(
  g: Pick<Garment, 'colours' | 'dye' | 'washCount' | 'tests'>,
  dyes: ReadonlyMap<BleedingDye, number> = new Map(),
): Trust {
  const h = colourHistory(g);
  const { dye } = h;
  if (dye === null) return { standing: 'undyed', tried: false, prior: 0, steps: [], now: 0, tints: [] };
  const here = dyes.get(dye) ?? 1;
  const deltaE = (c: number, lightness: number): number =>
    here *
    stainDeltaE(
      bleedScore(dye, h.colour.strongest.lightness, g.washCount, c, ordinaryMin),
      dye,
      cotton,
      lightness,
      donorKg * h.colour.strongestShare,
      bleedLimits.referenceLoadKg,
    );
  const prior = Math.min(0.98, Math.max(0.01, oddsAbove(deltaE(ordinaryC, 97), bleedLimits.white)));
  let odds = prior / (1 - prior);
  const steps = g.tests
    .flatMap((t) => {
      const trial = trialOf(t);
      return trial ? [{ t, trial }] : [];
    })
    .sort((a, b) => Date.parse(a.t.at) - Date.parse(b.t.at))
    .map(({ t, trial }): TrustStep => {
      const verdict = testVerdict(t.grade);
      odds *= evidence[trial][verdict];
      return { at: t.at, kind: t.kind, grade: t.grade, verdict, odds: odds / (1 + odds) };
    });
  const strongest =
    g.colours.find((c) => c.role !== 'ground' && h.colour.strongestShare < 1)?.hex ?? g.colours[0]?.hex ?? '#888888';
  const tints = receivers.flatMap((r) =>
    [30, 60].map((c): TintPreview => {
      const d = deltaE(c, r.lightness);
      return {
        receiver: r.receiver,
        receiverHex: r.receiverHex,
        temperatureC: c,
        deltaE: d,
        odds: oddsAbove(d, r.limit),
        hex: tintedHex(r.receiverHex, strongest, d),
      };
    }),
  );
  return {
    standing:
      h.knownBleeder || h.noWater
        ? 'bleeder'
        : h.earnedForWhite
          ? 'trusted-with-whites'
          : h.earned
            ? 'trusted'
            : 'unknown',
    tried: g.washCount > 0,
    prior,
    steps,
    now: odds / (1 + odds),
    tints,
  };
}
