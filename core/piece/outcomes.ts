/** What a piece needs before any price: outcomes fixed by rule, and whether it may wait. */
import { say, type Message } from '../message/message.ts';
import type { Use } from '../garment/kinds.ts';
import type { Household } from '../model/household.ts';
import { effectOf } from '../model/rule-effects.ts';
import { soilOrder } from '../model/orders.ts';
import type { Outcome, Reason } from '../model/plan.ts';
import type { Profile } from './profile.ts';
import { isOuter, needVerdict, noHistory, ownCare, wearUnitsOf, type WashCause } from './verdict.ts';

export interface Decision {
  /** `null` = wash or wait, by price; `wait` only by a hand-made decision. */
  fixed: Exclude<Outcome, 'wash'> | null;
  mayWait: boolean;
  reason: Reason;
}

const daysUntil = (now: string, then: string): number => (Date.parse(then) - Date.parse(now)) / 86_400_000;
/** One day for drying. */
const dryingDays = 1;

/** What reasons of the plan document call each cause of a wash. */
const causeReasons: Record<WashCause, Pick<Reason, 'code' | 'source'>> = {
  hygiene: { code: 'hygiene', source: 'hygiene' },
  stain: { code: 'wash-due', source: 'stain' },
  odour: { code: 'wash-due', source: 'hygiene' },
  lies: { code: 'wash-due', source: 'hygiene' },
  date: { code: 'needed-by', source: 'rule' },
  soil: { code: 'wash-due', source: 'hygiene' },
  wears: { code: 'wash-due', source: 'hygiene' },
  asked: { code: 'wash-due', source: 'rule' },
  soaked: { code: 'wash-due', source: 'stain' },
};

/** The outcome a rule fixes, or the room left to the price, with the reason. `now` is ISO 8601. */
export function decide(p: Profile, household: Household, now: string): Decision {
  const g = p.garment;
  const fixed = (
    outcome: NonNullable<Decision['fixed']>,
    code: string,
    source: Reason['source'],
    message: Message,
  ): Decision => ({ fixed: outcome, mayWait: false, reason: { code, source, message } });
  if (!g.include) return fixed('left-out', 'set-aside', 'rule', say('need.left-out'));
  const verdict = needVerdict(g, { ...noHistory, asked: true });
  const asksForWater = verdict.need === 'wash' || verdict.need === 'spot';
  if (p.closure?.kind === 'hide')
    return asksForWater
      ? fixed('professional', 'water-closed', 'fibre', say('need.hide-marked', { because: p.closure.reason }))
      : fixed('no-wash', 'not-due', 'fibre', say('need.hide-nothing-due', { because: p.closure.reason }));
  switch (verdict.need) {
    case 'nothing':
      return fixed('no-wash', 'not-due', 'hygiene', verdict.because);
    case 'care':
      return fixed(ownCare[verdict.care].outcome, 'not-due', 'hygiene', verdict.because);
    case 'freshen':
      return fixed(verdict.how, 'not-due', 'hygiene', verdict.because);
    case 'spot':
    case 'wash':
      break;
  }
  if (p.closure) {
    const because = say('need.closed', { because: p.closure.reason });
    return p.closure.kind === 'test-first'
      ? fixed('test-first', 'test-missing', p.closure.source, because)
      : fixed('professional', 'water-closed', p.closure.source, because);
  }
  if (verdict.need === 'spot' && p.contamination === 'none')
    return fixed('spot-clean', 'not-due', 'stain', verdict.because);
  const cause = verdict.need === 'wash' ? verdict.cause : 'stain';
  const reason: Reason = { ...causeReasons[cause], message: verdict.because };
  return { fixed: null, mayWait: mayWait(p, household, now), reason };
}

function mayWait(p: Profile, household: Household, now: string): boolean {
  const g = p.garment;
  const urgentStain = g.stains.some((s) => s.kind === 'dye-bleed' || (s.ageHours !== null && s.ageHours < 24));
  const sport = p.isSport && g.wearsSinceWash > 0;
  const closedUse = noWaitingUses.includes(g.use);
  const overdue = wearUnitsOf(g) >= overdueUnits || soilOrder.indexOf(g.soil) >= soilOrder.indexOf('heavy');
  const needed = g.neededBy !== null && daysUntil(now, g.neededBy) <= household.daysToNextWash + dryingDays;
  return !(
    !effectOf(household.rules, 'waiting').allowed ||
    g.hygiene ||
    g.soaked ||
    p.contamination !== 'none' ||
    urgentStain ||
    sport ||
    needed ||
    closedUse ||
    overdue
  );
}

/** What is worn on the body, touches food or a baby, or comes from someone ill does not lie until next time. */
const noWaitingUses: readonly Use[] = ['body', 'kitchen', 'baby', 'sick'];
/** From so many wear units nothing waits. */
const overdueUnits = 2;
/** Wool, hair and outer layers below so many wear units gather for a fuller load, and air meanwhile. */
const gathersBelowUnits = 1.5;
/** Whether a piece may wait for a fuller load though others would share one with it today. */
export const gathers = (p: Profile): boolean =>
  (p.isWool || isOuter(p.garment)) && wearUnitsOf(p.garment) < gathersBelowUnits;
