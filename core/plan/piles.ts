/** The piles of a household: the loads of everything it owns, those that run alike taken together. For the sheet beside the machine. */
import type { PlannedGarment, PlannedLoad } from '../model/plan.ts';
import { median, sum } from '../units/numbers.ts';

type Load = Pick<
  PlannedLoad,
  | 'method'
  | 'washer'
  | 'programme'
  | 'basin'
  | 'garments'
  | 'massKg'
  | 'temperatureC'
  | 'spinRpm'
  | 'extraRinse'
  | 'detergent'
  | 'additives'
  | 'durationMin'
> & { action: string };
type Piece = Pick<PlannedGarment, 'id'> & { dry: { method: string } | null; press: { iron: string } | null };

export interface Pile {
  method: 'machine' | 'hand';
  washer: string | null;
  programme: string | null;
  basin: string | null;
  garments: string[];
  /** Loads it takes when everything is dirty. */
  loads: number;
  massKg: number;
  temperatureC: number;
  spinRpm: number;
  action: string;
  extraRinse: boolean;
  durationMin: number;
  /** The dose of its middle load. */
  dose: { product: string; amount: number; unit: string } | null;
  additives: string[];
  /** How most of it dries, and is ironed; null = not at all. */
  dry: string | null;
  iron: 'high' | 'medium' | 'low' | null;
}

const commonest = <T extends string>(values: readonly T[]): T | null => {
  const counts = new Map<T, number>();
  for (const x of values) counts.set(x, (counts.get(x) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
};

/**
 * Piles, the largest first: loads of one programme, temperature, spin and product are one pile.
 * @example pilesOf(plan.loads, plan.garments)[0]?.loads // 2
 */
export function pilesOf(loads: readonly Load[], pieces: readonly Piece[]): Pile[] {
  const byId = new Map(pieces.map((p) => [p.id, p]));
  const groups = new Map<string, Load[]>();
  for (const l of loads) {
    const key = [
      l.method,
      l.washer,
      l.programme,
      l.basin,
      l.temperatureC,
      l.spinRpm,
      l.extraRinse,
      l.detergent?.product,
      ...l.additives.map((a) => a.product).sort(),
    ].join('/');
    groups.set(key, [...(groups.get(key) ?? []), l]);
  }
  return [...groups.values()]
    .flatMap((list): Pile[] => {
      const [first] = list;
      if (!first) return [];
      const garments = list.flatMap((l) => l.garments);
      const own = garments.flatMap((id) => byId.get(id) ?? []);
      const dose = first.detergent;
      return [
        {
          method: first.method,
          washer: first.washer,
          programme: first.programme,
          basin: first.basin,
          garments,
          loads: list.length,
          massKg: sum(list.map((l) => l.massKg)),
          temperatureC: first.temperatureC,
          spinRpm: first.spinRpm,
          action: first.action,
          extraRinse: first.extraRinse,
          durationMin: first.durationMin,
          dose: dose && {
            product: dose.product,
            amount: median(list.flatMap((l) => (l.detergent ? [l.detergent.amount] : []))),
            unit: dose.unit,
          },
          additives: first.additives.map((a) => a.product),
          dry: commonest(own.flatMap((p) => (p.dry ? [p.dry.method] : []))),
          iron: commonest(own.flatMap((p) => (p.press ? [p.press.iron] : []))) as Pile['iron'],
        },
      ];
    })
    .sort((a, b) => b.massKg - a.massKg);
}
