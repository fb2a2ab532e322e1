/**
 * The work of a day out of its plan: blocks of steps that hang together. A machine load is loaded, runs, is taken out, looked over and hung up; a hand bath is
 * filled, soaks and is washed out. Each piece then dries, is turned, pressed and put away by itself.
 */
import type { DryingItem } from '../drying/room.ts';
import { flatAreaM2 } from '../drying/spaces.ts';
import { tumbleRun } from '../drying/drying.ts';
import { coolingWaitMin } from '../drying/moisture.ts';
import { sizeFactor } from '../garment/mass.ts';
import { kindFacts } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import type { DryPlan, Outcome, PlannedLoad, PressPlan, StepKind } from '../model/plan.ts';
import type { ResourceUse, TaskKind } from '../model/timetable.ts';
import { moistureAtEnd } from '../piece/care-steps.ts';
import { workplaceOf } from '../piece/pretreat.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { loadName } from '../plan/load-name.ts';
import { machineTimes } from '../plan/procedure.ts';
import { barsEachOf, layoutFor } from '../rack/hang.ts';
import { procedureFor } from '../stain/procedure.ts';
import { sum } from '../units/numbers.ts';

/** Of a plan only what gives the work its hours; the plan document has it, too. */
export interface LoadToDo extends Pick<
  PlannedLoad,
  | 'id'
  | 'method'
  | 'washer'
  | 'programme'
  | 'basin'
  | 'garments'
  | 'temperatureC'
  | 'spinRpm'
  | 'durationMin'
  | 'energyKwh'
  | 'reuses'
> {
  procedure: readonly { step: string; minutes: number; attended: boolean }[];
}
export interface PieceToDo {
  id: string;
  outcome: Outcome;
  load: string | null;
  dry: (Omit<DryPlan, 'method'> & { method: string }) | null;
  press: PressPlan | null;
}
export interface WorkRequest {
  household: Household;
  garments: readonly Garment[];
  loads: readonly LoadToDo[];
  planned: readonly PieceToDo[];
  /** Of the same garments, where somebody has them already. */
  profiles?: readonly Profile[];
}

/** Hands, min: engineering estimates of one pair of hands that is not in a hurry. */
export const handMinutes = {
  start: machineTimes.startMin,
  takeOut: machineTimes.startMin,
  perMark: 3,
  hang: 0.7,
  hangSmall: 0.3,
  layFlat: 2,
  dryerIn: 3,
  dryerOut: 2,
  coolCheck: 1,
  turn: 2,
  putAway: 1,
  putAwayMore: 0.3,
  hangToAir: 2,
  steam: 5,
  brush: 5,
  spot: 5,
  test: 5,
} as const;
/** Longest waits, min: a wet drum, a wet heap, a warm drum, a bath that has soaked, a mark that must not dry again. */
export const waits = { takeOut: 15, hang: 30, tumbleOut: 15, bath: 10, marks: 120 } as const;
/** What dries flat is turned so often, min. */
export const turnEveryMin = 12 * 60;
/** Marks that work for less than this are waited for by the hands. */
const shortestWaitMin = 5;
const emptyRinseMin = 15;
const airOutMin = 60;
const airNightMin = 8 * 60;
/** Cloth out of a dryer, °C. */
const tumbledC = 60;
/** The model's clear gap between neighbours on bars, and elsewhere, mm. */
const gapMm = { bars: 60, else: 100 } as const;
const towelUnderG = 500;

