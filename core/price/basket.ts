/**
 * The basket, ready for pricing: every fact that prices ask for again and again, computed once. What a single piece adds to a set stands in
 * `PieceNumbers`; what a setting brings stands in `SettingNumbers`.
 */
import { bleedLimits, bleedScore, catcherHelps, stainDeltaE } from '../colour/bleed.ts';
import { bleedingDyes, type BleedingDye } from '../colour/dye.ts';
import { weightsFor, type Weights } from '../cost/weights.ts';
import { isCellulose, mainParts, significantFibres } from '../fibre/blend.ts';
import { physicalFibres } from '../fibre/physical.ts';
import type { Garment } from '../model/garment.ts';
import {
  detergentClasses,
  type DetergentClass,
  type Household,
  type Product,
  type ProgrammeFamily,
} from '../model/household.ts';
import { soilOrder } from '../model/orders.ts';
import { mixture } from '../units/numbers.ts';
import { bathCareOrder } from '../washing/basin.ts';
import { soilColumn } from '../washing/dose.ts';
import { statedFullLoadKwh, waterRowOf, type WaterRow } from '../washing/energy.ts';
import { clothNeeds, helperOfClass } from '../washing/products.ts';
import { duty, quality } from './bits.ts';
import { pairConflict, type Conflict } from './compatibility.ts';
import { cleaningEffect, powderWear, wearUnitsOfWash } from '../piece/demand.ts';
import { isDenim, profileOf, type Profile } from '../piece/profile.ts';
import { displacementPerKg, enumerateSettings, refusal, type Setting } from './settings.ts';
import { dyeScratch, type DyeScratch } from './dye-view.ts';
import type { LoadPrice } from './price.ts';

export interface PieceNumbers {
  massKg: number;
  volumeL: number;
  /** Litres pushed up at the first dip, and litres carried over from bath to bath. */
  displacedL: number;
  carryL: number;
  soil: number;
  soilColumn: number;
  /** Bit per cloth need and per permitted detergent class. */
  needs: number;
  permitted: number;
  spinRpm: number;
  woolSpinRpm: number;
  duties: number;
  qualities: number;
  familyRank: number;
  bathRank: number;
  isShirt: number;
  need: number;
  /** Wear factor × value, with a plain product and with powder or tablets. */
  wearEur: number;
  powderWearEur: number;
}

export interface SettingNumbers {
  /** kWh of a full load where stated, else null (by the model). */
  fullKwh: number | null;
  waterRow: WaterRow;
  /** Effect by detergent class, and with oxygen bleach; machine settings only (a hand bath's minutes depend on its load). */
  effect: readonly number[];
  brightEffect: readonly number[];
  wearPerFactor: number;
  /** Remembered choices: spin by limits, product by cloth and permission. */
  spins: Map<number, number | null>;
  products: Map<number, Product | null>;
}

/** What hand-made decisions set aside (pairs kept together, pieces washed past their label, pieces packed tighter) and what they narrow (pieces washed only by hand). */
export interface Waivers {
  pairs: readonly (readonly [number, number])[];
  labels: ReadonlySet<number>;
  overfill: ReadonlySet<number>;
  byHand: ReadonlySet<number>;
}
export const noWaivers: Waivers = { pairs: [], labels: new Set(), overfill: new Set(), byHand: new Set() };

export interface GiverClass {
  dye: number;
  group: number;
  caught: boolean;
  earned: boolean;
  earnedForWhite: boolean;
}

