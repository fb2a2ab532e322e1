/** What ends a round at once: gas, fire. What would have happened and who to call are the fixed words of the safety table. */
import type { HazardId } from '../chemistry/agent-agent.ts';
import { agentFacts, type AgentId } from '../chemistry/agents.ts';
import { agentOfProduct } from '../chemistry/cupboard.ts';
import type { SafetyLineId } from '../chemistry/safety.ts';
import { hazardOf } from '../chemistry/sequence.ts';
import type { PlanRequest } from '../plan/plan.ts';
import type { Profile } from '../piece/profile.ts';
import { markKey, type Play } from './play.ts';
import { productOf } from './ways.ts';

export interface SafetyFault {
  hazard: HazardId;
  pieces: string[];
  /** Names of the agents that met; empty for fire. */
  agents: AgentId[];
  /** The line of the safety table that says what to do. */
  line: SafetyLineId;
}
interface Seen {
  request: PlanRequest;
  basket: { profiles: readonly Profile[] };
  indexOf: ReadonlyMap<string, number>;
}
/** Mixtures that give off gas or burst into heat: people leave the room. The others only spoil each other. */
const dangerous: readonly HazardId[] = [
  'haz-chlorine',
  'haz-chloramine',
  'haz-bleach-solvent',
  'haz-peroxide-acetone',
  'haz-so2',
];

/** Pairs of agents in one bath, or on one mark, that are a danger. */
function mixtures(agents: readonly AgentId[], pieces: readonly string[]): SafetyFault[] {
  return agents.flatMap((first, i) =>
    agents.slice(i + 1).flatMap((then): SafetyFault[] => {
      const hazard = hazardOf(first, then);
      return hazard && dangerous.includes(hazard)
        ? [{ hazard, pieces: [...pieces], agents: [first, then], line: 'bleach-gas' }]
        : [];
    }),
  );
}

export function safetyFaults({ request, basket, indexOf }: Seen, play: Play): SafetyFault[] {
  const out: SafetyFault[] = [];
  const profile = (id: string): Profile | undefined => basket.profiles[indexOf.get(id) ?? -1];
  const burns = (line: SafetyLineId, pieces: string[]): void => {
    out.push({ hazard: 'haz-fire', pieces, agents: [], line });
  };
  for (const load of play.loads) {
    const products = [load.way.detergent, ...load.way.helpers].flatMap((id) => productOf(request.household, id) ?? []);
    out.push(
      ...mixtures(
        products.flatMap((p) => agentOfProduct(p) ?? []),
        load.pieces,
      ),
    );
    const fuelled = load.pieces.filter((id) => profile(id)?.contamination === 'fuel');
    if (fuelled.length > 0 && fuelled.length < load.pieces.length) burns('fuel-cloth', fuelled);
  }
  for (const [id, dry] of Object.entries(play.drying)) {
    if (dry.to !== 'dryer') continue;
    const p = profile(id);
    if (p?.contamination === 'fuel') burns('fuel-cloth', [id]);
    const solvent = p?.garment.stains.some((s) =>
      (play.marks[markKey(id, s.id)]?.agents ?? []).some((a) => agentFacts(a).group === 'flam-solvent'),
    );
    if (solvent) burns('solvent-air', [id]);
  }
  for (const p of basket.profiles)
    for (const s of p.garment.stains)
      out.push(...mixtures(play.marks[markKey(p.garment.id, s.id)]?.agents ?? [], [p.garment.id]));
  return out;
}
