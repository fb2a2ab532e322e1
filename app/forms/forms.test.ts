/** Forms: what is read from them, and which field is named when something is wrong. */
import { describe, expect, test } from '@jest/globals';
import { basketStateSchema, toBasketState } from '../gather/basket-state-form.ts';
import { generalSchema, givenWeights, hardnessOf, weightFields, weightsSchema } from '../household/household-form.ts';
import { givenMeasures, measureSchema } from '../wardrobe/measure-form.ts';
import { placeWordsOf } from '@words/en/garment.ts';
import { readForm } from './read.ts';
import { ageChoices, freeStainId, judgeSchema, reportSchema, stainSchema, toMarkedStain } from '../treat/stain-form.ts';
import { riskSchema, testSchema } from '../test/test-form.ts';

const form = (values: Record<string, string | string[]>): FormData => {
  const f = new FormData();
  for (const [k, v] of Object.entries(values)) for (const x of [v].flat()) f.append(k, x);
  return f;
};
const errors = (r: ReturnType<typeof readForm>): string[] => (r.ok ? [] : r.errors);
const now = new Date('2026-05-09T06:00:00Z');

describe('a mark', () => {
  const good = { kind: 'coffee', place: 'chest', sizeCm: '2,5', age: 'today', heat: 'none' };
  test('is read, with one or several things tried', () => {
    const one = readForm(form({ ...good, tried: 'soap-dish' }), stainSchema);
    const two = readForm(form({ ...good, tried: ['soap-dish', 'vinegar-white'] }), stainSchema);
    if (!one.ok || !two.ok) throw new Error('readable');
    expect(toMarkedStain(one.value, 's2', now)).toEqual({
      id: 's2',
      kind: 'coffee',
      ageHours: 8,
      heatSet: false,
      heat: 'none',
      place: 'chest',
      tried: ['soap-dish'],
      sizeCm: 2.5,
      failedRounds: 0,
      notedAt: '2026-05-09T06:00:00.000Z',
    });
    expect(two.value.tried).toEqual(['soap-dish', 'vinegar-white']);
  });
  test('every bad field is named', () => {
    expect(errors(readForm(form({ ...good, kind: 'lava' }), stainSchema))).toEqual([
      'Kind of mark: choose one of the shown.',
    ]);
    expect(errors(readForm(form({ ...good, sizeCm: '500' }), stainSchema))).toEqual(['Size: between 0.1 and 100 cm.']);
    expect(errors(readForm(form({ ...good, age: 'soon', heat: 'lava' }), stainSchema))).toEqual([
      'Age: choose one of the shown.',
      'Heat: choose one of the shown.',
    ]);
    expect(errors(readForm(form({ ...good, place: 'x'.repeat(41) }), stainSchema))).toEqual([
      'Place: at most 40 letters.',
    ]);
    expect(errors(readForm(form({ ...good, tried: 'gunpowder' }), stainSchema)).length).toBeGreaterThan(0);
    expect(errors(readForm(form({}), stainSchema)).length).toBeGreaterThanOrEqual(3);
  });
  test('ages stand for hours in rising order; ids are the first free', () => {
    const hours = ageChoices.map(([, , h]) => h).filter((h) => h !== null);
    expect(hours).toEqual([...hours].sort((a, b) => a - b));
    expect([freeStainId([]), freeStainId([{ id: 's1' }, { id: 's3' }])]).toEqual(['s1', 's2']);
  });
  test('what the bench is told', () => {
    expect(errors(readForm(form({ id: 'x', from: '0.0', result: 'perhaps' }), reportSchema))).toEqual([
      'Check: answer yes or no.',
    ]);
    expect(errors(readForm(form({ id: 'x', judgement: 'nice' }), judgeSchema))).toEqual([
      'Result: choose one of the shown.',
    ]);
  });
});

test('marking a piece keeps its stains', () => {
  const read = readForm(
    form({ soil: 'heavy', activity: 'sweaty', odour: 'on', neededBy: '2026-05-11' }),
    basketStateSchema,
  );
  if (!read.ok) throw new Error('readable');
  const stains = [{ id: 's1', kind: 'tea' as const }];
  expect(
    toBasketState(
      read.value,
      { soil: 'none', activity: 'rest', odour: false, hygiene: true, neededBy: null, stains },
      'Asia/Tokyo',
    ),
  ).toEqual({
    soil: 'heavy',
    activity: 'sweaty',
    odour: true,
    hygiene: false,
    neededBy: '2026-05-11T09:00:00.000Z',
    stains,
  });
  expect(toBasketState(read.value, null, 'UTC').stains).toEqual([]);
  expect(
    errors(readForm(form({ soil: 'heavy', activity: 'sweaty', neededBy: '2026-13-45' }), basketStateSchema)),
  ).toEqual(['Needed by: give a real date.']);
});

