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

/** What a code asks for stands in `words/`. */
export const conditionCodes = [
  'c-test',
  'c-fast',
  'c-bleed',
  'c-10',
  'c-30',
  'c-cool',
  'c-dil',
  'c-white',
  'c-label',
  'c-rinse',
  'c-spot',
  'c-rare',
  'c-coat',
  'c-weak',
  'c-soap',
  'c-trim',
  'c-noheat',
  'c-damp',
  'c-dry',
  'c-dryout',
  'c-lowheat',
  'c-nocontact',
] as const;
export type ConditionCode = (typeof conditionCodes)[number];

export const neverCodes = [
  'x-alkali',
  'x-protease',
  'x-chlorine',
  'x-dissolve',
  'x-swell',
  'x-strip',
  'x-print',
  'x-skin',
  'x-coat',
  'x-corrode',
  'x-acid',
  'x-salt',
  'x-nodryer',
  'x-refuse',
  'x-na',
] as const;
export type NeverCode = (typeof neverCodes)[number];
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
