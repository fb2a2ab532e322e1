/** What a load gets from the cupboard, and that nothing of it may not meet. */
import { describe, expect, test } from '@jest/globals';
import { agentOfProduct } from '../chemistry/cupboard.ts';
import { mixCode } from '../chemistry/sequence.ts';
import type { Garment } from '../model/garment.ts';
import { houseRules, type Household, type Product } from '../model/household.ts';
import { garment, household, washLabel } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import { garmentEnvelope } from '../envelope/garment-envelope.ts';
import { planBasket } from '../plan/plan.ts';
import { afterSoakDose } from '../washing/dose.ts';

const now = '2026-05-09T08:00:00+02:00';
const product = (id: string, cls: string, form: Product['form']): Product => ({
  ...(household.products[0] as Product),
  id,
  name: id,
  class: cls,
  form,
  remaining: null,
  pricePerUnit: null,
});
const everything = [
  product('c', 'colour', 'liquid'),
  product('u', 'universal', 'powder'),
  product('w', 'wool-silk', 'liquid'),
  product('o', 'oxygen-bleach', 'powder'),
  product('h', 'chlorine-bleach', 'liquid'),
  product('v', 'vinegar', 'liquid'),
  product('s', 'softener', 'liquid'),
  product('k', 'colour-catcher', 'sheet'),
];
const home = (rules: Partial<Household['rules']>, products: Product[] = everything): Household => ({
  ...household,
  products,
  rules: { ...household.rules, ...rules },
  washers: household.washers.map((w) => ({ ...w, bleachDispenser: true })),
});
const due = { soil: 'heavy', wearsSinceWash: 12, neededBy: '2026-05-10T08:00:00+02:00' } as const;
const white = (id: string): Garment =>
  garment(id, {
    colours: [{ hex: '#f7f7f4', role: 'ground' }],
    dye: 'undyed',
    ...due,
    label: washLabel(60, 'normal', { bleach: 'any' }),
    traits: new Set(),
    stains: [mark('tea')],
  });
const additives = (h: Household, list: Garment[]): string[][] =>
  planBasket({ garments: list, household: h, now }).loads.map((l) => l.additives.map((a) => a.class).sort());

