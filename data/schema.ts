/**
 * The database. Every table has household_id first in its key; row-level security shows a transaction only the rows of the household it was
 * opened for. Events are append-only; today's wears and wash counts are derived from them.
 */
import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
  customType,
  doublePrecision,
  foreignKey,
  index,
  integer,
  json,
  jsonb,
  pgPolicy,
  pgRole,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { Parting } from '../core/piece/state.ts';
import type { BenchState } from '../core/stain/bench.ts';
import type { SoakPlan } from '../core/stain/bulk-soak.ts';
import type { Procedure } from '../core/stain/treatment.ts';
import type { StainKind } from '../core/stain/stains.ts';
import type { Findings } from '../core/run/findings.ts';
import type { HandWalk } from '../core/run/hand-walk.ts';
import type { LookKind } from '../core/run/inspection.ts';
import type { RunOption } from '../core/run/options.ts';
import type { MachinePhase } from '../core/run/phases.ts';
import type { DryPosition } from '../core/envelope/envelope.ts';
import type { Spot } from '../core/drying/spaces.ts';
import type { AirChoice } from '../core/rack/forecast.ts';
import type { DryingCheck } from '../core/learn/drying.ts';
import type { FreshenEnd, FreshenWay } from '../core/freshen/task.ts';
import type { ReturnLook } from '../core/cleaner/visit.ts';
import type { PhotoMoment, PhotoPlace } from '../core/garment/photo-places.ts';
import type { Measure } from '../core/practice/assess.ts';
import type { Skill } from '../core/practice/effects.ts';
import type { Play } from '../core/practice/play.ts';
import type { Trouble } from '../core/run/trouble.ts';
import type { UpkeepTask } from '../core/run/upkeep.ts';
import type { PromisedTask } from '../core/timetable/moved.ts';
import type { DayAim } from '../core/timetable/timetable.ts';
import type { WalkState } from '../core/run/walk-state.ts';
import type { MeasurePlace } from '../core/garment/measures.ts';
import type { GarmentDocument, HouseholdDocument, LabelDocument } from '../formats/hamper-schema.ts';
import type { HamperDocument } from '../formats/hamper.ts';
import type { PlanDocument } from '../formats/plan.ts';
import { usualUnits, type UnitChoices } from '../core/units/choices.ts';

/** The application's role; it must exist before migrating. It owns nothing and cannot bypass row-level security. */
export const appRole = pgRole('neatfold_app').existing();

// The household this transaction was opened for (decision 18). Its price is written on the function, so that it is asked once a scan and not once a
// row; the planner asks it too, and knows how much that household has.
const mine = sql`household_id = opened_household()`;
const household = () => uuid('household_id').notNull();
const policy = (table: string) =>
  pgPolicy(`${table}_household`, { as: 'permissive', for: 'all', to: 'public', using: mine, withCheck: mine });
const at = (name: string) => timestamp(name, { withTimezone: true });

/** The household as the hamper document keeps it, and what only we keep. */
export interface HouseholdView {
  name: string;
  timeZone: string;
  document: HouseholdDocument;
  /** Washing nets; the open format does not know them. */ nets: { all: number; withoutMetal: number };
  poisonCentre: string | null;
  /** Who washes here, by name; missing = nobody said. */ people?: string[];
  /** Children live here or visit. */ children: boolean;
  units: UnitChoices;
  /** The cap, spoon or cup a product is dosed with, by product id. */
  measures: Record<string, DoseMeasure>;
  /** What the buttons for options are called, by washer id; missing = nobody wrote it down. */
  optionNames?: Record<string, OptionNames>;
}
/** The machine's own words for its options. */
export type OptionNames = Partial<Record<RunOption, string>>;
/** A cap or a spoon, and how much of the product's dose unit it holds. */
export interface DoseMeasure {
  name: string;
  holds: number;
}

type Rules = NonNullable<HouseholdDocument['rules']>;
type Product = NonNullable<HouseholdDocument['products']>[number];
type Washer = NonNullable<HouseholdDocument['washers']>[number];
type Programme = Washer['programmes'][number];

