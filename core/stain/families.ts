/** Stain families: what holds the mark, what loosens it first, what does the work, what never. */
import type { StainFamily } from './stains.ts';

export const families: Record<StainFamily, { mechanism: string; first: string; main: string; never: string }> = {
  protein: {
    mechanism: 'Coagulates with heat, alcohol, acid; bonds to fibre',
    first: 'water 5–20 °C',
    main: 'enzyme-prespotter (prespotter-wool-safe on protein fibre)',
    never: 'hot water first',
  },
  tannin: {
    mechanism: 'Plant polyphenol or dye; acid keeps it soluble, bleach destroys it',
    first: 'water 10–20 °C',
    main: 'det-colour-liquid, then oxy-percarbonate',
    never: 'bar soap first (may set)',
  },
  'oil-grease': {
    mechanism: 'Held by adhesion; oxidises to yellow film; deep in polyester',
    first: 'absorbent-powder',
    main: 'soap-dish, then lipase pre-spotter 30–40 °C',
    never: 'water first on thick grease; dryer',
  },
  wax: {
    mechanism: 'Solid below 45–65 °C, carries dye',
    first: 'cold-pack',
    main: 'warm paper, then soap-dish',
    never: 'hot water in the drum',
  },
  'ink-solvent': {
    mechanism: 'Dye in resin or oil; dissolves in alcohol or ketone',
    first: 'isopropyl-alcohol',
    main: 'acetone where allowed',
    never: 'water before alcohol',
  },
  'ink-water': {
    mechanism: 'Water dye, low binding',
    first: 'water 10–20 °C',
    main: 'det-delicate, then oxy-percarbonate',
    never: 'heat',
  },
  'dye-transfer': {
    mechanism: 'Loose dye re-deposited, then held by heat',
    first: 'cold rinse, keep wet',
    main: 'oxy-percarbonate; reducer on white',
    never: 'dryer',
  },
  metal: {
    mechanism: 'Iron oxide; catalyses peroxide damage',
    first: 'citric-acid',
    main: 'rust-remover',
    never: 'chlorine or oxygen bleach',
  },
  pigment: {
    mechanism: 'Insoluble particles wedged in yarn',
    first: 'dry brush or tape',
    main: 'surfactant with light action',
    never: 'wetting before dry removal',
  },
  combination: {
    mechanism: 'Two or more layers',
    first: 'lift solids',
    main: 'outer layer first: oil, then protein, then colour',
    never: 'bleach first',
  },
  biological: {
    mechanism: 'Protein + salts + microbes',
    first: 'cold flush with gloves',
    main: 'enzyme, then 60 °C or hygiene rinse',
    never: 'chlorine bleach on urine',
  },
  perspiration: {
    mechanism: 'Salts, sebum, aluminium salts; turns alkaline and yellow',
    first: 'cold rinse',
    main: 'acid, rinse, enzyme, rinse, oxygen bleach',
    never: 'chlorine bleach; iron',
  },
  mildew: {
    mechanism: 'Fungal growth and pigment; digests cellulose',
    first: 'dry brush outdoors',
    main: 'oxy-percarbonate 40–60 °C',
    never: 'storing damp',
  },
  makeup: {
    mechanism: 'Pigment + oil, silicone, wax',
    first: 'tape or powder',
    main: 'soap-dish, then isopropyl-alcohol',
    never: 'wetting powder',
  },
  adhesive: {
    mechanism: 'Polymer film, brittle cold, some set by curing',
    first: 'cold-pack or lukewarm water (water glue)',
    main: 'solvent by type',
    never: 'pulling the yarn',
  },
  scorch: {
    mechanism: 'Heat-browned fibre',
    first: 'dry brush',
    main: 'peroxide-3 on undyed cellulose',
    never: 'more heat',
  },
  'fuel-solvent': {
    mechanism: 'Flammable vapour; oily residue',
    first: 'open-air',
    main: 'soap-dish soak, own load',
    never: 'drum, dryer, iron before fume passes',
  },
};
