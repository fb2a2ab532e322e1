import { describe, expect, test } from '@jest/globals';
import { judgement } from '../cost/judgement.ts';
import { say } from '../message/message.ts';
import fc from 'fast-check';
import type { Garment } from '../model/garment.ts';
import type { Household, HouseRules } from '../model/household.ts';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { pairConflict } from '../price/compatibility.ts';
import { planBasket } from './plan.ts';
import { basketOf } from '../price/basket.ts';
import { deferralCost, priceLoad, pricesBySetting } from '../price/price.ts';
import { profileOf } from '../piece/profile.ts';
import { Modes } from '../solve/bounds/modes.ts';
import { shareWorth } from '../solve/bounds/dual-bounds.ts';
import { makeInstance } from '../solve/instance.ts';
import { solve } from '../solve/solve.ts';

const now = '2026-05-09T08:00:00+02:00';
const plan = (garments: readonly Garment[], change: Partial<Household> = {}, rules: Partial<HouseRules> = {}) =>
  planBasket({ garments, household: { ...household, ...change, rules: { ...household.rules, ...rules } }, now });
const outcome = (g: Garment, change: Partial<Household> = {}, rules: Partial<HouseRules> = {}) =>
  plan([g], change, rules).garments[0]!;
const conflict = (a: Garment, b: Garment, rules: Partial<HouseRules> = {}) => {
  const r = { ...household.rules, ...rules };
  return pairConflict(profileOf(a, r), profileOf(b, r), r)?.constraint ?? null;
};
const colours = (hex: string) => [{ hex, role: 'ground' as const }];
const distinct = (gs: readonly Garment[]): Garment[] => gs.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` }));

describe('outcomes by rule', () => {
  test.each([
    ['left out', garment('g', { include: false }), 'left-out'],
    ['suede', garment('g', { parts: only('suede'), soil: 'none' }), 'no-wash'],
    [
      'clean wool rests in the air',
      garment('g', { kind: 'jumper_mid', parts: only('wool'), soil: 'none', wearsSinceWash: 4 }),
      'air',
    ],
    [
      'dusty wool is brushed',
      garment('g', { kind: 'jumper_mid', parts: only('wool'), soil: 'light', wearsSinceWash: 4 }),
      'brush',
    ],
    ['dry clean only', garment('g', { label: { ...washLabel(30), wash: { by: 'none' } } }), 'professional'],
    [
      'one small mark on a fresh jumper',
      garment('g', {
        kind: 'jumper_mid',
        parts: only('wool'),
        soil: 'none',
        wearsSinceWash: 1,
        stains: [
          {
            id: 's',
            kind: 'tea',
            ageHours: 30,
            heatSet: false,
            place: '',
            sizeCm: 2,
            failedRounds: 0,
            heat: null,
            tried: [],
          },
        ],
      }),
      'spot-clean',
    ],
    ['never worn', garment('g', { soil: 'none', wearsSinceWash: 0 }), 'no-wash'],
  ] as const)('%s', (_, g, expected) => expect(outcome(g).outcome).toBe(expected));
  test('waiting is closed to hygiene, sports, fresh stains and what is needed soon', () => {
    const light = garment('g', { soil: 'light', wearsSinceWash: 2 });
    expect(outcome(light).outcome).toBe('wait');
    expect(outcome({ ...light, hygiene: true }).outcome).toBe('wash');
    expect(outcome({ ...light, neededBy: '2026-05-12T08:00:00+02:00' }).outcome).toBe('wash');
    expect(outcome({ ...light, neededBy: '2026-05-29T08:00:00+02:00' }).outcome).toBe('wait');
    expect(outcome(garment('s', { kind: 'sport_tee', parts: only('polyester'), wearsSinceWash: 1 })).outcome).toBe(
      'wash',
    );
    expect(
      outcome({
        ...light,
        stains: [
          {
            id: 's',
            kind: 'coffee',
            ageHours: 3,
            heatSet: false,
            place: '',
            sizeCm: 9,
            failedRounds: 0,
            heat: null,
            tried: [],
          },
        ],
      }).outcome,
    ).toBe('wash');
  });
  test('no setting fits: it waits whatever the date, with what would help', () => {
    const wool = garment('w', {
      kind: 'jumper_mid',
      parts: only('wool'),
      wearsSinceWash: 12,
      neededBy: '2026-05-10T08:00:00+02:00',
    });
    const bare = outcome(wool, { products: household.products.filter((p) => p.class !== 'wool-silk') });
    expect(bare).toMatchObject({ outcome: 'wait' });
    expect(bare.reasons[0]!.code).toBe('no-suitable-product');
    const rough = outcome(wool, {
      basins: [],
      washers: [{ ...household.washers[0]!, programmes: [household.washers[0]!.programmes[0]!] }],
    });
    expect(rough.reasons[0]!.code).toBe('no-suitable-programme');
  });
  test('hygiene runs at 60 °C or more wherever the label allows', () => {
    const hot = plan([garment('h', { hygiene: true, label: washLabel(60) })]).loads[0]!;
    expect(hot.temperatureC).toBeGreaterThanOrEqual(60);
    const cool = plan([garment('h', { hygiene: true, label: washLabel(30) })]).loads[0]!;
    expect(cool.warnings.map((w) => w.code)).toContain('hygiene');
  });
});

describe('hard constraints between two pieces', () => {
  const tee = garment('tee');
  test('H4 contamination washes only with its like', () => {
    expect(conflict(tee, garment('f', { soil: 'hazardous' }))).toBe('H4');
    expect(conflict(garment('h', { hygiene: true }), garment('k', { hygiene: true }))).toBeNull();
  });
  test('H5 separate pieces and untested strong colours', () => {
    expect(conflict(tee, garment('s', { label: washLabel(40, 'normal', { phrases: ['wash-separately'] }) }))).toBe(
      'H5',
    );
    const red = garment('r', { washCount: 0, colours: colours('#be1e2d'), dye: 'unknown' });
    expect(conflict(tee, red)).toBe('H5');
    expect(conflict(red, garment('r2', { washCount: 9, colours: colours('#a3222f') }))).toBeNull();
    const navy = garment('n', { washCount: 0, colours: colours('#1e2a50'), dye: 'unknown' });
    expect(conflict(navy, garment('b', { washCount: 30, colours: colours('#1d1e21') }))).toBeNull();
  });
  test('H6 one detergent for all', () =>
    expect(
      conflict(
        garment('w', { parts: only('silk') }),
        garment('m', { parts: only('polyamide'), traits: new Set(['membrane'] as const) }),
      ),
    ).toBe('H6'));
  test('H7 hard parts and lint', () => {
    expect(
      conflict(
        garment('z', { traits: new Set(['studs'] as const) }),
        garment('l', { traits: new Set(['lace'] as const) }),
      ),
    ).toBe('H7');
    const fleece = garment('f', { parts: only('polyester'), traits: new Set(['fleece'] as const) });
    expect(conflict(fleece, garment('d', { parts: only('polyester'), colours: colours('#1d1e21') }))).toBe('H7');
    expect(conflict(fleece, { ...fleece, id: 'f2', colours: colours('#1d1e21') })).toBeNull();
  });
  test('H10 piles and wool company', () => {
    const white = garment('w', { colours: colours('#f7f7f4') });
    const worn = { ...tee, washCount: 30 };
    expect(conflict(white, worn)).toBeNull();
    expect(conflict(white, tee)).toBe('H3');
    expect(conflict(white, worn, { colourPiles: 'three' })).toBe('H10');
    expect(conflict(garment('j', { parts: only('wool') }), tee)).toBe('H10');
    expect(
      conflict(garment('j', { parts: only('wool') }), garment('s', { parts: only('silk') }), { woolCompany: 'alone' }),
    ).toBe('H10');
    expect(conflict(garment('j', { parts: only('wool') }), garment('s', { parts: only('silk') }))).toBeNull();
  });
  test('H3 decides by dye, washes and receiver', () => {
    const giver = (washCount: number): Garment =>
      garment('g', {
        colours: colours('#2b3a5e'),
        dye: 'indigo',
        washCount,
        weighedDryMassG: 700,
        tests: [{ kind: 'catcher', agent: 'water', grade: 4.5, at: '2026-01-01T00:00:00Z' }],
      });
    const white = garment('w', { colours: colours('#f7f7f4'), dye: 'undyed' });
    const together = (a: Garment, b: Garment) => priceLoad(basketOf([a, b], household), [0, 1]);
    expect(together(giver(1), white)).toMatchObject({ feasible: false, violations: ['H3'] });
    const earned = {
      ...giver(5),
      tests: [1, 2, 3, 4, 5].map((d) => ({
        kind: 'catcher' as const,
        agent: 'water',
        grade: 5,
        at: `2026-01-0${d}T00:00:00Z`,
      })),
    };
    expect(together(earned, white).feasible).toBe(true);
    expect(together(garment('v', { colours: colours('#2b3a5e'), dye: 'vat', washCount: 20 }), white).feasible).toBe(
      true,
    );
  });
});

describe('settings', () => {
  test('the machine’s own spin closest below the limit; wool keeps its programme’s spin', () => {
    const l = plan(
      [1, 2, 3, 4, 5].map((i) =>
        garment(`w${i}`, {
          kind: 'jumper_fine',
          parts: only('wool'),
          label: washLabel(30, 'very-mild'),
          wearsSinceWash: 12,
          soil: 'normal',
          valueEur: 60,
        }),
      ),
    ).loads[0]!;
    expect(l).toMatchObject({ programme: 'wool', temperatureC: 30, spinRpm: 800, action: 'very-mild' });
    expect(l.detergent?.class).toBe('wool-silk');
  });
  test('eight light T-shirts run at 30 °C and a lone light jumper waits', () => {
    const p = plan(
      Array.from({ length: 8 }, (_, i) => garment(`t${i}`, { soil: 'light', colours: colours('#d9c7a4') })),
    );
    expect(p.loads).toHaveLength(1);
    expect(p.loads[0]!.garments).toHaveLength(8);
    expect(p.loads[0]!.temperatureC).toBe(30);
    const jumper = garment('j', {
      kind: 'jumper_fine',
      parts: only('wool'),
      soil: 'light',
      nextToSkin: false,
      wearsSinceWash: 11,
      weighedDryMassG: 300,
      valueEur: 60,
      label: washLabel(30, 'very-mild'),
      colours: colours('#9aa7b8'),
    });
    expect(outcome(jumper).outcome).toBe('wait');
    expect(outcome(jumper).deferralCost).toBeGreaterThan(judgement.askedFor);
    expect(outcome(jumper).deferralCost).toBeLessThan(judgement.askedFor + 1.2);
  });
  test('a load never exceeds mass or drum, and nothing is packed above full', () => {
    const p = plan(
      Array.from({ length: 16 }, (_, i) =>
        garment(`b${i}`, {
          kind: 'bath_sheet',
          traits: new Set(['terry'] as const),
          weighedDryMassG: 780,
          soil: 'normal',
          wearsSinceWash: 6,
          washCount: 20,
        }),
      ),
    );
    expect(p.loads.length).toBeGreaterThanOrEqual(2);
    for (const l of p.loads) expect(l.fill).toBeLessThanOrEqual(1 + 1e-9);
  });
  test('a centre agitator sends wool to the basin', () => {
    const p = plan(
      [
        garment('w', {
          kind: 'jumper_fine',
          parts: only('wool'),
          label: washLabel(30, 'very-mild'),
          neededBy: '2026-05-10T08:00:00+02:00',
        }),
      ],
      { washers: [{ ...household.washers[0]!, loading: 'top-agitator' }] },
    );
    expect(p.loads[0]).toMatchObject({
      method: 'hand',
      basin: 'tub',
      washer: null,
      programme: null,
      spinRpm: 0,
      action: 'hand',
    });
  });
  test('bindings name the piece and what the load could do without it', () => {
    const soon = { neededBy: '2026-05-10T08:00:00+02:00', colours: colours('#9aa7b8') };
    const p = plan([
      garment('cool', { ...soon, label: washLabel(30) }),
      ...[1, 2, 3, 4].map((i) => garment(`hot${i}`, { ...soon, label: washLabel(60) })),
    ]);
    expect(p.loads).toHaveLength(1);
    expect(p.loads[0]!.bindings.find((b) => b.parameter === 'temperatureC')).toMatchObject({
      garment: 'cool',
      limit: 30,
      source: 'label',
      reason: say('label.max-temperature', { celsius: 30 }),
      without: 60,
    });
  });
});

describe('the whole plan', () => {
  test('every piece has exactly one place, whatever it is', () =>
    fc.assert(
      fc.property(fc.array(anyGarment, { maxLength: 7 }), (list) => {
        const gs = distinct(list);
        const p = plan(gs);
        const inLoads = p.loads.flatMap((l) => l.garments);
        return (
          new Set(inLoads).size === inLoads.length &&
          p.garments.length === gs.length &&
          p.garments.every(
            (g) => (g.outcome === 'wash') === inLoads.includes(g.id) && (g.load === null) === (g.outcome !== 'wash'),
          ) &&
          p.loads.every((l) => l.fill <= 1 + 1e-9 && Number.isFinite(l.cost)) &&
          Math.abs(
            p.proof.cost -
              (p.loads.reduce((s, l) => s + l.cost, 0) + p.garments.reduce((s, g) => s + g.deferralCost, 0)),
          ) < 1e-9 &&
          p.proof.lowerBound <= p.proof.cost + 1e-9
        );
      }),
      { numRuns: 60 },
    ));
  test('loads run by their dates, then wool, which dries longest, then the heaviest', () => {
    const by = (id: string, change: Partial<Garment>): Garment =>
      garment(id, { soil: 'heavy', washCount: 20, wearsSinceWash: 12, ...change });
    const whites = Array.from({ length: 3 }, (_, i) =>
      by(`white${i}`, { colours: colours('#f7f7f4'), dye: 'undyed', kind: 'bath_towel' }),
    );
    const darks = Array.from({ length: 6 }, (_, i) => by(`dark${i}`, { colours: colours('#17181b'), kind: 'jeans' }));
    const wool = by('wool', { kind: 'jumper_mid', parts: only('wool'), label: washLabel(30, 'very-mild') });
    const order = (list: readonly Garment[]): string[] =>
      plan(list, {}, { colourPiles: 'three' }).loads.map((l) => (l.garments[0] as string).replace(/\d+$/, ''));
    expect(order([...whites, ...darks, wool])).toEqual(['wool', 'dark', 'white']);
    const dated = whites.map((w) => ({ ...w, neededBy: '2026-05-11T08:00:00+02:00' }));
    expect(order([...dated, ...darks, wool])).toEqual(['white', 'wool', 'dark']);
    const sooner = darks.map((d) => ({ ...d, neededBy: '2026-05-10T20:00:00+02:00' }));
    expect(order([...dated, ...sooner, wool])).toEqual(['dark', 'white', 'wool']);
  });
  test('the setting of every load lies in the envelope of each of its pieces', () =>
    fc.assert(
      fc.property(fc.array(anyGarment, { minLength: 1, maxLength: 6 }), (list) => {
        const gs = distinct(list);
        const p = plan(gs);
        return p.loads.every((l) =>
          l.garments.every((id) => {
            const v = profileOf(
              gs.find((g) => g.id === id)!,
              household.rules,
            ).values;
            return (
              v.wet !== 'none' &&
              l.temperatureC <= v.maxTemperatureC &&
              (l.method === 'hand' || v.wet === 'machine') &&
              v.detergents.has(l.detergent!.class as 'colour') &&
              (l.garments.length === 1 || v.company !== 'alone')
            );
          }),
        );
      }),
      { numRuns: 60 },
    ));
  test('the same input gives the same plan', () =>
    fc.assert(
      fc.property(fc.array(anyGarment, { maxLength: 6 }), (list) => {
        const gs = distinct(list);
        expect(plan(gs)).toEqual(plan(gs));
      }),
      { numRuns: 20 },
    ));
  test('a stricter house rule never makes the plan cheaper', () =>
    fc.assert(
      fc.property(fc.array(anyGarment, { minLength: 2, maxLength: 6 }), (list) => {
        const gs = distinct(list);
        return plan(gs, {}, { colourPiles: 'three' }).proof.cost >= plan(gs).proof.cost - 1e-9;
      }),
      { numRuns: 30 },
    ));
});

describe('the optimum', () => {
  /** All partitions of the pieces into loads and waiting, by brute force. */
  function enumerate(gs: readonly Garment[]): number {
    const b = basketOf(gs, household);
    const cost = (set: readonly number[]): number => {
      const p = priceLoad(b, set);
      return p.feasible ? p.cost : Infinity;
    };
    let best = Infinity;
    const place = (i: number, blocks: number[][], waiting: number): void => {
      if (i === gs.length) {
        best = Math.min(best, waiting + blocks.reduce((s, x) => s + cost(x), 0));
        return;
      }
      place(i + 1, blocks, waiting + deferralCost(b, i));
      blocks.forEach((_, k) =>
        place(
          i + 1,
          blocks.map((x, j) => (j === k ? [...x, i] : x)),
          waiting,
        ),
      );
      place(i + 1, [...blocks, [i]], waiting);
    };
    place(0, [], 0);
    return best;
  }
  const washable = anyGarment.filter((g) => {
    const p = profileOf(g, household.rules);
    return p.closure === null;
  });
  test('equals the enumerated one on small baskets', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 1, maxLength: 6 }), (list) => {
        const gs = distinct(list);
        const b = basketOf(gs, household);
        const found = solve(
          b,
          gs.map((_, piece) => ({ piece, mayWait: true })),
        );
        expect(found.optimal).toBe(true);
        expect(found.cost).toBeCloseTo(enumerate(gs), 8);
      }),
      { numRuns: 25 },
    ));
  test('the worth of a share is never above what a piece costs in any load', () =>
    fc.assert(
      fc.property(fc.array(washable, { minLength: 1, maxLength: 5 }), (list) => {
        const gs = distinct(list);
        const b = basketOf(gs, household);
        const all = gs.map((_, i) => i);
        const worth = shareWorth(
          Modes.of(
            makeInstance(
              b,
              all.map((i) => ({ pieces: [i], waitCost: Infinity })),
            ),
          ),
        );
        const bound = worth.reduce((s, x) => s + x, 0);
        return pricesBySetting(b, all).every((l) => l.cost >= bound - 1e-9);
      }),
      { numRuns: 60 },
    ));
});