export interface Basket {
  household: Household;
  weights: Weights;
  profiles: readonly Profile[];
  pieces: readonly PieceNumbers[];
  settings: readonly Setting[];
  numbers: readonly SettingNumbers[];
  /** allowed[piece][setting] */
  allowed: readonly (readonly boolean[])[];
  /** The same as bits over the distinct settings: words of 32 per piece. A second identical machine adds no price. */
  allowedBits: Int32Array;
  settingWords: number;
  /** 1 for pairs whose transfer of dye is accepted by a confirmed decision. */
  waived: Uint8Array | null;
  /** 1 where two pieces may never share a load: [piece × n + piece]. */
  clash: Uint8Array;
  hasWoolProgramme: boolean;
  /** conflict[piece][piece], symmetric; null = no standing conflict. */
  conflict: readonly (readonly (Conflict | null)[])[];
  /** Loose-dye score of a giver at a setting, 0–1. */
  giverScore: readonly Float64Array[];
  /** ΔE a receiver takes from a dye at score 1 and a full donor share: [dye][piece]. */
  uptake: readonly Float64Array[];
  /** Index of the giver's dye in `uptake`; −1 = undyed. */
  dyeIndex: readonly number[];
  /** Index of the giver's dye-and-colour group, for the donor mass; −1 = undyed. */
  dyeGroup: readonly number[];
  dyeGroups: number;
  /** Dye of each group, an index of `uptake`. */
  dyeOfGroup: readonly number[];
  donorKg: Float64Array;
  /** What dye of ΔE 1 costs a piece, EUR; it grows with the square. */
  dyeLossEur: Float64Array;
  isWhite: readonly boolean[];
  earned: readonly boolean[];
  earnedForWhite: readonly boolean[];
  /** True where a catcher helps coloured receivers of this giver. */
  caught: readonly boolean[];
  catcher: Product | null;
  /** Givers alike in dye, depth, trust and in what a catcher does for them; −1 = gives no dye. */
  giverClass: readonly number[];
  giverClasses: readonly GiverClass[];
  doses: Map<Product, ((massKg: number) => number)[]>;
  cache: Map<string, LoadPrice>;
  dyeScratch: DyeScratch;
}

const familyRanks: readonly ProgrammeFamily[] = ['cotton', 'synthetics', 'delicate', 'wool'];
const brightenKinds: readonly string[] = [
  'greyed-whites',
  'age-yellowing',
  'underarm-yellow',
  'red-wine',
  'coffee',
  'tea',
  'berry-juice',
  'grass',
  'tomato-sauce',
  'sugary-drink',
  'coffee-milk',
  'turmeric-curry',
];

function numbersOf(p: Profile): PieceNumbers {
  const { values: v, garment: g } = p;
  const flag = (on: boolean, bit: number): number => (on ? bit : 0);
  const colourClass = p.history.colour.class;
  const cellulose = mainParts(g.parts).every((part) =>
    significantFibres(part.fibres).every((f) => isCellulose(f.fibre)),
  );
  const wearEur = p.wearFactor * g.valueEur;
  return {
    massKg: p.massKg,
    volumeL: p.volumeL,
    displacedL: p.massKg * displacementPerKg(p),
    carryL: p.massKg * mixture(p.fibre, (f) => physicalFibres[f].pressed),
    soil: soilOrder.indexOf(g.soil),
    soilColumn: soilColumn[g.soil],
    needs: p.needs.reduce((bits, n) => bits | (1 << clothNeeds.indexOf(n)), 0),
    permitted: [...v.detergents].reduce((bits, c) => bits | (1 << detergentClasses.indexOf(c)), 0),
    spinRpm: v.maxSpinRpm,
    woolSpinRpm: v.woolSpinRpm,
    duties:
      flag(v.flags.has('lowest-spin'), duty.lowestSpin) |
      flag(v.flags.has('extra-rinse'), duty.extraRinse) |
      flag(v.flags.has('no-powder'), duty.noPowder) |
      flag(v.flags.has('no-pod'), duty.noPod) |
      flag(v.flags.has('catcher'), duty.catcher) |
      flag(v.flags.has('no-soak'), duty.noSoak) |
      flag(colourClass === 'dark' || colourClass === 'black', duty.dark) |
      flag(
        g.stains.some((s) => brightenKinds.includes(s.kind)),
        duty.brighten,
      ) |
      flag(g.traits.has('waterproof') || g.traits.has('membrane'), duty.waterproof) |
      flag(v.bleach === 'none', duty.noOxygen) |
      flag(!v.softener, duty.noSoftener),
    qualities:
      flag(isDenim(g), quality.denim) |
      flag(p.isSport, quality.sport) |
      flag(p.isShirt, quality.shirt) |
      flag(p.isSilk, quality.silk) |
      flag(g.label?.wash?.by === 'hand' || v.flags.has('hand-programmes-only'), quality.handLabel) |
      flag(g.hygiene, quality.hygiene) |
      flag(soilOrder.indexOf(g.soil) <= soilOrder.indexOf('light'), quality.lightSoil) |
      flag(p.fibre.has('down'), quality.down) |
      flag(p.fibre.has('cotton') && g.traits.has('denim'), quality.cottonDenim) |
      flag(colourClass === 'white' && !p.history.colour.contrast, quality.white) |
      flag(v.bleach === 'any' && cellulose, quality.chlorine),
    familyRank: familyRanks.indexOf(p.family),
    bathRank: bathCareOrder.indexOf(p.bathCare),
    isShirt: p.isShirt ? 1 : 0,
    need: p.need,
    wearEur,
    powderWearEur: wearEur * powderWear(p.coloured),
  };
}

