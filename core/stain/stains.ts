/** Stains: families, planning score on fresh undyed cotton, the wash that follows treatment, and first aid. */

export type StainWash =
  'wash-cool' | 'wash-warm' | 'wash-hot' | 'wash-hygiene' | 'wash-isolated' | 'wash-rinse' | 'wash-wool';
export type StainFamily =
  | 'protein'
  | 'tannin'
  | 'oil-grease'
  | 'wax'
  | 'ink-solvent'
  | 'ink-water'
  | 'dye-transfer'
  | 'metal'
  | 'pigment'
  | 'combination'
  | 'biological'
  | 'perspiration'
  | 'mildew'
  | 'makeup'
  | 'adhesive'
  | 'scorch'
  | 'fuel-solvent';

interface StainFacts {
  name: string;
  families: readonly StainFamily[];
  baseScore: number;
  wash: StainWash;
  /** Other words people use. */
  aliases: readonly string[];
  firstAid: string;
}

export const stains = {
  'ink-ballpoint': {
    name: 'Ballpoint ink',
    families: ['ink-solvent', 'oil-grease'],
    baseScore: 70,
    wash: 'wash-cool',
    aliases: ['pen', 'ball pen'],
    firstAid: 'Paper under and over; no water, no rubbing',
  },
  'ink-gel': {
    name: 'Gel or pigment pen',
    families: ['ink-water', 'pigment'],
    baseScore: 45,
    wash: 'wash-cool',
    aliases: ['gel pen', 'roller pen'],
    firstAid: 'Blot; flush with cold water from the back',
  },
  'ink-washable': {
    name: 'Fountain or washable felt-tip ink',
    families: ['ink-water'],
    baseScore: 80,
    wash: 'wash-cool',
    aliases: ['fountain pen', 'children’s felt pen'],
    firstAid: 'Blot; cold tap from the back',
  },
  'ink-permanent': {
    name: 'Permanent marker',
    families: ['ink-solvent', 'pigment'],
    baseScore: 35,
    wash: 'wash-cool',
    aliases: ['marker', 'laundry marker'],
    firstAid: 'Keep dry; pad beneath',
  },
  'red-wine': {
    name: 'Red wine',
    families: ['tannin'],
    baseScore: 80,
    wash: 'wash-warm',
    aliases: ['wine', 'port', 'grape juice'],
    firstAid: 'Blot; cold water from the back; no salt needed',
  },
  'sugary-drink': {
    name: 'Soft drink, beer, white wine',
    families: ['tannin', 'combination'],
    baseScore: 92,
    wash: 'wash-warm',
    aliases: ['cola', 'cider', 'lemonade', 'syrup'],
    firstAid: 'Flush even if invisible; sugar browns with heat',
  },
  coffee: {
    name: 'Black coffee',
    families: ['tannin'],
    baseScore: 82,
    wash: 'wash-warm',
    aliases: ['espresso'],
    firstAid: 'Blot; flush cold',
  },
  'coffee-milk': {
    name: 'Milky coffee or milky tea',
    families: ['tannin', 'protein', 'oil-grease'],
    baseScore: 78,
    wash: 'wash-warm',
    aliases: ['latte', 'cappuccino', 'chai'],
    firstAid: 'Blot; flush cold, never hot first',
  },
  tea: {
    name: 'Tea',
    families: ['tannin'],
    baseScore: 78,
    wash: 'wash-warm',
    aliases: ['black tea', 'green tea'],
    firstAid: 'Blot; flush cold',
  },
  'cooking-grease': {
    name: 'Cooking oil, butter, grease',
    families: ['oil-grease'],
    baseScore: 85,
    wash: 'wash-warm',
    aliases: ['gravy', 'oil', 'butter', 'dressing', 'mayonnaise'],
    firstAid: 'Lift solids; cover with powder',
  },
  'engine-oil': {
    name: 'Engine oil and lubricating grease',
    families: ['oil-grease', 'pigment'],
    baseScore: 55,
    wash: 'wash-isolated',
    aliases: ['bike chain', 'workshop grease'],
    firstAid: 'Scrape; keep apart from other laundry',
  },
  'fuel-diesel': {
    name: 'Diesel or petrol splash',
    families: ['fuel-solvent', 'oil-grease'],
    baseScore: 60,
    wash: 'wash-isolated',
    aliases: ['diesel', 'petrol', 'gasoline', 'kerosene'],
    firstAid: 'Take off clothing outdoors; wash skin; hang outdoors away from flame',
  },
  'collar-cuff': {
    name: 'Collar and cuff grime',
    families: ['oil-grease', 'combination'],
    baseScore: 82,
    wash: 'wash-warm',
    aliases: ['ring round the collar', 'neckline', 'hat band'],
    firstAid: 'Do not let it build up; treat dry cloth',
  },
  'makeup-foundation': {
    name: 'Foundation and powder makeup',
    families: ['makeup', 'oil-grease', 'pigment'],
    baseScore: 78,
    wash: 'wash-warm',
    aliases: ['concealer', 'blusher', 'bronzer'],
    firstAid: 'Shake off powder; do not wet first',
  },
  lipstick: {
    name: 'Lipstick',
    families: ['makeup', 'wax', 'pigment'],
    baseScore: 68,
    wash: 'wash-warm',
    aliases: ['lip balm', 'lip gloss'],
    firstAid: 'Lift with an edge; do not rub',
  },
  mascara: {
    name: 'Mascara and eyeliner',
    families: ['makeup', 'wax', 'pigment'],
    baseScore: 68,
    wash: 'wash-warm',
    aliases: ['waterproof mascara', 'kohl'],
    firstAid: 'Let dry; flake off',
  },
  'deodorant-mark': {
    name: 'Fresh white deodorant mark',
    families: ['perspiration'],
    baseScore: 95,
    wash: 'wash-cool',
    aliases: ['antiperspirant streak'],
    firstAid: 'Rub gently with a dry clean cotton cloth',
  },
  'underarm-yellow': {
    name: 'Underarm yellowing',
    families: ['perspiration', 'combination'],
    baseScore: 50,
    wash: 'wash-warm',
    aliases: ['yellow armpit', 'armpit', 'pit', 'antiperspirant build-up'],
    firstAid: 'Do not iron or tumble; no chlorine bleach',
  },
  sweat: {
    name: 'Sweat and body odour',
    families: ['perspiration', 'biological'],
    baseScore: 90,
    wash: 'wash-warm',
    aliases: ['sportswear', 'salt line'],
    firstAid: 'Air, then rinse cold the same day',
  },
  'age-yellowing': {
    name: 'Age yellowing of stored linen or cotton',
    families: ['combination', 'tannin'],
    baseScore: 50,
    wash: 'wash-warm',
    aliases: ['storage browning', 'fold lines'],
    firstAid: 'Wet support first; never iron',
  },
  'unknown-old': {
    name: 'Old unknown stain on vintage cotton',
    families: ['combination'],
    baseScore: 35,
    wash: 'wash-cool',
    aliases: ['mystery spot', 'second-hand mark'],
    firstAid: 'Test dye and strength; photograph',
  },
  'greyed-whites': {
    name: 'Greyed or dull whites',
    families: ['pigment', 'combination'],
    baseScore: 60,
    wash: 'wash-hot',
    aliases: ['dingy', 'lime-soap grey'],
    firstAid: 'Stop overfilling and under-dosing',
  },
  'blood-fresh': {
    name: 'Blood, fresh',
    families: ['protein', 'biological'],
    baseScore: 92,
    wash: 'wash-cool',
    aliases: ['nosebleed', 'menstrual'],
    firstAid: 'Cold water from the back within minutes',
  },
  'blood-dried': {
    name: 'Blood, dried',
    families: ['protein', 'biological'],
    baseScore: 65,
    wash: 'wash-cool',
    aliases: ['old blood'],
    firstAid: 'Do not use warm water',
  },
  grass: {
    name: 'Grass and leaf green',
    families: ['tannin', 'pigment'],
    baseScore: 72,
    wash: 'wash-warm',
    aliases: ['garden', 'sports pitch'],
    firstAid: 'Keep dry; no acid first',
  },
  mud: {
    name: 'Mud and soil',
    families: ['pigment'],
    baseScore: 88,
    wash: 'wash-warm',
    aliases: ['clay', 'garden soil'],
    firstAid: 'Let it dry fully',
  },
  pollen: {
    name: 'Pollen',
    families: ['pigment', 'oil-grease'],
    baseScore: 75,
    wash: 'wash-cool',
    aliases: ['lily pollen'],
    firstAid: 'Do not wet or rub; tape lift',
  },
  rust: {
    name: 'Rust',
    families: ['metal'],
    baseScore: 75,
    wash: 'wash-cool',
    aliases: ['iron spot', 'nail mark'],
    firstAid: 'Keep away from every bleach',
  },
  'tomato-sauce': {
    name: 'Tomato sauce',
    families: ['combination', 'tannin', 'oil-grease'],
    baseScore: 78,
    wash: 'wash-warm',
    aliases: ['ketchup', 'pasta sauce'],
    firstAid: 'Lift solids; flush cold from the back',
  },
  chocolate: {
    name: 'Chocolate',
    families: ['combination', 'protein', 'oil-grease', 'tannin'],
    baseScore: 80,
    wash: 'wash-warm',
    aliases: ['cocoa', 'ice cream'],
    firstAid: 'Chill; lift; flush cold',
  },
  'food-on-wool': {
    name: 'Food residue on wool',
    families: ['combination'],
    baseScore: 75,
    wash: 'wash-wool',
    aliases: ['dried food on knit'],
    firstAid: 'Let dry; do not rub wet',
  },
  'dye-bleed': {
    name: 'Dye picked up from another garment',
    families: ['dye-transfer'],
    baseScore: 60,
    wash: 'wash-cool',
    aliases: ['colour run', 'pink whites'],
    firstAid: 'Keep wet; separate; no heat',
  },
  wax: {
    name: 'Candle wax',
    families: ['wax', 'pigment'],
    baseScore: 82,
    wash: 'wash-warm',
    aliases: ['tealight', 'crayon', 'ski wax'],
    firstAid: 'Let it set; freeze',
  },
  gum: {
    name: 'Chewing gum',
    families: ['adhesive'],
    baseScore: 82,
    wash: 'wash-warm',
    aliases: ['bubble gum'],
    firstAid: 'Freeze; do not pull',
  },
  mildew: {
    name: 'Mildew spots',
    families: ['mildew', 'biological'],
    baseScore: 45,
    wash: 'wash-hygiene',
    aliases: ['mould', 'black specks', 'damp store'],
    firstAid: 'Outdoors; brush off dry spores with mask',
  },
  milk: {
    name: 'Milk, cream, ice cream',
    families: ['protein', 'oil-grease'],
    baseScore: 88,
    wash: 'wash-cool',
    aliases: ['baby formula', 'yoghurt'],
    firstAid: 'Flush cold',
  },
  egg: {
    name: 'Egg',
    families: ['protein', 'oil-grease'],
    baseScore: 85,
    wash: 'wash-cool',
    aliases: ['yolk', 'white'],
    firstAid: 'Lift; cold only',
  },
  urine: {
    name: 'Urine',
    families: ['biological', 'protein'],
    baseScore: 85,
    wash: 'wash-hygiene',
    aliases: ['pet accident', 'bed-wetting'],
    firstAid: 'Blot; cold flush; no chlorine bleach',
  },
  vomit: {
    name: 'Vomit',
    families: ['biological', 'protein', 'combination'],
    baseScore: 80,
    wash: 'wash-hygiene',
    aliases: ['sick'],
    firstAid: 'Gloves; lift solids; cold flush',
  },
  faeces: {
    name: 'Faeces',
    families: ['biological', 'protein', 'pigment'],
    baseScore: 78,
    wash: 'wash-hygiene',
    aliases: ['nappy', 'diaper'],
    firstAid: 'Gloves; lift solids into toilet; cold flush',
  },
  'turmeric-curry': {
    name: 'Turmeric, curry, mustard',
    families: ['tannin', 'oil-grease', 'combination'],
    baseScore: 48,
    wash: 'wash-warm',
    aliases: ['saffron', 'korma'],
    firstAid: 'Lift; no alkali soap bar (turns red)',
  },
  'berry-juice': {
    name: 'Berry and fruit juice',
    families: ['tannin'],
    baseScore: 80,
    wash: 'wash-warm',
    aliases: ['cherry', 'blackcurrant', 'beetroot'],
    firstAid: 'Blot; cold flush from the back',
  },
  sunscreen: {
    name: 'Sunscreen',
    families: ['oil-grease', 'metal', 'makeup'],
    baseScore: 60,
    wash: 'wash-warm',
    aliases: ['sun lotion', 'orange sun-cream mark'],
    firstAid: 'No chlorine bleach; powder then dish soap',
  },
  'nail-polish': {
    name: 'Nail polish',
    families: ['ink-solvent', 'pigment'],
    baseScore: 45,
    wash: 'wash-cool',
    aliases: ['varnish', 'gel polish'],
    firstAid: 'Do not smear; check for acetate first',
  },
  'glue-water': {
    name: 'White craft glue, school paste',
    families: ['adhesive'],
    baseScore: 85,
    wash: 'wash-warm',
    aliases: ['PVA type glue'],
    firstAid: 'Lift; wet with lukewarm water before it dries',
  },
  'glue-instant': {
    name: 'Instant glue',
    families: ['adhesive'],
    baseScore: 35,
    wash: 'wash-cool',
    aliases: ['cyanoacrylate'],
    firstAid: 'Let it cure; it heats on cotton and wool: keep off skin',
  },
  'label-adhesive': {
    name: 'Sticker and tape adhesive',
    families: ['adhesive'],
    baseScore: 75,
    wash: 'wash-warm',
    aliases: ['price label', 'tape gum'],
    firstAid: 'Freeze; roll off',
  },
  'paint-water': {
    name: 'Water-based paint, wet',
    families: ['pigment', 'adhesive'],
    baseScore: 80,
    wash: 'wash-warm',
    aliases: ['emulsion', 'acrylic paint', 'poster paint'],
    firstAid: 'Keep wet; flush at once',
  },
  'paint-oil': {
    name: 'Oil paint and gloss',
    families: ['pigment', 'fuel-solvent'],
    baseScore: 45,
    wash: 'wash-isolated',
    aliases: ['gloss paint', 'varnish', 'wood stain'],
    firstAid: 'Scrape; keep from drying',
  },
  'shoe-polish': {
    name: 'Shoe polish',
    families: ['wax', 'pigment', 'fuel-solvent'],
    baseScore: 55,
    wash: 'wash-warm',
    aliases: ['boot cream'],
    firstAid: 'Scrape; no water',
  },
  tar: {
    name: 'Tar, asphalt, tree sap',
    families: ['adhesive', 'oil-grease', 'pigment'],
    baseScore: 50,
    wash: 'wash-isolated',
    aliases: ['resin', 'pitch'],
    firstAid: 'Chill; scrape',
  },
  perfume: {
    name: 'Perfume and aftershave',
    families: ['ink-solvent', 'combination'],
    baseScore: 75,
    wash: 'wash-cool',
    aliases: ['cologne', 'essential oil spot'],
    firstAid: 'Flush at once; no heat',
  },
  scorch: {
    name: 'Light scorch',
    families: ['scorch'],
    baseScore: 35,
    wash: 'wash-warm',
    aliases: ['iron mark'],
    firstAid: 'Stop ironing; do not wet synthetics',
  },
  'detergent-residue': {
    name: 'Detergent or pod-film residue',
    families: ['adhesive', 'combination'],
    baseScore: 92,
    wash: 'wash-rinse',
    aliases: ['powder streaks', 'blue softener spot'],
    firstAid: 'Do not dry; rinse',
  },
  'water-ring': {
    name: 'Water ring or drying line',
    families: ['combination'],
    baseScore: 80,
    wash: 'wash-wool',
    aliases: ['ring on silk', 'storage damp line'],
    firstAid: 'Do not dab the centre only',
  },
} as const satisfies Record<string, StainFacts>;

