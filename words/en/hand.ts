/** A wash by hand: short sentences for wet hands. */
import type { handMessages } from '@core/message/hand.ts';
import type { HandCheck, HandStepKind } from '@core/run/hand-walk.ts';

// prettier-ignore
export const handWords: Record<keyof typeof handMessages, string> = {
  'hand.brush': 'Brush collars, cuffs and underarms softly with a little {product}, and let it work: {names}.',
  'hand.presoak': 'Press them under in plain cold water and leave them: wool that is wet through before it is washed shrinks less. {names}.',
  'hand.same-bath': 'Look at the water of load {load}: is it still free of colour?',
  'hand.fill': 'Run {hotL} l hot and {coldL} l cold water into {place}: {celsius} °C.',
  'hand.fill-cold': 'Run {litres} l cold water into {place}.',
  'hand.fill-kettle': 'The tap alone stays below {celsius} °C: pour {kettleL} l from the kettle to {hotL, plural, =0 {{coldL} l cold} other {{hotL} l hot}} water in {place}, and stir before any cloth goes in. Mind the steam.',
  'hand.fill-line': '{litres} l stand {cm} cm high; the cloth pushes the water up by {displacedL} l.',
  'hand.dissolve': '{amount} {unit} {product} into the water. Stir with your hand until nothing of it is left to see.',
  'hand.put-in': '{count, plural, one {Press it under} other {One piece after the other: press each under}} until no air comes up.',
  'hand.soak': 'Leave {minutes, plural, one {it # minute} other {everything # minutes}} in the water.',
  'hand.look': 'Half-way: look at the marks. Gone? Leave them alone. Still there? They have as long again. {names}.',
  'hand.move-plunge': 'Plunge and squeeze, {times} times.',
  'hand.move-squeeze': 'Squeeze the suds through with flat hands, {times} times.',
  'hand.move-press': 'Press down and let it come up again, {times} times.',
  'hand.move-swish': 'Draw it softly through the water, {times} times.',
  'hand.no-rubbing': 'No rubbing, no wringing, nothing lifted by the shoulders.',
  'hand.drain': 'Let the water out and press what stays against the side.',
  'hand.drain-first': 'It is too heavy to be lifted full: the water goes first.',
  'hand.lift-supported': 'Lift on both arms: {names}.',
  'hand.lift-out': 'Lift the pieces out on both hands, press them over the water, and leave the bath in: load {load} comes next.',
  'hand.rinse': 'Rinse {count} of {total}: fresh water, {celsius} °C as before. Press it through, then let it out.',
  'hand.vinegar': 'Against the smell: {amount} {unit} {product} into a last cold rinse, two minutes, then let it out. {names}.',
  'hand.press': 'Press the water out against the side.',
  'hand.spin': 'Heavy with water: spin alone, {programme} on {place}, {rpm} rpm. {names}.',
  'hand.roll': 'Lay each piece flat on a dry towel, roll both up and press with your hands.',
  'hand.roll-standing': 'Lay each piece flat on a dry towel, roll both up and stand on the roll.',
  'hand.roll-again': 'Once more in another dry towel, where it still drips.',
  'hand.forgot': 'Longer than it should be. Go on now; look at the colours in good light, and rinse once more.',
  'hand.forgot-dye': 'This colour is not trusted in the water: take it out now, rinse it cold until the water stays clear, and look at everything that lay beside it.',
  'hand.forgot-no-rinse': 'Half an hour more does no harm in this product: go on as if nothing had been. After two hours let it out and press well.',
  'hand.forgot-silk': 'Silk does not stand long in water: take it out now, rinse it at the same temperature, and dry it in the shade.',
  'hand.forgot-wool': 'Take it out now, without moving it more than you must; rinse at the same temperature. Wool that lay still is seldom harmed within the hour.',
  'hand.first-step': 'This is the first step.',
  'hand.ended': 'All steps are done.',
  'hand.no-clock': 'This step has no clock.',
  'hand.not-skipped': 'This step is not left out.',
  'hand.look-first': 'Look at the water first, and say what you see.',
  'hand.nothing-to-look': 'There is nothing to look at in this step.',
  'hand.clock-first': 'It needs {minutes, plural, one {# minute} other {# minutes}}: start its clock when it is in.',
  'hand.clock-runs': 'Its clock has {minutes, plural, one {# minute} other {# minutes}} left.',
};

/** A step's heading. */
export const handTitles: Record<HandStepKind, string> = {
  brush: 'Collars and cuffs first',
  presoak: 'Cold presoak',
  'same-bath': 'The bath that is there',
  fill: 'Fill',
  dissolve: 'Dissolve',
  'put-in': 'Put in',
  soak: 'Soak',
  look: 'Look at the marks',
  move: 'Move',
  drain: 'Drain',
  'lift-out': 'Lift out',
  rinse: 'Rinse',
  vinegar: 'Vinegar rinse',
  press: 'Press',
  roll: 'Towel roll',
  spin: 'Spin alone',
};
/** What is asked, and the two answers, the good one first. */
export const handQuestions: Record<HandCheck, { question: string; clear: string; cloudy: string }> = {
  'rinse-clear': {
    question: 'Does the water run clear, without suds?',
    clear: 'Clear',
    cloudy: 'Not yet: once more',
  },
  'bath-clear': {
    question: 'Is the water still free of colour?',
    clear: 'Clear: use it',
    cloudy: 'Coloured: a fresh bath',
  },
};
