/**
 * Agents one after the other on one piece, or together in one bath: which pairs are allowed, how many rinses they need between, and what forms when
 * people do it all the same. Pair exceptions override the group code.
 */
import { agentFacts, stockOf, type AgentGroup, type AgentId, type PreparationId } from './agents.ts';
import { groupCode, type HazardId, type MixCode } from './agent-agent.ts';

export type Chemical = AgentId | PreparationId;

export const pairReasons = [
  'enzyme-first',
  'acid-stops-enzyme',
  'takes-fat-away',
  'softener-first',
  'as-the-label-mixes',
  'softener-blocks-sheet',
  'cancel-each-other',
  'fix-after-wash',
  'one-finish',
  'alcohol-mixes',
  'one-at-a-time',
] as const;
export type PairReason = (typeof pairReasons)[number];

interface PairRule {
  first: readonly AgentId[];
  then: readonly AgentId[];
  code: MixCode;
  /** Holds in this order only. */ ordered?: boolean;
  why: PairReason;
}
const surfactants: readonly AgentId[] = [
  'det-delicate',
  'det-wool-silk',
  'det-no-rinse',
  'det-colour-liquid',
  'det-dark-liquid',
  'soap-dish',
  'shampoo-baby',
  'prespotter-wool-safe',
  'enzyme-prespotter',
  'soap-bar',
  'ox-gall-soap',
];
const detergents: readonly AgentId[] = [
  'det-delicate',
  'det-wool-silk',
  'det-no-rinse',
  'det-universal-powder',
  'det-tablet',
  'det-colour-liquid',
  'det-dark-liquid',
  'det-pod',
  'soap-nut',
];
// prettier-ignore
export const pairRules: readonly PairRule[] = [
  { first: ['enzyme-prespotter'], then: ['washing-soda'], code: 'r1', why: 'enzyme-first' },
  { first: ['enzyme-prespotter'], then: ['vinegar-white', 'citric-acid'], code: 'r1', why: 'acid-stops-enzyme' },
  { first: ['soft-fat', 'glycerine'], then: ['soap-dish'], code: 'ok', ordered: true, why: 'takes-fat-away' },
  { first: ['soap-bar', 'soap-homemade'], then: ['water-softener'], code: 'ok', why: 'softener-first' },
  { first: ['chlorine-bleach'], then: ['washing-soda'], code: 'r1', why: 'as-the-label-mixes' },
  { first: ['fabric-softener'], then: ['dye-trap-sheet'], code: 'r1', why: 'softener-blocks-sheet' },
  { first: ['hygiene-rinse'], then: detergents, code: 'r1', why: 'cancel-each-other' },
  { first: ['dye-fixative'], then: detergents, code: 'r1', why: 'fix-after-wash' },
  { first: ['starch'], then: ['fabric-softener'], code: 'pl', why: 'one-finish' },
  { first: ['isopropyl-alcohol'], then: ['water', ...surfactants], code: 'ok', ordered: true, why: 'alcohol-mixes' },
  { first: ['isopropyl-alcohol'], then: ['acetone'], code: 'ev', why: 'one-at-a-time' },
];

/** What holds for `b` after `a` (or beside it). */
export function mixCode(a: Chemical, b: Chemical): MixCode {
  const x = stockOf(a);
  const y = stockOf(b);
  if (x === y && x !== 'mothball') return 'ok';
  for (const r of pairRules) {
    if (r.first.includes(x) && r.then.includes(y)) return r.code;
    if (!r.ordered && r.first.includes(y) && r.then.includes(x)) return r.code;
  }
  return groupCode(agentFacts(x).group, agentFacts(y).group);
}

