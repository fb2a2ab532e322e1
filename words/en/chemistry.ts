/** Agents in words: what a cloth asks of them, why it never bears them, what forms when two meet. */
import type { HazardId, MixCode } from '@core/chemistry/agent-agent.ts';
import type { ConditionCode, MatrixColumn, NeverCode } from '@core/chemistry/agent-fibre.ts';
import { agents, preparations, type PreparationId } from '@core/chemistry/agents.ts';
import type { Chemical, PairReason } from '@core/chemistry/sequence.ts';
import { isTool, tools, type ToolId } from '@core/chemistry/tools.ts';
import type { chemistryMessages } from '@core/message/chemistry.ts';
import { agentNames, preparationWords, toolNames } from './things.ts';

// prettier-ignore
export const chemistryWords: Record<keyof typeof chemistryMessages, string> = {
  'chem.never': '{column}: {never}',
  'chem.never-fibre': '{fibre}: {never}',
  'chem.never-finish': '{finish} finish: it would harm it',
  'chem.film': 'its film keeps towels and sportswear from taking up water',
  'chem.label-no-bleach': 'its label forbids bleach',
  'chem.chlorine-label': 'chlorine needs an empty triangle on the label',
  'chem.only-undyed': 'only on undyed cloth without print',
  'chem.dye-runs': 'its dye runs',
  'chem.test-failed': 'the test with it failed',
  'chem.condition': '{condition}',
  'chem.agent-condition': '{agent}: {condition}',
  'chem.no-chlorine-beside': 'never chlorine with urine, vomit or sweat: it gives off toxic gas',
  'chem.no-bleach-beside-iron': 'no bleach while rust or sunscreen is in the cloth',
  'ask.never-used': '{agent} is never used. {agentHazards}.',
  'ask.test-first': 'Test it on a hidden place first: it has not been tested with this.',
  'ask.strength': 'How strong: {agentStrength}.',
  'ask.fresh-bath': 'One after the other only with two full rinses and a fresh bath between.',
  'ask.mix': '{mix}',
  'ask.pair': '{pair}',
  'ask.forms': 'What forms: {hazardForms}. {hazard}',
  'soap.hardness-unknown': 'The hardness of the water is not known.',
  'soap.too-hard': 'The water is too hard: most of the soap would turn into scum.',
  'soap.too-much': 'More than 1.5 litres of solution: take a detergent.',
};

export const conditionWords: Record<ConditionCode, string> = {
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
};
export const neverWords: Record<NeverCode, string> = {
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
};
export const columnWords: Partial<Record<MatrixColumn, string>> = {
  'modal-lyocell': 'modal or lyocell',
  'mohair-alpaca-angora': 'mohair, alpaca or angora',
  'metallic-thread': 'metallic yarn',
  'raw-indigo': 'raw indigo',
  'elastic-trim': 'elastic',
  'metal-trim': 'metal parts',
  dyed: 'dyed cloth',
  undyed: 'undyed cloth',
  print: 'a print',
};
export const mixWords: Record<MixCode, string> = {
  ok: 'may share a bath or follow without rinse',
  r1: 'not together; 1 full rinse between',
  r2: 'not together; 2 full rinses between',
  nv: 'never together; in sequence only after 2 full rinses and a fresh bath',
  np: 'never in the same plan or room session, any order',
  pl: 'pointless together: one cancels the other; not offered; 1 rinse if in sequence',
  fl: 'solvent first: evaporate to no smell, then surfactant flush and 1 rinse before anything else; solvent after wet step needs dry cloth',
  ev: 'one after the other after 5 min evaporation; never mixed in one container',
  ai: 'air garment 24–48 h outdoors before any bath or heat',
  no: 'refused agent',
};
/** The answer to "may they meet?", after "Together: ". */
export const mixTitles: Record<MixCode, string> = {
  ok: 'yes',
  r1: 'no, rinse once between',
  r2: 'no, rinse twice between',
  nv: 'never',
  np: 'never, not even in the same session',
  pl: 'no use, they cancel each other',
  fl: 'the solvent first, and let it go',
  ev: 'one after the other',
  ai: 'air it outdoors for a day or two first',
  no: 'no, one of them is never used',
};
export const pairWords: Record<PairReason, string> = {
  'enzyme-first': 'High pH stops the enzyme: the enzyme first.',
  'acid-stops-enzyme': 'Acid stops the enzyme: rinse between.',
  'takes-fat-away': 'The dish liquid takes the fat away.',
  'softener-first': 'Softener first.',
  'as-the-label-mixes': 'Only as the label mixes them.',
  'softener-blocks-sheet': 'Softener blocks the sheet: the sheet in the wash, softener last.',
  'cancel-each-other': 'They cancel each other: only in the last rinse.',
  'fix-after-wash': 'Fix after the wash, then rinse.',
  'one-finish': 'One finish only.',
  'alcohol-mixes': 'Alcohol mixes with water; no smell must be left before drum, dryer or iron.',
  'one-at-a-time': 'One at a time.',
};
export const hazardForms: Record<HazardId, string> = {
  'haz-chlorine': 'chlorine gas',
  'haz-chloramine': 'chloramines',
  'haz-bleach-oxygen': 'oxygen, heat, splashing; both lost',
  'haz-bleach-solvent': 'chlorinated vapour, heat',
  'haz-peracid': 'peracetic acid',
  'haz-peroxide-acetone': 'unstable peroxide',
  'haz-so2': 'sulphur dioxide',
  'haz-redox': 'heat, gas',
  'haz-pressure': 'burst',
  'haz-fire': 'flame, self-heating',
  'haz-cyano': 'heat, smoke, burn',
};
/** What to do when it forms. */
export const hazardWords: Record<HazardId, string> = {
  'haz-chlorine':
    'Stop and leave the room now. Open a window only on your way out. Call the poison centre or the emergency number.',
  'haz-chloramine':
    'Stop and leave the room now. Do not add anything to neutralise. Call the poison centre or the emergency number.',
  'haz-bleach-oxygen': 'Do not combine. Rinse out one fully, then choose.',
  'haz-bleach-solvent': 'Do not combine. Air the room.',
  'haz-peracid': 'Do not premix. It burns eyes and skin.',
  'haz-peroxide-acetone': 'Never bring these together. Rinse and air first.',
  'haz-so2': 'Stop and leave the room. Air it from outside. Call the poison centre if breathing is hard.',
  'haz-redox': 'Use one only, two rinses apart.',
  'haz-pressure': 'Never close a bottle of mixed bath.',
  'haz-fire': 'No heat, spark or smoking. Lay oily rags flat outside; no heaps.',
  'haz-cyano': 'Do not touch. Let it cure and cool.',
};
/** Home-made soap solution: where it never goes. */
export const soapNotOn =
  'Never on wool, silk, down, acetate, sportswear, water-repellent or flame-resistant cloth; into the drum by cup, not the drawer; no vinegar in the same bath.';

const isPreparation = (id: string): id is PreparationId => id in preparations;
/** The name of an agent, a preparation or a tool; with what a preparation is mixed of. */
export function chemicalName(id: Chemical | ToolId, withMix = false): string {
  if (isTool(id)) return toolNames[id];
  if (!isPreparation(id)) return agentNames[id];
  const { name, mix } = preparationWords[id];
  return withMix ? `${name} (${mix})` : name;
}

/** The name of an agent or tool as it was written into a log; what is no longer known is said as it was written. */
export const loggedName = (id: string): string =>
  id in agents || id in preparations || id in tools ? chemicalName(id as Chemical | ToolId) : id;
