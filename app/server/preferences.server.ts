/** How the household of this request reads: its units, its way of writing dates, the cap each product is dosed with. */
import { AsyncLocalStorage } from 'node:async_hooks';
import { usualUnits } from '@core/units/choices.ts';
import { readPreferences, type Preferences } from '@data/preferences.ts';
import type { Transaction } from '@data/client.ts';
import { writeDatesFor } from '../shared/zone.ts';

const usual: Preferences = { units: usualUnits, measures: {} };
const store = new AsyncLocalStorage<Preferences>();

/** Those of this request; the usual ones outside of any. */
export const preferences = (): Preferences => store.getStore() ?? usual;
writeDatesFor(() => preferences().units.locale);

/** Do something as a household with these preferences reads. */
export const readingAs = <T>(known: Preferences, work: () => Promise<T>): Promise<T> => store.run(known, work);
/** Do something as this household reads. */
export async function asTheyRead<T>(tx: Transaction, work: () => Promise<T>): Promise<T> {
  return store.run(await readPreferences(tx), work);
}
