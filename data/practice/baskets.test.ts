import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readPieceLine } from '@core/phrase/piece-line.ts';
import { allowedPrice, assess, basePrice, fairLuck, harmed } from '@core/practice/assess.ts';
import { foretell, sceneOf } from '@core/practice/foretell.ts';
import { happen } from '@core/practice/happen.ts';
import { luckOf } from '@core/practice/luck.ts';
import { withMistake } from '@core/practice/mistakes.ts';
import { applyMove, type Move } from '@core/practice/moves.ts';
import { asides, emptyPlay, type Play } from '@core/practice/play.ts';
import { testGrade } from '@core/practice/tests.ts';
import { playProblems } from '@core/practice/ways.ts';
import type { PlanRequest } from '@core/plan/plan.ts';
import { readHamperValue } from '@formats/hamper.ts';
import { hamperOfBasket, type PracticeBasket } from './basket.ts';
import { practiceBaskets } from './baskets.ts';
import { basketOfDay, endlessBasket, findBasket } from './endless.ts';

function requestOf(b: PracticeBasket): PlanRequest {
  const read = readHamperValue(hamperOfBasket(b));
  if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('\n'));
  return read.value.request;
}
const named = (id: string): PracticeBasket => findBasket(id)!;
const bestOf = (request: PlanRequest, seed = 1): Play => assess(request, emptyPlay, seed).best.play;

describe('the thirty baskets', () => {
  test('are thirty, each with a name of its own, and every level has some', () => {
    expect(practiceBaskets).toHaveLength(30);
    expect(new Set(practiceBaskets.map((b) => b.id)).size).toBe(30);
    expect(new Set(practiceBaskets.map((b) => b.title)).size).toBe(30);
    expect(practiceBaskets.map((b) => b.level)).toEqual([...practiceBaskets.map((b) => b.level)].sort());
    for (const level of [1, 2, 3, 4, 5])
      expect(practiceBaskets.filter((b) => b.level === level).length).toBeGreaterThan(4);
  });
  test('every line is understood to its last word', () => {
    for (const { line } of practiceBaskets.flatMap((b) => b.pieces)) {
      const read = readPieceLine(line);
      expect([line, read.unknown, read.problems, read.kind === 'other', read.colours.length]).toEqual([
        line,
        [],
        [],
        false,
        read.colours.length,
      ]);
      expect(read.colours.length).toBeGreaterThan(0);
    }
  });
  test.each(practiceBaskets.map((b) => [b.id, b] as const))(
    '%s: the best plan is proven, possible, and goes well; the mistake is caught',
    (_, b) => {
      const request = requestOf(b);
      const seed = fairLuck(request, 1);
      const a = assess(request, emptyPlay, seed);
      expect(a.plan.proof.optimal).toBe(true);
      const best = a.best.play;
      expect(playProblems(request.household, new Set(request.garments.map((g) => g.id)), best)).toEqual([]);
      const played = assess(request, best, seed);
      expect(played.you.score).toBe(100);
      expect(played.differences).toEqual([]);
      expect(harmed(played.you).map((f) => f.effect)).toEqual([]);
      const wrong = assess(request, withMistake(best, b.mistake!), seed);
      expect(wrong.you.score).toBeLessThan(95);
      expect(wrong.ended !== null || wrong.differences.length + wrong.remarks.length > 0).toBe(true);
      // A usual beginner does worse, and a learner who does nothing learns nothing.
      expect(a.beginner.score).toBeLessThan(70);
      expect(a.you.score).toBeLessThan(60);
    },
  );
});

describe('baskets from a seed', () => {
  test('the same seed is the same basket, another is another; today’s is one of them', () => {
    expect(endlessBasket(5)).toEqual(endlessBasket(5));
    expect(endlessBasket(5).pieces).not.toEqual(endlessBasket(6).pieces);
    expect(basketOfDay('2026-11-28').pieces).toEqual(endlessBasket(20_261_128).pieces);
    expect(findBasket('seed-20261128')?.id).toBe('seed-20261128');
    expect([findBasket('seed-'), findBasket('seed-999999999'), findBasket('nothing')]).toEqual([null, null, null]);
  });
  test('any of them can be read, planned with proof, and done as planned', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), (seed) => {
        const b = endlessBasket(seed);
        expect(b.pieces.length).toBeGreaterThanOrEqual(6);
        expect(b.pieces.length).toBeLessThanOrEqual(10);
        const request = requestOf(b);
        const best = assess(request, bestOf(request), 1);
        expect(best.plan.proof.optimal).toBe(true);
        expect(best.you.score).toBe(100);
      }),
      { numRuns: 25 },
    );
  });
});

