/**
 * The procedure for one stain on one piece, from what the cupboard holds: the steps of the stain, each checked against fibre, dye, trim, label and
 * tests, replaced, shortened, cooled or left out, with the rinses that the order of agents needs. Precedence when values conflict: safety, label,
 * fibre cap, agent's condition, step; the lowest temperature, the shortest time and the fewest repeats win.
 */
import { bleachingAgents } from '../chemistry/bearing.ts';
import { agents, type AgentId } from '../chemistry/agents.ts';
import { acetateColumns, clothOf, hasAny, hideColumns, proteinColumns, type Cloth } from '../chemistry/cloth.ts';
import { withRinses, type Chemical, type SequenceStep } from '../chemistry/sequence.ts';
import { isTool, tools } from '../chemistry/tools.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { actions, stopCodes, type StopCode } from './actions.ts';
import { capsOf, type SpotCaps } from './caps.ts';
import { listFor } from './fibre-lists.ts';
import { fitStep } from './fit-step.ts';
import { stainPointsOf } from '../learn/stains.ts';
import { bandOf, scoreOf } from './score.ts';
import { skinRoute } from './skin.ts';
import { nameOf, roomC, sentence, solventGroup, temperatureOf, volatile } from './step-choice.ts';
import type { StainStep } from './steps.ts';
import { ironStains, stainFacts } from './stains.ts';
import type { Dropped, Procedure, TreatmentStep, Workplace } from './treatment.ts';

const dryTools: readonly string[] = [
  'absorbent-paper',
  'lift-tape',
  'cold-pack',
  'blunt-edge',
  'soft-brush',
  'open-air',
  'vacuum',
  'absorbent-powder',
];

/** A hidden-spot test with an agent, its own step. */
function testStep(agent: Chemical): TreatmentStep {
  return {
    from: 0,
    agent: null,
    tool: null,
    what: agent,
    kind: 'test',
    dose: '1 drop',
    action: 'dab',
    temperatureC: roomC,
    minutes: 6,
    mostMinutes: 6,
    repeats: 1,
    rinses: 0,
    check: 'garment-dye',
    when: 'always',
    gate: null,
    mayBeSkipped: false,
    airs: false,
    wet: false,
    how: `Test ${nameOf(agent)} first: one drop on an inner seam, 5 min, press a white cloth on it for 10 s; it must stay white`,
    because: [],
  };
}
function airing(minutes: number, because: string): TreatmentStep {
  return {
    from: 0,
    agent: null,
    tool: 'open-air',
    what: 'open-air',
    kind: 'air',
    dose: null,
    action: 'air-out',
    temperatureC: roomC,
    minutes,
    mostMinutes: minutes * 4,
    repeats: 1,
    rinses: 0,
    check: 'fume',
    when: 'always',
    gate: null,
    mayBeSkipped: false,
    airs: true,
    wet: false,
    how: actions['air-out'],
    because: [because],
  };
}

