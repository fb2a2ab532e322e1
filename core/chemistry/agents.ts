/** Agents of the laundry cupboard: compatibility group, pH at working strength, protection. Typical retail strengths; the product label always wins. */
import type { PpeId } from './safety.ts';

export const agentGroups = [
  'neutral-surf',
  'enzyme-det',
  'oxi-det',
  'soap',
  'alkali',
  'peroxy',
  'chlorine',
  'acid',
  'rust-acid',
  'ammonia',
  'reducer',
  'flam-solvent',
  'cationic',
  'oil-finish',
  'inert',
  'storage-vapour',
] as const;
export type AgentGroup = (typeof agentGroups)[number];

export interface AgentFacts {
  group: AgentGroup;
  /** Lowest and highest pH; null = not in water. */
  ph: readonly [number, number] | null;
  ppe: PpeId;
}

export const agents = {
  water: {
    group: 'inert',
    ph: [6.5, 8.5],
    ppe: 'ppe-none',
  },
  'det-delicate': {
    group: 'neutral-surf',
    ph: [6.5, 8],
    ppe: 'ppe-none',
  },
  'det-wool-silk': {
    group: 'neutral-surf',
    ph: [6, 7.5],
    ppe: 'ppe-none',
  },
  'det-no-rinse': {
    group: 'neutral-surf',
    ph: [6, 7.5],
    ppe: 'ppe-none',
  },
  'det-universal-powder': {
    group: 'oxi-det',
    ph: [10, 11],
    ppe: 'ppe-gloves',
  },
  'det-tablet': {
    group: 'oxi-det',
    ph: [9.5, 10.8],
    ppe: 'ppe-gloves',
  },
  'det-colour-liquid': {
    group: 'enzyme-det',
    ph: [7.5, 9],
    ppe: 'ppe-gloves',
  },
  'det-dark-liquid': {
    group: 'enzyme-det',
    ph: [7, 8.5],
    ppe: 'ppe-gloves',
  },
  'det-pod': {
    group: 'enzyme-det',
    ph: [7, 9.5],
    ppe: 'ppe-none',
  },
  'soap-bar': {
    group: 'soap',
    ph: [9, 10.5],
    ppe: 'ppe-none',
  },
  'soap-homemade': {
    group: 'soap',
    ph: [9, 10.5],
    ppe: 'ppe-gloves',
  },
  'ox-gall-soap': {
    group: 'soap',
    ph: [8, 10],
    ppe: 'ppe-none',
  },
  'shampoo-baby': {
    group: 'neutral-surf',
    ph: [5.5, 7],
    ppe: 'ppe-none',
  },
  'soap-dish': {
    group: 'neutral-surf',
    ph: [6, 8],
    ppe: 'ppe-none',
  },
  'soap-nut': {
    group: 'neutral-surf',
    ph: [5, 6.5],
    ppe: 'ppe-none',
  },
  'enzyme-prespotter': {
    group: 'enzyme-det',
    ph: [7, 8.5],
    ppe: 'ppe-gloves',
  },
  'prespotter-wool-safe': {
    group: 'neutral-surf',
    ph: [6.5, 7.5],
    ppe: 'ppe-none',
  },
  'bio-odour-enzyme': {
    group: 'enzyme-det',
    ph: [6.5, 8],
    ppe: 'ppe-gloves',
  },
  'oxy-percarbonate': {
    group: 'peroxy',
    ph: [10.4, 11],
    ppe: 'ppe-gloves-eye',
  },
  'peroxide-3': {
    group: 'peroxy',
    ph: [3, 5],
    ppe: 'ppe-gloves',
  },
  'chlorine-bleach': {
    group: 'chlorine',
    ph: [11, 13],
    ppe: 'ppe-gloves-eye-vent',
  },
  borax: {
    group: 'alkali',
    ph: [9.2, 9.5],
    ppe: 'ppe-gloves-eye',
  },
  'borax-substitute': {
    group: 'alkali',
    ph: [9.8, 10.2],
    ppe: 'ppe-gloves',
  },
  'washing-soda': {
    group: 'alkali',
    ph: [11, 11.6],
    ppe: 'ppe-gloves-eye',
  },
  'baking-soda': {
    group: 'alkali',
    ph: [8, 8.5],
    ppe: 'ppe-none',
  },
  'water-softener': {
    group: 'inert',
    ph: [8, 10],
    ppe: 'ppe-gloves',
  },
  ammonia: {
    group: 'ammonia',
    ph: [11, 12],
    ppe: 'ppe-gloves-eye-vent',
  },
  'vinegar-white': {
    group: 'acid',
    ph: [2.4, 3],
    ppe: 'ppe-none',
  },
  'citric-acid': {
    group: 'acid',
    ph: [2, 2.5],
    ppe: 'ppe-gloves-eye',
  },
  'lemon-juice': {
    group: 'acid',
    ph: [2, 2.6],
    ppe: 'ppe-gloves',
  },
  'rust-remover': {
    group: 'rust-acid',
    ph: [1, 2.5],
    ppe: 'ppe-gloves-eye-vent',
  },
  'isopropyl-alcohol': {
    group: 'flam-solvent',
    ph: [7, 7],
    ppe: 'ppe-gloves-vent',
  },
  acetone: {
    group: 'flam-solvent',
    ph: [7, 7],
    ppe: 'ppe-gloves-vent',
  },
  'solvent-spotter': {
    group: 'flam-solvent',
    ph: [7, 7],
    ppe: 'ppe-gloves-vent',
  },
  'mineral-spirits': {
    group: 'flam-solvent',
    ph: [7, 7],
    ppe: 'ppe-gloves-vent',
  },
  'essential-oil': {
    group: 'flam-solvent',
    ph: [7, 7],
    ppe: 'ppe-gloves',
  },
  glycerine: {
    group: 'oil-finish',
    ph: [7, 7],
    ppe: 'ppe-none',
  },
  'soft-fat': {
    group: 'oil-finish',
    ph: [7, 7],
    ppe: 'ppe-none',
  },
  'dye-trap-sheet': {
    group: 'inert',
    ph: [7, 7],
    ppe: 'ppe-none',
  },
  'dye-fixative': {
    group: 'cationic',
    ph: [5, 7],
    ppe: 'ppe-gloves',
  },
  'reducer-run-remover': {
    group: 'reducer',
    ph: [6, 10],
    ppe: 'ppe-gloves-eye-vent',
  },
  'laundry-blue': {
    group: 'inert',
    ph: [7, 7],
    ppe: 'ppe-gloves',
  },
  'fabric-softener': {
    group: 'cationic',
    ph: [2.5, 4],
    ppe: 'ppe-none',
  },
  'dryer-sheet': {
    group: 'cationic',
    ph: null,
    ppe: 'ppe-none',
  },
  'dryer-ball': {
    group: 'inert',
    ph: null,
    ppe: 'ppe-none',
  },
  'hygiene-rinse': {
    group: 'cationic',
    ph: [6, 8],
    ppe: 'ppe-gloves-eye',
  },
  lanolin: {
    group: 'oil-finish',
    ph: [6.5, 8],
    ppe: 'ppe-none',
  },
  starch: {
    group: 'inert',
    ph: [6, 8],
    ppe: 'ppe-none',
  },
  'table-salt': {
    group: 'inert',
    ph: [7, 7],
    ppe: 'ppe-none',
  },
  'absorbent-powder': {
    group: 'inert',
    ph: [7, 7],
    ppe: 'ppe-mask',
  },
  'leather-care': {
    group: 'oil-finish',
    ph: [4.5, 7],
    ppe: 'ppe-none',
  },
  'suede-care': {
    group: 'inert',
    ph: null,
    ppe: 'ppe-none',
  },
  mothball: {
    group: 'storage-vapour',
    ph: null,
    ppe: 'ppe-gloves-vent',
  },
  cedar: {
    group: 'storage-vapour',
    ph: null,
    ppe: 'ppe-none',
  },
} as const satisfies Record<string, AgentFacts>;

