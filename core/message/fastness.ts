/** The colourfastness test: why it is due, where it is made, and how. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const fastnessMessages = {
  'test.heirloom': [],
  'test.label-no-water': [],
  'test.bled-strongly': [],
  'test.red': [],
  'test.red-once': [],
  'test.strong-colour': [],
  'test.contrast': [],
  'test.no-label': [],
  'test.bled': [],
  'test.where-detachable': [],
  'test.where-seam': [],
  'test.how-agent': [],
  'test.how-water': [],
  'test.how-water-undyed': [],
  'test.how-detergent': [],
  'test.how-part': [],
} as const satisfies MessageTable;