export const households = pgTable(
  'household',
  {
    householdId: household().primaryKey(),
    name: text('name').notNull(),
    timeZone: text('time_zone').notNull().default('UTC'),
    rules: jsonb('rules').$type<Rules>().notNull(),
    daysToNextWash: doublePrecision('days_to_next_wash').notNull().default(3),
    water: jsonb('water').$type<NonNullable<HouseholdDocument['water']>>().notNull(),
    tariff: jsonb('tariff').$type<NonNullable<HouseholdDocument['tariff']>>().notNull(),
    room: jsonb('room').$type<NonNullable<HouseholdDocument['room']>>().notNull(),
    /** Telephone number as the household wrote it; null = not given. */
    poisonCentre: text('poison_centre'),
    /** Children live here or visit. */
    children: boolean('children').notNull().default(false),
    /** Washing nets at hand, and how many of them without metal. */
    nets: integer('nets').notNull().default(4),
    netsWithoutMetal: integer('nets_without_metal').notNull().default(2),
    /** Quiet hours, absences, slots of shared machines, people. */
    times: jsonb('times').$type<NonNullable<HouseholdDocument['times']>>().notNull().default({}),
    /** Who washes here, by name; the first is person 1. Empty = nobody said. */
    peopleNames: text('people_names')
      .array()
      .notNull()
      .default(sql`'{}'::text[]`),
    /** In which units quantities are shown and typed. */
    units: jsonb('units').$type<UnitChoices>().notNull().default(usualUnits),
    createdAt: at('created_at').notNull().defaultNow(),
  },
  () => [policy('household')],
);

export const washers = pgTable(
  'washer',
  {
    householdId: household(),
    id: text('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    loading: text('loading').$type<NonNullable<Washer['loading']>>().notNull(),
    drumRadiusM: doublePrecision('drum_radius_m'),
    drumVolumeL: doublePrecision('drum_volume_l'),
    pricePerRun: doublePrecision('price_per_run').notNull().default(0),
    /** Forms of product it may not take. */
    refusesForms: text('refuses_forms')
      .array()
      .$type<NonNullable<Washer['refusesForms']>>()
      .notNull()
      .default(sql`'{}'::text[]`),
    bleachDispenser: boolean('bleach_dispenser').notNull().default(false),
    /** What its buttons for the options are called. */
    optionNames: jsonb('option_names').$type<OptionNames>().notNull().default({}),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('washer')],
);

export const programmes = pgTable(
  'programme',
  {
    householdId: household(),
    washerId: text('washer_id').notNull(),
    id: text('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    family: text('family').$type<Programme['family']>().notNull(),
    action: text('action').$type<Programme['action']>().notNull(),
    temperaturesC: doublePrecision('temperatures_c').array().notNull(),
    spinsRpm: doublePrecision('spins_rpm').array().notNull(),
    maxLoadKg: doublePrecision('max_load_kg').notNull(),
    durationMin: doublePrecision('duration_min').notNull(),
    waterL: doublePrecision('water_l'),
    energyKwhAt: jsonb('energy_kwh_at').$type<Record<string, number>>(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.washerId, t.id] }),
    foreignKey({ columns: [t.householdId, t.washerId], foreignColumns: [washers.householdId, washers.id] }).onDelete(
      'cascade',
    ),
    policy('programme'),
  ],
);

/** Dryers, drying places and basins: small things kept as the format keeps them. */
export type EquipmentKind = 'dryer' | 'drying-place' | 'basin';
export const equipment = pgTable(
  'equipment',
  {
    householdId: household(),
    kind: text('kind').$type<EquipmentKind>().notNull(),
    id: text('id').notNull(),
    position: integer('position').notNull(),
    body: jsonb('body').$type<Record<string, unknown>>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.kind, t.id] }), policy('equipment')],
);

