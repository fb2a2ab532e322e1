/** The classes of products in plain words. */
import { agents } from '@core/chemistry/agents.ts';
import { agentNames } from '@words/en/things.ts';

const classWords: Partial<Record<string, string>> = {
  universal: 'Universal, with bleach',
  colour: 'Colour',
  dark: 'Dark',
  delicate: 'Delicates',
  'wool-silk': 'Wool and silk',
  'no-rinse-wool': 'Wool, no rinse',
  soap: 'Soap',
  'own-soap': 'Home-made soap',
  softener: 'Softener',
  vinegar: 'Vinegar',
  'oxygen-bleach': 'Oxygen bleach',
  'chlorine-bleach': 'Chlorine bleach',
  'colour-catcher': 'Colour catcher',
  'pre-spotter': 'Pre-spotter',
  'dish-soap': 'Washing-up liquid',
};
/** The class of a product as people say it. */
export const productClassText = (id: string): string =>
  classWords[id] ?? (id in agents ? agentNames[id as keyof typeof agents] : id.replace(/-/g, ' '));
