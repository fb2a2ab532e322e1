/** Hamper document ⇄ core values: validate, fill the defaults, say what was unknown. */
import * as v from 'valibot';
import { withTypedWords } from '@core/care-label/label-text.ts';
import { emptyLabel, type CareLabel } from '@core/care-label/label.ts';
import { garmentMassG } from '@core/garment/mass.ts';
import { garmentUse } from '@core/garment/use.ts';
import type { Learnt } from '@core/learn/lesson.ts';
import type { Garment } from '@core/model/garment.ts';
import type {
  Basin,
  BasinShape,
  ClockSpan,
  Household,
  HouseRules,
  HouseTimes,
  Product,
  Washer,
} from '@core/model/household.ts';
import { houseRules, type HouseRuleKey } from '@core/model/household.ts';
import type { Pin } from '@core/board/pins.ts';
import type { PlanRequest } from '@core/plan/plan.ts';
import type { TraitId } from '@core/construction/traits.ts';
import { drumVolumeL } from '@core/washing/drum.ts';
import { nextToSkinByKind } from '@core/wear/wear.ts';
import {
  hamperSchema,
  type GarmentDocument,
  type HamperDocument,
  type HouseholdDocument,
  type LabelDocument,
} from './hamper-schema.ts';
import { parseJson } from './json.ts';
import { listsForObjects, maxProblems, problemsOf, shortPath, type Problem } from './problem.ts';

export type { HamperDocument } from './hamper-schema.ts';

export interface ReadHamper {
  document: HamperDocument;
  request: PlanRequest;
  /** Paths of keys the format does not know; ignored with a warning. */
  unknownKeys: readonly string[];
}
export type HamperResult = { ok: true; value: ReadHamper } | { ok: false; problems: readonly Problem[] };

/** Read a hamper document from JSON text. */
export function readHamper(text: string): HamperResult {
  const parsed = parseJson(text);
  return parsed.ok ? readHamperValue(parsed.value) : parsed;
}

export function readHamperValue(value: unknown): HamperResult {
  const lists = listsForObjects(hamperSchema, value);
  if (lists.length > 0) return { ok: false, problems: lists.slice(0, maxProblems) };
  const checked = v.safeParse(hamperSchema, value, { abortPipeEarly: true });
  if (!checked.success) return { ok: false, problems: problemsOf(checked.issues) };
  const document = checked.output;
  const problems = [...idProblems(document), ...pinProblems(document)];
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, maxProblems) };
  return {
    ok: true,
    value: {
      document,
      request: {
        household: householdOf(document.household),
        garments: document.garments.map(garmentOf),
        now: document.now,
        pins: pinsOf(document),
      },
      unknownKeys: told(unknownKeys(value, checked.output, '')),
    },
  };
}

/** Ids are unique within their list. */
function idProblems(d: HamperDocument): Problem[] {
  const out: Problem[] = [];
  const unique = (list: readonly { id: string }[] | null | undefined, path: string): void => {
    const seen = new Set<string>();
    list?.forEach((item, i) => {
      if (seen.has(item.id)) out.push({ path: `${path}[${i}].id`, message: `"${shortPath(item.id)}" is already used` });
      seen.add(item.id);
    });
  };
  unique(d.garments, 'garments');
  d.garments.forEach((g, i) => unique(g.stains, `garments[${i}].stains`));
  unique(d.household.washers, 'household.washers');
  d.household.washers?.forEach((w, i) => unique(w.programmes, `household.washers[${i}].programmes`));
  for (const key of ['dryers', 'dryingPlaces', 'basins', 'products'] as const)
    unique(d.household[key], `household.${key}`);
  return out;
}

type PinDocument = NonNullable<HamperDocument['pins']>[number];
const pinnedIds = (p: PinDocument): readonly string[] =>
  'together' in p ? p.together : 'apart' in p ? p.apart : Object.keys(p.outcome);
const pinPath = (p: PinDocument, k: number): string =>
  'together' in p ? `together[${k}]` : 'apart' in p ? `apart[${k}]` : `outcome.${Object.keys(p.outcome)[k] ?? ''}`;
