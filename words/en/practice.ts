/** Practice: what may go wrong, the rule it teaches, how a round is told. */
import type { practiceMessages } from '@core/message/practice.ts';

// prettier-ignore
export const practiceWords: Record<keyof typeof practiceMessages, string> = {
  'practice.no-net': 'It was not in a net.',
  'practice.open-zip': 'It turned beside an open zip or hook: {other}.',
  'practice.mark': 'The mark is {stain}.',
  'practice.heap': 'It had no place to hang and lay in a heap.',
  'practice.mixed': '{use} and {otherUse} do not share a bath.',
  'practice.more-runs': '{count, plural, one {One run} other {# runs}} where {total, plural, one {one} other {#}} would do: every run costs hands, water and heat.',
  'practice.fewer-runs': '{count, plural, one {One run} other {# runs}} where the best plan makes {total}: something shares a bath that should not.',
};
