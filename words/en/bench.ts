/** The test and stain benches in words: clues to a mark, steps of a grey scale. */
import type { Clues } from '@core/stain/identify.ts';

export const clueWords = {
  look: {
    brown: 'Brown',
    'red-purple': 'Red or purple',
    yellow: 'Yellow',
    green: 'Green',
    'grey-black': 'Grey or black',
    white: 'White',
    blue: 'Blue',
    orange: 'Orange',
    'clear-ring': 'Clear, with a rim',
  },
  feel: {
    nothing: 'Like the cloth',
    greasy: 'Greasy',
    stiff: 'Stiff',
    sticky: 'Sticky',
    crust: 'A crust',
    powdery: 'Powdery',
  },
  smell: { nothing: 'Nothing', sour: 'Sour', fuel: 'Fuel or solvent', musty: 'Musty', sweat: 'Sweat', sweet: 'Sweet' },
  source: {
    kitchen: 'Kitchen or table',
    body: 'The body',
    garden: 'Garden or street',
    workshop: 'Workshop or bicycle',
    desk: 'Desk or craft',
    bathroom: 'Bathroom',
    wash: 'The wash or the cupboard',
    unknown: 'No idea',
  },
} as const satisfies { [K in keyof Required<Clues>]: Record<NonNullable<Clues[K]>, string> };

/** Staining, by grade. */
export const gradeWords: Record<number, string> = {
  5: 'none',
  4.5: 'barely',
  4: 'slight',
  3.5: 'noticeable',
  3: 'clear',
  2.5: 'marked',
  2: 'strong',
  1.5: 'very strong',
  1: 'severe',
};
