/** What agents, and answers about them, say: why a cloth does not bear one, what forms when two meet. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const chemistryMessages = {
  'chem.never': ['column', 'never'],
  'chem.never-fibre': ['fibre', 'never'],
  'chem.never-finish': ['finish'],
  'chem.film': [],
  'chem.label-no-bleach': [],
  'chem.chlorine-label': [],
  'chem.only-undyed': [],
  'chem.dye-runs': [],
  'chem.test-failed': [],
  'chem.condition': ['condition'],
  'chem.agent-condition': ['agent', 'condition'],
  'chem.no-chlorine-beside': [],
  'chem.no-bleach-beside-iron': [],
  'ask.never-used': ['agent'],
  'ask.test-first': [],
  'ask.strength': ['agent'],
  'ask.fresh-bath': [],
  'ask.mix': ['mix'],
  'ask.pair': ['pair'],
  'ask.forms': ['hazard'],
  'soap.hardness-unknown': [],
  'soap.too-hard': [],
  'soap.too-much': [],
} as const satisfies MessageTable;
