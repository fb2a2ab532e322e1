/**
 * The basket, ready for pricing: every fact that prices ask for again and again, computed once. What a single piece adds to a set stands in
 * `PieceNumbers`; what a setting brings stands in `SettingNumbers`.
 */
import { bleedLimits, bleedScore, catcherHelps, stainDeltaE } from '../colour/bleed.ts';
import { bleedingDyes, type BleedingDye } from '../colour/dye.ts';
import { judgement, useBit } from '../cost/judgement.ts';
import { weightPresets, weightsFor, type Weights } from '../cost/weights.ts';
import { isCellulose, mainParts, significantFibres } from '../fibre/blend.ts';
import { physicalFibres } from '../fibre/physical.ts';
import type { Garment } from '../model/garment.ts';
import { effectOf, effectsOf, type RuleEffects } from '../model/rule-effects.ts';
import {
  detergentClasses,
  type DetergentClass,
  type HouseRules,
  type Household,
  type Product,
  type ProgrammeFamily,
} from '../model/household.ts';
import { soilOrder } from '../model/orders.ts';
import { mixture } from '../units/numbers.ts';
import type { Use } from '../garment/kinds.ts';
import { bathCareOrder } from '../washing/basin.ts';
import { soilColumn } from '../washing/dose.ts';
import { statedFullLoadKwh, waterRowOf, type WaterRow } from '../washing/energy.ts';
import { clothNeeds, helperOfClass, isPowdered } from '../washing/products.ts';
import { duty, quality } from './bits.ts';
import { conflictBetween, neighbourOf, type Conflict, type Neighbour } from './compatibility.ts';
import { cleaningEffect, linenHeatC, powderWear, wearUnitsOfWash } from '../piece/demand.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { displacementPerKg, enumerateSettings, isStranger, refusal, type Setting } from './settings.ts';
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
  /** How many pieces the entry counts in terms that count every piece. */
  pieces: number;
  /** Bit of what it is for. */
  uses: number;
  /** How much 60 °C would do for it, in deficits per piece: heat need × pieces; 0 where house or rule have no heat. */
  heat: number;
  /** What it gives of grey, kg, and what greying costs it at a full dose, EUR. */
  greyKg: number;
  greyEur: number;
  /** What it gives of soil, kg, and what soil of others costs it at most, EUR. */
  soilKg: number;
  soilEur: number;
  /** What a detergent without bleach costs it, EUR. */
  bleachLostEur: number;
  /** 1 where it is a stranger in a general programme. */
  strangerInCotton: number;
  strangerInSynthetics: number;
  strangerInDelicate: number;
  strangerInQuick: number;
}

