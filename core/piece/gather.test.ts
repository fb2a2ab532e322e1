import { describe, expect, test } from '@jest/globals';
import type { Garment, Stain } from '../model/garment.ts';
import { garment, household, only } from '../testing/arbitrary.ts';
import { say } from '../message/message.ts';
import { decide } from './outcomes.ts';
import { profileOf } from './profile.ts';
import { gatherAdvice, rotationIsShort, rotationOf } from './gather.ts';
import { needVerdict, noHistory, ownCare, type History } from './verdict.ts';

const fresh: Partial<Garment> = { soil: 'none', wearsSinceWash: 0 };
const ask = (change: Partial<Garment>, facts: Partial<History> = {}) =>
  gatherAdvice(garment('g', { ...fresh, ...change }), { ...noHistory, ...facts }, household);
const stain = (kind: Stain['kind'], sizeCm: number, ageHours: number): Stain => ({
  id: 's',
  kind,
  ageHours,
  heatSet: false,
  heat: null,
  tried: [],
  place: '',
  sizeCm,
  failedRounds: 0,
});
const whiteTee: Partial<Garment> = { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed' };
const wool: Partial<Garment> = { kind: 'jumper_mid', parts: only('wool'), nextToSkin: false };

describe('does it need washing', () => {
  test('clean rests and costs nothing to wait', () =>
    expect(ask({})).toEqual({
      action: 'rest',
      urgency: 0,
      due: 'fresh',
      because: say('need.nothing'),
      waitingPerDay: 0,
    }));
  test('a T-shirt worn twice is due; worn once it is worn but clean', () => {
    expect(ask({ wearsSinceWash: 2 })).toMatchObject({ action: 'wash', urgency: 1 });
    expect(ask({ wearsSinceWash: 1 })).toMatchObject({
      action: 'rest',
      because: say('need.worn-clean', { wears: 1, allowedWears: 1.5 }),
    });
  });
  test('white next to the skin lies four days at most, sportswear one', () => {
    expect(ask({ ...whiteTee, wearsSinceWash: 1 }, { daysLying: 3 }).action).toBe('rest');
    expect(ask({ ...whiteTee, wearsSinceWash: 1 }, { daysLying: 4 })).toMatchObject({
      action: 'wash',
      urgency: 3,
      because: say('need.lies', { days: 4, because: say('need.yellows') }),
    });
    expect(ask({ kind: 'sport_tee', wearsSinceWash: 1 }, { daysLying: 1 })).toMatchObject({
      action: 'wash',
      urgency: 3,
    });
  });
  test('wool airs, brushes, and washes after ten wears', () => {
    expect(ask({ ...wool, wearsSinceWash: 3 }).action).toBe('air');
    expect(ask({ ...wool, wearsSinceWash: 3, soil: 'light' }).action).toBe('brush');
    expect(ask({ ...wool, wearsSinceWash: 8 }).action).toBe('one-more');
    expect(ask({ ...wool, wearsSinceWash: 10 }).action).toBe('wash');
    expect(ask({ ...wool, wearsSinceWash: 3, odour: true }).action).toBe('wash');
    expect(ask({ wearsSinceWash: 1, odour: true }).action).toBe('wash');
  });
  test('one small mark on wool or denim is a spot; a large one, or one on cotton, a wash', () => {
    expect(ask({ ...wool, wearsSinceWash: 1, stains: [stain('coffee', 2, 3)] })).toMatchObject({
      action: 'spot-clean',
      urgency: 3,
    });
    expect(ask({ ...wool, wearsSinceWash: 1, stains: [stain('coffee', 9, 50)] })).toMatchObject({
      action: 'wash',
      urgency: 2,
    });
    expect(ask({ wearsSinceWash: 1, stains: [stain('coffee', 2, 3)] }).action).toBe('wash');
  });
  test('leather, suede, tailoring and down have care of their own', () => {
    expect(ask({ kind: 'leather_jacket', parts: only('leather'), wearsSinceWash: 20 })).toMatchObject({
      action: 'care',
      because: ownCare.leather.because,
    });
    expect(ask({ kind: 'other', parts: only('suede'), wearsSinceWash: 2 }, { daysSinceCare: 10 }).action).toBe('rest');
    expect(
      ask(
        { kind: 'coat', parts: only('wool'), traits: new Set(['structured']), wearsSinceWash: 3 },
        { daysSinceCare: 5 },
      ),
    ).toMatchObject({ action: 'care' });
    expect(
      ask({ kind: 'down_jacket', traits: new Set(['down']), wearsSinceWash: 4 }, { daysSinceCare: 210 }),
    ).toMatchObject({ action: 'care', because: ownCare.down.because });
  });
  test('illness is for today; waiting costs more the dirtier it is', () => {
    expect(ask({ hygiene: true, wearsSinceWash: 1 })).toMatchObject({ action: 'wash', urgency: 3 });
    const light = ask({ wearsSinceWash: 2, soil: 'light' }).waitingPerDay;
    const heavy = ask({ wearsSinceWash: 2, soil: 'heavy', activity: 'sweaty' }).waitingPerDay;
    expect(heavy).toBeGreaterThan(light);
    expect(light).toBeCloseTo(0.5 * 0.05, 9);
  });
  test('out of the soak it is washed today, whatever else is known of it, and does not wait', () => {
    const wet = garment('g', { ...fresh, soaked: true });
    expect(needVerdict(wet)).toMatchObject({ need: 'wash', cause: 'soaked' });
    expect(needVerdict(garment('g', fresh)).need).toBe('nothing');
    const decision = decide(profileOf(wet, household.rules), household, '2026-05-09T08:00:00Z');
    expect([decision.fixed, decision.mayWait]).toEqual([null, false]);
  });
});

describe('rotation', () => {
  test('a T-shirt a day, washed once a week with two days of drying: nine', () => {
    expect(rotationOf({ garment: garment('g'), owned: 4, wearsIn28Days: 28 }, 7)).toEqual({
      owned: 4,
      needed: 9,
      intervalDays: 7,
      wearsPerDay: 1,
    });
  });
  test('jeans every other day: two', () =>
    expect(rotationOf({ garment: garment('g', { kind: 'jeans' }), owned: 2, wearsIn28Days: 14 }, 7)?.needed).toBe(1));
  test('hardly worn: nothing to advise', () =>
    expect(rotationOf({ garment: garment('g'), owned: 4, wearsIn28Days: 3 }, 7)).toBeNull());
});

describe('one verdict on the shelf and in the plan', () => {
  const decided = (change: Partial<Garment>) => {
    const g = garment('g', { ...fresh, ...change });
    return decide(profileOf(g, household.rules), household, '2026-05-09T08:00:00+02:00');
  };
  const mixed: Garment['parts'] = [
    {
      role: 'shell',
      fibres: [
        { fibre: 'cotton', percent: 70 },
        { fibre: 'wool', percent: 30 },
      ],
    },
  ];
  test.each<[string, Partial<Garment>, string]>([
    ['a wool jumper that smells', { ...wool, wearsSinceWash: 3, odour: true }, 'wash'],
    [
      'light soil on a rain jacket',
      { kind: 'rain_jacket', parts: only('polyamide'), wearsSinceWash: 3, soil: 'light' },
      'brush',
    ],
    ['a jumper of 30 % wool after four wears', { kind: 'jumper_mid', parts: mixed, wearsSinceWash: 3 }, 'air'],
    ['a jumper of 30 % wool after five wears', { kind: 'jumper_mid', parts: mixed, wearsSinceWash: 5 }, 'wash'],
    ['a wool jumper after five wears', { ...wool, wearsSinceWash: 5 }, 'air'],
    [
      'a small mark on a rain jacket',
      { kind: 'rain_jacket', parts: only('polyamide'), wearsSinceWash: 1, stains: [stain('mud', 3, 30)] },
      'spot-clean',
    ],
    [
      'the same mark a centimetre too wide',
      { kind: 'rain_jacket', parts: only('polyamide'), wearsSinceWash: 1, stains: [stain('mud', 5.5, 30)] },
      'wash',
    ],
  ])('%s: %s', (_, change, outcome) => {
    const action = ask(change).action;
    expect(decided(change).fixed ?? 'wash').toBe(outcome);
    expect(action === 'rest' ? 'air' : action).toBe(outcome);
  });
});
test('a rotation is short up to three times what is owned', () => {
  const r = { owned: 3, intervalDays: 7, wearsPerDay: 1 };
  expect([3, 4, 9, 10].map((needed) => rotationIsShort({ ...r, needed }))).toEqual([false, true, true, false]);
});
