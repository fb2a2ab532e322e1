/** Every place of a full document, damaged in many ways: either a problem that names the place, or a plan with sound numbers. Never a thrown error. */
import { describe, expect, test } from '@jest/globals';
import * as v from 'valibot';
import type { HamperDocument } from './hamper-schema.ts';
import { readHamper, readHamperValue } from './hamper.ts';
import { documentText, planHamper, planSchema } from './plan.ts';

const full: HamperDocument = {
  format: 'neat-fold/hamper',
  version: 1,
  now: '2026-05-09T08:00:00+02:00',
  household: {
    rules: {
      colourPiles: 'bleed-risk',
      tumble: 'never',
      priority: 'balanced',
      reuseBath: false,
      weights: { attendedMinute: 0.15 },
    },
    daysToNextWash: 3,
    times: {
      quietHours: [['22:00', '06:30']],
      away: [['2026-05-10T09:00:00+02:00', '2026-05-10T12:00:00+02:00']],
      slots: [{ washer: 'w1', from: '2026-05-09T08:00:00+02:00', to: '2026-05-09T18:00:00+02:00' }],
      people: 3,
    },
    water: { hardnessMmolPerL: 2.4, coldC: 11, hotC: 55 },
    tariff: {
      currency: 'EUR',
      electricityPerKwh: 0.31,
      waterPerM3: 4.6,
      cheapHours: [['13:00', '16:00']],
      cheapPerKwh: 0.2,
    },
    room: { volumeM3: 25, airChangesPerHour: 0.5, temperatureC: 20, relativeHumidity: 0.5, airSpeedMPerS: 0.1 },
    washers: [
      {
        id: 'w1',
        name: 'Washer',
        loading: 'front',
        drumRadiusM: 0.25,
        drumVolumeL: 58,
        pricePerRun: 0,
        refusesForms: ['bar'],
        bleachDispenser: false,
        programmes: [
          {
            id: 'c',
            name: 'Cottons',
            family: 'cotton',
            action: 'normal',
            temperaturesC: [30, 60],
            spinsRpm: [0, 800, 1200],
            maxLoadKg: 8,
            durationMin: 120,
            waterL: 60,
            energyKwhAt: { 60: 1 },
          },
        ],
      },
    ],
    dryers: [{ id: 'd1', name: 'Dryer', type: 'heat-pump', maxLoadKg: 7, lowTemperature: true }],
    dryingPlaces: [
      { id: 'r1', name: 'Rack', bars: 18, barLengthM: 0.9, flatM2: 0.5, hangers: 6, outdoors: false, sun: false },
    ],
    basins: [{ id: 'b1', name: 'Tub', shape: 'rectangular', lengthCm: 45, widthCm: 32, depthCm: 18 }],
    products: [
      {
        id: 'p1',
        name: 'Colour liquid',
        class: 'colour',
        form: 'liquid',
        dose: {
          unit: 'ml',
          perLoadKg: 4.5,
          table: {
            soft: { light: 30, normal: 45, heavy: 60 },
            medium: { light: 40, normal: 55, heavy: 75 },
            hard: { light: 50, normal: 70, heavy: 95 },
          },
          handPerLitre: 2,
        },
        remaining: 800,
        pricePerUnit: 0.004,
      },
    ],
  },
  garments: [
    {
      id: 'g1',
      name: 'Blue shirt',
      kind: 'dress_shirt',
      parts: [
        {
          role: 'shell',
          fibres: [
            { fibre: 'cotton', percent: 60 },
            { fibre: 'polyester', percent: 40 },
          ],
        },
      ],
      construction: ['woven'],
      features: [],
      colours: [{ hex: '#2f4f7f', role: 'ground' }],
      dye: 'reactive',
      label: {
        wash: { by: 'machine', maxC: 40, action: 'mild' },
        bleach: 'none',
        tumble: 'none',
        dry: { position: 'line', drip: false, shade: false },
        iron: 'medium',
        dryClean: 'P',
        wetClean: 'none',
        phrases: [],
        text: 'wash inside out',
      },
      dryMassG: 210,
      size: 'M',
      heightCm: 175,
      measures: [{ place: 'chest', cm: 52, at: '2026-05-01T08:00:00+02:00' }],
      odour: false,
      washCount: 4,
      wearsSinceWash: 2,
      worn: { activity: 'normal', nextToSkin: true },
      soil: 'normal',
      hygiene: false,
      stains: [
        {
          id: 's1',
          kind: 'berry-juice',
          ageHours: 5,
          heatSet: false,
          heat: 'none',
          place: 'cuff',
          tried: [],
          sizeCm: 2,
          failedRounds: 0,
        },
      ],
      tests: [{ kind: 'spot', grade: 4.5, at: '2026-05-01T08:00:00+02:00' }],
      allowTestFirst: false,
      neededBy: '2026-05-11T08:00:00+02:00',
      valueEur: 40,
      include: true,
    },
    {
      id: 'g2',
      name: 'Tee',
      kind: 'tshirt',
      parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
      colours: [{ hex: '#d9c7a4', role: 'ground' }],
    },
  ],
  pins: [{ together: ['g1', 'g2'], confirmed: true }, { outcome: { g2: 'wash' } }],
};

