/** What becomes of a mark, by what was done to it before the wash: beside the procedure that the bench would write. */
import { stockOf, type AgentId } from '../chemistry/agents.ts';
import type { HazardId } from '../chemistry/agent-agent.ts';
import { bearingOf } from '../chemistry/bearing.ts';
import { clothOf } from '../chemistry/cloth.ts';
import { hazardOf } from '../chemistry/sequence.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { isTreatedCold } from '../stain/mark-cap.ts';
import { procedureFor } from '../stain/procedure.ts';
import { isTool } from '../chemistry/tools.ts';
import type { Procedure, Workplace } from '../stain/treatment.ts';
import { waterC, type MarkCare } from './play.ts';

/** Share of a mark's chance that the wash has by itself; the rest is the treatment's (estimate). */
const washShare = 0.4;
/** Odds that an agent harms the cloth: one that it never bears, and one that should have been tried first (estimates). */
const harmOdds = { never: 0.6, untested: 0.12 } as const;
/** Protein cooks from here, °C. */
const coldUpToC = 30;
const warmFromC = 30;
const hotFromC = 50;

/** Agents the procedure cannot do without, in its order; water and tools go without saying. */
export function neededAgents(p: Procedure): AgentId[] {
  const out: AgentId[] = [];
  for (const s of p.steps) {
    if (s.kind !== 'treat' || s.when !== 'always' || s.agent === null || isTool(s.what)) continue;
    const agent = stockOf(s.agent);
    if (agent !== 'water' && !out.includes(agent)) out.push(agent);
  }
  return out;
}
/** What the bench would do, as a choice of practice. */
export function careByTheBook(stain: Stain, p: Procedure): MarkCare {
  const wet = p.steps.filter((s) => s.wet && s.kind === 'treat');
  if (p.steps.length === 0) return { water: 'none', agents: [] };
  const warmest = Math.max(0, ...wet.map((s) => s.temperatureC));
  const water =
    wet.length === 0
      ? 'none'
      : isTreatedCold(stain) || warmest < warmFromC
        ? 'cold'
        : warmest < hotFromC
          ? 'warm'
          : 'hot';
  return { water, agents: neededAgents(p) };
}

export interface MarkOutlook {
  procedure: Procedure;
  /** Share of what the procedure needs that was done, 0–1. */
  done: number;
  /** Odds that it is gone after treatment and wash, heat apart; without a wash those of the treatment alone. */
  goneOdds: number;
  /** The water was too warm: what is left may be set already. */
  heated: boolean;
  harm: { odds: number; agent: AgentId; never: boolean } | null;
  hazard: { id: HazardId; first: AgentId; then: AgentId } | null;
}

export function markOutlook(
  g: Garment,
  stain: Stain,
  care: MarkCare,
  workplace: Workplace,
  washed: boolean,
): MarkOutlook {
  const procedure = procedureFor(g, stain, workplace);
  const needed = neededAgents(procedure);
  const heated = care.water !== 'none' && isTreatedCold(stain) && waterC[care.water] > coldUpToC;
  const rinsed = care.water !== 'none' && !heated;
  const done =
    procedure.steps.length === 0
      ? 0
      : needed.length === 0
        ? rinsed || !procedure.steps.some((s) => s.wet)
          ? 1
          : 0
        : needed.filter((x) => care.agents.includes(x)).length / needed.length;
  const cloth = clothOf(g);
  let harm: MarkOutlook['harm'] = null;
  for (const agent of care.agents) {
    const bears = bearingOf(agent, cloth);
    const asked = procedure.steps.some((s) => s.agent !== null && stockOf(s.agent) === agent);
    const odds = bears.never ? harmOdds.never : bears.needsTest && !asked ? harmOdds.untested : 0;
    if (odds > (harm?.odds ?? 0)) harm = { odds, agent, never: bears.never !== null };
  }
  let hazard: MarkOutlook['hazard'] = null;
  care.agents.forEach((first, i) =>
    care.agents.slice(i + 1).forEach((then) => {
      const id = hazardOf(first, then);
      hazard ??= id && { id, first, then };
    }),
  );
  return {
    procedure,
    done,
    goneOdds: procedure.odds * ((washed ? washShare : 0) + (1 - washShare) * done),
    heated,
    harm,
    hazard,
  };
}
