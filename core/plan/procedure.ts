/** The ordered steps of a load, each with minutes, attention, a check and what to do when the check fails. */
import { say, type Message } from '../message/message.ts';
import type { LoadCheckId, ProcedureStep, StepKind } from '../model/plan.ts';
import { handStepMinutes } from '../price/hand-bath.ts';
import type { PricedLoad } from '../price/price.ts';
import { mayChangeSize } from '../piece/care-steps.ts';
import type { Profile } from '../piece/profile.ts';
import { roundTo } from '../units/numbers.ts';

const step = (
  kind: StepKind,
  message: Message,
  minutes: number,
  attended: boolean,
  temperatureC: number | null = null,
  check: LoadCheckId | null = null,
): ProcedureStep => ({
  step: kind,
  message,
  minutes,
  attended,
  temperatureC,
  check: check && { code: check },
});

function inspection(pieces: readonly Profile[], catcher: boolean): ProcedureStep[] {
  const out: ProcedureStep[] = [];
  if (catcher) out.push(step('read-catcher', say('step.read-catcher'), 1, true, null, 'catcher-clear'));
  if (pieces.some((p) => p.garment.stains.length > 0))
    out.push(step('inspect', say('step.inspect'), 2, true, null, 'gone-dry'));
  if (pieces.some((p) => mayChangeSize(p))) out.push(step('measure', say('step.measure'), 3, true, null, 'size-kept'));
  return out;
}

export const machineTimes = { loadMin: 6, doseMin: 2, startMin: 2 } as const;

export function procedureOf(load: PricedLoad, pieces: readonly Profile[], dosing: Message): ProcedureStep[] {
  const { setting: s } = load;
  const fuel = pieces.some((p) => p.contamination === 'fuel');
  const sick = pieces.some((p) => p.contamination === 'hygiene');
  const before = fuel ? [step('air-out', say('step.air-out'), 60, false, null, 'fume')] : [];
  if (s.method === 'machine') {
    return [
      ...before,
      step('load', say(sick ? 'step.load-gloved' : 'step.load', { count: pieces.length }), machineTimes.loadMin, true),
      step('dose', dosing, machineTimes.doseMin, true),
      step(
        'start',
        say('step.start', { programme: s.programme.name, celsius: s.temperatureC, rpm: load.spinRpm }),
        s.programme.durationMin,
        false,
        s.temperatureC,
      ),
      step('take-out', say(sick ? 'step.take-out-clean' : 'step.take-out'), machineTimes.startMin, true),
      ...inspection(pieces, load.catcher !== null),
      ...(fuel ? [step('empty-drum-rinse', say('step.empty-drum-rinse'), 15, false)] : []),
    ];
  }
  const bath = load.bath;
  if (!bath) return [];
  const cold = roundTo(bath.litres - bath.hotL, 1);
  const out = [
    ...before,
    step(
      'fill-basin',
      say('step.fill-basin', {
        place: s.basin.name,
        hotL: roundTo(bath.hotL, 1),
        coldL: cold,
        celsius: s.temperatureC,
      }),
      handStepMinutes.fill,
      true,
      s.temperatureC,
    ),
    step('dose', dosing, 0, true),
  ];
  if (bath.soakMin > 0)
    out.push(step('soak', say('step.soak', { minutes: bath.soakMin }), bath.soakMin, false, s.temperatureC));
  out.push(
    step('move', say('step.move'), bath.moveMin, true),
    step('drain', say('step.drain'), handStepMinutes.drain, true),
  );
  for (let i = 0; i < bath.rinses; i++)
    out.push(
      step(
        'rinse',
        say('step.rinse', { count: i + 1, total: bath.rinses }),
        handStepMinutes.rinse,
        true,
        s.temperatureC,
        i === bath.rinses - 1 ? 'no-residue' : null,
      ),
    );
  out.push(
    step('press-out', say('step.press-out'), handStepMinutes.press, true),
    step('towel-roll', say('step.towel-roll'), handStepMinutes.roll, true),
  );
  return [...out, ...inspection(pieces, load.catcher !== null)];
}
