import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { traitIds } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import { anyGarment, anyHousehold, everydayGarment, garment, household } from '../testing/arbitrary.ts';
import { basketOf, noWaivers } from '../price/basket.ts';
import { cheapest, deferralCost } from '../price/price.ts';
import { profileOf } from '../piece/profile.ts';
import { Proof } from './exact/proof.ts';
import { makeInstance, Pricer, type Division, type Instance } from './instance.ts';
import { Modes } from './bounds/modes.ts';
import { Search } from './search/search.ts';
import { independentGroups, solve } from './solve.ts';
import { divideByCounts, fewKinds } from './exact/counts.ts';
import { KindLoads, kindsOf } from './kinds.ts';
import { divideBySubsets } from './exact/subsets.ts';

const washable = anyGarment.filter((g) => profileOf(g, household.rules).closure === null);
function instanceOf(list: Parameters<typeof basketOf>[0], home = household): { inst: Instance; pricer: Pricer } {
  const b = basketOf(
    list.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    home,
  );
  return {
    inst: makeInstance(
      b,
      list.map((_, i) => ({ pieces: [i], waitCost: deferralCost(b, i) })),
    ),
    pricer: new Pricer(b),
  };
}
const effort = {
  relaxation: { rounds: 200, nodesPerMode: 100_000, visited: 5_000_000 },
  written: { columns: 20_000, visited: 200_000, list: { branches: 500, looks: 1_000_000 } },
};
const allWaiting = ({ items }: Instance): Division => ({
  loads: [],
  waiting: items.map((_, i) => i),
  cost: items.reduce((c, x) => c + x.waitCost, 0),
});

describe('L2: many alike', () => {
  const few = fc.array(fc.tuple(washable, fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 3 });
  test('counting kinds costs what trying every subset costs', () =>
    fc.assert(
      fc.property(few, (kinds) => {
        const list = kinds.flatMap(([g, n]) => Array.from({ length: n }, () => g));
        const { inst, pricer } = instanceOf(list);
        const found = fewKinds(inst);
        if (found === null) throw new Error('so few are always counted');
        const division = divideByCounts(inst, pricer, found);
        expect(division.cost).toBeCloseTo(divideBySubsets(inst, pricer).cost, 6);
        const all = [...division.loads.flat(), ...division.waiting].sort((a, b) => a - b);
        expect(all).toEqual(list.map((_, i) => i));
      }),
      { numRuns: 60 },
    ));
  test('two hundred alike are divided with proof; twins that a decision tells apart are not counted', () => {
    const { inst, pricer } = instanceOf(Array.from({ length: 200 }, () => garment('g')));
    const kinds = fewKinds(inst) ?? [];
    expect(kinds.map((k) => k.length)).toEqual([200]);
    const division = divideByCounts(inst, pricer, kinds);
    const sizes = division.loads.map((l) => l.length);
    expect(sizes.reduce((s, x) => s + x, 0) + division.waiting.length).toBe(200);
    expect(new Set(sizes).size).toBeLessThanOrEqual(2 + 1);
    const decided = makeInstance(inst.basket, inst.items, [[0, 1]]);
    expect(kindsOf(decided)).toHaveLength(200);
    expect(fewKinds(decided)).toBeNull();
  });
  test('one trait more is another kind; who measured a piece is none of the price', () => {
    const plain = garment('g', { traits: new Set() });
    for (const trait of traitIds) {
      const { inst } = instanceOf([plain, { ...plain, traits: new Set([trait]) }]);
      expect([trait, kindsOf(inst)]).toEqual([trait, [[0], [1]]]);
    }
    const order: Garment[] = [
      { ...plain, traits: new Set(['zip', 'terry']) },
      { ...plain, traits: new Set(['terry', 'zip']), measured: true },
    ];
    expect(kindsOf(instanceOf(order).inst)).toEqual([[0, 1]]);
    expect(kindsOf(instanceOf([plain, { ...plain, soaked: true }]).inst)).toEqual([[0], [1]]);
  });
  test('a piece that a decision by hand singles out is a kind of its own; the others alike stay one', () => {
    const four = Array.from({ length: 4 }, (_, i) => garment(`g${i}`, { kind: 'bath_towel' }));
    const kinds = (waivers: Partial<typeof noWaivers>): number[][] => {
      const b = basketOf(four, household, { ...noWaivers, ...waivers });
      return kindsOf(
        makeInstance(
          b,
          four.map((_, i) => ({ pieces: [i], waitCost: 1 })),
        ),
      );
    };
    expect(kinds({})).toEqual([[0, 1, 2, 3]]);
    for (const one of [{ labels: new Set([2]) }, { overfill: new Set([2]) }, { byHand: new Set([2]) }])
      expect(kinds(one)).toEqual([[0, 1, 3], [2]]);
    expect(kinds({ pairs: [[1, 2]] })).toEqual([[0, 3], [1], [2]]);
  });
  test('sets of the same kinds share a price, which is that of each of them', () =>
    fc.assert(
      fc.property(few, fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }), (kinds, taken) => {
        const list = kinds.flatMap(([g, n]) => Array.from({ length: n }, () => g));
        const { inst, pricer } = instanceOf(list);
        const set = list.flatMap((_, i) => (taken[i] ? [i] : []));
        const twins = kindsOf(inst).flatMap((kind) => kind.toReversed().slice(0, kind.filter((i) => taken[i]).length));
        expect(pricer.hashes(twins)).toEqual(pricer.hashes(set));
        for (const pieces of [set, twins])
          if (pieces.length > 0)
            expect(pricer.cost(pieces)).toBeCloseTo(
              cheapest(
                inst.basket,
                [...pieces].sort((x, y) => x - y),
              ).cost,
              9,
            );
      }),
      { numRuns: 60 },
    ));
  test('too many kinds are left to the other ways', () => {
    const { inst } = instanceOf(Array.from({ length: 13 }, (_, i) => garment('g', { valueEur: 20 + i })));
    expect(fewKinds(inst)).toBeNull(); // 2¹³ states
  });
});

