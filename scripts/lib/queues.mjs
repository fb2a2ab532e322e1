// The queues of work behind the pages: made by whoever migrates, worked at by every server.
export const queueSchema = 'queue';

/** A try that shows no sign of life is taken from whoever had it (app/behind); these are the last resort of the queue itself. */
const usual = { retryLimit: 3, retryDelay: 0, expireInSeconds: 900, retentionMinutes: 2_880 };
export const queues = {
  /** Somebody waits for it. */
  'waited-for': usual,
  /** Good to know later. */
  later: usual,
  /** At its moment. */
  timed: usual,
  /** A letter: tried again for hours, a little later each time. */
  mail: { retryLimit: 8, retryDelay: 30, retryBackoff: true, expireInSeconds: 60, retentionMinutes: 2_880 },
};
