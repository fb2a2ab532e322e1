/**
 * The procedure for one stain on one piece, from what the cupboard holds: the steps of the stain, each checked against fibre, dye, trim, label and
 * tests, replaced, shortened, cooled or left out, with the rinses that the order of agents needs. Precedence when values conflict: safety, label,
 * fibre cap, agent's condition, step; the lowest temperature, the shortest time and the fewest repeats win.
 */
import { bearingOf, bleachingAgents, type Bearing } from '../chemistry/bearing.ts';
import { conditions } from '../chemistry/agent-fibre.ts';
import { agentFacts, agents, preparations, refusedAgents, stockOf, type AgentId } from '../chemistry/agents.ts';
import { acetateColumns, celluloseColumns, clothOf, hasAny, hideColumns, proteinColumns, type Cloth } from '../chemistry/cloth.ts';
import { withRinses, type Chemical, type SequenceStep } from '../chemistry/sequence.ts';
import { isTool, toolCode, tools, type ToolFibreGroup, type ToolId } from '../chemistry/tools.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { actions, stopCodes, type ActionId, type CheckId, type StopCode, type WhenId } from './actions.ts';
import { capsOf, type SpotCaps } from './caps.ts';
import { bandOf, scoreOf, type Band } from './score.ts';
import { skinRoute } from './skin.ts';
import { stainSteps, type StainStep } from './steps.ts';
import { ironStains, stainFacts } from './stains.ts';
import { insteadOf, missingAgent, standInDose } from './substitutes.ts';

export interface Workplace {
  /** Agents in the cupboard. Water and tools are always there. */
  cupboard: ReadonlySet<AgentId>;
  /** mmol/l. */
  hardness: number;
  /** The house allows chlorine bleach where the label does. */
  chlorine: boolean;
}
export interface TreatmentStep extends SequenceStep {
  /** Where it comes from: the number of the step in the stain's list; 0 = a test or an airing put in. */
  from: number;
  tool: ToolId | null;
  /** Agent, preparation or tool. */
  what: Chemical | ToolId;
  kind: 'treat' | 'test' | 'air';
  dose: string | null;
  action: ActionId;
  temperatureC: number;
  /** The least and the most: the timer runs for the least, the check says whether to go on. */
  minutes: number;
  mostMinutes: number;
  repeats: number;
  check: CheckId;
  when: Extract<WhenId, 'always' | 'if-left' | 'if-orange'>;
  gate: 'test-passed' | 'check-passed' | null;
  /** One line: what to do. */
  how: string;
  /** Why it differs from the usual step. */
  because: string[];
}
export interface Dropped { from: number; agent: AgentId | ToolId; because: string; /** It would help if the cupboard had it. */ missing: boolean }
export interface Procedure {
  stain: Stain;
  score: number;
  odds: number;
  band: Band;
  steps: TreatmentStep[];
  /** Why it stops, at once (`steps` empty) or after its last step; null = it ends with the wash and the judging. */
  stop: StopCode | null;
  stopText: string;
  dropped: Dropped[];
  /** Complete passes that this cloth bears, and how many are left. */
  rounds: number;
  roundsLeft: number;
  handling: string;
  /** After any solvent: nothing is heated or drummed before no smell is left. */
  needsFume: boolean;
}

const wetActions: readonly ActionId[] = ['flush-back', 'soak', 'rinse-bath', 'spray-rest', 'work-fingers', 'work-soft-brush', 'dab', 'dab-on-pad', 'paste-rest', 'mist-even', 'sun-dry'];
const bathActions: readonly ActionId[] = ['soak', 'rinse-bath'];
/** Open to every fibre. */
const alwaysOpen: readonly ActionId[] = ['scrape', 'lift', 'blot', 'rub-dry-cloth', 'cover-absorb', 'freeze', 'dab', 'dab-on-pad', 'flush-back', 'air-out', 'brush-dry'];
/** Their temperatures are no baths': cold pack and iron. */
const ownRange: readonly ActionId[] = ['freeze', 'iron-through-paper'];
const dryTools: readonly string[] = ['absorbent-paper', 'lift-tape', 'cold-pack', 'blunt-edge', 'soft-brush', 'open-air', 'vacuum', 'absorbent-powder'];

