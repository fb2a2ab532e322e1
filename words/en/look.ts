/** The last look: questions, answers, and what to do. */
import type { lookMessages } from '@core/message/look.ts';
import type { LookKind } from '@core/run/inspection.ts';

// prettier-ignore
export const lookWords: Record<keyof typeof lookMessages, string> = {
  'look.catcher-strong': 'A lot of dye was in the water. Keep everything wet and cold, take what ran out of the rest, and look at each pale piece before anything dries.',
  'look.catcher-trace': 'A little dye was in the water: look at the pale pieces in daylight before they dry.',
  'look.tinted': 'Keep it wet: dye that has not dried still comes out. Rinse it cold now; no dryer, no iron, no sun.',
  'look.mark-lighter': 'It goes on: treat it once more while it is wet. No dryer and no iron before it is gone.',
  'look.mark-same': 'It is back in the basket for the stain bench. Dry it in the air only; heat would set it.',
  'look.not-clean': 'Wash it again now, before it dries: dried dirt holds faster.',
  'look.residue': '{count, plural, one {Rinse once more} other {Rinse # times more}} without detergent. The next dose of this product is smaller.',
  'look.smells': 'Smell that is there wet gets worse while it dries. Wash it again now, warmer if it may be, or dry it fast in moving air and smell it again.',
  'look.damaged': 'Noted for mending: it does not go into a drum before.',
  'look.size': 'Measure it now, while it is damp, at the places that were measured before.',
  'look.faded': 'Colour was lost at {celsius} °C. Do not put the part that stayed dry back in the same light; next time colder, inside out.',
};

/** The question, and its answers with the good one first. */
export const lookQuestions: Record<
  LookKind,
  { title: string; question: string; answers: Readonly<Record<string, string>> }
> = {
  catcher: {
    title: 'Colour catcher',
    question: 'Beside an unused one, what does it show?',
    answers: { clear: 'Clear', trace: 'A trace', strong: 'Strong colour' },
  },
  dye: {
    title: 'Colour of the others',
    question: 'Has any piece taken colour?',
    answers: { none: 'None has', tinted: 'Yes' },
  },
  mark: {
    title: 'Mark',
    question: 'Looked at wet, in good light: what is left of it?',
    answers: { gone: 'Nothing to see', lighter: 'Lighter', same: 'Still there' },
  },
  'mark-dry': {
    title: 'Mark, now that it is dry',
    question: 'In daylight, from both sides: what is left of it?',
    answers: { gone: 'Gone', lighter: 'Lighter', same: 'Still there' },
  },
  size: {
    title: 'Size',
    question: 'Measured damp, at the same places as before?',
    answers: { kept: 'As before', changed: 'Changed' },
  },
  control: {
    title: 'The part that stayed dry',
    question: 'Beside it, is the colour the same?',
    answers: { same: 'The same', faded: 'Paler' },
  },
  clean: {
    title: 'Clean',
    question: 'Is everything clean enough?',
    answers: { clean: 'Clean', 'not-clean': 'Not all' },
  },
  residue: {
    title: 'Residue',
    question: 'Does it feel free of detergent: not slippery, no white streaks?',
    answers: { none: 'Free', left: 'Something is left' },
  },
  smell: {
    title: 'Smell',
    question: 'Does it smell of nothing?',
    answers: { fresh: 'Fresh', smells: 'It smells' },
  },
  damage: {
    title: 'Damage',
    question: 'Seams, buttons, threads, holes: all as before?',
    answers: { none: 'All sound', damaged: 'Something broke' },
  },
};