describe('measures', () => {
  test('centimetres and inches; empty places are not measured', () => {
    const cm = readForm(form({ unit: 'cm', chest: '50,5', sleeve: '' }), measureSchema);
    const inch = readForm(form({ unit: 'inch', chest: '20' }), measureSchema);
    if (!cm.ok || !inch.ok) throw new Error('readable');
    expect(givenMeasures(cm.value)).toEqual([{ place: 'chest', cm: 50.5 }]);
    expect(givenMeasures(inch.value)).toEqual([{ place: 'chest', cm: 50.8 }]);
  });
  test('a quarter inch is not rounded away: 11 to 10.5 in is 4.5 % and not 4.3', () => {
    const [before, after] = ['11', '10.5'].map((chest) => {
      const read = readForm(form({ unit: 'inch', chest }), measureSchema);
      if (!read.ok) throw new Error('readable');
      return givenMeasures(read.value)[0]!.cm;
    });
    expect([before, after]).toEqual([27.94, 26.67]);
    expect(((before! - after!) / before!) * 100).toBeCloseTo(4.545, 2);
  });
  test('a sash has a width and no chest', () => {
    expect(placeWordsOf('sash').chest.name).toBe('Width');
    expect(placeWordsOf('tshirt').chest.name).toBe('Chest');
  });
  test('nonsense is named', () =>
    expect(errors(readForm(form({ unit: 'ell', chest: 'wide' }), measureSchema))).toEqual([
      'Unit: choose cm or inches.',
      'Chest: give a number.',
    ]));
});

describe('tests and risks', () => {
  test('grades are half steps', () => {
    const read = readForm(form({ kind: 'spot', agent: 'water', grade: '4.5' }), testSchema);
    expect(read.ok && read.value.grade).toBe(4.5);
    expect(errors(readForm(form({ kind: 'spot', agent: 'water', grade: '4.2' }), testSchema))).toEqual([
      'Grade: choose the step that looks most like your cloth.',
    ]);
    expect(errors(readForm(form({ kind: 'spot', agent: 'petrol', grade: '4' }), testSchema))).toEqual([
      'Agent: choose one of the shown.',
    ]);
  });
  test('a risk is a sentence', () => {
    expect(errors(readForm(form({ risk: 'ok' }), riskSchema))[0]).toContain('in your own words');
    expect(readForm(form({ risk: 'It may shrink a little.' }), riskSchema).ok).toBe(true);
  });
});

describe('the household', () => {
  test('single weights: empty follows the priority, bad ones are named with their label', () => {
    const read = readForm(form({ attendedMinute: '0,3', lambdaClean: '' }), weightsSchema);
    if (!read.ok) throw new Error('readable');
    expect(givenWeights(read.value)).toEqual({ attendedMinute: 0.3 });
    for (const f of weightFields)
      expect(errors(readForm(form({ [f.key]: String(f.most + 1) }), weightsSchema))).toEqual([
        `${f.label}: between 0 and ${f.most}.`,
      ]);
  });
  const general = {
    name: 'Flat',
    hardness: '14',
    hardnessUnit: 'dH',
    coldC: '12',
    hotC: '55',
    electricityPerKwh: '0.3',
    waterPerM3: '4.5',
    daysToNextWash: '3',
    nets: '4',
    netsWithoutMetal: '2',
    roomC: '20',
    humidity: '50',
  };
  test('hardness in any unit, within drinking water', () => {
    const read = readForm(form(general), generalSchema);
    if (!read.ok) throw new Error('readable');
    expect(hardnessOf(read.value)).toBeCloseTo(2.497, 3);
    const hard = readForm(form({ ...general, hardnessUnit: 'mmol', hardness: '60' }), generalSchema);
    expect(hard.ok && hardnessOf(hard.value)).toBeNull();
  });
  test('a telephone number looks like one', () => {
    expect(readForm(form({ ...general, poisonCentre: '+1 555 0100' }), generalSchema).ok).toBe(true);
    expect(errors(readForm(form({ ...general, poisonCentre: 'ask my aunt' }), generalSchema))).toEqual([
      'Poison centre: give a telephone number.',
    ]);
  });
});
