/** Urgent things: what to do in the first minutes, before any procedure. */
import type { StainKind } from './stains.ts';

export interface Rescue {
  kind: StainKind;
  /** It is isolated from other laundry. */ apart: boolean;
}
export const rescues = {
  'dye-transfer': {
    kind: 'dye-bleed',
    apart: true,
  },
  wax: {
    kind: 'wax',
    apart: false,
  },
  gum: {
    kind: 'gum',
    apart: false,
  },
  rust: {
    kind: 'rust',
    apart: false,
  },
  mildew: {
    kind: 'mildew',
    apart: true,
  },
  fuel: {
    kind: 'fuel-diesel',
    apart: true,
  },
  protein: {
    kind: 'blood-fresh',
    apart: false,
  },
} as const satisfies Record<string, Rescue>;
export type RescueId = keyof typeof rescues;
