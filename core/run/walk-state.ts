/**
 * Where somebody is in a wash by hand. Pure: a state and an action in, the next state or a refusal out; the same on the server and on a phone
 * without a network. Every action but `back` leads onwards, so every walk ends.
 */
import { say, type Message } from '../message/message.ts';
import { fail, ok, type Result } from '../units/result.ts';
import { timeLeftMs, type Clock } from './clock.ts';

/** What the walk needs to know of a step. */
export interface WalkStep {
  kind: string;
  clock: { minutes: number; mostMinutes: number } | null;
  check: 'rinse-clear' | 'bath-clear' | null;
  mayBeSkipped: boolean;
  onlyFreshBath: boolean;
}
export interface WalkPlan {
  steps: readonly WalkStep[];
  mostExtraRinses: number;
}
/**
 * start-clock = it works from now · done = the step is done · early = out before its time · clear, cloudy = what the water shows · skip = left out ·
 * back = one step back, a slip of a wet finger.
 */
export const walkActions = ['start-clock', 'done', 'early', 'clear', 'cloudy', 'skip', 'back'] as const;
export type WalkAction = (typeof walkActions)[number];

export interface WalkState {
  /** Index of the step that is due; the number of steps = at its end. */
  at: number;
  extraRinses: number;
  clock: Clock | null;
  /** Water that stayed cloudy to the last: what to look at afterwards. */
  cloudy: boolean;
  /** The steps behind, newest last, to go back to. */
  behind: readonly { at: number; extraRinses: number }[];
  /** Counts every action: which state a screen has seen. */
  seen: number;
}
export const beginWalk = (): WalkState => ({
  at: 0,
  extraRinses: 0,
  clock: null,
  cloudy: false,
  behind: [],
  seen: 0,
});
export const walkDue = <S extends WalkStep>(p: { steps: readonly S[] }, s: WalkState): S | null =>
  p.steps[s.at] ?? null;
export const walkEnded = (p: WalkPlan, s: WalkState): boolean => s.at >= p.steps.length;

/** A minute or two early is no lie. */
const earlyMs = 30_000;

/**
 * The next state. `now` in ms since 1970.
 * @example advance(plan, beginWalk(), 'done', Date.now())
 */
export function advance(p: WalkPlan, s: WalkState, action: WalkAction, now: number): Result<WalkState, Message> {
  if (action === 'back') {
    const last = s.behind.at(-1);
    if (!last) return fail(say('hand.first-step'));
    return ok({ ...s, ...last, clock: null, behind: s.behind.slice(0, -1), seen: s.seen + 1 });
  }
  const step = walkDue(p, s);
  if (!step) return fail(say('hand.ended'));
  const onwards = (to: number, change: Partial<WalkState> = {}): Result<WalkState, Message> =>
    ok({
      ...s,
      at: to,
      clock: null,
      behind: [...s.behind, { at: s.at, extraRinses: s.extraRinses }],
      seen: s.seen + 1,
      ...change,
    });
  const next = (freshBath = true): number => {
    let to = s.at + 1;
    while (!freshBath && p.steps[to]?.onlyFreshBath) to++;
    return to;
  };
  switch (action) {
    case 'start-clock':
      if (!step.clock) return fail(say('hand.no-clock'));
      if (s.clock) return ok(s);
      return ok({
        ...s,
        clock: { startedAt: now, endsAt: now + step.clock.minutes * 60_000 },
        seen: s.seen + 1,
      });
    case 'skip':
      return step.mayBeSkipped ? onwards(next()) : fail(say('hand.not-skipped'));
    case 'early':
      return step.clock ? onwards(next()) : fail(say('hand.no-clock'));
    case 'done': {
      if (step.check) return fail(say('hand.look-first'));
      if (!step.clock) return onwards(next());
      if (!s.clock) return fail(say('hand.clock-first', { minutes: step.clock.minutes }));
      const left = timeLeftMs(s.clock, now);
      return left > earlyMs ? fail(say('hand.clock-runs', { minutes: Math.ceil(left / 60_000) })) : onwards(next());
    }
    case 'clear':
      return step.check ? onwards(next(step.check !== 'bath-clear')) : fail(say('hand.nothing-to-look'));
    case 'cloudy':
      if (step.check === 'bath-clear') return onwards(next(true));
      if (step.check === null) return fail(say('hand.nothing-to-look'));
      return s.extraRinses < p.mostExtraRinses
        ? onwards(s.at, { extraRinses: s.extraRinses + 1 })
        : onwards(next(), { cloudy: true });
  }
}
