/**
 * Agent × fibre: what each fibre, dye state, print and trim bears. The worst code of a garment decides: never codes (`x-`) block, conditions (`c-`)
 * all apply. Thresholds are stricter than for programmes: elastane counts from 1 %, every other fibre from 5 %, trims always.
 */
import type { AgentId } from './agents.ts';

export const matrixColumns = [
  'cotton',
  'linen',
  'hemp',
  'viscose',
  'modal-lyocell',
  'acetate',
  'triacetate',
  'polyester',
  'nylon',
  'acrylic',
  'elastane',
  'wool',
  'cashmere',
  'mohair-alpaca-angora',
  'silk',
  'leather',
  'suede',
  'down',
  'metallic-thread',
  'undyed',
  'dyed',
  'raw-indigo',
  'print',
  'elastic-trim',
  'metal-trim',
] as const;
export type MatrixColumn = (typeof matrixColumns)[number];

export const conditions = {
  'c-test': 'only after a hidden-spot test with it: 1 drop, 5 min, a white cloth stays white',
  'c-fast': 'only when the colour is fast: by test, or three washes without bleeding',
  'c-bleed': 'expect colour loss: alone or with its own colour, at most 30 °C, inside out',
  'c-10': 'at most 10 min and 30 °C, then rinse',
  'c-30': 'at most 30 min and 40 °C, then rinse',
  'c-cool': 'cool only: 30 °C (acrylic and elastic 40 °C)',
  'c-dil': 'half strength, at most 10 min',
  'c-white': 'only undyed and unprinted; chlorine only under an empty triangle',
  'c-label': 'only if the labels of piece and product both allow it',
  'c-rinse': 'rinse twice; never let it dry in the cloth',
  'c-spot': 'on a spot up to 10 cm only, never in a bath',
  'c-rare': 'at most every third wash',
  'c-coat': 'at most every third wash',
  'c-weak': 'weak when wet: no brush, no wringing, lift it in a net',
  'c-soap': 'only a bar made for wool, rubbed on the hands, at most 30 °C, two rinses',
  'c-trim': 'keep it 3 cm away from metal, or take the trim off; soak at most 30 min',
  'c-noheat': 'air it until no smell is left, then rinse with a surfactant; no heat',
  'c-damp': 'with a barely damp cloth only, then dry flat for a day',
  'c-dry': 'dry only, then brush off',
  'c-dryout': 'support it wet, dry it within a day, break the clumps',
  'c-lowheat': 'low heat only, where the label allows the dryer',
  'c-nocontact': 'no direct contact',
} as const satisfies Record<string, string>;
export type ConditionCode = keyof typeof conditions;

export const neverCodes = {
  'x-alkali': 'alkali swells, weakens or dulls the fibre',
  'x-protease': 'the enzyme eats protein fibre',
  'x-chlorine': 'chlorine yellows, hardens or dissolves the fibre',
  'x-dissolve': 'it softens or dissolves the fibre',
  'x-swell': 'elastic fibre and rubber swell and lose their stretch',
  'x-strip': 'it takes dye or print away',
  'x-print': 'it lifts the print',
  'x-skin': 'it hardens, stains or de-tans skin',
  'x-coat': 'its film blocks loft, stretch or wicking',
  'x-corrode': 'it corrodes metal, which then damages the cloth',
  'x-acid': 'acid weakens the fibre',
  'x-salt': 'salt damages the fibre or its finish',
  'x-nodryer': 'it does not go into a dryer',
  'x-refuse': 'it is never offered',
  'x-na': 'it does nothing useful here',
} as const satisfies Record<string, string>;
export type NeverCode = keyof typeof neverCodes;
export type FibreCode = 'ok' | ConditionCode | NeverCode;

