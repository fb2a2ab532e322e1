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
  families: readonly StainFamily[];
  baseScore: number;
  wash: StainWash;
}

export const stains = {
  'ink-ballpoint': {
    families: ['ink-solvent', 'oil-grease'],
    baseScore: 70,
    wash: 'wash-cool',
  },
  'ink-gel': {
    families: ['ink-water', 'pigment'],
    baseScore: 45,
    wash: 'wash-cool',
  },
  'ink-washable': {
    families: ['ink-water'],
    baseScore: 80,
    wash: 'wash-cool',
  },
  'ink-permanent': {
    families: ['ink-solvent', 'pigment'],
    baseScore: 35,
    wash: 'wash-cool',
  },
  'red-wine': {
    families: ['tannin'],
    baseScore: 80,
    wash: 'wash-warm',
  },
  'sugary-drink': {
    families: ['tannin', 'combination'],
    baseScore: 92,
    wash: 'wash-warm',
  },
  coffee: {
    families: ['tannin'],
    baseScore: 82,
    wash: 'wash-warm',
  },
  'coffee-milk': {
    families: ['tannin', 'protein', 'oil-grease'],
    baseScore: 78,
    wash: 'wash-warm',
  },
  tea: {
    families: ['tannin'],
    baseScore: 78,
    wash: 'wash-warm',
  },
  'cooking-grease': {
    families: ['oil-grease'],
    baseScore: 85,
    wash: 'wash-warm',
  },
  'engine-oil': {
    families: ['oil-grease', 'pigment'],
    baseScore: 55,
    wash: 'wash-isolated',
  },
  'fuel-diesel': {
    families: ['fuel-solvent', 'oil-grease'],
    baseScore: 60,
    wash: 'wash-isolated',
  },
  'collar-cuff': {
    families: ['oil-grease', 'combination'],
    baseScore: 82,
    wash: 'wash-warm',
  },
  'makeup-foundation': {
    families: ['makeup', 'oil-grease', 'pigment'],
    baseScore: 78,
    wash: 'wash-warm',
  },
  lipstick: {
    families: ['makeup', 'wax', 'pigment'],
    baseScore: 68,
    wash: 'wash-warm',
  },
  mascara: {
    families: ['makeup', 'wax', 'pigment'],
    baseScore: 68,
    wash: 'wash-warm',
  },
  'deodorant-mark': {
    families: ['perspiration'],
    baseScore: 95,
    wash: 'wash-cool',
  },
  'underarm-yellow': {
    families: ['perspiration', 'combination'],
    baseScore: 50,
    wash: 'wash-warm',
  },
  sweat: {
    families: ['perspiration', 'biological'],
    baseScore: 90,
    wash: 'wash-warm',
  },
  'age-yellowing': {
    families: ['combination', 'tannin'],
    baseScore: 50,
    wash: 'wash-warm',
  },
  'unknown-old': {
    families: ['combination'],
    baseScore: 35,
    wash: 'wash-cool',
  },
  'greyed-whites': {
    families: ['pigment', 'combination'],
    baseScore: 60,
    wash: 'wash-hot',
  },
  'blood-fresh': {
    families: ['protein', 'biological'],
    baseScore: 92,
    wash: 'wash-cool',
  },
  'blood-dried': {
    families: ['protein', 'biological'],
    baseScore: 65,
    wash: 'wash-cool',
  },
  grass: {
    families: ['tannin', 'pigment'],
    baseScore: 72,
    wash: 'wash-warm',
  },
  mud: {
    families: ['pigment'],
    baseScore: 88,
    wash: 'wash-warm',
  },
  pollen: {
    families: ['pigment', 'oil-grease'],
    baseScore: 75,
    wash: 'wash-cool',
  },
  rust: {
    families: ['metal'],
    baseScore: 75,
    wash: 'wash-cool',
  },
  'tomato-sauce': {
    families: ['combination', 'tannin', 'oil-grease'],
    baseScore: 78,
    wash: 'wash-warm',
  },
  chocolate: {
    families: ['combination', 'protein', 'oil-grease', 'tannin'],
    baseScore: 80,
    wash: 'wash-warm',
  },
  'food-on-wool': {
    families: ['combination'],
    baseScore: 75,
    wash: 'wash-wool',
  },
  'dye-bleed': {
    families: ['dye-transfer'],
    baseScore: 60,
    wash: 'wash-cool',
  },
  wax: {
    families: ['wax', 'pigment'],
    baseScore: 82,
    wash: 'wash-warm',
  },
  gum: {
    families: ['adhesive'],
    baseScore: 82,
    wash: 'wash-warm',
  },
  mildew: {
    families: ['mildew', 'biological'],
    baseScore: 45,
    wash: 'wash-hygiene',
  },
  milk: {
    families: ['protein', 'oil-grease'],
    baseScore: 88,
    wash: 'wash-cool',
  },
  egg: {
    families: ['protein', 'oil-grease'],
    baseScore: 85,
    wash: 'wash-cool',
  },
  urine: {
    families: ['biological', 'protein'],
    baseScore: 85,
    wash: 'wash-hygiene',
  },
  vomit: {
    families: ['biological', 'protein', 'combination'],
    baseScore: 80,
    wash: 'wash-hygiene',
  },
  faeces: {
    families: ['biological', 'protein', 'pigment'],
    baseScore: 78,
    wash: 'wash-hygiene',
  },
  'turmeric-curry': {
    families: ['tannin', 'oil-grease', 'combination'],
    baseScore: 48,
    wash: 'wash-warm',
  },
  'berry-juice': {
    families: ['tannin'],
    baseScore: 80,
    wash: 'wash-warm',
  },
  sunscreen: {
    families: ['oil-grease', 'metal', 'makeup'],
    baseScore: 60,
    wash: 'wash-warm',
  },
  'nail-polish': {
    families: ['ink-solvent', 'pigment'],
    baseScore: 45,
    wash: 'wash-cool',
  },
  'glue-water': {
    families: ['adhesive'],
    baseScore: 85,
    wash: 'wash-warm',
  },
  'glue-instant': {
    families: ['adhesive'],
    baseScore: 35,
    wash: 'wash-cool',
  },
  'label-adhesive': {
    families: ['adhesive'],
    baseScore: 75,
    wash: 'wash-warm',
  },
  'paint-water': {
    families: ['pigment', 'adhesive'],
    baseScore: 80,
    wash: 'wash-warm',
  },
  'paint-oil': {
    families: ['pigment', 'fuel-solvent'],
    baseScore: 45,
    wash: 'wash-isolated',
  },
  'shoe-polish': {
    families: ['wax', 'pigment', 'fuel-solvent'],
    baseScore: 55,
    wash: 'wash-warm',
  },
  tar: {
    families: ['adhesive', 'oil-grease', 'pigment'],
    baseScore: 50,
    wash: 'wash-isolated',
  },
  perfume: {
    families: ['ink-solvent', 'combination'],
    baseScore: 75,
    wash: 'wash-cool',
  },
  scorch: {
    families: ['scorch'],
    baseScore: 35,
    wash: 'wash-warm',
  },
  'detergent-residue': {
    families: ['adhesive', 'combination'],
    baseScore: 92,
    wash: 'wash-rinse',
  },
  'water-ring': {
    families: ['combination'],
    baseScore: 80,
    wash: 'wash-wool',
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