export interface Step {
  id: string;
  kind: TaskKind;
  minutes: number;
  attended: boolean;
  garments: readonly string[];
  /** Steps of the block that have to have ended. */
  after: readonly number[];
  /** Minutes it may begin after the end of a step, at most. */
  wait: { step: number; most: number } | null;
  /** A drum turns: not in quiet hours, on a shared machine only when it is booked; or nobody outdoors after dark. */
  hours: 'washer' | 'quiet' | 'any';
  message: Message;
}
/** A machine or a tub is taken from the beginning of one step to the end of another. */
export interface Hold {
  use: ResourceUse;
  from: number;
  to: number;
}
export interface PieceWork {
  id: string;
  name: string;
  /** The step after which it dries: hung, laid flat, or taken out of the dryer. */
  afterStep: number;
  /** null = out of the dryer: it only cools, so many minutes. */
  drying: {
    planMin: number;
    use: ResourceUse | null;
    outdoors: boolean;
    flat: boolean;
    /** For the air it shares. */
    item: Omit<DryingItem, 'fromH'>;
  } | null;
  coolMin: number;
  pressMin: number;
  putAwayMin: number;
  /** Minutes from now; Infinity = no date. */
  neededByMin: number;
}
export interface Block {
  id: string;
  /** null = of no load. */
  load: string | null;
  /** Hands for marks before it, and the time they work. */
  before: { hands: Step; soak: Step | null } | null;
  steps: Step[];
  holds: Hold[];
  pieces: PieceWork[];
  /** Electricity by step, kWh. */
  energy: { step: number; kwh: number }[];
  /** The washer it needs, for its hours. */
  washer: string | null;
  /** It goes into the bath of this block, at once. */
  bathOf: string | null;
  name: Message;
}

const minutesOf = (load: LoadToDo, ...steps: StepKind[]): number =>
  sum(load.procedure.filter((s) => (steps as string[]).includes(s.step)).map((s) => s.minutes));

/** A list of steps that grows; answers the index of the new one. */
class Steps {
  readonly list: Step[] = [];
  constructor(private readonly load: string | null) {}
  add(
    key: string,
    step: Omit<Step, 'id' | 'after' | 'wait' | 'hours'> & Partial<Pick<Step, 'after' | 'wait' | 'hours'>>,
  ): number {
    const id = this.load === null ? key : `${this.load}.${key}`;
    this.list.push({ after: [], wait: null, hours: 'any', ...step, id });
    return this.list.length - 1;
  }
}

/** Marks that are treated before the wash: hands and waiting of the steps that are always done. */
function marksOf(
  pieces: readonly Profile[],
  household: Household,
): { handsMin: number; waitMin: number; of: Profile[] } {
  const workplace = workplaceOf(household);
  let handsMin = 0;
  let waitMin = 0;
  const of: Profile[] = [];
  for (const p of pieces) {
    const steps = p.garment.stains.flatMap((s) =>
      procedureFor(p.garment, s, workplace).steps.filter((x) => x.when === 'always' && x.kind !== 'test'),
    );
    if (steps.length === 0) continue;
    of.push(p);
    handsMin += steps.length * handMinutes.perMark;
    waitMin = Math.max(waitMin, sum(steps.map((s) => Math.max(0, s.minutes - handMinutes.perMark))));
  }
  return waitMin < shortestWaitMin ? { handsMin: handsMin + waitMin, waitMin: 0, of } : { handsMin, waitMin, of };
}

const ids = (pieces: readonly Profile[]): string[] => pieces.map((p) => p.garment.id);
const names = (pieces: readonly Profile[]): string[] => pieces.map((p) => p.garment.name);
const hangMin = (p: Profile): number =>
  p.garment.count * (kindFacts(p.garment.kind).flags.has('small') ? handMinutes.hangSmall : handMinutes.hang);

interface Wet {
  profile: Profile;
  dry: NonNullable<PieceToDo['dry']> | null;
  press: PressPlan | null;
  /** kg/kg out of the bath. */
  moisture: number;
}
const isTumbled = ({ dry }: Wet): boolean => dry?.method.startsWith('tumble') ?? false;