/** One row per agent, codes in the order of the columns. */
export const agentFibre: Record<AgentId, string> = {
  water:
    'ok ok ok c-weak c-weak c-weak c-weak ok ok ok ok c-cool c-cool c-cool c-test c-damp x-skin c-dryout c-test ok c-fast c-bleed ok ok ok',
  'det-delicate':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok c-cool c-cool c-cool c-cool x-skin x-skin c-dryout c-test ok c-fast c-bleed ok ok ok',
  'det-wool-silk':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok c-cool c-cool c-cool c-cool x-skin x-skin c-dryout c-test ok c-fast c-bleed ok ok ok',
  'det-no-rinse':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok c-cool c-cool c-cool c-cool x-skin x-skin c-dryout c-test ok c-fast c-bleed ok ok ok',
  'det-universal-powder':
    'ok ok ok c-30 c-30 x-alkali x-alkali ok c-30 c-cool c-cool x-protease x-protease x-protease x-protease x-skin x-skin x-protease x-corrode ok c-fast x-strip c-test c-cool c-trim',
  'det-tablet':
    'ok ok ok c-30 c-30 x-alkali x-alkali ok c-30 c-cool c-cool x-protease x-protease x-protease x-protease x-skin x-skin x-protease x-corrode ok c-fast x-strip c-test c-cool c-trim',
  'det-colour-liquid':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok x-protease x-protease x-protease x-protease x-skin x-skin x-protease c-test ok c-fast c-bleed ok ok ok',
  'det-dark-liquid':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok x-protease x-protease x-protease x-protease x-skin x-skin x-protease c-test ok c-fast c-bleed ok ok ok',
  'det-pod':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok x-protease x-protease x-protease x-protease x-skin x-skin x-protease c-test ok c-fast c-bleed ok ok ok',
  'soap-bar':
    'ok ok ok c-weak c-weak c-10 c-10 ok ok ok ok c-soap c-soap c-soap x-alkali x-skin x-skin x-alkali c-test ok c-fast c-bleed ok ok ok',
  'soap-homemade':
    'ok ok ok c-weak c-weak c-10 c-10 ok ok ok ok x-alkali x-alkali x-alkali x-alkali x-skin x-skin x-alkali c-test ok c-fast c-bleed ok ok ok',
  'ox-gall-soap':
    'ok ok ok c-weak c-weak c-10 c-10 ok ok ok ok c-soap c-soap c-soap c-10 x-skin x-skin x-alkali c-test ok c-fast c-bleed ok ok ok',
  'shampoo-baby':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok c-cool c-cool c-cool c-cool x-skin x-skin c-dryout c-test ok c-fast c-bleed ok ok ok',
  'soap-dish':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok c-spot c-spot c-spot c-spot x-skin x-skin c-spot c-test ok c-fast c-spot ok ok ok',
  'soap-nut':
    'ok ok ok ok ok ok ok ok ok ok ok c-cool c-cool c-cool c-cool x-skin x-skin x-na c-test ok c-fast c-bleed ok ok ok',
  'enzyme-prespotter':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok x-protease x-protease x-protease x-protease x-skin x-skin x-protease c-test ok c-fast c-spot c-test ok ok',
  'prespotter-wool-safe':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok c-spot c-spot c-spot c-spot x-skin x-skin c-spot c-test ok c-fast c-spot c-test ok ok',
  'bio-odour-enzyme':
    'ok ok ok c-weak c-weak c-cool c-cool ok ok ok ok x-protease x-protease x-protease x-protease x-skin x-skin x-protease c-test ok c-fast c-spot c-test ok ok',
  'oxy-percarbonate':
    'ok ok ok c-30 c-30 c-10 c-10 ok c-30 c-30 c-30 x-alkali x-alkali x-alkali x-alkali x-skin x-skin x-alkali x-corrode ok c-fast x-strip c-test c-30 c-trim',
  'peroxide-3':
    'ok ok ok c-10 c-10 c-10 c-10 ok c-10 c-10 c-10 c-dil c-dil c-dil c-dil x-skin x-skin c-dil x-corrode ok c-test x-strip c-test c-10 c-trim',
  'chlorine-bleach':
    'c-white c-white c-white x-chlorine x-chlorine x-chlorine x-chlorine c-white x-chlorine x-chlorine x-chlorine x-chlorine x-chlorine x-chlorine x-chlorine x-skin x-skin x-chlorine x-corrode c-white x-strip x-strip x-strip x-chlorine x-corrode',
  borax:
    'ok ok ok c-30 c-30 x-alkali x-alkali ok ok c-30 c-30 x-alkali x-alkali x-alkali x-alkali x-skin x-skin x-alkali x-corrode ok c-fast x-strip c-test c-30 c-trim',
  'borax-substitute':
    'ok ok ok c-30 c-30 x-alkali x-alkali ok ok c-30 c-30 x-alkali x-alkali x-alkali x-alkali x-skin x-skin x-alkali x-corrode ok c-fast x-strip c-test c-30 c-trim',
  'washing-soda':
    'ok ok ok c-10 c-10 x-alkali x-alkali ok ok c-30 c-30 x-alkali x-alkali x-alkali x-alkali x-skin x-skin x-alkali x-corrode ok c-fast x-strip c-test c-30 c-trim',
  'baking-soda':
    'ok ok ok ok ok c-10 c-10 ok ok ok ok c-10 c-10 c-10 c-10 x-skin c-dry c-10 c-test ok c-fast c-bleed ok ok ok',
  'water-softener':
    'ok ok ok ok ok c-cool c-cool ok ok ok ok c-label c-label c-label c-label x-skin x-skin c-label c-test ok ok ok ok ok ok',
  ammonia:
    'x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse',
  'vinegar-white':
    'c-rinse c-rinse c-rinse c-rinse c-rinse c-dil c-dil c-rinse c-rinse c-rinse c-dil c-rinse c-rinse c-rinse c-dil x-skin x-skin c-rinse x-corrode ok c-fast c-bleed ok c-dil c-trim',
  'citric-acid':
    'c-rinse c-rinse c-rinse c-rinse c-rinse c-10 c-10 c-rinse c-10 c-rinse c-10 c-10 c-10 c-10 c-dil x-skin x-skin c-10 x-corrode ok c-test c-spot c-test c-10 c-trim',
  'lemon-juice':
    'c-rinse c-rinse c-rinse c-rinse c-rinse c-10 c-10 c-rinse c-10 c-rinse c-10 c-10 c-10 c-10 x-acid x-skin x-skin x-acid x-corrode ok c-test x-strip c-test c-10 c-trim',
  'rust-remover':
    'c-rinse c-rinse c-rinse c-10 c-10 c-10 c-10 c-rinse x-acid c-rinse c-10 c-label c-label c-label c-label x-skin x-skin x-acid x-corrode ok c-test x-strip c-test c-10 x-corrode',
  'isopropyl-alcohol':
    'c-noheat c-noheat c-noheat c-noheat c-noheat c-dil c-dil c-noheat c-noheat c-test c-spot c-noheat c-noheat c-noheat c-test x-skin x-skin c-spot c-test ok c-test c-test x-print c-spot ok',
  acetone:
    'c-noheat c-noheat c-noheat c-noheat c-noheat x-dissolve x-dissolve c-noheat c-noheat x-dissolve x-swell c-noheat c-noheat c-noheat c-test x-skin x-skin x-na x-corrode ok c-test c-test x-print x-swell ok',
  'solvent-spotter':
    'c-noheat c-noheat c-noheat c-noheat c-noheat c-test c-test c-noheat c-noheat c-noheat x-swell c-noheat c-noheat c-noheat c-noheat x-skin x-skin x-na c-test ok c-test c-test x-print x-swell ok',
  'mineral-spirits':
    'c-noheat c-noheat c-noheat c-noheat c-noheat c-test c-test c-noheat c-noheat c-noheat x-swell c-noheat c-noheat c-noheat c-noheat x-skin x-skin x-na c-test ok c-test c-test x-print x-swell ok',
  'essential-oil':
    'x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse',
  glycerine: 'ok ok ok ok ok ok ok ok ok ok ok ok ok ok ok c-test x-skin c-spot c-test ok c-test c-test ok ok ok',
  'soft-fat':
    'c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-spot c-test c-test x-skin x-coat c-spot ok c-spot c-spot c-spot x-swell ok',
  'dye-trap-sheet': 'ok ok ok ok ok ok ok ok ok ok ok ok ok ok ok x-na x-na ok ok ok ok ok ok ok ok',
  'dye-fixative':
    'ok ok ok ok ok x-na x-na x-na c-label x-na x-na c-label c-label c-label c-label x-skin x-skin x-na c-test x-na c-label c-label c-test ok ok',
  'reducer-run-remover':
    'ok ok ok c-30 c-30 c-label c-label ok c-label c-label c-label c-label c-label c-label c-label x-skin x-skin x-na x-corrode ok x-strip x-strip x-strip c-label c-trim',
  'laundry-blue':
    'c-label c-label c-label c-label c-label c-label c-label c-label c-label c-label c-label c-label c-label c-label c-label x-skin x-skin x-na c-label ok x-na x-na x-na ok ok',
  'fabric-softener':
    'c-rare c-rare c-rare c-rare c-rare c-rare c-rare c-coat c-coat c-rare x-coat x-coat x-coat x-coat x-coat x-skin x-skin x-coat c-test ok ok c-rare ok x-coat ok',
  'dryer-sheet':
    'c-rare c-rare c-rare c-rare c-rare x-nodryer x-nodryer c-coat c-coat c-rare x-coat x-nodryer x-nodryer x-nodryer x-nodryer x-nodryer x-nodryer x-coat x-nodryer ok ok x-nodryer x-nodryer x-coat ok',
  'dryer-ball':
    'ok ok ok c-lowheat c-lowheat x-nodryer x-nodryer c-lowheat c-lowheat c-lowheat c-lowheat x-nodryer x-nodryer x-nodryer x-nodryer x-nodryer x-nodryer c-lowheat x-nodryer ok ok x-nodryer c-lowheat c-lowheat ok',
  'hygiene-rinse':
    'ok ok ok ok ok ok ok ok ok ok ok c-label c-label c-label c-label x-skin x-skin c-label c-test ok c-label c-label ok ok ok',
  lanolin:
    'x-coat x-coat x-coat x-coat x-coat x-coat x-coat x-coat x-coat x-coat x-coat ok ok ok x-coat c-label x-skin x-coat x-coat ok ok x-coat x-coat c-spot ok',
  starch:
    'ok ok ok ok ok x-na x-na c-rare x-na x-na x-na x-na x-na x-na c-label x-skin x-skin x-na x-na ok ok ok ok x-na ok',
  'table-salt':
    'c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse c-rinse x-salt x-skin x-skin x-na x-corrode ok ok c-rinse ok ok c-trim',
  'absorbent-powder': 'ok ok ok ok ok ok ok ok ok ok ok ok ok ok ok c-dry c-dry ok ok ok c-dry c-dry ok ok ok',
  'leather-care':
    'x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na c-test x-skin x-na x-na ok c-test x-na x-na x-na ok',
  'suede-care':
    'x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na x-na ok x-na x-na ok c-dry x-na x-na x-na ok',
  mothball:
    'x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse x-refuse',
  cedar:
    'c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact x-na x-na x-na x-na c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact c-nocontact',
};
const cells = new Map(Object.entries(agentFibre).map(([agent, row]) => [agent, row.split(' ') as FibreCode[]]));
export const fibreCode = (agent: AgentId, column: MatrixColumn): FibreCode =>
  cells.get(agent)?.[matrixColumns.indexOf(column)] ?? 'x-na';

/** Finishes count as trims: agents they never meet. */
export const finishNever = {
  'flame-resistant': [
    'chlorine-bleach',
    'peroxide-3',
    'oxy-percarbonate',
    'soap-bar',
    'soap-homemade',
    'ox-gall-soap',
    'soap-dish',
    'soap-nut',
    'fabric-softener',
    'dryer-sheet',
  ],
  'water-repellent': ['fabric-softener', 'dryer-sheet', 'soap-bar', 'soap-homemade', 'soap-dish', 'soap-nut', 'starch'],
  'rubber-backed': ['isopropyl-alcohol', 'acetone', 'solvent-spotter', 'mineral-spirits'],
  'beaded-glued': ['isopropyl-alcohol', 'acetone', 'solvent-spotter', 'mineral-spirits'],
} as const satisfies Record<string, readonly AgentId[]>;
export type Finish = keyof typeof finishNever;