/** Pins name pieces of the document. */
function pinProblems(d: HamperDocument): Problem[] {
  const known = new Set(d.garments.map((g) => g.id));
  return (d.pins ?? []).flatMap((p, i) =>
    pinnedIds(p).flatMap((id, k) =>
      known.has(id)
        ? []
        : [{ path: `pins[${i}].${pinPath(p, k)}`, message: `"${shortPath(id)}" is no garment of this document` }],
    ),
  );
}
const pinsOf = (d: HamperDocument): Pin[] =>
  (d.pins ?? []).map((p): Pin => {
    const confirmed = p.confirmed ?? false;
    if ('together' in p) return { kind: 'together', garments: p.together, confirmed };
    return 'apart' in p
      ? { kind: 'apart', garments: p.apart, confirmed }
      : { kind: 'outcome', outcomes: p.outcome, byHand: p.by === 'hand', confirmed };
  });

/** As many as anyone reads, each at a length anyone reads. */
const told = (paths: readonly string[]): string[] => [
  ...paths.slice(0, maxProblems).map(shortPath),
  ...(paths.length > maxProblems ? [`and ${paths.length - maxProblems} more`] : []),
];
/** Keys of the input that the schema dropped. */
function unknownKeys(input: unknown, output: unknown, path: string): string[] {
  if (Array.isArray(input))
    return input.flatMap((item, i) =>
      unknownKeys(item, Array.isArray(output) ? output[i] : undefined, `${path}[${i}]`),
    );
  if (input === null || typeof input !== 'object' || output === null || typeof output !== 'object') return [];
  const known = output as Record<string, unknown>;
  return Object.entries(input).flatMap(([key, value]) => {
    const at = path ? `${path}.${key}` : key;
    return Object.hasOwn(known, key) ? unknownKeys(value, known[key], at) : [at];
  });
}

export const defaultRules: HouseRules = {
  ...(Object.fromEntries((Object.keys(houseRules) as HouseRuleKey[]).map((k) => [k, houseRules[k][0]])) as {
    [K in HouseRuleKey]: (typeof houseRules)[K][0];
  }),
  reuseBath: false,
  weights: {},
};

/** Drop null and undefined, so that defaults below show through. */
function stated<T extends object>(value: T | null | undefined): { [K in keyof T]?: NonNullable<T[K]> } {
  return Object.fromEntries(Object.entries(value ?? {}).filter(([, x]) => x !== null && x !== undefined)) as {
    [K in keyof T]?: NonNullable<T[K]>;
  };
}

