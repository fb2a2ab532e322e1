/** The household's products as agents: a product's class is a short household word, or an agent id itself. */
import type { Household, Product } from '../model/household.ts';
import { agents, type AgentId } from './agents.ts';

const classAgent: Record<string, AgentId> = {
  colour: 'det-colour-liquid',
  dark: 'det-dark-liquid',
  delicate: 'det-delicate',
  'wool-silk': 'det-wool-silk',
  'no-rinse-wool': 'det-no-rinse',
  soap: 'soap-bar',
  'own-soap': 'soap-homemade',
  softener: 'fabric-softener',
  vinegar: 'vinegar-white',
  'oxygen-bleach': 'oxy-percarbonate',
  'chlorine-bleach': 'chlorine-bleach',
  'colour-catcher': 'dye-trap-sheet',
  'pre-spotter': 'enzyme-prespotter',
  'dish-soap': 'soap-dish',
};
const universalForms: Partial<Record<Product['form'], AgentId>> = {
  tablet: 'det-tablet',
  pod: 'det-pod',
  liquid: 'det-colour-liquid',
};

/** The agent behind a product; null for a class that is none. */
export function agentOfProduct(p: Pick<Product, 'class' | 'form'>): AgentId | null {
  if (p.form === 'pod' && (p.class === 'universal' || p.class === 'colour')) return 'det-pod';
  if (p.class === 'universal') return universalForms[p.form] ?? 'det-universal-powder';
  return classAgent[p.class] ?? (p.class in agents ? (p.class as AgentId) : null);
}

/** Agents that are not used up. Pods are never opened and count only in the drum. */
export const cupboardOf = (h: Pick<Household, 'products'>): ReadonlySet<AgentId> =>
  new Set(
    h.products
      .filter((p) => p.remaining !== 0)
      .flatMap((p) => {
        const a = agentOfProduct(p);
        return a && a !== 'det-pod' ? [a] : [];
      }),
  );
