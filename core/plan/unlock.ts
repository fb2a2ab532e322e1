/** What a colour test would open: a piece that waits for one, or runs alone for want of one, is an action with a price. */
import { fastnessPlan } from '../colour/fastness-test.ts';
import type { ColourTest, Garment } from '../model/garment.ts';
import type { Unlock } from '../model/plan.ts';
import { basketOf, type Basket } from '../price/basket.ts';
import { deferralCost, priceLoad } from '../price/price.ts';
import type { Profile } from '../piece/profile.ts';
import { roundTo } from '../units/numbers.ts';

const clearGrade = 4.5;
/** Less than this is not worth a test, EUR. */
const leastSaving = 0.005;

/** True where water waits for a test, or a strong colour was never tested. */
export const wantsTest = (p: Profile): boolean =>
  p.closure?.kind === 'test-first' || (p.history.untested && p.history.strongColour);

interface Missing {
  test: 'spot' | 'part';
  times: number;
  /** The piece as it would be with every missing test clear. */
  tested: Garment;
}
/** The first kind of test that is still missing, and the piece after all of them. Detergent drops go with the water spots. */
function missingTests(g: Garment, now: string): Missing | null {
  const open = fastnessPlan(g).tests.flatMap((t) => (t.done < t.needed ? [{ ...t, times: t.needed - t.done }] : []));
  const [first] = open;
  if (!first) return null;
  const clear = open.flatMap(({ kind, agent, times }) =>
    Array.from({ length: times }, (): ColourTest => ({ kind, agent, grade: clearGrade, at: now })),
  );
  return { test: first.kind, times: first.times, tested: { ...g, tests: [...g.tests, ...clear] } };
}

/**
 * `loads` = the loads of the plan as piece indices, in running order; `at` = the load the piece runs in, −1 when it waits. Each load is priced with and
 * without the tested piece; what changes nothing, or only the piece's own run, joins none.
 * @example unlockOf(b, 4, now, loads, -1) // { test: 'spot', times: 2, joins: 'L2', saves: 3.2 }
 */
export function unlockOf(
  b: Basket,
  piece: number,
  now: string,
  loads: readonly (readonly number[])[],
  at: number,
): Unlock | null {
  const p = b.profiles[piece];
  if (!p || !wantsTest(p)) return null;
  const own = loads[at] ?? [];
  if (own.length > 1) return null;
  const missing = missingTests(p.garment, now);
  if (!missing) return null;
  const alone = costOf(b, [missing.tested], [0]);
  const before = at >= 0 ? costOf(b, [p.garment], [0]) : deferralCost(b, piece);
  let joins: string | null = null;
  let saves = at < 0 && Number.isFinite(alone) ? before - alone : 0;
  loads.forEach((load, l) => {
    if (l === at) return;
    const company = load.flatMap((i) => b.profiles[i]?.garment ?? []);
    const all = company.map((_, i) => i);
    const without = costOf(b, company, all);
    const withIt = costOf(b, [...company, missing.tested], [...all, company.length]);
    const saved = without + before - withIt;
    if (Number.isFinite(saved) && saved > saves + leastSaving) {
      saves = saved;
      joins = `L${l + 1}`;
    }
  });
  if (at >= 0 && joins === null) return null;
  return { test: missing.test, times: missing.times, joins, saves: Math.max(0, roundTo(saves, 2)) };
}

function costOf(b: Basket, garments: readonly Garment[], pieces: readonly number[]): number {
  const load = priceLoad(basketOf(garments, b.household), pieces);
  return load.feasible ? load.cost : Infinity;
}
