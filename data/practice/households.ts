/** Where practice takes place: the flat above the bakery with a fuller cupboard, and three poorer places. Made up. */
import { demoHousehold } from '../demo/household.ts';
import type { HouseholdDocument } from '../../formats/hamper-schema.ts';

/** The window stands open: it is July. */
const flat: HouseholdDocument = {
  ...demoHousehold.document,
  room: { ...demoHousehold.document.room, airChangesPerHour: 4, temperatureC: 24, airSpeedMPerS: 0.5 },
};
const product = (id: string, name: string, cls: string, form: 'liquid' | 'powder') => ({
  id,
  name,
  class: cls,
  form,
  dose: null,
  remaining: 500,
  pricePerUnit: 0.005,
});
/** What a learner may reach for, the wrong thing too. */
const furtherProducts = [
  product('chlorine', 'Chlorine bleach', 'chlorine-bleach', 'liquid'),
  product('vinegar', 'White vinegar', 'vinegar', 'liquid'),
  product('softener', 'Fabric softener', 'softener', 'liquid'),
  product('alcohol', 'Rubbing alcohol', 'isopropyl-alcohol', 'liquid'),
  product('enzyme', 'Enzyme spotter', 'enzyme-prespotter', 'liquid'),
  product('ox-gall', 'Ox gall soap', 'ox-gall-soap', 'liquid'),
  product('petrol', 'Stain petrol', 'solvent-spotter', 'liquid'),
  product('citric', 'Citric acid', 'citric-acid', 'powder'),
] as NonNullable<HouseholdDocument['products']>;

const known = new Set((flat.products ?? []).map((p) => p.class));
const products = [...(flat.products ?? []), ...furtherProducts.filter((p) => !known.has(p.class))];

const [kitchen] = flat.washers ?? [];
const cottons = kitchen?.programmes.find((p) => p.family === 'cotton');
const rack = flat.dryingPlaces?.find((d) => d.id === 'rack');

export const practiceHouseholds = {
  flat: { ...flat, products },
  /** A coin machine with one programme, a hot dryer, no rack to speak of. */
  'laundry-room': {
    ...flat,
    products,
    washers: [
      {
        id: 'coin',
        name: 'Coin machine',
        loading: 'front',
        pricePerRun: 3,
        programmes: cottons
          ? [{ ...cottons, id: 'mixed', name: 'Mixed 45 min', temperaturesC: [30, 40, 60], durationMin: 45 }]
          : [],
      },
    ],
    dryers: [{ id: 'dryer', name: 'Coin dryer', type: 'vented', maxLoadKg: 8, lowTemperature: false }],
  },
  /** A tub and a line, and nothing that turns. */
  tub: { ...flat, products, washers: [], dryers: [] },
  /** The machine, and a rack of four bars. */
  'small-rack': {
    ...flat,
    products,
    dryers: [],
    dryingPlaces: rack
      ? [{ ...rack, id: 'rack', name: 'Small rack', bars: 8, barLengthM: 0.5, flatM2: 0.8, hangers: 2 }]
      : [],
  },
} as const satisfies Record<string, HouseholdDocument>;
export type PracticePlace = keyof typeof practiceHouseholds;
