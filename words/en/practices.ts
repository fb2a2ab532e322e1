/** Household customs in words: what is claimed, and what to do instead. */
import type { PracticeId } from '@core/stain/practices.ts';

export const practiceWords: Record<PracticeId, { claim: string; answer: string }> = {
  'vinegar-sets-dye': {
    claim: 'Vinegar soak fixes colour in new jeans or cottons',
    answer:
      'It does not fix colour in cotton or jeans. Wash them cold and alone at first, with a colour catcher, and test until the cloth stays white; a dye fixative only where the label allows.',
  },
  'salt-sets-dye': {
    claim: 'Salt soak fixes dye',
    answer:
      'It does not fix colour. Wash cold and alone at first, with a colour catcher, and test until the cloth stays white.',
  },
  'vinegar-lifts-bleed': {
    claim: 'Cold vinegar soak removes picked-up dye',
    answer:
      'Rinse cold, keep it wet and follow the steps for picked-up dye instead. If you wish, on cotton and linen only: 20 ml per litre, 10–20 °C, 10–15 min, two rinses. Never on wool, silk or nylon: acid binds dye there.',
  },
  'dye-trap-sheet': {
    claim: 'Sheet catches loose dye',
    answer:
      'An early warning, not a protection: a tinted sheet means the piece is not fast; a clean one is one pass only.',
  },
  'toothpaste-on-ink': {
    claim: 'Toothpaste, then vinegar and soda',
    answer: 'Do not: it is abrasive and bleaches in places. Alcohol on a white pad lifts ink.',
  },
  'hairspray-on-ink': {
    claim: 'Hair spray dissolves ink',
    answer: 'Alcohol on a white pad does it; hair spray leaves resin and perfume.',
  },
  'milk-on-ink': { claim: 'Milk soak', answer: 'Do not: it adds protein to the ink. Alcohol on a white pad lifts it.' },
  'alcohol-on-ballpoint': {
    claim: 'Isopropyl on white pad',
    answer: 'Yes: dab from the back onto a white pad, a fresh place each time.',
  },
  'salt-on-wine': {
    claim: 'Salt heap on red wine',
    answer: 'Blot and flush with cold water instead. Salt rubs the cloth and hinders dyed fabrics.',
  },
  'soda-water': { claim: 'Sparkling water on spills', answer: 'The same as cold water; plain water will do.' },
  'boiling-water-fruit': {
    claim: 'Pour boiling water from height',
    answer: 'Do not: it scalds you and sets what is left. Cold water from the back.',
  },
  'freeze-denim': {
    claim: 'Freezing kills odour',
    answer: 'It counts as airing, not as a wash; few microbes die. Airing for 12–24 h does as well.',
  },
  'no-wash-denim': {
    claim: 'Months without wash for contrast',
    answer: 'A matter of taste. Sweat and grit weaken the thread; wash it when it is soiled or smells.',
  },
  'vinegar-softener': {
    claim: 'Vinegar in softener drawer',
    answer:
      'At most 60 ml of 5–8 % per load, in the last rinse, never with chlorine, not in every wash; it does not disinfect.',
  },
  'soda-with-vinegar': {
    claim: 'Soda and vinegar together',
    answer: 'They cancel each other. Use one of them, or one after the other with a rinse between.',
  },
  'baking-soda-whitens': {
    claim: 'Soda bleaches whites',
    answer: 'It takes away smell, it does not bleach. Oxygen bleach whitens.',
  },
  'borax-booster': {
    claim: 'Boosts wash',
    answer:
      'It helps a little. Washing soda or its substitute do as well; check whether borax may be sold where you live.',
  },
  'chlorine-plus-oxygen': {
    claim: 'Add both bleaches to a tub',
    answer: 'Never: they destroy each other and give off heat and gas.',
  },
  'chlorine-on-yellow': {
    claim: 'Chlorine bleach for underarm yellow',
    answer: 'Never: it makes underarm yellow deeper.',
  },
  'chlorine-whites': {
    claim: 'Hot wash with chlorine bleach now and then for plain whites',
    answer:
      'Oxygen bleach first. If you choose chlorine: undyed cotton or linen with an empty triangle, in a cold bath of its own for at most 10 min or in the washer’s own timed dispenser, then two rinses.',
  },
  'lemon-sun': {
    claim: 'Lemon and sun on whites',
    answer: 'On undyed cotton and linen only, 60 min, two rinses; keep it off your skin in the sun.',
  },
  'hot-lemon-rust': {
    claim: 'Lemon and heat on rust',
    answer: 'Citric acid does it better: 20 g per litre at 30–40 °C.',
  },
  'dish-soap-grease': { claim: 'Dish liquid on grease', answer: 'Yes. Rinse before it goes into the drum, it foams.' },
  'talc-grease': {
    claim: 'Absorbent powder on fresh oil',
    answer: 'Yes, with starch or fuller’s earth: cover, wait, tip off.',
  },
  'cold-ink-flush': { claim: 'Cold flush from back after alcohol', answer: 'Yes, after the alcohol.' },
  'overnight-soak': {
    claim: 'Longer soak is always cleaner',
    answer:
      'Bleach is used up after some hours; after that the bath holds mostly soil. A second fresh bath does more than another night.',
  },
  'stain-out-all': {
    claim: 'Every old stain comes out',
    answer: 'Some marks stay. Neat Fold tells the odds before you start.',
  },
  'baby-shampoo-wool': {
    claim: 'Shampoo for wool',
    answer: '1–2 ml per litre at 30 °C at most, a plain one without conditioner.',
  },
  'bar-soap-wool': {
    claim: 'Bar soap on hand knits',
    answer: 'Only a bar made for wool, in soft water, with two rinses.',
  },
  'cold-presoak-wool': {
    claim: 'Cold presoak stops shrinking',
    answer: 'Harmless up to 30 min. What really guards wool is little movement and the same temperature throughout.',
  },
  'essential-oil-ball': {
    claim: 'Oil drops on dryer balls',
    answer: 'Not near a dryer: oil and heat can catch fire. Use unscented balls.',
  },
  'foil-ball': { claim: 'Foil balls cut static', answer: 'They snag cloth and scratch the dryer’s sensor.' },
  'soap-nuts': { claim: 'Husks wash well', answer: 'For light soil only; they remove no stains.' },
  'home-soap': {
    claim: 'Grated soap as detergent',
    answer: 'Only in soft water, and with the arithmetic: hard water eats the soap.',
  },
  'pod-presoak': {
    claim: 'Pre-melt pod in water',
    answer: 'Never open or melt a pod: it burns skin and eyes. Whole into the empty drum.',
  },
};

/** Household customs whose words, or whose answer, hold the query. */
export function findPractices(query: string): PracticeId[] {
  const words = query
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((w) => w.length > 2);
  if (words.length === 0) return [];
  const ids = Object.keys(practiceWords) as PracticeId[];
  const hits = (id: PracticeId): number => {
    const text = `${id.replace(/-/g, ' ')} ${practiceWords[id].claim} ${practiceWords[id].answer}`.toLowerCase();
    return words.filter((w) => text.includes(w)).length;
  };
  return ids
    .map((id, order) => ({ id, n: hits(id), order }))
    .filter((x) => x.n === words.length || (words.length > 2 && x.n >= words.length - 1))
    .sort((x, y) => y.n - x.n || x.order - y.order)
    .map((x) => x.id);
}
