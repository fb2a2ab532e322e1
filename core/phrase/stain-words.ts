/** The words by which marks are found: the usual name first, then what else people say. What a mark is called on a screen stands in `words/`. */
import { stainKinds, type StainKind } from '../stain/stains.ts';

export const stainWords: Record<StainKind, readonly [string, ...string[]]> = {
  'ink-ballpoint': ['ballpoint ink', 'pen', 'ball pen'],
  'ink-gel': ['gel or pigment pen', 'gel pen', 'roller pen'],
  'ink-washable': ['fountain or washable felt-tip ink', 'fountain pen', 'children’s felt pen'],
  'ink-permanent': ['permanent marker', 'marker', 'laundry marker'],
  'red-wine': ['red wine', 'wine', 'port', 'grape juice'],
  'sugary-drink': ['soft drink, beer, white wine', 'cola', 'cider', 'lemonade', 'syrup'],
  coffee: ['black coffee', 'espresso'],
  'coffee-milk': ['milky coffee or milky tea', 'latte', 'cappuccino', 'chai'],
  tea: ['tea', 'black tea', 'green tea'],
  'cooking-grease': ['cooking oil, butter, grease', 'gravy', 'oil', 'butter', 'dressing', 'mayonnaise'],
  'engine-oil': ['engine oil and lubricating grease', 'bike chain', 'workshop grease'],
  'fuel-diesel': ['diesel or petrol splash', 'diesel', 'petrol', 'gasoline', 'kerosene'],
  'collar-cuff': ['collar and cuff grime', 'ring round the collar', 'neckline', 'hat band'],
  'makeup-foundation': ['foundation and powder makeup', 'concealer', 'blusher', 'bronzer'],
  lipstick: ['lipstick', 'lip balm', 'lip gloss'],
  mascara: ['mascara and eyeliner', 'waterproof mascara', 'kohl'],
  'deodorant-mark': ['fresh white deodorant mark', 'antiperspirant streak'],
  'underarm-yellow': ['underarm yellowing', 'yellow armpit', 'armpit', 'pit', 'antiperspirant build-up'],
  sweat: ['sweat and body odour', 'sportswear', 'salt line'],
  'age-yellowing': ['age yellowing of stored linen or cotton', 'storage browning', 'fold lines'],
  'unknown-old': ['old unknown stain on vintage cotton', 'mystery spot', 'second-hand mark'],
  'greyed-whites': ['greyed or dull whites', 'dingy', 'lime-soap grey'],
  'blood-fresh': ['blood, fresh', 'nosebleed', 'menstrual'],
  'blood-dried': ['blood, dried', 'old blood'],
  grass: ['grass and leaf green', 'garden', 'sports pitch'],
  mud: ['mud and soil', 'clay', 'garden soil'],
  pollen: ['pollen', 'lily pollen'],
  rust: ['rust', 'iron spot', 'nail mark'],
  'tomato-sauce': ['tomato sauce', 'ketchup', 'pasta sauce'],
  chocolate: ['chocolate', 'cocoa', 'ice cream'],
  'food-on-wool': ['food residue on wool', 'dried food on knit'],
  'dye-bleed': ['dye picked up from another garment', 'colour run', 'pink whites'],
  wax: ['candle wax', 'tealight', 'crayon', 'ski wax'],
  gum: ['chewing gum', 'bubble gum'],
  mildew: ['mildew spots', 'mould', 'black specks', 'damp store'],
  milk: ['milk, cream, ice cream', 'baby formula', 'yoghurt'],
  egg: ['egg', 'yolk', 'white'],
  urine: ['urine', 'pet accident', 'bed-wetting'],
  vomit: ['vomit', 'sick'],
  faeces: ['faeces', 'nappy', 'diaper'],
  'turmeric-curry': ['turmeric, curry, mustard', 'saffron', 'korma'],
  'berry-juice': ['berry and fruit juice', 'cherry', 'blackcurrant', 'beetroot'],
  sunscreen: ['sunscreen', 'sun lotion', 'orange sun-cream mark'],
  'nail-polish': ['nail polish', 'varnish', 'gel polish'],
  'glue-water': ['white craft glue, school paste', 'PVA type glue'],
  'glue-instant': ['instant glue', 'cyanoacrylate'],
  'label-adhesive': ['sticker and tape adhesive', 'price label', 'tape gum'],
  'paint-water': ['water-based paint, wet', 'emulsion', 'acrylic paint', 'poster paint'],
  'paint-oil': ['oil paint and gloss', 'gloss paint', 'varnish', 'wood stain'],
  'shoe-polish': ['shoe polish', 'boot cream'],
  tar: ['tar, asphalt, tree sap', 'resin', 'pitch'],
  perfume: ['perfume and aftershave', 'cologne', 'essential oil spot'],
  scorch: ['light scorch', 'iron mark'],
  'detergent-residue': ['detergent or pod-film residue', 'powder streaks', 'blue softener spot'],
  'water-ring': ['water ring or drying line', 'ring on silk', 'storage damp line'],
};

/** Words of a text, without their plural: "yellow armpits" → yellow, armpit. */
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter(Boolean)
    .map((w) => (w.length > 3 && w.endsWith('s') && !w.endsWith('ss') ? w.slice(0, -1) : w));
/** What every mark may be called. */
const anyMark: readonly string[] = [
  'stain',
  'mark',
  'spot',
  'patch',
  'on',
  'the',
  'a',
  'my',
  'some',
  'from',
  'of',
  'in',
];

/**
 * Kinds of mark that a typed word or two may mean, the best first: every word must begin a word of the name or of an alias ("ink" is no drink).
 * A whole name comes before a beginning, the name before an alias.
 * @example findStains('pit stains')[0] // 'underarm-yellow'
 */
export function findStains(query: string): StainKind[] {
  const all = wordsOf(query);
  const telling = all.filter((w) => !anyMark.includes(w));
  const asked = telling.length > 0 ? telling : all;
  if (asked.length === 0) return [];
  const rank = (kind: StainKind): number => {
    const [name, ...others] = stainWords[kind];
    const texts = [name, kind.replace(/-/g, ' '), ...others].map(wordsOf);
    const fits = texts.map((words, i) => {
      if (!asked.every((w) => words.some((x) => x.startsWith(w)))) return Infinity;
      const whole = asked.every((w) => words.includes(w));
      return (whole ? 0 : 10) + (i === 0 ? 0 : 2) + (words.length > asked.length ? 1 : 0);
    });
    return Math.min(...fits);
  };
  return stainKinds
    .map((kind, order) => ({ kind, order, rank: rank(kind) }))
    .filter((x) => x.rank < Infinity)
    .sort((x, y) => x.rank - y.rank || x.order - y.order)
    .map((x) => x.kind);
}
