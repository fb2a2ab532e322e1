import { describe, expect, test } from '@jest/globals';
import type { Garment, Stain } from '../model/garment.ts';
import { garment, household, only } from '../testing/arbitrary.ts';
import { gatherAdvice, ownCare, rotationOf, type GatherFacts } from './gather.ts';

const fresh: Partial<Garment> = { soil: 'none', wearsSinceWash: 0 };
const none: GatherFacts = { daysLying: null, daysSinceCare: null };
const ask = (change: Partial<Garment>, facts: Partial<GatherFacts> = {}) =>
  gatherAdvice(garment('g', { ...fresh, ...change }), { ...none, ...facts }, household);
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
    expect(ask({})).toEqual({ action: 'rest', urgency: 0, because: 'Clean.', waitingPerDay: 0 }));
  test('a T-shirt worn twice is due; worn once it is worn but clean', () => {
    expect(ask({ wearsSinceWash: 2 })).toMatchObject({ action: 'wash', urgency: 1 });
    expect(ask({ wearsSinceWash: 1 })).toMatchObject({
      action: 'rest',
      because: '1 of about 1.5 wears: worn but clean.',
    });
  });
  test('white next to the skin lies four days at most, sportswear one', () => {
    expect(ask({ ...whiteTee, wearsSinceWash: 1 }, { daysLying: 3 }).action).toBe('rest');
    expect(ask({ ...whiteTee, wearsSinceWash: 1 }, { daysLying: 4 })).toMatchObject({
      action: 'wash',
      urgency: 3,
      because: 'It has lain for 4 days: it yellows while it lies.',
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
    expect(ask({ ...wool, wearsSinceWash: 3, odour: true }).action).toBe('air');
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
      because: ownCare.leather.words,
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
    ).toMatchObject({ action: 'care', because: ownCare.down.words });
  });
  test('illness is for today; waiting costs more the dirtier it is', () => {
    expect(ask({ hygiene: true, wearsSinceWash: 1 })).toMatchObject({ action: 'wash', urgency: 3 });
    const light = ask({ wearsSinceWash: 2, soil: 'light' }).waitingPerDay;
    const heavy = ask({ wearsSinceWash: 2, soil: 'heavy', activity: 'sweaty' }).waitingPerDay;
    expect(heavy).toBeGreaterThan(light);
    expect(light).toBeCloseTo(0.5 * 0.05, 9);
  });
});

describe('rotation', () => {
  test('a T-shirt a day, washed once a week with two days of drying: nine', () => {
    expect(rotationOf({ kind: 'tshirt', mostlyWool: false, owned: 4, wearsIn28Days: 28 }, 7)).toEqual({
      owned: 4,
      needed: 9,
      intervalDays: 7,
      wearsPerDay: 1,
    });
  });
  test('jeans every other day: two', () =>
    expect(rotationOf({ kind: 'jeans', mostlyWool: false, owned: 2, wearsIn28Days: 14 }, 7)?.needed).toBe(1));
  test('hardly worn: nothing to advise', () =>
    expect(rotationOf({ kind: 'tshirt', mostlyWool: false, owned: 4, wearsIn28Days: 3 }, 7)).toBeNull());
});
