/**
 * One bath for several hand loads, where the house allows it: with a no-rinse product only, light to dark and clean to soiled, nothing that bleeds before
 * another, and no longer than the bath keeps 0.6 of its strength. The price of a load stays that of a fresh bath, for loads are priced by themselves.
 */
import { physicalFibres } from '../fibre/physical.ts';
import { soilOrder } from '../model/orders.ts';
import type { Profile } from '../piece/profile.ts';
import type { Basket } from '../price/basket.ts';
import type { PricedLoad } from '../price/price.ts';
import { mean, mixture } from '../units/numbers.ts';
import { reusedConcentration } from '../washing/basin.ts';

/** Share of its first strength down to which a bath still cleans. */
const leastStrength = 0.6;

export interface RunningOrder {
  loads: PricedLoad[];
  /** Index of a load → index of the load whose bath it uses again. */
  reuses: ReadonlyMap<number, number>;
}

const piecesOf = (b: Basket, l: PricedLoad): Profile[] => l.pieces.flatMap((i) => b.profiles[i] ?? []);
const lightness = (ps: readonly Profile[]): number => mean(ps.map((p) => p.history.colour.strongest.lightness));
const soil = (ps: readonly Profile[]): number => Math.max(...ps.map((p) => soilOrder.indexOf(p.garment.soil)));
const mayRun = (p: Profile): boolean =>
  p.history.knownBleeder || (p.history.untested && p.history.strongColour) || p.contamination !== 'none';

function bathKey(b: Basket, l: PricedLoad): string | null {
  const { setting: s, product } = l;
  if (!b.household.rules.reuseBath || s.method !== 'hand' || product.class !== 'no-rinse-wool') return null;
  if (piecesOf(b, l).some((p) => p.garment.neededBy !== null)) return null;
  return `${s.basin.id}/${s.temperatureC}/${product.id}`;
}

/** Strength left of a bath of strength 1 after a load: what the cloth carries out, topped up with plain water. */
function strengthAfter(b: Basket, load: PricedLoad, strength: number): number {
  const carried = mean(piecesOf(b, load).map((p) => mixture(p.fibre, (f) => physicalFibres[f].pressed)));
  return reusedConcentration(strength, load.bath?.litres ?? 1, [[load.massKg, carried]]);
}

/** Loads of one bath stand together, where the first of them stood. */
export function withReusedBaths(b: Basket, loads: readonly PricedLoad[]): RunningOrder {
  const groups = new Map<string, PricedLoad[]>();
  for (const l of loads) {
    const key = bathKey(b, l);
    if (key !== null) groups.set(key, [...(groups.get(key) ?? []), l]);
  }
  const out: PricedLoad[] = [];
  const reuses = new Map<number, number>();
  for (const l of loads) {
    if (out.includes(l)) continue;
    const group = groups.get(bathKey(b, l) ?? '') ?? [];
    if (group.length < 2) {
      out.push(l);
      continue;
    }
    const order = [...group].sort(
      (x, y) => lightness(piecesOf(b, y)) - lightness(piecesOf(b, x)) || soil(piecesOf(b, x)) - soil(piecesOf(b, y)),
    );
    let strength = 1;
    order.forEach((next, k) => {
      const last = order[k - 1];
      if (last) {
        strength = strengthAfter(b, last, strength);
        const clean = soil(piecesOf(b, last)) <= soil(piecesOf(b, next)) && !piecesOf(b, last).some(mayRun);
        const large = (next.bath?.litres ?? 0) <= (last.bath?.litres ?? 0) * roomier;
        if (strength >= leastStrength && clean && large) reuses.set(out.length, out.length - 1);
        else strength = 1;
      }
      out.push(next);
    });
  }
  return { loads: out, reuses };
}
/** A little more water may be let in for the next load. */
const roomier = 1.25;
