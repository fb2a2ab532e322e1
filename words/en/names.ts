/** What ids of the tables of facts are called in a sentence. Names of fibres, kinds, traits and stains stand in their tables of facts. */
import type { PartRole } from '@core/model/garment.ts';
import type { ColourClass } from '@core/colour/colour.ts';
import type { Use } from '@core/garment/kinds.ts';
import type { Violation } from '@core/model/constraints.ts';
import type { DetergentClass } from '@core/model/household.ts';
import type { Action, Iron } from '@core/model/orders.ts';
import type { Contents } from '@core/plan/load-name.ts';
import type { LoadCheckId } from '@core/model/plan.ts';

export const actionNames: Record<Action, string> = {
  normal: 'normal',
  mild: 'mild',
  'very-mild': 'very mild',
  hand: 'hand-like',
  none: 'no',
};
export const ironNames: Record<Iron, string> = { high: 'high', medium: 'medium', low: 'low', none: 'none' };
export const colourNames: Record<ColourClass, string> = {
  white: 'white',
  light: 'light',
  mid: 'mid-toned',
  bright: 'bright',
  dark: 'dark',
  black: 'black',
};
export const detergentNames: Record<DetergentClass, string> = {
  universal: 'a universal detergent',
  colour: 'a colour detergent',
  dark: 'a detergent for darks',
  delicate: 'a detergent for delicates',
  'wool-silk': 'a wool and silk detergent',
  'no-rinse-wool': 'a no-rinse wool wash',
  soap: 'soap',
  'own-soap': 'home-made soap',
};
export const useNames: Record<Use, string> = {
  kitchen: 'kitchen linen',
  body: 'underwear and socks',
  towel: 'towels',
  bed: 'bed linen',
  baby: 'baby things',
  sick: 'things of someone ill',
  workshop: 'workshop clothes',
  floor: 'floor cloths',
  clothes: 'clothes',
};
export const contentsNames: Record<Contents, string> = {
  kitchen: 'kitchen linen',
  body: 'underwear',
  towel: 'towels',
  bed: 'bed linen',
  baby: 'baby things',
  sick: 'sick-bed things',
  workshop: 'work clothes',
  floor: 'floor cloths',
  linen: 'linen',
  wool: 'wool',
  silk: 'silk',
  denim: 'denim',
  sports: 'sports things',
  shirts: 'shirts',
  delicates: 'delicates',
  clothes: 'clothes',
  mixed: 'things of several kinds',
};
export const violationNames: Record<Violation, string> = {
  H1: 'a care limit',
  H2: 'the drum is too small',
  H3: 'dye would run',
  H4: 'contaminated pieces wash with their like',
  H5: 'it washes alone or with its own colour',
  H6: 'no detergent suits all',
  H7: 'hard parts or lint would harm',
  H8: 'the chemistry does not go together',
  H10: 'a house rule',
  H11: 'kitchen, floor, baby things and underwear keep apart',
  'no-suitable-programme': 'a care limit',
  'no-suitable-product': 'no detergent suits all',
};
/** What is looked at after a step of a load, and what to do when it fails. */
export const loadCheckWords: Record<LoadCheckId, { text: string; ifFails: string }> = {
  'catcher-clear': {
    text: 'The colour catcher is clean.',
    ifFails: 'Keep the load wet, take out what is tinted, wash the rest again cold with fresh catchers; never dry it.',
  },
  'gone-dry': {
    text: 'No mark after air-drying, in daylight, both sides.',
    ifFails: 'Treat the stain again; air-dry only, no iron.',
  },
  'no-residue': {
    text: 'No slick or sticky feel; the last water is clear.',
    ifFails: 'Rinse once more.',
  },
  'size-kept': {
    text: 'The measures are as before.',
    ifFails: 'Stretch it back while damp, along the measured line, no further than before.',
  },
  fume: {
    text: 'No smell at 10 cm.',
    ifFails: 'Keep airing; no drum and no heat.',
  },
};

/** A name without what stands in brackets behind it, for headings and lists: "Oxygen bleach powder (sodium percarbonate)" → "Oxygen bleach powder". */
export const briefName = (name: string): string => name.replace(/ \([^)]*\)$/, '');
/** Parts of a piece. */
export const partNames: Record<PartRole, string> = {
  shell: 'shell',
  lining: 'lining',
  filling: 'filling',
  trim: 'trim',
};