function settingNumbers(s: Setting, household: Household): SettingNumbers {
  const machine = s.method === 'machine';
  const action = machine ? s.programme.action : 'hand';
  const minutes = machine ? s.programme.durationMin : 0;
  return {
    fullKwh: machine ? statedFullLoadKwh(s.programme.energyKwhAt, s.temperatureC, household.water.coldC) : null,
    waterRow: machine ? waterRowOf(s.programme.family) : 'hand_wash',
    effect: detergentClasses.map((c) => cleaningEffect(s.temperatureC, action, minutes, c)),
    brightEffect: detergentClasses.map((c) => cleaningEffect(s.temperatureC, action, minutes, c, true)),
    wearPerFactor: wearUnitsOfWash(s.temperatureC, action, minutes, 1),
    spins: new Map(),
    products: new Map(),
  };
}

/** False for a setting that an earlier one equals in everything but the machine's name. */
function distinctSettings(settings: readonly Setting[]): boolean[] {
  const seen = new Set<string>();
  return settings.map((s) => {
    const key = JSON.stringify(
      s.method === 'hand'
        ? [s.basin.form, s.temperatureC]
        : [
            { ...s.washer, id: '', name: '', programmes: [] },
            { ...s.programme, id: '', name: '', energyKwhAt: [...s.programme.energyKwhAt] },
            s.temperatureC,
          ],
    );
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** Share of its value that a piece loses at ΔE 4.3. */
const damageShare = 0.05;

/** The basket with everything precomputed that pricing needs. */
export function basketOf(garments: readonly Garment[], household: Household, waivers: Waivers | null = null): Basket {
  const profiles = garments.map((g, i) => profileOf(g, household.rules, waivers?.labels.has(i) ?? false));
  const n = profiles.length;
  const waived = waivers && waivers.pairs.length > 0 ? new Uint8Array(n * n) : null;
  if (waived)
    for (const [i, j] of waivers?.pairs ?? []) {
      waived[i * n + j] = 1;
      waived[j * n + i] = 1;
    }
  const settings = enumerateSettings(household);
  const allowed = profiles.map((p, i) => {
    const bears = settings.map((s) => refusal(p, s) === null && !(waivers?.byHand.has(i) && s.method !== 'hand'));
    const hot = p.contamination === 'hygiene' && settings.some((s, i) => bears[i] && s.temperatureC >= 60);
    return bears.map((b, i) => b && (!hot || (settings[i]?.temperatureC ?? 0) >= 60));
  });
  const settingWords = Math.ceil(settings.length / 32);
  const allowedBits = new Int32Array(profiles.length * settingWords);
  const distinct = distinctSettings(settings);
  allowed.forEach((row, i) =>
    row.forEach((may, k) => {
      if (may && distinct[k])
        allowedBits[i * settingWords + (k >> 5)] = (allowedBits[i * settingWords + (k >> 5)] ?? 0) | (1 << (k & 31));
    }),
  );
  const clash = new Uint8Array(profiles.length ** 2);
  const conflict: (Conflict | null)[][] = profiles.map(() => new Array<Conflict | null>(profiles.length).fill(null));
  profiles.forEach((a, i) => {
    for (let j = i + 1; j < profiles.length; j++) {
      const c = pairConflict(a, profiles[j] as Profile, household.rules);
      if (!c || (waived?.[i * n + j] && c.constraint !== 'H4' && c.constraint !== 'H6' && c.constraint !== 'H8'))
        continue;
      (conflict[i] as (Conflict | null)[])[j] = c;
      (conflict[j] as (Conflict | null)[])[i] = c;
      clash[i * profiles.length + j] = 1;
      clash[j * profiles.length + i] = 1;
    }
  });
  const giverScore = profiles.map(({ history: h, garment }) =>
    Float64Array.from(settings, (s) =>
      h.dye === null
        ? 0
        : bleedScore(h.dye, h.colour.strongest.lightness, garment.washCount, s.temperatureC, s.bleedMinutes) / 100,
    ),
  );
  const dyes = bleedingDyes.filter((d) => profiles.some((p) => p.history.dye === d));
  const uptake = dyes.map((d: BleedingDye) =>
    Float64Array.from(profiles, (r) => stainDeltaE(100, d, r.fibre, r.history.colour.ground.lightness, 1, 1)),
  );
  const groups: string[] = [];
  const dyeGroup = profiles.map(({ history: h }) => {
    if (h.dye === null) return -1;
    const key = `${h.dye}/${h.colour.strongestClass}`;
    if (!groups.includes(key)) groups.push(key);
    return groups.indexOf(key);
  });
  const dyeIndex = profiles.map((p) => (p.history.dye === null ? -1 : dyes.indexOf(p.history.dye)));
  const coloured = profiles.find((p) => p.history.colour.class !== 'white');
  const caught = profiles.map((p) => coloured !== undefined && catcherHelps(p.history, p.rawIndigo, coloured.history));
  const giverClasses: GiverClass[] = [];
  const giverClass = profiles.map((p, i) => {
    const dye = dyeIndex[i] ?? -1;
    if (dye < 0) return -1;
    const c: GiverClass = {
      dye,
      group: dyeGroup[i] ?? -1,
      caught: caught[i] ?? false,
      earned: p.history.earned,
      earnedForWhite: p.history.earnedForWhite,
    };
    const at = giverClasses.findIndex(
      (k) =>
        k.group === c.group && k.caught === c.caught && k.earned === c.earned && k.earnedForWhite === c.earnedForWhite,
    );
    return at >= 0 ? at : giverClasses.push(c) - 1;
  });
  return {
    household,
    weights: weightsFor(household.rules.priority, household.rules.weights),
    profiles,
    waived,
    pieces: profiles.map((p, i) => {
      const x = numbersOf(p);
      return waivers?.overfill.has(i) ? { ...x, duties: x.duties | duty.overfill } : x;
    }),
    settings,
    numbers: settings.map((s) => settingNumbers(s, household)),
    allowed,
    allowedBits,
    settingWords,
    clash,
    hasWoolProgramme: household.washers.some((w) => w.programmes.some((p) => p.family === 'wool')),
    conflict,
    giverScore,
    uptake,
    dyeIndex,
    dyeGroup,
    dyeGroups: groups.length,
    dyeOfGroup: groups.map((g) => dyes.indexOf(g.split('/')[0] as BleedingDye)),
    dyeLossEur: Float64Array.from(profiles, (p) => (p.garment.valueEur * damageShare) / bleedLimits.coloured ** 2),
    donorKg: Float64Array.from(profiles, (p) => p.massKg * p.history.colour.strongestShare),
    isWhite: profiles.map((p) => p.history.colour.class === 'white'),
    earned: profiles.map((p) => p.history.earned),
    earnedForWhite: profiles.map((p) => p.history.earnedForWhite),
    caught,
    giverClass,
    giverClasses,
    catcher: helperOfClass(household.products, 'colour-catcher'),
    doses: new Map(),
    cache: new Map(),
    dyeScratch: dyeScratch(giverClasses.length),
  };
}

/** Bit mask → detergent classes. */
export const classesOfMask = (mask: number): DetergentClass[] => detergentClasses.filter((_, i) => mask & (1 << i));
