/** Urgent things: what to do in the first minutes, before any procedure. */
import type { StainKind } from './stains.ts';

export interface Rescue {
  title: string;
  kind: StainKind;
  now: readonly string[];
  never: readonly string[];
  /** It is isolated from other laundry. */ apart: boolean;
}
export const rescues = {
  'dye-transfer': {
    title: 'Colour has run onto other pieces',
    kind: 'dye-bleed',
    apart: true,
    now: [
      'Keep everything wet and cold; take the piece that ran out of the others.',
      'Rinse the tinted pieces in cold water until it stays clear.',
      'Do not let them dry while you decide.',
    ],
    never: [
      'Never the dryer, the iron or a radiator: heat fixes it.',
      'No vinegar on wool, silk or nylon: acid binds dye there.',
    ],
  },
  wax: {
    title: 'Candle wax',
    kind: 'wax',
    apart: false,
    now: ['Let it set; put ice or the freezer on it.', 'Lift it with a blunt edge when it is brittle.'],
    never: ['No hot water in the drum: wax spreads and clogs it.', 'No iron on pile, print or synthetics.'],
  },
  gum: {
    title: 'Chewing gum',
    kind: 'gum',
    apart: false,
    now: ['Freeze it in a bag until it breaks.'],
    never: ['Do not pull: it takes the yarn along.'],
  },
  rust: {
    title: 'Rust',
    kind: 'rust',
    apart: false,
    now: ['Keep it away from every bleach and every bleaching detergent.'],
    never: ['Bleach and iron eat holes.'],
  },
  mildew: {
    title: 'Mildew, black specks, a musty smell',
    kind: 'mildew',
    apart: true,
    now: [
      'Outdoors, with a mask and gloves: brush off the dry spores.',
      'Keep it apart from other laundry; wash it soon.',
    ],
    never: ['Never put it away damp.', 'With asthma or a weak immunity let someone else do it.'],
  },
  fuel: {
    title: 'Fuel, petrol or solvent on clothes',
    kind: 'fuel-diesel',
    apart: true,
    now: [
      'Take it off outdoors; wash your skin with soap and water.',
      'Hang it outdoors, away from flame, engines and the house, until no smell is left.',
      'Wash it by itself; then run the machine once empty.',
    ],
    never: [
      'Never the dryer, never an iron, never near a flame.',
      'Soaked cloth is not washed: ask your waste service or fire service.',
    ],
  },
  protein: {
    title: 'Blood, egg or milk, still wet',
    kind: 'blood-fresh',
    apart: false,
    now: ['Cold water through the back, at once.'],
    never: ['No warm water: it sets within minutes.'],
  },
} as const satisfies Record<string, Rescue>;
export type RescueId = keyof typeof rescues;
