/** From a household and its dirty pieces to the whole plan. Pure: the same input gives the same plan. */
import type { Garment } from '../model/garment.ts';
import { say } from '../message/message.ts';
import { moneyOf } from '../message/params.ts';
import type { DetergentClass, Household } from '../model/household.ts';
import type {
  Dose,
  DryPlan,
  Outcome,
  Plan,
  PlannedGarment,
  PlannedLoad,
  PlanWarning,
  Pretreatment,
  Reason,
  Unlock,
} from '../model/plan.ts';
import { loadConstants } from '../cost/weights.ts';
import { sum } from '../units/numbers.ts';
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';
import { bindingsOf } from './explain.ts';
import { loadWarnings, pieceWarnings, untestedWaiting } from './warnings.ts';
import { missingWarnings, stainWarnings, toPretreatment, workplaceOf } from '../piece/pretreat.ts';
import { procedureFor } from '../stain/procedure.ts';
import { basketOf, type Basket } from '../price/basket.ts';
import { cheapest, deferralCost, priceLoad, type PricedLoad } from '../price/price.ts';
import { decide, gathers, type Decision } from '../piece/outcomes.ts';
import { prepareSteps, pressPlan, pressWaits, storeAs } from '../piece/care-steps.ts';
import { capacityWarnings } from './capacity.ts';
import { deadlineWarnings } from './deadlines.ts';
import { dryingPlan, type WetLoad } from './drying.ts';
import { procedureOf } from './procedure.ts';
import { withReusedBaths } from './reuse-bath.ts';
import { separationsOf } from './separations.ts';
import { shareOut } from './share-out.ts';
import { unlockOf } from './unlock.ts';
import { waitingGroups, waitReason } from './waiting.ts';
import { applyPins, type Pin, type PinnedBasket } from '../board/pins.ts';
import type { DateLook } from '../timetable/search.ts';
import { timetableOf } from '../timetable/timetable.ts';
import { noTools, solve, type Candidate, type Solution, type SolveTools, type Togetherness } from '../solve/solve.ts';
import type { Profile } from '../piece/profile.ts';

export interface PlanRequest {
  household: Household;
  garments: readonly Garment[];
  /** ISO 8601 with offset. */
  now: string;
  /** Hand-made decisions, in order. */
  pins?: readonly Pin[];
}

/** Deadlines first, then the hottest demand and the largest load: the order in which to run. */
function runningOrder(loads: readonly PricedLoad[], b: Basket): PricedLoad[] {
  const deadline = (l: PricedLoad): number =>
    Math.min(...l.pieces.map((i) => Date.parse(b.profiles[i]?.garment.neededBy ?? '') || Infinity));
  const longestDrying = (l: PricedLoad): number => Math.max(...l.pieces.map((i) => (b.profiles[i]?.isWool ? 1 : 0)));
  return [...loads].sort((x, y) => {
    const d = deadline(x) - deadline(y);
    if (Number.isFinite(d) && d !== 0) return d;
    if (deadline(x) !== deadline(y)) return deadline(x) < deadline(y) ? -1 : 1;
    return longestDrying(y) - longestDrying(x) || y.massKg - x.massKg || (x.pieces[0] ?? 0) - (y.pieces[0] ?? 0);
  });
}

function doseOf(load: PricedLoad): Dose {
  const { product, setting } = load;
  const drum = product.form === 'pod' || product.form === 'tablet' || product.form === 'sheet';
  return {
    product: product.id,
    class: product.class,
    amount: load.doseAmount,
    unit: load.doseUnit,
    compartment: setting.method === 'hand' ? 'basin' : drum ? 'drum' : 'main',
  };
}
/** Liquid and powder are measured in steps of 5, by hand in steps of 1; the plan keeps the exact value. */
export const displayDose = (amount: number, unit: string, byHand: boolean): number =>
  unit === 'ml' || unit === 'g'
    ? byHand
      ? Math.max(1, Math.round(amount))
      : Math.max(5, Math.round(amount / 5) * 5)
    : Math.ceil(amount);

/** How a load runs: the keys of a planned load from its method to its softener. */
export type LoadFacts = Pick<
  PlannedLoad,
  | 'method'
  | 'washer'
  | 'programme'
  | 'basin'
  | 'massKg'
  | 'fill'
  | 'temperatureC'
  | 'spinRpm'
  | 'action'
  | 'extraRinse'
  | 'detergent'
  | 'additives'
  | 'softener'
