/** Dates that cannot be met, machines that share the day, tests as actions, waiting explained together. */
import { describe, expect, test } from '@jest/globals';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { basketOf } from '../price/basket.ts';
import { deferralCost, priceLoad } from '../price/price.ts';
import { garment, household, only, plainRules, washLabel } from '../testing/arbitrary.ts';
import { timetableOf } from '../timetable/timetable.ts';
import type { Plan } from '../model/plan.ts';
import { planBasket } from './plan.ts';
import { divide, shareOut } from './share-out.ts';
import { unlockOf } from './unlock.ts';
import { waitingGroups, waitReason } from './waiting.ts';

const now = '2026-05-09T08:00:00+02:00';
const after = (hours: number): string => new Date(Date.parse(now) + hours * 3_600_000).toISOString();
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];
const plan = (
  garments: readonly Garment[],
  home: Household = household,
  pins: Parameters<typeof planBasket>[0]['pins'] = [],
) => planBasket({ household: home, garments, now, pins });
const dates = (
  garments: readonly Garment[],
  home: Household = household,
  pins: Parameters<typeof planBasket>[0]['pins'] = [],
) => plan(garments, home, pins).warnings.filter((w) => w.code === 'cannot-meet-deadline');

/** Hours from now until a piece is in the cupboard when it is washed by itself. */
const aloneH = (g: Garment, home: Household = household): number => {
  const { loads, garments } = plan([g], home);
  const t = timetableOf({ household: home, garments: [g], now, loads, planned: garments });
  return ((t.ready[0]?.atMs ?? 0) - Date.parse(now)) / 3_600_000;
};
const waits = (id: string) => ({ kind: 'outcome' as const, outcomes: { [id]: 'wait' as const }, confirmed: false });

describe('dates', () => {
  test('washing and drying have to be over by the date, on both sides of it', () => {
    const tee = garment('tee', { soil: 'heavy' });
    const { loads, garments } = plan([tee]);
    const hours = aloneH(tee);
    // Hands besides: loaded, taken out, hung up, put away.
    expect(hours).toBeGreaterThan(((loads[0]?.durationMin ?? 0) + 14) / 60 + (garments[0]?.dry?.hours ?? 0));
    expect(dates([{ ...tee, neededBy: after(hours) }])).toEqual([]);
    expect(dates([{ ...tee, neededBy: after(hours - 1 / 60) }])).toMatchObject([
      { garments: ['tee'], message: { code: 'warn.date-short', params: { names: ['tee'], hours: Math.ceil(hours) } } },
    ]);
  });
  test('two dates of one machine that exclude each other', () => {
    const jumper = garment('jumper', {
      kind: 'jumper_mid',
      parts: only('wool'),
      traits: traits('jersey-knit'),
      label: washLabel(30, 'very-mild'),
      soil: 'heavy',
    });
    const sheet = garment('sheet', {
      kind: 'sheet_single',
      soil: 'heavy',
      traits: traits('woven'),
      label: washLabel(60),
    });
    const home = { ...household, basins: [] };
    const tight = [jumper, sheet].map((g) => ({ ...g, neededBy: after(aloneH(g, home) + 0.25) }));
    const warned = dates(tight, home);
    expect(warned.map((w) => w.message.code)).toEqual(['warn.date-order']);
    expect(dates([tight[0] as Garment], home)).toEqual([]);
  });
  test('the plan there is so far has the same loads, and warns of every date of which the whole one warns', () => {
    const garments = [10, 14, 18, 26, 30, 34].map((hours, k) =>
      garment(`g${k}`, { soil: 'heavy', kind: k % 2 ? 'bath_towel' : 'jeans', neededBy: after(hours) }),
    );
    const soon: Plan[] = [];
    const whole = planBasket(
      { household, garments, now },
      {
        partition: null,
        watch: (_, soFar) => {
          if (soon.length === 0) soon.push(soFar());
          return true;
        },
      },
    );
    const late = ({ warnings }: Plan): string[] =>
      warnings.filter((w) => w.code === 'cannot-meet-deadline').flatMap((w) => w.garments);
    expect(soon[0]?.loads).toEqual(whole.loads);
    expect(late(whole).length).toBeGreaterThan(0);
    expect(late(soon[0] as Plan)).toEqual(expect.arrayContaining(late(whole)));
  });
  test('a hand-made wait is followed, and the date said, when it falls before the next wash has dried', () => {
    const pins = [waits('tee')];
    const left = (hours: number) => plan([garment('tee', { neededBy: after(hours) })], household, pins);
    for (const hours of [95, 97]) expect(left(hours).garments[0]?.outcome).toBe('wait');
    expect(left(95).warnings.some((w) => w.code === 'cannot-meet-deadline')).toBe(true);
    expect(left(97).warnings.some((w) => w.code === 'cannot-meet-deadline')).toBe(false);
  });
});

