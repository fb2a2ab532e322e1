/** The household as a hamper document. */
import { isoInZone } from '@formats/dates.ts';
import type { HamperDocument } from '../formats/hamper.ts';
import type { Transaction } from './client.ts';
import { currentPins, pinsAmong } from './decisions.ts';
import { garmentDocument, listPieces } from './garments.ts';
import { readHousehold } from './household.ts';
import { teach } from './learnt.ts';
import { piecesInLoads } from './loads.ts';
import { piecesInSoaks } from './treatments.ts';

/** Equipment with what its runs have taught, rules, and the basket's pieces that are not in a running load or a tub. */
export async function currentHamper(tx: Transaction, now: Date): Promise<HamperDocument | null> {
  const household = await readHousehold(tx);
  if (!household) return null;
  const busy = new Set([...(await piecesInLoads(tx)), ...(await piecesInSoaks(tx))].map((p) => p.garmentId));
  const known = await teach(tx, household.document, await listPieces(tx), now);
  const pieces = known.pieces.filter((p) => p.basket !== null && !busy.has(p.row.id));
  const pins = pinsAmong(await currentPins(tx), new Set(pieces.map((p) => p.row.id)));
  return {
    format: 'neat-fold/hamper',
    version: 1,
    now: isoInZone(now, household.timeZone),
    household: known.document,
    garments: pieces.map((p) => garmentDocument(p, now)),
    ...(pins.length > 0 ? { pins } : {}),
  };
}

/** The whole household: every piece, those that are not in the basket marked as left out. */
export async function wholeHamper(tx: Transaction, now: Date): Promise<HamperDocument | null> {
  const household = await readHousehold(tx);
  if (!household) return null;
  const pieces = await listPieces(tx);
  return {
    format: 'neat-fold/hamper',
    version: 1,
    now: isoInZone(now, household.timeZone),
    household: household.document,
    garments: pieces.map((p) => ({ ...garmentDocument(p, now), include: p.basket !== null })),
  };
}