export interface SettingNumbers {
  /** kWh of a full load where stated, else null (by the model). */
  fullKwh: number | null;
  waterRow: WaterRow;
  /** Effect by detergent class, and with oxygen bleach; machine settings only (a hand bath's minutes depend on its load). */
  effect: readonly number[];
  brightEffect: readonly number[];
  wearPerFactor: number;
  /** Missing cleanliness by piece, for class × 2 + 1 with oxygen bleach; filled when first asked for. */
  deficits: (Float64Array | undefined)[];
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
  /** What the house rules do. */
  effects: RuleEffects;
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
  /** By piece, the first that is alike: neither a price nor a conflict tells them apart. */
  alike: Int32Array;
  /** 1 where two pieces may never share a load: [piece × n + piece]. */
  clash: Uint8Array;
  /** The pieces with what they bring to a pair. */
  neighbours: readonly Neighbour[];
  hasWoolProgramme: boolean;
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
  /** Set of each piece, −1 = none, and how many pieces each set has; a set of one counts as none. */
  setOf: Int32Array;
  setSizes: readonly number[];
  /** Working memory: how many of each set were counted. All zero between two counts. */
  setHeld: Int32Array;
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

/** What of the house decides over single pieces. */
interface House {
  weights: Weights;
  heats: boolean;
  hasBleach: boolean;
  hasWoolProgramme: boolean;
}
function houseOf(h: Household): House {
  const programmes = h.washers.flatMap((w) => w.programmes);
  return {
    weights: weightsFor(h.rules.priority, h.rules.weights),
    heats: effectOf(h.rules, 'linenHeat').hot && programmes.some((p) => p.temperaturesC.some((c) => c >= linenHeatC)),
    hasBleach: h.products.some((p) => isPowdered(p) && p.remaining !== 0),
    hasWoolProgramme: programmes.some((p) => p.family === 'wool'),
  };
}

/** A load of at most this many shirts comes out smooth. */
export const easyIronShirts = 3;
/** A greyer or dirtier tea towel is no spoiled one. */
const robustUses: readonly Use[] = ['kitchen', 'towel', 'body', 'baby', 'floor'];
const soilSensitive: readonly Use[] = ['baby', 'bed', 'towel', 'kitchen'];
const soilGivers: readonly Use[] = ['clothes', 'workshop', 'floor'];

/** What a piece does to its company, and its company to it. */
function companyNumbers(p: Profile, house: House): Pick<PieceNumbers, CompanyKey> {
  const { garment: g } = p;
  const { greying, resoiling } = judgement;
  const counted = Math.min(g.count, greying.mostCounted);
  const heavy = soilOrder.indexOf(g.soil) >= soilOrder.indexOf('heavy');
  const receives = p.pale && p.greyShare === 0;
  const greyEur =
    g.valueEur *
    greying.shareOfValue *
    (p.whiteLike ? 1 : greying.light) *
    (robustUses.includes(g.use) ? greying.linen : 1) *
    counted;
  const tender = soilSensitive.includes(g.use) || p.pale;
  const stranger = (family: ProgrammeFamily): number => (isStranger(p, family, house.hasWoolProgramme) ? 1 : 0);
  const brightness = house.weights.lambdaClean / weightPresets.balanced.lambdaClean;
  const bearsBleach =
    (p.whiteLike || p.needs.includes('white')) &&
    p.values.detergents.has('universal') &&
    !p.values.flags.has('no-bleach-detergent');
  return {
    pieces: p.pieces,
    uses: useBit(g.use),
    heat: house.heats ? p.heatNeed * p.pieces : 0,
    greyKg: p.massKg * p.greyShare * (p.pale ? p.history.colour.strongestShare : 1),
    greyEur: receives ? greyEur * house.weights.dyeDamage : 0,
    soilKg: heavy && soilGivers.includes(g.use) ? p.massKg : 0,
    soilEur: heavy ? 0 : resoiling.perPiece * (tender ? 1 : resoiling.robust) * p.pieces,
    bleachLostEur: house.hasBleach && bearsBleach ? brightness * judgement.bleachLost * counted : 0,
    strangerInCotton: stranger('cotton'),
    strangerInSynthetics: stranger('synthetics'),
    strangerInDelicate: stranger('delicate'),
    strangerInQuick: stranger('quick'),
  };
}
type CompanyKey =
  | 'pieces'
  | 'uses'
  | 'heat'
  | 'greyKg'
  | 'greyEur'
  | 'soilKg'
  | 'soilEur'
  | 'bleachLostEur'
  | 'strangerInCotton'
  | 'strangerInSynthetics'
  | 'strangerInDelicate'
  | 'strangerInQuick';

function numbersOf(p: Profile, house: House): PieceNumbers {
  const { values: v, garment: g } = p;
  const flag = (on: boolean, bit: number): number => (on ? bit : 0);
  const colourClass = p.history.colour.class;
  const cellulose = mainParts(g.parts).every((part) =>
    significantFibres(part.fibres).every((f) => isCellulose(f.fibre)),
  );
  const wearEur = p.wearFactor * g.valueEur * p.pieces;
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
      flag(!v.softener, duty.noSoftener) |
      flag(v.flags.has('no-bleach-detergent'), duty.noBleach) |
      flag(p.bulk, duty.bulk) |
      flag(p.bulkSuffers, duty.bulkSuffers) |
      flag(p.isWool, duty.wool),
    qualities:
      flag(p.fibre.has('down'), quality.down) |
      flag(p.robustCotton, quality.robustCotton) |
      flag(p.whiteLike && !p.history.colour.contrast, quality.white) |
      flag(v.bleach === 'any' && cellulose, quality.chlorine) |
      flag(g.soaked, quality.soaked),
    familyRank: familyRanks.indexOf(p.family),
    bathRank: bathCareOrder.indexOf(p.bathCare),
    isShirt: p.isShirt ? Math.min(g.count, easyIronShirts) : 0,
    need: p.need,
    wearEur,
    powderWearEur: wearEur * powderWear(p.coloured),
    ...companyNumbers(p, house),
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
    deficits: [],
    spins: new Map(),
    products: new Map(),
  };
}

