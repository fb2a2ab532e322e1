/** Why loads stay apart: for two loads the strongest reason between any two of their pieces, or what one load would cost more. */
import { usePriceOf } from '../cost/judgement.ts';
import { say, type Message } from '../message/message.ts';
import { moneyOf } from '../message/params.ts';
import type { Constraint } from '../model/constraints.ts';
import type { Separation } from '../model/plan.ts';
import { conflictOf, type Basket } from '../price/basket.ts';
import { priceLoad, type PricedLoad } from '../price/price.ts';
import { transferAllowed, transfers, type Transfer } from '../price/transfer.ts';
import { roundTo } from '../units/numbers.ts';

/** Strongest first. */
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
interface LoadPair {
  load: number;
  otherLoad: number;
}
/** The constraint that keeps two pieces apart, and who and why; null where none does. */
interface Apart {
  garments: readonly number[];
  constraint: Constraint;
  message: () => Message;
}
function apartOf(b: Basket, i: number, j: number): Apart | null {
  const conflict = conflictOf(b, i, j);
  if (conflict) return { garments: [i, j], ...conflict };
  const name = (piece: number): string => b.profiles[piece]?.garment.name ?? '';
  const tint = firstTint(b, i, j);
  if (tint === null) return null;
  if (tint === 'no-setting')
    return {
      garments: [i, j],
      constraint: 'H1',
      message: () => say('apart.no-setting', { name: name(i), other: name(j) }),
    };
  const { giver, receiver, deltaE, limit } = tint;
  return {
    garments: [giver, receiver],
    constraint: 'H3',
    message: () => say('apart.tint', { name: name(giver), other: name(receiver), deltaE: roundTo(deltaE, 1), limit }),
  };
}

/** How strong the reason between two pieces is: its place in `strength`, Infinity where there is none. Pieces alike are compared once. */
function pairStrengths(b: Basket): (i: number, j: number) => number {
  const n = b.profiles.length;
  const known = new Map<number, number>();
  return (i, j) => {
    const [one, other] = [b.alike[i] as number, b.alike[j] as number];
    const key = Math.min(one, other) * n + Math.max(one, other);
    let found = known.get(key);
    if (found === undefined) {
      const apart = apartOf(b, i, j);
      found = apart ? strength.indexOf(apart.constraint) : Infinity;
      known.set(key, found);
    }
    return found;
  };
}

/**
 * Why each two of the loads, in their running order, stay apart: the strongest reason between any two of their pieces, else what one load would cost more.
 * Two loads that one load would cost no more than, or where that cannot be told, are left out.
 */
export function separationsOf(b: Basket, loads: readonly PricedLoad[]): Separation[] {
  const strengthOf = pairStrengths(b);
  // The first of each kind speaks for the others of its load.
  const different = loads.map(({ pieces }) => {
    const kinds = new Set<number>();
    return pieces.filter((p) => kinds.size < kinds.add(b.alike[p] as number).size);
  });
  const strongest = (x: number, y: number): Apart | null => {
    let least = Infinity;
    let pair: readonly [number, number] = [0, 0];
    for (const i of different[x] ?? [])
      for (const j of different[y] ?? []) {
        const found = strengthOf(i, j);
        if (found >= least) continue;
        least = found;
        pair = [i, j];
      }
    return least === Infinity ? null : apartOf(b, ...pair);
  };
  return loads.flatMap((load, x) =>
    loads.slice(x + 1).flatMap((other, k) => {
      const y = x + 1 + k;
      const apart = strongest(x, y) ?? overfilled(load, other);
      if (!apart) return dearerTogether(b, load, other, { load: x + 1, otherLoad: y + 1 }) ?? [];
      const garments = apart.garments.flatMap((i) => b.profiles[i]?.garment.id ?? []);
      return [{ garments, constraint: apart.constraint, message: apart.message() }];
    }),
  );
}

/** More than the larger of two machines holds. */
function overfilled(x: PricedLoad, y: PricedLoad): Apart | null {
  if (x.setting.method !== 'machine' || y.setting.method !== 'machine') return null;
  const mostKg = Math.max(x.setting.programme.maxLoadKg, y.setting.programme.maxLoadKg);
  if (x.massKg + y.massKg <= mostKg) return null;
  return { garments: [x.pieces[0] ?? 0, y.pieces[0] ?? 0], constraint: 'H2', message: () => say('apart.overfill') };
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
