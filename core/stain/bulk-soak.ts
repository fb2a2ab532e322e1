/**
 * Many stained pieces in one tub of oxygen bleach: who may go in, how much water and powder, how long, when to stir, how the wash afterwards is
 * split, and honest odds. Bath limits for stained pieces; decay by first order in a cooling bath (engineering estimates).
 */
import { clothOf, testedWith, type Cloth } from '../chemistry/cloth.ts';
import { bearingOf } from '../chemistry/bearing.ts';
import { colourFacts } from '../colour/colour.ts';
import { dryMassG } from '../garment/mass.ts';
import { say, type Message } from '../message/message.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { guardedCeil, sum } from '../units/numbers.ts';
import { basinTauH } from '../washing/basin.ts';
import { coolingSoak, usefulHours } from '../washing/soak.ts';
import { bandOf, scoreOf, type BandId } from './score.ts';
import { ironStains } from './stains.ts';

export type SoakGroup = 'white' | 'light' | 'dark';
export interface SoakPiece {
  id: string;
  name: string;
  massKg: number;
  score: number;
  band: BandId;
  /** Like pieces in the entry; absent in tubs from before they were counted: one. */
  count?: number;
}
/** Single pieces in a tub. */
export const countOf = (pieces: readonly Pick<SoakPiece, 'count'>[]): number => sum(pieces.map((p) => p.count ?? 1));
export interface SoakPlan {
  group: SoakGroup;
  /** Cloth that bears 30 minutes only, in a tub of its own. Absent in tubs from before there were such. */
  short?: boolean;
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
  because: Message;
  /** A hidden-spot test with oxygen bleach would open the tub to it. */
  testOpens: boolean;
}
/** What keeps a piece out of the tub. */
export type SoakObstacle = Pick<SoakRefusal, 'because' | 'testOpens'>;