/** The gentler way of working when the cloth does not bear the action; null = the step falls away. */
function bearableAction(action: ActionId, caps: SpotCaps, cloth: Cloth): ActionId | null {
  if (action === 'brush-dry') return caps.brush === 'none' ? null : action;
  if (alwaysOpen.includes(action)) return cloth.columns.has('print') && action === 'dab' ? 'dab-on-pad' : action;
  if (caps.actions.includes(action) && !(action === 'work-soft-brush' && caps.brush !== 'soft')) return action;
  switch (action) {
    case 'work-soft-brush': case 'work-fingers': case 'spray-rest': case 'paste-rest': return cloth.columns.has('print') ? 'dab-on-pad' : 'dab';
    case 'soak': return 'dab';
    case 'rinse-bath': return 'flush-back';
    default: return null;
  }
}

function toolGroups(cloth: Cloth): ToolFibreGroup[] {
  const out: ToolFibreGroup[] = [];
  const add = (g: ToolFibreGroup, ...columns: Parameters<typeof hasAny>[1][number][]): void => { if (hasAny(cloth, columns)) out.push(g); };
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
function toolRefusal(tool: ToolId, action: ActionId, cloth: Cloth): string | null {
  for (const g of toolGroups(cloth)) {
    const code = toolCode(tool, g);
    if (code === 'x-wet' && action !== 'brush-dry') return 'never a brush on it when it is wet';
    if (code === 'x-fibre') return 'it pulls the fibre';
    if (code === 'x-melt') return 'it melts or glazes';
    if (code === 'x-light' || (code === 'c-white' && !cloth.plainWhite)) return 'light yellows or fades it';
    if (code === 'x-na' || code === 'x-skin') return 'not on this material';
  }
  if (tool === 'warm-iron-paper' && (cloth.columns.has('print') || cloth.pile || cloth.columns.has('metallic-thread') || cloth.fibres.has('polypropylene'))) return 'no iron on pile, print, metallic yarn or cloth that melts';
  return null;
}

/** Whether a step is due at all; null = the cloth rules it out. */
function dueWhen(step: StainStep, cloth: Cloth, workplace: Workplace): TreatmentStep['when'] | null {
  switch (step.when) {
    case 'always': case 'if-left': case 'if-orange': return step.when;
    case 'white-only': return cloth.plainWhite && cloth.labelBleach !== 'none' ? 'always' : null;
    // A colour that has not been tested yet is tested first: the gate is the agent's own.
    case 'fast-only': return cloth.fastness === 'undyed' || cloth.fastness === 'fast' || cloth.fastness === 'unknown' ? 'always' : null;
    case 'white-cellulose-only': return workplace.chlorine && cloth.plainWhite && hasAny(cloth, celluloseColumns) && [...cloth.columns].every((c) => c === 'undyed' || celluloseColumns.includes(c)) && cloth.labelBleach === 'any' ? 'if-left' : null;
    case 'if-hard-water': return workplace.hardness > 2.5 ? 'always' : null;
  }
}

interface Choice { agent: Chemical; bearing: Bearing; action: ActionId; step: StainStep; because: string[] }
type Chosen = { ok: true; choice: Choice } | { ok: false; because: string; missing: boolean; stop: StopCode | null };
const nameOf = (a: Chemical): string => (a in preparations ? preparations[a as keyof typeof preparations].name : agents[a as AgentId].name);

/** The agent for a step: as listed, or what replaces it on this cloth, or what the cupboard has instead. */
function chooseAgent(step: StainStep & { agent: AgentId }, cloth: Cloth, workplace: Workplace, sizeCm: number | null, forbidden: ReadonlyMap<AgentId, string>): Chosen {
  const has = (a: AgentId): boolean => a === 'water' || workplace.cupboard.has(a);
  const usable = (agent: Chemical): Bearing | null => {
    const stock = stockOf(agent);
    const bearing = bearingOf(stock, cloth);
    if (bearing.never || refusedAgents.includes(stock) || forbidden.has(stock)) return null;
    if (bearing.spotOnly && (sizeCm ?? 0) > 10) return null;
    return bearing;
  };
  const asListed = bearingOf(step.agent, cloth);
  const because: string[] = [];
  let agent: Chemical = step.agent;
  let current: StainStep = step;
  if (forbidden.has(step.agent)) return { ok: false, because: forbidden.get(step.agent) ?? '', missing: false, stop: null };
  if (asListed.never || (asListed.spotOnly && (sizeCm ?? 0) > 10)) {
    const why = asListed.never?.because ?? `${nameOf(step.agent)}: ${conditions['c-spot']}`;
    const instead = insteadOf(step.agent, cloth);
    if (instead === 'stop-pro') return { ok: false, because: why, missing: false, stop: 'stop-pro' };
    if (instead === 'skip' || !usable(instead.agent)) return { ok: false, because: why, missing: false, stop: null };
    because.push(`${nameOf(instead.agent)} instead of ${nameOf(step.agent)} (${why})`);
    ({ agent } = instead);
    current = { ...step, action: instead.action ?? step.action, minutes: instead.minutes ?? step.minutes, temperatureC: instead.temperatureC ?? step.temperatureC, repeats: instead.repeats ?? step.repeats, rinses: instead.rinses ?? step.rinses, dose: instead.dose ?? step.dose };
  }
  if (!has(stockOf(agent))) {
    const wanted = stockOf(agent);
    const other = (missingAgent[wanted] ?? []).find((a) => has(a) && usable(a) !== null);
    if (!other) return { ok: false, because: `${nameOf(wanted)} is not in the cupboard`, missing: true, stop: null };
    because.push(`${nameOf(other)}, for want of ${nameOf(wanted)}`);
    const spot = other === 'peroxide-3' || other === 'soap-dish' ? true : !bathActions.includes(current.action);
    agent = other === 'peroxide-3' && hasAny(cloth, proteinColumns) ? 'peroxide-1' : other;
    current = { ...current, action: spot && bathActions.includes(current.action) ? 'dab' : current.action, dose: standInDose(other, !spot), ...(other === 'peroxide-3' ? { minutes: [5, 10] as const, temperatureC: [15, 25] as const, repeats: 1, rinses: 2 } : {}) };
  }
  const bearing = usable(agent);
  if (!bearing) return { ok: false, because: asListed.never?.because ?? 'the cloth does not bear it', missing: false, stop: null };
  return { ok: true, choice: { agent, bearing, action: current.action, step: current, because } };
}

const roomC = 20;
const clampRange = (range: readonly [number, number], most: number): number => Math.min(range[1], most);
/** Baths and pads at the upper end of what is allowed; what is done dry or with a solvent at room temperature. */
function temperatureOf(step: StainStep, most: number, wet: boolean): number {
  if (!wet) return Math.max(step.temperatureC[0], Math.min(step.temperatureC[1], ownRange.includes(step.action) ? step.temperatureC[1] : Math.min(roomC, most)));
  return clampRange(step.temperatureC, most);
}

function sentence(what: string, dose: string | null, action: ActionId): string {
  return `${what}${dose && dose !== 'dry' ? `, ${dose}` : ''}: ${actions[action].charAt(0).toLowerCase()}${actions[action].slice(1)}`;
}

/** A hidden-spot test with an agent, its own step. */
function testStep(agent: Chemical): TreatmentStep {
  return {
    from: 0, agent: null, tool: null, what: agent, kind: 'test', dose: '1 drop', action: 'dab', temperatureC: roomC, minutes: 6, mostMinutes: 6, repeats: 1, rinses: 0, check: 'garment-dye', when: 'always', gate: null, mayBeSkipped: false, airs: false, wet: false,
    how: `Test ${nameOf(agent)} first: one drop on an inner seam, 5 min, press a white cloth on it for 10 s; it must stay white`, because: [],
  };
}
function airing(minutes: number, because: string): TreatmentStep {
  return {
    from: 0, agent: null, tool: 'open-air', what: 'open-air', kind: 'air', dose: null, action: 'air-out', temperatureC: roomC, minutes, mostMinutes: minutes * 4, repeats: 1, rinses: 0, check: 'fume', when: 'always', gate: null, mayBeSkipped: false, airs: true, wet: false,
    how: actions['air-out'], because: [because],
  };
}

const solventGroup = (a: Chemical): boolean => agentFacts(stockOf(a)).group === 'flam-solvent';
const volatile = (a: Chemical): boolean => solventGroup(a) && stockOf(a) !== 'isopropyl-alcohol';

/** One step of the list on this cloth. */
function fitStep(listed: StainStep, from: number, cloth: Cloth, caps: SpotCaps, workplace: Workplace, stain: Stain, forbidden: ReadonlyMap<AgentId, string>): { step: TreatmentStep; needsTest: boolean } | { dropped: Dropped; stop: StopCode | null } {
  const drop = (because: string, missing = false, stop: StopCode | null = null) => ({ dropped: { from, agent: listed.agent, because, missing }, stop });
  const when = dueWhen(listed, cloth, workplace);
  if (when === null) return drop(listed.when === 'if-hard-water' ? 'the water is soft enough' : `only ${listed.when === 'fast-only' ? 'on a fast colour' : 'on undyed cloth that may be bleached'}`);
  if (isTool(listed.agent)) {
    const action = bearableAction(listed.action, caps, cloth);
    const refusal = toolRefusal(listed.agent, listed.action, cloth);
    if (refusal || !action) return drop(refusal ?? 'the cloth does not bear it');
    const wet = listed.action === 'mist-even' || listed.action === 'sun-dry';
    return {
      needsTest: false,
      step: {
        from, agent: null, tool: listed.agent, what: listed.agent, kind: 'treat', dose: listed.dose, action, temperatureC: temperatureOf(listed, caps.spotMaxC, wet), minutes: listed.minutes[0], mostMinutes: listed.minutes[1], repeats: listed.repeats, rinses: listed.rinses, check: listed.check, when,
        gate: listed.action === 'iron-through-paper' ? 'check-passed' : null, mayBeSkipped: when !== 'always', airs: listed.action === 'air-out', wet, how: sentence(tools[listed.agent].name, listed.dose, action), because: [],
      },
    };
  }
  const chosen = chooseAgent({ ...listed, agent: listed.agent }, cloth, workplace, stain.sizeCm, forbidden);
  if (!chosen.ok) return drop(chosen.because, chosen.missing, chosen.stop);
  const { agent, bearing, step } = chosen.choice;
  const because = [...chosen.choice.because];
  let action = bearableAction(chosen.choice.action, caps, cloth);
  if (!action) return drop('the cloth does not bear the work');
  if (bearing.spotOnly && bathActions.includes(action)) { action = 'dab'; because.push(conditions['c-spot']); }
  if (action !== chosen.choice.action && action === 'dab') because.push(caps.handling);
  const inBath = bathActions.includes(action);
  const wet = wetActions.includes(action) && !solventGroup(agent) && agent !== 'absorbent-powder';
  const cap = inBath ? caps.soakMaxC : caps.spotMaxC;
  const most = Math.min(cap, bearing.mostC);
  // On a colour that is not known to be fast, water is only flushed through, and cold.
  const temperatureC = agent === 'water' && action === 'flush-back' && bearing.needsTest ? Math.min(20, temperatureOf(step, most, wet)) : temperatureOf(step, most, wet);
  if (temperatureC < step.temperatureC[1] && wet && most < step.temperatureC[1]) because.push(`at most ${most} °C: ${bearing.mostC < cap ? bearing.conditions.filter((c) => ['c-10', 'c-30', 'c-cool', 'c-soap', 'c-bleed'].includes(c)).map((c) => conditions[c])[0] ?? '' : cloth.labelMaxC !== null && cloth.labelMaxC <= cap ? 'its label' : caps.handling}`);
  const mostMinutes = Math.min(step.minutes[1], bearing.mostMinutes, inBath ? Math.max(caps.soakMaxMin, 1) : Infinity);
  const minutes = Math.min(step.minutes[0], mostMinutes);
  if (mostMinutes < step.minutes[1]) because.push(`at most ${mostMinutes} min`);
  const half = bearing.halfStrength && agent !== 'peroxide-1';
  if (half) because.push(conditions['c-dil']);
  const asDiluted: Chemical = half && agent === 'isopropyl-alcohol' ? 'alcohol-1-2' : half && agent === 'peroxide-3' ? 'peroxide-1' : agent;
  for (const c of bearing.conditions) if (c === 'c-trim' || c === 'c-label' || c === 'c-soap' || c === 'c-dryout' || c === 'c-weak') because.push(conditions[c]);
  // An untested colour keeps the cold flush, with an eye on its dye.
  const coldFlush = agent === 'water' && action === 'flush-back' && temperatureC <= 20;
  const needsTest = bearing.needsTest && !coldFlush;
  return {
    needsTest,
    step: {
      from, agent: asDiluted, tool: null, what: asDiluted, kind: 'treat', dose: step.dose, action, temperatureC, minutes, mostMinutes, repeats: step.repeats, rinses: wet || solventGroup(agent) ? Math.max(step.rinses, wet && step.rinses > 0 ? bearing.leastRinses : 0) : 0,
      check: coldFlush && bearing.needsTest ? 'garment-dye' : listed.check, when, gate: needsTest ? 'test-passed' : null, mayBeSkipped: when !== 'always', airs: false, wet,
      how: sentence(asDiluted in preparations ? `${nameOf(asDiluted)} (${preparations[asDiluted as keyof typeof preparations].mix})` : nameOf(asDiluted), step.dose, action), because,
    },
  };
}

/** Airing before a volatile solvent on wet cloth, and before anything follows one. */
function withAiring(steps: readonly TreatmentStep[]): TreatmentStep[] {
  const out: TreatmentStep[] = [];
  let wet = false;
  let solventOpen = false;
  for (const s of steps) {
    if (s.kind === 'treat' && s.agent !== null) {
      if (volatile(s.agent) && wet) { out.push(airing(60, 'the solvent needs dry cloth')); wet = false; }
      if (solventOpen && !solventGroup(s.agent)) { out.push({ ...airing(60, 'the solvent must be gone first'), mayBeSkipped: false }); solventOpen = false; wet = false; }
      if (volatile(s.agent)) solventOpen = true;
    }
    if (s.airs) { wet = false; solventOpen = false; }
    if (s.wet) wet = true;
    out.push(s);
  }
  if (solventOpen) out.push(airing(60, 'the solvent must be gone before any wash'));
  return out;
}

const ammoniacal: readonly Stain['kind'][] = ['urine', 'vomit', 'faeces', 'sweat', 'underarm-yellow', 'deodorant-mark'];
/** Agents that the other marks of the piece, or its sweat, forbid until they are gone. */
function forbiddenBeside(g: Garment): ReadonlyMap<AgentId, string> {
  const out = new Map<AgentId, string>();
  if (g.activity === 'sweaty' || g.stains.some((s) => ammoniacal.includes(s.kind))) out.set('chlorine-bleach', 'never chlorine with urine, vomit or sweat: it gives off toxic gas');
  if (g.stains.some((s) => ironStains.includes(s.kind))) for (const a of bleachingAgents) out.set(a, 'no bleach while rust or sunscreen is in the cloth');
  return out;
}

/** What people see first when nothing at home will do. */
function closedAtOnce(g: Garment, stain: Stain, cloth: Cloth, caps: SpotCaps, score: number): { stop: StopCode; text: string } | null {
  if (stain.kind === 'fuel-diesel' && (stain.sizeCm ?? 0) > 10) return { stop: 'stop-safety', text: 'More than a splash of fuel: it is not washed at home.' };
  const delicate = hasAny(cloth, ['silk', ...acetateColumns, ...hideColumns, 'metallic-thread']) || g.traits.has('heirloom') || g.valueEur >= 150;
  const inkOrPaint = ['ink-ballpoint', 'ink-gel', 'ink-permanent', 'paint-oil', 'paint-water'].includes(stain.kind);
  if (inkOrPaint && (stain.sizeCm ?? 0) > 10) return { stop: 'stop-pro', text: 'Ink or paint wider than 10 cm spreads at home.' };
  if (stain.failedRounds >= caps.rounds) return delicate ? { stop: 'stop-pro', text: `This cloth bears ${caps.rounds === 1 ? 'one round' : `${caps.rounds} rounds`}; they are used up.` } : { stop: 'stop-leave', text: `The ${caps.rounds} rounds this cloth bears are used up.` };
  if (score < 20) return delicate ? { stop: 'stop-pro', text: 'The odds at home are poor and the piece is worth a professional.' } : { stop: 'stop-leave', text: 'The odds at home are poor.' };
  if (score < 40 && delicate) return { stop: 'stop-pro', text: 'Little chance at home, and the piece is worth a professional.' };
  return null;
}

const closedTraits = ['structured', 'glued', 'sequins', 'beads', 'velvet', 'velveteen', 'pile'] as const;

/** The procedure. Deterministic; every agent in it is in the cupboard, borne by the cloth, and rinsed as the order asks. */
export function procedureFor(g: Garment, stain: Stain, workplace: Workplace): Procedure {
  const cloth = clothOf(g);
  const caps = capsOf(cloth);
  const score = scoreOf(stain, cloth);
  const base = { stain, score, odds: score / 100, band: bandOf(score), rounds: caps.rounds, roundsLeft: Math.max(0, caps.rounds - stain.failedRounds), handling: caps.handling };
  const ended = (steps: TreatmentStep[], stop: StopCode | null, stopText: string, dropped: Dropped[] = []): Procedure =>
    ({ ...base, steps, stop, stopText: stop ? `${stopText}${stopText ? ' ' : ''}${stopCodes[stop].text}` : '', dropped, needsFume: steps.some((s) => s.agent !== null && solventGroup(s.agent)) || stainFacts(stain.kind).families.includes('fuel-solvent') });
  const atOnce = closedAtOnce(g, stain, cloth, caps, score);
  if (atOnce) return ended([], atOnce.stop, atOnce.text);
  if (hasAny(cloth, hideColumns)) { const r = skinRoute(stain.kind, cloth); return ended(r.steps.map((s) => skinStep(s)), r.stop, r.text); }
  const neverWet = closedTraits.find((t) => g.traits.has(t));
  const { list, stopAfter, stopText } = listFor(stain, cloth);
  const steps: TreatmentStep[] = [];
  const dropped: Dropped[] = [];
  const forbidden = forbiddenBeside(g);
  const toTest: Chemical[] = [];
  let stop: StopCode | null = stopAfter;
  let said = stopText;
  for (const [index, listed] of list) {
    const fit = fitStep(listed, index, cloth, caps, workplace, stain, forbidden);
    if ('dropped' in fit) {
      dropped.push(fit.dropped);
      if (fit.stop) { stop = fit.stop; said = `${fit.dropped.because}.`; break; }
      continue;
    }
    if (neverWet && (fit.step.wet || (fit.step.agent !== null && !dryTools.includes(fit.step.what)))) {
      stop = 'stop-pro';
      said = `Nothing wet at home on this piece: it is ${neverWet === 'structured' || neverWet === 'glued' ? 'tailored or glued' : neverWet}.`;
      break;
    }
    if (cloth.fastness === 'strong' && fit.step.wet) { stop = 'stop-pro'; said = 'Its dye runs strongly in water.'; break; }
    if (cloth.fastness === 'trace' && fit.step.wet && !(fit.step.agent === 'water' && fit.step.action === 'flush-back')) {
      dropped.push({ from: index, agent: listed.agent, because: 'its dye runs: cold flush and a cold wash alone only', missing: false });
      continue;
    }
    if (fit.needsTest && fit.step.agent !== null && !toTest.includes(fit.step.agent)) toTest.push(fit.step.agent);
    steps.push(fit.step);
  }
  const treated = steps.some((s) => s.agent !== null && s.what !== 'absorbent-powder');
  if (!treated && stop === null && !list.every(([, l]) => isTool(l.agent))) { stop = 'stop-pro'; said = dropped.some((d) => d.missing) ? 'The cupboard has nothing that helps here.' : 'This cloth bears none of what would help.'; }
  return ended(withRinses(withAiring([...toTest.map(testStep), ...coldFirst(steps, stain)])), stop, said, dropped);
}

/** Protein and unknown marks: no liquid above 20 °C first. */
function coldFirst(steps: readonly TreatmentStep[], stain: Stain): TreatmentStep[] {
  const families = stainFacts(stain.kind).families;
  if (!families.includes('protein') && stain.kind !== 'unknown-old') return [...steps];
  const first = steps.findIndex((s) => s.wet);
  return steps.map((s, i) => (i === first && s.temperatureC > 20 ? { ...s, temperatureC: 20, because: [...s.because, 'cold first: warmth sets protein'] } : s));
}

function skinStep(s: StainStep): TreatmentStep {
  const chemical = isTool(s.agent) ? null : s.agent;
  return {
    from: 0, agent: chemical, tool: isTool(s.agent) ? s.agent : null, what: s.agent, kind: 'treat', dose: s.dose, action: s.action, temperatureC: temperatureOf(s, 25, false), minutes: s.minutes[0], mostMinutes: s.minutes[1], repeats: s.repeats, rinses: 0, check: s.check, when: 'always', gate: null,
    mayBeSkipped: false, airs: s.action === 'air-out', wet: false, how: sentence(isTool(s.agent) ? tools[s.agent].name : agents[s.agent].name, s.dose, s.action), because: [],
  };
}

/** The stain's list with what is known to differ on a group of fibres beyond the rules: shorter lists, more repeats. Pairs of number and step. */
function listFor(stain: Stain, cloth: Cloth): { list: [number, StainStep][]; stopAfter: StopCode | null; stopText: string } {
  const all = stainSteps[stain.kind].map((s, i): [number, StainStep] => [i + 1, s]);
  const protein = hasAny(cloth, proteinColumns);
  const acetate = hasAny(cloth, acetateColumns);
  const melts = hasAny(cloth, [...acetateColumns, 'polyester', 'nylon', 'acrylic', 'elastane', 'elastic-trim']);
  const first = (n: number): [number, StainStep][] => all.slice(0, n);
  const then = (list: [number, StainStep][], stopAfter: StopCode | null, stopText = '') => ({ list, stopAfter, stopText });
  switch (stain.kind) {
    case 'nail-polish': if (acetate) return then([], 'stop-pro', 'Acetone dissolves this fibre.'); break;
    case 'glue-instant': if (acetate) return then(first(2), 'stop-pro', 'Acetone dissolves this fibre.'); break;
    case 'paint-oil': if (acetate) return then(first(1), 'stop-pro', 'Solvents harm this fibre.'); break;
    case 'fuel-diesel': if (protein) return then(first(1), 'stop-pro', 'Wool and silk hold fuel.'); break;
    case 'age-yellowing': if (protein) return then([all[0], all[1]].flatMap((x) => (x ? [x] : [])).map(([n, s]) => [n, n === 1 ? { ...s, repeats: 1 } : { ...s, temperatureC: [20, 30] as const }]), 'stop-pro', 'Bleach would harm this fibre.'); break;
    case 'greyed-whites': if (protein) return then(all.slice(2), null); break;
    case 'mildew': if (protein) return then(first(1), 'stop-pro', 'Mildew in wool or silk is no work for home.'); break;
    case 'scorch':
      if (acetate || hasAny(cloth, ['elastane'])) return then(first(1), protein ? 'stop-pro' : acetate ? 'stop-permanent' : 'stop-pro');
      if (protein) return then(first(1), 'stop-pro', 'Scorched wool and silk are no work for home.');
      if (melts) return then(first(2), 'stop-permanent', 'Where it is glossy or melted, nothing helps.');
      break;
    case 'underarm-yellow': if (cloth.columns.has('silk')) return then(first(3), 'stop-pro', 'Silk bears no bleach here.'); break;
    case 'blood-dried': if (protein) return then(all.map(([n, s]) => [n, n === 1 ? { ...s, repeats: 3, minutes: [10, 20] as const } : s]), null); break;
    default: break;
  }
  return then(all, null);
}
