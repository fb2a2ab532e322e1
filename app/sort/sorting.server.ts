/**
 * Sorting that somebody waits for. A usual basket is sorted while the page loads; a large one goes on by itself, tells how far it is and can be
 * stopped. At most one per household: a newer wish replaces an older one. The old plan stays until the new one is stored.
 */
import type { Progress } from '@core/solve/solve.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import { inHousehold } from '@data/client.ts';
import { storePlan } from '@data/loads.ts';
import { planInPool } from '../server/pool.server.ts';

export interface Sorting {
  startedAt: number;
  pieces: number;
  progress: Progress | null;
  stop: () => void;
}
const running = new Map<string, Sorting>();

/** How long a page waits for its plan before it shows the progress instead, ms. */
const patienceMs = Number(process.env.NEATFOLD_PATIENCE_MS ?? 6_000);

export const sortingOf = (householdId: string): Sorting | null => running.get(householdId) ?? null;
export const stopSorting = (householdId: string): void => running.get(householdId)?.stop();

/** Sort and store. Answers `stored` when that was quick, `going-on` when it takes longer, `stopped` when it was given up meanwhile. */
export async function sortBasket(
  householdId: string,
  hamper: HamperDocument,
): Promise<'stored' | 'going-on' | 'stopped'> {
  stopSorting(householdId);
  const giveUp = new AbortController();
  const sorting: Sorting = {
    startedAt: Date.now(),
    pieces: hamper.garments.length,
    progress: null,
    stop: () => {
      giveUp.abort();
      if (running.get(householdId) === sorting) running.delete(householdId);
    },
  };
  running.set(householdId, sorting);
  const work = planInPool(hamper, {
    urgency: 'waited-for',
    signal: giveUp.signal,
    onProgress: (p) => {
      sorting.progress = p;
    },
  })
    .then((plan) =>
      giveUp.signal.aborted ? null : inHousehold(householdId, (tx) => storePlan(tx, householdId, hamper, plan)),
    )
    .then(
      (stored): 'stored' | 'stopped' => (stored === null ? 'stopped' : 'stored'),
      (error: unknown) => {
        if (giveUp.signal.aborted) return 'stopped' as const;
        throw error;
      },
    )
    .finally(() => {
      if (running.get(householdId) === sorting) running.delete(householdId);
    });
  let timer: NodeJS.Timeout | undefined;
  const patience = new Promise<'going-on'>((resolve) => {
    timer = setTimeout(() => resolve('going-on'), patienceMs);
  });
  const first = await Promise.race([work, patience]);
  clearTimeout(timer);
  // Nobody waits for the rest here: a failure shows as a basket that is still unsorted.
  if (first === 'going-on')
    work.catch((error: unknown) =>
      console.error('neat-fold: sorting failed:', error instanceof Error ? error.message : error),
    );
  return first;
}