export const products = pgTable(
  'product',
  {
    householdId: household(),
    id: text('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    class: text('class').notNull(),
    form: text('form').$type<Product['form']>().notNull(),
    dose: jsonb('dose').$type<NonNullable<Product['dose']>>(),
    remaining: doublePrecision('remaining'),
    pricePerUnit: doublePrecision('price_per_unit'),
    /** What it is dosed with at home, measured once: its name, and how much of the dose unit it holds. */
    measureName: text('measure_name'),
    measureHolds: doublePrecision('measure_holds'),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('product')],
);

export const garments = pgTable(
  'garment',
  {
    householdId: household(),
    id: text('id').notNull(),
    position: bigserial('position', { mode: 'number' }).notNull(),
    name: text('name').notNull(),
    owner: text('owner').notNull().default(''),
    kind: text('kind').$type<GarmentDocument['kind']>().notNull(),
    size: text('size').$type<NonNullable<GarmentDocument['size']>>().notNull().default('M'),
    parts: jsonb('parts').$type<GarmentDocument['parts']>().notNull(),
    traits: text('traits').array().$type<NonNullable<GarmentDocument['features']>>().notNull(),
    colours: jsonb('colours').$type<GarmentDocument['colours']>().notNull(),
    dye: text('dye').$type<NonNullable<GarmentDocument['dye']>>().notNull().default('unknown'),
    label: jsonb('label').$type<LabelDocument>(),
    dryMassG: doublePrecision('dry_mass_g'),
    valueEur: doublePrecision('value_eur').notNull().default(20),
    /** What it is for; null = by its kind. */
    use: text('use').$type<NonNullable<GarmentDocument['use']>>(),
    /** Like pieces in one entry; the mass is of all. */
    count: integer('count').notNull().default(1),
    /** Pieces of one set like to stay together. */
    set: text('set_id'),
    /** Height of the child who wears it, cm; replaces the size. */
    heightCm: doublePrecision('height_cm'),
    /** Since when it is no longer washed here, and why; its history stays. */
    retiredAt: at('retired_at'),
    retiredBecause: text('retired_because').$type<Parting>(),
    /** The owner's accepted risk, in their own words: a dry-clean-only piece may be tested and washed under the rule test-first. */
    testFirstRisk: text('test_first_risk'),
    createdAt: at('created_at').notNull().defaultNow(),
    updatedAt: at('updated_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('garment')],
);

export const eventKinds = [
  'worn',
  'aired',
  'washed',
  'tested',
  'measured',
  'stained',
  'treated',
  'read',
  'dried',
  'mended',
  'cleaned',
  'noted',
] as const;
export type EventKind = (typeof eventKinds)[number];
/** What an event carries; `count` stands for several at once (older washes of a piece that joined later). */
export interface EventData {
  count?: number;
  test?: {
    kind: 'spot' | 'part' | 'catcher';
    grade: number;
    /** An agent or a preparation; water when missing. */ agent?: string;
  };
  temperatureC?: number;
  programme?: string;
  stain?: { id: string; kind: string; result: 'gone' | 'lighter' | 'same' | 'stopped' };
  /** One step at the stain bench, so that a professional can read what was done. */
  step?: {
    stain: string;
    agent: string;
    dose: string | null;
    temperatureC: number;
    minutes: number;
    result: 'passed' | 'failed';
  };
  /** Centimetres, flat, by place. */
  measure?: { place: MeasurePlace; cm: number };
  /** What was taken off and where it lies; `refitted` = it is back. */
  detached?: string;
  refitted?: boolean;
  /** What asks to be mended before the next wash; a `mended` event answers it. */
  mend?: string;
  size?: 'kept' | 'changed' | 'smaller' | 'larger';
  /** The id of an event that was a mistake: it counts no more. */
  struck?: number;
  /** It took the last entry back, and is not taken back itself. */
  undo?: boolean;
  /** The id of the struck event that this one stands for. */
  corrects?: number;
  /** How long a piece was on a drying place, and what the model had said. */
  drying?: { place: string; hours: number };
  /** Freshened without water: how, and how it ended. */
  freshened?: { way: FreshenWay; end: FreshenEnd };
  /** Back from the cleaner. */
  cleaned?: { cost: number; worthIt: boolean | null };
  note?: string;
}
export const events = pgTable(
  'event',
  {
    householdId: household(),
    id: bigserial('id', { mode: 'number' }).notNull(),
    at: at('at').notNull().defaultNow(),
    kind: text('kind').$type<EventKind>().notNull(),
    garmentId: text('garment_id').notNull(),
    loadId: uuid('load_id'),
    /** Who did it: the demo, somebody at home, later a person's account. */
    actor: text('actor').notNull().default('home'),
    data: jsonb('data').$type<EventData>().notNull(),
    /** The event it takes back. */
    strikes: bigint('strikes', { mode: 'number' }).generatedAlwaysAs(sql`(data->>'struck')::bigint`),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('event_garment').on(t.householdId, t.garmentId, t.at),
    index('event_newest')
      .on(t.householdId, t.at, t.id)
      .where(sql`strikes is null`),
    index('event_kind').on(t.householdId, t.kind, t.at),
    // Few: read once for a statement, however long the log is.
    index('event_strikes')
      .on(t.householdId, t.strikes)
      .where(sql`strikes is not null`),
    foreignKey({ columns: [t.householdId, t.garmentId], foreignColumns: [garments.householdId, garments.id] }),
    policy('event'),
  ],
);

/** What lies in the basket, with what is known of it today. */
export interface BasketState {
  soil: NonNullable<GarmentDocument['soil']>;
  activity: 'rest' | 'normal' | 'sweaty';
  odour: boolean;
  hygiene: boolean;
  neededBy: string | null;
  stains: MarkedStain[];
  /** Out of the oxygen soak and not washed since. */
  soaked?: true;
}
/**
 * `notedAt` (ISO 8601): its age grows from then on; without it the age is the one that was said. `spot`: the very place
 * on the drawing of the piece, x of 100 and y of the drawing's height.
 */
export type MarkedStain = NonNullable<GarmentDocument['stains']>[number] & {
  notedAt?: string;
  spot?: { side: 'front' | 'back'; x: number; y: number };
};
export const basketEntries = pgTable(
  'basket_entry',
  {
    householdId: household(),
    garmentId: text('garment_id').notNull(),
    state: jsonb('state').$type<BasketState>().notNull(),
    addedAt: at('added_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.garmentId] }),
    foreignKey({ columns: [t.householdId, t.garmentId], foreignColumns: [garments.householdId, garments.id] }).onDelete(
      'cascade',
    ),
    policy('basket_entry'),
  ],
);

/** Input snapshot and result together, so that an old plan can be explained with the facts of its day. `json` keeps the bytes: downloads equal the command line. */
export const plans = pgTable(
  'plan',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    createdAt: at('created_at').notNull().defaultNow(),
    hamper: json('hamper').$type<HamperDocument>().notNull(),
    result: json('result').$type<PlanDocument>().notNull(),
    insights: jsonb('insights').$type<PlanInsights>(),
    /** A load beside the day's plan: what is washed again at once. The day's plan stays the newest. */
    aside: boolean('aside').notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('plan_newest').on(t.householdId, t.createdAt),
    policy('plan'),
  ],
);

/** Decisions made by hand, one row per step: the whole list of pins as it stood after it, so that undo is taking the last row away. */
export type PinDocument = NonNullable<HamperDocument['pins']>[number];
export const decisions = pgTable(
  'decision',
  {
    householdId: household(),
    id: bigserial('id', { mode: 'number' }).notNull(),
    at: at('at').notNull().defaultNow(),
    pins: jsonb('pins').$type<PinDocument[]>().notNull(),
    note: text('note').notNull(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('decision')],
);

/** What is worked out about a plan after it is stored: its price without the decisions, and what each house rule costs. */
export interface PlanInsights {
  freeCost: number;
  rules: { rule: string; words: string; saves: number; loads: number; minutes: number; energyKwh: number }[];
}

export const loadStatuses = ['planned', 'running', 'finished'] as const;
export const loads = pgTable(
  'load',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    planId: uuid('plan_id').notNull(),
    number: integer('number').notNull(),
    /** What history asks of a load, so that nobody has to open its plan for it. */
    run: jsonb('run').$type<RunFacts>().notNull(),
    status: text('status').$type<(typeof loadStatuses)[number]>().notNull().default('planned'),
    ticked: text('ticked')
      .array()
      .notNull()
      .default(sql`'{}'::text[]`),
    startedAt: at('started_at'),
    endsAt: at('ends_at'),
    finishedAt: at('finished_at'),
    findings: jsonb('findings').$type<Findings>(),
    doseTaken: boolean('dose_taken').notNull().default(false),
    /** Pieces put in after the start, besides those of the plan. */
    added: text('added')
      .array()
      .notNull()
      .default(sql`'{}'::text[]`),
    /** The steps of a wash by hand as they were written when it began, and how far it is. */
    walk: jsonb('walk').$type<HandWalk>(),
    walkState: jsonb('walk_state').$type<WalkState>(),
    /** What stopped the machine; null = it runs. */
    trouble: text('trouble').$type<Trouble>(),
    /** When the machine had ended, and what the run took. */
    measured: jsonb('measured').$type<MeasuredLoad>(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('load_plan').on(t.householdId, t.planId),
    foreignKey({ columns: [t.householdId, t.planId], foreignColumns: [plans.householdId, plans.id] }).onDelete(
      'cascade',
    ),
    policy('load'),
  ],
);

/** How a load runs, in short: what history and figures ask of it. */
export interface RunFacts {
  washer: string | null;
  programme: string | null;
  product: string | null;
  temperatureC: number;
  fill: number;
  /** As planned. */
  pieces: string[];
  massKg: number;
  durationMin: number;
  attendedMin: number;
  waterL: number;
  energyKwh: number;
  /** Energy, water, products and coins at the prices of the day. */
  money: number;
  /** What a kWh cost that day. */
  pricePerKwh: number;
  doses: { product: string; class: string; amount: number; unit: string }[];
}
/** A run as it was: until the machine had ended, not until somebody came. */
export interface MeasuredLoad {
  endedAt: string;
  minutes: number;
  /** null = nobody measured it. */
  kwh: number | null;
  by: 'hand' | 'meter' | 'machine';
}

/** What was seen of a load: one answer to one question, given once. */
export const findings = pgTable(
  'finding',
  {
    householdId: household(),
    loadId: uuid('load_id').notNull(),
    look: text('look').notNull(),
    kind: text('kind').$type<LookKind>().notNull(),
    answer: text('answer').notNull(),
    /** The pieces the answer is about. */
    pieces: text('pieces').array().notNull(),
    note: text('note').notNull().default(''),
    at: at('at').notNull(),
    actor: text('actor').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.loadId, t.look] }),
    foreignKey({ columns: [t.householdId, t.loadId], foreignColumns: [loads.householdId, loads.id] }).onDelete(
      'cascade',
    ),
    policy('finding'),
  ],
);

export const deviceKinds = ['washer', 'meter', 'room', 'weather'] as const;
export type DeviceKind = (typeof deviceKinds)[number];
/** A machine, a plug meter, a sensor of the room or a weather service that reports by itself. The last two stand at no machine (''). Its token is kept as a digest only. */
export const devices = pgTable(
  'device',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    name: text('name').notNull(),
    kind: text('kind').$type<DeviceKind>().notNull(),
    washerId: text('washer_id').notNull(),
    tokenDigest: text('token_digest').notNull(),
    createdAt: at('created_at').notNull().defaultNow(),
    lastSeenAt: at('last_seen_at'),
    revokedAt: at('revoked_at'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    uniqueIndex('device_token').on(t.householdId, t.tokenDigest),
    policy('device'),
  ],
);
/** What a device said: watts, or what the machine tells of itself. `counterS` is its own counter, which only grows. */
export const deviceSamples = pgTable(
  'device_sample',
  {
    householdId: household(),
    id: bigserial('id', { mode: 'number' }).notNull(),
    deviceId: uuid('device_id').notNull(),
    at: at('at').notNull(),
    counterS: doublePrecision('counter_s').notNull(),
    watts: doublePrecision('watts'),
    phase: text('phase').$type<MachinePhase>(),
    remainingMin: doublePrecision('remaining_min'),
    temperatureC: doublePrecision('temperature_c'),
    humidity: doublePrecision('humidity'),
    error: text('error'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('device_sample_newest').on(t.householdId, t.deviceId, t.at),
    foreignKey({ columns: [t.householdId, t.deviceId], foreignColumns: [devices.householdId, devices.id] }).onDelete(
      'cascade',
    ),
    policy('device_sample'),
  ],
);

/** Care of the machines: what was done, and runs of it that are under way. */
export const upkeeps = pgTable(
  'upkeep',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    machine: text('machine').notNull(),
    task: text('task').$type<UpkeepTask>().notNull(),
    startedAt: at('started_at').notNull(),
    endsAt: at('ends_at'),
    doneAt: at('done_at'),
    actor: text('actor').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    // One run of its kind at a time.
    uniqueIndex('upkeep_under_way')
      .on(t.householdId, t.machine)
      .where(sql`done_at is null`),
    policy('upkeep'),
  ],
);

/** What came out of the water and is not back in the cupboard: one row a piece, from the drum to the shelf. */
export const wetPieces = pgTable(
  'wet_piece',
  {
    householdId: household(),
    garmentId: text('garment_id').notNull(),
    loadId: uuid('load_id').notNull(),
    outAt: at('out_at').notNull(),
    /** kg/kg at `moistureAt`, when it was last known, and how musty it had become by then. */
    moisture: doublePrecision('moisture').notNull(),
    moistureAt: at('moisture_at').notNull(),
    musty: doublePrecision('musty').notNull().default(0),
    /** Where it hangs; null = nowhere yet, or only wished there while `hungAt` is null. */
    place: text('place'),
    position: text('position').$type<DryPosition>(),
    spots: jsonb('spots')
      .$type<Spot[]>()
      .notNull()
      .default(sql`'[]'::jsonb`),
    hungAt: at('hung_at'),
    /** What the model says of it there, without anything learnt, h: for learning. */
    modelHours: doublePrecision('model_hours'),
    turnedAt: at('turned_at'),
    /** When it should be dry. */
    expectedAt: at('expected_at'),
    weighedG: doublePrecision('weighed_g'),
    weighedAt: at('weighed_at'),
    /** Felt, and dry. */
    dryAt: at('dry_at'),
    /** It came hot out of a dryer then, °C. */
    hotC: doublePrecision('hot_c'),
    pressedAt: at('pressed_at'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.garmentId] }),
    foreignKey({ columns: [t.householdId, t.garmentId], foreignColumns: [garments.householdId, garments.id] }).onDelete(
      'cascade',
    ),
    policy('wet_piece'),
  ],
);
/** What was found at a drying place, against the model: the place learns from it. */
export const dryingChecks = pgTable(
  'drying_check',
  {
    householdId: household(),
    id: bigserial('id', { mode: 'number' }).notNull(),
    place: text('place').notNull(),
    garmentId: text('garment_id').notNull(),
    found: text('found').$type<DryingCheck['found']>().notNull(),
    hours: doublePrecision('hours').notNull(),
    modelHours: doublePrecision('model_hours').notNull(),
    at: at('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('drying_check_place').on(t.householdId, t.place),
    policy('drying_check'),
  ],
);
export const dryerRuns = pgTable(
  'dryer_run',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    dryer: text('dryer').notNull(),
    pieces: text('pieces').array().notNull(),
    low: boolean('low').notNull(),
    kwh: doublePrecision('kwh').notNull(),
    startedAt: at('started_at').notNull(),
    endsAt: at('ends_at').notNull(),
    endedAt: at('ended_at'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    // One load at a time in a drum.
    uniqueIndex('dryer_run_under_way')
      .on(t.householdId, t.dryer)
      .where(sql`ended_at is null`),
    policy('dryer_run'),
  ],
);
/** What is done for the air of the room just now. */
export const roomAirs = pgTable(
  'room_air',
  { householdId: household(), choice: text('choice').$type<AirChoice>().notNull(), since: at('since').notNull() },
  (t) => [primaryKey({ columns: [t.householdId] }), policy('room_air')],
);
/** The weather by the hour, as a service foretells it. */
export const weatherHours = pgTable(
  'weather_hour',
  {
    householdId: household(),
    at: at('at').notNull(),
    temperatureC: doublePrecision('temperature_c').notNull(),
    humidity: doublePrecision('humidity').notNull(),
    windMPerS: doublePrecision('wind_m_per_s').notNull(),
    rainMm: doublePrecision('rain_mm').notNull(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.at] }), policy('weather_hour')],
);

