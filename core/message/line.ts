/** What a typed line left out, and what in it does not add up. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const lineMessages = {
  'line.kind': [],
  'line.size': [],
  'line.size-number': ['name'],
  'line.colour': [],
  'line.denim-blue': [],
  'line.second-colour': [],
  'line.fibre': ['fibre', 'kind'],
  'line.fibre-unknown': [],
  'line.shares-filled': ['percent', 'fibre'],
  'line.shares-even': ['count'],
  'line.shares-over': ['percent'],
  'line.unknown-fibre': ['name', 'percent'],
  'line.sum': ['role', 'percent', 'shares'],
  'line.no-label': [],
  'line.label-gone': [],
} as const satisfies MessageTable;