/** Airing before a volatile solvent on wet cloth, and before anything follows one. */
function withAiring(steps: readonly TreatmentStep[]): TreatmentStep[] {
  const out: TreatmentStep[] = [];
  let wet = false;
  let solventOpen = false;
  for (const s of steps) {
    if (s.kind === 'treat' && s.agent !== null) {
      if (volatile(s.agent) && wet) {
        out.push(airing(60, 'the solvent needs dry cloth'));
        wet = false;
      }
      if (solventOpen && !solventGroup(s.agent)) {
        out.push({ ...airing(60, 'the solvent must be gone first'), mayBeSkipped: false });
        solventOpen = false;
        wet = false;
      }
      if (volatile(s.agent)) solventOpen = true;
    }
    if (s.airs) {
      wet = false;
      solventOpen = false;
    }
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
  if (g.activity === 'sweaty' || g.stains.some((s) => ammoniacal.includes(s.kind)))
    out.set('chlorine-bleach', 'never chlorine with urine, vomit or sweat: it gives off toxic gas');
  if (g.stains.some((s) => ironStains.includes(s.kind)))
    for (const a of bleachingAgents) out.set(a, 'no bleach while rust or sunscreen is in the cloth');
  return out;
}

/** What people see first when nothing at home will do. */
function closedAtOnce(
  g: Garment,
  stain: Stain,
  cloth: Cloth,
  caps: SpotCaps,
  score: number,
): { stop: StopCode; text: string } | null {
  if (stain.kind === 'fuel-diesel' && (stain.sizeCm ?? 0) > 10)
    return { stop: 'stop-safety', text: 'More than a splash of fuel: it is not washed at home.' };
  const delicate =
    hasAny(cloth, ['silk', ...acetateColumns, ...hideColumns, 'metallic-thread']) ||
    g.traits.has('heirloom') ||
    g.valueEur >= 150;
  const inkOrPaint = ['ink-ballpoint', 'ink-gel', 'ink-permanent', 'paint-oil', 'paint-water'].includes(stain.kind);
  if (inkOrPaint && (stain.sizeCm ?? 0) > 10)
    return { stop: 'stop-pro', text: 'Ink or paint wider than 10 cm spreads at home.' };
  if (stain.failedRounds >= caps.rounds)
    return delicate
      ? {
          stop: 'stop-pro',
          text: `This cloth bears ${caps.rounds === 1 ? 'one round' : `${caps.rounds} rounds`}; they are used up.`,
        }
      : { stop: 'stop-leave', text: `The ${caps.rounds} rounds this cloth bears are used up.` };
  if (score < 20)
    return delicate
      ? { stop: 'stop-pro', text: 'The odds at home are poor and the piece is worth a professional.' }
      : { stop: 'stop-leave', text: 'The odds at home are poor.' };
  if (score < 40 && delicate)
    return { stop: 'stop-pro', text: 'Little chance at home, and the piece is worth a professional.' };
  return null;
}

const closedTraits = ['structured', 'glued', 'sequins', 'beads', 'velvet', 'velveteen', 'pile'] as const;

/** The procedure. Deterministic; every agent in it is in the cupboard, borne by the cloth, and rinsed as the order asks. */
export function procedureFor(g: Garment, stain: Stain, workplace: Workplace): Procedure {
  const cloth = clothOf(g);
  const caps = capsOf(cloth);
  const learntPoints = stainPointsOf(workplace.learnt, stain.kind, g.parts);
  const score = scoreOf(stain, cloth, learntPoints);
  const base = {
    stain,
    score,
    ...(learntPoints === 0 ? {} : { learntPoints }),
    odds: score / 100,
    band: bandOf(score),
    rounds: caps.rounds,
    roundsLeft: Math.max(0, caps.rounds - stain.failedRounds),
    handling: caps.handling,
  };
  const ended = (
    steps: TreatmentStep[],
    stop: StopCode | null,
    stopText: string,
    dropped: Dropped[] = [],
  ): Procedure => ({
    ...base,
    steps,
    stop,
    stopText: stop ? `${stopText}${stopText ? ' ' : ''}${stopCodes[stop].text}` : '',
    dropped,
    needsFume:
      steps.some((s) => s.agent !== null && solventGroup(s.agent)) ||
      stainFacts(stain.kind).families.includes('fuel-solvent'),
  });
  const atOnce = closedAtOnce(g, stain, cloth, caps, score);
  if (atOnce) return ended([], atOnce.stop, atOnce.text);
  if (hasAny(cloth, hideColumns)) {
    const r = skinRoute(stain.kind, cloth);
    return ended(
      r.steps.map((s) => skinStep(s)),
      r.stop,
      r.text,
    );
  }
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
      if (fit.stop) {
        stop = fit.stop;
        said = `${fit.dropped.because}.`;
        break;
      }
      continue;
    }
    if (neverWet && (fit.step.wet || (fit.step.agent !== null && !dryTools.includes(fit.step.what)))) {
      stop = 'stop-pro';
      said = `Nothing wet at home on this piece: it is ${neverWet === 'structured' || neverWet === 'glued' ? 'tailored or glued' : neverWet}.`;
      break;
    }
    if (cloth.fastness === 'strong' && fit.step.wet) {
      stop = 'stop-pro';
      said = 'Its dye runs strongly in water.';
      break;
    }
    if (
      cloth.fastness === 'trace' &&
      fit.step.wet &&
      !(fit.step.agent === 'water' && fit.step.action === 'flush-back')
    ) {
      dropped.push({
        from: index,
        agent: listed.agent,
        because: 'its dye runs: cold flush and a cold wash alone only',
        missing: false,
      });
      continue;
    }
    if (fit.needsTest && fit.step.agent !== null && !toTest.includes(fit.step.agent)) toTest.push(fit.step.agent);
    steps.push(fit.step);
  }
  const treated = steps.some((s) => s.agent !== null && s.what !== 'absorbent-powder');
  if (!treated && stop === null && !list.every(([, l]) => isTool(l.agent))) {
    stop = 'stop-pro';
    said = dropped.some((d) => d.missing)
      ? 'The cupboard has nothing that helps here.'
      : 'This cloth bears none of what would help.';
  }
  return ended(
    rinsedForWash(withAiring([...toTest.map(testStep), ...coldFirst(steps, stain)]), stain, cloth),
    stop,
    said,
    dropped,
  );
}

/** Rinses for what follows, the detergent of the wash included: the strongest that the piece may meet there. */
function rinsedForWash(steps: readonly TreatmentStep[], stain: Stain, cloth: Cloth): TreatmentStep[] {
  const agent = washAgent(stain, cloth);
  return withRinses<SequenceStep>([...steps, { agent, rinses: 0, mayBeSkipped: false, airs: false, wet: true }]).slice(
    0,
    -1,
  ) as TreatmentStep[];
}
export const washAgent = (stain: Stain, cloth: Cloth): AgentId =>
  hasAny(cloth, [...proteinColumns, 'down'])
    ? 'det-wool-silk'
    : cloth.fastness === 'undyed' && !stainFacts(stain.kind).families.includes('metal')
      ? 'det-universal-powder'
      : 'det-colour-liquid';

/** Protein and unknown marks: no liquid above 20 °C first. */
function coldFirst(steps: readonly TreatmentStep[], stain: Stain): TreatmentStep[] {
  const families = stainFacts(stain.kind).families;
  if (!families.includes('protein') && stain.kind !== 'unknown-old') return [...steps];
  const first = steps.findIndex((s) => s.wet);
  return steps.map((s, i) =>
    i === first && s.temperatureC > 20
      ? { ...s, temperatureC: 20, because: [...s.because, 'cold first: warmth sets protein'] }
      : s,
  );
}

function skinStep(s: StainStep): TreatmentStep {
  const chemical = isTool(s.agent) ? null : s.agent;
  return {
    from: 0,
    agent: chemical,
    tool: isTool(s.agent) ? s.agent : null,
    what: s.agent,
    kind: 'treat',
    dose: s.dose,
    action: s.action,
    temperatureC: temperatureOf(s, 25, false),
    minutes: s.minutes[0],
    mostMinutes: s.minutes[1],
    repeats: s.repeats,
    rinses: 0,
    check: s.check,
    when: 'always',
    gate: null,
    mayBeSkipped: false,
    airs: s.action === 'air-out',
    wet: false,
    how: sentence(isTool(s.agent) ? tools[s.agent].name : agents[s.agent].name, s.dose, s.action),
    because: [],
  };
}
