/** What the stain bench says about its clocks, and about the wash that follows a treatment. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const treatMessages = {
  'treat.wash': ['celsius', 'method'],
  'treat.wash-in-load': ['load', 'name', 'celsius'],
  'treat.no-wash': ['because'],
  'treat.fume-first': [],
  'treat.look': [],
  'treat.clock-runs': ['minutes'],
  'treat.clock-first': ['minutes'],
} as const satisfies MessageTable;
