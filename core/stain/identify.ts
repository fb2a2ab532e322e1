/** Finding out what an unknown mark is: by look, feel, smell and where it came from. Clues, not proof: the best fits come first. */
import { stainKinds, type StainKind } from './stains.ts';

export const looks = [
  'brown',
  'red-purple',
  'yellow',
  'green',
  'grey-black',
  'white',
  'blue',
  'orange',
  'clear-ring',
] as const;
export const feels = ['nothing', 'greasy', 'stiff', 'sticky', 'crust', 'powdery'] as const;
export const smells = ['nothing', 'sour', 'fuel', 'musty', 'sweat', 'sweet'] as const;
export const sources = ['kitchen', 'body', 'garden', 'workshop', 'desk', 'bathroom', 'wash', 'unknown'] as const;
export interface Clues {
  look?: (typeof looks)[number];
  feel?: (typeof feels)[number];
  smell?: (typeof smells)[number];
  source?: (typeof sources)[number];
}

/** look / feel / smell / source, several of each by a comma. */
const clues: Record<StainKind, string> = {
  'ink-ballpoint': 'blue,grey-black/nothing,greasy/nothing/desk',
  'ink-gel': 'blue,grey-black/nothing/nothing/desk',
  'ink-washable': 'blue,green,red-purple/nothing/nothing/desk',
  'ink-permanent': 'grey-black,blue/nothing/nothing,fuel/desk,workshop',
  'red-wine': 'red-purple/nothing/sour,nothing/kitchen',
  'sugary-drink': 'clear-ring,yellow/sticky,stiff/sweet,nothing/kitchen',
  coffee: 'brown/nothing/nothing/kitchen',
  'coffee-milk': 'brown/stiff,nothing/sour,nothing/kitchen',
  tea: 'brown,yellow/nothing/nothing/kitchen',
  'cooking-grease': 'clear-ring,yellow/greasy/nothing/kitchen',
  'engine-oil': 'grey-black/greasy/fuel/workshop',
  'fuel-diesel': 'clear-ring,yellow/greasy/fuel/workshop',
  'collar-cuff': 'grey-black,yellow/greasy/sweat/body',
  'makeup-foundation': 'brown,orange/powdery,greasy/nothing,sweet/bathroom',
  lipstick: 'red-purple/greasy/nothing,sweet/bathroom',
  mascara: 'grey-black/crust,greasy/nothing/bathroom',
  'deodorant-mark': 'white/powdery/nothing/body,bathroom',
  'underarm-yellow': 'yellow/stiff/sweat/body',
  sweat: 'clear-ring,white/stiff,nothing/sweat/body',
  'age-yellowing': 'yellow,brown/nothing/nothing,musty/wash',
  'unknown-old': 'brown,yellow/nothing,stiff/nothing/unknown',
  'greyed-whites': 'grey-black/nothing/nothing/wash',
  'blood-fresh': 'red-purple/nothing/nothing/body',
  'blood-dried': 'brown,red-purple/stiff,crust/nothing/body',
  grass: 'green/nothing/nothing/garden',
  mud: 'brown,grey-black/crust,powdery/nothing/garden',
  pollen: 'yellow,orange/powdery/nothing/garden',
  rust: 'orange,brown/nothing/nothing/wash,workshop,garden',
  'tomato-sauce': 'orange,red-purple/greasy,crust/sour,nothing/kitchen',
  chocolate: 'brown/crust,greasy/sweet/kitchen',
  'food-on-wool': 'brown,white/crust,stiff/nothing,sour/kitchen',
  'dye-bleed': 'red-purple,blue,grey-black/nothing/nothing/wash',
  wax: 'white,red-purple/crust/nothing,sweet/kitchen,unknown',
  gum: 'white,grey-black/sticky/sweet/garden,unknown',
  mildew: 'grey-black,green/nothing,powdery/musty/wash,bathroom',
  milk: 'white,clear-ring/stiff/sour/kitchen',
  egg: 'yellow,clear-ring/stiff,crust/nothing,sour/kitchen',
  urine: 'yellow,clear-ring/nothing,stiff/sour/body',
  vomit: 'yellow,orange/crust,stiff/sour/body',
  faeces: 'brown,green/crust,nothing/sour/body',
  'turmeric-curry': 'yellow,orange/greasy,nothing/nothing/kitchen',
  'berry-juice': 'red-purple,blue/nothing,sticky/sweet,nothing/kitchen',
  sunscreen: 'yellow,orange,clear-ring/greasy/sweet,nothing/bathroom,body',
  'nail-polish': 'red-purple/crust,stiff/fuel,nothing/bathroom',
  'glue-water': 'white,clear-ring/stiff,crust/nothing/desk',
  'glue-instant': 'white,clear-ring/stiff,crust/fuel,nothing/desk,workshop',
  'label-adhesive': 'clear-ring,grey-black/sticky/nothing/wash,unknown',
  'paint-water': 'white,blue,green,red-purple/stiff,crust/nothing/workshop,desk',
  'paint-oil': 'white,blue,green,red-purple/stiff,crust,sticky/fuel/workshop',
  'shoe-polish': 'grey-black,brown/greasy/fuel,nothing/unknown,body',
  tar: 'grey-black/sticky/fuel,nothing/garden,workshop',
  perfume: 'clear-ring,yellow/nothing/sweet/bathroom,body',
  scorch: 'yellow,brown/nothing,stiff/nothing/wash',
  'detergent-residue': 'white,blue/powdery,sticky,stiff/nothing,sweet/wash',
  'water-ring': 'clear-ring/nothing/nothing/wash,body',
};
const weights = { look: 3, feel: 2, smell: 2, source: 2 } as const;
const keys = ['look', 'feel', 'smell', 'source'] as const;

/** Kinds that fit, the best first, with the share of the given clues they match (0–1); none when nothing was said. */
export function identify(c: Clues): { kind: StainKind; fit: number }[] {
  const given = keys.filter((k) => c[k] !== undefined && c[k] !== 'unknown');
  if (given.length === 0) return [];
  const total = given.reduce((s, k) => s + weights[k], 0);
  return stainKinds
    .map((kind, order) => {
      const parts = clues[kind].split('/');
      const fit =
        given.reduce((s, k) => s + (parts[keys.indexOf(k)]?.split(',').includes(c[k] ?? '') ? weights[k] : 0), 0) /
        total;
      return { kind, fit, order };
    })
    .filter((x) => x.fit >= 0.5)
    .sort((a, b) => b.fit - a.fit || a.order - b.order)
    .map(({ kind, fit }) => ({ kind, fit }));
}