>;
export function loadFacts(load: PricedLoad): LoadFacts {
  const { setting: s } = load;
  const byHand = s.method === 'hand';
  return {
    method: s.method,
    washer: byHand ? null : s.washer.id,
    programme: byHand ? null : s.programme.id,
    basin: byHand ? s.basin.id : null,
    massKg: load.massKg,
    fill: load.fill,
    temperatureC: s.temperatureC,
    spinRpm: load.spinRpm,
    action: byHand ? 'hand' : s.programme.action,
    extraRinse: load.extraRinse,
    detergent: doseOf(load),
    additives: load.helpers,
    softener: load.helpers.some((h) => h.class === 'softener'),
  };
}

function plannedLoad(b: Basket, load: PricedLoad, index: number, bathOf: number | null): PlannedLoad {
  const { setting: s } = load;
  const pieces = load.pieces.flatMap((i) => b.profiles[i] ?? []);
  const byHand = s.method === 'hand';
  const dose = doseOf(load);
  const dosing = say('step.dose', {
    amount: displayDose(dose.amount, dose.unit, byHand),
    unit: dose.unit,
    product: load.product.name,
    compartment: dose.compartment,
    caught: load.catcher !== null,
  });
  const { method, washer, programme, basin, ...facts } = loadFacts(load);
  const planned: PlannedLoad = {
    id: `L${index + 1}`,
    method,
    washer,
    programme,
    basin,
    garments: pieces.map((p) => p.garment.id),
    ...facts,
    durationMin: load.durationMin,
    waterL: load.waterL,
    energyKwh: load.energyKwh,
    cost: load.cost,
    bindings: bindingsOf(load, pieces, b.household.rules),
    warnings: loadWarnings(b, load, pieces),
    procedure: procedureOf(load, pieces, dosing),
  };
  return bathOf === null ? planned : inBathOf(planned, load, bathOf);
}

/** The same load in the bath of another: no new water, no new dose, no new warmth. */
function inBathOf(planned: PlannedLoad, load: PricedLoad, bathOf: number): PlannedLoad {
  const message = say('step.reuse-bath', { load: bathOf + 1 });
  return {
    ...planned,
    reuses: `L${bathOf + 1}`,
    detergent: planned.detergent && { ...planned.detergent, amount: 0 },
    waterL: Math.max(0, planned.waterL - (load.bath?.litres ?? 0)),
    energyKwh: 0,
    warnings: [
      ...planned.warnings,
      {
        code: 'reuse-bath-colour',
        severity: 'info',
        garments: planned.garments,
        message: say('warn.reuse-bath-colour'),
      },
    ],
    procedure: planned.procedure.flatMap((s) =>
      s.step === 'dose' ? [] : [s.step === 'fill-basin' ? { ...s, message } : s],
    ),
  };
}

const wetLoad = (b: Basket, { setting: s, spinRpm, pieces }: PricedLoad): WetLoad => ({
  pieces: pieces.flatMap((i) => b.profiles[i] ?? []),
  method: s.method,
  spinRpm,
  drumRadiusM: s.method === 'machine' ? s.washer.drumRadiusM : 0,
});

const settingOf = (parameter: string): 'temperature' | 'spin' | 'movement' | 'drying' =>
  parameter === 'temperatureC'
    ? 'temperature'
    : parameter === 'spinRpm'
      ? 'spin'
      : parameter === 'tumble'
        ? 'drying'
        : 'movement';

function washedGarment(
  p: Profile,
  load: PricedLoad,
  planned: PlannedLoad,
  decision: Decision,
  pretreat: readonly Pretreatment[],
  dry: DryPlan | null,
): PlannedGarment {
  const binding = planned.bindings.find((x) => x.garment === p.garment.id);
  const reasons: Reason[] = [decision.reason];
  if (binding) {
    const message = say('plan.sets', { setting: settingOf(binding.parameter), because: binding.reason });
    reasons.push({ code: 'H1', source: binding.source, message });
  } else {
    const { maxTemperatureC: celsius, maxAction: action } = p.values;
    const detergents = [load.product.class as DetergentClass];
    reasons.push({ code: 'H1', source: 'rule', message: say('plan.bears', { celsius, action, detergents }) });
  }
  if (pressWaits(p)) reasons.push({ code: 'stain-before-heat', source: 'stain', message: say('plan.press-once-gone') });
  return {
    id: p.garment.id,
    outcome: 'wash',
    load: planned.id,
    prepare: prepareSteps(p, load.setting.method === 'hand'),
    pretreat,
    dry,
    press: pressPlan(p),
    store: storeAs(p),
    reasons,
    waitsWith: [],
    unlock: null,
    deferralCost: 0,
  };
}

