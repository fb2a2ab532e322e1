/** Why a load is set as it is: for each setting the piece and bound that decide, and what the load could do without that piece. */
import { bindingBounds, type Bound, type EnvelopeParameter } from '../envelope/envelope.ts';
import type { Constraint } from '../model/constraints.ts';
import { dryerAllowed } from '../model/rule-effects.ts';
import type { Binding, Separation } from '../model/plan.ts';
import { actionOrder, tumbleOrder } from '../model/orders.ts';
import { spinWithin } from '../washing/spin.ts';
import { say, type Message } from '../message/message.ts';
import { moneyOf } from '../message/params.ts';
import type { HouseRules } from '../model/household.ts';
import { usePriceOf } from '../cost/judgement.ts';
import { roundTo } from '../units/numbers.ts';
import { conflictOf, type Basket } from '../price/basket.ts';
import { priceLoad, type PricedLoad } from '../price/price.ts';
import { transferAllowed, transfers, type Transfer } from '../price/transfer.ts';
import { bestSpin, type Setting } from '../price/settings.ts';
import type { Profile } from '../piece/profile.ts';

type Explained = Extract<EnvelopeParameter, 'maxTemperatureC' | 'maxAction' | 'maxSpinRpm' | 'tumble'>;

function tightest<T>(
  pieces: readonly Profile[],
  value: (p: Profile) => T,
  stricterThan: (a: T, b: T) => boolean,
): Profile | null {
  return pieces.reduce<Profile | null>(
    (best, p) => (best === null || stricterThan(value(p), value(best)) ? p : best),
    null,
  );
}
const reasonOf = (p: Profile, parameter: Explained | 'woolSpinRpm'): Bound | null =>
  bindingBounds(p.envelope, parameter)[0] ?? null;

interface Candidate {
  parameter: string;
  bound: Explained | 'woolSpinRpm';
  limit: number | string;
  piece: Profile;
  without: number | string | null;
}

const toBinding = (c: Candidate): Binding | null => {
  const b = reasonOf(c.piece, c.bound);
  return (
    b && {
      parameter: c.parameter,
      limit: c.limit,
      garment: c.piece.garment.id,
      source: b.source,
      reason: b.reason,
      without: c.without,
    }
  );
};

const others = (pieces: readonly Profile[], p: Profile): Profile[] => pieces.filter((q) => q !== p);
const offeredUpTo = (s: Setting, limit: number): number =>
  s.method === 'machine' ? Math.max(...s.programme.temperaturesC.filter((c) => c <= limit), 0) : Math.min(40, limit);

