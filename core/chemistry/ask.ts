/** Answers to "can I use this on that, or with the other?", from the same tables that write procedures. */
import { practices, type PracticeId } from '../stain/practices.ts';
import { hazards, mixCodes, type MixCode } from './agent-agent.ts';
import { conditions } from './agent-fibre.ts';
import { agentFacts, agentIds, agents, refusedAgents, type AgentId } from './agents.ts';
import { bearingOf } from './bearing.ts';
import type { Cloth } from './cloth.ts';
import { hazardOf, mixCode, pairRules } from './sequence.ts';

export interface Answer {
  verdict: 'yes' | 'with-care' | 'no';
  title: string;
  lines: string[];
  danger: boolean;
}

export function onPiece(agent: AgentId, cloth: Cloth): Answer {
  const name = agents[agent].name;
  if (refusedAgents.includes(agent))
    return {
      verdict: 'no',
      title: 'no',
      lines: [
        `${name} is never used. ${agentFacts(agent).hazards.charAt(0).toUpperCase()}${agentFacts(agent).hazards.slice(1)}.`,
      ],
      danger: true,
    };
  const b = bearingOf(agent, cloth);
  if (b.never)
    return {
      verdict: 'no',
      title: 'no',
      lines: [`${b.never.because.charAt(0).toUpperCase()}${b.never.because.slice(1)}.`],
      danger: false,
    };
  const lines = b.conditions.map((c) => conditions[c]).map((t) => `${t.charAt(0).toUpperCase()}${t.slice(1)}.`);
  if (b.needsTest) lines.unshift('Test it on a hidden place first: it has not been tested with this.');
  return {
    verdict: lines.length > 0 ? 'with-care' : 'yes',
    title: lines.length > 0 ? 'yes, with care' : 'yes',
    lines: [...lines, `How strong: ${agentFacts(agent).concentration}.`],
    danger: false,
  };
}

const mixTitles: Record<MixCode, string> = {
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
export function together(a: AgentId, b: AgentId): Answer {
  const code = mixCode(a, b);
  const hazard = hazardOf(a, b);
  const why = pairRules.find(
    (r) => (r.first.includes(a) && r.then.includes(b)) || (r.first.includes(b) && r.then.includes(a)),
  )?.why;
  const lines = [
    ...(code === 'nv'
      ? ['One after the other only with two full rinses and a fresh bath between.']
      : code === 'np' || code === 'no'
        ? []
        : [`${mixCodes[code].charAt(0).toUpperCase()}${mixCodes[code].slice(1)}.`]),
    ...(why ? [why] : []),
    ...(hazard ? [`What forms: ${hazards[hazard].forms}. ${hazards[hazard].text}`] : []),
  ];
  return {
    verdict:
      code === 'ok' ? 'yes' : code === 'r1' || code === 'r2' || code === 'ev' || code === 'fl' ? 'with-care' : 'no',
    title: mixTitles[code],
    lines,
    danger: hazard !== null && (code === 'nv' || code === 'np' || code === 'no'),
  };
}

/** Household customs whose words, or whose answer, hold the query. */
export function findPractices(query: string): PracticeId[] {
  const words = query
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((w) => w.length > 2);
  if (words.length === 0) return [];
  const ids = Object.keys(practices) as PracticeId[];
  const hits = (id: PracticeId): number => {
    const text = `${id.replace(/-/g, ' ')} ${practices[id].claim} ${practices[id].answer}`.toLowerCase();
    return words.filter((w) => text.includes(w)).length;
  };
  return ids
    .map((id, order) => ({ id, n: hits(id), order }))
    .filter((x) => x.n === words.length || (words.length > 2 && x.n >= words.length - 1))
    .sort((x, y) => y.n - x.n || x.order - y.order)
    .map((x) => x.id);
}
/** Agents that people may ask about, by name. */
export const askableAgents = (): { id: AgentId; name: string }[] =>
  agentIds.map((id) => ({ id, name: agents[id].name })).sort((a, b) => a.name.localeCompare(b.name));
