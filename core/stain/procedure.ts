/**
 * The procedure for one stain on one piece, from what the cupboard holds: the steps of the stain, each checked against fibre, dye, trim, label and
 * tests, replaced, shortened, cooled or left out, with the rinses that the order of agents needs. Precedence when values conflict: safety, label,
 * fibre cap, agent's condition, step; the lowest temperature, the shortest time and the fewest repeats win.
 */
import { bleachingAgents } from '../chemistry/bearing.ts';
import type { AgentId } from '../chemistry/agents.ts';
import { acetateColumns, clothOf, hasAny, hideColumns, proteinColumns, type Cloth } from '../chemistry/cloth.ts';
import { withRinses, type Chemical, type SequenceStep } from '../chemistry/sequence.ts';
import { isTool } from '../chemistry/tools.ts';
import type { Garment, Stain } from '../model/garment.ts';
import { say, type Message } from '../message/message.ts';
import type { StopCode } from './actions.ts';
import { capsOf, type SpotCaps } from './caps.ts';
import { listFor } from './fibre-lists.ts';
import { fitStep } from './fit-step.ts';
import { stainPointsOf } from '../learn/stains.ts';
import { bandOf, scoreOf } from './score.ts';
import { skinRoute } from './skin.ts';
import { roomC, solventGroup, temperatureOf, volatile } from './step-choice.ts';
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
    because: [],
  };
}
function airing(minutes: number, because: Message): TreatmentStep {
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
        out.push(airing(60, say('treat.solvent-dry-cloth')));
        wet = false;
      }
      if (solventOpen && !solventGroup(s.agent)) {
        out.push({ ...airing(60, say('treat.solvent-gone')), mayBeSkipped: false });
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
  if (solventOpen) out.push(airing(60, say('treat.solvent-gone-wash')));
  return out;
}

const ammoniacal: readonly Stain['kind'][] = ['urine', 'vomit', 'faeces', 'sweat', 'underarm-yellow', 'deodorant-mark'];
/** Agents that the other marks of the piece, or its sweat, forbid until they are gone. */
function forbiddenBeside(g: Garment): ReadonlyMap<AgentId, Message> {
  const out = new Map<AgentId, Message>();
  if (g.activity === 'sweaty' || g.stains.some((s) => ammoniacal.includes(s.kind)))
    out.set('chlorine-bleach', say('chem.no-chlorine-beside'));
  if (g.stains.some((s) => ironStains.includes(s.kind)))
    for (const a of bleachingAgents) out.set(a, say('chem.no-bleach-beside-iron'));
  return out;
}

/** What people see first when nothing at home will do. */
function closedAtOnce(
  g: Garment,
  stain: Stain,
  cloth: Cloth,
  caps: SpotCaps,
  score: number,
): { stop: StopCode; because: Message } | null {
  if (stain.kind === 'fuel-diesel' && (stain.sizeCm ?? 0) > 10)
    return { stop: 'stop-safety', because: say('stop.fuel-much') };
  const delicate =
    hasAny(cloth, ['silk', ...acetateColumns, ...hideColumns, 'metallic-thread']) ||
    g.traits.has('heirloom') ||
    g.valueEur >= 150;
  const inkOrPaint = ['ink-ballpoint', 'ink-gel', 'ink-permanent', 'paint-oil', 'paint-water'].includes(stain.kind);
  if (inkOrPaint && (stain.sizeCm ?? 0) > 10) return { stop: 'stop-pro', because: say('stop.wide-ink') };
  if (stain.failedRounds >= caps.rounds)
    return { stop: delicate ? 'stop-pro' : 'stop-leave', because: say('stop.rounds-used', { count: caps.rounds }) };
  if (score < 20)
    return delicate
      ? { stop: 'stop-pro', because: say('stop.poor-odds-worth') }
      : { stop: 'stop-leave', because: say('stop.poor-odds') };
  if (score < 40 && delicate) return { stop: 'stop-pro', because: say('stop.little-chance-worth') };
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
    stopBecause: Message | null,
    dropped: Dropped[] = [],
  ): Procedure => ({
    ...base,
    steps,
    stop,
    stopBecause: stop ? stopBecause : null,
    dropped,
    needsFume:
      steps.some((s) => s.agent !== null && solventGroup(s.agent)) ||
      stainFacts(stain.kind).families.includes('fuel-solvent'),
  });
  const atOnce = closedAtOnce(g, stain, cloth, caps, score);
  if (atOnce) return ended([], atOnce.stop, atOnce.because);
  if (hasAny(cloth, hideColumns)) {
    const r = skinRoute(stain.kind, cloth);
    return ended(
      r.steps.map((s) => skinStep(s)),
      r.stop,
      r.because,
    );
  }
  const neverWet = closedTraits.find((t) => g.traits.has(t));
  const { list, stopAfter, stopBecause } = listFor(stain, cloth);
  const steps: TreatmentStep[] = [];
  const dropped: Dropped[] = [];
  const forbidden = forbiddenBeside(g);
  const toTest: Chemical[] = [];
  let stop: StopCode | null = stopAfter;
  let because = stopBecause;
  for (const [index, listed] of list) {
    const fit = fitStep(listed, index, cloth, caps, workplace, stain, forbidden);
    if ('dropped' in fit) {
      dropped.push(fit.dropped);
      if (fit.stop) {
        stop = fit.stop;
        because = fit.dropped.because;
        break;
      }
      continue;
    }
    if (neverWet && (fit.step.wet || (fit.step.agent !== null && !dryTools.includes(fit.step.what)))) {
      stop = 'stop-pro';
      because =
        neverWet === 'structured' || neverWet === 'glued'
          ? say('stop.nothing-wet-tailored')
          : say('stop.nothing-wet', { trait: neverWet });
      break;
    }
    if (cloth.fastness === 'strong' && fit.step.wet) {
      stop = 'stop-pro';
      because = say('stop.dye-strong');
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
        because: say('treat.dye-trace'),
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
    because = say(dropped.some((d) => d.missing) ? 'stop.nothing-helps' : 'stop.cloth-bears-none');
  }
  return ended(
    rinsedForWash(withAiring(withTests(coldFirst(steps, stain), toTest)), stain, cloth),
    stop,
    because,
    dropped,
  );
}

/**
 * The tests come before the first agent; a mark does not wait for them: what lifts, blots and flushes it goes first,
 * and while a drop works on a hidden seam the mark is off the worst already. Water with a test of its own waits, too.
 */
function withTests(steps: readonly TreatmentStep[], toTest: readonly Chemical[]): TreatmentStep[] {
  if (toTest.length === 0) return [...steps];
  const firstAid = (s: TreatmentStep): boolean =>
    s.when === 'always' &&
    s.minutes < longestFirstAidMin &&
    (s.agent === null || (s.agent === 'water' && !toTest.includes('water')));
  const from = steps.findIndex((s) => !firstAid(s));
  const at = from < 0 ? steps.length : from;
  return [...steps.slice(0, at), ...toTest.map(testStep), ...steps.slice(at)];
}
/** A longer step is treatment, not first aid, min. */
const longestFirstAidMin = 15;

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
      ? { ...s, temperatureC: 20, because: [...s.because, say('treat.cold-first')] }
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
    because: [],
  };
}