type Path = (string | number)[];
const copy = (): unknown => JSON.parse(JSON.stringify(full)) as unknown;
function places(value: unknown, at: Path = []): Path[] {
  if (value === null || typeof value !== 'object') return [at];
  return [
    ...(at.length > 0 ? [at] : []),
    ...Object.entries(value).flatMap(([k, x]) => places(x, [...at, Array.isArray(value) ? Number(k) : k])),
  ];
}
function damaged(
  path: Path,
  change: (holder: Record<string | number, unknown>, key: string | number) => void,
): unknown {
  const document = copy();
  let holder = document as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) holder = holder[key] as Record<string | number, unknown>;
  change(holder, path.at(-1) as string | number);
  return document;
}
const words = (path: Path): string =>
  path.map((k, i) => (typeof k === 'number' ? `[${k}]` : `${i > 0 ? '.' : ''}${k}`)).join('');
/** A problem names the damaged place, what holds it, or something beside it in the same thing (a basin without its shape lacks a volume). */
const names = (problem: string, path: Path): boolean => {
  const holder = words(path.slice(0, -1));
  return (
    words(path).startsWith(problem) || problem.startsWith(words(path)) || (holder !== '' && problem.startsWith(holder))
  );
};

const substitutes: unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  0.5,
  '',
  'nonsense',
  '__proto__',
  [],
  {},
  [[]],
  [null],
  { id: 'x' },
  'x'.repeat(5000),
];

function check(document: unknown, path: Path): 'named' | 'planned' {
  const read = readHamperValue(document);
  if (!read.ok) {
    expect(read.problems.length).toBeGreaterThan(0);
    // An id that others speak of may be reported where it is used.
    const speaksElsewhere =
      path.includes('id') || typeof path.at(-1) === 'number' || ['washers', 'garments'].includes(String(path.at(-1)));
    if (!speaksElsewhere && !read.problems.some((p) => names(p.path, path)))
      expect(read.problems.map((p) => p.path)).toContain(words(path));
    for (const p of read.problems) expect(p.message).not.toMatch(/undefined|\[object|at .*\.ts/);
    return 'named';
  }
  const plan = planHamper(read.value);
  expect(v.safeParse(planSchema, JSON.parse(documentText(plan))).success).toBe(true);
  expect(Number.isFinite(plan.proof.cost)).toBe(true);
  // Every garment is accounted for, once; the loads hold exactly those that are washed.
  const { garments } = read.value.request;
  expect(plan.garments.map((g) => g.id).sort()).toEqual(
    garments
      .filter((g) => g.include)
      .map((g) => g.id)
      .sort(),
  );
  expect(plan.loads.flatMap((l) => l.garments).sort()).toEqual(
    plan.garments
      .filter((g) => g.load !== null)
      .map((g) => g.id)
      .sort(),
  );
  return 'planned';
}

describe('damaged documents', () => {
  const all = places(full);
  test('the undamaged one is planned', () => expect(check(copy(), [])).toBe('planned'));
  test.each(substitutes.map((s, i) => [i, s] as const))('every place replaced, %#', (_, substitute) => {
    const seen = { named: 0, planned: 0 };
    for (const path of all)
      seen[
        check(
          damaged(path, (holder, key) => {
            holder[key] = substitute;
          }),
          path,
        )
      ]++;
    expect(seen.named).toBeGreaterThan(40);
  });
  test('every place taken away', () => {
    const seen = { named: 0, planned: 0 };
    for (const path of all)
      seen[
        check(
          damaged(path, (holder, key) => {
            if (Array.isArray(holder)) holder.splice(Number(key), 1);
            else Reflect.deleteProperty(holder, key);
          }),
          path,
        )
      ]++;
    expect(seen.named).toBeGreaterThan(20);
    expect(seen.planned).toBeGreaterThan(60);
  });
  test('truncated anywhere, the text is refused', () => {
    const text = JSON.stringify(full);
    for (let at = 0; at < text.length; at += 37) {
      const read = readHamper(text.slice(0, at));
      expect(read.ok).toBe(false);
      if (!read.ok) expect(read.problems[0]?.path).toBe('document');
    }
  });
});
