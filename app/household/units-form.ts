/** Units, money, time zone and the way dates are written. */
import * as v from 'valibot';
import { hardnessUnits } from '@core/units/hardness.ts';
import { isTimeZone } from '@formats/dates.ts';
import type { HouseholdView } from '@data/household.ts';

export const currencies = [
  'EUR',
  'GBP',
  'USD',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'CAD',
  'AUD',
  'NZD',
  'JPY',
  'INR',
  'ZAR',
  'BRL',
  'MXN',
] as const;
export const locales = ['en-GB', 'en-US', 'en-IE', 'en-AU', 'en-CA', 'en-IN'] as const;

export const unitsSchema = v.object({
  temperature: v.picklist(['C', 'F'] as const, 'Temperature: choose one of the shown.'),
  mass: v.picklist(['kg', 'lb'] as const, 'Weight: choose one of the shown.'),
  volume: v.picklist(['ml', 'floz', 'tbsp'] as const, 'Liquids: choose one of the shown.'),
  length: v.picklist(['cm', 'in'] as const, 'Length: choose one of the shown.'),
  hardness: v.picklist(hardnessUnits, 'Hardness: choose one of the shown.'),
  locale: v.picklist(locales, 'Dates and numbers: choose one of the shown.'),
  currency: v.picklist(currencies, 'Money: choose one of the shown.'),
  timeZone: v.pipe(
    v.string('Time zone: give it, like Europe/Amsterdam.'),
    v.trim(),
    v.check((z: string) => z !== '' && isTimeZone(z), 'Time zone: it is not known; give it like Europe/Amsterdam.'),
  ),
});
export const shownUnits = (view: HouseholdView): Record<string, string> => ({
  ...view.units,
  currency: view.document.tariff?.currency ?? 'EUR',
  timeZone: view.timeZone,
});
