/**
 * Ten wash days of the demo household and its neighbours: what a timetable is measured on. Published: their hampers are made here from seeds and nothing else.
 */
import type { HamperDocument } from '@formats/hamper.ts';
import { basketOfSize } from './baskets.ts';

export interface TestDay {
  name: string;
  hamper: HamperDocument;
}
type Household = HamperDocument['household'];
type Times = NonNullable<Household['times']>;

/** Doors open and a window tilted: what hangs does not dampen the rest much. */
const airy = { volumeM3: 150, airChangesPerHour: 3, temperatureC: 21, relativeHumidity: 0.45, airSpeedMPerS: 0.2 };
const rack = {
  id: 'rack',
  name: 'Rack',
  bars: 40,
  barLengthM: 0.9,
  flatM2: 4,
  hangers: 20,
  outdoors: false,
  sun: false,
};

/** Thick knits dry for days, whatever the order of the rest: they would hide what a timetable does. */
const longest: readonly string[] = [
  'jumper_fine',
  'jumper_mid',
  'jumper_chunky',
  'cardigan',
  'sock_handknit_pair',
  'hat_knit',
];
/** A basket of the demo household, with other hours, rules and rooms; nothing of it has a date unless the day says so. */
function day(
  name: string,
  size: number,
  seed: number,
  change: Partial<Household>,
  { washers = 1, neededBy = null, times = {} }: { washers?: number; neededBy?: string | null; times?: Times } = {},
): TestDay {
  const hamper = basketOfSize(size, seed, washers);
  return {
    name,
    hamper: {
      ...hamper,
      garments: hamper.garments.filter((g) => !longest.includes(g.kind)).map((g) => ({ ...g, neededBy })),
      household: {
        ...hamper.household,
        room: airy,
        dryers: [],
        dryingPlaces: [rack],
        times: { people: 1, ...times },
        ...change,
        rules: { ...hamper.household.rules, waiting: 'none', ...change.rules },
      },
    },
  };
}
const slot = (washer: string, from: string, to: string) => ({
  washer,
  from: `2026-05-09T${from}:00+02:00`,
  to: `2026-05-09T${to}:00+02:00`,
});
const night: [string, string][] = [['22:00', '07:00']];

export const testDays = (): TestDay[] => {
  const machines = basketOfSize(1).household.washers ?? [];
  const [first] = machines;
  return [
    day('six loads, one machine', 28, 9, {}),
    day(
      'quiet nights, out at noon',
      24,
      5,
      {},
      {
        times: {
          quietHours: night,
          away: [['2026-05-09T12:00:00+02:00', '2026-05-09T14:00:00+02:00']],
        },
      },
    ),
    day(
      'a laundry room with three machines',
      34,
      7,
      {},
      {
        washers: 3,
        times: {
          slots: [first?.id ?? '', `${first?.id}-2`, `${first?.id}-3`].map((id) => slot(id, '09:00', '15:00')),
        },
      },
    ),
    day('a tub and nothing else', 8, 11, { washers: [] }),
    day('cheap current at night', 24, 13, {
      rules: { priority: 'thrifty' },
      tariff: { electricityPerKwh: 0.34, cheapHours: [['22:00', '06:00']], cheapPerKwh: 0.18 },
    }),
    day(
      'everything needed tomorrow evening',
      26,
      17,
      {},
      {
        neededBy: '2026-05-10T18:00:00+02:00',
        times: { quietHours: night },
      },
    ),
    day('a rack that is too small', 24, 19, { dryingPlaces: [{ ...rack, bars: 8, flatM2: 0.6, hangers: 3 }] }),
    day(
      'three flatmates and a dryer',
      34,
      23,
      {
        rules: { tumble: 'when-allowed' },
        dryers: [{ id: 'dryer', name: 'Dryer', type: 'heat-pump', maxLoadKg: 7, lowTemperature: true }],
      },
      { times: { quietHours: night, people: 3 } },
    ),
    day(
      'a line in the yard',
      16,
      29,
      {
        dryingPlaces: [
          { ...rack, bars: 10 },
          { id: 'yard', name: 'Yard', bars: 6, barLengthM: 4, flatM2: 0, hangers: 0, outdoors: true, sun: true },
        ],
      },
      { times: { quietHours: night } },
    ),
    day('a small day', 8, 31, {}, { times: { quietHours: night } }),
  ];
};
