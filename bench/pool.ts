/** The integer-programming library's own branch and bound over the loads that search and column generation meet: what it finds in the time we take. */
import type { Highs } from 'highs';
import { decide } from '@core/piece/outcomes.ts';
import type { PlanRequest } from '@core/plan/plan.ts';
import { basketOf } from '@core/price/basket.ts';
import { deferralCost } from '@core/price/price.ts';
import { Generation } from '@core/solve/bounds/generation.ts';
import { Modes } from '@core/solve/bounds/modes.ts';
import { makeInstance, Pricer } from '@core/solve/instance.ts';
import { KindLoads } from '@core/solve/kinds.ts';
import { Search } from '@core/solve/search/search.ts';
import { independentGroups } from '@core/solve/solve.ts';
import { programText } from '../workers/partition.ts';

/** The library tells a division that it has not found as a cost beyond this. */
const leastUnsolved = 1e9;
const effort = { rounds: 60, divisions: 400, sets: 100, visited: 15_000_000 };

/** Cost of the library's best division of the basket, given `ms` for it; null where it finds none in that time. Its pool is gathered beforehand. */
export function poolCost(highs: Highs, { household, garments, now }: PlanRequest, ms: number): number | null {
  const b = basketOf(garments, household);
  const pricer = new Pricer(b);
  const all = b.profiles.flatMap((p, piece) => {
    const { fixed, mayWait } = decide(p, household, now);
    const waits = mayWait || pricer.cost([piece]) === Infinity;
    return fixed === null ? [{ pieces: [piece], waitCost: waits ? deferralCost(b, piece) : Infinity }] : [];
  });
  const groups = independentGroups(b, all).map((group) =>
    makeInstance(
      b,
      group.map((i) => all[i] as (typeof all)[number]),
    ),
  );
  let total = 0;
  for (const inst of groups) {
    const modes = Modes.of(inst);
    const known = new KindLoads(inst, pricer);
    const search = new Search(modes, pricer);
    search.onLoad = (items) => void known.meet(known.kindsOf(items));
    const best = search.run({ rounds: 600, swaps: true });
    const met = [...known.met.values()].map(({ kinds }) => kinds);
    const generation = new Generation(modes, known);
    generation.take(met, best);
    generation.run(effort, best.cost, () => false);
    const { counts, waitCosts } = known;
    const answer = highs.solve(programText({ counts, waitCosts, loads: [...known.met.values()] }), {
      output_flag: false,
      mip_rel_gap: 0,
      time_limit: ((ms / 1000) * inst.items.length) / all.length,
    });
    if (!(answer.ObjectiveValue < leastUnsolved)) return null;
    total += answer.ObjectiveValue;
  }
  return total;
}
