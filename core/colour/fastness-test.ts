/** The colourfastness test that a piece needs before its first bath: where, with what, how often, and what is still missing. */
import { hasSignificant, isProtein } from '../fibre/blend.ts';
import type { AgentId } from '../chemistry/agents.ts';
import { say, type Message } from '../message/message.ts';
import type { Garment } from '../model/garment.ts';
import { colourHistory, testVerdict } from './bleed.ts';

export interface FastnessTest {
  id: 'agent' | 'water' | 'detergent' | 'part';
  kind: 'spot' | 'part';
  agent: AgentId;
  how: Message;
  done: number;
  needed: number;
}
export interface FastnessPlan {
  /** Why a test is due; null = nothing asks for one. */
  reason: Message | null;
  where: Message;
  tests: FastnessTest[];
  /** Every needed test is in, and clear. */
  complete: boolean;
}
const labelRefusesWater = ({ label }: Garment): boolean =>
  label?.wash?.by === 'none' || (label?.phrases.includes('dry-clean-only') ?? false);

/** What the tests so far mean for the next bath. */
export type Standing = 'untried' | 'bears-water' | 'no-water' | 'known-bleeder' | 'trusted' | 'clear-once' | 'untested';
/** @example standingOf(redShirt) // 'untested': cold, alone or with its own colour */
export function standingOf(g: Garment): Standing {
  const h = colourHistory(g);
  if (h.dye === null && h.newest === null) return 'untried';
  if (h.dye === null && h.newest === 'clear') return 'bears-water';
  if (h.noWater) return 'no-water';
  if (h.knownBleeder) return 'known-bleeder';
  if (h.newest === 'clear') return h.earned ? 'trusted' : 'clear-once';
  return 'untested';
}

/**
 * The test of one agent on a hidden place, as a soak or a stain asks for it. `done` = 1 when its newest reading is clear.
 * @example agentTest(tee, 'oxy-percarbonate')
 */
export function agentTest(g: Garment, agent: AgentId): FastnessTest {
  const newest = g.tests
    .filter((t) => t.agent === agent)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    .at(-1);
  return {
    id: 'agent',
    kind: 'spot',
    agent,
    how: say('test.how-agent'),
    done: newest && testVerdict(newest.grade) === 'clear' ? 1 : 0,
    needed: 1,
  };
}

export function fastnessPlan(g: Garment): FastnessPlan {
  const h = colourHistory(g);
  const detachable = g.traits.has('detachable');
  // Undyed cloth gives no colour, but an heirloom, or a piece whose label says no to water, shows on a hidden place first how it bears it.
  const untriedInWater = g.tests.length === 0 && (g.traits.has('heirloom') || labelRefusesWater(g));
  const reason =
    h.dye === null
      ? untriedInWater
        ? g.traits.has('heirloom')
          ? say('test.heirloom')
          : say('test.label-no-water')
        : null
      : h.noWater
        ? say('test.bled-strongly')
        : h.untested && h.colour.red
          ? say('test.red')
          : h.colour.red && g.washCount < 3 && h.newest === 'clear' && h.clearReadings < 2
            ? say('test.red-once')
            : h.untested && h.colour.contrast
              ? say('test.contrast')
              : h.untested && h.strongColour
                ? say('test.strong-colour')
                : h.untested && g.label === null
                  ? say('test.no-label')
                  : h.knownBleeder
                    ? say('test.bled')
                    : null;
  const detergent: AgentId = hasSignificant(g.parts, isProtein) ? 'det-wool-silk' : 'det-colour-liquid';
  const clear = (kind: 'spot' | 'part', agent: string): number =>
    g.tests.filter((t) => t.kind === kind && t.agent === agent && testVerdict(t.grade) === 'clear').length;
  const deep =
    h.colour.red ||
    g.dye === 'indigo' ||
    g.dye === 'natural' ||
    ['dark', 'black'].includes(h.colour.class) ||
    g.washCount === 0;
  const undyed = h.dye === null;
  const tests: FastnessTest[] =
    undyed && !g.traits.has('heirloom') && !labelRefusesWater(g)
      ? []
      : [
          {
            id: 'water',
            kind: 'spot',
            agent: 'water',
            how: undyed ? say('test.how-water-undyed') : say('test.how-water'),
            done: clear('spot', 'water'),
            needed: h.colour.red || h.knownBleeder ? 2 : 1,
          },
          ...(deep && !undyed
            ? [
                {
                  id: 'detergent' as const,
                  kind: 'spot' as const,
                  agent: detergent,
                  how: say('test.how-detergent'),
                  done: clear('spot', detergent),
                  needed: 1,
                },
              ]
            : []),
          ...(detachable
            ? [
                {
                  id: 'part' as const,
                  kind: 'part' as const,
                  agent: 'water' as const,
                  how: say('test.how-part'),
                  done: clear('part', 'water'),
                  needed: 1,
                },
              ]
            : []),
        ];
  return {
    reason,
    where: detachable ? say('test.where-detachable') : say('test.where-seam'),
    tests,
    complete: tests.every((t) => t.done >= t.needed),
  };
}
