/** The ordered steps of a load, each with minutes, attention, a check and what to do when the check fails. */
import type { ProcedureStep, StepKind } from '../model/plan.ts';
import { handStepMinutes } from '../price/hand-bath.ts';
import type { PricedLoad } from '../price/price.ts';
import type { Profile } from '../piece/profile.ts';
import { roundTo } from '../units/numbers.ts';

const step = (
  kind: StepKind,
  text: string,
  minutes: number,
  attended: boolean,
  temperatureC: number | null = null,
  check: ProcedureStep['check'] = null,
): ProcedureStep => ({ step: kind, text, minutes, attended, temperatureC, check });

const catcherCheck = {
  code: 'catcher-clear',
  text: 'The colour catcher is clean.',
  ifFails: 'Keep the load wet, take out what is tinted, wash the rest again cold with fresh catchers; never dry it.',
};
const stainCheck = {
  code: 'gone-dry',
  text: 'No mark after air-drying, in daylight, both sides.',
  ifFails: 'Treat the stain again; air-dry only, no iron.',
};
const residueCheck = {
  code: 'no-residue',
  text: 'No slick or sticky feel; the last water is clear.',
  ifFails: 'Rinse once more.',
};
const sizeCheck = {
  code: 'size-kept',
  text: 'The measures are as before.',
  ifFails: 'Stretch it back while damp, along the measured line, no further than before.',
};

function inspection(pieces: readonly Profile[], catcher: boolean): ProcedureStep[] {
  const out: ProcedureStep[] = [];
  if (catcher)
    out.push(step('read-catcher', 'Look at the colour catcher beside an unused one.', 1, true, null, catcherCheck));
  if (pieces.some((p) => p.garment.stains.length > 0))
    out.push(step('inspect', 'Look at every treated mark before any heat.', 2, true, null, stainCheck));
  if (pieces.some((p) => p.values.flags.has('measure') || p.isWool))
    out.push(step('measure', 'Measure the knits while damp.', 3, true, null, sizeCheck));
  return out;
}

export const machineTimes = { loadMin: 6, doseMin: 2, startMin: 2 } as const;

export function procedureOf(load: PricedLoad, pieces: readonly Profile[], doseText: string): ProcedureStep[] {
  const { setting: s } = load;
  const fuel = pieces.some((p) => p.contamination === 'fuel');
  const before = fuel
    ? [
        step('air-out', 'Hang outdoors until no fuel or solvent smell is left.', 60, false, null, {
          code: 'fume',
          text: 'No smell at 10 cm.',
          ifFails: 'Keep airing; no drum and no heat.',
        }),
      ]
    : [];
  if (s.method === 'machine') {
    return [
      ...before,
      step(
        'load',
        `Check the drum is empty, then load ${pieces.length === 1 ? 'the piece' : `the ${pieces.length} pieces`} loosely.`,
        machineTimes.loadMin,
        true,
      ),
      step('dose', doseText, machineTimes.doseMin, true),
      step(
        'start',
        `${s.programme.name}, ${s.temperatureC} °C, ${load.spinRpm === 0 ? 'no spin' : `${load.spinRpm} rpm`}. Start.`,
        s.programme.durationMin,
        false,
        s.temperatureC,
      ),
      step('take-out', 'Take everything out at once; leave door and drawer open.', machineTimes.startMin, true),
      ...inspection(pieces, load.catcher !== null),
      ...(fuel ? [step('empty-drum-rinse', 'Run the machine once empty with a rinse.', 15, false)] : []),
    ];
  }
  const bath = load.bath;
  if (!bath) return [];
  const cold = roundTo(bath.litres - bath.hotL, 1);
  const out = [
    ...before,
    step(
      'fill-basin',
      `Fill the basin (${s.basin.name}) with ${roundTo(bath.hotL, 1)} l hot and ${cold} l cold water: ${s.temperatureC} °C.`,
      handStepMinutes.fill,
      true,
      s.temperatureC,
    ),
    step('dose', doseText, 0, true),
  ];
  if (bath.soakMin > 0)
    out.push(
      step('soak', `Lay the pieces in loosely and soak ${bath.soakMin} min.`, bath.soakMin, false, s.temperatureC),
    );
  out.push(
    step('move', 'Plunge and press gently; no rubbing, no wringing.', bath.moveMin, true),
    step('drain', 'Let the water out; lift nothing by the shoulders.', handStepMinutes.drain, true),
  );
  for (let i = 0; i < bath.rinses; i++)
    out.push(
      step(
        'rinse',
        `Rinse ${i + 1} of ${bath.rinses} in water of the same temperature.`,
        handStepMinutes.rinse,
        true,
        s.temperatureC,
        i === bath.rinses - 1 ? residueCheck : null,
      ),
    );
  out.push(
    step('press-out', 'Press the water out against the side.', handStepMinutes.press, true),
    step('towel-roll', 'Roll up in a dry towel and press.', handStepMinutes.roll, true),
  );
  return [...out, ...inspection(pieces, load.catcher !== null)];
}