const acids: readonly AgentGroup[] = ['acid', 'rust-acid'];
/** What forms when the two meet; null = nothing dangerous. */
export function hazardOf(a: Chemical, b: Chemical): HazardId | null {
  const [x, y] = [stockOf(a), stockOf(b)];
  const groups: readonly AgentGroup[] = [agentFacts(x).group, agentFacts(y).group];
  const both = (p: (g: AgentGroup) => boolean, q: (g: AgentGroup) => boolean): boolean =>
    groups[0] !== undefined &&
    groups[1] !== undefined &&
    ((p(groups[0]) && q(groups[1])) || (p(groups[1]) && q(groups[0])));
  const is =
    (...g: AgentGroup[]) =>
    (k: AgentGroup): boolean =>
      g.includes(k);
  const oxygen = is('peroxy', 'oxi-det');
  if (x === y) return null;
  if (both(is('chlorine'), is(...acids))) return 'haz-chlorine';
  if (both(is('chlorine'), is('ammonia'))) return 'haz-chloramine';
  if (both(is('chlorine'), oxygen)) return 'haz-bleach-oxygen';
  if (both(is('chlorine'), is('flam-solvent'))) return 'haz-bleach-solvent';
  if (both(oxygen, is(...acids))) return 'haz-peracid';
  if ([x, y].includes('acetone') && both(is('peroxy'), is('flam-solvent'))) return 'haz-peroxide-acetone';
  if (both(is('reducer'), is(...acids))) return 'haz-so2';
  if (both(is('reducer'), (g) => g === 'chlorine' || oxygen(g))) return 'haz-redox';
  if (new Set([x, y]).has('baking-soda') && both(is('alkali'), is('acid'))) return 'haz-pressure';
  return null;
}

/** Rinses that a pair needs between; Infinity = never in one sequence. */
export function rinsesBetween(code: MixCode): number {
  switch (code) {
    case 'ok':
    case 'ev':
      return 0;
    case 'r1':
    case 'pl':
    case 'fl':
      return 1;
    case 'r2':
    case 'nv':
      return 2;
    case 'np':
    case 'no':
    case 'ai':
      return Infinity;
  }
}

/** A step as the sequence sees it. Tools without chemistry have `agent: null`. */
export interface SequenceStep {
  agent: Chemical | null;
  rinses: number;
  /** It may be left out: its rinses cannot be counted on. */
  mayBeSkipped: boolean;
  /** Airs the piece until no smell of solvent is left. */
  airs: boolean;
  wet: boolean;
}
export interface SequenceProblem {
  first: number;
  then: number;
  code: MixCode;
  problem: 'never' | 'rinses' | 'solvent-gone' | 'dry-cloth';
}

const volatile: readonly AgentId[] = ['solvent-spotter', 'mineral-spirits', 'acetone'];
const isSolvent = (a: Chemical): boolean => agentFacts(stockOf(a)).group === 'flam-solvent';
/** Solvents other than alcohol must be gone before anything else but another solvent. */
const mustEvaporate = (a: Chemical): boolean => volatile.includes(stockOf(a));

/** Every pair of a sequence that breaks a rule. An empty list = the sequence may be offered. */
export function sequenceProblems(steps: readonly SequenceStep[]): SequenceProblem[] {
  const out: SequenceProblem[] = [];
  for (let i = 0; i < steps.length; i++) {
    const a = steps[i] as SequenceStep;
    if (a.agent === null) continue;
    let rinses = a.rinses;
    let aired = false;
    let wetBetween = a.wet;
    for (let j = i + 1; j < steps.length; j++) {
      const b = steps[j] as SequenceStep;
      if (b.agent !== null) {
        const code = mixCode(a.agent, b.agent);
        const problem = (is: SequenceProblem['problem']): void => {
          out.push({ first: i, then: j, code, problem: is });
        };
        if (rinses < rinsesBetween(code)) problem(rinsesBetween(code) === Infinity ? 'never' : 'rinses');
        if (mustEvaporate(a.agent) && !isSolvent(b.agent) && !aired) problem('solvent-gone');
        if (volatile.includes(stockOf(b.agent)) && wetBetween) problem('dry-cloth');
      }
      if (b.airs) {
        aired = true;
        wetBetween = false;
      }
      if (!b.mayBeSkipped) rinses += b.rinses;
      if (b.wet) wetBetween = true;
    }
  }
  return out;
}

/** The same steps with rinses raised to what every later step needs; a pair that no rinse mends is left to `sequenceProblems`. */
export function withRinses<T extends SequenceStep>(steps: readonly T[]): T[] {
  const out = steps.map((s) => ({ ...s }));
  for (let j = 0; j < out.length; j++)
    for (let i = 0; i < j; i++) {
      const a = out[i] as T;
      const b = out[j] as T;
      if (a.agent === null || b.agent === null) continue;
      const needed = rinsesBetween(mixCode(a.agent, b.agent));
      if (needed === Infinity) continue;
      let has = a.rinses;
      for (let k = i + 1; k < j; k++) {
        const s = out[k] as T;
        if (!s.mayBeSkipped) has += s.rinses;
      }
      if (has < needed) a.rinses += needed - has;
    }
  return out;
}