/** Temperature that is no matter of price where some setting bears it: hygiene, and the contrast aimed at in raw denim. */
function wantedTemperatureC(p: Profile, h: Household): number {
  if (p.contamination === 'hygiene') return linenHeatC;
  return p.rawIndigo ? effectOf(h.rules, 'denim').contrastTemperatureC : 0;
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

/** The sets that like to stay together. */
function setsOf(garments: readonly Garment[]): Pick<Basket, 'setOf' | 'setSizes' | 'setHeld'> {
  const members = new Map<string, number[]>();
  garments.forEach((g, i) => {
    if (g.set !== null && g.include) members.set(g.set, [...(members.get(g.set) ?? []), i]);
  });
  const setOf = new Int32Array(garments.length).fill(-1);
  const sizes: number[] = [];
  for (const list of members.values()) {
    if (list.length < 2) continue;
    for (const i of list) setOf[i] = sizes.length;
    sizes.push(list.length);
  }
  return { setOf, setSizes: sizes, setHeld: new Int32Array(sizes.length) };
}

/** The pieces that decisions by hand single out. */
const singledOut = ({ pairs, labels, overfill, byHand }: Waivers): Set<number> =>
  new Set([...pairs.flat(), ...labels, ...overfill, ...byHand]);
/** The index of the first of each kind, by piece: nothing of a piece counts but what its garment says, and whether a decision singles it out. */
function firstAlike(garments: readonly Garment[], waivers: Waivers): Int32Array {
  const alone = singledOut(waivers);
  const seen = new Map<string, number>();
  return Int32Array.from(garments, (g, i) => {
    if (alone.has(i)) return i;
    // A set has no text of its own: without this a lace top and a plain one would be alike.
    const key = JSON.stringify({ ...g, id: '', name: '', measured: false, traits: [...g.traits].sort() });
    const first = seen.get(key) ?? i;
    seen.set(key, first);
    return first;
  });
}
/** Not even a confirmed decision sets these aside. */
const neverWaived: readonly Conflict['constraint'][] = ['H4', 'H6', 'H8'];
/** 1 where two pieces may never share a load; pieces alike are compared once. */
function clashesOf(
  neighbours: readonly Neighbour[],
  alike: Int32Array,
  rules: HouseRules,
  waived: Uint8Array | null,
): Uint8Array {
  const n = neighbours.length;
  const clash = new Uint8Array(n * n);
  const known = new Map<number, boolean>();
  const between = (i: number, j: number): boolean => {
    const c = conflictBetween(neighbours[i] as Neighbour, neighbours[j] as Neighbour, rules);
    return c !== null && !(waived?.[i * n + j] && !neverWaived.includes(c.constraint));
  };
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const [one, other] = [alike[i] as number, alike[j] as number];
      const key = Math.min(one, other) * n + Math.max(one, other);
      const repeated = one !== i || other !== j;
      const apart = (repeated ? known.get(key) : undefined) ?? between(i, j);
      if (!repeated || !known.has(key)) known.set(key, apart);
      if (!apart) continue;
      clash[i * n + j] = 1;
      clash[j * n + i] = 1;
    }
  return clash;
}
/** Why two pieces may never share a load; null where they may, or a confirmed decision lets them. The words are found when somebody asks. */
export function conflictOf(b: Basket, i: number, j: number): Conflict | null {
  const [x, y] = [b.neighbours[Math.min(i, j)], b.neighbours[Math.max(i, j)]];
  return x && y && b.clash[i * b.profiles.length + j] ? conflictBetween(x, y, b.household.rules) : null;
}

/** Share of its value that a piece loses at ΔE 4.3. */
const damageShare = 0.05;

/** The basket with everything precomputed that pricing needs. */
export function basketOf(garments: readonly Garment[], household: Household, waivers: Waivers | null = null): Basket {
  const profiles = garments.map((g, i) => profileOf(g, household.rules, waivers?.labels.has(i) ?? false));
  const house = houseOf(household);
  const sets = setsOf(garments);
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
    const wantedC = wantedTemperatureC(p, household);
    const hot = settings.some((s, k) => bears[k] && s.temperatureC >= wantedC);
    return bears.map((b, k) => b && (!hot || (settings[k]?.temperatureC ?? 0) >= wantedC));
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
  const neighbours = profiles.map(neighbourOf);
  const alike = firstAlike(garments, waivers ?? noWaivers);
  const clash = clashesOf(neighbours, alike, household.rules, waived);
  // Dyes that run more here than in the book are kept apart sooner; those that run less earn their company by their own readings.
  const runsHere = (dye: BleedingDye): number => Math.max(1, household.learnt.dyes.get(dye) ?? 1);
  const giverScore = profiles.map(({ history: h, garment }) =>
    Float64Array.from(settings, (s) =>
      h.dye === null
        ? 0
        : Math.min(
            1,
            (bleedScore(h.dye, h.colour.strongest.lightness, garment.washCount, s.temperatureC, s.bleedMinutes) / 100) *
              runsHere(h.dye),
          ),
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
    effects: effectsOf(household.rules),
    weights: weightsFor(household.rules.priority, household.rules.weights),
    profiles,
    waived,
    pieces: profiles.map((p, i) => {
      const x = numbersOf(p, house);
      return waivers?.overfill.has(i) ? { ...x, duties: x.duties | duty.overfill } : x;
    }),
    settings,
    numbers: settings.map((s) => settingNumbers(s, household)),
    allowed,
    allowedBits,
    settingWords,
    alike,
    clash,
    neighbours,
    hasWoolProgramme: household.washers.some((w) => w.programmes.some((p) => p.family === 'wool')),
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
    dyeScratch: dyeScratch(giverClasses.length, groups.length, profiles.length),
    ...sets,
  };
}

/** Bit mask → detergent classes. */
export const classesOfMask = (mask: number): DetergentClass[] => detergentClasses.filter((_, i) => mask & (1 << i));