describe('proofs by written-out loads', () => {
  const equalsExact = (list: Parameters<typeof instanceOf>[0], home = household): void => {
    const { inst, pricer } = instanceOf(list, home);
    const exact = divideBySubsets(inst, pricer);
    const found = new Proof(Modes.of(inst), pricer, new KindLoads(inst, pricer), allWaiting(inst), effort).run(
      (best) => best,
    );
    expect(found.lowerBound).toBeLessThanOrEqual(exact.cost + 1e-6);
    expect(found.division.cost).toBeCloseTo(exact.cost, 6);
    expect(found.lowerBound).toBeCloseTo(exact.cost, 5);
  };
  test('equals the dynamic programme over all subsets, and proves it', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 6, maxLength: 9 }), (list) => equalsExact(list)),
      { numRuns: 25 },
    ));
  test('also with heavy everyday baskets and any cupboard', () =>
    fc.assert(fc.property(fc.array(everydayGarment, { minLength: 7, maxLength: 10 }), anyHousehold, equalsExact), {
      numRuns: 25,
    }));
  test('also where pieces repeat', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(everydayGarment, fc.integer({ min: 1, max: 4 })), { minLength: 2, maxLength: 5 }),
        anyHousehold,
        (kinds, home) => equalsExact(kinds.flatMap(([g, n]) => Array.from({ length: n }, () => g)).slice(0, 11), home),
      ),
      { numRuns: 40 },
    ));
  test('where the loads are too many to be written out, the bound of the relaxation stays, and is told', () => {
    fc.assert(
      fc.property(fc.array(everydayGarment, { minLength: 8, maxLength: 10 }), (list) => {
        const { inst, pricer } = instanceOf(list);
        const exact = divideBySubsets(inst, pricer);
        const start = allWaiting(inst);
        const known = new KindLoads(inst, pricer);
        const proof = new Proof(Modes.of(inst), pricer, known, start, {
          ...effort,
          written: { ...effort.written, columns: 0 },
        });
        const told: number[] = [];
        proof.onBound = (lowerBound) => told.push(lowerBound) < 0;
        let rounded = 0;
        const before = known.met.size;
        const { division, lowerBound } = proof.run((best) => {
          rounded++;
          expect(known.met.size).toBeGreaterThan(before);
          return best;
        });
        expect(lowerBound).toBeLessThanOrEqual(exact.cost + 1e-6);
        expect(lowerBound).toBeGreaterThan(0.9 * exact.cost);
        expect(Math.max(...told)).toBeCloseTo(lowerBound, 9);
        expect([division, rounded]).toEqual([start, 1]);
      }),
      { numRuns: 12 },
    );
  });
  test('search never beats it, and finds it on small baskets most of the time', () => {
    let same = 0;
    fc.assert(
      fc.property(fc.array(washable, { minLength: 4, maxLength: 8 }), (list) => {
        const { inst, pricer } = instanceOf(list);
        const exact = divideBySubsets(inst, pricer);
        const found = new Search(Modes.of(inst), pricer).run({ rounds: 40, swaps: true });
        expect(found.cost).toBeGreaterThanOrEqual(exact.cost - 1e-9);
        expect([...found.loads.flat(), ...found.waiting].sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
        if (found.cost - exact.cost < 1e-6) same++;
      }),
      { numRuns: 20, seed: 11 },
    );
    expect(same).toBeGreaterThanOrEqual(16);
  });
});