/** One binding per setting: temperature, spin, movement and dryer. */
export function bindingsOf(load: PricedLoad, pieces: readonly Profile[], rules: HouseRules): Binding[] {
  const { setting: s } = load;
  const out: (Binding | null)[] = [];
  const cool = tightest(
    pieces,
    (p) => p.values.maxTemperatureC,
    (a, b) => a < b,
  );
  if (cool) {
    const limit = cool.values.maxTemperatureC;
    const rest = others(pieces, cool);
    const free = rest.length > 0 ? offeredUpTo(s, Math.min(...rest.map((p) => p.values.maxTemperatureC))) : null;
    if (s.temperatureC >= offeredUpTo(s, limit))
      out.push(
        toBinding({
          parameter: 'temperatureC',
          bound: 'maxTemperatureC',
          limit,
          piece: cool,
          without: free !== null && free > s.temperatureC ? free : null,
        }),
      );
    else
      out.push({
        parameter: 'temperatureC',
        limit: s.temperatureC,
        garment: null,
        source: 'rule',
        reason: say('binding.clean-enough', { celsius: s.temperatureC }),
        without: null,
      });
  }
  if (s.method === 'machine') {
    const key = s.programme.family === 'wool' ? 'woolSpinRpm' : 'maxSpinRpm';
    const slow = tightest(
      pieces,
      (p) => p.values[key],
      (a, b) => a < b,
    );
    if (slow) {
      const rest = others(pieces, slow);
      const free = rest.length > 0 ? bestSpin(rest, s) : null;
      const machineLimited =
        Math.max(...s.programme.spinsRpm) <= load.spinRpm &&
        spinWithin(load.spinRpm, s.washer.drumRadiusM, slow.values[key]) &&
        slow.values[key] > load.spinRpm;
      if (machineLimited)
        out.push({
          parameter: 'spinRpm',
          limit: load.spinRpm,
          garment: null,
          source: 'washer',
          reason: say('binding.spins-no-faster', { programme: s.programme.name }),
          without: null,
        });
      else
        out.push(
          toBinding({
            parameter: 'spinRpm',
            bound: key,
            limit: slow.values[key],
            piece: slow,
            without: free !== null && free > load.spinRpm ? free : null,
          }),
        );
    }
    const gentle = tightest(
      pieces,
      (p) => p.values.maxAction,
      (a, b) => actionOrder.indexOf(a) > actionOrder.indexOf(b),
    );
    if (gentle && gentle.values.maxAction !== 'normal') {
      const rest = others(pieces, gentle);
      const free =
        tightest(
          rest,
          (p) => p.values.maxAction,
          (a, b) => actionOrder.indexOf(a) > actionOrder.indexOf(b),
        )?.values.maxAction ?? null;
      out.push(
        toBinding({
          parameter: 'action',
          bound: 'maxAction',
          limit: gentle.values.maxAction,
          piece: gentle,
          without: free && free !== gentle.values.maxAction ? free : null,
        }),
      );
    }
  }
  const cold = tightest(
    pieces,
    (p) => p.values.tumble,
    (a, b) => tumbleOrder.indexOf(a) > tumbleOrder.indexOf(b),
  );
  if (cold && cold.values.tumble !== 'normal') {
    if (!dryerAllowed(rules, true))
      out.push({
        parameter: 'tumble',
        limit: 'none',
        garment: null,
        source: 'rule',
        reason: say('rule.air-only'),
        without: null,
      });
    else {
      const free =
        tightest(
          others(pieces, cold),
          (p) => p.values.tumble,
          (a, b) => tumbleOrder.indexOf(a) > tumbleOrder.indexOf(b),
        )?.values.tumble ?? null;
      out.push(
        toBinding({
          parameter: 'tumble',
          bound: 'tumble',
          limit: cold.values.tumble,
          piece: cold,
          without: free && free !== cold.values.tumble ? free : null,
        }),
      );
    }
  }
  return out.filter((x): x is Binding => x !== null);
}

const strength: readonly Constraint[] = ['H4', 'H5', 'H3', 'H6', 'H7', 'H10', 'H8', 'H1', 'H2'];