describe('the simulation', () => {
  test.each(['one-new-red', 'wool-in-the-pile', 'bleeding-dress', 'coffee-shirt', 'gym-bag'])(
    '%s: over many seeds everything happens as often as foretold',
    (id) => {
      const request = requestOf(named(id));
      const scene = sceneOf(request);
      const { beginner } = assess(request, emptyPlay, 1);
      const { effects } = foretell(scene, beginner.play);
      const seeds = 1500;
      const times = new Array<number>(effects.length).fill(0);
      for (let seed = 1; seed <= seeds; seed++)
        happen(scene, effects, luckOf(seed)).forEach((f, i) => {
          if (f.happened) times[i] = times[i]! + 1;
        });
      effects.forEach((e, i) => {
        expect(Math.abs(times[i]! / seeds - e.odds)).toBeLessThan(0.05);
      });
    },
  );
  test('a mark is gone, stays or is set: never two of them', () => {
    const request = requestOf(named('blood-on-the-sheet'));
    const scene = sceneOf(request);
    const play = withMistake(bestOf(request), { do: 'mark', piece: 'p1', stain: 'm1', water: 'hot' });
    const { effects } = foretell(scene, play);
    for (let seed = 1; seed <= 300; seed++) {
      const happened = happen(scene, effects, luckOf(seed)).filter((f) => f.happened && f.effect.mark === 'm1');
      expect(happened.filter((f) => f.effect.kind.startsWith('mark-s')).length).toBeLessThanOrEqual(1);
    }
  });
  test('a tested colour tells: a cloth that stays white tints less than one that does not', () => {
    const request = requestOf(named('one-new-red'));
    const red = request.garments.find((g) => g.name.startsWith('Red'))!;
    const grades = Array.from({ length: 200 }, (_, seed) => [testGrade(red, luckOf(seed)), seed] as const).sort(
      (x, y) => x[0] - y[0],
    );
    const together = withMistake(bestOf(request), { do: 'together', pieces: ['p1', red.id] });
    const tintAt = (seed: number): number =>
      assess(request, { ...together, tests: [red.id] }, seed).you.fates.find(
        (f) => f.effect.kind === 'tinted' && f.effect.piece === 'p1',
      )?.size ?? 0;
    expect(tintAt(grades[0]![1])).toBeGreaterThan(1.5 * tintAt(grades[199]![1]));
    expect(testGrade(request.garments[0]!, luckOf(1))).toBe(5);
  });
});

/** Any play that moves can make. */
const anyMove = (request: PlanRequest): fc.Arbitrary<Move> => {
  const piece = fc.constantFrom(...request.garments.map((g) => g.id));
  const pieces = fc.uniqueArray(piece, { minLength: 1, maxLength: 4 });
  const { washers, dryingPlaces, dryers, products } = request.household;
  const load = fc.constantFrom('L1', 'L2', 'L3');
  const programmes = washers.flatMap((w) =>
    w.programmes.flatMap((p) =>
      p.temperaturesC.flatMap((temperatureC) =>
        p.spinsRpm.map((spinRpm) => ({ washer: w.id, programme: p.id, temperatureC, spinRpm })),
      ),
    ),
  );
  const detergents = products
    .filter((p) => ['universal', 'colour', 'wool-silk', 'delicate', 'dark'].includes(p.class))
    .map((p) => p.id);
  const ways: fc.Arbitrary<Move>[] =
    programmes.length === 0
      ? []
      : [
          fc
            .tuple(load, fc.constantFrom(...programmes), fc.constantFrom(...detergents))
            .map(([l, p, detergent]) => ({ do: 'way', load: l, way: { by: 'machine', ...p, detergent, helpers: [] } })),
        ];
  return fc.oneof(
    pieces.map((ps): Move => ({ do: 'put', pieces: ps, target: { to: 'new' } })),
    fc.tuple(pieces, load).map(([ps, l]): Move => ({ do: 'put', pieces: ps, target: { to: 'load', load: l } })),
    fc
      .tuple(piece, fc.constantFrom(...asides))
      .map(([p, aside]): Move => ({ do: 'put', pieces: [p], target: { to: 'aside', aside } })),
    pieces.map((ps): Move => ({
      do: 'dry',
      pieces: ps,
      way: dryers[0] ? { to: 'dryer', dryer: dryers[0].id, heat: 'normal' } : null,
    })),
    fc.tuple(pieces, fc.constantFrom(...dryingPlaces)).map(([ps, d]): Move => ({
      do: 'dry',
      pieces: ps,
      way: { to: 'place', place: d.id, position: d.outdoors ? 'line' : 'bars' },
    })),
    piece.map((p): Move => ({ do: 'test', piece: p })),
    ...ways,
  );
};