/** A piece being freshened without water: airing, steamed, brushed. */
export const freshenings = pgTable(
  'freshening',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    garmentId: text('garment_id').notNull(),
    way: text('way').$type<FreshenWay>().notNull(),
    done: text('done')
      .array()
      .notNull()
      .default(sql`'{}'::text[]`),
    startedAt: at('started_at').notNull(),
    clockEndsAt: at('clock_ends_at'),
    endedAt: at('ended_at'),
    ending: text('ending').$type<FreshenEnd>(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    uniqueIndex('freshening_under_way')
      .on(t.householdId, t.garmentId)
      .where(sql`ended_at is null`),
    foreignKey({ columns: [t.householdId, t.garmentId], foreignColumns: [garments.householdId, garments.id] }).onDelete(
      'cascade',
    ),
    policy('freshening'),
  ],
);

/** Pieces on their way to a professional: the slip, when they went and came, what it cost. */
export const cleanerVisits = pgTable(
  'cleaner_visit',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    writtenAt: at('written_at').notNull(),
    sentAt: at('sent_at'),
    /** A local day; null = nobody said. */
    expectedOn: text('expected_on'),
    returnedAt: at('returned_at'),
    price: doublePrecision('price'),
    worthIt: boolean('worth_it'),
    note: text('note').notNull().default(''),
    pieces: jsonb('pieces').$type<CleanerPiece[]>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('cleaner_visit')],
);
export interface CleanerPiece {
  garment: string;
  /** Its marks when the slip was written. */
  marks: { kind: StainKind; place: string; ageHours: number | null }[];
  /** What the cleaner is told besides. */
  say: string;
  /** What came off and stays at home. */
  keeps: string;
  answers: Partial<Record<ReturnLook, string>>;
}

