/** What takes an agent's place: where the cloth does not bear it, and where the cupboard has none. */
import type { AgentId } from '../chemistry/agents.ts';
import { acetateColumns, hasAny, proteinColumns, type Cloth } from '../chemistry/cloth.ts';
import type { MatrixColumn } from '../chemistry/agent-fibre.ts';
import type { Chemical } from '../chemistry/sequence.ts';
import type { ActionId } from './actions.ts';

/** A change to a step. `stop` = nothing at home replaces it. */
export type Substitute =
  | {
      agent: Chemical;
      action?: ActionId;
      minutes?: readonly [number, number];
      temperatureC?: readonly [number, number];
      repeats?: number;
      rinses?: number;
      dose?: string;
    }
  | 'skip'
  | 'stop-pro';

const enzymeDetergents: readonly AgentId[] = [
  'det-colour-liquid',
  'det-dark-liquid',
  'det-pod',
  'det-universal-powder',
  'det-tablet',
];
const proteinLike: readonly MatrixColumn[] = [...proteinColumns, 'down'];
const noPeroxide: readonly MatrixColumn[] = ['raw-indigo', 'metallic-thread', 'down'];

interface Row {
  agents: readonly AgentId[];
  where: (c: Cloth) => boolean;
  instead: Substitute;
}
const on =
  (...columns: MatrixColumn[]) =>
  (c: Cloth): boolean =>
    hasAny(c, columns);
const solvents: readonly AgentId[] = ['isopropyl-alcohol', 'acetone', 'solvent-spotter', 'mineral-spirits'];
/** First row that fits. Everything else is skipped. */
const rows: readonly Row[] = [
  {
    agents: ['enzyme-prespotter'],
    where: (c) => hasAny(c, proteinLike),
    instead: { agent: 'prespotter-wool-safe', minutes: [10, 15], temperatureC: [20, 30], repeats: 2, dose: '1–3 ml' },
  },
  {
    agents: enzymeDetergents,
    where: (c) => hasAny(c, proteinLike),
    instead: { agent: 'det-wool-silk', dose: '1–2 ml/l in a bath, 1:4 on the spot' },
  },
  {
    agents: ['bio-odour-enzyme'],
    where: (c) => hasAny(c, proteinColumns),
    instead: { agent: 'det-wool-silk', dose: '1–2 ml/l' },
  },
  { agents: ['oxy-percarbonate', 'peroxide-3'], where: (c) => hasAny(c, noPeroxide), instead: 'skip' },
  {
    agents: ['oxy-percarbonate'],
    where: (c) => hasAny(c, proteinColumns),
    instead: {
      agent: 'peroxide-1',
      action: 'dab',
      minutes: [5, 10],
      temperatureC: [15, 25],
      repeats: 1,
      rinses: 2,
      dose: '1–3 ml',
    },
  },
  {
    agents: ['acetone'],
    where: (c) => hasAny(c, acetateColumns) || c.fibres.has('cupro') || c.fibres.has('unknown'),
    instead: 'stop-pro',
  },
  {
    agents: solvents,
    where: on('print'),
    instead: { agent: 'soap-dish', action: 'dab-on-pad', minutes: [5, 10], rinses: 1, dose: '1–2 ml' },
  },
  {
    agents: ['acetone'],
    where: on('acrylic', 'elastane', 'elastic-trim'),
    instead: { agent: 'isopropyl-alcohol', dose: '≤ 5 ml' },
  },
  {
    agents: ['solvent-spotter'],
    where: on('elastane', 'elastic-trim'),
    instead: { agent: 'isopropyl-alcohol', dose: '≤ 5 ml' },
  },
  {
    agents: ['mineral-spirits'],
    where: on('elastane', 'elastic-trim'),
    instead: { agent: 'soap-dish', action: 'work-fingers', minutes: [5, 10], rinses: 1, dose: '1–3 ml' },
  },
  {
    agents: ['rust-remover'],
    where: on('nylon', 'down'),
    instead: { agent: 'citric-acid', action: 'soak', minutes: [5, 10], repeats: 1, dose: '20 g/l' },
  },
];
export const insteadOf = (agent: AgentId, cloth: Cloth): Substitute =>
  rows.find((r) => r.agents.includes(agent) && r.where(cloth))?.instead ?? 'skip';

/** How strong a stand-in is taken: the recipe's dose belongs to the agent it names. */
const standInDoses = {
  'det-colour-liquid': { spot: '2–5 ml', bath: '5 ml/l' },
  'det-dark-liquid': { spot: '2–5 ml', bath: '5 ml/l' },
  'det-delicate': { spot: '2 ml', bath: '2 ml/l' },
  'det-wool-silk': { spot: '1:4 water, 5 ml', bath: '1–2 ml/l' },
  'det-no-rinse': { spot: '1:4 water, 5 ml', bath: '1 ml/l' },
  'shampoo-baby': { spot: '1–2 ml', bath: '1–2 ml/l' },
  'soap-dish': { spot: '1–3 ml', bath: '1 ml/l' },
  'citric-acid': { spot: '10 g/l', bath: '10 g/l' },
  'vinegar-white': { spot: '1:2 water, 10–20 ml', bath: '20 ml/l' },
  'peroxide-3': { spot: '1–3 ml', bath: '1–3 ml' },
  'isopropyl-alcohol': { spot: '≤ 5 ml', bath: '≤ 5 ml' },
  'solvent-spotter': { spot: '≤ 5 ml', bath: '≤ 5 ml' },
  'soap-bar': { spot: '0.5–2 g', bath: '0.5–2 g' },
  'enzyme-prespotter': { spot: '3–5 ml', bath: '5 ml/l' },
  'prespotter-wool-safe': { spot: '1–3 ml', bath: '1–3 ml' },
} as const satisfies Partial<Record<AgentId, { spot: string; bath: string }>>;
type StandIn = keyof typeof standInDoses;
export const standInDose = (agent: StandIn, inBath: boolean): string => standInDoses[agent][inBath ? 'bath' : 'spot'];

/** What else may serve when the cupboard has none, best first. Tools and water are always there. */
export const missingAgent: Partial<Record<AgentId, readonly StandIn[]>> = {
  'det-colour-liquid': ['det-dark-liquid', 'det-delicate', 'det-wool-silk', 'soap-dish'],
  'det-delicate': ['det-wool-silk', 'det-no-rinse', 'shampoo-baby', 'soap-dish', 'det-colour-liquid'],
  'det-wool-silk': ['det-no-rinse', 'shampoo-baby', 'det-delicate'],
  'enzyme-prespotter': ['det-colour-liquid', 'det-dark-liquid'],
  'prespotter-wool-safe': ['det-wool-silk', 'det-no-rinse', 'shampoo-baby'],
  'soap-dish': ['det-delicate', 'shampoo-baby', 'det-wool-silk'],
  'vinegar-white': ['citric-acid'],
  'citric-acid': ['vinegar-white'],
  'oxy-percarbonate': ['peroxide-3'],
  acetone: ['isopropyl-alcohol'],
  'solvent-spotter': ['isopropyl-alcohol'],
  'mineral-spirits': ['solvent-spotter'],
  'ox-gall-soap': ['soap-bar', 'soap-dish', 'det-delicate'],
  'bio-odour-enzyme': ['enzyme-prespotter', 'det-colour-liquid'],
  'rust-remover': ['citric-acid'],
};
