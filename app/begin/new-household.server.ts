/** From the answers of the first form to a household that can plan. */
import { usualBasins, usualPlaces, usualProducts } from '@core/setup/usual-cupboard.ts';
import { loadingOf, usualProgrammes } from '@core/setup/usual-programmes.ts';
import { usualUnits } from '@core/units/choices.ts';
import { convertHardness, stripHardness } from '@core/units/hardness.ts';
import type { HouseholdView } from '@data/household.ts';
import { hardnessAt } from '@stand-ins/water-supplier.ts';
import { isTimeZone } from '@formats/dates.ts';
import type { BeginForm } from './begin-form.ts';

/** mmol/l, or what is wrong with the answer and at which field. */
export function waterOf(f: BeginForm): { mmolPerL: number | null } | { field: string; error: string } {
  if (f.water === 'strip') {
    if (f.strip === undefined) return { field: 'strip', error: 'Strip: say how many fields turned.' };
    return { mmolPerL: stripHardness(Number(f.strip) as 0 | 1 | 2 | 3 | 4) };
  }
  if (f.water === 'place') {
    const found = hardnessAt(f.waterPlace ?? '');
    if (found === null)
      return {
        field: 'waterPlace',
        error: 'Place: the supplier does not know it. Choose another way, or “I do not know”.',
      };
    return { mmolPerL: found };
  }
  if (f.water === 'figure') {
    const c = convertHardness(f.hardness ?? 0, f.hardnessUnit, 'mmol');
    if (!c.ok || c.value > 10)
      return { field: 'hardness', error: 'Hardness: more than 10 mmol/l is not drinking water; check the unit.' };
    return { mmolPerL: Math.round(c.value * 1000) / 1000 };
  }
  return { mmolPerL: null };
}

const usualDrumKg = 7;
export function newHousehold(f: BeginForm, hardnessMmolPerL: number | null): HouseholdView {
  const place = usualPlaces[f.place];
  return {
    name: f.name,
    timeZone: f.timeZone && isTimeZone(f.timeZone) ? f.timeZone : 'UTC',
    nets: { all: 2, withoutMetal: 1 },
    poisonCentre: null,
    children: f.children === 'yes',
    units: usualUnits,
    measures: {},
    document: {
      rules: {},
      daysToNextWash: 3,
      // What was not asked stays unsaid: the format's usual values hold.
      water: hardnessMmolPerL === null ? {} : { hardnessMmolPerL },
      washers:
        f.machine === 'none'
          ? []
          : [
              {
                id: 'washer',
                name: f.machine.startsWith('coin') ? 'Laundry room' : 'Washing machine',
                loading: loadingOf(f.machine),
                pricePerRun: f.pricePerRun ?? 0,
                programmes: usualProgrammes(f.machine, f.drumKg ?? usualDrumKg),
              },
            ],
      dryers:
        f.dryer === 'none' ? [] : [{ id: 'dryer', name: 'Dryer', type: f.dryer, maxLoadKg: 7, lowTemperature: true }],
      dryingPlaces: place ? [place] : [],
      basins: f.basin === 'none' ? [] : [{ ...usualBasins[f.basin] }],
      products: usualProducts
        .filter((p) => f.products.includes(p.id))
        .map((p) => ({ ...p, remaining: null, pricePerUnit: null })),
    },
  };
}
