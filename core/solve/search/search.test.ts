/** The search on a basket too large to price every place of every piece. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { everydayGarment, household } from '../../testing/arbitrary.ts';
import { basketOf } from '../../price/basket.ts';
import { deferralCost } from '../../price/price.ts';
import { makeInstance, piecesOf, Pricer } from '../instance.ts';
import { Modes } from '../bounds/modes.ts';
import { Places, type State } from './places.ts';
import { Regroup } from './regroup.ts';
import { Search } from './search.ts';
import { noTools, solve, type Solution } from '../solve.ts';

const gs = fc.sample(everydayGarment, { numRuns: 160, seed: 5 }).map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` }));
const b = basketOf(gs, household);
const inst = makeInstance(
  b,
  gs.map((_, i) => ({ pieces: [i], waitCost: deferralCost(b, i) })),
);
const pricer = new Pricer(b);
const found = new Search(Modes.of(inst), pricer).run({ rounds: 40, swaps: false });

test('every item is in one load or waits, and the cost is the sum of the prices', () => {
  expect([...found.loads.flat(), ...found.waiting].sort((x, y) => x - y)).toEqual(gs.map((_, i) => i));
  const sum =
    found.loads.reduce((c, l) => c + pricer.cost(piecesOf(inst.items, l)), 0) +
    found.waiting.reduce((c, i) => c + (inst.items[i]?.waitCost ?? 0), 0);
  expect(found.cost).toBeCloseTo(sum, 9);
  expect(found.cost).toBeLessThan(Infinity);
});
test('the same basket gives the same division', () =>
  expect(new Search(Modes.of(inst), new Pricer(b)).run({ rounds: 40, swaps: false })).toEqual(found));
test('more rounds never cost more', () =>
  expect(new Search(Modes.of(inst), new Pricer(b)).run({ rounds: 200, swaps: false }).cost).toBeLessThanOrEqual(
    found.cost + 1e-9,
  ));
test('rounds are told in order, and stop when it is enough', () => {
  const shares: number[] = [];
  const costs: number[] = [];
  const search = new Search(Modes.of(inst), new Pricer(b));
  search.onRound = (share, cost) => {
    shares.push(share);
    if (cost < Infinity) costs.push(cost);
    return false;
  };
  const whole = search.run({ rounds: 120, swaps: false });
  expect(whole.cost).toBeLessThanOrEqual(found.cost + 1e-9);
  expect(shares).toEqual([...shares].sort((x, y) => x - y));
  expect(costs).toEqual([...costs].sort((x, y) => y - x));
  expect(shares.at(-1)).toBeLessThanOrEqual(1);

  const halted = new Search(Modes.of(inst), new Pricer(b));
  const rounds: number[] = [];
  halted.onRound = (share) => rounds.push(share) > 0 && share > 0.4;
  expect(halted.run({ rounds: 120, swaps: false }).cost).toBeGreaterThanOrEqual(whole.cost - 1e-9);
  expect(Math.max(...rounds)).toBeLessThan(0.5);
});
test('no load is dearer than washing or putting off its items one by one', () => {
  for (const l of found.loads)
    expect(pricer.cost(piecesOf(inst.items, l))).toBeLessThanOrEqual(
      l.reduce((c, i) => c + Math.min(pricer.cost([i]), inst.items[i]?.waitCost ?? Infinity), 0) + 1e-9,
    );
});
test('solved whole, the gap is told and the bound lies below the cost', () => {
  const told: string[] = [];
  const seen: Solution[] = [];
  const s = solve(
    b,
    gs.map((_, piece) => ({ piece, mayWait: true })),
    undefined,
    {
      ...noTools,
      watch: (p, soFar) => {
        told.push(p.phase);
        if (told.length % 20 === 1) seen.push(soFar());
        expect(p.share).toBeGreaterThanOrEqual(0);
        expect(p.share).toBeLessThanOrEqual(1);
      },
    },
  );
  expect(s.lowerBound).toBeLessThanOrEqual(s.cost);
  expect(s.lowerBound).toBeGreaterThan(0.6 * s.cost);
  expect(s.cost).toBeLessThanOrEqual(found.cost + 1e-6);
  expect(new Set(told)).toEqual(new Set(['search', 'proof']));
  // Whenever it is asked it has a whole division, at its real price, and none dearer than the one before.
  expect(seen.length).toBeGreaterThan(3);
  for (const [k, at] of seen.entries()) {
    expect([...at.loads.flat(), ...at.waiting].sort((x, y) => x - y)).toEqual(gs.map((_, i) => i));
    const sum =
      at.loads.reduce((c, l) => c + pricer.cost(l), 0) + at.waiting.reduce((c, i) => c + deferralCost(b, i), 0);
    expect(at.cost).toBeCloseTo(sum, 6);
    expect(at.cost).toBeLessThanOrEqual((seen[k - 1]?.cost ?? Infinity) + 1e-9);
    expect(at.cost).toBeGreaterThanOrEqual(s.cost - 1e-9);
  }
});

describe('loads gathered by way of washing', () => {
  const modes = Modes.of(inst);
  const places = new Places(modes, pricer);
  const regroup = new Regroup(modes, places);
  const half = (): State => {
    const s: State = { loads: [], waiting: new Set(), cost: 0 };
    gs.forEach((_, i) =>
      places.put(s, i, i % 2 === 0 ? places.bestPlace(s, i, -1) : { delta: inst.items[i]?.waitCost ?? 0, place: -2 }),
    );
    return s;
  };
  const costOf = (s: State): number =>
    s.loads.reduce((c, l) => c + pricer.cost(piecesOf(inst.items, l.items)), 0) +
    [...s.waiting].reduce((c, i) => c + (inst.items[i]?.waitCost ?? 0), 0);
  test('are proposed the most promising first, and only where they promise something', () => {
    const rises = regroup.proposals(half()).map((p) => p.rise);
    expect(rises.length).toBeGreaterThan(3);
    expect(rises).toEqual([...rises].sort((x, y) => x - y));
    expect(Math.max(...rises)).toBeLessThan(0);
  });
  test('are real loads, and imposing one leaves every piece in one place at the summed price', () => {
    for (const proposal of regroup.proposals(half()).slice(0, 12)) {
      const load = regroup.gather(proposal);
      expect(load.cost).toBeCloseTo(pricer.cost(piecesOf(inst.items, load.items)), 9);
      const s = half();
      const touched = places.impose(s, load);
      expect([...s.loads.flatMap((l) => l.items), ...s.waiting].sort((x, y) => x - y)).toEqual(gs.map((_, i) => i));
      expect(s.cost).toBeCloseTo(costOf(s), 6);
      for (const i of load.items) expect(touched).toContain(i);
    }
  });
  test('one of them pays where half of the basket was left waiting', () => {
    const s = half();
    const best = Math.min(
      ...regroup.proposals(s).map((p) => {
        const t = places.copy(s);
        places.impose(t, regroup.gather(p));
        return t.cost;
      }),
    );
    expect(best).toBeLessThan(s.cost - 0.5);
  });
});
