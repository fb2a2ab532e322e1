/** The household's own piles: everything it owns, sorted once as if all of it were dirty, and kept until something of it changes. */
import { createHash } from 'node:crypto';
import type { HouseRules } from '@core/model/household.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { teach } from '@data/learnt.ts';
import { inHousehold, lookInHousehold, type Door, type Transaction } from '@data/client.ts';
import { inputOf, newestResult, orderWork, workUnderWay } from '@data/works.ts';
import type { Scope } from '../server/request.server.ts';
import { awaitWork, sendWork } from '../behind/await-work.server.ts';

export interface Everything {
  hamper: HamperDocument;
  plan: PlanDocument;
}
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
/** How long a page waits for its piles. */
const patienceMs = 60_000;

/** Sorted by whichever server comes first, and kept until something of the household changes; who asks meanwhile waits for the same. */
export async function pilesPlan(door: Door, school: string, hamper: HamperDocument, now: Date): Promise<Everything> {
  const digest = createHash('sha256').update(JSON.stringify(hamper)).digest('hex');
  const subject = school || 'ours';
  const known = (tx: Transaction) => newestResult(tx, 'piles', subject);
  const have = await lookInHousehold(door, known);
  if (have?.input.digest === digest) return { hamper, plan: have.result as PlanDocument };
  const asked = await inHousehold(door, async (tx) => {
    const underWay = await workUnderWay(tx, 'piles', subject);
    if (underWay && (await inputOf(tx, underWay.id))?.digest === digest) return { id: underWay.id, ordered: false };
    const work = { kind: 'piles', subject, size: hamper.garments.length, input: { digest, hamper } } as const;
    return { id: await orderWork(tx, door.householdId, work, now), ordered: true };
  });
  if (asked.ordered) await sendWork(door, 'piles', asked.id);
  await awaitWork(door, asked.id, patienceMs);
  const done = await lookInHousehold(door, known);
  if (done?.input.digest !== digest)
    throw new Response('The piles take longer than usual. Try again in a minute.', { status: 503 });
  return { hamper, plan: done.result as PlanDocument };
}
