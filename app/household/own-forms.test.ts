/** Forms of a household of one's own: numbers with units, hours and spans, machines and tubs. */
import { describe, expect, test } from '@jest/globals';
import * as v from 'valibot';
import { pieceSchema } from '../wardrobe/piece-schema.ts';
import { measureText } from '../wash/load-view.server.ts';
import { newHousehold, waterOf } from '../begin/new-household.server.ts';
import { beginSchema, type BeginForm } from '../begin/begin-form.ts';
import { quantity } from '../forms/numbers.ts';
import { readForm } from '../forms/read.ts';
import { readBrought } from '../transfer/document.server.ts';
import {
  basinSchema,
  placeSchema,
  toBasin,
  toPlace,
  optionNamesSchema,
  shownOptionNames,
  toOptionNames,
} from './equipment-form.ts';
import { readSpan, shownTimes, spansOf, timesSchema } from './times-form.ts';
import { readHamperValue } from '@formats/hamper.ts';

const form = (fields: Record<string, string | string[]>): FormData => {
  const f = new FormData();
  for (const [k, v] of Object.entries(fields)) for (const x of [v].flat()) f.append(k, x);
  return f;
};

describe('numbers with units', () => {
  test.each([
    ['40', '°C', 40],
    ['40 °C', '°C', 40],
    ['104 F', '°C', 40],
    ['104°f', '°C', 40],
    ['2,5', 'kg', 2.5],
    ['3 lb', 'kg', 1.361],
    ['500 g', 'kg', 0.5],
    ['12 oz', 'g', 340.194],
    ['12 in', 'cm', 30.48],
    ['1.2 m', 'cm', 120],
    ['2 gallons', 'l', 7.571],
    ['5', '', 5],
  ])('%s in a field of %s is %d', (text, unit, kept) => expect(quantity(text, unit)).toBeCloseTo(kept, 3));
  test.each([
    ['12 in', 'kg'],
    ['5 kg', ''],
    ['F', '°C'],
    ['4 0', 'cm'],
    ['1e3', 'g'],
    [`${' '.repeat(60)}4`, 'cm'],
  ])('%s is no number of %s', (text, unit) => expect(quantity(text, unit)).toBeNaN());
});

describe('caps and spoons', () => {
  test.each([
    [35, 'cap', 35, '1 cap'],
    [48, 'cap', 35, '1¼ caps'],
    [70, 'cap', 35, '2 caps'],
    [9, 'cap', 35, '¼ cap'],
    [4, 'cap', 35, ''],
    [90, 'scoop', 60, '1½ scoops'],
  ])('%d from a %s of %d', (amount, name, holds, text) => expect(measureText(amount, { name, holds })).toBe(text));
});

describe('fibres in the form of a piece', () => {
  const shell = (text: string) => {
    const read = readForm(form({ shell: text }), v.object({ shell: pieceSchema.entries.shell }));
    return read.ok ? read.value.shell.map((f) => `${f.fibre} ${f.percent}`).join('; ') : read.errors[0];
  };
  test.each([
    ['cotton 60; polyester 40', 'cotton 60; polyester 40'],
    ['60% Baumwolle 40% poly', 'cotton 60; polyester 40'],
    ['merino', 'wool 100'],
    ['65 polyester 35 cotton', 'polyester 65; cotton 35'],
    ['wool-superwash 100', 'wool-superwash 100'],
    ['cotton 60; polyester 30', 'Shell: the shares sum to 90 %, not 100.'],
    ['cotton sixty', 'Shell: "cotton sixty" is not a fibre and a share, like "cotton 60".'],
    ['glass 100', 'Shell: "glass 100" is not a fibre and a share, like "cotton 60".'],
  ])('%s', (text, read) => expect(shell(text)).toBe(read));
});

