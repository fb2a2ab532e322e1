/** The household's own piles: everything it owns, sorted once as if all of it were dirty, and kept until something of it changes. */
import { createHash } from 'node:crypto';
import type { HouseRules } from '@core/model/household.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { teach } from '@data/learnt.ts';
import { planInPool } from '../server/pool.server.ts';
import type { Scope } from '../server/request.server.ts';

export interface Everything {
  hamper: HamperDocument;
  plan: PlanDocument;
}
/** So many households' piles are kept at once. */
const mostKept = 50;
const known = new Map<string, { digest: string; work: Promise<Everything> }>();

/** The whole wardrobe as one basket: usually soiled, without marks, nothing waiting. `piles` = the colour piles of another school. */
export async function everythingDirty(
  { tx, now }: Pick<Scope, 'tx' | 'now'>,
  piles: HouseRules['colourPiles'] | null,
): Promise<HamperDocument | null> {
  const home = await readHousehold(tx);
  if (!home) return null;
  const { document, pieces } = await teach(tx, home.document, await listPieces(tx), now);
  return {
    format: 'neat-fold/hamper',
    version: 1,
    // No moment of its own: the same household has the same piles.
    now: '2026-01-01T12:00:00Z',
    household: {
      ...document,
      rules: { ...document.rules, waiting: 'none', ...(piles ? { colourPiles: piles } : {}) },
    },
    garments: pieces.map((p) => ({
      ...garmentDocument(p, now),
      soil: 'normal' as const,
      stains: [],
      hygiene: false,
      odour: false,
      neededBy: null,
      include: true,
      wearsSinceWash: Math.max(1, p.state.wearsSinceWash),
    })),
  };
}
/** Sorted in a thread; the same household asks once. */
export function pilesPlan(householdId: string, school: string, hamper: HamperDocument): Promise<Everything> {
  const key = `${householdId}/${school}`;
  const digest = createHash('sha256').update(JSON.stringify(hamper)).digest('hex');
  const before = known.get(key);
  if (before?.digest === digest) return before.work;
  const work = planInPool(hamper, { urgency: 'waited-for' }).then((plan) => ({ hamper, plan }));
  // A failure is not kept: the next one asks again.
  work.catch(() => known.delete(key));
  known.delete(key);
  known.set(key, { digest, work });
  if (known.size > mostKept) known.delete([...known.keys()][0] ?? '');
  return work;
}