/** How a piece dries and what is done with it afterwards. */
function pieceWork(w: Wet, afterStep: number, household: Household, nowMs: number): PieceWork {
  const { profile: p, dry } = w;
  const g = p.garment;
  const tumbled = isTumbled(w);
  const position = (dry?.method ?? 'bars') as 'bars' | 'line' | 'hanger' | 'flat';
  const place = household.dryingPlaces.find((d) => d.id === dry?.place) ?? null;
  const flat = position === 'flat';
  const use: ResourceUse | null = place && {
    kind: 'place',
    id: place.id,
    ...(position === 'bars' ? { bars: dry?.bars ?? 0 } : {}),
    ...(position === 'hanger' ? { hangers: g.count } : {}),
    ...(flat
      ? { flatM2: flatAreaM2({ kind: g.kind, items: g.count, sizeFactor: sizeFactor(g.size, 'unisex', g.heightCm) }) }
      : {}),
  };
  const item: Omit<DryingItem, 'fromH'> = {
    kind: g.kind,
    fibre: p.fibre,
    x0: w.moisture,
    layout: layoutFor(position, barsEachOf(p, household.rules)),
    count: g.count,
    towelG: flat ? towelUnderG : 0,
    swapH: turnEveryMin / 60,
    turned: true,
    sunWPerM2: 0,
    absorptivity: 0,
    gapMm: position === 'bars' ? gapMm.bars : gapMm.else,
    outdoors: place?.outdoors ?? false,
    slowness: household.learnt.slowness.get(place?.id ?? '') ?? 1,
  };
  const hotC = tumbledC;
  return {
    id: g.id,
    name: g.name,
    afterStep,
    drying: tumbled
      ? null
      : { planMin: Math.ceil((dry?.hours ?? 0) * 60), use, outdoors: place?.outdoors ?? false, flat, item },
    coolMin: tumbled ? Math.ceil(coolingWaitMin(hotC, household.room.temperatureC)) : 0,
    pressMin: w.press ? Math.ceil((kindFacts(g.kind).ironMin ?? 0) * g.count) : 0,
    putAwayMin: Math.ceil(handMinutes.putAway + (g.count - 1) * handMinutes.putAwayMore),
    neededByMin: g.neededBy === null ? Infinity : (Date.parse(g.neededBy) - nowMs) / 60_000,
  };
}

/** Out of the bath: look it over, the dryer, then what lies flat, then what hangs. Adds the steps and answers the pieces. */
function afterBath(
  steps: Steps,
  out: number,
  load: LoadToDo,
  wet: readonly Wet[],
  name: Message,
  household: Household,
  nowMs: number,
  block: Pick<Block, 'holds' | 'energy'>,
): PieceWork[] {
  const lookMin = minutesOf(load, 'read-catcher', 'inspect', 'measure');
  const look =
    lookMin > 0
      ? steps.add('inspect', {
          kind: 'inspect',
          minutes: lookMin,
          attended: true,
          garments: load.garments,
          after: [out],
          wait: { step: out, most: waits.hang },
          message: say('task.inspect', { wash: name }),
        })
      : null;
  const seen = look === null ? [out] : [out, look];
  const pieces: PieceWork[] = [];
  const tumbled = wet.filter(isTumbled);
  if (tumbled.length > 0) {
    const dryer = household.dryers.find((d) => d.id === tumbled[0]?.dry?.place);
    const place = dryer?.name ?? '';
    const garments = ids(tumbled.map((w) => w.profile));
    const into = steps.add('dryer-load', {
      kind: 'load',
      minutes: handMinutes.dryerIn,
      attended: true,
      garments,
      after: seen,
      wait: { step: out, most: waits.hang },
      message: say('task.tumble-load', { place, count: tumbled.length }),
    });
    const run = steps.add('tumble', {
      kind: 'tumble',
      minutes: Math.ceil((tumbled[0]?.dry?.hours ?? 0) * 60),
      attended: false,
      garments,
      after: [into],
      wait: { step: into, most: 0 },
      hours: 'quiet',
      message: say('task.tumble', { place }),
    });
    const done = steps.add('tumble-out', {
      kind: 'tumble-out',
      minutes: handMinutes.dryerOut,
      attended: true,
      garments,
      after: [run],
      wait: { step: run, most: waits.tumbleOut },
      message: say('task.tumble-out', { place }),
    });
    if (dryer) {
      block.holds.push({ use: { kind: 'dryer', id: dryer.id }, from: into, to: done });
      const kg = sum(tumbled.map((w) => w.profile.massKg));
      const x0 = sum(tumbled.map((w) => w.profile.massKg * w.moisture)) / kg;
      const low = tumbled[0]?.dry?.method === 'tumble-low';
      block.energy.push({
        step: run,
        kwh: tumbleRun(dryer.type, Math.max(1, kg), x0, dryer.maxLoadKg, low).energyKwh,
      });
    }
    pieces.push(...tumbled.map((w) => pieceWork(w, done, household, nowMs)));
  }
  const flat = wet.filter((w) => w.dry?.method === 'flat');
  const hung = wet.filter((w) => !isTumbled(w) && w.dry?.method !== 'flat');
  const put = (list: readonly Wet[], kind: 'lay-flat' | 'hang', minutes: number): void => {
    if (list.length === 0) return;
    const step = steps.add(kind, {
      kind,
      minutes: Math.ceil(minutes),
      attended: true,
      garments: ids(list.map((w) => w.profile)),
      after: seen,
      wait: { step: out, most: waits.hang },
      message: say(`task.${kind}`, { wash: name, count: list.length }),
    });
    pieces.push(...list.map((w) => pieceWork(w, step, household, nowMs)));
  };
  put(flat, 'lay-flat', sum(flat.map((w) => w.profile.garment.count * handMinutes.layFlat)));
  put(hung, 'hang', sum(hung.map((w) => hangMin(w.profile))));
  return pieces;
}