const litresPerKg = 10;
const leastBathL = 12;
const fullest = 0.7;
const detergentMlPerL = 2;
const doseGPerL = { white: 10, dyed: 5 } as const;
const limits = {
  white: { least: 240, most: 480, startC: [40, 50] },
  dyed: { least: 60, most: 120, startC: [30, 40] },
  polyester: { least: 120, most: 240, startC: [30, 40] },
  short: { least: 15, most: 30, startC: [30, 40] },
} as const;
/** Columns that bear the long soak. */
const longColumns = new Set(['cotton', 'linen', 'hemp', 'polyester', 'undyed', 'dyed']);
const bleach = 'oxy-percarbonate';
/** What counts as dyed gets this share of the bleach of a white tub, and so many hours at most. */
export const asDyed = { doseShare: doseGPerL.dyed / doseGPerL.white, mostHours: limits.dyed.most / 60 } as const;
const overrunMin = { warn: 480, end: 720 } as const;
/** Half as long again is the end of a short soak, min. */
const shortEndMin = 45;
const bathChecksMin = [10, 30, 60];

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
/** Every 30 min in the first two hours, then hourly; a soak of half an hour is stirred every ten minutes. */
export function stirTimes(minutes: number): number[] {
  if (minutes <= limits.short.most) return [10, 20].filter((t) => t < minutes);
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
/** White cloth without a print, of which nobody has said whether it was ever dyed. */
export const mayBeUndyed = (g: Garment): boolean =>
  g.dye === 'unknown' && soakGroupOf(g) === 'white' && g.colours.every((c) => c.role === 'ground');
/** `neverDyed` = somebody looked at the white pieces: white all through, never dyed. */
const asLookedAt = (g: Garment, neverDyed: boolean): Garment =>
  neverDyed && mayBeUndyed(g) ? { ...g, dye: 'undyed' } : g;

/** The cloth bears half an hour in the bleach, not longer: a print, viscose, elastane, polyamide, acrylic. */
const bearsShortOnly = (cloth: Cloth): boolean => [...cloth.columns].some((c) => !longColumns.has(c));

/** Why a piece may not go into an oxygen-bleach tub; null when it may. */
export function soakObstacle(g: Garment): SoakObstacle | null {
  const no = (because: Message, testOpens = false): SoakObstacle => ({ because, testOpens });
  const cloth = clothOf(g);
  const bearing = bearingOf(bleach, cloth);
  if (bearing.never) return no(say('soak.not-borne', { because: bearing.never.because }));
  if (cloth.columns.has('metal-trim')) return no(say('soak.metal'));
  if (cloth.pile || g.traits.has('structured') || g.traits.has('glued')) return no(say('soak.never-immersed'));
  if (cloth.columns.has('raw-indigo')) return no(say('soak.raw-indigo'));
  if (bearing.mostMinutes < limits.short.least) return no(say('soak.too-short', { minutes: bearing.mostMinutes }));
  if (cloth.fastness === 'trace' || cloth.fastness === 'strong') return no(say('soak.colour-runs'));
  if (g.stains.some((s) => ironStains.includes(s.kind))) return no(say('soak.iron'));
  if (testedWith(cloth, bleach) === 'passed') return null;
  if (cloth.fastness === 'unknown') return no(say('soak.untested'), true);
  if (g.label === null) return no(say('soak.no-label'), true);
  if (cloth.columns.has('print')) return no(say('soak.wants-test'), true);
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

/**
 * One tub per colour group, the largest first, those for half an hour apart from the long ones, and everything that
 * stays out with its reason. `neverDyed`: the white pieces of unknown dye were looked at and are white all through.
 */
export function planSoak(
  garments: readonly Garment[],
  drum: { maxLoadKg: number },
  { neverDyed = false }: { neverDyed?: boolean } = {},
): { tubs: SoakPlan[]; refused: SoakRefusal[] } {
  const refused: SoakRefusal[] = [];
  const groups = new Map<string, { group: SoakGroup; short: boolean; list: Garment[] }>();
  for (const told of garments) {
    const g = asLookedAt(told, neverDyed);
    const obstacle = soakObstacle(g);
    if (obstacle) {
      refused.push({ id: g.id, name: g.name, ...obstacle });
      continue;
    }
    const group = soakGroupOf(g);
    const short = bearsShortOnly(clothOf(g));
    const key = `${group} ${short}`;
    const tub = groups.get(key) ?? { group, short, list: [] };
    tub.list.push(g);
    groups.set(key, tub);
  }
  const tubs = [...groups.values()].map(({ group, short, list }): SoakPlan => {
    const cloths = list.map(clothOf);
    const dyed = cloths.some((c) => c.columns.has('dyed'));
    const polyester = cloths.some((c) => c.columns.has('polyester'));
    const limit = short ? limits.short : dyed ? limits.dyed : polyester ? limits.polyester : limits.white;
    const pieces = list.map((g): SoakPiece => {
      const score = scoreOf(yellowed(g), clothOf(g));
      return { id: g.id, name: g.name, massKg: dryMassG(g) / 1000, score, band: bandOf(score), count: g.count };
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
    const clear = Math.floor(sum(pieces.map((p) => p.score * (p.count ?? 1))) / 100 + 1e-9);
    return {
      group,
      short,
      pieces,
      dryKg,
      ...bath,
      teaspoons: Math.round(bath.percarbonateG / 5),
      startC: limit.startC,
      minutes,
      leastMinutes: Math.min(limit.least, minutes),
      warnMin: short ? minutes : Math.max(overrunMin.warn, minutes),
      endMin: short ? shortEndMin : overrunMin.end,
      stirsAtMin: stirTimes(minutes),
      bathChecksAtMin: dyed ? bathChecksMin.filter((m) => m <= minutes) : [],
      leftGPerL: cooled.leftGPerL,
      exposure: cooled.exposure,
      expectedClear: clear,
      mayStay: countOf(pieces) - clear,
      loads: splitEvenly(pieces, drum.maxLoadKg, polyester ? 0.5 : 0.8).map((l) => l.map((p) => p.id)),
    };
  });
  return { tubs: tubs.sort((a, b) => b.dryKg - a.dryKg), refused };
}