describe('times', () => {
  test('spans of hours, in several spellings', () => {
    const read = readForm(form({ quietHours: '22:00-07:00\n13.00 to 15:00' }), timesSchema);
    expect(read.ok && read.value.quietHours).toEqual([
      ['22:00', '07:00'],
      ['13:00', '15:00'],
    ]);
    for (const bad of ['22-07', '25:00-07:00', '07:00-07:00', 'at night'])
      expect(readForm(form({ quietHours: bad }), timesSchema).ok).toBe(false);
  });
  test('a span in a zone is its moments, over a change of clocks too', () => {
    expect(readSpan('2026-05-09 12:00 to 14:00', 'Europe/Amsterdam')).toEqual({
      from: '2026-05-09T12:00:00+02:00',
      to: '2026-05-09T14:00:00+02:00',
      after: '',
    });
    expect(readSpan('2026-10-24 22:00 to 2026-10-25 08:00', 'Europe/Amsterdam')).toMatchObject({
      from: '2026-10-24T22:00:00+02:00',
      to: '2026-10-25T08:00:00+01:00',
    });
    expect(readSpan('2026-05-09 14:00 to 12:00', 'UTC')).toBeNull();
    expect(readSpan('2026-02-30 12:00 to 14:00', 'UTC')).toBeNull();
  });
  test('what is stored is shown as it was typed', () => {
    const washers = [{ id: 'w1', name: 'Cellar' }];
    const read = readForm(
      form({
        quietHours: '22:00-07:00',
        away: '2026-05-09 12:00 to 14:00',
        slots: '2026-05-09 18:00 to 20:00 cellar',
        people: '2',
      }),
      timesSchema,
    );
    if (!read.ok) throw new Error(read.errors.join());
    const spans = spansOf(read.value, 'Asia/Tokyo', washers);
    if ('errors' in spans) throw new Error('good spans');
    expect(spans.times.slots).toEqual([
      { washer: 'w1', from: '2026-05-09T18:00:00+09:00', to: '2026-05-09T20:00:00+09:00' },
    ]);
    expect(shownTimes(spans.times, {}, 'Asia/Tokyo', washers)).toMatchObject({
      quietHours: '22:00-07:00',
      away: '2026-05-09 12:00 to 14:00',
      slots: '2026-05-09 18:00 to 20:00 Cellar',
      people: '2',
    });
  });
});

describe("the machine's own words for its options", () => {
  test('are kept where they are given, shown again, and never longer than a button', () => {
    const read = readForm(form({ 'option-extra-rinse': ' Rinse plus ', 'option-high-water': '' }), optionNamesSchema);
    if (!read.ok) throw new Error(read.errors.join());
    const names = toOptionNames(read.value);
    expect(names).toEqual({ 'extra-rinse': 'Rinse plus' });
    expect(shownOptionNames(names)).toEqual({
      'option-extra-rinse': 'Rinse plus',
      'option-high-water': '',
      'option-soil-light': '',
      'option-soil-heavy': '',
    });
    const long = readForm(form({ 'option-soil-heavy': 'x'.repeat(41) }), optionNamesSchema);
    expect(!long.ok && long.errors).toEqual(['Soil level: heavy: at most 40 characters.']);
  });
});

describe('places and tubs', () => {
  test('a tub keeps only the measures of its shape', () => {
    const read = readForm(
      form({ name: 'Tub', shape: 'round', diameterCm: '20 in', depthCm: '25', lengthCm: '99' }),
      basinSchema,
    );
    expect(read.ok && toBasin('b', read.value)).toEqual({
      id: 'b',
      name: 'Tub',
      shape: 'round',
      diameterCm: 50.8,
      depthCm: 25,
    });
  });
  test.each([
    [{ shape: 'rectangular', lengthCm: '40', widthCm: '30' }, 'Depth: measure it, inside.'],
    [
      { shape: 'round', diameterCm: '40', depthCm: '5' },
      'Depth: 5 cm stay free below the rim, so it has to be deeper than that.',
    ],
    [{ shape: 'volume' }, 'Litres to the brim: measure it, inside.'],
    [{ shape: 'square' }, 'Shape: choose one of the shown.'],
  ])('%j is refused', (fields, error) => {
    const read = readForm(form({ name: 'Tub', ...(fields as Record<string, string>) }), basinSchema);
    expect(read.ok ? [] : read.errors).toContain(error);
  });
  test('a place needs room for something', () => {
    const empty = { name: 'Rack', bars: '0', barLengthM: '0', flatM2: '0', hangers: '0' };
    expect(readForm(form(empty), placeSchema).ok).toBe(false);
    const read = readForm(form({ ...empty, bars: '6', barLengthM: '4 m', outdoors: 'on' }), placeSchema);
    expect(read.ok && toPlace('p', read.value)).toMatchObject({ bars: 6, barLengthM: 4, outdoors: true, sun: false });
  });
});