export function householdOf(d: HouseholdDocument): Household {
  const { weights, ...rules } = stated(d.rules);
  const water = stated(d.water);
  const tariff = stated(d.tariff);
  return {
    learnt: learntOf(d.learnt),
    rules: { ...defaultRules, ...rules, weights: stated(weights) },
    daysToNextWash: d.daysToNextWash ?? 3,
    water: { hardnessMmolPerL: water.hardnessMmolPerL ?? 2, coldC: water.coldC ?? 12, hotC: water.hotC ?? 55 },
    tariff: {
      currency: tariff.currency ?? 'EUR',
      electricityPerKwh: tariff.electricityPerKwh ?? 0.3,
      waterPerM3: tariff.waterPerM3 ?? 4.5,
      cheapHours: (tariff.cheapHours ?? []).map(clockSpan),
      cheapPerKwh: tariff.cheapPerKwh ?? usualCheapShare * (tariff.electricityPerKwh ?? 0.3),
    },
    times: timesOf(d.times),
    room: {
      volumeM3: 25,
      airChangesPerHour: 0.5,
      temperatureC: 20,
      relativeHumidity: 0.5,
      airSpeedMPerS: 0.1,
      ...stated(d.room),
    },
    washers: (d.washers ?? []).map(washerOf),
    dryers: (d.dryers ?? []).map((x) => ({
      id: x.id,
      name: x.name ?? x.id,
      type: x.type ?? 'condenser',
      maxLoadKg: x.maxLoadKg ?? 7,
      lowTemperature: x.lowTemperature ?? false,
    })),
    dryingPlaces: (d.dryingPlaces ?? []).map((x) => ({
      id: x.id,
      name: x.name ?? x.id,
      bars: x.bars ?? 0,
      barLengthM: x.barLengthM ?? 1,
      flatM2: x.flatM2 ?? 0,
      hangers: x.hangers ?? 0,
      outdoors: x.outdoors ?? false,
      sun: x.sun ?? false,
    })),
    basins: (d.basins ?? []).map((x): Basin => ({ id: x.id, name: x.name ?? x.id, form: basinForm(x) })),
    products: (d.products ?? []).map((x): Product => ({
      id: x.id,
      name: x.name ?? x.id,
      class: x.class,
      form: x.form,
      remaining: x.remaining ?? null,
      pricePerUnit: x.pricePerUnit ?? null,
      dose: x.dose
        ? {
            unit: x.dose.unit,
            perLoadKg: x.dose.perLoadKg ?? 4.5,
            table: x.dose.table
              ? (['soft', 'medium', 'hard'] as const).map((h) => {
                  const row = x.dose?.table?.[h];
                  return row ? [row.light, row.normal, row.heavy] : [];
                })
              : [],
            handPerLitre: x.dose.handPerLitre ?? null,
          }
        : null,
    })),
  };
}

const learntOf = (d: HouseholdDocument['learnt']): Learnt => ({
  slowness: new Map(Object.entries(d?.placeSlowness ?? {})),
  stains: (d?.stainPoints ?? []).map(({ kind, fibre, points }) => ({ stain: kind, fibre, points })),
  dyes: new Map((d?.looseDye ?? []).map(({ dye, factor }) => [dye, factor])),
});

/** What a kWh costs in cheap hours where nobody said it, as a share of the usual price. */
const usualCheapShare = 0.75;
const hoursOfClock = (clock: string): number => Number(clock.slice(0, 2)) + Number(clock.slice(3)) / 60;
const clockSpan = ([from, to]: readonly [string, string]): ClockSpan => [hoursOfClock(from), hoursOfClock(to)];
/** More pairs of hands than any household has. */
const mostHands = 24;
function timesOf(d: HouseholdDocument['times']): HouseTimes {
  const times = stated(d);
  const ms = (instant: string): number => Date.parse(instant);
  return {
    quietHours: (times.quietHours ?? []).map(clockSpan),
    away: (times.away ?? []).map(([from, to]) => ({ fromMs: ms(from), toMs: ms(to) })),
    slots: (times.slots ?? []).map((s) => ({ washer: s.washer, fromMs: ms(s.from), toMs: ms(s.to) })),
    people: Math.min(mostHands, Math.max(1, times.people ?? 1)),
  };
}

type BasinDocument = NonNullable<HouseholdDocument['basins']>[number];
function basinForm(x: BasinDocument): BasinShape {
  const depthCm = x.depthCm ?? 0;
  switch (x.shape) {
    case 'rectangular':
      return { shape: 'rectangular', lengthCm: x.lengthCm ?? 0, widthCm: x.widthCm ?? 0, depthCm };
    case 'round':
      return { shape: 'round', diameterCm: x.diameterCm ?? 0, depthCm };
    case 'tapered':
      return {
        shape: 'tapered',
        topDiameterCm: x.topDiameterCm ?? 0,
        bottomDiameterCm: x.bottomDiameterCm ?? 0,
        depthCm,
      };
    default:
      return { shape: 'volume', volumeL: x.volumeL ?? 0 };
  }
}

