/**
 * Sorting that somebody waits for: ordered in the same step as what was decided, done by whichever server comes first. A usual basket is sorted
 * while the page loads; a large one goes on by itself, tells how far it is and can be stopped. At most one per household: a newer wish replaces an
 * older one. The old plan stays until the new one is stored.
 */
import type { Progress } from '@core/solve/solve.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { Door, Transaction } from '@data/client.ts';
import { askEnough, orderWork, stopWork, workUnderWay } from '@data/works.ts';
import type { Scope } from '../server/request.server.ts';
import { largeFrom } from './first-plan.ts';
import { awaitWork, sendWork } from '../behind/await-work.server.ts';

export interface Sorting {
  id: string;
  startedAt: Date;
  pieces: number;
  /** `first` = the plan that can be looked at meanwhile. */
  progress: (Progress & { first: string | null }) | null;
}

/** How long a page waits for its plan before it shows the progress instead, ms; of a large basket that is sooner. */
const patienceMs = Number(process.env.NEATFOLD_PATIENCE_MS ?? 6_000);
const largePatienceMs = Math.min(patienceMs, 1_000);
/** So long it waits for the best plan where a first one could be looked at, ms. */
const bestPatienceMs = 1_000;

export async function sortingOf(tx: Transaction): Promise<Sorting | null> {
  const work = await workUnderWay(tx, 'plan');
  if (!work) return null;
  return {
    id: work.id,
    startedAt: work.createdAt,
    pieces: work.size,
    progress: work.progress as Sorting['progress'],
  };
}
export const stopSorting = ({ tx, now }: Pick<Scope, 'tx' | 'now'>): Promise<void> => stopWork(tx, 'plan', '', now);

/** The best so far is taken. */
export const takeBest = ({ tx }: Pick<Scope, 'tx'>): Promise<void> => askEnough(tx, 'plan');

/** Order it; null when there is nothing to sort. */
export const orderSorting = async (
  { tx, householdId, now }: Pick<Scope, 'tx' | 'householdId' | 'now'>,
  hamper: HamperDocument,
): Promise<string | null> =>
  hamper.garments.length === 0
    ? null
    : orderWork(tx, householdId, { kind: 'plan', input: { hamper }, size: hamper.garments.length }, now);

/** Send it on its way once it is stored, and wait for it as long as a page does. Answers whether it is over. */
export async function sortNow(door: Door, workId: string, pieces: number): Promise<boolean> {
  await sendWork(door, 'plan', workId);
  const state = await awaitWork(
    door,
    workId,
    pieces < largeFrom ? patienceMs : largePatienceMs,
    (progress, waitedMs) => waitedMs >= bestPatienceMs && typeof progress?.first === 'string',
  );
  return state !== 'queued' && state !== 'active';
}
