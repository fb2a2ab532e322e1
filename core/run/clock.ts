/** Clocks of steps: when they began and when they end, ms since 1970. */
export interface Clock {
  startedAt: number;
  endsAt: number;
}
/**
 * What is left, ms; negative = over. A clock that was set back never gives more than the whole time.
 * @example timeLeftMs({ startedAt: 0, endsAt: 600_000 }, 540_000) // 60 000
 */
export const timeLeftMs = ({ startedAt, endsAt }: Clock, now: number): number => endsAt - Math.max(startedAt, now);

/**
 * The time as it has been seen to pass: a wall clock that jumps back is not followed. `seen` is the latest moment known.
 * @example onwardsFrom(1_000, 400) // 1 000
 */
export const onwardsFrom = (seen: number, now: number): number => Math.max(seen, now);