export type AgentId = keyof typeof agents;
export const agentIds = Object.keys(agents) as AgentId[];
export const agentFacts = (id: AgentId): AgentFacts => agents[id];
const detergentGroups: readonly AgentGroup[] = ['neutral-surf', 'enzyme-det', 'oxi-det', 'soap'];
/** What a load is washed with, as against a spotting agent. */
export const isDetergent = (id: string): boolean =>
  id in agents && detergentGroups.includes(agents[id as AgentId].group);

/** Known, and never offered as a step. */
export const refusedAgents: readonly AgentId[] = ['ammonia', 'essential-oil', 'mothball'];

/** Made on the spot from a stock agent: not kept, not bought. */
export const preparations = {
  'peroxide-1': { from: 'peroxide-3' },
  'alcohol-1-2': { from: 'isopropyl-alcohol' },
} as const satisfies Record<string, { from: AgentId }>;
export type PreparationId = keyof typeof preparations;

/**
 * What a test with an agent or a preparation says of the agent itself: a weaker mix that harms says that the agent would, too; one that does not
 * harm says nothing. Null = nothing, also for a name that is none.
 */
export function agentTested(id: string, passed: boolean): AgentId | null {
  if (Object.hasOwn(agents, id)) return id as AgentId;
  return Object.hasOwn(preparations, id) && !passed ? preparations[id as PreparationId].from : null;
}
/** The stock agent behind an agent or a preparation. */
export const stockOf = (id: AgentId | PreparationId): AgentId =>
  id in preparations ? preparations[id as PreparationId].from : (id as AgentId);
