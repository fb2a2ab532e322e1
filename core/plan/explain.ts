/** Why a load is set as it is: for each setting the piece and bound that decide, and what the load could do without that piece. */
import { bindingBounds, type Bound, type EnvelopeParameter } from '../envelope/envelope.ts';
import { dryerAllowed } from '../model/rule-effects.ts';
import type { Binding } from '../model/plan.ts';
import { actionOrder, tumbleOrder } from '../model/orders.ts';
import { spinWithin } from '../washing/spin.ts';
import { say } from '../message/message.ts';
import type { HouseRules } from '../model/household.ts';
import type { PricedLoad } from '../price/price.ts';
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