describe('additives', () => {
  test('stained whites get oxygen bleach beside a liquid, none beside a powder that carries its own', () => {
    expect(
      additives(
        home(
          { whites: 'oxygen' },
          everything.filter((p) => p.id !== 'u'),
        ),
        [white('a'), white('b')],
      )[0],
    ).toEqual(['oxygen-bleach']);
    expect(additives(home({ whites: 'oxygen' }), [white('a'), white('b')])[0]).toEqual([]);
    expect(
      additives(
        home(
          { whites: 'colour-safe' },
          everything.filter((p) => p.id !== 'u'),
        ),
        [white('a')],
      )[0],
    ).toEqual([]);
  });
  test('vinegar by the rule of the house, but not in a load that gets a bleach', () => {
    expect(additives(home({ softening: 'vinegar' }), [garment('t', due)])[0]).toEqual(['vinegar']);
    expect(
      additives(
        home(
          { softening: 'vinegar', whites: 'oxygen' },
          everything.filter((p) => p.id !== 'u'),
        ),
        [white('a'), white('b')],
      )[0],
    ).toEqual(['oxygen-bleach']);
  });
  test('under the rule of chlorine, greyed whites that bear it get it, with a detergent free of oxygen bleach', () => {
    const bleach: Product = {
      ...product('h', 'chlorine-bleach', 'liquid'),
      dose: { unit: 'ml', perLoadKg: 4.5, table: [[60, 60, 60]], handPerLitre: null },
    };
    const products = [...everything.filter((p) => p.id !== 'h'), bleach];
    const greyed = (g: Garment): Garment => ({ ...g, stains: g.stains.map((s) => ({ ...s, kind: 'greyed-whites' })) });
    const plan = (list: Garment[], change: Partial<Household['washers'][number]> = {}) => {
      const h = home({ whites: 'chlorine' }, products);
      return planBasket({
        garments: list,
        household: { ...h, washers: h.washers.map((w) => ({ ...w, ...change })) },
        now,
      }).loads;
    };
    const [load] = plan([greyed(white('a')), greyed(white('b'))]);
    expect(load?.additives.map((a) => a.class)).toEqual(['chlorine-bleach']);
    expect(load?.detergent?.class).not.toBe('universal');
    // Not where a label says oxygen only, nor without a dispenser, nor on whites that need no brightening.
    const gentle = { ...greyed(white('c')), label: washLabel(60, 'normal', { bleach: 'oxygen' }) };
    expect(plan([gentle])[0]?.additives).toEqual([]);
    expect(plan([greyed(white('a'))], { bleachDispenser: false })[0]?.additives).toEqual([]);
    expect(plan([{ ...white('d'), stains: [] }])[0]?.detergent?.class).toBe('universal');
  });
  test('under every rule of whites and softening no load holds two agents that never meet', () => {
    const mixed = [
      white('a'),
      white('b'),
      garment('t', due),
      garment('w', {
        kind: 'jumper_mid',
        parts: [{ role: 'shell', fibres: [{ fibre: 'wool', percent: 100 }] }],
        label: washLabel(30, 'very-mild'),
        ...due,
      }),
    ];
    for (const whites of houseRules.whites)
      for (const softening of houseRules.softening)
        for (const products of [
          everything,
          everything.filter((p) => p.id !== 'u'),
          everything.filter((p) => p.id !== 'c'),
        ]) {
          const h = home({ whites, softening }, products);
          const { loads } = planBasket({ garments: mixed, household: h, now });
          expect(loads.length).toBeGreaterThan(0);
          for (const l of loads) {
            const agents = [l.detergent, ...l.additives].flatMap((d) => {
              const p = h.products.find((x) => x.id === d?.product);
              const a = p && agentOfProduct(p);
              return a ? [a] : [];
            });
            for (const a of agents)
              for (const b of agents)
                if (a !== b) {
                  const code = mixCode(a, b);
                  // A universal powder and vinegar in the last rinse are the one allowed pair: many rinses lie between.
                  const lastRinse = [a, b].includes('vinegar-white') && [a, b].some((x) => x.startsWith('det-'));
                  expect([whites, softening, a, b, ['np', 'no', 'nv'].includes(code) && !lastRinse]).toEqual([
                    whites,
                    softening,
                    a,
                    b,
                    false,
                  ]);
                }
          }
        }
  });
});

describe('the wash after an oxygen soak', () => {
  const soaked = (id: string): Garment => ({ ...white(id), stains: [], soaked: true });
  const plain = (id: string): Garment => ({ ...white(id), stains: [] });
  const loadOf = (list: Garment[]) => planBasket({ garments: list, household: home({}), now }).loads[0]!;
  const amountOf = (load: ReturnType<typeof loadOf>): number => load.detergent?.amount ?? 0;
  test('40 °C, an extra rinse, half the detergent, no dryer', () => {
    const [wet, dry] = [loadOf([soaked('a'), soaked('b')]), loadOf([plain('a'), plain('b')])];
    expect(dry.temperatureC).toBe(60);
    expect(wet.temperatureC).toBeLessThanOrEqual(40);
    expect([wet.extraRinse, dry.extraRinse]).toEqual([true, false]);
    expect(wet.detergent?.product).toBe(dry.detergent?.product);
    expect(amountOf(wet) / amountOf(dry)).toBeCloseTo(0.5, 6);
    const { values } = garmentEnvelope(soaked('a'), home({}).rules).envelope;
    expect([values.maxTemperatureC, values.tumble, values.iron]).toEqual([40, 'none', 'none']);
  });
  test('beside pieces that were not soaked the dose is whole', () => {
    const mixed = loadOf([soaked('a'), plain('b')]);
    expect(mixed.garments).toHaveLength(2);
    expect(amountOf(mixed)).toBeCloseTo(amountOf(loadOf([plain('a'), plain('b')])), 6);
  });
  test('pods stay whole, one at least', () => {
    expect([1, 2, 3].map((n) => afterSoakDose(n, 'pod'))).toEqual([1, 1, 2]);
    expect(afterSoakDose(60, 'ml')).toBe(30);
  });
});
