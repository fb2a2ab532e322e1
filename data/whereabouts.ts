/** Where the pieces are now: in a drum, in a tub, on the line, at the cleaner, in the air. */
import { isNull, sql } from 'drizzle-orm';
import { pieceState, type AfterWash, type PieceState } from '../core/piece/state.ts';
import type { Transaction } from './client.ts';
import { piecesAtCleaner } from './cleaner.ts';
import type { Piece } from './garments.ts';
import { piecesInLoads } from './loads.ts';
import { freshenings, plans, loads, wetPieces } from './schema.ts';
import { piecesInSoaks } from './treatments.ts';
import { listWet } from './wet.ts';

export interface Whereabouts {
  inDrum: ReadonlyMap<string, string>;
  inTub: ReadonlyMap<string, string>;
  afterWash: ReadonlyMap<string, AfterWash>;
  atCleaner: ReadonlySet<string>;
  freshening: ReadonlySet<string>;
}

/** Pieces that their plan sends to the iron and that nobody has pressed or let be. */
async function waitForIron(tx: Transaction): Promise<Set<string>> {
  const { rows } = await tx.execute<{ id: string }>(sql`
    select w.garment_id as id from ${wetPieces} w
    join ${loads} l on l.id = w.load_id join ${plans} p on p.id = l.plan_id
    where w.dry_at is not null and w.pressed_at is null and exists (
      select 1 from json_array_elements(p.result->'garments') g
      where g->>'id' = w.garment_id and g->>'press' is not null)`);
  return new Set(rows.map((r) => r.id));
}

export async function whereabouts(tx: Transaction): Promise<Whereabouts> {
  const inDrum = new Map((await piecesInLoads(tx)).map((p) => [p.garmentId, p.loadId]));
  const inTub = new Map((await piecesInSoaks(tx)).map((p) => [p.garmentId, p.soakId]));
  const wet = await listWet(tx);
  const iron = wet.some((w) => w.dryAt !== null) ? await waitForIron(tx) : new Set<string>();
  const airing = await tx.select({ id: freshenings.garmentId }).from(freshenings).where(isNull(freshenings.endedAt));
  return {
    inDrum,
    inTub,
    afterWash: new Map(
      wet.map((w) => [
        w.garmentId,
        { hung: w.hungAt !== null, expectedAt: w.expectedAt, dry: w.dryAt !== null, toPress: iron.has(w.garmentId) },
      ]),
    ),
    atCleaner: await piecesAtCleaner(tx),
    freshening: new Set(airing.map((f) => f.id)),
  };
}

/** The state of a piece, from where it is and what was worn since its last wash. */
export const stateOf = (piece: Piece, where: Whereabouts, now: Date): PieceState =>
  pieceState(
    {
      retired: piece.row.retiredAt !== null,
      inDrum: where.inDrum.has(piece.row.id),
      inTub: where.inTub.has(piece.row.id),
      afterWash: where.afterWash.get(piece.row.id) ?? null,
      atCleaner: where.atCleaner.has(piece.row.id),
      freshening: where.freshening.has(piece.row.id),
      inBasket: piece.basket !== null,
      wearsSinceWash: piece.state.wearsSinceWash,
    },
    now,
  );
