/** What a listed step becomes on a cloth: its agent or what replaces it, the gentler way of working, whether it is due, its temperature and its words. */
import { bearingOf, type Bearing } from '../chemistry/bearing.ts';
import { agentFacts, refusedAgents, stockOf, type AgentId } from '../chemistry/agents.ts';
import {
  acetateColumns,
  celluloseColumns,
  hasAny,
  hideColumns,
  proteinColumns,
  type Cloth,
} from '../chemistry/cloth.ts';
import type { Chemical } from '../chemistry/sequence.ts';
import { toolCode, type ToolFibreGroup, type ToolId } from '../chemistry/tools.ts';
import { say, type Message } from '../message/message.ts';
import type { ActionId, StopCode } from './actions.ts';
import type { SpotCaps } from './caps.ts';
import type { StainStep } from './steps.ts';
import { insteadOf, missingAgent, standInDose } from './substitutes.ts';
import type { TreatmentStep, Workplace } from './treatment.ts';

export const wetActions: readonly ActionId[] = [
  'flush-back',
  'soak',
  'rinse-bath',
  'spray-rest',
  'work-fingers',
  'work-soft-brush',
  'dab',
  'dab-on-pad',
  'paste-rest',
  'mist-even',
  'sun-dry',
];
export const bathActions: readonly ActionId[] = ['soak', 'rinse-bath'];
/** Open to every fibre. */
const alwaysOpen: readonly ActionId[] = [
  'scrape',
  'lift',
  'blot',
  'rub-dry-cloth',
  'cover-absorb',
  'freeze',
  'dab',
  'dab-on-pad',
  'flush-back',
  'air-out',
  'brush-dry',
];
/** Their temperatures are no baths': cold pack and iron. */
const ownRange: readonly ActionId[] = ['freeze', 'iron-through-paper'];

/** The gentler way of working when the cloth does not bear the action; null = the step falls away. */
export function bearableAction(action: ActionId, caps: SpotCaps, cloth: Cloth): ActionId | null {
  if (action === 'brush-dry') return caps.brush === 'none' ? null : action;
  if (alwaysOpen.includes(action)) return cloth.columns.has('print') && action === 'dab' ? 'dab-on-pad' : action;
  if (caps.actions.includes(action) && !(action === 'work-soft-brush' && caps.brush !== 'soft')) return action;
  switch (action) {
    case 'work-soft-brush':
    case 'work-fingers':
    case 'spray-rest':
    case 'paste-rest':
      return cloth.columns.has('print') ? 'dab-on-pad' : 'dab';
    case 'soak':
      return 'dab';
    case 'rinse-bath':
      return 'flush-back';
    default:
      return null;
  }
}

function toolGroups(cloth: Cloth): ToolFibreGroup[] {
  const out: ToolFibreGroup[] = [];
  const add = (g: ToolFibreGroup, ...columns: Parameters<typeof hasAny>[1][number][]): void => {
    if (hasAny(cloth, columns)) out.push(g);
  };
  add('cellulose', ...celluloseColumns, 'raw-indigo');
  add('regenerated', 'viscose', 'modal-lyocell');
  add('acetates', ...acetateColumns);
  add('synthetics', 'polyester', 'nylon', 'acrylic');
  add('elastane', 'elastane', 'elastic-trim');
  add('wool', 'wool', 'cashmere', 'mohair-alpaca-angora');
  add('silk', 'silk');
  add('hide', ...hideColumns);
  add('down', 'down');
  return out;
}
/** Why the cloth does not bear a tool; null when it does. */
export function toolRefusal(tool: ToolId, action: ActionId, cloth: Cloth): Message | null {
  for (const g of toolGroups(cloth)) {
    const code = toolCode(tool, g);
    if (code === 'x-wet' && action !== 'brush-dry') return say('tool.wet-brush');
    if (code === 'x-fibre') return say('tool.pulls');
    if (code === 'x-melt') return say('tool.melts');
    if (code === 'x-light' || (code === 'c-white' && !cloth.plainWhite)) return say('tool.light');
    if (code === 'x-na' || code === 'x-skin') return say('tool.not-here');
  }
  if (
    tool === 'warm-iron-paper' &&
    (cloth.columns.has('print') ||
      cloth.pile ||
      cloth.columns.has('metallic-thread') ||
      cloth.fibres.has('polypropylene'))
  )
    return say('tool.no-iron');
  return null;
}