/** A stain under treatment: the procedure as it was written when it began, how far it is, and the clock of the step under way. */
export const treatments = pgTable(
  'treatment',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    garmentId: text('garment_id').notNull(),
    stainId: text('stain_id').notNull(),
    procedure: jsonb('procedure').$type<Procedure>().notNull(),
    state: jsonb('state').$type<BenchState>().notNull(),
    openedAt: at('opened_at').notNull().defaultNow(),
    clockStartedAt: at('clock_started_at'),
    clockEndsAt: at('clock_ends_at'),
    closedAt: at('closed_at'),
    outcome: text('outcome').$type<TreatmentOutcome>(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    foreignKey({ columns: [t.householdId, t.garmentId], foreignColumns: [garments.householdId, garments.id] }).onDelete(
      'cascade',
    ),
    policy('treatment'),
  ],
);
export type TreatmentOutcome = 'gone' | 'lighter' | 'same' | 'stopped' | 'rewritten' | 'given-up';

/** A tub in which many pieces soak: its plan, and when it began and ended. */
export const soaks = pgTable(
  'soak',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    pieces: text('pieces').array().notNull(),
    plan: jsonb('plan').$type<SoakPlan>().notNull(),
    startedAt: at('started_at'),
    stirs: integer('stirs').notNull().default(0),
    endedAt: at('ended_at'),
    createdAt: at('created_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('soak')],
);

/** What the household was before somebody changed its machines, products, rules or times: the newest change can be taken back. */
export const householdChanges = pgTable(
  'household_change',
  {
    householdId: household(),
    id: bigserial('id', { mode: 'number' }).notNull(),
    at: at('at').notNull().defaultNow(),
    /** What was changed, in words. */
    note: text('note').notNull(),
    /** The id of the machine, place or product that was changed; '' = the household itself. */
    subject: text('subject').notNull().default(''),
    before: jsonb('before').$type<HouseholdView>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('household_change')],
);

/** Files and lists that were taken in, and what the pieces were before, so that it can be taken back. */
export const imports = pgTable(
  'import',
  {
    householdId: household(),
    id: uuid('id').notNull(),
    at: at('at').notNull().defaultNow(),
    note: text('note').notNull(),
    /** null = the piece came with it. */
    before: jsonb('before').$type<{ id: string; garment: Record<string, unknown> | null }[]>().notNull(),
    /** Entries of the log that came with it. */
    events: bigint('events', { mode: 'number' })
      .array()
      .notNull()
      .default(sql`'{}'::bigint[]`),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('import')],
);

/** What somebody said about the hours of a day. */
export const dayWishKinds = ['not-before', 'first', 'out', 'needed', 'skip', 'hands'] as const;
export const dayWishes = pgTable(
  'day_wish',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    kind: text('kind').$type<(typeof dayWishKinds)[number]>().notNull(),
    /** The load it is about; null = the whole day, or a person. */
    loadId: uuid('load_id'),
    /** A task of that load, for who does it. */
    task: text('task'),
    person: integer('person'),
    /** Not before, needed by, out from. */
    at: at('at'),
    until: at('until'),
    saidAt: at('said_at').notNull(),
    /** The day as it was before it was said: what it cost. */
    before: jsonb('before').$type<DayFigures>(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    foreignKey({ columns: [t.householdId, t.loadId], foreignColumns: [loads.householdId, loads.id] }).onDelete(
      'cascade',
    ),
    policy('day_wish'),
  ],
);
/** A day in figures, as far as a change of it is told by them. */
export interface DayFigures {
  finishMs: number | null;
  interruptions: number;
  energyMoney: number;
  late: string[];
}
/** How the household wants its day, and the hours it was promised. */
export const dayPromises = pgTable(
  'day_promise',
  {
    householdId: household(),
    aim: text('aim').$type<DayAim>().notNull(),
    at: at('at').notNull(),
    tasks: jsonb('tasks').$type<PromisedTask[]>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.householdId] }), policy('day_promise')],
);
/** An address at which calendar programs read the day. Its secret part is kept as a digest only. */
export const calendarFeeds = pgTable(
  'calendar_feed',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    name: text('name').notNull(),
    tokenDigest: text('token_digest').notNull(),
    createdAt: at('created_at').notNull(),
    lastReadAt: at('last_read_at'),
    revokedAt: at('revoked_at'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    uniqueIndex('calendar_feed_token').on(t.householdId, t.tokenDigest),
    policy('calendar_feed'),
  ],
);

