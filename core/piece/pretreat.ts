/** Stain procedures as the plan carries them into the ticket, and what people should know of them before. */
import type { Chemical } from '../chemistry/sequence.ts';
import { cupboardOf } from '../chemistry/cupboard.ts';
import { say, type Message } from '../message/message.ts';
import type { Household } from '../model/household.ts';
import { effectOf } from '../model/rule-effects.ts';
import type { PlanWarning, Pretreatment } from '../model/plan.ts';
import type { Procedure, StepLine, TreatmentStep, Workplace } from '../stain/treatment.ts';
import { heatOf } from '../stain/score.ts';
import { roundTo } from '../units/numbers.ts';
import type { Profile } from './profile.ts';

export const workplaceOf = (h: Household): Workplace => ({
  cupboard: cupboardOf(h),
  hardness: h.water.hardnessMmolPerL,
  chlorine: effectOf(h.rules, 'whites').chlorine,
  learnt: h.learnt.stains,
});

const boilingC = 100;
/** Litres from the kettle to five litres of the hot tap, to one decimal. */
const kettleL = (targetC: number, hotC: number): number => (5 * (targetC - hotC)) / (boilingC - targetC);
/** How warm a bath can be made here, and how a kettle makes up for a cool tap; no note where the tap suffices. */
export const warmed = (s: TreatmentStep, hotC: number): { temperatureC: number; note: Message | null } =>
  !s.wet || s.temperatureC <= hotC
    ? { temperatureC: s.temperatureC, note: null }
    : {
        temperatureC: hotC,
        note: say('treat.kettle', {
          celsius: hotC,
          kettleL: roundTo(kettleL(s.temperatureC, hotC), 1),
          bearsCelsius: s.temperatureC,
        }),
      };

const lineOf = ({
  kind,
  what,
  dose,
  action,
  minutes,
  mostMinutes,
  repeats,
  rinses,
  check,
  when,
}: TreatmentStep): StepLine => ({
  kind,
  what,
  dose,
  action,
  minutes,
  mostMinutes,
  repeats,
  rinses,
  check,
  when,
});
/** `hotC` = the hot tap: no temperature is printed that the house cannot give. */
export const toPretreatment = (p: Procedure, hotC: number): Pretreatment => ({
  stain: p.stain.id,
  odds: p.odds,
  stop: p.stop,
  steps: p.steps.map((s) => ({
    agent: s.what,
    how: say('treat.step', { step: lineOf(s) }),
    warming: warmed(s, hotC).note,
    minutes: s.minutes,
    temperatureC: warmed(s, hotC).temperatureC,
    ...(s.gate ? { gate: s.gate } : {}),
  })),
});

/** What people should know of a piece's marks before they begin. */
export function stainWarnings(p: Profile, procedures: readonly Procedure[]): PlanWarning[] {
  const { id, name } = p.garment;
  const out: PlanWarning[] = [];
  const warn = (code: PlanWarning['code'], severity: PlanWarning['severity'], message: Message): void => {
    out.push({ code, severity, garments: [id], message });
  };
  for (const t of procedures) {
    const stain = t.stain.kind;
    if (heatOf(t.stain) !== 'none') warn('heat-set-stain', 'caution', say('warn.heat-set-stain', { name, stain }));
    if (t.score < 40 || t.stop !== null) {
      const lines = [
        say('treat.band', { band: t.band }),
        ...(t.stopBecause ? [t.stopBecause] : []),
        ...(t.stop ? [say('treat.stop', { stop: t.stop })] : []),
      ];
      const severity = t.stop === 'stop-safety' ? 'danger' : 'info';
      warn('garment-odds', severity, say('warn.mark-odds', { name, stain, lines }));
    }
  }
  return out;
}

/** What the cupboard lacks and would help, each thing once, with the pieces it would help. */
export function missingWarnings(
  treated: readonly { piece: Profile; procedures: readonly Procedure[] }[],
): PlanWarning[] {
  const helps = new Map<Chemical, Profile[]>();
  for (const { piece, procedures } of treated) {
    const lacking = procedures.flatMap((t) =>
      t.steps.length > 0
        ? t.dropped.flatMap(({ because }) => (because.code === 'treat.not-in-cupboard' ? [because.params.agent] : []))
        : [],
    );
    for (const agent of new Set(lacking)) helps.set(agent, [...(helps.get(agent) ?? []), piece]);
  }
  return [...helps].map(([agent, pieces]) => ({
    code: 'no-suitable-product',
    severity: 'info',
    garments: pieces.map((p) => p.garment.id),
    message: say('warn.lacking-agent', { agent, names: pieces.map((p) => p.garment.name) }),
  }));
}