describe('several machines', () => {
  test('the last load ends as early as it can', () => {
    const ends = (minutes: readonly number[], machines: number): number[] => {
      const at = divide(minutes, machines);
      return Array.from({ length: machines }, (_, m) => minutes.reduce((s, x, i) => s + (at[i] === m ? x : 0), 0)).sort(
        (a, b) => a - b,
      );
    };
    expect(ends([60, 60, 60, 60], 2)).toEqual([120, 120]);
    // The longest first would end at 7; 3+3 and 2+2+2 end at 6.
    expect(ends([3, 3, 2, 2, 2], 2)).toEqual([6, 6]);
    expect(ends([149, 52, 41], 3)).toEqual([41, 52, 149]);
    expect(ends(Array<number>(40).fill(10), 4)).toEqual([100, 100, 100, 100]);
  });
  test('only like machines share; prices stay', () => {
    const [w1] = household.washers;
    if (!w1) throw new Error('A machine is missing.');
    const twin = { ...w1, id: 'w2', name: 'Other', programmes: w1.programmes.map((p) => ({ ...p, id: `${p.id}-2` })) };
    const gs = [garment('a'), garment('b', { label: washLabel(60) })];
    const loads = (home: Household) => {
      const b = basketOf(gs, home);
      return [0, 1].flatMap((i) => {
        const l = priceLoad(b, [i]);
        return l.feasible ? [l] : [];
      });
    };
    const home = { ...household, basins: [], washers: [w1, twin] };
    const shared = shareOut(loads(home), home.washers);
    expect(new Set(shared.map((l) => (l.setting.method === 'machine' ? l.setting.washer.id : '')))).toEqual(
      new Set(['w1', 'w2']),
    );
    expect(shared.map((l) => l.cost)).toEqual(loads(home).map((l) => l.cost));
    const unlike = { ...twin, pricePerRun: 2 };
    const kept = shareOut(loads({ ...home, washers: [w1, unlike] }), [w1, unlike]);
    expect(kept.map((l) => (l.setting.method === 'machine' ? l.setting.washer.id : ''))).toEqual(['w1', 'w1']);
  });
});

describe('tests as actions', () => {
  const red = garment('red', {
    name: 'Red top',
    colours: ground('#c62828'),
    dye: 'unknown',
    washCount: 0,
    label: washLabel(40),
  });
  const company = ['#2f6f6b', '#4a6fa5', '#7a5ca8'].map((hex, i) =>
    garment(`c${i}`, { colours: ground(hex), label: washLabel(40), washCount: 30 }),
  );
  test('a red that runs alone: tested twice it joins the load and saves a run', () => {
    const b = basketOf([...company, red], household);
    const unlock = unlockOf(b, 3, now, [[0, 1, 2], [3]], 1);
    expect(unlock).toMatchObject({ test: 'spot', times: 2, joins: 'L1' });
    expect(unlock?.saves).toBeGreaterThan(0.5);
    const apart = [[0, 1, 2], [3]]
      .map((l) => priceLoad(b, l))
      .reduce((s, l) => s + (l.feasible ? l.cost : Infinity), 0);
    expect(unlock?.saves).toBeLessThan(apart);
  });
  test('after one clear reading one is left; after two none is asked', () => {
    const clear = { kind: 'spot' as const, agent: 'water' as const, grade: 4.5, at: now };
    const once = basketOf([...company, { ...red, tests: [clear] }], household);
    expect(once.profiles[3]?.history.untested).toBe(false);
    const fast = basketOf([...company, { ...red, washCount: 10 }], household);
    expect(unlockOf(fast, 3, now, [[0, 1, 2], [3]], 1)).toBeNull();
  });
  test('in company of its own it is no action; waiting it saves the wait', () => {
    const b = basketOf([...company, red, { ...red, id: 'red2' }], household);
    expect(
      unlockOf(
        b,
        3,
        now,
        [
          [0, 1, 2],
          [3, 4],
        ],
        1,
      ),
    ).toBeNull();
    const waiting = unlockOf(b, 3, now, [[0, 1, 2]], -1);
    expect(waiting?.joins).toBe('L1');
    expect(waiting?.saves).toBeGreaterThan(0);
    expect(waiting?.saves).toBeLessThanOrEqual(deferralCost(b, 3) + 0.01);
  });
  test('a test that joins nothing says nothing of a piece that runs anyway; of one that waits, what its own run saves', () => {
    const b = basketOf([...company, red], household);
    expect(unlockOf(b, 3, now, [[3]], 0)).toBeNull();
    const alone = unlockOf(b, 3, now, [], -1);
    expect(alone).toMatchObject({ test: 'spot', times: 2, joins: null });
    const tested = {
      ...red,
      tests: [1, 2].map(() => ({ kind: 'spot' as const, agent: 'water' as const, grade: 4.5, at: now })),
    };
    const price = priceLoad(basketOf([tested], household), [0]);
    const saved = deferralCost(b, 3) - (price.feasible ? price.cost : Infinity);
    expect(alone?.saves).toBeCloseTo(Math.max(0, saved), 2);
    // As the first load, too, it is no action by itself.
    expect(unlockOf(b, 3, now, [[3], [0, 1, 2]], 0)?.joins).toBe('L2');
  });
  test('an untested strong colour is flagged when it waits, too', () => {
    const pins = [waits('red')];
    const flagged = plan([red], household, pins).warnings.find((w) => w.code === 'dye-untested');
    expect(flagged).toMatchObject({ garments: ['red'], message: { code: 'warn.dye-untested-waiting' } });
  });
});

