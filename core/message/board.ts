/** What a hand-made decision meets: refusals, confirmations, broken rules. */
import type { MessageTable } from './params.ts';

// prettier-ignore
export const boardMessages = {
  'board.broken': ['violation'],
  'board.nothing-washes-both': [],
  'board.against-hand': [],
  'board.no-basin': [],
  'board.not-at-this-setting': [],
  'pin.should-not-wait': ['name'],
  'pin.never-in-water': ['name'],
  'pin.closed': ['name', 'because'],
  'pin.nothing-may-wash': ['name'],
  'pin.no-basin-takes-it': ['name'],
  'pin.stay-apart': ['names', 'violations'],
  'pin.needs-confirmation': ['names', 'violations'],
  'pin.fits-nothing': ['names', 'violations'],
  'push.not-in-water': [],
  'push.celsius': ['bearsCelsius', 'because'],
  'push.action': ['action', 'because'],
  'push.spin': ['rpm', 'because'],
  'push.tumble': ['tumble', 'because'],
  'push.detergent': ['because'],
} as const satisfies MessageTable;