/** What an outcome other than washing costs: waiting and testing by the wait, a spot by your hands, a professional by the bill. */
export function outcomeCost(b: Basket, piece: number, outcome: Outcome): number {
  switch (outcome) {
    case 'wait':
    case 'test-first':
      return deferralCost(b, piece);
    case 'spot-clean':
      return loadConstants.spotCleanMin * b.weights.attendedMinute;
    case 'professional':
      return loadConstants.professionalEur;
    default:
      return 0;
  }
}

function unwashedGarment(
  b: Basket,
  i: number,
  p: Profile,
  decision: Decision,
  group: readonly number[] | null,
  pretreat: readonly Pretreatment[],
): PlannedGarment {
  const untested = p.history.untested && p.history.strongColour;
  const outcome = group ? (untested ? 'test-first' : 'wait') : (decision.fixed ?? 'wait');
  const reasons: Reason[] = [decision.reason];
  if (group) reasons.unshift(waitReason(b, i, group));
  const cost = outcomeCost(b, i, outcome);
  return {
    id: p.garment.id,
    outcome,
    load: null,
    prepare: outcome === 'professional' && p.garment.traits.has('detachable') ? ['detach', 'keep-control'] : [],
    pretreat: outcome === 'spot-clean' || outcome === 'wait' ? pretreat : [],
    dry: null,
    press: null,
    store: storeAs(p),
    reasons,
    waitsWith: (group ?? []).flatMap((j) => (j === i ? [] : (b.profiles[j]?.garment.id ?? []))),
    unlock: null,
    deferralCost: cost,
  };
}

/** A test that would open something is said as what to do. */
function withUnlock(b: Basket, g: PlannedGarment, unlock: Unlock | null): PlannedGarment {
  if (!unlock) return g;
  const load = Number(unlock.joins?.slice(1) ?? 0);
  const message = say('plan.unlock', {
    test: unlock.test,
    count: unlock.times,
    load,
    cost: moneyOf(b.household.tariff, unlock.saves),
    more: unlock.saves > 0,
  });
  return { ...g, unlock, reasons: [{ code: 'test-missing', source: 'test', message }, ...g.reasons] };
}

function planWarnings(b: Basket, garments: readonly PlannedGarment[]): PlanWarning[] {
  const unwashed = b.profiles.filter(
    (p, i) => p.garment.include && garments[i]?.load === null && p.closure?.kind !== 'hide',
  );
  const out = [...pieceWarnings(b.profiles), ...untestedWaiting(unwashed)];
  const slow = garments.filter((g) => g.dry && g.dry.hours > slowDryingH && !g.dry.method.startsWith('tumble'));
  if (slow.length)
    out.push({
      code: 'musty-drying',
      severity: 'info',
      garments: slow.map((g) => g.id),
      message: say('warn.musty-drying', { count: slow.length }),
    });
  return out;
}
/** Cloth that stays damp longer smells, h. */
const slowDryingH = 24;

/** Dates need hours: where no washed piece has one, no timetable is asked; where one day keeps them all, no better day is looked for. */
function lateOnTheDay(
  { household, garments, now }: PlanRequest,
  { profiles }: Basket,
  loads: readonly PlannedLoad[],
  planned: readonly PlannedGarment[],
  dates: DateLook,
): readonly PlanWarning[] {
  const dated = garments.some((g, i) => g.neededBy !== null && planned[i]?.load !== null);
  if (!dated) return [];
  return timetableOf({ household, garments, profiles, now, loads, planned, dates }).warnings;
}

const kindOf = (b: Basket, piece: number): GarmentKind => b.profiles[piece]?.garment.kind ?? 'other';

/**
 * Who is washed today, and who may wait by price. Waiting is the exception: two pieces that may share a load run; only what gathers for a full load, and
 * what finds no partner, may wait.
 */
function candidatesOf(b: Basket, decisions: readonly Decision[], decided: Togetherness): Candidate[] {
  const open = decisions.flatMap((d, i) => (d.fixed === null ? [i] : []));
  const apart = new Set(decided.apart.flatMap(([i, j]) => [`${i},${j}`, `${j},${i}`]));
  const hasPartner = (i: number): boolean =>
    open.some((j) => j !== i && !apart.has(`${i},${j}`) && cheapest(b, i < j ? [i, j] : [j, i]).cost < Infinity);
  return open.map((piece) => {
    const p = b.profiles[piece];
    const mayWait = decisions[piece]?.mayWait === true && p !== undefined && (gathers(p) || !hasPartner(piece));
    return { piece, mayWait };
  });
}