/** Lessons that somebody switched off: the book's value holds. */
export const bookValues = pgTable(
  'book_value',
  { householdId: household(), lesson: text('lesson').notNull(), since: at('since').notNull() },
  (t) => [primaryKey({ columns: [t.householdId, t.lesson] }), policy('book_value')],
);

/** Bytes as the database keeps them. */
const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
/** Pictures of a piece, made small, without anything the camera wrote beside them. */
export const photos = pgTable(
  'photo',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    garmentId: text('garment_id').notNull(),
    at: at('at').notNull(),
    moment: text('moment').$type<PhotoMoment>().notNull(),
    place: text('place').$type<PhotoPlace>().notNull(),
    note: text('note').notNull().default(''),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    /** WebP, and how many bytes: asked for without reading them. */
    size: integer('size').notNull(),
    picture: bytes('picture').notNull(),
    thumb: bytes('thumb').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('photo_garment').on(t.householdId, t.garmentId, t.at),
    foreignKey({ columns: [t.householdId, t.garmentId], foreignColumns: [garments.householdId, garments.id] }).onDelete(
      'cascade',
    ),
    policy('photo'),
  ],
);

/** Things seen in a shop: their label, what they cost, what became of the wish. */
export const wishEnds = ['bought', 'left'] as const;
export const wishes = pgTable(
  'wish',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    at: at('at').notNull(),
    garment: jsonb('garment').$type<GarmentDocument>().notNull(),
    price: doublePrecision('price'),
    /** Whose it would be; '' = nobody said. */
    owner: text('owner').notNull().default(''),
    wearsPerYear: doublePrecision('wears_per_year').notNull(),
    ending: text('ending').$type<(typeof wishEnds)[number]>(),
    endedAt: at('ended_at'),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), policy('wish')],
);

