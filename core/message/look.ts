/** What follows from the last look at a load. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const lookMessages = {
  'look.catcher-strong': [],
  'look.catcher-trace': [],
  'look.tinted': [],
  'look.mark-lighter': [],
  'look.mark-same': [],
  'look.not-clean': [],
  'look.residue': ['count'],
  'look.smells': [],
  'look.damaged': [],
  'look.size': [],
  'look.faded': ['celsius'],
} as const satisfies MessageTable;