/** Plan a basket. Every piece is in exactly one load or has exactly one outcome. */
export function planBasket(request: PlanRequest, tools: SolveTools<Plan> = noTools): Plan {
  const { household, garments, now, pins = [] } = request;
  const base = basketOf(garments, household);
  const pinned = applyPins(
    garments,
    household,
    base,
    base.profiles.map((p) => decide(p, household, now)),
    pins,
  );
  const candidates = candidatesOf(pinned.basket, pinned.decisions, pinned.decided);
  const { watch, partition } = tools;
  const solution = solve(pinned.basket, candidates, pinned.decided, {
    // Somebody waits for what there is so far, and a better plan follows.
    watch: watch && ((progress, soFar) => watch(progress, () => planOf(request, pinned, soFar(), 'glance'))),
    partition,
  });
  return planOf(request, pinned, solution, 'search');
}

/** What becomes of every piece when the basket is divided so, and why. */
function planOf(request: PlanRequest, pinned: PinnedBasket, solution: Solution, dates: DateLook): Plan {
  const { household, now } = request;
  const { basket: b, decisions } = pinned;
  const found = solution.loads.flatMap((l) => {
    const price = priceLoad(b, l);
    return price.feasible ? [price] : [];
  });
  const { loads: priced, reuses } = withReusedBaths(b, shareOut(runningOrder(found, b), household.washers));
  const loads = priced.map((l, i) => plannedLoad(b, l, i, reuses.get(i) ?? null));
  const workplace = workplaceOf(household);
  const treatments = b.profiles.map((p) =>
    p.garment.include ? p.garment.stains.map((s) => procedureFor(p.garment, s, workplace)) : [],
  );
  const drying = dryingPlan(
    household,
    now,
    priced.map((l) => wetLoad(b, l)),
  );
  const groups = waitingGroups(b, solution.waiting);
  const sets = priced.map((l) => l.pieces);
  const result = b.profiles.map((p, i): PlannedGarment => {
    const decision = decisions[i] as Decision;
    const at = priced.findIndex((l) => l.pieces.includes(i));
    const load = priced[at];
    const planned = loads[at];
    const pretreat = treatments[i]?.map((t) => toPretreatment(t, household.water.hotC)) ?? [];
    const group = groups.find((g) => g.includes(i)) ?? null;
    const garment =
      load && planned
        ? washedGarment(p, load, planned, decision, pretreat, drying.plans.get(p.garment.id) ?? null)
        : unwashedGarment(b, i, p, decision, group, pretreat);
    const open = garment.outcome === 'wash' || garment.outcome === 'wait' || garment.outcome === 'test-first';
    return open ? withUnlock(b, garment, unlockOf(b, i, now, sets, at)) : garment;
  });
  const fixedCost = sum(result.filter((_, i) => decisions[i]?.fixed !== null).map((g) => g.deferralCost));
  const cost = sum(loads.map((l) => l.cost)) + sum(result.map((g) => g.deferralCost));
  const lowerBound = solution.optimal ? cost : Math.min(cost, solution.lowerBound + fixedCost);
  const handsMin = sum(result.map((g, i) => (g.press ? (kindFacts(kindOf(b, i)).ironMin ?? 0) : 0)));
  return {
    loads,
    garments: result,
    warnings: [
      ...planWarnings(b, result),
      ...deadlineWarnings(b, now, lateOnTheDay(request, b, loads, result, dates), result),
      ...drying.warnings,
      ...capacityWarnings(household, now, priced, b.profiles, drying.plans),
      ...b.profiles.flatMap((p, i) => stainWarnings(p, treatments[i] ?? [])),
      ...missingWarnings(b.profiles.map((piece, i) => ({ piece, procedures: treatments[i] ?? [] }))),
      ...pinned.warnings,
    ],
    separations: separationsOf(b, priced),
    totals: {
      loads: loads.length,
      minutesAttended: sum(priced.map((l) => l.attendedMin)) + handsMin,
      energyKwh: sum(loads.map((l) => l.energyKwh)),
      waterL: sum(loads.map((l) => l.waterL)),
      money: sum(priced.map((l) => l.money)),
    },
    proof: { cost, lowerBound, gap: cost > 0 ? Math.max(0, (cost - lowerBound) / cost) : 0, optimal: solution.optimal },
  };
}