/** Whether a step is due at all; null = the cloth rules it out. */
export function dueWhen(step: StainStep, cloth: Cloth, workplace: Workplace): TreatmentStep['when'] | null {
  switch (step.when) {
    case 'always':
    case 'if-left':
    case 'if-orange':
      return step.when;
    case 'white-only':
      return cloth.plainWhite && cloth.labelBleach !== 'none' ? 'always' : null;
    // A colour that has not been tested yet is tested first: the gate is the agent's own.
    case 'fast-only':
      return cloth.fastness === 'undyed' || cloth.fastness === 'fast' || cloth.fastness === 'unknown' ? 'always' : null;
    case 'white-cellulose-only':
      return workplace.chlorine &&
        cloth.plainWhite &&
        hasAny(cloth, celluloseColumns) &&
        [...cloth.columns].every((c) => c === 'undyed' || celluloseColumns.includes(c)) &&
        cloth.labelBleach === 'any'
        ? 'if-left'
        : null;
    case 'if-hard-water':
      return workplace.hardness > 2.5 ? 'always' : null;
  }
}

interface Choice {
  agent: Chemical;
  bearing: Bearing;
  action: ActionId;
  step: StainStep;
  because: Message[];
}
type Chosen = { ok: true; choice: Choice } | { ok: false; because: Message; missing: boolean; stop: StopCode | null };

/** The agent for a step: as listed, or what replaces it on this cloth, or what the cupboard has instead. */
export function chooseAgent(
  step: StainStep & { agent: AgentId },
  cloth: Cloth,
  workplace: Workplace,
  sizeCm: number | null,
  forbidden: ReadonlyMap<AgentId, Message>,
): Chosen {
  const has = (a: AgentId): boolean => a === 'water' || workplace.cupboard.has(a);
  const usable = (agent: Chemical): Bearing | null => {
    const stock = stockOf(agent);
    const bearing = bearingOf(stock, cloth);
    if (bearing.never || refusedAgents.includes(stock) || forbidden.has(stock)) return null;
    if (bearing.spotOnly && (sizeCm ?? 0) > 10) return null;
    return bearing;
  };
  const asListed = bearingOf(step.agent, cloth);
  const because: Message[] = [];
  let agent: Chemical = step.agent;
  let current: StainStep = step;
  const beside = forbidden.get(step.agent);
  if (beside) return { ok: false, because: beside, missing: false, stop: null };
  if (asListed.never || (asListed.spotOnly && (sizeCm ?? 0) > 10)) {
    const why = asListed.never?.because ?? say('chem.agent-condition', { agent: step.agent, condition: 'c-spot' });
    const instead = insteadOf(step.agent, cloth);
    if (instead === 'stop-pro') return { ok: false, because: why, missing: false, stop: 'stop-pro' };
    if (instead === 'skip' || !usable(instead.agent)) return { ok: false, because: why, missing: false, stop: null };
    because.push(say('treat.instead', { agent: instead.agent, otherAgent: step.agent, because: why }));
    ({ agent } = instead);
    current = {
      ...step,
      action: instead.action ?? step.action,
      minutes: instead.minutes ?? step.minutes,
      temperatureC: instead.temperatureC ?? step.temperatureC,
      repeats: instead.repeats ?? step.repeats,
      rinses: instead.rinses ?? step.rinses,
      dose: instead.dose ?? step.dose,
    };
  }
  if (!has(stockOf(agent))) {
    const wanted = stockOf(agent);
    const other = (missingAgent[wanted] ?? []).find((a) => has(a) && usable(a) !== null);
    if (!other)
      return { ok: false, because: say('treat.not-in-cupboard', { agent: wanted }), missing: true, stop: null };
    because.push(say('treat.stand-in', { agent: other, otherAgent: wanted }));
    const spot = other === 'peroxide-3' || other === 'soap-dish' ? true : !bathActions.includes(current.action);
    agent = other === 'peroxide-3' && hasAny(cloth, proteinColumns) ? 'peroxide-1' : other;
    current = {
      ...current,
      action: spot && bathActions.includes(current.action) ? 'dab' : current.action,
      dose: standInDose(other, !spot),
      ...(other === 'peroxide-3'
        ? { minutes: [5, 10] as const, temperatureC: [15, 25] as const, repeats: 1, rinses: 2 }
        : {}),
    };
  }
  const bearing = usable(agent);
  if (!bearing)
    return { ok: false, because: asListed.never?.because ?? say('treat.not-borne'), missing: false, stop: null };
  return { ok: true, choice: { agent, bearing, action: current.action, step: current, because } };
}

export const roomC = 20;
const clampRange = (range: readonly [number, number], most: number): number => Math.min(range[1], most);
/** Baths and pads at the upper end of what is allowed; what is done dry or with a solvent at room temperature. */
export function temperatureOf(step: StainStep, most: number, wet: boolean): number {
  if (!wet)
    return Math.max(
      step.temperatureC[0],
      Math.min(step.temperatureC[1], ownRange.includes(step.action) ? step.temperatureC[1] : Math.min(roomC, most)),
    );
  return clampRange(step.temperatureC, most);
}

export const solventGroup = (a: Chemical): boolean => agentFacts(stockOf(a)).group === 'flam-solvent';
export const volatile = (a: Chemical): boolean => solventGroup(a) && stockOf(a) !== 'isopropyl-alcohol';