describe('a basket in which linen repeats', () => {
  // Eight kinds four times each: too many counts to go through, and item by item too many loads to be listed.
  const shades = ['#9aa7b8', '#8aa0b8', '#b89aa7', '#2f6f6b', '#f7f7f4', '#d9c7a4', '#232f4e', '#8b8d94'];
  const drawn = shades.flatMap((hex, k) => {
    const soil = k % 2 === 0 ? ('light' as const) : ('normal' as const);
    const one = garment(`shade ${k}`, { colours: [{ hex, role: 'ground' }], soil });
    return [one, one, one, one];
  });
  const linen = basketOf(
    drawn.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    household,
  );
  const candidates = drawn.map((_, piece) => ({ piece, mayWait: false }));
  const decided = { together: [], apart: [] };
  const whole = ({ loads, waiting }: { loads: readonly (readonly number[])[]; waiting: readonly number[] }): number[] =>
    [...loads.flat(), ...waiting].sort((x, y) => x - y);

  test('is proven; the bound that is told never falls, and stopped at any time there is a division of all pieces', () => {
    const bounds: number[] = [];
    const proven = solve(linen, candidates, decided, {
      watch: ({ lowerBound, cost }) => {
        expect(lowerBound).toBeLessThanOrEqual(cost + 1e-6);
        bounds.push(lowerBound);
      },
      partition: null,
    });
    expect(proven.optimal).toBe(true);
    expect(whole(proven)).toEqual(drawn.map((_, i) => i));
    expect(Math.max(...bounds.map((bound, x) => (bounds[x - 1] ?? 0) - bound))).toBeLessThan(1e-6);
    for (const share of [0.1, 0.5, 0.9]) {
      let told = 0;
      const stopped = solve(linen, candidates, decided, {
        watch: () => ++told > share * bounds.length,
        partition: null,
      });
      expect(whole(stopped)).toEqual(drawn.map((_, i) => i));
      expect(stopped.cost).toBeGreaterThanOrEqual(proven.cost - 1e-6);
      expect(stopped.lowerBound).toBeLessThanOrEqual(proven.cost + 1e-6);
    }
  }, 60_000);
  test('has more counts than are gone through', () => {
    const inst = makeInstance(
      linen,
      drawn.map((_, p) => ({ pieces: [p], waitCost: Infinity })),
    );
    expect(independentGroups(linen, inst.items).map((group) => group.length)).toEqual([32]);
    expect(kindsOf(inst).length).toBe(8);
    expect(fewKinds(inst)).toBeNull();
  });
});

describe('decisions made by hand', () => {
  const tees = ['#9aa7b8', '#8aa0b8', '#b89aa7', '#2f6f6b'].map((hex, i) =>
    garment(`t${i}`, { colours: [{ hex, role: 'ground' }], wearsSinceWash: 3, soil: 'heavy' }),
  );
  const b = basketOf(tees, household);
  const candidates = tees.map((_, piece) => ({ piece, mayWait: false }));
  test('without them, like goes with like in one load', () =>
    expect(solve(b, candidates).loads).toEqual([[0, 1, 2, 3]]));
  test('apart is kept, and costs', () => {
    const apart = solve(b, candidates, { together: [], apart: [[0, 1]] });
    expect(apart.loads.some((l) => l.includes(0) && l.includes(1))).toBe(false);
    expect(apart.cost).toBeGreaterThan(solve(b, candidates).cost);
    expect(apart.optimal).toBe(true);
  });
  test('together is kept', () => {
    const wool = garment('w', {
      kind: 'jumper_mid',
      parts: [{ role: 'shell', fibres: [{ fibre: 'silk', percent: 100 }] }],
      soil: 'heavy',
      wearsSinceWash: 12,
    });
    const mixed = basketOf([...tees, wool], household);
    const all = [...candidates, { piece: 4, mayWait: false }];
    const free = solve(mixed, all);
    const bound = solve(mixed, all, { together: [[0, 4]], apart: [] });
    expect(bound.loads.filter((l) => l.includes(0) !== l.includes(4))).toEqual([]);
    expect(bound.cost).toBeGreaterThanOrEqual(free.cost);
  });
  test('pieces no setting shares are independent groups', () => {
    const wool = garment('w', {
      kind: 'jumper_mid',
      parts: [{ role: 'shell', fibres: [{ fibre: 'wool', percent: 100 }] }],
    });
    const mixed = basketOf([tees[0]!, wool, tees[1]!], household);
    expect(
      independentGroups(
        mixed,
        [0, 1, 2].map((i) => ({ pieces: [i], waitCost: 1 })),
      ),
    ).toEqual([[0, 2], [1]]);
  });
});
