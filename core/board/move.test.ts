/** What a hand-made move would change, against the prices of the whole division before and after. */
import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import fc from 'fast-check';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { basketOf, type Basket } from '../price/basket.ts';
import { candidatePrices } from './evaluate.ts';
import { consequenceOf, loadAtSetting, type MoveTarget } from './move.ts';
import { deferralCost, priceLoad } from '../price/price.ts';
import { profileOf } from '../piece/profile.ts';
import { solve } from '../solve/solve.ts';

const washable = anyGarment.filter((g) => profileOf(g, household.rules).closure === null);
const distinct = (gs: Parameters<typeof basketOf>[0]) => gs.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` }));
const costOf = (b: Basket, set: readonly number[]): number => {
  if (set.length === 0) return 0;
  const p = priceLoad(b, set);
  return p.feasible ? p.cost : Infinity;
};

const wait: MoveTarget = { to: 'outcome', outcome: 'wait' };

describe('a move', () => {
  test('its price is the difference of the two divisions, for every piece and every target', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 2, maxLength: 6 }), (list) => {
        const b = basketOf(distinct(list), household);
        const { loads } = solve(
          b,
          list.map((_, piece) => ({ piece, mayWait: true })),
        );
        const waiting = list.map((_, i) => i).filter((i) => !loads.some((l) => l.includes(i)));
        const total = (ls: readonly (readonly number[])[], ws: readonly number[]): number =>
          ls.reduce((s, l) => s + costOf(b, l), 0) + ws.reduce((s, i) => s + deferralCost(b, i), 0);
        const before = total(loads, waiting);
        const targets: MoveTarget[] = [...loads.map((_, load) => ({ to: 'load' as const, load })), { to: 'own' }, wait];
        for (let piece = 0; piece < list.length; piece++)
          for (const target of targets) {
            const told = consequenceOf(b, loads, piece, target);
            const without = loads.map((l) => l.filter((i) => i !== piece));
            const rest = waiting.filter((i) => i !== piece);
            const after =
              target.to === 'outcome'
                ? total(without, [...rest, piece])
                : target.to === 'own'
                  ? total([...without, [piece]], rest)
                  : total(
                      without.map((l, k) =>
                        target.to === 'load' && k === target.load ? [...l, piece].sort((x, y) => x - y) : l,
                      ),
                      rest,
                    );
            if (after === Infinity) {
              expect(told.delta).toBeNull();
              expect(told.violations.length).toBeGreaterThan(0);
              expect(told.reasons).not.toHaveLength(0);
              expect(told.type === 'risk' || told.type === 'safety').toBe(true);
            } else expect(told.delta).toBeCloseTo(after - before, 8);
            // The solver's division is the best: no single move can be cheaper.
            if (told.delta !== null) expect(told.delta).toBeGreaterThanOrEqual(-1e-6);
          }
      }),
      { numRuns: 20 },
    ));
  const tee = garment('tee', { name: 'Tee' });
  const wool = garment('wool', {
    name: 'Jumper',
    kind: 'jumper_mid',
    parts: only('wool'),
    label: washLabel(30, 'very-mild'),
  });
  test('what a rule forbids says which, and whose', () => {
    const b = basketOf([tee, garment('fuel', { name: 'Fuel rag', soil: 'hazardous' }), wool], household);
    const fuel = consequenceOf(b, [[0], [1], [2]], 0, { to: 'load', load: 1 });
    expect(fuel).toMatchObject({ delta: null, type: 'safety' });
    expect(fuel.violations).toContain('H4');
    expect(fuel.reasons).toEqual([say('apart.contamination', { name: 'Fuel rag', contamination: 'fuel' })]);
  });
  test('onto its own load it stays where it is, for nothing', () => {
    const b = basketOf([tee, { ...tee, id: 'b', name: 'B' }], household);
    expect(consequenceOf(b, [[0, 1]], 1, { to: 'load', load: 0 })).toMatchObject({
      delta: 0,
      from: null,
      to: { pieces: [0, 1] },
      reasons: [],
    });
  });
  test('a shorter load afterwards is told', () => {
    const b = basketOf([tee, { ...tee, id: 'b', name: 'B' }], household);
    const out = consequenceOf(b, [[0, 1]], 1, wait);
    expect(out.from?.pieces).toEqual([0]);
    expect(out.to).toBeNull();
    expect(out.from!.cost).toBeCloseTo(costOf(b, [0]), 12);
  });
  test('by hand: the cheapest bath of its own; without a basin it is refused', () => {
    const b = basketOf([tee, { ...tee, id: 'b', name: 'B' }], household);
    const out = consequenceOf(b, [[0, 1]], 1, { to: 'hand' });
    expect(out.to?.facts).toMatchObject({ method: 'hand', action: 'hand', spinRpm: 0, washer: null });
    expect(out.delta).toBeCloseTo(costOf(b, [0]) + out.to!.cost - costOf(b, [0, 1]), 9);
    const dry = basketOf([tee], { ...household, basins: [] });
    expect(consequenceOf(dry, [[0]], 0, { to: 'hand' })).toMatchObject({
      delta: null,
      type: 'safety',
      reasons: [say('board.no-basin')],
    });
  });
  test('to the cleaner: the bill instead of the load', () => {
    const b = basketOf([tee], household);
    expect(consequenceOf(b, [[0]], 0, { to: 'outcome', outcome: 'professional' }).delta).toBeCloseTo(
      12 - costOf(b, [0]),
      9,
    );
  });
  test('a load at a setting it does not bear is none', () => {
    const b = basketOf([wool], household);
    const hot = b.settings.findIndex((s) => s.method === 'machine' && s.temperatureC === 60);
    expect(loadAtSetting(b, [0], hot)).toBeNull();
    const best = priceLoad(b, [0]);
    if (!best.feasible) throw new Error('wool has a setting here');
    expect(loadAtSetting(b, [0], best.settingIndex)?.cost).toBeCloseTo(best.cost, 12);
  });
});

describe('the price of given sets', () => {
  const request = (list: Parameters<typeof basketOf>[0]) => ({
    garments: distinct(list),
    household,
    now: '2026-05-09T08:00:00+02:00',
  });
  test('every row is the price the planner would pay, whatever stands beside it', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 2, maxLength: 5 }), (list) => {
        const r = request(list);
        const b = basketOf(r.garments, household);
        const ids = r.garments.map((g) => g.id);
        const rows = candidatePrices(r, [
          { garments: ids, outcome: 'wash' },
          { garments: [...ids].reverse(), outcome: 'wash' },
          ...ids.map((id) => ({ garments: [id], outcome: 'wash' as const })),
        ]);
        const whole = costOf(
          b,
          ids.map((_, i) => i),
        );
        expect(rows[0]?.cost ?? Infinity).toBeCloseTo(whole, 9);
        expect(rows[1]?.cost).toBe(rows[0]?.cost);
        expect(rows[0]?.feasible).toBe(whole < Infinity);
        expect((rows[0]?.violations.length ?? 0) > 0).toBe(whole === Infinity);
        rows.slice(2).forEach((row, i) => expect(row.cost ?? Infinity).toBeCloseTo(costOf(b, [i]), 9));
      }),
      { numRuns: 40 },
    ));
  test('waiting is the sum of the deferrals', () => {
    const r = request([garment('a'), garment('b', { soil: 'heavy' })]);
    const b = basketOf(r.garments, household);
    const [row] = candidatePrices(r, [{ garments: ['g0', 'g1'], outcome: 'wait' }]);
    expect(row).toMatchObject({ feasible: true, setting: null, violations: [] });
    expect(row!.cost).toBeCloseTo(deferralCost(b, 0) + deferralCost(b, 1), 12);
  });
});
