/** Odds of a stain: a planning score from stain, age, heat, fibre, dye, what was tried, and size. Professional judgement, not statistics; shown as words. */
import type { MatrixColumn } from '../chemistry/agent-fibre.ts';
import type { Cloth, Fastness } from '../chemistry/cloth.ts';
import type { Stain } from '../model/garment.ts';
import { clamp } from '../units/numbers.ts';
import { stainFacts, type StainFamily, type StainKind } from './stains.ts';

export const heatEvents = ['none', 'wash-30-60', 'wash-over-60', 'tumble', 'iron', 'repeated'] as const;
export type HeatEvent = (typeof heatEvents)[number];
const heatPoints: Record<HeatEvent, number> = {
  none: 0,
  'wash-30-60': -6,
  'wash-over-60': -12,
  tumble: -18,
  iron: -24,
  repeated: -28,
};

/** Upper end of each age in hours, and its points. */
export const ages = [
  ['lt-1h', 1, 0],
  ['lt-24h', 24, -5],
  ['lt-7d', 168, -10],
  ['lt-90d', 2160, -18],
  ['lt-2y', 17_520, -26],
  ['ge-2y', Infinity, -34],
] as const;
export type AgeId = (typeof ages)[number][0] | 'unknown';
const unknownAgePoints = -22;
export const ageOf = (hours: number | null): AgeId =>
  hours === null ? 'unknown' : (ages.find(([, upTo]) => hours < upTo)?.[0] ?? 'ge-2y');
/** Their base is old already. */
const ageless: readonly StainKind[] = [
  'blood-dried',
  'underarm-yellow',
  'age-yellowing',
  'unknown-old',
  'greyed-whites',
  'collar-cuff',
  'mildew',
];

type Route = 'water' | 'oil' | 'bleach';
const routes: Record<StainFamily, Route> = {
  protein: 'water',
  tannin: 'water',
  'ink-water': 'water',
  biological: 'water',
  perspiration: 'water',
  'oil-grease': 'oil',
  wax: 'oil',
  makeup: 'oil',
  'ink-solvent': 'oil',
  adhesive: 'oil',
  'fuel-solvent': 'oil',
  'dye-transfer': 'bleach',
  mildew: 'bleach',
  pigment: 'bleach',
  metal: 'bleach',
  combination: 'bleach',
  scorch: 'bleach',
};
const same = (x: number): Record<Route, number> => ({ water: x, oil: x, bleach: x });
const row = (water: number, oil: number, bleach: number): Record<Route, number> => ({ water, oil, bleach });
const wool = row(-8, -8, -16);
const fibrePoints: Partial<Record<MatrixColumn, Record<Route, number>>> = {
  cotton: same(0),
  linen: same(0),
  hemp: same(0),
  viscose: row(-8, -8, -12),
  'modal-lyocell': row(-8, -8, -12),
  acetate: row(-12, -14, -18),
  triacetate: row(-12, -14, -18),
  polyester: row(0, -8, -6),
  nylon: row(-2, -6, -8),
  acrylic: row(-4, -8, -8),
  elastane: row(-3, -6, -6),
  wool,
  cashmere: wool,
  'mohair-alpaca-angora': wool,
  silk: row(-14, -12, -22),
  down: row(-12, -15, -20),
  'metallic-thread': row(-10, -10, -20),
  leather: row(-30, -25, -40),
  suede: row(-40, -35, -45),
};
export type DyeState = 'undyed' | 'fast' | 'untested' | 'not-fast' | 'raw-indigo';
const dyePoints: Record<DyeState, number> = { undyed: 0, fast: -4, untested: -10, 'not-fast': -25, 'raw-indigo': -25 };
const dyeStates: Record<Fastness, DyeState> = {
  undyed: 'undyed',
  fast: 'fast',
  unknown: 'untested',
  trace: 'not-fast',
  strong: 'not-fast',
};
export const dyeStateOf = (cloth: Cloth): DyeState =>
  cloth.columns.has('raw-indigo') ? 'raw-indigo' : dyeStates[cloth.fastness];

export interface ScoreInput {
  kind: StainKind;
  age: AgeId;
  heat: HeatEvent;
  columns: Iterable<MatrixColumn>;
  dye: DyeState;
  /** Failed rounds, spreading, unknown products, chlorine: 0 or negative; and what marks like it have taught. */
  prior: number;
  sizeCm: number | null;
}
export const priorPoints = (failedRounds: number, tried: readonly string[]): number =>
  Math.max(-30, -10 * failedRounds) + (tried.includes('chlorine-bleach') ? -8 : 0);
const sizePoints = (cm: number | null): number => (cm === null || cm <= 2 ? 0 : cm <= 10 ? -3 : -6);
const agePoints = (kind: StainKind, age: AgeId): number =>
  ageless.includes(kind)
    ? 0
    : age === 'unknown'
      ? unknownAgePoints
      : (ages.find(([id]) => id === age)?.[2] ?? unknownAgePoints);
const heatFactor = (families: readonly StainFamily[]): number =>
  Math.max(...families.map((f) => (f === 'protein' ? 1.3 : f === 'dye-transfer' ? 1.2 : f === 'tannin' ? 1.1 : 1)));

/** 2–98; round half up. */
export function stainScore(i: ScoreInput): number {
  const { families, baseScore } = stainFacts(i.kind);
  const fibre = Math.min(0, ...[...i.columns].flatMap((c) => families.map((f) => fibrePoints[c]?.[routes[f]] ?? 0)));
  const sum =
    baseScore +
    agePoints(i.kind, i.age) +
    heatPoints[i.heat] * heatFactor(families) +
    fibre +
    dyePoints[i.dye] +
    i.prior +
    sizePoints(i.sizeCm);
  return clamp(Math.floor(sum + 0.5 + 1e-9), 2, 98);
}
/** The worst heat on record; a flag without an event counts as the dryer. */
export const heatOf = (s: Pick<Stain, 'heat' | 'heatSet'>): HeatEvent => s.heat ?? (s.heatSet ? 'tumble' : 'none');
/** `learnt` = points that marks of this kind on such cloth have earned here. */
export const scoreOf = (s: Stain, cloth: Cloth, learnt = 0): number =>
  stainScore({
    kind: s.kind,
    age: ageOf(s.ageHours),
    heat: heatOf(s),
    columns: cloth.columns,
    dye: dyeStateOf(cloth),
    prior: priorPoints(s.failedRounds, s.tried) + learnt,
    sizeCm: s.sizeCm,
  });

export const bands = [
  { id: 'very-likely', from: 85 },
  { id: 'likely', from: 65 },
  { id: 'partial', from: 40 },
  { id: 'unlikely', from: 20 },
  { id: 'stop', from: 0 },
] as const;
export type BandId = (typeof bands)[number]['id'];
export const bandOf = (score: number): BandId => (bands.find((b) => score >= b.from) ?? bands[4]).id;