describe('the score', () => {
  test.each(['one-new-red', 'too-small-a-load', 'rack-too-small', 'tub-of-shirts', 'the-whole-flat'])(
    '%s: no play is worth more than the best plan',
    (id) => {
      const request = requestOf(named(id));
      const marks = new Map(request.garments.map((g) => [g.id, g.stains.map((s) => s.id)] as const));
      fc.assert(
        fc.property(fc.array(anyMove(request), { maxLength: 14 }), fc.integer({ min: 1, max: 50 }), (moves, seed) => {
          const play = moves.reduce((p, m) => applyMove(request.household, marks, p, m) ?? p, emptyPlay);
          const a = assess(request, play, seed);
          expect(a.you.score).toBeLessThanOrEqual(a.best.score);
          expect(a.best.score).toBe(100);
          expect(a.you.score).toBeGreaterThanOrEqual(0);
          for (const value of Object.values(a.measures)) {
            expect(value).toBeGreaterThanOrEqual(0);
            expect(value).toBeLessThanOrEqual(100);
          }
        }),
        { numRuns: 40 },
      );
    },
  );
  test('plays of allowed loads that wash what the plan washes cost at least the proven optimum, by their own price', () => {
    let tried = 0;
    for (const id of ['too-small-a-load', 'three-runs-or-two', 'towels-and-shirts']) {
      const request = requestOf(named(id));
      const scene = sceneOf(request);
      const { best, plan } = assess(request, emptyPlay, 1);
      const ways = best.play.loads.map((l) => l.way);
      const washed = best.play.loads.flatMap((l) => l.pieces);
      fc.assert(
        fc.property(fc.array(fc.nat(ways.length), { minLength: washed.length, maxLength: washed.length }), (where) => {
          // One way more than the plan has: the first, once again.
          const loads = [...ways, ways[0]!].flatMap((way, k) => {
            const pieces = washed.filter((_, i) => where[i] === k);
            return pieces.length > 0 ? [{ ...best.play.loads[0]!, id: `L${k}`, pieces, way }] : [];
          });
          if (loads.some((l) => allowedPrice(scene, l) === null)) return;
          tried++;
          const play = { ...best.play, loads };
          expect(basePrice(scene, play, foretell(scene, play))).toBeGreaterThanOrEqual(plan.proof.cost - 1e-6);
        }),
        { numRuns: 60 },
      );
    }
    expect(tried).toBeGreaterThan(20);
  });
  test('the best plan’s own price is the planner’s: nothing else is added to it', () => {
    for (const b of practiceBaskets) {
      const request = requestOf(b);
      const scene = sceneOf(request);
      const a = assess(request, emptyPlay, 1);
      expect(basePrice(scene, a.best.play, a.best.outlook)).toBeCloseTo(a.plan.proof.cost, 1);
      expect(a.best.account.priceEur).toBeGreaterThanOrEqual(a.plan.proof.cost - 1e-9);
    }
  });
  test('longest drying first is the best order; the other way round scores less, and nothing else changes', () => {
    const request = requestOf(named('the-whole-flat'));
    const best = bestOf(request);
    const there = assess(request, best, 1).you.account;
    const back = assess(request, { ...best, loads: [...best.loads].reverse() }, 1);
    expect(back.you.account.bestOrderHours).toBeCloseTo(there.bestOrderHours, 9);
    expect(back.you.account.damageEur).toBeCloseTo(there.damageEur, 9);
    expect(Math.min(there.hours, back.you.account.hours)).toBeGreaterThanOrEqual(there.bestOrderHours - 1e-9);
  });
});

describe('dangers end the round', () => {
  const endOf = (id: string, change: (best: Play) => Play) => {
    const request = requestOf(named(id));
    return assess(request, change(bestOf(request)), 1);
  };
  test('fuel in the dryer, fuel among other clothes; washed alone and hung outdoors it does not', () => {
    const dryer = endOf('fuel', (best) => withMistake(best, { do: 'dryer', piece: 'p1', dryer: 'dryer' }));
    expect(dryer.ended?.hazard).toBe('haz-fire');
    expect(dryer.you.score).toBe(0);
    expect(dryer.skills.safety).toBe(0);
    expect(endOf('fuel', (best) => withMistake(best, { do: 'together', pieces: ['p1', 'p2'] })).ended?.line).toBe(
      'fuel-cloth',
    );
    const well = endOf('fuel', (best) => best);
    expect(well.ended).toBeNull();
    expect(well.skills.safety).toBe(100);
    expect(well.you.play.drying.p1).toMatchObject({ place: 'balcony' });
  });
  test('chlorine with vinegar on one mark; each of them alone does not', () => {
    const both = (agents: readonly ('chlorine-bleach' | 'vinegar-white')[]) =>
      endOf('mixing-bottles', (best) => withMistake(best, { do: 'mark', piece: 'p3', stain: 'm1', agents })).ended
        ?.hazard ?? null;
    expect(both(['chlorine-bleach', 'vinegar-white'])).toBe('haz-chlorine');
    expect(both(['chlorine-bleach'])).toBeNull();
    expect(both(['vinegar-white'])).toBeNull();
  });
  test('the same two in one drawer', () => {
    const ended = (helpers: string[]) =>
      endOf('mixing-bottles', (best) => ({
        ...best,
        loads: best.loads.map((l, i) =>
          i === 0 ? { ...l, way: { ...l.way, detergent: 'colour-liquid', helpers } } : l,
        ),
      })).ended?.hazard ?? null;
    expect(ended(['chlorine', 'vinegar'])).toBe('haz-chlorine');
    expect(ended(['vinegar'])).toBeNull();
  });
});
