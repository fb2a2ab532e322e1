/** Words of the colourfastness test. */
import type { FastnessTest, Standing } from '@core/colour/fastness-test.ts';
import type { fastnessMessages } from '@core/message/fastness.ts';

const press = 'Wet a white cloth, press it on the place for 10 s and rub gently a few times. Let the place dry.';

export const fastnessWords: Record<keyof typeof fastnessMessages, string> = {
  'test.heirloom': 'An heirloom is never a first experiment.',
  'test.label-no-water': 'Its label says no to water.',
  'test.bled-strongly': 'Its last test bled strongly: only a part test can open a bath again.',
  'test.red': 'A red that was never tested.',
  'test.red-once': 'One clear reading of two: reds are tested twice.',
  'test.strong-colour': 'A strong colour in its first washes.',
  'test.contrast': 'Dark trim or print on a light ground.',
  'test.no-label': 'No label, and no test.',
  'test.bled': 'It bled before: two clear tests make it trusted again.',
  'test.where-detachable': 'On a tie or belt that comes off, else on an inner seam or the hem.',
  'test.where-seam': 'On an inner seam or the hem, where nobody looks; two fabrics or colours are two tests.',
  'test.how-agent':
    'One drop, as strong as it will be used, on an inner seam; after 5 minutes a white cloth pressed on it for 10 s. Rinse the place.',
  'test.how-water': press,
  'test.how-water-undyed': `${press} Look for a ring, a stiff or a dull place as well: any of them is not clear.`,
  'test.how-detergent': `One drop in a spoon of water, on a place beside the first. ${press}`,
  'test.how-part':
    'Take off one part that comes off, put it into a net with a colour catcher, wash it cold; keep its twin back dry to compare.',
};

export const fastnessTitles: Record<FastnessTest['id'], string> = {
  agent: 'With the agent itself',
  water: 'With water',
  detergent: 'With a drop of detergent',
  part: 'Wash one part by itself',
};

export const standingWords: Record<Standing, string> = {
  untried: 'Not tried yet: a hidden place first.',
  'bears-water': 'It bears water. Its label and your house rules still decide.',
  'no-water': 'No water at home until a washed part shows a trace at most.',
  'known-bleeder': 'A known bleeder: cold, alone or with colours of its own depth, and a catcher each time.',
  trusted: 'Trusted: it may join coloured loads.',
  'clear-once': 'Clear: first wash cold, with its own colour or alone, with a catcher.',
  untested: 'Not tested yet: cold, alone or with its own colour.',
};
