/** Decisions made by hand on the board. The last row is how things stand; undo takes it away. */
import { desc, eq } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { decisions, type PinDocument } from './schema.ts';

export interface DecisionStep {
  note: string;
  pins: PinDocument[];
}

export async function currentPins(tx: Transaction): Promise<PinDocument[]> {
  const [last] = await tx.select({ pins: decisions.pins }).from(decisions).orderBy(desc(decisions.id)).limit(1);
  return last?.pins ?? [];
}
/** Notes of the steps so far, newest first. */
export const decisionNotes = async (tx: Transaction): Promise<string[]> =>
  (await tx.select({ note: decisions.note }).from(decisions).orderBy(desc(decisions.id))).map((d) => d.note);
/** The id of the newest step; null = nothing is decided. Whoever undoes names it, so that nobody undoes what they have not seen. */
export async function lastDecision(tx: Transaction): Promise<number | null> {
  const [last] = await tx.select({ id: decisions.id }).from(decisions).orderBy(desc(decisions.id)).limit(1);
  return last?.id ?? null;
}
export async function addDecision(tx: Transaction, householdId: string, step: DecisionStep): Promise<void> {
  await tx.insert(decisions).values({ householdId, ...step });
}
/** The note of what was undone; null when there was nothing. */
export async function undoDecision(tx: Transaction): Promise<string | null> {
  const [last] = await tx
    .select({ id: decisions.id, note: decisions.note })
    .from(decisions)
    .orderBy(desc(decisions.id))
    .limit(1);
  if (!last) return null;
  await tx.delete(decisions).where(eq(decisions.id, last.id));
  return last.note;
}
export const clearDecisions = async (tx: Transaction): Promise<void> => {
  await tx.delete(decisions);
};

/** Pins reduced to pieces that are there; what is left of too little is dropped. */
export function pinsAmong(pins: readonly PinDocument[], ids: ReadonlySet<string>): PinDocument[] {
  const among = (list: readonly string[]): string[] => list.filter((id) => ids.has(id));
  return pins.flatMap((p): PinDocument[] => {
    const confirmed = p.confirmed ? { confirmed: true } : {};
    if ('together' in p) {
      const together = among(p.together);
      return together.length > 1 ? [{ together, ...confirmed }] : [];
    }
    if ('apart' in p) {
      const apart = among(p.apart);
      return apart.length > 1 ? [{ apart, ...confirmed }] : [];
    }
    const outcome = Object.fromEntries(Object.entries(p.outcome).filter(([id]) => ids.has(id)));
    return Object.keys(outcome).length > 0 ? [{ outcome, ...(p.by ? { by: p.by } : {}), ...confirmed }] : [];
  });
}
/** Pins without one piece: what a new decision about it replaces. */
export const pinsWithout = (pins: readonly PinDocument[], id: string): PinDocument[] => {
  const all = new Set(
    pins.flatMap((p) => ('together' in p ? p.together : 'apart' in p ? p.apart : Object.keys(p.outcome))),
  );
  all.delete(id);
  return pinsAmong(pins, all);
};
