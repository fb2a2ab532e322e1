/** The demo household: a flat above a bakery on a quay. Everything here is made up. */
import type { HouseholdView } from '../household.ts';

const spins = { full: [0, 400, 600, 800, 1000, 1200, 1400], easy: [0, 400, 600, 800, 1000, 1200], gentle: [0, 400, 600], wool: [400, 600, 800] };
type Row = readonly [light: number, normal: number, heavy: number];
const table = (soft: Row, medium: Row, hard: Row) => {
  const row = ([light, normal, heavy]: Row) => ({ light, normal, heavy });
  return { soft: row(soft), medium: row(medium), hard: row(hard) };
};

export const demoHousehold: HouseholdView = {
  name: 'The flat above the bakery', timeZone: 'Europe/Amsterdam', nets: { all: 5, withoutMetal: 2 }, poisonCentre: null, children: false,
  document: {
    rules: { colourPiles: 'bleed-risk', handLabel: 'machine-hand', wool: 'machine', woolCompany: 'delicates', dryCleanOnly: 'obey', whites: 'oxygen', softening: 'none', tumble: 'towels', denim: 'cold', tshirtDrying: 'bars', shirtAim: 'normal', dosing: 'pack', reuseBath: false, skin: 'normal', priority: 'balanced' },
    daysToNextWash: 3, water: { hardnessMmolPerL: 2.3, coldC: 12, hotC: 55 }, tariff: { currency: 'EUR', electricityPerKwh: 0.3, waterPerM3: 4.5 },
    room: { volumeM3: 42, airChangesPerHour: 0.8, temperatureC: 20, relativeHumidity: 0.52, airSpeedMPerS: 0.15 },
    washers: [{
      id: 'kitchen', name: 'Kitchen machine', loading: 'front', drumRadiusM: 0.24, drumVolumeL: 58, pricePerRun: 0,
      programmes: [
        { id: 'cottons', name: 'Cottons', family: 'cotton', action: 'normal', temperaturesC: [20, 30, 40, 60, 90], spinsRpm: spins.full, maxLoadKg: 8, durationMin: 149, waterL: 62, energyKwhAt: { '40': 0.82, '60': 1.25 } },
        { id: 'easy-care', name: 'Easy care', family: 'synthetics', action: 'mild', temperaturesC: [20, 30, 40, 60], spinsRpm: spins.easy, maxLoadKg: 4, durationMin: 88, waterL: 52, energyKwhAt: { '30': 0.38, '40': 0.55 } },
        { id: 'delicates', name: 'Delicates', family: 'delicate', action: 'very-mild', temperaturesC: [20, 30, 40], spinsRpm: spins.gentle, maxLoadKg: 2.5, durationMin: 52, waterL: 58, energyKwhAt: { '30': 0.32 } },
        { id: 'wool', name: 'Wool', family: 'wool', action: 'very-mild', temperaturesC: [20, 30, 40], spinsRpm: spins.wool, maxLoadKg: 2, durationMin: 41, waterL: 45, energyKwhAt: { '30': 0.24 } },
        { id: 'hand-wash', name: 'Hand wash', family: 'hand-wash', action: 'hand', temperaturesC: [20, 30], spinsRpm: [0, 400], maxLoadKg: 1.5, durationMin: 45, waterL: 48, energyKwhAt: { '30': 0.22 } },
        { id: 'shirts', name: 'Shirts', family: 'shirts', action: 'mild', temperaturesC: [30, 40, 60], spinsRpm: spins.gentle, maxLoadKg: 2, durationMin: 65, waterL: 46, energyKwhAt: { '40': 0.44 } },
        { id: 'denim', name: 'Denim', family: 'denim', action: 'mild', temperaturesC: [20, 30, 40, 60], spinsRpm: [0, 600, 800, 1000], maxLoadKg: 3.5, durationMin: 95, waterL: 55, energyKwhAt: { '30': 0.4, '40': 0.6 } },
        { id: 'sports', name: 'Sports', family: 'sports', action: 'mild', temperaturesC: [20, 30, 40], spinsRpm: [0, 400, 600, 800], maxLoadKg: 3, durationMin: 70, waterL: 45, energyKwhAt: { '30': 0.33, '40': 0.5 } },
        { id: 'quick', name: 'Quick 34', family: 'quick', action: 'normal', temperaturesC: [20, 30], spinsRpm: [0, 800, 1000, 1200], maxLoadKg: 3.5, durationMin: 34, waterL: 32, energyKwhAt: { '30': 0.28 } },
        { id: 'hygiene', name: 'Hygiene 60', family: 'hygiene', action: 'normal', temperaturesC: [60, 90], spinsRpm: spins.full, maxLoadKg: 6, durationMin: 175, waterL: 72, energyKwhAt: { '60': 1.4, '90': 2.2 } },
        { id: 'rinse', name: 'Rinse and spin', family: 'rinse-spin', action: 'mild', temperaturesC: [20], spinsRpm: spins.full, maxLoadKg: 8, durationMin: 25, waterL: 20, energyKwhAt: null },
      ],
    }],
    dryers: [{ id: 'dryer', name: 'Landing dryer', type: 'heat-pump', maxLoadKg: 7, lowTemperature: true }],
    dryingPlaces: [
      { id: 'rack', name: 'Rack by the window', bars: 20, barLengthM: 0.9, flatM2: 1.4, hangers: 8, outdoors: false, sun: false },
      { id: 'balcony', name: 'Balcony line', bars: 6, barLengthM: 2.4, flatM2: 0, hangers: 6, outdoors: true, sun: true },
    ],
    basins: [
      { id: 'tub', name: 'Kitchen tub', shape: 'rectangular', lengthCm: 52, widthCm: 38, depthCm: 24 },
      { id: 'bucket', name: 'Bucket', shape: 'tapered', topDiameterCm: 30, bottomDiameterCm: 22, depthCm: 27 },
    ],
    products: [
      { id: 'universal-powder', name: 'Universal powder', class: 'universal', form: 'powder', dose: { unit: 'g', perLoadKg: 4.5, table: table([45, 65, 90], [60, 80, 110], [75, 95, 130]), handPerLitre: 6 }, remaining: 1800, pricePerUnit: 0.0035 },
      { id: 'colour-liquid', name: 'Colour liquid', class: 'colour', form: 'liquid', dose: { unit: 'ml', perLoadKg: 4.5, table: table([35, 50, 75], [50, 65, 90], [65, 80, 105]), handPerLitre: 4 }, remaining: 920, pricePerUnit: 0.004 },
      { id: 'dark-liquid', name: 'Dark liquid', class: 'dark', form: 'liquid', dose: { unit: 'ml', perLoadKg: 4.5, table: table([40, 55, 80], [55, 70, 95], [70, 85, 110]), handPerLitre: 4 }, remaining: 610, pricePerUnit: 0.0045 },
      { id: 'delicate-liquid', name: 'Delicates liquid', class: 'delicate', form: 'liquid', dose: { unit: 'ml', perLoadKg: 2.5, table: table([25, 35, 50], [35, 45, 60], [45, 55, 70]), handPerLitre: 3 }, remaining: 480, pricePerUnit: 0.006 },
      { id: 'wool-liquid', name: 'Wool and silk liquid', class: 'wool-silk', form: 'liquid', dose: { unit: 'ml', perLoadKg: 2, table: table([25, 30, 40], [30, 35, 45], [35, 40, 50]), handPerLitre: 3 }, remaining: 390, pricePerUnit: 0.007 },
      { id: 'no-rinse', name: 'No-rinse wool wash', class: 'no-rinse-wool', form: 'liquid', dose: { unit: 'ml', perLoadKg: 2, table: null, handPerLitre: 1.25 }, remaining: 150, pricePerUnit: 0.02 },
      { id: 'catchers', name: 'Colour catcher sheets', class: 'colour-catcher', form: 'sheet', dose: { unit: 'sheet', perLoadKg: 4.5, table: null, handPerLitre: null }, remaining: 14, pricePerUnit: 0.15 },
      { id: 'oxygen', name: 'Oxygen bleach powder', class: 'oxygen-bleach', form: 'powder', dose: { unit: 'g', perLoadKg: 4.5, table: table([30, 45, 60], [30, 45, 60], [30, 45, 60]), handPerLitre: 8 }, remaining: 700, pricePerUnit: 0.006 },
      { id: 'dish', name: 'Dish soap', class: 'dish-soap', form: 'liquid', dose: null, remaining: 400, pricePerUnit: null },
      { id: 'vinegar', name: 'White vinegar', class: 'vinegar', form: 'liquid', dose: null, remaining: 900, pricePerUnit: null },
    ],
  },
};
