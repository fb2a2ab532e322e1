/**
 * Many stained pieces in one tub of oxygen bleach: who may go in, how much water and powder, how long, when to stir, how the wash afterwards is
 * split, and honest odds. Bath limits for stained pieces; decay by first order in a cooling bath (engineering estimates).
 */
import { clothOf, hasAny, type Cloth } from '../chemistry/cloth.ts';
import { bearingOf } from '../chemistry/bearing.ts';
import { colourFacts } from '../colour/colour.ts';
import { dryMassG } from '../garment/mass.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { guardedCeil, sum } from '../units/numbers.ts';
import { basinTauH } from '../washing/basin.ts';
import { coolingSoak, usefulHours } from '../washing/soak.ts';
import { bandOf, scoreOf } from './score.ts';
import { ironStains } from './stains.ts';

export type SoakGroup = 'white' | 'light' | 'dark';
export interface SoakPiece {
  id: string;
  name: string;
  massKg: number;
  score: number;
  band: string;
}
export interface SoakPlan {
  group: SoakGroup;
  pieces: SoakPiece[];
  dryKg: number;
  bathL: number;
  /** The tub must hold at least this, for it is filled to 70 %. */
  tubL: number;
  percarbonateG: number;
  /** Level teaspoons of 5 ml, about 5 g each. */
  teaspoons: number;
  detergentMl: number;
  startC: readonly [number, number];
  minutes: number;
  leastMinutes: number;
  /** Minutes after which it warns, and at which it must end. */
  warnMin: number;
  endMin: number;
  stirsAtMin: number[];
  /** Look at the colour of the bath: only dyed pieces. */
  bathChecksAtMin: number[];
  /** g/l left at the end and exposure in g·h/l at 40 °C, in a room of 20 °C. */
  leftGPerL: number;
  exposure: number;
  expectedClear: number;
  mayStay: number;
  loads: string[][];
}
export interface SoakRefusal {
  id: string;
  name: string;
  because: string;
}

const litresPerKg = 10;
const leastBathL = 12;
const fullest = 0.7;
const detergentMlPerL = 2;
const doseGPerL = { white: 10, dyed: 5 } as const;
const limits = {
  white: { least: 240, most: 480, startC: [40, 50] },
  dyed: { least: 60, most: 120, startC: [30, 40] },
  polyester: { least: 120, most: 240, startC: [30, 40] },
} as const;
const openColumns = new Set(['cotton', 'linen', 'hemp', 'polyester', 'undyed', 'dyed']);
const overrunMin = { warn: 480, end: 720 } as const;

/** Bath, tub, powder and detergent for a mass of dry cloth. */
export function soakBath(
  dryKg: number,
  dyed: boolean,
): Pick<SoakPlan, 'bathL' | 'tubL' | 'percarbonateG' | 'detergentMl'> {
  const bathL = Math.max(leastBathL, litresPerKg * dryKg);
  return {
    bathL,
    tubL: bathL / fullest,
    percarbonateG: bathL * (dyed ? doseGPerL.dyed : doseGPerL.white),
    detergentMl: bathL * detergentMlPerL,
  };
}
/** Every 30 min in the first two hours, then hourly; at least three. */
export function stirTimes(minutes: number): number[] {
  const out: number[] = [];
  for (let t = 30; t < minutes; t += t < 120 ? 30 : 60) out.push(t);
  return out;
}
/** Pieces by falling mass, each to the lightest load; as many loads as the drum asks for. */
export function splitEvenly<T extends { massKg: number }>(pieces: readonly T[], drumKg: number, fill: number): T[][] {
  const n = Math.max(1, guardedCeil(sum(pieces.map((p) => p.massKg)) / (drumKg * fill)));
  const loads: { kg: number; pieces: T[] }[] = Array.from({ length: n }, () => ({ kg: 0, pieces: [] }));
  for (const p of [...pieces].sort((a, b) => b.massKg - a.massKg)) {
    const lightest = loads.reduce((x, y) => (y.kg < x.kg - 1e-9 ? y : x));
    lightest.pieces.push(p);
    lightest.kg += p.massKg;
  }
  return loads.map((l) => l.pieces);
}