/** What a round of practice came to, as it was told then. */
export interface PracticeScores {
  score: number;
  measures: Record<Measure, number>;
  skills: Record<Skill, number | null>;
  /** A danger ended it. */
  ended: boolean;
  hints: number;
}
/** A round of practice: a made-up basket, what was decided so far, and what it came to. It touches nothing that is washed for real. */
export const practiceRounds = pgTable(
  'practice_round',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    basket: text('basket').notNull(),
    /** Who plays, by name; '' = nobody said. */
    person: text('person').notNull().default(''),
    /** The seed of its luck. */
    luck: integer('luck').notNull(),
    play: jsonb('play').$type<Play>().notNull(),
    hints: integer('hints').notNull().default(0),
    startedAt: at('started_at').notNull(),
    endedAt: at('ended_at'),
    /** Once it was washed. */
    scores: jsonb('scores').$type<PracticeScores>(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    index('practice_round_person').on(t.householdId, t.person, t.endedAt),
    policy('practice_round'),
  ],
);

/** Forms that were answered, by their key and what they said. */
export const submissions = pgTable(
  'submission',
  {
    householdId: household(),
    key: uuid('key').notNull(),
    digest: text('digest').notNull(),
    /** Where the answer led. */
    answer: text('answer').notNull(),
    at: at('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.key, t.digest] }),
    index('submission_age').on(t.householdId, t.at),
    policy('submission'),
  ],
);

/** A phone or another computer of the home network that was let in. Its secret is kept as a digest only. */
export const pockets = pgTable(
  'pocket',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    name: text('name').notNull(),
    tokenDigest: text('token_digest').notNull(),
    pairedAt: at('paired_at').notNull(),
    lastSeenAt: at('last_seen_at'),
    revokedAt: at('revoked_at'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    uniqueIndex('pocket_token').on(t.householdId, t.tokenDigest),
    policy('pocket'),
  ],
);
/** The short code by which one of them is let in: once, for a few minutes, after few wrong guesses. */
export const pairings = pgTable(
  'pairing',
  {
    householdId: household(),
    codeDigest: text('code_digest').notNull(),
    expiresAt: at('expires_at').notNull(),
    usedAt: at('used_at'),
    /** Wrong guesses by anybody while it stood. */
    wrong: integer('wrong').notNull().default(0),
  },
  (t) => [primaryKey({ columns: [t.householdId] }), policy('pairing')],
);

/** Work that goes on behind the pages: what it is about, how far it is, what came of it (docs/scale.md). */
export const workKinds = ['plan', 'insights', 'piles'] as const;
export const workStates = ['queued', 'active', 'done', 'stopped', 'failed'] as const;
export const works = pgTable(
  'work',
  {
    householdId: household(),
    id: uuid('id').notNull().defaultRandom(),
    kind: text('kind').$type<(typeof workKinds)[number]>().notNull(),
    /** What tells like work apart: a plan, a school, a load. At most one of a kind and subject is queued or active. */
    subject: text('subject').notNull().default(''),
    state: text('state').$type<(typeof workStates)[number]>().notNull().default('queued'),
    input: json('input').$type<Record<string, unknown>>().notNull(),
    /** How much it is, for whoever waits: pieces. */
    size: integer('size').notNull().default(0),
    progress: jsonb('progress').$type<Record<string, unknown>>(),
    /** Whoever waits takes the best so far. */
    enough: boolean('enough').notNull().default(false),
    result: json('result').$type<unknown>(),
    /** What went wrong, in words. */
    problem: text('problem'),
    createdAt: at('created_at').notNull(),
    /** Not before. */
    dueAt: at('due_at').notNull(),
    /** The last sign of life of whoever works at it, and how often it was begun. */
    beatAt: at('beat_at'),
    tries: integer('tries').notNull().default(0),
    endedAt: at('ended_at'),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.id] }),
    uniqueIndex('work_under_way')
      .on(t.householdId, t.kind, t.subject)
      .where(sql`state in ('queued', 'active')`),
    policy('work'),
  ],
);

/** What somebody was called for: one row a load and moment, however many servers looked. */
export const reminders = pgTable(
  'reminder',
  {
    householdId: household(),
    loadId: uuid('load_id').notNull(),
    dueAt: at('due_at').notNull(),
    calledAt: at('called_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.householdId, t.loadId, t.dueAt] }),
    foreignKey({ columns: [t.householdId, t.loadId], foreignColumns: [loads.householdId, loads.id] }).onDelete(
      'cascade',
    ),
    policy('reminder'),
  ],
);
