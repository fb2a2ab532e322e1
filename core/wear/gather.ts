/** Does it need washing at all? For each piece the cheapest answer that does: rest, air, brush, steam, treat a spot, wash, or care of its own; how urgent, and what waiting costs. */
import { colourFacts } from '../colour/colour.ts';
import { weightsFor } from '../cost/weights.ts';
import { hasSignificant, isHide, isProtein, isWool } from '../fibre/blend.ts';
import { kindFacts } from '../garment/kinds.ts';
import { waitUrgency } from '../piece/demand.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { soilOrder } from '../model/orders.ts';
import { isDenim } from '../envelope/garment-envelope.ts';
import { dueness, rotationPieces, wearUnitsSinceWash, wearsAllowed, wearsBetween } from './wear.ts';

export type GatherAction = 'wash' | 'air' | 'steam' | 'brush' | 'spot-clean' | 'rest' | 'care' | 'one-more';
export interface GatherAdvice {
  action: GatherAction;
  /** 0 nothing to do, 1 some time, 2 soon, 3 today. */
  urgency: 0 | 1 | 2 | 3;
  because: string;
  /** EUR a day that waiting costs, with the household's weights; 0 for clean wool. */
  waitingPerDay: number;
}
export interface GatherFacts {
  /** Days since it was last worn; null = unknown or never. */ daysLying: number | null;
  /** Days since its last care of its own (fed, brushed, cleaned); null = never. */ daysSinceCare: number | null;
}

/** What is never washed, or hardly, is cared for: after so many wears or days, whichever comes first (estimates of practice). */
export const ownCare = {
  leather: { wears: 20, days: 180, words: 'Wipe it with a barely damp cloth and feed it.' },
  suede: { wears: 5, days: 120, words: 'Brush it dry, in one direction.' },
  tailoring: {
    wears: 3,
    days: 60,
    words: 'Brush it, hang it on a wide hanger, steam it from inside; the cleaner only when it is dirty.',
  },
  down: { wears: 10, days: 200, words: 'Air it dry and shake it; wash it once a season at most.' },
} as const;

/** Days a worn piece may lie before it harms: set-in yellowing of white next to the skin, sour sportswear. */
const lieLimit = (g: Garment): { days: number; why: string } | null => {
  const group = kindFacts(g.kind).wearGroup;
  if (group === 'sportswear' || g.traits.has('wicking')) return { days: 1, why: 'sweat turns sour in it' };
  const c = colourFacts(g.colours).class;
  if (g.nextToSkin && (c === 'white' || c === 'light')) return { days: 4, why: 'it yellows while it lies' };
  return null;
};
const mostlyWool = (g: Garment): boolean => hasSignificant(g.parts, isWool);

function careOf(g: Garment): (typeof ownCare)[keyof typeof ownCare] | null {
  if (hasSignificant(g.parts, (f) => f === 'suede')) return ownCare.suede;
  if (hasSignificant(g.parts, isHide)) return ownCare.leather;
  if (g.traits.has('structured')) return ownCare.tailoring;
  if (g.traits.has('down')) return ownCare.down;
  return null;
}

export function gatherAdvice(g: Garment, facts: GatherFacts, household: Household): GatherAdvice {
  const waitingPerDay =
    g.wearsSinceWash === 0 && g.soil === 'none'
      ? 0
      : weightsFor(household.rules.priority, household.rules.weights).waitingPerDay *
        waitUrgency(g, colourFacts(g.colours));
  const say = (action: GatherAction, urgency: GatherAdvice['urgency'], because: string): GatherAdvice => ({
    action,
    urgency,
    because,
    waitingPerDay,
  });
  const care = careOf(g);
  const units = wearUnitsSinceWash(g.kind, mostlyWool(g), g.wearsSinceWash, g.activity);
  const allowed = wearsAllowed(g.kind, mostlyWool(g));
  const count = allowed === null ? '' : `${g.wearsSinceWash} of about ${allowed} wears`;
  const lies = lieLimit(g);
  const soiled = soilOrder.indexOf(g.soil) > soilOrder.indexOf('light');
  if (care && !soiled && g.stains.length === 0 && !g.hygiene && !(care === ownCare.down && units >= 1)) {
    const due =
      g.wearsSinceWash >= care.wears ||
      (facts.daysSinceCare !== null && facts.daysSinceCare >= care.days) ||
      (facts.daysSinceCare === null && g.wearsSinceWash > 0);
    return due ? say('care', 1, care.words) : say('rest', 0, 'Cared for; nothing is due.');
  }
  if (g.hygiene) return say('wash', 3, 'Illness in the house.');
  const [only] = g.stains;
  if (
    only &&
    g.stains.length === 1 &&
    (only.sizeCm ?? 99) <= 5 &&
    units < 1 &&
    !soiled &&
    !g.odour &&
    (hasSignificant(g.parts, isProtein) || isDenim(g))
  )
    return say('spot-clean', only.ageHours !== null && only.ageHours < 24 ? 3 : 2, 'Only one mark: treat the spot.');
  if (only)
    return say('wash', only.ageHours !== null && only.ageHours < 24 ? 3 : 2, 'A mark only gets harder to move.');
  if (g.wearsSinceWash > 0 && lies && facts.daysLying !== null && facts.daysLying >= lies.days)
    return say(
      'wash',
      3,
      `It has lain for ${Math.floor(facts.daysLying)} ${Math.floor(facts.daysLying) === 1 ? 'day' : 'days'}: ${lies.why}.`,
    );
  if (g.odour)
    return mostlyWool(g) && units < 1
      ? say('air', 2, 'Wool gives its smell to fresh air.')
      : say('wash', 2, 'It smells.');
  if (soiled) return say('wash', 2, 'It is dirty to see.');
  const due = dueness(units);
  if (due === 'due') return say('wash', lies ? 2 : 1, `${count}.`);
  if (g.wearsSinceWash === 0) return say('rest', 0, 'Clean.');
  if (due === 'soon') return say('one-more', 1, `${count}: one more wear.`);
  if (g.soil === 'light' && (mostlyWool(g) || kindFacts(g.kind).wearGroup === 'coat'))
    return say('brush', 1, `${count}: brush it and hang it in fresh air.`);
  if (g.traits.has('pleated') || kindFacts(g.kind).wearGroup === 'trousers_wool')
    return say('steam', 1, `${count}: steam it and let it rest.`);
  if (mostlyWool(g) || isDenim(g)) return say('air', 1, `${count}: a night in fresh air is enough.`);
  return say('rest', 0, `${count}: worn but clean.`);
}

export interface Rotation {
  owned: number;
  needed: number;
  intervalDays: number;
  wearsPerDay: number;
}
/** Pieces of one group that somebody wears by turns: how many would let them wash only every `intervalDays`. `leadDays` = in wash and drying. */
export function rotationOf(
  group: { kind: Garment['kind']; mostlyWool: boolean; owned: number; wearsIn28Days: number },
  intervalDays: number,
  leadDays = 2,
): Rotation | null {
  const allowed = wearsAllowed(group.kind, group.mostlyWool);
  const wearsPerDay = group.wearsIn28Days / 28;
  if (allowed === null || wearsPerDay < 0.2) return null;
  const between = allowed <= 1 ? 1 : wearsBetween(1 / allowed, 'cotton', false);
  return {
    owned: group.owned,
    needed: rotationPieces(intervalDays, leadDays, wearsPerDay, between),
    intervalDays,
    wearsPerDay,
  };
}
