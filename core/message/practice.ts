/** What practice has to say about a round. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const practiceMessages = {
  'practice.no-net': [],
  'practice.open-zip': ['other'],
  'practice.mark': ['stain'],
  'practice.heap': [],
  'practice.mixed': ['use', 'otherUse'],
  'practice.more-runs': ['count', 'total'],
  'practice.fewer-runs': ['count', 'total'],
} as const satisfies MessageTable;
