/** The stain bench: its clocks, and the wash after a treatment. */
import type { treatMessages } from '@core/message/treat.ts';
import type { ActionId, CheckId } from '@core/stain/actions.ts';

// prettier-ignore
export const treatWords: Record<keyof typeof treatMessages, string> = {
  'treat.wash': 'Wash it {method, select, hand {by hand, } other {}}at {celsius} °C at most.',
  'treat.wash-in-load': 'It is in load {load}, {name}: wash it there, at {celsius} °C.',
  'treat.no-wash': 'It is not washed at home: {because}. What was used is rinsed out as the steps say.',
  'treat.fume-first': 'Not before no smell of solvent is left.',
  'treat.look': 'Dry it in the air, no dryer and no iron; look at it dry, in daylight, from both sides.',
  'treat.clock-runs': 'Its clock has {minutes, plural, one {# minute} other {# minutes}} left: look at it then. If the cloth suffers before, answer No at once.',
  'treat.clock-first': 'It needs {minutes, plural, one {# minute} other {# minutes}}: start its clock when it is on.',
};

/** A step's heading: what to do, with what. */
export const stepTitles: Record<ActionId, (what: string) => string> = {
  scrape: (what) => `Scrape it off with a ${what}`,
  lift: (what) => `Lift it with ${what}`,
  blot: (what) => `Blot it with ${what}`,
  'rub-dry-cloth': (what) => `Stroke it with ${what}`,
  'cover-absorb': (what) => `Cover it with ${what}`,
  'brush-dry': (what) => `Brush it dry with a ${what}`,
  freeze: (what) => `Freeze it with a ${what}`,
  dab: (what) => `Dab ${what} on`,
  'dab-on-pad': (what) => `Dab it out with ${what}, face down on a pad`,
  'flush-back': (what) => `Flush it from the back with ${what}`,
  'work-fingers': (what) => `Work in ${what} with a fingertip`,
  'work-soft-brush': (what) => `Work in ${what} with a soft brush`,
  'spray-rest': (what) => `Wet it through with ${what} and leave it`,
  'paste-rest': (what) => `Spread ${what} on and leave it`,
  soak: (what) => `Soak it in ${what}`,
  'rinse-bath': (what) => `Rinse it in ${what}`,
  'iron-through-paper': (what) => `Draw it out with iron and ${what}`,
  'air-out': () => 'Air it until no smell is left',
  'sun-dry': () => 'Lay it damp in the sun',
  'mist-even': (what) => `Mist the whole panel with ${what}`,
};
export const testTitle = (what: string): string => `Test ${what} on a hidden place`;
export const testHow =
  'One drop on an inner seam, 5 minutes, then a white cloth pressed on it for 10 seconds; it must stay white.';
/** What is asked after a step; Yes is always the good answer. */
export const checkQuestions: Record<CheckId | 'hidden-test', string> = {
  'hidden-test': 'Is the white cloth still white?',
  solid: 'Is all of it off that lifts or flakes?',
  transfer: 'Does a white pad stay clean on it for 10 seconds?',
  'garment-dye': 'Is the pad free of the colour of the piece?',
  'gone-wet': 'Is the mark gone, looked at wet?',
  'gone-dry': 'Dried in the air for 12 to 24 hours: is it gone in daylight, from both sides?',
  residue: 'Does it feel clean, and does the rinse run clear?',
  odour: 'Does it smell fresh, damp and dry?',
  fume: 'Is every smell of solvent or fuel gone, 10 cm from it?',
  'fibre-sound': 'Is the cloth sound: no loss, no gloss, nothing melted?',
};