function washerOf(w: NonNullable<HouseholdDocument['washers']>[number]): Washer {
  const largest = Math.max(0, ...w.programmes.map((p) => p.maxLoadKg));
  return {
    id: w.id,
    name: w.name ?? w.id,
    loading: w.loading ?? 'front',
    drumRadiusM: w.drumRadiusM ?? 0.24,
    drumVolumeL: w.drumVolumeL ?? drumVolumeL(largest),
    pricePerRun: w.pricePerRun ?? 0,
    refusesForms: w.refusesForms ?? [],
    bleachDispenser: w.bleachDispenser ?? false,
    programmes: w.programmes.map((p) => ({
      id: p.id,
      name: p.name ?? p.id,
      family: p.family,
      action: p.action,
      temperaturesC: p.temperaturesC,
      spinsRpm: p.spinsRpm,
      maxLoadKg: p.maxLoadKg,
      durationMin: p.durationMin,
      waterL: p.waterL ?? null,
      energyKwhAt: new Map(Object.entries(p.energyKwhAt ?? {}).map(([t, kwh]) => [Number(t), kwh])),
    })),
  };
}

export function labelOf(l: LabelDocument | null | undefined): CareLabel | null {
  if (!l) return null;
  const { wash } = l;
  return withTypedWords({
    ...emptyLabel,
    wash: !wash
      ? null
      : wash.by === 'machine'
        ? { by: 'machine', maxC: wash.maxC, action: wash.action ?? 'normal' }
        : wash.by === 'hand'
          ? { by: 'hand', maxC: wash.maxC ?? 40 }
          : { by: 'none' },
    bleach: l.bleach ?? null,
    tumble: l.tumble ?? null,
    dry: l.dry ? { position: l.dry.position, drip: l.dry.drip ?? false, shade: l.dry.shade ?? false } : null,
    iron: l.iron ?? null,
    dryClean: l.dryClean ?? null,
    wetClean: l.wetClean ?? null,
    phrases: l.phrases ?? [],
    text: l.text ?? null,
  });
}

export function garmentOf(g: GarmentDocument): Garment {
  const garment = {
    id: g.id,
    name: g.name,
    kind: g.kind,
    parts: g.parts,
    traits: new Set<TraitId>([...(g.construction ?? []), ...(g.features ?? [])]),
    colours: g.colours,
    dye: g.dye ?? 'unknown',
    label: labelOf(g.label),
    weighedDryMassG: g.dryMassG ?? null,
    size: g.size ?? 'M',
    heightCm: g.heightCm ?? null,
    odour: g.odour ?? false,
    washCount: g.washCount ?? 0,
    wearsSinceWash: g.wearsSinceWash ?? 1,
    activity: g.worn?.activity ?? 'normal',
    nextToSkin: g.worn?.nextToSkin ?? nextToSkinByKind(g.kind),
    soil: g.soil ?? 'normal',
    hygiene: g.hygiene ?? false,
    stains: (g.stains ?? []).map((s) => ({
      id: s.id,
      kind: s.kind,
      ageHours: s.ageHours ?? null,
      heatSet: s.heatSet ?? false,
      heat: s.heat ?? null,
      tried: s.tried ?? [],
      place: s.place ?? '',
      sizeCm: s.sizeCm ?? null,
      failedRounds: s.failedRounds ?? 0,
    })),
    tests: (g.tests ?? []).map((t) => ({ kind: t.kind, agent: t.agent ?? 'water', grade: t.grade, at: t.at })),
    measured: (g.measures ?? []).length > 0,
    soaked: g.soaked ?? false,
    allowTestFirst: g.allowTestFirst ?? false,
    neededBy: g.neededBy ?? null,
    valueEur: g.valueEur ?? 20,
    include: g.include ?? true,
    count: g.count ?? 1,
    set: g.set ?? null,
    learntWears: g.learnt?.wears ?? null,
    learntShrinkShare: g.learnt?.shrinkShare ?? null,
  };
  return { ...garment, use: garmentUse(garment, g.use ?? null) };
}

/** Estimated dry mass of an entry from its document, of all its pieces, g. */
export const estimatedMassG = (g: Pick<GarmentDocument, 'kind' | 'size' | 'heightCm' | 'count'>): number =>
  garmentMassG(g.kind, { size: g.size ?? 'M', heightCm: g.heightCm ?? null }) * (g.count ?? 1);