export type StainKind = keyof typeof stains;
export const stainKinds = Object.keys(stains) as StainKind[];
export const stainFacts = (kind: StainKind): StainFacts => stains[kind];

/** Columns of the table of washes: what the cloth is decides how warm the wash after a mark may be. */
export type WashColumn = 'white' | 'coloured' | 'delicate' | 'wool';

interface StainWashFacts {
  /** Most °C of the wash that follows the treatment, by cloth; 95 = the mark sets no cap. */
  maxTemperatureC: Readonly<Record<WashColumn, number>>;
  /** Least cleaning need of the piece, 0–1; null = as without the mark. */
  leastNeed: number | null;
}
const caps = (white: number, coloured: number, delicate: number, wool: number): StainWashFacts['maxTemperatureC'] => ({
  white,
  coloured,
  delicate,
  wool,
});
// prettier-ignore
export const stainWashes: Readonly<Record<StainWash, StainWashFacts>> = {
  //                                     white  coloured  delicate  wool
  'wash-cool':     { maxTemperatureC: caps(30,  30,       30,       30), leastNeed: null },
  'wash-warm':     { maxTemperatureC: caps(60,  40,       30,       30), leastNeed: 0.75 },
  'wash-hot':      { maxTemperatureC: caps(60,  40,       30,       30), leastNeed: 0.95 },
  'wash-hygiene':  { maxTemperatureC: caps(95,  60,       40,       30), leastNeed: 0.95 },
  'wash-isolated': { maxTemperatureC: caps(60,  40,       30,       30), leastNeed: null },
  'wash-rinse':    { maxTemperatureC: caps(40,  40,       30,       30), leastNeed: null },
  'wash-wool':     { maxTemperatureC: caps(30,  30,       30,       30), leastNeed: null },
};

/** Marks with iron in them: no bleach of any kind, in spots or in the wash, until they are gone. */
export const ironStains: readonly StainKind[] = ['rust', 'sunscreen'];

/** Stains whose pieces are contaminated with fuel, oil paint or solvent (wash alone, never heat). */
export const fuelStains: readonly StainKind[] = ['fuel-diesel', 'paint-oil'];
