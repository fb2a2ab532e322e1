/** Practice: what may go wrong, the rule it teaches, how a round is told. */
import type { practiceMessages } from '@core/message/practice.ts';
import type { Measure, RoundVerdict } from '@core/practice/assess.ts';
import type { FibreId } from '@core/fibre/fibres.ts';
import type { EffectKind, Skill } from '@core/practice/effects.ts';
import type { Aside, Water } from '@core/practice/play.ts';

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

/** What happened to a piece, what that is called, and the rule behind it. */
interface EffectWords {
  happened: string;
  /** The heading of such a difference. */
  title: string;
  rule: string;
}
export const effectWords: Record<EffectKind, EffectWords> = {
  shrunk: {
    happened: 'shrank',
    title: 'Shrinks',
    rule: 'Heat and movement let cloth go back to where it was before it was stretched in making. What the label says last is what was tried.',
  },
  felted: {
    happened: 'felted',
    title: 'Felts',
    rule: 'Wool has scales. Warm water, movement and a change of heat hook them together, for good: cool, still, in the wool programme or by hand.',
  },
  tinted: {
    happened: 'took colour',
    title: 'Takes colour',
    rule: 'A deep colour gives dye until it has been washed a few times. Try it on a wet white cloth, or let it bathe with its like.',
  },
  harmed: {
    happened: 'was harmed',
    title: 'More than it bears',
    rule: 'The label tells the strongest treatment a piece bears, not the usual one. One step past it is a gamble.',
  },
  snagged: {
    happened: 'was pulled',
    title: 'Is pulled',
    rule: 'Hooks, underwires and zips pull at everything that turns beside them: closed, and what is fine into a net.',
  },
  faded: {
    happened: 'faded',
    title: 'Fades',
    rule: 'The drum rubs the outside. Dark pieces and prints are turned inside out.',
  },
  'mark-stays': {
    happened: 'kept its mark',
    title: 'The mark stays',
    rule: 'Most marks want their own treatment before the wash: cold for protein, the agent that fits, time to work.',
  },
  'mark-set': {
    happened: 'has its mark for good',
    title: 'The mark is set',
    rule: 'Heat makes a mark stay: warm water on protein, and the dryer on anything that is not proven gone.',
  },
  'mark-harmed': {
    happened: 'was eaten by the agent',
    title: 'Eaten by the agent',
    rule: 'What takes a mark off one cloth eats another: no bleach on wool or silk, no acetone on acetate; try it on a hidden place.',
  },
  'not-clean': {
    happened: 'did not get clean',
    title: 'Not clean',
    rule: 'Soil asks for temperature, time and detergent together. A cool short wash is for what is hardly soiled.',
  },
  'left-dirty': {
    happened: 'was left dirty',
    title: 'Left dirty',
    rule: 'What touches skin, food or a wound does not wait; wool and coats may.',
  },
  needless: {
    happened: 'was washed for nothing',
    title: 'Washed for nothing',
    rule: 'Air, a brush or a day of rest do for what is worn and not dirty. Every wash wears.',
  },
  mixed: {
    happened: 'bathed with the wrong company',
    title: 'Wrong company',
    rule: 'Kitchen linen, underwear and floor cloths keep apart, or are washed hot together.',
  },
  crowded: {
    happened: 'had no room',
    title: 'No room',
    rule: 'A full drum has a hand’s breadth of air at the top. Fuller cleans worse and creases more.',
  },
  tissue: { happened: 'had a tissue in its pocket', title: 'A tissue in the pocket', rule: 'Pockets first. Always.' },
  creased: {
    happened: 'is badly creased',
    title: 'Creased',
    rule: 'Spin takes out water and puts in creases: slower for shirts and anything woven and fine.',
  },
  musty: {
    happened: 'smells musty',
    title: 'Smells musty',
    rule: 'Cloth that stays damp for a day smells. Give it air on both sides, and wash only what finds room.',
  },
  stretched: {
    happened: 'hung out of shape',
    title: 'Hung out of shape',
    rule: 'Wet knits are heavy and soft: flat on a towel, not by the shoulders.',
  },
  bleached: {
    happened: 'paled in the sun',
    title: 'Pales in the sun',
    rule: 'Sun bleaches. Good for white linen, bad for deep colours, wool and silk.',
  },
};
export const skillNames: Record<Skill, string> = {
  labels: 'Labels',
  fibres: 'Fibres',
  dye: 'Dye',
  marks: 'Marks',
  loads: 'Loads',
  drying: 'Drying',
  safety: 'Safety',
};
export const measureNames: Record<Measure, string> = {
  damage: 'Nothing harmed',
  cleanliness: 'Everything clean',
  cost: 'Cost',
  time: 'Time',
  order: 'Order of the runs',
};
export const asideNames: Record<Aside, string> = {
  wait: 'Waits for the next wash day',
  air: 'Out to air',
  brush: 'Brushed',
  steam: 'Steamed',
  'spot-clean': 'Only the spot',
  professional: 'To the cleaner',
};
export const waterNames: Record<Water, string> = {
  none: 'No water',
  cold: 'Cold water',
  warm: 'Warm water, 40 °C',
  hot: 'Hot water, 60 °C',
};
export const levelNames: Record<1 | 2 | 3 | 4 | 5, string> = {
  1: 'First wash days',
  2: 'Labels and marks',
  3: 'Dye, silk, denim, rack',
  4: 'Several things at once',
  5: 'Everything',
};
/** What is read off a white cloth that was pressed on. */
export const gradeWords = (grade: number): string =>
  grade >= 4.5
    ? 'The cloth stays white.'
    : grade >= 4
      ? 'A breath of colour, hardly to be seen.'
      : grade >= 2.5
        ? 'A trace of colour on the cloth.'
        : 'The cloth is strongly coloured.';

/** What fingers say of cloth made mostly of a fibre. */
// prettier-ignore
export const touchWords: Record<FibreId, string> = {
  cotton:            'soft and cool, creases when squeezed',
  linen:             'cool and stiff, creases sharply',
  hemp:              'cool, stiff and a little coarse',
  viscose:           'cool and flowing, heavy for its thinness',
  modal:             'very soft and cool',
  lyocell:           'smooth, cool and flowing',
  cupro:             'smooth, cool, slips like silk',
  acetate:           'smooth and rustling, cool',
  triacetate:        'smooth and rustling',
  wool:              'springy and warm, a little scratchy',
  'wool-superwash':  'springy and warm, very smooth',
  cashmere:          'light, warm and very soft',
  mohair:            'warm, light, with long hairs',
  alpaca:            'warm, smooth and heavy',
  angora:            'fluffy and very warm',
  silk:              'smooth, warms in the hand, rustles',
  polyester:         'smooth and dry, hardly creases',
  polyamide:         'smooth, thin and stretchy',
  acrylic:           'fluffy like wool, but light and never cool',
  elastane:          'stretches and springs back',
  polypropylene:     'waxy and very light',
  metallic:          'stiff and glittering',
  coated:            'rubbery on one side',
  'down-fill':       'full of air',
  leather:           'firm and grained',
  suede:             'napped like peach skin',
  unknown:           'hard to tell',
};

/** How a round went. */
export const verdictWords: Record<RoundVerdict, string> = {
  ended: 'The round ended at once.',
  best: 'As good as it can be done.',
  nearly: 'Nearly the best there is.',
  good: 'Better than most would do it.',
  usual: 'About what happens to everybody once.',
};
