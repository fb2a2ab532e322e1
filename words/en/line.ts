/** What a typed line left out, in whole sentences. */
import type { lineMessages } from '@core/message/line.ts';

// prettier-ignore
export const lineWords: Record<keyof typeof lineMessages, string> = {
  'line.kind': 'What it is: not recognised. Choose the kind, and weigh it (200 g stands in).',
  'line.size': 'Size M.',
  'line.size-number': 'Size M stands in: “{name}” is no size we can place.',
  'line.colour': 'Colour: not said. Choose it, it decides what the piece may be washed with.',
  'line.denim-blue': 'Denim blue, dyed with indigo.',
  'line.second-colour': 'The second colour of its pattern was not said.',
  'line.fibre': 'Fibre: {fibre}, usual for its kind ({kind}).',
  'line.fibre-unknown': 'Fibre: unknown, so only the gentlest treatment.',
  'line.shares-filled': 'The shares make {percent} %; what is missing counts as {fibre}.',
  'line.shares-even': 'How much of each fibre was not said: {count, plural, =2 {half and half stands} other {equal shares stand}} in.',
  'line.shares-over': 'The shares make {percent} %, more than 100: they are not used.',
  'line.unknown-fibre': '“{name}” ({percent} %) is no fibre we know: which one is it?',
  'line.sum': 'The {role} makes {percent} %, not 100: {shares}.',
  'line.no-label': 'No label words: limits come from the fibre, one step more careful.',
  'line.label-gone': 'No label: limits come from the fibre, one step more careful.',
};