function loadBlock(load: LoadToDo, wet: readonly Wet[], household: Household, nowMs: number): Block {
  const profiles = wet.map((w) => w.profile);
  const name = loadName(profiles, { celsius: load.temperatureC, method: load.method });
  const steps = new Steps(load.id);
  const block: Block = {
    id: load.id,
    load: load.id,
    before: null,
    steps: steps.list,
    holds: [],
    pieces: [],
    energy: [],
    washer: load.washer,
    bathOf: load.reuses ?? null,
    name,
  };
  const fuel = profiles.filter((p) => p.contamination === 'fuel');
  const marks = marksOf(profiles, household);
  if (marks.of.length > 0) {
    const before = new Steps(load.id);
    before.add('pretreat', {
      kind: 'pretreat',
      minutes: Math.ceil(marks.handsMin),
      attended: true,
      garments: ids(marks.of),
      message: say('task.pretreat', { names: names(marks.of) }),
    });
    if (marks.waitMin > 0)
      before.add('marks', {
        kind: 'soak',
        minutes: Math.ceil(marks.waitMin),
        attended: false,
        garments: ids(marks.of),
        after: [0],
        message: say('task.pretreat-soak', { names: names(marks.of), minutes: Math.ceil(marks.waitMin) }),
      });
    block.before = { hands: before.list[0] as Step, soak: before.list[1] ?? null };
  }
  const airOut =
    fuel.length > 0
      ? [
          steps.add('air', {
            kind: 'air',
            minutes: airOutMin,
            attended: false,
            garments: ids(fuel),
            message: say('task.air-out', { names: names(fuel) }),
          }),
        ]
      : [];
  let out: number;
  if (load.method === 'machine') {
    const programme = household.washers
      .find((w) => w.id === load.washer)
      ?.programmes.find((p) => p.id === load.programme);
    const into = steps.add('load', {
      kind: 'load',
      minutes: minutesOf(load, 'load', 'dose') + handMinutes.start,
      attended: true,
      garments: load.garments,
      after: airOut,
      message: say('task.load', { wash: name, count: load.garments.length }),
    });
    const run = steps.add('wash', {
      kind: 'wash',
      minutes: load.durationMin,
      attended: false,
      garments: load.garments,
      after: [into],
      wait: { step: into, most: 0 },
      hours: 'washer',
      message: say('task.wash', {
        programme: programme?.name ?? '',
        celsius: load.temperatureC,
        rpm: load.spinRpm,
      }),
    });
    out = steps.add('take-out', {
      kind: 'take-out',
      minutes: minutesOf(load, 'take-out'),
      attended: true,
      garments: load.garments,
      after: [run],
      wait: { step: run, most: waits.takeOut },
      message: say('task.take-out', { wash: name }),
    });
    const rinse =
      fuel.length > 0
        ? steps.add('rinse', {
            kind: 'wash',
            minutes: emptyRinseMin,
            attended: false,
            garments: [],
            after: [out],
            wait: { step: out, most: 0 },
            hours: 'washer',
            message: say('task.empty-rinse'),
          })
        : out;
    block.holds.push({ use: { kind: 'washer', id: load.washer ?? '' }, from: into, to: rinse });
    block.energy.push({ step: run, kwh: load.energyKwh });
  } else {
    const place = household.basins.find((b) => b.id === load.basin)?.name ?? '';
    const soakMin = minutesOf(load, 'soak');
    const rest = (after: readonly number[], minutes: number): number =>
      steps.add('hand-wash', {
        kind: 'hand-wash',
        minutes,
        attended: true,
        garments: load.garments,
        after,
        wait: soakMin > 0 && after[0] !== undefined ? { step: after[0], most: waits.bath } : null,
        message: say('task.hand-wash', { wash: name }),
      });
    const restMin = minutesOf(load, 'move', 'stir', 'drain', 'rinse', 'press-out', 'towel-roll');
    const fillMin = minutesOf(load, 'fill-basin', 'dose');
    let first: number;
    if (soakMin > 0) {
      first = steps.add('fill', {
        kind: 'hand-wash',
        minutes: fillMin,
        attended: true,
        garments: load.garments,
        after: airOut,
        message: say(load.reuses ? 'task.same-bath' : 'task.fill-bath', { wash: name, place }),
      });
      const soak = steps.add('soak', {
        kind: 'soak',
        minutes: soakMin,
        attended: false,
        garments: load.garments,
        after: [first],
        wait: { step: first, most: 0 },
        message: say('task.soak-bath', { wash: name }),
      });
      out = rest([soak], restMin);
    } else {
      out = rest(airOut, fillMin + restMin);
      first = out;
    }
    block.holds.push({ use: { kind: 'basin', id: load.basin ?? '' }, from: first, to: out });
  }
  block.pieces = afterBath(steps, out, load, wet, name, household, nowMs, block);
  return block;
}