describe('the first form', () => {
  const answers = {
    name: 'Home',
    machine: 'front',
    basin: 'sink',
    place: 'rack',
    water: 'unknown',
    hardnessUnit: 'dH',
    products: ['colour-liquid'],
  };
  const read = (more: Record<string, string | string[]> = {}): BeginForm => {
    const r = readForm(form({ ...answers, ...more }), beginSchema);
    if (!r.ok) throw new Error(r.errors.join());
    return r.value;
  };
  test.each([
    [{}, null],
    [{ water: 'figure', hardness: '14' }, 2.497],
    [{ water: 'strip', strip: '3' }, 3.1],
    [{ water: 'place', waterPlace: 'Limekiln' }, 4.1],
  ])('water by %j', (more, mmolPerL) => expect(waterOf(read(more))).toEqual({ mmolPerL }));
  test('water that cannot be, and places nobody knows, are named', () => {
    expect(waterOf(read({ water: 'figure', hardness: '90' }))).toMatchObject({ field: 'hardness' });
    expect(waterOf(read({ water: 'place', waterPlace: 'Atlantis' }))).toMatchObject({ field: 'waterPlace' });
    expect(readForm(form({ ...answers, machine: 'none', basin: 'none' }), beginSchema).ok).toBe(false);
    expect(readForm(form({ ...answers, products: [] }), beginSchema).ok).toBe(false);
  });
  test.each(['front', 'top-impeller', 'top-agitator', 'coin-front', 'coin-top', 'none'])(
    'a household with %s is one the planner takes',
    (machine) => {
      const view = newHousehold(read({ machine, drumKg: '8', pricePerRun: '2.5' }), 2);
      const document = {
        format: 'neat-fold/hamper',
        version: 1,
        now: '2026-05-09T08:00:00Z',
        household: view.document,
        garments: [],
      };
      expect(readHamperValue(document).ok).toBe(true);
      expect(view.document.washers).toHaveLength(machine === 'none' ? 0 : 1);
      for (const p of view.document.washers?.[0]?.programmes ?? []) expect(p.maxLoadKg).toBeLessThanOrEqual(8);
    },
  );
});

describe('what is brought in', () => {
  const table = 'id,name,kind,fibres,colours\n';
  test('is told apart: document, table, lines', () => {
    expect(readBrought('{"format":1}').is).toBe('refused');
    expect(readBrought(`${table}a,Tee,tshirt,cotton 100,#ffffff\n`).is).toBe('table');
    expect(readBrought('white tee, cotton\nred socks').is).toBe('lines');
    expect(readBrought('   ').is).toBe('refused');
  });
  test('ids that no address can hold are rewritten, the same way each time', () => {
    const ids = () => {
      const b = readBrought(`${table}a/b?c,Tee,tshirt,cotton 100,#ffffff\nok-1,Cap,hat_knit,wool 100,#000000\n`);
      return b.is === 'table' ? b.garments.map((g) => g.id) : [];
    };
    expect(ids()[0]).toMatch(/^a-b-c-[0-9a-f]{8}$/);
    expect(ids()[1]).toBe('ok-1');
    expect(ids()).toEqual(ids());
  });
  test('characters that nobody types are refused with their place', () => {
    const b = readBrought(`${table}a,"Tee\u202e",tshirt,cotton 100,#ffffff\n`);
    expect(b.is === 'refused' && b.problems[0]).toMatch(/^pieces\[0\]\.name: holds a character that turns/);
  });
});
