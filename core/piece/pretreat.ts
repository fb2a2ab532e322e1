/** Stain procedures as the plan carries them into the ticket, and what people should know of them before. */
import { cupboardOf } from '../chemistry/cupboard.ts';
import { say, type Message } from '../message/message.ts';
import type { Household } from '../model/household.ts';
import type { PlanWarning, Pretreatment } from '../model/plan.ts';
import { checks } from '../stain/actions.ts';
import type { Procedure, TreatmentStep, Workplace } from '../stain/treatment.ts';
import { heatOf } from '../stain/score.ts';
import type { Profile } from './profile.ts';

export const workplaceOf = (h: Household): Workplace => ({
  cupboard: cupboardOf(h),
  hardness: h.water.hardnessMmolPerL,
  chlorine: h.rules.whites === 'chlorine',
  learnt: h.learnt.stains,
});

/** One line for the ticket: when it is due, what to do, how long at most, rinses and the check. */
function howText(s: TreatmentStep): string {
  const due =
    s.when === 'if-left' ? 'If it is still there: ' : s.when === 'if-orange' ? 'If an orange tone is left: ' : '';
  const again = s.repeats > 1 ? ` Up to ${s.repeats} times.` : '';
  const longer = s.mostMinutes > s.minutes ? ` ${s.minutes}–${s.mostMinutes} min.` : '';
  const rinse = s.rinses > 0 ? ` Then rinse ${s.rinses === 1 ? 'once' : `${s.rinses} times`}.` : '';
  const check = s.kind === 'test' ? '' : ` Check: ${checks[s.check].passes}.`;
  const how = due ? `${due}${s.how.charAt(0).toLowerCase()}${s.how.slice(1)}` : s.how;
  return `${how}${how.endsWith('.') ? '' : '.'}${longer}${again}${rinse}${check}`;
}
const boilingC = 100;
/** Litres from the kettle to five litres of the hot tap, to one decimal. */
const kettleL = (targetC: number, hotC: number): number => (5 * (targetC - hotC)) / (boilingC - targetC);
/** How warm a bath can be made here, and how a kettle makes up for a cool tap; an empty note where the tap suffices. */
export const warmed = (s: TreatmentStep, hotC: number): { temperatureC: number; note: string } =>
  !s.wet || s.temperatureC <= hotC
    ? { temperatureC: s.temperatureC, note: '' }
    : {
        temperatureC: hotC,
        note: `The tap gives ${hotC} °C; ${kettleL(s.temperatureC, hotC).toFixed(1)} l from the kettle to 5 l make ${s.temperatureC} °C.`,
      };

/** `hotC` = the hot tap: no temperature is printed that the house cannot give. */
export const toPretreatment = (p: Procedure, hotC: number): Pretreatment => ({
  stain: p.stain.id,
  odds: p.odds,
  stop: p.stop,
  steps: p.steps.map((s) => ({
    agent: s.what,
    how: [howText(s), warmed(s, hotC).note].filter(Boolean).join(' '),
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
      const prospect = `${t.band.text}${t.stop ? ` ${t.stopText}` : ''}`;
      const severity = t.stop === 'stop-safety' ? 'danger' : 'info';
      warn('garment-odds', severity, say('warn.garment-odds', { name, stain, prospect }));
    }
  }
  return out;
}

/** What the cupboard lacks and would help, each thing once, with the pieces it would help. */
export function missingWarnings(
  treated: readonly { piece: Profile; procedures: readonly Procedure[] }[],
): PlanWarning[] {
  const helps = new Map<string, Profile[]>();
  for (const { piece, procedures } of treated) {
    const lacking = procedures.flatMap((t) =>
      t.steps.length > 0 ? t.dropped.flatMap((d) => (d.missing ? [d.because] : [])) : [],
    );
    for (const prospect of new Set(lacking)) helps.set(prospect, [...(helps.get(prospect) ?? []), piece]);
  }
  return [...helps].map(([prospect, pieces]) => ({
    code: 'no-suitable-product',
    severity: 'info',
    garments: pieces.map((p) => p.garment.id),
    message: say('warn.missing-agent', { prospect, names: pieces.map((p) => p.garment.name) }),
  }));
}
