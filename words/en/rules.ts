/** The house rules in words: the question, each school, and why our default is what it is. */
import type { HouseRuleKey, HouseRules } from '@core/model/household.ts';

interface RuleWords<K extends HouseRuleKey> {
  question: string;
  options: Record<HouseRules[K], string>;
  reason: string;
}

export const ruleWords: { [K in HouseRuleKey]: RuleWords<K> } = {
  priority: {
    question: 'What matters most?',
    options: { balanced: 'Balanced', gentle: 'Gentle', thrifty: 'Thrifty', quick: 'Quick' },
    reason: 'Sets what a minute, a kilowatt-hour and a worn-out thread are worth to you.',
  },
  colourPiles: {
    question: 'Colour piles',
    options: {
      'bleed-risk': 'By bleed risk',
      two: 'Light and dark',
      three: 'White, colour, dark',
      'black-white-colour': 'White, colour, black',
    },
    reason: 'Tests and history decide, so piles merge when it is safe.',
  },
  handLabel: {
    question: 'Hand-wash labels',
    options: { 'machine-hand': 'Hand-wash programme', hand: 'By hand only' },
    reason: 'A hand-wash or wool programme moves less than hands do; spin stays lowest.',
  },
  wool: {
    question: 'Wool',
    options: { machine: 'Wool programme', hand: 'By hand' },
    reason: 'A true wool programme moves wool less than hands do.',
  },
  woolCompany: {
    question: 'Wool with other things',
    options: { delicates: 'With soft delicates', alone: 'Alone' },
    reason: 'Soft pieces without hard parts do no harm; wool detergent serves all.',
  },
  dryCleanOnly: {
    question: 'Dry clean only',
    options: { obey: 'Obey the label', 'test-first': 'Test first, then decide' },
    reason: 'The label is the maker’s limit. An exception needs tests and is your risk.',
  },
  whites: {
    question: 'Whites',
    options: {
      oxygen: 'Oxygen bleach when grey',
      'colour-safe': 'Colour-safe only',
      chlorine: 'Chlorine now and then',
    },
    reason: 'Oxygen bleach brightens without harming cellulose.',
  },
  softening: {
    question: 'Softening',
    options: { none: 'Nothing', vinegar: 'Vinegar', softener: 'Softener' },
    reason: 'Softener spoils towels, sportswear and wool.',
  },
  tumble: {
    question: 'Dryer',
    options: { never: 'Never', towels: 'Towels only', 'when-allowed': 'Where the label allows' },
    reason: 'Air is kindest; towels dry soft in the dryer.',
  },
  denim: {
    question: 'Denim',
    options: { cold: 'Cold', label: 'By its label', 'contrast-40': '40 °C for contrast' },
    reason: 'Cold keeps colour and size.',
  },
  tshirtDrying: {
    question: 'T-shirts dry',
    options: { bars: 'Over two bars', flat: 'Flat' },
    reason: 'Over two bars at the hem they keep their shape and save space.',
  },
  shirtAim: {
    question: 'Shirts',
    options: { normal: 'Spin low', 'easy-iron': 'No spin, easy to iron' },
    reason: 'A low spin dries sooner; no spin irons easier, three shirts at most.',
  },
  dosing: {
    question: 'How much detergent',
    options: { pack: 'The pack’s table', undershoot: 'A quarter less when lightly soiled' },
    reason: 'The pack’s table, interpolated for your water and load.',
  },
  skin: {
    question: 'Sensitive skin',
    options: { normal: 'As usual', careful: 'Extra rinse, no softener' },
    reason: 'An extra rinse takes residues out.',
  },
  kitchenLinen: {
    question: 'Tea towels and aprons',
    options: {
      'always-apart': 'Never with underwear or floor cloths',
      'apart-below-60': 'With them only from 60 °C',
      any: 'With anything',
    },
    reason: 'What touches food keeps apart from what touches the body and the floor.',
  },
  linenHeat: {
    question: 'Towels, bed linen, underwear',
    options: { hot: '60 °C where they bear it', warm: '40 °C at most, as cool as it cleans' },
    reason: 'Body grease and germs stay at 40 °C; warm saves energy and colour.',
  },
  waiting: {
    question: 'Waiting for a fuller load',
    options: { allowed: 'Wool and lone pieces may wait', none: 'Wash everything today' },
    reason: 'What lies in the basket is asked for; only a small wool load gains by waiting.',
  },
};