export function soakGroupOf(g: Garment): SoakGroup {
  const c = colourFacts(g.colours).class;
  return c === 'white' ? 'white' : c === 'light' ? 'light' : 'dark';
}
/** Why a piece may not go into an oxygen-bleach tub; null when it may. */
export function soakRefusal(g: Garment): string | null {
  const cloth: Cloth = clothOf(g);
  const never = bearingOf('oxy-percarbonate', cloth).never;
  if (never) return never.because;
  if (g.label === null) return 'its label is unknown';
  if (cloth.columns.has('metal-trim')) return 'metal parts corrode in bleach';
  if (cloth.pile || g.traits.has('structured') || g.traits.has('glued')) return 'it is never immersed';
  if (hasAny(cloth, ['viscose', 'modal-lyocell', 'elastane', 'nylon', 'acrylic', 'elastic-trim']))
    return 'its fibre bears 30 minutes at most';
  if (cloth.columns.has('print')) return 'a print bears 30 minutes at most';
  if ([...cloth.columns].some((c) => !openColumns.has(c)))
    return 'only cotton, linen, hemp, polyester and their blends';
  if (cloth.fastness === 'trace' || cloth.fastness === 'strong') return 'its colour runs';
  if (cloth.fastness === 'unknown') return 'its colour has not been tested';
  if (g.stains.some((s) => ironStains.includes(s.kind)))
    return 'rust or sunscreen must go first: bleach eats holes beside iron';
  return null;
}

const yellowed = (g: Garment): Stain =>
  g.stains[0] ?? {
    id: 'soil',
    kind: 'age-yellowing',
    ageHours: null,
    heatSet: false,
    heat: null,
    tried: [],
    place: '',
    sizeCm: null,
    failedRounds: 0,
  };

/** One tub per colour group, the largest first, and everything that stays out with its reason. */
export function planSoak(
  garments: readonly Garment[],
  drum: { maxLoadKg: number },
): { tubs: SoakPlan[]; refused: SoakRefusal[] } {
  const refused: SoakRefusal[] = [];
  const groups = new Map<SoakGroup, Garment[]>();
  for (const g of garments) {
    const because = soakRefusal(g);
    if (because) {
      refused.push({ id: g.id, name: g.name, because });
      continue;
    }
    groups.set(soakGroupOf(g), [...(groups.get(soakGroupOf(g)) ?? []), g]);
  }
  const tubs = [...groups].map(([group, list]): SoakPlan => {
    const cloths = list.map(clothOf);
    const dyed = cloths.some((c) => c.columns.has('dyed'));
    const polyester = cloths.some((c) => c.columns.has('polyester'));
    const limit = dyed ? limits.dyed : polyester ? limits.polyester : limits.white;
    const pieces = list.map((g): SoakPiece => {
      const score = scoreOf(yellowed(g), clothOf(g));
      return { id: g.id, name: g.name, massKg: dryMassG(g) / 1000, score, band: bandOf(score).text };
    });
    const dryKg = sum(pieces.map((p) => p.massKg));
    const bath = soakBath(dryKg, dyed);
    const startC = limit.startC[1];
    const minutes = Math.min(limit.most, Math.floor(usefulHours(startC) * 60));
    // A tub of this bath, half as deep as wide: what cools it.
    const radiusM = Math.cbrt(bath.bathL / 1000 / Math.PI);
    const cooled = coolingSoak(
      bath.percarbonateG / bath.bathL,
      startC,
      20,
      basinTauH(bath.bathL, Math.PI * radiusM ** 2, 2 * Math.PI * radiusM ** 2),
      minutes / 60,
    );
    const clear = Math.floor(sum(pieces.map((p) => p.score)) / 100 + 1e-9);
    return {
      group,
      pieces,
      dryKg,
      ...bath,
      teaspoons: Math.round(bath.percarbonateG / 5),
      startC: limit.startC,
      minutes,
      leastMinutes: Math.min(limit.least, minutes),
      warnMin: Math.max(overrunMin.warn, minutes),
      endMin: overrunMin.end,
      stirsAtMin: stirTimes(minutes),
      bathChecksAtMin: dyed ? [10, 30, 60] : [],
      leftGPerL: cooled.leftGPerL,
      exposure: cooled.exposure,
      expectedClear: clear,
      mayStay: pieces.length - clear,
      loads: splitEvenly(pieces, drum.maxLoadKg, polyester ? 0.5 : 0.8).map((l) => l.map((p) => p.id)),
    };
  });
  return { tubs: tubs.sort((a, b) => b.dryKg - a.dryKg), refused };
}
