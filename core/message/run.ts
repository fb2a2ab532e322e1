/** What is said at a machine that runs, or has stopped, and about its care. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const runMessages = {
  'run.stay': ['place'],
  'run.stay-coins': ['place', 'cost'],
  'run.learnt': ['minutes', 'count', 'total'],
  'run.dose-less': ['product', 'percent'],
  'trouble.error-panel': [],
  'trouble.error-supply': [],
  'trouble.error-drain': [],
  'trouble.error-again': [],
  'trouble.opened-hot': ['celsius'],
  'trouble.opened-water': [],
  'trouble.opened-goes-on': [],
  'trouble.wet-hours': ['hours'],
} as const satisfies MessageTable;
