/** Whether the database answers, known to every request at the cost of one question a second. */
import { leaderAnswers } from '@data/servers.ts';

const freshMs = 1_000;
let asked = { at: Number.NEGATIVE_INFINITY, answer: Promise.resolve(true) };

/** The newest answer, at most a second old; many that ask at once wait for one. */
export function isReady(): Promise<boolean> {
  const now = Date.now();
  if (now - asked.at > freshMs) {
    const answer = leaderAnswers();
    asked = { at: now, answer };
    // A question that took its whole patience is no older than its answer.
    void answer.then(() => {
      if (asked.answer === answer) asked = { at: Date.now(), answer };
    });
  }
  return asked.answer;
}
