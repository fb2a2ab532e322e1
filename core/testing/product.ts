import type { Product } from '../model/household.ts';

/** A pack of colour liquid without a table, changed as a test needs it. */
export const product = (change: Partial<Product> = {}): Product => ({
  id: 'p',
  name: 'p',
  class: 'colour',
  form: 'liquid',
  dose: null,
  remaining: null,
  pricePerUnit: null,
  ...change,
});
