/** Whether a piece bears an agent, and on what conditions: the worst code over its fibres, dye, print, trims and finishes, then its label and its tests. */
import { agentFacts, isDetergent, type AgentId } from './agents.ts';
import {
  conditionCodes,
  fibreCode,
  finishNever,
  matrixColumns,
  type ConditionCode,
  type NeverCode,
} from './agent-fibre.ts';
import { hasAny, testedWith, type Cloth } from './cloth.ts';
import type { FibreId } from '../fibre/fibres.ts';
import { say, type Message } from '../message/message.ts';

export interface Never {
  code: NeverCode;
  because: Message;
}
export interface Bearing {
  never: Never | null;
  /** Sorted by the order of the table. */
  conditions: readonly ConditionCode[];
  /** A hidden-spot test with this agent must pass first. */
  needsTest: boolean;
  /** Most °C, minutes and least rinses that the conditions ask for. */
  mostC: number;
  mostMinutes: number;
  leastRinses: number;
  /** On a spot up to 10 cm, never in a bath. */
  spotOnly: boolean;
  halfStrength: boolean;
}

export const bleachingAgents: readonly AgentId[] = [
  'det-universal-powder',
  'det-tablet',
  'oxy-percarbonate',
  'peroxide-3',
  'chlorine-bleach',
];
const isCondition = (code: string): code is ConditionCode => (conditionCodes as readonly string[]).includes(code);
const neverOn = (code: NeverCode, fibre: FibreId): Never => ({
  code,
  because: say('chem.never-fibre', { fibre, never: code }),
});

/** Fibres whose own rows stand in no column: what they add. */
function extraNever(agent: AgentId, cloth: Cloth): Never | null {
  const solvent = agentFacts(agent).group === 'flam-solvent';
  if (cloth.fibres.has('coated') && solvent) return neverOn('x-swell', 'coated');
  if (cloth.fibres.has('cupro') && agent === 'acetone') return neverOn('x-dissolve', 'cupro');
  if (
    cloth.fibres.has('polypropylene') &&
    (agent === 'solvent-spotter' || agent === 'mineral-spirits' || agent === 'soft-fat')
  )
    return neverOn('x-swell', 'polypropylene');
  for (const f of cloth.finishes)
    if ((finishNever[f] as readonly AgentId[]).includes(agent))
      return { code: 'x-refuse', because: say('chem.never-finish', { finish: f }) };
  return null;
}

/** Outside the wash programme: on spots and in soaks. `bath` = the agent would surround the whole piece. */
export function bearingOf(agent: AgentId, cloth: Cloth): Bearing {
  let blocked = extraNever(agent, cloth);
  const found = new Set<ConditionCode>();
  for (const c of matrixColumns) {
    if (!cloth.columns.has(c)) continue;
    const code = fibreCode(agent, c);
    if (code === 'ok') continue;
    if (isCondition(code)) found.add(code);
    else blocked ??= { code, because: say('chem.never', { column: c, never: code }) };
  }
  if (cloth.absorbs && (found.has('c-rare') || found.has('c-coat')))
    blocked ??= { code: 'x-coat', because: say('chem.film') };
  if (agentFacts(agent).group === 'flam-solvent') found.add('c-noheat');
  let needsTest = false;
  const test = testedWith(cloth, agent);
  if (bleachingAgents.includes(agent)) {
    if (cloth.labelBleach === 'none') blocked ??= { code: 'x-refuse', because: say('chem.label-no-bleach') };
    else if (agent === 'chlorine-bleach' && cloth.labelBleach !== 'any')
      blocked ??= { code: 'x-chlorine', because: say('chem.chlorine-label') };
    else if (cloth.labelBleach === null) needsTest = true;
  }
  if (found.has('c-white') && !cloth.plainWhite) blocked ??= { code: 'x-strip', because: say('chem.only-undyed') };
  if (found.has('c-test')) needsTest = true;
  if (found.has('c-fast') && cloth.fastness !== 'fast') {
    const washing = agent === 'water' || isDetergent(agent);
    // A trace leaves the cold flush open, with an eye on the dye.
    if (washing && (cloth.fastness === 'strong' || (cloth.fastness === 'trace' && agent !== 'water')))
      blocked ??= { code: 'x-strip', because: say('chem.dye-runs') };
    else needsTest = true;
  } else if (found.has('c-fast') && agent !== 'water' && !isDetergent(agent)) needsTest = true;
  if (needsTest && test === 'failed' && agent !== 'water')
    blocked ??= { code: 'x-strip', because: say('chem.test-failed') };
  if (test === 'passed') needsTest = false;
  const elastic =
    hasAny(cloth, ['acrylic', 'elastane', 'elastic-trim']) &&
    !hasAny(cloth, ['acetate', 'triacetate', 'wool', 'cashmere', 'mohair-alpaca-angora', 'silk']);
  const has = (c: ConditionCode): boolean => found.has(c);
  return {
    never: blocked,
    conditions: conditionCodes.filter((c) => found.has(c)),
    needsTest,
    mostC: Math.min(
      has('c-10') || has('c-soap') || has('c-bleed') ? 30 : Infinity,
      has('c-30') ? 40 : Infinity,
      has('c-cool') ? (elastic ? 40 : 30) : Infinity,
    ),
    mostMinutes: Math.min(has('c-10') || has('c-dil') ? 10 : Infinity, has('c-30') || has('c-trim') ? 30 : Infinity),
    leastRinses: has('c-rinse') || has('c-soap') ? 2 : has('c-10') || has('c-30') ? 1 : 0,
    spotOnly: has('c-spot'),
    halfStrength: has('c-dil'),
  };
}