describe('waiting, explained together', () => {
  const wool = (id: string): Garment =>
    garment(id, {
      name: id,
      kind: 'jumper_mid',
      parts: only('wool'),
      traits: traits('jersey-knit'),
      label: washLabel(30, 'very-mild'),
    });
  test('pieces that may share a load wait for one another', () => {
    const b = basketOf(
      [wool('a'), wool('b'), garment('white', { colours: ground('#f7f7f4'), dye: 'undyed', label: washLabel(60) })],
      household,
    );
    expect(waitingGroups(b, [1, 0])).toEqual([[0, 1]]);
    const together = waitReason(b, 0, [0, 1]);
    expect(together.message).toMatchObject({ code: 'plan.waits-together', params: { names: ['b'], days: 3 } });
    const load = priceLoad(b, [0, 1]);
    if (!load.feasible) throw new Error('Two jumpers share a load.');
    expect(together.message.params).toMatchObject({ percent: Math.round(load.fill * 100) });
  });
  test('alone it says why nobody may join', () => {
    const b = basketOf(
      [wool('a'), garment('jeans', { kind: 'jeans', traits: traits('denim', 'zip'), label: washLabel(40) })],
      { ...household, rules: { ...plainRules, woolCompany: 'alone' } },
    );
    expect(waitReason(b, 0, [0]).message).toMatchObject({ code: 'plan.waits-unlike', params: { percent: 9 } });
  });
  test('without a detergent the reason is the cupboard', () => {
    const b = basketOf([wool('a')], { ...household, products: [] });
    expect(waitReason(b, 0, [0]).code).toBe('no-suitable-product');
  });
});

describe('the hot tap', () => {
  const greasy = garment('g', {
    soil: 'heavy',
    label: washLabel(60),
    stains: [
      {
        id: 's',
        kind: 'cooking-grease',
        ageHours: 5,
        heatSet: false,
        place: '',
        tried: [],
        sizeCm: 3,
        failedRounds: 0,
        heat: null,
      },
    ],
  });
  const warmest = (hotC: number) => {
    const home = { ...household, water: { ...household.water, hotC } };
    return (plan([greasy], home).garments[0]?.pretreat ?? []).flatMap((t) => t.steps);
  };
  test('no treatment is printed warmer than the tap gives; the kettle makes up for it', () => {
    const most = Math.max(...warmest(70).map((s) => s.temperatureC));
    expect(most).toBeGreaterThan(28);
    const cool = warmest(28);
    expect(Math.max(...cool.map((s) => s.temperatureC))).toBe(28);
    const noted = cool.filter((s) => s.warming?.code === 'treat.kettle');
    expect(noted.length).toBe(warmest(70).filter((s) => s.temperatureC > 28).length);
    expect(warmest(most).some((s) => s.warming !== null)).toBe(false);
  });
});
