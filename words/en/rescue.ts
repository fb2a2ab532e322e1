/** Urgent things in words: what to do in the first minutes, and what never. */
import type { RescueId } from '@core/stain/rescue.ts';

export const rescueWords: Record<RescueId, { title: string; now: readonly string[]; never: readonly string[] }> = {
  'dye-transfer': {
    title: 'Colour has run onto other pieces',
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
    now: ['Let it set; put ice or the freezer on it.', 'Lift it with a blunt edge when it is brittle.'],
    never: ['No hot water in the drum: wax spreads and clogs it.', 'No iron on pile, print or synthetics.'],
  },
  gum: {
    title: 'Chewing gum',
    now: ['Freeze it in a bag until it breaks.'],
    never: ['Do not pull: it takes the yarn along.'],
  },
  rust: {
    title: 'Rust',
    now: ['Keep it away from every bleach and every bleaching detergent.'],
    never: ['Bleach and iron eat holes.'],
  },
  mildew: {
    title: 'Mildew, black specks, a musty smell',
    now: [
      'Outdoors, with a mask and gloves: brush off the dry spores.',
      'Keep it apart from other laundry; wash it soon.',
    ],
    never: ['Never put it away damp.', 'With asthma or a weak immunity let someone else do it.'],
  },
  fuel: {
    title: 'Fuel, petrol or solvent on clothes',
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
    now: ['Cold water through the back, at once.'],
    never: ['No warm water: it sets within minutes.'],
  },
};
