/** One listed step, fitted to a cloth: clamped, explained, gated by its test, or dropped with the reason. */
import type { ConditionCode } from '../chemistry/agent-fibre.ts';
import type { AgentId } from '../chemistry/agents.ts';
import type { Bearing } from '../chemistry/bearing.ts';
import type { Cloth } from '../chemistry/cloth.ts';
import type { Chemical } from '../chemistry/sequence.ts';
import { isTool } from '../chemistry/tools.ts';
import { say, type Message } from '../message/message.ts';
import type { Stain } from '../model/garment.ts';
import type { StopCode } from './actions.ts';
import type { SpotCaps } from './caps.ts';
import {
  bathActions,
  bearableAction,
  chooseAgent,
  dueWhen,
  solventGroup,
  temperatureOf,
  toolRefusal,
  wetActions,
} from './step-choice.ts';
import type { StainStep } from './steps.ts';
import type { Dropped, TreatmentStep, Workplace } from './treatment.ts';

const condition = (code: ConditionCode): Message => say('chem.condition', { condition: code });
const coolCodes: readonly ConditionCode[] = ['c-10', 'c-30', 'c-cool', 'c-soap', 'c-bleed'];
/** What keeps a bath cool: the agent on this cloth, the label, or the cloth itself. */
function coolest(bearing: Bearing, cap: number, cloth: Cloth, handling: Message): Message {
  const cool = bearing.conditions.find((c) => coolCodes.includes(c));
  if (bearing.mostC < cap && cool) return condition(cool);
  return cloth.labelMaxC !== null && cloth.labelMaxC <= cap ? say('treat.its-label') : handling;
}

/** One step of the list on this cloth. */
export function fitStep(
  listed: StainStep,
  from: number,
  cloth: Cloth,
  caps: SpotCaps,
  workplace: Workplace,
  stain: Stain,
  forbidden: ReadonlyMap<AgentId, Message>,
): { step: TreatmentStep; needsTest: boolean } | { dropped: Dropped; stop: StopCode | null } {
  const drop = (because: Message, missing = false, stop: StopCode | null = null) => ({
    dropped: { from, agent: listed.agent, because, missing },
    stop,
  });
  const when = dueWhen(listed, cloth, workplace);
  if (when === null)
    return drop(
      say(
        listed.when === 'if-hard-water'
          ? 'treat.soft-water'
          : listed.when === 'fast-only'
            ? 'treat.only-fast'
            : 'treat.only-undyed',
      ),
    );
  if (isTool(listed.agent)) {
    const action = bearableAction(listed.action, caps, cloth);
    const refusal = toolRefusal(listed.agent, listed.action, cloth);
    if (refusal || !action) return drop(refusal ?? say('treat.not-borne'));
    const wet = listed.action === 'mist-even' || listed.action === 'sun-dry';
    return {
      needsTest: false,
      step: {
        from,
        agent: null,
        tool: listed.agent,
        what: listed.agent,
        kind: 'treat',
        dose: listed.dose,
        action,
        temperatureC: temperatureOf(listed, caps.spotMaxC, wet),
        minutes: listed.minutes[0],
        mostMinutes: listed.minutes[1],
        repeats: listed.repeats,
        rinses: listed.rinses,
        check: listed.check,
        when,
        gate: listed.action === 'iron-through-paper' ? 'check-passed' : null,
        mayBeSkipped: when !== 'always',
        airs: listed.action === 'air-out',
        wet,
        because: [],
      },
    };
  }
  const chosen = chooseAgent({ ...listed, agent: listed.agent }, cloth, workplace, stain.sizeCm, forbidden);
  if (!chosen.ok) return drop(chosen.because, chosen.missing, chosen.stop);
  const { agent, bearing, step } = chosen.choice;
  const because = [...chosen.choice.because];
  const handling = say('treat.handling', { handling: caps.handling });
  let action = bearableAction(chosen.choice.action, caps, cloth);
  if (!action) return drop(say('treat.work-not-borne'));
  if (bearing.spotOnly && bathActions.includes(action)) {
    action = 'dab';
    because.push(condition('c-spot'));
  }
  if (action !== chosen.choice.action && action === 'dab') because.push(handling);
  const inBath = bathActions.includes(action);
  const wet = wetActions.includes(action) && !solventGroup(agent) && agent !== 'absorbent-powder';
  const cap = inBath ? caps.soakMaxC : caps.spotMaxC;
  const most = Math.min(cap, bearing.mostC);
  // On a colour that is not known to be fast, water is only flushed through, and cold.
  const temperatureC =
    agent === 'water' && action === 'flush-back' && bearing.needsTest
      ? Math.min(20, temperatureOf(step, most, wet))
      : temperatureOf(step, most, wet);
  if (temperatureC < step.temperatureC[1] && wet && most < step.temperatureC[1])
    because.push(say('treat.at-most-celsius', { celsius: most, because: coolest(bearing, cap, cloth, handling) }));
  const mostMinutes = Math.min(step.minutes[1], bearing.mostMinutes, inBath ? Math.max(caps.soakMaxMin, 1) : Infinity);
  const minutes = Math.min(step.minutes[0], mostMinutes);
  if (mostMinutes < step.minutes[1]) because.push(say('treat.at-most-minutes', { minutes: mostMinutes }));
  const half = bearing.halfStrength && agent !== 'peroxide-1';
  if (half) because.push(condition('c-dil'));
  const asDiluted: Chemical =
    half && agent === 'isopropyl-alcohol' ? 'alcohol-1-2' : half && agent === 'peroxide-3' ? 'peroxide-1' : agent;
  for (const c of bearing.conditions)
    if (c === 'c-trim' || c === 'c-label' || c === 'c-soap' || c === 'c-dryout' || c === 'c-weak')
      because.push(condition(c));
  // An untested colour keeps the cold flush, with an eye on its dye.
  const coldFlush = agent === 'water' && action === 'flush-back' && temperatureC <= 20;
  const needsTest = bearing.needsTest && !coldFlush;
  return {
    needsTest,
    step: {
      from,
      agent: asDiluted,
      tool: null,
      what: asDiluted,
      kind: 'treat',
      dose: step.dose,
      action,
      temperatureC,
      minutes,
      mostMinutes,
      repeats: step.repeats,
      rinses: wet || solventGroup(agent) ? Math.max(step.rinses, wet && step.rinses > 0 ? bearing.leastRinses : 0) : 0,
      check: coldFlush && bearing.needsTest ? 'garment-dye' : listed.check,
      when,
      gate: needsTest ? 'test-passed' : null,
      mayBeSkipped: when !== 'always',
      airs: false,
      wet,
      because,
    },
  };
}