/** What is not washed but done at home. */
function chores(planned: readonly PieceToDo[], profiles: ReadonlyMap<string, Profile>): Block[] {
  const blocks: Block[] = [];
  const of = (outcome: Outcome): Profile[] =>
    planned.flatMap((g) => (g.outcome === outcome ? (profiles.get(g.id) ?? []) : []));
  const chore = (
    kind: TaskKind,
    pieces: readonly Profile[],
    each: number,
    message: (names: string[]) => Message,
    then?: { key: string; minutes: number; message: (names: string[]) => Message },
  ): void => {
    if (pieces.length === 0) return;
    const steps = new Steps(null);
    const garments = ids(pieces);
    steps.add(kind, {
      kind,
      minutes: each * pieces.length,
      attended: true,
      garments,
      message: message(names(pieces)),
    });
    if (then)
      steps.add(then.key, {
        kind,
        minutes: then.minutes,
        attended: false,
        garments,
        after: [0],
        wait: { step: 0, most: 0 },
        message: then.message(names(pieces)),
      });
    blocks.push({
      id: kind,
      load: null,
      before: null,
      steps: steps.list,
      holds: [],
      pieces: [],
      energy: [],
      washer: null,
      bathOf: null,
      name: message(names(pieces)),
    });
  };
  chore('air', of('air'), handMinutes.hangToAir, (n) => say('task.hang-to-air', { names: n }), {
    key: 'airing',
    minutes: airNightMin,
    message: (n) => say('task.airing', { names: n }),
  });
  chore('steam', of('steam'), handMinutes.steam, (n) => say('task.steam', { names: n }));
  chore('brush', of('brush'), handMinutes.brush, (n) => say('task.brush', { names: n }));
  chore('spot-clean', of('spot-clean'), handMinutes.spot, (n) => say('task.spot-clean', { names: n }));
  chore('test', of('test-first'), handMinutes.test, (n) => say('task.test', { names: n }));
  return blocks;
}

/** Every block of the day: the loads in the order of the plan, then the chores. */
export function workOf(request: WorkRequest, nowMs: number): Block[] {
  const { household, garments, loads, planned } = request;
  const known = request.profiles ?? garments.map((g) => profileOf(g, household.rules));
  const profiles = new Map(known.map((p) => [p.garment.id, p]));
  const plans = new Map(planned.map((g) => [g.id, g]));
  const radius = new Map(household.washers.map((w) => [w.id, w.drumRadiusM]));
  const blocks = loads.map((load) => {
    const bath = {
      method: load.method,
      spinRpm: load.spinRpm,
      drumRadiusM: radius.get(load.washer ?? '') ?? 0,
    };
    const wet = load.garments.flatMap((id): Wet[] => {
      const profile = profiles.get(id);
      const plan = plans.get(id);
      return profile && plan
        ? [{ profile, dry: plan.dry, press: plan.press, moisture: moistureAtEnd(profile, bath) }]
        : [];
    });
    return loadBlock(load, wet, household, nowMs);
  });
  return [...blocks, ...chores(planned, profiles)];
}
