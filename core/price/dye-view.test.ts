/** The fast view of dyes (strongest giver per class) against every ordered pair written out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bleedLimits } from '../colour/bleed.ts';
import { dyeIds } from '../colour/dye.ts';
import { anyGarment, garment, household } from '../testing/arbitrary.ts';
import { basketOf, type Basket } from './basket.ts';
import { dyeDamage, dyeView } from './dye-view.ts';
import { featuresOf } from './features.ts';
import { loadAt } from './price.ts';
import { profileOf } from '../piece/profile.ts';
import { donorShares, transferAllowed, transfers } from './transfer.ts';

const washable = anyGarment.filter((g) => profileOf(g, household.rules).closure === null);
const renamed = (list: Parameters<typeof basketOf>[0]): Basket =>
  basketOf(
    list.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
    household,
  );
const withSheets = {
  ...household,
  products: [
    ...household.products,
    {
      id: 'sheet',
      name: 'Catcher sheet',
      class: 'colour-catcher' as const,
      form: 'sheet' as const,
      dose: null,
      remaining: null,
      pricePerUnit: null,
    },
  ],
};
const view = (b: Basket, pieces: readonly number[], setting: number, detailed = true) =>
  dyeView(b, pieces, featuresOf(b, pieces), setting, donorShares(b, pieces), detailed);

function pairByPair(b: Basket, pieces: readonly number[], setting: number, caught: boolean) {
  const all = transfers(b, pieces, setting, caught);
  const most = new Map<number, number>();
  for (const t of all) most.set(t.receiver, Math.max(most.get(t.receiver) ?? 0, t.deltaE));
  return {
    allowed: all.every((t) => transferAllowed(b, t.giver, t.receiver, t.deltaE)),
    damage: [...most].reduce((s, [r, dE]) => s + dyeDamage(b, r, dE), 0),
    worst: Math.max(0, ...all.map((t) => t.deltaE / t.limit)),
  };
}

describe('dyes of a set', () => {
  test.each([
    ['without a catcher', household],
    ['with sheets in the cupboard', withSheets],
  ] as const)('equal the pairs written out, %s', (_, h) =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 2, maxLength: 7 }), fc.nat(), (list, at) => {
        const b = basketOf(
          list.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })),
          h,
        );
        const pieces = list.map((__, i) => i);
        const setting = at % b.settings.length;
        const seen = view(b, pieces, setting);
        const pairs = pairByPair(b, pieces, setting, seen.catcher !== null);
        expect(seen.allowed).toBe(pairs.allowed);
        if (!seen.allowed) return;
        expect(seen.damage).toBeCloseTo(pairs.damage, 9);
        expect(seen.worst ? seen.worst.deltaE / seen.worst.limit : 0).toBeCloseTo(pairs.worst, 9);
      }),
      { numRuns: 60 },
    ),
  );
  test('more company never lessens the damage at the same setting, and never allows what was refused', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 3, maxLength: 7 }), fc.nat(), (list, at) => {
        const b = renamed(list);
        const all = list.map((_, i) => i);
        const setting = at % b.settings.length;
        const few = view(b, all.slice(0, -1), setting);
        const more = view(b, all, setting);
        if (!few.allowed) expect(more.allowed).toBe(false);
        if (more.allowed) expect(more.damage).toBeGreaterThanOrEqual(few.damage - 1e-12);
      }),
      { numRuns: 50 },
    ));
  test('a piece does not tint itself', () => {
    const b = renamed([garment('r', { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'direct', washCount: 0 })]);
    expect(view(b, [0], 0)).toEqual({ catcher: null, due: false, damage: 0, worst: null, allowed: true });
  });
  test('damage grows with the square of ΔE: at the limit a twentieth of the value', () => {
    const b = renamed([garment('t', { valueEur: 40 })]);
    expect(dyeDamage(b, 0, bleedLimits.coloured)).toBeCloseTo(2, 12);
    expect(dyeDamage(b, 0, bleedLimits.coloured / 2)).toBeCloseTo(0.5, 12);
  });
  test('new red with white is refused hot; the same red gives a quarter less after sixty washes', () => {
    const white = garment('w', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' });
    const red = (washCount: number) =>
      garment('r', { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'direct', washCount });
    const hot = (b: Basket): number => b.settings.findIndex((s) => s.method === 'machine' && s.temperatureC === 60);
    const fresh = renamed([white, red(0)]);
    expect(view(fresh, [0, 1], hot(fresh)).allowed).toBe(false);
    const often = renamed([white, red(60)]);
    expect(pairByPair(often, [0, 1], hot(often), false).worst).toBeLessThan(
      0.75 * pairByPair(fresh, [0, 1], hot(fresh), false).worst,
    );
  });
  test('hundreds of different givers: the last of them is judged like the first', () => {
    const hexes = ['#f2ead9', '#c9d8e6', '#8aa06a', '#d11a2d', '#2b3a67', '#141414'];
    const clear = (n: number, kind: 'catcher' | 'spot') =>
      Array.from({ length: n }, (_, k) => ({
        kind,
        agent: 'water',
        grade: 5,
        at: `2026-0${k + 1}-01`,
      }));
    const many = dyeIds.flatMap((dye) =>
      hexes.flatMap((hex) =>
        [0, 1, 2, 5, 6].flatMap((tests) =>
          [false, true].map((raw) =>
            garment('g', {
              dye,
              colours: [{ hex, role: 'ground' }],
              tests: clear(tests, tests === 6 ? 'spot' : 'catcher'),
              washCount: tests < 2 ? tests : tests === 6 ? 1 : 9,
              ...(raw ? { traits: new Set(['denim-raw' as const]) } : {}),
            }),
          ),
        ),
      ),
    );
    const white = garment('w', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' });
    const red = garment('r', { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'direct', washCount: 0 });
    const b = renamed([...many, white, red]);
    expect(b.giverClasses.length).toBeGreaterThan(256);
    const w = many.length;
    const hot = b.settings.findIndex((s) => s.method === 'machine' && s.temperatureC === 60);
    expect(view(b, [w, w + 1], hot).allowed).toBe(false);
    for (const c of b.giverClasses.keys()) {
      const i = b.giverClass.indexOf(c);
      const seen = view(b, [Math.min(i, w), Math.max(i, w)], hot);
      expect(seen.allowed).toBe(pairByPair(b, [i, w], hot, seen.catcher !== null).allowed);
    }
  });
  test('two baskets priced in turn do not see each other', () => {
    const white = garment('w', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' });
    const red = garment('r', { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'direct', washCount: 0 });
    const one = renamed([white, red]);
    const other = renamed([red, white]);
    expect(one.dyeScratch).not.toBe(other.dyeScratch);
    const alone = view(one, [0, 1], 0);
    view(other, [0, 1], 0);
    expect(view(one, [0, 1], 0)).toEqual(alone);
  });
});

describe('a catcher where it pays', () => {
  const blue = garment('blue', {
    colours: [{ hex: '#3d6ea8', role: 'ground' }],
    dye: 'reactive',
    washCount: 3,
    weighedDryMassG: 900,
  });
  const green = (valueEur: number) =>
    garment('green', { colours: [{ hex: '#9fc0a4', role: 'ground' }], washCount: 20, valueEur });
  const loadOf = (valueEur: number, pricePerUnit: number) => {
    const home = {
      ...withSheets,
      products: withSheets.products.map((p) => (p.id === 'sheet' ? { ...p, pricePerUnit } : p)),
    };
    const b = basketOf([blue, green(valueEur)], home);
    const at = b.settings.findIndex((s, k) => s.temperatureC === 40 && b.allowed.every((row) => row[k]));
    const plain = view(b, [0, 1], at);
    const load = loadAt(b, [0, 1], at);
    if (!load || !plain.allowed) throw new Error('the pair may share');
    const saved = b.weights.dyeDamage * plain.damage * (1 - bleedLimits.catcherFactor ** 2);
    return { load, saved, price: b.weights.resources * pricePerUnit, due: plain.due };
  };
  test('below the ΔE from which it is due it goes in when it saves more than it costs, and not otherwise', () => {
    const { saved, due } = loadOf(80, 0.01);
    expect(due).toBe(false);
    expect(saved).toBeGreaterThan(0);
    expect(loadOf(80, saved * 0.9).load.catcher?.id).toBe('sheet');
    expect(loadOf(80, saved * 1.1).load.catcher).toBeNull();
  });
  test('and then the load is cheaper by what it saves less what it costs', () => {
    const { saved } = loadOf(80, 0.01);
    const [cheap, dear] = [loadOf(80, saved * 0.5), loadOf(80, saved * 2)];
    expect(dear.load.cost - cheap.load.cost).toBeCloseTo(saved - cheap.price, 9);
  });
});
