/** Forms that were answered: the same form sent again gets the same answer and changes nothing. */
import { and, eq, lt } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { submissions } from './schema.ts';

export interface Submission {
  /** The key the form carried, and a digest of all it said. */
  key: string;
  digest: string;
  /** Where the answer led. */
  to: string;
  at: Date;
}
/** A form lies open in a tab for a day at most; older ones are forgotten. */
const keptMs = 86_400_000;

export async function findSubmission(tx: Transaction, key: string, digest: string): Promise<{ to: string } | null> {
  const [row] = await tx
    .select({ to: submissions.answer })
    .from(submissions)
    .where(and(eq(submissions.key, key), eq(submissions.digest, digest)));
  return row ?? null;
}
export async function keepSubmission(tx: Transaction, householdId: string, s: Submission): Promise<void> {
  await tx.delete(submissions).where(lt(submissions.at, new Date(s.at.getTime() - keptMs)));
  await tx.insert(submissions).values({ householdId, key: s.key, digest: s.digest, answer: s.to, at: s.at });
}
