/** Answers to "can I use this on that, or with the other?", from the same tables that write procedures. */
import { say, type Message } from '../message/message.ts';
import type { MixCode } from './agent-agent.ts';
import { refusedAgents, type AgentId } from './agents.ts';
import { bearingOf } from './bearing.ts';
import type { Cloth } from './cloth.ts';
import { hazardOf, mixCode, pairRules } from './sequence.ts';

export interface Answer {
  verdict: 'yes' | 'with-care' | 'no';
  /** How two may meet; null = the answer is about a piece. */
  mix: MixCode | null;
  lines: Message[];
  danger: boolean;
}

export function onPiece(agent: AgentId, cloth: Cloth): Answer {
  const answer = (verdict: Answer['verdict'], lines: Message[], danger = false): Answer => ({
    verdict,
    mix: null,
    lines,
    danger,
  });
  if (refusedAgents.includes(agent)) return answer('no', [say('ask.never-used', { agent })], true);
  const b = bearingOf(agent, cloth);
  if (b.never) return answer('no', [b.never.because]);
  const lines = b.conditions.map((condition) => say('chem.condition', { condition }));
  if (b.needsTest) lines.unshift(say('ask.test-first'));
  return answer(lines.length > 0 ? 'with-care' : 'yes', [...lines, say('ask.strength', { agent })]);
}

export function together(a: AgentId, b: AgentId): Answer {
  const code = mixCode(a, b);
  const hazard = hazardOf(a, b);
  const pair = pairRules.find(
    (r) => (r.first.includes(a) && r.then.includes(b)) || (r.first.includes(b) && r.then.includes(a)),
  )?.why;
  return {
    verdict:
      code === 'ok' ? 'yes' : code === 'r1' || code === 'r2' || code === 'ev' || code === 'fl' ? 'with-care' : 'no',
    mix: code,
    lines: [
      ...(code === 'nv'
        ? [say('ask.fresh-bath')]
        : code === 'np' || code === 'no'
          ? []
          : [say('ask.mix', { mix: code })]),
      ...(pair ? [say('ask.pair', { pair })] : []),
      ...(hazard ? [say('ask.forms', { hazard })] : []),
    ],
    danger: hazard !== null && (code === 'nv' || code === 'np' || code === 'no'),
  };
}
