/** What a piece needs before any price: outcomes fixed by rule, and whether it may wait. */
import { hasSignificant, isWool, isProtein, mainParts } from '../fibre/blend.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { Outcome, Reason } from '../model/plan.ts';
import { soilOrder } from '../model/orders.ts';
import { wearsAllowed, wearUnitsSinceWash } from '../wear/wear.ts';
import type { Household } from '../model/household.ts';
import { isDenim, type Profile } from './profile.ts';

export interface Decision {
  /** `null` = wash or wait, by price; `wait` only by a hand-made decision. */
  fixed: Exclude<Outcome, 'wash'> | null;
  mayWait: boolean;
  reason: Reason;
}

const mostlyWool = (p: Profile): boolean =>
  mainParts(p.garment.parts).some(
    (part) => part.fibres.filter((f) => isWool(f.fibre)).reduce((s, f) => s + f.percent, 0) >= 50,
  );
export const wearUnitsOf = (p: Profile): number =>
  wearUnitsSinceWash(p.garment.kind, mostlyWool(p), p.garment.wearsSinceWash, p.garment.activity);

const daysUntil = (now: string, then: string): number => (Date.parse(then) - Date.parse(now)) / 86_400_000;
/** One day for drying. */
const dryingDays = 1;

function dueReason(p: Profile): Reason {
  const g = p.garment;
  const allowed = wearsAllowed(g.kind, mostlyWool(p));
  const wears = `${g.wearsSinceWash} ${g.wearsSinceWash === 1 ? 'wear' : 'wears'}`;
  if (g.hygiene)
    return {
      code: 'hygiene',
      source: 'hygiene',
      text: 'Illness or infection risk: washed hot where it may be, with its like.',
    };
  if (g.stains.length > 0)
    return {
      code: 'wash-due',
      source: 'stain',
      text: `Stained: ${g.stains.map((s) => s.kind.replace(/-/g, ' ')).join(', ')}.`,
    };
  if (g.odour) return { code: 'wash-due', source: 'hygiene', text: 'It smells.' };
  if (g.neededBy) return { code: 'needed-by', source: 'rule', text: 'Needed by a date you set.' };
  if (wearUnitsOf(p) >= 1 && allowed !== null)
    return {
      code: 'wash-due',
      source: 'hygiene',
      text: `${wears} since the last wash; a ${kindFacts(g.kind).name} asks for one after about ${allowed}.`,
    };
  return { code: 'wash-due', source: 'hygiene', text: `Soil: ${g.soil}.` };
}

/** The outcome a rule fixes, or the room left to the price, with the reason. `now` is ISO 8601. */
export function decide(p: Profile, household: Household, now: string): Decision {
  const g = p.garment;
  const fixed = (
    outcome: NonNullable<Decision['fixed']>,
    code: string,
    source: Reason['source'],
    text: string,
  ): Decision => ({ fixed: outcome, mayWait: false, reason: { code, source, text } });
  if (!g.include) return fixed('left-out', 'set-aside', 'rule', 'You set it aside.');
  const nothingElse = g.stains.length === 0 && !g.odour && !g.hygiene && g.neededBy === null;
  const slightSoil = soilOrder.indexOf(g.soil) <= soilOrder.indexOf('light');
  const units = wearUnitsOf(p);
  const judgedByWear = kindFacts(g.kind).wearGroup !== null;
  if (p.closure?.kind === 'hide')
    return nothingElse && slightSoil
      ? fixed('no-wash', 'not-due', 'fibre', `${p.closure.reason}; nothing is due.`)
      : fixed('professional', 'water-closed', 'fibre', `${p.closure.reason}; a mark goes to a professional.`);
  if (nothingElse && slightSoil && ((judgedByWear && units < 1) || (!judgedByWear && g.soil === 'none')))
    return restOutcome(p, units);
  if (p.closure?.kind === 'test-first')
    return fixed('test-first', 'test-missing', p.closure.source, sentence(p.closure.reason));
  if (p.closure) return fixed('professional', 'water-closed', p.closure.source, sentence(p.closure.reason));
  const only = g.stains[0];
  const spotCloth =
    hasSignificant(g.parts, isProtein) ||
    isDenim(g) ||
    kindFacts(g.kind).wearGroup === 'jacket' ||
    kindFacts(g.kind).wearGroup === 'coat';
  if (
    only &&
    g.stains.length === 1 &&
    (only.sizeCm ?? 99) <= 5 &&
    spotCloth &&
    slightSoil &&
    !g.odour &&
    !g.hygiene &&
    g.neededBy === null &&
    units < 1 &&
    p.contamination === 'none'
  ) {
    return fixed(
      'spot-clean',
      'not-due',
      'stain',
      `Only one small mark (${only.kind.replace(/-/g, ' ')}): treat the spot, the rest is fresh.`,
    );
  }
  const urgentStain = g.stains.some((s) => s.kind === 'dye-bleed' || (s.ageHours !== null && s.ageHours < 24));
  const sport = p.isSport && g.wearsSinceWash > 0;
  const needed = g.neededBy !== null && daysUntil(now, g.neededBy) <= household.daysToNextWash + dryingDays;
  const mayWait = !(g.hygiene || p.contamination !== 'none' || urgentStain || sport || needed);
  return { fixed: null, mayWait, reason: dueReason(p) };
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

function restOutcome(p: Profile, units: number): Decision {
  const g = p.garment;
  const allowed = wearsAllowed(g.kind, mostlyWool(p));
  const count = allowed === null ? 'Nothing asks for a wash' : `${g.wearsSinceWash} of about ${allowed} wears`;
  const say = (fixed: NonNullable<Decision['fixed']>, advice: string): Decision => ({
    fixed,
    mayWait: false,
    reason: { code: 'not-due', source: 'hygiene', text: `${count}: ${advice}` },
  });
  if (g.wearsSinceWash === 0 || units === 0) return say('no-wash', 'nothing is due.');
  if (
    g.soil === 'light' &&
    (p.isWool || kindFacts(g.kind).wearGroup === 'coat' || kindFacts(g.kind).wearGroup === 'jacket')
  )
    return say('brush', 'brush it and hang it in fresh air.');
  if (g.traits.has('pleated') || kindFacts(g.kind).wearGroup === 'trousers_wool')
    return say('steam', 'steam it from the inside and let it rest.');
  return say('air', 'air it for a night.');
}