/** The transfer that keeps two pieces apart, at the first of the settings that suit both; null when some setting lets them share. */
function firstTint(b: Basket, i: number, j: number): Transfer | 'no-setting' | null {
  const words = b.settingWords;
  let first: Transfer | 'no-setting' = 'no-setting';
  for (let w = 0; w < words; w++)
    for (
      let bits = (b.allowedBits[i * words + w] ?? 0) & (b.allowedBits[j * words + w] ?? 0);
      bits !== 0;
      bits &= bits - 1
    ) {
      const tint = transfers(b, [i, j], w * 32 + 31 - Math.clz32(bits & -bits), true).find(
        (t) => !transferAllowed(b, t.giver, t.receiver, t.deltaE),
      );
      if (!tint) return null;
      if (first === 'no-setting') first = tint;
    }
  return first;
}
/** Places of two loads in the running order, from 1. */
export interface LoadPair {
  load: number;
  otherLoad: number;
}
/** Why two groups stay apart: the strongest reason between any two of their pieces; null when only the price keeps them apart. */
export function separationOf(b: Basket, loadA: PricedLoad, loadB: PricedLoad, at: LoadPair): Separation | null {
  let best: (Separation & { constraint: Constraint }) | null = null;
  const offer = (garments: readonly number[], constraint: Constraint, message: Message): void => {
    if (best && strength.indexOf(best.constraint) <= strength.indexOf(constraint)) return;
    best = { garments: garments.flatMap((i) => b.profiles[i]?.garment.id ?? []), constraint, message };
  };
  const name = (i: number): string => b.profiles[i]?.garment.name ?? '';
  const stillOpen = (constraint: Constraint): boolean =>
    best === null || strength.indexOf(best.constraint) > strength.indexOf(constraint);
  for (const i of loadA.pieces)
    for (const j of loadB.pieces) {
      const conflict = conflictOf(b, i, j);
      if (conflict) {
        if (stillOpen(conflict.constraint)) offer([i, j], conflict.constraint, conflict.message());
        continue;
      }
      if (!stillOpen('H3')) continue;
      const tint = firstTint(b, i, j);
      if (tint === 'no-setting') offer([i, j], 'H1', say('apart.no-setting', { name: name(i), other: name(j) }));
      else if (tint)
        offer(
          [tint.giver, tint.receiver],
          'H3',
          say('apart.tint', {
            name: name(tint.giver),
            other: name(tint.receiver),
            deltaE: roundTo(tint.deltaE, 1),
            limit: tint.limit,
          }),
        );
    }
  if (
    !best &&
    loadA.setting.method === 'machine' &&
    loadB.setting.method === 'machine' &&
    loadA.massKg + loadB.massKg > Math.max(loadA.setting.programme.maxLoadKg, loadB.setting.programme.maxLoadKg)
  ) {
    const i = loadA.pieces[0] ?? 0;
    const j = loadB.pieces[0] ?? 0;
    offer([i, j], 'H2', say('apart.overfill'));
  }
  return best ?? dearerTogether(b, loadA, loadB, at);
}

/** Two loads that might be one, but dearer; null when one load would be no dearer, or cannot be told. */
function dearerTogether(b: Basket, loadA: PricedLoad, loadB: PricedLoad, at: LoadPair): Separation | null {
  const pieces = [...loadA.pieces, ...loadB.pieces].sort((i, j) => i - j);
  const one = priceLoad(b, pieces);
  const garments = [loadA.pieces[0], loadB.pieces[0]].flatMap((i) => b.profiles[i ?? -1]?.garment.id ?? []);
  if (!one.feasible) {
    const [violation] = one.violations;
    if (!violation || violation === 'no-suitable-product' || violation === 'no-suitable-programme') return null;
    return { garments, constraint: violation, message: say('board.broken', { violation }) };
  }
  const more = one.cost - loadA.cost - loadB.cost;
  if (more <= 0) return null;
  const cost = { ...at, cost: moneyOf(b.household.tariff, more) };
  const { temperatureC } = one.setting;
  const hottest = Math.max(loadA.setting.temperatureC, loadB.setting.temperatureC);
  const parts: readonly { price: number; message: Message }[] = [
    {
      price: one.company.greying - loadA.company.greying - loadB.company.greying,
      message: say('apart.price-greying', cost),
    },
    {
      price: one.company.resoiling - loadA.company.resoiling - loadB.company.resoiling,
      message: say('apart.price-soil', cost),
    },
    { price: usesPrice(one) - usesPrice(loadA) - usesPrice(loadB), message: say('apart.price-uses', cost) },
  ];
  const greatest = parts.reduce((x, y) => (y.price > x.price ? y : x));
  if (greatest.price >= more / 2) return { garments, constraint: 'price', message: greatest.message };
  const message =
    temperatureC < hottest ? say('apart.price-heat', { ...cost, celsius: hottest }) : say('apart.price', cost);
  return { garments, constraint: 'price', message };
}
const usesPrice = (load: PricedLoad): number => usePriceOf(load.company.uses, load.setting.temperatureC, load.fill);
